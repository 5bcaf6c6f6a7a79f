"""What actions do with whatever station is shown, and with what lies over it."""

from __future__ import annotations

import time
from functools import partial
from typing import Protocol

from PyQt6.QtCore import Qt

from grebe import __version__
from grebe.app.actions.finding import Findable, action_entries, thing_entries
from grebe.app.actions.keymap import key_map
from grebe.app.actions.model import STATION_NUMBERS
from grebe.app.doing import does
from grebe.app.live.position import raw_now_ns
from grebe.app.live.rehearsal import Rehearsal
from grebe.app.live.session import Session
from grebe.app.live.stage_numbers import numbered_line
from grebe.app.settings import recent_projects
from grebe.core.rig.model import GREBE_ID
from grebe.ui.main_window.action_book import ActionBook
from grebe.ui.main_window.overlays import Overlays
from grebe.ui.main_window.stations import Stations
from grebe.ui.main_window.walk_bar import WalkBar
from grebe.ui.widgets.view import View
from grebe.words import tr


class StationRow(Protocol):
    """The window as far as it is needed here."""

    session: Session
    book: ActionBook
    over: Overlays
    rehearsal: Rehearsal
    views: Stations
    walk: WalkBar

    @property
    def view(self) -> View:
        """The station shown."""

    def show_station(self, number: int) -> None:
        """Show a station."""

    def go_to(self, kind: str, subject: str) -> None:
        """Show something in the station that edits it."""

    def windowState(self) -> Qt.WindowState:
        """Whether it fills the screen."""

    def setWindowState(self, state: Qt.WindowState) -> None:
        """Fill the screen, or not."""


class ViewActions:
    """Actions on the station shown, and on what lies over it: findings, finder, help, pages,
    history."""

    def __init__(self, window: StationRow) -> None:
        self._window = window
        window.over.found.connect(self.take)
        window.over.gone_to.connect(self._go_to_step)

    # Findings

    @does("finding_after")
    def finding_after(self) -> None:
        """The next thing to look at, of those this station lists."""
        if self._window.view.listed is not None:
            self._window.view.listed.step(1)

    @does("finding_before")
    def finding_before(self) -> None:
        """The one before."""
        if self._window.view.listed is not None:
            self._window.view.listed.step(-1)

    @does("mend_here")
    def mend_here(self) -> None:
        """Mend the one selected, or the first that Grebe can."""
        if self._window.view.listed is not None:
            self._window.view.listed.mend_selected()

    @does("accept_here")
    def accept_here(self) -> None:
        """The one selected is intended."""
        if self._window.view.listed is not None:
            self._window.view.listed.accept_selected()

    # Finding

    @does("find_action")
    def find_action(self) -> None:
        """Find an action, or anything by its name."""
        self._find(here=False)

    @does("find_here")
    def find_here(self) -> None:
        """Find something of what this station edits."""
        self._find(here=True)

    def _find(self, *, here: bool) -> None:
        window, session = self._window, self._window.session
        listed = window.view.listed
        findings = listed.findings if listed is not None else []
        things = thing_entries(session.project, findings)
        if here:
            kinds = OWN.get(window.view.scope, ())
            entries = [e for e in things if not kinds or e.kind in kinds]
        else:
            entries = [*action_entries(key_map(), partial(number_name, session)), *things]
        window.over.open(window.over.finder)
        window.over.finder.search_in(entries, [] if here else window.book.recent)

    def take(self, entry: Findable) -> None:
        """Do what was found, or show it."""
        window = self._window
        window.view.canvas.setFocus()
        if entry.kind == "action":
            window.book.do(entry.id, chosen=True)
        elif entry.kind == "section":
            song, _, section = entry.id.partition("/")
            window.go_to("song", song)
            window.views.song.select(section)
        elif entry.kind == "finding":
            kind, _, subject = entry.id.partition("/")
            window.go_to(kind, subject)
        else:
            window.go_to(entry.kind, entry.id)

    # What lies over the stations

    @does("keys")
    def keys(self) -> None:
        """The help of the station shown, or away with it."""
        window = self._window
        if not window.over.close(window.over.help):
            window.over.open(window.over.help)
            window.over.help.show_station(window.view.scope, window.view.part)

    @does("change_keys")
    def change_keys(self) -> None:
        """The page of keys."""
        self._window.over.open(self._window.over.keys)
        self._window.over.keys.open()

    @does("app_settings")
    def app_settings(self) -> None:
        """The settings."""
        self._window.over.open(self._window.over.settings)
        self._window.over.settings.open()

    @does("new_project")
    def new_project(self) -> None:
        """The way in: begin another project, or go on with one."""
        self._window.over.open(self._window.over.start)
        self._window.over.start.open(recent_projects())

    @does("rename_project")
    def rename_project(self) -> None:
        """To its name, which stands with Grebe in Rig."""
        self._window.go_to("device", "")
        rig = self._window.views.rig
        rig.select(GREBE_ID)
        rig.side.rename()

    @does("begin_walk")
    def begin_walk(self) -> None:
        """Be walked through a first set, or no longer."""
        self._window.walk.show_walk(on=not self._window.walk.walk.shown)

    @does("messages")
    def messages(self) -> None:
        """The last messages."""
        self._window.over.open(self._window.over.messages)
        self._window.over.messages.list_said(self._window.session.notices.said)

    @does("cautions")
    def cautions(self) -> None:
        """Voltages, pulses, mains, hearing: all cautions on one page."""
        self._window.over.open(self._window.over.cautions)
        self._window.over.cautions.list.setFocus()

    @does("history")
    def history(self) -> None:
        """Every step that can be undone."""
        self._window.over.open(self._window.over.history)
        self._window.over.history.list_steps(*self._window.session.store.steps())

    def _go_to_step(self, done: int) -> None:
        store = self._window.session.store
        store.go_to(done)
        self._window.over.history.list_steps(*store.steps())

    @does("about")
    def about(self) -> None:
        """Which version this is."""
        words = tr(
            "Grebe {version}. Its licence, and those of its parts, lie with it.",
            version=__version__,
        )
        self._window.session.say("info", words)

    # The window

    @does("canvas")
    def canvas(self) -> None:
        """Back to the drawing."""
        self._window.view.canvas.setFocus()

    @does("thing_menu")
    def thing_menu(self) -> None:
        """The menu of the thing in hand, over it."""
        canvas = self._window.view.canvas
        self._window.over.open_menu(canvas.mapToGlobal(canvas.rect().center()), in_hand=True)

    @does("full_screen")
    def full_screen(self) -> None:
        """Fill the screen, or a window again."""
        window = self._window
        window.setWindowState(window.windowState() ^ Qt.WindowState.WindowFullScreen)

    @does("tap")
    def tap(self) -> None:
        """One tap: of the tempo, or of the one where that is practised."""
        window = self._window
        if window.rehearsal.tapping:
            window.rehearsal.tap(raw_now_ns())
        else:
            window.session.tempo.tap(time.monotonic())

    @does("tempo_to")
    def tempo_to(self) -> None:
        """To the fields in Sync that take a tempo."""
        self._window.show_station(STATION_NUMBERS["sync"])
        self._window.views.sync.type_tempo()

    @does("next_song")
    def next_song(self) -> None:
        """Take the next song in hand."""
        session = self._window.session
        ids = [s.id for s in session.project.songs]
        here = ids.index(session.selection.song_id)
        if session.choose_song(ids[(here + 1) % len(ids)]):
            self._window.view.document_changed()


def number_name(session: Session, action_id: str) -> str:
    """What has the number of a numbered action: a box, for mutes."""
    kind, _, digits = action_id.rpartition("_")
    if kind not in ("mute", "solo", "mute_line", "solo_line") or not digits.isdigit():
        return ""
    line = numbered_line(session, int(digits), paged=not kind.endswith("_line"))
    return "" if line is None else line.name


OWN: dict[str, tuple[str, ...]] = {
    "rig": ("device", "finding"), "sync": ("device",), "patterns": ("pattern", "finding"),
    "scenes": ("scene", "finding"), "song": ("section", "song", "finding"),
    "set": ("song", "set", "finding"), "stage": ("section", "song"),
}  # fmt: skip
"""What each station has to find."""
