"""What a stand-in is told about the box it stands in for."""

from __future__ import annotations

import msgspec

from grebe.core.document import Project
from grebe.core.patterns.model import Memory
from grebe.core.rig.flow import ways
from grebe.core.rig.model import Device, Filter
from grebe.core.rig.spec import LoopControl, Spec
from grebe.core.rig.wiring import MIDI_MEDIA, Wiring
from grebe.core.units import Bpm, Value


class Onward(Value, frozen=True, kw_only=True):
    """A cable from a stand-in's thru to another stand-in."""

    path: str
    """Socket path of the other."""
    passes: Filter


class SliceSound(Value, frozen=True, kw_only=True, array_like=True):
    """A piece of a WAV file that a note plays."""

    note: int
    path: str
    start: int
    """First sample."""
    end: int
    gate: bool = False
    slot: str = ""


class TrackHolds(Value, frozen=True, kw_only=True):
    """What one track of a stand-in holds."""

    memory: Memory = Memory()
    samples: tuple[SliceSound, ...] = ()


class Setup(Value, frozen=True, kw_only=True):
    """One stand-in's settings, memory and cables."""

    device: Device
    """Without its abilities, but for its tracks: the settings say what it does."""
    memory: Memory = Memory()
    loops: LoopControl | None = None
    """How its loop tracks are told, of a looper."""
    starts_all: bool = False
    """Start makes every track run that holds something."""
    accepts: Filter = Filter()
    thru: tuple[Onward, ...] = ()
    leads_bpm: Bpm | None = None
    """Tempo at which it makes a clock of its own; None where it does not lead."""
    leads: tuple[Onward, ...] = ()
    """Cables on which its own clock goes to other stand-ins; to Grebe it always does."""
    samples: tuple[SliceSound, ...] = ()
    """Sounds it has from files."""
    tracks: tuple[TrackHolds, ...] = ()
    """What its tracks hold, in the device's order."""

    def of_tracks(self) -> tuple[Setup, ...]:
        """Each track as a box of its own, that hears the same wire."""
        lines = self.device.lines[1:]
        holds = (*self.tracks, *(TrackHolds() for _ in lines[len(self.tracks) :]))
        return tuple(
            Setup(device=line, memory=held.memory, samples=held.samples)
            for line, held in zip(lines, holds, strict=False)
        )


def setups(
    project: Project, paths: dict[str, str], bpm: float, loops: dict[str, str] | None = None
) -> dict[str, Setup]:
    """What each stand-in is to be. `paths`: socket path by device id, for all stand-ins.

    `loops` is the path of each loop's file, by its id. `bpm` is what a box that leads
    is set to by hand.

    A memory is the project's copy of what the box holds. Thru cables are those
    on the shortest ways from Grebe, or from a box that leads where Grebe's do not
    go: a ring of them, which the findings name, would keep real boxes as busy as
    these.
    """
    wiring = Wiring(project.rig)
    came = ways(wiring)
    if project.rig.leader in wiring.devices:
        came = {**ways(wiring, project.rig.leader), **came}
    out: dict[str, Setup] = {}
    for device in project.rig.devices:
        if device.id not in paths:
            continue
        last = came.get(device.id)
        leading = device.id == project.rig.leader
        out[device.id] = Setup(
            device=_settings(device),
            memory=_memory(project, device),
            loops=device.spec.loop_control,
            starts_all=device.spec.starts_all,
            accepts=last.accepts if last is not None else Filter(),
            thru=tuple(
                Onward(path=paths[c.target], passes=c.passes)
                for c in came.values()
                if c.source == device.id and c.target in paths and c.gives != "own"
            ),
            leads_bpm=bpm if leading else None,
            samples=_samples(project, device.id, loops or {}),
            tracks=tuple(
                TrackHolds(
                    memory=_memory(project, line),
                    samples=_samples(project, line.id, loops or {}),
                )
                for line in device.lines[1:]
            ),
            leads=tuple(
                Onward(path=paths[c.target], passes=c.passes)
                for c in wiring.leaving[device.id]
                if leading and c.medium in MIDI_MEDIA and c.gives != "thru" and c.target in paths
            ),
        )
    return out


def _settings(device: Device) -> Device:
    return msgspec.structs.replace(device, spec=Spec(tracks=device.tracks))


def _memory(project: Project, line: Device) -> Memory:
    """What a line's memory holds, as far as the project knows."""
    if line.plays != "own":
        return Memory()
    return Memory(
        slots={
            p.program: p.in_box
            for p in project.patterns
            if p.device == line.id and p.program is not None and p.in_box is not None
        }
    )


def _samples(project: Project, device: str, files: dict[str, str]) -> tuple[SliceSound, ...]:
    return tuple(
        SliceSound(
            note=piece.note,
            path=files[loop.id],
            start=piece.start,
            end=piece.end,
            gate=piece.gate,
            slot=loop.id if loop.shared else "",
        )
        for loop in project.loops
        if loop.device == device and loop.id in files
        for piece in loop.slices
    )
