"""Pages of the Rig's sheet besides the device's own: adding a box, running a cable, removing."""

from __future__ import annotations

from collections.abc import Sequence

import msgspec
from PyQt6.QtCore import Qt, pyqtSignal
from PyQt6.QtGui import QKeyEvent
from PyQt6.QtWidgets import (
    QCheckBox,
    QComboBox,
    QLabel,
    QLineEdit,
    QListWidget,
    QListWidgetItem,
    QVBoxLayout,
    QWidget,
)

from grebe.app.live.session import Session
from grebe.core.rig.edits import best_cable, cable_between, free_jacks, spec_of
from grebe.core.rig.model import GREBE_ID, Cable, Plays
from grebe.core.rig.spec import Jack, Profile
from grebe.core.rig.wiring import MIDI_MEDIA
from grebe.ui.widgets.controls import Button
from grebe.ui.widgets.sheet import Facts, SheetLine, head, note
from grebe.words import tr

ENTER = (Qt.Key.Key_Return, Qt.Key.Key_Enter)


class Page(QWidget):
    """A page that Esc, which is the window's key, leaves; Ctrl+Enter does what it is for."""

    left = pyqtSignal()
    done: Button

    def __init__(self) -> None:
        super().__init__()
        self.column = QVBoxLayout(self)
        self.column.setContentsMargins(0, 0, 0, 0)
        self.column.setSpacing(8)

    def add(self, *widgets: QWidget) -> None:
        """Put widgets one under another."""
        for widget in widgets:
            self.column.addWidget(widget)

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        """What no control on it has a use for."""
        if event is None:
            return
        held = event.modifiers() & ~Qt.KeyboardModifier.KeypadModifier
        if event.key() in ENTER and held == Qt.KeyboardModifier.ControlModifier:
            self.done.click()
        else:
            super().keyPressEvent(event)


class AddPage(Page):
    """Choose a profile, name the box."""

    wanted = pyqtSignal(object, str)
    """Profile and name."""
    unknown = pyqtSignal()
    """None of them is the box."""

    def __init__(self) -> None:
        super().__init__()
        self._profiles: tuple[Profile, ...] = ()
        self.title = Facts()
        self.title.setFixedHeight(56)
        self.title.show_lines(
            [head(tr("Add a box")), note(tr("Type what it is, choose, name it."))]
        )
        self.search = QLineEdit()
        self.search.setPlaceholderText(tr("drum, looper, pulse…"))
        self.search.setAccessibleName(tr("What it is"))
        self.search.textChanged.connect(self._fill)
        self.search.returnPressed.connect(self._choose)
        self.list = QListWidget()
        self.list.setAccessibleName(tr("Profiles"))
        self.list.setHorizontalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
        self.list.currentRowChanged.connect(self._describe)
        self.about = Facts()
        self.about.setFixedHeight(150)
        self.name = QLineEdit()
        self.name.setPlaceholderText(tr("its name"))
        self.name.setMaxLength(80)
        self.name.setAccessibleName("Name")
        self.name.returnPressed.connect(self._done)
        self.done = Button(tr("Add it"), primary=True)
        self.done.clicked.connect(self._done)
        other = Button(tr("It is not in the list"))
        other.clicked.connect(self.unknown)
        self.add(self.title, self.search, self.list, self.about, self.name, self.done, other)

    def open(self, profiles: tuple[Profile, ...]) -> None:
        """Begin with an empty search."""
        self._profiles = profiles
        self.search.clear()
        self.name.clear()
        self._fill()
        self.search.setFocus()

    def _fill(self) -> None:
        wanted = self.search.text().lower().split()
        self.list.clear()
        called: list[Profile] = []
        about: list[Profile] = []
        for profile in self._profiles:
            words = f"{profile.name} {profile.label} {profile.kind}".lower()
            if all(part in words for part in wanted):
                called.append(profile)
            elif all(part in f"{words} {profile.about.lower()}" for part in wanted):
                about.append(profile)
        for profile in (*called, *about):  # what is called so before what mentions it
            item = QListWidgetItem(f"{profile.label or tr(profile.kind)} ({profile.name})")
            item.setData(Qt.ItemDataRole.UserRole, profile)
            self.list.addItem(item)
        self.list.setCurrentRow(0)
        self._describe()

    @property
    def profile(self) -> Profile | None:
        """The one chosen."""
        item = self.list.currentItem()
        found = item.data(Qt.ItemDataRole.UserRole) if item is not None else None
        return found if isinstance(found, Profile) else None

    def _describe(self) -> None:
        profile = self.profile
        lines: list[SheetLine] = [note(tr("Nothing like that."))]
        if profile is not None:
            jacks = ", ".join(j.name for j in profile.spec.jacks)
            lines = [
                note(profile.about, "ink"),
                note(tr("Jacks: {value}.", value=jacks or tr("not known"))),
            ]
        self.about.show_lines(lines)

    def _choose(self) -> None:
        self.name.setFocus()

    def _done(self) -> None:
        profile = self.profile
        if profile is not None:
            self.wanted.emit(profile, self.name.text().strip() or profile.name)


class CablePage(Page):
    """Run a cable: ends and jacks are proposed from the profiles."""

    wanted = pyqtSignal(object)
    """The cable."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self._session = session
        self._jacks: tuple[list[Jack], list[Jack]] = ([], [])
        title = Facts()
        title.setFixedHeight(76)
        title.show_lines(
            [
                head(tr("Run a cable")),
                note(tr("Jacks that fit are proposed; others can be plugged too.")),
            ]
        )
        self.source, self.out = QComboBox(), QComboBox()
        self.target, self.into = QComboBox(), QComboBox()
        for box, name in (
            (self.source, tr("From")), (self.out, tr("Its output")),
            (self.target, tr("To")), (self.into, tr("Its input")),
        ):  # fmt: skip
            box.setAccessibleName(name)
        self.plays = QCheckBox(tr("Its notes play the box there"))
        self.done = Button(tr("Plug it in"), primary=True)
        self.done.clicked.connect(self._done)
        self.add(title)
        for words, box in (
            (tr("From"), self.source),
            (tr("Output"), self.out),
            (tr("To"), self.target),
            (tr("Input"), self.into),
        ):
            self.add(QLabel(words), box)
        self.add(self.plays, self.done)
        self.column.addStretch(1)
        self.source.currentIndexChanged.connect(self._propose)
        self.target.currentIndexChanged.connect(self._propose)

    def open(self, source: str, target: str = "") -> None:
        """Begin at a device; for one without any cable between Grebe and it, the way it obeys.

        With a `target` the cable that fits between the two.
        """
        rig = self._session.project.rig
        bare = (
            not target
            and source != GREBE_ID
            and all(source not in (c.source, c.target) for c in rig.cables)
        )
        obeys = spec_of(rig, source).obeys
        wanted = source if bare else ""
        if bare and (obeys.clock or obeys.notes or obeys.program):
            source = GREBE_ID
        rows = [(GREBE_ID, "Grebe"), *((d.id, d.name) for d in rig.devices)]
        for box in (self.source, self.target):
            box.blockSignals(True)
            box.clear()
            for device_id, name in rows:
                box.addItem(name, device_id)
            box.blockSignals(False)
        self.source.setCurrentIndex(max(0, self.source.findData(source)))
        plugged = {c.target for c in rig.cables if c.source == source} | {source, GREBE_ID}
        others = [i for i, (d, _) in enumerate(rows) if d != source]
        free = next((i for i in others if rows[i][0] not in plugged), others[0] if others else 0)
        if target:
            free = self.target.findData(target)
        if wanted:
            free = self.target.findData(wanted if source == GREBE_ID else GREBE_ID)
        self.target.setCurrentIndex(free)
        self._propose()
        self.target.setFocus()

    def _propose(self) -> None:
        rig = self._session.project.rig
        source, target = str(self.source.currentData()), str(self.target.currentData())
        best = best_cable(rig, source, target)
        self._jacks = (free_jacks(rig, source, out=True), free_jacks(rig, target, out=False))
        ends = (
            (self.out, self._jacks[0], best.source_jack),
            (self.into, self._jacks[1], best.target_jack),
        )
        for box, jacks, chosen in ends:
            box.clear()
            box.addItems([f"{j.name} ({j.kind})" for j in jacks] or ["any"])
            at = next((i for i, j in enumerate(jacks) if j.id == chosen), 0)
            box.setCurrentIndex(at)
        self.plays.setChecked(False)
        self.plays.setVisible(GREBE_ID not in (source, target))

    @property
    def cable(self) -> Cable:
        """The cable as chosen."""
        rig = self._session.project.rig
        source, target = str(self.source.currentData()), str(self.target.currentData())
        out = _at(self._jacks[0], self.out.currentIndex())
        into = _at(self._jacks[1], self.into.currentIndex())
        made = cable_between(rig, source, target, out, into)
        plays = self.plays.isChecked() and made.medium in MIDI_MEDIA
        return msgspec.structs.replace(made, plays=Plays()) if plays else made

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        """Enter plugs it in."""
        if event is not None and event.key() in ENTER:
            self._done()
        else:
            super().keyPressEvent(event)

    def _done(self) -> None:
        self.wanted.emit(self.cable)


def _at(jacks: Sequence[Jack], index: int) -> Jack | None:
    return jacks[index] if 0 <= index < len(jacks) else None


class RemovePage(Page):
    """What uses a box, before it goes."""

    wanted = pyqtSignal()

    def __init__(self) -> None:
        super().__init__()
        self.facts = Facts()
        self.facts.setFixedHeight(260)
        self.done = Button(tr("Remove it"), primary=True)
        self.done.clicked.connect(self.wanted)
        self.keep = Button(tr("Keep it"))
        self.keep.clicked.connect(self.left)
        self.add(self.facts, self.done, self.keep)
        self.column.addStretch(1)

    def open(self, name: str, uses: tuple[str, ...]) -> None:
        """Say what would lose something."""
        rows = [note(f"{use}.", "look") for use in uses] or [note(tr("Nothing uses it."))]
        lines = [head(tr("Remove {name}?", name=name)), note(tr("What uses it:")), *rows]
        self.facts.show_lines(
            [*lines, note(tr("Patterns stay in the project. Ctrl+Z brings it back."))]
        )
        self.keep.setFocus()
