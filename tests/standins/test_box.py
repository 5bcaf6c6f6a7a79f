"""The simulated box: obeys as a real one does, and gets wrong what it is set to."""

from __future__ import annotations

import statistics
from pathlib import Path

import msgspec
import pytest

from grebe.core.patterns.model import Content, Memory
from grebe.core.player.events import NoteOn, SongPosition
from grebe.core.rig.model import Device, Faults, Filter
from grebe.core.rig.standin import Onward, Setup, TrackHolds
from grebe.protocols.midi.messages import encode
from grebe.protocols.standin.reports import ReportKind, StandinReport, encode_setup, press
from grebe.standins.box import StandinBox
from grebe.standins.host import StandinHost
from tests import build

TICK_NS = 20_833_333  # 120 BPM, 24 a quarter note


def drums(**fields: object) -> Device:
    return build.device(
        "d", plays="own", channel=10, obeys_program=True, mute_controller=7, **fields
    )


MEMORY = Memory(
    slots={
        0: Content(voices=(build.voice("x...x...x...x..."),)),
        1: Content(length=8, voices=(build.voice("x.x.x.x.", 38),)),
    }
)


def box_of(device: Device) -> StandinBox:
    return StandinBox(device, Setup(device=device, memory=MEMORY))


def fed(box: StandinBox, ticks: int, first: int = 0) -> list[StandinReport]:
    """Clock at 120 BPM, from tick number `first` of a steady wire."""
    out: list[StandinReport] = []
    for n in range(first, first + ticks):
        out += box.feed(b"\xf8", n * TICK_NS)
    return out


def notes(reports: list[StandinReport]) -> list[tuple[int, float]]:
    """(note, place in sixteenths of that wire)."""
    return [(r.number // 128, r.at_ns / TICK_NS / 6) for r in reports if r.kind is ReportKind.NOTE]


def test_clock_without_start_is_silence() -> None:
    """A stopped box counts nothing."""
    assert fed(box_of(drums()), 48) == []


def test_the_first_clock_after_start_is_the_downbeat() -> None:
    """MIDI 1.0; beats every 24, the own pattern on its steps, round and round."""
    box = box_of(drums())
    box.feed(b"\xfa", 0)
    out = fed(box, 97)
    beats = [(r.number, r.at_ns // TICK_NS) for r in out if r.kind is ReportKind.BEAT]
    assert beats == [(0, 0), (1, 24), (2, 48), (3, 72), (4, 96)]
    assert notes(out) == [(36, 0), (36, 4), (36, 8), (36, 12), (36, 16)]
    assert [r.number for r in out if r.kind is ReportKind.TICK] == list(range(97))


def test_stop_and_continue_from_a_song_position() -> None:
    """Stopped it plays nothing; Continue goes on from the place told."""
    box = box_of(drums())
    box.feed(b"\xfa", 0)
    fed(box, 30)
    box.feed(b"\xfc", 0)
    assert fed(box, 10) == []
    box.feed(encode(SongPosition(sixteenths=6)), 0)
    box.feed(b"\xfb", 0)
    # From sixteenth 6 the next hits of x...x...x...x... are at 8 and 12.
    assert notes(fed(box, 40)) == [(36, 2), (36, 6)]


def test_song_position_is_ignored_while_running() -> None:
    """As real boxes do."""
    box = box_of(drums())
    box.feed(b"\xfa", 0)
    fed(box, 6)
    box.feed(encode(SongPosition(sixteenths=100)), 0)
    assert notes(fed(box, 90, first=6))[0] == (36, 4)


@pytest.mark.parametrize(
    ("change_at", "first_new"),
    [("pattern_end", 16.0), ("bar", 16.0), ("at_once", 6.0)],
)
def test_when_a_program_change_takes_effect(change_at: str, first_new: float) -> None:
    """At the end of its pattern, at the bar, or at once."""
    box = box_of(drums(change_at=change_at))
    box.feed(b"\xfa", 0)
    out = fed(box, 30)
    box.feed(b"\xc9\x01", 0)
    out += fed(box, 90, first=30)
    assert next(at for note, at in notes(out) if note == 38) == first_new


def test_another_channel_is_not_ours() -> None:
    """Program changes, notes and controllers on other channels do nothing."""
    box = box_of(drums())
    box.feed(b"\xc0\x01", 0)
    box.feed(b"\xb0\x07\x00", 0)
    assert (box.program, box.silent) == (0, False)
    assert box.feed(b"\x90\x24\x64", 0) == []


def test_the_mute_controller() -> None:
    """0 silences its own pattern, 127 lets it sound; the clock is counted on."""
    box = box_of(drums())
    box.feed(b"\xb9\x07\x00\xfa", 0)
    out = fed(box, 24)
    assert notes(out) == []
    box.feed(b"\xb9\x07\x7f", 0)
    assert notes(fed(box, 24, first=24)) == [(36, 4)]


def test_notes_from_outside_sound() -> None:
    """A box played note by note, late by its latency."""
    box = StandinBox(build.device("b", channel=2, faults=Faults(latency_ms=3)))
    (report,) = box.feed(encode(NoteOn(channel=2, note=40, velocity=9)), 1000)
    assert report == StandinReport(ReportKind.NOTE, 0, 40 * 128 + 9, 3_001_000)


def test_its_memory_is_loaded_by_system_exclusive() -> None:
    """And it takes the first slot when its own is not there."""
    box = StandinBox(drums())
    box.feed(
        b"".join(encode_setup(Setup(device=box.device, memory=Memory(slots={5: MEMORY.slots[1]})))),
        0,
    )
    assert box.program == 5


def test_dropped_ticks_leave_the_box_behind() -> None:
    """Lost ticks are reported as such, and the box's beats come later by as many."""
    box = box_of(drums(faults=Faults(drop_percent=10, seed=4)))
    box.feed(b"\xfa", 0)
    out = fed(box, 2400)
    lost = [r for r in out if r.kind is ReportKind.LOST_TICK]
    beats = [r for r in out if r.kind is ReportKind.BEAT]
    assert 170 < len(lost) < 310  # binomial, 240 expected, five sigma 73
    assert len(beats) == -(-(2400 - len(lost)) // 24)


def test_latency_and_jitter() -> None:
    """Late by the latency in the middle, wavering by the standard deviation set."""
    box = box_of(drums(faults=Faults(latency_ms=4, jitter_ms=1, seed=2)))
    box.feed(b"\xfa", 0)
    late = [
        (r.at_ns - r.number * 24 * TICK_NS) / 1e6
        for r in fed(box, 24 * 500)
        if r.kind is ReportKind.BEAT
    ]
    assert statistics.mean(late) == pytest.approx(4, abs=0.25)
    assert statistics.stdev(late) == pytest.approx(1, rel=0.2)


def test_a_box_on_its_own_tempo_drifts() -> None:
    """It starts with the clock and then ignores it: 1000 ppm slow is 60 ms a minute."""
    faults = Faults(ignores_clock=True, own_bpm=120, drift_ppm=-1000)
    box = box_of(drums(faults=faults))
    box.feed(b"\xfa", 0)
    fed(box, 24)
    beats = [r for r in box.idle(60_500_000_000) if r.kind is ReportKind.BEAT]
    assert beats[120].at_ns / 1e6 == pytest.approx(60_000 / 0.999)


def test_the_same_seed_gives_the_same_faults() -> None:
    """A rehearsal can be repeated."""

    def run() -> list[StandinReport]:
        box = box_of(drums(faults=Faults(jitter_ms=1, drop_percent=5, seed=9)))
        box.feed(b"\xfa", 0)
        return fed(box, 300)

    assert run() == run()


def test_what_its_input_is_set_to_ignore_still_goes_on_by_thru() -> None:
    """Hardware thru repeats the jack, whatever the box itself obeys."""
    device = drums()
    thru = (
        Onward(path="/a", passes=Filter()),
        Onward(path="/b", passes=Filter(clock=False, controllers=False, but=(74,))),
    )
    box = StandinBox(
        device, Setup(device=device, memory=MEMORY, accepts=Filter(clock=False), thru=thru)
    )
    box.feed(b"\xfa", 0)
    assert [r.kind for r in fed(box, 24)] == []
    assert [path for path, _ in box.onward].count("/a") == 25
    box.onward.clear()
    for data in (b"\xb9\x07\x00", b"\xb9\x4a\x01", b"\x99\x24\x7f", b"\xb9\x7b\x00"):
        box.feed(data, 0)
    assert [data for path, data in box.onward if path == "/b"] == [
        b"\xb9\x4a\x01",
        b"\x99\x24\x7f",
        b"\xb9\x7b\x00",  # all notes off is never kept back
    ]


def test_another_setup_takes_effect_while_it_runs() -> None:
    """A channel changed in the rig is obeyed from there on."""
    box = box_of(drums())
    box.feed(b"\xfa", 0)
    fed(box, 12)
    other = msgspec.structs.replace(drums(), mute_controller=8)
    box.feed(b"".join(encode_setup(Setup(device=other, memory=MEMORY))), 0)
    assert box.running
    box.feed(b"\xb9\x08\x00", 0)
    assert box.silent


def test_a_box_that_ignores_start_follows_the_clock_all_the_same() -> None:
    """It reports ticks and beats from the Start that reached its jack, and plays nothing."""
    box = box_of(drums(obeys_transport=False))
    assert fed(box, 24) == []
    box.feed(b"\xfa", 0)
    out = fed(box, 25)
    assert [r.number for r in out if r.kind is ReportKind.BEAT] == [0, 1]
    assert sum(r.kind is ReportKind.TICK for r in out) == 25
    assert notes(out) == []


def test_a_burst_goes_on_whole(tmp_path: Path) -> None:
    """After a slow moment a hundred ticks come at once: none is lost on the way, near or far."""
    first, near, far = (build.device(d) for d in ("first", "near", "far"))
    thru = tuple(Onward(path=str(tmp_path / f"{d}.sock"), passes=Filter()) for d in ("near", "far"))
    here = StandinHost({d.id: (d, tmp_path / f"{d.id}.sock") for d in (first, near)})
    there = StandinHost({"far": (far, tmp_path / "far.sock")})
    seat, other = here._seats
    seat.box = StandinBox(first, Setup(device=first, thru=thru))
    seat.feed(b"\xfa")
    for _ in range(100):
        seat.feed(b"\xf8")
    assert sum(r.kind is ReportKind.TICK for r in other.waiting) == 100
    (target,) = there._seats
    while seat.passing:
        there._take_thru(target)
        seat.pass_on()
    there._take_thru(target)
    assert sum(r.kind is ReportKind.TICK for r in target.waiting) == 100
    for one in (seat, other, target):
        one.close()


def lateness(reports: list[StandinReport]) -> list[float]:
    """How late each beat sounds, in ms."""
    return [(r.at_ns - r.number * 24 * TICK_NS) / 1e6 for r in reports if r.kind is ReportKind.BEAT]


def beats_of(**faults: object) -> list[float]:
    """Lateness of 400 beats of a box with these faults."""
    box = box_of(drums(faults=Faults(**faults)))  # type: ignore[arg-type]
    box.feed(b"\xfa", 0)
    return lateness(fed(box, 400 * 24))


def test_one_sided_jitter_only_delays() -> None:
    """Exponential: never early, its mean as set."""
    late = beats_of(one_sided_ms=3.0)
    assert min(late) >= 0
    assert statistics.mean(late) == pytest.approx(3.0, rel=0.15)
    assert statistics.stdev(late) == pytest.approx(3.0, rel=0.2)


def test_bus_frames_hold_back_to_the_next() -> None:
    """What sounds lies on whole milliseconds, up to one late."""
    box = box_of(drums(faults=Faults(frame_ms=1.0)))
    box.feed(b"\xfa", 0)
    reports = [r for r in fed(box, 40 * 24) if r.kind is ReportKind.BEAT]
    assert all(r.at_ns % 1_000_000 == 0 for r in reports)
    assert all(0 <= late < 1 for late in lateness(reports))


def test_bursts_come_and_go() -> None:
    """A third of a second every four seconds, and nothing else."""
    late = beats_of(burst_ms=20.0, burst_every_s=3.7)
    share = sum(ms > 19 for ms in late) / len(late)
    assert 0.02 < share < 0.2
    assert {round(ms) for ms in late} == {0, 20}


def test_a_swing_left_on_moves_every_second_sixteenth() -> None:
    """By the share of a sixteenth it is set to, and beats not at all."""
    box = box_of(drums(faults=Faults(swing_percent=56.0)))
    box.memory = Memory(slots={0: Content(voices=(build.voice("xxxxxxxxxxxxxxxx"),))})
    box.feed(b"\xfa", 0)
    places = [place for _, place in notes(fed(box, 24 * 8))][4:]
    off = [round(place - round(place), 2) for place in places]
    assert off == [0.0, 0.12] * (len(off) // 2)


def test_doubled_ticks_run_ahead() -> None:
    """One in ten counted twice: a tenth more beats than there were."""
    late = beats_of(double_percent=10.0)
    assert len(late) == pytest.approx(440, abs=8)


def tracked(**fields: object) -> tuple[StandinBox, Device]:
    """A groovebox that plays its own: a kick of the box's pattern on a drum track's channel, a
    lead with two patterns of its own."""
    device = build.groovebox(plays="own", obeys_program=True, mute_controller=19, **fields)
    kit = Content(voices=(
        build.voice("x...x...x...x...", 36, "kick", channel=9),
        build.voice("x.......x.......", 38, "snare", channel=10),
    ))  # fmt: skip
    lead = {n: Content(voices=(build.voice("x.......", 60 + n),), length=8) for n in (0, 1)}
    tracks = tuple(
        TrackHolds(memory=Memory(slots=lead if line.id == "groove/lead" else {}))
        for line in device.lines[1:]
    )
    setup = Setup(device=device, memory=Memory(slots={0: kit}), tracks=tracks)
    return StandinBox(device, setup), device


def test_tracks_play_beside_each_other_and_are_told_one_by_one() -> None:
    """One clock moves all; a program change and a mute reach the track on their channel."""
    box, _ = tracked()
    box.feed(b"\xfa", 0)
    reports = fed(box, 96)
    assert sum(r.kind is ReportKind.TICK for r in reports) == 96  # the box counts, once
    assert sum(r.kind is ReportKind.BEAT for r in reports) == 4
    assert sorted(notes(reports)) == [
        (36, 0), (36, 4), (36, 8), (36, 12), (38, 0), (38, 8), (60, 0), (60, 8),
    ]  # fmt: skip
    box.feed(bytes((0xC0, 1)), 96 * TICK_NS)  # the lead, on channel 1
    box.feed(bytes((0xB9, 20, 0)), 96 * TICK_NS)  # the snare's track is muted, on channel 10
    assert {n for n, _ in notes(fed(box, 96, 96))} == {36, 61}
    box.feed(bytes((0xBF, 19, 0)), 192 * TICK_NS)  # the whole box
    assert not notes(fed(box, 96, 192))


def test_notes_reach_the_track_on_their_channel() -> None:
    """Held by it, and ended there; another box takes over what sounds."""
    box, device = tracked()
    reports = box.feed(bytes((0x91, 40, 100)), 0)
    assert notes(reports) == [(40, 0)]
    assert box.held == {40}
    after = StandinBox(device)
    after.take_over(box)
    after.feed(bytes((0x81, 40, 0)), 1)
    assert after.held == frozenset()


def test_tracks_move_with_a_box_that_leads() -> None:
    """Its own clock, whatever it obeys of others."""
    box, device = tracked(obeys_clock=False, obeys_transport=False)
    setup = Setup(device=device, memory=box.memory, leads_bpm=120.0, tracks=tuple(
        TrackHolds(memory=t.memory) for t in box.tracks
    ))  # fmt: skip
    for packet in encode_setup(setup):
        box.feed(packet, 0)
    box.feed(press(start=True), 0)
    reports = box.lead(round(2.1e9))
    assert {60, 36, 38} == {n for n, _ in notes(reports)}
    box.feed(press(start=False), round(2.1e9))
    assert not any(part.running for part in box.parts)
