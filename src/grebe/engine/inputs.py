"""What Grebe hears: inputs of the boxes that have a route, passed on the moment it comes in."""

from __future__ import annotations

import select
import socket
from collections.abc import Sequence
from typing import TypeAlias

from grebe.core.player.plan import Plan
from grebe.core.rig.trigger import Trigger
from grebe.engine.device_output import DeviceOutput
from grebe.engine.ports import Ports
from grebe.errors import PortLost
from grebe.protocols.midi.message_filter import MessageFilter
from grebe.protocols.midi.messages import MidiParser
from grebe.protocols.midi.press import press_of, touch_of
from grebe.transports.base import Heard, InPort
from grebe.transports.clock import MonotonicClock
from grebe.transports.jack.midi import JackInput, JackPort
from grebe.words import tr

ANY = "*"
"""Whichever box is pressed first."""
PULSES = "~pulses"
"""Behind a device's id: its pulses, heard beside its MIDI."""
PLAYED_KINDS = (0x80, 0x90, 0xB0)
"""Note off, note on, controller (MIDI 1.0)."""
MAX_PLAYED = 4096
"""Kept between two looks, 33 ms apart: far more than comes over a cable."""
Sendings: TypeAlias = "list[tuple[str, bytes]]"
"""(device plugged into Grebe, message for its wire) of each."""


class Inputs:
    """Inputs and gates. `set` takes the routes of a plan; `wait` and `hear` are the loop's."""

    def __init__(self, ports: Ports, clock: MonotonicClock) -> None:
        self._ports = ports
        self._clock = clock
        self._message_filters: dict[tuple[str, str], MessageFilter] = {}
        """By (source, target)."""
        self._inputs: dict[str, InPort] = {}
        self._parsers: dict[str, MidiParser] = {}
        """By source: whatever comes in, only whole messages go on."""
        self._opened: dict[str, object] = {}
        """What each input was opened for: another port setting opens it anew."""
        self.lost: dict[str, str] = {}
        """Sources that cannot be heard, and why."""
        self.follows = ""
        """The input whose clock is followed."""
        self.led: list[Heard] = []
        """What that box has sent, for the engine to take."""
        self.panic: Trigger | None = None
        """The press that panics."""
        self.panicked = False
        """It came; the engine acts on it and takes it back."""
        self.heeds: dict[str, bytes] = {}
        """By source, first bytes of the messages whose times are told."""
        self.heard: list[tuple[str, int]] = []
        """(device, when) of those, for the engine to take."""
        self._remembered: tuple[str, ...] = ()
        self._played: list[tuple[str, int, bytes]] = []
        self._ends: Sendings = []
        """Ends of notes that sounded over an input that was found lost."""
        self.touchable: frozenset[Trigger] = frozenset()
        """What does something when it is touched."""
        self.touches: list[tuple[Trigger, int, int]] = []
        """(what, value, when) of touches, for the engine to take."""
        self.learning = ""
        """The box whose next press is waited for."""
        self.learned: Trigger | None = None
        """That press, for the engine to take."""

    def unreadable(self) -> dict[str, int]:
        """By source, bytes that were no part of any message."""
        return {source: p.dropped for source, p in self._parsers.items() if p.dropped}

    def misses(self, device: str) -> bool:
        """Whether a device that should be heard is not; looks at its inputs."""
        for source in (device, device + PULSES):
            heard = self._inputs.get(source)
            try:
                if heard is not None:
                    heard.check_input()
            except PortLost as error:
                self._ends += self._give_up(source, str(error))
            if source in self.lost:
                return True
        return False

    def _give_up(self, source: str, why: str) -> Sendings:
        """An input went away: the ends of what sounded over it."""
        self.lost[source] = why
        self._close(source)
        return [
            (message_filter.passage.wire, end)
            for (origin, _), message_filter in self._message_filters.items()
            if origin == source
            for end in message_filter.release()
        ]

    def take_ends(self) -> Sendings:
        """Ends of notes to be sent for inputs that `misses` found lost."""
        ends, self._ends = self._ends, []
        return ends

    def take_played(self) -> list[tuple[str, int, bytes]]:
        """Notes and controllers played in since the last call: (device, when, message)."""
        played, self._played = self._played, []
        return played

    def take_led(self) -> list[Heard]:
        """What the box that is followed has sent since the last call."""
        led, self.led = self.led, []
        return led

    def take_heard(self) -> list[tuple[str, int]]:
        """(device, when) of what is listened to, since the last call."""
        heard, self.heard = self.heard, []
        return heard

    def take_panic(self) -> bool:
        """Whether the press that panics has come since the last call."""
        panicked, self.panicked = self.panicked, False
        return panicked

    def take_touches(self) -> list[tuple[Trigger, int, int]]:
        """(what, value, when) of touches since the last call."""
        touches, self.touches = self.touches, []
        return touches

    def take_learned(self) -> Trigger | None:
        """The press that was waited for, once."""
        learned, self.learned = self.learned, None
        return learned

    def hears(self, device: str) -> bool:
        """Whether an input of a device is open."""
        return device in self._inputs and device not in self.lost

    @property
    def listening(self) -> bool:
        """Whether there is anything to wait for."""
        return bool(self._inputs)

    def set(self, plan: Plan, outputs: dict[str, DeviceOutput]) -> Sendings:
        """Take a plan's routes, and hear the box that is followed and the one that panics.

        Gives the ends of notes that sounded over routes that are gone.
        """
        self.follows = plan.follows
        if plan.follows and outputs[plan.follows].device.pulse_from.is_set:
            self.follows += PULSES
        self.panic = plan.panic
        self._remembered = plan.remembered
        before, self._message_filters = self._message_filters, {}
        for passage in plan.passages:
            key = (passage.source, passage.target)
            message_filter = before.pop(key, None)
            if message_filter is not None and message_filter.passage.wire == passage.wire:
                message_filter.change(passage)
            else:
                if message_filter is not None:
                    before[key] = message_filter
                message_filter = MessageFilter(passage)
            self._message_filters[key] = message_filter
        ends = [
            (message_filter.passage.wire, end)
            for message_filter in before.values()
            for end in message_filter.release()
        ]
        self._open_inputs(outputs)
        return ends

    def _open_inputs(self, outputs: dict[str, DeviceOutput]) -> None:
        wanted = {source for source, _ in self._message_filters} | {self.follows, self.learning}
        wanted |= self.heeds.keys() | set(self._remembered)
        if self.panic is not None:
            wanted.add(self.panic.device)
        wanted |= {trigger.device for trigger in self.touchable}
        if self.learning == ANY:
            wanted |= {d for d, o in outputs.items() if o.device.input.is_set}
        for source in list(self._inputs):
            output = outputs.get(source.removesuffix(PULSES))
            gone = source not in wanted or output is None
            if gone or self._opened[source] != _where(output):
                self._close(source)
        self.lost = {}
        for source in sorted(wanted):
            output = outputs.get(source.removesuffix(PULSES))
            if output is None:
                continue
            if source not in self._inputs:
                try:
                    if source.endswith(PULSES):
                        heard: InPort | None = self._ports.open_pulses(output.device)
                    else:
                        heard = self._ports.open_input(output.device, output.port)
                except PortLost as error:
                    self.lost[source] = str(error)
                    continue
                if heard is None:
                    continue
                self._inputs[source] = heard
                self._parsers[source] = MidiParser()
                self._opened[source] = _where(output)
            self._wire_through(source, outputs)

    def _wire_through(self, source: str, outputs: dict[str, DeviceOutput]) -> None:
        """JACK to JACK is passed on inside one period, by the process callback itself."""
        heard = self._inputs[source]
        if not isinstance(heard, JackInput):
            return
        through: list[tuple[MessageFilter, JackPort]] = []
        pressing = self.panic is not None and source == self.panic.device
        pressing = pressing or self.learning == ANY
        pressing = pressing or any(t.device == source for t in self.touchable)
        rest = pressing or source in (self.follows, self.learning, *self._remembered)
        rest = rest or source in self.heeds
        for (origin, _), message_filter in self._message_filters.items():
            if origin == source:
                output = outputs.get(message_filter.passage.wire)
                if output is not None and isinstance(output.port, JackPort):
                    through.append((message_filter, output.port))
                else:
                    rest = True
        heard.through, heard.wakes = tuple(through), rest

    def _close(self, source: str) -> None:
        self._inputs.pop(source).close_input()
        del self._parsers[source]
        del self._opened[source]

    def wait(self, until_ns: int, others: Sequence[socket.socket] = ()) -> tuple[bool, bool]:
        """Wait until something comes in, here or at `others`, or until a time: what did."""
        left = (until_ns - self._clock.now_ns()) / 1e9
        if left <= 0:
            return False, False
        waited: list[InPort | socket.socket] = [*self._inputs.values(), *others]
        ready, _, _ = select.select(waited, [], [], left)
        elsewhere = any(r in others for r in ready)
        return len(ready) > elsewhere, elsewhere

    def hear(self) -> tuple[Sendings, list[str]]:
        """Messages to be sent now for what has come in, and the sources that went away."""
        out: Sendings = []
        gone: dict[str, str] = {}
        for source, heard in self._inputs.items():
            try:
                messages = heard.receive()
            except PortLost as error:
                gone[source] = str(error)
                continue
            parser = self._parsers[source]
            whole = [m for at_ns, data in messages for m in parser.feed(data, at_ns)]
            for data, at_ns in whole:
                if source == self.follows:
                    self.led.append((at_ns, data))
                kinds = self.heeds.get(source)
                if kinds is not None and _heeded(data, kinds):
                    self.heard.append((source.removesuffix(PULSES), at_ns))
                if source in self._remembered and data[0] & 0xF0 in PLAYED_KINDS:
                    self._played.append((source, at_ns, data))
                    del self._played[:-MAX_PLAYED]
                if self.panic is not None or self.learning:
                    self._press(source, data)
                if self.touchable:
                    touch = touch_of(source, data)
                    if touch is not None and touch[0] in self.touchable:
                        self.touches.append((*touch, at_ns))
                for (origin, _), message_filter in self._message_filters.items():
                    if origin != source or heard.has_passed(message_filter):
                        continue
                    passed = message_filter(data)
                    if passed is not None:
                        out.append((message_filter.passage.wire, passed))
        for source, why in gone.items():
            out += self._give_up(source, why)
        return out, list(gone)

    def _press(self, source: str, data: bytes) -> None:
        press = press_of(source, data)
        if press is None:
            return
        if self.learning in (source, ANY):
            self.learning, self.learned = "", press
        elif press == self.panic:
            self.panicked = True

    def listen(self, heeds: dict[str, bytes], outputs: dict[str, DeviceOutput]) -> None:
        """Tell the times of these messages from now on."""
        self.heeds, self.heard = heeds, []
        self._open_inputs(outputs)

    def learn(self, device: str, outputs: dict[str, DeviceOutput]) -> None:
        """Wait for the next press on a box; "" gives up. PortLost when it cannot be heard."""
        self.learning = device
        self._open_inputs(outputs)
        if device == ANY and not self._inputs:
            self.learning = ""
            raise PortLost(tr("no box is heard: set Heard at, in the Rig"))
        if device not in ("", ANY) and device not in self._inputs:
            self.learning = ""
            raise PortLost(self.lost.get(device, tr("no input of it is set: Heard at, in the Rig")))

    def release(self) -> Sendings:
        """The ends of all notes that sound."""
        return [
            (g.passage.wire, end) for g in self._message_filters.values() for end in g.release()
        ]

    def close(self) -> None:
        """Let go of all inputs."""
        for source in list(self._inputs):
            self._close(source)


def _heeded(data: bytes, kinds: bytes) -> bool:
    """Whether a message is of one of these kinds; a note that ends is none."""
    kind = data[0] if data[0] >= 0xF0 else data[0] & 0xF0
    return kind in kinds and (len(data) < 3 or data[2] > 0)


def _where(output: DeviceOutput | None) -> object:
    """What an input hangs on: the device's input setting, and a stand-in's connection."""
    if output is None:
        return None
    standin = output.port if output.device.port.is_standin else None
    return (output.device.input, output.device.pulse_from, output.device.run_from, id(standin))
