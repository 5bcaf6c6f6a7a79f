"""Loops: a WAV file as a waveform, its bars and slices, fitted to the song's tempo."""

from __future__ import annotations

from collections.abc import Callable

import numpy as np
from PyQt6.QtCore import QLineF, QPointF, QRectF, Qt, pyqtSignal
from PyQt6.QtGui import QPainter, QPen
from PyQt6.QtWidgets import QHBoxLayout, QLabel, QVBoxLayout, QWidget

from grebe.app.actions.keymap import told
from grebe.app.doing import Act, acts_of, does
from grebe.app.editors.loop_editor import LoopEditor
from grebe.app.editors.loop_files import LoopFiles
from grebe.app.editors.loops import Fit, audio_of
from grebe.app.editors.pattern_editor import PatternEditor
from grebe.app.tables.listed import ListTable
from grebe.app.tables.table import Cell
from grebe.core.audio.fitting import repitch
from grebe.core.patterns.loops import (
    Loop,
    slices_content,
    trim,
)
from grebe.core.patterns.model import Content
from grebe.errors import GrebeError
from grebe.ui.widgets import draw
from grebe.ui.widgets.ask_file import LOOPS, ask_folder
from grebe.ui.widgets.canvas import Canvas
from grebe.ui.widgets.controls import Button
from grebe.ui.widgets.drags import Drag, EditDrag, Held
from grebe.ui.widgets.formatting import note_name
from grebe.words import counted, tr

TRIM_MS, SHIFT_MS = 1.0, 1.0
GRAB_PX = 12.0
EVEN = (8, 16, 32, 4)


class LoopCanvas(Canvas):
    """The waveform and where it is cut."""

    pointed = pyqtSignal(int)
    dragged = pyqtSignal(int, int)
    """Slice, and by how many samples its start moves."""

    def __init__(self, editor: PatternEditor) -> None:
        table = ListTable(
            (tr("Begins"), tr("Note")), self._names, self._cells, lambda: self.index, self._choose
        )
        super().__init__(editor.session, table)
        self.loop: Loop | None = None
        self.audio: np.ndarray | None = None
        self.problem = ""
        self.index = 0
        self.setAccessibleName(tr("Loop"))

    def x_of(self, sample: float) -> float:
        """Where a sample lies."""
        assert self.loop is not None
        return 8 + (self.width() - 16) * sample / self.loop.samples

    def _choose(self, row: int) -> None:
        self.pointed.emit(row)

    def _names(self) -> list[str]:
        """Slices by number."""
        count = 0 if self.loop is None else len(self.loop.slices)
        return [tr("slice {number}", number=n + 1) for n in range(count)]

    def _cells(self, row: int) -> tuple[str, ...]:
        """Where a slice begins, and its note."""
        assert self.loop is not None
        piece = self.loop.slices[row]
        return f"{piece.start / self.loop.rate:.3f} s", note_name(piece.note)

    def cell_box(self, cell: Cell) -> QRectF:
        """A slice."""
        if self.loop is None or cell.row >= len(self.loop.slices):
            return QRectF()
        piece = self.loop.slices[cell.row]
        left, right = self.x_of(piece.start), self.x_of(piece.end)
        return QRectF(left, 20, right - left, self.height() - 60)

    def cell_at(self, at: QPointF) -> Cell | None:
        """The slice there."""
        slices = () if self.loop is None else self.loop.slices
        inside = (
            i for i, s in enumerate(slices) if self.x_of(s.start) <= at.x() < self.x_of(s.end)
        )
        return next((Cell(i, 0) for i in inside), None)

    def _near(self, at: QPointF) -> int:
        """The slice whose beginning is near; -1 for none."""
        slices = () if self.loop is None else self.loop.slices
        near = (i for i, s in enumerate(slices) if abs(self.x_of(s.start) - at.x()) < GRAB_PX)
        return next(near, -1)

    def pick(self, at: QPointF, *, selects: bool = False) -> bool:
        """Take a slice in hand."""
        del selects
        cell, near = self.cell_at(at), self._near(at)
        if cell is not None or near >= 0:
            self.pointed.emit(near if near >= 0 or cell is None else cell.row)
        return cell is not None or near >= 0

    def grip(self, at: QPointF, held: Held) -> Drag | None:
        """A slice in hand; by its beginning that is moved."""
        del held
        self.pick(at)
        if self._near(at) < 0:
            return None
        last = [at.x()]

        def follow(to: QPointF, held: Held) -> str:
            del held
            assert self.loop is not None
            by = round((to.x() - last[0]) / (self.width() - 16) * self.loop.samples)
            if by:
                self.dragged.emit(self.index, by)
                last[0] = to.x()
            start = self.loop.slices[self.index].start / self.loop.rate
            return tr("begins at {start:.3f} s", start=start)

        return EditDrag(self.session.store, follow)

    def shape_at(self, at: QPointF, held: Held) -> Qt.CursorShape:
        """A beginning goes sideways."""
        del held
        near = self._near(at) >= 0
        return Qt.CursorShape.SplitHCursor if near else Qt.CursorShape.ArrowCursor

    def paint_still(self, painter: QPainter) -> None:
        """Draw bars, waveform, slices."""
        p, loop = self.palette_now, self.loop
        width, height = self.width(), float(self.height())
        if loop is None:
            draw.text(
                painter,
                0,
                40,
                tr(
                    "No loops on this box yet. {import_loop} takes a WAV file in; or drop "
                    "one here.",
                    import_loop=told("import_loop"),
                ),
                p.muted,
                width=width,
            )
            return
        middle, tall = 30 + (height - 80) / 2, (height - 80) / 2
        for beat in range(loop.bars * loop.beats_a_bar + 1):
            x = 8 + (width - 16) * beat / (loop.bars * loop.beats_a_bar)
            first = beat % loop.beats_a_bar == 0
            draw.line(painter, x, 20, x, height - 40, p.rule, 2 if first else 1)
            if first and beat // loop.beats_a_bar < loop.bars:
                draw.text(
                    painter,
                    x + 4,
                    14,
                    tr("bar {value}", value=beat // loop.beats_a_bar + 1),
                    p.muted,
                    size=12,
                )
        if 0 <= self.index < len(loop.slices):
            piece = loop.slices[self.index]
            x = self.x_of(piece.start)
            painter.fillRect(QRectF(x, 20, self.x_of(piece.end) - x, height - 60), p.soft)
        if self.audio is None:
            draw.text(painter, 8, middle, self.problem, p.eye, width=width - 16)
        else:
            columns = max(1, width - 16)
            edges = np.linspace(0, len(self.audio), columns + 1).astype(int)
            peaks = np.maximum.reduceat(np.abs(self.audio), edges[:-1])
            painter.setPen(QPen(p.water, 1))
            painter.drawLines(
                *[QLineF(8 + i, middle - v * tall, 8 + i, middle + v * tall)
                  for i, v in enumerate(peaks.tolist())]
            )  # fmt: skip
        for number, piece in enumerate(loop.slices):
            x, here = self.x_of(piece.start), number == self.index
            draw.line(painter, x, 22, x, height - 34, p.crest, 3 if here else 1.5)
            words = note_name(piece.note) + (tr(" held") if piece.gate else "")
            draw.text(painter, x + 2, height - 20, words, p.crest if here else p.muted, size=12)


class LoopsPane(QWidget):
    """The loops of the box in hand."""

    made = pyqtSignal(object, str)
    """A pattern that plays the slices, and its name."""

    def __init__(self, editor: PatternEditor) -> None:
        super().__init__()
        self.editor = editor
        self.loop_editor = LoopEditor(editor.hand, self.open)
        self.files = LoopFiles(editor.hand, self.loop_editor, self.open)
        self.canvas = LoopCanvas(editor)
        self.canvas.pointed.connect(self._point)
        self.canvas.dragged.connect(self._drag)
        self.said = QLabel()
        self.said.setWordWrap(True)
        row = QHBoxLayout()
        row.addWidget(self.said, 1)
        for words, do in (
            (tr("A pattern of it"), self.settings),
            (tr("Cut at onsets"), self.loop_editor.cut_onsets),
            (tr("Cut evenly"), self.loop_editor.cut_even),
            (tr("Fit: slices"), self.fit_slices),
            (tr("Fit: pitch"), self.fit_pitch),
        ):
            button = Button(words)
            button.clicked.connect(self._safe(do))
            row.addWidget(button)
        outer = QVBoxLayout(self)
        outer.setContentsMargins(0, 4, 0, 0)
        outer.addLayout(row)
        outer.addWidget(self.canvas, 1)
        self.setFocusProxy(self.canvas)

    def _safe(self, do: Callable[[], None]) -> Callable[[], None]:
        def run() -> None:
            try:
                do()
            except GrebeError as error:
                self.editor.session.say("warn", str(error))

        return run

    # What is shown

    def acts(self) -> dict[str, Act]:
        """What does each action here."""
        return acts_of(self, self.loop_editor)

    def open(self) -> None:
        """Show the loop as it is now."""
        loop, canvas = self.loop_editor.loop, self.canvas
        canvas.loop, canvas.audio, canvas.problem = loop, None, ""
        if loop is None:
            self.said.setText("")
        else:
            self.loop_editor.loop_id = loop.id
            self.loop_editor.index = max(0, min(self.loop_editor.index, len(loop.slices) - 1))
            try:
                canvas.audio = audio_of(loop, self.loop_editor.folder)
            except GrebeError as error:
                canvas.problem = str(error)
            bpm = self.editor.session.position.written_bpm
            cost = repitch(loop.bpm, bpm)
            others = len(self.loop_editor.loops)
            more = tr(" ({others} loops; PgDown for the next)", others=others) if others > 1 else ""
            self.said.setText(
                tr(
                    "{loop}{more}: {bars} in {seconds:.2f} s, {bpm:.2f} BPM; {slices}{what}. "
                    "To {bpm2:g} BPM by pitch: {semitones:+.2f} semitones; by slices: none.",
                    loop=loop.name,
                    more=more,
                    bars=counted(loop.bars, "bar"),
                    seconds=loop.seconds,
                    bpm=loop.bpm,
                    slices=counted(len(loop.slices), "slice"),
                    what=tr(" on one shared slot") if loop.shared else "",
                    bpm2=bpm,
                    semitones=cost.semitones,
                )
            )
        self._show()

    def _show(self) -> None:
        self.canvas.index = self.loop_editor.index
        self.canvas.refresh()

    def _point(self, index: int) -> None:
        self.loop_editor.index = index
        self._show()

    def _drag(self, index: int, by: int) -> None:
        self._safe(
            lambda: self.loop_editor.edit(
                tr("Trim a slice"), lambda x: trim(x, index, start=by), f"drag-{index}"
            )
        )()

    # What the keys do here

    def _fit(self, how: Fit) -> None:
        loop, bpm = self.loop_editor.in_hand(), self.editor.session.position.written_bpm
        folder = ask_folder(self, LOOPS, tr("Write {loop} at {bpm:g} BPM", loop=loop.name, bpm=bpm))
        if folder is not None:
            self.files.fit_into(folder, how)

    @does("fit_slices")
    def fit_slices(self) -> None:
        """Write it at the song's tempo, its pitch kept."""
        self._fit("slices")

    @does("fit_pitch")
    def fit_pitch(self) -> None:
        """Write it at the song's tempo, its pitch going along."""
        self._fit("resample")

    @does("pattern_of_loop")
    def settings(self) -> None:
        """A pattern that plays its slices where they lie."""
        loop = self.loop_editor.in_hand()
        content: Content = slices_content(loop)
        self.made.emit(content, loop.name)
