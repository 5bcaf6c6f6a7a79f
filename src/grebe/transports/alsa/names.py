"""Names for ports of the sequencer that last, and which port a name means today.

The sequencer's own numbers, and kernel names with a card's number in them, go by the order in which
devices came up. What lasts is the device's and the port's name, the socket it is plugged into and
its serial number: "Lab Box:Lab Box MIDI 1 [usb 1-1.2 serial A17]". Pure: ports in, a port out.
"""

from __future__ import annotations

import re
from collections.abc import Collection, Iterable, Sequence
from typing import NamedTuple

from grebe.errors import PortLost
from grebe.transports.hardware import serial_of, socket_of


class Address(NamedTuple):
    """A port of the sequencer, by number."""

    client: int
    port: int


class SequencerPort(NamedTuple):
    """A port of another client."""

    address: Address
    client: str
    """The client's name: a device's, or a program's."""
    port: str
    place: str = ""
    """Where its device is plugged, with its serial number; "" for a program's."""
    sends: bool = True
    """It can be heard."""
    takes: bool = True
    """It can be sent to."""

    @property
    def name(self) -> str:
        """The device's and the port's name."""
        return f"{self.client}:{self.port}"

    @property
    def numbered(self) -> str:
        """The name with the numbers it has today."""
        return f"{self.name} {self.address.client}:{self.address.port}"


_WORDS = re.compile(
    r"(?P<name>.*?)(?: \[(?P<place>[^\]]*)\])?(?: (?P<client>\d+):(?P<port>\d+))?", re.DOTALL
)


def lasting_names(ports: Sequence[SequencerPort]) -> dict[Address, str]:
    """A name for each port that means it again tomorrow; with its numbers only where two programs
    are called alike and nothing else tells them apart."""
    names = {p.address: f"{p.name} [{p.place}]" if p.place else p.name for p in ports}
    seen = list(names.values())
    return {
        p.address: p.numbered if seen.count(names[p.address]) > 1 else names[p.address]
        for p in ports
    }


def meant(
    wanted: str, ports: Sequence[SequencerPort], others: Collection[str] = ()
) -> SequencerPort:
    """The port that a name means among those that are there.

    `others` are names that other boxes go by: a port that is one of theirs is not taken in place of
    one that is missing. PortLost says that there is none, or that the name means several.
    """
    names = lasting_names(ports)
    exact = [p for p in ports if wanted in (names[p.address], p.numbered)]
    if len(exact) == 1:
        return exact[0]
    words = _WORDS.fullmatch(wanted)
    assert words is not None  # each part may be missing
    free = [p for p in ports if names[p.address] not in others]
    if words["place"]:
        found = _at_place(words["name"], words["place"], ports, free)
    else:
        found = _by_name(words["name"], free)
    if len(found) == 1:
        return found[0]
    if found:
        raise PortLost(f"{len(found)} ALSA ports are called {wanted!r}: choose one in the Rig")
    listed = ", ".join(names[p.address] for p in ports)
    raise PortLost(f"there is no ALSA port {wanted!r}; ports: {listed or 'none'}")


def _at_place(
    name: str, place: str, ports: Iterable[SequencerPort], free: Iterable[SequencerPort]
) -> list[SequencerPort]:
    """The same device elsewhere, or under a name with another card's number in it."""
    serial = serial_of(place)
    alike = [p for p in ports if _without_digits(p.name) == _without_digits(name)]
    if serial:
        same = [p for p in alike if serial_of(p.place) == serial]
        if same:
            return [p for p in same if p.place == place] or same
    here = [p for p in alike if p.place == place]
    if here:
        return here
    # In another socket: only where it cannot be another device of the kind.
    return [
        p for p in free
        if p.name == name and not (serial and serial_of(p.place)) and p.place != socket_of(place)
    ]  # fmt: skip


def _by_name(name: str, free: Sequence[SequencerPort]) -> list[SequencerPort]:
    """By the whole name, else by a part of it; the first port of the only client that has it."""
    found = [p for p in free if name in (p.name, p.client)]
    found = found or [p for p in free if name and name in p.name]
    clients = {p.client: p.address.client for p in found}
    several = {p.address.client for p in found} - set(clients.values())
    if several:  # two clients of one name
        return found
    return found[:1]


def _without_digits(name: str) -> str:
    return re.sub(r"\d+", "#", name)
