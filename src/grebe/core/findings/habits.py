"""Findings on boxes with habits: inputs that have to be opened, banks that change only while they
stand, songs that nobody can choose for them."""

from __future__ import annotations

from collections.abc import Iterator
from itertools import pairwise

from grebe.core.findings.look import Look
from grebe.core.findings.model import Cure, Finding, swap_device
from grebe.core.rig.lines import box_of
from grebe.core.rig.model import Device
from grebe.core.rig.numbering import printed_program
from grebe.core.songs.model import Song
from grebe.core.songs.unroll import unrolled
from grebe.errors import EditError
from grebe.words import tr


def habit_findings(look: Look) -> Iterator[Finding]:
    """Those on single boxes."""
    for device in look.rig.devices:
        yield from _closed(look, device)


def box_song_findings(look: Look) -> Iterator[Finding]:
    """Those on songs."""
    for song in look.project.songs:
        for box in song.box_songs:
            device = look.wiring.devices.get(box.device)
            if device is not None and device.spec.jacks and not device.spec.obeys.song_select:
                yield _not_chosen(song, device, box.number)
        for device in look.rig.lines:
            yield from _across(look, song, device)


def _closed(look: Look, device: Device) -> Iterator[Finding]:
    """An input that sounds nothing until a note is held there."""
    opener = device.spec.opener
    played = device.plays == "grebe" and any(look.patterns[line.id] for line in device.lines)
    by_others = any(c.plays is not None for c in look.wiring.arriving[device.id])
    if opener is None or device.holds_open or not (played or by_others):
        return
    cure: Cure | None = None
    if device.id in look.flow.ways:
        cure = swap_device(device, holds_open=True)
        fix = tr("Let Grebe hold note {note} from before its first beat.", note=opener.note)
    else:
        fix = tr("Hold note {note} there from before the first beat to the end.", note=opener.note)
    again = (
        tr(" It closes again whenever its pattern begins.") if opener.closes == "pattern" else ""
    )
    yield Finding(
        code="rig.closed-input",
        severity="block",
        subject=device.id,
        message=tr(
            "{device} sounds nothing until note {note} is held.{again}",
            device=device.name, note=opener.note, again=again,
        ),
        why=tr("Its first note is lost, or all of them."),
        fix=fix,
        cure=cure,
    )  # fmt: skip


def _not_chosen(song: Song, device: Device, number: int) -> Finding:
    return Finding(
        code="song.not-chosen",
        severity="warn",
        kind="song",
        subject=song.id,
        message=tr(
            "{song} is number {number} in {device}, which does not obey Song Select.",
            song=song.name, number=number + 1, device=device.name,
        ),
        why=tr("It plays whichever of its songs it stands at."),
        fix=tr("Choose it there by hand before the song, and write that among what it needs."),
    )  # fmt: skip


def _across(look: Look, song: Song, device: Device) -> Iterator[Finding]:
    """A song that takes a box to another bank while it plays, where it only goes standing."""
    memory = device.spec.memory
    if memory is None or memory.across == "playing" or device.plays != "own":
        return
    if song.box_song(box_of(device.id)) is not None:
        return
    try:
        spans = look.project.layout(unrolled(song)).spans
    except EditError:
        return  # a scene that is gone: that is found elsewhere
    known = {p.id: p for p in look.patterns[device.id]}
    plays = [
        (known[p], span.scene.name)
        for span in spans
        for p in span.scene.part(device.id).chain
        if p in known and known[p].program is not None
    ]
    for (one, _), (other, scene) in pairwise(plays):
        first, then = one.program, other.program
        if first is None or then is None or memory.group_of(first) == memory.group_of(then):
            continue
        when = tr("while it stands") if memory.across == "stopped" else tr("in another mode")
        yield Finding(
            code="song.bank-change",
            severity="block",
            kind="song",
            subject=song.id,
            message=tr(
                "{device} is to go from {first} to {then} in {song}, at {scene}: it goes to "
                "another group only {when}.",
                device=device.name,
                first=printed_program(device, first),
                then=printed_program(device, then),
                song=song.name,
                scene=scene,
                when=when,
            ),
            why=tr("It stays where it is, or stops."),
            fix=tr("Put the patterns of this song into one group of its memory."),
        )
        return
