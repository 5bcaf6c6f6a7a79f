"""The set-up sheet: every setting to make on each box, in the order of a sound check, and why."""

from __future__ import annotations

from hashlib import blake2b

import msgspec

from grebe.core.document import Project
from grebe.core.rig.blank import TOLD
from grebe.core.rig.channels import Desk, desks
from grebe.core.rig.flow import Flow
from grebe.core.rig.formatting import filter_words, rate_text
from grebe.core.rig.model import Cable, Device, Filter, Rig
from grebe.core.rig.numbering import printed_otherwise, printed_program
from grebe.core.rig.spec import SettingFor
from grebe.core.rig.switching import before_playing, in_its_words, move_words, switching_on
from grebe.core.rig.tree import ClockTree, tree_of
from grebe.core.rig.wiring import MIDI_MEDIA, Wiring
from grebe.core.units import Value
from grebe.words import tr

ON, BEFORE = tr("Switch on"), tr("Before")
CABLES, ROLE, RATE, CHANNEL, RECEIVE, SEND, THRU, OFFSET, PROGRAMS, CARE = (
    tr("Cable"), tr("Role"), tr("Rate"), tr("Channel"), tr("Receive"), tr("Send"), tr("Thru"),
    tr("Offset"), tr("Programs"), tr("Care"),
)  # fmt: skip
HEARING = tr(
    "Set monitor levels low first. 85 dBA is safe for eight hours, 100 dBA "
    "for a quarter of one (NIOSH 98-126)."
)
PULSE_CARE = tr(
    "Check the pulse's voltage against the input before plugging: 3.3 V "
    "small boxes, 5 V logic, 10 V modular. Never into an audio input, "
    "speakers or headphones."
)
MAINS_CARE = tr(
    "Old and mains-powered: leave it earthed, whatever it hums; isolate the "
    "audio instead. Opening it is for a qualified technician, and the "
    "venue's electrical rules come first."
)


class Step(Value, frozen=True, kw_only=True):
    """One setting to make."""

    about: str
    """Which kind of setting: one of the words above."""
    do: str
    reason: str
    key: str
    """Names this step of this device as it stands: another setting has another."""


class DeviceSheet(Value, frozen=True, kw_only=True):
    """One box's steps."""

    device: str
    name: str
    label: str
    steps: tuple[Step, ...]


class SetupSheet(Value, frozen=True, kw_only=True):
    """The whole rig's, in the order of the clock: the leader first."""

    rig: str
    leader: str
    devices: tuple[DeviceSheet, ...]
    switching_on: DeviceSheet | None = None
    """What is done before anything is set, box after box; None on the sheet of one box."""
    channels: tuple[DeviceSheet, ...] = ()
    """What is plugged into which channel, of each box in which sounds come together."""

    @property
    def parts(self) -> tuple[DeviceSheet, ...]:
        """All that is printed, in order."""
        first = () if self.switching_on is None else (self.switching_on,)
        return (*first, *self.devices, *self.channels)

    @property
    def keys(self) -> tuple[str, ...]:
        """Keys of all steps."""
        return tuple(step.key for sheet in self.parts for step in sheet.steps)


def of_device(sheet: SetupSheet, device_id: str) -> SetupSheet:
    """The sheet of one device; "" is the whole rig."""
    if not device_id:
        return sheet
    kept = tuple(d for d in sheet.devices if d.device == device_id)
    return msgspec.structs.replace(sheet, devices=kept, switching_on=None, channels=())


def setup_sheet(project: Project) -> SetupSheet:
    """Every setting to make, for every device of the rig."""
    wiring = Wiring(project.rig)
    tree, flow = tree_of(wiring), Flow(wiring)
    order = {d: i for i, d in enumerate(d for column in tree.columns for d in column)}
    devices = sorted(project.rig.devices, key=lambda d: order.get(d.id, len(order)))
    leader = project.rig.leader
    return SetupSheet(
        rig=project.rig.name,
        leader=project.rig.name_of(leader) if leader is not None else tr("nobody"),
        devices=tuple(
            DeviceSheet(
                device=d.id,
                name=d.name,
                label=d.label or d.kind,
                steps=_steps(project, d, wiring, tree, flow),
            )
            for d in devices
        ),
        switching_on=_switching_on(project.rig, tree) if devices else None,
        channels=tuple(_channel_list(desk) for desk in desks(project.rig)),
    )


def _channel_list(desk: Desk) -> DeviceSheet:
    steps: list[Step] = []
    for channel in desk.channels:
        do = tr("{number}: {source} into {jack}.", number=channel.number, source=channel.source,
                jack=channel.jack)  # fmt: skip
        through = channel.through
        reason = tr("It carries {through} too.", through=through) if through else (
            tr("It carries nothing else.")
        )  # fmt: skip
        steps.append(
            Step(about=CHANNEL, do=do, reason=reason, key=_key(desk.device.id, CHANNEL, do))
        )
    care = Step(about=CARE, do=tr("Begin with all levels down."), reason=HEARING,
                key=_key(desk.device.id, CARE, "levels"))  # fmt: skip
    return DeviceSheet(
        device=desk.device.id, name=tr("Channels of {desk}", desk=desk.device.name),
        label=tr("what is plugged where"), steps=(care, *steps),
    )  # fmt: skip


def _switching_on(rig: Rig, tree: ClockTree) -> DeviceSheet:
    steps = tuple(
        Step(about=ON, do=turn.do, reason=turn.reason, key=_key("", ON, turn.do))
        for turn in switching_on(rig, tree)
    )
    return DeviceSheet(device="", name=tr("Switching on"), label=tr("in this order"), steps=steps)


Row = tuple[str, str, str]
"""(about, do, reason)."""


def _steps(
    project: Project, device: Device, wiring: Wiring, tree: ClockTree, flow: Flow
) -> tuple[Step, ...]:
    rows = [
        *_care(device, wiring),
        *_pressed(device),
        *_cables(device, wiring),
        *_role(device, wiring, tree),
        *_rates(device, wiring, tree),
        *_channel(device),
        *_own_words(device, wiring, CHANNEL),
        *_filters(device, wiring),
        *_own_words(device, wiring, RECEIVE),
        *_own_words(device, wiring, SEND),
        *_thru(device, wiring),
        *_own_words(device, wiring, THRU),
        *_own_words(device, wiring, OFFSET),
        *_offset(device, flow),
        *_programs(project, device),
    ]
    return tuple(
        Step(about=about, do=do, reason=f"{reason}{_guessed(device, about)}",
             key=_key(device.id, about, do))
        for about, do, reason in rows
    )  # fmt: skip


def _pressed(device: Device) -> list[Row]:
    moves = [move_words(device, m) for m in device.spec.first if m.at == "on"]
    first = [(ON, words, tr("It has to be pressed then.")) for words in moves]
    return [*first, *((BEFORE, turn.do, turn.reason) for turn in before_playing(device))]


def _own_words(device: Device, wiring: Wiring, about: str) -> list[Row]:
    """Settings that the box has words for, under the head where they belong."""
    return [
        (about, turn.do, turn.reason)
        for does, turn in in_its_words(device, wiring)
        if _head_of(does) == about
    ]


def _head_of(does: SettingFor) -> str:
    if does in ("thru", "offset", "channel"):
        return {"thru": THRU, "offset": OFFSET, "channel": CHANNEL}[does]
    return RECEIVE if does.endswith("_in") else SEND


RESTS_ON = {
    CABLES: ("jacks",),
    ROLE: ("obeys.clock", "obeys.start", "sends.clock"),
    CHANNEL: ("channel",),
    RECEIVE: ("obeys.clock", "obeys.start", "obeys.notes", "obeys.program"),
    SEND: ("sends.clock", "sends.notes"),
    PROGRAMS: ("obeys.program", "change_at"),
}
"""What of a box a kind of setting rests on."""


def _guessed(device: Device, about: str) -> str:
    """That a setting rests on a guess, to be looked up before it is relied on."""
    paths = [path for path in device.spec.guessed if path in RESTS_ON.get(about, ())]
    if not paths:
        return ""
    return tr(" Guessed: {names}.", names=", ".join(TOLD[path] for path in paths if path in TOLD))


def _key(*parts: str) -> str:
    return blake2b("\0".join(parts).encode(), digest_size=6).hexdigest()


def _care(device: Device, wiring: Wiring) -> list[Row]:
    rows: list[Row] = []
    if device.spec.old_mains:
        rows.append((CARE, tr("Look at its plug and cable; keep it earthed."), MAINS_CARE))
    near = (*wiring.arriving[device.id], *wiring.leaving[device.id])
    if device.gates or any(c.medium == "pulse" for c in near):
        rows.append((CARE, tr("Measure the pulse before plugging it."), PULSE_CARE))
    jacks = [wiring.target_jack(c) for c in wiring.arriving[device.id]]
    if any(j is not None and j.speakers for j in jacks):
        rows.append((CARE, tr("Start with the level down."), HEARING))
    return rows


def _cables(device: Device, wiring: Wiring) -> list[Row]:
    rows: list[Row] = []
    for cable in wiring.arriving[device.id]:
        out, into = wiring.source_jack(cable), wiring.target_jack(cable)
        source = wiring.rig.name_of(cable.source)
        where = into.name if into else tr("{medium} input", medium=cable.medium)
        what = out.name if out else tr("{medium} output", medium=cable.medium)
        carries = tr("audio") if cable.medium == "audio" else _carried(cable)
        if cable.listens:
            carries = tr("what it only listens to")
        rows.append(
            (
                CABLES,
                tr("{source}'s {what} into {where}.", source=source, what=what, where=where),
                tr("It carries {carries}.", carries=carries),
            )
        )
    return rows


def _carried(cable: Cable) -> str:
    if cable.medium == "pulse":
        return tr("pulses")
    words = filter_words(cable.passes)
    return tr("everything") if words == tr("all") else words


def _role(device: Device, wiring: Wiring, tree: ClockTree) -> list[Row]:
    if device.id == tree.leader:
        return [
            (ROLE, tr("Clock from itself (internal), clock output on."), tr("It leads the rig."))
        ]
    hop = tree.hops.get(device.id)
    if hop is None or not device.obeys_clock:
        if not device.spec.obeys.clock and not device.obeys_clock:
            return []
        return [
            (
                ROLE,
                tr("Clock from itself (internal)."),
                tr("No clock reaches it: it runs on its own."),
            )
        ]
    source = wiring.rig.name_of(hop.cable.source)
    into = wiring.target_jack(hop.cable)
    where = tr(" at {into}", into=into.name) if into else ""
    leader = wiring.rig.name_of(str(tree.leader))
    by_way = tr(", by way of {source}", source=source) if source != leader else ""
    out: list[Row] = [
        (
            ROLE,
            tr("Clock from outside{where}.", where=where),
            tr("It follows {leader}{by_way}.", leader=leader, by_way=by_way),
        )
    ]
    obeys = device.obeys_transport and not device.stays
    start = tr("on") if obeys else tr("off")
    if obeys:
        why = tr("It starts and stops with the rest.")
    elif device.stays:
        why = tr("It must not start with the rest.")
    else:
        why = tr("It is started by hand.")
    if device.spec.obeys.start or device.obeys_transport:
        out.append((ROLE, tr("Start and Stop from outside {start}.", start=start), why))
    return out


def _rates(device: Device, wiring: Wiring, tree: ClockTree) -> list[Row]:
    rows: list[Row] = []
    hop = tree.hops.get(device.id)
    if hop is not None and hop.cable.medium == "pulse":
        source = wiring.rig.name_of(hop.cable.source)
        rows.append(
            (
                RATE,
                tr("Clock input at {rate_text} a quarter.", rate_text=rate_text(hop.wanted)),
                tr(
                    "{source} gives {rate_text} a quarter.",
                    source=source,
                    rate_text=rate_text(hop.rate),
                ),
            )
        )
    for cable in wiring.leaving[device.id]:
        if cable.medium == "pulse" and wiring.carries_clock(cable):
            jack = wiring.source_jack(cable)
            name = jack.name if jack else tr("Pulse output")
            target = wiring.rig.name_of(cable.target)
            rate = rate_text(wiring.rate(cable))
            rows.append(
                (
                    RATE,
                    tr("{name} at {rate} a quarter.", name=name, rate=rate),
                    tr("{target} counts on it.", target=target),
                )
            )
    return rows


def _channel(device: Device) -> list[Row]:
    spec = device.spec
    if spec.jacks and not (spec.obeys.notes or spec.obeys.program or spec.sends.notes):
        return []
    rows = [
        (
            CHANNEL,
            tr("Channel {channel}.", channel=device.channel),
            tr("Its notes and programs are sent there."),
        )
    ]
    if device.told_on != device.channel:
        rows.append(
            (
                CHANNEL,
                tr("Program changes on channel {channel}.", channel=device.told_on),
                tr("It is told of patterns there."),
            )
        )
    rows += [
        (
            CHANNEL,
            tr("{track}: channel {channel}.", track=track.name, channel=track.channel),
            tr("What it plays is sent there, apart from the other tracks."),
        )
        for track in device.tracks
    ]
    return rows


def _filters(device: Device, wiring: Wiring) -> list[Row]:
    rows: list[Row] = []
    for about, cables, end in (
        (RECEIVE, wiring.arriving[device.id], "accepts"),
        (SEND, wiring.leaving[device.id], "passes"),
    ):
        for cable in cables:
            filter_: Filter = getattr(cable, end)
            if cable.medium not in MIDI_MEDIA or filter_ == Filter():
                continue
            jack = wiring.target_jack(cable) if about == RECEIVE else wiring.source_jack(cable)
            name = jack.name if jack else "MIDI"
            other = wiring.rig.name_of(cable.source if about == RECEIVE else cable.target)
            what = filter_words(filter_)
            words = (
                tr("{jack}: receive from {other} {what}.", jack=name, other=other, what=what)
                if about == RECEIVE
                else tr("{jack}: send to {other} {what}.", jack=name, other=other, what=what)
            )
            rows.append((about, words, tr("The rest would be misread there.")))
    if device.plays == "own":
        muted = {line.mute_controller: line.name for line in reversed(device.lines)}
        rows += [
            (
                RECEIVE,
                tr("Leave controller {mute_controller} enabled.", mute_controller=number),
                tr("Grebe mutes {name} with it.", name=name),
            )
            for number, name in sorted((n, w) for n, w in muted.items() if n is not None)
        ]
    return rows


def _thru(device: Device, wiring: Wiring) -> list[Row]:
    rows: list[Row] = []
    for cable in wiring.leaving[device.id]:
        if cable.medium not in MIDI_MEDIA or device.kind == "relay":
            continue
        jack = wiring.source_jack(cable)
        name = jack.name if jack else tr("MIDI output")
        target = wiring.rig.name_of(cable.target)
        if cable.gives == "thru" and (jack is None or jack.way != "thru"):
            rows.append(
                (THRU, tr("{name} to thru (repeat the input).", name=name),
                 tr("{target} gets the clock unchanged over it.", target=target))
            )  # fmt: skip
        elif cable.gives == "both":
            rows.append(
                (
                    THRU,
                    tr("{name} to its own and thru, merged.", name=name),
                    tr("{target} gets both over it.", target=target),
                )
            )
    clocked = any(c.clock and c.gives != "thru" for c in wiring.leaving[device.id])
    if device.spec.sends.clock and device.id != wiring.rig.leader:
        sends = device.sends_clock and clocked
        state = tr("on") if sends else tr("off")
        why = tr("Somebody follows it.") if sends else tr("Nobody is to follow it.")
        rows.append((SEND, tr("Clock output {state}.", state=state), why))
    return rows


def _offset(device: Device, flow: Flow) -> list[Row]:
    if not device.offset_ms:
        return []
    if device.id in flow.via:
        where = tr("in Grebe, nothing to set on the box")
    else:
        where = tr("on the box: Grebe does not reach it")
    return [
        (
            OFFSET,
            tr("{offset_ms:+g} ms, {where}.", offset_ms=device.offset_ms, where=where),
            tr("So that it sounds on the beat."),
        )
    ]


def _programs(project: Project, device: Device) -> list[Row]:
    if device.plays != "own" or not device.obeys_program:
        return []
    rows: list[Row] = [
        (PROGRAMS, tr("Program changes from outside on."), tr("Grebe tells it which pattern."))
    ]
    lines = {line.id: line for line in device.lines}
    for pattern in project.patterns:
        line = lines.get(pattern.device)
        if line is not None and pattern.program is not None:
            place = printed_program(line, pattern.program)
            track = tr("{name}: ", name=line.name) if line is not device else ""
            sent = (
                tr(", sent as {program}", program=pattern.program)
                if printed_otherwise(line)
                else ""
            )
            rows.append(
                (
                    PROGRAMS,
                    track
                    + tr(
                        "{pattern} at {place}{sent}.", pattern=pattern.name, place=place, sent=sent
                    ),
                    tr("It is {box_status}.", box_status=tr(pattern.box_status)),
                )
            )
    return rows
