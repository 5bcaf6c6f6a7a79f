"""Frame time that begins anew while we play, as it does where a server changes its card."""

from __future__ import annotations

import pytest

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


@pytest.mark.parametrize("anew", [0, 2_000_000_000], ids=["zero", "far on"])
def test_what_waits_goes_out_at_its_time_when_frame_time_begins_anew(
    monkeypatch: pytest.MonkeyPatch, anew: int
) -> None:
    """All ticks of two seconds, none held for hours and none a minute "late"."""
    now = [1_000_000_000]
    monkeypatch.setattr(midi, "raw_ns", lambda: now[0])
    client = FakeClient()
    monkeypatch.setattr(midi, "open_client", lambda *_: client)
    wire = midi.JackWire()
    port = wire.open_port("Smew", "")
    out: FakePort = port.out
    client.last_frame_time = 400_000_000

    def period() -> int:
        """The time at which it began."""
        began = now[0]
        client.process(PERIOD)
        now[0] += PERIOD_NS
        client.last_frame_time += PERIOD
        return began

    for _ in range(100):
        period()
    due = [now[0] + 30_000_000 + n * 10_000_000 for n in range(200)]
    for at_ns in due:
        port.send(CLOCK, at_ns)
    went: list[float] = []
    for n in range(400):
        if n == 150:
            client.last_frame_time = anew
        written = len(out.written)
        began = period()
        went += [began + offset / RATE * 1e9 for _, offset, _ in out.written[written:]]
    assert len(went) == len(due)
    assert max(abs(a - b) for a, b in zip(went, due, strict=True)) < 1e6
    assert max(abs(ms) for ms in port.late_ms()) < 1.0
    assert port.take_torn()  # what was written last may be lost, and is mended
