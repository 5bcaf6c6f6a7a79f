"""Settings of the box in hand: offset, who plays it, its ports, what passes. Without Qt."""

from __future__ import annotations

import msgspec

from grebe.app.doing import does
from grebe.app.editors.rig_hand import RigHand
from grebe.core.document import Project, with_rig
from grebe.core.rig.model import AudioPort, Cable
from grebe.core.rig.setup import PULSE_CARE
from grebe.core.typed import typed_number, with_field
from grebe.words import tr

OFFSET_STEP_MS = 0.1
LINES = {
    "pulse_at": tr("Pulses leave at"),
    "run_at": tr("Run line leaves at"),
    "reset_at": tr("Reset leaves at"),
    "pulse_from": tr("Pulses are heard at"),
    "run_from": tr("Run line is heard at"),
    "heard_at": tr("Its sound is heard at"),
}
"""Fields of a device that are lines, in words; shown where a pulse cable joins it to Grebe."""
HEARD = ("pulse_from", "run_from", "heard_at")


class DeviceEdits:
    """What keys and fields do to the box in hand."""

    def __init__(self, hand: RigHand) -> None:
        self.hand = hand

    @does("earlier")
    def earlier(self) -> None:
        """Offset a tenth of a millisecond earlier."""
        self._nudge(-OFFSET_STEP_MS)

    @does("later")
    def later(self) -> None:
        """Offset a tenth of a millisecond later."""
        self._nudge(OFFSET_STEP_MS)

    def _nudge(self, by: float) -> None:
        device = self.hand.device
        if device is not None:
            self.hand.set_offset(device, device.offset_ms + by)

    def set_offset(self, ms: float) -> None:
        """The offset that was typed."""
        device = self.hand.device
        if device is not None:
            self.hand.set_offset(device, ms)

    @does("who_plays")
    def who_plays(self) -> None:
        """Let the box play its own patterns, or Grebe play it."""
        device = self.hand.device
        if device is not None:
            plays = "grebe" if device.plays == "own" else "own"
            self.hand.set_fields(tr("Who plays"), plays=plays)

    def set_tolerance(self, words: str) -> None:
        """How far off every box may be, in ms. EditError says what it may be."""
        ms = typed_number(words.strip().removesuffix("ms"))
        self.hand.edit(
            tr("Tolerance of all boxes"),
            lambda project: with_rig(project, msgspec.structs.replace(
                project.rig, devices=tuple(with_field(d, "tolerance_ms", ms, "Tolerance")
                                           for d in project.rig.devices)
            )),
        )  # fmt: skip

    def set_line(self, field: str, line: AudioPort) -> None:
        """A pulse, run or reset line, or where pulses are heard; with the caution it needs."""
        self.hand.set_fields(LINES[field], **{field: line})
        if line.is_set and field not in HEARD:
            words = tr(
                "{pulse_care} Channels 1 and 2 are often the main output.", pulse_care=PULSE_CARE
            )
            self.hand.session.say("warn", words)

    def switch(self, end: str, field: str, on: bool) -> None:
        """Switch a kind of message at all of the box's MIDI inputs, or outputs."""
        device = self.hand.device
        if device is None:
            return

        def switched(cable: Cable) -> Cable:
            ours = cable.target if end == "accepts" else cable.source
            if ours != device.id or cable.medium not in ("midi", "network"):
                return cable
            before = cable.accepts if end == "accepts" else cable.passes
            after = msgspec.structs.replace(before, **{field: on})
            return msgspec.structs.replace(cable, **{end: after})

        def edit(project: Project) -> Project:
            rig = project.rig
            cables = tuple(switched(c) for c in rig.cables)
            return with_rig(project, msgspec.structs.replace(rig, cables=cables))

        self.hand.edit(
            tr(
                "{field} {what} at {device}",
                field=field,
                what=tr("on") if on else tr("off"),
                device=device.name,
            ),
            edit,
        )
