"""Channels of audio that come in: JACK's ports, or those of one interface, out of one callback."""

from __future__ import annotations

import os
from collections import deque
from collections.abc import Mapping, Sequence
from typing import Any, TypeAlias

import numpy as np
from numpy.typing import NDArray

from grebe.errors import PortLost
from grebe.process.callbacks import before_callbacks
from grebe.transports.clock import raw_ns
from grebe.transports.frames import FrameClock
from grebe.transports.jack.library import STOPPED
from grebe.transports.jack.midi import connect, open_client
from grebe.transports.pulses.devices import interface_meant, interfaces, sound_library

MAX_BLOCKS = 4096
Samples: TypeAlias = NDArray[np.float32]


class Channels:
    """Blocks of all channels out of one callback."""

    def __init__(self, rate: int) -> None:
        self.frames = FrameClock(rate)
        self.delay_ns = 0
        """From the jack to the frame, as the interface says."""
        self.blocks: deque[tuple[int, Samples]] = deque(maxlen=MAX_BLOCKS)
        """(frame of the first sample, a row a channel)."""
        self.over = ""


def jack_channels(client_name: str, ports: Mapping[str, str]) -> tuple[Channels, Any]:
    """A channel for each of our ports, by what it is called and where it listens ("" to be patched
    by hand); keep the client. PortLost when one is not there."""
    client = open_client(client_name, os.environ.get("JACK_DEFAULT_SERVER"))
    made = Channels(client.samplerate)
    own = [client.inports.register(label) for label in ports]

    def process(count: int) -> None:
        now_ns = raw_ns()
        frame = client.last_frame_time
        made.frames.update(frame, now_ns, count)
        made.blocks.append((frame, np.stack([port.get_array() for port in own])))

    def ended(status: Any, reason: str) -> None:
        del status, reason
        made.over = STOPPED

    before_callbacks()
    client.set_process_callback(process)
    client.set_shutdown_callback(ended)
    client.activate()
    for port, name in zip(own, ports.values(), strict=True):
        connect(client, name, port)
    return made, client


def interface_channels(name: str, channels: Sequence[int]) -> tuple[Channels, Any]:
    """These channels of an interface, from 1; keep the stream. PortLost when it will not open."""
    library = sound_library()
    picked = [channel - 1 for channel in channels]
    count = 0

    def fill(data: Any, frames: int, when: Any, status: Any) -> None:
        nonlocal count
        now_ns = raw_ns()
        if status.input_overflow:
            count += frames
        made.frames.update(count, now_ns, frames)
        made.delay_ns = max(0, round((when.currentTime - when.inputBufferAdcTime) * 1e9))
        made.blocks.append((count, data[:, picked].T.copy()))
        count += frames

    try:
        stream = library.InputStream(
            device=interface_meant(name, interfaces(input_=True)).number,
            channels=max(channels), dtype="float32", callback=fill, latency="low",
        )  # fmt: skip
        made = Channels(round(stream.samplerate))
        before_callbacks()
        stream.start()
    except (library.PortAudioError, ValueError) as error:
        raise PortLost(f"audio interface {name} would not open ({error})") from error
    return made, stream
