"""The blocks of Stage: each box or track, whether it sounds, its number, its port; loop tracks in
them. Eight at a time have the digits."""

from __future__ import annotations

from collections.abc import Hashable
from math import ceil

from PyQt6.QtCore import QPointF, QRectF
from PyQt6.QtGui import QPainter

from grebe.app.live.session import Session
from grebe.app.live.stage_model import StageModel
from grebe.app.live.stage_numbers import on_page
from grebe.core.player.promise import LineState
from grebe.core.rig.lines import box_of
from grebe.core.rig.model import Device
from grebe.core.time.ticks import TICKS_PER_QUARTER
from grebe.ui.widgets import draw
from grebe.ui.widgets.formatting import late_text
from grebe.ui.widgets.theme import NIGHT, Palette
from grebe.words import counted, tr

FEWEST, WIDEST = 4, 240.0
GAP = 10.0
TOUCH = 60.0
"""Height of what a finger means a loop track by: the lower part of its block."""
TRACK_LOOKS = {
    "empty": ("ground", "muted"), "recording": ("eye", "ground"), "playing": ("water", "ground"),
    "overdubbing": ("sand", "ground"), "stopped": ("ground", "ink"),
}  # fmt: skip
"""Fill and ink of a loop track's cell."""
TRACK_SIGNS = {"empty": "", "recording": "\u2193", "playing": "", "overdubbing": "+", "stopped": ""}
"""Beside the number: taking in, adding."""
STATES = {
    "scene": tr("muted by scene"), "region": tr("muted by song"),
    "hand": tr("muted by hand"), "solo": tr("others alone"), "nothing": tr("silent here"),
}  # fmt: skip
"""Why a line is silent."""
ACTS = {"record": tr("records"), "play": tr("plays"), "stop": tr("stops")}


class Blocks:
    """A row of blocks, one a box."""

    def __init__(self, session: Session, book: StageModel) -> None:
        self._session = session
        self._book = book
        self._boxes: list[QRectF] = []
        self._cells: list[tuple[QRectF, int]] = []
        self.palette_now: Palette = NIGHT

    def number_at(self, place: QPointF) -> int:
        """The number of the block at a place; 0 for none."""
        for number, box in enumerate(self._boxes, start=1):
            if box.contains(place):
                return number
        return 0

    def track_at(self, place: QPointF) -> int:
        """The number of the loop track at a place; 0 for none."""
        return next((number for box, number in self._cells if box.contains(place)), 0)

    def key(self) -> Hashable:
        """All that the row depends on."""
        session, status = self._session, self._session.status
        devices = on_page(session)
        if status is None:
            return (id(session.project), None)
        off = tuple(
            None if (ms := session.position.off_by_ms(d)) is None else late_text(ms)
            for d in devices
        )
        return (
            id(session.project), status.running, status.mutes, status.solos, status.section,
            status.lines, session.stage.page, tuple(d.port for d in status.devices), off,
            status.tracks, session.looping.bars, session.looping.at, self._track_words(),
        )  # fmt: skip

    def paint(self, painter: QPainter, box: QRectF) -> None:
        """Draw the row."""
        session = self._session
        status = session.status
        silent = set(status.mutes) if status is not None else set()
        ports = {d.id: d.port for d in status.devices} if status is not None else {}
        devices = on_page(session)
        count = max(FEWEST, len(devices))
        wide = min(WIDEST, (box.width() - 3 - GAP * (count - 1)) / count)
        self._boxes, self._cells = [], []
        for index, device in enumerate(devices):
            block = QRectF(
                box.left() + 1 + index * (wide + GAP), box.top() + 2, wide, box.height() - 4
            )
            self._boxes.append(block)
            muted = (device.id, "") in silent
            self._block(painter, block, device, index + 1, muted=muted,
                        gone=ports.get(box_of(device.id)) == "gone")  # fmt: skip

    def _block(
        self, painter: QPainter, block: QRectF, device: Device, number: int, *, muted: bool,
        gone: bool,
    ) -> None:  # fmt: skip
        p, session, wide = self.palette_now, self._session, block.width()
        status = session.status
        alone = status is not None and (device.id, "") in status.solos
        state = self._line(device)
        hushed = state is not None and state.because == "solo"
        if state is None:
            hushed = status is not None and bool(status.solos) and not alone
        edge = p.eye if gone else p.crest if alone else p.rule if muted or hushed else p.water
        draw.panel(painter, block, p.ground if muted or hushed else p.soft, edge,
                   width=3 if alone else 2)  # fmt: skip
        if muted or hushed:
            draw.hatch(painter, block.adjusted(6, 6, -6, -6), p.rule)
        x, y = block.left() + 14, block.top()
        colour = p.muted if muted or hushed else p.ink
        box = session.project.rig.name_of(box_of(device.id))
        if box_of(device.id) == device.id:
            draw.text(painter, x, y + 36, device.name, colour, size=26, weight=600, width=wide - 28)
        else:  # a track by its own name, its box's small beside its number
            name = device.name.removeprefix(f"{box} ")
            draw.text(painter, x, y + 36, name, colour, size=26, weight=600, width=wide - 28)
            draw.text(painter, x, block.bottom() - 10, box, p.muted, size=16, width=wide - 50)
        looping = session.looping.looper
        if looping is not None and looping.id == device.id and not gone:
            self._tracks(painter, QRectF(x, y + 46, wide - 24, 42))
            draw.text(painter, block.right() - 12, y + 34, str(number), p.muted, size=16,
                      align=draw.RIGHT)  # fmt: skip
            return
        off_ms = session.position.off_by_ms(device)
        wrong = gone or off_ms is not None
        words = self._state(device, muted=muted, alone=alone, hushed=hushed)
        words = words if off_ms is None else late_text(off_ms)
        draw.text(
            painter, x, y + 62, tr("port gone") if gone else words, p.eye if wrong else colour,
            size=20, weight=600 if wrong else 400, width=wide - 28,
        )  # fmt: skip
        draw.text(
            painter, block.right() - 12, block.bottom() - 10, str(number), p.muted,
            size=16, align=draw.RIGHT,
        )  # fmt: skip

    def _tracks(self, painter: QPainter, box: QRectF) -> None:
        """Loop tracks: a cell each, its look by what it does, a word for what is armed."""
        p, tracks = self.palette_now, self._session.looping.tracks()
        if not tracks:
            draw.text(painter, box.left(), box.top() + 16, tr("tracks not known"), p.muted, size=16)
            return
        wide = (box.width() - 4 * (len(tracks) - 1)) / len(tracks)
        for index, track in enumerate(tracks):
            cell = QRectF(box.left() + index * (wide + 4), box.top(), wide, 24)
            self._cells.append(
                (QRectF(cell.left() - 2, box.top() - 8, wide + 4, TOUCH), track.number)
            )
            fill, ink = TRACK_LOOKS[track.state]
            draw.panel(painter, cell, getattr(p, fill), p.crest if track.armed else p.rule,
                       width=3 if track.armed else 1.5)  # fmt: skip
            if track.state == "stopped":
                draw.hatch(painter, cell.adjusted(3, 3, -3, -3), p.muted)
            word = str(track.number) + TRACK_SIGNS[track.state]
            draw.text(painter, cell.center().x(), cell.bottom() - 6, word, getattr(p, ink),
                      size=16, weight=700, align=draw.CENTRE)  # fmt: skip
        draw.text(painter, box.left(), box.top() + 40, self._track_words(), p.muted, size=14,
                  width=box.width())  # fmt: skip

    def _track_words(self) -> str:
        """What is armed and when, else how long the loops are."""
        tracks, session = self._session.looping.tracks(), self._session
        layout = session.derived.layout()
        for track in tracks:
            if track.armed:
                beats = max(0.0, track.armed_at - session.position.tick_now()) / TICKS_PER_QUARTER
                return tr(
                    "{track_number} {acts} in {ceil} beats",
                    track_number=track.number,
                    acts=ACTS[track.armed],
                    ceil=ceil(beats),
                )
        bar = layout.spans[0].scene.meter.bar_ticks if layout is not None and layout.spans else 0
        lengths = [
            tr("{t_number}: {value:.3g} bars", t_number=t.number, value=t.ticks / bar)
            for t in tracks
            if t.ticks and bar
        ]
        if lengths:
            return ", ".join(lengths)
        bars = session.looping.bars
        where = tr("bars") if session.looping.at == "bar" else tr("the loop")
        return (
            tr("on {where}, {bars}", where=where, bars=counted(bars, "bar"))
            if bars
            else tr("on {where}, open", where=where)
        )

    def _state(self, device: Device, *, muted: bool, alone: bool, hushed: bool) -> str:
        state = self._line(device)
        if alone:
            return "alone"
        if hushed:
            return STATES["solo"]
        if muted:
            by_hand = device.plays == "own" and device.mute_controller is None
            if by_hand:
                return tr("mute it by hand")
            return STATES.get(state.because, tr("muted")) if state is not None else tr("muted")
        if state is None:
            return tr("ready")
        if state.because:
            return STATES[state.because]
        pattern = self._session.project.patterns_by_id.get(state.pattern)
        if state.swapped:
            name = state.pattern if pattern is None else pattern.name
            return tr("{pattern}, by hand", pattern=name)
        return tr("sounding") if pattern is None else pattern.name

    def _line(self, device: Device) -> LineState | None:
        """What the engine says that it does; None while nothing runs."""
        status = self._session.status
        lines = () if status is None or not status.running else status.lines
        return next((line for line in lines if line.line == device.id), None)
