"""Findings on the clock: who gets it, and what starts with it."""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Iterator

from grebe.core.findings.look import HEARD_APART_MS, Look
from grebe.core.findings.model import Cure, Finding, changed, swap_cable, swap_device
from grebe.core.rig.formatting import listed
from grebe.core.rig.model import GREBE_ID, Cable, Device
from grebe.core.rig.spec import Gives
from grebe.words import tr


def clock_findings(look: Look) -> Iterator[Finding]:
    """All of this family."""
    for device in look.rig.devices:
        yield from _meeting(look, device)
        yield from _without(look, device)
        yield from _starting(look, device)
        yield from _tempo(look, device)
    for cable in look.wiring.cables:
        if look.wiring.carries_clock(cable):
            yield from _middle(look, cable)
    yield from _latency(look)


def _meeting(look: Look, device: Device) -> Iterator[Finding]:
    if not device.obeys_clock:
        return
    inputs: defaultdict[tuple[str, str], list[Cable]] = defaultdict(list)
    for cable in look.tree.sources[device.id]:
        if look.wiring.takes_clock(cable):
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
            message=tr("{device} gets clock from {names}.", device=device.name, names=names),
            why=tr("Two clocks at one input count double or stumble: it will not keep time."),
            fix=tr("Switch clock off at {listed}.", listed=listed([look.out_of(c) for c in extra])),
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
        message = tr(
            "No clock from {name} reaches {device}.", name=look.name(leader), device=device.name
        )
        fix = tr("Run a clock cable to {device}, or pass the clock on to it.", device=device.name)
        cure = None
    elif hop.cable.accepts.clock:
        message = tr("{into} knows no clock.", into=look.into(hop.cable))
        others = [j.name for j in device.spec.jacks if j.takes and j.clock and j.serves == "clock"
                  and j.kind != "audio"]  # fmt: skip
        where = listed(others) if others else tr("a jack that does")
        fix, cure = tr("Run its clock cable to {where}.", where=where), None
    else:
        message = tr("The clock is switched off at {into}.", into=look.into(hop.cable))
        fix = tr("Switch clock on at {into}.", into=look.into(hop.cable))
        cure = swap_cable(hop.cable, accepts=changed(hop.cable.accepts, clock=True))
    yield Finding(
        code="rig.no-clock",
        severity="warn",
        subject=device.id,
        message=message,
        why=tr("It runs on its own and will be audibly apart within a few bars."),
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
        message = tr(
            "{device} sends {target} its own clock on top of the one it passes on.",
            device=device.name,
            target=target,
        )
        why = tr("Both arrive: ticks count double.")
    else:
        message = tr("{device} sends its own clock to {target}.", device=device.name, target=target)
        why = tr(
            "It is late by what {device} takes, wavers more, and stops with {device}.",
            device=device.name,
        )
    through: Gives = "thru"
    yield Finding(
        code="rig.middle-clock",
        severity="block" if cable.gives == "both" else "warn",
        subject=device.id,
        message=message,
        why=why,
        fix=tr(
            "Set {out_of} to thru, so that the clock passes unchanged.", out_of=look.out_of(cable)
        ),
        cure=swap_cable(cable, gives=through),
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
            message=tr(
                "Start reaches {device}, which must not start with the rest.", device=device.name
            ),
            why=tr("It comes in by itself on the first beat."),
            fix=tr("Switch Start and Stop off at {where}.", where=where),
            cure=off,
        )
    elif device.spec.starts_all and device.spec.loop_control is None:
        tracks = device.spec.loop_tracks
        what = (
            tr("all {tracks} loop tracks", tracks=tracks) if tracks else tr("all of its patterns")
        )
        yield Finding(
            code="rig.starts-all",
            severity="warn",
            subject=device.id,
            message=tr("Start makes {device} run {what}.", device=device.name, what=what),
            why=tr("Tracks that are not wanted yet come in with the rest."),
            fix=tr("Switch Start and Stop off at {where} and start tracks by hand.", where=where),
            cure=off,
        )
    in_box = any(p.in_box is not None for p in look.patterns[device.id])
    if device.plays == "grebe" and in_box:
        yield Finding(
            code="rig.plays-twice",
            severity="warn",
            subject=device.id,
            message=tr(
                "Grebe plays {device} note by note, and Start also runs the patterns in "
                "its memory.",
                device=device.name,
            ),
            why=tr("Every hit comes twice, a little apart."),
            fix=tr(
                "Switch Start and Stop off at {where}, or let {device} play its own.",
                where=where,
                device=device.name,
            ),
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
    fix = tr("Let Start and Stop through on the way to {device}.", device=device.name)
    if hop is not None and not (hop.cable.passes.transport and hop.cable.accepts.transport):
        at = look.into(hop.cable) if hop.cable.passes.transport else look.out_of(hop.cable)
        fix = tr("Switch Start and Stop on at {at}.", at=at)
        cure = swap_cable(
            hop.cable,
            passes=changed(hop.cable.passes, transport=True),
            accepts=changed(hop.cable.accepts, transport=True),
        )
    return Finding(
        code="rig.start-missing",
        severity="warn",
        subject=device.id,
        message=tr("{device} gets the clock, but Start does not reach it.", device=device.name),
        why=tr("It has the tempo and stays silent until somebody presses its own start."),
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
                outside.append(tr("{song} at {bpm:g}", song=song.name, bpm=bpm))
            elif device.id == look.rig.leader and limits.step:
                steps = bpm / limits.step
                if abs(steps - round(steps)) > 1e-6:
                    between.append(tr("{song} at {bpm:g}", song=song.name, bpm=bpm))
    if outside:
        yield Finding(
            code="rig.tempo-range",
            severity="block",
            subject=device.id,
            message=tr(
                "{device} runs from {low:g} to {high:g} BPM; outside it: {listed}.",
                device=device.name,
                low=limits.low,
                high=limits.high,
                listed=listed(outside),
            ),
            why=tr("It stops following there, or runs at half or double the tempo."),
            fix=tr(
                "Give {device} half or double the clock there, or change the tempo.",
                device=device.name,
            ),
        )
    if between:
        yield Finding(
            code="rig.tempo-step",
            severity="note",
            subject=device.id,
            message=tr(
                "{device} leads in steps of {step:g} BPM; between them: {listed}.",
                device=device.name,
                step=limits.step,
                listed=listed(between),
            ),
            why=tr("The song runs at the nearest step instead."),
            fix=tr("Round the tempo to its step, or let another lead."),
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
            message=tr(
                "{device} sounds {apart:.1f} ms after {name}.",
                device=device.name,
                apart=apart,
                name=look.name(earliest),
            ),
            why=tr(
                "Over {heard_apart_ms:g} ms apart, two hits on one beat are heard as two.",
                heard_apart_ms=HEARD_APART_MS,
            ),
            fix=tr(
                "Set the offset of {device} to {offset:g} ms.", device=device.name, offset=offset
            ),
            cure=swap_device(device, offset_ms=offset),
        )
