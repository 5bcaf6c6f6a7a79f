"""The player over patterns: fills, dice, controllers, clicks, launches, edits while playing."""

from __future__ import annotations

from collections.abc import Callable

import msgspec
import pytest

from grebe.core.document import Project, with_content
from grebe.core.patterns import edit
from grebe.core.patterns.model import Content, ControlLane, ControlPoint, Hit, Pattern, Voice
from grebe.core.player.commands import (
    Begin,
    Fill,
    Halt,
    Launch,
    LaunchAt,
    Metronome,
    Mute,
    ReplacePlan,
)
from grebe.core.player.events import (
    ControlChange,
    Due,
    NoteOff,
    NoteOn,
    ProgramChange,
    SectionStarts,
)
from grebe.core.player.plan import make_plan
from grebe.core.player.player import Player
from grebe.core.player.whole import song_events
from grebe.core.rig.model import CountIn
from grebe.core.rig.spec import Spec
from grebe.core.songs.model import ControlValue, Part
from grebe.core.time.ticks import CLOCK_TICKS, SIXTEENTH_TICKS, TICKS_PER_QUARTER
from grebe.errors import EditError
from tests import build

BEAT = TICKS_PER_QUARTER
BAR = 4 * BEAT


def playing(content: Content, bars: int = 4) -> Project:
    """One box that Grebe plays, one scene."""
    pattern = Pattern(id="p", name="p", device="box", content=content)
    scenes = [build.scene("a", bars, box=["p"]), build.scene("b", bars, box=["p"])]
    return build.project([build.device("box")], [pattern], scenes, build.song("a", "b"))


def player_of(project: Project, seed: int = 1) -> Player:
    player = Player(make_plan(project, project.songs[0], seed=seed))
    player.apply(Begin())
    return player


def notes(dues: list[Due]) -> list[tuple[int, int]]:
    return [(t, e.note) for t, _, e in dues if isinstance(e, NoteOn)]


def in_windows(player: Player, until: int, window: int) -> list[Due]:
    out: list[Due] = []
    while player.tick < until:
        out += player.advance(min(until, player.tick + window))
    return out


RICH = Content(
    swing=57.0,
    voices=(
        Voice(id="a", name="a", note=40, length=7, hits=(
            Hit(step=0, flam=400, shift_permille=-400),
            Hit(step=2, chance=50), Hit(step=6, ratchet=4),
        )),
        Voice(id="b", name="b", note=50, length=5, direction="random", hits=(
            Hit(step=1, when="1 of 3"), Hit(step=4, shift_permille=490, chance=30, when="later"),
        )),
        Voice(id="c", name="c", note=60, length=9, even=True, hits=(
            Hit(step=0), Hit(step=3, when="without", chance=80), Hit(step=8, shift_permille=300),
        )),
    ),
)  # fmt: skip


@pytest.mark.parametrize("window", [100_003, SIXTEENTH_TICKS, 3 * BAR])
def test_the_size_of_windows_changes_nothing(window: int) -> None:
    """The same take, note for note, in whatever windows it is asked for."""
    project = playing(RICH)
    found = notes(in_windows(player_of(project), 8 * BAR - 1, window))
    whole = notes(song_events(make_plan(project, project.songs[0])))
    assert found == [row for row in whole if row[0] < 8 * BAR - 1]
    assert len(found) > 60


def test_a_seed_is_a_take() -> None:
    """The same seed the same take, another seed another."""
    project = playing(RICH)
    takes = [notes(song_events(make_plan(project, project.songs[0], seed=s))) for s in (5, 5, 6)]
    assert takes[0] == takes[1]
    assert takes[0] != takes[2]


def test_early_strokes_of_later_passes_fall_before_their_bar() -> None:
    """A flam and a push before step 1: held to the start in the first pass, early in the next."""
    hits = (Hit(step=0, flam=200, shift_permille=-100),)
    player = player_of(playing(Content(voices=(Voice(id="v", name="v", hits=hits),))))
    ticks = [t for t, _ in notes(player.advance(2 * BAR))]
    lead, push = SIXTEENTH_TICKS // 5, SIXTEENTH_TICKS // 10
    assert ticks == [0, 0, BAR - push - lead, BAR - push, 2 * BAR - push - lead, 2 * BAR - push]


def test_a_fill_plays_while_it_is_held() -> None:
    """From the next such hit on, until it is let go; the others the other way."""
    hits = (Hit(step=0), Hit(step=4, when="fill"), Hit(step=8, when="no fill"))
    player = player_of(playing(Content(voices=(Voice(id="v", name="v", hits=hits),))))
    out = notes(player.advance(BAR))
    player.apply(Fill(on=True))
    out += notes(player.advance(2 * BAR))
    player.apply(Fill(on=False))
    out += notes(player.advance(3 * BAR))
    assert [t // SIXTEENTH_TICKS for t, _ in out] == [0, 8, 16, 20, 32, 40]


def test_controllers_come_before_their_notes() -> None:
    """On one tick the value first, so that the note has it; the lane goes round by itself."""
    points = (ControlPoint(step=0, value=9), ControlPoint(step=4, value=80))
    lane = ControlLane(id="c", name="c", controller=74, length=12, points=points)
    content = Content(voices=(build.voice("x...x...x...x..."),), lanes=(lane,))
    dues = player_of(playing(content)).advance(BAR + 1)
    rows = [(t // SIXTEENTH_TICKS, type(e)) for t, _, e in dues
            if isinstance(e, (ControlChange, NoteOn))]  # fmt: skip
    assert rows == [
        (0, ControlChange), (0, NoteOn), (4, ControlChange), (4, NoteOn), (8, NoteOn),
        (12, ControlChange), (12, NoteOn), (16, ControlChange), (16, NoteOn),
    ]  # fmt: skip


def test_an_edit_is_heard_at_the_next_step_and_nowhere_else() -> None:
    """While it plays a hit is added and one removed: the other voices go on as they were."""
    project = playing(RICH)
    player = player_of(project)
    at = BAR + 5 * CLOCK_TICKS
    before = player.advance(at)
    changed = with_content(
        project, "p", lambda c: edit.with_voice(c, "a", lambda v: edit.put_hit(v, Hit(step=4)))
    )
    player.apply(ReplacePlan(plan=make_plan(changed, changed.songs[0])))
    after = player.advance(4 * BAR)
    whole = notes(song_events(make_plan(project, project.songs[0])))
    others = [n for n in whole if n[1] != 40 and n[0] < 4 * BAR]
    assert [n for n in notes([*before, *after]) if n[1] != 40] == others
    new = notes(song_events(make_plan(changed, changed.songs[0])))
    assert notes(after) == [n for n in new if at <= n[0] < 4 * BAR]


def test_the_metronome() -> None:
    """Every beat on what clicks the count-in, the bar's first louder; nobody chosen: refused."""
    project = playing(Content())
    with pytest.raises(EditError, match="choose a box"):
        player_of(project).apply(Metronome(on=True))
    rig = msgspec.structs.replace(project.rig, count_in=CountIn(device="box", note=37))
    player = player_of(msgspec.structs.replace(project, rig=rig))
    player.apply(Metronome(on=True))
    dues = player.advance(BAR + 1)
    clicks = [(t // BEAT, e.velocity) for t, _, e in dues if isinstance(e, NoteOn)]
    assert clicks == [(0, 120), (1, 80), (2, 80), (3, 80), (4, 120)]
    player.apply(Metronome(on=False))
    assert not notes(player.advance(2 * BAR))


@pytest.mark.parametrize(
    ("at", "beats"), [("quarter_beat", 1.5), ("beat", 2.0), ("bar", 4.0), ("section_end", 16.0)]
)
def test_launches_from_a_quarter_beat_to_a_bar(at: LaunchAt, beats: float) -> None:
    """Asked for at 1.3 beats: the next section comes in on the next such line."""
    player = player_of(playing(Content(voices=(build.voice("x..."),))))
    player.advance(BEAT * 13 // 10)
    player.apply(Launch(section="s2", at=at))
    dues = player.advance(17 * BEAT)
    starts = [t / BEAT for t, _, e in dues if isinstance(e, SectionStarts)]
    assert starts == [beats]


def drone() -> Project:
    """A note that opens an input, held as long as its scene lasts, under a beat; then another."""
    held = msgspec.structs.replace(
        build.voice("x...............", 30, "gate"), hits=(Hit(step=0, tie=True),)
    )
    low = build.pattern("low", "box", build.voice("x...x...x...x...", 36), held)
    other = build.pattern("other", "box", build.voice("x...............", 50))
    scenes = [build.scene("a", 4, box=["low"]), build.scene("b", 2, box=["other"])]
    box = build.device("box")
    return build.project([box], [low, other], scenes, build.song("a", "b"))


def held_notes(dues: list[Due], note: int = 30) -> list[tuple[float, str]]:
    """(bar, on or off) of one note."""
    return [
        (t / BAR, "on" if isinstance(e, NoteOn) else "off")
        for t, _, e in dues
        if isinstance(e, (NoteOn, NoteOff)) and e.note == note
    ]


def test_a_held_note_lasts_while_its_scene_does() -> None:
    """One on, no off and on at the wrap, one off where the scene ends."""
    player = Player(make_plan(drone(), drone().songs[0]))
    dues = player.apply(Begin()) + player.advance(7 * BAR)
    assert held_notes(dues) == [(0, "on"), (4, "off")]


def test_a_held_note_is_there_wherever_one_comes_in_and_after_a_mute() -> None:
    """Located in the middle it is struck first; muted it ends, and comes back."""
    player = Player(make_plan(drone(), drone().songs[0]))
    dues = player.apply(Begin(tick=BAR + BAR // 2)) + player.advance(2 * BAR)
    assert held_notes(dues) == [(1.5, "on")]
    dues = player.apply(Mute(device="box", voice="gate", on=True))
    dues += player.apply(Mute(device="box", voice="gate", on=False))
    assert [kind for _, kind in held_notes(dues)] == ["off", "on"]
    dues = player.apply(Halt())
    assert [kind for _, kind in held_notes(dues)] == ["off"]


def test_a_held_note_survives_an_edit_of_something_else() -> None:
    """And ends with an edit that takes it away."""
    project = drone()
    player = Player(make_plan(project, project.songs[0]))
    player.apply(Begin())
    player.advance(BAR)

    def edited(edit: Callable[[Content], Content]) -> list[Due]:
        after = with_content(project, "low", edit)
        return player.apply(ReplacePlan(plan=make_plan(after, after.songs[0])))

    louder = edited(lambda c: msgspec.structs.replace(c, swing=60.0))
    assert held_notes(louder) == []
    gone = edited(lambda c: msgspec.structs.replace(c, voices=c.voices[:1]))
    assert [kind for _, kind in held_notes(gone)] == ["off"]


def with_fills() -> Project:
    """A box that plays its own and has a controller for fills, one that has a pattern for them,
    and one that Grebe plays, with a pattern for them too."""
    own = {"plays": "own", "obeys_program": True}
    boxes = [
        build.device("a", channel=1, spec=Spec(fill_controller=30), **own),
        build.device("b", channel=2, **own),
        build.device("c", channel=3),
    ]
    patterns = [
        build.own(build.pattern(f"{box}{n}", box, build.voice("x..." if n else "x.x.", 36 + n),
                                program=n))
        for box in "abc" for n in (0, 1)
    ]  # fmt: skip
    parts = {
        "a": Part(device="a", chain=("a0",)), "b": Part(device="b", chain=("b0",), fill="b1"),
        "c": Part(device="c", chain=("c0", "c0"), fill="c1"),
    }  # fmt: skip
    return build.project(boxes, patterns, [build.scene("s", 8, **parts)], build.song("s"))


def test_a_fill_reaches_boxes_that_play_their_own() -> None:
    """By their controller, by their pattern's number; held for a bar, then back in time."""
    project = with_fills()
    player = player_of(project)
    player.advance(BAR)
    dues = player.apply(Fill(on=True))
    told = [(d, type(e).__name__, getattr(e, "value", getattr(e, "program", None)))
            for _, d, e in dues if isinstance(e, (ControlChange, ProgramChange))]  # fmt: skip
    assert told == [("a", "ControlChange", 127), ("b", "ProgramChange", 1)]
    assert {s.line: s.pattern for s in player.now} == {"a": "a0", "b": "b1", "c": "c1"}
    dues = player.advance(2 * BAR)
    assert {n for _, n in notes(dues)} == {37}
    dues = player.apply(Fill(on=False)) + player.advance(3 * BAR)
    told = [(d, type(e).__name__, getattr(e, "value", getattr(e, "program", None)))
            for _, d, e in dues if isinstance(e, (ControlChange, ProgramChange))]  # fmt: skip
    assert told[:2] == [("a", "ControlChange", 0), ("b", "ProgramChange", 0)]
    played = notes(dues)
    assert {n for _, n in played} == {36}
    assert played[0][0] == 2 * BAR  # where it would be, had there been no fill


def test_a_fill_held_into_the_next_scene_is_that_scene_s() -> None:
    """And let go there, what the scene gives is played from where it began."""
    project = with_fills()
    scenes = (msgspec.structs.replace(project.scenes[0], bars=1),
              msgspec.structs.replace(project.scenes[0], id="t", name="t"))  # fmt: skip
    project = msgspec.structs.replace(project, scenes=scenes, songs=(build.song("s", "t"),))
    player = player_of(project)
    player.advance(BAR // 2)
    player.apply(Fill(on=True))
    promise = player.promise()
    assert promise is not None
    assert {s.line: s.pattern for s in promise.lines} == {"a": "a0", "b": "b1", "c": "c1"}
    player.advance(BAR + 1)
    assert {s.line: s.pattern for s in player.now} == {"a": "a0", "b": "b1", "c": "c1"}
    player.apply(Fill(on=False))
    assert {s.line: s.pattern for s in player.now} == {"a": "a0", "b": "b0", "c": "c0"}


def faded(bars: int, *over: tuple[int, int]) -> tuple[Player, list[Due]]:
    """A controller at 20 in the first scene, at 84 in the second, there over some bars."""
    box = build.device("a")
    patterns = [build.pattern("p", "a", build.voice("x..."))]
    scenes = [
        build.scene(f"s{n}", long, a=Part(
            device="a", chain=("p",), over_bars=bars,
            values=(ControlValue(controller=74, value=value),),
        ))
        for n, (long, value) in enumerate(over)
    ]  # fmt: skip
    project = build.project([box], patterns, scenes, build.song(*(s.id for s in scenes)))
    player = player_of(project)
    return player, player.advance(sum(long for long, _ in over) * BAR)


def values(dues: list[Due]) -> list[tuple[float, int]]:
    """(bar, value) of the controller."""
    return [(t / BAR, e.value) for t, _, e in dues if isinstance(e, ControlChange)]


def test_controllers_go_to_a_scene_s_values_over_bars() -> None:
    """From where they stand, evenly, a step at a time; at once where they stand nowhere yet, or
    where no bars are said; another scene ends it."""
    _, dues = faded(2, (2, 20), (4, 84))
    found = values(dues)
    assert found[0] == (0, 20)
    assert found[1][1] == 21
    assert found[-1] == (4, 84)
    assert [v for _, v in found] == list(range(20, 85))
    assert found[32] == (3, 52)  # half way after one of two bars
    _, dues = faded(0, (2, 20), (4, 84))
    assert values(dues) == [(0, 20), (2, 84)]
    _, dues = faded(4, (2, 20), (1, 84), (2, 20))
    found = values(dues)
    assert max(v for _, v in found) == 35  # a quarter of the way but for its last step
    assert found[-1][1] == 28  # and half of the way back from there
