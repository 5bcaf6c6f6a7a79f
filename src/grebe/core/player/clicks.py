"""The clicks of a count-in and of the metronome, on the box that clicks."""

from __future__ import annotations

from collections.abc import Iterator

from grebe.core.player.deck import Deck
from grebe.core.player.device_player import DevicePlayers
from grebe.core.player.events import Due, NoteOff, NoteOn
from grebe.core.player.run import Run
from grebe.core.player.scheduler import ClickFalls
from grebe.core.rig.model import CountIn, Device
from grebe.core.time.meter import Meter
from grebe.core.time.ticks import CLOCK_TICKS

CLICK, CLICK_LOUD = 80, 120
"""Velocities of the clicks of a count-in, and of the first in a bar."""


def click_at(count_in: CountIn, device: Device, meter: Meter, since: int) -> NoteOn | None:
    """The click so many ticks after a bar line; None where no beat falls."""
    if since % meter.beat_ticks:
        return None
    velocity = CLICK if since % meter.bar_ticks else CLICK_LOUD
    return NoteOn(channel=device.channel, note=count_in.note, velocity=velocity)


def counted_in(
    count_in: CountIn, device: Device, meter: Meter, first: int, until: int
) -> Iterator[tuple[int, NoteOn]]:
    """(tick, click) of the beats from `first` on, which begins a bar, up to `until`."""
    for tick in range(first, until, meter.beat_ticks):
        click = click_at(count_in, device, meter, tick - first)
        if click is not None:
            yield tick, click


class Clicks:
    """Clicks of a run."""

    def __init__(self, run: Run, devices: DevicePlayers) -> None:
        self._run = run
        self._devices = devices

    @property
    def _deck(self) -> Deck | None:
        """Who clicks."""
        player = self._devices.get(str(self._run.plan.count_in.device))
        return None if player is None else player.deck

    def count_in(self, first: int, until: int) -> None:
        """Clicks on the beats from `first` on, the bars' first ones louder."""
        run, deck = self._run, self._deck
        if deck is not None:
            meter = run.span.scene.meter
            for tick, on in counted_in(run.plan.count_in, deck.device, meter, first, until):
                run.scheduler.at(tick, ClickFalls(on))

    def beat(self, out: list[Due], tick: int) -> None:
        """The metronome, where a beat falls on this tick."""
        run, deck = self._run, self._deck
        if deck is not None:
            since = tick - run.course.start
            click = click_at(run.plan.count_in, deck.device, run.span.scene.meter, since)
            if click is not None:
                self.click(out, tick, click)

    def click(self, out: list[Due], tick: int, on: NoteOn) -> None:
        """One click."""
        deck = self._deck
        if deck is not None:
            key, end = on.channel * 128 + on.note, tick + CLOCK_TICKS
            deck.held[key] = (end, NoteOff(channel=on.channel, note=on.note))
            out.append((tick, deck.device.id, on))
            self._run.scheduler.note_end(end, deck, key)
