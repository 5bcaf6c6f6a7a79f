"""A JACK server of one client, whose periods and frame time a test gives."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

PERIOD = 256
RATE = 48_000


class FakePort:
    """A MIDI output: what was written, as (frame time of its period, offset, bytes)."""

    def __init__(self, client: FakeClient) -> None:
        self._client = client
        self.written: list[tuple[int, int, bytes]] = []

    def clear_buffer(self) -> None:
        """Nothing is kept back here."""

    def write_midi_event(self, offset: int, data: bytes) -> None:
        """Out at a frame of this period."""
        self.written.append((self._client.last_frame_time, offset, bytes(data)))


class FakeClient:
    """As much of a client as `JackWire` uses to send."""

    samplerate = RATE
    blocksize = PERIOD

    def __init__(self) -> None:
        self.last_frame_time = 0
        self.process: Callable[[int], None] = lambda _: None
        self.midi_outports = self.midi_inports = self

    def register(self, name: str) -> FakePort:
        """A new port."""
        del name
        return FakePort(self)

    def set_process_callback(self, process: Callable[[int], None]) -> None:
        """What a period calls."""
        self.process = process

    def set_xrun_callback(self, callback: Any) -> None:
        """There are none."""

    def set_shutdown_callback(self, callback: Any) -> None:
        """Nor does it stop."""

    def activate(self) -> None:
        """The test gives the periods."""
