"""Windows of this user answer at sockets of their own: a second start raises the one that is there.

One line of JSON each way: the wish, and whether a window took it.
"""

from __future__ import annotations

import os
import socket
from collections.abc import Iterator
from contextlib import suppress
from pathlib import Path

import msgspec

from grebe.process.places import runtime_dir

ANSWER_S = 2.0
"""A window that says nothing for so long is left alone: another is opened."""
MAX_WISH_BYTES = 16 * 1024


class Wish(msgspec.Struct, frozen=True):
    """What a second start asks of a window."""

    project: str = ""
    """Raise the window with this project, as `places.written` writes its path; "" raises any."""
    token: str = ""
    """By which the desktop lets a window come forward."""


def own_socket() -> Path:
    """Where this process's windows answer."""
    return runtime_dir() / f"window-{os.getpid()}.sock"


def read_wish(line: bytes) -> Wish | None:
    """A wish as it came; None for anything else."""
    if len(line) > MAX_WISH_BYTES:
        return None
    try:
        return msgspec.json.decode(line, type=Wish)
    except (msgspec.DecodeError, RecursionError, UnicodeDecodeError):
        return None


def raised(wish: Wish) -> bool:
    """Whether a window took the wish and came forward."""
    return any(_took(path, wish) for path in _sockets())


def _sockets() -> Iterator[Path]:
    yield from sorted(runtime_dir().glob("window-*.sock"), key=_age)


def _age(path: Path) -> float:
    with suppress(OSError):
        return -path.stat().st_mtime
    return 0.0


def _took(path: Path, wish: Wish) -> bool:
    with socket.socket(socket.AF_UNIX) as asked:
        asked.settimeout(ANSWER_S)
        try:
            asked.connect(str(path))
            asked.sendall(msgspec.json.encode(wish) + b"\n")
            return asked.recv(16) == b"yes\n"
        except ConnectionRefusedError:
            with suppress(OSError):
                path.unlink()  # of a window that was killed
        except OSError:
            pass
    return False
