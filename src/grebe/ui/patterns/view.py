"""The Patterns station."""

from __future__ import annotations

from collections.abc import Callable
from fractions import Fraction
from pathlib import Path

import msgspec
from PyQt6.QtWidgets import QFileDialog

from grebe.app.session import Session
from grebe.core.document import Project, mark_in_box, with_content
from grebe.core.patterns.edit import (
    put_hit,
    remove_hit,
    set_length,
    set_velocity,
    transpose_hit,
    with_voice,
)
from grebe.core.patterns.model import Hit, Pattern, Voice
from grebe.core.patterns.sound import density, realigned_after
from grebe.core.patterns.wire import burst_ms, busiest_step
from grebe.core.rig.model import Device
from grebe.core.songs.chain import place_in_chain
from grebe.errors import GrebeError
from grebe.formats.smf import read_pattern
from grebe.ui.patterns.canvas import PatternCanvas
from grebe.ui.patterns.strip import PatternStrip
from grebe.ui.sheet import Facts, Line, Tone, big, head, note
from grebe.ui.view import Sheet, View
from grebe.ui.words import beats_text, counted

VELOCITY_STEP = 8
NEW_VELOCITY = 100


class PatternsView(View):
    """Stems on waterlines, and what there is to know about the pattern."""

    scope = "patterns"
    number = 3

    def __init__(self, session: Session) -> None:
        super().__init__(session)
        patterns = session.project.patterns
        self.pattern_id = patterns[0].id if patterns else ""
        self.pattern_canvas = PatternCanvas(session)
        self.strip = PatternStrip(session)
        self.strip.chosen.connect(self.choose)
        self.sheet = Sheet()
        self.facts = Facts()
        self.sheet.column.addWidget(self.facts, 1)
        self.lay_out(self.pattern_canvas, self.sheet, above=self.strip)
        self.box_pill = self.add_pill("In the box now", "in_box", primary=True)
        self.add_pill("Import", "import_loop")
        canvas = self.pattern_canvas
        canvas.hit_written.connect(self._write)
        canvas.hit_removed.connect(self._remove)
        canvas.length_dragged.connect(self._set_length)
        canvas.cursor_moved.connect(self._set_cursor)
        canvas.drag_ended.connect(session.store.end_merge)
        self.document_changed()

    # Showing

    @property
    def pattern(self) -> Pattern | None:
        """The pattern in hand."""
        patterns = self.session.project.patterns
        return next((p for p in patterns if p.id == self.pattern_id), None)

    def device(self) -> Device | None:
        """The device it belongs to."""
        pattern = self.pattern
        devices = self.session.project.rig.devices
        return next((d for d in devices if pattern and d.id == pattern.device), None)

    def choose(self, pattern_id: str) -> None:
        """Take another pattern in hand."""
        self.pattern_id = pattern_id
        self.document_changed()

    def document_changed(self) -> None:
        """Show the pattern as it is now."""
        if self.pattern is None:
            patterns = self.session.project.patterns
            self.pattern_id = patterns[0].id if patterns else ""
        pattern, device = self.pattern, self.device()
        canvas = self.pattern_canvas
        canvas.pattern = pattern
        voices = {v.id: v for v in canvas.content.voices}
        voice = voices.get(canvas.place[0])
        if voice is None:
            canvas.place = (next(iter(voices), ""), 0)
        elif canvas.place[1] >= voice.length:
            canvas.place = (voice.id, voice.length - 1)
        canvas.refresh()
        self.strip.current = self.pattern_id
        self.strip.arrange()
        own = device is not None and device.plays == "own"
        self.box_pill.setVisible(own and pattern is not None and pattern.box_status != "in the box")
        self._say_heading(pattern, device)
        self.facts.show_lines(self._lines(pattern, device))

    def _say_heading(self, pattern: Pattern | None, device: Device | None) -> None:
        if pattern is None:
            self.heading.say("No patterns yet", "Ctrl+I imports a MIDI file as one.")
            return
        words = []
        if device is not None:
            words.append(f"{device.name} {device.label}".strip())
            if pattern.program is not None and device.plays == "own":
                printed = pattern.program + device.program_printed_from
                words.append(f"its pattern {printed}, sent as program {pattern.program}")
        words.append(f"{counted(pattern.content.length, 'step')} of {pattern.content.rate}")
        if device is not None:
            words.append(
                f"{device.name} plays it: {pattern.box_status}"
                if device.plays == "own"
                else "played by Grebe"
            )
        self.heading.say(pattern.name, "   ".join(words))

    def _lines(self, pattern: Pattern | None, device: Device | None) -> list[Line]:
        if pattern is None:
            return []
        content, song = pattern.content, self.session.song
        bpm = song.bpm if song else 120.0
        together = realigned_after(content)
        lengths = " \u00b7 ".join(str(n) for n in dict.fromkeys(v.length for v in content.voices))
        alone = len({v.ticks for v in content.voices}) <= 1
        lines = [
            head("Lines up again"),
            big(beats_text(together, Fraction(4)), "ink" if alone else "yours"),
            note(f"lengths {lengths}"),
            note(f"{float(together) * 60 / bpm:.1f} s at {bpm:g} BPM"),
            Line("", kind="gap"),
            head("MIDI wire"),
        ]  # fmt: skip
        step, notes = busiest_step(content)
        if notes:
            late = burst_ms(notes)[1]
            lines.append(
                note(f"busiest at step {step + 1}: {counted(notes, 'note')}, "
                     f"the last lands {late:.1f} ms after the first begins")
            )  # fmt: skip
        lines += [note(f"{density(content):.1f} hits a beat"), Line("", kind="gap")]
        if device is not None and device.plays == "own":
            tone: Tone = "good" if pattern.box_status == "in the box" else "look"
            lines += [head("Memory of the box"), note(pattern.box_status.capitalize(), tone)]
            if pattern.box_status != "in the box":
                lines.append(note(f"{device.name} plays its own copy until you key this in and "
                                  "press B. A stand-in takes it over by itself."))  # fmt: skip
            lines.append(Line("", kind="gap"))
        scenes = [
            s.name
            for s in self.session.project.scenes
            if any(pattern.id in part.chain for part in s.parts)
        ]
        lines += [head("Used in"), note(", ".join(scenes) or "no scene yet")]
        return lines

    def moved(self) -> None:
        """Move the playhead."""
        self.pattern_canvas.phase = self._phase()
        self.pattern_canvas.move_playhead()

    def _phase(self) -> float | None:
        session, pattern = self.session, self.pattern
        status, layout = session.status, session.layout()
        if not session.running or status is None or layout is None or pattern is None:
            return None
        span = layout.span_of(status.section)
        if span is None:
            return None
        chain = span.scene.part(pattern.device).chain
        contents = {p.id: p.content for p in session.project.patterns}
        lengths = [(p, contents[p].ticks) for p in chain if p in contents]
        place = place_in_chain(lengths, session.tick_now() - status.section_tick)
        return None if place is None or place[0] != pattern.id else place[1]

    # Edits

    def _edit(self, name: str, edit: Callable[[Voice], Voice], voice: str, merge: str = "") -> None:
        pattern = self.pattern
        if pattern is None:
            return
        self.session.store.apply(
            name,
            lambda project: with_content(
                project, pattern.id, lambda content: with_voice(content, voice, edit)
            ),
            merge=merge,
        )

    def _write(self, voice: str, step: int, velocity: int) -> None:
        def edit(old: Voice) -> Voice:
            hit = old.hit_at(step) or Hit(step=step)
            return put_hit(old, msgspec.structs.replace(hit, velocity=velocity))

        self._edit("Write a hit", edit, voice, merge=f"{self.pattern_id}-{voice}-{step}")

    def _remove(self, voice: str, step: int) -> None:
        self._edit("Remove a hit", lambda old: remove_hit(old, step), voice)

    def _set_length(self, voice: str, length: int) -> None:
        self._edit("Voice length", lambda old: set_length(old, length), voice,
                   merge=f"{self.pattern_id}-{voice}-length")  # fmt: skip

    def _set_cursor(self, voice: str, step: int) -> None:
        self.pattern_canvas.place = (voice, step)
        self.pattern_canvas.refresh()

    def _voice(self) -> Voice | None:
        voices = self.pattern_canvas.content.voices
        return next((v for v in voices if v.id == self.pattern_canvas.place[0]), None)

    def _go(self, pattern_step: int) -> None:
        ids = [p.id for p in self.session.project.patterns]
        if ids:
            self.choose(ids[(ids.index(self.pattern_id) + pattern_step) % len(ids)])

    def do_pattern_before(self) -> None:
        """The pattern before."""
        self._go(-1)

    def do_pattern_after(self) -> None:
        """The pattern after."""
        self._go(1)

    def do_step_left(self) -> None:
        """Cursor left, round the end."""
        self._move_cursor(-1, 0)

    def do_step_right(self) -> None:
        """Cursor right, round the end."""
        self._move_cursor(1, 0)

    def do_voice_up(self) -> None:
        """Cursor to the voice above."""
        self._move_cursor(0, -1)

    def do_voice_down(self) -> None:
        """Cursor to the voice below."""
        self._move_cursor(0, 1)

    def _move_cursor(self, steps: int, rows: int) -> None:
        voices = self.pattern_canvas.content.voices
        voice = self._voice()
        if voice is None:
            return
        other = voices[min(len(voices) - 1, max(0, voices.index(voice) + rows))]
        step = (self.pattern_canvas.place[1] + steps) % voice.length
        self._set_cursor(other.id, min(step, other.length - 1))

    def do_toggle(self) -> None:
        """Write a hit under the cursor, or remove the one there."""
        voice, step = self._voice(), self.pattern_canvas.place[1]
        if voice is None:
            return
        self.session.store.end_merge()
        if voice.hit_at(step) is None:
            self._write(voice.id, step, NEW_VELOCITY)
        else:
            self._remove(voice.id, step)

    def do_remove(self) -> None:
        """Remove the hit under the cursor."""
        self._remove(*self.pattern_canvas.place)

    def _change_velocity(self, by: int) -> None:
        voice, step = self.pattern_canvas.place

        def edit(old: Voice) -> Voice:
            hit = old.hit_at(step)
            return set_velocity(old, step, (hit.velocity if hit else 0) + by)

        self._edit("Velocity", edit, voice, merge=f"{self.pattern_id}-{voice}-{step}-velocity")

    def do_louder(self) -> None:
        """Velocity up."""
        self._change_velocity(VELOCITY_STEP)

    def do_softer(self) -> None:
        """Velocity down."""
        self._change_velocity(-VELOCITY_STEP)

    def do_pitch_up(self) -> None:
        """Pitch up a semitone."""
        self._transpose(1)

    def do_pitch_down(self) -> None:
        """Pitch down a semitone."""
        self._transpose(-1)

    def _transpose(self, by: int) -> None:
        voice, step = self.pattern_canvas.place
        self._edit("Pitch", lambda old: transpose_hit(old, step, by), voice,
                   merge=f"{self.pattern_id}-{voice}-{step}-pitch")  # fmt: skip

    def do_longer(self) -> None:
        """The voice a step longer."""
        self._change_length(1)

    def do_shorter(self) -> None:
        """The voice a step shorter."""
        self._change_length(-1)

    def _change_length(self, by: int) -> None:
        voice = self._voice()
        if voice is not None:
            self._edit("Voice length", lambda old: set_length(old, old.length + by), voice.id)

    def do_in_box(self) -> None:
        """The box now holds the pattern as it is drawn."""
        pattern = self.pattern
        if pattern is not None:
            self.session.store.apply(
                f"{pattern.name} is in the box", lambda project: mark_in_box(project, pattern.id)
            )

    def do_import_loop(self) -> None:
        """Import a MIDI file as a pattern of the device in hand."""
        path, _ = QFileDialog.getOpenFileName(
            self, "Import a MIDI file as a pattern", "", "MIDI files (*.mid *.midi)"
        )
        if path:
            self.import_file(Path(path))

    def import_file(self, path: Path) -> None:
        """Import a MIDI file; what is wrong with it is said in the window."""
        device = self.device()
        if device is None:
            self.session.say("warn", "Add a device first: a pattern belongs to one.")
            return
        taken = {p.id for p in self.session.project.patterns}
        new_id = next(f"i{n}" for n in range(1, len(taken) + 2) if f"i{n}" not in taken)
        try:
            pattern = read_pattern(path, device.id, new_id)
        except GrebeError as error:
            self.session.say("error", str(error))
            return

        def add(project: Project) -> Project:
            return msgspec.structs.replace(project, patterns=(*project.patterns, pattern))

        self.session.store.apply(f"Import {path.name}", add)
        self.choose(new_id)
