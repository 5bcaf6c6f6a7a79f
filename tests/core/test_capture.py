"""Capture: length, grid and swing of what was played, and the pattern made of it."""

from __future__ import annotations

import random

import pytest

from grebe.core.patterns.capture import (
    Played,
    Taken,
    best_grid,
    content_from,
    measured_swing,
    overdubbed,
    proposed_bars,
    quantised,
)
from grebe.core.patterns.model import Content
from tests import build


def _loop(steps: str, bars: int, note: int = 36, at: float = 0.0) -> list[Played]:
    """A row of sixteenths played over and over for so many bars of 4/4."""
    length = len(steps) / 4
    return [
        Played(at + n * length + i / 4, 0.1, note, 100)
        for n in range(round(bars * 4 / length))
        for i, c in enumerate(steps)
        if c == "x"
    ]


@pytest.mark.parametrize(
    ("steps", "bars"),
    [("x...x..xx...x...", 1), ("x...x..xx...x...x...x...x.x.xxx.", 2),
     ("x" + "." * 30 + "x" + "..x." * 8, 4)],
)  # fmt: skip
def test_proposed_length_is_that_of_the_loop(steps: str, bars: int) -> None:
    """The shortest of 1, 2, 4 and 8 bars that what was played repeats with."""
    notes = _loop(steps, 8)
    assert proposed_bars(notes, 4.0, 32.0) == bars
    dice = random.Random(2)
    human = [n._replace(start=n.start + dice.gauss(0, 0.02)) for n in notes]
    assert proposed_bars(human, 4.0, 32.0) == bars


def test_what_does_not_repeat_is_taken_whole() -> None:
    """The shortest length that holds it; eight bars at most; one where nothing was played."""
    assert proposed_bars([Played(13.0, 1, 60, 90), Played(15.0, 1, 62, 90)], 4.0, 16.0) == 1
    assert proposed_bars([Played(2.0, 1, 60, 90), Played(15.0, 1, 62, 90)], 4.0, 16.0) == 4
    assert proposed_bars([Played(2.0, 1, 60, 90), Played(98.0, 1, 62, 90)], 4.0, 100.0) == 8
    assert proposed_bars([], 4.0, 8.0) == 1


@pytest.mark.parametrize(
    ("step", "rate"), [(1 / 4, "1/16"), (1 / 3, "1/8t"), (1 / 6, "1/16t"), (1 / 8, "1/32")]
)
def test_grid(step: float, rate: str) -> None:
    """Found with 10 ms of wavering at 120 BPM (seed 3)."""
    dice = random.Random(3)
    starts = [n * step + dice.gauss(0, 0.006) for n in range(24)]
    assert best_grid(starts) == rate


@pytest.mark.parametrize("percent", [50.0, 54.0, 60.0, 66.0])
def test_swing_is_measured(percent: float) -> None:
    """From second sixteenths, to a third of a percent with 5 ms of wavering (seed 4)."""
    dice = random.Random(4)
    starts = [
        (n // 2) * 0.5 + (percent / 100 * 0.5 if n % 2 else 0) + dice.gauss(0, 0.01)
        for n in range(400)
    ]
    assert measured_swing(starts, "1/16") == pytest.approx(percent, abs=0.35)
    assert measured_swing(starts[:4], "1/16") == 50.0


def test_quantise_with_strength() -> None:
    """All the way, half the way, not at all; to the swung line where there is one."""
    assert quantised(1.05, "1/16", 50, 1.0) == (4, 0.0)
    step, late = quantised(1.05, "1/16", 50, 0.5)
    assert (step, late) == (4, pytest.approx(0.1))
    assert quantised(0.3, "1/16", 60, 0.0) == (1, pytest.approx(0.0))
    assert quantised(0.99, "1/16", 50, 0.0) == (4, pytest.approx(-0.04))


def test_a_pattern_from_what_was_played() -> None:
    """A voice a note; what comes just before the end belongs to the first step."""
    notes = [*_loop("x...x...x...x...", 1), Played(3.98, 0.2, 38, 90), Played(0.26, 0.5, 38, 127)]
    content = content_from(notes, 4.0, Taken(strength=0.0))
    kick, snare = content.voices
    assert [h.step for h in kick.hits] == [0, 4, 8, 12]
    assert [(h.step, h.shift_permille, h.gate_length) for h in snare.hits] == [
        (0, -80, 80),
        (1, 40, 200),
    ]


def test_a_melodic_voice_with_chords() -> None:
    """Notes struck together are one hit, told from the lowest."""
    notes = [Played(0.0, 1, 57, 80), Played(0.01, 1, 50, 90), Played(0.02, 1, 53, 70),
             Played(1.0, 1, 48, 99)]  # fmt: skip
    (voice,) = content_from(notes, 4.0, Taken(melodic=True)).voices
    assert [(h.step, h.note, h.chord) for h in voice.hits] == [(0, 50, (3, 7)), (4, 48, ())]


def test_passes_laid_over_each_other() -> None:
    """Hits join the voice of their note, other notes get a voice, other steps are brought over."""
    base = Content(voices=(build.voice("x...x...", voice_id="a"),))
    more = content_from(_loop("..x.", 1), 2.0, Taken())
    joined = overdubbed(base, more)
    assert [h.step for h in joined.voices[0].hits] == [0, 2, 4, 6]
    eighths = content_from([Played(1.5, 0.1, 36, 77), Played(0.5, 0.1, 40, 9)], 2.0,
                           Taken(rate="1/8"))  # fmt: skip
    joined = overdubbed(joined, eighths)
    assert [(h.step, h.velocity) for h in joined.voices[0].hits][-1] == (6, 77)
    assert joined.voices[1].note == 40
    assert [h.step for h in joined.voices[1].hits] == [1]
