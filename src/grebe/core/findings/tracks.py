"""Findings on boxes with tracks: what tracks share, and what shares a port."""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Iterator
from functools import lru_cache
from itertools import combinations

import msgspec

from grebe.core.findings.look import Look
from grebe.core.findings.model import Cure, Finding, swap_device
from grebe.core.findings.patterns import DRUM_KINDS, busiest_moment
from grebe.core.patterns.model import Content, Pattern, Voice
from grebe.core.player.plan import sounding
from grebe.core.rig.lines import box_of, line_id, track_of
from grebe.core.rig.model import Device
from grebe.core.rig.numbering import printed_program
from grebe.core.rig.spec import Spec, Track
from grebe.core.rig.wiring import MIDI_MEDIA
from grebe.core.songs.model import Scene
from grebe.words import tr


def track_findings(look: Look) -> Iterator[Finding]:
    """All of this family."""
    yield from _one_port(look)
    patterns = look.project.patterns_by_id
    for device in look.rig.devices:
        if not device.tracks:
            continue
        yield from _one_channel(device)
        yield from _fed(look, device)
        for scene in look.project.scenes:
            yield from _switched_together(device, scene, patterns)
            yield from _one_voice(device, scene)
            yield from _too_many(device, scene, patterns)


def _one_port(look: Look) -> Iterator[Finding]:
    """Boxes that the rig has as plugged into one and the same output."""
    there: defaultdict[tuple[str, str], list[Device]] = defaultdict(list)
    plugged = dict.fromkeys(look.flow.via.values())
    for device in look.rig.devices:
        port = device.port
        if device.id in plugged and port.name and port.is_plugged and not port.is_standin:
            there[(port.wire, port.name)].append(device)
    for (_, name), sharing in there.items():
        first, *others = sharing
        for other in others:
            yield Finding(
                code="rig.one-port",
                severity="warn",
                subject=other.id,
                message=tr(
                    "{first} and {other} are both plugged into {port}.",
                    first=first.name, other=other.name, port=name,
                ),
                why=tr("One plug has one cable: one clock and one Start go down it, for both."),
                fix=tr(
                    "Make {other} a track of {first}, or plug it in behind its thru.",
                    first=first.name, other=other.name,
                ),
                cure=None if other.tracks else Cure(joined=((first.id, other.id),)),
            )  # fmt: skip


def _one_channel(device: Device) -> Iterator[Finding]:
    for first, second in combinations(device.tracks, 2):
        if first.channel != second.channel:
            continue
        notes = [{v.note for v in t.voices} for t in (first, second)]
        if all(notes) and not notes[0] & notes[1]:
            continue  # told apart by their notes
        taken = {device.channel, *(t.channel for t in device.tracks)}
        free = next((c for c in range(1, 17) if c not in taken), 0)
        moved = tuple(
            msgspec.structs.replace(t, channel=free) if t is second else t for t in device.tracks
        )
        yield Finding(
            code="rig.tracks-on-one-channel",
            severity="warn",
            subject=device.id,
            message=tr(
                "{first} and {second} of {device} are both on channel {channel}.",
                first=first.name, second=second.name, device=device.name, channel=first.channel,
            ),
            why=tr("Each plays what is meant for the other, and one mute silences both."),
            fix=tr("Set {second} to channel {free}, here and on the box.",
                   second=second.name, free=free)
            if free else tr("Set {second} to another channel.", second=second.name),
            cure=swap_device(device, spec=_with_tracks(device, moved)) if free else None,
        )  # fmt: skip


def _with_tracks(device: Device, tracks: tuple[Track, ...]) -> Spec:
    return msgspec.structs.replace(device.spec, tracks=tracks)


def _fed(look: Look, device: Device) -> Iterator[Finding]:
    """Tracks that only send to another box: it has to be there, cabled, and on their channel."""
    for track in device.tracks:
        if not track.feeds:
            continue
        other = look.wiring.devices.get(track.feeds)
        cabled = any(
            c.target == track.feeds and c.medium in MIDI_MEDIA and c.passes.notes
            for c in look.wiring.leaving[device.id]
        )
        if other is None or not cabled:
            yield Finding(
                code="rig.track-feeds-nobody",
                severity="warn",
                subject=device.id,
                message=tr(
                    "{track} of {device} plays {other}, and no cable for notes leads there.",
                    track=track.name, device=device.name, other=look.name(track.feeds),
                ),
                why=tr("Nothing is heard of it."),
                fix=tr("Run a cable from {device} to {other}, or say what the track plays.",
                       device=device.name, other=look.name(track.feeds)),
            )  # fmt: skip
        elif track.channel not in {line.channel for line in other.lines}:
            yield Finding(
                code="rig.track-channel",
                severity="block",
                subject=device.id,
                message=tr(
                    "{track} of {device} sends on channel {channel}; {other} listens on {heard}.",
                    track=track.name, device=device.name, channel=track.channel,
                    other=other.name, heard=other.channel,
                ),
                why=tr("{other} does not play what is meant for it.", other=other.name),
                fix=tr("Set the track to channel {heard}, here and on the box.",
                       heard=other.channel),
                cure=swap_device(device, spec=_with_tracks(device, tuple(
                    msgspec.structs.replace(t, channel=other.channel) if t is track else t
                    for t in device.tracks
                ))),
            )  # fmt: skip


def _switched_together(
    device: Device, scene: Scene, patterns: dict[str, Pattern]
) -> Iterator[Finding]:
    """Tracks that one program change reaches all at once, given different places."""
    if device.plays != "own" or not device.obeys_program:
        return
    places: dict[int, str] = {}
    for line in (device, *(device.lines[1 + n] for n, t in enumerate(device.tracks)
                           if t.program == "box")):  # fmt: skip
        for pattern_id in scene.part(line.id).chain[:1]:
            pattern = patterns.get(pattern_id)
            if pattern is not None and pattern.program is not None:
                places.setdefault(pattern.program, f"{line.name}, {pattern.name}")
    if len(places) > 1:
        shown = ", ".join(
            tr("{place} for {what}", place=printed_program(device, program), what=what)
            for program, what in places.items()
        )
        yield Finding(
            code="scene.tracks-together",
            severity="block",
            kind="scene",
            subject=scene.id,
            message=tr(
                "{scene} wants several places of {device} at once: {shown}.",
                scene=scene.name, device=device.name, shown=shown,
            ),
            why=tr("Its tracks can only be switched together: the first is told, the rest go with "
                   "it."),
            fix=tr("Give what sounds together one place in the box, or let Grebe play the tracks."),
        )  # fmt: skip


def _one_voice(device: Device, scene: Scene) -> Iterator[Finding]:
    by_slot: defaultdict[str, list[Track]] = defaultdict(list)
    for track in device.tracks:
        part = scene.part(line_id(device.id, track.id))
        if track.slot and part.chain and not part.muted:
            by_slot[track.slot].append(track)
    for tracks in by_slot.values():
        if len(tracks) > 1:
            names = tr(" and ").join(t.name for t in tracks)
            yield Finding(
                code="scene.one-voice",
                severity="note",
                kind="scene",
                subject=scene.id,
                message=tr(
                    "In {scene} {names} of {device} play at once; they share one voice.",
                    scene=scene.name, names=names, device=device.name,
                ),
                why=tr("Each cuts the other off."),
                fix=tr("Mute one of them there, or keep it if that is meant."),
            )  # fmt: skip


def _too_many(device: Device, scene: Scene, patterns: dict[str, Pattern]) -> Iterator[Finding]:
    """More notes of all tracks together than the box can sound."""
    limit = device.spec.polyphony
    if not limit:
        return
    rows: list[tuple[str, Content]] = []
    for line in device.lines:
        part = scene.part(line.id)
        if line.kind in DRUM_KINDS or part.muted or box_of(line.id) != device.id:
            continue
        track = device.track(track_of(line.id))
        if track is not None and track.feeds:
            continue  # another box sounds it
        for pattern_id in part.chain[:1]:
            pattern = patterns.get(pattern_id)
            if pattern is not None:
                rows.append((line.name, sounding(pattern, line)))
    if len(rows) < 2:
        return
    most, step, names = _busiest(tuple(rows))
    if most > limit:
        yield Finding(
            code="scene.polyphony",
            severity="warn",
            kind="scene",
            subject=scene.id,
            message=tr(
                "In {scene} the tracks of {device} hold {most} notes at once at step {step} "
                "({who}); it sounds {limit}.",
                scene=scene.name, device=device.name, most=most, step=step + 1,
                who=", ".join(names[:4]), limit=limit,
            ),
            why=tr("It drops one of them: the bass under a chord, or a note of the chord."),
            fix=tr("Shorten gates, thin the chord, or give one of the jobs to another box."),
        )  # fmt: skip


@lru_cache(maxsize=512)
def _busiest(rows: tuple[tuple[str, Content], ...]) -> tuple[int, int, tuple[str, ...]]:
    """The most notes that these hold at once in their first passes, as `busiest_moment` has it."""
    voices: list[Voice] = []
    for name, content in rows:
        voices += [
            msgspec.structs.replace(v, id=f"{name}-{v.id}", name=name) for v in content.voices
        ]
    longest = max((c for _, c in rows), key=lambda c: c.ticks)
    return busiest_moment(msgspec.structs.replace(longest, voices=tuple(voices), lanes=()))
