"""Boxes with habits: inputs held open, what is pressed first, settings in their own words, old
memories in the sheets."""

from __future__ import annotations

import msgspec
import pytest

from grebe.core.document import Project, with_device, with_rig
from grebe.core.patterns.stepsheet import step_sheet
from grebe.core.player.commands import Begin, Halt, ReplacePlan
from grebe.core.player.events import ControlChange, Due, NoteOff, NoteOn
from grebe.core.player.plan import make_plan
from grebe.core.player.player import Player
from grebe.core.player.run import PREROLL_TICKS
from grebe.core.rig.formatting import (
    gates_from_words,
    gates_words,
    plays_from_words,
    plays_words,
)
from grebe.core.rig.model import AudioPort, Cable, Device, Gate, Plays
from grebe.core.rig.setup import of_device, setup_sheet
from grebe.core.rig.spec import (
    ChainRule,
    Jack,
    MemoryShape,
    Opener,
    Setting,
    SettingFor,
    Spec,
    SpecVoice,
)
from grebe.core.songs.changes import changes, reached_by
from grebe.core.songs.model import BoxSong, Part
from grebe.core.songs.programme import programmes
from grebe.core.time.ticks import TICKS_PER_QUARTER
from grebe.engine.lines import PulseOutputs
from grebe.errors import EditError
from grebe.transports.clock import SimulatedClock
from tests import build
from tests.core.rigs import pedal_in_the_middle

BAR = 4 * TICKS_PER_QUARTER
GATE = 24


def opened(closes: str = "released", **fields: object) -> Project:
    """A box whose input Grebe holds open, playing two scenes of a bar."""
    opener = msgspec.convert({"note": GATE, "closes": closes}, Opener)
    box = build.device("box", channel=4, spec=Spec(opener=opener), holds_open=True, **fields)
    patterns = [build.pattern(i, "box", build.voice("x" + 15 * ".", 60)) for i in ("a", "b")]
    scenes = [build.scene(i, 1, box=[i]) for i in ("a", "b")]
    return build.project([box], patterns, scenes, build.song("a", "b"))


def gates(dues: list[Due]) -> list[tuple[int, str]]:
    """When the note that opens it begins and ends."""
    return [
        (tick, "on" if isinstance(event, NoteOn) else "off")
        for tick, _, event in dues
        if isinstance(event, NoteOn | NoteOff) and event.note == GATE
    ]


def run(project: Project, bars: int) -> list[Due]:
    player = Player(make_plan(project, project.songs[0]))
    dues = player.apply(Begin())
    dues += player.advance(bars * BAR)
    return dues + player.apply(Halt())


def test_it_is_held_from_before_the_first_beat_to_the_end() -> None:
    """Once for the whole run, on the box's channel."""
    dues = run(opened(), 2)
    assert gates(dues) == [(-PREROLL_TICKS, "on"), (2 * BAR, "off")]
    first = next(t for t, _, e in dues if isinstance(e, NoteOn) and e.note == 60)
    assert first == 0
    assert {e.channel for _, _, e in dues if isinstance(e, NoteOn) and e.note == GATE} == {4}


def test_it_is_struck_anew_before_each_pattern_where_that_closes_it() -> None:
    dues = run(opened("pattern"), 2)
    again = BAR - PREROLL_TICKS
    assert gates(dues)[:3] == [(-PREROLL_TICKS, "on"), (again, "off"), (again, "on")]


def test_it_follows_an_edit_while_it_plays() -> None:
    """Let go when nobody wants it held any more, and held again."""
    project = opened()
    player = Player(make_plan(project, project.songs[0]))
    player.apply(Begin())
    player.advance(BAR // 2)
    shut = with_device(project, "box", lambda d: msgspec.structs.replace(d, holds_open=False))
    dues = player.apply(ReplacePlan(plan=make_plan(shut, shut.songs[0])))
    assert [how for _, how in gates(dues)] == ["off"]
    dues = player.apply(ReplacePlan(plan=make_plan(project, project.songs[0])))
    assert [how for _, how in gates(dues)] == ["on"]


# Sheets


def test_sheets_begin_with_switching_on() -> None:
    """The leader before its followers, what is pressed with it, and a wait."""
    sheet = setup_sheet(pedal_in_the_middle())
    assert sheet.switching_on is not None
    assert [s.do for s in sheet.switching_on.steps] == [
        "Dunnock.",
        "Otter.",
        "Otter: hold the left switch while switching on; then wait 3 s.",
        "Murre.",
    ]
    assert of_device(sheet, "otter").switching_on is None
    own = next(d for d in sheet.devices if d.device == "otter")
    assert own.steps[0].do.startswith("Otter: hold the left switch")


def test_the_turn_can_be_set_and_what_is_loud_comes_last() -> None:
    loud = Spec(jacks=(Jack(id="in", name="In", kind="audio", speakers=True),))
    project = build.project(
        [build.device("desk", spec=loud), build.device("drums"), build.device("bass")], [], [],
        build.song(),
    )  # fmt: skip
    switched = setup_sheet(project).switching_on
    assert switched is not None
    assert [s.do.split()[-1] for s in switched.steps] == ["Drums.", "Bass.", "Desk."]
    project = with_device(project, "bass", lambda d: msgspec.structs.replace(d, on_at=1))
    switched = setup_sheet(project).switching_on
    assert switched is not None
    assert [s.do.split()[-1] for s in switched.steps] == ["Bass.", "Drums.", "Desk."]


def with_settings(*does: SettingFor, **fields: object) -> Device:
    settings = tuple(Setting(does=d, name=f"menu {d}") for d in does)
    spec = msgspec.structs.replace(Spec(), settings=settings)
    return build.device("murre", spec=spec, **fields)


def test_settings_stand_in_the_box_s_own_words() -> None:
    """What its sequencer and its pads send, the clock, the offset: as they are to be set here."""
    murre = with_settings("notes_out", "pads_out", "clock_out", "offset", "thru", "channel",
                          "notes_in", "clock_in", channel=5)  # fmt: skip
    project = build.project([murre, build.device("tern")], [], [], build.song())
    cables = (
        Cable(source="grebe", target="murre"),
        Cable(source="murre", target="tern", plays=Plays(offset=24)),
    )
    project = with_rig(project, msgspec.structs.replace(project.rig, cables=cables))
    steps = [s.do for s in setup_sheet(project).devices[0].steps]
    for words in ("menu notes_out: on.", "menu pads_out: on.", "menu clock_out: off.",
                  "menu offset: +24.", "menu thru: off.", "menu channel: 5.",
                  "menu notes_in: on.", "menu clock_in: on."):  # fmt: skip
        assert words in steps
    silent = (cables[0], msgspec.structs.replace(cables[1], plays=None))
    project = with_rig(project, msgspec.structs.replace(project.rig, cables=silent))
    steps = [s.do for s in setup_sheet(project).devices[0].steps]
    assert "menu notes_out: off." in steps
    assert "menu offset: 0." in steps


def test_an_old_memory_says_its_habits_where_they_matter() -> None:
    """What is cleared, when to stop for the other group, what is marked as the last."""
    memory = MemoryShape(groups=2, slots=8, printed="bank_group", across="stopped")
    rim = SpecVoice(name="Rim", note=40, keys="Snare and Hat")
    chains = ChainRule(rule="any", longest=9, marks_last=True)
    spec = Spec(memory=memory, chains=chains, clears=True, songs=4, voices=(rim,))
    box = build.device("box", plays="own", obeys_program=False, spec=spec)
    patterns = [
        build.own(build.pattern(i, "box", build.voice("x" + 15 * ".", 40), program=n))
        for i, n in (("a", 0), ("b", 9))
    ]
    scenes = [build.scene(i, 1, box=[i]) for i in ("a", "b")]
    project = build.project([box], patterns, scenes, build.song("a", "b"))
    (found,) = programmes(project, project.songs[0], reached_by(project))
    assert found.lines == (
        "First: writing over clears what stands there; keep what is still wanted of it",
        "Bar 1, a: A-1-01 a once",
        "Bar 2, b: stop it and go to the other group; A-2-02 b once",
        "Mark A-2-02 b as the last",
    )
    sheet = step_sheet(patterns[0], box, 120)
    assert "clears what stands there first" in sheet.settings
    assert sheet.voices[0].settings == "press Snare and Hat together"
    song = msgspec.structs.replace(project.songs[0], box_songs=(BoxSong(device="box", number=0),))
    held = msgspec.structs.replace(project, songs=(song,))
    (found,) = programmes(held, song, reached_by(held))
    assert found.lines[-1] == "Mark A-2-02 b as the last"


@pytest.mark.parametrize(
    ("plays", "words"),
    [
        (None, "no"),
        (Plays(), "yes"),
        (Plays(channel=10), "channel 10"),
        (Plays(offset=-24), "-24"),
        (Plays(channel=3, offset=12), "channel 3 +12"),
    ],
)
def test_what_a_cable_plays_is_typed_as_it_reads(plays: Plays | None, words: str) -> None:
    assert plays_words(plays) == words
    assert plays_from_words(words) == plays


@pytest.mark.parametrize("words", ["maybe", "channel 17", "+200", "channel"])
def test_what_a_cable_cannot_play_is_refused(words: str) -> None:
    with pytest.raises(EditError):
        plays_from_words(words)


# An echo that is held as a loop


def echoing(number: int | None) -> Project:
    """Frozen in the second of three scenes."""
    spec = Spec(freeze_controller=number, echo_ms=(20.0, 800.0))
    boxes = [build.device("drums"), build.device("echo", kind="echo", plays="own", spec=spec)]
    drums = build.pattern("d", "drums", build.voice("x" + 15 * "."))
    scenes = [
        build.scene("a", 1, drums=["d"]),
        build.scene("b", 1, drums=["d"], echo=Part(device="echo", frozen=True, echo="1/8.")),
        build.scene("c", 1, drums=["d"]),
    ]
    return build.project(boxes, [drums], scenes, build.song("a", "b", "c"))


def held(dues: list[Due]) -> list[tuple[int, int]]:
    return [(t, e.value) for t, _, e in dues if isinstance(e, ControlChange) and e.controller == 71]


def test_an_echo_is_frozen_with_its_scene_and_let_go_on_the_bar() -> None:
    """Whatever comes next, and when the run stops in the middle of it."""
    assert held(run(echoing(71), 3)) == [(BAR, 127), (2 * BAR, 0)]
    assert held(run(echoing(71), 2)) == [(BAR, 127), (2 * BAR, 0)]
    project = echoing(71)
    player = Player(make_plan(project, project.songs[0]))
    dues = player.apply(Begin()) + player.advance(BAR + BAR // 2) + player.apply(Halt())
    assert held(dues) == [(BAR, 127), (BAR + BAR // 2, 0)]


def test_freezing_is_grebes_change_or_a_hands() -> None:
    """By its controller on the one; a box without one takes a hand for it, and for its time."""
    project = echoing(71)
    a, b, _ = project.scenes
    reached = reached_by(project)
    told = {c.kind: c.by for c in changes(project, a, b, 120, reached=reached) if c.sent}
    assert told == {"echo": "grebe"}
    by_hand = echoing(None)
    found = [c for c in changes(by_hand, a, b, 120, reached=reached) if c.device == "echo"]
    assert [(c.by, c.after) for c in found] == [("hand", "1/8., 375 ms"), ("hand", "echo frozen")]


# Gates


GATES = (
    Gate(note=36, at=AudioPort(wire="jack")),
    Gate(note=38, at=AudioPort(wire="jack", name="system:playback_3")),
    Gate(note=40, at=AudioPort(wire="audio", name="Interface X", channel=3)),
)


def test_gates_are_typed_as_they_read() -> None:
    words = "36 JACK; 38 JACK system:playback_3; 40 3 of Interface X"
    assert gates_words(GATES) == words
    assert gates_from_words(words) == GATES
    assert gates_from_words(" ; ") == ()


@pytest.mark.parametrize("words", ["36", "JACK", "200 JACK", "36 99 of X", "36 3 of X; 38 3 of X"])
def test_what_are_no_gates(words: str) -> None:
    with pytest.raises(EditError):
        gates_from_words(words)


class Told:
    """A line that writes down what it is told."""

    def __init__(self) -> None:
        self.drawn, self.rows = self, list[tuple[int, bool]]()

    def level(self, due_ns: int, *, high: bool) -> None:
        self.rows.append((due_ns, high))

    def discard(self) -> None:
        self.rows.append((-1, False))


def test_a_gate_is_high_while_its_note_sounds_and_rests_before_the_next() -> None:
    """Down 2 ms early, so that a note on the end of another is struck anew; two closer than that
    are one."""
    lines = PulseOutputs(None, SimulatedClock())  # type: ignore[arg-type]
    line = Told()
    lines._open[("box", "gate 36")] = line  # type: ignore[assignment]
    ms = 1_000_000
    for at, high in ((100, True), (150, False), (150, True), (151, True), (200, False)):
        lines.gate("box", 36, at * ms, high=high)
    lines.gate("box", 99, 0, high=True)  # it has no gate
    assert [(t // ms, high) for t, high in line.rows] == [
        (100, True), (148, False), (150, True), (151, True), (198, False),
    ]  # fmt: skip
    lines.stop()
    assert line.rows[-1][1] is False
