"""What Grebe hears: inputs of the boxes that have a route, passed on the moment it comes in."""

from __future__ import annotations

import select

from grebe.core.rig.passage import Passage
from grebe.engine.outlet import Outlet
from grebe.engine.ports import PortBook
from grebe.errors import PortLost
from grebe.protocols.gate import Gate
from grebe.protocols.midi import MidiParser
from grebe.wires.base import Heard, InPort
from grebe.wires.clock import raw_ns
from grebe.wires.jack import JackInput, JackPort

Sending = tuple[str, bytes]
"""(device plugged into Grebe, message for its wire)."""


class Ears:
    """Inputs and gates. `set` takes the routes of a plan; `wait` and `hear` are the loop's."""

    def __init__(self, ports: PortBook) -> None:
        self._ports = ports
        self._gates: dict[tuple[str, str], Gate] = {}
        """By (source, target)."""
        self._inputs: dict[str, InPort] = {}
        self._parsers: dict[str, MidiParser] = {}
        """By source: whatever comes in, only whole messages go on."""
        self._opened: dict[str, object] = {}
        """What each input was opened for: another port setting opens it anew."""
        self.lost: dict[str, str] = {}
        """Sources that cannot be heard, and why."""
        self.follows = ""
        """The box whose clock is followed."""
        self.led: list[Heard] = []
        """What that box has sent, for the engine to take."""

    def unreadable(self) -> dict[str, int]:
        """By source, bytes that were no part of any message."""
        return {source: p.dropped for source, p in self._parsers.items() if p.dropped}

    @property
    def listening(self) -> bool:
        """Whether there is anything to wait for."""
        return bool(self._inputs)

    def set(
        self, passages: tuple[Passage, ...], outlets: dict[str, Outlet], follows: str = ""
    ) -> list[Sending]:
        """Take these routes, and hear the box that is followed.

        Gives the ends of notes that sounded over routes that are gone.
        """
        self.follows = follows
        before, self._gates = self._gates, {}
        for passage in passages:
            key = (passage.source, passage.target)
            gate = before.pop(key, None)
            if gate is not None and gate.passage.wire == passage.wire:
                gate.change(passage)
            else:
                if gate is not None:
                    before[key] = gate
                gate = Gate(passage)
            self._gates[key] = gate
        ends = [(gate.passage.wire, end) for gate in before.values() for end in gate.release()]
        self._open_inputs(outlets)
        return ends

    def _open_inputs(self, outlets: dict[str, Outlet]) -> None:
        wanted = {source for source, _ in self._gates} | ({self.follows} - {""})
        for source in list(self._inputs):
            outlet = outlets.get(source)
            gone = source not in wanted or outlet is None
            if gone or self._opened[source] != _where(outlet):
                self._close(source)
        self.lost = {}
        for source in wanted:
            outlet = outlets.get(source)
            if outlet is None:
                continue
            if source not in self._inputs:
                try:
                    heard = self._ports.open_input(outlet.device, outlet.port)
                except PortLost as error:
                    self.lost[source] = str(error)
                    continue
                if heard is None:
                    continue
                self._inputs[source] = heard
                self._parsers[source] = MidiParser()
                self._opened[source] = _where(outlet)
            self._wire_through(source, outlets)

    def _wire_through(self, source: str, outlets: dict[str, Outlet]) -> None:
        """JACK to JACK is passed on inside one period, by the process callback itself."""
        heard = self._inputs[source]
        if not isinstance(heard, JackInput):
            return
        through: list[tuple[Gate, JackPort]] = []
        rest = source == self.follows
        for (origin, _), gate in self._gates.items():
            if origin == source:
                outlet = outlets.get(gate.passage.wire)
                if outlet is not None and isinstance(outlet.port, JackPort):
                    through.append((gate, outlet.port))
                else:
                    rest = True
        heard.through, heard.wakes = tuple(through), rest

    def _close(self, source: str) -> None:
        self._inputs.pop(source).close_input()
        del self._parsers[source]
        del self._opened[source]

    def wait(self, until_ns: int) -> bool:
        """Wait until something comes in, or until a time; whether something did."""
        left = (until_ns - raw_ns()) / 1e9
        if left <= 0:
            return False
        ready, _, _ = select.select(list(self._inputs.values()), [], [], left)
        return bool(ready)

    def hear(self) -> tuple[list[Sending], list[str]]:
        """Messages to be sent now for what has come in, and the sources that went away."""
        out: list[Sending] = []
        gone: list[str] = []
        for source, heard in self._inputs.items():
            try:
                messages = heard.receive()
            except PortLost as error:
                self.lost[source] = str(error)
                gone.append(source)
                continue
            parser = self._parsers[source]
            whole = [m for at_ns, data in messages for m in parser.feed(data, at_ns)]
            for data, at_ns in whole:
                if source == self.follows:
                    self.led.append((at_ns, data))
                for (origin, _), gate in self._gates.items():
                    if origin != source or heard.has_passed(gate):
                        continue
                    passed = gate(data)
                    if passed is not None:
                        out.append((gate.passage.wire, passed))
        for source in gone:
            self._close(source)
            for (origin, _), gate in self._gates.items():
                if origin == source:
                    out += [(gate.passage.wire, end) for end in gate.release()]
        return out, gone

    def release(self) -> list[Sending]:
        """The ends of all notes that sound."""
        return [(g.passage.wire, end) for g in self._gates.values() for end in g.release()]

    def close(self) -> None:
        """Let go of all inputs."""
        for source in list(self._inputs):
            self._close(source)


def _where(outlet: Outlet | None) -> object:
    """What an input hangs on: the device's input setting, and a stand-in's connection."""
    if outlet is None:
        return None
    standin = outlet.port if outlet.device.port.wire == "standin" else None
    return (outlet.device.input, id(standin))
