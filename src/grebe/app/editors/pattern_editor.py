"""Writing a pattern with keys, pointer or a controller. Without Qt."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any, get_args

import msgspec

from grebe.app.editors.pattern_writer import PatternWriter
from grebe.app.live.position import raw_now_ns
from grebe.core.document import Project, add_pattern, mark_in_box, remove_pattern
from grebe.core.patterns import edit
from grebe.core.patterns.fields import (
    CONDITIONS,
    RATES,
)
from grebe.core.patterns.keys import in_key
from grebe.core.patterns.makers import Maker, made
from grebe.core.patterns.model import (
    Content,
    ControlLane,
    Direction,
    Pattern,
    Pin,
    Speed,
    Voice,
)
from grebe.core.rig.memory import assign, first_free
from grebe.errors import EditError

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

KEY_SINCE_NS = 120_000_000_000


def _after(values: tuple[Any, ...], value: Any) -> Any:
    """The value after this one, round the end; the first that is larger, or the first at all."""
    if value in values:
        return values[(values.index(value) + 1) % len(values)]
    return values[0]


class PatternEditor(PatternWriter):
    """What the keys of the Patterns station do: `do_ID` for the action with that id."""

    # Hits

    def do_toggle(self) -> None:
        """Write under the cursor, or remove what is there."""
        row = self.row
        if row is None:
            return
        self.session.store.end_merge()
        if self.hit is None and self.point is None:
            self.write(row.id, self.step, PLAIN if isinstance(row, Voice) else NEW_VALUE)
        else:
            self.remove(row.id, self.step)

    def do_remove(self) -> None:
        """Remove what is under the cursor or selected."""
        if self.lane is not None:
            self.remove(self.row_id, self.step)
            return
        ids, first, last = self.selection()

        def change(content: Content) -> Content:
            for voice_id in ids:
                if any(v.id == voice_id for v in content.voices):
                    content = edit.with_voice(
                        content, voice_id, lambda v: edit.clear(v, first, last)
                    )
            return content

        self.change("Remove", change)

    def _by(self, field: str, by: int, name: str) -> None:
        self._hits(
            name,
            lambda v, s: edit.change_hit(v, s, **{field: getattr(v.hit_at(s), field) + by}),
            merge=field,
        )

    def _value(self, by: int) -> None:
        point = self.point
        if point is None:
            raise EditError("there is no value on this step")
        self.write(self.row_id, self.step, point.value + by)

    def do_louder(self) -> None:
        """Velocity up; a controller's value up."""
        if self.lane is not None:
            self._value(VALUE_STEP)
        else:
            self._by("velocity", VELOCITY_STEP, "Velocity")

    def do_softer(self) -> None:
        """Velocity down; a controller's value down."""
        if self.lane is not None:
            self._value(-VALUE_STEP)
        else:
            self._by("velocity", -VELOCITY_STEP, "Velocity")

    def do_level(self) -> None:
        """The next of the levels: those of the box, or ghost, soft, plain, accent."""
        device = self.device
        steps = device.spec.steps if device is not None else None
        levels = steps.levels if steps is not None and steps.levels else LEVELS
        hit = self.hit
        now = hit.velocity if hit is not None else 0
        wanted = next((level for level in levels if level > now), levels[0])
        self._hits("Velocity", lambda v, s: edit.change_hit(v, s, velocity=wanted))

    def do_accent(self) -> None:
        """An accent on, or off."""
        hit = self.hit
        wanted = PLAIN if hit is not None and hit.velocity == LEVELS[-1] else LEVELS[-1]
        self._hits("Accent", lambda v, s: edit.change_hit(v, s, velocity=wanted))

    def _pitch(self, to: Callable[[int], int]) -> None:
        def change(voice: Voice, step: int) -> Voice:
            hit = voice.hit_at(step)
            assert hit is not None
            return edit.change_hit(voice, step, note=to(edit.pitch_of(voice, hit)))

        self._hits("Pitch", change, merge="pitch")

    def do_pitch_up(self) -> None:
        """A semitone up."""
        self._pitch(lambda n: n + 1)

    def do_pitch_down(self) -> None:
        """A semitone down."""
        self._pitch(lambda n: n - 1)

    def do_degree_up(self) -> None:
        """A degree of the pattern's key up."""
        self._degree(1)

    def do_degree_down(self) -> None:
        """A degree down."""
        self._degree(-1)

    def _degree(self, by: int) -> None:
        key = self.content.key
        if not key:
            raise EditError("the pattern has no key yet; set one, or find it by playing along")
        self._pitch(lambda n: in_key(n, key, by))

    def do_earlier(self) -> None:
        """A hundredth of a step earlier."""
        self._by("late", -LATE_STEP, "Micro-timing")

    def do_later(self) -> None:
        """A hundredth of a step later."""
        self._by("late", LATE_STEP, "Micro-timing")

    def do_hold_longer(self) -> None:
        """Held a quarter of a step longer."""
        self._by("gate", GATE_STEP, "Gate")

    def do_hold_shorter(self) -> None:
        """Held a quarter of a step shorter."""
        self._by("gate", -GATE_STEP, "Gate")

    def _next_of(self, field: str, values: tuple[Any, ...], name: str) -> None:
        hit = self.hit
        wanted = _after(values, getattr(hit, field)) if hit is not None else values[0]
        self._hits(name, lambda v, s: edit.change_hit(v, s, **{field: wanted}))

    def do_flam(self) -> None:
        """The next flam width, or none."""
        self._next_of("flam", FLAMS, "Flam")

    def do_ratchet(self) -> None:
        """One stroke more, from one to eight."""
        self._next_of("ratchet", tuple(range(1, 9)), "Ratchet")

    def do_ratchet_ramp(self) -> None:
        """Strokes alike, fading or swelling."""
        self._next_of("ratchet_to", RAMPS, "Ratchet ramp")

    def do_chance(self) -> None:
        """The next chance."""
        if self.lane is not None and self.point is not None:
            chance = _after(CHANCES, self.point.chance)
            self.set_field("point", "chance", str(chance))
            return
        self._next_of("chance", CHANCES, "Chance")

    def do_condition(self) -> None:
        """The next condition."""
        self._next_of("when", CONDITIONS, "Condition")

    def do_tie(self) -> None:
        """Tied to the next, or not; a controller's value glides or is held."""
        if self.lane is not None and self.point is not None:
            self.set_field("point", "glide", "no" if self.point.glide else "yes")
            return
        hit = self.hit
        self._hits("Tie", lambda v, s: edit.change_hit(v, s, tie=not (hit and hit.tie)))

    def do_find_key(self) -> None:
        """The key of what was played in during the last two minutes becomes the pattern's."""
        ranking = self.session.memory.key_ranking(raw_now_ns() - KEY_SINCE_NS)
        if not ranking:
            raise EditError("play along first: nothing pitched was played in these two minutes")
        best, second = ranking[0], ranking[1]
        self._content("Key", key=best.key)
        self.session.store.end_merge()
        self.session.say(
            "info", f"{best.key} ({best.score:.2f}); then {second.key} ({second.score:.2f})."
        )

    def make(self, maker: Maker, values: dict[str, str]) -> None:
        """Write the voice under the cursor by a generator, as one step of undo while it is set."""
        if self.voice is not None:
            self._row(
                f"Generate: {maker.name}", lambda v: made(maker, v, values), self.row_id,
                merge=f"make-{maker.name}-{self.row_id}",
            )  # fmt: skip

    # Voices

    def do_longer(self) -> None:
        """The row a step longer."""
        if self.row is not None:
            self.set_length(self.row_id, self.row.length + 1)

    def do_shorter(self) -> None:
        """The row a step shorter."""
        if self.row is not None:
            self.set_length(self.row_id, self.row.length - 1)

    def _voice(self, name: str, **fields: Any) -> None:
        self._row(name, lambda v: msgspec.structs.replace(v, **fields), self.row_id)

    def do_rate(self) -> None:
        """The next step rate."""
        if self.row is not None:
            self._voice("Step rate", rate=_after(RATES, self.row.rate))

    def do_direction(self) -> None:
        """The next direction."""
        if self.voice is not None:
            self._voice("Direction", direction=_after(get_args(Direction), self.voice.direction))

    def do_even(self) -> None:
        """Steps evenly over the pattern, or each as long as its rate."""
        if self.voice is not None:
            self._voice("Even steps", even=not self.voice.even)

    def do_one_shot(self) -> None:
        """Struck only, or held by its gate."""
        if self.voice is not None:
            self._voice("One-shot", one_shot=not self.voice.one_shot)

    def do_rotate(self) -> None:
        """A step later, round the end."""
        self._each("Rotate", lambda v, a, b: edit.rotate(v, 1, a, b))

    def do_rotate_back(self) -> None:
        """A step earlier, round the end."""
        self._each("Rotate", lambda v, a, b: edit.rotate(v, -1, a, b))

    def do_shift(self) -> None:
        """A step later; what passes the end is lost."""
        self._each("Shift", lambda v, a, b: edit.shift(v, 1, a, b))

    def do_shift_back(self) -> None:
        """A step earlier."""
        self._each("Shift", lambda v, a, b: edit.shift(v, -1, a, b))

    def do_reverse(self) -> None:
        """The other way round."""
        self._each("Reverse", edit.reverse)

    def do_clear(self) -> None:
        """Clear the voice, or what is selected."""
        if self.lane is not None:
            self._voice("Clear", points=())
        else:
            self._each("Clear", edit.clear)

    def do_add_voice(self) -> None:
        """A voice more: the box's next voice that has no row yet."""
        device, content = self.device, self.content
        taken = {v.note for v in content.voices}
        known = device.spec.voices if device is not None else ()
        free = next((v for v in known if v.note not in taken), None)
        note = next((n for n in range(36, 128) if n not in taken), 36)
        name, note = (free.name, free.note) if free is not None else (f"Note {note}", note)
        self.change("Add a voice", lambda c: edit.add_voice(c, name, note))
        self.row_id, self.step, self.anchor = self.content.voices[-1].id, 0, None

    def do_add_lane(self) -> None:
        """A controller lane more: the next line of the box's chart."""
        device, content = self.device, self.content
        taken = {lane.controller for lane in content.lanes}
        chart = device.spec.controllers if device is not None else ()
        free = next((r for r in chart if r.number not in taken), None)
        number = next(n for n in (1, 74, 71, *range(2, 120)) if n not in taken)
        name, number = (free.name, free.number) if free is not None else ("", number)
        self.change("Add a controller lane", lambda c: edit.add_lane(c, name, number))
        self.row_id, self.step, self.anchor = self.content.lanes[-1].id, 0, None

    def do_remove_row(self) -> None:
        """Remove the voice or lane under the cursor."""
        row = self.row
        if isinstance(row, ControlLane):
            self.change("Remove a controller lane", lambda c: edit.remove_lane(c, row.id))
        elif row is not None:
            self.change("Remove a voice", lambda c: edit.remove_voice(c, row.id))

    # The pattern

    def _content(self, name: str, **fields: Any) -> None:
        self.change(name, lambda c: msgspec.structs.replace(c, **fields), merge=name)

    def do_swing_more(self) -> None:
        """Swing up by 1 %."""
        self._content("Swing", swing=min(75.0, self.content.swing + 1))

    def do_swing_less(self) -> None:
        """Swing down by 1 %."""
        self._content("Swing", swing=max(50.0, self.content.swing - 1))

    def do_speed(self) -> None:
        """The next speed."""
        self._content("Speed", speed=_after(get_args(Speed), self.content.speed))
        self.session.store.end_merge()

    def do_double(self) -> None:
        """Twice as long, with the copy played in the second half."""
        self.change("Double", edit.double_content)

    def do_halve(self) -> None:
        """The first half."""
        self.change("Halve", edit.halve_content)

    def do_copy(self) -> None:
        """Copy what is selected, or the voice."""
        ids, first, last = self.selection()
        if self.anchor is None and self.row is not None:
            first, last = 0, self.row.length - 1
        self.clip = edit.copy_out(self.content, ids, first, last)

    def do_cut(self) -> None:
        """Copy, and clear what was copied."""
        self.do_copy()
        self._each("Cut", edit.clear)

    def do_paste(self) -> None:
        """Paste from the cursor on."""
        clip = self.clip
        if clip is None:
            raise EditError("nothing has been copied yet")
        step = self.selection()[1] if self.anchor is not None else self.step
        first = self.selection()[0][0]
        self.change("Paste", lambda c: edit.paste(c, clip, first, step))

    def do_dice(self) -> None:
        """Throw the dice anew: another take of the same chances."""
        seed = (self.content.seed + 1) % 2**31
        self.change("Dice", lambda c: msgspec.structs.replace(c, seed=seed, pin=None))

    def do_pin(self) -> None:
        """Keep the throw of this pass for every pass, or let go of it."""
        turn = self.session.position.pattern_repetition(self.pattern_id)
        pin = Pin(seed=1, turn=turn) if self.content.pin is None else None
        self.change("Pin the take", lambda c: msgspec.structs.replace(c, pin=pin))
        words = f"Every pass plays pass {turn + 1}." if pin else "Each pass has dice of its own."
        self.session.say("info", words)

    def add(self, name: str, content: Content, of: str | None = None) -> None:
        """A new pattern of the box in hand, taken in hand. EditError without a box.

        For a box that plays its own it is meant for the first free place.
        """
        device = self.device
        if device is None and self.session.project.rig.devices:
            device = self.session.project.rig.devices[0]
        if device is None:
            raise EditError("add a device first: a pattern belongs to one")
        added: list[str] = []

        def add(project: Project) -> Project:
            project, new = add_pattern(
                project,
                name=name,
                device=device.id,
                content=content,
                variation_of=of,
            )
            added.append(new)
            place = first_free(project, device) if device.plays == "own" else None
            return project if place is None else assign(project, new, place)

        self.session.store.apply(f"New pattern {name}", add)
        self.take(added[-1])

    def add_all(self, patterns: list[Pattern]) -> None:
        """Patterns that were read, under ids of their own; the last is taken in hand."""
        added: list[str] = []

        def add(project: Project) -> Project:
            for pattern in patterns:
                project, new = add_pattern(
                    project, name=pattern.name, device=pattern.device, content=pattern.content
                )
                added.append(new)
            return project

        self.session.store.apply(f"Import {patterns[0].name}", add)
        self.take(added[-1])

    def do_new_pattern(self) -> None:
        """A new pattern of the same box, with its voices and nothing on them."""
        voices = tuple(msgspec.structs.replace(v, hits=()) for v in self.content.voices)
        self.add("New pattern", msgspec.structs.replace(self.content, voices=voices, lanes=()))

    def do_variation(self) -> None:
        """A variation of it, shown against it from then on."""
        pattern = self.pattern
        if pattern is None:
            return
        count = sum(p.variation_of == pattern.id for p in self.session.project.patterns)
        self.add(f"{pattern.name}, variation {count + 1}"[:80], pattern.content, pattern.id)

    def do_remove_pattern(self) -> None:
        """Remove the pattern; one that a scene plays stays."""
        pattern = self.pattern
        if pattern is not None:
            self.session.store.apply(
                f"Remove {pattern.name}", lambda project: remove_pattern(project, pattern.id)
            )

    def do_in_box(self) -> None:
        """The box now holds the pattern as it is drawn."""
        pattern = self.pattern
        if pattern is not None:
            self.session.store.apply(
                f"{pattern.name} is in the box", lambda project: mark_in_box(project, pattern.id)
            )
