"""The stand-ins' way to the speaker, where there is an audio output."""

from __future__ import annotations

import os
import socket
import time
from pathlib import Path

import msgspec

from grebe.core.audio.names import CUTOFF, LEVEL, USUAL_BRIGHT
from grebe.core.rig.model import Device
from grebe.core.rig.standin import SliceSound
from grebe.process import children
from grebe.protocols.standin.speaker import LoopCommand, Note, Samples, ToSpeaker
from grebe.standins.box import StandinBox

AGAIN_S = 2.0, 30.0
"""An output that went is tried again after so long, and then ever later, up to so long."""


def has_output() -> bool:
    """Whether there may be an audio output: a sound card, or a sound server of this user.

    Looked for without opening anything. ``GREBE_SOUND`` names an output outright.
    """
    if os.environ.get("GREBE_SOUND"):
        return True
    run = Path(os.environ.get("XDG_RUNTIME_DIR", "/nonexistent"))
    servers = (run / "pipewire-0", run / "pulse" / "native")
    return any(p.exists() for p in servers) or any(Path("/dev/snd").glob("pcm*p"))


class Aloud:
    """Sends notes to the speaker; without one they are only reported, as ever."""

    def __init__(self) -> None:
        self._tried = False
        self._socket: socket.socket | None = None
        self._samples: dict[str, tuple[SliceSound, ...]] = {}
        """By device, what the speaker has been told of."""
        self._encoder = msgspec.msgpack.Encoder()
        self._wait_s = AGAIN_S[0]
        self._again_at = 0.0
        """When an output that went is tried again; 0: none went."""

    def get_ready(self) -> None:
        """Start the speaker, once: it takes a second until it can sound."""
        if not self._tried:
            self._tried = True
            if has_output():
                self._start()

    def tell(self, device: Device, box: StandinBox) -> None:
        """Send on what a box has begun and ended, and take it from the box."""
        if self._socket is None and self._again_at and time.monotonic() > self._again_at:
            self._try_again()
        sounded, box.sounded = box.sounded, []
        acts, box.loops.acts = box.loops.acts, []
        if self._socket is None:
            return
        for act in acts:
            self._send(LoopCommand(device.id, act.track, act.act, act.at_ns))
        if self._samples.get(device.id, ()) != box.samples:
            self._samples[device.id] = box.samples
            self._send(Samples(device.id, box.samples))
        slots = {v.note: v.slot for v in device.spec.voices if v.slot}
        slots |= {s.note: s.slot for s in box.samples if s.slot}
        for note in sounded:
            self._send(
                Note(
                    device.id,
                    device.kind,
                    note.note,
                    note.velocity,
                    note.at_ns,
                    note.controllers.get(LEVEL, 127),
                    note.controllers.get(CUTOFF, USUAL_BRIGHT),
                    slots.get(note.note, ""),
                )
            )

    def _send(self, message: ToSpeaker) -> None:
        if self._socket is None:
            return
        try:
            self._socket.send(self._encoder.encode(message))
        except BlockingIOError:
            return  # the speaker is behind: a note is lost, no box is held up
        except OSError:
            self._socket.close()
            self._socket = None
            self._samples.clear()
            self._again_at = time.monotonic() + self._wait_s  # its output went, and may come back

    def _try_again(self) -> None:
        self._wait_s = min(2 * self._wait_s, AGAIN_S[1])
        self._again_at = time.monotonic() + self._wait_s
        if has_output():
            self._start()

    def _start(self) -> None:
        ours, theirs = socket.socketpair(socket.AF_UNIX, socket.SOCK_SEQPACKET)
        ours.setblocking(False)
        with theirs:
            children.start(children.SPEAKER, str(theirs.fileno()), pass_fds=[theirs.fileno()])
        self._socket = ours
