"""Audio loops as they are recorded and played: blocks in, blocks out, exact to the sample."""

from __future__ import annotations

from itertools import pairwise
from typing import Literal, NamedTuple

import numpy as np
from numpy.typing import NDArray

Audio = NDArray[np.float32]
MOST_S = 240.0
"""A recording left open is closed after so long: 46 MB at 48 kHz."""


class At(NamedTuple):
    """Something a track does at a sample."""

    frame: int
    device: str
    track: int
    act: Literal["record", "overdub", "play", "stop"]


class _Track:
    """One loop. Its first sample is where its recording began; it comes round without a seam."""

    def __init__(self) -> None:
        self.audio: Audio = np.zeros((0, 2), dtype=np.float32)
        self.doing = "stop"
        self.since = 0
        self._taken: list[Audio] = []

    def act(self, act: str, frame: int) -> None:
        """Do something else from a sample on."""
        if self.doing == "record":
            self.audio = np.concatenate(self._taken) if self._taken else self.audio[:0]
            self._taken = []
        if act == "record":
            self._taken, self.since = [], frame
        elif act == "play" and self.doing not in ("record", "overdub", "play"):
            self.since = frame
        self.doing = act if act == "record" or len(self.audio) else "stop"

    def run(self, dry: Audio, out: Audio, first: int, most: int) -> None:
        """Take in what sounds and add what is on it, for the samples from `first` on."""
        if self.doing == "record":
            self._taken.append(dry.copy())
            if sum(map(len, self._taken)) >= most:
                self.act("play", first + len(dry))
            return
        if self.doing == "stop" or not len(self.audio):
            return
        places = (first - self.since + np.arange(len(dry))) % len(self.audio)
        out += self.audio[places]
        if self.doing == "overdub":
            np.add.at(self.audio, places, dry)


class LoopSound:
    """The tracks of all stand-in loopers. They take in what boxes sound, not each other."""

    def __init__(self, rate: int) -> None:
        self._most = round(MOST_S * rate)
        self._tracks: dict[tuple[str, int], _Track] = {}
        self._coming: list[At] = []

    def take(self, at: At) -> None:
        """A track will do something."""
        self._coming.append(at)
        self._coming.sort(key=lambda a: a.frame)

    def length(self, device: str, track: int) -> int:
        """Samples on a track."""
        found = self._tracks.get((device, track))
        return 0 if found is None else len(found.audio)

    def add(self, out: Audio, first: int) -> None:
        """Add what the tracks play to a block of what boxes sound, shape (count, 2)."""
        if not self._tracks and not self._coming:
            return
        end = first + len(out)
        dry = out.copy()
        due = [a for a in self._coming if a.frame < end]
        self._coming = self._coming[len(due) :]
        edges = sorted({first, end, *(max(first, a.frame) for a in due)})
        for begin, until in pairwise(edges):
            while due and due[0].frame <= begin:
                at = due.pop(0)
                track = self._tracks.setdefault((at.device, at.track), _Track())
                track.act(at.act, begin)
            part = slice(begin - first, until - first)
            for track in self._tracks.values():
                track.run(dry[part], out[part], begin, self._most)
