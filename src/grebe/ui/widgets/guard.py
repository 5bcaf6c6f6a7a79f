"""The touch guard: while something plays on Stage a stray touch does nothing, a held one counts."""

from __future__ import annotations

import time

from PyQt6.QtCore import QPointF

from grebe.app.actions.keymap import told
from grebe.app.live.session import Session
from grebe.words import tr

HELD_S = 0.5
"""A touch that lasts so long was meant. Common practice, no source."""
STRAY_PX = 24.0


class TouchGuard:
    """Says of each touch whether it counts."""

    def __init__(self, session: Session, *, always: bool = False) -> None:
        """`always`: also while Stage is not the station shown."""
        self._session, self._always = session, always
        self._down: tuple[float, QPointF] | None = None

    @property
    def on(self) -> bool:
        """Whether touches have to be held."""
        session = self._session
        shown = self._always or session.stage.shown
        return session.stage.guarded and shown and session.running

    def press(self, at: QPointF) -> bool:
        """A touch begins; whether it counts at once."""
        self._down = (time.monotonic(), QPointF(at))
        return not self.on

    def release(self, at: QPointF) -> bool:
        """A touch ends; whether it counts now. One that was too short is said."""
        down, self._down = self._down, None
        if down is None or not self.on:
            return False
        moved = (at - down[1]).manhattanLength()
        if time.monotonic() - down[0] >= HELD_S and moved < STRAY_PX:
            return True
        self._session.say(
            "info",
            tr("Touch guard: hold it for half a second. {guard} lets it off.", guard=told("guard")),
        )
        return False
