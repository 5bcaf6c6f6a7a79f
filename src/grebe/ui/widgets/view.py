"""What all stations share: heading, canvas, sheet, and their keys."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Protocol

from PyQt6.QtCore import Qt, pyqtSignal
from PyQt6.QtGui import QKeySequence, QPainter, QPaintEvent, QShortcut
from PyQt6.QtWidgets import QHBoxLayout, QStackedWidget, QVBoxLayout, QWidget

from grebe.app.actions import Scope, actions_in
from grebe.app.doing import Act, acts_of, does
from grebe.app.live.session import Session
from grebe.core.findings.model import SubjectKind
from grebe.errors import EditError
from grebe.ui.widgets import draw
from grebe.ui.widgets.controls import SHEET_WIDTH, Canvas, Heading, Pill
from grebe.ui.widgets.findings import FindingsList
from grebe.ui.widgets.form import Form
from grebe.ui.widgets.theme import DAY, Palette, style_sheet

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


class Typed(Protocol):
    """What takes settings from text."""

    def set_field(self, owner: str, key: str, text: str) -> None:
        """Take a setting from text. EditError says what it may be."""


class View(QWidget):
    """A station. Its keys come from the action table; `acts` says what does each."""

    scope: Scope = "everywhere"
    number = 0
    about: tuple[SubjectKind, ...] = ()
    """Findings about these are listed below what the station shows."""
    leads_to = pyqtSignal(str, str)
    """Something is to be shown that another station has: its kind and id."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.palette_now: Palette = DAY
        self.heading = Heading()
        self.canvas: Canvas
        self.to_look_at: FindingsList | None = None
        self._acts: dict[str, Act] = {}
        self.tabs: list[Pill] = []
        """Buttons for the parts of the station, where it has several."""

    def lay_out(
        self,
        canvas: Canvas,
        sheet: QWidget | None = None,
        *,
        above: QWidget | None = None,
        body: QWidget | None = None,
        keyed: QWidget | None = None,
    ) -> None:
        """Put heading, what stands above the canvas, canvas and sheet in place; wire the keys.

        `body` holds the canvas where there is more than that; `keyed` is where
        the view's keys work, by default the canvas.
        """
        self.canvas = canvas
        outer = QHBoxLayout(self)
        outer.setContentsMargins(24, 12, 16, 14)
        outer.setSpacing(16)
        left = QVBoxLayout()
        left.setSpacing(4)
        self.head_row = QHBoxLayout()
        self.head_row.setSpacing(8)
        self.head_row.addWidget(self.heading, 1)
        left.addLayout(self.head_row)
        if above is not None:
            left.addWidget(above)
        left.addWidget(body or canvas, 1)
        if self.about:
            self.to_look_at = FindingsList(self.session, self.about)
            self.to_look_at.setFixedHeight(FINDINGS_HEIGHT)
            self.to_look_at.chosen.connect(self.show_subject)
            left.addWidget(self.to_look_at)
        outer.addLayout(left, 1)
        if sheet is not None:
            outer.addWidget(sheet)
        for action in actions_in(self.scope):
            for keys in action.keys:
                shortcut = QShortcut(QKeySequence(keys), self if action.wide else keyed or canvas)
                shortcut.setContext(Qt.ShortcutContext.WidgetWithChildrenShortcut)
                shortcut.setObjectName(action.id)
                shortcut.activated.connect(self.handler(action.id))
        self.setFocusProxy(canvas)

    def add_pill(self, words: str, action_id: str, *, primary: bool = False) -> Pill:
        """A button in the heading for an action of this view."""
        pill = Pill(words, primary=primary)
        pill.clicked.connect(self.handler(action_id))
        self.head_row.addWidget(pill, 0, Qt.AlignmentFlag.AlignTop)
        return pill

    def take_typed(self, form: Form, editor: Typed) -> None:
        """Let a form set what is typed into it; what cannot be is said in the window."""

        def typed(owner: str, key: str, text: str) -> None:
            try:
                editor.set_field(owner, key, text)
            except EditError as error:
                self.session.say("warn", f"{error}.")
            form.show_all()

        form.typed.connect(typed)

    def tab_row(self, panes: Sequence[tuple[str, str]]) -> QHBoxLayout:
        """A button for each part of the station: its name and the action that shows it."""
        row = QHBoxLayout()
        row.setContentsMargins(0, 2, 0, 4)
        row.setSpacing(8)
        for words, action in panes:
            pill = Pill(words)
            pill.clicked.connect(self.handler(action))
            self.tabs.append(pill)
            row.addWidget(pill)
        row.addStretch(1)
        return row

    def show_tab(self, index: int) -> None:
        """Fill the button of the part that is shown."""
        for number, tab in enumerate(self.tabs):
            tab.primary = number == index
            tab.update()

    def acts(self) -> dict[str, Act]:
        """What does each action here; a view with an editor adds the editor's."""
        return acts_of(self)

    def around(self, action_id: str, act: Act) -> Act:
        """An action with what always follows it here, such as showing what has changed."""
        del action_id
        return act

    def handler(self, action_id: str) -> Act:
        """What to call for an action: what it does, with errors said in the window."""
        if not self._acts:
            self._acts = self.acts()
        method = self.around(action_id, self._acts[action_id])

        def run() -> None:
            try:
                method()
            except EditError as error:
                self.session.say("warn", f"{error}.")

        return run

    def set_palette(self, palette: Palette) -> None:
        """Take the colours of a theme."""
        self.palette_now = palette
        self.setStyleSheet(style_sheet(palette))
        for child in self.findChildren(QWidget):
            if isinstance(child, Canvas):
                child.set_palette(palette)
            elif hasattr(child, "palette_now"):
                child.palette_now = palette
                child.update()

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
            shown.refresh()

    def moved(self) -> None:
        """Time has passed: show where it is. Called many times a second while shown."""

    def escaped(self) -> None:
        """Esc was pressed: put away what is open. The key itself is the window's."""

    def leaving(self) -> None:
        """The window is about to close: end what still runs."""


class PanedView(View):
    """A station in parts, one of them shown."""

    panes: QStackedWidget

    def focus_pane(self) -> None:
        """The keys go to the part that is shown."""
        pane = self.panes.currentWidget()
        if pane is not None:
            pane.setFocus()


class SidedView(PanedView):
    """A station in parts with a form at its side that is put away."""

    side: Sheet
    form: Form

    def to_pane(self, index: int) -> None:
        """Show a part."""
        self.panes.setCurrentIndex(index)
        self.document_changed()
        self.focus_pane()

    @does("settings")
    def settings(self) -> None:
        """The form, or away with it."""
        if self.side.isVisibleTo(self):
            self.escaped()
        else:
            self.side.setVisible(True)
            self.form.open()

    def escaped(self) -> None:
        """Put the form away."""
        self.side.setVisible(False)
        self.focus_pane()
