"""The table of faults, in a shortened form: what must hold when something is killed or flooded."""

from __future__ import annotations

import pytest

from grebe.app.bench.faults import FAULTS, Fault
from grebe.process.log import log_dir


@pytest.mark.parametrize("fault", FAULTS, ids=lambda f: f.name.replace(" ", "-"))
def test_what_must_hold_holds(fault: Fault) -> None:
    """As the row says."""
    row = fault.short()
    assert fault.well(row), (fault.holds, row)


def test_the_log_of_an_engine_that_failed_says_what_happened() -> None:
    """The exception with its place in the code, that it was told, and that boxes were silenced."""
    next(f for f in FAULTS if f.name == "engine error").short()
    text = (log_dir() / "engine.log").read_text()
    assert "RuntimeError: planted" in text
    assert "told: The engine had to end" in text
    assert "every box was silenced" in text


def test_the_log_of_an_engine_that_was_killed_says_so() -> None:
    """By the one that follows it: a killed process says nothing."""
    next(f for f in FAULTS if f.name == "engine SIGKILL").short()
    text = (log_dir() / "engine.log").read_text()
    assert text.count("begins:") == 2
    assert "the engine before this one was killed: every box is silenced first" in text


def test_the_log_of_a_lost_port_says_which_and_where_in_the_song() -> None:
    """In the words that the performer was told."""
    next(f for f in FAULTS if f.name == "stand-ins SIGKILL").short()
    text = (log_dir() / "engine.log").read_text()
    assert "told: Box-1: the stand-in" in text
    assert "The rest play on. [Song, section s, beat" in text
