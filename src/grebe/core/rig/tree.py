"""The clock tree: who gets the clock from whom, at which rate, how late, and who runs free."""

from __future__ import annotations

from fractions import Fraction
from graphlib import CycleError, TopologicalSorter
from typing import NamedTuple

from grebe.core.rig.model import GREBE_ID, Cable, Device, Rig
from grebe.core.rig.pulses import Conversion, convert
from grebe.core.rig.wiring import Wiring
from grebe.core.units import Value

USUAL_BPM = 120.0


class Hop(NamedTuple):
    """One clock cable of the tree."""

    cable: Cable
    came: Fraction | None
    """Pulses a quarter note that reach the source; None where the clock is made."""
    rate: Fraction
    """Pulses a quarter note on the cable."""
    wanted: Fraction
    """Pulses a quarter note the target counts on."""
    conversion: Conversion | None
    """What the source does to the clock; None where it is made."""
    delay_ms: float
    """From the leader's pulse to this cable's end."""


class ClockTree(Value, frozen=True, kw_only=True):
    """What the cables make of the clock."""

    leader: str | None
    columns: tuple[tuple[str, ...], ...]
    """Device ids by distance from the leader, each column in the order of the rig."""
    hops: dict[str, Hop]
    """By target: the cable it has its clock from."""
    locked: tuple[str, ...]
    """Devices that the leader's clock reaches and that obey it."""
    free_running: tuple[str, ...]
    """Devices that no clock from the leader reaches."""
    sources: dict[str, tuple[Cable, ...]]
    """For every device, the cables over which a clock arrives."""
    latency_ms: dict[str, float]
    """For every device the clock reaches, from the leader's pulse to its sound."""

    def passes(self, node: str, device: str) -> bool:
        """Whether the clock a device gets comes from a node, or through it."""
        seen = {device}
        while device in self.hops:
            device = self.hops[device].cable.source
            if device == node:
                return True
            if device in seen:
                return False
            seen.add(device)
        return False

    def carries(self, cable: Cable) -> bool:
        """Whether a cable is the one its target has the clock from."""
        hop = self.hops.get(cable.target)
        return hop is not None and hop.cable == cable


def passes_clock_on(wiring: Wiring, cable: Cable) -> bool:
    """Whether a clock that reaches the source goes on over this cable, unchanged or converted."""
    if not wiring.carries_clock(cable):
        return False
    if cable.source == GREBE_ID or cable.gives != "own":
        return True
    device = wiring.devices.get(cable.source)
    return device is not None and device.sends_clock and _obeys(wiring, device)


def _obeys(wiring: Wiring, device: Device) -> bool:
    """Whether a box acts on a clock at any of its inputs."""
    return device.obeys_clock and any(wiring.takes_clock(c) for c in wiring.arriving[device.id])


def makes_clock(wiring: Wiring, cable: Cable) -> bool:
    """Whether the source puts a clock of its own making on this cable."""
    if not wiring.carries_clock(cable) or not wiring.clock_source(cable.source):
        return False
    return cable.source == GREBE_ID or cable.gives != "thru"


def clock_cables(wiring: Wiring) -> tuple[Cable, ...]:
    """Every cable over which a clock goes, whoever made it."""
    carrying = {i for i, c in enumerate(wiring.cables) if makes_clock(wiring, c)}
    reached = {wiring.cables[i].target for i in carrying}
    waiting = list(reached)
    index = {id(c): i for i, c in enumerate(wiring.cables)}
    while waiting:
        for cable in wiring.leaving[waiting.pop()]:
            i = index[id(cable)]
            if i not in carrying and passes_clock_on(wiring, cable):
                carrying.add(i)
                if cable.target not in reached:
                    reached.add(cable.target)
                    waiting.append(cable.target)
    return tuple(wiring.cables[i] for i in sorted(carrying))


def clock_tree(rig: Rig, bpm: float = USUAL_BPM) -> ClockTree:
    """Columns of devices by hops from the leader, by breadth first over clock cables.

    `bpm` counts only where a converter has to wait a pulse.
    """
    return tree_of(Wiring(rig), bpm)


def tree_of(wiring: Wiring, bpm: float = USUAL_BPM) -> ClockTree:
    """`clock_tree` of a rig already indexed."""
    rig, leader = wiring.rig, wiring.rig.leader
    sources: dict[str, list[Cable]] = {d.id: [] for d in rig.devices}
    sources[GREBE_ID] = []
    for cable in clock_cables(wiring):
        sources[cable.target].append(cable)
    columns: list[tuple[str, ...]] = []
    hops: dict[str, Hop] = {}
    if leader is not None and wiring.knows(leader):
        columns = _columns(wiring, leader, hops, bpm)
    placed = {device for column in columns for device in column}
    latency: dict[str, float] = {}
    for device_id in placed & wiring.devices.keys():
        hop = hops.get(device_id)
        own = wiring.devices[device_id].spec.latency_ms
        latency[device_id] = own + (hop.delay_ms if hop is not None else 0.0)
    obeying = {
        d.id
        for d in rig.devices
        if d.id == leader
        or (d.obeys_clock and d.id in hops and wiring.takes_clock(hops[d.id].cable))
    }
    return ClockTree(
        leader=leader,
        columns=tuple(columns),
        hops=hops,
        locked=tuple(d.id for d in rig.devices if d.id in placed & obeying),
        free_running=tuple(d.id for d in rig.devices if d.id not in placed),
        sources={key: tuple(row) for key, row in sources.items()},
        latency_ms=latency,
    )


def _columns(
    wiring: Wiring, leader: str, hops: dict[str, Hop], bpm: float
) -> list[tuple[str, ...]]:
    order = {d.id: i for i, d in enumerate(wiring.rig.devices)}
    columns: list[tuple[str, ...]] = [(leader,)]
    placed = {leader}
    while True:
        column: list[str] = []
        for parent in columns[-1]:
            for cable in wiring.leaving[parent]:
                first = parent == leader
                on = makes_clock(wiring, cable) if first else passes_clock_on(wiring, cable)
                if not on or cable.target == leader:
                    continue
                if cable.target not in placed:
                    placed.add(cable.target)
                    column.append(cable.target)
                elif not _better(wiring, cable, hops):
                    continue
                hops[cable.target] = _hop(wiring, cable, hops.get(parent), bpm)
        if not column:
            return columns
        columns.append(tuple(sorted(column, key=lambda d: order.get(d, -1))))


def _better(wiring: Wiring, cable: Cable, hops: dict[str, Hop]) -> bool:
    """Whether a box takes the clock of this cable, and not the one that came before it."""
    if not wiring.takes_clock(cable) or wiring.takes_clock(hops[cable.target].cable):
        return False
    before = cable.source
    while before in hops:
        before = hops[before].cable.source
        if before == cable.target:
            return False  # it would be fed by itself
    return True


def _hop(wiring: Wiring, cable: Cable, before: Hop | None, bpm: float) -> Hop:
    rate = wiring.rate(cable)
    if before is None:
        return Hop(cable, None, rate, wiring.wanted_rate(cable), None, 0.0)
    came = before.wanted
    conversion = convert(came, rate, bpm)
    delay = before.delay_ms
    device = wiring.devices.get(cable.source)
    if device is not None:
        delay += device.spec.pass_ms if cable.gives != "own" else device.spec.latency_ms
        if conversion.action in ("multiply", "regenerate") and device.spec.converts != "regenerate":
            delay += 60_000 / bpm / float(came)  # it has to see the next pulse first
    return Hop(cable, came, rate, wiring.wanted_rate(cable), conversion, delay)


def clock_loops(wiring: Wiring) -> tuple[tuple[str, ...], ...]:
    """Rings of devices around which a clock would run for ever, no device in two of them.

    Each begins with its device that stands first in the rig.
    """
    nodes = [GREBE_ID, *(d.id for d in wiring.rig.devices)]
    before: dict[str, list[str]] = {node: [] for node in nodes}
    for cable in wiring.cables:
        leads = cable.source == wiring.rig.leader  # it makes the clock and lets none through
        through = wiring.carries_clock(cable) and cable.gives != "own"
        on = through if leads else passes_clock_on(wiring, cable)
        if on:
            before[cable.target].append(cable.source)
    out: list[tuple[str, ...]] = []
    while True:
        try:
            TopologicalSorter(before).prepare()
        except CycleError as error:
            ring = error.args[1][:-1]
            first = min(range(len(ring)), key=lambda i: nodes.index(ring[i]))
            out.append((*ring[first:], *ring[:first]))
            before = {
                node: [n for n in row if n not in ring]
                for node, row in before.items()
                if node not in ring
            }
        else:
            return tuple(out)
