"""Hits heard as they come: a channel's samples in, stretch by stretch, hits with moments out.

The same as `onsets` for a recording: found by the rise of energy, timed by cross-correlation with
the average of their own kind, which is given its beginning where its attack starts. The average is
made of the hits so far, so the first few of a kind are timed less well than the later ones.
"""

from __future__ import annotations

from collections import deque
from typing import NamedTuple, TypeAlias

import numpy as np
from numpy.typing import NDArray

from grebe.core.sync import onsets
from grebe.core.sync.onsets import Audio

Floats: TypeAlias = "NDArray[np.float64]"
BEFORE_BLOCKS = 30
"""A hit is louder than all that was there so many milliseconds before: a low rumble swings by more
than 6 dB within its period, and is no row of hits."""
FLOOR_S = 5.0
"""The floor is that of the last seconds."""
LOOKED_AT = 1000
"""Blocks between two looks at the floor, at most; at first it is looked at more often."""
KEPT_ROWS = 8
"""Hits of a kind that are kept, to decide whether it is noise of one envelope."""
AVERAGED = 64
"""An average follows a sound that changes slowly: it is of about so many hits."""
DECIDED = 4
SWELLS_S = 0.008
"""A sound that takes longer from a tenth to nine tenths of its height has no moment."""
SOUNDING = onsets.SILENT
TAIL_S = 0.1


class HeardSound(NamedTuple):
    """A hit."""

    sample: float
    """Where it begins, in samples from the first one heard."""
    kind: int
    """Which of the channel's sounds it is, from 0."""
    level: float
    """Its height, linear."""


class SoundKind:
    """One sound of a channel: what it looks like, and its average with the beginning of that."""

    def __init__(self, colour: Floats, row: Audio, rate: int) -> None:
        self.colour = colour
        self.count = 0
        self.swells = False
        """Whether it rises too slowly to have a moment."""
        self._rate = rate
        self._most = round(onsets.SEARCH_S * rate)
        self._size = len(row)
        self._length = 1 << int(np.ceil(np.log2(len(row) + 2 * self._most)))
        self._turns = -2j * np.pi * np.arange(self._length // 2 + 1) / self._length
        self._rows: list[Audio] = []
        self._by_envelope = False
        self._template: NDArray[np.complex128] = np.zeros(self._length // 2 + 1, dtype=complex)
        self._began = 0.0

    def timed(self, row: Audio) -> float:
        """Where in a row, cut out around it, the hit begins, in samples; it counts from now on."""
        if self.count < KEPT_ROWS:
            self._rows.append(row)
        if self.count == DECIDED:
            self._decide()
        self.count += 1
        lag = self._average(row, self.count)
        if self.count & (self.count - 1) == 0 or self.count % AVERAGED == 0:
            self._look()
        return self._began + lag

    def _average(self, row: Audio, number: int) -> float:
        """Take a row into the average, which is of so many with it; by how much it is later."""
        spectrum, lag = self._spectrum(row), 0.0
        if number > 1:
            lags, _ = onsets.lags_of(spectrum[None, :], self._template, self._length, self._most)
            lag = float(lags[0])
        aligned = spectrum * np.exp(-self._turns * lag)
        self._template += (aligned - self._template) / min(number, AVERAGED)
        return lag

    def _spectrum(self, row: Audio) -> NDArray[np.complex128]:
        signal = row.astype(float)
        if self._by_envelope:
            signal = onsets.envelope_of(signal[None, :], self._rate)[0]
        loud = float(np.abs(signal).max()) + 1e-12
        return np.fft.rfft(signal / loud, self._length)

    def _decide(self) -> None:
        """Hits of noise have an envelope in common, no waveform."""
        spectra = np.stack([self._spectrum(row) for row in self._rows])
        _, alike = onsets.lags_of(spectra, self._template, self._length, self._most)
        if alike >= onsets.COHERENT:
            return
        self._by_envelope = True
        self._template[:] = 0
        rows, self._rows = self._rows, []
        for number, row in enumerate(rows, start=1):
            self._average(row, number)
        self._look()

    def _look(self) -> None:
        """Where the average begins, and how fast it rises."""
        average = np.fft.irfft(self._template, self._length)[: self._size]
        self._began = onsets.attack_of(average, self._rate)
        level = onsets.envelope_of(average[None, :], self._rate)[0]
        top = int(level.argmax())
        low, high = (int(np.argmax(level[: top + 1] >= share * level[top])) for share in (0.1, 0.9))
        self.swells = (high - low) / self._rate > SWELLS_S


class LiveEar:
    """Finds the hits in one channel as it comes, each with its moment and its kind."""

    def __init__(self, rate: int) -> None:
        self.rate = rate
        self.kinds: list[SoundKind] = []
        self.loudest = 0.0
        """The loudest sample of the last stretch."""
        self._block = max(1, round(onsets.BLOCK_S * rate))
        self._margin = (
            round((onsets.BEFORE_S + onsets.SEARCH_S) * rate),
            round((onsets.AFTER_S + onsets.SEARCH_S) * rate),
        )
        self.begin_anew()

    def begin_anew(self) -> None:
        """Samples were lost: what was there before is forgotten and they are counted from 0 again;
        sounds are known still."""
        self._tail: Audio = np.zeros(round(TAIL_S * self.rate), dtype=np.float32)
        self._first = -len(self._tail)
        """Sample at which the tail begins."""
        self._partial: Audio = np.empty(0, dtype=np.float32)
        self._blocks = 0
        self._energies: Floats = np.zeros(BEFORE_BLOCKS + 1)
        """Of the last blocks: the last one waits for the next to be judged with it."""
        self._history: deque[float] = deque(maxlen=round(FLOOR_S / onsets.BLOCK_S))
        self._floor = self._loud = 0.0
        self._looked = 0
        self._last_start = -onsets.APART_BLOCKS
        self._waiting: deque[int] = deque()

    def feed(self, samples: Audio) -> list[HeardSound]:
        """Take the next stretch; the hits that are known by now, in order."""
        if not len(samples):
            return []
        self.loudest = float(np.abs(samples).max())
        self._tail = np.concatenate([self._tail, samples])
        partial = np.concatenate([self._partial, samples])
        count = len(partial) // self._block
        blocks = partial[: count * self._block].reshape(count, self._block)
        self._partial = partial[count * self._block :]
        if count:
            energy = np.einsum("ij,ij->i", blocks, blocks).astype(float) / self._block
            self._waiting.extend(self._rises(energy))
        heard = self._cut()
        spare = len(self._tail) - round(TAIL_S * self.rate)
        if spare > 0:
            self._tail = self._tail[spare:]
            self._first += spare
        return heard

    def _look(self) -> None:
        """The floor, and how loud what is loud is."""
        if self._looked and self._blocks < min(2 * self._looked, self._looked + LOOKED_AT):
            return
        self._looked = self._blocks
        rows = np.array(self._history)
        self._floor = float(np.percentile(rows, 20)) + 1e-12
        self._loud = float(np.percentile(rows, 99.5))

    def _rises(self, energy: Floats) -> list[int]:
        """Samples near which a hit begins, as `onsets.rises` finds them."""
        self._history.extend(energy)
        self._blocks += len(energy)
        self._look()
        before = BEFORE_BLOCKS
        rows = np.concatenate([self._energies, energy])
        self._energies = rows[-before - 1 :]
        judged = rows[before:-1]
        two = np.maximum(judged, rows[before + 1 :])
        loudest = np.full(len(judged), self._floor)
        for back in range(2, before + 1):
            loudest = np.maximum(loudest, rows[before - back : len(rows) - 1 - back])
        least = max(
            onsets.OVER_FLOOR * self._floor, onsets.OF_LOUDEST * self._loud, SOUNDING * SOUNDING
        )
        rising = np.flatnonzero((two > onsets.RISES * loudest) & (two > least))
        first = self._blocks - len(energy) - 1  # number of the first judged block
        starts: list[int] = []
        for at in rising:
            number = first + int(at)
            if number - self._last_start >= onsets.APART_BLOCKS and number >= 0:
                self._last_start = number
                starts.append(number * self._block)
        return starts

    def _cut(self) -> list[HeardSound]:
        """Those of which all is there that is needed."""
        heard: list[HeardSound] = []
        end = self._first + len(self._tail)
        while self._waiting and self._waiting[0] + self._margin[1] <= end:
            start = self._waiting.popleft()
            low = start - self._margin[0] - self._first
            if low < 0:
                continue
            row = self._tail[low : low + self._margin[0] + self._margin[1]]
            number = self._kind(row)
            at = self.kinds[number].timed(row)
            heard.append(HeardSound(start - self._margin[0] + at, number, float(np.abs(row).max())))
        return heard

    def _kind(self, row: Audio) -> int:
        """The number of the sound that a row is of; a new one where it is like none."""
        shape = onsets.look(row, self.rate)
        shape = shape / (float(np.linalg.norm(shape)) + 1e-12)
        likeness = [float(shape @ kind.colour) for kind in self.kinds]
        best = int(np.argmax(likeness)) if likeness else -1
        if best >= 0 and (likeness[best] >= onsets.ALIKE or len(likeness) >= onsets.MAX_KINDS):
            kind = self.kinds[best]
            moved = kind.colour + (shape - kind.colour) / min(AVERAGED, kind.count + 1)
            kind.colour = moved / (float(np.linalg.norm(moved)) + 1e-12)
            return best
        self.kinds.append(SoundKind(shape, row, self.rate))
        return len(self.kinds) - 1
