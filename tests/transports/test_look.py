"""The look for ports, a process that asks JACK by another."""

from __future__ import annotations

import json
import os
import signal
import subprocess
import sys
from pathlib import Path

from grebe.process.children import alive
from tests.waiting import wait

LOOK = (sys.executable, "-m", "grebe.transports")


def asked(look: int) -> int | None:
    """The process that asks JACK for this look, once its command line is its own."""
    for child in map(int, Path(f"/proc/{look}/task/{look}/children").read_text().split()):
        if b"--ask\0jack" in Path(f"/proc/{child}/cmdline").read_bytes():
            return child
    return None


def test_every_kind_of_port_is_listed_or_has_a_reason() -> None:
    found = json.loads(subprocess.run(LOOK, capture_output=True, check=True).stdout)
    assert set(found) == {"jack", "alsa", "sound", "sessions", "network"}
    assert all(kind["available"] or kind["reason"] for kind in found.values())


def test_a_look_that_is_killed_leaves_nothing() -> None:
    """A window that closes kills it, with its question of JACK open: here, for ever."""
    with subprocess.Popen(LOOK, stdout=subprocess.DEVNULL) as look:
        wait(lambda: asked(look.pid))
        child = asked(look.pid)
        assert child is not None
        os.kill(child, signal.SIGSTOP)
        look.kill()
    wait(lambda: not alive(child))
