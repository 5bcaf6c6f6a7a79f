"""What every family of findings looks at, worked out once."""

from __future__ import annotations

from collections.abc import Iterator
from fractions import Fraction

from grebe.core.document import Project
from grebe.core.patterns.model import Pattern
from grebe.core.rig.flow import Arrival, Flow
from grebe.core.rig.model import GREBE_ID, Cable, Device
from grebe.core.rig.spec import SettingFor
from grebe.core.rig.tree import tree_of
from grebe.core.rig.wiring import Wiring
from grebe.words import tr

HEARD_APART_MS = 6.0
"""Friberg and Sundberg 1995 (from memory): what listeners notice between close tones."""


class Look:
    """A project with its wiring, clock tree and flow of messages."""

    def __init__(self, project: Project) -> None:
        self.project = project
        self.rig = project.rig
        self.wiring = Wiring(project.rig)
        self.tree = tree_of(self.wiring)
        self.flow = Flow(self.wiring)
        self.names = {GREBE_ID: "Grebe", **{d.id: d.name for d in project.rig.lines}}
        self.patterns: dict[str, list[Pattern]] = {d.id: [] for d in project.rig.lines}
        """Patterns by address of a line."""
        self.patterns |= project.patterns_of

    def name(self, device_id: str) -> str:
        """A device's printed name; its id when it is not in the rig."""
        return self.names.get(device_id, device_id)

    def heard(self, device: Device, kind: str) -> Iterator[Arrival]:
        """Streams of a kind that the device's inputs let in."""
        return (a for a in self.flow.arrivals[device.id] if a.stream.kind == kind)

    def out_of(self, cable: Cable) -> str:
        """A cable's beginning in words: "Smew's Sync out"."""
        jack = self.wiring.source_jack(cable)
        return self._end(cable.source, jack.name if jack else tr("output"))

    def into(self, cable: Cable) -> str:
        """A cable's end in words: "Knot's MIDI in"."""
        jack = self.wiring.target_jack(cable)
        return self._end(cable.target, jack.name if jack else tr("input"))

    def setting(self, device_id: str, does: SettingFor) -> str:
        """What a box calls a setting of its own, to be put behind it: " (its SYS: note in)";
        nothing where nobody knows."""
        device = self.wiring.devices.get(device_id)
        name = "" if device is None else device.spec.calls(does)
        return tr(" (its {name})", name=name) if name else ""

    def _end(self, device_id: str, jack: str) -> str:
        return f"{self.name(device_id)}'s {jack}"


def rate_words(rate: Fraction) -> str:
    """A pulse rate in words: "24 a quarter", "one a bar of 4/4"."""
    if rate == Fraction(1, 4):
        return tr("one a bar of 4/4")
    return tr("{rate} a quarter", rate=rate)
