"""Frame time that begins anew while we play, as it does where a server changes its card."""

from __future__ import annotations

import pytest

from grebe.errors import PortLost
from grebe.transports.frames import FrameCount
from grebe.transports.jack import midi
from tests.transports.fake_jack import PERIOD, RATE, FakeClient, FakePort

PERIOD_NS = round(PERIOD / RATE * 1e9)
CLOCK = b"\xf8"


def test_a_count_goes_on_over_the_end_of_32_bits() -> None:
    count = FrameCount(RATE)
    reads = [(1 << 32) - PERIOD, 0, PERIOD, 3 * PERIOD]  # and a period that was skipped
    frames = [count.frame(read, n * PERIOD_NS) for n, read in enumerate(reads)]
    assert frames == [(1 << 32) + PERIOD * n for n in (-1, 0, 1, 3)]


@pytest.mark.parametrize("anew", [0, 77, 3_000_000_000], ids=["zero", "near", "far on"])
def test_a_count_that_begins_anew_goes_on_by_the_time_that_passed(anew: int) -> None:
    count = FrameCount(RATE)
    first = 1_000_000_000
    count.frame(first, 0)
    assert count.frame(first + PERIOD, PERIOD_NS) == first + PERIOD
    half_a_second = PERIOD_NS + 500_000_000
    assert count.frame(anew, half_a_second) == first + PERIOD + RATE // 2
    assert count.frame(anew + PERIOD, half_a_second + PERIOD_NS) == first + 2 * PERIOD + RATE // 2


def test_time_that_stands_still_takes_no_frame_back() -> None:
    count = FrameCount(RATE)
    assert count.frame(500_000, 10) == 500_000
    assert count.frame(0, 5) == 500_000


class Jack:
    """A wire with one port, on a server whose periods the test gives."""

    def __init__(self, monkeypatch: pytest.MonkeyPatch) -> None:
        self.now_ns = 1_000_000_000
        monkeypatch.setattr(midi, "raw_ns", lambda: self.now_ns)
        self.client = FakeClient()
        monkeypatch.setattr(midi, "open_client", lambda *_: self.client)
        self.wire = midi.JackWire()
        self.port = self.wire.open_port("Smew", "")
        self.client.last_frame_time = 400_000_000
        self.went: list[float] = []
        """Times at which messages went out."""

    def periods(self, seconds: float, frames: int = PERIOD) -> None:
        """So many seconds of periods of a size."""
        end_ns = self.now_ns + seconds * 1e9
        out: FakePort = self.port.out
        while self.now_ns < end_ns:
            written = len(out.written)
            self.client.process(frames)
            self.went += [
                self.now_ns + offset / RATE * 1e9 for _, offset, _ in out.written[written:]
            ]
            self.now_ns += round(frames / RATE * 1e9)
            self.client.last_frame_time += frames

    def ticks(self, count: int) -> list[int]:
        """Hand over a tick every 10 ms, from soon on; when they are due."""
        due = [self.now_ns + 30_000_000 + n * 10_000_000 for n in range(count)]
        for at_ns in due:
            self.port.send(CLOCK, at_ns)
        return due


@pytest.mark.parametrize("anew", [0, 2_000_000_000], ids=["zero", "far on"])
def test_what_waits_goes_out_at_its_time_when_frame_time_begins_anew(
    monkeypatch: pytest.MonkeyPatch, anew: int
) -> None:
    """All ticks of two seconds, none held for hours, none a minute "late", no box stopped."""
    jack = Jack(monkeypatch)
    jack.periods(0.5)
    due = jack.ticks(200)
    jack.periods(0.8)
    jack.client.last_frame_time = anew
    jack.periods(1.5)
    assert len(jack.went) == len(due)
    assert max(abs(a - b) for a, b in zip(jack.went, due, strict=True)) < 1e6
    assert max(abs(ms) for ms in jack.port.late_ms()) < 1.0
    assert not jack.port.take_torn()
    assert jack.wire.losses == 0


def test_what_waits_keeps_its_time_when_the_period_changes(monkeypatch: pytest.MonkeyPatch) -> None:
    """As another program does it to PipeWire: frames jump, the wall's clock does not."""
    jack = Jack(monkeypatch)
    jack.periods(0.5)
    due = jack.ticks(200)
    for frames, skipped in ((2048, 700), (64, 1900), (1024, 0), (256, 333)):
        jack.client.last_frame_time += skipped
        jack.now_ns += round(skipped / RATE * 1e9)
        assert jack.wire.period_ns != round(frames / RATE * 1e9)
        jack.periods(0.6, frames)
        assert jack.wire.period_ns == round(frames / RATE * 1e9)
    off = [abs(a - b) for a, b in zip(jack.went, due, strict=True)]
    assert sum(ns > 1e6 for ns in off) <= 8  # those that were due in a skipped stretch
    assert max(off) < 45e6
    assert not jack.port.take_torn()
    assert jack.wire.losses == 0


def test_lost_time_is_counted_and_mended_unless_a_change_explains_it(
    monkeypatch: pytest.MonkeyPatch,
) -> None:
    """A jump alone is a loss, told after a moment; one that a change of period follows is none."""
    jack = Jack(monkeypatch)
    jack.periods(1.0)
    jack.ticks(400)
    jack.periods(0.5)
    for change in (False, True):
        jack.client.last_frame_time += 2 * PERIOD
        jack.now_ns += 2 * PERIOD_NS
        jack.periods(0.05)
        assert not jack.port.take_torn()
        jack.periods(0.4, 512 if change else PERIOD)
        assert jack.port.take_torn() is not change
        assert jack.wire.losses == 1


def test_a_server_that_goes_while_a_port_is_given_back_has_taken_it_along(
    monkeypatch: pytest.MonkeyPatch,
) -> None:
    """JACK had stopped, and nobody had been told yet: the engine ended by it once."""
    jack = Jack(monkeypatch)
    gone = pytest.importorskip("jack").JackErrorCode("Error unregistering port", -1)
    other = jack.wire.open_input("Knot", "")

    def fail() -> None:
        raise gone

    jack.port.out.unregister = fail
    other.into.unregister = fail
    assert jack.wire.alive
    jack.port.close()
    other.close_input()
    jack.periods(0.01)
    assert jack.went == []


def test_a_server_that_goes_while_it_is_joined_is_not_there(
    monkeypatch: pytest.MonkeyPatch,
) -> None:
    """The client that was half made is closed: another could not be opened beside it."""
    client = FakeClient()
    closed: list[bool] = []
    gone = pytest.importorskip("jack").JackErrorCode("Error activating JACK client", -1)

    def fail() -> None:
        raise gone

    monkeypatch.setattr(client, "activate", fail)
    monkeypatch.setattr(client, "close", lambda: closed.append(True), raising=False)
    monkeypatch.setattr(midi, "open_client", lambda *_: client)
    with pytest.raises(PortLost, match="JACK stopped"):
        midi.JackWire()
    assert closed == [True]
