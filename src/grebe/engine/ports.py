"""Opening each device's port, and finding lost ones again."""

from __future__ import annotations

import os

from grebe.core.rig.model import Device
from grebe.errors import PortLost
from grebe.wires.alsa import AlsaInput, AlsaPort
from grebe.wires.base import InPort, OutPort
from grebe.wires.jack import JackWire
from grebe.wires.jack_transport import JackTransport, Where
from grebe.wires.standin import StandinPort


class PortBook:
    """Knows how to reach devices: stand-ins by path, JACK through one client, ALSA by name."""

    def __init__(self) -> None:
        self.standins: dict[str, str] = {}
        """Device id to socket path."""
        self._jack: JackWire | None = None

    def open(self, device: Device) -> OutPort | None:
        """Open a device's port; None for a device without one. PortLost says what is missing."""
        port = device.port
        if port.wire == "none":
            return None
        if port.wire == "standin":
            path = self.standins.get(device.id)
            if path is None:
                raise PortLost(f"no stand-in runs for {device.name}")
            return StandinPort(path)
        if port.wire == "jack":
            return self._jack_wire().open_port(device.name, port.name)
        if port.wire == "pulse":
            return self._jack_wire().open_pulse(device.name, port.name, device.pulse)
        return AlsaPort(port.name)

    def open_input(self, device: Device, opened: OutPort | None) -> InPort | None:
        """Open where a device is heard; None where nothing is set. PortLost says what is missing.

        A stand-in is heard over the connection it is reached by, `opened`.
        """
        if device.port.wire == "standin":
            return opened if isinstance(opened, StandinPort) else None
        if device.input.wire == "jack":
            return self._jack_wire().open_input(device.name, device.input.name)
        if device.input.wire == "alsa":
            return AlsaInput(device.input.name)
        return None

    @property
    def jack(self) -> JackWire | None:
        """The JACK client, while there is one."""
        return self._jack

    @property
    def overruns(self) -> int:
        """How often JACK lost time since its client was opened."""
        return self._jack.frames.gaps if self._jack is not None else 0

    def lead_transport(self, where: Where | None) -> JackTransport | None:
        """Lead JACK's transport, or (None) leave it. PortLost when there is no JACK."""
        if where is not None:
            return self._jack_wire().lead_transport(where)
        if self._jack is not None:
            self._jack.leave_transport()
        return None

    def _jack_wire(self) -> JackWire:
        if self._jack is not None and not self._jack.alive:
            self._jack.close()  # the dead one first: the other order makes the new one vanish
            self._jack = None
        if self._jack is None:
            self._jack = JackWire(os.environ.get("JACK_DEFAULT_SERVER"))
        return self._jack

    def close(self) -> None:
        """Close the JACK client."""
        if self._jack is not None:
            self._jack.close()
            self._jack = None
