"""What follows from the document, kept until that is another: the song laid out, what is wrong."""

from __future__ import annotations

from grebe.app.document.store import Store
from grebe.app.live.selection import Selection
from grebe.core.document import Project
from grebe.core.findings import Finding, Findings, find
from grebe.core.songs.layout import Layout
from grebe.errors import EditError

NOT_LOOKED = Findings((), ())


class Derived:
    """Asked for with every frame, so it is kept."""

    def __init__(self, store: Store, selection: Selection) -> None:
        self._store = store
        self._selection = selection
        self.opening = False
        """Whether a window is still being opened: then nothing is looked for yet."""
        self._found: tuple[Project, Findings] | None = None
        self._laid_out: tuple[Project, str, Layout | None] | None = None

    def layout(self) -> Layout | None:
        """The song in hand laid out; None where it cannot be."""
        project, song_id = self._store.project, self._selection.song_id
        kept = self._laid_out
        if kept is None or kept[0] is not project or kept[1] != song_id:
            song = self._selection.song
            try:
                layout = None if song is None else project.layout(song)
            except EditError:
                layout = None
            kept = self._laid_out = (project, song_id, layout)
        return kept[2]

    def findings(self) -> tuple[Finding, ...]:
        """What is wrong with the document."""
        return self._find().open

    def intended(self) -> tuple[Finding, ...]:
        """Findings that the performer said are intended."""
        return self._find().intended

    def _find(self) -> Findings:
        if self.opening:
            return NOT_LOOKED
        project = self._store.project
        if self._found is None or self._found[0] is not project:
            self._found = (project, find(project))
        return self._found[1]
