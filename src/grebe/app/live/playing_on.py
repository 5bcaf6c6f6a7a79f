"""Playing on without a box: the arrangement that was proposed for it, made at one key. An edit of
the document, so Undo takes it back when the box is there again. Without Qt."""

from __future__ import annotations

from grebe.app.actions.keymap import told
from grebe.app.doing import does
from grebe.app.live.session import Session
from grebe.core.whatif.fallback import fallback
from grebe.core.whatif.losses import Gone
from grebe.errors import EditError
from grebe.words import tr


class PlayingOn:
    """What goes over to it."""

    def __init__(self, session: Session) -> None:
        self._session = session
        self._there: frozenset[str] = frozenset()
        """Boxes that were there while it played."""

    @property
    def gone(self) -> tuple[str, ...]:
        """Ids of boxes whose port is gone just now."""
        status = self._session.status
        return tuple(d.id for d in status.devices if d.port == "gone") if status else ()

    def follow(self) -> None:
        """Say it, once, when a box goes while it plays."""
        status = self._session.status
        if status is None or not status.running:
            self._there = frozenset()
            return
        gone = self._there & frozenset(self.gone)
        for box in gone:
            name = self._session.project.rig.name_of(box)
            self._session.say("warn", tr("{box} is gone. {play_on} plays on without it.",
                                         box=name, play_on=told("play_on")))  # fmt: skip
        up = frozenset(d.id for d in status.devices if d.port == "up")
        self._there = (self._there | up) - gone

    def without(self, box: str) -> None:
        """Go over to the arrangement without a box. EditError where there is no such box."""
        session = self._session
        name = session.project.rig.name_of(box)
        plan = fallback(session.project, Gone(box=box))
        if plan.project == session.project:
            session.say("info", tr("Nothing has to be otherwise without {box}.", box=name))
            return
        session.store.apply(tr("Without {box}", box=name), lambda _: plan.project)
        session.feed.send_if_changed()
        words = " ".join((*plan.moves, *(f.message for f in plan.faults)))
        session.notices.say("info", tr("Without {box}: {words}", box=name, words=words),
                            offers="undo")  # fmt: skip

    @does("play_on")
    def play_on(self) -> None:
        """Play on without the first box that is gone."""
        gone = self.gone
        if not gone:
            raise EditError(tr("no box is gone; Rig says under What if what would be without one"))
        self.without(gone[0])
