"""Pulse clocks of different rates: what turns one into another."""

from __future__ import annotations

from fractions import Fraction
from typing import Literal

from grebe.core.units import Value

Action = Literal["pass", "divide", "multiply", "regenerate"]


class Conversion(Value, frozen=True, kw_only=True):
    """What a converter between two rates has to do."""

    ratio: Fraction
    """Pulses out for each pulse in."""
    action: Action
    """`divide` lets every n-th pulse through, at once. `multiply` has to guess where the
    pulses between lie, so it starts a pulse late and follows tempo changes late.
    `regenerate` makes a clock of its own from the tempo of the incoming one."""
    factor: int | None
    """The n of dividing or multiplying; 1 to pass; None where neither does it."""
    from_hz: float
    to_hz: float


def convert(from_ppqn: Fraction, to_ppqn: Fraction, bpm: float) -> Conversion:
    """What turns one rate (pulses a quarter note) into another at a tempo.

    ValueError for a rate that is not above zero.
    """
    if from_ppqn <= 0 or to_ppqn <= 0:
        raise ValueError("a rate is a number of pulses above zero for each quarter note")
    ratio = to_ppqn / from_ppqn
    action: Action
    factor: int | None
    if ratio == 1:
        action, factor = "pass", 1
    elif ratio.numerator == 1:
        action, factor = "divide", ratio.denominator
    elif ratio.denominator == 1:
        action, factor = "multiply", ratio.numerator
    else:
        action, factor = "regenerate", None
    return Conversion(
        ratio=ratio,
        action=action,
        factor=factor,
        from_hz=float(from_ppqn) * bpm / 60,
        to_hz=float(to_ppqn) * bpm / 60,
    )
