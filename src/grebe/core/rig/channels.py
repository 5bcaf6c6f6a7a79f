"""The channel list of a mixer, or of whatever sounds come together in: from the audio cables."""

from __future__ import annotations

from typing import NamedTuple

from grebe.core.rig.model import Cable, Device, Rig
from grebe.core.rig.wiring import Wiring
from grebe.words import tr

FEWEST = 2
"""Cables that come together in a box before it has a channel list."""


class DeskChannel(NamedTuple):
    """One channel."""

    number: int
    box: str
    """Id of the box that is plugged there."""
    jack: str
    """Where it goes in."""
    source: str
    """That box and its output in words."""
    through: str
    """What else is heard in it: boxes before that one; "" for none."""


class Desk(NamedTuple):
    """A box in which sounds come together."""

    device: Device
    channels: tuple[DeskChannel, ...]


def desks(rig: Rig) -> tuple[Desk, ...]:
    """Boxes with two audio cables or more, in the order of the rig, each by its jacks."""
    wiring = Wiring(rig)
    out: list[Desk] = []
    for device in rig.devices:
        cables = [c for c in wiring.arriving[device.id] if _is_heard(c)]
        if len(cables) >= FEWEST:
            order = [j.id for j in device.spec.jacks]
            cables.sort(key=lambda c: order.index(c.target_jack) if c.target_jack in order else 999)
            rows = tuple(_channel(wiring, n, c) for n, c in enumerate(cables, start=1))
            out.append(Desk(device, rows))
    return tuple(out)


def _channel(wiring: Wiring, number: int, cable: Cable) -> DeskChannel:
    out, into = wiring.source_jack(cable), wiring.target_jack(cable)
    source = wiring.rig.name_of(cable.source)
    before = _before(wiring, cable.source)
    return DeskChannel(
        number=number,
        box=cable.source,
        jack=into.name if into is not None else tr("Channel {number}", number=number),
        source=f"{source}, {out.name}" if out is not None else source,
        through=", ".join(wiring.rig.name_of(d) for d in before),
    )


def _is_heard(cable: Cable) -> bool:
    """Whether what is on a cable goes on through the box at its end."""
    return cable.medium == "audio" and not cable.listens


def _before(wiring: Wiring, device: str) -> list[str]:
    """Boxes whose sound comes through this one, the nearest first."""
    found: dict[str, None] = {}
    waiting = [device]
    while waiting:
        for cable in wiring.arriving[waiting.pop(0)]:
            if _is_heard(cable) and cable.source not in found and cable.source != device:
                found[cable.source] = None
                waiting.append(cable.source)
    return list(found)
