"""Where a song is against a session's beats: moved by whole spans only, drawn in for the rest."""

from __future__ import annotations

from typing import NamedTuple

from grebe.core.time.ticks import TICKS_PER_QUARTER


class BeatStretch(NamedTuple):
    """Beats over a computer's own clock, from a moment on."""

    at_ns: int
    beat: float
    bpm: float
    """By that clock."""


def beat_at(stretches: tuple[BeatStretch, ...], at_ns: float) -> float:
    """The session's beat at a time, in quarter notes. There is at least one stretch."""
    held = stretches[0]
    for stretch in stretches:
        if stretch.at_ns <= at_ns:
            held = stretch
    return held.beat + (at_ns - held.at_ns) * held.bpm / 60e9


def ns_at(stretches: tuple[BeatStretch, ...], beat: float) -> float:
    """The time of a beat."""
    held = stretches[0]
    for stretch in stretches:
        if stretch.beat <= beat:
            held = stretch
    return held.at_ns + (beat - held.beat) / held.bpm * 60e9


def bpm_at(stretches: tuple[BeatStretch, ...], at_ns: float) -> float:
    """The tempo at a time."""
    return next((s.bpm for s in reversed(stretches) if s.at_ns <= at_ns), stretches[0].bpm)


class SongAnchor:
    """The song's ticks over the session's beats."""

    def __init__(self, tick: float, beat: float) -> None:
        """Set off with a tick on a beat."""
        self._tick, self._beat = tick, beat

    def tick_at(self, beat: float) -> float:
        """The song's tick at a beat."""
        return self._tick + (beat - self._beat) * TICKS_PER_QUARTER

    def beat_of(self, tick: float) -> float:
        """The beat that a tick falls on."""
        return self._beat + (tick - self._tick) / TICKS_PER_QUARTER

    def moved(self, before: float, now: float, quantum_beats: int) -> None:
        """The session's beat at one moment turned out to be `now` instead of `before`.

        Whole spans of that are taken out at once: they change nothing that is heard.
        """
        self._beat += round((now - before) / quantum_beats) * quantum_beats
