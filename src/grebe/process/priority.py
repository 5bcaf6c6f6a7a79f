"""Real-time priority: asked for, and given up before it can hurt.

A process that spins at real-time priority takes a core from everything else. Linux counts how long
a thread has run so without once waiting (RLIMIT_RTTIME) and sends SIGXCPU at the limit: then all
threads go back to ordinary priority for a while, and after a few times for good.
"""

from __future__ import annotations

import logging
import os
import resource
import signal
import threading
from collections.abc import Callable, Iterator
from contextlib import contextmanager, suppress
from pathlib import Path
from types import FrameType

MOST_AT_ONCE_US = 50_000
"""So long a thread may hold a core at real-time priority without waiting once."""
KILLED_AFTER_US = 2_000_000
"""The kernel ends a process that does not give up by then: nothing of it can be left spinning."""
AGAIN_S = (1.0, 4.0, 16.0)
"""After so long it has its priority back: the first time, the second, the third; then never."""
_log = logging.getLogger(__name__)


def ask_for_realtime(priority: int, given_up: Callable[[], None] | None = None) -> bool:
    """Ask for SCHED_FIFO for this thread and those it starts; whether it was granted.

    `given_up` is called when it had to be given up: then it does not come back. Only the main
    thread may ask.
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
    again = iter(AGAIN_S)

    def too_long(number: int, frame: FrameType | None) -> None:
        del number, frame
        had = give_up_realtime()
        _log.warning("held a core for %d ms at a stretch: priority is given up",
                     MOST_AT_ONCE_US / 1000)  # fmt: skip
        if given_up is not None:
            given_up()
        elif had and (wait_s := next(again, None)) is not None:
            timer = threading.Timer(wait_s, _take_again, (had,))
            timer.daemon = True
            timer.start()

    signal.signal(signal.SIGXCPU, too_long)


def give_up_realtime() -> dict[int, tuple[int, int]]:
    """All threads of this process go back to ordinary priority, those of libraries too.

    Those that had another: policy and priority by thread.
    """
    had: dict[int, tuple[int, int]] = {}
    for task in Path("/proc/self/task").iterdir():
        thread = int(task.name)
        with suppress(OSError):  # it has ended meanwhile
            policy = os.sched_getscheduler(thread)
            if policy & ~os.SCHED_RESET_ON_FORK in (os.SCHED_FIFO, os.SCHED_RR):
                had[thread] = (policy, os.sched_getparam(thread).sched_priority)
                os.sched_setscheduler(thread, os.SCHED_OTHER, os.sched_param(0))
    return had


def _take_again(had: dict[int, tuple[int, int]]) -> None:
    for thread, (policy, priority) in had.items():
        with suppress(OSError):
            os.sched_setscheduler(thread, policy, os.sched_param(priority))
    _log.info("has its priority back")


@contextmanager
def ordinary() -> Iterator[None]:
    """Do something at ordinary priority; what is started meanwhile begins with it."""
    policy, parameters = os.sched_getscheduler(0), os.sched_getparam(0)
    if policy != os.SCHED_OTHER:
        be_ordinary()
    try:
        yield
    finally:
        if policy != os.SCHED_OTHER:
            with suppress(OSError):
                os.sched_setscheduler(0, policy, parameters)


def be_ordinary() -> None:
    """This thread goes back to ordinary priority; those it has started keep theirs."""
    os.sched_setscheduler(0, os.SCHED_OTHER, os.sched_param(0))
