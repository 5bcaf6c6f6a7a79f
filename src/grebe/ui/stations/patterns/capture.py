"""Capture: what was played in during the last minutes, and the bars of it that become a pattern."""

from __future__ import annotations

from PyQt6.QtCore import QRectF, pyqtSignal
from PyQt6.QtGui import QPainter
from PyQt6.QtWidgets import QComboBox, QHBoxLayout, QLabel, QVBoxLayout, QWidget

from grebe.app.doing import does
from grebe.app.editors.pattern_editor import PatternEditor
from grebe.app.live.played import CaptureProposal, captured, propose, window
from grebe.core.patterns.capture import GRIDS, LENGTHS, Played, Taken, overdubbed
from grebe.core.patterns.model import Content
from grebe.core.rig.spec import PITCHED_KINDS
from grebe.core.time.ticks import TICKS_PER_QUARTER
from grebe.errors import EditError
from grebe.ui.widgets import draw
from grebe.ui.widgets.canvas import Canvas
from grebe.ui.widgets.controls import Button
from grebe.ui.widgets.flow import FlowLayout, named
from grebe.ui.widgets.formatting import note_name
from grebe.words import counted, tr

EVERYTHING = tr("everything")
STRENGTHS = ("100", "75", "50", "25", "0")
SHOWN_BARS = 16


class PlayedCanvas(Canvas):
    """Notes as they were played, and the bars that would be taken."""

    def __init__(self, editor: PatternEditor) -> None:
        super().__init__(editor.session)
        self.notes: list[Played] = []
        self.end = 0.0
        self.beats = 4.0
        """Quarter notes that would be taken."""
        self.bar_beats = 4.0
        self.setAccessibleName(tr("What was played"))

    def paint_still(self, painter: QPainter) -> None:
        """Draw time from left to right, notes low to high."""
        p, width, height = self.palette_now, float(self.width()), float(self.height())
        if not self.notes:
            words = (tr("Nothing has been played in yet. Play on a box that is plugged into "
"Grebe, or press 1 to 9 for the voices of this pattern."))  # fmt: skip
            draw.paragraph(painter, QRectF(0, 26, width, 80), words, p.muted)
            return
        shown = SHOWN_BARS * self.bar_beats
        begin = self.end - shown
        scale = (width - 16) / shown
        taken = (self.end - self.beats - begin) * scale
        painter.fillRect(QRectF(8 + taken, 20, self.beats * scale, height - 40), p.soft)
        for bar in range(SHOWN_BARS + 1):
            x = 8 + bar * self.bar_beats * scale
            draw.line(painter, x, 20, x, height - 20, p.rule)
        low, high = min(n.note for n in self.notes), max(n.note for n in self.notes)
        step = (height - 70) / max(1, high - low)
        note_lanes: list[QRectF] = []
        for note in self.notes:
            if note.start < begin - 0.1:
                continue
            x, y = 8 + (note.start - begin) * scale, height - 34 - (note.note - low) * step
            draw.line(painter, x, y, x + max(2.0, note.length * scale), y, p.water, 2)
            note_lanes.append(QRectF(x - 1.5, y - 4 - note.velocity / 9, 3, 4 + note.velocity / 9))
        draw.rects(painter, note_lanes, p.water)
        draw.text(
            painter,
            8,
            height - 4,
            tr("the last {shown_bars} bars", shown_bars=SHOWN_BARS),
            p.muted,
            size=12,
        )
        draw.text(painter, 8 + taken + 4, 16, counted(round(self.beats / self.bar_beats), "bar"),
                  p.crest, size=14, weight=600)  # fmt: skip
        for note_number in {low, high}:
            y = height - 34 - (note_number - low) * step
            draw.text(painter, width - 4, y + 4, note_name(note_number), p.muted, size=12,
                      align=draw.RIGHT)  # fmt: skip


class CapturePane(QWidget):
    """Controls over the picture; the proposal is set, everything can be changed."""

    made = pyqtSignal(object)
    """A pattern's content."""
    laid_over = pyqtSignal(object)
    """The pattern in hand with another pass."""

    def __init__(self, editor: PatternEditor) -> None:
        super().__init__()
        self.editor = editor
        self.canvas = PlayedCanvas(editor)
        self.proposal: CaptureProposal | None = None
        self.source, self.bars, self.grid = QComboBox(), QComboBox(), QComboBox()
        self.tempo = QComboBox()
        self.strength, self.swing, self.held, self.into = (QComboBox() for _ in range(4))
        self.bars.addItems([str(n) for n in LENGTHS])
        self.grid.addItems(GRIDS)
        self.strength.addItems(STRENGTHS)
        self.held.addItems((tr("by its gate"), tr("one-shot")))
        self.into.addItems((tr("a voice a note"), tr("one voice with pitches")))
        controls = FlowLayout()
        columns = (
            (tr("From"), self.source),
            (tr("Tempo"), self.tempo),
            (tr("Bars"), self.bars),
            ("Grid", self.grid),
            (tr("Quantise, %"), self.strength),
            (tr("Onto swing"), self.swing),
            (tr("Held"), self.held),
            (tr("As"), self.into),
        )
        for words, box in columns:
            box.setAccessibleName(words)
            controls.addWidget(named(QLabel(words), box))
        self.boxes = tuple(box for _, box in columns)
        self.source.activated.connect(self._source_chosen)
        self.tempo.activated.connect(self._propose_again)
        self.bars.activated.connect(self._changed)
        row = QHBoxLayout()
        self.said = QLabel()
        self.said.setWordWrap(True)
        make, over = Button(tr("Make a pattern"), primary=True), Button(tr("Lay over this one"))
        make.clicked.connect(self.settings)
        over.clicked.connect(self.lay_over)
        row.addWidget(self.said, 1)
        row.addWidget(make)
        row.addWidget(over)
        outer = QVBoxLayout(self)
        outer.setContentsMargins(0, 4, 0, 0)
        outer.addLayout(controls)
        outer.addLayout(row)
        outer.addWidget(self.canvas, 1)
        self.setFocusProxy(self.canvas)

    def open(self) -> None:
        """Look at what was played, and propose."""
        devices = self.editor.session.memory.devices()
        names = {d.id: d.name for d in self.editor.session.project.rig.lines}
        chosen = self.source.currentData()
        self.source.clear()
        self.source.addItem(EVERYTHING, "")
        for played_on in devices:
            self.source.addItem(names.get(played_on, played_on), played_on)
        self.source.setCurrentIndex(max(0, self.source.findData(chosen)))
        device = self.editor.hand.device
        self.into.setCurrentIndex(1 if device is not None and device.kind in PITCHED_KINDS else 0)
        self._source_chosen()

    def _source_chosen(self) -> None:
        """Its tempo first: played while nothing ran, that is found in what was played."""
        session = self.editor.session
        found = session.memory.tempo(str(self.source.currentData() or ""))
        written = session.position.written_bpm
        self.tempo.clear()
        if found is not None:
            self.tempo.addItem(tr("as played, {bpm:g} BPM", bpm=found.bpm), found.bpm)
            half, double = found.bpm / 2, found.bpm * 2
            self.tempo.addItem(tr("half, {bpm:g} BPM", bpm=round(half, 2)), half)
            self.tempo.addItem(tr("double, {bpm:g} BPM", bpm=round(double, 2)), double)
        self.tempo.addItem(tr("the song's, {bpm:g} BPM", bpm=round(written, 2)), written)
        self._propose_again()

    def _propose_again(self) -> None:
        session = self.editor.session
        status = session.status
        bar = self._bar_beats()
        origin = status.section_tick if status is not None and status.running else 0
        device = str(self.source.currentData() or "")
        bpm = float(self.tempo.currentData() or session.position.written_bpm)
        notes, end = session.memory.line(device, bpm, bar, origin)
        canvas = self.canvas
        canvas.notes, canvas.end, canvas.bar_beats = notes, end, bar
        self.proposal = propose(notes, end, bar) if notes else None
        found = self.proposal
        self.swing.clear()
        self.swing.addItem(tr("straight"), 50.0)
        if found is not None:
            self.bars.setCurrentText(str(found.bars))
            self.grid.setCurrentText(found.rate)
            if found.swing > 50:
                self.swing.addItem(tr("as played, {swing:g} %", swing=found.swing), found.swing)
                self.swing.setCurrentIndex(1)
        own = self.editor.hand.content.swing
        if own > 50:
            self.swing.addItem(tr("the pattern's, {own:g} %", own=own), own)
        self._changed()

    def _bar_beats(self) -> float:
        session = self.editor.session
        layout, status = session.derived.layout(), session.status
        span = layout.span_of(status.section) if layout is not None and status is not None else None
        if span is None:
            return 4.0
        return span.scene.meter.bar_ticks / TICKS_PER_QUARTER

    def _changed(self) -> None:
        canvas, found = self.canvas, self.proposal
        canvas.beats = int(self.bars.currentText()) * canvas.bar_beats
        if found is None:
            self.said.setText("")
        else:
            taken = len(window(canvas.notes, canvas.end, canvas.beats))
            swing = (
                tr("played with {swing:g} % swing", swing=found.swing)
                if found.swing > 50
                else tr("played straight")
            )
            bars = counted(found.bars, "bar")
            if found.nearly:
                bars = tr("{bars} ({nearly} only nearly)", bars=bars, nearly=found.nearly)
            self.said.setText(
                tr(
                    "It repeats after {bars}; {swing}, nearest to {rate}. {notes} would be taken.",
                    bars=bars,
                    swing=swing,
                    rate=found.rate,
                    notes=counted(taken, "note"),
                )
            )
        canvas.refresh()

    def content(self) -> Content:
        """The pattern as the controls have it. EditError where nothing was played."""
        device = self.editor.hand.device
        if not self.canvas.notes or device is None:
            raise EditError(tr("nothing has been played in yet"))
        how = Taken(
            rate=self.grid.currentText(),
            strength=int(self.strength.currentText()) / 100,
            swing=float(self.swing.currentData() or 50.0),
            melodic=self.into.currentIndex() == 1,
            one_shot=self.held.currentIndex() == 1,
        )
        canvas = self.canvas
        bars = int(self.bars.currentText())
        return captured(canvas.notes, canvas.end, canvas.bar_beats, bars, how, device)

    @does("pattern_of_take")
    def settings(self) -> None:
        """Make a pattern of it."""
        self.made.emit(self.content())

    @does("lay_over")
    def lay_over(self) -> None:
        """Lay it over the pattern in hand, as a pass that can be undone."""
        more = self.content()
        self.laid_over.emit(overdubbed(self.editor.hand.content, more))
