"""What tests of the engine share: a JACK server, and an eye on the machine's own stalls."""

from __future__ import annotations

import threading
import time
from collections.abc import Generator, Iterator

import pytest

from grebe.process.processor import processor_times, stolen_percent
from tests.conftest import TRIES
from tests.engine.jackd import Server, end_clients

STALL_S = 0.01
"""A sleep that lasts this much longer than it was asked to: the machine stood still."""
STALLS = 3
NAP_S = 0.002
HOPELESS_PERCENT = 10.0
"""Then another try would tell no more, and is not made."""
STOLEN_PERCENT = 2.0
"""Of the processors, by the host of a virtual machine, during a test: /proc/stat says so."""


class Stalls(threading.Thread):
    """Counts how often the machine stands still, by a thread that does nothing but sleep."""

    def __init__(self) -> None:
        super().__init__(daemon=True)
        self.count = 0
        self._over = threading.Event()

    def run(self) -> None:
        before = time.monotonic()
        while not self._over.wait(NAP_S):
            now = time.monotonic()
            self.count += now - before > NAP_S + STALL_S
            before = now

    def end(self) -> int:
        self._over.set()
        self.join()
        return self.count


@pytest.hookimpl(wrapper=True)
def pytest_pyfunc_call(pyfuncitem: pytest.Function) -> Generator[None, object, object]:
    """The last try of a test beside JACK is not judged where the machine stood still in it.

    What is measured there is when things happen: a host that takes the processor away makes JACK
    lose time, whatever Grebe does. A failure without such stalls counts.
    """
    if pyfuncitem.get_closest_marker("jack") is None:
        return (yield)
    stalls, before = Stalls(), processor_times()
    stalls.start()
    try:
        return (yield)
    except AssertionError:
        count, stolen = stalls.end(), stolen_percent(before, processor_times())
        tries = TRIES if pyfuncitem.get_closest_marker("real_time") else 1
        last = getattr(pyfuncitem, "execution_count", 1) >= tries
        loud = count >= STALLS or stolen >= STOLEN_PERCENT
        if (last and loud) or stolen >= HOPELESS_PERCENT:
            pytest.skip(
                f"the machine stood still {count} times, its host took {stolen:.1f} % of it: "
                "nothing here can be judged"
            )
        raise
    finally:
        stalls.end()


@pytest.fixture(params=[256])
def server(request: pytest.FixtureRequest, monkeypatch: pytest.MonkeyPatch) -> Iterator[Server]:
    made = Server(request.param)
    monkeypatch.setenv("JACK_DEFAULT_SERVER", made.name)
    yield made
    made.stop()
    end_clients()
