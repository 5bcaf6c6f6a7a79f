"""The sans-I/O player: clock, transport, notes, programs, launching, muting, edits."""

from __future__ import annotations

from collections.abc import Callable

import msgspec
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from grebe.core import document
from grebe.core.document import Project
from grebe.core.player.commands import (
    Again,
    Begin,
    Command,
    Halt,
    Hold,
    Launch,
    Mute,
    Nudge,
    Rejoin,
    ReplacePlan,
    Skip,
    Steer,
)
from grebe.core.player.events import (
    Continue,
    ControlChange,
    Due,
    NoteOff,
    NoteOn,
    ProgramChange,
    Pulse,
    SectionStarts,
    SongEnds,
    SongPosition,
    Start,
    Stop,
    TempoChange,
    TimingClock,
)
from grebe.core.player.plan import Plan, make_plan, played_by_grebe
from grebe.core.player.player import Player
from grebe.core.rig.model import CountIn
from grebe.core.songs import edit
from grebe.core.time.meter import Meter
from grebe.core.time.ticks import CLOCK_TICKS, SIXTEENTH_TICKS, TICKS_PER_QUARTER
from grebe.errors import EditError
from tests import build
from tests.long import tries

BEAT = TICKS_PER_QUARTER
BAR = 4 * BEAT


def plan_of(project: Project) -> Plan:
    return make_plan(project, project.songs[0])


def begun(project: Project, section: str = "") -> tuple[Player, list[Due]]:
    player = Player(plan_of(project))
    return player, player.apply(Begin(section=section))


def to_end(player: Player, window: int = BAR) -> list[Due]:
    out: list[Due] = []
    while player.running:
        out += player.advance(player.tick + window)
    return out


def of(kind: type, dues: list[Due], device: str | None = None) -> list[tuple[float, object]]:
    """Events of a kind with their place in beats."""
    return [(t / BEAT, e) for t, d, e in dues if isinstance(e, kind) and device in (None, d)]


def beats(kind: type, dues: list[Due], device: str | None = None) -> list[float]:
    return [at for at, _ in of(kind, dues, device)]


def sections(dues: list[Due]) -> list[tuple[float, str]]:
    return [(at, e.section) for at, e in of(SectionStarts, dues)]  # type: ignore[attr-defined]


def test_start_then_clock_from_the_top() -> None:
    """MIDI 1.0: Start, and the first clock after it is the downbeat; 24 a quarter note."""
    player, dues = begun(build.two_boxes())
    dues += player.advance(BEAT)
    bass = [(t, e) for t, d, e in dues if d == "bass"]
    kinds = [type(e) for _, e in bass[:3]]
    assert kinds == [Start, TimingClock, NoteOn]
    assert [t for t, e in bass if isinstance(e, TimingClock)] == [
        n * CLOCK_TICKS for n in range(24)
    ]


def test_a_box_that_plays_its_own_gets_no_notes() -> None:
    """Grebe tells it which pattern, and silences it by its controller; never both."""
    player, dues = begun(build.two_boxes())
    dues += to_end(player)
    assert not of(NoteOn, dues, "drums")
    programs = [(at, e.program) for at, e in of(ProgramChange, dues, "drums")]  # type: ignore[attr-defined]
    # Before Start, then a sixteenth before each section that changes it.
    assert programs == [(-1 / 12, 4), (7.75, 5), (23.75, 4)]


def test_a_box_without_a_part_is_silenced() -> None:
    """By controller where it has one: 0 in the silence, 127 when it plays again."""
    project = build.two_boxes()
    scenes = (build.scene("a", 2, bass=["b1"]), project.scenes[1])
    player, dues = begun(msgspec.structs.replace(project, scenes=scenes))
    dues += to_end(player)
    values = [(at, e.value) for at, e in of(ControlChange, dues, "drums")]  # type: ignore[attr-defined]
    # And at the end it is let sound again, for the hands that play it then.
    assert values == [(0, 0), (8, 127), (24, 0), (32, 127)]


def test_the_end_of_a_song() -> None:
    """Stop to everybody, no note left on, and the end is told."""
    player, dues = begun(build.two_boxes())
    dues += to_end(player)
    assert beats(Stop, dues) == [32, 32]
    assert beats(SongEnds, dues) == [32]
    assert len(of(NoteOn, dues)) == len(of(NoteOff, dues)) == 16
    assert max(beats(TimingClock, dues)) == 32 - 1 / 24


@given(st.lists(st.integers(1, 3 * BAR), min_size=1, max_size=60))
@settings(max_examples=tries(40))
def test_windows_do_not_matter(windows: list[int]) -> None:
    """However the time is cut, the same messages come in the same order."""
    player, whole = begun(build.two_boxes())
    whole += to_end(player, 100 * BAR)
    player, pieces = begun(build.two_boxes())
    for window in windows:
        pieces += player.advance(player.tick + window)
    pieces += to_end(player)
    assert pieces == whole


def test_starting_in_the_middle() -> None:
    """Song Position of the place, then Continue; Start only from the top."""
    player, dues = begun(build.two_boxes(), "s2")
    dues += player.advance(9 * BEAT)
    assert not of(Start, dues)
    (first, second) = of(SongPosition, dues)
    assert first[1].sixteenths == second[1].sixteenths == 32  # type: ignore[attr-defined]
    assert beats(Continue, dues) == [8, 8]
    assert beats(TimingClock, dues, "bass")[0] == 8


def _chained(*chain: str, length_q: int = 16) -> Project:
    bass = build.device("bass")
    patterns = [
        build.pattern("p", "bass", build.voice("x" + "." * 15, 40)),
        build.pattern("q", "bass", build.voice("x" + "." * (length_q - 1), 50)),
    ]
    return build.project([bass], patterns, [build.scene("a", 8, bass=chain)], build.song("a"))


def test_three_and_a_fill() -> None:
    """1,1,1,2 is three and a fill (common practice), and round again."""
    player, dues = begun(_chained("p", "p", "p", "q"))
    dues += to_end(player)
    notes = [(at / 4, e.note) for at, e in of(NoteOn, dues)]  # type: ignore[attr-defined]
    assert notes == [(n, 50 if n % 4 == 3 else 40) for n in range(8)]


def test_a_chain_of_unequal_lengths() -> None:
    """Each pattern lasts its own length: a bar, then half a bar."""
    player, dues = begun(_chained("p", "q", length_q=8))
    dues += player.advance(13 * BEAT)
    notes = [(at, e.note) for at, e in of(NoteOn, dues)]  # type: ignore[attr-defined]
    assert notes == [(0, 40), (4, 50), (6, 40), (10, 50), (12, 40)]


def test_a_boxs_chain_is_told_a_step_before() -> None:
    """A program change for each pattern of the chain, a sixteenth before its turn."""
    project = build.two_boxes()
    scenes = (build.scene("a", 4, drums=["d1", "d2"]), project.scenes[1])
    player, dues = begun(msgspec.structs.replace(project, scenes=scenes))
    dues += player.advance(9 * BEAT)
    programs = [(at, e.program) for at, e in of(ProgramChange, dues)]  # type: ignore[attr-defined]
    assert programs == [(-1 / 12, 4), (3.75, 5), (7.75, 4)]


def test_voices_run_on_their_own_lengths() -> None:
    """A voice of 7 against a pattern of 16 comes round every 7 steps, across repeats."""
    voices = (build.voice("x" + "." * 15), build.voice("x......", 50, "w"))
    project = build.project(
        [build.device("bass")],
        [build.pattern("p", "bass", *voices)],
        [build.scene("a", 4, bass=["p"])],
        build.song("a"),
    )
    player, dues = begun(project)
    dues += to_end(player)
    short = [at * 4 for at, e in of(NoteOn, dues) if e.note == 50]  # type: ignore[attr-defined]
    assert short == [float(n) for n in range(0, 64, 7)]


def test_what_carries_on_is_not_restarted() -> None:
    """The bass keeps its 7-step phase when a scene comes in that asks for the same pattern."""
    project = build.project(
        [build.device("bass")],
        [build.pattern("p", "bass", build.voice("x......", 50))],
        [build.scene("a", 1, bass=["p"]), build.scene("b", 1, bass=["p"])],
        build.song("a", "b"),
    )
    player, dues = begun(project)
    dues += to_end(player)
    assert [at * 4 for at in beats(NoteOn, dues)] == [0, 7, 14, 21, 28]


def test_a_repeated_note_ends_before_it_begins_again() -> None:
    """A gate longer than the way to the next hit is cut there: off, then on."""
    voice = build.voice("xx..", 40)
    hits = tuple(msgspec.structs.replace(h, gate_length=300) for h in voice.hits)
    pattern = build.pattern("p", "bass", msgspec.structs.replace(voice, hits=hits))
    project = build.project(
        [build.device("bass")], [pattern], [build.scene("a", 1, bass=["p"])], build.song("a")
    )
    player, dues = begun(project)
    dues += player.advance(BEAT)
    notes = [
        (t // SIXTEENTH_TICKS, type(e)) for t, _, e in dues if isinstance(e, (NoteOn, NoteOff))
    ]
    assert notes == [(0, NoteOn), (1, NoteOff), (1, NoteOn)]


@pytest.mark.parametrize(
    ("at", "wanted"),
    [("bar", (4, "s2")), ("section_end", (8, "s2")), ("now", (2.5, "s2"))],
)
def test_launching(at: str, wanted: tuple[float, str]) -> None:
    """At the next bar, at the end of the section, or at once."""
    player, dues = begun(build.two_boxes())
    dues += player.advance(BEAT * 5 // 2)
    player.apply(Launch(at=at))  # type: ignore[arg-type]
    assert player.launched
    assert player.next_section == "s2"
    dues += player.advance(9 * BEAT)
    assert sections(dues)[:2] == [(0, "s1"), wanted]


def test_a_cut_keeps_the_bar_line() -> None:
    """Cut in mid-bar: the new section counts from the bar line before, so nobody loses the one."""
    player, dues = begun(build.two_boxes())
    player.advance(BEAT * 5 // 2)
    player.apply(Launch(section="s3", at="now"))
    dues = to_end(player)
    (start,) = [e for _, e in of(SectionStarts, dues)]
    assert start.tick == 0  # type: ignore[attr-defined]
    assert beats(SongEnds, dues) == [8]
    assert beats(NoteOn, dues, "bass") == [4, 6]


def test_clock_runs_on_through_a_launch() -> None:
    """A change of section never moves a tick."""
    player, dues = begun(build.two_boxes())
    dues += player.advance(BEAT * 3)
    player.apply(Launch(section="s3", at="now"))
    dues += to_end(player)
    ticks = [t for t, d, e in dues if isinstance(e, TimingClock) and d == "bass"]
    assert ticks == [n * CLOCK_TICKS for n in range(len(ticks))]


def test_holding_and_letting_go() -> None:
    """Held, a section goes round by whole passes; let go, the next comes after this pass."""
    player, dues = begun(build.two_boxes())
    player.advance(BEAT)
    player.apply(Hold(on=True))
    dues = player.advance(20 * BEAT)
    assert sections(dues) == []
    player.apply(Hold(on=False))
    dues = player.advance(33 * BEAT)
    assert sections(dues) == [(24, "s2")]


def test_enter_brings_in_the_next_though_held() -> None:
    """A launch is stronger than a hold, and ends it."""
    player, _ = begun(build.two_boxes())
    player.advance(BEAT)
    player.apply(Hold(on=True))
    player.apply(Launch(at="section_end"))
    dues = player.advance(9 * BEAT)
    assert sections(dues) == [(8, "s2")]
    assert not player.held


def test_again_and_skip() -> None:
    """One more pass, then the section after the next."""
    player, _ = begun(build.two_boxes())
    player.advance(BEAT)
    player.apply(Again())
    player.apply(Skip())
    assert player.next_section == "s3"
    dues = player.advance(30 * BEAT)
    assert sections(dues) == [(16, "s3")]


def test_a_moved_boundary_takes_back_the_program() -> None:
    """Told too early by an edit of plans: the box is told again what it should play."""
    player, _ = begun(build.two_boxes())
    dues = player.advance(BAR * 2 - SIXTEENTH_TICKS + 1)
    assert [e.program for _, e in of(ProgramChange, dues)] == [5]  # type: ignore[attr-defined]
    player.apply(Launch(section="s3", at="section_end"))
    dues = player.advance(BAR * 2 + 1)
    assert [e.program for _, e in of(ProgramChange, dues)] == [4]  # type: ignore[attr-defined]
    assert sections(dues) == [(8, "s3")]


@pytest.mark.parametrize("command", [Hold(on=True), Again()])
def test_staying_takes_back_what_was_told(command: Command) -> None:
    """In the last sixteenth the box already knows the next pattern; staying tells it otherwise."""
    player, _ = begun(build.two_boxes())
    told = player.advance(BAR * 2 - 1)
    assert [e.program for _, e in of(ProgramChange, told)] == [5]  # type: ignore[attr-defined]
    (due,) = player.apply(command)
    assert due[2] == ProgramChange(channel=10, program=4)


def test_muting_ends_the_notes_that_sound() -> None:
    """Silent from here on, the held note ended, back with the next hit."""
    player, _ = begun(build.two_boxes())
    player.advance(1)
    dues = player.apply(Mute(device="bass", on=True))
    assert [type(e) for _, _, e in dues] == [NoteOff]
    assert not of(NoteOn, player.advance(BAR))
    assert ("bass", "") in player.mutes
    player.apply(Mute(device="bass", on=False))
    assert of(NoteOn, player.advance(BAR * 3 // 2), "bass")


def test_a_box_left_silent_is_let_sound_when_it_begins_to_play() -> None:
    """Whatever it was told in an earlier run, or by somebody else."""
    project = build.two_boxes()
    player, _ = begun(project)
    dues = player.advance(1)
    assert [e.value for _, e in of(ControlChange, dues, "drums")] == [127]  # type: ignore[attr-defined]
    player.apply(Mute(device="drums", on=True))
    stopped = player.apply(Halt())
    assert [e.value for _, e in of(ControlChange, stopped)] == [127]  # type: ignore[attr-defined]
    player.apply(Begin())
    again = player.advance(1)
    assert [e.value for _, e in of(ControlChange, again)] == [0]  # type: ignore[attr-defined]


def test_muting_a_box_that_plays_its_own() -> None:
    """By its controller; unknown devices are refused."""
    player, _ = begun(build.two_boxes())
    player.advance(BEAT)
    (due,) = player.apply(Mute(device="drums", on=True))
    assert due[2] == ControlChange(channel=10, controller=7, value=0)
    with pytest.raises(EditError, match="no device 'horn'"):
        player.apply(Mute(device="horn", on=True))


def test_mutes_saved_with_a_scene_and_the_hands_over_it() -> None:
    """A scene's mute holds until a hand says otherwise."""
    project = build.two_boxes()
    part = msgspec.structs.replace(project.scenes[0].part("bass"), silent_voices=("v",))
    scenes = (build.scene("a", 2, bass=part), project.scenes[1])
    player, _ = begun(msgspec.structs.replace(project, scenes=scenes))
    assert not of(NoteOn, player.advance(BAR), "bass")
    player.apply(Mute(device="bass", voice="v", on=False))
    assert of(NoteOn, player.advance(BAR * 2), "bass")


def test_stopping_ends_every_note() -> None:
    """Stop to everybody and the ends of what sounds; nothing comes after."""
    player, _ = begun(build.two_boxes())
    player.advance(1)
    dues = player.apply(Halt())
    assert [type(e) for _, _, e in dues] == [NoteOff, Stop, Stop]
    assert player.advance(99 * BAR) == []
    assert player.apply(Halt()) == []


def _edited(project: Project, edit: Callable[[Project], Project]) -> ReplacePlan:
    return ReplacePlan(plan=plan_of(edit(project)))


def test_an_edit_while_playing_keeps_the_phase() -> None:
    """A pattern edited in mid-bar is heard from there on, where it would have been."""
    project = build.two_boxes()
    player, _ = begun(project)
    player.advance(BEAT * 3)

    def busier(content: document.Content) -> document.Content:
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
