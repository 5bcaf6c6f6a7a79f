"""What the performer knows of the gear in this rig: notes and tries, the latest first."""

from __future__ import annotations

from collections.abc import Callable
from datetime import date

import msgspec
from PyQt6.QtCore import Qt
from PyQt6.QtWidgets import QLabel, QLineEdit, QListWidget, QListWidgetItem, QVBoxLayout, QWidget

from grebe.app.doing import does
from grebe.app.live.session import Session
from grebe.core.gear.known import KnownHere, about, gear_of
from grebe.core.gear.model import Entry, NoteKind, Outcome, Trial, note_of, trial_of
from grebe.core.rig.model import GREBE_ID, Device
from grebe.errors import GrebeError
from grebe.ui.widgets.ask_file import PROFILES, ask_open, ask_save
from grebe.ui.widgets.controls import Button
from grebe.ui.widgets.fields import ListField
from grebe.ui.widgets.flow import FlowLayout
from grebe.words import tr

FILES = tr("Notes on gear (*.json)")
KIND_WORDS: dict[str, str] = {
    "works": tr("works"), "fails": tr("fails"), "setting": tr("setting"),
    "firmware": tr("firmware"), "quirk": tr("quirk"),
}  # fmt: skip
NOBODY = "-"
TRIED = "tried: "
"""Before the outcome of a try, among the kinds."""
TRIED_WORDS: dict[Outcome, str] = {
    "works": tr("tried: works"), "fails": tr("tried: fails"), "unsure": tr("tried: unsure"),
}  # fmt: skip


class GearPane(QWidget):
    """A list, and a line to write a note in: on the box in hand, and whatever it meets."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self._session = session
        self.device = ""
        """Id of the box in hand; "" for none."""
        self.head = QLabel()
        self.head.setWordWrap(True)
        self.list = QListWidget()
        self.list.setWordWrap(True)
        self.list.setAccessibleName(tr("What you know of this gear"))
        tries = {TRIED + outcome: words for outcome, words in TRIED_WORDS.items()}
        kinds = {**KIND_WORDS, **tries}
        self.kind = ListField(kinds)
        self.kind.setAccessibleName(tr("What kind of note"))
        self.kind.show_choice(list(kinds), "quirk")
        self.other = ListField({NOBODY: tr("it alone"), GREBE_ID: "Grebe"})
        self.other.setAccessibleName(tr("With what"))
        self.text = QLineEdit()
        self.text.setPlaceholderText(tr("What you found out"))
        self.text.setAccessibleName(tr("What you found out"))
        self.text.returnPressed.connect(self.write_down)
        self.firmware = QLineEdit()
        self.firmware.setPlaceholderText(tr("its version"))
        self.firmware.setAccessibleName(tr("Firmware"))
        self.firmware.setMaximumWidth(110)
        self.write = Button(tr("Write it down"), primary=True)
        self.write.clicked.connect(self.write_down)
        row = FlowLayout()
        for part in (self.kind, self.other, self.firmware, self.write):
            row.addWidget(part)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 4, 0, 0)
        column.setSpacing(6)
        column.addWidget(self.head)
        column.addWidget(self.list, 1)
        column.addWidget(self.text)
        column.addLayout(row)
        self.setFocusProxy(self.text)

    def document_changed(self) -> None:
        """Show what is known of this rig: of the box in hand first."""
        rig, shelf = self._session.project.rig, self._session.gear
        device = self._in_hand
        rows = about(rig, shelf.library)
        rows = tuple(sorted(rows, key=lambda row: self.device not in row.boxes))
        kept = self._entry
        self.list.clear()
        for row in rows:
            item = QListWidgetItem(self._line(row))
            item.setData(Qt.ItemDataRole.UserRole, row.entry.id)
            self.list.addItem(item)
            if row.entry.id == kept:
                self.list.setCurrentItem(item)
        if not rows:
            self.list.addItem(
                tr(
                    "Nothing yet. What works, what fails, a setting, a version, a quirk: "
                    "write it down once, and it is found in every rig with this gear."
                )
            )
        of = tr("Of {name}, and of the rest of this rig.", name=device.name) if device else (
            tr("Of this rig. Choose a box to write something down.")
        )  # fmt: skip
        self.head.setText(shelf.problem or of)
        others = [NOBODY, GREBE_ID, *self._others(device)]
        self.other.show_choice(others, str(self.other.currentData() or NOBODY))
        self.write.setEnabled(device is not None and not shelf.problem)

    def _others(self, device: Device | None) -> list[str]:
        """What else a note can be about: the other boxes, and real ports that are in use."""
        devices = self._session.project.rig.devices
        ports = [p.name for d in devices for p in (d.port, d.input) if p.is_plugged and p.name]
        boxes = [gear_of(d) for d in devices if d is not device]
        return list(dict.fromkeys((*boxes, *ports)))

    def _line(self, row: KnownHere) -> str:
        """A note as the list has it: gear by its name in this rig."""
        entry = row.entry
        names = " + ".join(row.names(self._session.project.rig))
        if isinstance(entry, Trial):
            kind, what = TRIED_WORDS[entry.outcome], entry.what
            measured = "" if entry.measured is None else f". {entry.measured.sentence}"
        else:
            kind, what, measured = KIND_WORDS[entry.kind], entry.text, ""
        version = "" if isinstance(entry, Trial) or not entry.firmware else f" {entry.firmware}"
        return f"{entry.day}  {kind}{version}  {names}: {what}{measured}"

    @property
    def _in_hand(self) -> Device | None:
        devices = self._session.project.rig.devices
        return next((d for d in devices if d.id == self.device), None)

    @property
    def _entry(self) -> str:
        """Id of the note chosen in the list."""
        item = self.list.currentItem()
        return "" if item is None else str(item.data(Qt.ItemDataRole.UserRole))

    def write_down(self) -> None:
        """A note, or a try, of what was typed."""
        device, text, day = self._in_hand, self.text.text().strip(), f"{date.today():%Y-%m-%d}"
        if device is None or not text:
            self._session.say("info", tr("Choose a box, and type what you found out."))
            return
        kind, other = str(self.kind.currentData()), str(self.other.currentData())
        gear = [gear_of(device), *([] if other == NOBODY else [other])]
        try:
            entry: Entry
            if kind.startswith(TRIED):
                outcome = msgspec.convert(kind.removeprefix(TRIED), Outcome)
                entry = trial_of((gear[0], gear[-1]), text, outcome, day)
            else:
                noted = msgspec.convert(kind, NoteKind)
                entry = note_of(noted, gear, text, day, self.firmware.text())
            self._session.gear.add(entry)
        except msgspec.ValidationError:
            self._session.say("error", tr("That is too long for a note: 600 letters at most."))
            return
        except GrebeError as error:
            self._session.say("error", str(error))
            return
        self.text.clear()
        self.firmware.clear()
        self._changed()

    def _changed(self) -> None:
        self._session.derived.know(self._session.gear.library)
        self.document_changed()

    @does("note_gear")
    def note_gear(self) -> None:
        """To the line where a note is written."""
        self.text.setFocus()

    @does("forget_note")
    def forget_note(self) -> None:
        """Take out the note chosen."""
        entry = self._entry
        if not entry:
            self._session.say("info", tr("Choose a note in the list first."))
            return
        self._safely(lambda: self._session.gear.remove(entry))
        self._session.say(
            "info", tr("Taken out. Bring back the last note, in the menu, undoes it.")
        )

    @does("note_back")
    def note_back(self) -> None:
        """As the notes were before the last change."""
        self._safely(self._session.gear.take_back)

    def _safely(self, change: Callable[[], object]) -> None:
        try:
            change()
        except GrebeError as error:
            self._session.say("error", str(error))
        self._changed()

    @does("write_gear")
    def write_gear(self) -> None:
        """All notes, tries and profiles into one file."""
        path = ask_save(self, PROFILES, tr("Write what you know of gear"), FILES, "gear.json")
        if path is not None:
            self._said(lambda: self._session.gear.write_all(path), tr("Wrote {what}."))

    @does("read_gear")
    def read_gear(self) -> None:
        """Those of another file beside one's own."""
        path = ask_open(self, PROFILES, tr("Read what somebody knows of gear"), FILES)
        if path is not None:
            self._said(lambda: self._session.gear.read_all(path), tr("Read {what}."))
            self._changed()

    def _said(self, do: Callable[[], str], words: str) -> None:
        try:
            self._session.say("info", words.format(what=do()))
        except GrebeError as error:
            self._session.say("error", str(error))
