"""What can be taken hold of in a song's drawing, and what dragging it does."""

from __future__ import annotations

from collections.abc import Callable
from typing import Literal, NamedTuple

from PyQt6.QtCore import QPointF, Qt

from grebe.app.editors.song_editor import SongEditor
from grebe.core.player.marks import curve_value
from grebe.core.songs.dragging import region_at
from grebe.core.songs.layout import Layout, SectionSpan
from grebe.core.songs.model import Curve, CurvePoint, Marker, MuteRegion
from grebe.core.time.formatting import clock_text
from grebe.core.time.ticks import SIXTEENTH_TICKS
from grebe.ui.stations.song.places import SongPlaces
from grebe.ui.widgets.drags import Drag, EditDrag, Held, LookDrag
from grebe.words import counted, tr

GRAB_PX = 12.0
"""Half of what can be taken hold of: 24 px across."""
LINE_PX = 6.0
"""The same of a curve's line, which has to leave its row to be selected in."""
Kind = Literal["passes", "section", "ruler", "marker", "region", "edge", "point", "curve", "range"]

SHAPES: dict[Kind, Qt.CursorShape] = {
    "passes": Qt.CursorShape.SplitHCursor,
    "section": Qt.CursorShape.OpenHandCursor,
    "ruler": Qt.CursorShape.IBeamCursor,
    "marker": Qt.CursorShape.SizeHorCursor,
    "region": Qt.CursorShape.SizeAllCursor,
    "edge": Qt.CursorShape.SplitHCursor,
    "point": Qt.CursorShape.SizeAllCursor,
    "curve": Qt.CursorShape.CrossCursor,
    "range": Qt.CursorShape.ArrowCursor,
}
"""What a drag from there would do."""


class SongGrip(NamedTuple):
    """What is under the pointer."""

    kind: Kind
    span: SectionSpan
    device: str = ""
    region: MuteRegion | None = None
    marker: Marker | None = None
    curve: Curve | None = None
    point: CurvePoint | None = None


class SongGrips:
    """Knows the drawing's geometry and the editor; makes drags."""

    def __init__(
        self, editor: SongEditor, places: Callable[[], SongPlaces | None],
        point: Callable[[int, str, bool], None],
    ) -> None:  # fmt: skip
        """`point` puts the cursor at a tick and a box, or selects up to there."""
        self._editor, self._places, self._point = editor, places, point

    def at(self, at: QPointF) -> SongGrip | None:
        """What is under a point; None outside the song."""
        places = self._places()
        if places is None or at.x() < places.left:
            return None
        layout, tick = places.layout, places.tick_at(at.x())
        span = layout.spans[layout.index_at(tick)]
        if at.y() < places.ruler:
            return self._in_head(places, span, at)
        if at.y() < places.top:
            found = self._marker(places, at)
            return found or SongGrip("ruler", span)
        device = places.device_at(at.y())
        if not device:
            return SongGrip("range", span)
        return self._in_row(places, span, device, tick, at)

    def _in_head(self, places: SongPlaces, span: SectionSpan, at: QPointF) -> SongGrip:
        for each in places.layout.spans:
            if abs(places.x_at(each.end) - at.x()) < GRAB_PX:
                return SongGrip("passes", each)
        return SongGrip("section", span)

    def _marker(self, places: SongPlaces, at: QPointF) -> SongGrip | None:
        for span in places.layout.spans:
            for marker in span.section.markers:
                x = places.x_at(span.tick + marker.at * SIXTEENTH_TICKS)
                if abs(x - at.x()) < GRAB_PX:
                    return SongGrip("marker", span, marker=marker)
        return None

    def _in_row(
        self, places: SongPlaces, span: SectionSpan, device: str, tick: int, at: QPointF
    ) -> SongGrip:
        if self._editor.drags.draws:
            return SongGrip("curve", span, device)
        point = self._point_near(places, span, device, tick, at)
        if point is not None:
            return point
        edge = self._edge_at(places, device, at.x())
        if edge is not None:
            return edge
        found = region_at(places.layout, device, tick)
        if found is None:
            return SongGrip("range", span, device)
        return SongGrip("region", span, device, region=found[1])

    def _point_near(
        self, places: SongPlaces, span: SectionSpan, device: str, tick: int, at: QPointF
    ) -> SongGrip | None:
        """A point of a curve, or a place on its line, where a drag makes a point."""
        mine = [c for c in span.section.curves if c.device == device]
        for curve in mine:
            for point in curve.points:
                if (places.point_at(span, device, point) - at).manhattanLength() < GRAB_PX:
                    return SongGrip("point", span, device, curve=curve, point=point)
        for curve in mine:
            on_line = CurvePoint(
                at=(tick - span.tick) // SIXTEENTH_TICKS, value=curve_value(curve, tick - span.tick)
            )
            if abs(places.point_at(span, device, on_line).y() - at.y()) < LINE_PX:
                return SongGrip("point", span, device, curve=curve, point=on_line)
        return None

    def _edge_at(self, places: SongPlaces, device: str, x: float) -> SongGrip | None:
        """The end of a mute region near a place, also where that lies in the next section."""
        for span in places.layout.spans:
            for region in span.section.mutes:
                if region.device != device:
                    continue
                ends = (region.at, region.at + region.long)
                left, right = (places.x_at(span.tick + n * SIXTEENTH_TICKS) for n in ends)
                reach = min(GRAB_PX, (right - left) / 3)
                if min(abs(left - x), abs(right - x)) < reach:
                    return SongGrip("edge", span, device, region=region)
        return None

    # Drags

    def drag(self, grip: SongGrip, at: QPointF, held: Held) -> Drag | None:
        """What a press there begins."""
        places = self._places()
        if places is None:
            return None
        tick = places.tick_at(at.x())
        selects = bool(held & Held.ShiftModifier)
        self._point(tick, grip.device, selects)
        if selects or grip.kind == "range":
            return self._range(tick, grip.device)
        made = {
            "ruler": self._loop, "passes": self._passes, "section": self._section,
            "marker": self._marker_drag, "region": self._region, "edge": self._edge,
            "point": self._curve_point, "curve": self._curve,
        }[grip.kind]  # fmt: skip
        return made(places.layout, grip, at)

    def _edit(self, follow: Callable[[SongPlaces, QPointF, Held], str]) -> Drag:
        def moved(to: QPointF, held: Held) -> str:
            places = self._places()
            return "" if places is None else follow(places, to, held)

        return EditDrag(self._editor.session.store, moved)

    def _range(self, begun: int, device: str) -> Drag:
        """From the place where it began to the pointer, bars and box."""
        hand = self._editor.hand
        was = hand.anchor

        def look(to: QPointF, held: Held) -> str:
            del held
            places = self._places()
            if places is None:
                return ""
            self._point(places.tick_at(to.x()), device, True)
            return self._stretch(places.layout)

        def undone() -> None:
            hand.anchor = was

        del begun
        return LookDrag(look, undone)

    def _stretch(self, layout: Layout) -> str:
        first, last = self._editor.hand.selection
        seconds = layout.tempo.seconds_at(last) - layout.tempo.seconds_at(first)
        return tr(
            "bar {first} to {last}, {seconds:.1f} s", first=layout.bar_at(first),
            last=layout.bar_at(max(first, last - 1)), seconds=seconds,
        )  # fmt: skip

    def _loop(self, layout: Layout, grip: SongGrip, at: QPointF) -> Drag:
        """Over the ruler: those bars over and over, at once where something plays."""
        del layout, at
        drag = self._range(0, "")
        performer, hand = self._editor.session.performer, self._editor.hand

        class Loop:
            """A range that is looped when it is let go of."""

            moved = False

            def move(self, to: QPointF, held: Held) -> str:
                self.moved = True
                return tr("over and over: {stretch}", stretch=drag.move(to, held))

            def drop(self) -> None:
                drag.drop()
                if self.moved and hand.session.running:
                    performer.loop_over(*hand.selection)

            def take_back(self) -> None:
                drag.take_back()

        del grip
        return Loop()

    def _passes(self, layout: Layout, grip: SongGrip, at: QPointF) -> Drag:
        """A section's end: how many passes of it."""
        del at
        span = grip.span

        def follow(places: SongPlaces, to: QPointF, held: Held) -> str:
            del held
            ticks = places.tick_at(to.x(), held=False) - span.tick
            times = self._editor.drags.passes(
                layout, span.section.id, max(1, round(ticks / span.pass_ticks))
            )
            return counted(times, "pass", "passes")

        return self._edit(follow)

    def _section(self, layout: Layout, grip: SongGrip, at: QPointF) -> Drag:
        """A section's head: it goes before the one under the pointer."""
        del at
        section = grip.span.section.id

        def follow(places: SongPlaces, to: QPointF, held: Held) -> str:
            del held
            now = places.layout
            under = now.spans[now.index_at(places.tick_at(to.x()))].section.id
            if under != section:
                place = [s.id for s in now.song.sections].index(under)
                self._editor.drags.reorder(now, section, place)
                self._editor.hand.go_to_section(section)
            ids = [s.id for s in self._editor.hand.layout.song.sections]
            begins = self._editor.hand.layout.span_of(section)
            assert begins is not None
            return tr(
                "section {number} of {count}, bar {bar}", number=ids.index(section) + 1,
                count=len(ids), bar=begins.bar,
            )  # fmt: skip

        del layout
        return self._edit(follow)

    def _marker_drag(self, layout: Layout, grip: SongGrip, at: QPointF) -> Drag:
        del at
        marker, section = grip.marker, grip.span.section.id
        assert marker is not None

        def follow(places: SongPlaces, to: QPointF, held: Held) -> str:
            del held
            tick = places.on_grid(places.tick_at(to.x()), self._editor.hand.unit(grip.span))
            self._editor.drags.marker(layout, section, marker, tick)
            where = tr("bar {bar}", bar=layout.bar_at(tick))
            return f"{marker.name}: {where}"

        return self._edit(follow)

    def _region(self, layout: Layout, grip: SongGrip, at: QPointF) -> Drag:
        """A mute region's body: it lies elsewhere."""
        places, region = self._places(), grip.region
        assert places is not None
        assert region is not None
        begun = places.tick_at(at.x())

        def follow(places: SongPlaces, to: QPointF, held: Held) -> str:
            del held
            unit = self._editor.hand.unit(grip.span)
            by = round((places.tick_at(to.x(), held=False) - begun) / unit) * unit
            first = grip.span.tick + region.at * SIXTEENTH_TICKS + by
            first = max(0, min(layout.ticks - SIXTEENTH_TICKS, first))
            return self._put_region(layout, grip, first, first + region.long * SIXTEENTH_TICKS)

        return self._edit(follow)

    def _put_region(self, layout: Layout, grip: SongGrip, first: int, last: int) -> str:
        assert grip.region is not None
        last = min(layout.ticks, last)
        self._editor.drags.region(layout, grip.span.section.id, grip.region, first, last)
        return tr(
            "out from {first} to {last}", first=_place(layout, first), last=_place(layout, last)
        )  # fmt: skip

    def _edge(self, layout: Layout, grip: SongGrip, at: QPointF) -> Drag:
        """One end of a mute region."""
        places, region = self._places(), grip.region
        assert places is not None
        assert region is not None
        first = grip.span.tick + region.at * SIXTEENTH_TICKS
        last = first + region.long * SIXTEENTH_TICKS
        at_end = abs(places.x_at(last) - at.x()) < abs(places.x_at(first) - at.x())

        def follow(places: SongPlaces, to: QPointF, held: Held) -> str:
            del held
            unit = self._editor.hand.unit(grip.span)
            tick = places.on_grid(places.tick_at(to.x(), held=False), unit)
            if at_end:
                return self._put_region(layout, grip, first, max(first + SIXTEENTH_TICKS, tick))
            return self._put_region(layout, grip, max(0, min(last - SIXTEENTH_TICKS, tick)), last)

        return self._edit(follow)

    def _curve_point(self, layout: Layout, grip: SongGrip, at: QPointF) -> Drag:
        """A point of a curve: another place and value in its section."""
        del at
        curve, point, span = grip.curve, grip.point, grip.span
        assert curve is not None
        assert point is not None
        old = span.tick + point.at * SIXTEENTH_TICKS

        def follow(places: SongPlaces, to: QPointF, held: Held) -> str:
            del held
            tick = max(span.tick, min(span.end - 1, places.tick_at(to.x())))
            value = places.value_at(grip.device, to.y())
            self._editor.drags.point(layout, grip.device, curve.controller, old, tick, value)
            return tr("{place}: {value}", place=_place(layout, tick), value=value)

        return self._edit(follow)

    def _curve(self, layout: Layout, grip: SongGrip, at: QPointF) -> Drag:
        """Freehand; with Alt a line from where it began."""
        places = self._places()
        assert places is not None
        first = (places.tick_at(at.x()), places.value_at(grip.device, at.y()))
        last = [first]

        def follow(places: SongPlaces, to: QPointF, held: Held) -> str:
            span = grip.span
            tick = max(span.tick, min(span.end - 1, places.tick_at(to.x())))
            place = (tick, places.value_at(grip.device, to.y()))
            begin = first if held & Held.AltModifier else last[0]
            self._editor.drags.draw(grip.device, begin, place)
            last[0] = place
            return tr("{place}: {value}", place=_place(layout, tick), value=place[1])

        return self._edit(follow)

    # What is known there

    def words(self, grip: SongGrip, tick: int) -> str:
        """Of a mute its stretch, of a curve its value there; "" for anything else."""
        layout = self._editor.session.derived.layout()
        if layout is None:
            return ""
        if grip.region is not None:
            first = grip.span.tick + grip.region.at * SIXTEENTH_TICKS
            last = first + grip.region.long * SIXTEENTH_TICKS
            return tr("out from {first} to {last}", first=_place(layout, first),
                      last=_place(layout, last))  # fmt: skip
        if grip.marker is not None:
            at = grip.span.tick + grip.marker.at * SIXTEENTH_TICKS
            return f"{grip.marker.name}, {_place(layout, at)}"
        for curve in grip.span.section.curves:
            if curve.device == grip.device:
                value = curve_value(curve, tick - grip.span.tick)
                return tr("controller {number}: {value} is sent here",
                          number=curve.controller, value=value)  # fmt: skip
        return ""


def _place(layout: Layout, tick: int) -> str:
    """A place as bar and beat, and on the clock."""
    span = layout.spans[layout.index_at(max(0, min(layout.ticks - 1, tick)))]
    meter, inside = span.scene.meter, tick - span.tick
    bar, beat = divmod(inside, meter.bar_ticks)
    at = clock_text(layout.tempo.seconds_at(tick))
    return f"{span.bar + bar}.{beat // meter.beat_ticks + 1} ({at})"
