"""Another computer's clock from four time stamps."""

from __future__ import annotations

from random import Random

import numpy as np
import pytest

from grebe.core.session.envelope import estimate, stepped
from grebe.core.session.exchange import Exchange, best_of
from grebe.core.session.other import Other
from grebe.core.session.packets import State

MS = 1_000_000


def exchanges(
    seed: int, *, offset_ns: int = 0, skew: float = 0.0, jitter_ms: float = 0.1,
    one_sided: bool = False, count: int = 60, every_s: float = 0.1,
) -> list[Exchange]:  # fmt: skip
    """Questions at a steady pace; a millisecond each way and jitter that only delays."""
    dice = Random(seed)
    out = []
    for i in range(count):
        sent = i * every_s
        there = 0.001 + dice.expovariate(1e3 / jitter_ms)
        back = 0.001 if one_sided else 0.001 + dice.expovariate(1e3 / jitter_ms)
        arrived, left = sent + there, sent + there + 0.0002

        def theirs(at_s: float) -> int:
            return round(at_s * 1e9 * (1 + skew)) + offset_ns

        stamps = round(sent * 1e9), theirs(arrived), theirs(left), round((left + back) * 1e9)
        out.append(Exchange(*stamps))
    return out


def test_offset_and_delay_are_those_of_rfc_5905() -> None:
    """RFC 5905, section 8: theta = ((T2-T1)+(T3-T4))/2, delta = (T4-T1)-(T3-T2).

    Worked by hand: the other clock 5 s ahead, 30 ms there, 10 ms back, 1 ms between: offset
    5.010 s (half the difference of the ways too much), round trip 40 ms.
    """
    x = Exchange(100_000 * MS, 105_030 * MS, 105_031 * MS, 100_041 * MS)
    assert x.offset_ns == 5_010 * MS
    assert x.delay_ns == 40 * MS


def test_the_exchanges_of_least_delay_are_the_best() -> None:
    """RFC 5905's clock filter; here one of eight without delay beats all others."""
    good = Exchange(0, 7 * MS, 7 * MS, 0)
    bad = [Exchange(0, 7 * MS + i * MS, 7 * MS + i * MS, i * MS * 3) for i in range(20, 40)]
    assert best_of([good]) == 7 * MS
    assert best_of([*bad, *[good] * 8]) == 7 * MS
    with pytest.raises(ValueError, match="no exchange"):
        best_of([])


@pytest.mark.parametrize("skew", [0.0, 50e-6, -50e-6])
def test_envelope_finds_offset_and_skew_hours_apart(skew: float) -> None:
    """True values are known: a clock five hours ahead, at a skew, on a quiet wire."""
    offset = 5 * 3600 * 1_000_000_000
    rows = exchanges(1, offset_ns=offset, skew=skew, jitter_ms=0.02, count=300)
    now = rows[-1].t4
    found = estimate(rows, now)
    assert found.theirs(now) == pytest.approx(now * (1 + skew) + offset, abs=20_000)
    assert found.skew == pytest.approx(skew, abs=2e-6)
    later = now + 10_000_000_000
    assert found.theirs(later) == pytest.approx(later * (1 + skew) + offset, abs=40_000)
    assert 1.9 * MS < found.delay_ns < 2.2 * MS


def test_envelope_is_nearer_than_the_best_where_one_way_is_loaded() -> None:
    """Jitter one way only: by numpy's percentiles over 40 seeds."""
    envelope, best = [], []
    for seed in range(40):
        rows = exchanges(seed, jitter_ms=20, one_sided=True, count=80)
        found = estimate(rows, rows[-1].t4)
        envelope.append(abs(found.offset_ns))
        best.append(abs(found.best_ns))
    assert np.percentile(envelope, 95) < np.percentile(best, 95) / 2
    assert np.percentile(envelope, 95) < 1.3 * MS


def test_a_fixed_asymmetry_costs_half_of_it() -> None:
    """6 ms one way and 1 back: no filter sees it; the offset is 2.5 ms off."""
    rows = [Exchange(i * MS, i * MS + 6 * MS, i * MS + 6 * MS, i * MS + 7 * MS) for i in range(50)]
    assert estimate(rows, 60 * MS).offset_ns == pytest.approx(2.5 * MS)


def test_without_a_hard_floor_the_plain_best_is_taken() -> None:
    """Normal delays of 20 ms give or take 5 have no least that is often met."""
    dice = Random(4)
    rows = []
    for i in range(400):
        t1 = i * 75 * MS
        there, back = (round(max(0.0, dice.gauss(20, 5)) * MS) for _ in "ab")
        rows.append(Exchange(t1, t1 + there, t1 + there, t1 + there + back))
    found = estimate(rows, rows[-1].t4)
    assert not found.floored
    assert found.offset_ns == found.best_ns
    assert estimate(exchanges(1, count=300), 31_000 * MS).floored


def test_spread_tells_how_far_the_offset_may_be_off() -> None:
    """It shrinks as exchanges come in, and is of the size of the true error."""
    rows = exchanges(7, jitter_ms=5, count=200)
    early, late = estimate(rows[:8], rows[7].t4), estimate(rows, rows[-1].t4)
    assert late.spread_ns < early.spread_ns / 3
    assert abs(late.offset_ns) < 4 * late.spread_ns + 0.1 * MS


@pytest.mark.parametrize("step_ms", [50, -50, 3_600_000])
def test_a_stepped_clock_is_noticed_and_a_steady_one_is_not(step_ms: int) -> None:
    """Either way; jitter alone never looks like a step."""
    rows = exchanges(3, jitter_ms=20, skew=50e-6, count=200)
    assert not any(stepped(rows[:i]) for i in range(2, 200, 7))
    x = rows[-1]
    later = [v + 100 * MS for v in (x.t1, x.t2 + step_ms * MS, x.t3 + step_ms * MS, x.t4)]
    assert stepped([*rows, Exchange(*later)])


def test_after_a_step_only_what_came_since_counts() -> None:
    """Within one exchange the new offset is known."""
    set_later = Exchange(10**10, 5 * 10**10, 5 * 10**10, 10**10)
    other = Other(1, "there", 0)
    for i, x in enumerate([*exchanges(3, count=20), set_later]):
        other.asked(i, x.t1)
        assert other.answered(i, x)
    clock = other.clock(10**10)
    assert clock is not None
    assert clock.offset_ns == 4 * 10**10


def test_only_answers_that_were_asked_for_count() -> None:
    """A nonce is good once, with the stamp it was sent with, and not for an impossible delay."""
    other = Other(1, "there", 0)
    assert not other.answered(5, Exchange(0, 1, 1, 2))
    other.asked(5, 0)
    assert not other.answered(5, Exchange(9, 10, 10, 11))
    other.asked(6, 0)
    assert not other.answered(6, Exchange(0, 0, 50, 2))
    assert not other.proven
    other.asked(7, 0)
    assert other.answered(7, Exchange(0, 1, 1, 2))
    assert other.proven
    assert not other.answered(7, Exchange(0, 1, 1, 2))


def test_share_of_lost_questions() -> None:
    """Of forty, every fourth unanswered for more than a second."""
    other = Other(1, "there", 0)
    for i in range(40):
        at = i * 100 * MS
        other.asked(i, at)
        if i % 4:
            other.answered(i, Exchange(at, at + MS, at + MS, at + 2 * MS))
    other.asked(99, 60_000 * MS)
    assert other.lost_percent == 25


def test_replayed_packets_are_told_and_overtaking_ones_taken() -> None:
    """The window of RFC 4303, 64 wide."""
    other = Other(1, "there", 0)
    assert other.fresh(100)
    assert not other.fresh(100)
    assert other.fresh(98)
    assert not other.fresh(98)
    assert other.fresh(99)
    assert other.fresh(300)
    assert not other.fresh(299 - 64)
    assert other.fresh(300 - 63)
    assert not other.fresh(100)
    assert isinstance(other.state, State | None)
