"""What is laid over a song and the ways through it: regions, curves, fills, jumps, loops."""

from __future__ import annotations

import msgspec
import pytest

from grebe.core.document import Project
from grebe.core.patterns.model import Hit
from grebe.core.player.commands import Begin, KeepMutes, Launch, LoopOver, Mute, ReplacePlan
from grebe.core.player.events import (
    Continue,
    ControlChange,
    Due,
    MutesDropped,
    NoteOn,
    ProgramChange,
    SectionStarts,
    SongPosition,
    SongSelect,
    Stop,
    TimingClock,
)
from grebe.core.player.plan import make_plan
from grebe.core.player.player import Player
from grebe.core.songs.model import (
    BoxSong,
    ControlValue,
    Curve,
    CurvePoint,
    FillMark,
    MuteRegion,
    Part,
    TempoMark,
    Then,
)
from grebe.core.time.meter import Meter
from tests import build
from tests.core.dues import BAR, BEAT, beats, begun, of, sections, to_end

FOUR = "x...x...x...x..."


def beating(*rows: object, bpm: float = 120.0) -> Project:
    """A bass that plays every beat, in scenes of two bars."""
    bass = build.device("bass", channel=2)
    scenes = [build.scene(n, 2, bass=["b1"]) for n in ("a", "b", "c")]
    pattern = build.pattern("b1", "bass", build.voice(FOUR, 40))
    return build.project([bass], [pattern], scenes, build.song(*rows, bpm=bpm))


def played(project: Project, *commands: object) -> list[Due]:
    """Everything from top to end, after some commands."""
    player, dues = begun(project)
    for command in commands:
        dues += player.apply(command)  # type: ignore[arg-type]
    return dues + to_end(player)


def test_drums_out_for_two_bars() -> None:
    """A mute region silences its stretch exactly; what is under it is not touched."""
    region = MuteRegion(device="bass", at=8, long=12)
    dues = played(beating(("a", 1, {"mutes": (region,)})))
    assert beats(NoteOn, dues) == [0, 1, 5, 6, 7]


def test_a_region_of_one_voice_and_one_that_reaches_too_far() -> None:
    """Other voices play on; what lies past the section's end is not used."""
    project = beating(("a", 1, {"mutes": (MuteRegion(device="bass", voice="w", at=16, long=99),)}),
                      "b")  # fmt: skip
    two = build.pattern("b1", "bass", build.voice(FOUR, 40), build.voice(FOUR, 50, "w"))
    dues = played(msgspec.structs.replace(project, patterns=(two,)))
    notes = [(at, e.note) for at, e in of(NoteOn, dues)]  # type: ignore[attr-defined]
    assert [at for at, note in notes if note == 40] == list(range(16))
    assert [at for at, note in notes if note == 50] == [0, 1, 2, 3, *range(8, 16)]


def test_a_box_is_silenced_by_its_controller_over_a_region() -> None:
    """Grebe sends 0 where it begins, 127 where it ends."""
    project = build.two_boxes()
    song = build.song(("a", 1, {"mutes": (MuteRegion(device="drums", at=4, long=8),)}))
    dues = played(msgspec.structs.replace(project, songs=(song,)))
    values = [(at, e.value) for at, e in of(ControlChange, dues, "drums")]  # type: ignore[attr-defined]
    assert values == [(0, 127), (1, 0), (3, 127)]


def test_begun_inside_a_region_it_holds() -> None:
    """Located in its middle, the box is silent until its end."""
    region = MuteRegion(device="bass", at=4, long=20)
    player = Player(make_plan(p := beating(("a", 1, {"mutes": (region,)})), p.songs[0]))
    dues = player.apply(Begin(tick=2 * BEAT)) + to_end(player)
    assert beats(NoteOn, dues) == [6, 7]


def test_a_hand_goes_over_a_region() -> None:
    """Let sound by hand, it sounds."""
    region = MuteRegion(device="bass", at=0, long=32)
    player, dues = begun(beating(("a", 1, {"mutes": (region,)})))
    dues += player.advance(2 * BEAT)
    dues += player.apply(Mute(device="bass", on=False))
    dues += to_end(player)
    assert beats(NoteOn, dues) == [2, 3, 4, 5, 6, 7]


def test_a_controller_moves_over_bars() -> None:
    """From value to value in even steps, one for each of the controller's."""
    curve = Curve(
        device="bass", controller=74,
        points=tuple(CurvePoint(at=at, value=v) for at, v in ((0, 10), (16, 14), (24, 0))),
    )  # fmt: skip
    dues = played(beating(("a", 1, {"curves": (curve,)})))
    rows = [(at, e.value) for at, e in of(ControlChange, dues)]  # type: ignore[attr-defined]
    assert rows[:5] == [(0, 10), (1, 11), (2, 12), (3, 13), (4, 14)]
    assert rows[-1] == (6, 0)
    assert [v for _, v in rows] == [10, 11, 12, 13, 14, *range(13, -1, -1)]


def test_entered_in_its_middle_a_curve_stands_where_it_would() -> None:
    """The box is told the value of that place."""
    curve = Curve(
        device="bass",
        controller=74,
        points=(CurvePoint(at=0, value=0), CurvePoint(at=32, value=64)),
    )
    project = beating(("a", 1, {"curves": (curve,)}))
    player = Player(make_plan(project, project.songs[0]))
    dues = player.apply(Begin(tick=4 * BEAT)) + player.advance(4 * BEAT + 1)
    assert {e.value for _, e in of(ControlChange, dues)} == {32}  # type: ignore[attr-defined]


def test_a_written_fill() -> None:
    """Hits that wait for a fill play while one is written."""
    project = beating(("a", 1, {"fills": (FillMark(at=16, long=8),)}))
    voice = build.voice("x...............", 40)
    waits = msgspec.structs.replace(
        voice, hits=tuple(Hit(step=s, when="fill") for s in (0, 4, 8, 12))
    )
    project = msgspec.structs.replace(project, patterns=(build.pattern("b1", "bass", waits),))
    assert beats(NoteOn, played(project)) == [4, 5]


def test_the_tempo_goes_elsewhere_inside_a_section() -> None:
    """Seconds of the layout and the points the player gives are the same."""
    project = beating(("a", 2, {"tempi": (TempoMark(at=16, bpm=140, ramp=16),)}), bpm=100)
    layout = project.layout(project.songs[0])
    points = [e.point for _, e in of(type(played(project)[0][2]), played(project))]  # type: ignore[attr-defined]
    assert points[-1].tick == BAR
    assert (points[-1].bpm, points[-1].ramp_ticks) == (140, BAR)
    assert layout.tempo.bpm_at(2 * BAR) == 140
    # Four beats at 100, a ramp over four, eight at 140: closed form of a ramp linear in beats.
    ramp = 60 * 4 / 40 * pytest.approx(0.33647, abs=1e-4).expected
    assert layout.seconds() == pytest.approx(4 * 0.6 + ramp + 8 * 60 / 140, abs=1e-4)


def test_a_scene_sends_its_values() -> None:
    """As it comes in, on the box's channel."""
    project = beating("a")
    part = Part(device="bass", chain=("b1",), values=(ControlValue(controller=74, value=9),))
    scene = msgspec.structs.replace(project.scenes[0], parts=(part,))
    dues = played(msgspec.structs.replace(project, scenes=(scene,)))
    (row,) = of(ControlChange, dues)
    assert row == (0, ControlChange(channel=2, controller=74, value=9))


def test_a_jump_is_made_so_often() -> None:
    """Twice back to the second section, then on; a return goes where one came from."""
    project = beating("a", "b", ("c", 1, {"then": Then(kind="jump", to="s2", jumps=2)}))
    order = [section for _, section in sections(played(project))]
    assert order == ["s1", "s2", "s3", "s2", "s3", "s2", "s3"]
    project = beating("a", ("b", 1, {"then": Then(kind="back")}), "c")
    assert [s for _, s in sections(played(project))] == ["s1", "s2", "s1", "s2", "s3"]


def test_a_section_that_stays_waits_for_a_launch() -> None:
    """Pass after pass; then what is launched comes in at the end of a pass."""
    project = beating(("a", 1, {"then": Then(kind="stay")}), "b")
    player, dues = begun(project)
    dues += player.advance(7 * BAR)
    assert [s for _, s in sections(dues)] == ["s1"]
    player.apply(Launch())
    dues += to_end(player)
    assert sections(dues)[1] == (32, "s2")


def test_a_stretch_is_looped() -> None:
    """From bar 2 of the first to bar 1 of the second, over and over, until it is let go."""
    project = beating("a", "b")
    player, dues = begun(project)
    dues += player.apply(LoopOver(first=BAR, last=3 * BAR))
    dues += player.advance(6 * BAR)
    assert sections(dues) == [(0, "s1"), (8, "s2"), (12, "s1"), (16, "s2"), (20, "s1")]
    assert player.loop == (BAR, 3 * BAR)
    starts = [e.tick // BEAT for _, e in of(SectionStarts, dues)]  # type: ignore[attr-defined]
    assert starts == [0, 8, 8, 16, 16]


def test_a_loop_is_no_shorter_than_a_sixteenth() -> None:
    """A stretch of nearly nothing would come round without end; it is let go."""
    player, _ = begun(beating("a"))
    player.apply(LoopOver(first=628, last=6373))
    assert player.loop is None
    player.apply(LoopOver(first=BEAT + 1, last=2 * BEAT - 1))
    assert player.loop == (BEAT, BEAT + 3 * BEAT // 4)


def test_a_loop_of_less_than_a_bar_comes_round_at_its_end() -> None:
    """From the section's top, too: each round counts from where it comes in."""
    player, dues = begun(beating("a"))
    player.apply(LoopOver(first=0, last=3 * BEAT))
    dues += player.advance(9 * BEAT)
    assert [at for at, _ in sections(dues)] == [0, 3, 6]
    assert beats(NoteOn, dues) == list(range(9))


def test_in_a_loop_a_pattern_begins_where_it_stands_there() -> None:
    """Three beats of a bar over and over: its own first three, not going on through the fourth."""
    project = beating("a")
    pattern = build.pattern("b1", "bass", build.voice("x...........x...", 40))
    player, dues = begun(msgspec.structs.replace(project, patterns=(pattern,)))
    player.apply(LoopOver(first=0, last=3 * BEAT))
    dues += player.advance(9 * BEAT)
    assert beats(NoteOn, dues) == [0, 3, 6]


def test_a_jump_to_a_bar() -> None:
    """Launched into its middle, a section counts from where it would have begun."""
    project = beating("a", ("b", 2))
    player, dues = begun(project)
    dues += player.advance(BEAT)
    dues += player.apply(Launch(section="s2", at="bar", into_bars=3))
    dues += to_end(player)
    assert sections(dues) == [(0, "s1"), (4, "s2")]
    assert max(beats(TimingClock, dues)) < 8
    (_, entered) = of(SectionStarts, dues)[1]
    assert entered.tick == BAR - 3 * BAR  # type: ignore[attr-defined]


def test_mutes_left_alone() -> None:
    """A scene that leaves mutes alone keeps what stands; one that saves them sets its own."""
    project = beating("a", "b", "c")
    muted = Part(device="bass", chain=("b1",), muted=True)
    scenes = list(project.scenes)
    scenes[0] = msgspec.structs.replace(scenes[0], parts=(muted,))
    scenes[1] = msgspec.structs.replace(scenes[1], mutes="left")
    dues = played(msgspec.structs.replace(project, scenes=tuple(scenes)))
    assert beats(NoteOn, dues) == [16, 17, 18, 19, 20, 21, 22, 23]


@pytest.mark.parametrize(("scene_says", "performer_says", "dropped"), [
    ("keep", None, False), ("drop", None, True), ("keep", False, True), ("drop", True, False),
])  # fmt: skip
def test_mutes_by_hand_are_never_dropped_silently(
    scene_says: str, performer_says: bool | None, dropped: bool
) -> None:
    """Kept or dropped as the scene or the performer says; dropped, it is told."""
    project = beating("a", "b")
    scenes = tuple(msgspec.structs.replace(s, hand_mutes=scene_says) for s in project.scenes)
    player, dues = begun(msgspec.structs.replace(project, scenes=scenes))
    dues += player.advance(BEAT)
    dues += player.apply(Mute(device="bass", on=True))
    assert player.mutes_by_hand == (("bass", ""),)
    if performer_says is not None:
        player.apply(KeepMutes(on=performer_says))
    assert player.mutes_kept is not dropped
    dues += to_end(player)
    assert beats(MutesDropped, dues) == ([8] if dropped else [])
    assert beats(NoteOn, dues) == ([0, *range(8, 16)] if dropped else [0])


def test_a_mute_taken_back_leaves_later_saved_mutes_alone() -> None:
    """Muted and let sound again in one scene, it is silent where the next one says so."""
    project = beating("a", "b", "c")
    muted = Part(device="bass", chain=("b1",), muted=True)
    scenes = list(project.scenes)
    scenes[1] = msgspec.structs.replace(scenes[1], parts=(muted,))
    scenes = [msgspec.structs.replace(s, hand_mutes="keep") for s in scenes]
    player, dues = begun(msgspec.structs.replace(project, scenes=tuple(scenes)))
    dues += player.advance(BEAT)
    for on in (True, False):
        dues += player.apply(Mute(device="bass", on=on))
    assert player.mutes_by_hand == ()
    dues += to_end(player)
    assert beats(NoteOn, dues) == [*range(8), *range(16, 24)]


def test_one_let_sound_against_a_saved_mute_is_forgotten_where_nothing_mutes_it() -> None:
    """The hand's word holds while the scene says otherwise, and no longer."""
    project = beating("a", "b", "c")
    muted = Part(device="bass", chain=("b1",), muted=True)
    scenes = list(project.scenes)
    for number in (0, 2):
        scenes[number] = msgspec.structs.replace(scenes[number], parts=(muted,))
    scenes = [msgspec.structs.replace(s, hand_mutes="keep") for s in scenes]
    player, dues = begun(msgspec.structs.replace(project, scenes=tuple(scenes)))
    dues += player.advance(BEAT)
    dues += player.apply(Mute(device="bass", on=False))
    assert player.mutes_by_hand == (("bass", ""),)
    dues += to_end(player)
    assert not [beat for beat in beats(NoteOn, dues) if beat >= 16]


def test_a_box_with_a_song_of_its_own() -> None:
    """It is told which song, no patterns, and where a launch goes to."""
    project = build.two_boxes()
    song = msgspec.structs.replace(project.songs[0], box_songs=(BoxSong(device="drums", number=3),))
    player, dues = begun(msgspec.structs.replace(project, songs=(song,)))
    assert [e.song for _, e in of(SongSelect, dues)] == [3]  # type: ignore[attr-defined]
    dues = player.advance(BEAT) + player.apply(Launch(section="s3", at="bar"))
    dues += player.advance(2 * BAR)
    assert not of(ProgramChange, dues)
    told = [(at, type(e)) for at, d, e in
            ((t / BEAT, d, e) for t, d, e in dues) if d == "drums"
            and isinstance(e, (Stop, SongPosition, Continue))]  # fmt: skip
    assert told == [(4, Stop), (4, SongPosition), (4, Continue)]
    (_, place) = of(SongPosition, dues)[0]
    assert place == SongPosition(sixteenths=16 * 6)


def test_a_box_that_takes_long_is_told_sooner() -> None:
    """As long before the boundary as its profile says: 500 ms at 120 BPM are a beat."""
    project = build.two_boxes()
    drums, bass = project.rig.devices
    slow = msgspec.structs.replace(drums.spec, told_ms=500.0)
    rig = msgspec.structs.replace(
        project.rig, devices=(msgspec.structs.replace(drums, spec=slow), bass)
    )
    song = msgspec.structs.replace(project.songs[0], bpm=120.0)
    dues = played(msgspec.structs.replace(project, rig=rig, songs=(song,)))
    assert beats(ProgramChange, dues)[1:] == [7, 23]


def test_a_box_that_takes_long_is_told_along_a_ramp_too() -> None:
    """The tempo has moved on between planning and telling: it is told once, ahead."""
    project = build.two_boxes()
    drums, bass = project.rig.devices
    slow = msgspec.structs.replace(drums.spec, told_ms=700.0)
    rig = msgspec.structs.replace(
        project.rig, devices=(msgspec.structs.replace(drums, spec=slow), bass)
    )
    song = build.song(("a", 2, {"tempi": (TempoMark(at=4, bpm=180, ramp=60),)}), "b", bpm=100)
    dues = played(msgspec.structs.replace(project, rig=rig, songs=(song,)))
    told = beats(ProgramChange, dues)[1:]
    assert len(told) == 1
    assert told[0] < 16 - 1


def test_a_region_added_while_it_plays_holds_from_there() -> None:
    """An edit in the middle of the section; taken away, it is over."""
    project = beating("a")
    player, dues = begun(project)
    dues += player.advance(2 * BEAT)
    song = beating(("a", 1, {"mutes": (MuteRegion(device="bass", at=0, long=16),)})).songs[0]
    edited = msgspec.structs.replace(project, songs=(song,))
    dues += player.apply(ReplacePlan(plan=make_plan(edited, song)))
    dues += to_end(player)
    assert beats(NoteOn, dues) == [0, 1, 4, 5, 6, 7]


def test_sections_of_no_bars_are_left_out() -> None:
    """No passes, or a scene without bars: the rest plays."""
    project = beating("a", ("b", 0), "c")
    scenes = (*project.scenes[:2], msgspec.structs.replace(project.scenes[2], bars=0))
    dues = played(msgspec.structs.replace(project, scenes=scenes))
    assert sections(dues) == [(0, "s1")]


@pytest.mark.parametrize("meter", [Meter(beats=1, unit=4), Meter(beats=3, unit=16)])
def test_scenes_change_on_a_clock_divided_below_a_bar(meter: Meter) -> None:
    """A scene lasts a beat, or three sixteenths: its mutes go with it, and patterns of a bar run
    on through all of them as if nothing changed."""
    lead = build.pattern("l", "lead", build.voice("x.x.xxx.x.x.x.xx", 60))
    hat = build.pattern("h", "hat", build.voice("x" * 16, 42))
    devices = [build.device("lead", channel=1), build.device("hat", channel=2)]
    on = build.scene("on", 1, meter, lead=["l"], hat=["h"])
    off = build.scene("off", 1, meter, lead=["l"], hat=Part(device="hat", chain=("h",), muted=True))
    divided = build.project(devices, [lead, hat], [on, off], build.song(*["on", "off"] * 8))
    plain = build.scene("on", 4, lead=["l"], hat=["h"])
    whole = build.project(devices, [lead, hat], [plain], build.song("on"))

    def struck(project: Project, device: str) -> list[int]:
        return [t for t, d, e in played(project) if d == device and isinstance(e, NoteOn)]

    end = 16 * meter.bar_ticks
    assert struck(divided, "lead") == [t for t in struck(whole, "lead") if t < end]
    heard = [t for t in struck(whole, "hat") if t < end and t // meter.bar_ticks % 2 == 0]
    assert struck(divided, "hat") == heard
