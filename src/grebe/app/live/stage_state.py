"""How Stage is shown and guarded."""

from __future__ import annotations

from dataclasses import dataclass


@dataclass
class StageState:
    """Set by hand, kept by nothing."""

    shown: bool = False
    """Whether Stage is what the window shows."""
    locked: bool = False
    """Whether the computer's keys do nothing on Stage."""
    page: int = 0
    """Which eight of the boxes and tracks have the blocks and the digits."""
    guarded: bool = True
    """Whether a touch has to be held on Stage while something plays."""
