"""The look for ports, a process that asks JACK by another."""

from __future__ import annotations

import json
import os
import signal
import subprocess
import sys
import time
from collections.abc import Callable
from pathlib import Path

from grebe.process.children import alive

LOOK = (sys.executable, "-m", "grebe.transports")


def asked(look: int) -> int | None:
    """The process that asks JACK for this look, once its command line is its own."""
    for child in map(int, Path(f"/proc/{look}/task/{look}/children").read_text().split()):
        if b"--ask\0jack" in Path(f"/proc/{child}/cmdline").read_bytes():
            return child
    return None


def until(true: Callable[[], object]) -> None:
    end = time.monotonic() + 20
    while not true():
        assert time.monotonic() < end
        time.sleep(0.005)


def test_every_kind_of_port_is_listed_or_has_a_reason() -> None:
    found = json.loads(subprocess.run(LOOK, capture_output=True, check=True).stdout)
    assert set(found) == {"jack", "alsa", "sound", "sessions", "network"}
    assert all(kind["available"] or kind["reason"] for kind in found.values())


def test_a_look_that_is_killed_leaves_nothing() -> None:
    """A window that closes kills it, with its question of JACK open: here, for ever."""
    with subprocess.Popen(LOOK, stdout=subprocess.DEVNULL) as look:
        until(lambda: asked(look.pid))
        child = asked(look.pid)
        assert child is not None
        os.kill(child, signal.SIGSTOP)
        look.kill()
    until(lambda: not alive(child))
