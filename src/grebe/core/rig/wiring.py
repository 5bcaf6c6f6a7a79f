"""A rig looked at by its cables: who is plugged into whom, at which jack, at which rate."""

from __future__ import annotations

from collections import defaultdict
from fractions import Fraction

from grebe.core.rig.model import GREBE_ID, Cable, Device, Medium, Rig
from grebe.core.rig.spec import Jack, JackKind, Spec
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
        self._rates: dict[int, Fraction] = {}
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

    def carries_clock(self, cable: Cable) -> bool:
        """Whether a clock can be on a cable: the end it comes from lets it out, and no jack is for
        something else."""
        out, into = self.source_jack(cable), self.target_jack(cable)
        counted = all(j is None or j.serves == "clock" for j in (out, into))
        return cable.clock and counted and (out is None or out.clock or cable.gives != "own")

    def takes_clock(self, cable: Cable) -> bool:
        """Whether a clock on a cable is let in, at a jack where the box knows what a clock is."""
        into = self.target_jack(cable)
        return cable.accepts.clock and (into is None or (into.clock and into.serves == "clock"))

    def rate(self, cable: Cable) -> Fraction:
        """Clock pulses a quarter note that the source puts on a cable when there is a clock."""
        if cable.medium != "pulse":
            return MIDI_CLOCK
        if id(cable) not in self._rates:
            self._rates[id(cable)] = chosen_rate(cable, self.source_jack(cable))  # in a ring
            self._rates[id(cable)] = self._worked_out(cable)
        return self._rates[id(cable)]

    def offers(self, cable: Cable) -> tuple[Fraction, ...]:
        """Rates that a jack can make of what comes in, the usual first; empty where it is free to
        give any, or nothing comes in."""
        jack, came = self.source_jack(cable), self._came(cable.source)
        if jack is None or not jack.works_out or came is None or cable.source == self.rig.leader:
            return ()
        divided = [came / n for n in jack.divides]
        return tuple(dict.fromkeys((*divided, *(came * n for n in jack.multiplies))))

    def _worked_out(self, cable: Cable) -> Fraction:
        offers, jack = self.offers(cable), self.source_jack(cable)
        if offers:
            chosen = None if cable.rate is None else exact(cable.rate)
            return chosen if chosen in offers else offers[0]
        usual = cable.rate is None and (jack is None or not jack.rates)
        passes = cable.gives != "own" and cable.source not in (GREBE_ID, self.rig.leader)
        device = self.devices.get(cable.source)
        if usual and passes and device is not None and device.spec.converts != "regenerate":
            return self._came(cable.source) or MIDI_CLOCK  # nobody said that it makes another
        return chosen_rate(cable, jack)

    def _came(self, device_id: str) -> Fraction | None:
        """Pulses a quarter note that come in at a box; None where none do."""
        clocked = [c for c in self.arriving[device_id] if self.carries_clock(c)]
        clocked.sort(key=lambda c: (not self.takes_clock(c), c.medium != "pulse"))
        return self.rate(clocked[0]) if clocked else None

    def wanted_rate(self, cable: Cable) -> Fraction:
        """Clock pulses a quarter note that the target counts on: of a box that only divides, or
        passes on, as many as come."""
        into, device = self.target_jack(cable), self.devices.get(cable.target)
        free = cable.expects is None and (into is None or not into.rates)
        if free and device is not None and any(j.works_out for j in device.spec.jacks):
            return self.rate(cable)
        return _rate(cable, cable.expects, into)

    def can_make_clock(self, device_id: str) -> bool:
        """Whether a device is able to: it says so, or nobody has said what it can do."""
        device = self.devices.get(device_id)
        if device is None:
            return device_id == GREBE_ID
        unknown = "sends.clock" in device.spec.guessed or device.spec == Spec()
        return device.sends_clock or device.spec.sends.clock or unknown

    def clock_source(self, device_id: str) -> bool:
        """Whether a device makes a clock of its own."""
        if device_id == self.rig.leader:
            return self.can_make_clock(device_id)
        device = self.devices.get(device_id)
        return device is not None and device.sends_clock


def chosen_rate(cable: Cable, jack: Jack | None) -> Fraction:
    """The rate that is set where a cable begins, or the usual one of the jack there."""
    return _rate(cable, cable.rate, jack)


def _rate(cable: Cable, chosen: float | None, jack: Jack | None) -> Fraction:
    if cable.medium != "pulse":
        return MIDI_CLOCK
    if chosen is not None:
        return exact(chosen)
    if jack is not None and jack.rates:
        return exact(jack.rates[0])
    return MIDI_CLOCK
