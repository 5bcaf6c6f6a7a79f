"""The table of faults, in a shortened form: what must hold when something is killed or flooded, and
that the log says in words what happened."""

from __future__ import annotations

import pytest

from grebe.bench.faults import FAULTS, Fault
from grebe.process.places import log_dir

LOGGED: dict[str, tuple[str, ...]] = {
    "engine error": (
        "RuntimeError: planted", "told: The engine had to end", "every box was silenced",
    ),
    "engine SIGTERM": ("asked to end: SIGTERM", "every box was silenced", "ends: as asked"),
    "engine SIGKILL": ("the engine before this one was killed: every box is silenced first",),
    "engine SIGSTOP": ("told: The engine stood still for", "[Song, section s, beat"),
    "stand-ins SIGKILL": (
        "told: Box-1: the stand-in", "The rest play on. [Song, section s, beat",
    ),
}  # fmt: skip
"""What stands in the engine's log afterwards: it is what a performer can send on."""


@pytest.mark.real_time("clocks lost and late are counted in real time, beside what is killed")
@pytest.mark.parametrize("fault", FAULTS, ids=lambda f: f.name.replace(" ", "-"))
def test_what_must_hold_holds(fault: Fault) -> None:
    """As the row says; and what happened can be read."""
    row = fault.short()
    assert fault.well(row), (fault.holds, row)
    words = LOGGED.get(fault.name, ())
    text = (log_dir() / "engine.log").read_text() if words else ""
    assert [w for w in words if w not in text] == []
