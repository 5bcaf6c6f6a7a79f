"""The clicks of a count-in and of the metronome."""

from __future__ import annotations

from collections.abc import Iterator

from grebe.core.player.events import NoteOn
from grebe.core.rig.model import CountIn, Device
from grebe.core.time.meter import Meter

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
