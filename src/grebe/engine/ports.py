"""Opening each device's port, and finding lost ones again."""

from __future__ import annotations

import os
import time
from collections.abc import Callable
from pathlib import Path
from threading import Thread
from typing import NamedTuple

from grebe.core.rig.model import AudioPort, Device
from grebe.core.rig.spec import PulseShape
from grebe.errors import PortLost
from grebe.transports.alsa.wire import AlsaWire
from grebe.transports.base import InPort, OutPort
from grebe.transports.jack.midi import JackWire
from grebe.transports.jack.transport import JackFollowed, JackTransport, Where
from grebe.transports.pulses.drawn import LinePort
from grebe.transports.pulses.input import PulseInput
from grebe.transports.pulses.wire import SoundWire
from grebe.transports.rtp import HandedPort
from grebe.transports.standin import StandinPort
from grebe.words import tr

TRY_SOUND_S = 3.0
"""An interface that is not there is looked for so often where cards have not changed."""
OPENS_S = 4.0
_CARDS = Path("/proc/asound/cards")


def _cards() -> str:
    try:
        return _CARDS.read_text()
    except OSError:
        return ""


def _open_jack() -> JackWire:
    return JackWire(os.environ.get("JACK_DEFAULT_SERVER"))


class _Reopening(Thread):
    """Closes a JACK client that died and opens another: with a server that hangs that may take
    for ever, and the clock of the other wires must not wait for it."""

    def __init__(self, dead: JackWire | None) -> None:
        super().__init__(daemon=True)
        self._dead = dead
        self.wire: JackWire | None = None
        self.error = PortLost(tr("JACK does not answer"))
        self.start()

    def run(self) -> None:
        """Do it."""
        try:
            if self._dead is not None:
                self._dead.close()  # before: the other order makes the new one vanish
            self.wire = _open_jack()
        except PortLost as error:
            self.error = error


class Ports:
    """Knows how to reach devices: stand-ins by path, JACK through one client, ALSA by name."""

    def __init__(self) -> None:
        self.standins: dict[str, str] = {}
        """Device id to socket path."""
        self._jack: JackWire | None = None
        self._reopening: _Reopening | None = None
        self._alsa: AlsaWire | None = None
        self._sounds: dict[str, SoundWire] = {}
        self._sounds_tried: dict[str, tuple[float, str]] = {}
        """By interface that is not there: when it was last tried, and the cards that there were."""

    def open(self, device: Device) -> OutPort | None:
        """Open a device's port; None for a device without one. PortLost says what is missing."""
        if not device.port.is_plugged:
            return None
        return TRANSPORTS[device.port.wire].output(self, device)

    def open_standin(self, device: Device) -> StandinPort:
        """A stand-in, where its process listens."""
        return StandinPort(self._path(device, tr("no stand-in runs")))

    def open_handed(self, device: Device) -> HandedPort:
        """MIDI over the network, which the network process carries."""
        return HandedPort(self._path(device, tr("nothing carries MIDI over the network")))

    def _path(self, device: Device, missing: str) -> str:
        path = self.standins.get(device.id)
        if path is None:
            raise PortLost(tr("{missing} for {device}", missing=missing, device=device.name))
        return path

    def open_jack_output(self, device: Device) -> OutPort:
        """A port of our JACK client, connected to the one that is named."""
        return self._jack_wire().open_port(device.name, device.port.name)

    def open_jack_input(self, device: Device) -> InPort:
        """The same, to hear."""
        return self._jack_wire().open_input(device.name, device.input.name)

    def open_alsa_output(self, device: Device) -> OutPort:
        """A port of our ALSA client, connected to the one that is named."""
        return self._alsa_wire().open_output(device.name, device.port.name)

    def open_alsa_input(self, device: Device) -> InPort:
        """The same, to hear."""
        return self._alsa_wire().open_input(device.name, device.input.name)

    def _alsa_wire(self) -> AlsaWire:
        """Our client of the sequencer. PortLost when there is none."""
        if self._alsa is None:
            self._alsa = AlsaWire()
        return self._alsa

    def take_news(self) -> bool:
        """Whether ports came or went since this was asked last, as far as that is told."""
        changed = [sound.look() for sound in self._sounds.values()]  # each of them is to look
        news = any(changed)
        if self._alsa is not None and self._alsa.has_news:
            self._alsa.has_news, news = False, True
        return news

    def open_line(
        self, name: str, line: AudioPort, shape: PulseShape, *, patient: bool
    ) -> LinePort | None:
        """Open a way out for pulses or a level; None where none is set. PortLost as above.

        `patient`: an interface that is being opened may be waited for, which takes a second.
        """
        if not line.is_set:
            return None
        if line.wire == "jack":
            return self._jack_wire().open_line(name, line.name, shape)
        return self._sound_wire(line.name, patient=patient).open_line(line.channel, shape)

    def _sound_wire(self, name: str, *, patient: bool) -> SoundWire:
        """An interface's process; one that ended is started again when cards have changed, or a
        while has passed. PortLost while it is not open."""
        wire = self._sounds.get(name)
        if wire is not None and wire.problem:
            cards = _cards()
            last, known = self._sounds_tried.get(name, (0.0, ""))
            if known == cards and time.monotonic() - last < TRY_SOUND_S:
                wire.must_run()
            self._sounds_tried[name] = time.monotonic(), cards
            self._sounds.pop(name).close()
            wire = None
        if wire is None:
            wire = self._sounds[name] = SoundWire(name)
        if patient:
            wire.wait(OPENS_S)
        return wire

    @property
    def sounds(self) -> list[SoundWire]:
        """The audio interfaces in use."""
        return list(self._sounds.values())

    def open_input(self, device: Device, opened: OutPort | None) -> InPort | None:
        """Open where a device is heard; None where nothing is set. PortLost says what is missing.

        A stand-in is heard over the connection it is reached by, `opened`.
        """
        way = device.port if device.port.is_standin else device.input
        row = TRANSPORTS.get(way.wire)
        return row.input(self, device, opened) if row is not None else None

    def open_pulses(self, device: Device) -> InPort:
        """Open where a device's pulses are heard. PortLost says what is missing."""
        line, run = device.pulse_from, device.run_from
        for heard in (line, run):
            if heard.wire == "jack":
                self._jack_wire().must_have(heard.name)
        if run.is_set and (
            run.wire != line.wire or (run.wire == "audio" and run.name != line.name)
        ):
            raise PortLost(tr("its run line has to come in where its pulses do"))
        return PulseInput(line, run, falling=device.pulse.polarity == "falling")

    @property
    def jack(self) -> JackWire | None:
        """The JACK client, while there is one."""
        return self._jack

    @property
    def overruns(self) -> int:
        """How often JACK lost time since its client was opened."""
        return self._jack.losses if self._jack is not None else 0

    @property
    def period_ns(self) -> int:
        """How long a period of JACK's is; 0 without one."""
        return self._jack.period_ns if self._jack is not None else 0

    def lead_transport(self, where: Where) -> JackTransport:
        """Lead JACK's transport. PortLost when there is no JACK."""
        return self._jack_wire().lead_transport(where)

    def follow_transport(self) -> JackFollowed:
        """Watch JACK's transport. PortLost when there is no JACK."""
        return self._jack_wire().follow_transport()

    @property
    def transport_alive(self) -> bool:
        """Whether JACK's transport is led or followed by a client that lives."""
        jack = self._jack
        return jack is not None and jack.alive and jack.transport is not None

    def leave_transport(self) -> None:
        """Leave JACK's transport to others."""
        if self._jack is not None:
            self._jack.leave_transport()

    def _jack_wire(self) -> JackWire:
        """Our JACK client. PortLost when there is no server, or while one is opened again."""
        if self._jack is not None:
            if self._jack.alive:
                return self._jack
            self._reopening, self._jack = _Reopening(self._jack), None
        tried = self._reopening
        if tried is None:
            self._jack = _open_jack()
            return self._jack
        if tried.is_alive():
            raise PortLost(tr("JACK does not answer"))
        if tried.wire is None:
            self._reopening = _Reopening(None)
            raise tried.error
        self._reopening, self._jack = None, tried.wire
        return tried.wire

    def close(self) -> None:
        """Close the JACK client and all streams."""
        for wire in self._sounds.values():
            wire.close()
        self._sounds.clear()
        if self._alsa is not None:
            self._alsa.close()
            self._alsa = None
        if self._jack is not None:
            self._jack.close()
            self._jack = None


class PortOpening(NamedTuple):
    """How a device is reached, and heard, over one kind of wire."""

    output: Callable[[Ports, Device], OutPort]
    input: Callable[[Ports, Device, OutPort | None], InPort | None]
    """Told the port that was opened to send to it; None where it cannot be heard."""


def _hear_standin(ports: Ports, device: Device, opened: OutPort | None) -> InPort | None:
    del ports, device
    return opened if isinstance(opened, StandinPort) else None


def _hear_handed(ports: Ports, device: Device, opened: OutPort | None) -> InPort | None:
    return opened if isinstance(opened, HandedPort) else ports.open_handed(device)


TRANSPORTS = {
    "standin": PortOpening(Ports.open_standin, _hear_standin),
    "rtp": PortOpening(Ports.open_handed, _hear_handed),
    "jack": PortOpening(
        Ports.open_jack_output, lambda ports, device, _: ports.open_jack_input(device)
    ),
    "alsa": PortOpening(
        Ports.open_alsa_output, lambda ports, device, _: ports.open_alsa_input(device)
    ),
}
"""By `Port.wire`. To add a transport: its ports in `grebe.transports`, its name in `Port.wire`, and
its row here; what the window offers comes from `transports.__main__`."""
