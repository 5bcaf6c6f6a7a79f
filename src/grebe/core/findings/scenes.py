"""Findings on scenes, the patterns they name, and the hands a change takes."""

from __future__ import annotations

from collections.abc import Iterator
from math import lcm

from grebe.core.document import Project
from grebe.core.findings.model import Finding
from grebe.core.patterns.model import Pattern
from grebe.core.player.plan import sounding
from grebe.core.rig.model import Device
from grebe.core.songs.changes import changes, moves_of
from grebe.core.songs.hands import Move, schedule
from grebe.core.songs.model import Part, Scene, Section
from grebe.core.songs.unroll import unrolled
from grebe.core.time.delay import fitted_ms, note_ms
from grebe.core.time.ticks import TICKS_PER_QUARTER, note_value_ticks
from grebe.errors import EditError
from grebe.words import tr


def scene_findings(project: Project, reached: frozenset[str]) -> Iterator[Finding]:
    """Scenes that name what is not there or does not fit, and what boxes do not hold."""
    patterns = project.patterns_by_id
    devices = {d.id: d for d in project.rig.lines}
    for scene in project.scenes:
        yield from _lengths(project, scene, patterns, devices)
        for part in scene.parts:
            device = devices.get(part.device)
            if device is None:
                yield _no_device(scene, part)
                continue
            for pattern_id in dict.fromkeys(part.chain):
                pattern = patterns.get(pattern_id)
                if pattern is None:
                    yield _no_pattern(scene, device, pattern_id)
                elif pattern.device != part.device:
                    owner = project.rig.name_of(pattern.device)
                    yield _other_box(scene, device, pattern, owner)
                elif device.plays == "own":
                    told = device.obeys_program and device.id in reached
                    yield from _box_memory(device.name, pattern, told=told)


def _no_device(scene: Scene, part: Part) -> Finding:
    return Finding(
        code="scene.no-device",
        severity="warn",
        kind="scene",
        subject=scene.id,
        message=tr(
            "Scene {scene} has a part for {device}, which is not in the rig.",
            scene=scene.name,
            device=part.device,
        ),
        why=tr("That part stays silent."),
        fix=tr("Add the device, or take the part out of the scene."),
    )


def _no_pattern(scene: Scene, device: Device, pattern_id: str) -> Finding:
    return Finding(
        code="scene.no-pattern",
        severity="block",
        kind="scene",
        subject=scene.id,
        message=tr(
            "Scene {scene} asks {device} for pattern {pattern_id}, which is not there.",
            scene=scene.name,
            device=device.name,
            pattern_id=pattern_id,
        ),
        why=tr("{device} falls silent where the scene begins.", device=device.name),
        fix=tr("Choose another pattern in the scene, or bring this one back."),
    )


def _other_box(scene: Scene, device: Device, pattern: Pattern, owner: str) -> Finding:
    return Finding(
        code="scene.other-box",
        severity="block",
        kind="scene",
        subject=scene.id,
        message=tr(
            "Scene {scene} gives {device} the pattern {pattern}, which belongs to {owner}.",
            scene=scene.name,
            device=device.name,
            pattern=pattern.name,
            owner=owner,
        ),
        why=tr("Its notes mean something else on this box."),
        fix=tr("Copy the pattern to {device} first.", device=device.name),
    )


def _box_memory(device: str, pattern: Pattern, *, told: bool) -> Iterator[Finding]:
    if told and pattern.program is None:
        yield Finding(
            code="pattern.no-slot",
            severity="block",
            kind="pattern",
            subject=pattern.id,
            message=tr(
                "A scene needs {pattern} on {device}, but it has no slot there.",
                pattern=pattern.name,
                device=device,
            ),
            why=tr(
                "Grebe can only ask {device} for patterns by their program number.", device=device
            ),
            fix=tr("Give the pattern a slot."),
        )
    elif pattern.box_status != "in the box":
        yield Finding(
            code="pattern.not-in-box",
            severity="note",
            kind="pattern",
            subject=pattern.id,
            message=tr(
                "{pattern} on {device} is {box_status}.",
                pattern=pattern.name,
                device=device,
                box_status=tr(pattern.box_status),
            ),
            why=tr(
                "{device} plays what is in its own memory, not what is drawn here.", device=device
            ),
            fix=tr("Key it in on the box, then mark it as in the box."),
        )


def _lengths(
    project: Project, scene: Scene, patterns: dict[str, Pattern], devices: dict[str, Device]
) -> Iterator[Finding]:
    """Patterns cut short by the end of the scene; loop tracks and echo times a box has not."""
    length = scene.bars * scene.meter.bar_ticks
    for part in scene.parts:
        device = devices.get(part.device)
        if device is None:
            continue
        chain = [patterns[p] for p in part.chain if p in patterns]
        whole = sum(sounding(p, device).ticks for p in chain)
        if whole and length and length % whole:
            names = ", ".join(dict.fromkeys(p.name for p in chain))
            fits = lcm(whole, scene.meter.bar_ticks) // scene.meter.bar_ticks
            below = scene.bars // fits * fits
            lengths = (
                tr("{below} or {value}", below=below, value=below + fits) if below else f"{fits}"
            )
            cut = length % whole / TICKS_PER_QUARTER
            yield Finding(
                code="scene.length",
                severity="note",
                kind="scene",
                subject=scene.id,
                message=tr(
                    "{names} on {device} does not go evenly into the {bars} bars of {scene}: "
                    "its last round is cut after {cut:g} quarter notes.",
                    names=names,
                    device=device.name,
                    bars=scene.bars,
                    scene=scene.name,
                    cut=cut,
                ),
                why=tr("The next scene comes in in the middle of it."),
                fix=tr(
                    "Make the scene {lengths} bars, change the pattern's length, or keep the cut.",
                    lengths=lengths,
                ),
            )
        yield from _abilities(project, scene, part, device)


def _abilities(project: Project, scene: Scene, part: Part, device: Device) -> Iterator[Finding]:
    tracks, most = part.tracks or (), device.spec.loop_tracks
    if tracks and max(tracks) > most:
        yield Finding(
            code="scene.no-track",
            severity="block",
            kind="scene",
            subject=scene.id,
            message=tr(
                "{scene} wants loop track {max} of {device}, which has {value}.",
                scene=scene.name,
                max=max(tracks),
                device=device.name,
                value=most or tr("none"),
            ),
            why=tr("There is nothing to start."),
            fix=tr("Choose a track it has."),
        )
    if part.echo is not None and len(device.spec.echo_ms) == 2:
        low, high = device.spec.echo_ms
        quarters = note_value_ticks(part.echo) / TICKS_PER_QUARTER
        for bpm in sorted({song.bpm for song in project.songs if _uses(song.sections, scene)}):
            exact = note_ms(bpm, quarters)
            if low <= exact <= high:
                continue
            fitted = fitted_ms(bpm, low, high, quarters)
            told = (
                tr("no half or double of it fits")
                if fitted is None
                else tr("{fitted:.0f} ms fits", fitted=fitted)
            )
            yield Finding(
                code="scene.echo-range",
                severity="note",
                kind="scene",
                subject=scene.id,
                message=tr(
                    "{echo} at {bpm:g} BPM is {exact:.0f} ms; {device} goes from {low:g} to "
                    "{high:g} ms: {told}.",
                    echo=part.echo,
                    bpm=bpm,
                    exact=exact,
                    device=device.name,
                    low=low,
                    high=high,
                    told=told,
                ),
                why=tr("The echo would stand at another time than the music."),
                fix=tr("Take the half or double, or another note value."),
            )


def _uses(sections: tuple[Section, ...], scene: Scene) -> bool:
    return any(section.scene == scene.id for section in sections)


def hand_findings(project: Project, reached: frozenset[str]) -> Iterator[Finding]:
    """Changes in songs that ask for more hands and feet than there are."""
    done: set[tuple[str, str, float, float]] = set()
    for song in project.songs:
        try:
            layout = project.layout(unrolled(song))
        except EditError:
            continue
        before: Scene | None = None
        for span in layout.spans:
            bpm_after = span.section.bpm or span.bpm
            key = ("" if before is None else before.id, span.scene.id, span.bpm, bpm_after)
            if before is not None and before.id != span.scene.id and key not in done:
                done.add(key)
                found = changes(
                    project, before, span.scene, span.bpm, bpm_after=bpm_after, reached=reached,
                    song=song, hands_only=True,
                )  # fmt: skip
                result = schedule(moves_of(found), project.performer)
                if not result.fits:
                    yield _too_much(project, before, span.scene, result.relieve)
            before = span.scene


def _too_much(project: Project, before: Scene, after: Scene, relieve: tuple[Move, ...]) -> Finding:
    names = [f"{project.rig.name_of(m.device)} ({m.words})" for m in relieve]
    ways: dict[str, str] = {
        "give": tr("give it to Grebe: the box obeys program changes"),
        "ahead": tr("pre-set it in peace"),
        "earlier": tr("make it a bar earlier"),
    }
    how = dict.fromkeys(way for m in relieve for way in m.relief)
    fix = tr(" or ").join(ways[w] for w in how) or tr(
        "leave it out, or make the scene before longer"
    )
    hands = project.performer
    return Finding(
        code="scene.hands",
        severity="warn",
        kind="scene",
        subject=after.id,
        message=tr(
            "From {before} to {after} your hands cannot make every move in time: "
            "{names} is left over.",
            before=before.name,
            after=after.name,
            names="; ".join(names),
        ),
        why=tr(
            "{hands} hands and {feet} free feet have to do it all in the bar before.",
            hands=hands.hands,
            feet=hands.feet,
        ),
        fix=f"{fix[0].upper()}{fix[1:]}.",
    )
