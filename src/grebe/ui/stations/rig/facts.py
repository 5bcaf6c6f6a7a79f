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
from grebe.ui.widgets.formatting import counted, late_text
from grebe.ui.widgets.sheet import SheetLine, head, note, row


def heading_words(rig: Rig, tree: ClockTree) -> str:
    """Who leads, who locks, and the longest way to a beat."""
    if not rig.devices:
        return f"{told('add_box')} adds a box, {told('add_cable')} runs a cable from it."
    leads = f"{rig.name_of(rig.leader)} leads" if rig.leader else "Nobody leads"
    followers = [d for d in rig.devices if d.id != rig.leader]
    apart = [d.name for d in followers if d.id not in tree.locked]
    boxes = counted(len(rig.devices), "box", "boxes")
    if not apart:
        words = f"{boxes}. {leads}; all lock."
    elif len(apart) < len(followers):
        words = f"{boxes}. {leads}; all but {', '.join(apart)} lock."
    else:
        words = f"{boxes}. {leads}; none locks."
    late = {d: tree.latency_ms[d] for d in tree.locked if tree.latency_ms.get(d)}
    if late:
        last = max(late, key=lambda d: late[d])
        words += f" Longest way to a beat: {late[last]:.1f} ms, to {rig.name_of(last)}."
    return words


def grebe_lines(session: Session, tree: ClockTree) -> list[SheetLine]:
    """Grebe's own page."""
    welcome = session.link.welcome
    name_of = session.project.rig.name_of
    sources = tree.sources.get(GREBE_ID, ())
    follows = name_of(sources[0].source) if sources else "nobody"
    if session.network.leads:
        follows = "the session"
    clock = "sends 24 a quarter" if tree.leader == GREBE_ID else "sends none"
    if sources and tree.leader != GREBE_ID:
        clock = "sends what it follows, made steady"
    lines = [head("Grebe"), row("Clock", clock), row("Follows", follows)]
    if sources and tree.leader != GREBE_ID:
        lines.append(note("It predicts where the leader will be: following adds no delay."))
    rig = session.project.rig
    lines.append(row("JACK", JACK_WORDS[rig.jack]))
    clicks = "only shown" if rig.count_in.device is None else name_of(rig.count_in.device)
    lines.append(row("Count-in", f"{counted(rig.count_in.bars, 'bar')}, {clicks}"))
    if rig.panic is not None:
        lines.append(row("Panic", f"{name_of(rig.panic.device)}: {rig.panic.words}"))
    if welcome is None:
        lines.append(row("Engine", "not connected", "wrong"))
    elif welcome.priority == "fifo":
        lines.append(row("Priority", "real-time", "good"))
    else:
        lines += [row("Priority", "ordinary", "look"), note(welcome.priority_help, "look")]
    status = session.status
    if status is not None and status.overruns:
        lines += [
            row("JACK", f"lost time {counted(status.overruns, 'time')}", "wrong"),
            note("Boxes that may have lost a tick there were put right on the bar after."),
        ]
    return lines


def device_lines(
    session: Session, device: Device, tree: ClockTree
) -> tuple[list[SheetLine], list[SheetLine]]:
    """A device's page: how it stands in the rig, and what its profile knows of it."""
    lines = [
        head(device.name),
        note(f"{device.label or device.kind}, {_follows(session, device, tree)}"),
        *_care_lines(session, device),
        row("Plays", "its own patterns" if device.plays == "own" else "note by note, by Grebe"),
        row("Clock", _clock_words(device, tree)),
        row("Start, stop", "obeys" if device.obeys_transport else "ignores"),
    ]
    if device.obeys_transport and not device.obeys_song_position:
        lines.append(row("Position", "ignores: always from the top", "look"))
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
        return "on its own"
    return f"follows {session.project.rig.name_of(hop.cable.source)}"


def _clock_words(device: Device, tree: ClockTree) -> str:
    hop = tree.hops.get(device.id)
    if device.obeys_clock and hop is not None:
        obeys = f"obeys {rate_text(hop.wanted)} a quarter"
    else:
        obeys = "obeys" if device.obeys_clock else "ignores"
    return f"{obeys}, sends its own" if device.sends_clock else f"{obeys}, sends none"


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
        return [row("Program", "ignores")]
    change = {"pattern_end": "at its pattern end", "bar": "at the bar", "at_once": "at once"}
    lines = [row("Program", f"obeys, {change[device.change_at]}")]
    if printed_otherwise(device):
        lines.append(row("Printed", f"0 is {printed_program(device, 0)}"))
    if device.plays == "own":
        number = device.mute_controller
        lines.append(row("Mute", "by hand" if number is None else f"controller {number}"))
    return lines


def _spec_lines(spec: Spec) -> list[SheetLine]:
    lines: list[SheetLine] = []
    memory = spec.memory
    if memory is not None:
        parts = [n for n in (memory.banks, memory.groups) if n > 1]
        shape = " x ".join(str(n) for n in (*parts, memory.slots))
        longest = f", to {counted(spec.steps.longest, 'step')}" if spec.steps else ""
        lines.append(row("Patterns", f"{shape}{longest}"))
    if spec.chains.rule != "none":
        lines.append(row("Chains", _chain_words(spec.chains)))
    if spec.steps is not None and len(spec.steps.swing) > 1:
        swing = spec.steps.swing
        lines.append(row("Swing", f"{len(swing)} levels, {swing[0]:g} to {swing[-1]:g} %"))
    if spec.loop_tracks:
        lines.append(row("Loops", counted(spec.loop_tracks, "track")))
    if spec.echo_ms:
        lines.append(row("Time", f"{spec.echo_ms[0]:g} to {spec.echo_ms[1]:g} ms"))
    if spec.latency_ms:
        lines.append(row("Latency", f"{spec.latency_ms:g} ms"))
    lines += [row(f"By {m.limb}", f"{m.name}, {m.seconds:g} s") for m in spec.by_hand]
    if spec.controllers:
        chart = ", ".join(f"{c.number} {c.name}" for c in spec.controllers)
        lines.append(row("Controllers", chart))
    if spec.voices:
        lines.append(row("Voices", ", ".join(f"{v.note} {v.name}" for v in spec.voices)))
    return lines


def _chain_words(rule: ChainRule) -> str:
    words = {
        "any": "any order",
        "neighbours": f"neighbours in groups of {rule.group}",
        "row": "first to last",
        "none": "none",
    }
    return f"{words[rule.rule]}, up to {rule.longest}"


def _network_lines(carried: RtpState) -> list[SheetLine]:
    """MIDI over the network, in packets."""
    lines = [SheetLine("", kind="gap"), head("Over the network")]
    if carried.sent:
        lines.append(row("Sent", counted(carried.sent, "packet")))
    if carried.received:
        lines.append(row("Received", counted(carried.received, "packet")))
    if carried.lost:
        lines += [row("Lost", str(carried.lost), "look"),
                  row("Made up for", counted(carried.repaired, "message"))]  # fmt: skip
    if carried.unreadable:
        lines.append(row("No MIDI", str(carried.unreadable), "look"))
    if carried.problem:
        lines.append(note(f"{carried.problem}.", "wrong"))
    return lines


def _live_lines(live: DeviceStatus, *, off: bool) -> list[SheetLine]:
    lines = [SheetLine("", kind="gap"), head("Now")]
    if live.line_problem:
        lines += [row("Pulses", "output gone", "wrong"), note(live.line_problem, "wrong")]
    elif live.pulses:
        lines.append(row("Pulses", f"{live.pulses} sent"))
    if live.port == "gone":
        return [*lines, row("Port", "gone", "wrong"), note(live.detail, "wrong")]
    if live.sent:
        where = "at the box" if live.measured == "device" else "as sent"
        lines.append(
            row("Beats", f"{late_text(live.late_ms)}, {where}", "wrong" if off else "good")
        )
        lines.append(row("Waver", f"{live.spread_ms:.1f} ms"))
        if live.measured == "device":
            lines.append(row("Ticks", f"{live.received} of {live.sent}"))
        else:
            lines.append(row("Ticks", f"{live.sent} sent"))
    elif live.port == "none" and not live.pulses and not live.line_problem:
        lines.append(note("Not reached by a port of its own."))
    elif not live.pulses:
        lines.append(note("Nothing sent yet."))
    return lines
