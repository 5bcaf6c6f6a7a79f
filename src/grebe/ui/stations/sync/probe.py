"""A box probed: each stage with what was sent and heard, what follows from it, what is asked."""

from __future__ import annotations

import time
from functools import partial

from PyQt6.QtCore import QPointF, QRectF, Qt, pyqtSignal
from PyQt6.QtGui import QPainter
from PyQt6.QtWidgets import QHBoxLayout, QScrollArea, QVBoxLayout, QWidget

from grebe.app.actions.keymap import told
from grebe.app.doing import Act, acts_of, does
from grebe.app.live.probing import MAY_RECORD, RECORDS
from grebe.app.live.session import Session
from grebe.app.probing import ProbeRun, ProbeStep
from grebe.app.tables.listed import ListTable
from grebe.app.tables.table import Cell
from grebe.core.probe.experiments import CONTINUE, NOTE_ON, PROGRAM, START, STOP
from grebe.core.probe.procedure import STAGES
from grebe.core.probe.taking import ANSWERS, ProbedBox
from grebe.core.rig.model import Device
from grebe.ui.widgets import draw
from grebe.ui.widgets.canvas import Canvas
from grebe.ui.widgets.controls import Button
from grebe.ui.widgets.sheet import Facts, SheetLine, head, note, row
from grebe.words import counted, tr

ROW, MOST_ROW = 33.0, 44.0
NAMES = 124.0
STRIP = 0.36
"""Of the width that is left, for what was sent and heard; the rest for what follows."""
MOST_CHOICES = 3
UP, DOWN = 0.62, 0.3
"""Of a row's half: how high a hit at full level stands, how deep what was sent hangs."""


class QuestionBar(QWidget):
    """What is asked of the performer, with a button for each answer."""

    answered = pyqtSignal(int)
    """Which choice, from 0."""
    passed = pyqtSignal()

    def __init__(self) -> None:
        super().__init__()
        self.words = Facts(grows=True)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 2, 0, 6)
        column.addWidget(self.words)
        line = QHBoxLayout()
        line.setSpacing(8)
        self.buttons = [Button("") for _ in range(MOST_CHOICES)]
        for number, button in enumerate(self.buttons):
            button.clicked.connect(lambda _, n=number: self.answered.emit(n))
            line.addWidget(button)
        self.cannot = Button(tr("Cannot say"))
        self.cannot.clicked.connect(self.passed)
        line.addWidget(self.cannot)
        line.addStretch(1)
        column.addLayout(line)

    def show_question(self, run: ProbeRun | None, device: Device | None) -> None:
        """Show what is asked, or nothing."""
        question = None if run is None else run.question
        self.setVisible(question is not None)
        if question is None or run is None:
            return
        lines = [note(question.text, "yours")]
        if device is not None and device.kind in RECORDS and run.asks in ("notes", "pattern"):
            lines.append(note(MAY_RECORD, "wrong"))
        self.words.show_lines(lines)
        for number, button in enumerate(self.buttons):
            button.setVisible(number < len(question.choices))
            if number < len(question.choices):
                words = f"{number + 1}  {question.choices[number][1]}"
                button.setText(words)
                button.setAccessibleName(words)
        self.cannot.setVisible(run.asks is None)


class ProbeCanvas(Canvas):
    """A row a stage, from quiet to loud."""

    stage_clicked = pyqtSignal(int)

    def __init__(self, session: Session) -> None:
        table = ListTable(
            (tr("State"), tr("What follows")), lambda: [stage.title for stage in STAGES],
            self._cells, lambda: self.selected, self._choose,
        )  # fmt: skip
        super().__init__(session, table)
        self.device: Device | None = None
        self.selected = 0
        self.setAccessibleName(tr("Stages of the probe"))
        self.setMinimumHeight(round(ROW * len(STAGES)) + 8)

    @property
    def probing(self) -> ProbeRun | None:
        """The probe of the box in hand."""
        return None if self.device is None else self.session.probings.runs.get(self.device.id)

    # Read aloud

    def _choose(self, row: int) -> None:
        self.stage_clicked.emit(row)

    def _cells(self, number: int) -> tuple[str, ...]:
        """A stage's state, and what follows from it."""
        words = self.state_of(number)
        follows = () if self.probing is None else self.probing.follows.get(number, ())
        return words, " ".join(follows)

    def state_of(self, number: int) -> str:
        """How far a stage is, in words."""
        probing = self.probing
        if probing is None or (number > probing.stage and probing.state != "done"):
            return tr("to come")
        steps = [step for step in probing.steps if step.stage == number]
        if number == probing.stage and probing.state not in ("done", "ready"):
            words = {"running": tr("now"), "asks": tr("asks"), "paused": tr("stopped"),
                     "lost": tr("lost")}  # fmt: skip
            return words.get(probing.state, "")
        if not steps:
            return "" if probing.follows.get(number) else tr("nothing to try")
        return tr("left out") if not any(step.permitted for step in steps) else tr("done")

    def _row_height(self) -> float:
        return max(ROW, min(MOST_ROW, (self.height() - 4) / len(STAGES)))

    def _line(self, number: int) -> QRectF:
        height = self._row_height()
        return QRectF(0, number * height, self.width(), height)

    def cell_box(self, cell: Cell) -> QRectF:
        """A stage's row."""
        line = self._line(cell.row)
        middle = self._strip(line).right() + 12
        if not cell.column:
            return QRectF(line.left(), line.top(), middle - line.left(), line.height())
        return QRectF(middle, line.top(), line.right() - middle, line.height())

    def cell_at(self, at: QPointF) -> Cell | None:
        """The stage there."""
        number = int(at.y() // self._row_height())
        if not 0 <= number < len(STAGES):
            return None
        return Cell(number, int(at.x() > self._strip(self._line(number)).right() + 12))

    def _strip(self, line: QRectF) -> QRectF:
        return QRectF(NAMES, line.top() + 3, (line.width() - NAMES) * STRIP, line.height() - 6)

    # Drawn

    def paint_still(self, painter: QPainter) -> None:
        """Names, and what is over."""
        p = self.palette_now
        for number, stage in enumerate(STAGES):
            line = self._line(number)
            if number == self.selected:
                draw.fill(painter, 0, line.top() + 5, 3, line.height() - 10, p.crest)
            state = self.state_of(number)
            ink = p.muted if state in (tr("to come"), tr("left out")) else p.ink
            draw.text(
                painter, 10, line.center().y() + 5, stage.title, ink, size=14, weight=600,
                width=NAMES - 14,
            )  # fmt: skip
            strip = self._strip(line)
            tried = state not in ("", tr("to come"), tr("nothing to try"))
            middle = strip.center().y() + 4
            water = p.water if tried else p.rule
            draw.line(painter, strip.left(), middle, strip.right(), middle, water)
            draw.line(painter, 0, line.bottom(), self.width(), line.bottom(), p.rule)
            self._paint_steps(painter, number, strip)
            self._paint_words(painter, number, line, strip, state)

    def _paint_words(
        self, painter: QPainter, number: int, line: QRectF, strip: QRectF, state: str
    ) -> None:
        p, probing = self.palette_now, self.probing
        left = strip.right() + 14
        follows = () if probing is None else probing.follows.get(number, ())
        words, ink = " ".join(follows), p.ink
        if probing is not None and number == probing.stage and probing.state != "done":
            steps = [s for s in probing.steps if s.stage == number]
            words = steps[-1].experiment.question if steps else state
            ink = p.crest if probing.state == "asks" else p.water
            words = tr("Waits for an answer, above.") if probing.state == "asks" else words
        elif not words:
            untold = state == tr("done") and 0 < number < len(STAGES) - 1
            words, ink = tr("It could not be told.") if untold else state, p.muted
        shown = QRectF(left, line.top() + 1, self.width() - left - 4, line.height())
        small = draw.text_width(words, 14) > shown.width()
        if small:
            draw.paragraph(painter, shown, words, ink, size=12)
        else:
            draw.text(painter, left, line.center().y() + 5, words, ink, size=14)

    def _paint_steps(self, painter: QPainter, number: int, strip: QRectF) -> None:
        """What was sent hangs from the line, what was heard stands on it."""
        probing = self.probing
        steps = [] if probing is None else [s for s in probing.steps if s.stage == number]
        steps = [step for step in steps if step.permitted]
        total = sum(step.experiment.seconds for step in steps)
        at = strip.left()
        for step in steps:
            width = strip.width() * step.experiment.seconds / total
            self._paint_step(painter, step, QRectF(at, strip.top(), width, strip.height()))
            at += width
            if at < strip.right() - 1:
                draw.line(
                    painter, at, strip.top() + 2, at, strip.bottom() - 2, self.palette_now.rule
                )

    def _paint_step(self, painter: QPainter, step: ProbeStep, box: QRectF) -> None:
        p, seconds = self.palette_now, step.experiment.seconds
        middle, half = box.center().y() + 4, box.height() / 2
        for send in step.experiment.sends:
            x = box.left() + box.width() * send.at_s / seconds
            kind = send.data[0] if send.data[0] >= 0xF0 else send.data[0] & 0xF0
            if kind == NOTE_ON:
                draw.line(painter, x, middle + 1, x, middle + half * DOWN, p.muted)
            elif kind in (START[0], CONTINUE[0], PROGRAM):
                draw.ring(painter, x, middle, 3.5, p.water, p.ground)
            elif kind == STOP[0]:
                draw.fill(painter, x - 1, middle - 4, 2, 8, p.ink)
        heard = step.heard.hits if step.heard is not None else ()
        top = max((hit.level for hit in heard), default=1.0) or 1.0
        for hit in heard:
            x = box.left() + box.width() * hit.at_s / seconds
            height = half * (0.25 + UP * hit.level / top)
            draw.line(painter, x, middle, x, middle - height, p.water, 1.5)

    def paint_moving(self, painter: QPainter) -> None:
        """How far the experiment is that runs."""
        probing = self.probing
        if probing is None or probing.experiment is None:
            return
        strip, seconds = self._strip(self._line(probing.stage)), probing.experiment.seconds
        steps = [s for s in probing.steps if s.stage == probing.stage]
        if not steps or steps[-1].heard is not None:
            return  # its process is still being started
        total = sum(s.experiment.seconds for s in steps)
        passed = (time.monotonic() - probing.began_s) * probing.speed
        done = sum(s.experiment.seconds for s in steps[:-1]) + min(seconds, passed)
        x = strip.left() + strip.width() * done / total
        draw.playhead(painter, self.palette_now, x, strip.top(), strip.bottom())


def probe_lines(session: Session, device: Device | None, stage: int) -> list[SheetLine]:
    """The sheet: what a probe is, how far it is, what was found, what it would change."""
    if device is None:
        return [head(tr("Probe")), note(tr("There is no box yet: the Rig adds one."))]
    run = session.probings.runs.get(device.id)
    lines = [head(device.name)]
    if run is None:
        lines += [
            note(tr("Finds out what it obeys and how late it is, by sending and listening: from "
                    "silent to loud, in about a minute and a half.")),
            note(tr("Before anything is sent, and before each kind of thing that sounds, you are "
                    "asked.")),
            note(tr("{probe_it} begins.", probe_it=told("probe_it")), "yours"),
        ]  # fmt: skip
        if device.port.is_standin:
            lines.append(note(tr("It is a stand-in: it is probed eight times as fast, and hears "
                                 "itself perfectly.")))  # fmt: skip
        return lines
    words = {
        "running": tr("It is probed. Esc stops at once, with nothing left sounding."),
        "asks": tr("It waits for your answer."),
        "paused": tr("Stopped. {probe_it} takes it up where it was.", probe_it=told("probe_it")),
        "lost": tr("Lost: {why}. {probe_it} takes it up.", why=run.why, probe_it=told("probe_it")),
        "done": tr("Probed to the end. {probe_it} begins anew.", probe_it=told("probe_it")),
    }
    lines.append(note(words.get(run.state, "")))
    taken = session.probings.taken(device)
    if taken is not None:
        lines += taken_lines(taken)
    lines += _stage_lines(run, stage)
    if run.state == "done" and run.answers.unsure:
        lines += [SheetLine("", kind="gap"), head(tr("Not heard")),
                  note(tr("These stay as they were: {names}.",
                          names=", ".join(ANSWERS[n] for n in run.answers.unsure)))]  # fmt: skip
    return lines


def taken_lines(taken: ProbedBox) -> list[SheetLine]:
    """What a finished probe would change, and how sure each is."""
    if not taken.changes:
        return [note(tr("The box is as its profile says."), "good")]
    lines: list[SheetLine] = []
    for change in taken.changes:
        sure = "" if change.sure is None else tr(", {sure:.1f} % sure", sure=100 * change.sure)
        was = tr(
            "{after} (was {before}){sure}", after=change.after, before=change.before, sure=sure
        )
        lines += [note(change.words), note(was, "ink")]
    key = told("probe_take")
    said = tr("{probe_take} takes this over: an edit like any other.", probe_take=key)
    return [head(tr("It is otherwise")), *lines, note(said, "yours")]


def _stage_lines(run: ProbeRun, stage: int) -> list[SheetLine]:
    steps = [step for step in run.steps if step.stage == stage]
    lines = [SheetLine("", kind="gap"), head(STAGES[stage].title)]
    for step in steps[-4:]:
        lines.append(note(step.experiment.question))
        if not step.permitted:
            lines.append(note(tr("Left out: you said no."), "look"))
        elif step.heard is not None:
            lines.append(row(tr("Sent"), counted(len(step.experiment.sends), "message")))
            lines.append(row(tr("Heard"), counted(len(step.heard.hits), "hit")))
            if step.heard.back:
                lines.append(row(tr("Came back"), counted(len(step.heard.back), "message")))
    if not steps:
        lines.append(note(tr("Nothing has been tried here.")))
    return lines


class ProbePane(QWidget):
    """The stages with what is asked above them, and what is done with them."""

    changed = pyqtSignal()
    """There is something else to say."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self._session = session
        self.canvas = ProbeCanvas(session)
        self.canvas.stage_clicked.connect(self.choose)
        self.question = QuestionBar()
        self.question.answered.connect(self.answer)
        self.question.passed.connect(self.cannot_say)
        area = QScrollArea()
        area.setWidgetResizable(True)
        area.setHorizontalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
        area.setWidget(self.canvas)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.addWidget(self.question)
        column.addWidget(area, 1)
        self.setFocusProxy(self.canvas)
        self._shown: tuple[object, ...] = ()

    @property
    def run(self) -> ProbeRun | None:
        """The probe of the box in hand."""
        return self.canvas.probing

    def show_box(self, device: Device | None) -> None:
        """Show how far the probe of a box is, where that has changed."""
        self.canvas.device = device
        run = self.run
        state = (device, run, self.canvas.selected) if run is None else (
            device, run, self.canvas.selected, run.state, run.stage, len(run.steps),
            sum(step.heard is not None for step in run.steps), run.question,
        )  # fmt: skip
        if state != self._shown:
            self._shown = state
            self.question.show_question(run, device)
            self.canvas.refresh()
        elif run is not None and run.state == "running":
            self.canvas.update()

    def lines(self) -> list[SheetLine]:
        """Its sheet."""
        return probe_lines(self._session, self.canvas.device, self.canvas.selected)

    def words(self) -> str:
        """The line under the heading."""
        run = self.run
        if run is None:
            return tr("What does this box obey, and how late is it? From silent to loud.")
        stage = tr("{number} of {all}, {title}.", number=run.stage + 1, all=len(STAGES),
                   title=STAGES[run.stage].title)  # fmt: skip
        words = {"running": stage, "asks": stage, "done": tr("Probed to the end."),
                 "paused": tr("Stopped at {stage}", stage=stage), "lost": run.why}  # fmt: skip
        return words.get(run.state, "")

    def choose(self, stage: int) -> None:
        """Another stage's figures on the sheet."""
        self.canvas.selected = stage % len(STAGES)
        self.canvas.refresh()
        self.changed.emit()

    def step(self, by: int) -> None:
        """The stage below or above."""
        self.choose(self.canvas.selected + by)

    def begin(self) -> None:
        """Probe the box in hand. EditError says why it cannot be."""
        device = self.canvas.device
        if device is not None:
            self._session.probings.begin(device)
            self.changed.emit()

    def acts(self) -> dict[str, Act]:
        """What does each action here; the answers by number."""
        numbers = {f"probe_answer_{n + 1}": partial(self.answer, n) for n in range(MOST_CHOICES)}
        return {**acts_of(self), **numbers}

    def answer(self, number: int) -> None:
        """One of the answers to what is asked."""
        run = self.run
        if run is None or run.question is None or number >= len(run.question.choices):
            self._session.say("info", tr("Nothing is asked just now."))
            return
        run.reply(run.question.choices[number][0])
        self.changed.emit()

    @does("probe_pass")
    def cannot_say(self) -> None:
        """What is asked cannot be said."""
        run = self.run
        if run is not None and run.question is not None and run.asks is None:
            run.reply("")
            self.changed.emit()

    @does("probe_take")
    def take_over(self) -> None:
        """Make the box what was found. EditError before there is anything."""
        device = self.canvas.device
        if device is None:
            return
        count = self._session.probings.take_over(device)
        self._session.say(
            "info",
            tr("{device} is what was heard of it: {changes}.", device=device.name,
               changes=counted(count, "change")),
        )  # fmt: skip
        self.changed.emit()
