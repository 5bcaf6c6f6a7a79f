"""Everything plugged into the engine: outputs, inputs, ports lost and found."""

from __future__ import annotations

from collections.abc import Callable

import msgspec

from grebe.core.player.plan import Plan, PulseLine
from grebe.core.rig.model import Device, Port
from grebe.core.rig.standin import Setup
from grebe.engine.device_output import USUAL_BAR_NS, DeviceOutput
from grebe.engine.inputs import PULSES, Inputs
from grebe.engine.limits import STOP_SETTLES_NS
from grebe.engine.lines import PulseOutputs
from grebe.engine.outputs import Outputs
from grebe.engine.ports import Ports
from grebe.engine.sources.choice import Leader, Sources
from grebe.errors import PortLost
from grebe.protocols.link.messages import Load, Notice
from grebe.protocols.midi.messages import STOP
from grebe.protocols.standin.reports import encode_setup, goodbye, press
from grebe.transports.clock import MonotonicClock
from grebe.transports.jack.transport import Where
from grebe.words import tr

BAR_NS_BPM = 4 * 60_000_000_000
"""Nanoseconds of a bar of four quarter notes at one BPM."""


class Connections:
    """Outputs by device, and what comes in.

    `tell` says something to the performer, `where` the place of the song at a time.
    """

    def __init__(
        self, tell: Callable[[Notice], None], where: Where, clock: MonotonicClock, ports: Ports
    ) -> None:
        self._tell = tell
        self._clock = clock
        self.ports = ports
        self.lines = PulseOutputs(ports, clock)
        self.inputs = Inputs(ports, clock)
        self.sources = Sources(ports, where, self._warn)
        self.outputs = Outputs(self.lines, clock, self._warn)
        self.idle: tuple[str, ...] = ()
        """Devices plugged in whose wire carries clock while stopped, too."""
        self.left_sounding = False
        """Whether the engine before this one was killed: every box it may have left sounding is
        silenced before anything else."""
        self.idle_pulses: tuple[PulseLine, ...] = ()
        """Pulse cables that carry pulses while stopped, too."""
        self._plan: Plan | None = None
        self._setups: dict[str, Setup] = {}
        self._looked_at = 0
        self._silenced: set[str] = set()

    @property
    def ticks_while_stopped(self) -> bool:
        """Whether any box wants clock or pulses between runs."""
        return bool(self.idle or self.idle_pulses)

    def name(self, device: str) -> str:
        """A device's name, for people."""
        output = self.outputs.get(device)
        return self.sources.name_of(device) or (output.device.name if output else device)

    @property
    def leader_name(self) -> str:
        """What leads, for people."""
        return self.name(self.sources.current.device)

    def end_run(self) -> None:
        """A run is over."""
        self.lines.stop()
        if self.sources.led is not None:
            self.sources.led.stop()

    def press(self, *, start: bool) -> bool:
        """Press start or stop on the box that leads; only a stand-in has a key within reach."""
        leader = self.outputs.get(self.sources.current.device)
        if leader is None or not leader.device.port.is_standin:
            return False
        self.outputs.send_raw(leader, press(start=start))
        return True

    def _warn(self, text: str) -> None:
        self._tell(Notice(level="warn", text=text))

    def _inform(self, text: str) -> None:
        self._tell(Notice(level="info", text=text))

    # Plugging in

    def load(self, message: Load, plan: Plan, *, running: bool, bpm: float) -> None:
        """Take the devices of a plan; what stays plugged in is not touched. `bpm` is what plays
        now, 0 while nothing does."""
        bar_ns = round(BAR_NS_BPM / bpm) if bpm else USUAL_BAR_NS
        self._plan = plan
        self.ports.standins = dict(message.standins)
        known, self._setups = self._setups, dict(message.setups)
        old, outputs = self.outputs.by_id, dict[str, DeviceOutput]()
        for listed in plan.devices:
            output = old.pop(listed.id, None)
            device = _own_port(listed, plan.via)
            same = output is not None and output.device.port == device.port
            # A port lost while playing is not tried again with every edit: that takes time.
            if output is not None and same and (output.port is not None or running):
                output.change(device, at_once=not running, bar_ns=bar_ns)
                if self._setups.get(device.id) != known.get(device.id):
                    self._send_setup(output)
            else:
                if output is not None:
                    output.close()
                output = self._opened(device)
            outputs[device.id] = output
        for gone in old.values():
            gone.close()
        self.lines.set(plan.devices, running=running)
        self.outputs.take(plan, outputs)
        self.idle_pulses = plan.pulsed_idle
        self.idle = plan.idle  # worked out once: it is asked for two hundred times a second
        self._listen()
        self.sources.use_jack(plan.jack)

    def _opened(self, device: Device) -> DeviceOutput:
        try:
            output = DeviceOutput(device, self.ports.open(device), "")
        except PortLost as error:
            output = DeviceOutput(device, None, str(error))
        self._set_up(output)
        return output

    def _set_up(self, output: DeviceOutput) -> None:
        """A port is there: silenced where somebody may have left it sounding, then set up."""
        device = output.device.id
        if self.left_sounding and output.port is not None and device not in self._silenced:
            self._silenced.add(device)
            self.outputs.send_raw(output, bytes((STOP,)))
            self.outputs.silence(output)
        self._send_setup(output)

    def _send_setup(self, output: DeviceOutput) -> None:
        """Tell a stand-in what it is; a real box is as it is."""
        setup = self._setups.get(output.device.id)
        if setup is not None and output.port is not None:
            for part in encode_setup(setup):
                self.outputs.send_raw(output, part)

    # Looking after

    def look_after_a_port(self) -> str:
        """Look at one port, each time another: looking at all of them could cost a tick.

        One that was gone is tried again; the device that is back, or "".
        """
        if not self.outputs.by_id:
            return ""
        self._looked_at = (self._looked_at + 1) % len(self.outputs.by_id)
        if self._looked_at == 0:
            self.sources.look_after()
        return self._look_after(list(self.outputs.by_id.values())[self._looked_at])

    def look_after_news(self) -> list[str]:
        """Where a wire has told that ports came or went: the devices that are back."""
        if not self.ports.take_news():
            return []
        outputs = list(self.outputs.by_id.values())
        return [device for device in map(self._look_after, outputs) if device]

    def _look_after(self, output: DeviceOutput) -> str:
        name = output.device.name
        gone, back = self.lines.look_after(output.device.id)
        self._look_after_input(output.device.id)
        if gone:
            self._warn(tr("{device}: {gone}. The rest play on.", device=name, gone=gone))
        if back:
            self._inform(tr("{device}: its pulses and gates are back.", device=name))
        if output.port is not None:
            try:
                output.port.check()
            except PortLost as error:
                self.outputs.lost(output, error)
        return self._try_again(output) if output.state == "gone" else ""

    def _try_again(self, output: DeviceOutput) -> str:
        try:
            output.port = self.ports.open(output.device)
        except PortLost as error:
            output.problem = str(error)
            return ""
        output.rejoin()
        for end in output.sounding.ends():  # what sounded when it went rings to this day
            self.outputs.send_raw(output, end)
        self._inform(tr("{device} is back.", device=output.device.name))
        self._set_up(output)
        self._listen()
        return output.device.id

    def _look_after_input(self, device: str) -> None:
        """An input that was lost is tried again; one that is there is looked at."""
        missed = set(self.inputs.lost)
        if not self.inputs.misses(device):
            return
        self.outputs.send_all(self.inputs.take_ends())
        for source, why in self.inputs.lost.items():
            if source not in missed:
                self._warn(tr("{name} is no longer heard: {why}.", name=self.name(device), why=why))
        missed |= self.inputs.lost.keys()
        self._listen()
        if any(s in missed and s not in self.inputs.lost for s in (device, device + PULSES)):
            self._inform(tr("{name} is heard again.", name=self.name(device)))

    def _listen(self) -> None:
        """Open the inputs that routes and the leader need; end notes of routes that are gone."""
        plan, lost = self._plan, self.inputs.lost
        if plan is None:
            return
        leader = self.outputs.get(plan.follows)
        self.sources.follow_box(
            None
            if leader is None
            else Leader(plan.follows, leader.device.name, plan.follows_ppqn, leader.aim_ns)
        )
        self.outputs.send_all(self.inputs.set(plan, self.outputs.by_id))
        for source, why in self.inputs.lost.items():
            if source not in lost:
                self._warn(
                    tr(
                        "{name} cannot be heard: {why}.",
                        name=self.name(source.removesuffix(PULSES)),
                        why=why,
                    )
                )

    # Ending

    def settle(self) -> None:
        """Let the last messages leave a JACK port."""
        if self.ports.jack is not None:
            self._clock.sleep_until_ns(self._clock.now_ns() + STOP_SETTLES_NS, 0)

    def say_goodbye(self) -> None:
        """Tell the stand-ins that they are not needed any more."""
        for output in self.outputs.by_id.values():
            if output.device.port.is_standin:
                self.outputs.send_raw(output, goodbye())

    def close(self) -> None:
        """Let go of everything."""
        self.inputs.close()
        self.lines.close()
        for output in self.outputs.by_id.values():
            output.close()
        self.ports.close()


def _own_port(device: Device, via: dict[str, str]) -> Device:
    """A real box behind a thru has no port of its own: its messages go by the first one's."""
    if via.get(device.id, device.id) == device.id or device.port.is_standin:
        return device
    return msgspec.structs.replace(device, port=Port(wire="none"))
