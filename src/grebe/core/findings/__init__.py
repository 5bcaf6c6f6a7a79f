"""What is wrong with a document, why it matters on stage, and one thing to do.

One module a family; docs/findings.md lists the codes. `check` runs them all.
"""

from __future__ import annotations

import msgspec

from grebe.core.document import Project
from grebe.core.findings.boxes import box_findings
from grebe.core.findings.clock import clock_findings
from grebe.core.findings.habits import box_song_findings, habit_findings
from grebe.core.findings.known import known_findings
from grebe.core.findings.leading import leading_findings
from grebe.core.findings.look import Look
from grebe.core.findings.messages import message_findings
from grebe.core.findings.model import Finding, as_intended, not_intended
from grebe.core.findings.past import NO_PAST, Past, past_findings
from grebe.core.findings.patterns import pattern_findings
from grebe.core.findings.playing import playing_findings
from grebe.core.findings.plugs import load_findings, plug_findings
from grebe.core.findings.rates import rate_findings
from grebe.core.findings.scenes import hand_findings, scene_findings
from grebe.core.findings.sets import set_findings
from grebe.core.findings.songs import song_findings
from grebe.core.findings.tracks import track_findings
from grebe.core.gear.model import NO_LIBRARY, GearLibrary
from grebe.core.sets.plan import SetFactsModel
from grebe.core.songs.changes import lines_reached
from grebe.core.songs.energy import PatternBars
from grebe.errors import EditError
from grebe.words import tr

__all__ = [
    "Finding", "Findings", "as_intended", "blocking_on_stage", "check", "find", "mend",
    "not_intended",
]  # fmt: skip

RANK = {"block": 0, "warn": 1, "note": 2}


class Findings(msgspec.Struct, frozen=True):
    """All findings of a document."""

    open: tuple[Finding, ...]
    """Blocking ones first, otherwise in order of the document."""
    intended: tuple[Finding, ...]
    """Those that were accepted and still rest on the same."""


def find(
    project: Project, bars: PatternBars | None = None, library: GearLibrary = NO_LIBRARY,
    facts: SetFactsModel | None = None, past: Past = NO_PAST,
) -> Findings:  # fmt: skip
    """Look for everything. `bars` and `facts`: the books for this version of the project, where
    they are kept; `library`: what the performer knows of gear; `past`: what the log has."""
    look = Look(project)
    reached = lines_reached(project.rig, look.flow.via)
    bars = bars or PatternBars(project)
    in_rig = _in_rig(look)
    blocking = {(f.code, f.subject) for f in in_rig if f.severity == "block"}
    rows = [
        *(_with_safe_cure(project, finding, blocking) for finding in in_rig),
        *known_findings(look, library),
        *past_findings(project, past),
        *pattern_findings(look),
        *scene_findings(project, reached),
        *hand_findings(project, reached),
        *song_findings(project, reached, bars),
        *box_song_findings(look),
        *set_findings(project, facts or SetFactsModel(bars)),
    ]
    return _found(project, rows)


def blocking_on_stage(project: Project) -> tuple[Finding, ...]:
    """What blocks in the rig and in scenes: all that can become otherwise where only who is there,
    who leads and who plays a part do."""
    look = Look(project)
    reached = lines_reached(project.rig, look.flow.via)
    rows = (*_in_rig(look, blocks_only=True), *scene_findings(project, reached))
    return tuple(finding for finding in rows if finding.severity == "block")


def _in_rig(look: Look, *, blocks_only: bool = False) -> list[Finding]:
    """What is found of boxes and cables; `blocks_only` leaves out what takes long and never
    blocks."""
    return [
        *leading_findings(look),
        *clock_findings(look),
        *rate_findings(look),
        *plug_findings(look),
        *(() if blocks_only else load_findings(look)),
        *message_findings(look),
        *playing_findings(look),
        *(() if blocks_only else box_findings(look)),
        *habit_findings(look),
        *track_findings(look),
    ]


MOST_CURES = 4
"""So many cures one after the other a first one may want before all is well."""


def _with_safe_cure(project: Project, finding: Finding, blocking: set[tuple[str, str]]) -> Finding:
    """The finding; without its cure where that would make another that blocks, which is told."""
    worse = _left_by(project, finding, blocking)
    if worse is None:
        return finding
    fix = tr("{fix} By itself that makes another fault: {other}",
             fix=finding.fix, other=worse.message)  # fmt: skip
    return msgspec.structs.replace(finding, fix=fix, cure=None)


def _left_by(project: Project, finding: Finding, blocking: set[tuple[str, str]]) -> Finding | None:
    """What blocks after a cure and did not before; None where nothing does. What only came to
    light, and has a cure that does not undo this one, does not count."""
    mended, cure = (finding.code, finding.subject), finding.cure
    first: Finding | None = None
    for _ in range(MOST_CURES):
        if cure is None:
            return first
        project = cure.applied(project)
        look = Look(project)
        if cure.moves_more:
            after = _in_rig(look, blocks_only=True)
        else:  # what switches notes, programs or controllers leaves the clock and the plugs alone
            after = [*message_findings(look), *playing_findings(look)]
        new = [
            f
            for f in after
            if f.severity == "block" and (f.code, f.subject) not in blocking - {mended}
        ]
        if first is not None and any((f.code, f.subject) == mended for f in after):
            return first  # the cure of what it made undoes it
        if not new:
            return None
        again = [f for f in new if f.cure is None or (f.code, f.subject) == mended]
        if again:
            return again[0]
        first, cure = first or new[0], new[0].cure
    return first


def _found(project: Project, rows: list[Finding]) -> Findings:
    # A pattern used in three scenes is one finding.
    once = {(f.code, f.subject, f.message): f for f in rows}
    ordered = sorted(once.values(), key=lambda f: RANK[f.severity])
    quiet = set(project.accepted)
    intended = tuple(f for f in ordered if quiet and f.accepted in quiet)
    return Findings(tuple(f for f in ordered if f not in intended), intended)


def check(project: Project) -> tuple[Finding, ...]:
    """The findings that are still open."""
    return find(project).open


def mend(project: Project, finding: Finding) -> Project:
    """The project with one finding mended. EditError for what hands have to mend."""
    if finding.cure is None:
        raise EditError(tr("this is for your hands: {fix}", fix=finding.fix))
    return finding.cure.applied(project)
