"""The window's frame: rail, stations, notices, waterline, and the keys that work everywhere."""

from __future__ import annotations

import time
from collections import Counter
from collections.abc import Callable
from functools import partial
from pathlib import Path
from typing import Literal

import msgspec
from PyQt6.QtCore import Qt, QTimer
from PyQt6.QtGui import QCloseEvent, QKeyEvent, QKeySequence, QPainter, QPaintEvent, QShortcut
from PyQt6.QtWidgets import (
    QHBoxLayout,
    QStackedWidget,
    QVBoxLayout,
    QWidget,
)

from grebe.app.actions import actions_in
from grebe.app.document.recovery import Claim, Keeper, OpenedDocument
from grebe.app.document.store import Store
from grebe.app.doing import Act, acts_of, does
from grebe.app.live.rehearsal import Rehearsal
from grebe.app.live.session import Session
from grebe.app.live.stage_model import StageModel
from grebe.app.live.window_actions import WindowActions
from grebe.app.returning import forget_shown, note_shown
from grebe.app.settings import read_settings, write_settings
from grebe.core.document import Project
from grebe.core.player.controls import WINDOW
from grebe.errors import GrebeError
from grebe.ui.main_window.documents import Documents
from grebe.ui.main_window.engine_ear import EngineEar
from grebe.ui.main_window.file_actions import FileActions
from grebe.ui.main_window.keys import KeySheet
from grebe.ui.main_window.notice import NoticeStrip
from grebe.ui.main_window.rail import Rail
from grebe.ui.main_window.view_actions import ViewActions
from grebe.ui.main_window.waterline import Waterline
from grebe.ui.stations.patterns.view import PatternsView
from grebe.ui.stations.rig.view import RigView
from grebe.ui.stations.scenes.view import ScenesView
from grebe.ui.stations.set.view import SetView
from grebe.ui.stations.song.view import SongView
from grebe.ui.stations.stage.view import StageView
from grebe.ui.stations.sync.view import SyncView
from grebe.ui.stations.tools.view import ToolsView
from grebe.ui.widgets import draw
from grebe.ui.widgets.theme import DAY, NIGHT, PALETTES, Palette
from grebe.ui.widgets.view import View

FRAME_MS = 16
"""One picture each display frame while playing."""
RESTING_MS = 50
PUSH_KEYS = (Qt.Key.Key_F7, Qt.Key.Key_F8)
WORKS_LOCKED = ("panic",)
BADGES_AFTER_S = 0.1
"""After the last edit of several in a row: looking through a large set takes that long itself."""
NOT_ON_STAGE = ("undo", "redo", "open", "report", "stop_engine", "next_song")
"""What could take something away, or put a dialog over the performance."""
STATION_OF = {"device": 1, "pattern": 3, "scene": 4, "song": 5, "set": 6}
"""Where each kind of thing is edited."""
SET_STATIONS = (6, 7)
"""Where Space runs the set rather than the song in hand."""
FILL_KEY = Qt.Key.Key_F9
LOOK_EVERY_S = 1.0
"""How often the file on the disk is looked at."""


class Frame(QWidget):
    """The window."""

    def __init__(self, store: Store, claim: Claim | None = None) -> None:
        """`claim` is the window's place at the document, where it was opened with one."""
        super().__init__()
        self.session = Session(store)
        self.session.derived.opening = True  # what there is to find is looked for once it is seen
        self._keeper = Keeper(store, claim)
        self.documents = Documents(self, self.session, self._keeper)
        self._look_s = 0.0
        self._noted: tuple[int, str, str, Path | None] | None = None
        self.stage_book = StageModel(self.session)
        self.rehearsal = Rehearsal(self.session, self.stage_book)
        self._badges_stale = True
        self._edited_s = 0.0
        self.palette_now: Palette = PALETTES[read_settings().theme]
        self.rail = Rail(self.session)
        self.notices = NoticeStrip()
        self.waterline = Waterline(self.session)
        self.stack = QStackedWidget()
        self.views: dict[int, View] = {}
        for view in (
            RigView(self.session),
            SyncView(self.session),
            PatternsView(self.session),
            ScenesView(self.session),
            SongView(self.session),
            SetView(self.session, self.rehearsal),
            StageView(self.session, self.stage_book),
            ToolsView(self.session),
        ):
            self.views[view.number] = view
            self.stack.addWidget(view)
            view.leads_to.connect(self.go_to)
        self.own = WindowActions(self.session)
        self.files = FileActions(
            self, self.session, self.documents, saved=self._document_saved,
            replace=self._replaced, palette=lambda: self.palette_now,
        )  # fmt: skip
        stations = {f"station_{n}": partial(self.show_station, n) for n in self.views}
        self._acts: dict[str, Act] = {
            **acts_of(self, self.own, self.files, ViewActions(self)),
            **stations,
        }
        self._lay_out()
        self.key_sheet = KeySheet(self.stack)
        self._wire()
        self.resize(1280, 800)
        self.setMinimumSize(960, 600)
        self._timer = QTimer(self)
        self._timer.setObjectName("frame")
        self._timer.setTimerType(Qt.TimerType.PreciseTimer)
        self._timer.timeout.connect(self.on_timer)
        self._timer.start(RESTING_MS)
        stage = self.views[7]
        assert isinstance(stage, StageView)
        stage.asked.connect(self.do_action)
        self._ear = EngineEar(self, lambda: self.session.pump(time.monotonic()))
        self.show_station(1)
        self._document_changed(store.project, store.project)

    def _lay_out(self) -> None:
        outer = QVBoxLayout(self)
        outer.setContentsMargins(0, 0, 0, 0)
        outer.setSpacing(0)
        upper = QHBoxLayout()
        upper.setSpacing(0)
        upper.addWidget(self.rail)
        right = QVBoxLayout()
        right.setSpacing(0)
        right.addWidget(self.stack, 1)
        right.addWidget(self.notices)
        upper.addLayout(right, 1)
        outer.addLayout(upper, 1)
        outer.addWidget(self.waterline)

    def _wire(self) -> None:
        self.rail.chosen.connect(self.show_station)
        self.key_sheet.report.clicked.connect(self.key_sheet.hide)
        self.key_sheet.report.clicked.connect(self._handler("report"))
        self.notices.attach.clicked.connect(self._handler("attach"))
        self.notices.end.clicked.connect(self._handler("stop_engine"))
        self.waterline.run_clicked.connect(self.session.performer.run_stop)
        self.waterline.tap_clicked.connect(self.own.tap)
        self.session.store.listen(self._document_changed)
        for action in actions_in("everywhere"):
            for keys in action.keys:
                shortcut = QShortcut(QKeySequence(keys), self)
                shortcut.setContext(Qt.ShortcutContext.WindowShortcut)
                shortcut.setObjectName(action.id)
                shortcut.activated.connect(self._handler(action.id))

    def _handler(self, action_id: str) -> Callable[[], None]:
        method = self._acts[action_id]

        def run() -> None:
            if self._kept_back(action_id):
                return
            try:
                method()
            except GrebeError as error:
                self.session.say("error", str(error))

        return run

    def _kept_back(self, action_id: str) -> bool:
        """Whether a key does nothing on Stage: locked, or what could take something away."""
        session = self.session
        if not session.stage.shown:
            return False
        if session.stage.locked and action_id not in WORKS_LOCKED:
            session.say("info", "Keys are locked; Ctrl+L lets go.")
            return True
        if action_id in NOT_ON_STAGE:
            session.say("info", "Not on Stage: nothing can be taken away here.")
            return True
        return False

    # Showing

    @property
    def view(self) -> View:
        """The station shown."""
        return self.views[self.rail.current]

    def show_station(self, number: int) -> None:
        """Show a station."""
        self.rail.show_current(number)
        self.session.memory.take_fresh()  # what was played elsewhere is remembered, not written
        self.key_sheet.hide()
        view = self.views[number]
        self._noted = None
        self.session.stage.shown = number == 7
        self.session.selection.perform_set(on=number in SET_STATIONS)
        self.stack.setCurrentWidget(view)
        self.set_palette()
        view.document_changed()
        view.show_findings()
        view.canvas.setFocus()

    def set_palette(self) -> None:
        """Colour everything: Night around Stage, otherwise the theme chosen."""
        shown = NIGHT if self.rail.current == 7 else self.palette_now
        for part in (
            self.rail,
            self.notices,
            self.notices.attach,
            self.notices.end,
            self.waterline,
        ):
            part.palette_now = shown
            part.update()
        view = self.view  # the others when they are shown: styling all of them takes a while
        if view.palette_now is not shown or not view.styleSheet():
            view.set_palette(shown)
        self.update()

    def paintEvent(self, event: QPaintEvent | None) -> None:
        """Draw the ground behind the views."""
        del event
        shown = NIGHT if self.rail.current == 7 else self.palette_now
        draw.fill(QPainter(self), 0, 0, self.width(), self.height(), shown.ground)

    def _document_changed(self, old: Project, new: Project) -> None:
        del old
        self._edited_s = time.monotonic()
        self._badges_stale = True
        self.view.document_changed()
        name = self.session.store.name or f"{new.name}, without a name yet"
        star = " *" if self.session.store.dirty else ""
        self.setWindowTitle(f"{name}{star} - Grebe")

    def _show_badges(self) -> None:
        """How much there is to look at: not with every edit, but soon after."""
        self._badges_stale = False
        serious = [f for f in self.session.derived.findings() if f.severity != "note"]
        counts = Counter(STATION_OF[f.kind] for f in serious)
        for number in STATION_OF.values():
            self.rail.set_badge(number, counts[number])
        self.view.show_findings()

    def go_to(self, kind: str, subject: str) -> None:
        """Show something in the station that edits it."""
        self.show_station(STATION_OF[kind])
        self.view.show_subject(kind, subject)

    def on_timer(self) -> None:
        """Take in what the engine said and move what moves. Never waits."""
        now_s = time.monotonic()
        if self.session.derived.opening:
            self.session.derived.opening = False
            self._badges_stale = True
            self.view.document_changed()
        before = (self.session.selection.song_id, self.session.link.state)
        self.session.pump(now_s)
        if (self.session.selection.song_id, self.session.link.state) != before:
            self.view.document_changed()
        self._mind_document(now_s)
        if self._badges_stale and now_s - self._edited_s > BADGES_AFTER_S:
            self._show_badges()
        self._take_presses()
        self.rehearsal.follow()
        self._ear.follow(self.session.link.fileno())
        self.notices.show_notice(
            self.session.notices.last, now_s, stays=self.session.link.state == "other"
        )
        self.waterline.update()
        self.view.moved()
        wanted = FRAME_MS if self.session.running else RESTING_MS
        if self._timer.interval() != wanted:
            self._timer.setInterval(wanted)

    def _mind_document(self, now_s: float) -> None:
        """Keep unsaved work safe; see what others do to the file."""
        said = self._keeper.on_timer(now_s)
        self._note_shown()
        if now_s - self._look_s > LOOK_EVERY_S:
            self._look_s = now_s
            said = said or self.session.store.look_at_disk()
        if said:
            self.session.say("warn", said)

    def _note_shown(self) -> None:
        """What another window would show, should this one crash."""
        session, store = self.session, self.session.store
        shown = (
            self.rail.current,
            session.selection.song_id,
            session.selection.section,
            store.home,
        )
        if shown != self._noted:
            self._noted = shown
            note_shown(store.home, shown[0], untitled=store.path is None, song=shown[1],
                       section=shown[2])  # fmt: skip

    def _take_presses(self) -> None:
        """Do what only a window can, for pedals and controllers."""
        pressed, self.session.learning.pressed = self.session.learning.pressed, []
        for press in pressed:
            if not press.down:
                continue
            if press.action == "tap" and self.rehearsal.tapping:
                self.rehearsal.tap(press.at_ns)
            elif press.action == "tap":
                self.session.tempo.tap(press.at_ns / 1e9)
            elif press.action in WINDOW or not self.session.running:
                self.do_action(press.action)

    def do_action(self, action: str) -> None:
        """An action by its id: the window's own, or Stage's."""
        stage = self.views[7]
        assert isinstance(stage, StageView)
        if action in self._acts:
            self._handler(action)()
        elif stage.knows(action):
            stage.handler(action)()

    # Actions that work everywhere

    def acts(self) -> dict[str, Act]:
        """What does each action that works in every station."""
        return self._acts

    def _document_saved(self) -> None:
        self._document_changed(self.session.project, self.session.project)
        self._noted = None

    def _replaced(self, found: OpenedDocument) -> None:
        """Another document in this window's place."""
        frame = Frame(found.store, found.claim)
        if found.said:
            frame.session.say("warn", found.said)
        frame.setGeometry(self.geometry())
        frame.show()
        KEPT.append(frame)
        self.leave()

    @does("panic")
    def panic(self) -> None:
        """The second Esc within a second is panic; the first puts away what is open."""
        self.key_sheet.hide()
        self.view.escaped()
        self.session.performer.escape(time.monotonic())

    def keyReleaseEvent(self, event: QKeyEvent | None) -> None:
        """A push or a fill ends when its key comes up."""
        if event is None:
            return
        held = event.key() in (*PUSH_KEYS, FILL_KEY) and not event.isAutoRepeat()
        if not held or not self.own.released(push=event.key() in PUSH_KEYS):
            super().keyReleaseEvent(event)

    def keep(self) -> None:
        """Have all unsaved work on the disk when this comes back."""
        self._keeper.keep_now()

    def leave(self) -> None:
        """Close without asking: what there was to ask has been asked."""
        self._leaving = True
        self.close()
        if self in KEPT:
            KEPT.remove(self)

    @does("theme")
    def theme(self) -> None:
        """Day or Night."""
        self.palette_now = NIGHT if self.palette_now is DAY else DAY
        write_settings(msgspec.structs.replace(read_settings(), theme=_theme(self.palette_now)))
        self.set_palette()

    @does("quit")
    def quit(self) -> None:
        """Close the window."""
        self.close()

    _leaving = False

    def closeEvent(self, event: QCloseEvent | None) -> None:
        """Let go of the engine; what plays goes on."""
        if event is None:
            return
        if not self._leaving and not self.documents.may_leave():
            event.ignore()
            return
        self._timer.stop()
        self._ear.follow(None)
        for view in self.views.values():
            view.leaving()
        self._keeper.close()
        forget_shown()
        self.session.link.close()
        event.accept()


KEPT: list[Frame] = []
"""Windows that Python has to keep alive."""


def _theme(palette: Palette) -> Literal["day", "night"]:
    return "night" if palette is NIGHT else "day"
