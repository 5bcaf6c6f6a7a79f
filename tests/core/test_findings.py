"""Every finding: a rig that has it, what it says, and that the cure takes it away."""

from __future__ import annotations

import re
from collections.abc import Callable
from pathlib import Path

import msgspec
import pytest

from grebe.app.document.demo import demo_bytes
from grebe.core.document import Project
from grebe.core.findings import Finding, as_intended, check, find, mend, not_intended
from grebe.core.patterns.model import Hit
from grebe.core.rig.spec import ControllerRow, Spec, SpecVoice, Steps
from grebe.core.sets.model import Set, SetSong
from grebe.core.songs.model import Then
from grebe.errors import EditError
from grebe.formats.project import parse_project
from tests import build
from tests.core.faulty_projects import (
    BASS,
    CHORD,
    CUTOFF,
    beat,
    between_steps,
    beyond_the_memory,
    blocked,
    cannot_give,
    clock_off_at_the_input,
    control_gone,
    divider_asked_to_multiply,
    echo_without_clock,
    fed,
    full_wire,
    grebe_deaf,
    guessed_box,
    hardly_proven,
    hits,
    into_speakers,
    late,
    leader_unheard,
    long_chain,
    middle,
    multiplied,
    no_clock,
    no_jack,
    no_leader,
    no_run_line,
    no_way,
    one_jack_two_plugs,
    one_place,
    pads_of_a_drum_box,
    pads_that_lie_otherwise,
    plays_deaf,
    plays_level,
    plays_twice,
    printed_otherwise,
    rate_that_can_be_set,
    rate_that_needs_a_converter,
    replaced,
    rigged,
    ring,
    route_to_nowhere,
    same_channel,
    same_channel_program,
    same_mute_controller,
    shared_slot,
    start_missing,
    start_unwanted,
    starts_all,
    to_nowhere,
    too_fast,
    too_few_volts,
    too_many_volts,
    two_leaders,
    unknown_leader,
    usb_into_din,
    wrong_edge,
)
from tests.core.rigs import CASES as RIGS
from tests.core.test_rig import box, cable
from tests.core.test_track_findings import CASES as TRACK_CASES

DOCS = Path(__file__).parents[2] / "docs" / "findings.md"


SOURCES = Path(__file__).parents[2] / "src" / "grebe" / "core" / "findings"


CASES: list[tuple[str, Callable[[], Project], str, str, bool]] = [
    # code, a project that has it, subject, words of its message or fix, whether Grebe can mend it
    ("pattern.place-taken", one_place, "beat", "beat and one are both meant for 4", False),
    (
        "pattern.too-long",
        beat(Steps(longest=16), hits(Hit(step=0), length=32), length=32),
        "beat",
        "has 32 steps; a pattern of Box has 16",
        False,
    ),
    (
        "pattern.rate",
        beat(Steps(), hits(Hit(step=0), rate="1/8t", length=12)),
        "beat",
        "steps of 1/8t; Box knows 1/16",
        False,
    ),
    (
        "pattern.voices",
        beat(Steps(voices=1), hits(Hit(step=0)), BASS),
        "beat",
        "has 2 voices; a pattern of Box has 1",
        False,
    ),
    (
        "pattern.lacks",
        beat(Steps(lacks=("chance", "ratchets", "ties")), hits(Hit(step=0, chance=50, ratchet=2))),
        "beat",
        "uses chance, ratchets;",
        False,
    ),
    ("pattern.flam", beat(Steps(), hits(Hit(step=4, flam=150))), "beat", "Snare step 5", False),
    # 150 thousandths of a sixteenth at 120 BPM, 125 ms, are 18.75 ms.
    (
        "pattern.flam",
        beat(Steps(flams=2, flam_ms=(8.0, 30.0)), hits(Hit(step=4, flam=150))),
        "beat",
        "19 ms, its level 1 is 8 ms",
        False,
    ),
    (
        "pattern.levels",
        beat(Steps(levels=(64, 127)), hits(Hit(step=0, velocity=20))),
        "beat",
        "velocities 20; Box knows 64, 127",
        False,
    ),
    # 60 % at 120 BPM is 25 ms late, 57 % 17.5 ms: 7.5 ms early.
    (
        "pattern.swing",
        beat(Steps(swing=(50.0, 57.0)), hits(Hit(step=0)), swing=60.0),
        "beat",
        "level 2 of 2, 57 %: -7.5 ms at 120 BPM",
        False,
    ),
    (
        "pattern.no-such-voice",
        beat(Steps(), hits(Hit(step=0)), spec=Spec(voices=(SpecVoice(name="Kick", note=36),))),
        "beat",
        "no voice for Snare (note 38)",
        False,
    ),
    (
        "pattern.polyphony",
        beat(Steps(), CHORD, BASS, kind="synth", spec=Spec(polyphony=3)),
        "beat",
        "holds 4 notes at once at step 2 (Snare and Bass); Box sounds 3",
        False,
    ),
    (
        "pattern.controller-range",
        beat(
            Steps(),
            hits(Hit(step=0)),
            lanes=(CUTOFF,),
            spec=Spec(controllers=(ControllerRow(name="Cutoff", number=74, high=99),)),
        ),
        "beat",
        "goes to 120; Cutoff of Box takes 0 to 99",
        False,
    ),
    ("rig.no-leader", no_leader, "rig", "Nobody leads", True),
    ("rig.no-leader", unknown_leader, "nobody", "not in the rig", True),
    ("rig.two-leaders", two_leaders, "bass", "Grebe and Drums", True),
    ("rig.clock-loop", ring, "a", "A to B to A", True),
    ("rig.no-clock", no_clock, "bass", "No clock from Grebe", False),
    ("rig.no-clock", clock_off_at_the_input, "a", "switched off at A's input", True),
    ("rig.middle-clock", middle("own"), "knot", "its own clock to Scaup", True),
    ("rig.middle-clock", middle("both"), "knot", "on top of the one", True),
    ("rig.rate", rate_that_can_be_set, "garganey", "Set Garganey's Clock in to 48", True),
    ("rig.rate", rate_that_needs_a_converter, "pocket", "one pulse in 24", False),
    ("rig.cannot-convert", divider_asked_to_multiply, "garganey", "only divides", False),
    ("rig.multiply", multiplied, "knot", "1 to 24 a quarter", False),
    ("rig.start-missing", start_missing, "smew", "Start does not reach it", True),
    ("rig.start-unwanted", start_unwanted, "smew", "must not start", True),
    ("rig.control-gone", control_gone, "pedal", "is not in the rig", False),
    ("rig.starts-all", starts_all, "dunlin", "all 5 loop tracks", True),
    ("rig.plays-twice", plays_twice, "smew", "note by note", True),
    ("rig.tempo-range", too_fast, "smew", "Song at 320", False),
    ("rig.tempo-step", between_steps, "old", "steps of 0.5", False),
    ("rig.latency", late, "slow", "8.5 ms after Smew", True),
    ("rig.cable-to-nowhere", to_nowhere, "x", "not in the rig", True),
    ("rig.no-jack", no_jack, "smew", "spout", False),
    ("rig.jack-shared", one_jack_two_plugs, "smew", "merge box", False),
    ("rig.pulse-to-speakers", into_speakers, "desk", "go into Desk's Main in", True),
    ("rig.medium", usb_into_din, "smew", "USB MIDI host", False),
    ("rig.run-line", no_run_line, "old", "without a run/stop line", False),
    ("rig.voltage", too_many_volts, "pocket", "bears 5.5 V", False),
    ("rig.voltage", too_few_volts, "garganey", "needs 3.5 V", False),
    ("rig.polarity", wrong_edge, "garganey", "falling edge", False),
    ("rig.thru-chain", long_chain, "d", "number 4", False),
    ("rig.wire-load", full_wire, "bass", "spread over 6.7 ms", False),
    ("rig.channel-collision", same_channel, "b", "channel 2 of one wire", True),
    ("rig.stray-program", same_channel_program, "b", "program changes for A", True),
    ("rig.stray-controllers", same_mute_controller, "b", "controllers for A", True),
    ("rig.stray-notes", pads_of_a_drum_box, "knot", "Smew's own notes", True),
    ("rig.blocked", blocked, "smew", "Leave controller 7 enabled", True),
    ("rig.no-way", no_way, "bass", "no MIDI cable leads there", False),
    ("rig.program-printed", printed_otherwise, "smew", "sent as 16, printed B01", False),
    ("pattern.no-such-slot", beyond_the_memory, "p", "place 111", False),
    ("rig.pads", pads_that_lie_otherwise, "fulmar", "it takes a table", True),
    ("rig.route-to-nowhere", route_to_nowhere, "gone", "not in the rig", True),
    ("rig.shared-slot", shared_slot, "hats", "share slot 3", False),
    ("rig.leader-unheard", leader_unheard, "smew", "Switch clock on at Smew's MIDI out", True),
    ("rig.grebe-deaf", grebe_deaf, "smew", "does not know where to hear it", False),
    ("rig.cannot-give", cannot_give, "knot", "it can only give what it makes itself", False),
    ("rig.plays-deaf", plays_deaf, "dunlin", "which obeys no notes", True),
    ("rig.plays-level", plays_level, "otter", "as loud", False),
    ("rig.guessed", guessed_box, "otter", "whether it obeys program changes", False),
    ("rig.hardly-proven", hardly_proven, "otter", "when it changes pattern (90 %)", False),
    ("rig.echo-times", echo_without_clock, "gadwall", "476 or 357 ms", False),
]


@pytest.mark.parametrize(
    ("code", "made", "subject", "words", "mendable"),
    CASES,
    ids=[f"{case[0]}-{case[1].__name__}" for case in CASES],
)
def test_each_finding(
    code: str, made: Callable[[], Project], subject: str, words: str, mendable: bool
) -> None:
    """It is found, names its subject, explains itself, and its cure takes it away."""
    project = made()
    found = [f for f in check(project) if f.code == code and f.subject == subject]
    assert found, [f"{f.code} {f.subject}: {f.message}" for f in check(project)]
    finding = found[0]
    assert words in f"{finding.message} {finding.fix}"
    for text in (finding.message, finding.why, finding.fix):
        assert text == text.strip()
        assert text.endswith(".")
    assert (finding.cure is not None) == mendable
    if mendable:
        mended = check(mend(project, finding))
        assert (code, subject, finding.message) not in {
            (f.code, f.subject, f.message) for f in mended
        }
    else:
        with pytest.raises(EditError, match="your hands"):
            mend(project, finding)


def test_sound_rigs_have_no_findings() -> None:
    """Of no fault that is not there: a sound rig of profiles, with every kind of cable."""
    smew, knot = box("merganser", "Smew"), box("curlew", "Knot", sends_clock=True)
    rig = rigged(
        smew,
        knot,
        box("plover", "Garganey"),
        box("gannet", "Teal", channel=16),
        cables=(
            *fed(smew, knot),
            cable("knot", "garganey", medium="pulse", source_jack="clock-out",
                  target_jack="clock-in"),
            cable("grebe", "teal", medium="network", target_jack="network"),
        ),
    )  # fmt: skip
    assert [f.message for f in check(rig)] == []
    assert check(build.two_boxes()) == ()


def test_the_demo_has_the_faults_put_into_it_and_no_others() -> None:
    """Ten devices over all media; one blocking fault, six to look at, eleven notes."""
    project = parse_project(demo_bytes(), "demo").project
    assert len(project.rig.devices) == 10
    assert {c.medium for c in project.rig.cables} == {"midi", "pulse", "network", "audio"}
    found = find(project)
    assert [(f.severity, f.code, f.subject) for f in found.open] == [
        ("block", "rig.middle-clock", "knot"),
        ("warn", "rig.channel-collision", "knot"),
        ("warn", "rig.channel-collision", "scaup"),
        ("warn", "rig.shared-slot", "p11"),
        ("warn", "scene.hands", "ebb"),
        ("warn", "song.programme", "harbour-bell"),
        ("warn", "set.no-time", "night-ferry"),
        ("note", "rig.program-printed", "smew"),
        ("note", "rig.program-printed", "dunlin"),
        ("note", "rig.program-printed", "teal"),
        ("note", "rig.program-printed", "avocet"),
        ("note", "rig.echo-times", "gadwall"),
        ("note", "pattern.not-in-box", "p03"),
        ("note", "scene.echo-range", "ebb"),
        ("note", "song.mute-by-hand", "harbour-bell"),
        ("note", "song.mute-by-hand", "harbour-bell"),
        ("note", "song.unchanged", "harbour-bell"),
        ("note", "set.key-clash", "night-ferry"),
    ]
    assert [f.code for f in found.intended] == ["set.tempo-jump"]
    mended = mend(mend(project, found.open[0]), found.open[1])
    assert [f.code for f in check(mended) if f.severity != "note"] == [
        "rig.shared-slot", "scene.hands", "song.programme", "set.no-time",
    ]  # fmt: skip


def test_an_accepted_finding_is_quiet_until_what_it_rests_on_changes() -> None:
    """Renaming the box changes what it says, so it is heard again; so is taking it back."""
    project = starts_all()
    (finding,) = check(project)
    quiet = as_intended(project, finding)
    assert check(quiet) == ()
    assert find(quiet).intended == (finding,)
    assert check(not_intended(quiet, finding)) == (finding,)
    louder = replaced(quiet, 0, name="Dunlin II")
    assert [f.code for f in check(louder)] == ["rig.starts-all"]


def test_every_code_is_documented_and_tested() -> None:
    """docs/findings.md, the code and these cases name the same codes."""
    text = "".join(p.read_text() for p in SOURCES.glob("*.py"))
    codes = set(re.findall(r'"((?:rig|pattern|scene|song|set|past)\.[a-z-]+)"', text))
    codes |= {"rig.stray-program", "rig.stray-controllers"}  # made from the kind of message
    documented = set(re.findall(r"^\| `([a-z.-]+)`", DOCS.read_text(), re.M))
    assert codes == documented
    elsewhere = {c for c in codes if c.startswith(("scene.", "song.", "set."))}
    shown = {c[0] for c in (*CASES, *TRACK_CASES)}
    shown |= {"rig.known", "rig.known-fails"}  # these rest on notes: see test_gear
    past = ("change", "late", "tempo", "drift", "fault", "longer")  # on the log: see test_log
    shown |= {f"past.{code}" for code in past}
    shown |= {code for case in RIGS for code, _ in (*case.blocks, *case.warns)}
    assert codes - elsewhere - {"pattern.no-slot", "pattern.not-in-box"} == {
        code for code in shown if not code.startswith(("scene.", "song."))
    }


def codes(project: Project) -> list[str]:
    return [f.code for f in check(project)]


def test_a_scene_naming_a_pattern_that_is_not_there() -> None:
    """It blocks: the box falls silent where the scene begins."""
    project = build.two_boxes()
    project = msgspec.structs.replace(project, patterns=project.patterns[:2])
    found = check(project)
    assert [(f.code, f.subject) for f in found] == [
        ("scene.no-pattern", "a"),
        ("scene.no-pattern", "b"),
    ]


def test_a_scene_giving_a_box_anothers_pattern() -> None:
    """Its notes would mean something else."""
    project = build.two_boxes()
    scenes = (build.scene("a", 2, bass=["d1"]), *project.scenes[1:])
    assert "scene.other-box" in codes(msgspec.structs.replace(project, scenes=scenes))


def test_a_scene_for_a_device_that_is_gone() -> None:
    """The part is named."""
    project = build.two_boxes()
    scenes = (*project.scenes, build.scene("c", 1, horn=["b1"]))
    assert "scene.no-device" in codes(msgspec.structs.replace(project, scenes=scenes))


def test_the_boxs_memory() -> None:
    """A pattern without a slot blocks; one changed since is noted, once."""
    project = build.two_boxes()
    first, second, bass = project.patterns
    changed = msgspec.structs.replace(first, content=second.content)
    slotless = msgspec.structs.replace(second, program=None)
    project = msgspec.structs.replace(project, patterns=(changed, slotless, bass))
    found = {f.code: f for f in check(project)}
    assert set(found) == {"pattern.no-slot", "pattern.not-in-box"}
    assert "changed since" in found["pattern.not-in-box"].message


def test_songs_without_sections_or_with_a_lost_scene() -> None:
    """An empty song is warned of; a lost scene blocks."""
    project = build.two_boxes()
    songs = (build.song(), msgspec.structs.replace(build.song("gone"), id="other"))
    project = msgspec.structs.replace(project, songs=songs)
    assert [c for c in codes(project) if c.startswith("song")] == ["song.no-scene", "song.empty"]


def test_a_finding_is_a_value() -> None:
    """Commands print it as JSON; its cure travels along as an edit."""
    (finding,) = check(starts_all())
    assert isinstance(finding, Finding)
    assert msgspec.json.decode(msgspec.json.encode(finding), type=Finding) == finding


def test_what_a_finding_is_about_is_there_under_its_kind() -> None:
    """So that whoever lists it can lead there: the demo has findings on all five kinds."""
    project = parse_project(demo_bytes(), "demo").project
    there = {
        "device": {d.id for d in project.rig.devices} | {"grebe", "rig"},
        "pattern": {p.id for p in project.patterns},
        "scene": {s.id for s in project.scenes},
        "song": {s.id for s in project.songs},
        "set": {s.id for s in project.sets},
    }
    found = check(project)
    assert {f.kind for f in found} == set(there)
    assert [f for f in found if f.subject not in there[f.kind]] == []


def test_songs_and_sets_are_mended_too() -> None:
    """A section whose scene is gone, a jump to nowhere, a place without its song."""
    project = build.two_boxes()
    song = project.songs[0]
    first, *rest = song.sections
    lost = msgspec.structs.replace(first, scene="gone")
    jumps = msgspec.structs.replace(rest[0], then=Then(kind="jump", to="nowhere"))
    song = msgspec.structs.replace(song, sections=(lost, jumps, *rest[1:]))
    places = (SetSong(id="e1", song=song.id), SetSong(id="e2", song="gone"))
    project = msgspec.structs.replace(
        project, songs=(song,), sets=(Set(id="set", name="Set", songs=places),)
    )
    for code in ("song.no-scene", "song.no-jump", "set.no-song"):
        finding = next(f for f in check(project) if f.code == code)
        project = mend(project, finding)
        assert code not in codes(project)
    assert len(project.songs[0].sections) == len(song.sections) - 1
    assert [s.id for s in project.sets[0].songs] == ["e1"]


@pytest.mark.parametrize(("out", "into"), [("", "in"), ("clock-out", "in")])
def test_pulses_into_speakers_are_seen_from_the_cable_alone(out: str, into: str) -> None:
    """Also where nobody said which jack they leave by: the cable is a pulse cable."""
    project = into_speakers()
    drawn = msgspec.structs.replace(project.rig.cables[0], source_jack=out, target_jack=into)
    rig = msgspec.structs.replace(project.rig, cables=(drawn,))
    found = find(msgspec.structs.replace(project, rig=rig)).open
    hurt = [f for f in found if f.code == "rig.pulse-to-speakers"]
    assert [(f.subject, f.severity) for f in hurt] == [("desk", "block")]
    assert hurt[0].cure is not None
