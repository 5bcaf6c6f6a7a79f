"""Pulses heard at an audio input, by a process of its own that tells the engine when each came.

The engine keeps clear of NumPy and of samples: it gets one stamped tick a pulse.
"""

from __future__ import annotations

import socket
import struct

from grebe.core.rig.model import AudioPort
from grebe.errors import PortLost
from grebe.process import children
from grebe.protocols.midi.message_filter import MessageFilter
from grebe.transports.base import Heard

STAMP = struct.Struct("<qB")
"""A pulse, or an edge of the run line: its time (CLOCK_MONOTONIC_RAW, ns) and the MIDI status it
stands for. Anything of another length is what went wrong, as text."""
MAX_PACKET_BYTES = 512
MAX_AT_ONCE = 32


class PulseInput:
    """An open pulse input: a pulse comes as a tick of clock, the run line as Start and Stop."""

    def __init__(self, line: AudioPort, run: AudioPort, *, falling: bool) -> None:
        """Start the process that listens, to a run line, too, where one is set. What keeps it from
        that comes as PortLost, later."""
        ours, its = socket.socketpair(socket.AF_UNIX, socket.SOCK_SEQPACKET)
        ours.setblocking(False)
        command = [
            "--fd", str(its.fileno()), "--wire", line.wire,
            "--name", line.name, "--channel", str(line.channel),
        ]  # fmt: skip
        if run.is_set:
            command += ["--run-name", run.name, "--run-channel", str(run.channel)]
        if falling:
            command.append("--falling")
        self._socket = ours
        self._process = children.start(children.PULSE_EAR, *command, pass_fds=[its.fileno()])
        its.close()

    def fileno(self) -> int:
        """The socket's descriptor."""
        return self._socket.fileno()

    def receive(self) -> list[Heard]:
        """Pulses that have come in. PortLost says why there will be no more."""
        out: list[Heard] = []
        while len(out) < MAX_AT_ONCE:
            try:
                packet = self._socket.recv(MAX_PACKET_BYTES)
            except BlockingIOError:
                break
            except OSError as error:
                raise PortLost(f"the pulse input went away ({error.strerror})") from error
            if len(packet) != STAMP.size:
                raise PortLost(packet.decode(errors="replace") or "the pulse input went away")
            at_ns, status = STAMP.unpack(packet)
            out.append((at_ns, bytes((status,))))
        return out

    def check_input(self) -> None:
        """`receive` notices when the process hung up."""

    def has_passed(self, message_filter: MessageFilter) -> bool:
        """There is nothing to pass on."""
        del message_filter
        return False

    def close_input(self) -> None:
        """Hang up; the process ends by itself."""
        self._socket.close()
        children.let_go(self._process)
