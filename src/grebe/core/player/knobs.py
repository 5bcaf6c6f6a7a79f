"""The controllers of one line: where they stand, and on their way from scene to scene."""

from __future__ import annotations

from grebe.core.player.deck import Deck
from grebe.core.player.events import ControlChange, Due
from grebe.core.player.run import Run
from grebe.core.player.scheduler import FadeFalls
from grebe.core.songs.model import ControlValue, Part
from grebe.core.time.ticks import CLOCK_TICKS


class Knobs:
    """What Grebe has turned at one line."""

    def __init__(self, run: Run, deck: Deck) -> None:
        self._run, self._deck = run, deck
        self._fade = 0
        """Of the scene that came in last."""
        self._stands: dict[tuple[int, int], int] = {}
        """Where controllers stand, by channel and number."""

    def turn(
        self, out: list[Due], tick: int, channel: int | None, controller: int, value: int
    ) -> None:
        """A controller takes a value."""
        device = self._deck.device
        on = channel or device.channel
        self._stands[(on, controller)] = value
        out.append((tick, device.id, ControlChange(channel=on, controller=controller, value=value)))

    def take_part(self, out: list[Due], tick: int, part: Part) -> None:
        """Controllers take what a scene wants that comes in; what was on its way stops there."""
        self._fade += 1
        for value in part.values:
            self._go_to(out, tick, value, part.over_bars)
        self._freeze(out, tick, on=part.frozen)

    def _freeze(self, out: list[Due], tick: int, *, on: bool) -> None:
        """An echo is held as a loop, or let go."""
        device = self._deck.device
        number = device.spec.freeze_controller
        if number is not None:
            value = 127 if on else 0
            if self._stands.get((device.channel, number), 0) != value:
                self.turn(out, tick, None, number, value)

    def halt(self, out: list[Due], tick: int) -> None:
        """What is held as a loop is let go."""
        self._freeze(out, tick, on=False)

    def _go_to(self, out: list[Due], tick: int, value: ControlValue, bars: int) -> None:
        """At once, or from where it stands over some bars, a step of its value at a time, at most
        one a clock."""
        channel = value.channel or self._deck.device.channel
        stands = self._stands.get((channel, value.controller))
        ticks = bars * self._run.span.scene.meter.bar_ticks
        if not ticks or stands is None:
            self.turn(out, tick, channel, value.controller, value.value)
            return
        steps = min(abs(value.value - stands), ticks // CLOCK_TICKS)
        for step in range(1, steps + 1):
            there = stands + round((value.value - stands) * step / steps)
            falls = FadeFalls(self._deck, self._fade, channel, value.controller, there)
            self._run.scheduler.at(tick + ticks * step // steps, falls)

    def fade_falls(self, out: list[Due], tick: int, what: FadeFalls) -> None:
        """A step on the way, unless another scene has come in since."""
        if what.token == self._fade:
            self.turn(out, tick, what.channel, what.controller, what.value)
