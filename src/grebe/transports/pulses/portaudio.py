"""Pulses out of an audio interface without JACK, through PortAudio (`sounddevice`).

A stream of its own for each interface, with nothing in it but pulses: they are
never mixed into another output. Exact to the sample; what the interface itself
delays, as PortAudio states it, is made up for.
"""

from __future__ import annotations

from typing import Any

from grebe.core.rig.spec import PulseShape
from grebe.errors import PortLost
from grebe.transports.clock import raw_ns
from grebe.transports.frames import FrameClock
from grebe.transports.jack.library import choose
from grebe.transports.pulses.drawn import Drawn


def sound_library() -> Any:
    """The `sounddevice` module. PortLost where it or PortAudio is missing."""
    choose()  # PortAudio brings libjack with it
    try:
        import sounddevice  # noqa: PLC0415 - needs PortAudio, which not every machine has
    except (ImportError, OSError) as error:
        raise PortLost("PortAudio is not installed (Debian: libportaudio2)") from error
    return sounddevice


def interfaces(*, input_: bool = False) -> dict[str, int]:
    """Audio interfaces by name, with their channels. PortLost when there is no PortAudio."""
    key = "max_input_channels" if input_ else "max_output_channels"
    return {d["name"]: d[key] for d in sound_library().query_devices() if d[key]}


class SoundWire:
    """One interface's stream; its channels are opened one by one."""

    def __init__(self, name: str) -> None:
        """Open and start it. PortLost when it is not there or will not open."""
        library = sound_library()
        known = interfaces()
        if name not in known:
            raise PortLost(f"there is no audio interface {name!r}")
        self.name = name
        self.channels = known[name]
        self.lines: tuple[SoundLine, ...] = ()
        """Replaced, never changed: the callback reads it."""
        self._count = 0
        self._delay_ns = 0
        try:
            self._stream = library.RawOutputStream(
                device=name, channels=self.channels, dtype="float32", callback=self._fill,
                latency="low", prime_output_buffers_using_stream_callback=False,
            )  # fmt: skip
            self.frames = FrameClock(round(self._stream.samplerate))
            self._stream.start()
        except library.PortAudioError as error:
            raise PortLost(f"audio interface {name} would not open ({error})") from error

    def open_line(self, channel: int, shape: PulseShape) -> SoundLine:
        """A channel, from 1. PortLost when the interface has not so many, or it is taken."""
        if channel > self.channels:
            raise PortLost(f"audio interface {self.name} has {self.channels} channels")
        if any(line.channel == channel for line in self.lines):
            raise PortLost(f"channel {channel} of {self.name} is in use already")
        line = SoundLine(self, channel, shape)
        self.lines = (*self.lines, line)
        return line

    @property
    def alive(self) -> bool:
        """Whether the stream still runs: it ends when the interface is pulled."""
        return bool(self._stream.active)

    def _fill(self, data: Any, frames: int, when: Any, status: Any) -> None:
        """Called by PortAudio on its thread for each block."""
        now_ns = raw_ns()
        if status.output_underflow:
            self._count += frames  # a block was lost: the loop of frames begins afresh
        self.frames.update(self._count, now_ns, frames)
        delay_ns = round((when.outputBufferDacTime - when.currentTime) * 1e9)
        if abs(delay_ns - self._delay_ns) > 1_000_000:
            self._delay_ns = max(0, delay_ns)  # it wavers by the callback: kept while it is near
        block = memoryview(data).cast("B")
        block[:] = bytes(len(block))
        samples = block.cast("f")
        for line in self.lines:
            line.drawn.late_ns = self._delay_ns
            line.drawn.draw(samples[line.channel - 1 :: self.channels], self._count, frames)
        self._count += frames

    def forget(self, line: SoundLine) -> None:
        """Take a channel out of the callback."""
        self.lines = tuple(known for known in self.lines if known is not line)

    def close(self) -> None:
        """Stop and close the stream."""
        self.lines = ()
        self._stream.close(ignore_errors=True)


class SoundLine:
    """One channel of an interface, which carries pulses or a level and nothing else."""

    def __init__(self, wire: SoundWire, channel: int, shape: PulseShape) -> None:
        self.wire = wire
        self.channel = channel
        self.drawn = Drawn(wire.frames, shape)

    def check(self) -> None:
        """PortLost when the interface was pulled."""
        if not self.wire.alive:
            raise PortLost(f"audio interface {self.wire.name} went away")

    def close(self) -> None:
        """Leave the channel silent."""
        self.wire.forget(self)
