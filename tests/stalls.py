"""An eye on the machine's own stalls, beside tests that judge when things happen."""

from __future__ import annotations

import threading
import time

import pytest

from grebe.process.processor import processor_times, stolen_percent

STALL_S = 0.01
"""A sleep that lasts this much longer than it was asked to: the machine stood still."""
STALLS = 3
NAP_S = 0.002
HOPELESS_PERCENT = 10.0
"""Then another try would tell no more, and is not made."""
STOLEN_PERCENT = 2.0
"""Of the processors, by the host of a virtual machine, during a test: /proc/stat says so."""


LOOK_S = 0.5


def skip_if_hopeless() -> None:
    """Skip a test that judges single frames where the host takes so much already that it could not
    be judged at its end: half a minute each, for nothing."""
    before = processor_times()
    time.sleep(LOOK_S)
    stolen = stolen_percent(before, processor_times())
    if stolen >= HOPELESS_PERCENT:
        pytest.skip(f"the host takes {stolen:.1f} % of the machine: nothing here can be judged")


class Stalls(threading.Thread):
    """Counts how often the machine stands still, by a thread that does nothing but sleep."""

    def __init__(self) -> None:
        super().__init__(daemon=True)
        self.count = 0
        self._over = threading.Event()
        self._before = processor_times()

    def run(self) -> None:
        before = time.monotonic()
        while not self._over.wait(NAP_S):
            now = time.monotonic()
            self.count += now - before > NAP_S + STALL_S
            before = now

    def end(self) -> None:
        """Stop counting."""
        self._over.set()
        if self.is_alive():
            self.join()

    def skip_if_spoilt(self, *, last: bool) -> None:
        """Skip the test where the machine stood still in it, and no try is left, or so much of it
        was taken that none would help. A failure without that counts.
        """
        self.end()
        stolen = stolen_percent(self._before, processor_times())
        loud = self.count >= STALLS or stolen >= STOLEN_PERCENT
        if (last and loud) or stolen >= HOPELESS_PERCENT:
            pytest.skip(
                f"the machine stood still {self.count} times, its host took {stolen:.1f} % of it: "
                "nothing here can be judged"
            )
