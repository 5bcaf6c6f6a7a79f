"""Presses in a stream of MIDI messages: a note struck, a pedal down, a program chosen."""

from __future__ import annotations

from grebe.core.rig.trigger import Trigger, TriggerKind
from grebe.protocols.midi import messages as midi

DOWN = 64
"""A controller from here on is a pedal that is down (MIDI 1.0, switch controllers)."""

_KINDS: dict[int, TriggerKind] = {
    midi.NOTE_ON: "note",
    midi.CONTROL_CHANGE: "controller",
    midi.PROGRAM_CHANGE: "program",
}


def touch_of(device: str, data: bytes) -> tuple[Trigger, int] | None:
    """What was touched and its value: a note's velocity, 0 at its end; a controller's value;
    127 for a program. None for other messages."""
    status = data[0] & 0xF0 if data[0] < midi.SYSEX else 0
    kind: TriggerKind | None = "note" if status == midi.NOTE_OFF else _KINDS.get(status)
    if kind is None:
        return None
    value = 127 if kind == "program" else 0 if status == midi.NOTE_OFF else data[2]
    return Trigger(device=device, kind=kind, channel=(data[0] & 0xF) + 1, number=data[1]), value


def lamp(trigger: Trigger, value: int) -> bytes:
    """The message that lights what is pressed: its own note or controller, with a value."""
    status = midi.NOTE_ON if trigger.kind == "note" else midi.CONTROL_CHANGE
    return bytes((status | trigger.channel - 1, trigger.number, value))


def press_of(device: str, data: bytes) -> Trigger | None:
    """The press that one whole message of a box is; None for what is none, or a release."""
    kind = _KINDS.get(data[0] & 0xF0) if data[0] < midi.SYSEX else None
    if kind is None:
        return None
    if (kind == "note" and data[2] == 0) or (kind == "controller" and data[2] < DOWN):
        return None
    return Trigger(device=device, kind=kind, channel=(data[0] & 0xF) + 1, number=data[1])
