"""Findings on pulses: rates that both ends count on, and what makes one of another."""

from __future__ import annotations

from collections.abc import Iterator

from grebe.core.findings.look import Look, rate_words
from grebe.core.findings.model import Finding, swap_cable
from grebe.core.rig.formatting import listed, rate_text
from grebe.core.rig.model import Cable, Device
from grebe.core.rig.pulses import convert
from grebe.core.rig.spec import Jack
from grebe.core.rig.tree import USUAL_BPM
from grebe.core.rig.wiring import exact
from grebe.words import tr


def rate_findings(look: Look) -> Iterator[Finding]:
    """All of this family."""
    for cable in look.wiring.cables:
        if look.wiring.carries_clock(cable):
            yield from _rate(look, cable)
    yield from _conversions(look)


def _rate(look: Look, cable: Cable) -> Iterator[Finding]:
    rate, wanted = look.wiring.rate(cable), look.wiring.wanted_rate(cable)
    if rate == wanted or cable not in look.tree.sources[cable.target]:
        return
    into, out = look.wiring.target_jack(cable), look.wiring.source_jack(cable)
    cure = None
    if into is None or not into.rates or float(rate) in into.rates:
        fix = tr("Set {into} to {rate}.", into=look.into(cable), rate=rate)
        cure = swap_cable(cable, expects=float(rate))
    elif out is None or not out.rates or float(wanted) in out.rates:
        fix = tr("Set {out_of} to {wanted}.", out_of=look.out_of(cable), wanted=wanted)
        cure = swap_cable(cable, rate=float(wanted))
    else:
        fix = _converter(look, cable)
    yield Finding(
        code="rig.rate",
        severity="block",
        subject=cable.target,
        message=tr(
            "{name} gives {name2} {rate_words} where it counts on {rate_words2}.",
            name=look.name(cable.source),
            name2=look.name(cable.target),
            rate_words=rate_words(rate),
            rate_words2=rate_words(wanted),
        ),
        why=tr("It runs at {float:g} times the tempo.", float=float(rate / wanted)),
        fix=fix,
        cure=cure,
    )


def _converter(look: Look, cable: Cable) -> str:
    rate, wanted = look.wiring.rate(cable), look.wiring.wanted_rate(cable)
    change = convert(rate, wanted, USUAL_BPM)
    if change.action == "divide":
        what = tr("a converter that lets one pulse in {factor} through", factor=change.factor)
    elif change.action == "multiply":
        what = tr("a converter that multiplies by {factor}", factor=change.factor)
    else:
        what = tr("a converter that makes a clock of its own from the tempo")
    able = [
        d.name
        for d in look.rig.devices
        if d.spec.converts == "regenerate"
        or (d.spec.converts == "divide" and change.action == "divide")
    ]
    by = (
        tr("{listed} can do it", listed=listed(able))
        if able
        else tr("Grebe's pulse output at {wanted} does it too", wanted=wanted)
    )
    return tr(
        "Put {what} between them ({rate} to {wanted}); {by}.",
        what=what,
        rate=rate,
        wanted=wanted,
        by=by,
    )


def _conversions(look: Look) -> Iterator[Finding]:
    for hop in look.tree.hops.values():
        device = look.wiring.devices.get(hop.cable.source)
        if device is None or hop.conversion is None:
            continue
        jack = look.wiring.source_jack(hop.cable)
        if jack is not None and jack.works_out:
            yield from _worked_out(look, hop.cable, device, jack)
            if jack.divides and hop.conversion.action == "divide":
                yield from _count_begins(look, hop.cable, device, jack)
        if device.spec.converts == "regenerate" or hop.conversion.action in ("pass", "divide"):
            continue
        words = tr("{came} to {rate}", came=hop.came, rate=hop.rate)
        if device.spec.converts == "divide" and not (jack is not None and jack.multiplies):
            yield Finding(
                code="rig.cannot-convert",
                severity="block",
                subject=device.id,
                message=tr(
                    "{device} only divides, and cannot make {words} a quarter.",
                    device=device.name,
                    words=words,
                ),
                why=tr(
                    "What comes out for {name} is not the tempo.", name=look.name(hop.cable.target)
                ),
                fix=tr("Use a converter that makes a clock of its own, or Grebe's pulse output."),
            )
        else:
            yield Finding(
                code="rig.multiply",
                severity="warn",
                subject=device.id,
                message=tr(
                    "{device} multiplies pulses for {name}: {words} a quarter.",
                    device=device.name,
                    name=look.name(hop.cable.target),
                    words=words,
                ),
                why=tr(
                    "It has to wait for the next pulse: it starts a pulse late, and follows "
                    "tempo changes late."
                ),
                fix=tr(
                    "Give {name} its clock from a faster source.", name=look.name(hop.cable.target)
                ),
            )


def _worked_out(look: Look, cable: Cable, device: Device, jack: Jack) -> Iterator[Finding]:
    """A rate set at a jack that what comes in cannot be made into there."""
    offers = look.wiring.offers(cable)
    if not offers or cable.rate is None or exact(cable.rate) in offers:
        return
    can = listed([rate_text(rate) for rate in offers])
    yield Finding(
        code="rig.cannot-convert",
        severity="block",
        subject=device.id,
        message=tr(
            "{out_of} is set to {rate} a quarter; of what comes in it makes {can}.",
            out_of=look.out_of(cable), rate=rate_text(exact(cable.rate)), can=can,
        ),
        why=tr("What comes out for {name} is not the tempo.", name=look.name(cable.target)),
        fix=tr("Take what {jack} makes, or another output.", jack=jack.name),
        cure=swap_cable(cable, rate=None),
    )  # fmt: skip


def _count_begins(look: Look, cable: Cable, device: Device, jack: Jack) -> Iterator[Finding]:
    """A divider whose count is begun anew by nobody."""
    if jack.resets == "start":
        return
    fed = device.reset_at.is_set or any(
        into is not None and into.serves == "reset"
        for into in map(look.wiring.target_jack, look.wiring.arriving[device.id])
    )
    if jack.resets == "jack" and fed:
        return
    by = [j.name for j in device.spec.jacks if j.takes and j.serves == "reset"]
    fix = (
        tr("Run a reset to {names}: Grebe has one of its own for it.", names=listed(by))
        if by and jack.resets == "jack"
        else tr("Plug its clock in while everything stands, and begin with the first pulse.")
    )
    yield Finding(
        code="rig.divider-reset",
        severity="warn",
        subject=device.id,
        message=tr(
            "{out_of} counts pulses, and nothing begins its count anew.", out_of=look.out_of(cable)
        ),
        why=tr("After the next Start, {name} may come in on any pulse but the first.",
               name=look.name(cable.target)),
        fix=fix,
    )  # fmt: skip
