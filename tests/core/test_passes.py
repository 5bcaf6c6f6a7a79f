"""What passes through a voice sound like: time, chance, conditions, ties, controllers."""

from __future__ import annotations

import itertools
from typing import Any

import msgspec
import pytest

from grebe.core.patterns.model import Content, ControlLane, ControlPoint, Hit, Pin, Voice
from grebe.core.patterns.passes import (
    HELD_TICKS,
    Passes,
    Sound,
    dice_key,
    lane_changes,
    lane_is_steady,
    passes_of,
)
from grebe.core.rng import key_of, roll, shuffled
from grebe.core.time.swing import swing, swung
from grebe.core.time.ticks import SIXTEENTH_TICKS, TICKS_PER_QUARTER
from tests import build

S = SIXTEENTH_TICKS
KEY = key_of(1)


def _hits(*hits: Hit, **fields: Any) -> Voice:
    return Voice(id="v", name="v", hits=hits, **fields)


def _sounds(voice: Voice, number: int = 0, key: int | None = KEY, **content: Any) -> list[Sound]:
    return passes_of(Content(**content), voice).sounds(number, key)


@pytest.mark.parametrize(
    ("percent", "ms"),
    # 126 BPM: a pair of sixteenths lasts 238.095 ms; 56 % of it is 133.333, 14.286 late.
    [(50.0, 0.0), (56.0, 14.286), (60.0, 23.810), (66.0, 38.095), (75.0, 59.524)],
)
def test_swing_in_worked_numbers(percent: float, ms: float) -> None:
    """Worked by hand from 60 000 / BPM."""
    found = swing(percent, 126, S, 96)
    assert found.late_ms == pytest.approx(ms, abs=0.001)
    assert found.late_ticks == pytest.approx(ms * 126 / 60_000 * 96, abs=0.01)


def test_swing_moves_second_steps_and_halves_in_proportion() -> None:
    """60 % puts the second sixteenth at 1.2 of a step, and a thirty-second at 0.6."""
    assert [swung(n * S, S, 60.0) for n in range(4)] == [0, S * 6 // 5, 2 * S, S * 16 // 5]
    assert swung(S // 2, S, 60.0) == S * 3 // 5
    ticks = [s.tick for s in _sounds(build.voice("xxxx"), swing=60.0)]
    assert ticks == [0, S * 6 // 5, 2 * S, S * 16 // 5]


def test_swing_follows_the_pattern_not_the_voice() -> None:
    """A voice of seven steps swings on the same sixteenths as the rest, in its second pass too."""
    content = Content(swing=60.0)
    passes = passes_of(content, build.voice("xxxxxxx"))
    assert not passes.steady
    both = [s.tick for n in (0, 1) for s in passes.sounds(n)]
    assert both == [swung(n * S, S, 60.0) for n in range(14)]


def test_triplets_swing_only_by_their_own() -> None:
    """The pattern's swing leaves them; one of the voice moves its own steps."""
    step = TICKS_PER_QUARTER // 3
    straight = _sounds(build.voice("xxx", rate="1/8t"), swing=66.0)
    assert [s.tick for s in straight] == [0, step, 2 * step]
    own = _sounds(build.voice("xxxx", rate="1/8t", swing=60.0))
    assert [s.tick for s in own][:2] == [0, step * 6 // 5]


@pytest.mark.parametrize(("speed", "factor"), [("1/4", 4), ("1/2", 2), ("1", 1), ("2", 0.5)])
def test_speed(speed: str, factor: float) -> None:
    """A pattern at quarter speed lasts four times as long (common practice)."""
    content = Content(speed=speed, voices=(build.voice("x...x..."),))  # type: ignore[arg-type]
    assert content.ticks == 4 * factor * TICKS_PER_QUARTER
    assert [s.tick for s in passes_of(content, content.voices[0]).sounds(0)] == [0, 4 * S * factor]


@pytest.mark.parametrize(
    ("direction", "steps"),
    [("forward", [0, 1, 3]), ("backward", [3, 1, 0]), ("there and back", [0, 1, 3, 3, 1, 0])],
)
def test_direction(direction: str, steps: list[int]) -> None:
    """Steps in the order they are played; there and back is one pass of twice the length."""
    voice = build.voice("xx.x", direction=direction)
    assert [s.step for s in _sounds(voice)] == steps
    assert Content().ticks_of(voice) == (8 if "back" in direction and len(steps) > 3 else 4) * S


def test_random_direction_repeats_by_key() -> None:
    """Any step may come at any place; the same key gives the same."""
    voice = build.voice("xxxxxxxxxxxxxxxx", direction="random")
    one = [s.step for s in _sounds(voice)]
    assert one == [s.step for s in _sounds(voice)]
    assert one != list(range(16))
    assert one != [s.step for s in _sounds(voice, key=key_of(2))]


def test_flam_micro_timing_and_ratchets() -> None:
    """A softer stroke before, a hit pushed late, four strokes swelling to half again."""
    flam = _sounds(_hits(Hit(step=4, flam=150)))
    assert [(s.tick, s.velocity, s.lead) for s in flam] == [
        (4 * S - S * 150 // 1000, 60, True),
        (4 * S, 100, False),
    ]
    late = _sounds(_hits(Hit(step=1, shift_permille=-250)))
    assert late[0].tick == S * 3 // 4
    roll_ = _sounds(_hits(Hit(step=2, ratchet=4, ratchet_to=50, velocity=80, gate_length=80)))
    assert [s.tick for s in roll_] == [2 * S + S * n // 4 for n in range(4)]
    assert [s.velocity for s in roll_] == [80, 67, 53, 40]
    assert {s.gate_ticks for s in roll_} == {S // 5}


def test_chords_ties_and_one_shots() -> None:
    """A chord is struck together; a tie is held on; a one-shot ignores its gate."""
    chord = _sounds(_hits(Hit(step=0, note=50, chord=(3, 7, 100))))
    assert [s.note for s in chord] == [50, 53, 57]
    tied = _sounds(_hits(Hit(step=0, note=40, tie=True), Hit(step=4, note=40, gate_length=100)))
    assert [(s.tick, s.gate_ticks) for s in tied] == [(0, 5 * S)]
    slid = _sounds(_hits(Hit(step=0, note=40, tie=True), Hit(step=4, note=43)))
    assert slid[0].gate_ticks > 4 * S
    assert slid[1].tick == 4 * S
    assert _sounds(_hits(Hit(step=0, gate_length=800), one_shot=True))[0].gate_ticks < S


@pytest.mark.parametrize(
    ("when", "passes"),
    [("first", [0]), ("later", [1, 2, 3, 4, 5]), ("1 of 2", [0, 2, 4]), ("3 of 3", [2, 5])],
)
def test_conditions(when: str, passes: list[int]) -> None:
    """Which of six passes it plays on."""
    voice = _hits(Hit(step=0, when=when))
    assert [n for n in range(6) if _sounds(voice, n)] == passes


def test_with_and_without_the_one_before() -> None:
    """They go with, or against, what the dice said of the hit before."""
    voice = _hits(
        Hit(step=0, chance=50), Hit(step=1), Hit(step=2, when="with"), Hit(step=3, when="without")
    )
    for number in range(40):
        steps = {s.step for s in _sounds(voice, number)}
        assert (2 in steps) == (0 in steps)
        assert (3 in steps) == (2 not in steps)


def test_chance_is_as_likely_as_it_says() -> None:
    """2 000 throws at 30 %: within four standard deviations, 0.04."""
    voice = _hits(Hit(step=0, chance=30))
    played = sum(bool(_sounds(voice, n)) for n in range(2000))
    assert abs(played / 2000 - 0.3) < 0.041


def test_a_pinned_take_plays_on_as_it_was_heard() -> None:
    """Every pass is the one that was pinned, note for note, whatever the seed of later takes."""
    voice = Voice(id="v", name="v", hits=tuple(Hit(step=n, chance=50) for n in range(16)))
    free, pinned = Content(), Content(pin=Pin(seed=9, pass_number=5))
    heard = passes_of(free, voice).sounds(5, dice_key(9, "smew", "v", free))
    steps = [s.step for s in heard]
    assert 0 < len(steps) < 16
    for seed in (9, 10):
        key = dice_key(seed, "smew", "v", pinned)
        for number in range(4):
            assert [s.step for s in passes_of(pinned, voice).sounds(number, key)] == steps
    other = Content(pin=Pin(seed=9, pass_number=6))
    key = dice_key(9, "smew", "v", other)
    assert [s.step for s in passes_of(other, voice).sounds(0, key)] != steps


def test_a_pinned_lane_is_pinned_too() -> None:
    """Its points that hang on chance stand as they did."""
    points = tuple(ControlPoint(step=n, value=n, chance=50) for n in range(16))
    lane = ControlLane(id="c", name="c", controller=7, points=points)
    free, pinned = Content(), Content(pin=Pin(seed=1, pass_number=3))
    heard = [c.step for c in lane_changes(free, lane, 3, dice_key(1, "d", "c", free))]
    again = [c.step for c in lane_changes(pinned, lane, 0, dice_key(2, "d", "c", pinned))]
    assert again == heard
    assert 0 < len(heard) < 16


def test_what_sounds_between_two_times() -> None:
    """From whichever pass: all of it, once, in whatever windows it is asked for."""
    hits = (
        Hit(step=0, flam=300),
        Hit(step=6, shift_permille=400, ratchet=3),
        Hit(step=3, chance=60),
    )
    voice = msgspec.structs.replace(_hits(*sorted(hits, key=lambda h: h.step)), length=7)
    passes = passes_of(Content(swing=58.0), voice)
    whole = [s for n in range(9) for s in passes.sounds(n, KEY)]
    end = 8 * passes.cycle
    wanted = sorted((max(0, s.tick), s.note) for s in whole if s.tick < end)
    found = [
        (s.tick, s.note)
        for at in range(0, end, 1_000_003)
        for s in passes.between(at, min(end, at + 1_000_003), KEY)
    ]
    assert sorted(found) == wanted


def test_controllers_are_held_or_glide() -> None:
    """A held point sends once; a glide sends a stair of values up to the next point."""
    lane = ControlLane(
        id="c", name="Cutoff", controller=74,
        points=(ControlPoint(step=0, value=10, glide=True), ControlPoint(step=4, value=20),
                ControlPoint(step=8, value=90)),
    )  # fmt: skip
    changes = lane_changes(Content(), lane, 1, KEY)
    begin = 16 * S
    assert [(c.tick - begin, c.value) for c in changes if c.step != 0] == [(4 * S, 20), (8 * S, 90)]
    glide = [c for c in changes if c.step == 0]
    assert [c.value for c in glide] == list(range(10, 20))
    assert glide[5].tick - begin == 2 * S


def test_a_glide_does_not_flood_the_wire() -> None:
    """At most 48 values a quarter note, however far it goes."""
    lane = ControlLane(
        id="c", name="Cutoff", controller=74, length=4,
        points=(ControlPoint(step=0, value=0, glide=True), ControlPoint(step=2, value=127)),
    )  # fmt: skip
    ticks = [c.tick for c in lane_changes(Content(), lane, 0, KEY)]
    assert min(b - a for a, b in itertools.pairwise(ticks)) >= TICKS_PER_QUARTER // 48


def test_dice_do_not_depend_on_order() -> None:
    """A number for a place is the same whenever it is asked for; orders are whole."""
    key = dice_key(7, "smew", "kick", Content())
    forward = [roll(key, n) for n in range(100)]
    assert [roll(key, n) for n in reversed(range(100))] == forward[::-1]
    assert sorted(shuffled(key, 20)) == list(range(20))
    assert 0.35 < sum(forward) / 100 < 0.65


def test_a_tie_over_the_end_is_not_struck_again() -> None:
    """The last hit lasts into the first of the next pass; the first pass alone strikes that."""
    voice = _hits(Hit(step=0, note=40, gate_length=100), Hit(step=12, note=40, tie=True))
    passes = passes_of(Content(), voice)
    assert passes.wraps
    assert [(s.tick, s.gate_ticks) for s in passes.sounds(0)] == [(0, S), (12 * S, 5 * S)]
    assert [(s.tick, s.gate_ticks) for s in passes.sounds(1)] == [(28 * S, 5 * S)]
    assert [s.tick for s in passes.between(0, 48 * S)] == [0, 12 * S, 28 * S, 44 * S]
    slid = _hits(Hit(step=0, note=43), Hit(step=12, note=40, tie=True))
    again = passes_of(Content(), slid).between(0, 32 * S)
    assert [s.tick for s in again] == [0, 12 * S, 16 * S, 28 * S]  # another pitch is struck


def test_a_note_tied_round_into_itself_is_held() -> None:
    """One hit, or hits tied all through: begun once, and nothing after it."""
    for hits in ((Hit(step=0, tie=True),), (Hit(step=0, tie=True), Hit(step=8, tie=True))):
        passes = passes_of(Content(), _hits(*hits))
        assert [(s.tick, s.gate_ticks) for s in passes.between(0, 99 * 16 * S)] == [(0, HELD_TICKS)]
    by_chance = _hits(Hit(step=0, tie=True, chance=50))
    assert not passes_of(Content(), by_chance).wraps


def test_pitches_drawn_anew_while_the_rhythm_stands() -> None:
    """An arpeggio of the voice's own pitches, another on each pass; at 0 it is as written, at 50
    about half of the hits are; pinned it stays. The rhythm is the same throughout."""
    hits = tuple(Hit(step=n * 2, note=40 + n) for n in range(8))
    free = _hits(*hits, drawn=100)
    passes = passes_of(Content(), free)
    assert not passes.steady
    rows = [[s.note for s in passes.sounds(n, KEY)] for n in range(40)]
    assert len({tuple(row) for row in rows}) == 40
    assert {note for row in rows for note in row} == set(range(40, 48))
    places = [[s.tick - n * 16 * S for s in passes.sounds(n, KEY)] for n in range(40)]
    assert all(row == places[0] for row in places)
    assert rows == [[s.note for s in passes.sounds(n, KEY)] for n in range(40)]  # the same take
    half = passes_of(Content(), _hits(*hits, drawn=50))
    kept = sum(s.note == 40 + i for n in range(200) for i, s in enumerate(half.sounds(n, KEY)))
    # A drawn pitch is the written one one time in eight: 0.5 + 0.5 / 8 of 1 600.
    assert abs(kept / 1600 - 0.5625) < 0.05
    locked = passes_of(Content(), _hits(*hits, drawn=0))
    assert [s.note for s in locked.sounds(7, KEY)] == list(range(40, 48))
    pinned = passes_of(Content(pin=Pin(seed=1, pass_number=3)), free)
    assert len({tuple(s.note for s in pinned.sounds(n, KEY)) for n in range(9)}) == 1


def _rests_and_hits(passes: Passes, number: int, key: int = KEY) -> list[int]:
    """The steps that sound in a pass."""
    return [s.step for s in passes.sounds(number, key)]


def test_a_row_that_goes_on_changing_is_locked_at_either_end() -> None:
    """At 0 as written; at 100 row and opposite in turn; between, each step is another than the
    pass before about as often as was set, and what was turned stays. The same take is the same."""
    hits = tuple(Hit(step=n, velocity=90) for n in (0, 3, 6, 10, 12))
    written, rests = [0, 3, 6, 10, 12], [n for n in range(16) if n not in (0, 3, 6, 10, 12)]
    assert _rests_and_hits(passes_of(Content(), _hits(*hits, turned=0)), 7) == written
    both = passes_of(Content(), _hits(*hits, turned=100))
    assert [_rests_and_hits(both, n) for n in range(4)] == [written, rests, written, rests]
    free = passes_of(Content(), _hits(*hits, turned=20))
    assert not free.steady
    rows = [set(_rests_and_hits(free, n)) for n in range(300)]
    assert rows[0] == set(written)
    changed = sum(len(a ^ b) for a, b in itertools.pairwise(rows))
    assert abs(changed / (299 * 16) - 0.2) < 0.02
    assert {s.velocity for s in free.sounds(50, KEY)} == {90}
    again = Passes(Content(), _hits(*hits, turned=20))
    assert set(_rests_and_hits(again, 250)) == rows[250]  # asked for at once, not one by one
    assert set(_rests_and_hits(again, 3)) == rows[3]
    assert any(_rests_and_hits(free, n, KEY + 1) != sorted(rows[n]) for n in range(1, 5))
    pinned = passes_of(Content(pin=Pin(seed=1, pass_number=9)), _hits(*hits, turned=20))
    assert all(set(_rests_and_hits(pinned, n)) == rows[9] for n in range(12))


def test_a_row_that_begins_empty_fills_as_it_turns() -> None:
    """A register started on nothing: 8 of its steps turn at first at 50 %."""
    empty = passes_of(Content(), _hits(turned=50))
    assert _rests_and_hits(empty, 0) == []
    sizes = [len(_rests_and_hits(empty, n)) for n in range(1, 400)]
    assert abs(sum(sizes) / len(sizes) - 8) < 0.5


def test_controller_values_on_conditions() -> None:
    """First and later passes, every nth, with or without the one before, and only in a fill."""

    def sent(number: int, *points: ControlPoint) -> list[tuple[int, int, bool | None]]:
        lane = ControlLane(id="l", name="L", controller=74, points=points)
        return [(c.step, c.value, c.fill) for c in lane_changes(Content(), lane, number, KEY)]

    first, nth = (
        ControlPoint(step=0, value=10, when="first"),
        ControlPoint(step=4, value=20, when="2 of 3"),
    )
    follows = ControlPoint(step=8, value=30, when="with")
    other = ControlPoint(step=12, value=40, when="without")
    assert sent(0, first, nth) == [(0, 10, None)]
    assert [n for n in range(9) if (4, 20, None) in sent(n, first, nth)] == [1, 4, 7]
    assert sent(1, nth, follows, other) == [(4, 20, None), (8, 30, None)]
    assert sent(0, nth, follows, other) == [(12, 40, None)]
    fill = ControlPoint(step=2, value=99, when="fill")
    assert sent(0, fill) == [(2, 99, True)]
    lane = ControlLane(id="l", name="L", controller=74, points=(fill,))
    assert lane_is_steady(lane)
    assert not lane_is_steady(msgspec.structs.replace(lane, points=(nth,)))
