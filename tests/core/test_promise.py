"""NEXT is a promise: if nobody asks for anything before its tick, that is what is sent there."""

from __future__ import annotations

from contextlib import suppress

import msgspec
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from grebe.core.document import Project
from grebe.core.player.commands import (
    Begin,
    Command,
    Hold,
    HoldDice,
    KeepMutes,
    Launch,
    Mute,
    ReplacePlan,
    Solo,
    Swap,
    Withdraw,
)
from grebe.core.player.events import ControlChange, Due, NoteOn, ProgramChange, SectionStarts
from grebe.core.player.plan import Plan, make_plan
from grebe.core.player.player import Player
from grebe.core.player.promise import Promise
from grebe.core.rig.model import Device
from grebe.core.songs.model import Part
from grebe.core.time.ticks import TICKS_PER_QUARTER
from grebe.errors import EditError
from tests import build
from tests.core.test_player_fuzz import RICH, moves
from tests.long import tries

BAR = 4 * TICKS_PER_QUARTER


def own_tracks() -> Project:
    """The groovebox twice: playing its own, and played note by note; scenes with mutes."""
    boxes: list[Device] = []
    patterns, parts = [], []
    for name, plays in (("groove", "own"), ("other", "grebe")):
        box = build.groovebox(plays=plays, obeys_program=True, mute_controller=19)
        boxes.append(msgspec.structs.replace(box, id=name, name=name.capitalize()))
        for number, track in enumerate(("lead", "low"), start=1):
            patterns += [
                build.own(build.pattern(f"{name}-{track}-{n}", f"{name}/{track}",
                                        build.voice("x.x."[: 2 + n], 40 + n), program=n))
                for n in range(3)
            ]  # fmt: skip
            parts.append((f"{name}/{track}", f"{name}-{track}", number))
        kit = build.voice("x...", 36, channel=9), build.voice("..x.", 36, "s", channel=10)
        patterns.append(build.own(build.pattern(f"{name}-kit", name, *kit, program=5)))
        parts.append((name, f"{name}-kit", 0))

    def scene(scene_id: str, bars: int, chosen: int, *muted: str) -> object:
        rows = []
        for line, stem, _ in parts:
            chain = (stem,) if stem.endswith("kit") else (f"{stem}-{chosen}",)
            rows.append(Part(device=line, chain=chain, muted=line in muted))
        rows += [Part(device=m, muted=True) for m in muted if m not in {r.device for r in rows}]
        return msgspec.structs.replace(build.scene(scene_id, bars), parts=tuple(rows))

    first = scene("a", 1, 0)
    second = scene("b", 2, 1, "groove/lead", "other/drum-1", "groove/drum-2")
    third = msgspec.structs.replace(scene("c", 1, 2), mutes="left", hand_mutes="drop")
    scenes = [first, second, third, msgspec.structs.replace(third, id="d", name="d", parts=())]
    return build.project(boxes, patterns, scenes, build.song("a", ("b", 2), "c", "d", "a"))


TRACKS = own_tracks()
LINES = [line.id for line in TRACKS.rig.lines]
on_tracks: st.SearchStrategy[Command] = st.one_of(
    st.builds(Mute, device=st.sampled_from(LINES), voice=st.sampled_from(["", "v", "s"]),
              on=st.booleans()),
    st.builds(Solo, device=st.sampled_from(LINES), voice=st.sampled_from(["", "v", "s"]),
              on=st.booleans()),
    st.builds(Swap, device=st.sampled_from(LINES),
              pattern=st.sampled_from(["", *(p.id for p in TRACKS.patterns)]),
              at=st.sampled_from(["end", "bar", "now"])),
    st.builds(Launch, section=st.sampled_from(["s1", "s2", "s3", "s4", "s5", ""]),
              at=st.sampled_from(["beat", "bar", "section_end", "now"])),
    st.builds(KeepMutes, on=st.booleans()),
    st.builds(HoldDice, on=st.booleans()),
    st.builds(Hold, on=st.booleans()),
    st.just(Withdraw()),
)  # fmt: skip
track_moves = st.lists(
    st.tuples(on_tracks, st.integers(1, 3 * BAR)), max_size=8
).map(lambda rows: [act for row in rows for act in row])  # fmt: skip


def performed(acts: list[Command | int], plan: Plan) -> tuple[Player, list[Due]]:
    """Begin, and do it all, as far as it goes; what was sent."""
    player = Player(plan)
    dues = player.apply(Begin())
    for act in acts:
        if not player.running:
            break
        if isinstance(act, int):
            dues += player.advance(player.tick + act)
        else:
            with suppress(EditError):
                dues += player.apply(act)
    return player, dues


class Wire:
    """What boxes were told last, as they would know it: no memory of what was meant."""

    def __init__(self, plan: Plan) -> None:
        self.plan = plan
        self.lines = {line.id: line for line in plan.lines}
        self.programs: dict[tuple[str, int], list[int]] = {}
        self.silent: dict[str, bool] = {}

    def take(self, dues: list[Due]) -> None:
        for _, device, event in dues:
            line = self.lines.get(device)
            if line is None:
                continue
            if isinstance(event, ProgramChange):
                address = (device.partition("/")[0], event.channel)
                self.programs.setdefault(address, []).append(event.program)
            elif isinstance(event, ControlChange) and (event.controller, event.channel) == (
                line.mute_controller, line.channel,
            ):  # fmt: skip
                self.silent[device] = event.value == 0


def holds(player: Player, promise: Promise, before: list[Due]) -> None:
    """Let time pass to the promise's tick, and look at what was sent."""
    wire = Wire(player.plan)
    wire.take(before)
    dues = player.advance(promise.tick + 1)
    wire.take(dues)
    starts = [e.section for t, _, e in dues if isinstance(e, SectionStarts) and t == promise.tick]
    if not promise.section:
        assert not player.running
        return
    assert player.section == promise.section
    if not promise.stays:
        assert starts[-1:] == [promise.section]
    now = {state.line: state for state in player.now}
    patterns = {p.id: p for p in player.plan.patterns}
    for state in promise.lines:
        line = wire.lines[state.line]
        there = now[state.line]
        assert (there.pattern, there.because) == (state.pattern, state.because) or promise.stays
        if line.plays == "own" and line.mute_controller is not None:
            assert wire.silent[state.line] == (state.because != "")
        if line.plays == "own" and line.obeys_program and state.pattern and not promise.stays:
            told = wire.programs.get((line.id.partition("/")[0], line.told_on), [])
            # Near the end of its place in the chain the box knows already what follows.
            assert patterns[state.pattern].program in told[-2:]
    struck = [(d, e) for t, d, e in dues if isinstance(e, NoteOn) and t == promise.tick]
    silent = {s.line for s in promise.lines if s.because}
    assert not silent.intersection(d for d, _ in struck) or promise.stays


@given(track_moves)
@settings(max_examples=tries(60))
def test_a_box_of_tracks_does_what_next_says(acts: list[Command | int]) -> None:
    """Mutes, solo, swaps and launches in any order."""
    player, dues = performed(acts, make_plan(TRACKS, TRACKS.songs[0]))
    promise = player.promise()
    if promise is not None:
        holds(player, promise, dues)


@given(moves)
@settings(max_examples=tries(60))
def test_any_performance_does_what_next_says(acts: list[Command | int]) -> None:
    """With jumps, loops, edits, regions, fills, tempo marks."""
    player, dues = performed(acts, make_plan(RICH, RICH.songs[0]))
    promise = player.promise()
    if promise is not None:
        holds(player, promise, dues)


@given(track_moves, on_tracks)
@settings(max_examples=tries(60))
def test_what_is_refused_changes_nothing(acts: list[Command | int], refused: Command) -> None:
    """It says why, and promise and sound are as before."""
    player, _ = performed(acts, make_plan(TRACKS, TRACKS.songs[0]))
    before = player.promise(), player.now
    try:
        player.apply(refused)
    except EditError as error:
        assert str(error)
        assert (player.promise(), player.now) == before


@given(track_moves, st.sampled_from(["s1", "s2", "s3", "s4"]))
@settings(max_examples=tries(60))
def test_a_launch_undone_gives_the_promise_from_before(
    acts: list[Command | int], section: str
) -> None:
    """Nothing of it is left."""
    player, _ = performed(acts, make_plan(TRACKS, TRACKS.songs[0]))
    if not player.running or player.launched or player.held:
        return
    before = player.promise()
    player.apply(Launch(section=section, at="section_end"))
    with suppress(EditError):
        player.apply(Withdraw())
        assert player.promise() == before


def test_a_mute_and_back_leaves_nothing_behind() -> None:
    """Muted by hand and let sound: the next scene's saved mutes hold, as NEXT says."""
    player, _ = performed([BAR // 2], make_plan(TRACKS, TRACKS.songs[0]))
    player.apply(Mute(device="groove/lead", on=True))
    player.apply(Mute(device="groove/lead", on=False))
    assert player.mutes_by_hand == ()
    promise = player.promise()
    assert promise is not None
    assert {s.line: s.because for s in promise.lines}["groove/lead"] == "scene"


def test_what_a_hand_lets_sound_is_silent_again_in_the_next_scene_that_says_so() -> None:
    """A saved mute taken back by hand is taken back here, not for ever."""
    project = TRACKS
    muted = tuple(
        msgspec.structs.replace(p, muted=p.device == "groove/lead") for p in project.scenes[0].parts
    )
    scenes = (msgspec.structs.replace(project.scenes[0], parts=muted), *project.scenes[1:])
    project = msgspec.structs.replace(project, scenes=scenes)
    player, dues = performed([BAR // 2], make_plan(project, project.songs[0]))
    player.apply(Mute(device="groove/lead", on=False))
    assert {s.line: s.because for s in player.now}["groove/lead"] == ""
    promise = player.promise()
    assert promise is not None
    assert {s.line: s.because for s in promise.lines}["groove/lead"] == "scene"
    holds(player, promise, dues)


@pytest.mark.parametrize("kept", [True, False])
def test_what_a_hand_silences_stays_or_goes_as_next_says(kept: bool) -> None:
    """As the scene has it, unless the hand says otherwise."""
    player, dues = performed([BAR // 2], make_plan(TRACKS, TRACKS.songs[0]))
    dues += player.apply(Mute(device="other/low", on=True))
    player.apply(KeepMutes(on=kept))
    promise = player.promise()
    assert promise is not None
    because = {s.line: s.because for s in promise.lines}["other/low"]
    assert because == ("hand" if kept else "")
    holds(player, promise, dues)


def test_an_edit_is_in_the_promise() -> None:
    """A scene that is coming and is changed now comes as it is then."""
    player, dues = performed([BAR // 2], make_plan(TRACKS, TRACKS.songs[0]))
    scenes = (TRACKS.scenes[0], msgspec.structs.replace(TRACKS.scenes[1], parts=()),
              *TRACKS.scenes[2:])  # fmt: skip
    edited = msgspec.structs.replace(TRACKS, scenes=scenes)
    dues += player.apply(ReplacePlan(plan=make_plan(edited, edited.songs[0])))
    promise = player.promise()
    assert promise is not None
    assert {s.because for s in promise.lines if s.line.startswith("other")} == {"nothing"}
    holds(player, promise, dues)
