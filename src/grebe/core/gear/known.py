"""Which of the performer's notes and tries are about the gear of a rig."""

from __future__ import annotations

from collections.abc import Iterable
from typing import NamedTuple

from grebe.core.gear.model import Entry, GearLibrary, Trial
from grebe.core.rig.model import GREBE_ID, Device, Rig


class KnownHere(NamedTuple):
    """A note or a try, and the boxes of this rig that it is about."""

    entry: Entry
    boxes: tuple[str, ...]
    """Ids, in the order in which it names them; twice the same for a port and the box at it."""

    def names(self, rig: Rig) -> list[str]:
        """Its gear by its names in this rig, as written for a port and the box at it."""
        same = len(self.entry.gear) > 1 and self.boxes[0] == self.boxes[1]
        return [*self.entry.gear] if same else [rig.name_of(box) for box in self.boxes]


def gear_of(device: Device) -> str:
    """What a note about a box calls it: its profile, so that it is found under any name."""
    return device.profile or device.name


def names_of(device: Device) -> set[str]:
    """All that a box answers to: its profile, its names, the ports where it is plugged."""
    ports = (device.port, device.input, device.pulse_at, device.run_at, device.reset_at,
             device.pulse_from, device.run_from)  # fmt: skip
    said = (device.profile, device.name, device.label, *(p.name for p in ports if p.is_set))
    return {name.casefold() for name in said if name}


def is_about(entry: Entry, names: Iterable[str]) -> bool:
    """Whether a note or a try is about a box of one of these names, however they are written."""
    said = {name.casefold() for name in names if name}
    return any(gear.casefold() in said for gear in entry.gear)


def firmware_of(library: GearLibrary, *names: str) -> str:
    """The version that the latest note on a box says it has, by any of its names; "" where none
    does."""
    noted = [n for n in library.notes if n.firmware and is_about(n, names)]
    return max(noted, key=lambda n: n.day).firmware if noted else ""


def about(rig: Rig, library: GearLibrary) -> tuple[KnownHere, ...]:
    """Those of which all gear is in the rig: the latest first. Of two pieces of gear only where
    they meet there: a cable between them, or one is the port of the other."""
    names = {d.id: names_of(d) for d in rig.devices}
    joined = {frozenset((c.source, c.target)) for c in rig.cables}
    rows: list[KnownHere] = []
    for entry in library.entries:
        found = [_boxes(names, g) for g in entry.gear]
        pairs = (
            [(a,) for a in found[0]]
            if len(found) == 1
            else [(a, b) for a in found[0] for b in found[1]
                  if frozenset((a, b)) in joined or (a == b and _differ(entry.gear))]
        )  # fmt: skip
        if pairs:
            rows.append(KnownHere(entry, pairs[0]))
    return tuple(sorted(rows, key=lambda row: row.entry.day, reverse=True))


def _differ(gear: tuple[str, ...]) -> bool:
    return gear[0].casefold() != gear[1].casefold()


def _boxes(names: dict[str, set[str]], gear: str) -> list[str]:
    """Boxes that a word of a note means. An interface is meant by a part of its port's name."""
    wanted = gear.casefold()
    if wanted == GREBE_ID:
        return [GREBE_ID]
    whole = [box for box, known in names.items() if wanted in known]
    long_enough = len(wanted) > 3
    return whole or [
        box for box, known in names.items()
        if long_enough and any(wanted in name for name in known)
    ]  # fmt: skip


def overtaken(row: KnownHere, rows: tuple[KnownHere, ...]) -> bool:
    """Whether it failed once, and the same gear was tried or noted as working later."""
    return any(
        other.boxes == row.boxes
        and other.entry.day > row.entry.day
        and _outcome(other.entry) == "works"
        for other in rows
    )


def failed(entry: Entry) -> bool:
    """Whether it says that something does not work."""
    return _outcome(entry) == "fails"


def _outcome(entry: Entry) -> str:
    """What came of a try, or the kind of a note: "works" and "fails" are both."""
    return entry.outcome if isinstance(entry, Trial) else entry.kind
