"""Loops: a WAV file as a waveform, its bars and slices, fitted to the song's tempo."""

from __future__ import annotations

from collections.abc import Callable
from pathlib import Path

import msgspec
import numpy as np
from PyQt6.QtCore import QLineF, QRectF, pyqtSignal
from PyQt6.QtGui import QMouseEvent, QPainter, QPen
from PyQt6.QtWidgets import QFileDialog, QHBoxLayout, QLabel, QVBoxLayout, QWidget

from grebe.app.doing import does
from grebe.app.editors.loops import Fit, audio_of, fit_loop, folder_of, take_loop
from grebe.app.editors.pattern_editor import PatternEditor
from grebe.core.audio.fitting import loop_onsets, repitch
from grebe.core.document import Project, with_loop
from grebe.core.patterns.loops import (
    Loop,
    cut,
    even_starts,
    lay_out,
    set_gate,
    shift_starts,
    slices_content,
    trim,
)
from grebe.core.patterns.model import Content
from grebe.errors import EditError, GrebeError
from grebe.ui.widgets import draw
from grebe.ui.widgets.controls import Canvas, Pill
from grebe.ui.widgets.formatting import counted, note_name

TRIM_MS, SHIFT_MS = 1.0, 1.0
GRAB_PX = 6.0
EVEN = (8, 16, 32, 4)


class LoopCanvas(Canvas):
    """The waveform and where it is cut."""

    pointed = pyqtSignal(int)
    dragged = pyqtSignal(int, int)
    """Slice, and by how many samples its start moves."""
    drag_ended = pyqtSignal()

    def __init__(self, editor: PatternEditor) -> None:
        super().__init__(editor.session)
        self.loop: Loop | None = None
        self.audio: np.ndarray | None = None
        self.problem = ""
        self.index = 0
        self._from: float | None = None
        self.setAccessibleName("Loop")

    def x_of(self, sample: float) -> float:
        """Where a sample lies."""
        assert self.loop is not None
        return 8 + (self.width() - 16) * sample / self.loop.samples

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        """Take a slice in hand; near its start, drag that."""
        if event is None or self.loop is None:
            return
        self.setFocus()
        x = event.position().x()
        sample = (x - 8) / (self.width() - 16) * self.loop.samples
        inside = [i for i, s in enumerate(self.loop.slices) if s.start <= sample < s.end]
        near = [i for i, s in enumerate(self.loop.slices) if abs(self.x_of(s.start) - x) < GRAB_PX]
        if near or inside:
            self.pointed.emit((near or inside)[0])
            self._from = x if near else None

    def mouseMoveEvent(self, event: QMouseEvent | None) -> None:
        """Move the start of the slice in hand."""
        if event is None or self._from is None or self.loop is None:
            return
        x = event.position().x()
        by = round((x - self._from) / (self.width() - 16) * self.loop.samples)
        if by:
            self.dragged.emit(self.index, by)
            self._from = x

    def mouseReleaseEvent(self, event: QMouseEvent | None) -> None:
        """The drag is over."""
        del event
        self._from = None
        self.drag_ended.emit()

    def paint_still(self, painter: QPainter) -> None:
        """Draw bars, waveform, slices."""
        p, loop = self.palette_now, self.loop
        width, height = self.width(), float(self.height())
        if loop is None:
            draw.text(painter, 0, 40, "No loops on this box yet. Ctrl+I takes a WAV file in; or "
                      "drop one here.", p.muted, width=width)  # fmt: skip
            return
        middle, tall = 30 + (height - 80) / 2, (height - 80) / 2
        for beat in range(loop.bars * loop.beats_a_bar + 1):
            x = 8 + (width - 16) * beat / (loop.bars * loop.beats_a_bar)
            first = beat % loop.beats_a_bar == 0
            draw.line(painter, x, 20, x, height - 40, p.rule, 2 if first else 1)
            if first and beat // loop.beats_a_bar < loop.bars:
                draw.text(
                    painter, x + 4, 14, f"bar {beat // loop.beats_a_bar + 1}", p.muted, size=12
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
            words = note_name(piece.note) + (" held" if piece.gate else "")
            draw.text(painter, x + 2, height - 20, words, p.crest if here else p.muted, size=12)


class LoopsPane(QWidget):
    """The loops of the box in hand."""

    made = pyqtSignal(object, str)
    """A pattern that plays the slices, and its name."""

    def __init__(self, editor: PatternEditor) -> None:
        super().__init__()
        self.editor = editor
        self.loop_id = ""
        self.canvas = LoopCanvas(editor)
        self.canvas.pointed.connect(self._point)
        self.canvas.dragged.connect(self._drag)
        self.canvas.drag_ended.connect(editor.session.store.end_merge)
        self.said = QLabel()
        self.said.setWordWrap(True)
        row = QHBoxLayout()
        row.addWidget(self.said, 1)
        for words, do in (
            ("A pattern of it", self.settings), ("Cut at onsets", self.cut_onsets),
            ("Cut evenly", self.cut_even), ("Fit: slices", self.fit_slices),
            ("Fit: pitch", self.fit_pitch),
        ):  # fmt: skip
            pill = Pill(words)
            pill.clicked.connect(self._safe(do))
            row.addWidget(pill)
        outer = QVBoxLayout(self)
        outer.setContentsMargins(0, 4, 0, 0)
        outer.addLayout(row)
        outer.addWidget(self.canvas, 1)
        self.setFocusProxy(self.canvas)
        self._even = 0

    def _safe(self, do: Callable[[], None]) -> Callable[[], None]:
        def run() -> None:
            try:
                do()
            except GrebeError as error:
                self.editor.session.say("warn", str(error))

        return run

    # What is shown

    @property
    def loops(self) -> tuple[Loop, ...]:
        """Loops of the box in hand."""
        device = self.editor.hand.device
        loops = self.editor.session.project.loops
        return tuple(x for x in loops if device is not None and x.device == device.id)

    @property
    def loop(self) -> Loop | None:
        """The one in hand."""
        loops = self.loops
        return next((x for x in loops if x.id == self.loop_id), loops[0] if loops else None)

    def _in_hand(self) -> Loop:
        """The same. EditError without one."""
        loop = self.loop
        if loop is None:
            raise EditError("there is no loop on this box yet")
        return loop

    @property
    def folder(self) -> Path:
        """Where loops are found."""
        return folder_of(self.editor.session.store.home)

    def open(self) -> None:
        """Show the loop as it is now."""
        loop, canvas = self.loop, self.canvas
        canvas.loop, canvas.audio, canvas.problem = loop, None, ""
        if loop is None:
            self.said.setText("")
        else:
            self.loop_id = loop.id
            canvas.index = max(0, min(canvas.index, len(loop.slices) - 1))
            try:
                canvas.audio = audio_of(loop, self.folder)
            except GrebeError as error:
                canvas.problem = str(error)
            bpm = self.editor.session.position.written_bpm
            cost = repitch(loop.bpm, bpm)
            others = len(self.loops)
            more = f" ({others} loops; PgDown for the next)" if others > 1 else ""
            self.said.setText(
                f"{loop.name}{more}: {counted(loop.bars, 'bar')} in {loop.seconds:.2f} s, "
                f"{loop.bpm:.2f} BPM; {counted(len(loop.slices), 'slice')}"
                f"{' on one shared slot' if loop.shared else ''}. To {bpm:g} BPM by pitch: "
                f"{cost.semitones:+.2f} semitones; by slices: none."
            )
        canvas.refresh()

    def _edit(self, name: str, how: Callable[[Loop], Loop], merge: str = "") -> None:
        loop = self._in_hand()
        self.editor.session.store.apply(
            name, lambda p: with_loop(p, loop.id, how), merge=f"{loop.id}-{merge}" if merge else ""
        )

    def _point(self, index: int) -> None:
        self.canvas.index = index
        self.canvas.refresh()

    def _drag(self, index: int, by: int) -> None:
        self._safe(
            lambda: self._edit("Trim a slice", lambda x: trim(x, index, start=by), f"drag-{index}")
        )()

    def take(self, path: Path) -> None:
        """Take a WAV file in. RecordingError, EditError as `take_loop`."""
        session, device = self.editor.session, self.editor.hand.device
        if device is None:
            raise EditError("add a device first: a loop belongs to one")
        taken = {x.id for x in session.project.loops}
        loop = take_loop(path, self.folder, device, taken, self.editor.session.position.written_bpm)

        def add(project: Project) -> Project:
            return msgspec.structs.replace(project, loops=(*project.loops, loop))

        session.store.apply(f"Take {path.name} in", add)
        self.loop_id = loop.id
        self.open()

    # What the keys do here

    def _samples(self, ms: float) -> int:
        loop = self.loop
        return 0 if loop is None else max(1, round(ms / 1000 * loop.rate))

    @does("step_left")
    def step_left(self) -> None:
        """The slice before."""
        self._point(max(0, self.canvas.index - 1))

    @does("step_right")
    def step_right(self) -> None:
        """The slice after."""
        loop = self.loop
        if loop is not None and loop.slices:
            self._point(min(len(loop.slices) - 1, self.canvas.index + 1))

    @does("pattern_after")
    def pattern_after(self) -> None:
        """The next loop of the box."""
        ids = [x.id for x in self.loops]
        if ids:
            at = ids.index(self.loop_id) if self.loop_id in ids else -1
            self.loop_id = ids[(at + 1) % len(ids)]
            self.open()

    @does("earlier")
    def earlier(self) -> None:
        """The slice begins 1 ms earlier."""
        by = -self._samples(TRIM_MS)
        self._edit("Trim a slice", lambda x: trim(x, self.canvas.index, start=by), "trim")

    @does("later")
    def later(self) -> None:
        """The slice begins 1 ms later."""
        by = self._samples(TRIM_MS)
        self._edit("Trim a slice", lambda x: trim(x, self.canvas.index, start=by), "trim")

    @does("hold_longer")
    def hold_longer(self) -> None:
        """The slice ends 1 ms later."""
        by = self._samples(TRIM_MS)
        self._edit("Trim a slice", lambda x: trim(x, self.canvas.index, end=by), "trim")

    @does("hold_shorter")
    def hold_shorter(self) -> None:
        """The slice ends 1 ms earlier."""
        by = -self._samples(TRIM_MS)
        self._edit("Trim a slice", lambda x: trim(x, self.canvas.index, end=by), "trim")

    @does("shift")
    def shift(self) -> None:
        """All slices begin 1 ms later."""
        self._edit("Shift starts", lambda x: shift_starts(x, self._samples(SHIFT_MS)), "shift")

    @does("shift_back")
    def shift_back(self) -> None:
        """All slices begin 1 ms earlier."""
        self._edit("Shift starts", lambda x: shift_starts(x, -self._samples(SHIFT_MS)), "shift")

    @does("pitch_up")
    def pitch_up(self) -> None:
        """The slices on notes a semitone higher."""
        self._edit("Lay out", lambda x: lay_out(x, x.slices[0].note + 1 if x.slices else 0))

    @does("pitch_down")
    def pitch_down(self) -> None:
        """A semitone lower."""
        self._edit("Lay out", lambda x: lay_out(x, max(0, x.slices[0].note - 1 if x.slices else 0)))

    @does("one_shot")
    def one_shot(self) -> None:
        """The slice is held by its note, or plays out."""
        at = self.canvas.index
        self._edit("Gate", lambda x: set_gate(x, at, gate=not x.slices[at].gate))

    @does("tie")
    def tie(self) -> None:
        """All slices share one slot, or each has its own."""
        self._edit("Shared slot", lambda x: msgspec.structs.replace(x, shared=not x.shared))

    @does("longer")
    def longer(self) -> None:
        """Twice as many bars."""
        self._edit("Bars", lambda x: msgspec.structs.replace(x, bars=min(64, x.bars * 2)))

    @does("shorter")
    def shorter(self) -> None:
        """Half as many bars."""
        self._edit("Bars", lambda x: msgspec.structs.replace(x, bars=max(1, x.bars // 2)))

    @does("remove")
    def remove(self) -> None:
        """Take the loop out of the project; its file stays."""
        loop = self.loop
        if loop is not None:
            self.editor.session.store.apply(
                f"Remove {loop.name}",
                lambda p: msgspec.structs.replace(
                    p, loops=tuple(x for x in p.loops if x.id != loop.id)
                ),
            )

    @does("cut_onsets")
    def cut_onsets(self) -> None:
        """Cut at its onsets."""
        loop = self._in_hand()
        starts = loop_onsets(audio_of(loop, self.folder), loop.rate)
        first = loop.slices[0].note if loop.slices else 60
        self._edit("Cut at onsets", lambda x: cut(x, starts, first))

    @does("cut_even")
    def cut_even(self) -> None:
        """Cut into even pieces: 8, 16, 32, 4, one after the other."""
        pieces = EVEN[self._even % len(EVEN)]
        self._even += 1
        self._edit("Cut evenly", lambda x: cut(x, even_starts(x, pieces),
                                               x.slices[0].note if x.slices else 60))  # fmt: skip

    def _fit(self, how: Fit) -> None:
        loop, bpm = self._in_hand(), self.editor.session.position.written_bpm
        folder = QFileDialog.getExistingDirectory(self, f"Write {loop.name} at {bpm:g} BPM")
        if folder:
            self.fit_into(Path(folder), how)

    def fit_into(self, folder: Path, how: Fit) -> None:
        """Write the loop at the song's tempo. Errors as `fit_loop`."""
        session = self.editor.session
        path, cost = fit_loop(
            self._in_hand(), self.folder, session.position.written_bpm, how, folder
        )
        words = f", {cost.semitones:+.2f} semitones" if cost is not None else ""
        session.say("info", f"Wrote {path.name}{words}.")

    @does("fit_slices")
    def fit_slices(self) -> None:
        """Write it at the song's tempo, its pitch kept."""
        self._fit("slices")

    @does("fit_pitch")
    def fit_pitch(self) -> None:
        """Write it at the song's tempo, its pitch going along."""
        self._fit("resample")

    @does("settings")
    def settings(self) -> None:
        """A pattern that plays its slices where they lie."""
        loop = self._in_hand()
        content: Content = slices_content(loop)
        self.made.emit(content, loop.name)
