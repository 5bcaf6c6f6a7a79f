"""The beginning of the set-up sheet: what is switched on in which order, what is pressed, and a
box's settings in its own words."""

from __future__ import annotations

from typing import NamedTuple

from grebe.core.rig.model import GREBE_ID, Cable, Device, Filter, Rig
from grebe.core.rig.spec import FirstMove, SettingFor
from grebe.core.rig.tree import ClockTree
from grebe.core.rig.wiring import MIDI_MEDIA, Wiring
from grebe.words import tr


class Turn(NamedTuple):
    """One thing to do before playing, and why then."""

    do: str
    reason: str


def switching_on(rig: Rig, tree: ClockTree) -> tuple[Turn, ...]:
    """All boxes in the order in which they are switched on: as somebody said, else the leader
    first and each after the one whose clock it waits for, what is loud last (common practice)."""
    place = {d: i for i, d in enumerate(d for column in tree.columns for d in column)}

    def turn(device: Device) -> tuple[bool, int, bool, int]:
        return (not device.on_at, device.on_at, _is_loud(device), place.get(device.id, len(place)))

    return tuple(t for device in sorted(rig.devices, key=turn) for t in _turns(rig, tree, device))


def _is_loud(device: Device) -> bool:
    return any(jack.speakers for jack in device.spec.jacks)


def _turns(rig: Rig, tree: ClockTree, device: Device) -> list[Turn]:
    hop = tree.hops.get(device.id)
    if device.on_at:
        reason = tr("Its turn, as it was set.")
    elif _is_loud(device):
        reason = tr("Last, with its level down: what is switched on after it thumps.")
    elif device.id == tree.leader:
        reason = tr("It leads: the others find its clock.")
    elif hop is not None and hop.cable.source == GREBE_ID:
        reason = tr("In any order: its clock comes from Grebe.")
    elif hop is not None:
        reason = tr("After {source}, whose clock it gets.", source=rig.name_of(hop.cable.source))
    else:
        reason = tr("In any order: nothing here waits for it.")
    out = [Turn(f"{device.name}.", reason)]
    moves = [m for m in device.spec.first if m.at == "on"]
    return out + [Turn(move_words(device, m), tr("It has to be pressed then.")) for m in moves]


def before_playing(device: Device) -> tuple[Turn, ...]:
    """What is pressed on a box each time before it plays."""
    why = tr("Each time before it plays.")
    return tuple(Turn(move_words(device, m), why) for m in device.spec.first if m.at == "play")


def move_words(device: Device, move: FirstMove) -> str:
    """A move as a sheet has it: "Otter: hold REC while switching on; then wait 4 s."."""
    wait = tr("; then wait {seconds:g} s", seconds=move.waits_s) if move.waits_s else ""
    return f"{device.name}: {move.name}{wait}."


def in_its_words(device: Device, wiring: Wiring) -> tuple[tuple[SettingFor, Turn], ...]:
    """The settings that a box has words for, as they are to stand in this rig."""
    out: list[tuple[SettingFor, Turn]] = []
    for setting in device.spec.settings:
        state = _state(device, wiring, setting.does)
        if state is not None:
            value, reason = state
            out.append((setting.does, Turn(f"{setting.name}: {value}.", reason)))
    return tuple(out)


_PARTS: dict[SettingFor, str] = {
    "clock_in": "clock", "transport_in": "transport", "notes_in": "notes",
    "program_in": "program", "controllers_in": "controllers",
    "clock_out": "clock", "transport_out": "transport", "notes_out": "notes",
    "pads_out": "notes", "program_out": "program", "controllers_out": "controllers",
}  # fmt: skip


def _state(device: Device, wiring: Wiring, does: SettingFor) -> tuple[str, str] | None:
    """How a setting is to stand, and why; None where the rig does not say."""
    coming = [c for c in wiring.arriving[device.id] if c.medium != "audio"]
    going = [c for c in wiring.leaving[device.id] if c.medium != "audio"]
    if does == "channel":
        return str(device.channel), tr("Its notes and programs are sent there.")
    if does == "offset":
        played = [c.plays for c in (*going, *coming) if c.plays is not None and c.plays.offset]
        wanted = played[0].offset if played else 0
        return f"{wanted:+d}" if wanted else "0", tr("So that pads and sounds meet.")
    if does == "thru":
        passes = any(c.gives != "own" for c in going if c.medium in MIDI_MEDIA)
        why = tr("What comes in goes on behind it.") if passes else tr("Nothing goes on behind it.")
        return _on(passes), why
    if does.endswith("_in"):
        return _received(device, wiring, does, coming)
    return _sent(device, wiring, does, going)


def _received(
    device: Device, wiring: Wiring, does: SettingFor, coming: list[Cable]
) -> tuple[str, str] | None:
    if not coming:
        return None
    if does == "clock_in":
        takes = device.obeys_clock and any(map(wiring.takes_clock, coming))
    else:
        takes = any(_lets(c.accepts, does) for c in coming if c.medium in MIDI_MEDIA)
        if does == "transport_in":
            takes = takes and device.obeys_transport and not device.stays
        elif does == "program_in":
            takes = takes and device.obeys_program
    why = tr("It is told over it.") if takes else tr("What comes there is meant for others.")
    return _on(takes), why


def _sent(
    device: Device, wiring: Wiring, does: SettingFor, going: list[Cable]
) -> tuple[str, str] | None:
    if not going:
        return None
    own = [c for c in going if c.gives != "thru"]
    if does == "clock_out":
        gives = wiring.clock_source(device.id) and any(map(wiring.carries_clock, own))
        why = tr("Somebody follows it.") if gives else tr("Nobody is to follow it.")
        return _on(gives), why
    if does == "transport_out":
        gives = wiring.clock_source(device.id) and any(_lets(c.passes, does) for c in own)
        why = tr("Others start with it.") if gives else tr("Nobody starts with it.")
        return _on(gives), why
    heard = [
        c for c in own
        if c.medium in MIDI_MEDIA and _lets(c.passes, does)
        and (c.plays is not None or c.target == GREBE_ID or does not in ("notes_out", "pads_out"))
    ]  # fmt: skip
    names = [wiring.rig.name_of(c.target) for c in heard]
    why = (
        tr("It plays {names}.", names=", ".join(dict.fromkeys(names)))
        if heard
        else tr("Nothing is to be played by it.")
    )
    return _on(bool(heard)), why


def _lets(end: Filter, does: SettingFor) -> bool:
    return bool(getattr(end, _PARTS[does]))


def _on(on: bool) -> str:
    return tr("on") if on else tr("off")
