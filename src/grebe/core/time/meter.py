"""Metres and counting in bars."""

from __future__ import annotations

import re
from typing import Annotated, Literal

from msgspec import Meta

from grebe.core.time.ticks import TICKS_PER_QUARTER
from grebe.core.units import Value


class Meter(Value, frozen=True, kw_only=True):
    """A metre such as 4/4 or 7/8."""

    beats: Annotated[int, Meta(ge=1, le=32)] = 4
    unit: Literal[1, 2, 4, 8, 16, 32] = 4

    @property
    def beat_ticks(self) -> int:
        """Ticks of one counted beat (an eighth in 7/8)."""
        return TICKS_PER_QUARTER * 4 // self.unit

    @property
    def bar_ticks(self) -> int:
        """Ticks of one bar."""
        return self.beats * self.beat_ticks

    def __str__(self) -> str:
        return f"{self.beats}/{self.unit}"


def parse_meter(text: str) -> Meter:
    """Read ``4/4``; ValueError says what is allowed."""
    match = re.match(r"^(\d{1,2})/(1|2|4|8|16|32)$", text)
    if match is None or not 1 <= int(match[1]) <= 32:
        raise ValueError(f"metre must look like 4/4 or 7/8, 1 to 32 beats (got {text!r})")
    return Meter(beats=int(match[1]), unit=int(match[2]))  # type: ignore[arg-type]
