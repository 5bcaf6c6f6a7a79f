"""The box in hand and its settings as text: what the sheet in Rig shows. Without Qt."""

from __future__ import annotations

from typing import Any, get_args

import msgspec

from grebe.app.editors.rig_hand import RigHand
from grebe.core.document import with_rig
from grebe.core.forms import YES_NO, Field, field
from grebe.core.rig.blank import CHANGES, WHO
from grebe.core.rig.formatting import gates_from_words, gates_words
from grebe.core.rig.model import Device
from grebe.core.rig.setup import PULSE_CARE
from grebe.core.rig.spec import Kind
from grebe.core.typed import typed_number, typed_whole, with_field
from grebe.errors import EditError
from grebe.words import tr

BY_HAND = tr("by hand")
FIELDS: tuple[Field, ...] = (
    field("project", "name", tr("Name")),
    field("project", "rig", tr("Its rig is called")),
    field("box", "name", tr("Name")),
    field("box", "label", tr("What it is")),
    field("box", "kind", tr("Kind"), choices=get_args(Kind)),
    field("box", "plays", tr("Plays"), choices=tuple(WHO.values())),
    field("box", "channel", tr("Channel"), Device),
    field("box", "offset_ms", tr("Offset, earlier is negative"), Device, unit="ms", step=0.1),
    field("box", "tolerance_ms", tr("May be off by"), Device, unit="ms", step=0.1),
    field("box", "sends_clock", tr("Sends clock"), choices=YES_NO),
    field("box", "obeys_clock", tr("Obeys clock"), choices=YES_NO),
    field("box", "obeys_transport", tr("Obeys start and stop"), choices=YES_NO),
    field("box", "obeys_song_position", tr("Obeys song position"), choices=YES_NO),
    field("box", "stays", tr("Must not start with the rest"), choices=YES_NO),
    field("box", "clock_stopped", tr("Clock goes on while stopped"), choices=YES_NO),
    field("box", "holds_open", tr("Grebe holds its input open"), choices=YES_NO),
    field("box", "power", tr("Power, as on its plate")),
    field("box", "on_at", tr("Its turn at switching on"), Device),
    field("box", "obeys_program", tr("Obeys program changes"), choices=YES_NO),
    field("box", "change_at", tr("Changes pattern"), choices=tuple(CHANGES.values())),
    field("box", "program_printed_from", tr("Prints its first program as"), choices=("0", "1")),
    field("box", "gates", tr("Gates, a note and a channel each")),
    field("box", "mute_controller", tr("Muted by"), choices=(BY_HAND,)),
)


class DeviceForm:
    """Takes and shows settings of the box in hand; where Grebe is, those of the project."""

    def __init__(self, hand: RigHand) -> None:
        self.hand = hand

    def field_text(self, owner: str, key: str) -> str | None:
        """A setting as text; None where something else is in hand: a box, or Grebe with the
        project."""
        device, project = self.hand.device, self.hand.session.project
        if owner == "project":
            named = project.name if key == "name" else project.rig.name
            return named if device is None else None
        if device is None:
            return None
        if key == "holds_open" and device.spec.opener is None:
            return None  # its input is open
        if key == "gates" and device.kind != "modular" and not device.gates:
            return None  # nothing patched by hand
        value = getattr(device, key)
        if key == "gates":
            return gates_words(value)
        if key == "plays":
            return WHO[value]
        if key == "change_at":
            return CHANGES[value]
        if key == "mute_controller":
            return BY_HAND if value is None else _controllers(device).get(value, str(value))
        if isinstance(value, bool):
            return YES_NO[0 if value else 1]
        return f"{value:g}" if isinstance(value, float) else str(value)

    def field_choices(self, owner: str, key: str) -> tuple[str, ...]:
        """What there is to choose from, where it depends on the box."""
        del owner
        device = self.hand.device
        if key == "change_at":
            return tuple(CHANGES.values())
        if key == "mute_controller" and device is not None:
            return (BY_HAND, *_controllers(device).values())
        return ()

    def set_field(self, owner: str, key: str, text: str) -> None:
        """Take a setting from text. EditError says what it may be."""
        device, words = self.hand.device, text.strip()
        if owner == "project":
            self._set_name(key, words)
            return
        if device is None:
            raise EditError(tr("no box is in hand"))
        if key == "offset_ms":
            self.hand.set_offset(device, typed_number(words.removesuffix("ms")))
            return
        if key == "gates":
            self.hand.set_device(device, tr("Gates"), gates=gates_from_words(words))
            self.hand.session.say("warn", PULSE_CARE)
            return
        row = next(f for f in FIELDS if f.key == key)
        made = with_field(device, key, self._value(device, key, words), row.words)
        self.hand.set_device(device, row.words, **{key: getattr(made, key)})

    def _set_name(self, key: str, words: str) -> None:
        if not words:
            raise EditError(tr("it has a name"))
        if key == "rig":
            renamed = msgspec.structs.replace(self.hand.rig, name=words[:80])
            self.hand.edit(tr("Name of the rig"), lambda p: with_rig(p, renamed))
        else:
            self.hand.edit(
                tr("Name of the project"), lambda p: msgspec.structs.replace(p, name=words[:80])
            )

    def _value(self, device: Device, key: str, words: str) -> Any:
        if key == "name" and not words:
            raise EditError(tr("a box has a name"))
        for name, known in (("plays", WHO), ("change_at", CHANGES)):
            if key == name:
                return next(value for value, said in known.items() if said == words)
        if key == "mute_controller":
            rows = _controllers(device).items()
            return next((number for number, said in rows if said == words), None)
        if words in YES_NO:
            return words == YES_NO[0]
        whole = ("channel", "program_printed_from", "on_at")
        return typed_whole(words) if key in whole else words


def _controllers(device: Device) -> dict[int, str]:
    """Controllers of the box's chart by number, and the one that is set; named so as to be told
    apart."""
    chart = {row.number: f"{row.name}, {row.number}" for row in device.spec.controllers}
    set_now = device.mute_controller
    if set_now is not None and set_now not in chart:
        chart[set_now] = tr("controller {set_now}", set_now=set_now)
    return chart
