"""Lengths of time as they are written."""

from __future__ import annotations


def clock_text(seconds: float) -> str:
    """Minutes and seconds: 3:33."""
    whole = round(seconds)
    return f"{whole // 60}:{whole % 60:02d}"
