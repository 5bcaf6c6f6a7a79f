"""How much processor time the host of a virtual machine took away: figures need it beside them."""

from __future__ import annotations

from pathlib import Path

STEAL = 7
"""Place of stolen time in the first line of /proc/stat (proc(5))."""


def processor_times() -> tuple[int, ...]:
    """Times since the start by kind, in clock ticks, from /proc/stat; empty where there is none."""
    try:
        with Path("/proc/stat").open() as file:
            return tuple(int(field) for field in file.readline().split()[1:9])
    except OSError:
        return ()


def stolen_percent(before: tuple[int, ...], after: tuple[int, ...]) -> float:
    """Share of all processor time between two readings that was stolen, in percent."""
    passed = [b - a for a, b in zip(before, after, strict=True)]
    if len(passed) <= STEAL or not sum(passed):
        return 0.0
    return round(100 * passed[STEAL] / sum(passed), 1)
