"""A page: MIDI files brought in, each track with its box, bars and key as proposed."""

from __future__ import annotations

import time
from collections.abc import Callable, Sequence
from typing import Any

from PyQt6.QtCore import Qt, QTimer
from PyQt6.QtGui import QHideEvent
from PyQt6.QtWidgets import (
    QAbstractItemView,
    QComboBox,
    QHBoxLayout,
    QHeaderView,
    QLabel,
    QTableWidget,
    QTableWidgetItem,
    QWidget,
)

from grebe.app.document.arrivals import BroughtTrack
from grebe.app.editors.bringing import Bringing
from grebe.app.live.preview import Preview
from grebe.app.live.session import Session
from grebe.core.arriving import MOST_BARS
from grebe.core.forms import Field
from grebe.core.patterns.capture import GRIDS
from grebe.core.patterns.keys import NAMES
from grebe.errors import EditError
from grebe.ui.main_window.overlay import PageOverlay
from grebe.ui.widgets.ask_file import LOOPS, ask_folder, ask_several
from grebe.ui.widgets.controls import Button
from grebe.ui.widgets.fields import NumberField
from grebe.words import tr

COLUMNS = (
    tr("Take"), tr("Track"), tr("In it"), tr("Box"), tr("From bar"), tr("Bars"), tr("Grid"),
    tr("Strictly"), tr("Key"), "",
)  # fmt: skip
MOST_FIRST_BAR = 9999
BOX, FIRST, BARS, GRID, STRICTLY, KEY, HEAR = range(3, 10)
"""Columns."""
BARS_FIELD = Field(owner="", key="bars", words=tr("Bars"), control="number", low=1, high=MOST_BARS)
FIRST_FIELD = Field(
    owner="", key="first_bar", words=tr("From bar"), control="number", low=1, high=MOST_FIRST_BAR
)
STRICTLY_FIELD = Field(
    owner="", key="strictly", words=tr("Strictly"), control="number", low=0, high=100, unit="%"
)
NO_KEY = "none"
KEYS = (NO_KEY, *(f"{name} {scale}" for scale in ("minor", "major") for name in NAMES))
FILES = tr("MIDI files (*.mid *.midi)")
NAME_WIDTH = 300

READING_MS = 50
PREVIEW_MS = 5
"""Between two looks at what is due."""
MOST_LOST = 4
"""Of what cannot be taken over, in the page's words."""


class BringingPage(PageOverlay):
    """A table of what came; it becomes patterns, or one song."""

    def __init__(self, parent: QWidget, session: Session) -> None:
        super().__init__(parent, tr("MIDI files"))
        self.below.setText(
            tr(
                "Box, bars and key are proposed from the notes. Change what is wrong, "
                "leave out what you do not want."
            )
        )
        self.bringing = Bringing(session)
        self.preview = Preview(session)
        self._playing = QTimer(self)
        self._playing.setInterval(PREVIEW_MS)
        self._playing.timeout.connect(self._follow)
        self._reading = QTimer(self)
        self._reading.setInterval(READING_MS)
        self._reading.timeout.connect(self._read_on)
        self.table = QTableWidget(0, len(COLUMNS))
        self.table.setHorizontalHeaderLabels(COLUMNS)
        self.table.setAccessibleName(tr("What came"))
        self.table.setTabKeyNavigation(False)
        self.table.setSelectionBehavior(QAbstractItemView.SelectionBehavior.SelectRows)
        self.table.itemChanged.connect(self._changed)
        head, rows = self.table.horizontalHeader(), self.table.verticalHeader()
        if head is not None and rows is not None:
            head.setSectionResizeMode(QHeaderView.ResizeMode.ResizeToContents)
            head.setSectionResizeMode(1, QHeaderView.ResizeMode.Stretch)
            rows.hide()
        self.said = QLabel("")
        self.said.setWordWrap(True)
        self.patterns = Button(tr("Take them as patterns"), primary=True)
        self.patterns.clicked.connect(lambda: self._take(self.bringing.as_patterns))
        self.song = Button(tr("Take them as a song"))
        self.song.clicked.connect(lambda: self._take(self.bringing.as_song))
        row = QHBoxLayout()
        for words, does in (("Choose files", self.ask), ("Choose a folder", self.ask_folder)):
            button = Button(words)
            button.clicked.connect(does)
            row.addWidget(button)
        row.addStretch(1)
        row.addWidget(self.song)
        row.addWidget(self.patterns)
        self.column.addWidget(self.table, 1)
        self.column.addWidget(self.said)
        self.column.addLayout(row)
        self._show()

    def ask(self) -> None:
        """Choose files."""
        chosen = ask_several(self, LOOPS, tr("Bring in MIDI files"), FILES)
        if chosen:
            self.open_files(chosen)

    def ask_folder(self) -> None:
        """Choose a folder of them."""
        chosen = ask_folder(self, LOOPS, tr("Bring in every MIDI file of"))
        if chosen is not None:
            self.open_files([str(chosen)])

    def open_files(self, paths: Sequence[str]) -> None:
        """Show what is in files, and in those of folders."""
        self.bringing.read(paths)
        self._show()
        self.table.setFocus()
        if self.bringing.progress:
            self._reading.start()

    def _read_on(self) -> None:
        before = len(self.bringing.rows)
        self.bringing.follow()
        if not self.bringing.progress:
            self._reading.stop()
        if len(self.bringing.rows) != before or not self.bringing.progress:
            self._show()
        else:
            self._say()

    def escaped(self) -> bool:
        """Esc leaves what is not read yet; what was read stays to be taken."""
        stopped = self.bringing.stop()
        if stopped:
            self._read_on()
        return stopped

    def _show(self) -> None:
        rows = self.bringing.rows
        self.table.blockSignals(True)
        self.table.setRowCount(len(rows))
        for at, row in enumerate(rows):
            self._fill(at, row)
        self.table.blockSignals(False)
        reading = bool(self.bringing.progress)
        self.song.setVisible(self.bringing.one_file and not reading)
        self.patterns.setEnabled(bool(rows) and not reading)
        self._say()

    def _fill(self, at: int, row: BroughtTrack) -> None:
        tick = QTableWidgetItem()
        tick.setFlags(Qt.ItemFlag.ItemIsUserCheckable | Qt.ItemFlag.ItemIsEnabled)
        tick.setCheckState(Qt.CheckState.Checked if row.wanted else Qt.CheckState.Unchecked)
        self.table.setItem(at, 0, tick)
        for column, words in ((1, row.track.name), (2, row.in_it)):
            item = QTableWidgetItem(words)
            item.setFlags(Qt.ItemFlag.ItemIsEnabled | Qt.ItemFlag.ItemIsSelectable)
            self.table.setItem(at, column, item)
        boxes = [("", tr("a new box: {kind}", kind=row.kind))]
        boxes += [(d.id, d.name) for d in self.bringing.session.project.rig.lines]
        self._list(
            at, BOX, tr("Box of {track}", track=row.track.name), boxes, row.box, _setter(row, "box")
        )
        for column, field, words in (
            (FIRST, FIRST_FIELD, tr("First bar of {track}", track=row.track.name)),
            (BARS, BARS_FIELD, tr("Bars of {track}", track=row.track.name)),
            (STRICTLY, STRICTLY_FIELD, tr("How strictly {track} is put on its grid, per cent",
                                          track=row.track.name)),
        ):  # fmt: skip
            self._number(at, column, field, words, row)
        grids = [("", tr("as played")), *((grid, grid) for grid in GRIDS)]
        self._list(
            at, GRID, tr("Grid of {track}", track=row.track.name), grids, row.grid,
            _setter(row, "grid"),
        )  # fmt: skip
        hear = Button(tr("Hear"))
        hear.palette_now = self.palette_now
        hear.setAccessibleName(tr("Hear {track}", track=row.track.name))
        hear.clicked.connect(lambda _=False, r=row: self.hear(r))
        self.table.setCellWidget(at, HEAR, hear)
        keys = [("" if key == NO_KEY else key, key) for key in KEYS]
        self._list(
            at, KEY, tr("Key of {track}", track=row.track.name), keys, row.key, _setter(row, "key")
        )

    def _number(self, at: int, column: int, field: Field, words: str, row: BroughtTrack) -> None:
        control = NumberField(field)
        control.set_text(str(getattr(row, field.key)))
        control.setAccessibleName(words)

        def entered(text: str) -> None:
            low, high = field.low or 0, field.high or 0
            if text.isdecimal() and low <= int(text) <= high:
                setattr(row, field.key, int(text))
                control.set_text(text)
                self._say()
            else:
                control.give_back()

        control.entered.connect(entered)
        self.table.setCellWidget(at, column, control)

    def hear(self, row: BroughtTrack) -> None:
        """Play what would be made of a row, or stop where it plays."""
        if self.preview.plays:
            self.preview.stop()
            return
        try:
            self.preview.start(row, time.monotonic())
        except EditError as error:
            self.said.setText(f"{str(error)[:1].upper()}{str(error)[1:]}.")
        else:
            self._playing.start()

    def _follow(self) -> None:
        self.preview.follow(time.monotonic())
        if not self.preview.plays:
            self._playing.stop()

    def hideEvent(self, event: QHideEvent | None) -> None:
        """Nothing sounds of what is no longer seen, and nothing more is read."""
        self.preview.stop()
        self.bringing.stop()
        super().hideEvent(event)

    def _list(
        self, at: int, column: int, words: str, rows: Sequence[tuple[str, str]], chosen: str,
        does: Callable[[str], None],
    ) -> None:  # fmt: skip
        choice = QComboBox()
        choice.setAccessibleName(words)
        for value, name in rows:
            choice.addItem(name, value)
        choice.setCurrentIndex(max(0, choice.findData(chosen)))
        choice.activated.connect(lambda _, c=choice: does(str(c.currentData() or "")))
        self.table.setCellWidget(at, column, choice)

    def _changed(self, item: QTableWidgetItem) -> None:
        if item.column() == 0:
            row = self.bringing.rows[item.row()]
            row.wanted = item.checkState() == Qt.CheckState.Checked
            self._say()

    def _say(self) -> None:
        rows, refused = self.bringing.rows, self.bringing.refused
        wanted = sum(row.wanted for row in rows)
        words = tr("{wanted} of {count} are taken.", wanted=wanted, count=len(rows))
        if self.bringing.one_file or len(rows) == 1:
            words = f"{rows[0].arrival.about}. {words}"
        if not rows:
            words = tr("Choose files, or drop them here.")
        if refused:
            more = (
                tr(" ({value} more were refused)", value=len(refused) - 1)
                if len(refused) > 1
                else ""
            )
            words = f"{words} {refused[0]}{more}"
        lost = self.bringing.lost
        if lost:
            words = f"{words} " + tr("Not taken over: {lost}.", lost="; ".join(lost[:MOST_LOST]))
        besides = self.bringing.lost_as_patterns
        if besides:
            told = "; ".join(besides[:MOST_LOST])
            words = f"{words} " + tr("As patterns not: {lost}.", lost=told)
        self.said.setText(self.bringing.progress or words)

    def _take(self, take: Callable[[], None]) -> None:
        try:
            take()
        except EditError as error:
            self.said.setText(f"{error}.")
        else:
            self.hide()


def _setter(row: BroughtTrack, field: str) -> Callable[[str], None]:
    def to(value: Any) -> None:
        setattr(row, field, value)

    return to
