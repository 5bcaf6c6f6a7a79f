"""Findings on the clock: who leads, at which rate, and what starts with it."""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Iterator

from grebe.core.findings.look import HEARD_APART_MS, Look, rate_words
from grebe.core.findings.model import Cure, Finding, changed, swap_cable, swap_device
from grebe.core.rig.formatting import listed
from grebe.core.rig.model import GREBE_ID, Cable, Device, Gives
from grebe.core.rig.propose import proposals
from grebe.core.rig.pulses import convert
from grebe.core.rig.tree import USUAL_BPM, clock_loops, passes_clock_on


def clock_findings(look: Look) -> Iterator[Finding]:
    """All of this family."""
    if not look.rig.devices:
        return
    yield from _leader(look)
    yield from _loops(look)
    for device in look.rig.devices:
        yield from _meeting(look, device)
        yield from _without(look, device)
        yield from _starting(look, device)
        yield from _tempo(look, device)
    for cable in look.wiring.cables:
        if cable.clock:
            yield from _middle(look, cable)
            yield from _rate(look, cable)
    yield from _conversions(look)
    yield from _latency(look)


def _leader(look: Look) -> Iterator[Finding]:
    leader = look.rig.leader
    if leader is not None and look.wiring.knows(leader):
        return
    gone = "" if leader is None else f" ({leader} is not in the rig)"
    best = proposals(look.rig)[0]
    yield Finding(
        code="rig.no-leader",
        severity="block",
        subject=leader or "rig",
        message=f"Nobody leads the clock{gone}.",
        why="Every box runs at its own tempo and they drift apart within a few bars.",
        fix=f"Let {look.name(best.leader)} lead. {best.why}",
        cure=Cure(leader=best.leader),
    )


def _loops(look: Look) -> Iterator[Finding]:
    for ring in clock_loops(look.wiring):
        around = " to ".join(look.name(node) for node in (*ring, ring[0]))
        closing = next(
            c
            for c in look.wiring.leaving[ring[-1]]
            if c.target == ring[0] and passes_clock_on(look.wiring, c)
        )
        yield Finding(
            code="rig.clock-loop",
            severity="block",
            subject=ring[0],
            message=f"The clock runs in a ring: {around}.",
            why="Every tick comes round again as another tick: tempo runs away or boxes hang.",
            fix=f"Switch clock off at {look.out_of(closing)}.",
            cure=swap_cable(closing, passes=changed(closing.passes, clock=False)),
        )


def _meeting(look: Look, device: Device) -> Iterator[Finding]:
    if not device.obeys_clock:
        return
    inputs: defaultdict[tuple[str, str], list[Cable]] = defaultdict(list)
    for cable in look.tree.sources[device.id]:
        if cable.accepts.clock:
            inputs[(cable.medium, cable.target_jack)].append(cable)
    for cables in inputs.values():
        if len(cables) < 2:
            continue
        hop = look.tree.hops.get(device.id)
        kept = hop.cable if hop is not None and hop.cable in cables else cables[0]
        extra = [c for c in cables if c is not kept]
        names = listed([look.name(c.source) for c in cables])
        yield Finding(
            code="rig.two-leaders",
            severity="block",
            subject=device.id,
            message=f"{device.name} gets clock from {names}.",
            why="Two clocks at one input count double or stumble: it will not keep time.",
            fix=f"Switch clock off at {listed([look.out_of(c) for c in extra])}.",
            cure=Cure(
                cables=tuple(
                    pair
                    for c in extra
                    for pair in swap_cable(c, passes=changed(c.passes, clock=False)).cables
                )
            ),
        )


def _without(look: Look, device: Device) -> Iterator[Finding]:
    leader = look.rig.leader
    if leader is None or not look.wiring.knows(leader) or device.id == leader:
        return
    if device.id in look.tree.locked or not device.obeys_clock:
        return
    hop = look.tree.hops.get(device.id)
    if hop is None:
        message = f"No clock from {look.name(leader)} reaches {device.name}."
        fix = f"Run a clock cable to {device.name}, or pass the clock on to it."
        cure = None
    else:
        message = f"The clock is switched off at {look.into(hop.cable)}."
        fix = f"Switch clock on at {look.into(hop.cable)}."
        cure = swap_cable(hop.cable, accepts=changed(hop.cable.accepts, clock=True))
    yield Finding(
        code="rig.no-clock",
        severity="warn",
        subject=device.id,
        message=message,
        why="It runs on its own and will be audibly apart within a few bars.",
        fix=fix,
        cure=cure,
    )


def _middle(look: Look, cable: Cable) -> Iterator[Finding]:
    """A box in the middle that sends a clock of its own instead of the one it gets."""
    device = look.wiring.devices.get(cable.source)
    if device is None or device.id == look.rig.leader or not device.sends_clock:
        return
    if cable.gives == "thru" or cable.medium == "pulse":
        return
    if not any(c.medium == cable.medium for c in look.tree.sources[device.id]):
        return
    target = look.name(cable.target)
    if cable.gives == "both":
        message = f"{device.name} sends {target} its own clock on top of the one it passes on."
        why = "Both arrive: ticks count double."
    else:
        message = f"{device.name} sends its own clock to {target}."
        why = f"It is late by what {device.name} takes, wavers more, and stops with {device.name}."
    through: Gives = "thru"
    yield Finding(
        code="rig.middle-clock",
        severity="block" if cable.gives == "both" else "warn",
        subject=device.id,
        message=message,
        why=why,
        fix=f"Set {look.out_of(cable)} to thru, so that the clock passes unchanged.",
        cure=swap_cable(cable, gives=through),
    )


def _rate(look: Look, cable: Cable) -> Iterator[Finding]:
    rate, wanted = look.wiring.rate(cable), look.wiring.wanted_rate(cable)
    if rate == wanted or cable not in look.tree.sources[cable.target]:
        return
    into, out = look.wiring.target_jack(cable), look.wiring.source_jack(cable)
    cure = None
    if into is None or not into.rates or float(rate) in into.rates:
        fix = f"Set {look.into(cable)} to {rate}."
        cure = swap_cable(cable, expects=float(rate))
    elif out is None or not out.rates or float(wanted) in out.rates:
        fix = f"Set {look.out_of(cable)} to {wanted}."
        cure = swap_cable(cable, rate=float(wanted))
    else:
        fix = _converter(look, cable)
    yield Finding(
        code="rig.rate",
        severity="block",
        subject=cable.target,
        message=f"{look.name(cable.source)} gives {look.name(cable.target)} "
        f"{rate_words(rate)} where it counts on {rate_words(wanted)}.",
        why=f"It runs at {float(rate / wanted):g} times the tempo.",
        fix=fix,
        cure=cure,
    )


def _converter(look: Look, cable: Cable) -> str:
    rate, wanted = look.wiring.rate(cable), look.wiring.wanted_rate(cable)
    change = convert(rate, wanted, USUAL_BPM)
    if change.action == "divide":
        what = f"a converter that lets one pulse in {change.factor} through"
    elif change.action == "multiply":
        what = f"a converter that multiplies by {change.factor}"
    else:
        what = "a converter that makes a clock of its own from the tempo"
    able = [
        d.name
        for d in look.rig.devices
        if d.spec.converts == "regenerate"
        or (d.spec.converts == "divide" and change.action == "divide")
    ]
    by = f"{listed(able)} can do it" if able else f"Grebe's pulse output at {wanted} does it too"
    return f"Put {what} between them ({rate} to {wanted}); {by}."


def _conversions(look: Look) -> Iterator[Finding]:
    for hop in look.tree.hops.values():
        device = look.wiring.devices.get(hop.cable.source)
        if device is None or hop.conversion is None or device.spec.converts == "regenerate":
            continue
        action = hop.conversion.action
        if action in ("pass", "divide"):
            continue
        words = f"{hop.came} to {hop.rate}"
        if device.spec.converts == "divide":
            yield Finding(
                code="rig.cannot-convert",
                severity="block",
                subject=device.id,
                message=f"{device.name} only divides, and cannot make {words} a quarter.",
                why=f"What comes out for {look.name(hop.cable.target)} is not the tempo.",
                fix="Use a converter that makes a clock of its own, or Grebe's pulse output.",
            )
        else:
            yield Finding(
                code="rig.multiply",
                severity="warn",
                subject=device.id,
                message=f"{device.name} multiplies pulses for {look.name(hop.cable.target)}: "
                f"{words} a quarter.",
                why="It has to wait for the next pulse: it starts a pulse late, and follows "
                "tempo changes late.",
                fix=f"Give {look.name(hop.cable.target)} its clock from a faster source.",
            )


def _starting(look: Look, device: Device) -> Iterator[Finding]:
    if not device.obeys_transport or device.id == look.rig.leader:
        return
    start = next(look.heard(device, "transport"), None)
    if start is None:
        hop = look.tree.hops.get(device.id)
        by_pulse = hop is not None and hop.cable.medium == "pulse"
        if device.stays or device.id not in look.tree.locked or by_pulse:
            return
        if device.plays == "own" and device.spec.obeys.start and _has_start(look):
            yield _missing_start(look, device)
        return
    off = swap_cable(start.cable, accepts=changed(start.cable.accepts, transport=False))
    where = look.into(start.cable)
    if device.stays:
        yield Finding(
            code="rig.start-unwanted",
            severity="block",
            subject=device.id,
            message=f"Start reaches {device.name}, which must not start with the rest.",
            why="It comes in by itself on the first beat.",
            fix=f"Switch Start and Stop off at {where}.",
            cure=off,
        )
    elif device.spec.starts_all and device.spec.loop_control is None:
        tracks = device.spec.loop_tracks
        what = f"all {tracks} loop tracks" if tracks else "all of its patterns"
        yield Finding(
            code="rig.starts-all",
            severity="warn",
            subject=device.id,
            message=f"Start makes {device.name} run {what}.",
            why="Tracks that are not wanted yet come in with the rest.",
            fix=f"Switch Start and Stop off at {where} and start tracks by hand.",
            cure=off,
        )
    in_box = any(p.in_box is not None for p in look.patterns[device.id])
    if device.plays == "grebe" and in_box:
        yield Finding(
            code="rig.plays-twice",
            severity="warn",
            subject=device.id,
            message=f"Grebe plays {device.name} note by note, and Start also runs the patterns "
            "in its memory.",
            why="Every hit comes twice, a little apart.",
            fix=f"Switch Start and Stop off at {where}, or let {device.name} play its own.",
            cure=off,
        )


def _has_start(look: Look) -> bool:
    """Whether the leader sends Start at all."""
    leader = look.rig.leader
    if leader == GREBE_ID:
        return True
    device = look.wiring.devices.get(str(leader))
    return device is not None and device.spec.sends.transport


def _missing_start(look: Look, device: Device) -> Finding:
    hop = look.tree.hops.get(device.id)
    cure = None
    fix = f"Let Start and Stop through on the way to {device.name}."
    if hop is not None and not (hop.cable.passes.transport and hop.cable.accepts.transport):
        at = look.into(hop.cable) if hop.cable.passes.transport else look.out_of(hop.cable)
        fix = f"Switch Start and Stop on at {at}."
        cure = swap_cable(
            hop.cable,
            passes=changed(hop.cable.passes, transport=True),
            accepts=changed(hop.cable.accepts, transport=True),
        )
    return Finding(
        code="rig.start-missing",
        severity="warn",
        subject=device.id,
        message=f"{device.name} gets the clock, but Start does not reach it.",
        why="It has the tempo and stays silent until somebody presses its own start.",
        fix=fix,
        cure=cure,
    )


def _tempo(look: Look, device: Device) -> Iterator[Finding]:
    if device.id not in look.tree.locked:
        return
    limits = device.spec.tempo
    outside: list[str] = []
    between: list[str] = []
    for song in look.project.songs:
        said = [song.bpm, *(s.bpm for s in song.sections if s.bpm is not None)]
        said += [t.bpm for s in song.sections for t in s.tempi]
        tempi = dict.fromkeys(said)
        for bpm in tempi:
            if not limits.low <= bpm <= limits.high:
                outside.append(f"{song.name} at {bpm:g}")
            elif device.id == look.rig.leader and limits.step:
                steps = bpm / limits.step
                if abs(steps - round(steps)) > 1e-6:
                    between.append(f"{song.name} at {bpm:g}")
    if outside:
        yield Finding(
            code="rig.tempo-range",
            severity="block",
            subject=device.id,
            message=f"{device.name} runs from {limits.low:g} to {limits.high:g} BPM; "
            f"outside it: {listed(outside)}.",
            why="It stops following there, or runs at half or double the tempo.",
            fix=f"Give {device.name} half or double the clock there, or change the tempo.",
        )
    if between:
        yield Finding(
            code="rig.tempo-step",
            severity="note",
            subject=device.id,
            message=f"{device.name} leads in steps of {limits.step:g} BPM; "
            f"between them: {listed(between)}.",
            why="The song runs at the nearest step instead.",
            fix="Round the tempo to its step, or let another lead.",
        )


def _latency(look: Look) -> Iterator[Finding]:
    late = {
        d.id: look.tree.latency_ms[d.id] + d.offset_ms
        for d in look.rig.devices
        if d.id in look.tree.locked and d.spec.jacks
    }
    if len(late) < 2:
        return
    earliest = min(late, key=lambda d: late[d])
    for device in look.rig.devices:
        apart = late.get(device.id, late[earliest]) - late[earliest]
        if apart <= HEARD_APART_MS or device.id == look.rig.leader:
            continue
        offset = round(device.offset_ms - apart, 1)
        yield Finding(
            code="rig.latency",
            severity="warn",
            subject=device.id,
            message=f"{device.name} sounds {apart:.1f} ms after {look.name(earliest)}.",
            why=f"Over {HEARD_APART_MS:g} ms apart, two hits on one beat are heard as two.",
            fix=f"Set the offset of {device.name} to {offset:g} ms.",
            cure=swap_device(device, offset_ms=offset),
        )
