"""Even lattices under event times: the reference's own, and a device's against it."""

from __future__ import annotations

from typing import NamedTuple, TypeAlias

from grebe.core.numeric import NDArray, np

Times: TypeAlias = "NDArray[np.float64]"
Counts: TypeAlias = "NDArray[np.int64]"

DOUBLED_SHARE = 0.3
"""An event this share of the usual distance after another is the same one again."""
BINS = 64
"""Of one reference event to the next, where phases are gathered."""
PAD = 4
SUBDIVISIONS = (1, 2, 3, 4, 6, 8)
FREE_SHARE = 0.06
"""How far from the reference's tempo, or a multiple, a device is still looked for."""
TOGETHER = 0.7
"""Of the best: a coarser lattice on which events lie this well together is the one meant."""
MOVES_MS = 1.0
MOVES_ALIKE = 0.5
"""A reference off its line by so much, neighbours alike, has no steady tempo: it is followed."""
NEAR_EVENTS = 4
"""Events to each side over which such a reference is smoothed."""


class Reference(NamedTuple):
    """A reference's events on their lattice."""

    number: Counts
    """Lattice position of each event that counts, rising."""
    at_s: Times
    period_s: float
    """Over the whole of it."""
    missed: int
    extra: int
    steady: bool
    """Whether one tempo fits all of it."""
    jitter_s: float
    """Median departure of its events from that tempo."""

    def expected(self, position: Times) -> Times:
        """Times of lattice positions, also between events and beyond them."""
        first, last = self.number[0], self.number[-1]
        inside = np.interp(position, self.number, self.at_s)
        before = self.at_s[0] + (position - first) * self.period_s
        after = self.at_s[-1] + (position - last) * self.period_s
        found: Times = np.where(position < first, before, np.where(position > last, after, inside))
        return found

    def positions(self, times_s: Times) -> Times:
        """Lattice positions of times: `expected` the other way round."""
        first, last = self.at_s[0], self.at_s[-1]
        inside = np.interp(times_s, self.at_s, self.number.astype(float))
        before = self.number[0] + (times_s - first) / self.period_s
        after = self.number[-1] + (times_s - last) / self.period_s
        found: Times = np.where(times_s < first, before, np.where(times_s > last, after, inside))
        return found


def reference_lattice(times_s: Times) -> Reference | None:
    """The even lattice a reference was meant to lie on; None for fewer than four events.

    Doubled events are left out, gaps are counted through. Where one tempo fits, each event
    stands for its place on the line, so that the reference's own jitter is not taken for the
    device's; where the tempo moves, for its neighbours' smoothed course. Swing is kept: every
    second event where it usually lies.
    """
    times = np.unique(times_s)
    if len(times) < 4:
        return None
    gaps = np.diff(times)
    usual = float(np.median(gaps[gaps > DOUBLED_SHARE * np.median(gaps)]))
    keep = np.concatenate([[True], gaps > DOUBLED_SHARE * usual])
    kept = times[keep]
    index = _numbered(kept, usual)
    index, kept = _one_each(index, kept)
    if len(kept) < 4:
        return None
    slope, level = np.polyfit(index, kept, 1)
    off = kept - (slope * index + level)
    parity = _parity_means(index, off)
    rest = off - parity
    steady = not _moves(rest)
    smooth = slope * index + level if steady else kept - parity - _own_jitter(rest)
    missed = int(index[-1] - index[0] + 1 - len(index))
    extra = len(times_s) - len(kept)
    jitter = float(np.median(np.abs(rest)))
    return Reference(index, smooth + parity, float(slope), missed, extra, steady, jitter)


def _numbered(times: Times, usual: float) -> Counts:
    """Lattice numbers by distance from one event to the next, then set right on the line."""
    index = np.concatenate([[0], np.cumsum(np.maximum(1, np.rint(np.diff(times) / usual)))])
    slope, level = np.polyfit(index, times, 1)
    on_line = np.rint((times - level) / slope)
    if np.abs(times - (slope * index + level)).max() < 0.4 * slope:
        index = on_line
    return index.astype(np.int64) - int(index[0])


def _one_each(index: Counts, times: Times) -> tuple[Counts, Times]:
    """The first event of each lattice position."""
    _, first = np.unique(index, return_index=True)
    return index[first], times[first]


def _parity_means(index: Counts, off: Times) -> Times:
    """For each event, how far its half (even or odd) lies off, where that is plainly so."""
    odd = index % 2 == 1
    if odd.sum() < 4 or (~odd).sum() < 4:
        return np.zeros(len(off))
    means = np.array([np.median(off[~odd]), np.median(off[odd])])
    spread = np.median(np.abs(off - means[odd.astype(int)])) * 1.4826
    if abs(means[1] - means[0]) < max(1e-3, 3 * spread):
        return np.zeros(len(off))
    return np.asarray(means[odd.astype(int)])


def _moves(rest: Times) -> bool:
    if len(rest) < 16 or np.percentile(np.abs(rest), 95) < MOVES_MS / 1e3:
        return False
    a, b = rest[:-1] - rest[:-1].mean(), rest[1:] - rest[1:].mean()
    norm = float(np.sqrt((a @ a) * (b @ b)))
    return norm > 0 and float(a @ b) / norm > MOVES_ALIKE


def _own_jitter(rest: Times) -> Times:
    """What of each event is its own: off the course of its neighbours."""
    from scipy.signal import savgol_filter  # noqa: PLC0415 - SciPy is slow to import

    width = min(2 * NEAR_EVENTS + 1, len(rest) - 1 + len(rest) % 2)
    return np.asarray(rest - savgol_filter(rest, width, 2))


class Locked(NamedTuple):
    """A device's events on the reference's lattice, or a division of it."""

    divided: int
    """Steps from one reference event to the next."""
    step: Counts
    """For each event, the step it belongs to; drift is followed, not wrapped."""
    late_s: Times
    """For each event, how late it is to that step."""
    together: float
    """How well the events lie on the steps: 1 exactly, 0 anywhere."""


def lock(reference: Reference, times_s: Times) -> Locked | None:
    """Find the steps a device plays on, whatever it leaves out and however it drifts.

    None for fewer than four events, or none at all on any lattice.
    """
    if len(times_s) < 4:
        return None
    position = reference.positions(times_s)
    span = float(np.ptp(position))
    if span < 2:
        return None
    found = [_phases(position, span, k) for k in SUBDIVISIONS]
    best = max(together for together, _ in found)
    for k, (together, rate) in zip(SUBDIVISIONS, found, strict=True):
        if together >= TOGETHER * best and together > 0.25:
            return _locked(reference, times_s, position, k, rate, together)
    return None


def _phases(position: Times, span: float, k: int) -> tuple[float, float]:
    """How well events lie on every k-th of a reference event, and the rate at which they do."""
    first = float(position.min())
    bins = int(np.ceil(span)) * BINS + BINS
    counts = np.bincount(((position - first) * BINS).astype(int), minlength=bins).astype(float)
    length = PAD * bins
    spectrum = np.abs(np.fft.rfft(counts, length)) / len(position)
    apart = BINS / length
    low, high = (int(k * (1 + s) / apart) for s in (-FREE_SHARE, FREE_SHARE))
    window = spectrum[max(1, low) : high + 2]
    rate = (max(1, low) + int(np.argmax(window))) * apart
    return _refined(position - first, rate, apart)


def _refined(position: Times, rate: float, apart: float) -> tuple[float, float]:
    """The rate nearby at which phases lie together best."""
    for width in (apart, apart / 4, apart / 16):
        rates = rate + np.linspace(-width, width, 9)
        sums = np.abs(np.exp(2j * np.pi * np.outer(rates, position)).mean(axis=1))
        rate = float(rates[int(np.argmax(sums))])
    return float(sums.max()), rate


def _locked(
    reference: Reference, times_s: Times, position: Times, k: int, rate: float, together: float
) -> Locked:
    first = float(position.min())
    turns = rate * (position - first)
    phase = float(np.angle(np.exp(2j * np.pi * turns).mean()) / (2 * np.pi))
    number = np.rint(turns - phase)
    off = k * position - number
    number += np.rint(np.median(off))
    late = times_s - reference.expected(number / k)
    return Locked(k, number.astype(np.int64), late, together)
