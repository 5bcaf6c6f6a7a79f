"""Edits of a whole voice or controller lane."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any, get_args

import msgspec

from grebe.app.doing import does
from grebe.app.editors.pattern_hand import PatternHand
from grebe.core.choices import after
from grebe.core.patterns import edit
from grebe.core.patterns.fields import (
    RATES,
)
from grebe.core.patterns.makers import Maker, made, made_lane
from grebe.core.patterns.model import (
    ControlLane,
    Direction,
    Voice,
)
from grebe.errors import EditError
from grebe.words import tr


class RowEdits:
    """What keys do to the row under the cursor."""

    def __init__(self, hand: PatternHand) -> None:
        self.hand = hand

    def make(self, maker: Maker, values: dict[str, str]) -> None:
        """Write the voice or lane under the cursor by a generator, or of a voice what is selected;
        as one step of undo while it is set."""
        merge = f"make-{maker.name}-{self.hand.row_id}"
        if self.hand.lane is not None:
            self.hand.change_row(
                tr("Generate: {maker}", maker=maker.name),
                lambda lane: made_lane(maker, lane, values),
                self.hand.row_id,
                merge=merge,
            )
        elif self.hand.voice is not None:
            _, first, last = self.hand.selection()
            chosen = self.hand.anchor is not None

            def write(voice: Voice) -> Voice:
                whole = made(maker, voice, values)
                return edit.within(voice, whole, first, last) if chosen else whole

            self.hand.change_row(
                tr("Generate: {maker}", maker=maker.name),
                write,
                self.hand.row_id,
                merge=merge,
            )

    @does("longer")
    def longer(self) -> None:
        """The row a step longer."""
        if self.hand.row is not None:
            self.hand.set_length(self.hand.row_id, self.hand.row.length + 1)

    @does("shorter")
    def shorter(self) -> None:
        """The row a step shorter."""
        if self.hand.row is not None:
            self.hand.set_length(self.hand.row_id, self.hand.row.length - 1)

    def _live(self, act: Callable[[str, str], None]) -> None:
        """Something the engine does to the voice in hand now; the pattern is not touched."""
        pattern, voice = self.hand.pattern, self.hand.voice
        if pattern is None or voice is None:
            raise EditError(tr("there is no voice in hand"))
        act(pattern.device, voice.id)

    @does("voice_mute")
    def voice_mute(self) -> None:
        """The voice silent while it plays, or sounding."""
        self._live(self.hand.session.performer.mute)

    @does("voice_solo")
    def voice_solo(self) -> None:
        """The voice alone, with others that are, or all."""
        self._live(self.hand.session.performer.solo)

    def _voice(self, name: str, **fields: Any) -> None:
        self.hand.change_row(name, lambda v: msgspec.structs.replace(v, **fields), self.hand.row_id)

    @does("rate")
    def rate(self) -> None:
        """The next step rate."""
        if self.hand.row is not None:
            self._voice(tr("Step rate"), rate=after(RATES, self.hand.row.rate))

    @does("direction")
    def direction(self) -> None:
        """The next direction."""
        if self.hand.voice is not None:
            self._voice(
                "Direction", direction=after(get_args(Direction), self.hand.voice.direction)
            )

    @does("even")
    def even(self) -> None:
        """Steps evenly over the pattern, or each as long as its rate."""
        if self.hand.voice is not None:
            self._voice(tr("Even steps"), even=not self.hand.voice.even)

    @does("one_shot")
    def one_shot(self) -> None:
        """Struck only, or held by its gate."""
        if self.hand.voice is not None:
            self._voice("One-shot", one_shot=not self.hand.voice.one_shot)

    @does("rotate")
    def rotate(self) -> None:
        """A step later, round the end."""
        self.hand.change_each(tr("Rotate"), lambda v, a, b: edit.rotate(v, 1, a, b))

    @does("rotate_back")
    def rotate_back(self) -> None:
        """A step earlier, round the end."""
        self.hand.change_each(tr("Rotate"), lambda v, a, b: edit.rotate(v, -1, a, b))

    @does("shift")
    def shift(self) -> None:
        """A step later; what passes the end is lost."""
        self.hand.change_each(tr("Shift"), lambda v, a, b: edit.shift(v, 1, a, b))

    @does("shift_back")
    def shift_back(self) -> None:
        """A step earlier."""
        self.hand.change_each(tr("Shift"), lambda v, a, b: edit.shift(v, -1, a, b))

    @does("reverse")
    def reverse(self) -> None:
        """The other way round."""
        self.hand.change_each(tr("Reverse"), edit.reverse)

    @does("clear")
    def clear(self) -> None:
        """Clear the voice, or what is selected."""
        if self.hand.lane is not None:
            self._voice("Clear", points=())
        else:
            self.hand.change_each(tr("Clear"), edit.clear)

    @does("add_voice")
    def add_voice(self) -> None:
        """A voice more: the box's next voice that has no row yet."""
        device, content = self.hand.device, self.hand.content
        taken = {v.note for v in content.voices}
        known = device.spec.voices if device is not None else ()
        free = next((v for v in known if v.note not in taken), None)
        note = next((n for n in range(36, 128) if n not in taken), 36)
        name, note = (
            (free.name, free.note) if free is not None else (tr("Note {note}", note=note), note)
        )
        self.hand.change(tr("Add a voice"), lambda c: edit.add_voice(c, name, note))
        self.hand.row_id, self.hand.step, self.hand.anchor = (
            self.hand.content.voices[-1].id,
            0,
            None,
        )

    @does("add_lane")
    def add_lane(self) -> None:
        """A controller lane more: the next line of the box's chart."""
        device, content = self.hand.device, self.hand.content
        taken = {lane.controller for lane in content.lanes}
        chart = device.spec.controllers if device is not None else ()
        free = next((r for r in chart if r.number not in taken), None)
        number = next(n for n in (1, 74, 71, *range(2, 120)) if n not in taken)
        name, number = (free.name, free.number) if free is not None else ("", number)
        self.hand.change(tr("Add a controller lane"), lambda c: edit.add_lane(c, name, number))
        self.hand.row_id, self.hand.step, self.hand.anchor = self.hand.content.lanes[-1].id, 0, None

    @does("remove_row")
    def remove_row(self) -> None:
        """Remove the voice or lane under the cursor."""
        row = self.hand.row
        if isinstance(row, ControlLane):
            self.hand.change(tr("Remove a controller lane"), lambda c: edit.remove_lane(c, row.id))
        elif row is not None:
            self.hand.change(tr("Remove a voice"), lambda c: edit.remove_voice(c, row.id))
