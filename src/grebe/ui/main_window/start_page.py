"""The way in: go on with a project, look at the demo, or begin one: which boxes, how they hang
together, tempo and key; all of it on one page, all of it can be skipped."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from contextlib import suppress
from datetime import datetime
from pathlib import Path
from typing import get_args

import msgspec
from PyQt6.QtCore import Qt, QTimer, pyqtSignal
from PyQt6.QtGui import QIcon, QKeyEvent, QResizeEvent
from PyQt6.QtWidgets import (
    QGridLayout,
    QHBoxLayout,
    QLabel,
    QLineEdit,
    QListWidget,
    QListWidgetItem,
    QScrollArea,
    QVBoxLayout,
    QWidget,
)

from grebe.app.document.demo import EXAMPLES
from grebe.app.live.session import Session
from grebe.core.beginning import begin
from grebe.core.document import Project
from grebe.core.findings import find
from grebe.core.forms import Field, field, reckoned
from grebe.core.patterns.keys import SCALES
from grebe.core.rig.blank import profile_of
from grebe.core.rig.spec import Kind, Profile
from grebe.core.songs.model import Song
from grebe.errors import EditError, GrebeError
from grebe.formats.project import read_project
from grebe.process.places import shown
from grebe.ui.main_window.overlay import PageOverlay
from grebe.ui.stations.rig.canvas import RigCanvas
from grebe.ui.stations.rig.thumbnail import SIZE, thumbnail
from grebe.ui.widgets.controls import Button
from grebe.ui.widgets.fields import ListField, NumberField
from grebe.words import tr

BPM = field("song", "bpm", tr("Tempo"), Song, unit="BPM", step=1)
COUNT = Field(owner="", key="", words="", control="number", low=0, high=8)
COLUMNS = 3
KINDS = get_args(Kind)
"""What makes sound first."""
NO_KEY = tr("not said")
OTHER = tr("A box that is not here, asked about in Rig")
TONICS = ("C", "C#", "D", "Eb", "E", "F", "F#", "G", "Ab", "A", "Bb", "B")
USUAL_SCALES = ("minor", "major")
RIG_TALL, RIG_LOW = 190, 96
EXAMPLES_TALL = 116


class StartPage(PageOverlay):
    """Left: what there is. Right: something new."""

    wanted = pyqtSignal(object)
    """A project that was begun."""
    opened = pyqtSignal(object)
    """The path of a project to go on with."""
    asked = pyqtSignal(str)
    """An action, by id: open another file, say."""
    walk_wanted = pyqtSignal()
    """Be walked through; the page stays, for the first step is on it."""
    demo = pyqtSignal(object)
    """An example to look at."""

    def __init__(self, parent: QWidget, session: Session, profiles: Sequence[Profile]) -> None:
        super().__init__(parent, "grebe")
        self.below.setText(tr("One beat for every box, from the first pattern to the last song."))
        unknown = msgspec.structs.replace(profile_of({}).profile, label=OTHER)
        known = sorted(profiles, key=lambda p: (KINDS.index(p.kind), p.label or p.name))
        self._profiles = {p.id: p for p in (*known, unknown)}
        self.counts: dict[str, NumberField] = {}
        self._undrawn: list[Path] = []
        self.recent = QListWidget()
        self.recent.setAccessibleName(tr("Go on with"))
        self.recent.setIconSize(SIZE)
        self.recent.itemActivated.connect(self._go_on)
        self.recent.itemClicked.connect(self._go_on)
        self.examples = QListWidget()
        self.examples.setAccessibleName(tr("Look at an example"))
        for each in EXAMPLES:
            item = QListWidgetItem(f"{each.title}: {each.words}")
            item.setData(Qt.ItemDataRole.UserRole, each)
            self.examples.addItem(item)
        self.examples.setFixedHeight(EXAMPLES_TALL)
        self.examples.itemActivated.connect(self._example)
        self.examples.itemClicked.connect(self._example)
        self.rig = RigCanvas(session)
        self.rig.setFocusPolicy(Qt.FocusPolicy.NoFocus)
        self.bpm = NumberField(BPM)
        self.key = ListField()
        self.name = QLineEdit(tr("Untitled"))
        self.name.setMaxLength(80)
        self.said = QLabel("")
        self.said.setWordWrap(True)
        self.begin = Button(tr("Begin"), primary=True)
        self.begin.clicked.connect(self._begin)
        sides = QHBoxLayout()
        sides.setSpacing(32)
        sides.addLayout(self._left(), 1)
        sides.addLayout(self._right(), 2)
        self.column.addLayout(sides, 1)

    def _left(self) -> QVBoxLayout:
        column = QVBoxLayout()
        column.setSpacing(6)
        column.addWidget(_head(tr("Go on with")))
        column.addWidget(self.recent, 1)
        row = QHBoxLayout()
        row.setSpacing(8)
        for words, action in (
            (tr("Open another"), "open"),
            (tr("Bring in MIDI files"), "bring_midi"),
        ):
            button = Button(words)
            button.clicked.connect(lambda _, a=action: self.asked.emit(a))
            row.addWidget(button)
        row.addStretch(1)
        column.addLayout(row)
        column.addWidget(_head(tr("Look at an example")))
        column.addWidget(self.examples)
        walk = Button(tr("Be walked through a first set"))
        walk.clicked.connect(self.walk_wanted)
        column.addWidget(walk, 0, Qt.AlignmentFlag.AlignLeft)
        return column

    def _right(self) -> QVBoxLayout:
        column = QVBoxLayout()
        column.setSpacing(6)
        column.addWidget(_head(tr("New: which boxes?")))
        column.addWidget(
            QLabel(
                tr("What they are, not who made them. All of it can be changed later, or skipped.")
            )
        )
        grid = QGridLayout()
        grid.setHorizontalSpacing(16)
        grid.setVerticalSpacing(2)
        rows = -(-len(self._profiles) // COLUMNS)
        for at, profile in enumerate(self._profiles.values()):
            count = NumberField(COUNT)
            count.set_text("0")
            count.setFixedSize(62, 28)
            count.setAccessibleName(tr("How many: {value}", value=profile.label or profile.name))
            count.entered.connect(self._setter(count))
            self.counts[profile.id] = count
            place, across = at % rows, at // rows * 2
            grid.addWidget(QLabel(profile.label or profile.name), place, across)
            grid.addWidget(count, place, across + 1)
        column.addLayout(grid)
        column.addWidget(_head(tr("How they hang together")))
        area = QScrollArea()
        area.setWidget(self.rig)
        area.setMinimumHeight(RIG_LOW)
        area.setMaximumHeight(RIG_TALL)
        area.setFocusPolicy(Qt.FocusPolicy.NoFocus)
        self._area = area
        column.addWidget(area, 1)
        column.addLayout(self._last_row())
        column.addWidget(self.said)
        return column

    def _last_row(self) -> QHBoxLayout:
        row = QHBoxLayout()
        row.setSpacing(8)
        self.bpm.set_text("120")
        self.bpm.entered.connect(self._set_bpm)
        self.key.addItem(NO_KEY, NO_KEY)
        scales = [*USUAL_SCALES, *(s for s in SCALES if s not in USUAL_SCALES)]
        self.key.addItems([f"{tonic} {scale}" for scale in scales for tonic in TONICS])
        for words, widget, wide in ((tr("Tempo"), self.bpm, 110), (tr("Key"), self.key, 150),
                                    (tr("Called"), self.name, 200)):  # fmt: skip
            widget.setAccessibleName(words)
            widget.setMinimumWidth(wide)
            row.addWidget(QLabel(words))
            row.addWidget(widget)
        row.addStretch(1)
        row.addWidget(self.begin)
        return row

    def open(self, recent: Sequence[Path]) -> None:
        """Show the last projects, and a page to begin another."""
        self.recent.clear()
        for path in recent:
            there = path.exists()
            when = f"{datetime.fromtimestamp(path.stat().st_mtime):%d %B, %H:%M}" if there else (
                tr("not there: on a drive that is not plugged in?")
            )  # fmt: skip
            item = QListWidgetItem(f"{shown(path.stem)}\n{when}")
            item.setData(Qt.ItemDataRole.UserRole, path)
            self.recent.addItem(item)
        if not recent:
            self.recent.addItem(tr("Nothing yet."))
        self.recent.setCurrentRow(0)
        self._undrawn = [path for path in recent if path.exists()]
        QTimer.singleShot(0, self._draw_next)
        self._propose()
        (self.recent if recent else next(iter(self.counts.values()))).setFocus()

    def resizeEvent(self, event: QResizeEvent | None) -> None:
        """The room for the drawing has changed."""
        super().resizeEvent(event)
        QTimer.singleShot(0, self._propose)

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        """Enter begins, from any of the fields."""
        if event is not None and event.key() in (Qt.Key.Key_Return, Qt.Key.Key_Enter):
            self._begin()
        else:
            super().keyPressEvent(event)

    def _setter(self, count: NumberField) -> Callable[[str], None]:
        def to(text: str) -> None:
            if text.isdecimal() and int(text) <= int(COUNT.high or 0):
                count.set_text(text)
            else:
                count.give_back()
            self._propose()

        return to

    def _set_bpm(self, text: str) -> None:
        try:
            begin("x", (), bpm=float(reckoned(BPM, text, self.bpm.shown)))
        except (EditError, ValueError) as error:
            self.bpm.give_back()
            self.said.setText(
                tr("{error}. It stays at {shown} BPM.", error=error, shown=self.bpm.shown)
            )
        else:
            self.bpm.set_text(text)

    def project(self) -> Project:
        """What it would be."""
        boxes = [
            (self._profiles[name], "")
            for name, count in self.counts.items()
            for _ in range(int(count.shown))
        ]
        key = self.key.currentText()
        return begin(
            self.name.text().strip() or tr("Untitled"), boxes, bpm=float(self.bpm.shown),
            key="" if key == NO_KEY else key,
        )  # fmt: skip

    def _propose(self) -> None:
        project = self.project()
        self.rig.set_palette(self.palette_now)
        tall = max(RIG_LOW, self._area.height()) - 8.0
        self.rig.show_rig(project.rig, max(300.0, self._area.width() - 8.0), tall)
        found = find(project).open
        blocking = [f.message for f in found if f.severity == "block"]
        if not project.rig.devices:
            words = tr("No box yet: an empty project is begun, boxes can be added in Rig.")
        else:
            words = blocking[0] if blocking else tr("Nothing would stop this rig.")
        self.said.setText(words)

    def _begin(self) -> None:
        self.wanted.emit(self.project())

    def _draw_next(self) -> None:
        """One of the last projects with its rig drawn small; the next when there is time."""
        if not self._undrawn or self.isHidden():
            return
        path = self._undrawn.pop(0)
        with suppress(GrebeError):  # it is told when it is opened
            icon = QIcon(thumbnail(read_project(path).project.rig, self.palette_now))
            for item in (self.recent.item(n) for n in range(self.recent.count())):
                if item is not None and item.data(Qt.ItemDataRole.UserRole) == path:
                    item.setIcon(icon)
        QTimer.singleShot(0, self._draw_next)

    def _example(self, item: QListWidgetItem) -> None:
        self.demo.emit(item.data(Qt.ItemDataRole.UserRole))

    def _go_on(self, item: QListWidgetItem) -> None:
        path = item.data(Qt.ItemDataRole.UserRole)
        if isinstance(path, Path):
            self.opened.emit(path)


def _head(words: str) -> QLabel:
    label = QLabel(words)
    label.setObjectName("group")
    return label
