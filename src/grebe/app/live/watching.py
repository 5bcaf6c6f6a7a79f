"""A performance seen from elsewhere: the document and the engine's words, nothing to be asked."""

from __future__ import annotations

from pathlib import Path

from grebe.app.document.store import Store
from grebe.app.engine.link import LinkOwner, LinkState
from grebe.app.live.session import Session
from grebe.formats.project import parse_project
from grebe.protocols.link.messages import FromEngine, ToEngine, Welcome
from grebe.protocols.link.session import ShowDocument
from grebe.words import tr


class ShownLink:
    """In place of a link: what an engine elsewhere says comes by another way."""

    def __init__(self, owner: LinkOwner) -> None:
        del owner
        self.state: LinkState = "on"
        self.welcome: Welcome | None = None

    def tell(self, message: ToEngine) -> None:
        """Nothing can be asked from here."""

    def pump(self, now_s: float) -> list[FromEngine]:
        """There is no engine here."""
        del now_s
        return []

    def fileno(self) -> int | None:
        """Nor a socket of one."""
        return None

    def attach(self) -> Path | None:
        """Nor a file."""
        return None

    def end_engine(self) -> bool:
        """What runs there is ended there."""
        return False

    def close(self, *, keep_playing: bool = True) -> None:
        """Nothing to let go of."""


class WatchedSession:
    """A session without an engine of its own: what is said there is shown here."""

    def __init__(self, shown: ShowDocument) -> None:
        """ProjectError where the document cannot be read."""
        opened = parse_project(shown.project, tr("the document shown"))
        self.session = Session(Store(opened.project), ShownLink)
        self.session.diary.on = False
        self._take_in_hand(shown)

    def show(self, shown: ShowDocument) -> None:
        """The document has changed there, or something else is in hand."""
        opened = parse_project(shown.project, tr("the document shown"))
        if opened.project != self.session.project:
            self.session.store.apply(tr("Shown"), lambda _: opened.project)
        self._take_in_hand(shown)

    def _take_in_hand(self, shown: ShowDocument) -> None:
        selection = self.session.selection
        selection.song_id = shown.song or selection.song_id
        selection.set_id = shown.set or selection.set_id
        selection.whole_set = shown.whole_set

    def hear(self, message: FromEngine) -> None:
        """The engine there has said something."""
        self.session.take(message, 0.0)
