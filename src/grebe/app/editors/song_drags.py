"""What a dragging hand does to the song in hand. Each begins from the song as it was."""

from __future__ import annotations

from grebe.app.doing import does
from grebe.app.editors.song_form import SongHand
from grebe.core.patterns.shaping import Shape
from grebe.core.player.marks import curve_value
from grebe.core.songs import dragging, edit
from grebe.core.songs.layout import Layout
from grebe.core.songs.model import Marker, MuteRegion
from grebe.errors import EditError
from grebe.words import tr


class SongDrags:
    """Edits by a place of the pointer."""

    def __init__(self, hand: SongHand) -> None:
        self.hand = hand
        self.draws = False
        """Whether a drag over a box draws the curve in hand, instead of selecting."""

    @does("draw_curves")
    def draw_curves(self) -> None:
        """A drag draws the curve of the controller in hand, or selects again."""
        self.draws = not self.draws
        number = self.hand.controller
        self.hand.session.say(
            "info",
            tr("A drag over a box draws controller {number}; with Alt a line.", number=number)
            if self.draws else tr("A drag selects."),
        )  # fmt: skip

    def passes(self, layout: Layout, section: str, times: int) -> int:
        """So many passes of a section; what it became."""
        at = [s.id for s in layout.song.sections].index(section)
        self.hand.change(tr("Passes"), lambda s: edit.set_times(s, at, times))
        return next(s for s in self.hand.layout.song.sections if s.id == section).times

    def reorder(self, layout: Layout, section: str, to: int) -> None:
        """A section at another place, by number in the song as written."""
        at = [s.id for s in layout.song.sections].index(section)
        made = edit.move_section(layout.song, at, to - at)
        self.hand.change(tr("Move a section"), lambda _: made)

    def region(self, layout: Layout, section: str, old: MuteRegion, first: int, last: int) -> None:
        """A mute region from here to there instead."""
        rest = self.hand.project.layout(dragging.without_region(layout, section, old))
        made = edit.silence(rest, old.device, old.voice, first, last)
        self.hand.change(tr("Mute region"), lambda _: made)

    def marker(self, layout: Layout, section: str, marker: Marker, tick: int) -> None:
        """A marker elsewhere."""
        made = dragging.move_marker(layout, section, marker, tick)
        self.hand.change(tr("Marker"), lambda _: made)

    def draw(self, device: str, one: tuple[int, int], other: tuple[int, int]) -> None:
        """The curve in hand, from one place to another."""
        made = dragging.drawn_curve(self.hand.layout, device, self.hand.controller, one, other)
        self.hand.change(tr("Controller curve"), lambda _: made)

    def point(
        self, layout: Layout, device: str, controller: int, old: int, tick: int, value: int
    ) -> None:
        """A point of a curve elsewhere: both from and to ticks of the song as it was."""
        without = edit.put_curve_point(layout, device, controller, old, None)
        rest = self.hand.project.layout(without)
        made = edit.put_curve_point(rest, device, controller, tick, value)
        self.hand.change(tr("Controller curve"), lambda _: made)

    # Shapes, by name

    def _shape(self, shape: Shape) -> None:
        hand, span = self.hand, self.hand.span
        if span is None or hand.device is None:
            raise EditError(tr("there is no box to draw a curve for"))
        first, last = hand.selection
        if hand.anchor is None:
            first, last = span.tick, span.end
        curve = hand.curve
        low, high = 0, 127
        if curve is not None and shape == "ramp":
            low, high = (curve_value(curve, t - span.tick) for t in (first, last - 1))
            low, high = (low, high) if low != high else (0, 127)
        made = dragging.shaped_curve(
            hand.layout, hand.device_id, hand.controller, first, last, shape, low, high
        )
        hand.change(tr("Shape of a curve"), lambda _: made)

    @does("shape_ramp")
    def ramp(self) -> None:
        """Evenly over what is selected, else over the section."""
        self._shape("ramp")

    @does("shape_sine")
    def sine(self) -> None:
        """Up and down once over it."""
        self._shape("sine")

    @does("shape_steps")
    def steps(self) -> None:
        """Four stairs over it."""
        self._shape("steps")
