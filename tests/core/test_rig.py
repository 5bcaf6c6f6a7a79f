"""The clock tree, findings and what can be mended."""

from __future__ import annotations

import msgspec
import pytest

from grebe.core.document import Project, with_leader
from grebe.core.findings import Finding, check
from grebe.core.rig.model import Cable, Rig
from grebe.core.rig.tree import clock_sources, clock_tree
from tests import build


def _rig(
    leader: str | None, devices: list[str], *cables: Cable, senders: tuple[str, ...] = ()
) -> Rig:
    made = tuple(build.device(d, sends_clock=d in senders) for d in devices)
    return Rig(leader=leader, devices=made, cables=cables)


def _cable(source: str, target: str, **fields: bool) -> Cable:
    return Cable(source=source, target=target, **fields)


def test_columns_by_distance() -> None:
    """The leader first, then who it feeds, then whom they pass it on to."""
    rig = _rig(
        "grebe", ["a", "b", "c"], _cable("grebe", "a"), _cable("a", "c"), _cable("grebe", "b")
    )
    tree = clock_tree(rig)
    assert tree.columns == (("grebe",), ("a", "b"), ("c",))
    assert tree.followers == 3
    assert not tree.free_running


def test_a_loop_of_cables_ends() -> None:
    """Thru cables in a ring do not hang the tree."""
    rig = _rig("grebe", ["a", "b"], _cable("grebe", "a"), _cable("a", "b"), _cable("b", "a"))
    assert clock_tree(rig).columns == (("grebe",), ("a",), ("b",))
    assert clock_sources(rig)["a"] == ("grebe", "b")


def test_a_cable_without_clock_leaves_its_end_on_its_own() -> None:
    """Notes alone do not make a follower."""
    rig = _rig("grebe", ["a"], _cable("grebe", "a", clock=False))
    assert clock_tree(rig).free_running == ("a",)


def test_a_box_can_lead() -> None:
    """A device that leads stands first and needs no clock itself."""
    rig = _rig("a", ["a", "b"], _cable("a", "b"), senders=("a",))
    assert clock_tree(rig).columns == (("a",), ("b",))


def _codes(project: Project) -> list[str]:
    return [f.code for f in check(project)]


def test_a_sound_project_has_no_findings() -> None:
    """Nothing is said where nothing is wrong."""
    assert check(build.two_boxes()) == ()


@pytest.mark.parametrize("leader", [None, "nobody"])
def test_no_leader(leader: str | None) -> None:
    """Nobody chosen, or somebody who is not there."""
    assert "rig.no-leader" in _codes(with_leader(build.two_boxes(), leader))


def test_two_leaders_on_one_follower() -> None:
    """A second clock at one input is named with both sources, and mended by switching it off."""
    project = build.two_boxes()
    devices = tuple(
        msgspec.structs.replace(d, sends_clock=d.id == "drums") for d in project.rig.devices
    )
    rig = msgspec.structs.replace(
        project.rig, devices=devices, cables=(*project.rig.cables, _cable("drums", "bass"))
    )
    project = msgspec.structs.replace(project, rig=rig)
    (finding,) = check(project)
    assert (finding.code, finding.severity, finding.subject) == ("rig.two-leaders", "block", "bass")
    assert "Grebe and Drums" in finding.message
    mended = fix(project, finding)
    assert check(mended) == ()
    assert [c.clock for c in mended.rig.cables] == [True, True, False]


def test_a_box_that_no_clock_reaches() -> None:
    """A follower without a cable is warned of; one that ignores clock is not."""
    project = build.two_boxes()
    rig = msgspec.structs.replace(project.rig, cables=project.rig.cables[:1])
    project = msgspec.structs.replace(project, rig=rig)
    assert _codes(project) == ["rig.no-clock"]


def test_a_cable_to_nowhere_is_removed() -> None:
    """A cable to a device that was taken out."""
    project = build.two_boxes()
    rig = msgspec.structs.replace(project.rig, cables=(*project.rig.cables, _cable("grebe", "x")))
    project = msgspec.structs.replace(project, rig=rig)
    (finding,) = check(project)
    assert finding.code == "rig.cable-to-nowhere"
    assert fix(project, finding) == build.two_boxes()


def test_a_scene_naming_a_pattern_that_is_not_there() -> None:
    """It blocks: the box falls silent where the scene begins."""
    project = build.two_boxes()
    project = msgspec.structs.replace(project, patterns=project.patterns[:2])
    found = check(project)
    assert [(f.code, f.subject) for f in found] == [
        ("scene.no-pattern", "a"),
        ("scene.no-pattern", "b"),
    ]
    assert not can_fix(found[0])


def test_a_scene_giving_a_box_anothers_pattern() -> None:
    """Its notes would mean something else."""
    project = build.two_boxes()
    scenes = (build.scene("a", 2, bass=["d1"]), *project.scenes[1:])
    assert "scene.other-box" in _codes(msgspec.structs.replace(project, scenes=scenes))


def test_a_scene_for_a_device_that_is_gone() -> None:
    """The part is named."""
    project = build.two_boxes()
    scenes = (*project.scenes, build.scene("c", 1, horn=["b1"]))
    assert "scene.no-device" in _codes(msgspec.structs.replace(project, scenes=scenes))


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
    assert _codes(project) == ["song.no-scene", "song.empty"]


def test_every_finding_explains_itself() -> None:
    """What, why and one thing to do, each a sentence."""
    project = with_leader(msgspec.structs.replace(build.two_boxes(), patterns=()), None)
    for finding in check(project):
        assert isinstance(finding, Finding)
        for words in (finding.message, finding.why, finding.fix):
            assert words[0].isupper()
            assert words.endswith(".")
