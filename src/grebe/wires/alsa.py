"""MIDI out through the ALSA sequencer, with python-rtmidi.

The sending call is made at the deadline. Not for JACK: rtmidi's JACK back end
puts every event at the start of a period.
"""

from __future__ import annotations

from typing import Any

from grebe.errors import PortLost
from grebe.protocols.standin import Report


def open_sequencer() -> Any:
    """A new rtmidi output on ALSA. PortLost says why there is none."""
    try:
        import rtmidi  # noqa: PLC0415 - not on every machine

        return rtmidi.MidiOut(rtmidi.API_LINUX_ALSA, name="Grebe")
    except ImportError as error:
        raise PortLost("python-rtmidi is not installed") from error
    except Exception as error:  # rtmidi's SystemError, a direct child of Exception
        raise PortLost("this machine has no ALSA sequencer (/dev/snd/seq)") from error


def alsa_ports() -> list[str]:
    """Names of the ALSA ports that can be sent to. PortLost when there is no sequencer."""
    sequencer = open_sequencer()
    try:
        return list(sequencer.get_ports())
    finally:
        sequencer.delete()


class AlsaPort:
    """An open connection to one ALSA port."""

    stamped = False

    def __init__(self, name: str, sequencer: Any = None) -> None:
        """Connect to the first port whose name contains `name`. PortLost when none does."""
        self._name = name
        self._out = open_sequencer() if sequencer is None else sequencer
        ports = self._out.get_ports()
        match = next((i for i, port in enumerate(ports) if name and name in port), None)
        if match is None:
            self._out.delete()
            there = ", ".join(ports) or "none"
            raise PortLost(f"there is no ALSA port {name!r}; ports: {there}")
        self._full_name = ports[match]
        self._out.open_port(match)

    def send(self, data: bytes, due_ns: int) -> None:
        """Send now."""
        del due_ns
        try:
            self._out.send_message(data)
        except Exception as error:  # rtmidi raises its own direct child of Exception
            raise PortLost(f"ALSA port {self._name} went away ({error})") from error

    def discard(self) -> list[bytes]:
        """Nothing is handed over early."""
        return []

    def reports(self) -> list[Report]:
        """Real devices do not report."""
        return []

    def check(self) -> None:
        """rtmidi goes on accepting messages for a port that was pulled: look for its name."""
        if self._full_name not in self._out.get_ports():
            raise PortLost(f"ALSA port {self._name} went away")

    def late_ms(self) -> list[float]:
        """The engine does the sending."""
        return []

    def close(self) -> None:
        """Let go of the port."""
        self._out.close_port()
        self._out.delete()
