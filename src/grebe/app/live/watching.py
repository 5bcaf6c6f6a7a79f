"""A performance seen from elsewhere: the document and the engine's words, nothing to be asked."""

from __future__ import annotations

from grebe.app.document.store import Store
from grebe.app.live.session import Session
from grebe.formats.project import parse_project
from grebe.protocols.link.messages import FromEngine, ShowDocument, Status, ToEngine


class WatchedSession(Session):
    """A session without an engine of its own: what is said there is shown here."""

    def __init__(self, shown: ShowDocument) -> None:
        """ProjectError where the document cannot be read."""
        opened = parse_project(shown.project, "the document shown")
        super().__init__(Store(opened.project))
        self.link = "on"
        self._take_in_hand(shown)

    def show(self, shown: ShowDocument) -> None:
        """The document has changed there, or something else is in hand."""
        opened = parse_project(shown.project, "the document shown")
        if opened.project != self.project:
            self.store.apply("Shown", lambda _: opened.project)
        self._take_in_hand(shown)

    def _take_in_hand(self, shown: ShowDocument) -> None:
        self.song_id = shown.song or self.song_id
        self.set_id = shown.set or self.set_id
        self.whole_set = shown.whole_set

    def hear(self, message: FromEngine) -> None:
        """The engine there has said something."""
        self._take(message, 0.0)

    def pump(self, now_s: float) -> list[FromEngine]:
        """There is no engine here."""
        del now_s
        return []

    def fileno(self) -> int | None:
        """Nor a socket of one."""
        return None

    def tell(self, message: ToEngine) -> None:
        """Nothing can be asked from here."""

    def _mind_processes(self, status: Status, now_s: float) -> None:
        """What runs there is minded there."""
