"""A player changed while it plays: edits, places to begin at, tempi, boxes that come back."""

from __future__ import annotations

from collections.abc import Callable

import msgspec
import pytest

from grebe.core import document
from grebe.core.document import Project
from grebe.core.patterns.model import Content
from grebe.core.player.commands import (
    Begin,
    Halt,
    Launch,
    Nudge,
    Rejoin,
    ReplacePlan,
    Steer,
)
from grebe.core.player.events import (
    Continue,
    Due,
    NoteOff,
    NoteOn,
    ProgramChange,
    Pulse,
    SongEnds,
    SongPosition,
    Start,
    Stop,
    TempoChange,
    TimingClock,
)
from grebe.core.player.plan import played_by_grebe
from grebe.core.player.player import Player
from grebe.core.rig.model import CountIn
from grebe.core.songs import edit
from grebe.core.time.meter import Meter
from grebe.core.time.ticks import CLOCK_TICKS, SIXTEENTH_TICKS
from grebe.errors import EditError
from tests import build
from tests.core.dues import BAR, BEAT, beats, begun, of, plan_of, sections, to_end


def _edited(project: Project, edit: Callable[[Project], Project]) -> ReplacePlan:
    return ReplacePlan(plan=plan_of(edit(project)))


def test_an_edit_while_playing_keeps_the_phase() -> None:
    """A pattern edited in mid-bar is heard from there on, where it would have been."""
    project = build.two_boxes()
    player, _ = begun(project)
    player.advance(BEAT * 3)

    def busier(content: Content) -> Content:
        return msgspec.structs.replace(content, voices=(build.voice("x.x.x.x.x.x.x.x.", 40),))

    player.apply(_edited(project, lambda p: document.with_content(p, "b1", busier)))
    assert beats(NoteOn, player.advance(BEAT * 5), "bass") == [3, 3.5, 4, 4.5]


def test_a_tempo_edit_comes_in_on_the_next_beat() -> None:
    """Exactly there, and nowhere else."""
    project = build.two_boxes()
    player, _ = begun(project)
    player.advance(BEAT * 5 // 2)
    player.apply(
        _edited(project, lambda p: document.with_song(p, "song", lambda s: edit.set_tempo(s, 90)))
    )
    changes = of(TempoChange, player.advance(BAR * 3))
    assert [(at, e.point.bpm) for at, e in changes] == [(3, 90)]  # type: ignore[attr-defined]


def test_more_passes_while_playing() -> None:
    """The boundary moves by the passes added."""
    project = build.two_boxes()
    player, _ = begun(project)
    player.advance(BEAT)
    player.apply(
        _edited(project, lambda p: document.with_song(p, "song", lambda s: edit.set_times(s, 0, 3)))
    )
    assert player.boundary == 6 * BAR
    assert sections(player.advance(7 * BAR)) == [(24, "s2")]


def test_a_section_removed_while_it_plays() -> None:
    """It plays on to its end, then what stands in its place goes on."""
    project = build.two_boxes()
    player, _ = begun(project)
    player.advance(BEAT)
    player.apply(
        _edited(
            project,
            lambda p: document.with_song(p, "song", lambda s: edit.remove_section(s, 0)),
        )
    )
    rest = to_end(player)
    assert of(SongEnds, rest)


def test_a_device_taken_away_while_it_sounds() -> None:
    """Its notes end; the rest play on."""
    project = build.two_boxes()
    player, _ = begun(project)
    player.advance(1)
    rig = msgspec.structs.replace(project.rig, devices=project.rig.devices[:1])
    dues = player.apply(_edited(project, lambda p: msgspec.structs.replace(p, rig=rig)))
    assert [(d, type(e)) for _, d, e in dues] == [("bass", NoteOff)]


def test_tempo_and_metre_of_sections() -> None:
    """A section's own tempo comes with it, a ramp as a ramp, and launching out of order too."""
    scenes = [build.scene("a", 1), build.scene("b", 1, Meter(beats=7, unit=8))]
    song = build.song("a", ("b", 2, {"bpm": 150, "ramp_bars": 2}), ("a", 1), bpm=100)
    player, dues = begun(build.project([build.device("d")], [], scenes, song))
    dues += player.advance(BEAT)
    player.apply(Launch(section="s3", at="bar"))
    dues += to_end(player)
    points = [(at, e.point.bpm, e.point.ramp_ticks) for at, e in of(TempoChange, dues)]  # type: ignore[attr-defined]
    assert points == [(-1 / 12, 100, 0), (4, 150, 0)]


def test_a_song_without_sections_cannot_begin() -> None:
    """It says so."""
    project = build.project([build.device("d")], [], [], build.song())
    with pytest.raises(EditError, match="no sections"):
        begun(project)


def test_everything_note_by_note_for_a_file() -> None:
    """For a file the box's own memory is played too, as it stands in the box."""
    project = document.with_content(
        build.two_boxes(), "d1", lambda c: msgspec.structs.replace(c, voices=())
    )
    player = Player(played_by_grebe(plan_of(project)))
    dues = player.apply(Begin())
    dues += player.advance(BAR)
    assert beats(NoteOn, dues, "drums") == [0, 1, 2, 3]


def notes_from(dues: list[Due], tick: int) -> list[tuple[int, str, object]]:
    """Notes that begin at a tick or later, and the clock."""
    return sorted(
        ((t, d, e) for t, d, e in dues if isinstance(e, (NoteOn, TimingClock)) and t >= tick),
        key=repr,
    )


@pytest.mark.parametrize("bars", [0.25, 1, 2.5, 3, 5, 7.75])
def test_located_anywhere_it_plays_on_as_if_it_had_played_there(bars: float) -> None:
    """Begin at a tick: Song Position, Continue, then what a run from the top plays from there."""
    whole, first = begun(build.two_boxes())
    first += to_end(whole)
    tick = int(bars * BAR)
    player = Player(plan_of(build.two_boxes()))
    dues = player.apply(Begin(tick=tick))
    dues += to_end(player)
    assert notes_from(dues, tick) == notes_from(first, tick)
    positions = of(SongPosition, dues, "bass")
    assert [e.sixteenths for _, e in positions] == [tick // SIXTEENTH_TICKS]  # type: ignore[attr-defined]
    assert beats(Continue, dues, "bass") == [tick / BEAT]
    assert not of(Start, dues)


def test_located_at_the_top_it_starts() -> None:
    """Start only from the top."""
    player = Player(plan_of(build.two_boxes()))
    dues = player.apply(Begin(tick=0))
    assert of(Start, dues, "bass")
    assert not of(Continue, dues)


def test_located_between_sixteenths_boxes_go_on_from_their_own_count() -> None:
    """No position can be told there: Continue alone; beyond the end it is the last clock."""
    player = Player(plan_of(build.two_boxes()))
    dues = player.apply(Begin(tick=BAR + 2 * CLOCK_TICKS + 5))
    assert not of(SongPosition, dues)
    assert beats(Continue, dues, "bass") == [(BAR + 2 * CLOCK_TICKS) / BEAT]
    late = Player(plan_of(build.two_boxes()))
    late.apply(Begin(tick=10**12))
    assert late.section == build.two_boxes().songs[0].sections[-1].id
    to_end(late)
    assert not late.running


def test_the_bar_after() -> None:
    """Bar lines count from the section they are in."""
    player = Player(plan_of(build.two_boxes()))
    assert [player.bar_after(t) for t in (0, 1, BAR, BAR + 1)] == [0, BAR, BAR, 2 * BAR]


def test_located_inside_a_ramp_the_rest_of_it_is_played() -> None:
    """The tempo there, and what is left of the way."""
    project = build.two_boxes()
    song = project.songs[0]
    sections_ = list(song.sections)
    sections_[1] = msgspec.structs.replace(sections_[1], bpm=140.0, ramp_bars=1)
    song = msgspec.structs.replace(song, sections=tuple(sections_))
    project = msgspec.structs.replace(project, songs=(song,))
    layout = project.layout(song)
    tick = layout.spans[1].tick + BAR // 2
    player = Player(plan_of(project))
    dues = player.apply(Begin(tick=tick))
    dues += player.advance(tick + BAR)
    points = [e.point for _, _, e in dues if isinstance(e, TempoChange)]
    assert points[0].bpm == pytest.approx(layout.tempo.bpm_at(tick))
    assert (points[1].bpm, points[1].ramp_ticks) == (140.0, BAR // 2)


def tempi(dues: list[Due]) -> list[tuple[float, float, float]]:
    """(beat, BPM, ramp in beats) of every tempo told."""
    return [
        (e.point.tick / BEAT, e.point.bpm, e.point.ramp_ticks / BEAT)
        for _, _, e in dues
        if isinstance(e, TempoChange)
    ]


def test_another_tempo_comes_in_on_the_beat_at_once_or_over_bars() -> None:
    """Typed or tapped while playing: effective at an exact beat."""
    player, _ = begun(build.two_boxes())
    player.advance(BEAT + 5)
    assert player.apply(Steer(bpm=131.5)) == []
    assert tempi(player.advance(3 * BEAT)) == [(2.0, 131.5, 0.0)]
    player.apply(Steer(bpm=140, ramp_bars=2))
    assert tempi(player.advance(4 * BEAT)) == [(3.0, 140.0, 8.0)]
    assert Player(plan_of(build.two_boxes())).apply(Steer(bpm=100)) == []


def test_a_push_lasts_while_it_is_held() -> None:
    """Ahead by 4 %, then released to the tempo there is; held within what a tempo can be."""
    player, _ = begun(build.two_boxes())
    player.advance(BEAT)
    bpm = player.plan.song.bpm
    assert tempi(player.apply(Nudge(percent=4))) == [(1.0, pytest.approx(bpm * 1.04), 0.0)]
    assert player.apply(Nudge(percent=4)) == []
    player.apply(Steer(bpm=100.0))
    assert tempi(player.advance(3 * BEAT)) == [(1.0, pytest.approx(104.0), 0.0)]
    assert tempi(player.apply(Nudge())) == [(3.0, 100.0, 0.0)]
    player.apply(Steer(bpm=399.0))
    player.advance(4 * BEAT)
    assert tempi(player.apply(Nudge(percent=20)))[0][1] == 400.0


def test_a_push_inside_a_ramp_keeps_what_is_left_of_it() -> None:
    """Pushed at once, and on to the ramp's end, pushed too."""
    player, _ = begun(build.two_boxes())
    player.apply(Steer(bpm=200.0, ramp_bars=2))
    player.advance(4 * BEAT)
    middle = player._run.tempi.bpm_at(4 * BEAT)
    found = tempi(player.apply(Nudge(percent=10)))
    assert found[0] == (4.0, pytest.approx(middle * 1.1), 0.0)
    assert found[1][1] == pytest.approx(220.0)
    assert found[1][2] == pytest.approx(4.0, abs=1e-5)


def test_a_box_that_is_back_comes_in_on_the_next_bar() -> None:
    """Stop, then the bar's Song Position, and Continue on the bar line; others hear nothing."""
    player, _ = begun(build.two_boxes())
    player.advance(5 * BEAT)
    dues = player.apply(Rejoin(device="bass"))
    assert next(type(e) for _, d, e in dues if d == "bass") is Stop
    dues += player.advance(9 * BEAT)
    assert [e.sixteenths for _, e in of(SongPosition, dues)] == [32]  # type: ignore[attr-defined]
    assert beats(Continue, dues) == beats(Continue, dues, "bass") == [8.0]
    at = [e for t, d, e in dues if d == "bass" and t == 8 * BEAT]
    assert [type(e) for e in at[:2]] == [Continue, TimingClock]
    assert Player(plan_of(build.two_boxes())).apply(Rejoin(device="bass")) == []


def test_a_box_that_plays_its_own_is_told_its_pattern_when_it_is_back() -> None:
    """It may have been switched off in between."""
    project = build.two_boxes()
    whole, dues = begun(project)
    dues += whole.advance(5 * BEAT)
    told = of(ProgramChange, dues, "drums")
    again = whole.apply(Rejoin(device="drums"))
    if told:
        assert of(ProgramChange, again, "drums")[-1][1] == told[-1][1]


def pulsed(rate: float) -> Project:
    """The bass gets pulses instead of MIDI clock."""
    project = build.two_boxes()
    cables = tuple(
        msgspec.structs.replace(c, medium="pulse", rate=rate) if c.target == "bass" else c
        for c in project.rig.cables
    )
    return msgspec.structs.replace(project, rig=msgspec.structs.replace(project.rig, cables=cables))


@pytest.mark.parametrize(
    ("rate", "apart"), [(24.0, 1 / 24), (4.0, 0.25), (0.25, 4.0), (4.8, 5 / 24)]
)
def test_pulses_at_the_rate_of_their_cable(rate: float, apart: float) -> None:
    """Counted from the song's top, also when it is begun elsewhere; none to others."""
    player, dues = begun(pulsed(rate))
    dues += player.advance(8 * BEAT)
    found = beats(Pulse, dues, "bass")
    assert found == pytest.approx([n * apart for n in range(len(found))])
    assert len(found) == pytest.approx(8 / apart, abs=1)
    assert beats(Pulse, dues) == found
    assert not of(TimingClock, dues, "bass")
    there = Player(plan_of(pulsed(rate)))
    dues = there.apply(Begin(tick=BAR + 3 * CLOCK_TICKS))
    dues += there.advance(3 * BAR)
    located = beats(Pulse, dues, "bass")
    assert located[0] >= 4 + 3 / 24
    assert [x / apart for x in located] == pytest.approx([round(x / apart) for x in located])


def test_a_pulse_line_plugged_in_or_pulled_while_playing() -> None:
    """From the next pulse on."""
    player, _ = begun(build.two_boxes())
    player.advance(BEAT + 1)
    player.apply(ReplacePlan(plan=plan_of(pulsed(2.0))))
    assert beats(Pulse, player.advance(4 * BEAT)) == [1.5, 2.0, 2.5, 3.0, 3.5]
    player.apply(ReplacePlan(plan=plan_of(build.two_boxes())))
    assert beats(Pulse, player.advance(8 * BEAT)) == []
    player.apply(ReplacePlan(plan=plan_of(pulsed(1.0))))
    assert beats(Pulse, player.advance(11 * BEAT)) == [8.0, 9.0, 10.0]


def test_a_count_in_clicks_before_the_first_clock() -> None:
    """A bar of clicks at the tempo of what comes, the first louder; clock and Start after it."""
    project = build.two_boxes()
    rig = msgspec.structs.replace(project.rig, count_in=CountIn(device="bass", note=37))
    player = Player(plan_of(msgspec.structs.replace(project, rig=rig)))
    dues = player.apply(Begin(count_in_bars=2))
    assert player.tick == -2 * BAR - 2 * CLOCK_TICKS
    dues += player.advance(1)
    clicks = [(t, e) for t, d, e in dues if isinstance(e, NoteOn) and e.note == 37]
    assert [t / BEAT for t, _ in clicks] == [-8, -7, -6, -5, -4, -3, -2, -1]
    assert [e.velocity for _, e in clicks] == [120, 80, 80, 80] * 2
    assert beats(TimingClock, dues, "bass") == [0.0]
    assert beats(Start, dues, "bass") == [0.0]


def test_stopping_inside_a_count_in_leaves_no_click_hanging() -> None:
    """The click that sounds is ended."""
    project = build.two_boxes()
    rig = msgspec.structs.replace(project.rig, count_in=CountIn(device="bass", note=37))
    player = Player(plan_of(msgspec.structs.replace(project, rig=rig)))
    player.apply(Begin(count_in_bars=1))
    player.advance(-BAR + 1)
    assert [e.note for _, _, e in player.apply(Halt()) if isinstance(e, NoteOff)] == [37]


def test_a_box_that_may_be_a_tick_short_plays_on_until_the_bar() -> None:
    """Stopped only just before it, told where it is, and told once however often it is asked."""
    player, _ = begun(build.two_boxes())
    player.advance(5 * BEAT)
    dues = player.apply(Rejoin(device="bass", stop_now=False))
    assert not of(Stop, dues)
    player.apply(Rejoin(device="bass", stop_now=False))
    dues += player.advance(9 * BEAT)
    told = [(t, type(e)) for t, d, e in dues if d == "bass" and isinstance(e, (Stop, SongPosition))]
    ready = 8 * BEAT - 2 * CLOCK_TICKS
    assert told == [(ready, Stop), (ready, SongPosition)]
    assert beats(Continue, dues) == [8.0]
