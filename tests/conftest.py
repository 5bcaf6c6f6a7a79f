"""Shared by all tests: no screen, folders of their own, builders of small documents."""

from __future__ import annotations

import ctypes
import gc
import os
import signal
import time
from collections.abc import Generator, Iterator
from contextlib import suppress
from pathlib import Path

import pytest
from _pytest.terminal import TerminalReporter
from hypothesis import settings

from grebe.errors import EngineError
from tests.engine.jackd import clear_registry
from tests.processes import descendants
from tests.stalls import Stalls, skip_if_hopeless

os.environ.setdefault("QT_QPA_PLATFORM", "offscreen")
os.environ.setdefault("GREBE_LANGUAGE", "en")  # whatever this desktop has


TRIES = 3
PLAYED = "played"
"""Put on a test of the window once an engine plays behind it: then it is real time, too."""
LEFT_S = 3.0
"""A process that a test started may take so long to be gone once the test is over."""

# A deadline of Hypothesis judges the machine, not Grebe; what is slow is measured by the bench.
settings.register_profile("grebe", deadline=None)
settings.load_profile("grebe")


FROZEN_EVERY = 20
"""Tests after which what is there by then is left out of later collections."""
_ended = 0


def pytest_runtest_logfinish(nodeid: str, location: tuple[str, int | None, str]) -> None:
    """What tests and libraries keep for good (modules, caches, Qt's wrappers) grows to hundreds of
    megabytes in a worker, and looking through it again and again took a third of the time.

    After the test and its fixtures are gone: a window that is still held would be kept for good.
    """
    global _ended  # noqa: PLW0603 - a count of this process
    _ended += 1
    if _ended % FROZEN_EVERY == 0:
        gc.collect()
        gc.freeze()


def pytest_collection_modifyitems(items: list[pytest.Item]) -> None:
    """Only a test that judges time against a real clock, marked ``real_time(why)``, has tries.

    A host that takes the processor away for a tenth of a second spoils what it measures, and no
    program can mend that. What is wrong with Grebe fails every time.
    """
    for item in items:
        mark = item.get_closest_marker("real_time")
        if mark is not None:
            assert mark.args, f"{item.nodeid} says no reason for more than one try"
            item.add_marker(pytest.mark.flaky(reruns=TRIES - 1))


@pytest.hookimpl(wrapper=True)
def pytest_pyfunc_call(pyfuncitem: pytest.Function) -> Generator[None, object, object]:
    """The last try of a test that judges time is not judged where the machine stood still in it.

    A host that takes the processor away makes JACK lose time and a stand-in answer late, whatever
    Grebe does.
    """
    tries = TRIES if pyfuncitem.get_closest_marker("real_time") else 1
    timed = tries > 1 or pyfuncitem.get_closest_marker("jack") is not None
    if pyfuncitem.get_closest_marker("alone") is not None:
        skip_if_hopeless()
    stalls = Stalls()
    if timed:
        stalls.start()
    try:
        return (yield)
    except (AssertionError, EngineError):
        if timed or pyfuncitem.get_closest_marker(PLAYED):
            last = timed and getattr(pyfuncitem, "execution_count", 1) >= tries
            stalls.skip_if_spoilt(last=last)
        raise
    finally:
        stalls.end()


def pytest_terminal_summary(terminalreporter: TerminalReporter) -> None:
    """What was not judged, or not at once, for the last lines of ``make test``."""
    listed = os.environ.get("GREBE_NOT_JUDGED")
    if not listed:
        return
    with Path(listed).open("a") as lines:
        for report in terminalreporter.stats.get("skipped", ()):
            why = report.longrepr[2] if isinstance(report.longrepr, tuple) else report.longrepr
            lines.write(f"not judged: {report.nodeid}: {why}\n")
        for report in terminalreporter.stats.get("rerun", ()):
            lines.write(f"tried again: {report.nodeid}\n")


def pytest_sessionstart(session: pytest.Session) -> None:
    """What a process under test leaves behind becomes a child of the tests, and is seen."""
    # Once, before there are workers, and not by those that run beside the ones with JACK.
    asked = session.config.option
    beside = asked.collectonly or "not jack" in asked.markexpr
    if not beside and not hasattr(session.config, "workerinput"):
        clear_registry()
    PR_SET_CHILD_SUBREAPER = 36  # noqa: N806 - linux/prctl.h
    ctypes.CDLL(None).prctl(PR_SET_CHILD_SUBREAPER, 1, 0, 0, 0)


@pytest.fixture(autouse=True)
def nothing_left_running() -> Iterator[None]:
    """A process left by a test is a failure of that test."""
    before = set(descendants())
    yield
    until = time.monotonic() + LEFT_S
    while left := {p: w for p, w in descendants().items() if p not in before}:
        if time.monotonic() > until:
            for pid in left:
                with suppress(ProcessLookupError):
                    os.kill(pid, signal.SIGKILL)
            pytest.fail(f"left running: {list(left.values())}")
        time.sleep(0.02)


@pytest.fixture(autouse=True)
def own_folders(nothing_left_running: None, monkeypatch: pytest.MonkeyPatch) -> Iterator[Path]:
    """Every test has folders of its own, short enough for a socket path."""
    import tempfile

    # What is written here is gone in a moment: nothing waits for a disk, but what tries that.
    monkeypatch.setattr(os, "fsync", lambda handle: None)
    # Where a test opens a log of its own, a crash is still told by pytest, which outlives the log.
    monkeypatch.setattr("grebe.process.log.faulthandler.enable", lambda *_, **__: None)
    with tempfile.TemporaryDirectory(prefix="gt-", ignore_cleanup_errors=True) as folder:
        monkeypatch.setenv("GREBE_RUNTIME_DIR", f"{folder}/run")
        monkeypatch.setenv("XDG_STATE_HOME", f"{folder}/state")
        monkeypatch.setenv("XDG_DATA_HOME", f"{folder}/data")
        yield Path(folder)
