"""Which messages reach which input: every wire followed through thru, merge, filter and route."""

from __future__ import annotations

from collections import defaultdict
from typing import Literal, NamedTuple

from grebe.core.rig.model import GREBE_ID, Cable, Device, Filter
from grebe.core.rig.wiring import MIDI_MEDIA, Wiring

MessageKind = Literal["transport", "notes", "program", "controllers"]


class Stream(NamedTuple):
    """Messages of one kind from one origin."""

    origin: str
    kind: MessageKind
    channel: int = 0
    """0 for transport."""
    meant: str = ""
    """The device they are for; "" when the origin just sends."""
    number: int = -1
    """Which controller; -1: any."""


class Arrival(NamedTuple):
    """A stream at an input, and the last cable it came by."""

    stream: Stream
    cable: Cable


def lets(end: Filter, stream: Stream) -> bool:
    """Whether one end of a cable lets a stream through."""
    if stream.kind == "transport":
        return end.transport
    if stream.kind == "notes":
        return end.notes
    if stream.kind == "program":
        return end.program
    return end.controllers if stream.number < 0 else end.passes_controller(stream.number)


def ways(wiring: Wiring, start: str = GREBE_ID) -> dict[str, Cable]:
    """For every device that the MIDI messages of Grebe, or of the box `start`, can reach, the last
    cable of the shortest way.

    The first is from there, the others are passed on by thru.
    """
    came: dict[str, Cable] = {}
    waiting = [start]
    while waiting:
        node = waiting.pop(0)
        for cable in wiring.leaving[node]:
            on = (
                cable.gives != "own" if node != start else node == GREBE_ID or cable.gives != "thru"
            )
            on = on and cable.medium in MIDI_MEDIA
            if on and cable.target not in (*came, start, GREBE_ID):
                came[cable.target] = cable
                waiting.append(cable.target)
    return came


def way_to(came: dict[str, Cable], device_id: str) -> list[Cable]:
    """The cables from Grebe to a device, in order; empty when there is no way."""
    path: list[Cable] = []
    while device_id in came:
        path.insert(0, came[device_id])
        device_id = came[device_id].source
    return path


def first_hops(came: dict[str, Cable]) -> dict[str, str]:
    """For every device with a way, the one plugged into Grebe at its beginning; maybe itself."""
    return {device_id: way_to(came, device_id)[0].target for device_id in came}


def own_streams(device: Device, *, leads: bool) -> list[Stream]:
    """What a box sends of its own."""
    sends = device.spec.sends
    out: list[Stream] = []
    if sends.transport and (leads or device.sends_clock):
        out.append(Stream(device.id, "transport"))
    if sends.notes:
        out.append(Stream(device.id, "notes", device.channel))
    if sends.program:
        out.append(Stream(device.id, "program", device.channel))
    if sends.controllers:
        out.append(Stream(device.id, "controllers", device.channel))
    return out


def _on_cable(stream: Stream, cable: Cable) -> Stream:
    """A stream as its origin sends it over a cable: notes that are to play a box on a channel that
    is set for that."""
    channel = cable.plays.channel if cable.plays is not None else None
    return stream._replace(channel=channel) if channel and stream.kind == "notes" else stream


def grebe_streams(device: Device) -> list[Stream]:
    """What Grebe sends to a device that it can reach, and to its tracks."""
    out: dict[Stream, None] = {}
    for line in device.lines:
        channel = line.channel
        if device.plays == "grebe":
            if device.spec.obeys.notes:
                out[Stream(GREBE_ID, "notes", channel, device.id)] = None
            continue
        if line.obeys_program:
            out[Stream(GREBE_ID, "program", line.told_on, device.id)] = None
        number = line.mute_controller
        if number is not None:
            out[Stream(GREBE_ID, "controllers", channel, device.id, number)] = None
    return list(out)


class Flow:
    """What arrives where. `arrivals`: every stream that a device's inputs let in.

    A thru repeats what comes to the jack, whatever the box itself obeys of it.
    """

    def __init__(self, wiring: Wiring) -> None:
        self.wiring = wiring
        self.ways = ways(wiring)
        self.via = first_hops(self.ways)
        self.arrivals: defaultdict[str, list[Arrival]] = defaultdict(list)
        self._seen: set[tuple[int, Stream]] = set()
        rig = wiring.rig
        for cable in wiring.cables:
            source = wiring.devices.get(cable.source)
            if cable.medium not in MIDI_MEDIA:
                continue
            if source is None:
                self._from_grebe(cable)
            elif cable.gives != "thru":
                for stream in own_streams(source, leads=source.id == rig.leader):
                    self._travel(cable, _on_cable(stream, cable))

    def reaches(self, stream: Stream) -> bool:
        """Whether a stream gets to the device it is meant for."""
        return any(arrival.stream == stream for arrival in self.arrivals[stream.meant])

    def _from_grebe(self, cable: Cable) -> None:
        leader = self.wiring.rig.leader
        led = leader is not None and any(c.clock for c in self.wiring.arriving[GREBE_ID])
        if (led or leader == GREBE_ID) and cable.target != GREBE_ID:
            self._travel(cable, Stream(GREBE_ID, "transport"))
        for device in self.wiring.rig.devices:
            if self.via.get(device.id) == cable.target:
                for stream in grebe_streams(device):
                    self._travel(cable, stream)

    def _travel(self, cable: Cable, stream: Stream) -> None:
        waiting = [(cable, stream)]
        while waiting:
            cable, stream = waiting.pop()
            if (id(cable), stream) in self._seen:
                continue
            self._seen.add((id(cable), stream))
            if not lets(cable.passes, stream):
                continue
            accepted = lets(cable.accepts, stream)
            if accepted:
                self.arrivals[cable.target].append(Arrival(stream, cable))
            if cable.target == GREBE_ID:
                waiting += self._routed(cable, stream) if accepted else []
                continue
            waiting += [
                (onward, stream)
                for onward in self.wiring.leaving[cable.target]
                if onward.gives != "own" and onward.medium in MIDI_MEDIA
            ]

    def _routed(self, cable: Cable, stream: Stream) -> list[tuple[Cable, Stream]]:
        out: list[tuple[Cable, Stream]] = []
        for route in self.wiring.rig.routes:
            if route.source != cable.source or not lets(route.passes, stream):
                continue
            first = self.via.get(route.target)
            channel = stream.channel
            if channel and route.channel is not None:
                channel = route.channel
            meant = route.target if stream.kind != "transport" else ""
            sent = stream._replace(channel=channel, meant=meant)
            out += [
                (c, sent)
                for c in self.wiring.leaving[GREBE_ID]
                if c.target == first and c.medium in MIDI_MEDIA
            ]
        return out
