"""How a set is drawn, once: songs, tempo path, crossings. `canvas` has the pointer."""

from __future__ import annotations

from PyQt6.QtCore import QPointF, QRectF, Qt
from PyQt6.QtGui import QPainter, QPen, QPolygonF

from grebe.app.editors.set_form import SetHand
from grebe.core.sets.edit import versions_of
from grebe.core.sets.formatting import key_words, tempo_words
from grebe.core.sets.plan import PlacedSong
from grebe.core.time.formatting import clock_text
from grebe.ui.stations.set.crossings import EDGE, paint_between, tempo_points
from grebe.ui.stations.set.places import AXIS, FOOT, GAP, MOST_ENERGY, SONGS, VERSION, SetPlaces
from grebe.ui.widgets import draw
from grebe.ui.widgets.formatting import length_text
from grebe.ui.widgets.theme import Palette
from grebe.words import tr

LOW_WORDS = 22.0
"""A second pair of words under the path stands so much lower."""
NARROW = 62.0


class SetPicture:
    """One picture of a set, with all that it is made of."""

    def __init__(
        self, painter: QPainter, hand: SetHand, palette: Palette, places: SetPlaces
    ) -> None:
        self._painter, self._hand = painter, hand
        self._palette, self._places = palette, places

    def paint(self) -> None:
        """Draw it into the room that its places have."""
        plan = self._places.plan
        self._paint_axis()
        facts = [s.facts for s in plan.songs if s.facts is not None]
        most = max((max(f.energy) for f in facts), default=1.0)
        for song in plan.songs:
            self._paint_song(song, most)
        self._paint_spare()
        self._paint_wish()
        top = AXIS + SONGS + self._places.versions + 14
        low = self._places.foot or LOW_WORDS
        room = QRectF(0, top, self._places.width, self._places.height - low - top)
        self._paint_path(room)
        box = QRectF(0, self._places.height - self._places.foot + 8, self._places.width, FOOT - 10)
        if self._places.foot:
            paint_between(self._painter, self._palette, self._hand, plan, box)

    def _paint_axis(self) -> None:
        plan = self._places.plan
        p = self._palette
        draw.line(self._painter, EDGE, 24, self._places.width - EDGE, 24, p.rule, 1.5)
        longest = max(plan.seconds, plan.running.slot_s)
        step = next((m for m in (1, 2, 3, 5, 6, 10, 15, 30) if longest / 60 / m <= 12), 60)
        for minute in range(0, int(longest // 60) + 1, step):
            x = self._places.x_at(minute * 60.0)
            draw.line(self._painter, x, 19, x, 28, p.muted, 1.5)
            align = draw.LEFT if minute == 0 else draw.CENTRE
            words = tr("{minute} min", minute=minute) if minute == 0 else str(minute)
            draw.text(self._painter, x, 14, words, p.muted, size=12, align=align)

    def _paint_song(self, song: PlacedSong, most: float) -> None:
        p = self._palette
        block, facts = self._places.block_of(song), song.facts
        here = song.entry.id == self._hand.entry_id
        edge = p.crest if here else p.rule
        if facts is None:
            draw.panel(self._painter, block, p.ground, p.eye, width=2)
            draw.text(self._painter, block.left() + 6, AXIS + 24, song.entry.song, p.eye, size=14,
                      weight=600, width=block.width() - 8)  # fmt: skip
            return
        draw.panel(self._painter, block, p.panel, edge, width=2.5 if here else 1.0)
        self._paint_energy(song, block, most)
        x, wide = block.left() + 8, block.width() - 12
        if block.width() < NARROW:
            self._paint_narrow(song, block)
        else:
            pin = "\u2022 " if song.entry.pinned else ""
            draw.text(self._painter, x, AXIS + 22, f"{pin}{facts.song.name}", p.ink, size=16,
                      weight=600, width=wide)  # fmt: skip
            key = facts.key or tr("key not known")
            draw.text(self._painter, x, AXIS + 40, key, p.muted, size=14, width=wide)
            draw.text(self._painter, x, AXIS + 57, length_text(song.seconds), p.muted, size=14,
                      width=wide)  # fmt: skip
            draw.text(self._painter, x, AXIS + 80, f"{facts.bpm:g}", p.crest, size=20, weight=700,
                      width=wide)  # fmt: skip
        self._paint_versions(song, block)

    def _paint_narrow(self, song: PlacedSong, block: QRectF) -> None:
        """A short song: its name runs upwards."""
        p = self._palette
        assert song.facts is not None
        self._painter.save()
        self._painter.translate(block.left() + min(block.width() / 2 + 5, 20), block.bottom() - 8)
        self._painter.rotate(-90)
        draw.text(self._painter, 0, 0, f"{song.facts.song.name}  {song.facts.bpm:g}", p.ink,
                  size=14, weight=600, width=SONGS - 14)  # fmt: skip
        self._painter.restore()

    def _paint_energy(self, song: PlacedSong, block: QRectF, most: float) -> None:
        """Energy section by section, as water standing in the block."""
        facts, p = song.facts, self._palette
        assert facts is not None
        whole = sum(facts.weight)
        x = block.left() + 1
        colour = draw.see_through(p.water, 0.22)
        for energy, weight in zip(facts.energy, facts.weight, strict=True):
            wide = (block.width() - 2) * weight / whole
            tall = SONGS * MOST_ENERGY * energy / most
            draw.fill(self._painter, x, block.bottom() - 1 - tall, wide, tall, colour)
            x += wide

    def _paint_versions(self, song: PlacedSong, block: QRectF) -> None:
        """The other versions of the song, side by side under it."""
        others = [
            s for s in versions_of(self._hand.project, song.entry.song) if s.id != song.entry.song
        ]
        if not others:
            return
        p = self._palette
        other = others[0]
        facts = self._hand.book.facts(self._hand.project, other.id)
        if facts is None:
            return
        wide = min(
            self._places.width - block.left() - EDGE, max(130.0, facts.seconds * self._places.scale)
        )
        box = QRectF(block.left(), block.bottom() + 3, wide, VERSION - 5)
        draw.panel(self._painter, box, p.ground, p.rule)
        name = other.version or other.name
        draw.text(
            self._painter,
            box.left() + 6,
            box.bottom() - 4,
            tr("or {name}, {clock_text} (V)", name=name, clock_text=clock_text(facts.seconds)),
            p.muted,
            size=12,
            width=max(10.0, wide - 8),
        )

    def _paint_spare(self) -> None:
        """What is left of the slot, or where it ends too soon."""
        plan = self._places.plan
        spare, p = plan.spare_s, self._palette
        if spare is None:
            return
        x = self._places.x_at(plan.running.slot_s)
        if spare < 0:
            low = self._places.height - self._places.foot
            draw.line(self._painter, x, AXIS - 12, x, low, p.eye, 2, Qt.PenStyle.DashLine)
            draw.text(
                self._painter,
                x + 6,
                AXIS + SONGS + 12,
                tr("{clock_text} too long", clock_text=clock_text(-spare)),
                p.eye,
                size=14,
                weight=600,
            )
            return
        left = self._places.x_at(plan.seconds) + GAP
        box = QRectF(left, AXIS, max(2.0, x - left), SONGS)
        self._painter.setPen(QPen(p.reed, 1.5, Qt.PenStyle.DashLine))
        self._painter.setBrush(Qt.BrushStyle.NoBrush)
        self._painter.drawRoundedRect(box, 6, 6)
        words = tr("{clock_text} spare", clock_text=clock_text(spare))
        if box.width() > draw.text_width(words, 14, 600) + 8:
            draw.text(self._painter, box.center().x(), AXIS + SONGS - 10, words, p.reed, size=14,
                      weight=600, align=draw.CENTRE)  # fmt: skip
        else:
            draw.text(self._painter, x, AXIS + SONGS + 14, words, p.reed, size=14, weight=600,
                      align=draw.RIGHT)  # fmt: skip

    def _paint_wish(self) -> None:
        """The energy the performer wishes for."""
        points, p = self._places.wish_points(), self._palette
        if not points:
            return
        self._painter.setPen(QPen(p.crest, 1.5, Qt.PenStyle.DotLine))
        self._painter.setBrush(Qt.BrushStyle.NoBrush)
        self._painter.drawPolyline(QPolygonF(points))
        for point in points:
            draw.diamond(self._painter, point.x(), point.y(), 4, p.crest)

    def _paint_path(self, box: QRectF) -> None:
        """The tempo through the set, and how each song comes in, in words."""
        plan = self._places.plan
        p = self._palette
        draw.text(self._painter, EDGE, box.top() + 14, tr("Tempo path"), p.ink, size=14, weight=600)
        rows = plan.playable
        if not rows:
            return
        low = min(s.facts.low_bpm for s in rows if s.facts is not None)
        high = max(s.facts.high_bpm for s in rows if s.facts is not None)
        inner = QRectF(box.left(), box.top() + 26, box.width(), max(20.0, box.height() - 86))
        words_y = box.bottom() - 30

        def y(bpm: float) -> float:
            share = 0.5 if high == low else (bpm - low) / (high - low)
            return inner.bottom() - share * inner.height()

        last: QPointF | None = None
        for song in rows:
            points = [QPointF(self._places.x_at(at), y(bpm)) for at, bpm in tempo_points(song)]
            if last is not None and song.crossing is not None:
                stop = song.entry.into == "stop"
                jump = abs(last.y() - points[0].y()) > 1
                colour = p.muted if stop else p.crest if jump else p.water
                style = Qt.PenStyle.DotLine if stop else Qt.PenStyle.DashLine
                self._painter.setPen(QPen(colour, 1.5, style))
                self._painter.drawLine(last, points[0])
                x = points[0].x() - 1
                draw.line(self._painter, x, inner.top(), x, words_y - 16, p.rule, 1,
                          Qt.PenStyle.DotLine)  # fmt: skip
            self._painter.setPen(QPen(p.water, 4, Qt.PenStyle.SolidLine, Qt.PenCapStyle.FlatCap))
            self._painter.setBrush(Qt.BrushStyle.NoBrush)
            self._painter.drawPolyline(QPolygonF(points))
            last = points[-1]
        self._paint_crossings(words_y)

    def _paint_crossings(self, baseline: float) -> None:
        """Two lines at each crossing; a pair that would run into the one before stands lower."""
        plan = self._places.plan
        p = self._palette
        ends = [0.0, 0.0]
        for song in plan.songs:
            crossing = song.crossing
            if crossing is None:
                continue
            how, key = tempo_words(song.entry, crossing), key_words(crossing.key)
            fits = crossing.key is None or crossing.key.fits
            wide = max(draw.text_width(how, 14, 600), draw.text_width(key, 12, 600))
            x = max(
                wide / 2 + 2,
                min(self._places.width - wide / 2 - 2, self._places.x_at(song.start_s)),
            )
            row = 0 if x - wide / 2 >= ends[0] else 1
            ends[row] = x + wide / 2 + 10
            at = baseline + row * 30 - 8
            draw.text(self._painter, x, at, how, p.ink, size=14, weight=600, align=draw.CENTRE)
            colour = p.reed if fits and crossing.key else p.muted if fits else p.sand
            draw.text(
                self._painter, x, at + 14, key, colour, size=12, weight=600, align=draw.CENTRE
            )
