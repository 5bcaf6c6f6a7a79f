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
from grebe.protocols.link.messages import Audition, PlayedIn
from grebe.protocols.midi.messages import encode
from grebe.words import tr

STRUCK_NS = 100_000_000
"""A note struck with a key of the computer, which has no length, is held so long."""


class PlayingIn:
    """Notes on their way in."""

    def __init__(self, connections: Connections) -> None:
        self._connections = connections
        self._played: list[tuple[str, int, bytes]] = []
        self._ends: list[tuple[int, str, NoteOff]] = []
        """(when, wire, end of a struck note)."""

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
        heappush(self._ends, (now + STRUCK_NS, output.device.id, off))
        self._played.append((message.device, now, encode(on)))
        self._played.append((message.device, now + STRUCK_NS, encode(off)))

    def poll(self, now: int) -> None:
        """End what was struck."""
        while self._ends and self._ends[0][0] <= now:
            _, wire, off = heappop(self._ends)
            output = self._connections.outputs.get(wire)
            if output is not None:
                self._connections.outputs.send_raw(output, encode(off))

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
