"""Arrival times of ticks as text, one a line, and what a follower made of them."""

from __future__ import annotations

import math
from collections.abc import Iterable
from pathlib import Path

from grebe.core.sync.follower import TempoEstimate
from grebe.errors import TicksError
from grebe.formats.atomic import write_atomic
from grebe.formats.reading import UNTOUCHED, read_bounded

MAX_TICKS_BYTES = 256 * 1024 * 1024
"""Over a day of clock at 180 BPM."""
HEADER = "time_s,beat,bpm"


def read_ticks(path: Path) -> list[float]:
    """Arrival times in seconds, one a line, never going back; a heading is skipped.

    TicksError names the line and what to do.
    """
    try:
        text = read_bounded(path, MAX_TICKS_BYTES, "a list of ticks", TicksError).decode()
    except UnicodeDecodeError as error:
        raise TicksError(f"{path} is not text: give times in seconds, one a line.") from error
    times: list[float] = []
    for number, line in enumerate(text.splitlines(), start=1):
        words = line.strip()
        if not words:
            continue
        try:
            at = float(words.partition(",")[0])
        except ValueError as error:
            if not times and number == 1:
                continue
            raise TicksError(
                f"{path}, line {number}: {words[:40]!r} is not a time in seconds. {UNTOUCHED}"
            ) from error
        if not math.isfinite(at):
            raise TicksError(f"{path}, line {number}: {words[:40]!r} is not a time. {UNTOUCHED}")
        if times and at < times[-1]:
            raise TicksError(
                f"{path}, line {number}: {at:g} s comes before the line above it. "
                f"Put arrivals in the order they came. {UNTOUCHED}"
            )
        times.append(at)
    if not times:
        raise TicksError(f"{path} holds no times: give seconds, one a line.")
    return times


def write_estimates(path: Path, rows: Iterable[tuple[float, TempoEstimate]]) -> None:
    """Write ``time_s,beat,bpm``, a row for every arrival. TicksError when it cannot be."""
    lines = [HEADER, *(f"{at:.9f},{e.beat:.7f},{e.bpm:.5f}" for at, e in rows), ""]
    try:
        path.parent.mkdir(parents=True, exist_ok=True)
        write_atomic(path, "\n".join(lines).encode())
    except OSError as error:
        raise TicksError(
            f"{path} could not be written: {error.strerror}. Choose another folder."
        ) from error
