"""What a rig weighs, and what is plugged into which channel of a mixer."""

from __future__ import annotations

import msgspec

from grebe.app.document.demo import demo_bytes
from grebe.core.document import Project, with_rig
from grebe.core.rig.channels import desks
from grebe.core.rig.model import AudioPort, Cable
from grebe.core.rig.setup import of_device, setup_sheet
from grebe.core.rig.spec import HandMove, Jack, Spec
from grebe.core.weighing import weigh
from grebe.formats.project import parse_project
from tests import build
from tests.core.faulty_projects import rigged


def test_of_the_demo() -> None:
    """By hand: five MIDI cables from Grebe of which one is the network's, two into it."""
    project = parse_project(demo_bytes(), "demo").project
    found = weigh(project)
    assert found.interface == "4 MIDI outputs, 2 inputs, 1 network link, 0 channels for pulses."
    assert found.wire.startswith("The busiest carries ")
    assert "more than they can make" in found.hands  # check has scene.hands of it


def test_notes_together_on_one_wire() -> None:
    """Three notes of three bytes at 31 250 baud: the last ends 2 x 0.96 ms after the first, less
    what running status saves (MIDI 1.0): as `grebe calc wire` has it."""
    voices = [build.voice("x...", 36 + n, f"v{n}") for n in range(3)]
    project = build.project([build.device("drums")], [build.pattern("p", "drums", *voices)],
                            [build.scene("s", 1, drums=["p"])], build.song("s"))  # fmt: skip
    found = weigh(project)
    assert found.wire == (
        "The busiest carries 3 notes at once, to Drums in s: the last 1.9 ms after the first."
    )
    assert found.hands == "No change asks anything of them."


def test_nothing_weighs_nothing_and_pulses_are_counted() -> None:
    empty = weigh(Project(name="x"))
    assert empty.wire == "No notes of Grebe's go over a wire of 31 250 baud."
    assert empty.interface.startswith("0 MIDI outputs, 0 inputs")
    box = build.device("old", pulse_at=AudioPort(wire="jack"), reset_at=AudioPort(wire="jack"))
    assert weigh(rigged(box)).interface.endswith("2 channels for pulses.")


def test_hands_that_can_and_cannot() -> None:
    moves = (HandMove(name="choose", seconds=1.0, serves=("pattern",)),)
    boxes = [build.device(i, plays="own", spec=Spec(by_hand=moves)) for i in ("a", "b")]
    patterns = [build.own(build.pattern(f"{b}{n}", b, build.voice("x...")))
                for b in ("a", "b") for n in (1, 2)]  # fmt: skip
    scenes = [build.scene(f"s{n}", 1, a=[f"a{n}"], b=[f"b{n}"]) for n in (1, 2)]
    project = build.project(boxes, patterns, scenes, build.song("s1", "s2"))
    assert weigh(project).hands == "Most from s1 to s2: 2 moves, and all can be made."


def mixed() -> Project:
    """Three boxes into a mixer; one comes through an echo."""
    jacks = tuple(Jack(id=f"in-{n}", name=f"Line {n}", kind="audio") for n in (1, 2, 3))
    desk = build.device("desk", spec=Spec(jacks=jacks))
    rest = [build.device(i) for i in ("drums", "bass", "echo")]
    cables = (
        Cable(source="bass", target="desk", medium="audio", target_jack="in-2"),
        Cable(source="drums", target="echo", medium="audio"),
        Cable(source="echo", target="desk", medium="audio", target_jack="in-1"),
    )
    project = rigged(*rest, desk)
    return with_rig(project, msgspec.structs.replace(project.rig, cables=cables))


def test_a_channel_list_in_order_of_its_jacks() -> None:
    (desk,) = desks(mixed().rig)
    assert [(c.number, c.jack, c.source, c.through) for c in desk.channels] == [
        (1, "Line 1", "Echo", "Drums"),
        (2, "Line 2", "Bass", ""),
    ]


def test_it_stands_at_the_end_of_the_sheet_with_the_levels_down() -> None:
    sheet = setup_sheet(mixed())
    (listed,) = sheet.channels
    assert [s.do for s in listed.steps] == [
        "Begin with all levels down.", "1: Echo into Line 1.", "2: Bass into Line 2.",
    ]  # fmt: skip
    assert listed.steps[1].reason == "It carries Drums too."
    assert sheet.parts[-1] is listed
    assert of_device(sheet, "desk").channels == ()
    assert len(set(sheet.keys)) == len(sheet.keys)
