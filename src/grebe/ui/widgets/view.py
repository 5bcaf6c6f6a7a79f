"""What all stations share: heading, canvas, sheet, and their keys."""

from __future__ import annotations

from collections.abc import Collection, Sequence
from typing import NamedTuple

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtGui import QPainter, QPaintEvent
from PyQt6.QtWidgets import QGridLayout, QHBoxLayout, QStackedWidget, QVBoxLayout, QWidget

from grebe.app.actions.model import STATION_NUMBERS, Station
from grebe.app.doing import Act, acts_of, does
from grebe.app.live.session import Session
from grebe.core.findings.model import SubjectKind
from grebe.ui.widgets import draw
from grebe.ui.widgets.canvas import Canvas
from grebe.ui.widgets.controls import SHEET_WIDTH, Heading, Tabs
from grebe.ui.widgets.findings import FindingsList
from grebe.ui.widgets.form import Form
from grebe.ui.widgets.theme import DAY, Palette, style_sheet
from grebe.words import tr

FINDINGS_HEIGHT = 104
"""Room for one of them under the heading; the rest is scrolled to."""


class Sheet(QWidget):
    """The panel at the right."""

    def __init__(self, parent: QWidget | None = None) -> None:
        super().__init__(parent)
        self.palette_now: Palette = DAY
        self.setFixedWidth(SHEET_WIDTH)
        self.column = QVBoxLayout(self)
        self.column.setContentsMargins(16, 10, 16, 12)
        self.column.setSpacing(8)

    def paintEvent(self, event: QPaintEvent | None) -> None:
        """Draw the surface."""
        del event
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        box = self.rect().toRectF().adjusted(1, 1, -1, -1)
        draw.panel(painter, box, self.palette_now.panel, self.palette_now.rule, width=1.5)


def dress(widget: QWidget, palette: Palette) -> None:
    """Give all that stands in a widget, and draws itself, the colours of a theme."""
    for child in widget.findChildren(QWidget):
        if isinstance(child, Canvas):
            child.set_palette(palette)
        elif hasattr(child, "palette_now"):
            child.palette_now = palette
            child.update()


class Thing(NamedTuple):
    """What is in hand: what it is called, and the kinds of thing it is, the nearest first."""

    words: str
    kinds: tuple[str, ...]


NO_BOX = Thing(tr("The rig"), ("rig",))
"""In hand where a box is wanted, and the rig has none yet."""


class View(QWidget):
    """A station. What can be done in it stands in the registry; `acts` says what does each."""

    scope: Station = "everywhere"
    about: tuple[SubjectKind, ...] = ()
    """Findings about these are listed below what the station shows."""
    leads_to = pyqtSignal(str, str)
    """Something is to be shown that another station has: its kind and id."""
    wanted = pyqtSignal(str)
    """A button was pressed: the action it stands for. The window does it, or says why not."""

    files_came = pyqtSignal(list)
    """Paths of MIDI files and folders: the window shows where each would go."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.palette_now: Palette = DAY
        self.heading = Heading()
        self.canvas: Canvas
        self.sheet_shown: QWidget | None = None
        """What stands at the right; it can be folded away."""
        self.to_look_at: FindingsList | None = None
        self._acts: dict[int, dict[str, Act]] = {}
        self.tabs: Tabs | None = None
        """The parts of the station by name, where it has several."""

    def lay_out(
        self,
        canvas: Canvas,
        sheet: QWidget | None = None,
        *,
        above: QWidget | None = None,
        body: QWidget | None = None,
    ) -> None:
        """Put heading, what stands above the canvas, canvas and sheet in place.

        `body` holds the canvas where there is more than that.
        """
        self.canvas = canvas
        canvas.asked.connect(self.wanted)
        canvas.taken.connect(self.document_changed)
        outer = QHBoxLayout(self)
        outer.setContentsMargins(24, 12, 16, 14)
        outer.setSpacing(16)
        left = QVBoxLayout()
        left.setSpacing(4)
        self.head = QGridLayout()
        self.head.addWidget(self.heading, 0, 0)
        left.addLayout(self.head)
        if above is not None:
            left.addWidget(above)
        left.addWidget(body or canvas, 1)
        if self.about:
            self.to_look_at = FindingsList(self.session, self.about)
            self.to_look_at.setFixedHeight(FINDINGS_HEIGHT)
            self.to_look_at.chosen.connect(self.show_subject)
            left.addWidget(self.to_look_at)
        outer.addLayout(left, 1)
        self.sheet_shown = sheet
        if sheet is not None:
            outer.addWidget(sheet)
        self.setFocusProxy(canvas)

    @property
    def part(self) -> int:
        """Which of its parts is shown; -1 in a station of one piece."""
        return -1

    @property
    def number(self) -> int:
        """Its place in the rail."""
        return STATION_NUMBERS[self.scope]

    @property
    def subject(self) -> str:
        """The id of what is in hand in this station alone; "" where all of them share it."""
        return ""

    def to_part(self, index: int) -> None:
        """Show another of its parts."""

    def follow_box(self) -> None:
        """The station comes up: the box in hand is the one that another has chosen."""

    def in_hand(self) -> Thing:
        """What is in hand."""
        return Thing("", ())

    def tab_row(self, panes: Sequence[tuple[str, str]]) -> QHBoxLayout:
        """The parts of the station by name, each with the action that shows it."""
        row = QHBoxLayout()
        row.setContentsMargins(0, 0, 0, 4)
        row.setSpacing(8)
        self.tabs = Tabs([words for words, _ in panes])
        self.tabs.asked.connect(lambda index: self.wanted.emit(panes[index][1]))
        row.addWidget(self.tabs)
        row.addStretch(1)
        return row

    def show_tab(self, index: int) -> None:
        """Mark the part that is shown."""
        if self.tabs is not None:
            self.tabs.show_part(index)

    def acts(self, part: int) -> dict[str, Act]:
        """What does each action in a part; a view with an editor adds its own."""
        del part
        return acts_of(self)

    def around(self, action_id: str, act: Act) -> Act:
        """An action with what always follows it here, such as showing what has changed."""
        del action_id
        return act

    def parts_there_are(self) -> range:
        """The numbers of its parts; only -1 in a station of one piece."""
        return range(-1, 0)

    def learnt(self, names: Collection[str]) -> str:
        """The action that one of a key's names was learnt for; "" for none."""
        del names
        return ""

    def answers(self, action_id: str, part: int) -> bool:
        """Whether a part, seen or not, has an answer to an action."""
        return action_id in self._of_part(part)

    def can(self, action_id: str) -> bool:
        """Whether it has an answer to an action in the part that is shown."""
        return action_id in self._of_part(self.part)

    def _of_part(self, part: int) -> dict[str, Act]:
        if part not in self._acts:
            self._acts[part] = self.acts(part)
        return self._acts[part]

    def handler(self, action_id: str) -> Act:
        """What to call for an action, with what always follows it here."""
        return self.around(action_id, self._of_part(self.part)[action_id])

    def set_palette(self, palette: Palette) -> None:
        """Take the colours of a theme."""
        self.palette_now = palette
        self.setStyleSheet(style_sheet(palette))
        dress(self, palette)

    def document_changed(self) -> None:
        """The document is another: show it."""

    def show_subject(self, kind: str, subject: str) -> None:
        """Show what a finding is about; what is not this station's is left to its own."""
        self.leads_to.emit(kind, subject)

    @property
    def listed(self) -> FindingsList | None:
        """The findings that the station lists; None where it lists none."""
        return self.to_look_at

    def show_findings(self) -> None:
        """List what there is to look at here, if there is anything."""
        if self.to_look_at is not None:
            shown = self.to_look_at
            shown.setVisible(bool(shown.findings) or shown.shows_intended)
        if self.listed is not None:
            self.listed.refresh()

    def moved(self) -> None:
        """Time has passed: show where it is. Called many times a second while shown."""

    def escaped(self) -> bool:
        """Esc was pressed: put away what is open. Whether there was something."""
        return False

    def leaving(self) -> None:
        """The window is about to close: end what still runs."""


class PanedView(View):
    """A station in parts, one of them shown."""

    panes: QStackedWidget

    @property
    def part(self) -> int:
        """The part that is shown."""
        return self.panes.currentIndex()

    def parts_there_are(self) -> range:
        """One for each pane."""
        return range(self.panes.count())

    def focus_pane(self) -> None:
        """The keys go to the part that is shown."""
        pane = self.panes.currentWidget()
        if pane is not None:
            pane.setFocus()


class SidedView(PanedView):
    """A station in parts with a form at its side."""

    side: Sheet
    form: Form

    def to_part(self, index: int) -> None:
        """Show a part."""
        self.panes.setCurrentIndex(index)
        self.document_changed()
        self.focus_pane()

    @does("settings")
    def settings(self) -> None:
        """To the form."""
        self.side.setVisible(True)
        self.form.open()

    @does("rename")
    def rename(self) -> None:
        """To its name."""
        self.side.setVisible(True)
        self.form.open("name")
