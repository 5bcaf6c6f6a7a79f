"""The window's frame: rail, stations, notices, waterline, and the keys that work everywhere."""

from __future__ import annotations

import time
from collections import Counter
from collections.abc import Callable
from pathlib import Path
from typing import Literal

import msgspec
from PyQt6.QtCore import QSocketNotifier, Qt, QTimer
from PyQt6.QtGui import QCloseEvent, QKeyEvent, QKeySequence, QPainter, QPaintEvent, QShortcut
from PyQt6.QtWidgets import (
    QFileDialog,
    QHBoxLayout,
    QStackedWidget,
    QVBoxLayout,
    QWidget,
)
from PyQt6.sip import voidptr

from grebe.app.actions import actions_in
from grebe.app.document.demo import is_copy
from grebe.app.document.export import export_smf
from grebe.app.document.recovery import Claim, Keeper, open_recovered
from grebe.app.document.store import Store
from grebe.app.doing import acts_of, does
from grebe.app.live.rehearsal import Rehearsal
from grebe.app.live.session import Session
from grebe.app.live.stage_model import StageModel
from grebe.app.returning import forget_shown, note_shown
from grebe.app.settings import read_settings, remember_project, write_settings
from grebe.core.document import Project
from grebe.core.player.controls import PUSH_PERCENT, WINDOW
from grebe.errors import GrebeError
from grebe.ui.main_window.documents import FILES, Documents
from grebe.ui.main_window.keys import KeySheet
from grebe.ui.main_window.notice import NoticeStrip
from grebe.ui.main_window.rail import Rail
from grebe.ui.main_window.reporting import Reporting
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
        self._acts = acts_of(self)
        self._lay_out()
        self.key_sheet = KeySheet(self.stack)
        self._wire()
        self.resize(1280, 800)
        self.setMinimumSize(960, 600)
        self._timer = QTimer(self)
        self._timer.setObjectName("frame")
        self._timer.setTimerType(Qt.TimerType.PreciseTimer)
        self._timer.timeout.connect(self.pulse)
        self._timer.start(RESTING_MS)
        stage = self.views[7]
        assert isinstance(stage, StageView)
        stage.asked.connect(self.do_action)
        self._notifier: QSocketNotifier | None = None
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
        self.key_sheet.report.clicked.connect(self._handler("report"))
        self.notices.attach.clicked.connect(self._handler("attach"))
        self.notices.end.clicked.connect(self._handler("stop_engine"))
        self.waterline.run_clicked.connect(self.session.performer.run_stop)
        self.waterline.tap_clicked.connect(self.tap)
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
        patterns = {p.id for p in self.session.project.patterns}
        station = {"scene": 4, "song": 5, "set": 6}
        counts = Counter(
            station.get(f.code.partition(".")[0], 3 if f.subject in patterns else 1)
            for f in serious
        )
        for number in (1, 3, 4, 5, 6):
            self.rail.set_badge(number, counts[number])

    def pulse(self) -> None:
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
        self._listen_to_engine()
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
        said = self._keeper.pulse(now_s)
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

    def _listen_to_engine(self) -> None:
        """Hear at once when the engine hangs up."""
        descriptor = self.session.link.fileno()
        current = int(self._notifier.socket()) if self._notifier is not None else None
        if descriptor == current:
            return
        if self._notifier is not None:
            self._notifier.setEnabled(False)
            self._notifier.deleteLater()
            self._notifier = None
        if descriptor is not None:
            self._notifier = QSocketNotifier(voidptr(descriptor), QSocketNotifier.Type.Read, self)
            self._notifier.activated.connect(self._engine_spoke)

    def _engine_spoke(self) -> None:
        self.session.pump(time.monotonic())
        self._listen_to_engine()

    # Actions that work everywhere

    @does("run_stop")
    def run_stop(self) -> None:
        """Run from the top, or stop."""
        self.session.performer.run_stop()

    @does("run_counted")
    def run_counted(self) -> None:
        """Run after a count-in."""
        self.session.performer.run_counted()

    @does("session")
    def toggle_session(self) -> None:
        """Join the session of computers, or leave it."""
        self.session.network.toggle()

    @does("accept_peer")
    def accept_peer(self) -> None:
        """Accept the computer that asks for something."""
        self.session.network.accept_next()

    @does("osc")
    def osc(self) -> None:
        """Listen to remote surfaces, or no longer."""
        self.session.network.toggle_osc()

    @does("tempo_to")
    def tempo_to(self) -> None:
        """To the fields in Sync that take a tempo."""
        self.station_2()
        view = self.views[2]
        assert isinstance(view, SyncView)
        view.type_tempo()

    @does("run_here")
    def run_here(self) -> None:
        """Run from the selected section."""
        self.session.performer.run_here()

    @does("panic")
    def panic(self) -> None:
        """The second Esc within a second is panic; the first puts away what is open."""
        self.key_sheet.hide()
        self.view.escaped()
        self.session.performer.escape(time.monotonic())

    @does("tap")
    def tap(self) -> None:
        """One tap of the tempo."""
        self.session.tempo.tap(time.monotonic())

    @does("tempo_up")
    def tempo_up(self) -> None:
        """Tempo up."""
        self.session.tempo.change(1.0)

    @does("tempo_down")
    def tempo_down(self) -> None:
        """Tempo down."""
        self.session.tempo.change(-1.0)

    @does("tempo_up_fine")
    def tempo_up_fine(self) -> None:
        """Tempo up a little."""
        self.session.tempo.change(0.1)

    @does("tempo_down_fine")
    def tempo_down_fine(self) -> None:
        """Tempo down a little."""
        self.session.tempo.change(-0.1)

    @does("push_ahead")
    def push_ahead(self) -> None:
        """Push ahead while the key is down."""
        self._push(PUSH_PERCENT)

    @does("hold_back")
    def hold_back(self) -> None:
        """Hold back while the key is down."""
        self._push(-PUSH_PERCENT)

    def _push(self, percent: float) -> None:
        if percent != self.session.tempo.pushed:
            self.session.tempo.push(percent)

    def keyReleaseEvent(self, event: QKeyEvent | None) -> None:
        """A push or a fill ends when its key comes up."""
        if event is None:
            return
        if self.session.tempo.pushed and event.key() in PUSH_KEYS and not event.isAutoRepeat():
            self.session.tempo.push(0.0)
        elif self.session.hands.filling and event.key() == FILL_KEY and not event.isAutoRepeat():
            self.session.hands.fill(on=False)
        else:
            super().keyReleaseEvent(event)

    @does("metronome")
    def metronome(self) -> None:
        """Click every beat, or no longer."""
        self.session.hands.metronome()

    @does("launch_unit")
    def launch_unit(self) -> None:
        """Where launches come in."""
        self.session.performer.next_launch_unit()

    @does("fill")
    def fill(self) -> None:
        """A fill while the key is down."""
        if not self.session.hands.filling:
            self.session.hands.fill(on=True)

    @does("station_1")
    def station_1(self) -> None:
        """Rig."""
        self.show_station(1)

    @does("station_2")
    def station_2(self) -> None:
        """Sync."""
        self.show_station(2)

    @does("station_3")
    def station_3(self) -> None:
        """Patterns."""
        self.show_station(3)

    @does("station_4")
    def station_4(self) -> None:
        """Scenes."""
        self.show_station(4)

    @does("station_5")
    def station_5(self) -> None:
        """Song."""
        self.show_station(5)

    @does("station_6")
    def station_6(self) -> None:
        """Set."""
        self.show_station(6)

    @does("station_7")
    def station_7(self) -> None:
        """Stage."""
        self.show_station(7)

    @does("station_9")
    def station_9(self) -> None:
        """Tools."""
        self.show_station(9)

    @does("undo")
    def undo(self) -> None:
        """Take the last edit back."""
        name = self.session.store.undo()
        self.session.say("info", f"Undone: {name}." if name else "Nothing to undo.")

    @does("redo")
    def redo(self) -> None:
        """Bring back what was undone."""
        name = self.session.store.redo()
        self.session.say("info", f"Redone: {name}." if name else "Nothing to redo.")

    @does("save")
    def save(self) -> None:
        """Save, asking for a name only when there is none."""
        if self.documents.save():
            self._document_saved()

    @does("save_as")
    def save_as(self) -> None:
        """Save under another name."""
        if self.documents.save_as():
            self._document_saved()

    def _document_saved(self) -> None:
        self._document_changed(self.session.project, self.session.project)
        self._noted = None

    @does("report")
    def report(self) -> None:
        """Show what a report of a problem would hold, and write it."""
        self.key_sheet.hide()
        self.reporting = Reporting(self.session.store.path, self.palette_now, self)
        self.reporting.open()

    @does("open")
    def open(self) -> None:
        """Open another project in a window of its own place."""
        if not self.documents.may_leave():
            return
        chosen, _ = QFileDialog.getOpenFileName(self, "Open a project", "", FILES)
        if chosen:
            self.open_file(Path(chosen))

    def open_file(self, path: Path, *, untitled: bool = False) -> None:
        """Show another project in this window. ProjectError leaves the one shown."""
        found = open_recovered(path, untitled=untitled)
        self.session.link.close()
        frame = Frame(found.store, found.claim)
        if not untitled:
            remember_project(path)
        if found.said:
            frame.session.say("warn", found.said)
        frame.setGeometry(self.geometry())
        frame.show()
        KEPT.append(frame)
        self.leave()

    def keep(self) -> None:
        """Have all unsaved work on the disk when this comes back."""
        self._keeper.keep_now()

    def leave(self) -> None:
        """Close without asking: what there was to ask has been asked."""
        self._leaving = True
        self.close()
        if self in KEPT:
            KEPT.remove(self)

    @does("export")
    def export(self) -> None:
        """Export the song as a MIDI file into a folder."""
        song = self.session.song
        if song is None:
            return
        folder = QFileDialog.getExistingDirectory(self, f"Export {song.name} as a MIDI file into")
        if folder:
            path = export_smf(self.session.project, song, Path(folder))
            self.session.say("info", f"Wrote {path.name}.")

    @does("next_song")
    def next_song(self) -> None:
        """Take the next song in hand."""
        ids = [s.id for s in self.session.project.songs]
        if len(ids) > 1:
            here = ids.index(self.session.selection.song_id)
            if self.session.choose_song(ids[(here + 1) % len(ids)]):
                self.view.document_changed()

    @does("theme")
    def theme(self) -> None:
        """Day or Night."""
        self.palette_now = NIGHT if self.palette_now is DAY else DAY
        write_settings(msgspec.structs.replace(read_settings(), theme=_theme(self.palette_now)))
        self.set_palette()

    @does("keys")
    def keys(self) -> None:
        """Show the keys; turn their page; after the last put them away."""
        if self.key_sheet.isVisible():
            if not self.key_sheet.turn():
                self.key_sheet.hide()
        else:
            self.key_sheet.open_for(self.view.scope, self.view.palette_now)

    @does("attach")
    def attach(self) -> None:
        """Open the project that the running engine plays."""
        path = self.session.link.attach()
        if path is None:
            self.session.say("info", "There is no other project to attach to.")
        elif self.documents.may_leave():
            self.open_file(path, untitled=is_copy(path))

    @does("stop_engine")
    def stop_engine(self) -> None:
        """End the engine that runs; another is started for this project."""
        self.session.end_engine()

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
        if self._notifier is not None:
            self._notifier.setEnabled(False)
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
