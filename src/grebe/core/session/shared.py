"""What a session agrees on: tempo and phase, running or not; and which of two words counts."""

from __future__ import annotations

import math
from collections.abc import Iterable
from typing import NamedTuple

from grebe.core.units import MAX_BPM, MIN_BPM

MICRO = 1_000_000
"""Beats are counted in millionths of a quarter note, tempo in millionths of a beat a minute."""
MIN_QUANTUM, MAX_QUANTUM = 1, 64
"""Quarter notes that a session can count its phase by."""
KEPT = 8
"""Stretches of tempo that are remembered: changes follow each other within a lead at most."""


class AgreedTempo(NamedTuple):
    """One line of beats over session time, and by whose word it holds."""

    origin_ns: int
    """Session time of `origin`; it holds from there on."""
    origin: int
    """Millionths of a quarter note."""
    micro_bpm: int
    quantum_beats: int
    """Quarter notes after which the phase repeats: who starts comes in on a multiple of it."""
    revision: int
    author: int
    """Id of the peer that said so."""

    @property
    def bpm(self) -> float:
        """Quarter notes a minute."""
        return self.micro_bpm / MICRO

    def beat_at(self, session_ns: float) -> float:
        """Quarter notes, with a fraction, at a session time."""
        passed_min = (session_ns - self.origin_ns) / 60e9
        return self.origin / MICRO + passed_min * self.bpm

    def ns_at(self, beat: float) -> float:
        """Session time of a beat."""
        return self.origin_ns + (beat - self.origin / MICRO) / self.bpm * 60e9

    @property
    def rank(self) -> tuple[int, int]:
        """The word with the greater rank counts: the later revision, of two the greater id's."""
        return self.revision, self.author


class Running(NamedTuple):
    """Whether the session runs, from which beat on, and by whose word."""

    running: bool
    at: int
    """Millionths of a quarter note."""
    revision: int
    author: int

    @property
    def rank(self) -> tuple[int, int]:
        """As of a tempo."""
        return self.revision, self.author


MOST_REVISION = 2**31
"""No session comes near it; who claims more is not believed."""
FAR_AHEAD = 1_000
"""A stranger's revision farther ahead than this does not push ours."""
NEVER_RUN = Running(False, 0, 0, 0)


def limited_bpm(bpm: float) -> float:
    """A tempo that any peer can run at."""
    return min(MAX_BPM, max(MIN_BPM, bpm))


def is_valid(tempo: AgreedTempo) -> bool:
    """Whether a tempo from outside can be used at all."""
    known = tempo.revision < MOST_REVISION
    return (
        known
        and MIN_BPM <= tempo.bpm <= MAX_BPM
        and MIN_QUANTUM <= tempo.quantum_beats <= MAX_QUANTUM
    )


def next_revision(ours: int, asked: Iterable[int]) -> int:
    """Later than ours and than all that are asked for, but for absurd ones."""
    return max([ours, *(r for r in asked if r - ours < FAR_AHEAD)]) + 1


class BeatLine:
    """Beats over session time, through tempo changes that have their own beginning."""

    def __init__(self, tempo: AgreedTempo) -> None:
        self.stretches = [tempo]

    @property
    def last(self) -> AgreedTempo:
        """The latest word, which may not hold yet."""
        return self.stretches[-1]

    def at(self, session_ns: float) -> AgreedTempo:
        """What holds at a session time."""
        for tempo in reversed(self.stretches):
            if tempo.origin_ns <= session_ns:
                return tempo
        return self.stretches[0]

    def take(self, tempo: AgreedTempo) -> None:
        """From its origin on another word holds; what was to begin after that does not any more."""
        before = [t for t in self.stretches if t.origin_ns < tempo.origin_ns]
        self.stretches = [*before, tempo][-KEPT:]

    def beat_at(self, session_ns: float) -> float:
        """Quarter notes, with a fraction, at a session time."""
        return self.at(session_ns).beat_at(session_ns)

    def ns_at(self, beat: float) -> float:
        """Session time of a beat."""
        for tempo in reversed(self.stretches):
            if tempo.origin <= beat * MICRO:
                return tempo.ns_at(beat)
        return self.stretches[0].ns_at(beat)


def on_the_one(beat: float, quantum_beats: int) -> int:
    """The first beat from here on at which the span begins, in quarter notes."""
    return math.ceil(beat / quantum_beats - 1e-9) * quantum_beats


def apart(beat: float, other: float, quantum_beats: int) -> float:
    """How far `beat` is ahead of another, the shorter way round the span, in quarter notes."""
    return (beat - other + quantum_beats / 2) % quantum_beats - quantum_beats / 2
