"""Whatever a performer does, in whatever order: the clock never stumbles and no note hangs."""

from __future__ import annotations

from collections import Counter
from contextlib import suppress

import msgspec
from hypothesis import given, settings
from hypothesis import strategies as st

from grebe.core import document
from grebe.core.document import Project
from grebe.core.patterns.model import Content, ControlLane, ControlPoint, Hit, Pattern, Voice
from grebe.core.player.commands import (
    Again,
    Back,
    Begin,
    Command,
    Fill,
    Halt,
    Hold,
    HoldDice,
    KeepMutes,
    Launch,
    LoopOver,
    Metronome,
    Mute,
    Release,
    ReplacePlan,
    Skip,
    Solo,
    Steer,
    Withdraw,
)
from grebe.core.player.events import Due, NoteOff, NoteOn, SectionStarts, Start, Stop, TimingClock
from grebe.core.player.plan import Plan, make_plan, make_set_plan
from grebe.core.player.player import Player
from grebe.core.sets.model import Set, SetSong
from grebe.core.songs import edit
from grebe.core.songs.model import (
    Curve,
    CurvePoint,
    FillMark,
    MuteRegion,
    TempoMark,
    Then,
)
from grebe.core.time.meter import Meter
from grebe.core.time.ticks import CLOCK_TICKS, TICKS_PER_QUARTER
from grebe.errors import EditError
from tests import build
from tests.long import tries

BAR = 4 * TICKS_PER_QUARTER


def a_rich_project() -> Project:
    """Chains, unequal lengths, long gates, odd metres, a ramp, silence, a muted part."""
    bass = build.voice("xx.x..x", 40, direction="there and back")
    hits = (
        Hit(step=0, flam=300, shift_permille=-300),
        Hit(step=1, ratchet=5, ratchet_to=40, chance=60),
        Hit(step=3, when="fill", chord=(3, 7)), Hit(step=4, tie=True, when="1 of 2"),
        Hit(step=5, shift_permille=499, gate_length=400),
    )  # fmt: skip
    rich = Voice(id="w", name="w", note=50, length=6, swing=63.0, hits=hits)
    wild = build.voice("xxx", 41, "r", direction="random", even=True)
    lane = ControlLane(
        id="c", name="c", controller=74, length=7,
        points=(ControlPoint(step=0, value=3, glide=True), ControlPoint(step=5, value=99)),
    )  # fmt: skip
    content = Content(length=12, swing=58.0, voices=(bass, rich, wild), lanes=(lane,))
    project = build.two_boxes()
    b2 = Pattern(id="b2", name="b2", device="bass", content=content)
    patterns = (*project.patterns, b2)
    scenes = (
        build.scene("a", 2, drums=["d1", "d2"], bass=["b1", "b2", "b1"]),
        build.scene("b", 1, Meter(beats=7, unit=8), bass=["b2"]),
        build.scene("c", 1, drums=["d2"]),
    )
    scenes = (scenes[0], msgspec.structs.replace(scenes[1], hand_mutes="drop"),
              msgspec.structs.replace(scenes[2], mutes="left"))  # fmt: skip
    over = {
        "mutes": (MuteRegion(device="bass", at=3, long=9), MuteRegion(device="drums", at=0),
                  MuteRegion(device="bass", voice="w", at=5, long=99)),
        "curves": (Curve(device="bass", controller=7,
                         points=(CurvePoint(at=1, value=0), CurvePoint(at=9, value=99))),),
        "fills": (FillMark(at=2, long=7),),
        "tempi": (TempoMark(at=5, bpm=90, ramp=8),),
    }  # fmt: skip
    jump = {"then": Then(kind="jump", to="s2", jumps=2)}
    song = build.song(
        ("a", 2, over), ("b", 3, {"bpm": 150, "ramp_bars": 2}), ("c", 1, jump), "a", bpm=120
    )
    return build.project(list(project.rig.devices), list(patterns), list(scenes), song)


RICH = a_rich_project()
SECTIONS = ("s1", "s2", "s3", "s4", "e2-s1", "e3-s2", "")


def edited(which: int) -> ReplacePlan:
    """One of some edits, as a plan."""
    edits = (
        lambda s: edit.set_tempo(s, 90),
        lambda s: edit.set_times(s, 1, 1),
        lambda s: edit.remove_section(s, 0),
        lambda s: edit.move_section(s, 2, -2),
        lambda s: edit.duplicate_section(s, 1),
    )
    if which < len(edits):
        project = document.with_song(RICH, "song", edits[which])
    else:
        project = document.with_content(
            RICH, "b2", lambda c: build.pattern("x", "bass", build.voice("x.x", 41)).content
        )
    return ReplacePlan(plan=make_plan(project, project.songs[0]))


EDITED = [edited(which) for which in range(6)]
commands: st.SearchStrategy[Command] = st.one_of(
    st.builds(
        Launch,
        section=st.sampled_from(SECTIONS),
        at=st.sampled_from(["quarter_beat", "beat", "bar", "section_end", "now"]),
    ),
    st.builds(Hold, on=st.booleans()),
    st.builds(
        Launch, section=st.sampled_from(SECTIONS), at=st.just("bar"), into_bars=st.integers(0, 5)
    ),
    st.builds(LoopOver, first=st.integers(0, 8 * BAR), last=st.integers(0, 8 * BAR)),
    st.builds(KeepMutes, on=st.booleans()),
    st.builds(HoldDice, on=st.booleans()),
    st.just(Again()),
    st.builds(Fill, on=st.booleans()),
    st.builds(Metronome, on=st.booleans()),
    st.just(Skip()),
    st.builds(Back, at=st.sampled_from(["bar", "beat", "now", "section_end"])),
    st.just(Withdraw()),
    st.builds(Release, ramp_bars=st.one_of(st.none(), st.integers(0, 3))),
    st.builds(Solo, device=st.sampled_from(["drums", "bass"]), on=st.booleans()),
    st.builds(Steer, bpm=st.floats(60, 200), ramp_bars=st.integers(0, 4)),
    st.builds(
        Mute,
        device=st.sampled_from(["drums", "bass"]),
        voice=st.sampled_from(["", "v", "w"]),
        on=st.booleans(),
    ),
    st.sampled_from(EDITED),
    st.just(Begin()),
)
passing = st.one_of(
    st.sampled_from([1, CLOCK_TICKS, TICKS_PER_QUARTER, BAR, 2 * BAR, 3 * BAR]),
    st.integers(1, 3 * BAR),
)
moves: st.SearchStrategy[list[Command | int]] = st.lists(
    st.tuples(commands, passing), max_size=8
).map(lambda rows: [act for row in rows for act in row])
"""Time passes after every command: left to chance it hardly would."""


NIGHT = Set(
    songs=tuple(
        SetSong(id=f"e{n}", song="song", into=way, ramp_bars=2)
        for n, way in enumerate(("stop", "carry", "ramp", "stop", "cut"), start=1)
    )
)
"""The song five times, coming in each way."""


def play(
    acts: list[Command | int], section: str, plan: Plan | None = None
) -> tuple[Player, list[Due]]:
    """Begin, do it all, and stop if it has not ended."""
    player = Player(plan or make_plan(RICH, RICH.songs[0]))
    try:
        dues = player.apply(Begin(section=section))
    except EditError:  # a section of a set, in a song
        dues = player.apply(Begin())
    for act in acts:
        if not player.running:
            break
        if isinstance(act, int):
            dues += player.advance(player.tick + act)
        else:
            with suppress(EditError):  # a section that an edit has taken away
                dues += player.apply(act)
    return player, dues + player.apply(Halt())


@given(moves, st.sampled_from(SECTIONS))
@settings(max_examples=tries(60))
def test_the_clock_never_stumbles(acts: list[Command | int], section: str) -> None:
    """Every tick at every device, evenly, from the start to the stop, which comes once."""
    _, dues = play(acts, section)
    for device in ("drums", "bass"):
        ticks = [t for t, d, e in dues if d == device and isinstance(e, TimingClock)]
        assert ticks == [ticks[0] + n * CLOCK_TICKS for n in range(len(ticks))] if ticks else True
        first = ticks[0] if ticks else dues[0][0]
        stops = [t for t, d, e in dues if d == device and isinstance(e, Stop)]
        # Before a song position boxes are stopped; after that, once.
        assert len([t for t in stops if t >= first]) == 1 or not ticks
        assert sum(isinstance(e, Start) for _, d, e in dues if d == device) <= 1


@given(moves, st.sampled_from(SECTIONS))
@settings(max_examples=tries(60))
def test_no_note_hangs(acts: list[Command | int], section: str) -> None:
    """Every note that begins ends, never twice at once, and nothing goes back in time."""
    _, dues = play(acts, section)
    sounding: Counter[tuple[str, int, int]] = Counter()
    last = min((t for t, _, _ in dues), default=0)
    for tick, device, event in dues:
        if isinstance(event, NoteOn):
            assert tick >= last
            last = tick
            key = (device, event.channel, event.note)
            sounding[key] += 1
            assert sounding[key] == 1
        elif isinstance(event, NoteOff):
            sounding[(device, event.channel, event.note)] -= 1
    assert set(sounding.values()) <= {0}


@given(moves)
@settings(max_examples=tries(60))
def test_sections_begin_on_bar_lines_of_their_own(acts: list[Command | int]) -> None:
    """Entered from its top, a section's first bar line lies at most a bar before it comes in;
    in its middle, inside it. Places increase."""
    inside = any(isinstance(a, LoopOver) or (isinstance(a, Launch) and a.into_bars) for a in acts)
    _, dues = play(acts, "")
    starts = [(t, e) for t, _, e in dues if isinstance(e, SectionStarts)]
    for tick, event in starts:
        assert event.tick <= tick < event.tick + (12 * BAR if inside else BAR)
    assert [t for t, _ in starts] == sorted(t for t, _ in starts)


@given(moves)
@settings(max_examples=tries(20))
def test_the_same_performance_twice(acts: list[Command | int]) -> None:
    """The same calls give the same messages."""
    assert play(acts, "")[1] == play(acts, "")[1]


@given(moves, st.sampled_from(SECTIONS))
@settings(max_examples=tries(40))
def test_a_set_does_not_stumble_either(acts: list[Command | int], section: str) -> None:
    """From song to song, however they come in: every tick evenly, no note left sounding."""
    acts = [a for a in acts if not isinstance(a, ReplacePlan)]
    _, dues = play(acts, section, make_set_plan(RICH, NIGHT))
    for device in ("drums", "bass"):
        ticks = [t for t, d, e in dues if d == device and isinstance(e, TimingClock)]
        assert ticks == [ticks[0] + n * CLOCK_TICKS for n in range(len(ticks))]
    sounding: Counter[tuple[str, int, int]] = Counter()
    for _, device, event in dues:
        if isinstance(event, NoteOn | NoteOff):
            by = 1 if isinstance(event, NoteOn) else -1
            sounding[(device, event.channel, event.note)] += by
    assert set(sounding.values()) <= {0}
