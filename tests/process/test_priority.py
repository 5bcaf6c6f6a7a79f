"""Real-time priority is given up before it can hurt: no core is held for long."""

from __future__ import annotations

import json
import os
import subprocess
import sys
from typing import Any

import pytest

from grebe.process.priority import MOST_AT_ONCE_US

SPINS = """
import hashlib, json, os, sys, threading, time
from grebe.process import priority
priority.AGAIN_S = (0.3,)
given_up = []
how = sys.argv[1]
granted = priority.ask_for_realtime(10, (lambda: given_up.append(1)) if how == "for good" else None)
def policy(): return os.sched_getscheduler(0)
def policies(): return sorted(os.sched_getscheduler(int(t)) for t in os.listdir("/proc/self/task"))
before = policy()
if how == "library":  # a thread of a library that holds no interpreter and never waits
    thread = threading.Thread(
        target=lambda: hashlib.pbkdf2_hmac("sha256", b"x", b"y", 2_500_000), daemon=True)
    thread.start()
    time.sleep(0.4)
else:
    end = time.monotonic() + 0.2
    while time.monotonic() < end:
        pass
after = policies()
time.sleep(0.6)
print(json.dumps({"granted": granted, "before": before, "after": after, "later": policies(),
                  "told": len(given_up)}))
"""


def spun(how: str) -> dict[str, Any]:
    done = subprocess.run([sys.executable, "-c", SPINS, how], capture_output=True, check=True)
    found: dict[str, Any] = json.loads(done.stdout)
    if not found["granted"]:
        pytest.skip("no real-time priority is to be had here")
    assert found["before"] == os.SCHED_FIFO
    return found


@pytest.mark.real_time("the kernel judges in real time how long a process has spun")
def test_who_spins_loses_it_and_has_it_back_after_a_while() -> None:
    """After 50 ms of its own; one long moment is no reason to be late for ever."""
    found = spun("")
    assert set(found["after"]) == {os.SCHED_OTHER}
    assert os.SCHED_FIFO in found["later"]
    assert MOST_AT_ONCE_US == 50_000


@pytest.mark.real_time("the kernel judges in real time how long a process has spun")
def test_who_would_rather_end_is_told() -> None:
    """And it does not come back."""
    found = spun("for good")
    assert found["told"] >= 1
    assert set(found["later"]) == {os.SCHED_OTHER}


@pytest.mark.real_time("the kernel judges in real time how long a process has spun")
def test_a_librarys_thread_that_spins_is_stopped_too() -> None:
    """It holds no interpreter, so nothing of Python could: the kernel says so."""
    found = spun("library")
    assert set(found["after"]) == {os.SCHED_OTHER}


STARTS = """
import os, sys
from grebe.process import children, priority
granted = priority.ask_for_realtime(10)
kind = children.Kind("grebe.standins", "probe")
with open("/dev/null") as nothing:
    child = children.start(kind, stdin=nothing.fileno())
print(granted, os.sched_getscheduler(0), os.sched_getscheduler(child.pid))
child.kill(); child.wait()
"""


def test_what_is_started_begins_at_ordinary_priority() -> None:
    """Or a second of importing would be taken for a process that spins, and end it."""
    done = subprocess.run([sys.executable, "-c", STARTS], capture_output=True, check=True)
    granted, ours, its = done.stdout.split()
    if granted == b"False":
        pytest.skip("no real-time priority is to be had here")
    assert (int(ours), int(its)) == (os.SCHED_FIFO, os.SCHED_OTHER)
