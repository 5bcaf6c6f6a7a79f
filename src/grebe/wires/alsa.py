"""MIDI through the ALSA sequencer, with python-rtmidi.

The sending call is made at the deadline. Not for JACK: rtmidi's JACK back end
puts every event at the start of a period.
"""

from __future__ import annotations

from typing import Any

from grebe.errors import PortLost
from grebe.protocols.gate import Gate
from grebe.protocols.standin import Report
from grebe.wires.base import Heard
from grebe.wires.clock import raw_ns
from grebe.wires.inbox import Inbox


def open_sequencer(*, input_: bool = False) -> Any:
    """A new rtmidi output or input on ALSA. PortLost says why there is none."""
    try:
        import rtmidi  # noqa: PLC0415 - not on every machine

        kind = rtmidi.MidiIn if input_ else rtmidi.MidiOut
        return kind(rtmidi.API_LINUX_ALSA, name="Grebe")
    except ImportError as error:
        raise PortLost("python-rtmidi is not installed") from error
    except Exception as error:  # rtmidi's SystemError, a direct child of Exception
        raise PortLost("this machine has no ALSA sequencer (/dev/snd/seq)") from error


def alsa_ports(*, input_: bool = False) -> list[str]:
    """ALSA ports that can be sent to, or heard. PortLost when there is no sequencer."""
    sequencer = open_sequencer(input_=input_)
    try:
        return list(sequencer.get_ports())
    finally:
        sequencer.delete()


def _find_port(sequencer: Any, name: str, missing: str) -> tuple[int, str]:
    """Index and full name of the first port whose name contains `name`.

    Lets go of the sequencer and raises PortLost, which begins with `missing`, when none does.
    """
    ports = sequencer.get_ports()
    for index, port in enumerate(ports):
        if name and name in port:
            return index, port
    sequencer.delete()
    raise PortLost(f"{missing}; ports: {', '.join(ports) or 'none'}")


class AlsaPort:
    """An open connection to one ALSA port."""

    stamped = False

    def __init__(self, name: str, sequencer: Any = None) -> None:
        """Connect to the first port whose name contains `name`. PortLost when none does."""
        self._name = name
        self._out = open_sequencer() if sequencer is None else sequencer
        match, self._full_name = _find_port(self._out, name, f"there is no ALSA port {name!r}")
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


class AlsaInput:
    """An open connection from one ALSA port. rtmidi calls back on a thread of its own."""

    def __init__(self, name: str, sequencer: Any = None) -> None:
        """Connect from the first port whose name contains `name`. PortLost when none does."""
        self._in = open_sequencer(input_=True) if sequencer is None else sequencer
        self._name = name
        match, self._full_name = _find_port(
            self._in, name, f"there is no ALSA port {name!r} to hear"
        )
        self._inbox = Inbox()
        self._in.ignore_types(sysex=True, timing=False, active_sense=True)
        self._in.set_callback(self._take)
        self._in.open_port(match)

    def _take(self, event: tuple[list[int], float], data: object = None) -> None:
        del data
        message, _ = event
        if message:
            self._inbox.put(raw_ns(), bytes(message))

    def fileno(self) -> int:
        """The descriptor the callback wakes the engine by."""
        return self._inbox.fileno()

    def receive(self) -> list[Heard]:
        """What has come in."""
        return self._inbox.take()

    def check_input(self) -> None:
        """rtmidi says nothing of a port that was pulled: look for its name."""
        if self._full_name not in self._in.get_ports():
            raise PortLost(f"ALSA port {self._name} went away")

    def has_passed(self, gate: Gate) -> bool:
        """The engine passes it on."""
        del gate
        return False

    def close_input(self) -> None:
        """Let go of the port."""
        self._in.cancel_callback()
        self._in.close_port()
        self._in.delete()
        self._inbox.close()
