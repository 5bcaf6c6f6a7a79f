"""Processes that we start may have ended by the time they are told something, or ended."""

from __future__ import annotations

import os
import subprocess
import sys
from collections.abc import Callable

import pytest

from grebe.app.engine.supervisor import StandinsProcess, start_laptop
from grebe.core.session.use import SessionUse
from grebe.process import children
from grebe.process.children import close_pipes, end_child, end_input, tell

DEAF = """
import signal, time
signal.signal(signal.SIGTERM, signal.SIG_IGN)
print(flush=True)
time.sleep(90)
"""


def child(code: str = "pass") -> subprocess.Popen[bytes]:
    """A process that does this."""
    return subprocess.Popen(
        [sys.executable, "-c", code], stdin=subprocess.PIPE, stdout=subprocess.PIPE
    )


def ended() -> subprocess.Popen[bytes]:
    """One that has ended, and nobody has looked."""
    process = child()
    os.waitid(os.P_PID, process.pid, os.WEXITED | os.WNOWAIT)
    return process


@pytest.mark.parametrize("then", [end_child, close_pipes, end_input])
def test_one_that_ended_untold_can_be_ended(
    then: Callable[[subprocess.Popen[bytes]], None],
) -> None:
    """What it was told and did not take in is still in the pipe's buffer, and is no error."""
    process = ended()
    assert not tell(process, b"play\n")
    assert process.stdin is not None
    then(process)
    assert process.stdin.closed
    end_child(process)
    assert process.returncode == 0


def test_what_is_told_arrives() -> None:
    process = child("import sys; print(sys.stdin.readline().upper(), end='')")
    assert tell(process, b"play\n")
    assert process.stdout is not None
    assert process.stdout.readline() == b"PLAY\n"
    end_child(process)


def test_one_that_will_not_hear_is_killed(monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(children, "CHILD_ENDS_WITHIN_S", 0.1)
    process = child(DEAF)
    assert process.stdout is not None
    process.stdout.readline()
    end_child(process)
    assert process.returncode == -9


def test_stand_ins_and_a_laptop_that_end_at_once_are_no_error(
    monkeypatch: pytest.MonkeyPatch,
) -> None:
    """The window starts them; that they are not there is told by what looks after them."""
    monkeypatch.setattr(children, "start", lambda *_, **__: ended())
    standins = StandinsProcess([])
    laptop = start_laptop("Laptop", SessionUse(name="evening"), "", 120.0)
    for process in (standins.process, laptop):
        end_child(process)
        assert process.returncode == 0
