"""A song written with keys. Without Qt."""

from __future__ import annotations

from typing import Literal

import msgspec

from grebe.app.doing import does
from grebe.app.editors.song_form import CUTOFF, SongForm
from grebe.core.document import Project
from grebe.core.player.marks import curve_value
from grebe.core.player.plan import sounding
from grebe.core.rig.memory import assign
from grebe.core.songs import edit
from grebe.core.songs.forms import FORMS, add_song, song_of_form
from grebe.core.songs.model import BoxSong, Printed, Then
from grebe.core.time.ticks import SIXTEENTH_TICKS
from grebe.errors import EditError

GRIDS: tuple[Literal["bar", "beat", "sixteenth"], ...] = ("bar", "beat", "sixteenth")
VALUE_STEP = 8
FIRST_VALUE = 64


class SongEditor(SongForm):
    """What the keys of the Song station do: `do_ID` for the action with that id."""

    # Moving

    @does("section_before")
    def section_before(self) -> None:
        """The section before, or this one's first beat."""
        spans = self.layout.spans
        at = self.layout.index_at(self.tick)
        first = spans[at].tick
        self.tick = spans[max(0, at - 1)].tick if self.tick == first else first
        self.anchor = None

    @does("section_after")
    def section_after(self) -> None:
        """The section after."""
        spans = self.layout.spans
        self.tick = spans[min(len(spans) - 1, self.layout.index_at(self.tick) + 1)].tick
        self.anchor = None

    def _by(self, steps: int, *, select: bool) -> None:
        span = self.span
        if span is None:
            return
        if select and self.anchor is None:
            self.anchor = self.tick
        elif not select:
            self.anchor = None
        if steps < 0 and self.tick == span.tick and self.layout.index_at(self.tick):
            span = self.layout.spans[self.layout.index_at(self.tick) - 1]
        unit = self.unit(span)
        inside = (self.tick - span.tick) // unit * unit
        self.tick = max(0, min(self.layout.ticks - 1, span.tick + inside + steps * unit))
        landed = self.layout.spans[self.layout.index_at(self.tick)]
        unit = self.unit(landed)
        self.tick = landed.tick + (self.tick - landed.tick) // unit * unit

    @does("cursor_left")
    def cursor_left(self) -> None:
        """A bar, beat or sixteenth back."""
        self._by(-1, select=False)

    @does("cursor_right")
    def cursor_right(self) -> None:
        """A bar, beat or sixteenth on."""
        self._by(1, select=False)

    @does("select_left")
    def select_left(self) -> None:
        """Select back."""
        self._by(-1, select=True)

    @does("select_right")
    def select_right(self) -> None:
        """Select on."""
        self._by(1, select=True)

    @does("grid")
    def next_grid(self) -> None:
        """By bars, beats or sixteenths."""
        self.grid = GRIDS[(GRIDS.index(self.grid) + 1) % len(GRIDS)]
        self.session.say("info", f"The cursor goes by {self.grid}s.")

    def _device(self, by: int) -> None:
        ids = [d.id for d in self.devices]
        if ids:
            at = ids.index(self.device_id) if self.device_id in ids else 0
            self.device_id = ids[max(0, min(len(ids) - 1, at + by))]
            self.voice_id = ""

    @does("device_before")
    def device_before(self) -> None:
        """The device above."""
        self._device(-1)

    @does("device_after")
    def device_after(self) -> None:
        """The device below."""
        self._device(1)

    @does("voice")
    def voice(self) -> None:
        """Its next voice, or all of it."""
        span, device = self.span, self.device
        if span is None or device is None:
            return
        chain = set(span.scene.part(device.id).chain)
        voices = [
            v.id for p in self.project.patterns if p.id in chain for v in sounding(p, device).voices
        ]
        ids = ["", *dict.fromkeys(voices)]
        at = ids.index(self.voice_id) if self.voice_id in ids else 0
        self.voice_id = ids[(at + 1) % len(ids)]

    # Edits

    @does("more")
    def more(self) -> None:
        """One more pass."""
        at = self.index
        self.change("More passes", lambda s: edit.set_times(s, at, s.sections[at].times + 1))

    @does("fewer")
    def fewer(self) -> None:
        """One pass fewer."""
        at = self.index
        self.change("Fewer passes", lambda s: edit.set_times(s, at, s.sections[at].times - 1))

    def _move(self, by: int) -> None:
        at = self.index
        section = self.span.section.id if self.span is not None else ""
        self.change("Move a section", lambda s: edit.move_section(s, at, by))
        self.go_to_section(section)

    @does("move_left")
    def move_left(self) -> None:
        """One place earlier."""
        self._move(-1)

    @does("move_right")
    def move_right(self) -> None:
        """One place later."""
        self._move(1)

    @does("copy_section")
    def copy_section(self) -> None:
        """Another like it after it."""
        at = self.index
        self.change("Copy a section", lambda s: edit.duplicate_section(s, at))

    @does("remove_section")
    def remove_section(self) -> None:
        """Remove it; the one that takes its place is in hand then."""
        at = self.index
        self.change("Remove a section", lambda s: edit.remove_section(s, at))
        spans = self.layout.spans
        self.tick = spans[min(at, len(spans) - 1)].tick

    @does("insert_section")
    def insert_section(self) -> None:
        """A section of the next scene after it."""
        scenes = self.project.scenes
        if not scenes:
            raise EditError("there are no scenes yet: make one in Scenes")
        at = -1 if self.span is None else self.index
        ids = [s.id for s in scenes]
        here = "" if self.span is None else self.span.scene.id
        scene = scenes[(ids.index(here) + 1) % len(ids) if here in ids else 0]
        self.change("New section", lambda s: edit.insert_section(s, at + 1, scene.id, scene.times))
        song = self.session.song
        if song is not None:
            self.go_to_section(song.sections[at + 1].id)

    def _scene(self, by: int) -> None:
        span, ids = self.span, [s.id for s in self.project.scenes]
        if span is not None and span.scene.id in ids:
            scene = ids[(ids.index(span.scene.id) + by) % len(ids)]
            section = span.section.id
            self.change(
                "Scene", lambda s: edit.with_section(s, section, scene=scene), "section-scene"
            )
            self.go_to_section(section)

    @does("scene_after")
    def scene_after(self) -> None:
        """The next scene here."""
        self._scene(1)

    @does("scene_before")
    def scene_before(self) -> None:
        """The scene before here."""
        self._scene(-1)

    @does("then")
    def then(self) -> None:
        """What follows: next, back to the first section, back where it came from, itself."""
        span, song = self.span, self.session.song
        if span is None or song is None:
            return
        kinds: tuple[Literal["next", "jump", "back", "stay"], ...] = (
            "next", "jump", "back", "stay",
        )  # fmt: skip
        kind = kinds[(kinds.index(span.section.then.kind) + 1) % len(kinds)]
        then = Then(kind=kind, to=song.sections[0].id if kind == "jump" else "")
        self.change("What follows", lambda s: edit.with_section(s, span.section.id, then=then))

    @does("mute")
    def mute(self) -> None:
        """Silent over what is selected, or not."""
        device, (first, last) = self.device, self.selection
        if device is None:
            raise EditError("there is no device to mute")
        layout, voice = self.layout, self.voice_id
        if edit.is_silenced(layout, device.id, voice, first):
            made = edit.unsilence(layout, device.id, voice, first, last)
        else:
            made = edit.silence(layout, device.id, voice, first, last)
        self.change("Mute region", lambda _: made)

    @does("fill")
    def fill(self) -> None:
        """A fill over what is selected, or none."""
        first, last = self.selection
        made = edit.fill_over(self.layout, first, last)
        self.change("Fill", lambda _: made)

    @does("marker")
    def marker(self) -> None:
        """A marker here, or away with it."""
        layout, span = self.layout, self.span
        assert span is not None
        at = (self.tick - span.tick) // SIXTEENTH_TICKS
        there = any(m.at == at for m in span.section.markers)
        made = edit.put_marker(
            layout, self.tick, "" if there else f"Bar {layout.bar_at(self.tick)}"
        )
        self.change("Marker", lambda _: made)

    @does("controller")
    def next_controller(self) -> None:
        """The next controller of the device, for its curve."""
        device = self.device
        if device is None:
            return
        known = [c.number for c in device.spec.controllers] or [CUTOFF]
        after = [n for n in known if n > self.controller]
        self.controller = after[0] if after else known[0]

    def _value(self, by: int) -> None:
        span, curve = self.span, self.curve
        if span is None or self.device is None:
            return
        here = FIRST_VALUE if curve is None else curve_value(curve, self.tick - span.tick) + by
        made = edit.put_curve_point(self.layout, self.device_id, self.controller, self.tick, here)
        self.change("Controller curve", lambda _: made, "curve")

    @does("value_up")
    def value_up(self) -> None:
        """The curve higher here."""
        self._value(VALUE_STEP)

    @does("value_down")
    def value_down(self) -> None:
        """The curve lower here."""
        self._value(-VALUE_STEP)

    @does("no_value")
    def no_value(self) -> None:
        """The curve's point here away."""
        made = edit.put_curve_point(self.layout, self.device_id, self.controller, self.tick, None)
        self.change("Controller curve", lambda _: made)

    @does("loop")
    def loop(self) -> None:
        """What is selected over and over, or on as written."""
        status = self.session.status
        first, last = self.selection
        if status is not None and status.loop is not None:
            first = last = 0
        self.session.performer.loop_over(first, last)

    @does("jump")
    def jump(self) -> None:
        """To the cursor, on the next bar."""
        self.session.performer.jump()

    def _form(self, number: int) -> None:
        form = FORMS[number]
        base = self.session.song
        name = form.words if base is None else f"{base.name}, {form.words.lower()}"
        made = song_of_form(self.project, form, name[:80], self.session.position.written_bpm)
        self.session.store.apply("Song of a form", lambda p: add_song(p, made))
        self.session.choose_song(made.id)
        self.tick = 0

    @does("form_verse")
    def form_verse(self) -> None:
        """A song of verses and hooks out of the scenes."""
        self._form(0)

    @does("form_drop")
    def form_drop(self) -> None:
        """A song of builds and drops out of the scenes."""
        self._form(1)

    # Programmes

    @does("box_song")
    def box_song(self) -> None:
        """The device's own song memory plays its part, or Grebe tells it live."""
        device, song = self.device, self.session.song
        if device is None or song is None:
            return
        if device.plays == "grebe":
            raise EditError(f"Grebe plays {device.name} note by note; W in the Rig changes that")
        rest = tuple(b for b in song.box_songs if b.device != device.id)
        if len(rest) == len(song.box_songs):
            number = [s.id for s in self.project.songs].index(song.id)
            rest = (*rest, BoxSong(device=device.id, number=min(127, number)))
        self.change("Song in the box", lambda s: msgspec.structs.replace(s, box_songs=rest))

    @does("reorder")
    def reorder(self) -> None:
        """The device's patterns in the order its chains need."""
        found = next((p for p in self.book.programmes() if p.device.id == self.device_id), None)
        if found is None or found.order is None or not found.order.places:
            raise EditError("there is no other order of its memory that would help")
        places = found.order.places

        def change(project: Project) -> Project:
            for pattern, place in places.items():
                project = assign(project, pattern, place)
            return project

        self.session.store.apply("Patterns in another order", change)

    def printed(self, devices: list[str]) -> None:
        """Remember the programming sheets of these devices as printed now."""
        song = self.session.song
        if song is None:
            return
        made = tuple(
            Printed(song=song.id, device=p.device.id, lines=p.lines)
            for p in self.book.programmes()
            if p.device.id in devices
        )

        def change(project: Project) -> Project:
            kept = tuple(p for p in project.printed if p.song != song.id or p.device not in devices)
            return msgspec.structs.replace(project, printed=(*kept, *made))

        self.session.store.apply("Sheet printed", change)
