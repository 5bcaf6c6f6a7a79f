"""Edits of hits and controller values under the cursor, or selected."""

from __future__ import annotations

from typing import Any

import msgspec

from grebe.app.doing import does
from grebe.app.editors.pattern_hand import PatternHand
from grebe.core.choices import after
from grebe.core.patterns import edit
from grebe.core.patterns.fields import (
    CONDITIONS,
)
from grebe.core.patterns.model import (
    Content,
    Voice,
)
from grebe.errors import EditError
from grebe.words import tr

LEVELS = (40, 70, 100, 127)
"""Ghost, soft, plain, accent."""
PLAIN = 100
NEW_VALUE = 64
FLAMS = (0, 100, 150, 200, 250)
RAMPS = (100, 50, 150)
CHANCES = (100, 75, 50, 25, 10)
VELOCITY_STEP = 8
LATE_STEP = 10
GATE_STEP = 25
VALUE_STEP = 8


class HitEdits:
    """What keys do to hits and values."""

    def __init__(self, hand: PatternHand) -> None:
        self.hand = hand

    @does("toggle")
    def toggle(self) -> None:
        """Write under the cursor, or remove what is there."""
        row = self.hand.row
        if row is None:
            return
        self.hand.session.store.end_merge()
        if self.hand.hit is None and self.hand.point is None:
            self.hand.write(row.id, self.hand.step, PLAIN if isinstance(row, Voice) else NEW_VALUE)
        else:
            self.hand.remove(row.id, self.hand.step)

    @does("remove")
    def remove_here(self) -> None:
        """Remove what is under the cursor or selected."""
        if self.hand.lane is not None:
            self.hand.remove(self.hand.row_id, self.hand.step)
            return
        ids, first, last = self.hand.selection()

        def change(content: Content) -> Content:
            for voice_id in ids:
                if any(v.id == voice_id for v in content.voices):
                    content = edit.with_voice(
                        content, voice_id, lambda v: edit.clear(v, first, last)
                    )
            return content

        self.hand.change(tr("Remove"), change)

    def _by(self, field: str, by: int, name: str) -> None:
        self.hand.change_hits(
            name,
            lambda v, s: edit.change_hit(v, s, **{field: getattr(v.hit_at(s), field) + by}),
            merge=field,
        )

    def _value(self, by: int) -> None:
        point = self.hand.point
        if point is None:
            raise EditError(tr("there is no value on this step"))
        self.hand.write(self.hand.row_id, self.hand.step, point.value + by)

    @does("raise")
    def louder(self) -> None:
        """Velocity up; a controller's value up."""
        if self.hand.lane is not None:
            self._value(VALUE_STEP)
        else:
            self._by("velocity", VELOCITY_STEP, "Velocity")

    @does("lower")
    def softer(self) -> None:
        """Velocity down; a controller's value down."""
        if self.hand.lane is not None:
            self._value(-VALUE_STEP)
        else:
            self._by("velocity", -VELOCITY_STEP, "Velocity")

    @does("level")
    def level(self) -> None:
        """The next of the levels: those of the box, or ghost, soft, plain, accent."""
        device = self.hand.device
        steps = device.spec.steps if device is not None else None
        levels = steps.levels if steps is not None and steps.levels else LEVELS
        hit = self.hand.hit
        now = hit.velocity if hit is not None else 0
        wanted = next((level for level in levels if level > now), levels[0])
        self.hand.change_hits(tr("Velocity"), lambda v, s: edit.change_hit(v, s, velocity=wanted))

    @does("accent")
    def accent(self) -> None:
        """An accent on, or off."""
        hit = self.hand.hit
        wanted = PLAIN if hit is not None and hit.velocity == LEVELS[-1] else LEVELS[-1]
        self.hand.change_hits(tr("Accent"), lambda v, s: edit.change_hit(v, s, velocity=wanted))

    @does("earlier")
    def earlier(self) -> None:
        """A hundredth of a step earlier."""
        self._by("shift_permille", -LATE_STEP, "Micro-timing")

    @does("later")
    def later(self) -> None:
        """A hundredth of a step later."""
        self._by("shift_permille", LATE_STEP, "Micro-timing")

    @does("hold_longer")
    def hold_longer(self) -> None:
        """Held a quarter of a step longer."""
        self._by("gate_length", GATE_STEP, "Gate")

    @does("hold_shorter")
    def hold_shorter(self) -> None:
        """Held a quarter of a step shorter."""
        self._by("gate_length", -GATE_STEP, "Gate")

    def _next_of(self, field: str, values: tuple[Any, ...], name: str) -> None:
        hit = self.hand.hit
        wanted = after(values, getattr(hit, field)) if hit is not None else values[0]
        self.hand.change_hits(name, lambda v, s: edit.change_hit(v, s, **{field: wanted}))

    @does("flam")
    def flam(self) -> None:
        """The next flam width, or none."""
        self._next_of("flam", FLAMS, "Flam")

    @does("ratchet")
    def ratchet(self) -> None:
        """One stroke more, from one to eight."""
        self._next_of("ratchet", tuple(range(1, 9)), "Ratchet")

    @does("ratchet_ramp")
    def ratchet_ramp(self) -> None:
        """Strokes alike, fading or swelling."""
        self._next_of("ratchet_to", RAMPS, tr("Ratchet ramp"))

    @does("chance")
    def chance(self) -> None:
        """The next chance."""
        if self.hand.lane is not None and self.hand.point is not None:
            chance = after(CHANCES, self.hand.point.chance)
            self._point("Chance", chance=chance)
            return
        self._next_of("chance", CHANCES, "Chance")

    def _point(self, name: str, **fields: Any) -> None:
        point = self.hand.point
        assert point is not None
        changed = msgspec.structs.replace(point, **fields)
        self.hand.change_row(name, lambda x: edit.put_point(x, changed), self.hand.row_id)

    @does("condition")
    def condition(self) -> None:
        """The next condition."""
        if self.hand.lane is not None and self.hand.point is not None:
            self._point(tr("Condition"), when=after(CONDITIONS, self.hand.point.when))
            return
        self._next_of("when", CONDITIONS, "Condition")

    @does("tie")
    def tie(self) -> None:
        """Tied to the next, or not; a controller's value glides or is held."""
        if self.hand.lane is not None and self.hand.point is not None:
            self._point("Glide", glide=not self.hand.point.glide)
            return
        hit = self.hand.hit
        self.hand.change_hits(
            tr("Tie"), lambda v, s: edit.change_hit(v, s, tie=not (hit and hit.tie))
        )
