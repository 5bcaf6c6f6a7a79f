"""The other computers of the session: how late each one's beat is, how sure that is."""

from __future__ import annotations

from PyQt6.QtCore import QPointF, QRectF, pyqtSignal
from PyQt6.QtGui import QColor, QPainter

from grebe.app.actions.keymap import told
from grebe.app.live.session import Session
from grebe.app.tables.listed import ListTable
from grebe.app.tables.table import Cell
from grebe.protocols.link.session import OscState, PeerRow, Peers
from grebe.ui.widgets import draw
from grebe.ui.widgets.canvas import Canvas
from grebe.ui.widgets.formatting import late_text
from grebe.ui.widgets.sheet import SheetLine, head, note, row
from grebe.words import counted, tr

HEAD = 40.0
ROW = 84.0
NAMES = 190.0
FIGURES = 300.0
FULL_MS = 2.0
"""Offset drawn at full height: what is more is heard."""
SHOWN_NS = 60_000_000_000
COLUMNS = ((tr("apart"), "ms"), (tr("sure to"), "ms"), (tr("round trip"), "ms"), (tr("lost"), "%"))
GOOD_MS = 1.0
MUCH_LOST = 10.0


def signed(ms: float) -> str:
    """Hundredths of a millisecond with a sign, and nothing without one."""
    return f"{round(ms, 2) + 0.0:+.2f}"


class ComputersCanvas(Canvas):
    """A strip for each: the last minute of its beat against ours."""

    computer_clicked = pyqtSignal(str)

    def __init__(self, session: Session) -> None:
        table = ListTable(
            (tr("Standing"), tr("Apart"), tr("Delay"), tr("Lost")),
            self._names,
            self._cells,
            self._here,
            lambda row: self.computer_clicked.emit(self.session.network.rows[row].id),
        )  # fmt: skip
        super().__init__(session, table)
        self.selected = ""
        self._boxes: list[tuple[QRectF, str]] = []
        self.setAccessibleName(tr("Other computers"))

    def row(self) -> PeerRow | None:
        """The one that is selected, else the first."""
        rows = self.session.network.rows
        return next((r for r in rows if r.id == self.selected), rows[0] if rows else None)

    def _names(self) -> list[str]:
        """Computers."""
        return [row.name for row in self.session.network.rows]

    def _cells(self, row: int) -> tuple[str, ...]:
        """A computer's figures."""
        peer = self.session.network.rows[row]
        return (
            self._standing(peer)[0],
            "-" if peer.offset_ms is None else f"{signed(peer.offset_ms)} ms",
            f"{peer.delay_ms:.1f} ms", f"{peer.lost_percent:.0f} %",
        )  # fmt: skip

    def _here(self) -> int:
        chosen = self.row()
        return next((i for i, r in enumerate(self.session.network.rows) if r is chosen), -1)

    def cell_box(self, cell: Cell) -> QRectF:
        """A computer's line."""
        return self._boxes[cell.row][0] if cell.row < len(self._boxes) else QRectF()

    def cell_at(self, at: QPointF) -> Cell | None:
        """The computer there."""
        found = (i for i, (box, _) in enumerate(self._boxes) if box.contains(at))
        return next((Cell(i, 0) for i in found), None)

    def pick(self, at: QPointF, *, selects: bool = False) -> bool:
        """Take a computer in hand."""
        del selects
        cell = self.cell_at(at)
        if cell is not None:
            self.computer_clicked.emit(self._boxes[cell.row][1])
        return cell is not None

    def paint_still(self, painter: QPainter) -> None:
        """Headings."""
        p, right = self.palette_now, self.width() - FIGURES
        for index, (words, unit) in enumerate(COLUMNS):
            x = right + 8 + index * 74
            draw.text(painter, x, 16, words, p.ink, size=14, weight=600)
            draw.text(painter, x, 33, unit, p.muted, size=12)

    def paint_moving(self, painter: QPainter) -> None:
        """The strips."""
        rows = self.session.network.rows
        self._boxes = []
        if not rows:
            self._paint_nobody(painter)
        chosen = self.row()
        for index, peer in enumerate(rows):
            box = QRectF(0, HEAD + index * ROW, self.width(), ROW)
            self._boxes.append((box, peer.id))
            self._paint_row(painter, box, peer, chosen=peer is chosen)

    def _paint_nobody(self, painter: QPainter) -> None:
        p = self.palette_now
        lines = [tr("{session} joins the session; it is off until then.", session=told("session"))]
        if self.session.network.on:
            lines = [
                tr("Nobody else is there yet."),
                tr("Who joins is heard of within two seconds."),
            ]
        for index, words in enumerate(lines):
            draw.text(painter, 10, HEAD + 34 + index * 24, words, p.muted, size=16)

    def _paint_row(self, painter: QPainter, box: QRectF, peer: PeerRow, *, chosen: bool) -> None:
        p, middle = self.palette_now, box.center().y()
        if chosen:
            draw.fill(painter, 0, box.top() + 10, 3, ROW - 20, p.crest)
        draw.text(painter, 10, middle - 8, peer.name, p.ink, size=16, weight=600, width=170)
        words, colour = self._standing(peer)
        draw.text(painter, 10, middle + 12, words, colour, size=14, weight=600, width=176)
        tempo = f"{peer.bpm:.2f} BPM, {tr('plays') if peer.runs else tr('stopped')}"
        draw.text(painter, 10, middle + 30, tempo, p.muted, size=12, width=176)
        strip = QRectF(NAMES + 30, box.top() + 12, self.width() - FIGURES - NAMES - 50, ROW - 24)
        self._paint_strip(painter, strip, peer, colour)
        draw.line(painter, 0, box.bottom(), self.width(), box.bottom(), p.rule)
        right = self.width() - FIGURES
        apart = "\u2013" if peer.offset_ms is None else signed(peer.offset_ms)
        figures = (
            apart,
            f"{peer.spread_ms:.2f}",
            f"{peer.delay_ms:.1f}",
            f"{peer.lost_percent:.0f}",
        )
        for index, figure in enumerate(figures):
            much = index == 3 and peer.lost_percent > MUCH_LOST
            ink = p.sand if much else p.ink
            draw.text(painter, right + 8 + index * 74, middle + 6, figure, ink, size=20, weight=600)

    def _standing(self, peer: PeerRow) -> tuple[str, QColor]:
        p = self.palette_now
        if peer.standing == "apart":
            return tr("another session of this name"), p.sand
        if peer.standing == "joining":
            return "joining", p.muted
        if not peer.accepted:
            wish = (
                tr("asks for {asks_bpm:g} BPM", asks_bpm=peer.asks_bpm)
                if peer.asks_bpm
                else tr("not accepted yet")
            )
            return wish, p.crest
        if peer.offset_ms is None:
            return tr("at another tempo"), p.sand
        if abs(peer.offset_ms) > GOOD_MS + peer.spread_ms:
            return late_text(peer.offset_ms), p.eye
        return (tr("keeps the time") if peer.reference else tr("together")), p.reed

    def _paint_strip(self, painter: QPainter, strip: QRectF, peer: PeerRow, colour: QColor) -> None:
        p, middle, half = self.palette_now, strip.center().y(), strip.height() / 2
        draw.line(painter, strip.left(), middle, strip.right(), middle, p.water, 1.5)
        for words, y in (
            (f"\u2212{FULL_MS:g}", strip.top() + 9),
            (f"+{FULL_MS:g}", strip.bottom()),
        ):
            draw.text(painter, strip.left() - 5, y, words, p.muted, size=12, align=draw.RIGHT)
        sure = min(1.0, peer.spread_ms / FULL_MS) * half
        if sure > 0.5:
            draw.fill(painter, strip.left(), middle - sure, strip.width(), 2 * sure, p.soft)
            draw.line(painter, strip.left(), middle, strip.right(), middle, p.water, 1.5)
        now = self.session.position.now_ns()
        ink = p.water if colour in (p.reed, p.muted) else colour
        for at_ns, ms in self.session.network.offsets.get(peer.id, ()):
            age = (now - at_ns) / SHOWN_NS
            if age < 1:
                x = strip.right() - age * strip.width()
                height = max(-1.0, min(1.0, ms / FULL_MS)) * half
                draw.line(painter, x, middle, x, middle + (height or 1), ink, 2)


def computers_words(peers: Peers | None) -> str:
    """The line under the heading."""
    if peers is None or peers.state == "off":
        return tr("Several computers, one beat. Off until {session}.", session=told("session"))
    if peers.state == "starting":
        return tr("The network is being started.")
    if peers.state == "listening":
        return tr("Listening for {session} on the network.", session=peers.session)
    here = sum(r.standing == "here" for r in peers.rows)
    others = counted(here, "other computer") if here else tr("nobody else yet")
    joining = tr("joining") if peers.state == "joining" else tr("in")
    return tr(
        "{peers} is {joining} {session}: {others}, {bpm:.2f} BPM.",
        peers=peers.name,
        joining=joining,
        session=peers.session,
        others=others,
        bpm=peers.bpm,
    )


def computer_lines(session: Session, peer: PeerRow | None) -> list[SheetLine]:
    """The sheet's lines on the session and on the one that is selected."""
    peers = session.network.peers
    lines = peer_lines(peer) if peer is not None else []
    if not session.network.on:  # what joining does is said before it is done
        lines += [head(tr("Joining")), note(session.network.tempo_words)]
    if peers is not None and peers.session:
        lines += [head(tr("The session")), row(tr("Called"), peers.session)]
        if peers.sealed:
            lines.append(row(tr("Passphrase"), "yes", "good"))
        else:
            lines.append(row(tr("Passphrase"), "none", "look"))
        lines.append(row(tr("On the one of"), counted(peers.quantum_beats, "beat")))
        lines.append(
            row(tr("Our time"), tr("sure to {spread_ms:.2f} ms", spread_ms=peers.spread_ms))
        )
        if peers.dropped:
            lines.append(row(tr("Dropped"), counted(peers.dropped, "packet"), "look"))
    if peers is not None and peers.problem:
        lines.append(note(f"{peers.problem}.", "look"))
    if peers is not None and peers.osc is not None:
        lines += _osc_lines(peers.osc)
    return lines


def peer_lines(peer: PeerRow) -> list[SheetLine]:
    """What is known of one computer."""
    lines = [
        head(peer.name),
        row(tr("Address"), peer.address),
        row(tr("Tempo"), f"{peer.bpm:.2f} BPM"),
    ]
    if peer.offset_ms is not None:
        lines.append(row(tr("Its beat"), tr("{signed} ms", signed=signed(peer.offset_ms))))
        lines.append(row(tr("Sure to"), tr("{spread_ms:.2f} ms", spread_ms=peer.spread_ms)))
    lines.append(row(tr("Round trip"), tr("{delay_ms:.1f} ms", delay_ms=peer.delay_ms)))
    lines.append(row(tr("Lost"), f"{peer.lost_percent:.0f} %"))
    if peer.reference:
        lines.append(note(tr("It came first: its clock is gone by.")))
    if not peer.accepted:
        words = tr(
            "Without a passphrase its tempo and starts wait: {set_offset} accepts it.",
            set_offset=told("set_offset"),
        )
        lines.append(note(words, "yours"))
    return [*lines, SheetLine("", kind="gap")]


def _osc_lines(osc: OscState) -> list[SheetLine]:
    lines = [SheetLine("", kind="gap"), head(tr("OSC"))]
    lines.append(row(tr("Port"), str(osc.port)) if osc.port else row(tr("Port"), "none", "wrong"))
    lines.append(row(tr("Heard from"), tr("others, too") if osc.open else tr("this computer")))
    lines.append(row(tr("Told"), counted(len(osc.clients), "client")))
    if osc.refused:
        lines.append(row(tr("Refused"), str(osc.refused), "look"))
    if osc.problem:
        lines.append(note(f"{osc.problem}.", "look"))
    return lines
