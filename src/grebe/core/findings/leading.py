"""Findings on who leads: who can, who hears it, Grebe among them, and rings."""

from __future__ import annotations

from collections.abc import Iterator

from grebe.core.findings.look import Look
from grebe.core.findings.model import Cure, Finding, changed, swap_cable
from grebe.core.rig.edits import best_cable
from grebe.core.rig.formatting import listed
from grebe.core.rig.model import GREBE_ID, Cable, Device
from grebe.core.rig.propose import proposals
from grebe.core.rig.tree import clock_loops, passes_clock_on, tree_of
from grebe.core.rig.wiring import Wiring
from grebe.words import tr


def leading_findings(look: Look) -> Iterator[Finding]:
    """All of this family."""
    if not look.rig.devices:
        return
    yield from _leader(look)
    yield from _unheard(look)
    yield from _grebe(look)
    yield from _loops(look)
    leader = look.wiring.devices.get(look.rig.leader or "")
    if leader is not None:
        yield from _leads_by_foot(look, leader)


def _leader(look: Look) -> Iterator[Finding]:
    leader = look.rig.leader
    if leader is not None and look.wiring.can_make_clock(leader):
        return
    best = proposals(look.rig)[0]
    let = tr("Let {name} lead. {why}", name=look.name(best.leader), why=best.why)
    if leader is not None and look.wiring.knows(leader):
        yield Finding(
            code="rig.leader-silent",
            severity="block",
            subject=leader,
            message=tr("{name} is to lead, but can send no clock.", name=look.name(leader)),
            why=tr("The others wait for it, or run at tempi of their own."),
            fix=let,
            cure=Cure(leader=best.leader),
        )
        return
    gone = "" if leader is None else tr(" ({leader} is not in the rig)", leader=leader)
    yield Finding(
        code="rig.no-leader",
        severity="block",
        subject=leader or "rig",
        message=tr("Nobody leads the clock{gone}.", gone=gone),
        why=tr("Every box runs at its own tempo and they drift apart within a few bars."),
        fix=let,
        cure=Cure(leader=best.leader),
    )


def _led_by_a_box(look: Look) -> Device | None:
    """The leader, where it is a box that can be one."""
    leader = look.wiring.devices.get(look.rig.leader or "")
    able = leader is not None and look.wiring.can_make_clock(leader.id)
    return leader if able else None


def _unheard(look: Look) -> Iterator[Finding]:
    """A leader of whose clock no cable takes anything anywhere."""
    leader = _led_by_a_box(look)
    others = [d for d in look.rig.devices if d is not leader and d.obeys_clock]
    if (
        leader is None
        or not others
        or any(h.cable.source == leader.id for h in look.tree.hops.values())
    ):
        return
    off = _clock_kept_back(look, leader)
    fix = tr("Run a clock cable from {leader} to whoever is to follow it.", leader=leader.name)
    cure = None
    if off:
        fix, cure = _clock_let_out(look, off)
    yield Finding(
        code="rig.leader-unheard",
        severity="block",
        subject=leader.id,
        message=tr("{leader} leads, and nobody gets its clock.", leader=leader.name),
        why=tr("Every box runs at its own tempo and they drift apart within a few bars."),
        fix=fix,
        cure=cure,
    )


def _clock_kept_back(look: Look, leader: Device) -> list[Cable]:
    """Cables of a leader at which its clock is switched off."""
    return [c for c in look.wiring.leaving[leader.id] if c.medium != "audio" and not c.passes.clock]


def _clock_let_out(look: Look, cables: list[Cable]) -> tuple[str, Cure]:
    """In words, and done."""
    swaps = (swap_cable(c, passes=changed(c.passes, clock=True)) for c in cables)
    return (
        tr("Switch clock on at {out_of}.", out_of=listed([look.out_of(c) for c in cables])),
        Cure(cables=tuple(pair for swap in swaps for pair in swap.cables)),
    )


def _grebe(look: Look) -> Iterator[Finding]:
    """Grebe as a follower: what it plays goes by the clock that reaches it, like any box."""
    leader = _led_by_a_box(look)
    plays = look.wiring.leaving[GREBE_ID] or look.wiring.arriving[GREBE_ID]
    if leader is None or not plays or look.rig.jack == "follow":
        return
    hop = look.tree.hops.get(GREBE_ID)
    alone = tr("Grebe plays on at its own tempo, beside {leader}.", leader=leader.name)
    cure: Cure | None
    if hop is None:
        off = [c for c in _clock_kept_back(look, leader) if c.target == GREBE_ID]
        if off:
            fix, cure = _clock_let_out(look, off)
        else:
            run = best_cable(look.rig, leader.id, GREBE_ID)
            fix = tr("Run a clock cable from {leader} to Grebe.", leader=leader.name)
            cure = Cure(added=(run,)) if look.wiring.carries_clock(run) else None
        yield Finding(
            code="rig.grebe-unled",
            severity="block",
            subject=GREBE_ID,
            message=tr("No clock from {leader} reaches Grebe.", leader=leader.name),
            why=alone,
            fix=fix,
            cure=cure,
        )
    elif not look.wiring.takes_clock(hop.cable):
        yield Finding(
            code="rig.grebe-unled",
            severity="block",
            subject=GREBE_ID,
            message=tr("The clock is switched off at {into}.", into=look.into(hop.cable)),
            why=alone,
            fix=tr("Switch clock on at {into}.", into=look.into(hop.cable)),
            cure=swap_cable(hop.cable, accepts=changed(hop.cable.accepts, clock=True)),
        )
    else:
        source = look.wiring.devices[hop.cable.source]
        heard = source.pulse_from.is_set if hop.cable.medium == "pulse" else (
            source.input.is_set or source.port.is_standin or source.port.is_peer
        )  # fmt: skip
        if not heard:
            yield Finding(
                code="rig.grebe-deaf",
                severity="block",
                subject=source.id,
                message=tr(
                    "Grebe is to follow {source} and does not know where to hear it.",
                    source=source.name,
                ),
                why=alone,
                fix=tr("Choose where it is heard, on its sheet."),
            )


def _loops(look: Look) -> Iterator[Finding]:
    for ring in clock_loops(look.wiring):
        around = " to ".join(look.name(node) for node in (*ring, ring[0]))
        closing = _where_to_cut(look, ring)
        yield Finding(
            code="rig.clock-loop",
            severity="block",
            subject=ring[0],
            message=tr("The clock runs in a ring: {around}.", around=around),
            why=tr("Every tick comes round again as another tick: tempo runs away or boxes hang."),
            fix=tr("Switch clock off at {out_of}.", out_of=look.out_of(closing)),
            cure=swap_cable(closing, passes=changed(closing.passes, clock=False)),
        )


def _where_to_cut(look: Look, ring: tuple[str, ...]) -> Cable:
    """The cable of a ring without whose clock most still have one, Grebe with them: of equals the
    one that comes back to where it began."""
    pairs = [*zip(ring[-1:] + ring[:-1], ring, strict=True)]
    cables = [
        c for source, target in pairs
        for c in look.wiring.leaving[source]
        if c.target == target and _goes_round(look, c)
    ]  # fmt: skip

    def reached(cable: Cable) -> int:
        cure = swap_cable(cable, passes=changed(cable.passes, clock=False))
        tree = tree_of(Wiring(cure.applied(look.project).rig))
        return len(tree.locked) + (GREBE_ID in tree.hops)

    return max(cables, key=reached)


def _goes_round(look: Look, cable: Cable) -> bool:
    if cable.source == look.rig.leader:
        return look.wiring.carries_clock(cable) and cable.gives != "own"
    return passes_clock_on(look.wiring, cable)


def _leads_by_foot(look: Look, device: Device) -> Iterator[Finding]:
    """A looper that leads: the foot that starts it starts all that obeys Start."""
    if not device.spec.loop_tracks or not device.spec.sends.transport:
        return
    heard = [
        d.name
        for d in look.rig.devices
        if d.id != device.id and d.obeys_transport
        and any(a.stream.origin in (device.id, GREBE_ID) for a in look.heard(d, "transport"))
    ]  # fmt: skip
    if heard:
        yield Finding(
            code="rig.foot-starts-all",
            severity="warn",
            subject=device.id,
            message=tr(
                "{device} leads: the foot that starts it starts {names} too.",
                device=device.name, names=listed(heard),
            ),
            why=tr("A loop begun before its time brings everybody in, and stopping it stops them."),
            fix=tr(
                "Start only on the downbeat that is meant, or switch Start and Stop off at "
                "{out_of} and start the others by hand.",
                out_of=_outputs(look, device),
            ),
        )  # fmt: skip
    tracks = device.spec.loop_tracks
    if device.spec.starts_all and tracks > 1 and device.spec.loop_control is None:
        yield Finding(
            code="rig.starts-all",
            severity="warn",
            subject=device.id,
            message=tr(
                "{device}'s own start runs all {tracks} loop tracks.",
                device=device.name, tracks=tracks,
            ),
            why=tr("Tracks that are not wanted yet come in with the rest."),
            fix=tr("Stop or empty the tracks that are not wanted before it is started."),
        )  # fmt: skip


def _outputs(look: Look, device: Device) -> str:
    """Those that let Start out."""
    cables = [
        c for c in look.wiring.leaving[device.id] if c.medium != "audio" and c.passes.transport
    ]
    return listed([look.out_of(c) for c in cables])
