"""Tapping a tempo."""

from __future__ import annotations

from grebe.core.time.tap import MIN_TAPS, TapTempo, tapped

TAP_GAP_S = 2.5
"""A longer pause begins a new count: 24 BPM is the slowest tempo that can be tapped."""
INSISTS_TAPS = 9
MOST_TAPS = 32


class Tapping:
    """The taps of one count, and the tempo they fit."""

    def __init__(self) -> None:
        self.fit: TapTempo | None = None
        """From the third tap on."""
        self._taps: list[float] = []
        self._near = 0.0
        """The tempo there was at the first tap."""

    def tap(self, now_s: float, bpm: float) -> bool:
        """One tap, while `bpm` is the tempo; whether it begins a new count."""
        anew = not self._taps or now_s - self._taps[-1] > TAP_GAP_S
        if anew:
            self._taps.clear()
            self._near = bpm
        self._taps.append(now_s)
        del self._taps[:-MOST_TAPS]
        self.fit = None
        if len(self._taps) >= MIN_TAPS:
            # Half or double the tempo there is was meant as that, unless it goes on and on.
            self.fit = tapped(self._taps, self._near if len(self._taps) < INSISTS_TAPS else 0.0)
        return anew
