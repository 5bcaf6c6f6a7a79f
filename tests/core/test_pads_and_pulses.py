"""Pulse rates turned into one another, and pads matched by where they lie."""

from __future__ import annotations

from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st

from grebe.core.rig.notemap import PadLayout, note_map
from grebe.core.rig.pulses import convert


@pytest.mark.parametrize(
    ("start", "to", "action", "factor"),
    [
        (24, 24, "pass", 1),
        (48, 24, "divide", 2),  # common practice: early drum machines into a 24 input
        (24, 4, "divide", 6),
        (24, 48, "multiply", 2),
        (4, 96, "multiply", 24),
        (24, 10, "regenerate", None),
        (Fraction(1, 4), 24, "multiply", 96),  # a pulse a bar of 4/4
    ],
)
def test_conversions(start: Fraction, to: Fraction, action: str, factor: int | None) -> None:
    """Rates in use (common practice), and what turns one into the other."""
    found = convert(Fraction(start), Fraction(to), 120)
    assert (found.action, found.factor) == (action, factor)


@given(st.integers(1, 96), st.integers(1, 96), st.floats(20, 400))
def test_the_ratio_turns_one_rate_into_the_other(start: int, to: int, bpm: float) -> None:
    """In hertz as in pulses; dividing and multiplying are each other's inverse."""
    there, back = (convert(Fraction(a), Fraction(b), bpm) for a, b in ((start, to), (to, start)))
    assert there.from_hz * float(there.ratio) == pytest.approx(there.to_hz)
    assert there.ratio * back.ratio == 1
    assert {there.action, back.action} in (
        {"pass"}, {"divide", "multiply"}, {"regenerate"},
    )  # fmt: skip
    assert there.factor == back.factor


def test_no_pulses_at_all() -> None:
    """Nothing can be made of a clock that stands."""
    with pytest.raises(ValueError, match="above zero"):
        convert(Fraction(0), Fraction(24), 120)


UP = PadLayout(base=36)
DOWN = PadLayout(base=36, order="down")


def test_pad_13_is_pad_1() -> None:
    """Counted upward from the bottom against downward from the top (common practice)."""
    pads = {pair.from_pad: pair.to_pad for pair in note_map(UP, DOWN).pairs}
    assert (pads[13], pads[1], pads[16]) == (1, 13, 4)


def test_two_octaves_line_the_banks_up() -> None:
    """Counted alike, one transposition is enough: 24 (common practice)."""
    assert note_map(UP, PadLayout(base=60)).offset == 24


def test_turned_round_it_takes_a_table() -> None:
    """No one transposition does it."""
    assert note_map(UP, PadLayout(base=60, order="down")).offset is None


_layouts = st.builds(
    PadLayout,
    base=st.integers(0, 127),
    rows=st.integers(1, 16),
    cols=st.integers(1, 16),
    order=st.sampled_from(["up", "down"]),
)


@given(_layouts, _layouts)
def test_matched_by_place(source: PadLayout, target: PadLayout) -> None:
    """Every pair lies at one place, no pad twice, no note over 127; and back is the inverse."""
    found = note_map(source, target)

    def place(layout: PadLayout, pad: int) -> tuple[int, int]:
        line, col = divmod(pad - 1, layout.cols)
        return (line if layout.order == "up" else layout.rows - 1 - line), col

    for pair in found.pairs:
        assert place(source, pair.from_pad) == place(target, pair.to_pad)
        assert max(pair.from_note, pair.to_note) <= 127
    assert len({pair.to_pad for pair in found.pairs}) == len(found.pairs)
    back = {(p.to_pad, p.from_pad) for p in note_map(target, source).pairs}
    assert {(p.from_pad, p.to_pad) for p in found.pairs} == back
