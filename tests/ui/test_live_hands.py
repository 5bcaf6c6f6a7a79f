"""Stage with a box of tracks: pages, mutes, swaps, what sounds kept, out of trouble, capture."""

from __future__ import annotations

from pathlib import Path

import pytest
from msgspec.structs import replace
from PyQt6.QtCore import Qt

from grebe.app.live.session import Session
from grebe.app.settings import remember_project
from grebe.core.document import with_scene
from grebe.core.patterns.model import Hit
from grebe.core.player.commands import Command, Launch, Steer
from grebe.core.sets.model import Set, SetSong
from grebe.core.songs.scenes import set_part
from grebe.core.time.ticks import TICKS_PER_QUARTER
from grebe.errors import EditError
from grebe.formats.project import write_project
from grebe.protocols.link.messages import PlayedIn
from grebe.ui.stations.patterns.view import PatternsView
from grebe.ui.stations.stage.view import StageView
from tests import build
from tests.ui.conftest import Performer

K, SHIFT = Qt.Key, Qt.KeyboardModifier.ShiftModifier


@pytest.fixture
def on_stage(performer: Performer) -> Performer:
    """Low water, running, on Stage."""
    performer.go(7)
    performer.engine_ready()
    session = performer.frame.session
    assert session.choose_song("low-water")
    assert isinstance(performer.frame.view, StageView)
    session.selection.perform_set(on=False)
    performer.act("run_stop")
    performer.wait(lambda: session.running and session.status.lines)  # type: ignore[union-attr]
    performer.wait(lambda: session.position.tick_now() > 0)
    return performer


def muted(session: Session) -> set[str]:
    return {line for line, voice in session.status.mutes if not voice}  # type: ignore[union-attr]


def because(session: Session) -> dict[str, str]:
    return {s.line: s.because for s in session.status.lines}  # type: ignore[union-attr]


def test_tracks_have_the_digits_on_the_next_page(on_stage: Performer) -> None:
    """B turns the page: 1 is a track then; its mute is shown with what the scene says beside it."""
    session = on_stage.frame.session
    view = on_stage.frame.view
    assert isinstance(view, StageView)
    assert because(session)["avocet/tick"] == "scene"
    on_stage.press(K.Key_B)
    assert "Avocet Lead to Avocet Clank" in session.notices.last.text  # type: ignore[union-attr]
    on_stage.press(K.Key_2)
    on_stage.wait(lambda: "avocet/low" in muted(session))
    assert because(session)["avocet/low"] == "hand"
    on_stage.frame.grab()
    on_stage.press(K.Key_2)
    on_stage.wait(lambda: "avocet/low" not in muted(session))
    assert session.status.mutes_by_hand == ()  # type: ignore[union-attr]
    on_stage.press(K.Key_B)
    on_stage.press(K.Key_8)
    on_stage.wait(lambda: {"avocet", "avocet/low"} <= muted(session))  # the box takes its tracks


def test_a_pattern_by_numbers_and_back(on_stage: Performer) -> None:
    """The key, the box, the pattern: where the one that plays ends; then the scene's again."""
    session = on_stage.frame.session
    before = session.project
    on_stage.act("pattern_number")
    on_stage.press(K.Key_8)
    on_stage.press(K.Key_2)
    on_stage.frame.grab()
    on_stage.press(K.Key_Return, SHIFT)
    playing = lambda: {s.line: s.pattern for s in session.status.lines}["avocet"]  # type: ignore[union-attr]  # noqa: E731
    on_stage.wait(lambda: playing() == "w-k2")
    assert session.project is before
    on_stage.act("patterns_back")
    on_stage.wait(lambda: playing() == "w-k1")
    on_stage.act("pattern_number")
    on_stage.press(K.Key_8)
    on_stage.press(K.Key_Escape)
    view = on_stage.frame.view
    assert isinstance(view, StageView)
    assert view.stage_actions.numbers.typed is None
    on_stage.wait(lambda: not any(s.swapped for s in session.status.lines))  # type: ignore[union-attr]
    on_stage.frame.book.do("patterns_back", chosen=True)
    assert "no box or track plays another" in session.notices.last.text  # type: ignore[union-attr]


def test_what_sounds_is_kept_at_one_key(on_stage: Performer) -> None:
    """A mute nobody saved, into the scene, and undone; then as a new one."""
    session = on_stage.frame.session
    on_stage.press(K.Key_2)
    on_stage.wait(lambda: "knot" in muted(session))
    on_stage.press(K.Key_K)
    assert session.project.scene("shingle").part("knot").muted
    on_stage.wait(lambda: session.status.mutes_by_hand == ())  # type: ignore[union-attr]
    session.store.undo()
    assert not session.project.scene("shingle").part("knot").muted
    on_stage.wait(lambda: ("knot", "") in session.status.mutes_by_hand)  # type: ignore[union-attr]
    count = len(session.project.scenes)
    on_stage.press(K.Key_K, SHIFT)
    assert len(session.project.scenes) == count + 1
    assert "Shingle, as it sounded" in {s.name for s in session.project.scenes}


def test_out_of_trouble_and_back(on_stage: Performer) -> None:
    """Any scene of the project, at once, at the tempo there is; it goes back by itself. Undo takes
    its section out. What it costs is said before."""
    session = on_stage.frame.session
    view = on_stage.frame.view
    assert isinstance(view, StageView)
    song = session.song
    assert song is not None
    session.link.tell(Steer(bpm=100.0))
    on_stage.wait(lambda: session.status.bpm == 100.0)  # type: ignore[union-attr]
    on_stage.act("any_scene")
    on_stage.press(K.Key_2)
    cost = view.stage_actions.numbers.cost
    assert "changes" in cost
    assert "at 100 BPM as it runs" in cost
    on_stage.frame.grab()
    on_stage.press(K.Key_Return, SHIFT)
    on_stage.wait(lambda: session.status.section == "s5")  # type: ignore[union-attr]
    made = session.song
    assert made is not None
    assert [s.scene for s in made.sections[:2]] == ["shingle", "oars"]
    assert made.sections[1].then.kind == "back"
    assert session.status.bpm == 100.0  # type: ignore[union-attr]
    coming = session.status.coming  # type: ignore[union-attr]
    assert coming is not None
    assert coming.section == "s1"
    session.link.tell(Launch(section="s1", at="now"))
    on_stage.wait(lambda: session.status.section == "s1")  # type: ignore[union-attr]
    session.store.undo()
    assert session.song == song


def test_any_song_from_its_first_section(on_stage: Performer) -> None:
    """All of it stands after what plays; at its own tempo where that is wanted."""
    session = on_stage.frame.session
    on_stage.press(K.Key_T, SHIFT)
    on_stage.act("any_song")
    on_stage.press(K.Key_4)  # Wake
    on_stage.press(K.Key_Return, SHIFT)
    on_stage.wait(lambda: session.status.section == "s5")  # type: ignore[union-attr]
    on_stage.wait(lambda: session.status.bpm == 126.0)  # type: ignore[union-attr]
    assert session.song is not None
    assert session.song.sections[1].scene == "wake-1"
    assert len(session.song.sections) == 4 + 15


def test_what_was_just_played_sounds_on_the_next_bar(on_stage: Performer) -> None:
    """A pattern of the scene that plays; the same key once more lays more over it."""
    session = on_stage.frame.session
    on_stage.act("capture")
    assert "nothing has been played" in session.notices.last.text  # type: ignore[union-attr]
    session.selection.box = "scaup"
    first = session.status.section_tick  # type: ignore[union-attr]
    quarter = TICKS_PER_QUARTER
    session.memory.take(
        PlayedIn(device="scaup", at_ns=n * 500_000_000, tick=float(first + n * quarter),
                 status=0x90 if on else 0x80, first=60, second=100 if on else 0)
        for n in range(4) for on in (True, False)
    )  # fmt: skip
    session.memory.take([PlayedIn(device="scaup", at_ns=1, tick=float(first + quarter),
                                  status=0xB0, first=74, second=99)])  # fmt: skip
    on_stage.act("capture")
    made = session.project.patterns[-1]
    assert [(x.controller, [p.value for p in x.points]) for x in made.content.lanes] == [(74, [99])]
    assert made.name.endswith(", played")
    assert session.project.scene("shingle").part(made.device).chain == (made.id,)
    playing = lambda: {s.line: s.pattern for s in session.status.lines}.get(made.device)  # type: ignore[union-attr]  # noqa: E731
    on_stage.wait(lambda: playing() == made.id)
    before = sum(len(v.hits) for v in session.project.pattern(made.id).content.voices)
    session.store.apply(
        "x", lambda p: with_scene(p, "shingle", lambda s: set_part(s, "knot", muted=True))
    )
    on_stage.act("capture_over")
    after = sum(len(v.hits) for v in session.project.pattern(made.id).content.voices)
    assert after >= before
    assert isinstance(session.project.pattern(made.id).content.voices[0].hits[0], Hit)


def test_what_was_played_is_a_song(on_stage: Performer) -> None:
    """Stopped, the run is kept as it went."""
    session = on_stage.frame.session
    on_stage.press(K.Key_2)
    on_stage.wait(lambda: "knot" in muted(session))
    session.link.tell(Launch(section="s3", at="beat"))
    on_stage.wait(lambda: session.status.section == "s3")  # type: ignore[union-attr]
    on_stage.act("run_stop")
    on_stage.wait(lambda: not session.running)
    on_stage.go(5)
    on_stage.frame.book.do("keep_performance", chosen=True)
    assert session.song is not None
    assert session.song.name == "Low water, as played"
    assert session.song.version_of == "low-water"
    on_stage.act("insert_section")
    whole = len(session.song.sections)
    on_stage.act("only_sections")  # a part of the run: here the section in hand
    assert len(session.song.sections) == 1
    assert session.notices.last is not None
    assert "gone" in session.notices.last.text
    on_stage.act("undo")
    assert len(session.song.sections) == whole


def test_a_voice_silenced_and_heard_alone(on_stage: Performer) -> None:
    """From Patterns, while it plays; the pattern is not touched, and it is taken back the same
    way."""
    session = on_stage.frame.session
    on_stage.go(3)
    view = on_stage.frame.view
    assert isinstance(view, PatternsView)
    view.editor.hand.take("b11")
    before = session.project
    voice = view.editor.hand.voice
    assert voice is not None
    on_stage.act("voice_mute")
    on_stage.wait(lambda: ("knot", voice.id) in session.status.mutes)  # type: ignore[union-attr]
    on_stage.act("voice_mute")
    on_stage.wait(lambda: ("knot", voice.id) not in session.status.mutes)  # type: ignore[union-attr]
    on_stage.act("voice_solo")
    on_stage.wait(lambda: session.status.solos == (("knot", voice.id),))  # type: ignore[union-attr]
    assert because(session)["smew"] == "solo"
    assert session.project is before


def test_a_scene_of_another_project(on_stage: Performer, tmp_path: Path) -> None:
    """With its pattern and its box, in the song that plays; one Undo takes all of it out."""
    session = on_stage.frame.session
    box = build.device("lamp", channel=5)
    other = build.project(
        [box], [build.pattern("glow", "lamp", build.voice("x..."))],
        [build.scene("shine", 1, lamp=["glow"])], build.song("shine"),
    )  # fmt: skip
    path = tmp_path / "other.grebe"
    write_project(path, other)
    on_stage.frame.book.do("other_scene", chosen=True)
    assert "No other project" in session.notices.last.text  # type: ignore[union-attr]
    remember_project(path)
    before = session.project
    on_stage.frame.book.do("other_scene", chosen=True)
    on_stage.press(K.Key_1)
    on_stage.frame.grab()
    on_stage.press(K.Key_Return, SHIFT)
    on_stage.wait(lambda: session.status.section == "s5")  # type: ignore[union-attr]
    assert session.project.rig.device("lamp").name == "Lamp"
    on_stage.wait(lambda: {s.line: s.pattern for s in session.status.lines}.get("lamp") == "glow")  # type: ignore[union-attr]
    session.store.undo()
    assert session.project == before


def test_a_song_and_a_set_of_another_project(on_stage: Performer, tmp_path: Path) -> None:
    """All of it after what plays; what it costs is said before, in changes, boxes and tempo."""
    session = on_stage.frame.session
    view = on_stage.frame.view
    assert isinstance(view, StageView)
    box = build.device("lamp", channel=5)
    tune = build.song("shine", ("shine", 2), bpm=140.0)
    other = build.project(
        [box], [build.pattern("glow", "lamp", build.voice("x..."))],
        [build.scene("shine", 1, lamp=["glow"])], tune,
    )  # fmt: skip
    entries = (SetSong(id="e1", song="song"), SetSong(id="e2", song="song"))
    other = replace(other, sets=(Set(id="late", name="Late", songs=entries),))
    path = tmp_path / "other.grebe"
    write_project(path, other)
    remember_project(path)
    before = session.project
    on_stage.act("own_tempo")
    on_stage.act("other_song")
    on_stage.press(K.Key_2)
    on_stage.frame.grab()
    numbers = view.stage_actions.numbers
    assert [name for _, name in numbers.out.named("other song")] == ["Song", "Late (set)"]
    cost = numbers.cost
    assert "1 box new in the rig" in cost
    assert cost.endswith("at its own 140 BPM")
    assert session.project is before
    on_stage.press(K.Key_Return, SHIFT)
    on_stage.wait(lambda: session.status.section == "s5")  # type: ignore[union-attr]
    on_stage.wait(lambda: session.status.bpm == 140.0)  # type: ignore[union-attr]
    song = session.song
    assert song is not None
    assert len(song.sections) == 4 + 4  # both places of the set, two sections each
    assert [s.times for s in song.sections[1:5]] == [1, 2, 1, 2]
    session.store.undo()
    assert session.project == before


def test_a_set_of_this_project(on_stage: Performer, monkeypatch: pytest.MonkeyPatch) -> None:
    """Numbered after the songs; from its first song on, at the tempo there is."""
    session = on_stage.frame.session
    view = on_stage.frame.view
    assert isinstance(view, StageView)
    out = view.stage_actions.numbers.out
    named = out.named("any song")
    sets = [key for key, _ in named[len(session.project.songs) :]]
    assert len(sets) == len(session.project.sets) > 0
    bpm = session.status.bpm  # type: ignore[union-attr]
    assert "as it runs" in out.cost("any song", sets[0])
    out.bring("any song", sets[0], "now")
    on_stage.wait(lambda: session.status.section == "s5")  # type: ignore[union-attr]
    assert session.status.bpm == bpm  # type: ignore[union-attr]
    first = session.project.song(session.project.sets[0].songs[0].song)
    assert session.song is not None
    assert session.song.sections[1].scene == first.sections[0].scene
    with pytest.raises(EditError, match="nothing of"):
        out.bring("any song", session.song.id, "now")
    session.performer.next_launch_unit()
    session.performer.next_launch_unit()  # launches come in on the beat: this one too
    told: list[Command] = []
    with monkeypatch.context() as patch:
        patch.setattr(session.link, "tell", told.append)
        out.bring("any scene", "shingle", "bar")
    assert told == [Launch(section="s1", at="beat")]
