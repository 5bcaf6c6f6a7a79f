"""What every way out of the engine and into it offers."""

from __future__ import annotations

from typing import Protocol

from grebe.protocols.midi.message_filter import MessageFilter
from grebe.protocols.standin.reports import StandinReport

Heard = tuple[int, bytes]
"""When a message came in (CLOCK_MONOTONIC_RAW), as near to the wire as can be known, and it."""


class OutPort(Protocol):
    """One device's way out."""

    stamped: bool
    """Takes messages ahead of time and sends each at its own; otherwise call at the deadline."""

    def send(self, data: bytes, due_ns: int) -> None:
        """Send at `due_ns` (CLOCK_MONOTONIC_RAW). Never blocks. PortLost when it is gone."""

    def discard(self) -> list[bytes]:
        """Take back what has been handed over early and not yet sent."""

    def reports(self) -> list[StandinReport]:
        """What the device has reported since; empty from real devices."""

    def check(self) -> None:
        """Look whether the port is still there. Cheap; PortLost when it is not."""

    def late_ms(self) -> list[float]:
        """Lateness of clock ticks sent since the last call, where the port does the sending."""

    def close(self) -> None:
        """Let go of it."""


class InPort(Protocol):
    """One device's way in."""

    def fileno(self) -> int:
        """A descriptor that is readable when something has come in."""

    def receive(self) -> list[Heard]:
        """Whole messages that have come in. Never blocks. PortLost when it is gone."""

    def check_input(self) -> None:
        """Look whether the port is still there. Cheap; PortLost when it is not."""

    def has_passed(self, message_filter: MessageFilter) -> bool:
        """Whether the wire itself takes what comes in through this gate."""

    def close_input(self) -> None:
        """Let go of it."""
