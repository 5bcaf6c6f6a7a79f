"""What is played in: notes and controllers at the inputs, and notes struck from a window.

Everything is told to the windows as it comes, with its place in the song; they
remember it. Nothing has to be armed.
"""

from __future__ import annotations

from heapq import heappop, heappush

from grebe.core.player.events import NoteOff, NoteOn
from grebe.core.sync.timeline import SongTimeline
from grebe.engine.connections import Connections
from grebe.errors import EngineError
from grebe.protocols.link.messages import Audition, Identify, PlayedIn
from grebe.protocols.midi.messages import encode
from grebe.words import tr

STRUCK_NS = 100_000_000
"""A note struck with a key of the computer, which has no length, is held so long."""


SHOWN_TIMES, SHOWN_EVERY_NS, SHOWN_AFTER_NS = 3, 300_000_000, 100_000_000
"""Notes and pulses by which a box shows which one it is."""


class PlayingIn:
    """Tells windows what is played at the inputs, with its place in the song, and plays what a
    window strikes."""

    def __init__(self, connections: Connections) -> None:
        self._connections = connections
        self._played: list[tuple[str, int, bytes]] = []
        self._coming: list[tuple[int, str, NoteOn | NoteOff]] = []
        """(when, wire, end of a struck note, or a note to come)."""

    def audition(self, message: Audition, now: int) -> None:
        """Play a note on a device now. EngineError where Grebe does not reach it."""
        output = self._connections.outputs.reached(message.device)
        if output is None or output.port is None:
            raise EngineError(
                tr("{name} cannot be reached just now", name=self._connections.name(message.device))
            )
        on = NoteOn(channel=message.channel, note=message.note, velocity=message.velocity)
        off = NoteOff(channel=message.channel, note=message.note)
        self._connections.outputs.send_raw(output, encode(on))
        heappush(self._coming, (now + STRUCK_NS, output.device.id, off))
        self._played.append((message.device, now, encode(on)))
        self._played.append((message.device, now + STRUCK_NS, encode(off)))

    def identify(self, message: Identify, now: int, *, running: bool) -> None:
        """Three notes and three pulses, on whatever reaches it. EngineError where nothing does, or
        something plays."""
        if running:
            raise EngineError(tr("not while something plays: a pulse more would move it on"))
        connections, device = self._connections, message.device
        output = connections.outputs.reached(device)
        notes = output is not None and output.port is not None
        if not notes and not connections.lines.has_pulses(device):
            name = connections.name(device)
            raise EngineError(tr("{name} cannot be reached just now", name=name))
        on = NoteOn(channel=message.channel, note=message.note, velocity=100)
        off = NoteOff(channel=message.channel, note=message.note)
        for n in range(SHOWN_TIMES):
            at = now + SHOWN_AFTER_NS + n * SHOWN_EVERY_NS
            connections.lines.pulse_between(device, at)
            if output is not None and notes:
                heappush(self._coming, (at, output.device.id, on))
                heappush(self._coming, (at + STRUCK_NS, output.device.id, off))

    def poll(self, now: int) -> None:
        """Play what is due: ends of what was struck, and notes by which a box is known."""
        while self._coming and self._coming[0][0] <= now:
            _, wire, event = heappop(self._coming)
            output = self._connections.outputs.get(wire)
            if output is not None:
                self._connections.outputs.send_raw(output, encode(event))

    def told(self, timeline: SongTimeline | None) -> tuple[PlayedIn, ...]:
        """What was played since this was asked last."""
        rows = [*self._connections.inputs.take_played(), *self._played]
        self._played = []
        return tuple(
            PlayedIn(
                device=device,
                at_ns=at_ns,
                status=data[0],
                first=data[1],
                second=data[2],
                tick=None if timeline is None else timeline.tick_at(at_ns),
            )
            for device, at_ns, data in rows
        )
