"""Twelve rigs judged: nothing missed that stops a set, nothing made up, and cures that hold."""

from __future__ import annotations

from fractions import Fraction

import msgspec
import pytest

from grebe.core.document import Project
from grebe.core.findings import check, mend
from grebe.core.player.plan import make_plan
from grebe.core.rig.model import GREBE_ID, Plays
from grebe.core.rig.standin import setups
from grebe.core.rig.tree import clock_tree
from tests import build
from tests.core.rigs import (
    CASES,
    IN,
    OUT,
    Case,
    Owner,
    dividers_in_a_row,
    drum_pedal,
    pads,
    software,
)

IDS = [case.made.__name__ for case in CASES]


def said(project: Project, severity: str) -> set[tuple[str, str]]:
    return {(f.code, f.subject) for f in check(project) if f.severity == severity}


def test_there_are_twelve() -> None:
    assert len(CASES) == 12


@pytest.mark.parametrize("case", CASES, ids=IDS)
def test_it_says_what_an_old_hand_would_and_no_more(case: Case) -> None:
    project = case.made()
    assert said(project, "block") == case.blocks
    assert said(project, "warn") == case.warns
    everything = " ".join(f"{f.message} {f.fix}" for f in check(project))
    for words in case.words:
        assert words in everything


def mended(project: Project) -> Project:
    """Every cure that is offered taken, one after the other, for as long as there are any."""
    for _ in range(20):
        found = [f for f in check(project) if f.cure is not None and f.severity != "note"]
        if not found:
            return project
        before = said(project, "block")
        project = mend(project, found[0])
        assert said(project, "block") <= before, f"{found[0].code} made another fault"
    raise AssertionError("cures that never end")


@pytest.mark.parametrize("case", CASES, ids=IDS)
def test_every_cure_leads_to_a_rig_that_is_good(case: Case) -> None:
    project = mended(case.made())
    if case.by_hand is not None:
        project = mended(case.by_hand(project))
    assert said(project, "block") == set()


def test_rates_are_worked_out_along_dividers() -> None:
    """48 made 24 and 4, as the cables are proposed."""
    hops = clock_tree(dividers_in_a_row().rig).hops
    assert {d: hops[d].rate for d in ("crake", "ouzel", "rail", "pipit")} == {
        "crake": Fraction(48), "ouzel": Fraction(24), "rail": Fraction(24), "pipit": Fraction(4),
    }  # fmt: skip


def clocked(project: Project) -> set[str]:
    """Stand-ins that a clock made by the leader reaches, from stand-in to stand-in and through
    Grebe, as they are set up: followed message by message."""
    rig = project.rig
    made = setups(project, {d.id: d.id for d in rig.devices}, 120.0)
    plan = make_plan(project, project.songs[0]) if project.songs else None
    got: set[str] = set()
    waiting = [(o.path, o.passes.clock) for s in made.values() for o in s.leads]
    if plan is not None:
        waiting += [(d, True) for d in plan.clocked]
    while waiting:
        box, on = waiting.pop()
        if not on or box in got:
            continue
        if made[box].accepts.clock:
            got.add(box)
        waiting += [(o.path, o.passes.clock) for o in made[box].thru]
    return got


@pytest.mark.parametrize("case", CASES, ids=IDS)
def test_stand_ins_get_the_clock_that_check_says_they_do(case: Case) -> None:
    """Of what goes over MIDI: pulses from box to box have no stand-ins."""
    project = mended(case.made())
    project = project if case.by_hand is None else mended(case.by_hand(project))
    if not project.songs:
        scenes, song = (build.scene("s", 4),), build.song("s")
        project = msgspec.structs.replace(project, scenes=scenes, songs=(song,))
    tree = clock_tree(project.rig)
    hops = {d: tree.hops[d].cable for d in tree.locked if d in tree.hops}
    wanted = {d for d, cable in hops.items() if cable.medium in ("midi", "network")}
    assert clocked(project) >= wanted


def test_where_nobody_said_whom_the_notes_are_for_both_are_named() -> None:
    """Struck at a computer, heard by the pedal and by the sampler behind it; a thru box before two
    samplers is no such thing: they were meant to play together."""
    owner = Owner()
    owner.box(software(), "Dunnock")
    owner.box(drum_pedal(IN, OUT), "Otter")
    owner.box(pads(channel=10), "Murre")
    owner.lead("dunnock")
    owner.plug("dunnock", "otter")
    owner.plug("otter", "murre", gives="thru")
    (finding,) = [f for f in check(owner.project) if f.code == "rig.stray-notes"]
    assert finding.subject == "otter"
    assert "Otter plays what Dunnock strikes for Murre" in finding.message
    split = Owner()
    split.box(software(), "Dunnock")
    split.box("delta", "Delta")
    split.box(pads(channel=10), "Murre")
    split.box(pads(channel=10), "Tern")
    split.lead("dunnock")
    for source, target in (("dunnock", "delta"), ("delta", "murre"), ("delta", "tern")):
        split.plug(source, target)
    assert "rig.stray-notes" not in {f.code for f in check(split.project)}


def test_a_sequencer_in_front_of_two_keeps_playing_the_one_behind() -> None:
    """Mended, the box in the middle ignores what goes on to the one that it is declared to play."""
    owner = Owner()
    owner.box("merganser", "Smew", channel=10)
    owner.box(drum_pedal(IN, OUT), "Otter")
    owner.box(pads(channel=10), "Murre")
    owner.plug(GREBE_ID, "smew")
    owner.plug("smew", "otter", gives="both")
    owner.plug("otter", "murre", gives="thru", plays=Plays())
    project = mended(owner.project)
    otter, murre = project.rig.cables[1:]
    assert (otter.passes.notes, otter.accepts.notes, murre.accepts.notes) == (True, False, True)
