"""Being led by a box, and sending its clock on smoother than it came."""

from __future__ import annotations

import numpy as np
import pytest

from grebe.bench.follow import CASES, recording
from grebe.core.sync.follower import Follower
from grebe.core.sync.midi_clock import Go, Halted, MidiClockReceiver
from grebe.core.sync.smoothed_timeline import KEPT, SmoothedTimeline
from grebe.core.time.ticks import CLOCK_TICKS, SIXTEENTH_TICKS, TICKS_PER_QUARTER

LOOK_S, EVERY_S = 0.050, 0.005


def reclocked(name: str, seed: int) -> tuple[np.ndarray, np.ndarray]:
    """When our ticks go out for a recording, planned 50 ms ahead, and when they should."""
    arrivals, truth = recording(next(c for c in CASES if c.name == name), seed)
    follower = Follower()
    out: list[float] = []
    timeline: SmoothedTimeline | None = None
    now, index, planned, coming = float(arrivals[0]), 0, 0, 0
    start_ns = 10**9
    while now < arrivals[-1]:
        while index < len(arrivals) and arrivals[index] <= now:
            follower.tick(arrivals[index])
            index += 1
        if timeline is None:
            planned = start_ns + round(now * 1e9)
            timeline = SmoothedTimeline(0, planned, 120.0)
        wanted = follower.estimate((planned - start_ns) / 1e9)
        if wanted.bpm:
            timeline.steer(planned, wanted.beat * TICKS_PER_QUARTER, wanted.bpm)
        planned = start_ns + round((now + LOOK_S) * 1e9)
        until = timeline.tick_at(planned)
        while coming < until:
            out.append((timeline.ns_at(coming) - start_ns) / 1e9)
            coming += CLOCK_TICKS
        now += EVERY_S
    count = min(len(out), len(truth))
    return np.array(out[:count]), truth[:count]


def test_what_goes_out_is_smoother_than_what_came_in() -> None:
    """1 ms of jitter in, under 10 microseconds out (by second differences), in phase."""
    out, truth = reclocked("constant", 70)
    off_ms = (out - truth)[96:] * 1e3
    jitter = np.sqrt(np.mean(np.diff(off_ms, 2) ** 2) / 6)
    assert jitter < 0.010
    assert np.percentile(np.abs(off_ms), 99) < 0.4


@pytest.mark.parametrize(("name", "p99_ms"), [("step", 4.0), ("ramp", 2.5), ("missing", 0.5)])
def test_changes_are_taken_over_without_a_jump(name: str, p99_ms: float) -> None:
    """Ticks never go back, none is left out, and no interval departs by more than the slew."""
    out, truth = reclocked(name, 71)
    periods = np.diff(out)
    assert periods.min() > 0.7 * np.diff(truth).min()
    assert periods.max() < 1.4 * np.diff(truth).max()
    assert np.percentile(np.abs(out - truth)[96:] * 1e3, 99) < p99_ms


def test_a_clock_lost_and_found_is_rejoined_within_the_slew() -> None:
    """Half a clock off on its return, it is drawn in by 4 % at most."""
    timeline = SmoothedTimeline(0, 0, 120.0)
    step_ns = 5_000_000
    tick_of = lambda ns: ns * 120 * TICKS_PER_QUARTER / 60e9  # noqa: E731
    for ns in range(0, 10_000_000_000, step_ns):  # past the first beats
        timeline.steer(ns, tick_of(ns), 120.0)
    off = CLOCK_TICKS / 2
    rates = []
    for ns in range(10_000_000_000, 16_000_000_000, step_ns):
        timeline.steer(ns, tick_of(ns) + off, 120.0)
        rates.append(timeline.bpm_at(timeline.tick_at(ns + 1)) / 120)
    assert max(rates) <= 1.0401
    assert timeline.tick_at(16_000_000_000) == pytest.approx(
        tick_of(16_000_000_000) + off, abs=0.01 * CLOCK_TICKS
    )
    assert len(timeline._times) <= 2 * KEPT + 1


def test_ticks_and_times_are_each_others_inverse() -> None:
    """Through stretches of many tempi; what is steered later does not move what was planned."""
    timeline = SmoothedTimeline(0, 1_000, 100.0)
    rng = np.random.default_rng(3)
    ns = 1_000
    planned = []
    for _ in range(300):
        timeline.steer(ns, timeline.tick_at(ns) + rng.normal(0, 1000), rng.uniform(60, 200))
        ns += 5_000_000
        tick = timeline.tick_at(ns - 1)
        planned.append((tick, timeline.ns_at(tick)))
    for tick, at in planned:
        assert timeline.ns_at(tick) == at
        assert timeline.tick_at(at) == pytest.approx(tick, abs=50)


def clocks(led: MidiClockReceiver, start: float, count: int, bpm: float = 120.0) -> float:
    for n in range(count):
        led.clock(start + n * 60 / bpm / 24)
    return start + count * 60 / bpm / 24


def test_start_while_the_clock_runs_is_placed_on_the_next_tick() -> None:
    """Known before it comes: the downbeat is planned, not answered."""
    led = MidiClockReceiver()
    coming = clocks(led, 5.0, 96)
    word = led.start(coming - 0.008)
    assert word == Go(0, pytest.approx(coming, abs=1e-6))
    assert led.clock(coming) is None
    assert led.tick_at(coming + 0.5) == pytest.approx(TICKS_PER_QUARTER, rel=1e-6)
    assert led.start(coming + 1) is None  # it runs already


def test_start_a_hair_before_a_tick_takes_that_tick() -> None:
    """A transmitter leaves a millisecond between Start and the first clock (MIDI 1.0, memory)."""
    led = MidiClockReceiver()
    coming = clocks(led, 0.0, 96)
    word = led.start(coming - 0.001)
    assert isinstance(word, Go)
    assert word.at_s == pytest.approx(coming, abs=1e-5)


def test_a_clock_that_begins_with_start() -> None:
    """The first clock after Start is the downbeat (MIDI 1.0)."""
    led = MidiClockReceiver()
    assert led.start(1.0) is None
    assert led.clock(1.002) == Go(0, 1.002)
    clocks(led, 1.002 + 60 / 120 / 24, 47)
    assert led.tick_at(2.002) == pytest.approx(2 * TICKS_PER_QUARTER, rel=1e-6)
    assert led.bpm == pytest.approx(120)


def test_stop_and_continue_go_on_where_they_stopped() -> None:
    """Also when the clock pauses with the transport; Song Position moves the place."""
    led = MidiClockReceiver()
    led.start(0.0)
    end = clocks(led, 0.002, 24 * 4)
    assert led.stop(end - 0.001) == Halted()
    assert led.stop(end) is None
    assert not led.running
    assert led.resume(end + 10) is None  # no clock now: it comes with the downbeat
    word = led.clock(end + 10.002)
    assert isinstance(word, Go)
    assert word.tick == pytest.approx(4 * TICKS_PER_QUARTER, rel=2e-2)
    led.locate(512)  # ignored while running
    led.stop(end + 11)
    led.locate(512)  # bar 33 of 4/4
    led.resume(end + 20)
    word = led.clock(end + 20.002)
    assert word == Go(512 * SIXTEENTH_TICKS, end + 20.002)


def test_a_lost_clock_is_noticed_and_held() -> None:
    """After six periods; the song goes on at the last tempo."""
    led = MidiClockReceiver()
    led.start(0.0)
    end = clocks(led, 0.002, 24 * 8)
    assert led.heard(end + 0.05)
    assert not led.heard(end + 0.5)
    assert led.tick_at(end + 60) == pytest.approx((8 + 120) * TICKS_PER_QUARTER, rel=1e-4)
    assert not MidiClockReceiver().heard(0.0)


def test_the_tempo_held_is_that_before_the_last_ticks_wavered() -> None:
    """A box that is pulled at 120.00 leaves 120.0, and the song where the box would be."""
    receiver = MidiClockReceiver()
    receiver.start(0.0)
    period = 60 / 120 / 24
    for n in range(200):
        late = (0.0, 0.002, 0.004, 0.006, 0.009, 0.012)[n - 194] if n >= 194 else 0.0
        receiver.clock(0.1 + n * period + late)
    wavered = receiver.bpm
    receiver.hold()
    assert abs(receiver.bpm - 120) < 0.05 < abs(wavered - 120)
    due = (300 * period + 0.0) / period * CLOCK_TICKS
    assert abs(receiver.tick_at(0.1 + 300 * period) - due) < 0.05 * CLOCK_TICKS
    receiver.clock(0.1 + 320 * period)  # it is back, and leads again
    receiver.clock(0.1 + 321 * period)
    assert abs(receiver.tick_at(0.1 + 321 * period) - 321 * CLOCK_TICKS) < 0.1 * CLOCK_TICKS


@pytest.mark.parametrize("stall_s", [0.06, 0.12, 0.18, 0.3, 0.5])
@pytest.mark.parametrize("apart_s", [0.0, 0.0003, 0.001, 0.002])
def test_ticks_kept_back_by_a_stall_are_not_lost(stall_s: float, apart_s: float) -> None:
    """They come in a burst, and count as many as were due: neither fewer nor more."""
    receiver = MidiClockReceiver()
    receiver.start(0.0)
    period = 60 / 120 / 24
    due = 0.1 + np.arange(200) * period
    ends = due[100] + 1e-4 + stall_s
    burst = np.flatnonzero((due > due[100]) & (due < ends))
    came = due.copy()
    came[burst] = ends + np.arange(len(burst)) * apart_s
    for at_s in sorted(came):
        receiver.clock(at_s)
    assert receiver.bpm == pytest.approx(120, abs=0.1)
    assert receiver.tick_at(due[-1]) == pytest.approx(199 * CLOCK_TICKS, abs=0.1 * CLOCK_TICKS)
