"""What follows from the document, kept until that is another: the song laid out, what is wrong."""

from __future__ import annotations

from concurrent.futures import Future, ThreadPoolExecutor

from grebe.app.document.store import Store
from grebe.app.live.selection import Selection
from grebe.core.document import Project
from grebe.core.findings import Finding, Findings, find
from grebe.core.findings.past import NO_PAST, Past
from grebe.core.gear.model import NO_LIBRARY, GearLibrary
from grebe.core.sets.plan import SetFactsModel
from grebe.core.songs.energy import PatternBars
from grebe.core.songs.layout import Layout
from grebe.core.songs.variations import has_drums
from grebe.core.weighing import Weight, weigh
from grebe.errors import EditError

NOT_LOOKED = Findings((), ())


class Derived:
    """Asked for with every frame, so it is kept."""

    def __init__(self, store: Store, selection: Selection) -> None:
        self._store = store
        self._selection = selection
        self.opening = False
        """Whether a window is still being opened: then nothing is looked for yet."""
        self.beside = False
        """Whether it is looked through the document in a thread: then no key waits for it."""
        self._found: tuple[Project | None, Findings] | None = None
        """What was found, and in which project; None for one with other notes on gear."""
        self._laid_out: tuple[Project, str, Layout | None] | None = None
        self._weight: tuple[Project, Weight] | None = None
        self._drums: tuple[Project, bool] | None = None
        self._looking: tuple[Project, Future[Findings]] | None = None
        self.library: GearLibrary = NO_LIBRARY
        """What the performer knows of gear."""
        self.past: Past = NO_PAST
        """What the log has of this project and its boxes."""
        self._books: tuple[PatternBars, SetFactsModel] | None = None
        """What was worked out of patterns and songs at the last look: an edit leaves most of it."""
        self._beside = ThreadPoolExecutor(1, "findings")

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

    def weight(self) -> Weight:
        """What the rig weighs."""
        project = self._store.project
        if self._weight is None or self._weight[0] is not project:
            self._weight = (project, weigh(project))
        return self._weight[1]

    def has_drums(self) -> bool:
        """Whether anything in the document is a drum."""
        project = self._store.project
        if self._drums is None or self._drums[0] is not project:
            self._drums = (project, has_drums(project))
        return self._drums[1]

    def findings(self) -> tuple[Finding, ...]:
        """What is wrong with the document."""
        return self._find().open

    def intended(self) -> tuple[Finding, ...]:
        """Findings that the performer said are intended."""
        return self._find().intended

    def known(self) -> Findings:
        """The same without waiting: where it is looked beside, what was found last."""
        if not self.beside:
            return self._find()
        return self._found[1] if self._found is not None else NOT_LOOKED

    def look(self) -> None:
        """Begin to look through the document beside the window's own work; `came` says when it is
        done. Nothing where nothing is looked for beside, or nothing is new."""
        if self.beside and not self.opening and self._stale and self._looking is None:
            project = self._store.project
            self._looking = (project, self._beside.submit(self._findings_of, project))

    @property
    def _stale(self) -> bool:
        """Whether what was found was found in another document than the one there is now."""
        return self._found is None or self._found[0] is not self._store.project

    def came(self) -> bool:
        """Whether a look that went on beside has ended."""
        looking = self._looking
        if looking is None or not looking[1].done():
            return False
        self._looking = None
        self._found = (looking[0], looking[1].result())
        return True

    def know(self, library: GearLibrary) -> None:
        """What the performer knows of gear is this from now on."""
        if library != self.library:
            self.library = library
            self._look_again()

    def remember(self, past: Past) -> None:
        """What the log has is this from now on."""
        if past != self.past:
            self.past = past
            self._look_again()

    def _look_again(self) -> None:
        self._looking = None  # what is looked for now is looked for without it
        if self._found is not None:  # what was found stands until it has been looked again
            self._found = (None, self._found[1])
        self.look()

    def end(self) -> None:
        """Nothing more will be asked."""
        self._beside.shutdown(wait=False, cancel_futures=True)

    def _findings_of(self, project: Project) -> Findings:
        # A look beside and one waited for may overlap; each leaves a whole book.
        before = self._books
        bars = before[0].serving(project) if before else PatternBars(project)
        facts = before[1] if before and bars is before[0] else SetFactsModel(bars)
        self._books = (bars, facts)
        return find(project, bars, self.library, facts, self.past)

    def _find(self) -> Findings:
        if self.opening:
            return NOT_LOOKED
        project = self._store.project
        if self._found is None or self._found[0] is not project:
            self._found = (project, self._findings_of(project))
        return self._found[1]
