"""Loop tracks: states, armed starts and stops, fixed lengths, the guard; lengths and tempi."""

from __future__ import annotations

import math
from pathlib import Path
from typing import Any

import msgspec
import numpy as np
import pytest
import soundfile

from grebe.app.document.export_audio import LoopWanted, export_loop
from grebe.core.document import Project
from grebe.core.player.commands import Begin, Halt, Mute
from grebe.core.player.events import ControlChange, Due, Start
from grebe.core.player.loopers import LoopTrack, TrackCommand
from grebe.core.player.mutes import SILENT
from grebe.core.player.player import Player
from grebe.core.rig.spec import LoopControl, Spec
from grebe.core.songs.changes import changes
from grebe.core.songs.model import Part
from grebe.core.time.loop_length import LOOP_BARS, loop_length, loop_tempo
from grebe.errors import EditError
from tests import build
from tests.core.dues import BAR, BEAT, plan_of

CONTROL = LoopControl(record=80, play=81, stop=82)
DONE = {80: "record", 81: "play", 82: "stop"}


def with_looper(**fields: Any) -> Project:
    """Two boxes and a looper of four tracks; what the scenes say of its tracks in `a` and `b`."""
    base = build.two_boxes()
    looper = build.device(
        "looper", kind="looper", plays="own", channel=12,
        spec=Spec(loop_tracks=4, loop_control=CONTROL, starts_all=True),
    )  # fmt: skip
    scenes = tuple(
        msgspec.structs.replace(s, parts=(*s.parts, Part(device="looper", tracks=fields.get(s.id))))
        for s in base.scenes
    )
    return build.project(
        [*base.rig.devices, looper], list(base.patterns), list(scenes), base.songs[0]
    )


def begun(project: Project) -> tuple[Player, list[Due]]:
    player = Player(plan_of(project))
    return player, player.apply(Begin())


def told(dues: list[Due]) -> list[tuple[float, str, int]]:
    """(beat, what, track) of the messages to the looper."""
    return [
        (at / BEAT, DONE[e.controller], e.value)
        for at, device, e in dues
        if device == "looper" and isinstance(e, ControlChange)
    ]


def track(player: Player, number: int) -> LoopTrack:
    return next(t for t in player.tracks if t.number == number)


def ask(player: Player, number: int, **fields: Any) -> list[Due]:
    return player.apply(TrackCommand(device="looper", number=number, **fields))


def test_a_looper_is_not_silenced_by_the_section_it_plays_in() -> None:
    """Loop tracks and no pattern is not silence: nothing is sent to its mute controller, but by
    hand and by a mute that is saved."""
    project = with_looper(a=(1,), b=(1,))
    muting = msgspec.structs.replace(project.rig.devices[-1], mute_controller=7)
    rig = msgspec.structs.replace(project.rig, devices=(*project.rig.devices[:-1], muting))
    player = Player(plan_of(msgspec.structs.replace(project, rig=rig)))
    dues = player.apply(Begin()) + player.advance(6 * BAR)

    def levels(found: list[Due]) -> list[int]:
        return [e.value for _, device, e in found if device == "looper"
                and isinstance(e, ControlChange) and e.controller == 7]  # fmt: skip

    assert SILENT not in levels(dues)
    assert levels(player.apply(Mute(device="looper", on=True))) == [SILENT]


def test_a_loop_is_recorded_from_bar_to_bar() -> None:
    """Asked for in mid-bar it begins on the next; asked again it is closed there and plays."""
    player, _ = begun(with_looper())
    dues = player.advance(BEAT)
    ask(player, 1)
    assert (track(player, 1).state, track(player, 1).armed_at) == ("empty", BAR)
    dues = player.advance(2 * BAR + BEAT)
    assert told(dues) == [(4.0, "record", 1)]
    assert track(player, 1).state == "recording"
    ask(player, 1)
    dues = player.advance(3 * BAR + 1)
    assert told(dues) == [(12.0, "play", 1)]
    found = track(player, 1)
    assert (found.state, found.ticks, found.bpm) == ("playing", 2 * BAR, 126.0)


def test_over_it_and_stopped_at_the_loop_s_own_end() -> None:
    """Overdubbed, played on, then stopped where the loop of two bars comes round."""
    player, _ = begun(with_looper())
    player.advance(1)
    ask(player, 1, at="bar", bars=2)
    player.advance(4 * BAR)
    assert (track(player, 1).state, track(player, 1).since) == ("playing", BAR)
    ask(player, 1, at="now")
    player.advance(4 * BAR + 1)
    assert track(player, 1).state == "overdubbing"
    ask(player, 1, at="now")
    player.advance(4 * BAR + 2)
    assert (track(player, 1).state, track(player, 1).ticks) == ("playing", 2 * BAR)
    ask(player, 1, do="stop", at="loop")
    dues = player.advance(6 * BAR)
    assert told(dues) == [(20.0, "stop", 1)]  # begun on bar 2: round again on bar 6
    assert track(player, 1).state == "stopped"


def test_a_layer_of_fixed_length_ends_by_itself() -> None:
    """Four bars, however long nobody comes back."""
    player, _ = begun(with_looper())
    player.advance(1)
    ask(player, 2, bars=4)
    dues = player.advance(6 * BAR)
    assert told(dues) == [(4.0, "record", 2), (20.0, "play", 2)]
    assert track(player, 2).ticks == 4 * BAR


def test_what_waits_is_taken_back() -> None:
    """Asked again before its moment, nothing happens; another word arms it anew."""
    player, _ = begun(with_looper())
    player.advance(1)
    ask(player, 1)
    ask(player, 1)
    assert track(player, 1).armed == ""
    assert told(player.advance(2 * BAR)) == []
    ask(player, 1, do="record")
    ask(player, 1, do="stop", at="now")
    assert told(player.advance(4 * BAR)) == [(8.0, "stop", 1)]
    assert track(player, 1).state == "empty"
    with pytest.raises(EditError, match="no loop track 9"):
        ask(player, 9)


def test_start_brings_in_no_track_that_is_not_wanted() -> None:
    """A looper whose Start runs everything: the others are told to stop before it."""
    _, dues = begun(with_looper(a=(1, 3)))
    starts = [at for at, device, e in dues if isinstance(e, Start) and device == "looper"]
    before = [(what, n) for at, what, n in told(dues) if at * BEAT < starts[0]]
    assert before == [("stop", 2), ("stop", 4)]
    _, dues = begun(with_looper())
    assert [(what, n) for _, what, n in told(dues)] == [("stop", n) for n in range(1, 5)]


def test_scenes_say_which_tracks_play() -> None:
    """As a scene comes in, those it wants are started, the others stopped, on the one."""
    player, _ = begun(with_looper(b=(1,)))
    player.advance(1)
    for number in (1, 2):
        ask(player, number, at="now", bars=1)
    player.advance(BAR + 2)
    ask(player, 1, do="stop", at="now")
    dues = player.advance(2 * BAR + 1)
    assert told(dues)[-2:] == [(8.0, "play", 1), (8.0, "stop", 2)]
    found = changes(p := with_looper(a=(2,), b=(1,)), p.scenes[0], p.scenes[1], 126.0)
    (change,) = [c for c in found if c.device == "looper"]
    assert change.by == "grebe"
    assert [(s.event.controller, s.event.value) for s in change.sent] == [(81, 1), (82, 2)]  # type: ignore[union-attr]


def test_stopped_they_stand_and_keep_what_they_hold() -> None:
    """At Stop nothing is armed; what was being recorded is gone, what was recorded stays."""
    player, _ = begun(with_looper())
    player.advance(1)
    ask(player, 1, at="now", bars=1)
    player.advance(BAR + 2)
    ask(player, 2, at="now")
    ask(player, 3)
    player.advance(BAR + 3)
    player.apply(Halt())
    assert [(track(player, n).state, track(player, n).armed) for n in (1, 2, 3)] == [
        ("stopped", ""), ("empty", ""), ("empty", ""),
    ]  # fmt: skip
    dues = ask(player, 4)  # with nothing running it is done at once
    assert told(dues)[0][1:] == ("record", 4)


def test_lengths_of_loops() -> None:
    """Worked by hand: 4 bars at 126 are 7.619048 s, 365 714.286 samples at 48 kHz; cut to
    365 714 they drift by 0.286 samples in each, 2.8125 ms an hour early."""
    found = loop_length(126.0, 4, BAR, 48_000)
    assert found.seconds == pytest.approx(16 * 60 / 126)
    assert found.samples == pytest.approx(365_714.2857, abs=1e-3)
    assert found.nearest == 365_714
    assert found.drift_ms_per_hour == pytest.approx(-(2 / 7) / found.samples * 3_600_000)
    even = loop_length(120.0, 1, BAR, 48_000)
    assert (even.nearest, even.drift_ms_per_hour) == (96_000, 0.0)


@pytest.mark.parametrize(("bpm", "bars"), [(126.0, 2), (93.0, 1), (140.0, 4)])
def test_a_loop_written_is_as_long_as_it_is_said_to_be(
    tmp_path: Path, bpm: float, bars: int
) -> None:
    """soundfile finds in the WAV the nearest whole number of samples."""
    scene = build.scene("a", bars, bass=["b1"])
    bass = build.device("bass", kind="bass", channel=2)
    pattern = build.pattern("b1", "bass", build.voice("x...x...x...x...", 40))
    project = build.project([bass], [pattern], [scene], build.song("a", bpm=bpm))
    (path,) = export_loop(project, LoopWanted(scene="a", bpm=bpm), tmp_path)
    info = soundfile.info(path)
    assert info.frames == loop_length(bpm, bars, BAR, info.samplerate).nearest


def test_the_tempo_of_a_first_loop() -> None:
    """Of the usual lengths the one nearest to what there was; half the tempo is twice the bars."""
    assert loop_tempo(7.619, BAR, 126.0) == pytest.approx((126.0, 4), rel=1e-3)
    assert loop_tempo(7.619, BAR, 60.0) == pytest.approx((63.0, 2), rel=1e-3)
    found = loop_tempo(2.0, BAR)
    assert (found.bpm, found.bars) == (120.0, 1)
    for seconds in np.linspace(0.7, 20, 40).tolist():
        best = loop_tempo(seconds, BAR, 100.0)
        others = [n * 4 * 60 / seconds for n in LOOP_BARS]
        assert abs(math.log(best.bpm / 100)) == min(abs(math.log(b / 100)) for b in others)
    for bad in (0.0, -1.0, math.nan):
        with pytest.raises(ValueError, match="positive length"):
            loop_tempo(bad, BAR)


def test_a_stop_at_the_end_of_a_loop_that_ends_between_bars() -> None:
    """Closed by hand after five beats: round again on beats 10, 15 and 20, not on a bar line."""
    player, _ = begun(with_looper())
    player.advance(1)
    ask(player, 1, at="bar")
    player.advance(BAR + 5 * BEAT)
    ask(player, 1, at="now")
    player.advance(BAR + 5 * BEAT + 1)
    looped = track(player, 1)
    assert (looped.state, looped.since, looped.ticks) == ("playing", BAR, 5 * BEAT)
    player.advance(BAR + 6 * BEAT)
    ask(player, 1, do="stop", at="loop")
    dues = player.advance(BAR + 11 * BEAT)
    assert told(dues) == [(14.0, "stop", 1)]


def test_what_a_scene_started_it_stops() -> None:
    """Tracks 1 and 2, recorded by foot, then 2 and 3: 1 is told to stop, 3 to play, 2 nothing."""
    player, dues = begun(with_looper(a=(1, 2), b=(2, 3)))
    dues = player.advance(BAR)
    assert told(dues) == [(0, "play", 1), (0, "play", 2)]
    dues = player.advance(3 * BAR)
    assert told(dues) == [(8, "play", 3), (8, "stop", 1)] or told(dues) == [
        (8, "stop", 1), (8, "play", 3),
    ]  # fmt: skip
    states = {t.number: t.state for t in player.tracks}
    assert states == {1: "stopped", 2: "playing", 3: "playing", 4: "empty"}


@pytest.mark.parametrize("wanted", [None, (2,)])
def test_a_first_loop_is_kept_when_the_run_begins_on_it(wanted: tuple[int, ...] | None) -> None:
    """Recorded and closed while nothing runs: its length is what was said, it plays on in the
    scene the run begins with, and the next press records over it, not anew."""
    player = Player(plan_of(with_looper(a=wanted, b=(3,))))
    player.apply(TrackCommand(device="looper", number=1, do="record", at="now"))
    player.apply(
        TrackCommand(device="looper", number=1, do="play", at="now", ticks=2 * BAR, bpm=123.0)
    )
    (first, *_) = player.tracks
    assert (first.state, first.ticks, first.bpm) == ("playing", 2 * BAR, 123.0)
    dues = player.apply(Begin()) + player.advance(BAR)
    assert ("stop", 1) not in [(what, n) for _, what, n in told(dues)]
    (first, *_) = player.tracks
    assert (first.state, first.ticks, first.since) == ("playing", 2 * BAR, 0)
    player.apply(TrackCommand(device="looper", number=1, at="loop"))
    assert (player.tracks[0].armed, player.tracks[0].armed_at) == ("record", 2 * BAR)
    player.advance(3 * BAR)  # the next scene names its tracks: then the first loop is over
    assert player.tracks[0].state == "stopped"
