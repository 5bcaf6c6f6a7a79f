"""The rig that is drawn: its clock tree, and what its boxes and cables are said to do."""

from __future__ import annotations

from functools import cached_property

from grebe.core.rig.edits import best_cable
from grebe.core.rig.formatting import filter_words, hop_words
from grebe.core.rig.layout import Drawing, drawing
from grebe.core.rig.model import GREBE_ID, Cable, Device, Rig
from grebe.core.rig.tree import ClockTree, tree_of
from grebe.core.rig.wiring import Wiring
from grebe.words import counted, tr


class ShownRig:
    """A rig with all that is worked out of it once."""

    def __init__(self, rig: Rig) -> None:
        self.wiring = Wiring(rig)
        self.tree = tree_of(self.wiring)
        self._carrying = {id(hop.cable) for hop in self.tree.hops.values()}
        """Identities of the cables the tree is made of; comparing 200 by content takes long."""
        self._clashing = {id(c) for c in self.wiring.cables if self._is_second(c)}

    @cached_property
    def drawing(self) -> Drawing:
        """In which order it is drawn; that takes a while, and not every rig that is known is."""
        return drawing(self.wiring, self.tree)

    def carries(self, cable: Cable) -> bool:
        """Whether the clock goes through it."""
        return id(cable) in self._carrying

    def clashes(self, cable: Cable) -> bool:
        """Whether it brings a second clock to its input."""
        return id(cable) in self._clashing

    def _is_second(self, cable: Cable) -> bool:
        return (
            not self.carries(cable)
            and cable.accepts.clock
            and cable.target in self.tree.hops
            and cable in self.tree.sources[cable.target]
            and self.tree.hops[cable.target].cable.target_jack == cable.target_jack
            and self.tree.hops[cable.target].cable.medium == cable.medium
        )

    # In words

    def role_of(self, device_id: str) -> str:
        """What a box does here, in a few words; Grebe too."""
        device = self.wiring.devices.get(device_id)
        return _role(device, self.tree) if device is not None else self._role_of_grebe()

    def _role_of_grebe(self) -> str:
        if self.tree.leader == GREBE_ID:
            return tr("leads, 24 a quarter")
        if self.tree.sources[GREBE_ID]:
            follows = self.wiring.rig.name_of(self.tree.sources[GREBE_ID][0].source)
            return tr("follows {follows}", follows=follows)
        return tr("no clock of its own")

    def clock_of(self, device_id: str) -> str:
        """The clock that reaches a box."""
        hop = self.tree.hops.get(device_id)
        if hop is None:
            return tr("no clock reaches it") if device_id != self.tree.leader else tr("leads")
        return self.cable_words(hop.cable)

    def proposal(self, source: str, target: str) -> str:
        """The cable that fits between two boxes."""
        rig = self.wiring.rig
        if not target:
            return tr("from {source} to \u2026", source=rig.name_of(source))
        cable = best_cable(rig, source, target)
        return tr(
            "{source} to {target}: {cable}",
            source=rig.name_of(source), target=rig.name_of(target), cable=self._plugs(cable),
        )  # fmt: skip

    def _plugs(self, cable: Cable) -> str:
        """Its medium, and the jacks at its ends by name."""
        ends = (self.wiring.source_jack(cable), self.wiring.target_jack(cable))
        names = " \u2192 ".join(jack.name if jack is not None else tr("any") for jack in ends)
        return f"{tr(cable.medium)}, {names}"

    def cable_words(self, cable: Cable) -> str:
        """From where to where it goes, what it carries at what rate, and how late that arrives."""
        rig = self.wiring.rig
        says = [
            tr(
                "{source} to {target}", source=rig.name_of(cable.source),
                target=rig.name_of(cable.target),
            ),
            self._plugs(cable),
            tr("passes {what}", what=filter_words(cable.passes)),
        ]  # fmt: skip
        hop = self.tree.hops.get(cable.target)
        if hop is not None and hop.cable is cable:
            says.append(
                tr(
                    "clock of {rate} a quarter, {late:.2f} ms after the leader",
                    rate=hop.rate, late=hop.delay_ms,
                )
            )  # fmt: skip
        elif self.clashes(cable):
            says.append(tr("a second clock"))
        return "; ".join(says)

    def label(self, cable: Cable) -> str:
        """What stands at a cable: what it carries."""
        clock = self._clock_through(cable)
        if clock:
            return clock if cable.plays is None else tr("{words}, plays it", words=clock)
        if cable.medium == "audio":
            return tr("listens") if cable.listens else tr("audio")
        if cable.plays is not None:
            return tr("plays it")
        return tr("notes") if cable.passes.notes and cable.medium == "midi" else ""

    def _clock_through(self, cable: Cable) -> str:
        if self.clashes(cable):
            return tr("second clock")
        if not self.carries(cable):
            return ""
        hop, jack = self.tree.hops[cable.target], self.wiring.source_jack(cable)
        return hop_words(cable, hop.came, hop.rate, jack.volts if jack else None)

    def short_label(self, cable: Cable) -> str:
        """The same where there is room for a rate only."""
        short = self.carries(cable) and cable.medium != "network"
        return str(self.tree.hops[cable.target].rate) if short else ""


def _role(device: Device, tree: ClockTree) -> str:
    """What a box does here, in a few words."""
    if device.id == tree.leader:
        return tr("leads")
    if device.kind == "relay":
        return tr("passes on")
    if not device.spec.obeys.clock and not device.spec.sends.clock and not device.obeys_clock:
        return (
            tr("no clock")
            if device.kind != "controller"
            else tr("plays in, ch {channel}", channel=device.channel)
        )
    if device.id not in tree.locked:
        return tr("runs on its own")
    if not (device.spec.obeys.notes or device.obeys_program):
        return tr("follows")
    who = tr("plays its own") if device.plays == "own" else tr("Grebe plays it")
    if device.tracks:
        return tr("{who}, {tracks}", who=who, tracks=counted(len(device.tracks), "track"))
    return tr("{who}, ch {channel}", who=who, channel=device.channel)
