"""Passphrases of sessions: kept on this computer only, never in a project."""

from __future__ import annotations

from pathlib import Path

from grebe.app.kept import read_kept, write_kept
from grebe.process.places import state_dir

MOST = 64


def _path() -> Path:
    return state_dir() / "passphrases.json"


def _read() -> dict[str, str]:
    return read_kept(_path(), dict[str, str], {})


def passphrase_of(session: str) -> str:
    """The passphrase of a session; "" where it has none, or it was never typed here."""
    return _read().get(session, "")


def keep_passphrase(session: str, passphrase: str) -> None:
    """Keep it, readable by nobody else; "" forgets it. OSError where it cannot be written."""
    kept = {**_read(), session: passphrase}
    kept = {name: words for name, words in kept.items() if words}
    newest = dict(list(kept.items())[-MOST:])
    write_kept(_path(), newest, private=True)
