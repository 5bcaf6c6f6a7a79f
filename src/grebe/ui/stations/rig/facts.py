"""What the Rig's sheet says about a device, and the line under the heading."""

from __future__ import annotations

from grebe.app.actions.keymap import told
from grebe.app.editors.rig_clock import JACK_WORDS
from grebe.app.live.session import Session
from grebe.core.rig.formatting import rate_text
from grebe.core.rig.model import GREBE_ID, Device, Rig
from grebe.core.rig.numbering import printed_otherwise, printed_program
from grebe.core.rig.setup import MAINS_CARE, PULSE_CARE
from grebe.core.rig.spec import ChainRule, Spec
from grebe.core.rig.tree import ClockTree
from grebe.protocols.link.messages import DeviceStatus
from grebe.protocols.link.session import RtpState
from grebe.ui.widgets.formatting import late_text
from grebe.ui.widgets.sheet import SheetLine, head, note, row
from grebe.words import counted, tr


def heading_words(rig: Rig, tree: ClockTree) -> str:
    """Who leads, who locks, and the longest way to a beat."""
    if not rig.devices:
        return tr(
            "{add_box} adds a box, {add_cable} runs a cable from it.",
            add_box=told("add_box"),
            add_cable=told("add_cable"),
        )
    leads = tr("{box} leads", box=rig.name_of(rig.leader)) if rig.leader else tr("Nobody leads")
    followers = [d for d in rig.devices if d.id != rig.leader]
    apart = [d.name for d in followers if d.id not in tree.locked]
    boxes = counted(len(rig.devices), "box", "boxes")
    if not apart:
        words = tr("{boxes}. {leads}; all lock.", boxes=boxes, leads=leads)
    elif len(apart) < len(followers):
        words = tr(
            "{boxes}. {leads}; all but {names} lock.",
            boxes=boxes,
            leads=leads,
            names=", ".join(apart),
        )
    else:
        words = tr("{boxes}. {leads}; none locks.", boxes=boxes, leads=leads)
    late = {d: tree.latency_ms[d] for d in tree.locked if tree.latency_ms.get(d)}
    if late:
        last = max(late, key=lambda d: late[d])
        words += tr(
            " Longest way to a beat: {late:.1f} ms, to {box}.",
            late=late[last],
            box=rig.name_of(last),
        )
    return words


def grebe_lines(session: Session, tree: ClockTree) -> list[SheetLine]:
    """Grebe's own page."""
    welcome = session.link.welcome
    name_of = session.project.rig.name_of
    sources = tree.sources.get(GREBE_ID, ())
    follows = name_of(sources[0].source) if sources else tr("nobody")
    if session.network.leads:
        follows = tr("the session")
    clock = tr("sends 24 a quarter") if tree.leader == GREBE_ID else tr("sends none")
    if sources and tree.leader != GREBE_ID:
        clock = tr("sends what it follows, made steady")
    lines = [head(tr("Grebe")), row(tr("Clock"), clock), row(tr("Follows"), follows)]
    if sources and tree.leader != GREBE_ID:
        lines.append(note(tr("It predicts where the leader will be: following adds no delay.")))
    rig = session.project.rig
    lines.append(row(tr("JACK"), JACK_WORDS[rig.jack]))
    clicks = tr("only shown") if rig.count_in.device is None else name_of(rig.count_in.device)
    lines.append(row(tr("Count-in"), f"{counted(rig.count_in.bars, 'bar')}, {clicks}"))
    if rig.panic is not None:
        lines.append(row(tr("Panic"), f"{name_of(rig.panic.device)}: {rig.panic.words}"))
    if welcome is None:
        lines.append(row(tr("Engine"), tr("not connected"), "wrong"))
    elif welcome.priority == "fifo":
        lines.append(row(tr("Priority"), "real-time", "good"))
    else:
        lines += [row(tr("Priority"), "ordinary", "look"), note(welcome.priority_help, "look")]
    weight = session.derived.weight()
    lines += [SheetLine("", kind="gap"), head(tr("What it weighs"))]
    for what, words in ((tr("Wire"), weight.wire), (tr("Interface"), weight.interface),
                        (tr("Hands"), weight.hands)):  # fmt: skip
        lines += [note(f"{what}: {words}")]
    status = session.status
    if status is not None and status.overruns:
        lines += [
            row(
                tr("JACK"), tr("lost time {times}", times=counted(status.overruns, "time")), "wrong"
            ),
            note(tr("Boxes that may have lost a tick there were put right on the bar after.")),
        ]
    return lines


def device_lines(
    session: Session, device: Device, tree: ClockTree
) -> tuple[list[SheetLine], list[SheetLine]]:
    """A device's page: how it stands in the rig, and what its profile knows of it."""
    lines = [
        head(device.name),
        note(f"{device.label or tr(device.kind)}, {_follows(session, device, tree)}"),
        *_care_lines(session, device),
        row(
            tr("Plays"),
            tr("its own patterns") if device.plays == "own" else tr("note by note, by Grebe"),
        ),
        row(tr("Clock"), _clock_words(device, tree)),
        row(tr("Start, stop"), tr("obeys") if device.obeys_transport else tr("ignores")),
    ]
    if device.obeys_transport and not device.obeys_song_position:
        lines.append(row(tr("Position"), tr("ignores: always from the top"), "look"))
    lines += _program_lines(device)
    status = session.status
    live = next((s for s in status.devices if s.id == device.id), None) if status else None
    off = session.position.off_by_ms(device) is not None
    if live is not None:
        lines += _live_lines(live, off=off)
    peers = session.network.peers
    carried = next((r for r in peers.rtp if r.device == device.id), None) if peers else None
    if carried is not None:
        lines += _network_lines(carried)
    return lines, _spec_lines(device.spec)


def _follows(session: Session, device: Device, tree: ClockTree) -> str:
    if device.id == tree.leader:
        return "leads"
    hop = tree.hops.get(device.id)
    if hop is None or device.id not in tree.locked:
        return tr("on its own")
    return tr("follows {box}", box=session.project.rig.name_of(hop.cable.source))


def _clock_words(device: Device, tree: ClockTree) -> str:
    hop = tree.hops.get(device.id)
    if device.obeys_clock and hop is not None:
        obeys = tr("obeys {rate_text} a quarter", rate_text=rate_text(hop.wanted))
    else:
        obeys = tr("obeys") if device.obeys_clock else tr("ignores")
    return (
        tr("{obeys}, sends its own", obeys=obeys)
        if device.sends_clock
        else tr("{obeys}, sends none", obeys=obeys)
    )


def _care_lines(session: Session, device: Device) -> list[SheetLine]:
    lines: list[SheetLine] = []
    ends = (c for c in session.project.rig.cables if device.id in (c.source, c.target))
    if any(c.medium == "pulse" for c in ends):
        lines.append(note(PULSE_CARE, "look"))
    if device.spec.old_mains:
        lines.append(note(MAINS_CARE, "look"))
    return lines


def _program_lines(device: Device) -> list[SheetLine]:
    if not device.obeys_program:
        return [row(tr("Program"), tr("ignores"))]
    change = {
        "pattern_end": tr("at its pattern end"),
        "bar": tr("at the bar"),
        "at_once": "at once",
    }
    lines = [row(tr("Program"), tr("obeys, {change}", change=change[device.change_at]))]
    if printed_otherwise(device):
        lines.append(
            row(
                tr("Printed"),
                tr("0 is {printed_program}", printed_program=printed_program(device, 0)),
            )
        )
    if device.plays == "own":
        number = device.mute_controller
        lines.append(
            row(
                tr("Mute"),
                tr("by hand") if number is None else tr("controller {number}", number=number),
            )
        )
    return lines


def _spec_lines(spec: Spec) -> list[SheetLine]:
    lines: list[SheetLine] = []
    memory = spec.memory
    if memory is not None:
        parts = [n for n in (memory.banks, memory.groups) if n > 1]
        shape = " x ".join(str(n) for n in (*parts, memory.slots))
        longest = (
            tr(", to {steps}", steps=counted(spec.steps.longest, "step")) if spec.steps else ""
        )
        lines.append(row(tr("Patterns"), f"{shape}{longest}"))
    if spec.chains.rule != "none":
        lines.append(row(tr("Chains"), _chain_words(spec.chains)))
    if spec.steps is not None and len(spec.steps.swing) > 1:
        swing = spec.steps.swing
        lines.append(
            row(
                tr("Swing"),
                tr(
                    "{count} levels, {swing:g} to {swing2:g} %",
                    count=len(swing),
                    swing=swing[0],
                    swing2=swing[-1],
                ),
            )
        )
    if spec.loop_tracks:
        lines.append(row(tr("Loops"), counted(spec.loop_tracks, "track")))
    if spec.echo_ms:
        lines.append(
            row(
                tr("Time"),
                tr(
                    "{echo_ms:g} to {echo_ms2:g} ms",
                    echo_ms=spec.echo_ms[0],
                    echo_ms2=spec.echo_ms[1],
                ),
            )
        )
    if spec.latency_ms:
        lines.append(row(tr("Latency"), tr("{latency_ms:g} ms", latency_ms=spec.latency_ms)))
    lines += [
        row(tr("By hand") if m.limb == "hand" else tr("By foot"), f"{m.name}, {m.seconds:g} s")
        for m in spec.by_hand
    ]
    if spec.controllers:
        chart = ", ".join(f"{c.number} {c.name}" for c in spec.controllers)
        lines.append(row(tr("Controllers"), chart))
    if spec.voices:
        lines.append(row(tr("Voices"), ", ".join(f"{v.note} {v.name}" for v in spec.voices)))
    return lines


def _chain_words(rule: ChainRule) -> str:
    words = {
        "any": tr("any order"),
        "neighbours": tr("neighbours in groups of {group}", group=rule.group),
        "row": tr("first to last"),
        "none": "none",
    }
    return tr("{words}, up to {longest}", words=words[rule.rule], longest=rule.longest)


def _network_lines(carried: RtpState) -> list[SheetLine]:
    """MIDI over the network, in packets."""
    lines = [SheetLine("", kind="gap"), head(tr("Over the network"))]
    if carried.sent:
        lines.append(row(tr("Sent"), counted(carried.sent, "packet")))
    if carried.received:
        lines.append(row(tr("Received"), counted(carried.received, "packet")))
    if carried.lost:
        lines += [row(tr("Lost"), str(carried.lost), "look"),
                  row(tr("Made up for"), counted(carried.repaired, "message"))]  # fmt: skip
    if carried.unreadable:
        lines.append(row("No MIDI", str(carried.unreadable), "look"))
    if carried.problem:
        lines.append(note(f"{carried.problem}.", "wrong"))
    return lines


def _live_lines(live: DeviceStatus, *, off: bool) -> list[SheetLine]:
    lines = [SheetLine("", kind="gap"), head(tr("Now"))]
    if live.line_problem:
        lines += [row(tr("Pulses"), tr("output gone"), "wrong"), note(live.line_problem, "wrong")]
    elif live.pulses:
        lines.append(row(tr("Pulses"), tr("{pulses} sent", pulses=live.pulses)))
    if live.port == "gone":
        return [*lines, row(tr("Port"), tr("gone"), "wrong"), note(live.detail, "wrong")]
    if live.sent:
        where = tr("at the box") if live.measured == "device" else tr("as sent")
        lines.append(
            row(tr("Beats"), f"{late_text(live.late_ms)}, {where}", "wrong" if off else "good")
        )
        lines.append(row(tr("Waver"), tr("{spread_ms:.1f} ms", spread_ms=live.spread_ms)))
        if live.measured == "device":
            lines.append(
                row(tr("Ticks"), tr("{received} of {sent}", received=live.received, sent=live.sent))
            )
        else:
            lines.append(row(tr("Ticks"), tr("{sent} sent", sent=live.sent)))
    elif live.port == "none" and not live.pulses and not live.line_problem:
        lines.append(note(tr("Not reached by a port of its own.")))
    elif not live.pulses:
        lines.append(note(tr("Nothing sent yet.")))
    return lines
