"""Rehearse: what is asked for now, how it went, what to practise, coming in on the one."""

from __future__ import annotations

from PyQt6.QtCore import QPointF, QRectF
from PyQt6.QtGui import QPainter, QPaintEvent

from grebe.app.actions.keymap import told
from grebe.app.doing import does
from grebe.app.live.rehearsal import Rehearsal
from grebe.app.live.stage_model import StagePlace
from grebe.app.tables.listed import ListTable
from grebe.app.tables.table import Cell
from grebe.core.rehearse.score import Scored, Transition
from grebe.errors import EditError
from grebe.ui.widgets import draw
from grebe.ui.widgets.canvas import Canvas
from grebe.ui.widgets.formatting import seconds_text
from grebe.words import counted, tr

LEFT_SHARE = 0.56
ROW = 21.0
ONES_TALL = 176.0
FULL_MS = 120.0
"""A tap so far off is drawn at the edge."""
SHOWN_TAPS = 48
LONG_MS = 1000.0
LOOKS = {"good": "reed", "early": "sand", "late": "sand", "missed": "eye"}


class RehearsePane(Canvas):
    """A rehearsal: what is asked for now, how it went, and what to practise; drawn anew while it
    runs."""

    by_double = "drill"

    def __init__(self, rehearsal: Rehearsal) -> None:
        table = ListTable(
            (tr("How it went"),), self._names, self._cells, lambda: self.index, self._choose
        )
        super().__init__(rehearsal.session, table)
        self.rehearsal = rehearsal
        self.index = 0
        """The transition in hand, of those to practise."""
        self._rows: list[tuple[QRectF, int]] = []
        """Where the transitions that are seen are drawn."""
        self.setAccessibleName(tr("Rehearse"))

    # Read aloud, and the pointer

    def _names(self) -> list[str]:
        """What to practise, worst first."""
        return [f"{row.before} \u2192 {row.after}" for row in self.practise]

    def _cells(self, row: int) -> tuple[str, ...]:
        """How one went."""
        tried = self.practise[row]
        words = tr("{good} of {tries} good", good=tried.good, tries=tried.tries)
        return (f"{words}. {tried.worst}",)

    def _choose(self, row: int) -> None:
        self.index = row
        self.refresh()

    def cell_box(self, cell: Cell) -> QRectF:
        """A transition's panel; empty where it is not seen."""
        return next((box for box, row in self._rows if row == cell.row), QRectF())

    def cell_at(self, at: QPointF) -> Cell | None:
        """The transition there."""
        return next((Cell(row, 0) for box, row in self._rows if box.contains(at)), None)

    @property
    def practise(self) -> tuple[Transition, ...]:
        """What to practise, worst first."""
        return self.rehearsal.practise

    @does("rehearse")
    def rehearse(self) -> None:
        """Begin, or end."""
        if self.rehearsal.on:
            self.rehearsal.end()
        else:
            self.rehearsal.begin()
        self.update()

    @does("rehearse_by_hand")
    def by_hand(self) -> None:
        """Who launches."""
        self.rehearsal.by_hand = not self.rehearsal.by_hand
        self.update()

    @does("rehearse_next")
    def launch(self) -> None:
        """Bring in what is next."""
        self.session.performer.launch("", "bar")

    @does("rehearse_tick")
    def tick(self) -> None:
        """The announced move is done."""
        self.rehearsal.book.tick_off()

    @does("slower")
    def slower(self) -> None:
        """A step slower, then as written again."""
        pace = self.rehearsal.slower()
        self.session.say("info", tr("At {value:.0f} % of the tempo.", value=pace * 100))
        self.update()

    @does("tap_ones")
    def tap_ones(self) -> None:
        """Come in on the one: begin, or end and write it down."""
        self.rehearsal.tap_ones()
        self.update()

    @does("up")
    def up(self) -> None:
        """The transition above."""
        self._step(-1)

    @does("down")
    def down(self) -> None:
        """The transition below."""
        self._step(1)

    def _step(self, by: int) -> None:
        self.index = max(0, min(len(self.practise) - 1, self.index + by))
        self.update()

    @does("drill")
    def drill(self) -> None:
        """The transition in hand over and over, or end."""
        if self.rehearsal.on:
            self.rehearsal.end()
        elif self.practise:
            self.rehearsal.drill(self.practise[min(self.index, len(self.practise) - 1)])
        else:
            raise EditError(
                tr("nothing has been rehearsed yet: {rehearse} begins", rehearse=told("rehearse"))
            )
        self.update()

    # Drawing

    def paintEvent(self, event: QPaintEvent | None) -> None:
        """Draw everything: it changes while it runs."""
        del event
        painter = QPainter(self.surface)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        p = self.palette_now
        draw.fill(painter, 0, 0, self.width(), self.height(), p.ground)
        split = self.width() * LEFT_SHARE
        tall = self.height() - ONES_TALL - 12
        self._paint_now(painter, QRectF(2, 4, split - 8, 150))
        self._paint_scores(painter, QRectF(2, 166, split - 8, tall - 166))
        self._paint_practise(painter, QRectF(split + 8, 4, self.width() - split - 12, tall - 4))
        self._paint_ones(painter, QRectF(2, self.height() - ONES_TALL, self.width() - 6,
                                         ONES_TALL - 4))  # fmt: skip

    def _paint_now(self, painter: QPainter, box: QRectF) -> None:
        p, rehearsal = self.palette_now, self.rehearsal
        draw.panel(painter, box, p.panel, p.crest if rehearsal.on else p.rule,
                   width=2 if rehearsal.on else 1)  # fmt: skip
        x, wide = box.left() + 16, box.width() - 32
        share = self.session.tempo.scale * 100
        pace = "" if share == 100 else tr(", at {share:.0f} % of the tempo", share=share)
        who = tr("you launch") if rehearsal.by_hand else tr("Grebe launches")
        layout = self.session.derived.layout()
        now = rehearsal.book.now(layout) if layout is not None and rehearsal.on else None
        if now is None:
            draw.text(
                painter,
                x,
                box.top() + 34,
                tr("Ready: {who}{pace}", who=who, pace=pace),
                p.ink,
                size=20,
                weight=600,
            )
            names = ("rehearse", "rehearse_by_hand", "rehearse_next", "rehearse_tick", "drill",
                     "tap_ones")  # fmt: skip
            keys = [told(name) for name in names]
            lines = (
                tr(
                    "{keys} rehearses from the song in hand, counted in. {keys2}: who launches.",
                    keys=keys[0],
                    keys2=keys[1],
                ),
                tr(
                    "{keys} brings in what is next, {keys2} ticks a move off; or use Stage.",
                    keys=keys[2],
                    keys2=keys[3],
                ),
                tr(
                    "{keys} lets the transition in hand go round. {keys2}: in on the one.",
                    keys=keys[4],
                    keys2=keys[5],
                ),
            )
            for index, words in enumerate(lines):
                draw.text(painter, x, box.top() + 64 + index * 24, words, p.muted, size=14,
                          width=wide)  # fmt: skip
            return
        self._paint_asked(painter, box, now)

    def _paint_asked(self, painter: QPainter, box: QRectF, now: StagePlace) -> None:
        """What is wanted next, and when."""
        p, rehearsal = self.palette_now, self.rehearsal
        x, wide = box.left() + 16, box.width() - 32
        drilled = rehearsal.drilled is not None
        head = tr("{scene}, bar {bar}", scene=now.span.scene.name, bar=now.bar) + (
            "   " + tr("going round") if drilled else ""
        )
        draw.text(painter, x, box.top() + 36, head, p.ink, size=26, weight=700, width=wide * 0.6)
        following = now.following
        if following is not None:
            left = rehearsal.to_boundary_s()
            when = (
                tr(
                    "{scene} in {seconds_text}",
                    scene=following.scene.name,
                    seconds_text=seconds_text(left),
                )
                if left >= 0
                else (
                    tr(
                        "{scene} is {seconds_text} late",
                        scene=following.scene.name,
                        seconds_text=seconds_text(-left),
                    )
                )
            )
            draw.text(painter, x + wide, box.top() + 36, when, p.crest if left >= 0 else p.eye,
                      size=20, weight=600, align=draw.RIGHT, width=wide * 0.5)  # fmt: skip
        asked = rehearsal.asks(now)
        for index, (words, soon) in enumerate(asked[:4]):
            y = box.top() + 66 + index * 24
            colour = p.crest if soon else p.muted
            draw.diamond(painter, x + 7, y - 6, 6, colour)
            draw.text(painter, x + 22, y, words, colour, size=16, weight=600 if soon else 400,
                      width=wide - 24)  # fmt: skip
        if not asked:
            draw.text(painter, x, box.top() + 66, tr("Hands free"), p.muted, size=16)

    def _paint_scores(self, painter: QPainter, box: QRectF) -> None:
        p, scores = self.palette_now, self.rehearsal.scores
        good = sum(s.verdict == "good" for _, _, s in scores)
        words = (
            tr(
                "How it went: {good} of {things} good",
                good=good,
                things=counted(len(scores), "thing"),
            )
            if scores
            else (tr("How it went"))
        )
        draw.text(painter, box.left() + 2, box.top() + 16, words, p.ink, size=16, weight=600)
        rows = max(0, int((box.height() - 26) // ROW))
        for index, (before, after, scored) in enumerate(scores[:rows]):
            y = box.top() + 26 + (index + 1) * ROW - 6
            self._paint_score(painter, box, y, f"{before} \u2192 {after}", scored)

    def _paint_score(
        self, painter: QPainter, box: QRectF, y: float, where: str, scored: Scored
    ) -> None:
        p = self.palette_now
        colour = getattr(p, LOOKS[scored.verdict])
        wide = box.width()
        draw.text(painter, box.left() + 2, y, where, p.ink, size=14, width=wide * 0.34)
        draw.text(painter, box.left() + wide * 0.36, y, scored.asked.what, p.muted, size=14,
                  width=wide * 0.40)  # fmt: skip
        off_ms = abs(scored.off_ms or 0.0)
        off = (
            tr(" by {value:.1f} s", value=off_ms / 1000)
            if off_ms >= LONG_MS
            else tr(" by {off_ms:.0f} ms", off_ms=off_ms)
        )
        off = off if off_ms else ""
        draw.text(painter, box.right() - 4, y, scored.verdict + off, colour, size=14, weight=600,
                  align=draw.RIGHT, width=wide * 0.23)  # fmt: skip

    def _paint_practise(self, painter: QPainter, box: QRectF) -> None:
        p, rows = self.palette_now, self.practise
        self._rows = []
        draw.text(painter, box.left(), box.top() + 16, tr("What to practise"), p.ink, size=16,
                  weight=600)  # fmt: skip
        if not rows:
            draw.text(painter, box.left(), box.top() + 42, tr("Nothing has been rehearsed yet."),
                      p.muted, size=14)  # fmt: skip
            return
        self.index = min(self.index, len(rows) - 1)
        each = 46.0
        shown = max(1, int((box.height() - 26) // each))
        first = max(0, min(self.index - shown + 2, len(rows) - shown))
        for place, row in enumerate(rows[first : first + shown]):
            y = box.top() + 26 + place * each
            here = first + place == self.index
            frame = QRectF(box.left(), y, box.width(), each - 4)
            self._rows.append((frame, first + place))
            if here:
                draw.panel(painter, frame, p.soft, p.crest)
            share = row.fault
            colour = p.eye if share > 0.5 else p.sand if share > 0.1 else p.reed
            draw.fill(painter, box.left() + 4, y + 4, 5, each - 12, colour)
            x, wide = box.left() + 18, box.width() - 26
            draw.text(painter, x, y + 17, f"{row.before} \u2192 {row.after}", p.ink, size=14,
                      weight=600, width=wide * 0.62)  # fmt: skip
            draw.text(
                painter,
                box.right() - 8,
                y + 17,
                tr("{good} of {tries} good", good=row.good, tries=row.tries),
                colour,
                size=14,
                weight=600,
                align=draw.RIGHT,
            )
            words = (
                f"{row.song}. {row.worst}" if row.worst else tr("{song}. It sits.", song=row.song)
            )
            draw.text(painter, x, y + 35, words, p.muted, size=12, width=wide)

    def _paint_ones(self, painter: QPainter, box: QRectF) -> None:
        """Taps around the bar line, this run's figures, and the runs before."""
        p, rehearsal = self.palette_now, self.rehearsal
        draw.panel(painter, box, p.panel, p.crest if rehearsal.tapping else p.rule,
                   width=2 if rehearsal.tapping else 1)  # fmt: skip
        x = box.left() + 16
        draw.text(
            painter, x, box.top() + 24, tr("Bring it in on the one"), p.ink, size=16, weight=600
        )
        found = rehearsal.ones
        words = tr(
            "{tap_ones} begins, {tap} on every first beat, {tap_ones} again ends and "
            "writes it down.",
            tap_ones=told("tap_ones"),
            tap=told("tap"),
        )
        if rehearsal.tapping and found is None:
            words = tr("X on the first beat of every bar, or the tap pedal.")
        if found is not None:
            words = tr(
                "{found_words}  mean {mean_ms:+.0f} ms, spread {spread_ms:.0f} ms",
                found_words=found.words,
                mean_ms=found.mean_ms,
                spread_ms=found.spread_ms,
            )
        draw.text(painter, x + 190, box.top() + 24, words, p.muted if found is None else p.ink,
                  size=14, width=box.width() - 220)  # fmt: skip
        field = QRectF(x, box.top() + 36, box.width() * 0.6, box.height() - 50)
        middle = field.center().y()
        draw.line(painter, field.left(), middle, field.right(), middle, p.water, 2)
        for ms in (-100, -50, 50, 100):
            y = middle + ms / FULL_MS * field.height() / 2
            draw.line(painter, field.left(), y, field.right(), y, p.rule, 1)
            label = (
                tr("{value} ms {what}", value=abs(ms), what=tr("late") if ms > 0 else tr("early"))
                if abs(ms) == 100
                else ""
            )
            draw.text(painter, field.left(), y - 2, label, p.muted, size=12)
        for index, off in enumerate(rehearsal.taps[-SHOWN_TAPS:]):
            at = field.left() + 70 + index * (field.width() - 80) / SHOWN_TAPS
            held = max(-FULL_MS, min(FULL_MS, off))
            y = middle + held / FULL_MS * field.height() / 2
            draw.line(painter, at, middle, at, y, p.crest, 3)
            draw.diamond(painter, at, y, 4, p.crest)
        self._paint_history(painter, QRectF(field.right() + 20, field.top(), box.right() - 20 -
                                            field.right() - 20, field.height()))  # fmt: skip

    def _paint_history(self, painter: QPainter, box: QRectF) -> None:
        p, rows = self.palette_now, self.rehearsal.history[-5:]
        head = tr("Runs before: mean, spread") if rows else tr("No runs written down yet")
        draw.text(painter, box.left(), box.top() + 12, head, p.muted, size=12)
        for index, (day, mean, spread) in enumerate(reversed(rows)):
            y = box.top() + 34 + index * 19
            draw.text(painter, box.left(), y, day, p.ink, size=14)
            draw.text(
                painter,
                box.right(),
                y,
                tr("{mean:+.0f} ms, {spread:.0f} ms", mean=mean, spread=spread),
                p.ink,
                size=14,
                align=draw.RIGHT,
            )
