"""A song of how one was played: rendered again it sends what was sent."""

from __future__ import annotations

from collections.abc import Sequence
from contextlib import suppress

import msgspec
import pytest
from hypothesis import example, given, settings
from hypothesis import strategies as st

from grebe.app.live.performance import PerformanceLog
from grebe.core.document import Project
from grebe.core.player.commands import (
    Begin,
    Command,
    Fill,
    Halt,
    Hold,
    Launch,
    Mute,
    Solo,
    Steer,
    Swap,
)
from grebe.core.player.events import ControlChange, Due, NoteOff, NoteOn, ProgramChange
from grebe.core.player.happened import Entered, Happened, Stopped, TrackDid
from grebe.core.player.plan import make_plan
from grebe.core.player.player import Player
from grebe.core.songs.performed import KeptSong, song_performed
from grebe.core.time.ticks import SIXTEENTH_TICKS, TICKS_PER_QUARTER
from grebe.errors import EditError
from tests import build
from tests.core.test_promise import TRACKS
from tests.core.test_tracks import groove
from tests.long import tries

BAR = 4 * TICKS_PER_QUARTER
SENT = (NoteOn, NoteOff, ControlChange)


def played(
    project: Project, acts: Sequence[tuple[int, Command]], bars: int
) -> tuple[list[Due], list[Happened]]:
    """A run with commands at ticks, stopped after so many bars; what was sent before that."""
    player = Player(make_plan(project, project.songs[-1]))
    dues = player.apply(Begin())
    for tick, command in acts:
        dues += player.advance(tick)
        with suppress(EditError):
            dues += player.apply(command)
    dues += player.advance(bars * BAR)
    player.apply(Halt())
    return dues, list(player.happened)


def sent(dues: list[Due], until: int) -> list[tuple[int, str, str]]:
    """Messages to boxes, by tick and line; order within a tick does not matter. Of a controller,
    what it is left at: a mute taken back at the very tick at which a scene makes it again is sent
    to and fro when it is played, and a song has no need to."""
    rows = sorted(((t, d, e) for t, d, e in dues if isinstance(e, SENT) and 0 <= t < until),
                  key=lambda row: row[0])  # fmt: skip
    notes = [(t, d, repr(e)) for t, d, e in rows if not isinstance(e, ControlChange)]
    last = {(t, d, e.channel, e.controller): e.value
            for t, d, e in rows if isinstance(e, ControlChange)}  # fmt: skip
    stands: dict[tuple[str, int, int], int] = {}
    for (tick, line, channel, controller), value in last.items():
        if stands.get((line, channel, controller)) != value:
            stands[(line, channel, controller)] = value
            notes.append((tick, line, f"controller {controller} on {channel}: {value}"))
    return sorted(notes)


def programs(dues: list[Due], bars: int) -> list[dict[str, int]]:
    """What each line stands at on every beat. When it was told is another matter: what is launched
    late is told late, and a song knows beforehand."""
    rows = sorted(((t, d, e.program) for t, d, e in dues if isinstance(e, ProgramChange)),
                  key=lambda row: row[0])  # fmt: skip
    return [
        {d: program for t, d, program in rows if t <= beat * TICKS_PER_QUARTER}
        for beat in range(bars * 4)
    ]


def again(project: Project, happened: list[Happened], bars: int) -> tuple[KeptSong, list[Due]]:
    """The run as a song, and what playing that sends."""
    kept = song_performed(project, project.songs[0], happened)
    dues, _ = played(kept.project, [], bars)
    return kept, dues


def in_one_song() -> Project:
    """Four scenes of tracks, each long enough to be left before its end."""
    scenes = tuple(
        msgspec.structs.replace(s, bars=2, parts=s.parts or TRACKS.scenes[0].parts)
        for s in TRACKS.scenes
    )
    return msgspec.structs.replace(TRACKS, scenes=scenes)


PROJECT = in_one_song()
LINES = [line.id for line in PROJECT.rig.lines]
hands: st.SearchStrategy[Command] = st.one_of(
    st.builds(Mute, device=st.sampled_from(LINES), voice=st.sampled_from(["", "v", "s"]),
              on=st.booleans()),
    st.builds(Solo, device=st.sampled_from(LINES), voice=st.just(""), on=st.booleans()),
    st.builds(Swap, device=st.sampled_from(LINES),
              pattern=st.sampled_from(["", *(p.id for p in PROJECT.patterns)]), at=st.just("bar")),
    st.builds(Launch, section=st.sampled_from(["s1", "s2", "s3", "s5"]), at=st.just("bar")),
    st.builds(Fill, on=st.booleans()),
    st.builds(Hold, on=st.booleans()),
    st.builds(Steer, bpm=st.sampled_from([90.0, 120.0, 140.0]), ramp_bars=st.integers(0, 2)),
)  # fmt: skip
runs = st.lists(
    st.tuples(st.integers(1, 12 * 16 - 1), hands), max_size=7, unique_by=lambda row: row[0]
).map(lambda rows: sorted(((n * SIXTEENTH_TICKS, c) for n, c in rows), key=lambda row: row[0]))


@given(runs)
@example(
    [
        (SIXTEENTH_TICKS, Solo(device="groove/lead", voice="", on=True)),
        (2 * BAR, Solo(device="groove", voice="", on=True)),
    ]
)
@settings(max_examples=tries(60))
def test_the_kept_song_sends_what_was_sent(acts: list[tuple[int, Command]]) -> None:
    """Tick for tick, for whatever a file can hold: launches on bars, mutes, solo, swaps, fills,
    tempo on sixteenths."""
    dues, happened = played(PROJECT, acts, 12)
    kept, rendered = again(PROJECT, happened, 12)
    assert kept.lost == 0
    assert sent(rendered, 12 * BAR) == sent(dues, 12 * BAR)
    assert programs(rendered, 12) == programs(dues, 12)


def test_a_groovebox_s_run_comes_back_as_a_song() -> None:
    """One track swapped, a drum muted, another scene, all as played; nothing of the project it
    was made from is otherwise."""
    project = groove()
    acts: list[tuple[int, Command]] = [
        (BAR, Swap(device="groove/lead", pattern="l3", at="bar")),
        (2 * BAR + 4 * SIXTEENTH_TICKS, Mute(device="groove/drum-1", on=True)),
        (3 * BAR, Mute(device="groove/drum-1", on=False)),
        (4 * BAR, Launch(section="s2", at="bar")),
        (5 * BAR, Mute(device="groove/lead", on=False)),
    ]
    dues, happened = played(project, acts, 6)
    kept, rendered = again(project, happened, 6)
    assert sent(rendered, 6 * BAR) == sent(dues, 6 * BAR)
    assert [s.name for s in kept.project.scenes] == ["a", "a, as played", "b", "b, as played"]
    assert kept.project.scenes[0] == project.scenes[0]
    first, second = kept.song.sections
    assert [(m.device, m.pattern, m.at) for m in first.swaps] == [("groove/lead", "l3", 16)]
    assert ("groove/drum-1", "", 36, 12) in [(m.device, m.voice, m.at, m.long) for m in first.mutes]
    assert not kept.project.scene(second.scene).part("groove/lead").muted
    assert kept.song.name == "Song, as played"


def test_what_a_file_cannot_hold_is_a_marker() -> None:
    """A cut in mid-bar, a section entered in its middle, a loop track recorded by foot."""
    project = groove()
    cut = [(BAR + BAR // 2, Launch(section="s2", at="now"))]
    _, happened = played(project, cut, 4)
    kept = song_performed(project, project.songs[0], happened)
    assert kept.lost == 1
    assert [m.name for m in kept.song.sections[0].markers] == ["cut short in mid-bar"]
    into = [(BAR, Launch(section="s1", at="bar", into_bars=2))]
    _, happened = played(project, into, 4)
    kept = song_performed(project, project.songs[0], happened)
    assert [m.name for s in kept.song.sections for m in s.markers] == ["came in at bar 3"]
    with_loop = [Entered(0, 0, "s1", 0), TrackDid(BAR, "looper", 2, "record"), Stopped(2 * BAR)]
    kept = song_performed(project, project.songs[0], with_loop)
    assert [(m.name, m.at) for m in kept.song.sections[0].markers] == [("loop track 2: record", 16)]


def test_a_part_of_a_run() -> None:
    """The sections chosen, no others."""
    project = groove()
    _, happened = played(project, [(2 * BAR, Launch(section="s2", at="bar"))], 6)
    kept = song_performed(project, project.songs[0], happened, 1, 1)
    assert [s.scene for s in kept.song.sections] == ["b"]


def test_nothing_to_keep() -> None:
    """No run, or sections that are gone."""
    project = groove()
    for events in ([], [Entered(0, 0, "gone", 0), Stopped(BAR)], [Entered(0, 0, "s1", 0)]):
        with pytest.raises(EditError, match="nothing has been played"):
            song_performed(project, project.songs[0], events)


def test_the_log_follows_one_run_after_another() -> None:
    """What the engine says, run by run: a new one begins afresh."""
    log = PerformanceLog()
    assert not log.holds
    log.take([Entered(0, 0, "s1", 0)])
    log.take([Entered(BAR, BAR, "s2", 0), Stopped(2 * BAR)])
    assert len(log.events) == 3
    log.take([Entered(0, 0, "s1", 0)])
    assert log.events == [Entered(0, 0, "s1", 0)]


def test_scenes_of_one_kind_are_made_once() -> None:
    """The same scene left after the same bars twice makes one of it."""
    project = build.two_boxes()
    scenes = tuple(msgspec.structs.replace(s, bars=4) for s in project.scenes)
    project = msgspec.structs.replace(project, scenes=scenes)
    acts = [(n * BAR, Launch(section=f"s{1 + n % 2}", at="bar")) for n in range(1, 5)]
    _, happened = played(project, acts, 5)
    kept = song_performed(project, project.songs[0], happened)
    assert len(kept.song.sections) == 5
    assert len(kept.project.scenes) == len(project.scenes) + 2
