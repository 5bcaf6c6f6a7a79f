"""What if a box or a cable goes: what is lost, and how one plays on."""

from __future__ import annotations

import msgspec
import pytest

from grebe.app.document.demo import demo_bytes
from grebe.core.document import Project, with_leader, with_rig
from grebe.core.findings import check
from grebe.core.patterns.model import Pattern
from grebe.core.rig.model import Cable, Device
from grebe.core.rig.spec import Sends, Spec, SpecVoice
from grebe.core.rig.tree import clock_tree
from grebe.core.songs.model import Part
from grebe.core.whatif.answers import if_gone, of_boxes
from grebe.core.whatif.fallback import fallback
from grebe.core.whatif.losses import Gone, heard_somewhere, losses, what_can_go
from grebe.errors import EditError
from grebe.formats.project import parse_project
from tests import build


def band(*cables: Cable, leader: str = "grebe", **leads: object) -> Project:
    """Drums, a bass, and a second bass that rests in the second scene."""
    kit = Spec(voices=(SpecVoice(name="Kick", note=36), SpecVoice(name="Snare", note=38)))
    other = Spec(voices=(SpecVoice(name="kick", note=60), SpecVoice(name="Bell", note=61)))
    boxes = (
        build.device("drums", kind="drums", channel=10, spec=kit),
        build.device("bass", kind="bass", channel=2),
        build.device("spare", kind="synth", channel=3),
        build.device("pads", kind="sampler", channel=11, spec=other),
        build.device("lead", kind="computer", channel=16, spec=Spec(sends=Sends(clock=True))),
    )
    named = (build.voice("x...", 36, "kick"), build.voice("..x.", 38, "snare"))
    beat = build.pattern("beat", "drums", *named)
    voices = tuple(
        msgspec.structs.replace(v, name=name)
        for v, name in zip(beat.content.voices, ("Kick", "Snare"), strict=True)
    )
    beat = msgspec.structs.replace(
        beat, content=msgspec.structs.replace(beat.content, voices=voices)
    )
    line, own = (build.pattern(i, d, build.voice("x.x.", 40))
                 for i, d in (("line", "bass"), ("own", "spare")))  # fmt: skip
    scenes = [
        build.scene("both", 1, drums=["beat"], bass=["line"], spare=["own"]),
        build.scene("less", 1, drums=["beat"], bass=["line"]),
    ]
    project = build.project(list(boxes), [beat, line, own], scenes, build.song("both", "less"))
    fed = cables or tuple(Cable(source="grebe", target=d.id) for d in boxes[:4])
    rig = msgspec.structs.replace(project.rig, cables=fed)
    return with_leader(with_rig(project, rig), leader)


def names(project: Project, box: str) -> tuple[tuple[str, ...], dict[str, tuple[str, ...]]]:
    found = losses(project, Gone(box=box))
    return found.silent, {s.name: s.missing for s in found.scenes}


def test_a_box_that_goes_is_silent_in_its_scenes() -> None:
    assert names(band(), "spare") == (("Spare",), {"both": ("Spare",), "less": ()})


def test_what_was_fed_through_it_goes_with_it() -> None:
    """Its clock and its notes came by the thru of the one that went."""
    project = band(
        Cable(source="grebe", target="drums"),
        Cable(source="drums", target="bass", gives="thru"),
    )
    found = losses(project, Gone(box="drums"))
    assert found.silent == ("Drums", "Bass")
    assert found.unclocked == ("Bass",)
    plan = fallback(project, Gone(box="drums"))
    assert "Plug Grebe's output into Bass's input." in plan.moves
    assert "bass" in clock_tree(plan.project.rig).locked
    assert not plan.faults


def test_its_part_goes_to_the_likest_that_is_free() -> None:
    """The synth plays the bass line where it rests; where it plays itself nobody does."""
    plan = fallback(band(), Gone(box="bass"))
    both, less = plan.project.scenes
    assert [p.device for p in less.parts if p.chain] == ["drums", "spare"]
    copied = plan.project.pattern(less.part("spare").chain[0])
    original = plan.project.pattern("line")
    assert copied.content.voices[0].hits == original.content.voices[0].hits
    assert both.part("spare").chain == ("own",)
    assert not both.part("bass").chain
    assert plan.moves == ("Spare plays what Bass played in less.",
                          "Nobody plays what Bass played in both.")  # fmt: skip


def test_sounds_go_by_their_names() -> None:
    """The sampler's own kick for the kick; a snare it has not is left out."""
    plan = fallback(band(), Gone(box="drums"))
    taken: Pattern = plan.project.patterns_of["pads"][0]
    assert [(v.name, v.note) for v in taken.content.voices] == [("Kick", 60)]
    assert len(plan.project.patterns_of["pads"]) == 1  # once, for both scenes


def test_the_leader_goes() -> None:
    """Grebe holds its tempo by itself; the best of those left leads from then on."""
    project = band(
        Cable(source="lead", target="grebe"),
        *(Cable(source="grebe", target=d) for d in ("drums", "bass", "spare", "pads")),
        leader="lead",
    )
    found = losses(project, Gone(box="lead"))
    assert found.unclocked == ()
    assert found.by_itself[0].startswith("Grebe holds the last tempo of Lead and goes on clocking")
    plan = fallback(project, Gone(box="lead"))
    assert plan.project.rig.leader == "grebe"
    assert plan.moves[0] == "Grebe leads."
    assert not plan.faults
    cut = fallback(project, Gone(cable=0))
    assert cut.project.rig.leader == "grebe"


def test_a_sound_goes_with_what_it_is_led_through() -> None:
    """The looper hears the drums, and nothing else does."""
    through = (
        Cable(source="drums", target="spare", medium="audio"),
        Cable(source="spare", target="pads", medium="audio"),
    )
    fed = tuple(Cable(source="grebe", target=d) for d in ("drums", "bass", "spare", "pads"))
    project = band(*fed, *through)
    assert heard_somewhere(project.rig) == {d.id for d in project.rig.devices}
    assert losses(project, Gone(box="spare")).silent == ("Drums", "Spare")
    side = tuple(
        msgspec.structs.replace(c, listens=True) if c.source == "drums" else c for c in through
    )
    assert losses(band(*fed, *side), Gone(box="spare")).silent == ("Spare",)
    beside = band(*fed, *through, Cable(source="drums", target="lead", medium="audio"))
    assert losses(beside, Gone(box="spare")).silent == ("Spare",)


def test_a_box_with_its_own_patterns_stays_on_one() -> None:
    """Its cable is cut: it has no clock, and cannot be told."""
    project = parse_project(demo_bytes(), "demo").project
    cable = next(i for i, c in enumerate(project.rig.cables) if c.target == "smew")
    found = losses(project, Gone(cable=cable))
    assert (found.silent, found.unclocked, found.untold) == ((), ("Smew",), ("Smew",))


@pytest.mark.parametrize("gone", [Gone(box="nobody"), Gone(cable=99), Gone()])
def test_what_is_not_there_cannot_go(gone: Gone) -> None:
    with pytest.raises(EditError):
        losses(band(), gone)


def test_whatever_goes_of_the_demo_the_arrangement_makes_no_new_fault() -> None:
    project = parse_project(demo_bytes(), "demo").project
    before = {(f.code, f.subject) for f in check(project) if f.severity == "block"}
    for gone in what_can_go(project.rig):
        said = if_gone(project, gone)
        assert not said.fallback.faults
        after = {(f.code, f.subject) for f in check(said.fallback.project)
                 if f.severity == "block"}  # fmt: skip
        assert after <= before | {("rig.middle-clock", "knot")}
    assert [row.losses.name for row in of_boxes(project)] == [
        "Smew", "Knot", "Scaup", "Dunlin", "Garganey", "Gadwall", "Teal", "Avocet",
    ]  # fmt: skip


def test_a_substitute_has_to_be_reached() -> None:
    """A synth that no cable of Grebe's leads to plays nothing for anybody."""
    project = band(*(Cable(source="grebe", target=d) for d in ("drums", "bass", "pads")))
    plan = fallback(project, Gone(box="bass"))
    assert "Nobody plays what Bass played in both and less." in plan.moves


def test_nothing_else_of_the_project_is_otherwise() -> None:
    project = band()
    plan = fallback(project, Gone(box="bass"))
    assert plan.project.rig == project.rig
    assert plan.project.songs == project.songs
    assert plan.project.patterns[: len(project.patterns)] == project.patterns


def test_parts_are_kept_by_those_who_stay() -> None:
    """Values that a scene sends, and a mute, stay where they were."""
    project = band()
    muted = Part(device="spare", muted=True)
    scenes = tuple(
        msgspec.structs.replace(s, parts=(*s.parts, muted)) if s.id == "less" else s
        for s in project.scenes
    )
    plan = fallback(msgspec.structs.replace(project, scenes=scenes), Gone(box="drums"))
    assert plan.project.scenes[1].part("spare") == muted


def test_every_box_can_go_and_every_cable() -> None:
    project = band()
    assert [g.box for g in what_can_go(project.rig) if g.box] == [d.id for d in project.rig.devices]
    assert sum(g.cable >= 0 for g in what_can_go(project.rig)) == len(project.rig.cables)
    devices: tuple[Device, ...] = project.rig.devices
    assert len(devices) == 5
