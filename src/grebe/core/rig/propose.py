"""Who should lead: every source there is, best first, and why."""

from __future__ import annotations

import msgspec

from grebe.core.rig.formatting import listed
from grebe.core.rig.model import GREBE_ID, Device, Rig
from grebe.core.rig.spec import Jack
from grebe.core.rig.tree import clock_tree
from grebe.core.rig.wiring import WIRE_FITS
from grebe.core.units import Value
from grebe.words import tr

GREBE_JITTER_MS = 0.2
"""Grebe's own waver, as measured: see docs/performance.md."""


class LeaderProposal(Value, frozen=True, kw_only=True):
    """One that could lead."""

    leader: str
    score: float
    locks: int
    """Boxes that its clock reaches with the cables as they are."""
    could: int
    """Boxes that could take a clock of a kind it sends."""
    why: str
    """A sentence."""


def proposals(rig: Rig) -> tuple[LeaderProposal, ...]:
    """Everyone that can send a clock, the best first; Grebe is always among them.

    What counts, in this order: how many boxes the cables let it reach, how many
    could take its clock, whether it obeys no clock itself, whether its loops
    hold the tempo, and how steady it is.
    """
    made = [_proposal(rig, device) for device in (None, *rig.devices) if _can_lead(device)]
    return tuple(sorted(made, key=lambda p: -p.score))


def _can_lead(device: Device | None) -> bool:
    return device is None or device.sends_clock or device.spec.sends.clock


def _proposal(rig: Rig, device: Device | None) -> LeaderProposal:
    leader = GREBE_ID if device is None else device.id
    led = msgspec.structs.replace(rig, leader=leader)
    locks = sum(d != leader for d in clock_tree(led).locked)
    could = sum(_could_take(device, other) for other in rig.devices if other.id != leader)
    jitter = GREBE_JITTER_MS if device is None else device.spec.sends.jitter_ms
    alone = device is not None and not device.spec.obeys.clock
    loops = device is not None and device.spec.loop_tracks > 0
    score = 4 * locks + could + 2 * alone + 3 * loops - jitter
    reasons = [tr("reaches {locks} as cabled and could reach {could}", locks=locks, could=could)]
    if alone:
        reasons.append(tr("obeys no clock itself, so it has to"))
    if loops:
        reasons.append(tr("its loops hold the tempo"))
    reasons.append(tr("wavers by {jitter:g} ms", jitter=jitter))
    name = "Grebe" if device is None else device.name
    return LeaderProposal(
        leader=leader, score=score, locks=locks, could=could, why=f"{name} {listed(reasons)}."
    )


def _could_take(source: Device | None, target: Device) -> bool:
    if not target.spec.obeys.clock:
        return False
    if not target.spec.jacks:
        return True  # of an unknown box nothing is held against it
    inputs = [j for j in target.spec.jacks if j.takes and j.clock and j.serves == "clock"]
    if source is None or not source.spec.jacks:
        return any(j.kind != "audio" for j in inputs)  # Grebe sends all kinds
    outputs = [j for j in source.spec.jacks if j.gives and j.clock]
    return any(_fits(out, into) for out in outputs for into in inputs)


def _fits(out: Jack, into: Jack) -> bool:
    if out.kind == "audio" or into.kind not in WIRE_FITS[out.kind]:
        return False
    return not out.rates or not into.rates or bool(set(out.rates) & set(into.rates))
