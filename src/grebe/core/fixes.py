"""What Grebe can mend itself, as edits; the rest is for the performer's hands."""

from __future__ import annotations

import msgspec

from grebe.core.document import Project, with_leader
from grebe.core.findings import Finding
from grebe.core.rig.model import GREBE_ID, Cable
from grebe.core.rig.tree import clock_tree


def can_fix(finding: Finding) -> bool:
    """Whether `fix` does something for a finding of this kind."""
    return finding.code in ("rig.no-leader", "rig.two-leaders", "rig.cable-to-nowhere")


def fix(project: Project, finding: Finding) -> Project:
    """The project with one finding mended; unchanged for kinds that hands have to mend."""
    if finding.code == "rig.no-leader":
        return with_leader(project, GREBE_ID)
    if finding.code == "rig.two-leaders":
        return _one_clock(project, finding.subject)
    if finding.code == "rig.cable-to-nowhere":
        cables = tuple(c for c in project.rig.cables if finding.subject not in (c.source, c.target))
        return _with_cables(project, cables)
    return project


def _one_clock(project: Project, device: str) -> Project:
    """Keep the clock that comes by the shortest way from the leader, switch the others off."""
    tree = clock_tree(project.rig)
    kept = next((hop.source for hop in tree.hops if hop.target == device), None)
    if kept is None:
        kept = tree.sources[device][0]
    cables = tuple(
        msgspec.structs.replace(c, clock=False)
        if c.target == device and c.clock and c.source != kept
        else c
        for c in project.rig.cables
    )
    return _with_cables(project, cables)


def _with_cables(project: Project, cables: tuple[Cable, ...]) -> Project:
    return msgspec.structs.replace(project, rig=msgspec.structs.replace(project.rig, cables=cables))
