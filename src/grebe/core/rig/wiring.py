"""A rig looked at by its cables: who is plugged into whom, at which jack, at which rate."""

from __future__ import annotations

from collections import defaultdict
from fractions import Fraction

from grebe.core.rig.model import GREBE_ID, Cable, Device, Medium, Rig
from grebe.core.rig.spec import Jack, JackKind
from grebe.core.time.ticks import CLOCKS_PER_QUARTER

MIDI_CLOCK = Fraction(CLOCKS_PER_QUARTER)
MIDI_MEDIA: tuple[Medium, ...] = ("midi", "network")
"""Media that carry MIDI messages."""
WIRE_FITS: dict[JackKind, tuple[JackKind, ...]] = {
    "midi": ("midi",),
    "usb": ("usb",),
    "virtual": ("virtual",),
    "pulse": ("pulse", "sync"),
    "sync": ("sync", "pulse"),
    "network": ("network",),
    "audio": ("audio",),
}
"""Inputs that an output of each kind can be plugged into."""


def exact(rate: float) -> Fraction:
    """A rate from a file as the fraction that is meant: 0.333 is a third."""
    return Fraction(rate).limit_denominator(96)


class Wiring:
    """Indexes over one rig, made once and read by everything that looks at it."""

    def __init__(self, rig: Rig) -> None:
        self.rig = rig
        self.devices: dict[str, Device] = {d.id: d for d in rig.devices}
        self.cables: tuple[Cable, ...] = tuple(
            c for c in rig.cables if self.knows(c.source) and self.knows(c.target)
        )
        """Cables with something at both ends."""
        self.leaving: defaultdict[str, list[Cable]] = defaultdict(list)
        self.arriving: defaultdict[str, list[Cable]] = defaultdict(list)
        for cable in self.cables:
            self.leaving[cable.source].append(cable)
            self.arriving[cable.target].append(cable)

    def knows(self, device_id: str) -> bool:
        """Whether a cable may end there."""
        return device_id == GREBE_ID or device_id in self.devices

    def source_jack(self, cable: Cable) -> Jack | None:
        """The jack a cable comes from, where the profile knows it."""
        return self._jack(cable.source, cable.source_jack)

    def target_jack(self, cable: Cable) -> Jack | None:
        """The jack a cable goes into, where the profile knows it."""
        return self._jack(cable.target, cable.target_jack)

    def _jack(self, device_id: str, jack_id: str) -> Jack | None:
        device = self.devices.get(device_id)
        return None if device is None or not jack_id else device.jack(jack_id)

    def rate(self, cable: Cable) -> Fraction:
        """Clock pulses a quarter note that the source puts on a cable when it sends clock."""
        return _rate(cable, cable.rate, self.source_jack(cable))

    def wanted_rate(self, cable: Cable) -> Fraction:
        """Clock pulses a quarter note that the target counts on."""
        return _rate(cable, cable.expects, self.target_jack(cable))

    def clock_source(self, device_id: str) -> bool:
        """Whether a device makes a clock of its own."""
        if device_id == self.rig.leader:
            return True
        device = self.devices.get(device_id)
        return device is not None and device.sends_clock


def _rate(cable: Cable, chosen: float | None, jack: Jack | None) -> Fraction:
    if cable.medium != "pulse":
        return MIDI_CLOCK
    if chosen is not None:
        return exact(chosen)
    if jack is not None and jack.rates:
        return exact(jack.rates[0])
    return MIDI_CLOCK
