"""What the performer is told of what is heard: a leader lost or back, bytes that are no MIDI."""

from __future__ import annotations

from collections.abc import Callable

from grebe.engine.desk import Desk
from grebe.engine.following import Hearing
from grebe.link.messages import Notice


class Watch:
    """Looks at what comes in, some times a second."""

    def __init__(self, desk: Desk, tell: Callable[[Notice], None]) -> None:
        self._desk = desk
        self._tell = tell
        self.hearing: Hearing = ""
        """What is heard of the leader's clock."""
        self._garbled: set[str] = set()
        """Sources that have been said to send what is no MIDI."""

    def look(self, now: int, *, running: bool) -> None:
        """Say what is new."""
        self._look_at_leader(now, running=running)
        self._look_at_bytes()

    def _look_at_bytes(self) -> None:
        """Once a source, when bytes come in that are no part of any message."""
        for source, count in self._desk.ears.unreadable().items():
            if source not in self._garbled:
                self._garbled.add(source)
                name = self._desk.name(source)
                text = f"{name} sends what is no MIDI: {count} bytes of it are left out so far."
                self._tell(Notice(level="warn", text=text))

    def _look_at_leader(self, now: int, *, running: bool) -> None:
        """Say when the leader's clock is lost, and when it is back."""
        following = self._desk.following
        before, self.hearing = self.hearing, following.hearing(now)
        if not running or before == self.hearing:
            return
        name = self._desk.name(following.device)
        if self.hearing == "held":
            text = f"{name}'s clock is lost: its tempo of {following.bpm:.2f} BPM is held."
            self._tell(Notice(level="warn", text=text))
        elif before == "held" and self.hearing == "clock":
            self._tell(Notice(level="info", text=f"{name}'s clock is back."))
