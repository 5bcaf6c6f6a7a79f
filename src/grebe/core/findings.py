"""What is wrong with a document, why it matters on stage, and one thing to do.

Codes are stable: scripts and accepted findings refer to them.
"""

from __future__ import annotations

from collections.abc import Iterator
from typing import Literal

from grebe.core.document import Project
from grebe.core.patterns.model import Pattern
from grebe.core.rig.model import GREBE_ID
from grebe.core.rig.tree import clock_tree
from grebe.core.units import Value

Severity = Literal["block", "warn", "note"]


class Finding(Value, frozen=True, kw_only=True, omit_defaults=False):
    """One thing to look at."""

    code: str
    severity: Severity
    subject: str
    """Id of what it is about."""
    message: str
    why: str
    fix: str


def check(project: Project) -> tuple[Finding, ...]:
    """All findings, blocking ones first, otherwise in order of the document."""
    rank = {"block": 0, "warn": 1, "note": 2}
    found = [*_clock(project), *_cables(project), *_scenes(project), *_songs(project)]
    once = dict.fromkeys(found)  # a pattern used in three scenes is one finding
    return tuple(sorted(once, key=lambda f: rank[f.severity]))


def _clock(project: Project) -> Iterator[Finding]:
    rig = project.rig
    if not rig.devices:
        return
    known = {d.id for d in rig.devices} | {GREBE_ID}
    if rig.leader is None or rig.leader not in known:
        gone = "" if rig.leader is None else f" ({rig.leader} is not in the rig)"
        yield Finding(
            code="rig.no-leader",
            severity="block",
            subject=rig.leader or "rig",
            message=f"Nobody leads the clock{gone}.",
            why="Every box runs at its own tempo and they drift apart within a few bars.",
            fix="Choose a leader in the rig: Grebe, or the box that sends clock.",
        )
    tree = clock_tree(rig)
    for device in rig.devices:
        sources = tree.sources[device.id]
        if len(sources) > 1:
            names = " and ".join(rig.name_of(s) for s in sources)
            yield Finding(
                code="rig.two-leaders",
                severity="block",
                subject=device.id,
                message=f"{device.name} gets clock from {names}.",
                why="Two clocks at one input count double or stumble: it will not keep time.",
                fix=f"Switch clock off on one of the cables into {device.name}.",
            )
        if device.obeys_clock and rig.leader in known and device.id in tree.free_running:
            yield Finding(
                code="rig.no-clock",
                severity="warn",
                subject=device.id,
                message=f"No clock from {rig.name_of(str(rig.leader))} reaches {device.name}.",
                why="It runs on its own and will be audibly apart within a few bars.",
                fix=f"Run a clock cable to {device.name}, or pass the clock on to it.",
            )


def _cables(project: Project) -> Iterator[Finding]:
    known = {d.id for d in project.rig.devices} | {GREBE_ID}
    for cable in project.rig.cables:
        for end in (cable.source, cable.target):
            if end not in known:
                yield Finding(
                    code="rig.cable-to-nowhere",
                    severity="warn",
                    subject=end,
                    message=f"A cable ends at {end}, which is not in the rig.",
                    why="What it should carry goes nowhere.",
                    fix="Remove the cable, or add the device.",
                )


def _scenes(project: Project) -> Iterator[Finding]:
    patterns = {p.id: p for p in project.patterns}
    devices = {d.id: d for d in project.rig.devices}
    for scene in project.scenes:
        for part in scene.parts:
            device = devices.get(part.device)
            if device is None:
                yield Finding(
                    code="scene.no-device",
                    severity="warn",
                    subject=scene.id,
                    message=f"Scene {scene.name} has a part for {part.device}, "
                    "which is not in the rig.",
                    why="That part stays silent.",
                    fix="Add the device, or take the part out of the scene.",
                )
                continue
            for pattern_id in dict.fromkeys(part.chain):
                pattern = patterns.get(pattern_id)
                if pattern is None:
                    yield Finding(
                        code="scene.no-pattern",
                        severity="block",
                        subject=scene.id,
                        message=f"Scene {scene.name} asks {device.name} for pattern "
                        f"{pattern_id}, which is not there.",
                        why=f"{device.name} falls silent where the scene begins.",
                        fix="Choose another pattern in the scene, or bring this one back.",
                    )
                elif pattern.device != part.device:
                    owner = project.rig.name_of(pattern.device)
                    yield Finding(
                        code="scene.other-box",
                        severity="block",
                        subject=scene.id,
                        message=f"Scene {scene.name} gives {device.name} the pattern "
                        f"{pattern.name}, which belongs to {owner}.",
                        why="Its notes mean something else on this box.",
                        fix=f"Copy the pattern to {device.name} first.",
                    )
                elif device.plays == "own":
                    yield from _box_memory(device.name, pattern)


def _box_memory(device: str, pattern: Pattern) -> Iterator[Finding]:
    if pattern.program is None:
        yield Finding(
            code="pattern.no-slot",
            severity="block",
            subject=pattern.id,
            message=f"A scene needs {pattern.name} on {device}, but it has no slot there.",
            why=f"Grebe can only ask {device} for patterns by their program number.",
            fix="Give the pattern a slot.",
        )
    elif pattern.box_status != "in the box":
        yield Finding(
            code="pattern.not-in-box",
            severity="note",
            subject=pattern.id,
            message=f"{pattern.name} on {device} is {pattern.box_status}.",
            why=f"{device} plays what is in its own memory, not what is drawn here.",
            fix="Key it in on the box, then mark it as in the box.",
        )


def _songs(project: Project) -> Iterator[Finding]:
    scenes = {s.id for s in project.scenes}
    for song in project.songs:
        if not song.sections:
            yield Finding(
                code="song.empty",
                severity="warn",
                subject=song.id,
                message=f"{song.name} has no sections.",
                why="There is nothing to start.",
                fix="Add a section to it.",
            )
        for number, section in enumerate(song.sections, start=1):
            if section.scene not in scenes:
                yield Finding(
                    code="song.no-scene",
                    severity="block",
                    subject=song.id,
                    message=f"{song.name}, section {number}, names the scene "
                    f"{section.scene}, which is not there.",
                    why="The song cannot be laid out, so it cannot be played.",
                    fix="Choose another scene for the section, or remove it.",
                )
