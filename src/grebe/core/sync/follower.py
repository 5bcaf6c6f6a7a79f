"""Following a clock: from arrival times of ticks to beat and tempo, causally.

A small bank of Kalman filters over (time of the last tick, period, change of
period), which differ in when the tempo last changed. Every arrival is read
by each of them as the next tick, a later one after a gap, or no tick at all,
and weighed by how likely that reading is. Times are in seconds on any clock
that does not jump.
"""

from __future__ import annotations

from math import exp, log, pi, sqrt
from typing import NamedTuple

from grebe.core.sync.jitter import Noise

MAX_HYPOTHESES = 16
PRUNE_NATS = 16.0
AGREE_NATS = 7.0
"""Hypotheses this close to the best have a say in what is given out."""
LEAD_NATS = 3.0
LEAD_TICKS = 6
"""One that would move the phase by over half a tick must lead by so much, or for so long."""
SLOWEST_BPM, FASTEST_BPM = 4.0, 500.0
DOUBLED_S = 0.00125
"""An arrival this soon after the last is the same tick once more."""
LATEST_S = 0.025
"""A tick comes this late at most; what comes later was never one."""

_STEP = log(1 / 3000)
_STEP_SHARE = 0.04
_RAMP = log(1 / 1000)
_RAMP_EVERY = 8
_RAMP_SHARES = (3e-4, 2e-5)
"""A ramp's change of period from tick to tick, as a share of the period: played, and drifting."""
_BEND = 2e-7
"""How much that change itself changes from tick to tick."""
_RAMP_ENDS = log(1 / 100)
_JUMP = log(1 / 20_000)
_JUMP_SHARE = 0.3
_AFRESH, _AFRESH_MORE, _AFRESH_AT_MOST = log(1e-7), 1.5, -3.0
"""A beginning from two arrivals: likelier the longer nothing has been as the story has it."""
_GAP = 1.6
"""In periods: from here on an arrival is not the next tick."""
_LONGEST_GAP = 100
_GAP_AROUND = 3
_MISSED = log(1 / 100)
_MISSED_MORE = 0.02
_LATE = 0.01
_SPURIOUS = 0.004
_CLOSE_NATS = 4.0
"""Two readings as near as this are both kept."""
_MEMORY_TICKS = 1000.0
_WANDER = 4 / _MEMORY_TICKS**4
"""Variance a tick brings to the period, as a share of the noise: memory of so many ticks."""
_WIDEST = 0.25
"""Arrivals that waver by more than this, in periods, are not a clock."""
_ALIKE = 0.2
"""Of their standard deviations: stories nearer than this are one."""
_LOG_2PI = log(2 * pi)


class TempoEstimate(NamedTuple):
    """What the follower takes to be so."""

    beat: float
    """Quarter notes from the first tick."""
    bpm: float


class _Hypothesis:
    """One story of the ticks so far: the last one's number, time, period and their covariance."""

    __slots__ = (
        "change", "due", "number", "p00", "p01", "p02", "p11", "p12", "p22", "period",
        "ramp", "tau", "unread", "weight",
    )  # fmt: skip

    def __init__(self, number: int, tau: float, period: float, weight: float) -> None:
        self.number = number
        self.tau = tau
        self.period = period
        self.change = 0.0
        self.p00 = self.p01 = self.p02 = self.p11 = self.p12 = self.p22 = 0.0
        self.ramp = False
        self.unread = 0
        """Arrivals since the last tick that were taken for none."""
        self.weight = weight
        self.due = 0
        """How many ticks the next arrival is to be read as; 0 for the nearest."""

    def copy(self, weight: float) -> _Hypothesis:
        """The same story with another weight."""
        made = _Hypothesis(self.number, self.tau, self.period, self.weight + weight)
        made.change, made.ramp, made.unread = self.change, self.ramp, self.unread
        made.p00, made.p01, made.p02 = self.p00, self.p01, self.p02
        made.p11, made.p12, made.p22 = self.p11, self.p12, self.p22
        return made

    def stepped(self, weight: float, share: float) -> _Hypothesis:
        """The same story up to here; from here another, steady, period."""
        made = self.copy(weight)
        made.change, made.ramp = 0.0, False
        made.p02 = made.p12 = made.p22 = 0.0
        made.p11 += (share * made.period) ** 2
        return made

    def ramped(self, weight: float, share: float) -> _Hypothesis:
        """The same story up to here; from here the period changes from tick to tick."""
        made = self.copy(weight)
        made.ramp = True
        made.p22 = (share * made.period) ** 2
        return made

    def advance(self, ticks: int, q: float) -> None:
        """Go on by some ticks, unseen; `q` is the period's variance a tick brings."""
        m = float(ticks)
        self.tau += m * self.period
        self.p11 += m * q
        self.p00 += m * (2 * self.p01 + m * self.p11)
        self.p01 += m * self.p11
        if self.ramp:
            h = m * (m - 1) / 2
            self.tau += h * self.change
            self.period += m * self.change
            p02, p12, p22 = self.p02, self.p12, self.p22
            self.p00 += 2 * h * p02 + 2 * m * h * p12 + h * h * p22
            self.p01 += m * p02 + (h + m * m) * p12 + h * m * p22
            self.p11 += 2 * m * p12 + m * m * p22
            self.p02 = p02 + m * p12 + h * p22
            self.p12 = p12 + m * p22
            self.p22 = p22 + m * (_BEND * self.period) ** 2
        self.number += ticks

    def innovation(self, since: float, ticks: int, r: float) -> tuple[float, float]:
        """How far off the tick that comes `since` the last would be, and the variance of that."""
        if ticks == 1 and not self.ramp:
            return since - self.period, self.p00 + 2 * self.p01 + self.p11 + r
        m, h = float(ticks), ticks * (ticks - 1) / 2
        s = self.p00 + m * (2 * self.p01 + m * self.p11) + r
        if self.ramp:
            s += 2 * h * self.p02 + 2 * m * h * self.p12 + h * h * self.p22
        return since - m * self.period - h * self.change, s

    def correct(self, error: float, r: float) -> None:
        """Take in a tick that came `error` after it was expected, with noise variance `r`."""
        s = self.p00 + r
        k0, k1 = self.p00 / s, self.p01 / s
        self.tau += k0 * error
        self.period += k1 * error
        if self.ramp:
            k2 = self.p02 / s
            self.change += k2 * error
            self.p22 -= k2 * self.p02
            self.p12 -= k2 * self.p01
            self.p02 -= k2 * self.p00
        self.p11 -= k1 * self.p01
        self.p01 -= k1 * self.p00
        self.p00 -= k0 * self.p00
        self.unread = self.due = 0

    def number_at(self, at: float) -> float:
        """Ticks at a time, with a fraction."""
        return self.number + (at - self.tau) / (self.period + self.change / 2)


class Follower:
    """Feed it arrivals in order; ask it for the beat at any time after the last of them."""

    def __init__(self, ppqn: float = 24.0) -> None:
        self.ppqn = ppqn
        self._bank: list[_Hypothesis] = []
        self._chosen: _Hypothesis | None = None
        self._challenged = 0
        self._odd = 0
        """Arrivals in a row that were not the next tick of the best story."""
        self._last = 0.0
        self._noise = Noise()
        self._count = 0
        self._shortest = 60 / (FASTEST_BPM * ppqn)
        self._longest = 60 / (SLOWEST_BPM * ppqn)

    @property
    def locked(self) -> bool:
        """Whether there is a tempo yet."""
        return self._chosen is not None

    @property
    def jitter_s(self) -> float:
        """Standard deviation of the arrivals around the clock they come from."""
        return sqrt(self._noise.variance)

    @property
    def last_s(self) -> float:
        """When the last arrival came."""
        return self._last

    def tick(self, at: float) -> None:
        """A tick, or what looks like one, arrived. Times never go back."""
        at = float(at)  # a NumPy number would make every step three times as dear
        self._count += 1
        if self._count == 1:
            self._last = at
            return
        if not self._bank:
            self._begin(at)
            return
        self._spawn(at)
        self._read_all(at)
        self._prune()
        self._choose(at)
        self._last = at

    def estimate(self, at: float) -> TempoEstimate:
        """Beat and tempo at a time not before the last arrival."""
        chosen = self._chosen
        if chosen is None:
            return TempoEstimate(0.0, 0.0)
        mine = chosen.number_at(at)
        total = number = rate = 0.0
        best = self._bank[0].weight
        for h in self._bank:
            if h.weight < best - AGREE_NATS:
                break
            its = h.number_at(at)
            if abs(its - mine) < 0.5:
                share = exp(h.weight - best)
                total += share
                number += share * its
                rate += share / h.period
        if not total:
            return TempoEstimate(mine / self.ppqn, 60 / (chosen.period * self.ppqn))
        return TempoEstimate(number / total / self.ppqn, 60 * rate / total / self.ppqn)

    # Reading

    def _begin(self, at: float) -> None:
        """The second arrival: a first period, if it can be one."""
        period = at - self._last
        if period < self._shortest:
            return
        if period > self._longest:
            self._last = at  # too long ago to say anything: begin with this one
            return
        h = _Hypothesis(1, at, period, 0.0)
        r = max(self._noise.variance, (0.05 * period) ** 2)
        h.p00, h.p01, h.p11 = r, r, 2 * r
        self._bank = [h]
        self._chosen = h
        self._last = at

    def _spawn(self, at: float) -> None:
        """New stories that branch off from the best one here."""
        best = self._bank[0]
        period = best.period
        gap = at - best.tau
        self._bank.append(best.stepped(_STEP, _STEP_SHARE))
        if self._count % _RAMP_EVERY == 0:
            if best.ramp:
                self._bank.append(best.stepped(_RAMP_ENDS, 0.0))
            else:
                share = _RAMP_SHARES[self._count // _RAMP_EVERY % 2]
                self._bank.append(best.ramped(_RAMP, share))
        if not best.unread and gap <= _GAP * period:
            self._odd = 0
        else:
            self._odd += 1
            self._bank.append(best.stepped(_JUMP, _JUMP_SHARE))
            since = at - self._last
            if self._shortest < since < self._longest:
                r = self._noise.variance
                passed = max(0, round((self._last - best.tau) / period))
                price = min(_AFRESH_AT_MOST, _AFRESH + _AFRESH_MORE * self._odd)
                afresh = _Hypothesis(best.number + passed, self._last, since, best.weight + price)
                afresh.p00, afresh.p11 = r, 2 * r
                self._bank.append(afresh)
        if _GAP * period < gap < _LONGEST_GAP * period:
            # The tempo may have changed unheard; then any number near may be the right one.
            nearest = round(gap / period)
            unheard = _STEP + log(nearest)
            for ticks in range(max(1, nearest - _GAP_AROUND), nearest + _GAP_AROUND + 1):
                step = best.stepped(unheard, _STEP_SHARE)
                step.due = ticks
                self._bank.append(step)

    def _read_all(self, at: float) -> None:
        """Read the arrival in every story, in two ways where both are likely."""
        r = min(self._noise.variance, (_WIDEST * self._bank[0].period) ** 2)
        q = r * _WANDER
        doubled = at - self._last < DOUBLED_S
        made: list[_Hypothesis] = []
        for h in self._bank:
            since = at - h.tau
            period = h.period
            if doubled and since < 0.5 * period:
                made.append(h)  # the same tick once more, whichever story is right
                continue
            price, ticks = 0.0, 1
            if since > 1.5 * period:
                ticks = h.due or round(since / period)
                missed = ticks - 1 - h.unread
                if missed > 0:
                    price = _MISSED - _MISSED_MORE * missed
            none = _SPURIOUS / period
            if period < since < period + LATEST_S:
                none += _LATE / LATEST_S
            error, s = h.innovation(since, ticks, r)
            as_tick = price - 0.5 * (_LOG_2PI + log(s) + error * error / s)
            as_none = log(none)
            if as_none > as_tick - _CLOSE_NATS:
                other = h
                if as_tick > as_none - _CLOSE_NATS:
                    other = h.copy(0.0)
                other.unread += 1
                other.weight += as_none
                made.append(other)
                if other is h:
                    continue
            h.advance(ticks, q)
            h.correct(error, r)
            h.weight += as_tick
            if self._shortest < h.period < self._longest:
                made.append(h)
        self._bank = made

    def _prune(self) -> None:
        """Keep the likeliest, one of every kind."""
        bank = self._bank
        bank.sort(key=_unlikely)
        top = bank[0].weight
        kept: list[_Hypothesis] = []
        for h in bank:
            h.weight -= top
            if h.weight < -PRUNE_NATS or len(kept) >= MAX_HYPOTHESES:
                break
            number, tau, period, p11, ramp = h.number, h.tau, h.period, h.p11, h.ramp
            near, alike = _ALIKE * sqrt(h.p00), _ALIKE * sqrt(p11)
            for k in kept:
                if (
                    k.number == number
                    and abs(k.tau - tau) < near
                    and abs(k.period - period) < alike
                    and k.ramp == ramp
                    and 0.6 * p11 < k.p11 < 1.7 * p11
                    and k.unread == h.unread
                ):
                    break
            else:
                kept.append(h)
        self._bank = kept

    def _choose(self, at: float) -> None:
        best = self._bank[0]
        chosen = self._chosen
        if best.unread == 0:
            self._noise.arrived(at, best.number)
        if chosen is None or chosen is best:
            self._chosen, self._challenged = best, 0
            return
        # The story so far goes on in whichever hypothesis agrees with it best.
        mine = chosen.number_at(at)
        heir = next((h for h in self._bank if abs(h.number_at(at) - mine) < 0.5), None)
        if heir is best or heir is None:
            self._chosen, self._challenged = best, 0
            return
        self._challenged += 1
        if best.weight - heir.weight > LEAD_NATS or self._challenged >= LEAD_TICKS:
            self._chosen, self._challenged = best, 0
        else:
            self._chosen = heir


def _unlikely(h: _Hypothesis) -> float:
    return -h.weight
