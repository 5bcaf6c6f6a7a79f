"""Stage: what comes next, when, and what changes with it."""

from __future__ import annotations

from collections.abc import Hashable

from PyQt6.QtCore import QRectF
from PyQt6.QtGui import QPainter

from grebe.app.actions.keymap import told
from grebe.app.live.session import Session
from grebe.app.live.stage_model import StageModel, StagePlace
from grebe.app.live.stage_numbers import StageNumbers
from grebe.core.rig.model import Device
from grebe.core.songs.layout import Layout, SectionSpan
from grebe.ui.stations.stage.blocks import STATES
from grebe.ui.widgets import draw
from grebe.ui.widgets.formatting import seconds_text
from grebe.ui.widgets.theme import NIGHT, Palette
from grebe.words import counted, tr

SILENT = {because: words for because, words in STATES.items() if because != "nothing"}
MOST_ROWS = 8
SHOWN = 12
"""Things that have a number, in two columns: so many have room at 1280x800."""


class NextPanel:
    """The panel at the right of Stage."""

    def __init__(self, session: Session, book: StageModel, numbers: StageNumbers) -> None:
        self.session, self.book, self.numbers = session, book, numbers
        self.palette_now: Palette = NIGHT

    def key(self, layout: Layout, now: StagePlace | None) -> Hashable:
        """What it depends on."""
        session, status = self.session, self.session.status
        typed = (self.numbers.typed, self.numbers.of)
        if now is None or status is None:
            return (id(layout), id(session.project), typed, None)
        following = now.following
        return (
            id(layout), id(session.project), typed, now.span.section.id,
            None if following is None else (following.section.id, following.bpm),
            None if now.other_song is None else now.other_song.id,
            status.launched, session.selection.play.entry, round(status.bpm, 1),
            session.tempo.scale, self._warning(now), tuple(self._promised().items()),
        )  # fmt: skip

    def _promised(self) -> dict[str, str]:
        """Why each line will be silent when the next section is in, by the engine's promise."""
        status = self.session.status
        if status is None or status.coming is None or status.coming.stays:
            return {}
        return {line.line: line.because for line in status.coming.lines}

    def _rows(self, following: SectionSpan | None) -> tuple[Device, ...]:
        """Boxes and tracks there is room for: what changes first, where there are more."""
        players = self.session.project.players
        if len(players) <= MOST_ROWS or following is None:
            return players
        promised = self._promised()
        status = self.session.status
        now = {s.line: s.pattern for s in status.lines} if status is not None else {}

        def waits(device: Device) -> int:
            chain = following.scene.part(device.id).chain
            otherwise = (chain[0] if chain else "") != now.get(device.id, "")
            return 0 if otherwise or promised.get(device.id, "") in SILENT else 1

        return tuple(sorted(players, key=waits))

    def _warning(self, now: StagePlace) -> str:
        """What the next tempo does to loops that run."""
        return "" if now.following is None else self.session.looping.warning(now.following.bpm)

    def paint(self, painter: QPainter, layout: Layout, now: StagePlace | None, box: QRectF) -> None:
        """What is next, or the number being typed; what moves with time is `paint_when`."""
        p = self.palette_now
        status = self.session.status
        launched = status is not None and status.launched and now is not None
        draw.panel(painter, box, p.ground, p.crest, width=3 if launched else 1.5)
        x, y = box.left() + 24, box.top()
        wide = box.width() - 48
        if self.numbers.typed is not None:
            self._paint_number(painter, layout, x, y, wide)
            return
        label = tr("NEXT, ASKED FOR") if launched else tr("NEXT")
        draw.text(painter, x, y + 40, label, p.crest, size=20, weight=600)
        if now is None:
            self._paint_first(painter, layout, x, y, wide)
            return
        following = now.following
        name = following.scene.name if following else self._after_the_end()
        draw.text(painter, x, y + 96, name, p.ink, size=60, weight=700, width=wide)
        if now.other_song is not None:
            draw.text(painter, x + wide, y + 40, now.other_song.name, p.crest, size=20, weight=600,
                      align=draw.RIGHT, width=wide - 170)  # fmt: skip
        warned = self._warning(now)
        below = 158.0
        if launched:
            below = 176.0
        elif warned:
            draw.text(painter, x, y + 162, warned, p.sand, size=16, weight=600, width=wide)
            below = 172.0
        room = QRectF(x, y + below, wide, box.height() - below - 12)
        self._paint_changes(painter, now.span, following, room)

    def paint_when(self, painter: QPainter, now: StagePlace, box: QRectF) -> None:
        """When the next comes in, and how long it can be taken back: what moves with time."""
        p, status = self.palette_now, self.session.status
        launched = status is not None and status.launched
        x, y, wide = box.left() + 24, box.top(), box.width() - 48
        beat_ticks = now.span.scene.meter.beat_ticks
        beats_left = -(-int(now.to_go_ticks) // beat_ticks)
        bars, beats = divmod(beats_left, now.beats)
        parts = [counted(bars, "bar")] if bars else []
        parts += [counted(beats, "beat")] if beats else []
        when = tr(
            "in {value} · {seconds_text}",
            value=" ".join(parts) or tr("a moment"),
            seconds_text=seconds_text(now.to_go_s),
        )
        if status is not None and status.held and not launched:
            when = tr("when you let go: {hold}, or {next_in}", hold=told("hold"),
                      next_in=told("next_in"))  # fmt: skip
        draw.text(painter, x, y + 134, when, p.crest if launched else p.ink, size=26, width=wide)
        if launched:
            left = tr(
                "{withdraw} takes it back, for {seconds_text}",
                withdraw=told("withdraw"),
                seconds_text=seconds_text(now.withdraw_s),
            )
            if now.withdraw_s <= 0:
                left = tr("too late to take back: boxes are told")
            draw.text(painter, x, y + 162, left, p.sand, size=20, width=wide)

    def _after_the_end(self) -> str:
        joined = self.session.selection.joined()
        after = self.session.selection.play.after(joined) if joined is not None else None
        return tr("Stop, then {after}", after=after.name) if after is not None else tr("The end")

    def _paint_first(
        self, painter: QPainter, layout: Layout, x: float, y: float, wide: float
    ) -> None:
        span = layout.spans[0]
        draw.text(
            painter,
            x,
            y + 96,
            span.scene.name,
            self.palette_now.ink,
            size=60,
            weight=700,
            width=wide,
        )
        draw.text(painter, x, y + 134, tr("with Space"), self.palette_now.ink, size=26, width=wide)
        self._paint_changes(painter, None, span, QRectF(x, y + 158, wide, 220))

    def _paint_number(
        self, painter: QPainter, layout: Layout, x: float, y: float, wide: float
    ) -> None:
        """A number being typed, and what has it."""
        p = self.palette_now
        line = self.numbers.line
        heading = {"scene": tr("SCENE NUMBER"), "song": tr("SONG NUMBER"),
                   "other scene": tr("SCENE OF THE OTHER PROJECT"),
                   "other song": tr("SONG OF THE OTHER PROJECT"),
                   "any scene": tr("ANY SCENE"), "any song": tr("ANY SONG OR SET"),
                   "pattern": tr("PATTERN: BOX OR TRACK FIRST")}[self.numbers.of]  # fmt: skip
        if line is not None:
            heading = tr("PATTERN OF {line}", line=line.name)
        draw.text(painter, x, y + 40, heading, p.crest, size=20, weight=600)
        draw.text(painter, x, y + 130, self.numbers.digits or "\u2026", p.ink, size=92, weight=700)
        names = self.numbers.named(layout)
        found = int(self.numbers.digits) if self.numbers.digits else 0
        name = names[found - 1][1] if 1 <= found <= len(names) else ""
        big = 44 if draw.text_width(name, 44, 600) <= wide - 140 else 28
        draw.text(painter, x + 140, y + 124, name, p.crest, size=big, weight=600, width=wide - 140)
        words = tr("Enter brings it in on the next bar, Esc lets it be.")
        if self.numbers.cost:
            words = self.numbers.cost
        if line is not None:
            words = tr("Enter on the bar, {end} at its end, {now} at once.", end=told("next_end"),
                       now=told("cut"))  # fmt: skip
        size = 20 if draw.text_width(words, 20, 400) <= wide else 16
        draw.text(painter, x, y + 168, words, p.muted, size=size, width=wide)
        first = max(0, (found - 1) // SHOWN * SHOWN) if found else 0
        for index, (_, label) in enumerate(names[first : first + SHOWN], start=first):
            column, row = divmod(index - first, SHOWN // 2)
            here = index + 1 == found
            draw.text(
                painter, x + column * wide / 2, y + 204 + row * 26, f"{index + 1}  {label}",
                p.ink if here else p.muted, size=20, weight=600 if here else 400,
                width=wide / 2 - 12,
            )  # fmt: skip

    def _paint_changes(
        self,
        painter: QPainter,
        here: SectionSpan | None,
        following: SectionSpan | None,
        box: QRectF,
    ) -> None:
        p = self.palette_now
        name = self.session.project.pattern_name
        passage = None
        if following is not None:
            passage = self.book.passage(None if here is None else here.scene, following)
        promised = self._promised()
        rows = self._rows(following)
        named = max((draw.text_width(d.name, 20, 600) for d in rows), default=0.0)
        beside = min(max(96.0, named), 0.45 * box.width()) + 12  # a track is named with its box
        for index, device in enumerate(rows):
            y = box.top() + 22 + index * 32
            if y > box.bottom():
                break
            draw.text(painter, box.left(), y, device.name, p.ink, size=20, weight=600,
                      width=beside - 12)  # fmt: skip
            after = following.scene.part(device.id).chain if following else ()
            told = " \u00b7 ".join(dict.fromkeys(name(q) for q in after)) or tr("silent")
            found = () if passage is None else passage.of(device.id)
            words = ", ".join(c.after for c in found)
            if not found:
                words = tr("stays on {told}", told=told) if after else tr("stays silent")
            because = promised.get(device.id, "")
            if because in SILENT:  # what comes is silent otherwise than the scene alone says
                words = f"{told}: {SILENT[because]}" if after else SILENT[because]
            by_hand = any(c.move is not None for c in found)
            colour = p.water if found else p.muted
            if by_hand:
                draw.diamond(painter, box.left() + beside, y - 7, 6, p.crest)
                words, colour = tr("{words}: by hand", words=words), p.crest
            elif found:
                draw.ring(painter, box.left() + beside, y - 7, 5, p.water, p.ground)
            draw.text(
                painter, box.left() + beside + 14, y, words, colour, size=20,
                weight=600 if found else 400, width=box.width() - beside - 14,
            )  # fmt: skip
