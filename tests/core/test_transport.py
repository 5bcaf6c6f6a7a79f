"""Following a transport: frames and tempo made into ticks of the song."""

from __future__ import annotations

import pytest

from grebe.core.sync.transport import Stand, TransportFollower
from grebe.core.time.tempo import TempoMap, TempoPoint
from grebe.core.time.ticks import TICKS_PER_QUARTER as QUARTER


def song(*points: tuple[int, float]) -> TempoMap:
    return TempoMap(tuple(TempoPoint(tick=t * QUARTER, bpm=bpm) for t, bpm in points))


def stand(at_s: float, seconds: float, bpm: float = 0.0, quarters: float = 0.0) -> Stand:
    return Stand(at_s, seconds, rolling=True, bpm=bpm, quarters=quarters)


def test_without_a_tempo_given_out_the_songs_own_holds() -> None:
    """Through its tempo changes: 8 beats at 120, then at 60."""
    follower = TransportFollower(song((0, 120.0), (8, 60.0)))
    assert follower.take(stand(100.0, 0.0))
    assert follower.tick_at(102.0) / QUARTER == pytest.approx(4.0)
    assert not follower.take(stand(105.0, 5.0))
    assert follower.bpm == 60.0
    assert follower.tick_at(106.0) / QUARTER == pytest.approx(10.0)


def test_a_tempo_given_out_is_followed_from_where_it_changes() -> None:
    """Position counts on from the frames: bar and beat as JACK hands them on can be stale."""
    follower = TransportFollower(song((0, 120.0)))
    assert follower.take(stand(10.0, 0.0, 100.0, 16.0))
    assert follower.tick_at(10.6) / QUARTER == pytest.approx(17.0)
    assert not follower.take(stand(12.4, 2.4, 100.0, 19.7))  # stale: not believed
    assert follower.tick_at(12.4) / QUARTER == pytest.approx(20.0)
    assert not follower.take(stand(13.0, 3.0, 150.0, 20.7))
    assert follower.bpm == 150.0
    assert follower.tick_at(13.0) / QUARTER == pytest.approx(21.0)
    assert follower.tick_at(14.0) - follower.tick_at(13.0) == pytest.approx(2.5 * QUARTER)


def test_moving_starting_and_stopping_are_told() -> None:
    """A jump of over 50 ms is a move; less is how callbacks waver."""
    follower = TransportFollower(song((0, 120.0)))
    resting = Stand(1.0, 4.0, rolling=False, bpm=0.0, quarters=0.0)
    assert not follower.take(resting)
    assert not follower.rolling
    assert follower.tick_at(9.0) == follower.tick_at(1.0) == 8 * QUARTER
    assert follower.take(stand(2.0, 4.0))
    assert not follower.take(stand(3.0, 5.01))
    assert follower.take(stand(4.0, 60.0))
    assert follower.take(resting)


def test_before_anything_is_known() -> None:
    """No tempo, no place."""
    follower = TransportFollower(song((0, 120.0)))
    assert (follower.bpm, follower.tick_at(5.0), follower.rolling) == (0.0, 0.0, False)
