"""The window's frame: rail, stations, notices, waterline, and the keys that work everywhere."""

from __future__ import annotations

import time
from collections import Counter
from collections.abc import Callable
from functools import partial

from PyQt6.QtCore import QEvent, QObject, QPoint, Qt, QTimer
from PyQt6.QtGui import (
    QCloseEvent,
    QKeyEvent,
    QPainter,
    QPaintEvent,
    QResizeEvent,
)
from PyQt6.QtWidgets import (
    QAbstractSpinBox,
    QApplication,
    QHBoxLayout,
    QLineEdit,
    QPlainTextEdit,
    QStackedWidget,
    QVBoxLayout,
    QWidget,
)

from grebe.app.actions.model import STATION_NUMBERS
from grebe.app.document.recovery import Claim, Keeper, OpenedDocument
from grebe.app.document.store import Store
from grebe.app.doing import Act, acts_of, does
from grebe.app.editors.pattern_editor import PatternEditor
from grebe.app.live.phones import Phones
from grebe.app.live.rehearsal import Rehearsal
from grebe.app.live.session import Session
from grebe.app.live.stage_model import StageModel
from grebe.app.live.window_actions import WindowActions
from grebe.app.returning import ShownNote
from grebe.app.settings import Settings
from grebe.app.walk import Walk
from grebe.core.document import Project
from grebe.core.player.controls import WINDOW
from grebe.errors import GrebeError
from grebe.ui.main_window.action_book import ActionBook
from grebe.ui.main_window.bringing_actions import BringingActions
from grebe.ui.main_window.documents import Documents
from grebe.ui.main_window.drops import Drops
from grebe.ui.main_window.engine_ear import EngineEar
from grebe.ui.main_window.file_actions import FileActions
from grebe.ui.main_window.head_buttons import HeadButtons
from grebe.ui.main_window.looks import STAGE, Looks
from grebe.ui.main_window.menus import MenuBar
from grebe.ui.main_window.notice import NoticeStack
from grebe.ui.main_window.overlays import Overlays
from grebe.ui.main_window.phone_actions import PhoneActions
from grebe.ui.main_window.place import First, at_rig, bring_back, keep_place
from grebe.ui.main_window.rail import Rail
from grebe.ui.main_window.room_actions import RoomActions
from grebe.ui.main_window.stage_beside import StageBeside
from grebe.ui.main_window.stations import Stations
from grebe.ui.main_window.view_actions import ViewActions, number_name
from grebe.ui.main_window.walk_bar import WalkBar
from grebe.ui.main_window.waterline import Waterline
from grebe.ui.widgets import draw
from grebe.ui.widgets.canvas import Canvas
from grebe.ui.widgets.clipboard import DesktopBoard
from grebe.ui.widgets.keyboard import key_names, plain
from grebe.ui.widgets.view import View
from grebe.words import tr

TOP_RIGHT = Qt.AlignmentFlag.AlignTop | Qt.AlignmentFlag.AlignRight
KEY_PRESS = QEvent.Type.KeyPress
TYPED_INTO = (QLineEdit, QAbstractSpinBox, QPlainTextEdit)
"""They have uses of their own for keys with Ctrl."""
FRAME_MS = 16
"""One picture each display frame while playing."""
RESTING_MS = 50
BESIDE_AFTER_S = 0.4
"""Where that is done in a thread: not between the keys of a quick hand, whom it would slow."""
BADGES_AFTER_S = 0.1
"""After the last edit of several in a row: looking through a large set takes that long itself."""
STATION_OF = {
    "device": STATION_NUMBERS["rig"], "pattern": STATION_NUMBERS["patterns"],
    "scene": STATION_NUMBERS["scenes"], "song": STATION_NUMBERS["song"],
    "set": STATION_NUMBERS["set"],
}  # fmt: skip
"""Where each kind of thing is edited."""
SET_STATIONS = (STATION_NUMBERS["set"], STAGE)
"""Where Space runs the set rather than the song in hand."""
HANDS_OFF_S = 0.5
"""So long after a key nothing is made ahead: a station takes a tenth of a second or two."""
BUTTONS_EVERY_S = 0.2
"""What is in hand changes under the hand: its buttons follow within so long."""
LOOK_EVERY_S = 1.0
"""How often the file on the disk is looked at."""


class Frame(QWidget):
    """The window: holds stations, pages and actions together, hands keys to them, and has all of it
    follow the document and the engine."""

    def __init__(self, store: Store, claim: Claim | None = None, first: First = at_rig) -> None:
        """`claim` is the window's place at the document, where it was opened with one; `first` puts
        in hand what is to be there, and says which station is shown first."""
        super().__init__()
        self.session = Session(store)
        self.session.board = DesktopBoard()
        self.session.derived.opening = True  # what there is to find is looked for once it is seen
        self._keeper = Keeper(store, claim)
        self.documents = Documents(self, self.session, self._keeper)
        self._look_s = self._buttons_s = 0.0
        self._shown_note = ShownNote()
        self.stage_book = StageModel(self.session)
        self.rehearsal = Rehearsal(self.session, self.stage_book)
        self.phones = Phones(self.session, self.stage_book)
        self._badges_stale = True
        self._edited_s = 0.0
        self.rail = Rail(self.session)
        self.waterline = Waterline(self.session)
        self.walk = WalkBar(Walk(self.session))
        self.stack = QStackedWidget()
        self.patterns = PatternEditor(self.session)
        self.views = Stations(
            self.session, self.patterns, self.rehearsal, self.stage_book, arrives=self._arrived
        )
        self.makes_ahead = False
        """Whether stations that nobody has wanted yet are made while there is time."""
        self._key_s = 0.0
        """When a key was pressed last."""
        self.returning = Settings()
        """What the window before showed, for stations that are yet to be made."""
        self.book = ActionBook(self, lambda: self._acts, self._escaped)
        self.notices = NoticeStack(self.stack)
        names = partial(number_name, self.session)
        self.over = Overlays(
            self.stack, self.session, self.book, palette=lambda: self.looks.palette_shown,
            view=lambda: self.view, names=names, phones=self.phones,
        )  # fmt: skip
        self.menu_bar = MenuBar(self.book, names)
        self.head_buttons: dict[int, HeadButtons] = {}
        """Of each station that was made."""
        self.looks = Looks(self)
        self.own = WindowActions(self.session)
        self.ours = ViewActions(self)
        self.bringing = BringingActions(self.over)
        self.phone_actions = PhoneActions(self.over, self.session, self.phones)
        self.room = RoomActions(self, self.session, lambda: self.rail.current in SET_STATIONS)
        self.files = FileActions(
            self, self.session, self.documents, saved=self._document_saved,
            replace=self._replaced, palette=lambda: self.looks.palette,
        )  # fmt: skip
        self.drops = Drops(
            self, self.session, self.views, project=self.files.go_on, midi=self.bringing.bring_in
        )  # fmt: skip
        self.beside = StageBeside(self, self.session, self.views, self.looks, self.take_key)
        stations = {f"station_{n}": partial(self.show_station, n) for n in self.views}
        self._acts: dict[str, Act] = {
            **acts_of(
                self,
                self.own,
                self.files,
                self.ours,
                self.bringing,
                self.phone_actions,
                self.room,
                self.looks,
                self.beside,
            ),
            **stations,
        }
        self._lay_out()
        self._wire()
        self.resize(1280, 800)
        self.setMinimumSize(960, 600)
        self._timer = QTimer(self)
        self._timer.setObjectName("frame")
        self._timer.setTimerType(Qt.TimerType.PreciseTimer)
        self._timer.timeout.connect(self.on_timer)
        self._timer.start(RESTING_MS)
        self._ear = EngineEar(self, lambda: self.session.pump(time.monotonic()))
        self.show_station(first(self))
        self._document_changed(store.project, store.project)

    def _lay_out(self) -> None:
        outer = QVBoxLayout(self)
        outer.setContentsMargins(0, 0, 0, 0)
        outer.setSpacing(0)
        outer.addWidget(self.menu_bar)
        upper = QHBoxLayout()
        upper.setSpacing(0)
        upper.addWidget(self.rail)
        upper.addWidget(self.stack, 1)
        outer.addLayout(upper, 1)
        outer.addWidget(self.walk)
        outer.addWidget(self.waterline)

    def _arrived(self, view: View) -> None:
        """A station was made."""
        self.stack.addWidget(view)
        buttons = self.head_buttons[view.number] = HeadButtons(view, self.book)
        view.head.addWidget(buttons, 0, 0, TOP_RIGHT)
        view.leads_to.connect(self.go_to)
        view.wanted.connect(self.book.do)
        view.files_came.connect(self.bringing.bring_in)
        bring_back(view, self.returning)

    def _wire(self) -> None:
        self.rail.chosen.connect(self.show_station)
        self.walk.gone_to.connect(self.show_station)
        self.over.walk_wanted.connect(partial(self.walk.show_walk, on=True))
        self.notices.wanted.connect(self.book.do)
        for signal, follow in (
            (self.over.begun, self.files.begin), (self.over.gone_on_with, self.files.go_on),
            (self.over.demo_wanted, self.files.open_demo),
        ):  # fmt: skip
            signal.connect(partial(self._safely, follow))
        self.looks.shown.connect(self.beside.set_palette)
        self.waterline.run_clicked.connect(partial(self.book.do, "run_stop"))
        self.waterline.tap_clicked.connect(partial(self.book.do, "tap"))
        self.session.store.listen(self._document_changed)
        application = QApplication.instance()
        if isinstance(application, QApplication):
            application.focusChanged.connect(self._focus_moved)

    # Showing

    @property
    def view(self) -> View:
        """The station shown."""
        return self.views[self.rail.current]

    def show_station(self, number: int) -> None:
        """Show a station."""
        self.rail.show_current(number)
        self.session.memory.take_fresh()  # what was played elsewhere is remembered, not written
        self.over.close_all()
        view = self.views[number]
        self.session.stage.shown = number == STAGE
        self.session.selection.perform_set(on=number in SET_STATIONS)
        self.stack.setCurrentWidget(view)
        self.menu_bar.show_station()
        self.looks.show()
        view.follow_box()
        view.document_changed()
        view.show_findings()
        self.head_buttons[number].follow(self.book.met())
        view.canvas.setFocus()

    def paintEvent(self, event: QPaintEvent | None) -> None:
        """Draw the ground behind the views."""
        del event
        draw.fill(
            QPainter(self), 0, 0, self.width(), self.height(), self.looks.palette_shown.ground
        )

    def resizeEvent(self, event: QResizeEvent | None) -> None:
        """What lies over the stations goes with them."""
        super().resizeEvent(event)
        self.notices.place()

    def _document_changed(self, old: Project, new: Project) -> None:
        del old
        self._edited_s = time.monotonic()
        self._badges_stale = True
        self.view.document_changed()
        name = self.session.store.name or tr("{new}, without a name yet", new=new.name)
        star = " *" if self.session.store.dirty else ""
        self.setWindowTitle(tr("{name}{star} - Grebe", name=name, star=star))

    def _show_badges(self) -> None:
        """How much there is to look at: not with every edit, but soon after."""
        self._badges_stale = False
        self.session.derived.look()
        serious = [f for f in self.session.derived.known().open if f.severity != "note"]
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
        self._badges_stale = self.session.derived.came() or self._badges_stale
        after_s = BESIDE_AFTER_S if self.session.derived.beside else BADGES_AFTER_S
        if self._badges_stale and now_s - self._edited_s > after_s:
            self._show_badges()
        self._take_presses()
        self.rehearsal.follow()
        self.session.diary.take_moves(self.stage_book, rehearsing=self.rehearsal.on)
        self.phone_actions.follow(now_s)
        self._ear.follow(self.session.link.fileno())
        self._show_notices(now_s)
        self.waterline.follow()
        if now_s - self._buttons_s > BUTTONS_EVERY_S:
            self._buttons_s = now_s
            self.head_buttons[self.view.number].follow(self.book.met())
            self.walk.follow()
        self.view.moved()
        self.beside.follow()
        if self.makes_ahead and now_s - self._key_s > HANDS_OFF_S:
            self.makes_ahead = self.views.make_ahead()
        wanted = FRAME_MS if self.session.running else RESTING_MS
        if self._timer.interval() != wanted:
            self._timer.setInterval(wanted)

    def _show_notices(self, now_s: float) -> None:
        notices = self.session.notices
        self.notices.follow(notices.said, now_s)
        other = self.session.link.state == "other"
        self.notices.stay(next(iter(reversed(notices.said)), None) if other else None)

    def _mind_document(self, now_s: float) -> None:
        """Keep unsaved work safe; see what others do to the file."""
        said = self._keeper.on_timer(now_s)
        selection, store = self.session.selection, self.session.store
        self._shown_note.keep(
            store.home, self.rail.current, untitled=store.path is None,
            song=selection.song_id, section=selection.section,
        )  # fmt: skip
        if now_s - self._look_s > LOOK_EVERY_S:
            self._look_s = now_s
            said = said or self.session.store.look_at_disk()
        if said:
            self.session.say("warn", said)

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
                self.book.press(press.action)

    # Actions that work everywhere

    def acts(self) -> dict[str, Act]:
        """What does each action that works in every station."""
        return self._acts

    def _document_saved(self) -> None:
        self._document_changed(self.session.project, self.session.project)

    def _safely(self, does: Callable[..., None], *what: object) -> None:
        try:
            does(*what)
        except GrebeError as error:
            self.session.say("error", str(error))

    def _replaced(self, found: OpenedDocument) -> None:
        """Another document in this window's place."""
        frame = Frame(found.store, found.claim)
        frame.session.derived.beside = self.session.derived.beside
        frame.makes_ahead = True
        if found.said:
            frame.session.say("warn", found.said)
        frame.setGeometry(self.geometry())
        frame.show()
        KEPT.append(frame)
        self.leave()

    # Keys

    def take_key(self, event: QKeyEvent) -> bool:
        """A key over the drawing, or with the focus nowhere."""
        self._key_s = time.monotonic()
        return self.book.key(event, on_canvas=True)

    def open_thing_menu(self, at: QPoint, *, in_hand: bool, kind: str = "") -> None:
        """The menu of what is in hand, or of the station."""
        self.over.open_menu(at, in_hand=in_hand, kind=kind)

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        """What the control with the focus has no use for."""
        if event is None:
            return
        began, self._key_at = self._key_at, None  # what had it may have given the focus away since
        free = began is None or began is self or isinstance(began, (Canvas, View))
        if event.key() == Qt.Key.Key_Escape and not free:
            self._put_away()  # the focus was somewhere: giving it back is all that this Esc does
            self.view.canvas.setFocus()
        elif not self.book.key(event, on_canvas=free):
            super().keyPressEvent(event)

    def _focus_moved(self, old: QWidget | None, new: QWidget | None) -> None:
        """Hear the keys of the control that has the focus, and of nothing else."""
        drawn = (Canvas, View, Frame)
        for widget, take in ((old, QWidget.removeEventFilter), (new, QWidget.installEventFilter)):
            ours = widget is not None and widget.window() is self
            if widget is not None and ours and not isinstance(widget, drawn):
                take(widget, self)

    def eventFilter(self, watched: QObject | None, event: QEvent | None) -> bool:
        """A key before the control that has the focus: where no text is typed, one with Ctrl or Alt
        is the window's. In a field the finder's is, that would cut the line's end off."""
        if event is None or event.type() != KEY_PRESS or watched is not self.focusWidget():
            return False
        assert isinstance(event, QKeyEvent)
        assert isinstance(watched, QWidget)
        self._key_at, self._key_s = watched, time.monotonic()
        if isinstance(watched, TYPED_INTO):
            if set(key_names(event)) & set(self.book.keys.keys_of("find_action")):
                self.book.do("find_action")
                return True
            return False
        return not plain(event) and self.book.key(event, on_canvas=False)

    _key_at: QWidget | None = None

    def _put_away(self) -> bool:
        """Put away what is open; whether there was anything."""
        shown = self.over.open_now
        if shown is not None and shown.escaped():
            return True
        return self.over.close_all() or self.view.escaped()

    @does("panic")
    def panic(self) -> None:
        """At once: it was chosen by name, or pressed twice."""
        self.session.performer.panic()

    def _escaped(self) -> None:
        """Put away what is open; with nothing open, the second time within a second is panic."""
        if not self._put_away():
            self.session.performer.escape(time.monotonic())

    def keyReleaseEvent(self, event: QKeyEvent | None) -> None:
        """What is held ends when its key comes up."""
        if event is None:
            return
        held = self.book.release(event)
        if not held or not self.own.released(push=held != "fill"):
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
        application = QApplication.instance()
        if isinstance(application, QApplication):
            application.focusChanged.disconnect(self._focus_moved)
        self._ear.follow(None)
        self.beside.close()
        for view in self.views.made.values():
            view.leaving()
        keep_place(self)
        self._keeper.close()
        self.session.derived.end()
        self._shown_note.take_away()
        self.session.link.close()
        self.phones.stop()
        self.session.diary.finish()
        self.session.log.close()
        event.accept()


KEPT: list[Frame] = []
"""Windows that Python has to keep alive."""
