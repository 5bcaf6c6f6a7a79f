"""What follows from observations: the rules of each experiment, with their thresholds.

Worked out on simulated boxes (common practice has no source for them); see `procedure` for their
order. Times are seconds; phrases are in clocks, 24 a quarter note, from the first after Start.
"""

from __future__ import annotations

from collections.abc import Sequence
from math import exp, log
from typing import NamedTuple, TypeAlias

from grebe.core.numeric import NDArray, np
from grebe.core.probe.model import CameBack, HeardHit, Send
from grebe.core.time.ticks import CLOCKS_PER_QUARTER

ONSET_S = 0.14
"""A note sounds within so long, or it does not."""
SAME_DELAY_S = 0.003
ECHOES = 11
"""Of fourteen: an own clock at 20 ms passes that by chance under 1e-4."""
LEAST_APART_S, MOST_APART_S = 0.012, 0.042
"""A hit belongs to a place of a phrase within max(12 ms, 7 sigma), at most 42 ms."""
CLOCKS_PER_SIXTEENTH = 6
CLOCKS_PER_BAR = 4 * CLOCKS_PER_QUARTER
LENGTHS = (12, 16, 24, 32, 48, 64)
"""Sixteenths that a pattern may last."""
SURE_NATS, UNSURE_NATS, ENDS_NATS = 5.0, 3.0, 6.0
"""One reading is so far ahead of the next: it is believed; it is not; nothing more is asked."""
SWINGS_PERCENT = 51.5
SETTLED_S, FAR_S = 1.2, 0.15
"""Hits of a slow box are off before that; a hit further off than so much is of nothing."""
COUNTS = 3
"""A phrase that does not fit has more than so many hits missing or extra ..."""
COUNTS_SHARE = 0.15
"""... and this share of all."""
NO_SPREAD = 0.08
"""Levels that differ by less than this share are one."""
MOST_LEVELS = 10
Hits: TypeAlias = Sequence[HeardHit]
Levels: TypeAlias = "NDArray[np.float64]"
STEP_PRICE, CURVE_PRICE = 2.0, 2.5
"""In ln N: of each step, and of a curve of degree 4."""
CURVE_DEGREE = 4


def echoes(sent: Sequence[Send], back: Sequence[CameBack]) -> int:
    """How many of these came back, byte for byte, at one and the same delay."""
    delays = [
        b.at_s - s.at_s for s in sent for b in back
        if b.data == s.data and 0 <= b.at_s - s.at_s < 0.25
    ]  # fmt: skip
    return max((sum(abs(d - other) <= SAME_DELAY_S for other in delays) for d in delays), default=0)


def sounded(at_s: float, hits: Sequence[HeardHit], within_s: float = ONSET_S) -> HeardHit | None:
    """The first hit so soon after a note."""
    return next((h for h in hits if at_s - 0.001 <= h.at_s <= at_s + within_s), None)


class Phrase(NamedTuple):
    """What a box plays of its own: hits by place."""

    places: tuple[float, ...]
    """In clocks."""
    colours: tuple[int, ...]
    length: int
    """In clocks, after which it repeats; 0: not known."""

    @property
    def plain(self) -> bool:
        """Whether all its places are alike, as of a four on the floor: it tells no place."""
        gaps = np.diff([*self.places, self.places[0] + self.length]) if self.places else [0.0]
        return len(set(self.colours)) <= 1 and float(np.ptp(gaps)) < 1.0


def phrase_of(hits: Sequence[HeardHit], clock_s: float, clocks: int) -> Phrase:
    """The phrase of a run from the top: hits from the first clock on, by the clock's places."""
    places = [(h.at_s / clock_s, h.colour) for h in hits if -1 < h.at_s / clock_s < clocks]
    length = _length(places, clocks)
    if length:
        places = _folded(places, length, clocks)
    return Phrase(tuple(p for p, _ in places), tuple(c for _, c in places), length)


def _length(places: list[tuple[float, int]], clocks: int) -> int:
    """The shortest length after which all of it comes again."""
    for sixteenths in LENGTHS:
        length = sixteenths * CLOCKS_PER_SIXTEENTH
        if 2 * length > clocks:
            break
        later = [(p - length, c) for p, c in places if p >= length - 2]
        there = [(p, c) for p, c in places if p < clocks - length - 2]
        if later and unmatched(there, later, 2.0) <= max(1, 0.1 * len(there)):
            return length
    return 0


def _folded(places: list[tuple[float, int]], length: int, clocks: int) -> list[tuple[float, int]]:
    """One period, averaged: a false onset in one of them is left out."""
    periods = max(1, clocks // length)
    kept: list[tuple[float, int]] = []
    waiting = sorted(((p + 2) % length - 2, c) for p, c in places)
    while waiting:
        first = waiting[0]
        group = [w for w in waiting if abs(w[0] - first[0]) < 2.0 and w[1] == first[1]]
        waiting = [w for w in waiting if w not in group]
        if 2 * len(group) > periods - 1:
            kept.append((float(np.median([p for p, _ in group])), first[1]))
    return sorted(kept)


def unmatched(
    wanted: Sequence[tuple[float, int]], found: Sequence[tuple[float, int]], apart: float
) -> int:
    """Those missing and those extra."""
    left = list(found)
    missing = 0
    for place, colour in wanted:
        near = [f for f in left if f[1] == colour and abs(f[0] - place) <= apart]
        if near:
            left.remove(min(near, key=lambda f: abs(f[0] - place)))
        else:
            missing += 1
    return missing + len(left)


def expected(phrase: Phrase, begin: float, clocks: float) -> list[tuple[float, int]]:
    """Where the phrase's hits fall in so many clocks when it is at a place at their beginning."""
    if not phrase.length:
        return [
            (p - begin, c) for p, c in zip(phrase.places, phrase.colours, strict=True)
            if -0.5 <= p - begin < clocks
        ]  # fmt: skip
    out = []
    for period in range(
        int(begin // phrase.length) - 1, int((begin + clocks) // phrase.length) + 2
    ):
        for place, colour in zip(phrase.places, phrase.colours, strict=True):
            at = period * phrase.length + place - begin
            if -0.5 <= at < clocks - 0.5:
                out.append((at, colour))
    return sorted(out)


def mismatch(
    phrase: Phrase,
    begin: float,
    hits: Sequence[HeardHit],
    clock_s: float,
    clocks: float,
    late_s: float,
) -> int:
    """Hits missing and extra, where the phrase is at `begin` at the run's first clock."""
    apart = min(MOST_APART_S, max(LEAST_APART_S, 0.3 * CLOCKS_PER_SIXTEENTH * clock_s)) / clock_s
    found = [
        (at, h.colour) for h in hits if -0.5 <= (at := (h.at_s - late_s) / clock_s) < clocks - 0.5
    ]
    return unmatched(expected(phrase, begin, clocks), found, apart)


def differs(count: int, wanted: int) -> bool:
    """Whether so many mismatches are more than errors of hearing."""
    return count > COUNTS + COUNTS_SHARE * wanted


def clock_or_time(
    phrase: Phrase, first_s: float, runs: Sequence[tuple[float, Sequence[HeardHit]]]
) -> float:
    """By how many nats hits lie by the clock's position rather than by time since Start.

    `runs` are (seconds a clock, hits), the phrase was heard at `first_s` a clock.
    """
    by_clock, by_time = [], []
    for clock_s, hits in runs:
        heard = [h for h in hits if h.at_s > -clock_s]
        settled = [h for h in heard if h.at_s > SETTLED_S]
        for hit in settled if len(settled) > COUNTS else heard:
            by_clock.append(_nearest(hit.at_s / clock_s, hit.colour, phrase) * clock_s)
            by_time.append(_nearest(hit.at_s / first_s, hit.colour, phrase) * first_s)
    if len(by_clock) < COUNTS:
        return 0.0
    rms_clock, rms_time = (
        float(np.sqrt(np.mean(np.square(np.minimum(x, FAR_S))))) + 5e-4 for x in (by_clock, by_time)
    )
    return len(by_clock) * log(rms_time / rms_clock)


def _nearest(place: float, colour: int, phrase: Phrase) -> float:
    """How far a place is from the phrase's nearest hit of this colour, in clocks."""
    own = [p for p, c in zip(phrase.places, phrase.colours, strict=True) if c == colour]
    if phrase.length:
        place %= phrase.length
        own = [p + k for p in own for k in (-phrase.length, 0, phrase.length)]
    return min((abs(place - p) for p in own), default=float("inf"))


class StepLatency(NamedTuple):
    """How late steps are after their clocks."""

    late_s: float
    first: int
    """-1 where Start itself is the one, 1 where the first clock is swallowed."""
    swing_percent: float
    nats: float
    """How far this reading is ahead of the next."""


def clock_latency_s(runs: Sequence[tuple[float, Sequence[HeardHit]]]) -> StepLatency | None:
    """How late steps are, from hits on a lattice of sixteenths at several tempi.

    t = (6 i + k) clock + latency + swing, k -1, 0 or 1. At one tempo k and the latency cannot be
    told apart. None where it does not fit.
    """
    found: list[tuple[float, StepLatency]] = []
    for k in (0, -1, 1):
        lates: list[tuple[float, float, bool]] = []
        for clock_s, hits in runs:
            step = CLOCKS_PER_SIXTEENTH * clock_s
            for hit in hits:
                rest = hit.at_s - k * clock_s
                number = int((rest + 0.25 * step) // step)
                if number >= 0:
                    lates.append((rest - number * step, step, number % 2 == 1))
        if len(lates) < COUNTS:
            return None
        late = np.array([row[0] for row in lates])
        step_s, odd = np.array([row[1] for row in lates]), np.array([row[2] for row in lates])
        swing = 0.0
        if 4 <= odd.sum() <= len(late) - 4:
            level = float(np.median(late[~odd]))
            swing = max(0.0, float(np.median((late[odd] - level) / step_s[odd])))
            if 50 + 50 * swing < SWINGS_PERCENT:
                swing = 0.0
        rest_s = late - swing * step_s * odd
        middle = float(np.median(rest_s))
        spread = float(np.sqrt(np.mean(np.minimum(np.abs(rest_s - middle), 0.05) ** 2)))
        score = len(lates) * log(spread + 5e-4) + (3.0 if k else 0.0)
        if middle > -0.003:
            found.append((score, StepLatency(max(0.0, middle), k, 50 + 50 * swing, 0.0)))
    if not found:
        return None
    found.sort(key=lambda row: row[0])
    nats = found[1][0] - found[0][0] if len(found) > 1 else ENDS_NATS
    return found[0][1]._replace(nats=nats)


def sure_of(nats: float) -> float:
    """The chance that a reading so far ahead is right; held to what was met in simulation."""
    return round(min(0.998, 1 / (1 + exp(-nats))), 3)


def velocity_levels(struck: Sequence[tuple[int, float]]) -> tuple[int, float] | None:
    """How many levels a box makes of velocity (1 none, 2 to 10 steps, 128 a curve), and by how many
    nats that is ahead of the next reading; None where too little was heard.

    Steps, by dynamic programming, against a smooth curve; each pays for its parameters.
    """
    if len(struck) < 2 * MOST_LEVELS:
        return None
    rows = sorted(struck)
    velocities = np.array([v for v, _ in rows], dtype=float)
    levels = np.array([level for _, level in rows])
    top = float(levels.max())
    if top <= 0:
        return None
    levels = levels / top
    if float(np.percentile(levels, 95) - np.percentile(levels, 5)) < NO_SPREAD:
        return 1, ENDS_NATS
    curve = np.polynomial.Polynomial.fit(velocities, levels, CURVE_DEGREE)
    scores = {128: _score(levels - curve(velocities), CURVE_PRICE)}
    for steps, residual in _steps(velocities, levels).items():
        scores[steps] = _score(residual, STEP_PRICE * steps)
    ranked = sorted(scores, key=lambda kind: scores[kind])
    return ranked[0], scores[ranked[1]] - scores[ranked[0]]


def _score(residual: Levels, price: float) -> float:
    """Nats against a reading: how much it leaves, and what it pays for, in ln N. A level that is
    far off was heard wrongly, and counts as four standard deviations."""
    sigma = 1.4826 * float(np.median(np.abs(residual))) + 1e-3
    cut = np.minimum(np.abs(residual), 4 * sigma)
    return 0.5 * len(residual) * log(float(np.mean(np.square(cut)))) + price * log(len(residual))


def _steps(velocities: Levels, levels: Levels) -> dict[int, Levels]:
    """By number of steps, what is left of the levels around the best ones."""
    edges = np.flatnonzero(np.diff(velocities)) + 1  # equal velocities stay together
    cuts = [0, *edges.tolist(), len(levels)]
    sums, squares = np.cumsum([0, *levels]), np.cumsum([0, *np.square(levels)])

    def cost(a: int, b: int) -> float:
        total = sums[b] - sums[a]
        return float(squares[b] - squares[a] - total * total / (b - a))

    places = len(cuts)
    table = [[0.0 if j == 0 else float("inf") for j in range(places)]]
    chosen: list[list[int]] = [[0] * places]
    found: dict[int, Levels] = {}
    for steps in range(1, MOST_LEVELS + 1):
        row, back = [float("inf")] * places, [0] * places
        for j in range(2 * steps, places):  # two velocities or more each
            for i in range(max(0, 2 * (steps - 1)), j - 1):
                value = table[-1][i] + cost(cuts[i], cuts[j])
                if value < row[j]:
                    row[j], back[j] = value, i
        table.append(row)
        chosen.append(back)
        if row[-1] < float("inf") and steps > 1:
            ends, j = [places - 1], places - 1
            for step in range(steps, 0, -1):
                j = chosen[step][j]
                ends.append(j)
            fitted = np.empty_like(levels)
            for a, b in zip(ends[1:], ends, strict=False):
                fitted[cuts[a] : cuts[b]] = levels[cuts[a] : cuts[b]].mean()
            found[steps] = levels - fitted
    return found
