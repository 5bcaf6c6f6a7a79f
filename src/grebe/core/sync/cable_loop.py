"""A loop of cable from an output into an input: what is played, and how late it comes back."""

from __future__ import annotations

from typing import NamedTuple

import numpy as np
from numpy.typing import NDArray

CLICKS = 12
LEVEL = 0.4
"""Of full scale: loud enough over a cable's noise, and no more."""
CLICK_S = 0.001
BEGINS_S = 0.25
APART_S = (0.17, 0.19, 0.23, 0.18, 0.21)
"""Uneven, so that no late click is taken for the one after it."""
LATEST_S = 0.15
HALF = 0.5
HEARD = 0.01
"""A click that comes back is at least so loud, ..."""
ABOVE = 4.0
"""... and so many times the loudest of what was there before any."""
FEWEST = 8
TOGETHER_FRAMES = 3


class LoopDelay(NamedTuple):
    """What a loop takes."""

    frames: float
    """Median, from the sample played to the sample heard."""
    spread: float
    """From the earliest to the latest that count."""
    level: float
    """How loud it came back, linear."""
    clicks: int


def clicks(rate: int) -> NDArray[np.float32]:
    """What is played: from silence, over some three seconds."""
    starts = click_frames(rate)
    out = np.zeros(starts[-1] + round(0.3 * rate), dtype=np.float32)
    for start in starts:
        out[start : start + round(CLICK_S * rate)] = LEVEL
    return out


def click_frames(rate: int) -> list[int]:
    """Where each begins."""
    at, out = BEGINS_S, []
    for number in range(CLICKS):
        out.append(round(at * rate))
        at += APART_S[number % len(APART_S)]
    return out


def loop_delay(heard: NDArray[np.float32], rate: int) -> LoopDelay | None:
    """The delay, from what was heard while `clicks` was played, sample beside sample; None where
    nothing comes back, or not always after the same time."""
    starts = click_frames(rate)
    before = heard[: starts[0]]
    floor = float(np.abs(before).max()) if len(before) else 0.0
    late, levels = [], []
    for start in starts:
        part = np.abs(heard[start : start + round(LATEST_S * rate)])
        top = float(part.max()) if len(part) else 0.0
        if top < max(HEARD, ABOVE * floor):
            continue
        late.append(int(np.argmax(part >= HALF * top)))
        levels.append(top)
    if len(late) < FEWEST:
        return None
    middle = float(np.median(late))
    near = [frames for frames in late if abs(frames - middle) <= TOGETHER_FRAMES]
    if len(near) < FEWEST:
        return None
    return LoopDelay(middle, float(max(near) - min(near)), float(np.median(levels)), len(near))
