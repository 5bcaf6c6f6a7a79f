"""The pattern in hand: a cursor, a selection, a clip, and edits under them. Without Qt."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

import msgspec

from grebe.app.live.session import Session
from grebe.core.beginning import plays_notes
from grebe.core.document import with_content
from grebe.core.patterns import edit
from grebe.core.patterns.model import (
    Content,
    ControlLane,
    ControlPoint,
    Hit,
    Pattern,
    Voice,
)
from grebe.core.rig.model import Device
from grebe.errors import EditError
from grebe.words import tr

Row = Voice | ControlLane


class PatternHand:
    """The pattern in hand, where in it the keys write, and what is selected."""

    def __init__(self, session: Session) -> None:
        self.session = session
        patterns = session.project.patterns
        self.pattern_id = patterns[0].id if patterns else ""
        self.row_id = ""
        self.step = 0
        self.anchor: tuple[str, int] | None = None
        """Where a selection began; None: what is under the cursor."""

    # What is in hand

    @property
    def pattern(self) -> Pattern | None:
        """The pattern in hand."""
        return self.session.project.patterns_by_id.get(self.pattern_id)

    @property
    def content(self) -> Content:
        """What it says; empty without one."""
        return self.pattern.content if self.pattern is not None else Content()

    @property
    def device(self) -> Device | None:
        """The device it belongs to; without a pattern, the box in hand, or its first track where
        all its tracks have patterns of their own."""
        pattern, rig = self.pattern, self.session.project.rig
        if pattern is not None:
            return rig.find(pattern.device)
        device = rig.find(self.session.selection.box)
        return None if device is None else device.pattern_lines[0]

    @property
    def bare(self) -> bool:
        """Whether the box in hand could play patterns, and has none yet."""
        project, box = self.session.project, self.session.selection.box
        device = project.rig.find(box)
        return device is not None and not self._own(box) and plays_notes(device)

    def _own(self, box: str) -> list[Pattern]:
        """A box's patterns; of one whose tracks all have their own, the first track's with some."""
        project = self.session.project
        device = project.rig.find(box)
        lines = () if device is None else device.pattern_lines
        if lines and lines[0].id == box:
            lines = lines[:1]
        return next((found for d in lines if (found := project.patterns_of.get(d.id))), [])

    def follow_box(self) -> None:
        """Take up the box in hand, as another station has chosen it: its first pattern, or none."""
        box, pattern = self.session.selection.box, self.pattern
        own = self._own(box)
        if own and (pattern is None or pattern.device != own[0].device):
            self.take(own[0].id)
        elif self.bare:
            self.pattern_id, self.row_id, self.anchor = "", "", None

    @property
    def base(self) -> Pattern | None:
        """The pattern it is a variation of."""
        pattern = self.pattern
        of = "" if pattern is None else pattern.variation_of or ""
        return self.session.project.patterns_by_id.get(of)

    @property
    def rows(self) -> tuple[Row, ...]:
        """Voices, then controller lanes."""
        return (*self.content.voices, *self.content.lanes)

    @property
    def row(self) -> Row | None:
        """The voice or lane under the cursor."""
        return next((r for r in self.rows if r.id == self.row_id), None)

    @property
    def voice(self) -> Voice | None:
        """The voice under the cursor."""
        row = self.row
        return row if isinstance(row, Voice) else None

    @property
    def lane(self) -> ControlLane | None:
        """The controller lane under the cursor."""
        row = self.row
        return row if isinstance(row, ControlLane) else None

    @property
    def hit(self) -> Hit | None:
        """The hit under the cursor."""
        return self.voice.hit_at(self.step) if self.voice is not None else None

    @property
    def point(self) -> ControlPoint | None:
        """The controller value under the cursor."""
        return edit.point_at(self.lane, self.step) if self.lane is not None else None

    def selection(self) -> tuple[tuple[str, ...], int, int]:
        """(row ids, first step, last step); the cursor's place without a selection."""
        ids = [r.id for r in self.rows]
        if self.anchor is None or self.anchor[0] not in ids or self.row_id not in ids:
            return (self.row_id,), self.step, self.step
        a, b = sorted((ids.index(self.anchor[0]), ids.index(self.row_id)))
        first, last = sorted((self.anchor[1], self.step))
        return tuple(ids[a : b + 1]), first, last

    def stretch(self) -> tuple[tuple[str, ...], int, int]:
        """What an edit of a voice covers: the selection, or the whole voice under the cursor."""
        if self.anchor is None:
            return (self.row_id,), 0, 10_000
        return self.selection()

    def take(self, pattern_id: str) -> None:
        """Take another pattern in hand."""
        self.pattern_id, self.anchor = pattern_id, None
        if self.pattern is not None:
            self.session.selection.box = self.pattern.device
        self.settle()

    def settle(self) -> None:
        """Keep pattern, cursor and selection where there is something."""
        if self.pattern is None and not self.bare:
            patterns = self.session.project.patterns
            self.pattern_id = patterns[0].id if patterns else ""
        row = self.row
        if row is None:
            self.row_id, self.step = (self.rows[0].id if self.rows else ""), 0
        elif self.step >= row.length:
            self.step = row.length - 1
        if self.anchor is not None and all(r.id != self.anchor[0] for r in self.rows):
            self.anchor = None

    # Edits

    def change(self, name: str, how: Callable[[Content], Content], *, merge: str = "") -> None:
        """Edit the pattern's content."""
        pattern = self.pattern
        if pattern is None:
            return
        key = f"{pattern.id}-{merge}" if merge else ""
        self.session.store.apply(name, lambda p: with_content(p, pattern.id, how), merge=key)

    def change_row(
        self, name: str, how: Callable[[Any], Any], row_id: str, merge: str = ""
    ) -> None:
        """Change a row, a voice or a lane, as one step of undo called `name`."""

        def change(content: Content) -> Content:
            if any(lane.id == row_id for lane in content.lanes):
                return edit.with_lane(content, row_id, how)
            return edit.with_voice(content, row_id, how)

        self.change(name, change, merge=merge)

    def change_hits(self, name: str, how: Callable[[Voice, int], Voice], merge: str = "") -> None:
        """Edit every hit of the selection; the one under the cursor without one."""
        ids, first, last = self.selection()

        def change(content: Content) -> Content:
            found = False
            for voice in content.voices:
                if voice.id in ids:
                    for hit in voice.hits:
                        if first <= hit.step <= last:
                            content = edit.with_voice(
                                content,
                                voice.id,
                                lambda v, s=hit.step: how(v, s),  # type: ignore[misc]
                            )
                            found = True
            if not found:
                voice_name = self.row.name if self.row is not None else tr("the pattern")
                raise EditError(
                    tr(
                        "{voice_name} has no hit on step {value}",
                        voice_name=voice_name,
                        value=self.step + 1,
                    )
                )
            return content

        self.change(name, change, merge=f"{name}-{ids}-{first}-{last}" if merge else "")

    def change_each(self, name: str, how: Callable[[Voice, int, int], Voice]) -> None:
        """Edit a stretch of every voice selected."""
        ids, first, last = self.stretch()

        def change(content: Content) -> Content:
            for voice in content.voices:
                if voice.id in ids:
                    content = edit.with_voice(content, voice.id, lambda v: how(v, first, last))
            return content

        self.change(name, change)

    def write(self, row_id: str, step: int, value: int) -> None:
        """A hit with this velocity, or a controller's value."""
        if any(lane.id == row_id for lane in self.content.lanes):

            def put(lane: ControlLane) -> ControlLane:
                old = edit.point_at(lane, step) or ControlPoint(step=step, value=0)
                held = min(127, max(0, value))
                return edit.put_point(lane, msgspec.structs.replace(old, value=held))

            self.change_row(tr("Write a value"), put, row_id, merge=f"{row_id}-{step}")
            return

        def hit(voice: Voice) -> Voice:
            old = voice.hit_at(step) or Hit(step=step)
            held = min(127, max(1, value))
            return edit.put_hit(voice, msgspec.structs.replace(old, velocity=held))

        self.change_row(tr("Write a hit"), hit, row_id, merge=f"{row_id}-{step}")

    def remove(self, row_id: str, step: int) -> None:
        """Remove a hit or a value."""

        def gone(row: Row) -> Row:
            if isinstance(row, ControlLane):
                return edit.remove_point(row, step)
            return edit.remove_hit(row, step)

        self.change_row(tr("Remove a hit"), gone, row_id)

    def set_length(self, row_id: str, length: int) -> None:
        """Another length for a row."""

        def longer(row: Row) -> Row:
            if isinstance(row, ControlLane):
                return edit.set_lane_length(row, length)
            return edit.set_length(row, length)

        self.change_row(tr("Length"), longer, row_id, merge=f"{row_id}-length")
