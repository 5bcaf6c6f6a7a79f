"""Pages of the Rig's sheet for what no profile says: a blank box, a chart, what was improved."""

from __future__ import annotations

from collections.abc import Callable

from PyQt6.QtCore import Qt, pyqtSignal
from PyQt6.QtWidgets import (
    QApplication,
    QComboBox,
    QLabel,
    QListWidget,
    QListWidgetItem,
    QPlainTextEdit,
)

from grebe.app.editors.blank_box import BlankBox
from grebe.core.rig.blank import GROUPS, QUESTIONS
from grebe.core.rig.chart import Marked, read_controllers, read_voices
from grebe.core.rig.improved import Difference, differences
from grebe.core.rig.model import Device
from grebe.core.rig.spec import Profile
from grebe.ui.stations.rig.pages import Page
from grebe.ui.widgets.controls import Button
from grebe.ui.widgets.form import Form
from grebe.ui.widgets.sheet import Facts, head, note
from grebe.words import tr

CHART_TALL = 84
MIDDLE_C = {
    tr("middle C as its chart shows"): None,
    tr("middle C is C3"): 3,
    tr("middle C is C4"): 4,
    tr("middle C is C5"): 5,
}
SHOWN_ROWS = 200


class _Pasted(QPlainTextEdit):
    """A field for a chart; Tab leaves it, for a chart is pasted rather than typed."""

    def __init__(self, words: str, changed: Callable[[], None]) -> None:
        super().__init__()
        self.setTabChangesFocus(True)
        self.setAccessibleName(words)
        self.setPlaceholderText(words)
        self.textChanged.connect(changed)


class BlankPage(Page):
    """Asks what one can see on a box; each question says why, each can be skipped."""

    wanted = pyqtSignal(object)
    """The profile."""

    def __init__(self, box: BlankBox) -> None:
        super().__init__()
        self._box = box
        self._known: frozenset[str] = frozenset()
        title = Facts()
        title.setFixedHeight(76)
        title.show_lines(
            [
                head(tr("A box that is not in the list")),
                note(
                    tr(
                        "What you can see on it. Skip what you do not know: it is guessed, and "
                        "marked."
                    )
                ),
            ]
        )
        self.form = Form(box, GROUPS, QUESTIONS, box)
        self.voices = _Pasted(tr("Its chart of voices: name and note"), self._charted)
        self.controllers = _Pasted(tr("Its chart of controllers: name and number"), self._charted)
        for field in (self.voices, self.controllers):
            field.setFixedHeight(CHART_TALL)
            self.form.put_below(field)
        self.said = QLabel("")
        self.said.setWordWrap(True)
        self.form.put_below(self.said)
        self.done = Button(tr("Add it"), primary=True)
        self.done.clicked.connect(self._done)
        self.add(title)
        self.column.addWidget(self.form, 1)
        self.add(self.done)

    def open(self, known: frozenset[str]) -> None:
        """Begin with nothing answered; `known` are ids of profiles there are."""
        self._known = known
        self._box.begin()
        for field in (self.voices, self.controllers):
            field.clear()
        self.answered()
        self.form.open("name")

    def answered(self) -> None:
        """Show what is understood, and what is still guessed."""
        self.form.show_all()
        self.said.setText("\n".join(self._box.understood()))

    def _charted(self) -> None:
        self._box.voices = self.voices.toPlainText()
        self._box.controllers = self.controllers.toPlainText()
        self.said.setText("\n".join(self._box.understood()))

    def _done(self) -> None:
        self.wanted.emit(self._box.blank(self._known).profile)


class ChartPage(Page):
    """A chart pasted from a table, CSV or PDF text, and what is understood of it."""

    wanted = pyqtSignal(str, tuple)
    """The part ("controllers" or "voices") and its rows."""

    def __init__(self) -> None:
        super().__init__()
        title = Facts()
        title.setFixedHeight(96)
        title.show_lines(
            [
                head(tr("Paste a chart")),
                note(
                    tr(
                        "From its manual: a table, CSV, or text. Names of notes, hex, CC#52 and "
                        "ranges are understood."
                    )
                ),
            ]
        )
        self.kind = QComboBox()
        self.kind.setAccessibleName(tr("What the chart is of"))
        self.kind.addItem(tr("of controllers"), "controllers")
        self.kind.addItem(tr("of voices and their notes"), "voices")
        self.middle = QComboBox()
        self.middle.setAccessibleName(tr("Where middle C is"))
        self.middle.addItems(MIDDLE_C)
        self.text = _Pasted(tr("The chart"), self._read)
        self.rows = QListWidget()
        self.rows.setWordWrap(True)
        self.rows.setAccessibleName(tr("What is understood"))
        self.said = QLabel("")
        self.said.setWordWrap(True)
        self.done = Button(tr("Take these rows"), primary=True)
        self.done.clicked.connect(self._done)
        self.kind.currentIndexChanged.connect(self._read)
        self.middle.currentIndexChanged.connect(self._read)
        self._found: tuple[object, ...] = ()
        self.add(title, self.kind, self.middle, self.text, self.rows, self.said, self.done)

    def open(self) -> None:
        """Begin with what is on the clipboard, if that is a chart."""
        clipboard = QApplication.clipboard()
        pasted = clipboard.text() if clipboard is not None else ""
        self.text.setPlainText(pasted if "\n" in pasted.strip() else "")
        self._read()
        self.text.setFocus()

    @property
    def part(self) -> str:
        """The part that the chart is of."""
        return str(self.kind.currentData())

    def _read(self) -> None:
        text = self.text.toPlainText()
        self.middle.setVisible(self.part == "voices")
        marked: tuple[Marked, ...]
        if self.part == "voices":
            voices = read_voices(text, MIDDLE_C[self.middle.currentText()])
            self._found, marked = voices.rows, voices.marked
            lines = [f"{v.note}   {v.name}" for v in voices.rows]
        else:
            chart = read_controllers(text)
            self._found, marked = chart.rows, chart.marked
            lines = [
                tr(
                    "{c_number}   {c}   {low} to {high}",
                    c_number=c.number,
                    c=c.name,
                    low=c.low,
                    high=c.high,
                )
                for c in chart.rows
            ]
        self.rows.clear()
        self.rows.addItems(lines[:SHOWN_ROWS])
        for mark in marked[:SHOWN_ROWS]:
            item = QListWidgetItem(
                tr(
                    "⚠ line {line}, {text_}: {why}",
                    line=mark.line,
                    text_=mark.text[:40],
                    why=mark.why,
                )
            )
            item.setToolTip(mark.text)
            self.rows.addItem(item)
        words = tr("{count} understood", count=len(lines))
        self.said.setText(
            tr("{words}, {count} marked.", words=words, count=len(marked))
            if marked
            else f"{words}."
        )
        self.done.setEnabled(bool(lines))

    def _done(self) -> None:
        self.wanted.emit(self.part, self._found)


class ComparePage(Page):
    """A box beside its profile: what differs, and which of it to take."""

    wanted = pyqtSignal(tuple)
    """Paths of what is to be as the profile has it."""

    def __init__(self) -> None:
        super().__init__()
        self.title = Facts()
        self.title.setFixedHeight(110)
        self.list = QListWidget()
        self.list.setWordWrap(True)
        self.list.setAccessibleName(tr("What differs"))
        self.done = Button(tr("Take what is ticked"), primary=True)
        self.done.clicked.connect(self._done)
        self.keep = Button(tr("Leave it as it is"))
        self.keep.clicked.connect(self.left)
        self.add(self.title, self.list, self.done, self.keep)

    def open(self, device: Device, profile: Profile, *, improved: bool) -> None:
        """Show what differs; what was improved is ticked."""
        found: tuple[Difference, ...] = differences(device, profile)
        words = tr("The profile is another since the box was made from it.") if improved else (
            tr("The profile is as it was when the box was made from it.")
            if device.made_from else tr("Nobody noted how the profile was when the box was made.")
        )  # fmt: skip
        if not found:
            words = tr("They say the same.")
        self.title.show_lines([head(tr("{device} beside its profile", device=device.name)),
                               note(f"{profile.label or tr(profile.kind)} ({profile.name})."),
                               note(words)])  # fmt: skip
        self.list.clear()
        for row in found:
            item = QListWidgetItem(
                tr(
                    "{row_words}: {value}, there {theirs}",
                    row_words=row.words,
                    value=row.ours or tr("nothing"),
                    theirs=row.theirs,
                )
            )
            item.setFlags(item.flags() | Qt.ItemFlag.ItemIsUserCheckable)
            ticked = Qt.CheckState.Checked if improved else Qt.CheckState.Unchecked
            item.setCheckState(ticked)
            item.setData(Qt.ItemDataRole.UserRole, row.path)
            self.list.addItem(item)
        self.done.setEnabled(bool(found))
        (self.list if found else self.keep).setFocus()

    def _done(self) -> None:
        items = [self.list.item(n) for n in range(self.list.count())]
        self.wanted.emit(tuple(
            str(i.data(Qt.ItemDataRole.UserRole)) for i in items
            if i is not None and i.checkState() == Qt.CheckState.Checked
        ))  # fmt: skip
