"""Findings on plugs and wires: what fits, what could harm, what is too slow."""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Iterator

from grebe.core.findings.look import HEARD_APART_MS, Look
from grebe.core.findings.model import Cure, Finding
from grebe.core.patterns.wire import burst_ms
from grebe.core.rig.formatting import listed
from grebe.core.rig.load import wire_loads
from grebe.core.rig.model import GREBE_ID, MEDIUM_OF, Cable
from grebe.core.rig.spec import Jack
from grebe.core.rig.wiring import WIRE_FITS
from grebe.words import tr

LONGEST_THRU_CHAIN = 3
"""Boxes in a row over thru; after more the edges of the bits wear down (common practice)."""
VOLTAGE_CARE = tr(
    "Measure the level before plugging; old gear and the mains are for a "
    "qualified technician, and the venue's rules come first."
)


def plug_findings(look: Look) -> Iterator[Finding]:
    """All of this family."""
    yield from _ends(look)
    yield from _shared_jacks(look)
    for cable in look.wiring.cables:
        yield from _kinds(look, cable)
        yield from _levels(look, cable)
    yield from _chains(look)


def _ends(look: Look) -> Iterator[Finding]:
    for cable in look.rig.cables:
        for end in (cable.source, cable.target):
            if not look.wiring.knows(end):
                yield Finding(
                    code="rig.cable-to-nowhere",
                    severity="warn",
                    subject=end,
                    message=tr("A cable ends at {end}, which is not in the rig.", end=end),
                    why=tr("What it should carry goes nowhere."),
                    fix=tr("Remove the cable, or add the device."),
                    cure=Cure(
                        cables=tuple(
                            (c, None) for c in look.rig.cables if end in (c.source, c.target)
                        )
                    ),
                )
    for cable in look.wiring.cables:
        ends = ((cable.source, cable.source_jack), (cable.target, cable.target_jack))
        for device_id, jack_id in ends:
            device = look.wiring.devices.get(device_id)
            if device is not None and jack_id and device.jack(jack_id) is None:
                yield Finding(
                    code="rig.no-jack",
                    severity="warn",
                    subject=device_id,
                    message=tr(
                        "A cable uses a jack {jack_id} that {device} does not have.",
                        jack_id=jack_id,
                        device=device.name,
                    ),
                    why=tr("Nobody can say whether it fits."),
                    fix=tr("Choose another jack for the cable."),
                )


def _shared_jacks(look: Look) -> Iterator[Finding]:
    used: defaultdict[tuple[str, str], list[Cable]] = defaultdict(list)
    for cable in look.wiring.cables:
        if look.wiring.source_jack(cable) is not None:
            used[(cable.source, cable.source_jack)].append(cable)
        if look.wiring.target_jack(cable) is not None:
            used[(cable.target, cable.target_jack)].append(cable)
    for (device_id, jack_id), cables in used.items():
        jack = look.wiring.devices[device_id].jack(jack_id)
        if jack is None or jack.kind in ("network", "virtual", "audio"):
            continue
        out = [c for c in cables if c.source == device_id]
        into = [c for c in cables if c.target == device_id]
        for side, what in ((out, "thru box or splitter"), (into, tr("merge box"))):
            if len(side) > 1:
                others = listed([look.name(c.target if side is out else c.source) for c in side])
                yield Finding(
                    code="rig.jack-shared",
                    severity="block",
                    subject=device_id,
                    message=tr(
                        "{count} cables meet at {name}'s {jack}: {others}.",
                        count=len(side),
                        name=look.name(device_id),
                        jack=jack.name,
                        others=others,
                    ),
                    why=tr("One jack takes one plug."),
                    fix=tr("Put a {what} there, or use another jack.", what=what),
                )


def _kinds(look: Look, cable: Cable) -> Iterator[Finding]:
    out, into = look.wiring.source_jack(cable), look.wiring.target_jack(cable)
    if out is None and into is None:
        return
    pulse = MEDIUM_OF[out.kind] == "pulse" if out is not None else cable.medium == "pulse"
    if into is not None and into.kind == "audio" and pulse and cable.target != GREBE_ID:
        yield Finding(
            code="rig.pulse-to-speakers",
            severity="block",
            subject=cable.target,
            message=tr(
                "Pulses from {out_of} go into {into}.",
                out_of=look.out_of(cable),
                into=look.into(cable),
            ),
            why=tr("A pulse track is full level and no music: it harms speakers and ears."),
            fix=tr("Take it off the audio path; a pulse output has its own cable and level."),
            cure=Cure(cables=((cable, None),)) if into.speakers else None,
        )
        return
    wrong = _wrong(look, cable, out, into)
    if wrong:
        yield Finding(
            code="rig.medium",
            severity="block",
            subject=cable.target,
            message=tr("{wrong}: they do not fit.", wrong=wrong),
            why=tr("Nothing gets through, or nothing that means anything."),
            fix=_between(out, into),
        )
    elif out is not None and into is not None and into.kind == "sync" and not _has_run(out):
        yield Finding(
            code="rig.run-line",
            severity="warn",
            subject=cable.target,
            message=tr("{into} gets pulses without a run/stop line.", into=look.into(cable)),
            why=tr(
                "DIN sync starts and stops by that line: without it the box stays still, "
                "or runs as long as pulses come."
            ),
            fix=tr("Use an output with a run line, or press start on the box by hand."),
        )


def _wrong(look: Look, cable: Cable, out: Jack | None, into: Jack | None) -> str:
    """Why nothing gets through a cable between these jacks; "" where something does."""
    if out is not None and not out.gives:
        return tr("{out_of} is an input", out_of=look.out_of(cable))
    if into is not None and not into.takes:
        return tr("{into} is an output", into=look.into(cable))
    if out is not None and into is not None:
        if into.kind in WIRE_FITS[out.kind]:
            return ""
        words = tr(
            "{out_of} is {kind_words}, {into} is ",
            out_of=look.out_of(cable),
            kind_words=KIND_WORDS[out.kind],
            into=look.into(cable),
        )
        return words + KIND_WORDS[into.kind]
    known = out or into
    if known is None or MEDIUM_OF[known.kind] == cable.medium:
        return ""
    return tr(
        "The cable is {medium}, the jack {known} is {kind_words}",
        medium=cable.medium,
        known=known.name,
        kind_words=KIND_WORDS[known.kind],
    )


def _has_run(out: Jack) -> bool:
    return out.kind == "sync" and out.run_line


KIND_WORDS = {
    "midi": tr("MIDI on DIN"),
    "usb": "USB MIDI",
    "virtual": tr("MIDI inside a computer"),
    "pulse": "pulses",
    "sync": tr("DIN sync"),
    "network": "network",
    "audio": "audio",
}


def _between(out: Jack | None, into: Jack | None) -> str:
    kinds = {j.kind for j in (out, into) if j is not None}
    if kinds == {"midi", "usb"}:
        return tr("Put a USB MIDI host between them, or use the DIN jacks.")
    if "midi" in kinds and kinds & {"pulse", "sync"}:
        return tr("Put a converter between them that turns MIDI clock into pulses, or use Grebe's.")
    return tr("Choose a jack of the same kind at both ends.")


def _levels(look: Look, cable: Cable) -> Iterator[Finding]:
    out, into = look.wiring.source_jack(cable), look.wiring.target_jack(cable)
    if out is None or into is None or into.kind not in ("pulse", "sync"):
        return
    gives, bears, needs = out.volts, into.bears_volts, into.needs_volts
    if gives is not None and bears is not None and gives > bears:
        yield Finding(
            code="rig.voltage",
            severity="block",
            subject=cable.target,
            message=tr(
                "{out_of} gives {gives:g} V, {into} bears {bears:g} V.",
                out_of=look.out_of(cable),
                gives=gives,
                into=look.into(cable),
                bears=bears,
            ),
            why=tr("Too high a level can break the input for good."),
            fix=tr(
                "Put a level converter or divider between them. {voltage_care}",
                voltage_care=VOLTAGE_CARE,
            ),
        )
    elif gives is not None and needs is not None and gives < needs:
        yield Finding(
            code="rig.voltage",
            severity="block",
            subject=cable.target,
            message=tr(
                "{out_of} gives {gives:g} V, {into} needs {needs:g} V.",
                out_of=look.out_of(cable),
                gives=gives,
                into=look.into(cable),
                needs=needs,
            ),
            why=tr("It misses pulses or counts none at all, and differently when it is warm."),
            fix=tr("Put a level converter between them. {voltage_care}", voltage_care=VOLTAGE_CARE),
        )
    if out.edge != into.edge:
        yield Finding(
            code="rig.polarity",
            severity="warn",
            subject=cable.target,
            message=tr(
                "{out_of} counts on its {edge} edge, {into} on its {edge2}.",
                out_of=look.out_of(cable),
                edge=out.edge,
                into=look.into(cable),
                edge2=into.edge,
            ),
            why=tr("Every pulse comes late by the pulse's width, and Start misses the first."),
            fix=tr("Turn the polarity over at one end, or put an inverter between them."),
        )


def _chains(look: Look) -> Iterator[Finding]:
    """Chains are walked from their last box back to the first."""
    for device in look.rig.devices:
        chain = _thru_chain(look, device.id)
        goes_on = any(
            c.gives != "own" and c.medium == "midi" for c in look.wiring.leaving[device.id]
        )
        if len(chain) > LONGEST_THRU_CHAIN and not goes_on:
            yield Finding(
                code="rig.thru-chain",
                severity="warn",
                subject=device.id,
                message=tr(
                    "{device} is number {count} of a thru chain: {listed}.",
                    device=device.name,
                    count=len(chain),
                    listed=listed([look.name(d) for d in chain]),
                ),
                why=tr(
                    "Every thru wears the signal down; at the end of a long chain notes get lost."
                ),
                fix=tr(
                    "Feed {device} from a thru box or an output of its own.", device=device.name
                ),
            )


def _thru_chain(look: Look, device_id: str) -> list[str]:
    """Boxes in a row from the first fed directly to this one."""
    chain = [device_id]
    while True:
        before = [
            c.source
            for c in look.wiring.arriving[chain[0]]
            if c.medium == "midi" and c.gives != "own" and c.source not in (GREBE_ID, *chain)
        ]
        if not before:
            return chain
        chain.insert(0, before[0])


def load_findings(look: Look) -> Iterator[Finding]:
    """Wires that carry more notes at once than they can in time. None of it blocks."""
    for load in wire_loads(look.project, look.wiring, look.flow.via):
        first, last = burst_ms(load.notes)
        spread = last - first
        if spread > HEARD_APART_MS:
            yield Finding(
                code="rig.wire-load",
                severity="warn",
                subject=load.first,
                message=tr(
                    "{notes} notes fall together on the wire to {name} in {scene}: spread "
                    "over {spread:.1f} ms.",
                    notes=load.notes,
                    name=look.name(load.first),
                    scene=load.scene,
                    spread=spread,
                ),
                why=tr("A DIN wire takes 0.96 ms a note; the last sounds audibly after the first."),
                fix=tr(
                    "Give {listed} wires of their own, or use USB.",
                    listed=listed([look.name(d) for d in load.devices]),
                )
                if len(load.devices) > 1
                else tr("Use USB, or move some of them by a few ms."),
            )
