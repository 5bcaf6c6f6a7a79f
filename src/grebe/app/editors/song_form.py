"""A place in a song in hand and its settings as text: what the form shows. Without Qt."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any, Literal

import msgspec

from grebe.app.actions.keymap import told
from grebe.app.editors.song_model import SongModel
from grebe.app.live.session import Session
from grebe.core.document import Project, with_song
from grebe.core.forms import meant, told_apart
from grebe.core.player.marks import curve_value
from grebe.core.rig.model import Device
from grebe.core.songs import edit
from grebe.core.songs.layout import Layout, SectionSpan
from grebe.core.songs.model import Curve, Section, Song, Then
from grebe.core.time.ticks import SIXTEENTH_TICKS
from grebe.core.typed import typed_in, typed_number
from grebe.core.units import Controller, held_in
from grebe.errors import EditError
from grebe.words import tr

CUTOFF = 74
"""A filter's cutoff by MIDI's own list of controllers (sound controller 5, from memory)."""


class SongHand:
    """The place in hand and its settings as text.

    The cursor is a place in the song as written and a device, or one voice of it.
    """

    def __init__(self, session: Session) -> None:
        self.session = session
        self.book = SongModel(session)
        self.tick = 0
        self.anchor: int | None = None
        """Where selecting began; None while nothing is selected."""
        self.grid: Literal["bar", "beat", "sixteenth"] = "bar"
        self.device_id = ""
        self.voice_id = ""
        """"" is the whole device."""
        self.controller = CUTOFF
        """Whose curve is written."""

    # What there is

    @property
    def project(self) -> Project:
        """The document."""
        return self.session.project

    @property
    def layout(self) -> Layout:
        """The song laid out. EditError where there is none."""
        layout = self.session.derived.layout()
        if layout is None or not layout.spans:
            raise EditError(tr("there is no song that can be laid out"))
        return layout

    @property
    def devices(self) -> tuple[Device, ...]:
        """The rows: devices that have patterns."""
        return self.book.devices()

    @property
    def device(self) -> Device | None:
        """The device in hand."""
        return next((d for d in self.devices if d.id == self.device_id), None)

    @property
    def span(self) -> SectionSpan | None:
        """The section under the cursor."""
        layout = self.session.derived.layout()
        if layout is None or not layout.spans:
            return None
        return layout.spans[layout.index_at(self.tick)]

    @property
    def index(self) -> int:
        """Number of that section in the song as written. EditError in a song without."""
        span, song = self.span, self.session.song
        if span is None or song is None:
            raise EditError(
                tr(
                    "the song has no section yet: {insert_section} adds one",
                    insert_section=told("insert_section"),
                )
            )
        return [s.id for s in song.sections].index(span.section.id)

    def unit(self, span: SectionSpan) -> int:
        """Ticks of a step of the cursor."""
        meter = span.scene.meter
        return {"bar": meter.bar_ticks, "beat": meter.beat_ticks,
                "sixteenth": SIXTEENTH_TICKS}[self.grid]  # fmt: skip

    @property
    def selection(self) -> tuple[int, int]:
        """First and last tick of what is selected: at least the step under the cursor."""
        span = self.span
        if span is None:
            return 0, 0
        if self.anchor is None or self.anchor == self.tick:
            return self.tick, min(span.end, self.tick + self.unit(span))
        first, last = sorted((self.anchor, self.tick))
        there = self.layout.spans[self.layout.index_at(last)]
        return first, min(there.end, last + self.unit(there))

    @property
    def curve(self) -> Curve | None:
        """The curve of the controller in hand in this section."""
        span = self.span
        for curve in () if span is None else span.section.curves:
            if (curve.device, curve.controller) == (self.device_id, self.controller):
                return curve
        return None

    def settle(self) -> None:
        """Hold on to something that is there, and tell the session where."""
        devices, span = self.devices, self.span
        if all(d.id != self.device_id for d in devices):
            self.device_id, self.voice_id = (devices[0].id if devices else ""), ""
        if span is None:
            self.tick, self.anchor = 0, None
            self.session.selection.section, self.session.selection.tick = "", None
            return
        self.tick = max(0, min(self.tick, self.layout.ticks - 1))
        self.session.selection.section = span.section.id
        self.session.selection.tick = self.tick if self.tick > span.tick else None

    def go_to_section(self, section_id: str) -> None:
        """To a section's first beat."""
        span = self.layout.span_of(section_id)
        if span is not None:
            self.tick, self.anchor = span.tick, None

    def change(self, name: str, change: Callable[[Song], Song], merge: str = "") -> None:
        """Edit the song in hand."""
        if self.session.song is None:
            raise EditError(tr("there is no song yet"))
        self.session.store.apply(
            name, lambda p: with_song(p, self.session.selection.song_id, change), merge=merge
        )

    # The form

    def field_text(self, owner: str, key: str) -> str | None:
        """A setting as text; None while there is no such thing in hand."""
        span, song = self.span, self.session.song
        if owner == "song":
            return None if song is None else f"{song.bpm:g}" if key == "bpm" else song.name
        if span is None:
            return None
        if owner == "section":
            return self._section_text(span, key)
        at = (self.tick - span.tick) // SIXTEENTH_TICKS
        if key == "marker":
            return next((m.name for m in span.section.markers if m.at == at), "")
        if key == "controller":
            return str(self.controller)
        if key == "value":
            curve = self.curve
            return "" if curve is None else str(curve_value(curve, self.tick - span.tick))
        bpm, ramp = self._tempo_here(span, at)
        return tr("carries on") if bpm is None else f"{bpm:g}" if key == "bpm" else str(ramp)

    def _section_text(self, span: SectionSpan, key: str) -> str:
        section, song = span.section, self.session.song
        if key == "scene":
            return self._scene_names().get(span.section.scene, span.scene.name)
        if key == "to":
            ids = [s.id for s in song.sections] if song is not None else []
            return str(ids.index(section.then.to) + 1) if section.then.to in ids else tr("none")
        if key in ("kind", "jumps"):
            return str(getattr(section.then, key))
        return str(section.times)

    def _tempo_here(self, span: SectionSpan, at: int) -> tuple[float | None, int]:
        """Tempo change at a sixteenth of a section, and over how many bars."""
        if at == 0:
            return span.section.bpm, span.section.ramp_bars
        bar = span.scene.meter.bar_ticks // SIXTEENTH_TICKS
        for mark in span.section.tempi:
            if mark.at == at:
                return mark.bpm, mark.ramp // max(1, bar)
        return None, 0

    def field_choices(self, owner: str, key: str) -> tuple[str, ...]:
        """Choices that depend on the document."""
        if (owner, key) == ("section", "scene"):
            return tuple(self._scene_names().values())
        return ()

    def _scene_names(self) -> dict[str, str]:
        return told_apart((s.id, s.name) for s in self.project.scenes)

    def set_field(self, owner: str, key: str, text: str) -> None:
        """Take a setting from text. EditError says what it may be."""
        words, span = text.strip(), self.span
        name = tr("Set {key}", key=key)
        if owner == "song":
            if key == "bpm":
                bpm = typed_number(words)
                self.change(name, lambda s: edit.set_tempo(s, bpm))
            elif words:
                self.change(name, lambda s: msgspec.structs.replace(s, name=words[:80]))
        elif span is None:
            raise EditError(tr("there is no section here"))
        elif owner == "section":
            fields = self._section_fields(span, key, words)
            self.change(name, lambda s: edit.with_section(s, span.section.id, **fields))
        elif key == "controller":
            self.controller = held_in(Controller, int(typed_number(words)))
        else:
            made = self._placed(span, key, words)
            self.change(name, lambda _: made)

    def _section_fields(self, span: SectionSpan, key: str, words: str) -> dict[str, Any]:
        song, then = self.session.song, span.section.then
        assert song is not None
        if key == "scene":
            return {"scene": meant(self._scene_names(), words, "scene")}
        if key == "times":
            return {"times": typed_in(Section, "times", words)}
        if key == "kind":
            return {"then": msgspec.structs.replace(then, kind=words)}
        words = "0" if words in ("", "none", tr("none")) else words
        if key == "jumps":
            jumps = typed_in(Then, "jumps", words)
            return {"then": msgspec.structs.replace(then, jumps=jumps)}
        number = int(typed_number(words))
        if not 0 <= number <= len(song.sections):
            raise EditError(
                tr(
                    "the song has sections 1 to {count} (got {words})",
                    count=len(song.sections),
                    words=words,
                )
            )
        to = song.sections[number - 1].id if number else ""
        return {"then": msgspec.structs.replace(then, to=to)}

    def _placed(self, span: SectionSpan, key: str, words: str) -> Song:
        layout = self.layout
        if key == "marker":
            return edit.put_marker(layout, self.tick, words)
        if key == "value":
            value = int(typed_number(words)) if words else None
            return edit.put_curve_point(layout, self.device_id, self.controller, self.tick, value)
        bpm, ramp = self._tempo_here(span, (self.tick - span.tick) // SIXTEENTH_TICKS)
        if key == "bpm":
            bpm = None if words in ("", tr("carries on")) else typed_number(words)
        else:
            ramp = int(typed_number(words)) if words and words != tr("carries on") else 0
        return edit.put_tempo(layout, self.tick, bpm, max(0, ramp))
