"""The sans-I/O player: clock, transport, notes, programs, launching, muting, edits."""

from __future__ import annotations

import msgspec
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from grebe.core.document import Project
from grebe.core.player.commands import (
    Again,
    Begin,
    Command,
    Halt,
    Hold,
    Launch,
    Mute,
    Skip,
)
from grebe.core.player.events import (
    Continue,
    ControlChange,
    NoteOff,
    NoteOn,
    ProgramChange,
    SectionStarts,
    SongEnds,
    SongPosition,
    Start,
    Stop,
    TimingClock,
)
from grebe.core.time.ticks import CLOCK_TICKS, SIXTEENTH_TICKS
from grebe.errors import EditError
from tests import build
from tests.core.dues import BAR, BEAT, beats, begun, of, sections, to_end
from tests.long import tries


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
