"""Real-time priority: asked for, and given up before it can hurt.

A process that spins at real-time priority takes a core from everything else.
Linux counts how long a thread has run so without once waiting (RLIMIT_RTTIME)
and sends SIGXCPU at the limit: then all threads go back to ordinary priority.
"""

from __future__ import annotations

import logging
import os
import resource
import signal
from collections.abc import Callable, Iterator
from contextlib import contextmanager, suppress
from pathlib import Path
from types import FrameType

MOST_AT_ONCE_US = 50_000
"""So long a thread may hold a core at real-time priority without waiting once."""
KILLED_AFTER_US = 2_000_000
"""The kernel ends a process that does not give up by then: nothing of it can be left spinning."""
_log = logging.getLogger(__name__)


def ask_for_realtime(priority: int, given_up: Callable[[], None] | None = None) -> bool:
    """Ask for SCHED_FIFO for this thread and those it starts; whether it was granted.

    `given_up` is called when it had to be given up. Only the main thread may ask.
    """
    try:
        limit_realtime(given_up)
        os.sched_setscheduler(0, os.SCHED_FIFO, os.sched_param(priority))
    except OSError:
        return False
    return True


def limit_realtime(given_up: Callable[[], None] | None = None) -> None:
    """Let no thread of this process hold a core for longer; for one whose libraries take priority
    themselves. OSError where the limit cannot be set."""
    _, hard = resource.getrlimit(resource.RLIMIT_RTTIME)
    most = KILLED_AFTER_US if hard == resource.RLIM_INFINITY else min(hard, KILLED_AFTER_US)
    resource.setrlimit(resource.RLIMIT_RTTIME, (min(MOST_AT_ONCE_US, most), most))

    def too_long(number: int, frame: FrameType | None) -> None:
        del number, frame
        give_up_realtime()
        _log.warning("ran for over %d ms at a stretch: priority is given up", MOST_AT_ONCE_US / 1e3)
        if given_up is not None:
            given_up()

    signal.signal(signal.SIGXCPU, too_long)


def give_up_realtime() -> None:
    """All threads of this process go back to ordinary priority, those of libraries too."""
    for task in Path("/proc/self/task").iterdir():
        with suppress(OSError):  # it has ended meanwhile
            os.sched_setscheduler(int(task.name), os.SCHED_OTHER, os.sched_param(0))


@contextmanager
def ordinary() -> Iterator[None]:
    """Do something long at ordinary priority: whatever else runs is not held up by it."""
    policy, parameters = os.sched_getscheduler(0), os.sched_getparam(0)
    if policy == os.SCHED_OTHER:
        yield
        return
    os.sched_setscheduler(0, os.SCHED_OTHER, os.sched_param(0))
    try:
        yield
    finally:
        with suppress(OSError):
            os.sched_setscheduler(0, policy, parameters)
