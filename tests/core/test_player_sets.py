"""A set played: one song into the next, stops, tempi carried and released, launches withdrawn."""

from __future__ import annotations

from itertools import pairwise

import msgspec
import pytest

from grebe.core.document import Project
from grebe.core.player.commands import (
    Again,
    Back,
    Begin,
    Launch,
    Release,
    ReplacePlan,
    Skip,
    Solo,
    Withdraw,
)
from grebe.core.player.events import (
    Continue,
    Due,
    NoteOn,
    ProgramChange,
    Pulse,
    SectionStarts,
    SongPosition,
    SongSelect,
    Start,
    Stop,
    TempoChange,
    TimingClock,
)
from grebe.core.player.plan import make_set_plan
from grebe.core.player.player import Player
from grebe.core.rig.model import Cable
from grebe.core.sets.model import Set, SetSong
from grebe.core.songs.model import BoxSong, Section, Song
from grebe.errors import EditError
from tests import build
from tests.core.dues import BAR, BEAT, beats, of, sections, to_end

NAMES = ("one", "two", "three")


def night(*into: str, **fields: object) -> Project:
    """Three songs of a bar twice each, at 120, 150 and 90 BPM, each coming in as said."""
    base = build.two_boxes()
    songs = tuple(
        Song(
            id=n, name=n, bpm=bpm, sections=(Section(id="x", scene="a"), Section(id="y", scene="b"))
        )
        for n, bpm in zip(NAMES, (120.0, 150.0, 90.0), strict=True)
    )
    places = tuple(
        SetSong(id=f"e{k}", song=n, into=way, ramp_bars=1)  # type: ignore[arg-type]
        for k, (n, way) in enumerate(zip(NAMES, ("stop", *into), strict=False), start=1)
    )
    running = Set(id="night", name="Night", songs=places)
    return msgspec.structs.replace(base, songs=songs, sets=(running,), **fields)


def begun_set(project: Project, section: str = "") -> tuple[Player, list[Due]]:
    player = Player(make_set_plan(project, project.sets[0]))
    return player, player.apply(Begin(section=section))


def tempi(dues: list[Due]) -> list[tuple[float, float, float]]:
    """(beat, BPM, beats of ramp)."""
    return [
        (at / BEAT, e.point.bpm, e.point.ramp_ticks / BEAT)
        for at, _, e in dues
        if isinstance(e, TempoChange)
    ]


def test_one_song_goes_over_into_the_next() -> None:
    """No Stop between them, the clock unbroken; at its own tempo on the bar, or over bars."""
    player, dues = begun_set(night("cut", "ramp"))
    dues += to_end(player)
    assert [s for _, s in sections(dues)] == ["e1-x", "e1-y", "e2-x", "e2-y", "e3-x", "e3-y"]
    assert tempi(dues)[1:] == [(16.0, 150.0, 0.0), (32.0, 90.0, 4.0)]
    ticks = [at for at, device, e in dues if isinstance(e, TimingClock) and device == "drums"]
    assert {b - a for a, b in pairwise(ticks)} == {BEAT // 24}
    assert len([1 for _, _, e in dues if isinstance(e, Stop)]) == 2  # one a box, at the end


def test_after_a_stop_the_next_waits_and_starts_from_its_own_top() -> None:
    """The song ends; run from there boxes get Start, as at the top of any song."""
    player, dues = begun_set(night("stop", "cut"))
    dues += to_end(player)
    assert [s for _, s in sections(dues)] == ["e1-x", "e1-y"]
    assert not player.running
    again = player.apply(Begin(section="e2-x"))
    first = 4 * BAR
    assert [at for at, _, e in again if isinstance(e, Start)] == [first, first]
    assert not [e for _, _, e in again if isinstance(e, SongPosition | Continue)]
    again += to_end(player)
    assert [s for _, s in sections(again)] == ["e2-x", "e2-y", "e3-x", "e3-y"]


def test_inside_a_later_song_the_position_counts_from_its_top() -> None:
    """Its second section lies two bars on: 32 sixteenths (MIDI 1.0: a sixteenth is six clocks)."""
    player, dues = begun_set(night("cut", "cut"), "e2-y")
    assert {e.sixteenths for _, _, e in dues if isinstance(e, SongPosition)} == {32}
    assert player.boundary == 6 * BAR


def test_a_song_waiting_for_a_stop_can_still_be_asked_for() -> None:
    """Launched, it comes in without one, at its own tempo."""
    player, dues = begun_set(night("stop", "cut"))
    dues += player.advance(BAR)
    player.apply(Launch(section="e2-x", at="bar"))
    assert player.next_section == "e2-x"
    dues += to_end(player)
    assert [s for _, s in sections(dues)][:2] == ["e1-x", "e2-x"]
    assert tempi(dues)[1] == (4.0, 150.0, 0.0)


def test_a_tempo_carried_on_until_it_is_released() -> None:
    """Neither the song's tempo nor one inside it is heard before; then it goes there."""
    project = night("carry", "cut")
    two = project.songs[1]
    marked = tuple(
        msgspec.structs.replace(s, bpm=140.0) if s.id == "y" else s for s in two.sections
    )
    songs = (project.songs[0], msgspec.structs.replace(two, sections=marked), project.songs[2])
    project = msgspec.structs.replace(project, songs=songs)
    player, dues = begun_set(project)
    dues += player.advance(7 * BAR)
    assert player.carried
    assert len(tempi(dues)) == 1
    player.apply(Release())
    assert not player.carried
    dues = player.advance(8 * BAR)
    assert tempi(dues) == [(28.0, 140.0, 4.0)]
    player.apply(Release(ramp_bars=0))  # nothing is carried any more
    assert tempi(to_end(player))[0] == (32.0, 90.0, 0.0)


def test_carried_holds_through_an_edit_and_ends_with_the_song() -> None:
    """A tempo edited meanwhile waits; the next song has its own."""
    project = night("carry", "cut")
    player, dues = begun_set(project)
    dues += player.advance(5 * BAR)
    two = msgspec.structs.replace(project.songs[1], bpm=160.0)
    other = msgspec.structs.replace(project, songs=(project.songs[0], two, project.songs[2]))
    player.apply(ReplacePlan(plan=make_set_plan(other, other.sets[0])))
    assert tempi(player.advance(6 * BAR + 1)) == []
    player.apply(Release(ramp_bars=0))
    assert tempi(player.advance(7 * BAR)) == [(25.0, 160.0, 0.0)]


def test_an_edit_of_the_set_keeps_the_place() -> None:
    """Another song put in before it: what plays goes on, what follows is the same."""
    project = night("cut", "cut")
    player, _ = begun_set(project)
    player.advance(5 * BAR)
    running = project.sets[0]
    songs = (running.songs[0], SetSong(id="new", song="three", into="cut"), *running.songs[1:])
    other = msgspec.structs.replace(running, songs=songs)
    player.apply(ReplacePlan(plan=make_set_plan(project, other)))
    assert (player.section, player.next_section) == ("e2-x", "e2-y")


def test_a_box_s_own_song_is_chosen_with_each_song() -> None:
    """Song Select as the run begins; between songs Stop, Song Select, position, Continue."""
    project = night("cut", "cut")
    songs = tuple(
        msgspec.structs.replace(s, box_songs=(BoxSong(device="drums", number=n),))
        for n, s in enumerate(project.songs, start=5)
    )
    player, dues = begun_set(msgspec.structs.replace(project, songs=songs))
    dues += to_end(player)
    chosen = [(at // BAR, e.song) for at, _, e in dues if isinstance(e, SongSelect)]
    assert chosen == [(-1, 5), (4, 6), (8, 7)]
    second = [type(e) for at, d, e in dues if at == 4 * BAR and d == "drums"]
    assert second[:4] == [Stop, SongSelect, Stop, SongPosition]
    assert not [e for _, _, e in dues if isinstance(e, ProgramChange)]


def test_skipping_does_not_run_into_a_song_that_waits() -> None:
    """There is nothing after the last section of a song before a stop."""
    player, _ = begun_set(night("stop", "cut"))
    player.advance(BAR)
    player.apply(Skip())
    assert player.next_section == "e1-y"


def test_back_and_withdraw() -> None:
    """Back goes a section back, in a song's first to its own beginning; Withdraw undoes it."""
    player, _ = begun_set(night("cut", "cut"))
    player.advance(3 * BAR + BEAT)
    player.apply(Back())
    assert (player.next_section, player.launched) == ("e1-x", True)
    player.apply(Withdraw())
    assert (player.next_section, player.launched) == ("e2-x", False)
    player.advance(5 * BAR + BEAT)
    player.apply(Back())
    assert player.next_section == "e2-x"


def test_what_was_left_out_is_taken_back_too() -> None:
    """Skip, then Withdraw: as written."""
    player, _ = begun_set(night("cut", "cut"))
    player.advance(BAR)
    player.apply(Skip())
    assert player.next_section == "e2-x"
    player.apply(Withdraw())
    assert player.next_section == "e1-y"
    assert player.apply(Withdraw()) == []


def test_withdrawing_is_possible_until_boxes_are_told() -> None:
    """The drums are told a sixteenth ahead: until then, and not after."""
    player, _ = begun_set(night("cut", "cut"))
    player.advance(BAR + BEAT)
    player.apply(Launch(section="e1-y", at="bar"))
    assert player.last_word == 2 * BAR - BEAT // 4
    player.advance(player.last_word)
    with pytest.raises(EditError, match="too late"):
        player.apply(Withdraw())
    assert player.next_section == "e1-y"


def test_withdrawn_in_the_last_pass_it_ends_as_written() -> None:
    """Asked for late and taken back, the section ends where it would have."""
    player, _ = begun_set(night("cut", "cut"))
    player.advance(BAR)
    player.apply(Again())
    player.apply(Launch(section="e2-x", at="section_end"))
    player.apply(Withdraw())
    assert player.boundary == 4 * BAR


def test_solo_silences_the_rest_and_lets_it_back() -> None:
    """One alone, then two, then all; what was muted before is muted after."""
    player, _ = begun_set(night("cut", "cut"))
    player.advance(BEAT)
    player.apply(Solo(device="drums", on=True))
    assert player.solos == (("drums", ""),)
    assert not beats(NoteOn, player.advance(2 * BAR))
    player.apply(Solo(device="bass", on=True))
    assert player.solos == (("bass", ""), ("drums", ""))
    player.apply(Solo(device="bass", on=False))
    player.apply(Solo(device="drums", on=False))
    assert beats(NoteOn, player.advance(3 * BAR))
    with pytest.raises(EditError, match="no device"):
        player.apply(Solo(device="gone", on=True))


def test_pulses_count_from_the_top_of_the_song_that_is_run() -> None:
    """One pulse a bar: run from the second song, the first falls on its downbeat."""
    project = night("stop", "cut")
    line = Cable(source="grebe", target="drums", medium="pulse", rate=0.25)
    rig = msgspec.structs.replace(project.rig, cables=(*project.rig.cables, line))
    project = msgspec.structs.replace(project, rig=rig)
    player, dues = begun_set(project, "e2-x")
    dues += player.advance(6 * BAR)
    assert [at / BAR for at, _, e in dues if isinstance(e, Pulse)] == [4.0, 5.0]


def test_a_pass_dropped_for_this_time() -> None:
    """Sections named are a pass shorter in the plan; the document is as it was."""
    project = night("cut", "cut")
    long = msgspec.structs.replace(
        project.songs[0], sections=(Section(id="x", scene="a", times=3),)
    )
    project = msgspec.structs.replace(project, songs=(long, *project.songs[1:]))
    plan = make_set_plan(project, project.sets[0], dropped=frozenset({("e1", "x"), ("e2", "x")}))
    assert [s.times for s in plan.song.sections] == [2, 1, 1, 1, 1]
    player = Player(make_set_plan(project, project.sets[0]))
    player.apply(Begin())
    player.advance(BAR)
    player.apply(ReplacePlan(plan=plan))
    assert player.boundary == 4 * BAR


def test_bars_are_told_of_the_joined_song() -> None:
    """JACK's transport counts bars on over the set."""
    player, dues = begun_set(night("cut", "cut"))
    dues += to_end(player)
    bars = [e.song_bar for _, _, e in dues if isinstance(e, SectionStarts)]
    assert bars == [1, 3, 5, 7, 9, 11]
    assert of(Start, dues, "drums")[0][0] == 0
