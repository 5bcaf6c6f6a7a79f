"""The findings, one under another: what, why, one thing to do, and what can be done here."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass

from PyQt6.QtCore import QPointF, QRectF, Qt, pyqtSignal
from PyQt6.QtGui import QColor, QPainter

from grebe.app.editors.finding_edits import FindingEdits
from grebe.app.live.session import Session
from grebe.app.tables.listed import ListTable
from grebe.app.tables.table import Cell
from grebe.core.findings import Finding
from grebe.core.findings.model import SubjectKind
from grebe.ui.widgets import draw
from grebe.ui.widgets.canvas import Canvas
from grebe.ui.widgets.drags import Drag, Held
from grebe.ui.widgets.theme import CORNER, metrics
from grebe.words import tr

TAGS = {"block": tr("stops you"), "warn": tr("look"), "note": tr("note##a finding")}
HEAD = 30.0
LINE = 20.0
GAP = 8.0
SIDE = 150.0
"""Room for the two buttons at the right."""
NOTCH = 60.0
"""Scrolled by a notch of the wheel."""


@dataclass(frozen=True)
class _Button:
    box: QRectF
    finding: Finding
    words: str
    does: Callable[[Finding], None]


COUNTED = (
    ("block", tr("stops you"), tr("stop you")),
    ("warn", tr("to look at"), tr("to look at")),
    ("note", tr("note##a finding"), tr("notes##findings")),
)
"""Severity, and how one and how several of it are counted."""


class FindingsList(Canvas):
    """A list that draws only what is seen of it, so that hundreds cost no more than three."""

    chosen = pyqtSignal(str, str)
    """Kind and id of what the finding selected is about."""

    def __init__(self, session: Session, kinds: tuple[SubjectKind, ...] = ()) -> None:
        """`kinds`: only findings about these; all without any."""
        table = ListTable(
            (tr("What is wrong"), tr("Why, and what to do")), self._names, self._cells,
            lambda: self.selected if self.findings else -1, self._choose,
        )  # fmt: skip
        super().__init__(session, table)
        self._kinds = kinds
        self._edits = FindingEdits(session)
        self.selected = 0
        self.shows_intended = False
        self._scroll = 0.0
        self._buttons: list[_Button] = []
        self._rows: list[tuple[QRectF, int]] = []
        self.setAccessibleName(tr("Findings"))

    @property
    def findings(self) -> tuple[Finding, ...]:
        """Those listed: the open ones, or those said to be intended."""
        known = self.session.derived.known()
        found = known.intended if self.shows_intended else known.open
        return tuple(f for f in found if not self._kinds or f.kind in self._kinds)

    @property
    def current(self) -> Finding | None:
        """The one selected."""
        found = self.findings
        return found[min(self.selected, len(found) - 1)] if found else None

    def step(self, by: int) -> None:
        """Select another."""
        if self.findings:
            self.selected = max(0, min(len(self.findings) - 1, self.selected + by))
            self._reveal()
            self._choose(self.selected)

    def _choose(self, index: int) -> None:
        self.selected = index
        finding = self.findings[index]
        self.chosen.emit(finding.kind, finding.subject)
        self.refresh()

    def mend_selected(self) -> None:
        """Mend the one selected, or the first that Grebe can."""
        if not self.shows_intended:
            self._edits.mend_first(self.current, self.findings)

    def accept_selected(self) -> None:
        """The one selected is intended."""
        finding = self.current
        if finding is not None and not self.shows_intended:
            self._edits.accept(finding)

    def toggle_intended(self) -> None:
        """List those that were accepted, or the open ones again."""
        self.shows_intended = not self.shows_intended
        self.selected, self._scroll = 0, 0.0
        self.refresh()

    def _height(self, finding: Finding) -> float:
        return LINE * (1 + self._fix_lines(finding)) + 16

    def _fix_lines(self, finding: Finding) -> int:
        room = max(120.0, self.width() - SIDE - 110)
        words = metrics(14, 400).horizontalAdvance(f"{finding.why} {finding.fix}")
        return 1 if words < room * 0.96 else 2 if words < room * 1.85 else 3

    def _reveal(self) -> None:
        top = sum(self._height(f) + GAP for f in self.findings[: self.selected])
        height = self._height(self.findings[self.selected])
        room = self.height() - HEAD
        self._scroll = min(top, max(self._scroll, top + height - room))

    # Read aloud

    def _names(self) -> list[str]:
        """How serious each is."""
        return [TAGS[f.severity] for f in self.findings]

    def _cells(self, row: int) -> tuple[str, ...]:
        """What is wrong; why, and what to do."""
        finding = self.findings[row]
        return finding.message, f"{finding.why} {finding.fix}"

    def cell_box(self, cell: Cell) -> QRectF:
        """Where a finding is drawn, as far as it is seen."""
        return next((box for box, index in self._rows if index == cell.row), QRectF())

    def cell_at(self, at: QPointF) -> Cell | None:
        """The finding there."""
        return next((Cell(i, 0) for box, i in self._rows if box.contains(at)), None)

    def known_at(self, at: QPointF) -> str:
        """Its reason."""
        cell = self.cell_at(at)
        return "" if cell is None else self.cells.table.words(cell.row, 1)

    def scroll_by(self, across: float, down: float) -> None:
        """Scroll."""
        del across
        whole = sum(self._height(f) + GAP for f in self.findings)
        most = max(0.0, whole - (self.height() - HEAD))
        self._scroll = max(0.0, min(most, self._scroll + down * NOTCH))
        self.refresh()

    def grip(self, at: QPointF, held: Held) -> Drag | None:
        """Press a button, or select a finding."""
        del held
        for button in self._buttons:
            if button.box.contains(at):
                button.does(button.finding)
                return None
        if at.y() < HEAD and at.x() > self.width() - 160:
            self.toggle_intended()
        else:
            self.pick(at)
        return None

    def double(self, at: QPointF) -> None:
        """The first click has done it."""

    def shape_at(self, at: QPointF, held: Held) -> Qt.CursorShape:
        """A hand over what can be pressed."""
        del held
        over = any(b.box.contains(at) for b in self._buttons)
        return Qt.CursorShape.PointingHandCursor if over else Qt.CursorShape.ArrowCursor

    picked = "finding"

    def paint_still(self, painter: QPainter) -> None:
        """Draw the heading and what is seen of the list."""
        p, width = self.palette_now, float(self.width())
        found = self.findings
        title = tr("Intended") if self.shows_intended else tr("Findings")
        draw.text(painter, 0, 20, title, p.ink, size=16, weight=600)
        if found:
            counts = [
                f"{number} {one if number == 1 else more}"
                for kind, one, more in COUNTED
                if (number := sum(f.severity == kind for f in found))
            ]
            draw.text(painter, 82, 20, ", ".join(counts), p.muted, size=14)
        intended = self.session.derived.known().intended
        quiet = sum(not self._kinds or f.kind in self._kinds for f in intended)
        if quiet or self.shows_intended:
            words = tr("Findings") if self.shows_intended else tr("{quiet} intended", quiet=quiet)
            draw.text(painter, width - 4, 20, words, p.water, size=14, weight=600, align=draw.RIGHT)
        self._buttons, self._rows = [], []
        if not found:
            words = tr("Nothing to look at.") if not self.shows_intended else "None."
            draw.text(painter, 0, HEAD + 22, words, p.muted, size=14)
            return
        painter.save()
        painter.setClipRect(QRectF(0, HEAD, width, self.height() - HEAD))
        y = HEAD - self._scroll
        for index, finding in enumerate(found):
            height = self._height(finding)
            if y + height > HEAD and y < self.height():
                self._paint_row(painter, QRectF(0.5, y, width - 1, height), index, finding)
            y += height + GAP
            if y > self.height():
                break
        painter.restore()

    def _paint_row(self, painter: QPainter, box: QRectF, index: int, finding: Finding) -> None:
        p = self.palette_now
        colour = self._severity(finding)
        chosen = index == self.selected and self.hasFocus()
        draw.panel(painter, box, p.panel, p.crest if chosen else p.rule)
        draw.fill(painter, box.left(), box.top() + 1, 4, box.height() - 2, colour)
        x, y = box.left() + 16, box.top()
        tag = TAGS[finding.severity]
        draw.text(painter, x, y + 21, tag, colour, size=14, weight=600)
        x += 74
        room = box.width() - (x - box.left()) - SIDE
        draw.text(painter, x, y + 21, finding.message, p.ink, size=14, weight=600, width=room)
        words = QRectF(x, y + 27, room, LINE * self._fix_lines(finding) + 6)
        draw.paragraph(painter, words, f"{finding.why} {finding.fix}", p.muted, size=14)
        right = box.right() - 12
        if self.shows_intended:
            self._paint_button(
                painter, right, y + 8, tr("Hear it again"), self._edits.hear_again, finding
            )
            return
        right = self._paint_button(
            painter, right, y + 8, tr("Intended"), self._edits.accept, finding
        )
        if finding.cure is not None:
            self._paint_button(
                painter, right - 6, y + 8, tr("Mend"), self._edits.mend, finding, filled=True
            )
        self._rows.append((box, index))

    def _paint_button(
        self,
        painter: QPainter,
        right: float,
        top: float,
        words: str,
        does: Callable[[Finding], None],
        finding: Finding,
        *,
        filled: bool = False,
    ) -> float:
        """Draw a button from its right end; where it begins."""
        p = self.palette_now
        width = draw.text_width(words, 14, 600) + 20
        box = QRectF(right - width, top, width, 24)
        painter.setPen(p.water if filled else p.edge)
        painter.setBrush(p.water if filled else p.soft)
        painter.drawRoundedRect(box, CORNER, CORNER)
        colour = p.on_water if filled else p.ink
        draw.text(
            painter, box.center().x(), top + 17, words, colour,
            size=14, weight=600, align=draw.CENTRE,
        )  # fmt: skip
        self._buttons.append(_Button(box, finding, words, does))
        return box.left()

    def _severity(self, finding: Finding) -> QColor:
        p = self.palette_now
        return {"block": p.eye, "warn": p.sand, "note": p.muted}[finding.severity]
