"""What a process of ours tells, a line of JSON at a time, read without waiting for it."""

from __future__ import annotations

import os
import select
import subprocess
from typing import Any

import msgspec

CHUNK = 65_536


class ToldLines:
    """The standard output of a process, which is a pipe."""

    def __init__(self, process: subprocess.Popen[bytes]) -> None:
        assert process.stdout is not None
        self._pipe = process.stdout.fileno()
        self._unread = b""
        os.set_blocking(self._pipe, False)

    def read(self, wait_s: float = 0.0) -> list[dict[str, Any]] | None:
        """What came since, after waiting for it so long at most; None once the process ended."""
        if wait_s and not select.select([self._pipe], [], [], wait_s)[0]:
            return []
        try:
            read = os.read(self._pipe, CHUNK)
        except BlockingIOError:
            return []
        if not read:
            return None
        *lines, self._unread = (self._unread + read).split(b"\n")
        return [msgspec.json.decode(line) for line in lines]
