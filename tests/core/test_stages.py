"""A register with bits of one's own, its stages as gates and values, and a wave that is sampled."""

from __future__ import annotations

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from grebe.core.patterns.makers import MAKERS, made, made_lane, usual
from grebe.core.patterns.model import ControlLane
from grebe.core.patterns.stages import bits_of, chosen, gates, sampled, states, values, wave
from grebe.core.player.commands import Begin, HoldDice
from grebe.core.player.events import Due, NoteOn
from grebe.core.player.plan import make_plan
from grebe.core.player.player import Player
from grebe.core.time.ticks import TICKS_PER_QUARTER
from grebe.errors import EditError
from tests import build

MAXIMAL = {3: (3, 2), 4: (4, 3), 5: (5, 3), 6: (6, 5), 7: (7, 6), 8: (8, 6, 5, 4), 9: (9, 5),
           10: (10, 7), 11: (11, 9)}  # fmt: skip
"""Taps of the longest registers: Xilinx application note XAPP052, table 3 (from memory)."""
MAKER = {m.name: m for m in MAKERS}


def simulated(bits: str, taps: tuple[int, ...], steps: int) -> np.ndarray:
    """The same by matrices over two elements: each stage takes the one before it."""
    n = len(bits)
    turn = np.eye(n, k=-1, dtype=int)
    turn[0, [t - 1 for t in taps]] = 1
    row, out = np.array([b == "x" for b in bits], dtype=int), []
    for _ in range(steps):
        out.append(row)
        row = turn @ row % 2
    return np.array(out, dtype=bool)


written = st.text("x.", min_size=1, max_size=12)


@given(written, st.data())
def test_it_goes_as_a_matrix_does(bits: str, data: st.DataObject) -> None:
    taps = tuple(data.draw(st.sets(st.integers(1, len(bits)), max_size=4)))
    assert np.array_equal(states(bits_of(bits), taps, 40), simulated(bits, taps, 40))


@pytest.mark.parametrize(("stages", "taps"), MAXIMAL.items())
def test_the_longest_comes_round_after_all_but_zero(stages: int, taps: tuple[int, ...]) -> None:
    whole = 2**stages - 1
    row = states(bits_of("x" + "." * (stages - 1)), taps, whole + 1)
    assert row[whole] == row[0]
    assert len(set(row[:whole])) == whole


@pytest.mark.parametrize("tap", range(1, 9))
def test_one_tap_alone_is_a_loop_of_that_length(tap: int) -> None:
    """Whatever was written; what lies behind the tap falls out at the end."""
    out = gates(bits_of("x..xx.x."), (tap,), 40, tap)
    assert out[tap:] == out[:-tap]


def test_without_taps_it_empties_and_a_stage_repeats_the_one_before() -> None:
    bits = bits_of("x.xx")
    assert states(bits, (), 5)[4] == (False,) * 4
    first, second = (gates(bits, (4,), 16, n) for n in (1, 2))
    assert second[1:] == first[:-1]


def test_stepped_values_are_the_first_three_stages_attenuated() -> None:
    """Half, a quarter and an eighth, all of them 1; by hand."""
    assert values(bits_of("x.."), (3,), 3) == (4 / 7, 2 / 7, 1 / 7)
    assert values(bits_of("xxx"), (3,), 1, 0.5) == (0.5,)
    assert values(bits_of("x"), (1,), 2) == (1.0, 1.0)


@given(st.sampled_from(["sine", "triangle", "ramp up", "ramp down", "square"]),
       st.floats(-10, 10, allow_nan=False))  # fmt: skip
def test_a_wave_stays_between_and_comes_round(shape: str, phase: float) -> None:
    at = wave(shape, phase)  # type: ignore[arg-type]
    assert 0 <= at <= 1
    assert wave(shape, 0) == pytest.approx(wave(shape, 1))  # type: ignore[arg-type]


def test_waves_at_the_quarters() -> None:
    """Worked: where each stands at 0, a quarter, a half, three quarters."""
    quarters = [0, 1, 2, 3]
    assert sampled("sine", 4, quarters) == pytest.approx((0, 0.5, 1, 0.5), abs=1e-12)
    assert sampled("triangle", 4, quarters) == (0, 0.5, 1, 0.5)
    assert sampled("ramp up", 4, quarters) == (0, 0.25, 0.5, 0.75)
    assert sampled("ramp down", 4, quarters) == (1, 0.75, 0.5, 0.25)
    assert sampled("square", 4, quarters) == (0, 0, 1, 1)


def test_values_choose_notes_from_the_lowest() -> None:
    assert chosen((0, 0.34, 0.99, 1), (64, 60, 62, 60)) == (60, 62, 64, 64)


@pytest.mark.parametrize("text", ["", "x" * 25, "x2", "?"])
def test_what_are_no_bits(text: str) -> None:
    with pytest.raises(EditError):
        bits_of(text)


def test_taps_and_stages_that_are_not_there() -> None:
    with pytest.raises(EditError):
        states((True,), (2,), 1)
    with pytest.raises(EditError):
        gates((True,), (), 1, 2)


def test_generators_of_it_in_a_form() -> None:
    """Gates of a stage, notes of a key on the steps there are, levels of the hits there are."""
    voice = build.voice("x.x.x...x.......")
    gated = made(MAKER["Written register"], voice, {"bits": "x..", "fed": "3", "stage": "1"})
    assert [h.step for h in gated.hits] == [0, 3, 6, 9, 12, 15]
    thrice = made(MAKER["Multiplied"], voice, {"every": "6", "first": "3", "strokes": "4"})
    assert [(h.step, h.ratchet) for h in thrice.hits] == [(2, 4), (8, 4), (14, 4)]
    maker = MAKER["Register, notes"]
    found = made(maker, voice, usual(maker, voice) | {"notes": "D minor 50 74"})
    assert [h.step for h in found.hits] == [0, 2, 4, 8]
    assert {h.note % 12 for h in found.hits if h.note is not None} <= {2, 4, 5, 7, 9, 10, 0}
    maker = MAKER["Register, levels"]
    loud = made(maker, voice, usual(maker, voice) | {"bits": "xxx", "fed": "3"})
    assert [h.velocity for h in loud.hits] == [127] * 4
    soft = made(
        maker, voice, usual(maker, voice) | {"bits": "xxx", "fed": "3", "attenuation": "50"}
    )
    assert [h.velocity for h in soft.hits] == [64] * 4
    maker = MAKER["Slow wave"]
    slow = made(maker, voice, usual(maker, voice) | {
        "notes": "60 62 64", "wave": "ramp up", "period": "16"})  # fmt: skip
    assert [h.note for h in slow.hits] == [60, 60, 60, 62]
    dorian = made(maker, voice, usual(maker, voice) | {"notes": "F# dorian"})
    assert {h.note % 12 for h in dorian.hits if h.note is not None} <= {6, 8, 9, 11, 1, 3, 4}
    with pytest.raises(EditError, match="a key is a tonic and a scale"):
        made(maker, voice, usual(maker, voice) | {"notes": "F# sideways"})
    with pytest.raises(EditError, match="no note of D minor"):
        made(maker, voice, usual(maker, voice) | {"notes": "D minor 51 51"})


def test_stages_and_waves_turn_a_controller() -> None:
    """A value where it is another, against the matrices; a generator of hits alone says so."""
    lane = ControlLane(id="c", name="Cutoff", controller=74, length=16)
    bits, fed = "x.xx.", (5, 3)
    given = {"bits": bits, "fed": "5 3", "attenuation": "60", "stage": "2"}
    rows = simulated(bits, fed, 16)
    wanted = [round(127 * 0.6 * (4 * r[0] + 2 * r[1] + r[2]) / 7) for r in rows.astype(int)]
    assert held(made_lane(MAKER["Register, levels"], lane, given)) == wanted
    gated = held(made_lane(MAKER["Written register"], lane, given))
    assert gated == [127 * int(r[1]) for r in rows]
    slow = {"wave": "triangle", "period": "8", "notes": ""}
    assert held(made_lane(MAKER["Slow wave"], lane, slow))[:5] == [0, 32, 64, 95, 127]
    with pytest.raises(EditError, match="writes hits"):
        made_lane(MAKER["Evenly"], lane, {})


def held(lane: ControlLane) -> list[int]:
    """The value on every step."""
    out: list[int] = []
    by_step = {p.step: p.value for p in lane.points}
    for step in range(lane.length):
        out.append(by_step.get(step, out[-1] if out else 0))
    return out


def test_what_changes_by_itself_is_held_and_goes_on_from_there() -> None:
    """A row of which a third of the steps are turned over on every pass: held, the bar that plays
    repeats; let go, the next is the one that would have come after it."""
    steps = build.voice("x.x.x.x.x.x.x.x.", turned=30)
    project = build.project([build.device("box")], [build.pattern("p", "box", steps)],
                            [build.scene("s", 32, box=["p"])], build.song("s"))  # fmt: skip
    bar = 4 * TICKS_PER_QUARTER

    def bars(player: Player, dues: list[Due], count: int) -> list[list[int]]:
        at = player.tick
        dues += player.advance(at + count * bar)
        on = [t for t, _, e in dues if isinstance(e, NoteOn) and t >= at]
        return [[t - at - n * bar for t in on if 0 <= t - at - n * bar < bar] for n in range(count)]

    free = Player(make_plan(project, project.songs[0]))
    free.apply(Begin())
    free.advance(0)
    as_it_goes = bars(free, [], 8)
    assert len({tuple(row) for row in as_it_goes}) > 4

    held = Player(make_plan(project, project.songs[0]))
    held.apply(Begin())
    held.advance(0)
    assert bars(held, [], 2) == as_it_goes[:2]
    dues = held.advance(held.tick + bar // 2)
    held.apply(HoldDice(on=True))
    dues += held.advance(held.tick + bar // 2)
    assert held.under_hand.dice
    assert bars(held, [], 3) == [as_it_goes[2]] * 3
    held.advance(held.tick + bar // 2)
    held.apply(HoldDice(on=False))
    held.advance(held.tick + bar // 2)
    assert bars(held, [], 4) == as_it_goes[3:7]
