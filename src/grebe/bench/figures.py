"""What a benchmark says of how long things took."""

from __future__ import annotations

from collections.abc import Sequence


def percentile(times: Sequence[float], percent: int, digits: int = 2) -> float:
    """The time, rounded, that so many per cent of them stay below: of few the nearest above."""
    rows = sorted(times)
    return round(rows[min(len(rows) - 1, len(rows) * percent // 100)], digits)


def spread_ms(times: Sequence[float], *percents: int, digits: int = 2) -> dict[str, float]:
    """Those percentiles and the longest, as ``p50_ms`` and ``max_ms``."""
    found = {f"p{percent}_ms": percentile(times, percent, digits) for percent in percents}
    return {**found, "max_ms": round(max(times), digits)}
