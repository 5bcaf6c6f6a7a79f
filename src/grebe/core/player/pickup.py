"""Pick-up: a knob does nothing until it has come to where the value is, so that nothing jumps."""

from __future__ import annotations

NEAR = 2.0
"""Steps of a 7-bit controller within which a knob is taken to be where the value is."""
FULL = 127.0


class PickUp:
    """One knob and the value it stands for."""

    def __init__(self) -> None:
        self._last: float | None = None
        self._given: float | None = None
        """What it was last taken to say; None while it has not been picked up."""

    def take(self, value: int, current: float) -> float | None:
        """The knob is at `value` (0 to 127) while what it stands for is at `current` (the same
        scale): the new value, or None while it has not come there yet."""
        last, self._last = self._last, float(value)
        if self._given is not None and abs(self._given - current) > NEAR:
            self._given = None  # something else has moved it since
        if self._given is None:
            near = abs(value - current) <= NEAR
            crossed = last is not None and (last - current) * (value - current) < 0
            if not (near or crossed):
                return None
        self._given = float(value)
        return self._given
