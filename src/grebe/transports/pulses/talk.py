"""What the engine and the process that sounds its pulses say to each other, a packet each.

The interface has a process of its own: PortAudio's threads spin where a card is pulled, and it
finds a card that is back only when it starts afresh. Neither may reach the engine.
"""

from __future__ import annotations

from typing import TypeAlias

import msgspec

from grebe.core.rig.spec import PulseShape

MAX_PACKET_BYTES = 1024
HEARTBEAT_S = 0.05


class DrawShape(msgspec.Struct, tag="shape", frozen=True):
    """A channel, from 1, is used, and its pulses look so."""

    channel: int
    shape: PulseShape


class DropLine(msgspec.Struct, tag="drop", frozen=True):
    """A channel is used no more: silent from now on."""

    channel: int


class DrawPulse(msgspec.Struct, tag="pulse", frozen=True):
    """A pulse rises at a time (CLOCK_MONOTONIC_RAW, ns)."""

    channel: int
    due_ns: int
    between: bool = False
    """Between two runs."""


class DrawBetween(msgspec.Struct, tag="between", frozen=True):
    """Pulses between two runs go on until a time."""

    channel: int
    until_ns: int


class DrawLevel(msgspec.Struct, tag="level", frozen=True):
    """High, or at rest, from a time on."""

    channel: int
    due_ns: int
    high: bool


class DiscardDrawn(msgspec.Struct, tag="discard", frozen=True):
    """Take back what a channel has not drawn."""

    channel: int


ToInterface: TypeAlias = DrawShape | DropLine | DrawPulse | DrawBetween | DrawLevel | DiscardDrawn


class InterfaceState(msgspec.Struct, tag="running", frozen=True):
    """The interface is open. Told all the time: silence means that the process hangs."""

    channels: int
    rate: int
    """Frames a second."""
    period: int
    """Frames that were asked for at a time."""
    delay_ms: float
    """From a frame to the jack, as the interface states it."""
    underruns: int
    """How often it had to play on without samples."""


class InterfaceGone(msgspec.Struct, tag="ended", frozen=True):
    """There will be no more, and why."""

    why: str


FromInterface: TypeAlias = InterfaceState | InterfaceGone
