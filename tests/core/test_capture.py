"""Capture: length, grid and swing of what was played, and the pattern made of it."""

from __future__ import annotations

import random

import pytest

from grebe.core.patterns.capture import (
    Played,
    Repeats,
    Taken,
    best_grid,
    content_from,
    measured_swing,
    overdubbed,
    quantised,
    repeats,
)
from grebe.core.patterns.jam import jam_tempo
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
    assert repeats(notes, 4.0, 32.0).bars == bars
    dice = random.Random(2)
    human = [n._replace(start=n.start + dice.gauss(0, 0.02)) for n in notes]
    assert repeats(human, 4.0, 32.0).bars == bars


def test_what_does_not_repeat_is_taken_whole() -> None:
    """The shortest length that holds it; eight bars at most; one where nothing was played."""
    assert repeats([Played(13.0, 1, 60, 90), Played(15.0, 1, 62, 90)], 4.0, 16.0).bars == 1
    assert repeats([Played(2.0, 1, 60, 90), Played(15.0, 1, 62, 90)], 4.0, 16.0).bars == 4
    assert repeats([Played(2.0, 1, 60, 90), Played(98.0, 1, 62, 90)], 4.0, 100.0).bars == 8
    assert repeats([], 4.0, 8.0).bars == 1


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


def test_bars_that_only_nearly_repeat_are_a_phrase() -> None:
    """A last beat that answers in every second bar makes it two bars, and what a hand leaves out
    now and then does not."""
    plain, answer = "x...x..xx...x...", "x...x..xx..xx.xx"
    assert repeats(_loop(plain + answer, 8), 4.0, 32.0) == Repeats(2, 1)
    assert repeats(_loop(plain * 3 + answer, 8), 4.0, 32.0).bars == 4
    assert repeats(_loop(plain, 8), 4.0, 32.0) == Repeats(1)
    dice = random.Random(9)
    loose = [n for n in _loop(plain, 8) if dice.random() > 0.08]
    assert len(loose) < len(_loop(plain, 8))
    assert repeats(loose, 4.0, 32.0) == Repeats(1)
    # Two bars that differ, heard once each: nothing says yet that they come round.
    assert repeats(_loop(plain + answer, 2), 4.0, 8.0) == Repeats(1)


@pytest.mark.parametrize("bpm", [84.3, 97.4, 118.0, 126.0, 143.7, 155.0])
@pytest.mark.parametrize("steps", ["x...x..xx...x...", "x.x.x.x.x.x.x.x.", "x..x..x...x.x..x"])
def test_the_tempo_of_a_free_jam(bpm: float, steps: str) -> None:
    """Eight bars with 8 ms of wavering, to a fifth of a BPM; chords are one onset."""
    dice = random.Random(5)
    starts = [
        (16 * bar + i) * 15 / bpm + dice.gauss(0, 0.008)
        for bar in range(8) for i, c in enumerate(steps) if c == "x"
    ]  # fmt: skip
    found = jam_tempo([*starts, *(s + 0.004 for s in starts[::5])])
    assert found is not None
    assert found.bpm == pytest.approx(bpm, abs=0.2)
    assert found.keeps > 0.8


def test_no_tempo_in_what_has_none() -> None:
    """Scattered onsets, too few, too short: none is found, and none is made up."""
    for seed in range(60):
        dice = random.Random(seed)
        assert jam_tempo([dice.uniform(0, 16) for _ in range(60)]) is None
    assert jam_tempo([]) is None
    assert jam_tempo([n * 0.5 for n in range(7)]) is None
    assert jam_tempo([n * 0.125 for n in range(16)]) is None
