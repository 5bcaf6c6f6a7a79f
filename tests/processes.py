"""What a test has started."""

from __future__ import annotations

import os
from contextlib import suppress
from pathlib import Path


def descendants(parent: int | None = None) -> dict[int, str]:
    """Processes below one, this one where none is named, that still run; with their command lines.

    What a process under test leaves behind becomes a child of the tests, and is among them.
    """
    found: dict[int, str] = {}
    for listed in Path(f"/proc/{parent or os.getpid()}/task").glob("*/children"):
        with suppress(OSError):
            for child in map(int, listed.read_text().split()):
                state = Path(f"/proc/{child}/stat").read_text().rpartition(")")[2].split()[0]
                words = Path(f"/proc/{child}/cmdline").read_bytes().replace(b"\0", b" ")
                if state != "Z":
                    found[child] = words.decode(errors="replace")
                found |= descendants(child)
    return found
