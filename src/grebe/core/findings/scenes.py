"""Findings on scenes, songs and the patterns they name."""

from __future__ import annotations

from collections.abc import Iterator

from grebe.core.document import Project
from grebe.core.findings.model import Finding
from grebe.core.patterns.model import Pattern


def scene_findings(project: Project) -> Iterator[Finding]:
    """Scenes that name what is not there, and what boxes do not hold."""
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


def song_findings(project: Project) -> Iterator[Finding]:
    """Songs that cannot be laid out."""
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
