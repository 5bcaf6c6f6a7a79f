"""Everything plugged into the engine: outlets, inputs, the box that leads, ports lost and found."""

from __future__ import annotations

from collections.abc import Callable

import msgspec

from grebe.core.player.plan import Plan
from grebe.core.rig.model import JACK_ID, PEERS_ID, Device, Port
from grebe.core.rig.model import JackTransport as JackTransportUse
from grebe.core.rig.standin import Setup
from grebe.core.time.ticks import CLOCK_TICKS, SIXTEENTH_TICKS
from grebe.engine.device_output import DeviceOutput
from grebe.engine.inputs import PULSES, Inputs, Sending
from grebe.engine.limits import STOP_SETTLES_NS
from grebe.engine.lines import PulseOutputs
from grebe.engine.ports import PortBook
from grebe.engine.sources.jack import JackFollowing
from grebe.engine.sources.midi import Following
from grebe.engine.sources.session import PeerFollowing
from grebe.errors import PortLost
from grebe.protocols.link.messages import DeviceStatus, Heard, Heed, Load, Notice
from grebe.protocols.midi.messages import NOTE_ON, STOP, TIMING_CLOCK, silence
from grebe.protocols.standin.reports import ReportKind, encode_setup, goodbye, press
from grebe.transports.clock import MonotonicClock
from grebe.transports.jack.midi import JackPort
from grebe.transports.jack.transport import JackTransport, Where

REPORTS = {"beats": ReportKind.BEAT, "notes": ReportKind.NOTE, "clock": ReportKind.TICK}
"""What a stand-in reports of what is listened to."""


class Connections:
    """Outlets by device, and what leads where.

    `tell` says something to the performer, `where` the place of the song at a time.
    """

    def __init__(
        self, tell: Callable[[Notice], None], where: Where, clock: MonotonicClock, ports: PortBook
    ) -> None:
        self._tell = tell
        self._where = where
        self._clock = clock
        self.transport: JackTransport | None = None
        """JACK's, while Grebe leads it."""
        self.ports = ports
        self.lines = PulseOutputs(ports, clock)
        self.inputs = Inputs(ports, clock)
        self._box_led = Following()
        self._led_by: Following | JackFollowing = self._box_led
        self.session: PeerFollowing | None = None
        """The session of peers, while one is asked for."""
        self.outputs: dict[str, DeviceOutput] = {}
        self.via: dict[str, str] = {}
        self.sharing: dict[str, list[DeviceOutput]] = {}
        """By device plugged in: the outlets that get the clock of its wire."""
        self.idle: tuple[str, ...] = ()
        """Devices plugged in whose wire carries clock while stopped, too."""
        self._plan: Plan | None = None
        self._setups: dict[str, Setup] = {}
        self._looked_at = 0
        self.left_sounding = False
        """Whether the engine before this one was killed: every box it may have left sounding is
        silenced before anything else."""
        self._silenced: set[str] = set()
        self._steps: dict[str, int] = {}

    def started(self, wire: str) -> None:
        """Start or Continue has gone down a wire."""
        for device, output in self.outputs.items():
            if self.via.get(device, device) == wire:
                output.started()

    def stopped(self, wire: str) -> None:
        """Stop has gone down a wire."""
        for device, output in self.outputs.items():
            if self.via.get(device, device) == wire:
                output.stopped()

    def silence(self, output: DeviceOutput) -> None:
        """All notes and sound off, on every channel."""
        for data in silence():
            self.send_raw(output, data)

    def silence_all(self) -> None:
        """The same on every port."""
        for output in self.outputs.values():
            self.silence(output)

    def settle(self) -> None:
        """Let the last messages leave a JACK port."""
        if self.ports.jack is not None:
            self._clock.sleep_until_ns(self._clock.now_ns() + STOP_SETTLES_NS, 0)

    def _opened(self, output: DeviceOutput) -> None:
        """A port is there: silenced where somebody may have left it sounding, then set up."""
        if (
            self.left_sounding
            and output.port is not None
            and output.device.id not in self._silenced
        ):
            self._silenced.add(output.device.id)
            self.send_raw(output, bytes((STOP,)))
            self.silence(output)
        self._send_setup(output)

    def now_ns(self) -> int:
        """The engine's clock."""
        return self._clock.now_ns()

    def name(self, device: str) -> str:
        """A device's name, for people."""
        output = self.outputs.get(device)
        if device == JACK_ID:
            return "JACK's transport"
        if device == PEERS_ID:
            return "the session"
        return output.device.name if output is not None else device

    @property
    def following(self) -> Following | JackFollowing | PeerFollowing:
        """What leads: the session, while there is one, whatever else might."""
        session = self.session
        return session if session is not None and session.ready else self._led_by

    @property
    def earliest_ns(self) -> int:
        """How far ahead of the music the earliest device is sent to."""
        return max([0, *(-output.aim_ns for output in self.outputs.values())])

    # Sending

    def send_raw(self, output: DeviceOutput, data: bytes) -> None:
        """Send now; a lost port is noted."""
        try:
            if output.port is not None:
                output.port.send(data, self._clock.now_ns())
        except PortLost as error:
            self.lost(output, error)

    def send_all(self, sendings: list[Sending]) -> None:
        """Send what a route gives."""
        for wire, data in sendings:
            output = self.outputs.get(wire)
            if output is not None:
                self.send_raw(output, data)

    def press(self, *, start: bool) -> bool:
        """Press start or stop on the box that leads; only a stand-in has a key within reach."""
        leader = self.outputs.get(self.following.device)
        if leader is None or leader.device.port.wire != "standin":
            return False
        self.send_raw(leader, press(start=start))
        return True

    def lost(self, output: DeviceOutput, error: PortLost) -> None:
        """A port went away."""
        output.lose(error)
        text = f"{output.device.name}: {error}. The rest play on."
        self._tell(Notice(level="warn", text=text))

    def statuses(self) -> tuple[DeviceStatus, ...]:
        """How every device is doing."""
        return tuple(
            output.status(self.lines.sent.get(device, 0), self.lines.problems.get(device, ""))
            for device, output in self.outputs.items()
        )

    def collect(self) -> None:
        """Take in what the ports have to say."""
        for output in self.outputs.values():
            try:
                output.collect()
            except PortLost as error:
                self.lost(output, error)

    # Plugging in

    def load(self, message: Load, plan: Plan, *, running: bool) -> None:
        """Take the devices of a plan; what stays plugged in is not touched."""
        self._plan = plan
        self.ports.standins = dict(message.standins)
        known, self._setups = self._setups, dict(message.setups)
        old, self.outputs = self.outputs, {}
        for listed in plan.devices:
            output = old.pop(listed.id, None)
            device = _own_port(listed, plan.via)
            same = output is not None and output.device.port == device.port
            # A port lost while playing is not tried again with every edit: that takes time.
            if output is not None and same and (output.port is not None or running):
                output.change(device, at_once=not running)
                if self._setups.get(device.id) != known.get(device.id):
                    self._send_setup(output)
            else:
                if output is not None:
                    output.close()
                try:
                    output = DeviceOutput(device, self.ports.open(device), "")
                except PortLost as error:
                    output = DeviceOutput(device, None, str(error))
                self._opened(output)
            self.outputs[device.id] = output
        for gone in old.values():
            gone.close()
        self.lines.set(plan.devices)
        self.via = dict(plan.via)
        self.idle = plan.idle  # worked out once: it is asked for two hundred times a second
        self.sharing = {
            wire: [self.outputs[d] for d in plan.devices_on(wire) if d in self.outputs]
            for wire in plan.clocked
        }
        for wire, sharing in self.sharing.items():
            for output in sharing:
                output.clock_of(self.outputs[wire])
        self._listen()
        self._take_transport(plan.jack)

    def _look_after_transport(self) -> None:
        """JACK was started again: take its transport as before."""
        plan = self._plan
        if plan is not None and plan.jack != "leave" and not self.ports.transport_alive:
            self._take_transport(plan.jack, quietly=True)

    def _take_transport(self, how: JackTransportUse, *, quietly: bool = False) -> None:
        """Lead JACK's transport, follow it, or let go of it."""
        self.transport = None
        if how == "leave":
            self.ports.leave_transport()
        try:
            if how == "lead":
                self.transport = self.ports.lead_transport(self._where)
            followed = self.ports.follow_transport() if how == "follow" else None
        except PortLost as error:
            verb = "led" if how == "lead" else "followed"
            text = f"JACK's transport cannot be {verb}: {error}."
            if not quietly:
                self._tell(Notice(level="warn", text=text))
            followed = None
        jack = self.ports.jack
        if how == "follow" and followed is None and isinstance(self._led_by, JackFollowing):
            return  # lost while it is followed: its last tempo is held
        if followed is None or jack is None:
            self._led_by = self._box_led
        elif not isinstance(self._led_by, JackFollowing) or not self._led_by.watches(followed):
            self._led_by = JackFollowing(followed, jack.frames)

    def listen(self, devices: dict[str, Heed], *, asked: bool) -> None:
        """Tell when these devices sound: from their reports, or at the inputs they are heard at.

        Where somebody asked for it, PortLost names those that cannot be heard.
        """
        heeds: dict[str, bytes] = {}
        self._steps = {}
        for device, output in self.outputs.items():
            heed = devices.get(device)
            reports = output.device.port.wire == "standin"
            output.heed = REPORTS.get(heed or "") if reports else None
            if heed == "pulses":
                heeds[device + PULSES] = bytes((TIMING_CLOCK,))
                self._steps[device] = SIXTEENTH_TICKS
            elif heed is not None and output.heed is None:
                heeds[device] = bytes((TIMING_CLOCK if heed == "clock" else NOTE_ON,))
                self._steps[device] = CLOCK_TICKS if heed == "clock" else SIXTEENTH_TICKS
        self.inputs.listen(heeds, self.outputs)
        missing = [key for key in heeds if key in self.inputs.lost]
        if missing and asked:
            rows = [f"{self.name(k.removesuffix(PULSES))}: {self.inputs.lost[k]}" for k in missing]
            raise PortLost(f"what it plays cannot be heard; {'; '.join(rows)}")

    def step_of(self, device: str) -> int:
        """Ticks between the steps that a device heard at an input plays on; 0 for others."""
        return self._steps.get(device, 0)

    def heard(self) -> list[Heard]:
        """What was listened to since the last call."""
        told = [Heard(device=d, at_ns=at) for d, at in self.inputs.heard]
        self.inputs.heard = []
        for device, output in self.outputs.items():
            told += [Heard(device=device, at_ns=at) for at in output.heard()]
        return told

    def torn(self) -> list[str]:
        """Devices whose wire may have lost a clock since this was asked last."""
        return [
            device
            for device, output in self.outputs.items()
            if isinstance(output.port, JackPort) and output.port.take_torn()
        ]

    def look_after_a_port(self) -> str:
        """Look at one port, each time another: looking at all of them could cost a tick.

        One that was gone is tried again; the device that is back, or "".
        """
        if not self.outputs:
            return ""
        self._looked_at = (self._looked_at + 1) % len(self.outputs)
        if self._looked_at == 0:
            self._look_after_transport()
        output = list(self.outputs.values())[self._looked_at]
        gone = self.lines.look_after(output.device.id)
        self._look_after_input(output.device.id)
        if gone:
            text = f"{output.device.name}: {gone}. The rest play on."
            self._tell(Notice(level="warn", text=text))
        if output.port is not None:
            try:
                output.port.check()
            except PortLost as error:
                self.lost(output, error)
        elif output.state == "gone":
            try:
                output.port = self.ports.open(output.device)
            except PortLost as error:
                output.problem = str(error)
                return ""
            output.rejoin()
            self._opened(output)
            self._listen()
            return output.device.id
        return ""

    def _look_after_input(self, device: str) -> None:
        """An input that was lost is tried again; one that is there is looked at."""
        missed = set(self.inputs.lost)
        if not self.inputs.misses(device):
            return
        self.send_all(self.inputs.take_ends())
        for source, why in self.inputs.lost.items():
            if source not in missed:
                text = f"{self.name(device)} is no longer heard: {why}."
                self._tell(Notice(level="warn", text=text))
        missed |= self.inputs.lost.keys()
        self._listen()
        if any(s in missed and s not in self.inputs.lost for s in (device, device + PULSES)):
            self._tell(Notice(level="info", text=f"{self.name(device)} is heard again."))

    def _listen(self) -> None:
        """Open the inputs that routes and the leader need; end notes of routes that are gone."""
        plan, lost = self._plan, self.inputs.lost
        if plan is None:
            return
        leader = self.outputs.get(plan.follows)
        follows = plan.follows if leader is not None else ""
        offset_ns = leader.aim_ns if leader is not None else 0
        self._box_led.set(follows, plan.follows_ppqn, offset_ns)
        self.send_all(self.inputs.set(plan, self.outputs))
        for source, why in self.inputs.lost.items():
            if source not in lost:
                text = f"{self.name(source.removesuffix(PULSES))} cannot be heard: {why}."
                self._tell(Notice(level="warn", text=text))

    def _send_setup(self, output: DeviceOutput) -> None:
        """Tell a stand-in what it is; a real box is as it is."""
        setup = self._setups.get(output.device.id)
        if setup is not None and output.port is not None:
            for part in encode_setup(setup):
                self.send_raw(output, part)

    def say_goodbye(self) -> None:
        """Tell the stand-ins that they are not needed any more."""
        for output in self.outputs.values():
            if output.device.port.wire == "standin":
                self.send_raw(output, goodbye())

    def close(self) -> None:
        """Let go of everything."""
        self.inputs.close()
        self.lines.close()
        for output in self.outputs.values():
            output.close()
        self.ports.close()


def _own_port(device: Device, via: dict[str, str]) -> Device:
    """A real box behind a thru has no port of its own: its messages go by the first one's."""
    if via.get(device.id, device.id) == device.id or device.port.wire == "standin":
        return device
    return msgspec.structs.replace(device, port=Port(wire="none"))
