"""Patterns: edits, what they sound like, the wire they need."""

from __future__ import annotations

from fractions import Fraction

import msgspec
import pytest

from grebe.core.patterns.edit import (
    change_hit,
    put_hit,
    remove_hit,
    set_length,
    with_voice,
)
from grebe.core.patterns.model import Content, Hit
from grebe.core.patterns.passes import passes_of
from grebe.core.patterns.sound import density, realigned_after, realignment
from grebe.core.patterns.wire import burst_ms, busiest_step
from grebe.core.time.ticks import SIXTEENTH_TICKS, TICKS_PER_QUARTER
from grebe.errors import EditError
from tests import build


def _steps(row: str) -> list[int]:
    return [h.step for h in build.voice(row).hits]


def test_hits_stay_in_order() -> None:
    """A hit goes to its place, and takes the place of one there."""
    voice = put_hit(build.voice("x...x..."), Hit(step=2, velocity=9))
    assert [h.step for h in voice.hits] == [0, 2, 4]
    voice = put_hit(voice, Hit(step=2, velocity=99))
    assert [h.velocity for h in voice.hits] == [100, 99, 100]


def test_a_hit_past_the_end_is_refused() -> None:
    """With the voice and its length in words."""
    with pytest.raises(EditError, match="step 9 is past the end of v, which has 8 steps"):
        put_hit(build.voice("x......."), Hit(step=8))


def test_removing() -> None:
    """A hit goes; removing nothing changes nothing."""
    voice = build.voice("x...x...")
    assert [h.step for h in remove_hit(voice, 0).hits] == [4]
    assert remove_hit(voice, 3) == voice


@pytest.mark.parametrize(
    ("field", "value", "held"),
    [("velocity", 0, 1), ("velocity", 64, 64), ("velocity", 300, 127), ("note", 128, 127),
     ("shift_permille", -900, -500), ("flam", 900, 500), ("ratchet", 0, 1), ("chance", 101, 100)],
)  # fmt: skip
def test_fields_are_held_in_range(field: str, value: int, held: int) -> None:
    """Velocity between 1 and 127, since 0 would be a note off; the others as the model has them."""
    hit = change_hit(build.voice("x"), 0, **{field: value}).hits[0]
    assert getattr(hit, field) == held


def test_an_empty_step_has_nothing_to_change() -> None:
    """The step is named as printed."""
    with pytest.raises(EditError, match="no hit on step 2"):
        change_hit(build.voice("x..."), 1, velocity=5)


def test_shorter_drops_what_is_past_the_end() -> None:
    """And the length stays between 1 and 256."""
    voice = build.voice("x...x...")
    assert [h.step for h in set_length(voice, 4).hits] == [0]
    assert set_length(voice, 0).length == 1
    assert set_length(voice, 999).length == 256


def test_an_unknown_voice_is_refused() -> None:
    """The content is left as it was."""
    with pytest.raises(EditError, match="no voice 'w'"):
        with_voice(Content(voices=(build.voice("x"),)), "w", lambda v: v)


def test_notes_of_a_voice() -> None:
    """Ticks by step rate, gates in percent of a step, pitch of the hit or the voice."""
    voice = msgspec.structs.replace(
        build.voice("x.x.", note=40),
        hits=(Hit(step=0, gate_length=150), Hit(step=2, note=52, gate_length=1)),
    )
    first, second = passes_of(Content(), voice).sounds(0)
    assert first[:4] == (0, 40, 100, SIXTEENTH_TICKS * 3 // 2)
    assert second[:2] == (2 * SIXTEENTH_TICKS, 52)


def test_density_counts_each_voice_on_its_own_length() -> None:
    """Four hits in a bar are one a beat; two in two beats add another."""
    content = Content(
        voices=(build.voice("x...x...x...x..."), build.voice("x...x...", voice_id="w"))
    )
    assert density(content) == 2.0
    assert density(content, frozenset({"w"})) == 1.0


def _by_brute_force(*lengths: int) -> int:
    step = 1
    while any(step % n for n in lengths):
        step += 1
    return step


@pytest.mark.parametrize("lengths", [(16, 7), (16, 14), (16, 14, 12, 7), (5, 3)])
def test_lines_up_again(lengths: tuple[int, ...]) -> None:
    """16 and 7 after 112 steps, 7 bars (common practice); any lengths by brute force."""
    content = Content(voices=tuple(build.voice("x" * n, voice_id=f"v{n}") for n in lengths))
    assert realigned_after(content) == Fraction(_by_brute_force(*lengths), 4)
    if lengths == (16, 7):
        assert realigned_after(content) == 28


def test_seven_against_sixteen_in_one_bar() -> None:
    """Spread evenly, seven steps and sixteen come round together: a polyrhythm."""
    seven = build.voice("x" * 7, voice_id="t", even=True)
    content = Content(voices=(build.voice("x" * 16), seven))
    assert realignment(content) == (4, 4, "polyrhythm")
    ticks = [s.tick for s in passes_of(content, seven).sounds(0)]
    assert ticks == [n * content.ticks // 7 for n in range(7)]


def test_polymeter_and_bar_line() -> None:
    """14 steps against 16 come round after 7 bars (common practice); 3 triplets with each bar."""
    voices = (build.voice("x" * 16), build.voice("x" * 14, voice_id="u"))
    assert realignment(Content(voices=voices)) == (28, 28, "polymeter")
    voices = (build.voice("x" * 16), build.voice("x" * 3, voice_id="t", rate="1/8t"))
    assert realignment(Content(voices=voices)) == (4, 4, "both")
    alone = Content(voices=(build.voice("x" * 7),))
    assert realignment(alone) == (Fraction(7, 4), 28, "alike")


@pytest.mark.parametrize(
    ("notes", "running", "last"),
    [(1, False, 0.96), (4, False, 3.84), (4, True, 2.88)],
)
def test_wire_time(notes: int, running: bool, last: float) -> None:
    """MIDI 1.0: 320 us a byte; a note 960 us, 640 us under running status."""
    assert burst_ms(notes, running_status=running) == pytest.approx((0.96, last))


def test_no_burst_of_nothing() -> None:
    """A burst has at least one note."""
    with pytest.raises(ValueError, match="at least one"):
        burst_ms(0)


def test_busiest_step() -> None:
    """The first of the steps where most notes begin together."""
    voices = (build.voice("x...x..."), build.voice("....x...", voice_id="w"))
    assert busiest_step(Content(length=8, voices=voices)) == (4, 2)
    assert busiest_step(Content()) == (0, 0)


def test_box_status() -> None:
    """Not there yet, in the box, changed since."""
    pattern = build.pattern("p", "d", build.voice("x..."))
    assert pattern.box_status == "not there yet"
    held = build.own(pattern)
    assert held.box_status == "in the box"
    keyed = msgspec.structs.replace(held.content, key="D minor")
    assert msgspec.structs.replace(held, content=keyed).box_status == "in the box"
    other = msgspec.structs.replace(held, content=Content(length=3))
    assert other.box_status == "changed since"


def test_voice_length_in_ticks() -> None:
    """Sixteen sixteenths are four quarter notes."""
    assert Content().ticks_of(build.voice("x" * 16)) == 4 * TICKS_PER_QUARTER
    assert _steps("x.x.") == [0, 2]
