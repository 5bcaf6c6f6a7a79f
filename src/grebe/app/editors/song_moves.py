"""Moving along a song."""

from __future__ import annotations

from typing import Literal

from grebe.app.doing import does
from grebe.app.editors.song_form import SongHand
from grebe.core.player.plan import sounding
from grebe.words import tr

GRIDS: tuple[Literal["bar", "beat", "sixteenth"], ...] = ("bar", "beat", "sixteenth")


class SongMoves:
    """What keys do to the cursor of the song."""

    def __init__(self, hand: SongHand) -> None:
        self.hand = hand

    @does("left")
    def section_before(self) -> None:
        """The section before, or this one's first beat."""
        spans = self.hand.layout.spans
        at = self.hand.layout.index_at(self.hand.tick)
        first = spans[at].tick
        self.hand.tick = spans[max(0, at - 1)].tick if self.hand.tick == first else first
        self.hand.anchor = None

    @does("right")
    def section_after(self) -> None:
        """The section after."""
        spans = self.hand.layout.spans
        self.hand.tick = spans[
            min(len(spans) - 1, self.hand.layout.index_at(self.hand.tick) + 1)
        ].tick
        self.hand.anchor = None

    def _by(self, steps: int, *, select: bool) -> None:
        span = self.hand.span
        if span is None:
            return
        if select and self.hand.anchor is None:
            self.hand.anchor = self.hand.tick
        elif not select:
            self.hand.anchor = None
        if steps < 0 and self.hand.tick == span.tick and self.hand.layout.index_at(self.hand.tick):
            span = self.hand.layout.spans[self.hand.layout.index_at(self.hand.tick) - 1]
        unit = self.hand.unit(span)
        inside = (self.hand.tick - span.tick) // unit * unit
        self.hand.tick = max(0, min(self.hand.layout.ticks - 1, span.tick + inside + steps * unit))
        landed = self.hand.layout.spans[self.hand.layout.index_at(self.hand.tick)]
        unit = self.hand.unit(landed)
        self.hand.tick = landed.tick + (self.hand.tick - landed.tick) // unit * unit

    @does("cursor_left")
    def cursor_left(self) -> None:
        """A bar, beat or sixteenth back."""
        self._by(-1, select=False)

    @does("cursor_right")
    def cursor_right(self) -> None:
        """A bar, beat or sixteenth on."""
        self._by(1, select=False)

    @does("select_left")
    def select_left(self) -> None:
        """Select back."""
        self._by(-1, select=True)

    @does("select_right")
    def select_right(self) -> None:
        """Select on."""
        self._by(1, select=True)

    @does("grid")
    def next_grid(self) -> None:
        """By bars, beats or sixteenths."""
        self.hand.grid = GRIDS[(GRIDS.index(self.hand.grid) + 1) % len(GRIDS)]
        self.hand.session.say("info", tr("The cursor goes by: {grid}.", grid=tr(self.hand.grid)))

    def _device(self, by: int) -> None:
        ids = [d.id for d in self.hand.devices]
        if ids:
            at = ids.index(self.hand.device_id) if self.hand.device_id in ids else 0
            self.hand.device_id = ids[max(0, min(len(ids) - 1, at + by))]
            self.hand.voice_id = ""

    @does("up")
    def device_before(self) -> None:
        """The device above."""
        self._device(-1)

    @does("down")
    def device_after(self) -> None:
        """The device below."""
        self._device(1)

    @does("one_voice")
    def voice(self) -> None:
        """Its next voice, or all of it."""
        span, device = self.hand.span, self.hand.device
        if span is None or device is None:
            return
        chain = set(span.scene.part(device.id).chain)
        voices = [
            v.id
            for p in self.hand.project.patterns
            if p.id in chain
            for v in sounding(p, device).voices
        ]
        ids = ["", *dict.fromkeys(voices)]
        at = ids.index(self.hand.voice_id) if self.hand.voice_id in ids else 0
        self.hand.voice_id = ids[(at + 1) % len(ids)]
