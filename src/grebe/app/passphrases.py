"""Passphrases of sessions: kept on this computer only, never in a project."""

from __future__ import annotations

from pathlib import Path

import msgspec

from grebe.formats.atomic import write_atomic
from grebe.process.places import state_dir

MOST = 64


def _path() -> Path:
    return state_dir() / "passphrases.json"


def _read() -> dict[str, str]:
    try:
        return msgspec.json.decode(_path().read_bytes(), type=dict[str, str])
    except (OSError, msgspec.MsgspecError):
        return {}


def passphrase_of(session: str) -> str:
    """The passphrase of a session; "" where it has none, or it was never typed here."""
    return _read().get(session, "")


def keep_passphrase(session: str, passphrase: str) -> None:
    """Keep it, readable by nobody else; "" forgets it. OSError where it cannot be written."""
    kept = {**_read(), session: passphrase}
    kept = {name: words for name, words in kept.items() if words}
    newest = dict(list(kept.items())[-MOST:])
    path = _path()
    path.touch(mode=0o600)
    path.chmod(0o600)
    write_atomic(path, msgspec.json.encode(newest))
    path.chmod(0o600)
