"""Notes and knobs played in, written into the pattern in hand."""

from __future__ import annotations

from typing import NamedTuple

from grebe.app.doing import does
from grebe.app.editors.pattern_hand import PatternHand
from grebe.app.live.played import PAUSE_NS, Knob, Remembered
from grebe.app.live.position import raw_now_ns
from grebe.core.beginning import first_pattern, voices_of
from grebe.core.patterns import edit
from grebe.core.patterns.model import ControlPoint, Hit, Voice
from grebe.core.rig.spec import PITCHED_KINDS
from grebe.core.songs.chain import ChainPlace
from grebe.core.time.ticks import TICKS_PER_QUARTER
from grebe.core.units import ShiftPermille, held_in
from grebe.words import tr

TAPPED = 100
"""Velocity of a voice that is played by its number."""
BEGUN = tr("taps that begin a pattern")


class Begun(NamedTuple):
    """A pattern that taps began: which, when the first fell, when the last."""

    pattern: str
    first_ns: int
    last_ns: int


class PatternWriter:
    """Writes what is played in, where it falls or at the cursor."""

    def __init__(self, hand: PatternHand) -> None:
        self.hand = hand
        self.live = False
        """Whether what is played in is written where it falls while the pattern plays."""
        self.snap = True
        """Whether it snaps to its step, or keeps its place."""
        self.stepping = False
        """Whether a note played in is written at the cursor, which then moves on."""
        self._begun: Begun | None = None

    @does("live")
    def toggle_live(self) -> None:
        """Write what is played in where it falls, pass after pass; or no longer."""
        self.live, self.stepping = not self.live, False
        words = tr("is written where it falls") if self.live else tr("is only remembered")
        self.hand.session.say("info", tr("What you play in {words}.", words=words))

    @does("snap")
    def toggle_snap(self) -> None:
        """Live notes snap to their step, or keep their place."""
        self.snap = not self.snap
        words = tr("snap to their step") if self.snap else tr("keep their place")
        self.hand.session.say("info", tr("Notes written live {words}.", words=words))

    @does("step_in")
    def step_in(self) -> None:
        """A note played in is written at the cursor, which moves on; or no longer."""
        self.stepping, self.live = not self.stepping, False
        words = tr("is written at the cursor") if self.stepping else tr("is only remembered")
        self.hand.session.say("info", tr("A note you play in {words}.", words=words))

    def audition(self, number: int) -> None:
        """Play the voice with this number, from 1, on its box now. The first one on a box without
        a pattern begins one, and what follows is written into it."""
        device = self.hand.device
        if device is None:
            return
        bare = self.hand.pattern is None
        voices = (voices_of(device) if bare else self.hand.content).voices
        if not 1 <= number <= len(voices):
            return
        voice = voices[number - 1]
        self.hand.session.hands.audition(device, voice.note, voice.channel)
        self._tapped(Remembered(device.id, voice.note, TAPPED, voice.channel or device.channel,
                                raw_now_ns(), None))  # fmt: skip

    def _tapped(self, note: Remembered) -> bool:
        """Tapped while nothing plays: into the pattern that taps began, or one begun by this one;
        whether it was written."""
        hand = self.hand
        if hand.session.running:
            self._begun = None
            return False
        device = hand.device
        if hand.pattern is None and device is not None and hand.bare:
            begun, new = first_pattern(hand.session.project, device)
            hand.session.store.apply(
                tr("Tap a pattern of {device}", device=device.name),
                lambda _: begun,
                merge=f"{new}-{BEGUN}",
            )
            hand.take(new)
            self._begun = Begun(new, note.at_ns, note.at_ns)
            hand.session.say(
                "info", tr("A pattern of {device}: tap on, it goes round.", device=device.name)
            )
        taps = self._begun
        if taps is None or taps.pattern != hand.pattern_id:
            return False
        if note.at_ns - taps.last_ns > PAUSE_NS:
            self._begun = None
            return False
        self._begun = taps._replace(last_ns=note.at_ns)
        song = hand.session.song
        quarters = (note.at_ns - taps.first_ns) / 60e9 * (song.bpm if song is not None else 120.0)
        steps = quarters * TICKS_PER_QUARTER / float(hand.content.step_ticks)
        self._write_note(note, round(steps) % hand.content.length, 0, merge=BEGUN)
        return True

    def hear(self) -> bool:
        """Write what was played in since this was called last; whether anything was."""
        fresh = self.hand.session.memory.take_fresh()
        if fresh and (self.hand.pattern is None or self._begun) and not self.hand.session.running:
            notes = [row for row in fresh if isinstance(row, Remembered)]
            written = [self._tapped(note) for note in notes]  # every one of them
            return any(written)
        if not fresh or self.hand.pattern is None or not (self.live or self.stepping):
            return False
        for row in fresh:
            if isinstance(row, Knob):
                self._hear_knob(row)
            elif self.stepping:
                self._write_note(row, self.hand.step, 0, merge="")
                if self.hand.row is not None:
                    self.hand.step = (self.hand.step + 1) % self.hand.row.length
            else:
                self._hear_note(row)
        return True

    def _hear_note(self, note: Remembered) -> None:
        place = self._place_of(note)
        if place is None:
            return
        row = self._row_for(note)
        step_ticks = float(self.hand.content.step_of(row) if row else self.hand.content.step_ticks)
        length = row.length if row is not None else self.hand.content.length
        exact = (place.pass_number * self.hand.content.ticks + place.into) / step_ticks
        number = round(exact)
        late = 0 if self.snap else round((exact - number) * 1000)
        self._write_note(note, number % length, late, merge=f"live-{place.pass_number}")

    def _place_of(self, played: Remembered | Knob) -> ChainPlace | None:
        """Where the pattern in hand was when something was played; None while it did not play."""
        if played.tick is None:
            return None
        return self.hand.session.position.pattern_place(self.hand.pattern_id, played.tick)

    def _row_for(self, note: Remembered) -> Voice | None:
        """The voice a note belongs to: the one on its note, or the melodic one in hand."""
        voices = self.hand.content.voices
        here = next((v for v in voices if v.note == note.note and v.id != "line"), None)
        melodic = self.hand.device is not None and self.hand.device.kind in PITCHED_KINDS
        return (self.hand.voice or (voices[0] if voices else None)) if melodic else here

    def _write_note(self, note: Remembered, step: int, late: int, merge: str) -> None:
        row = self._row_for(note)
        if row is None:
            known = (
                {v.note: v.name for v in self.hand.device.spec.voices} if self.hand.device else {}
            )
            name = known.get(note.note, tr("Note {note}", note=note.note))
            self.hand.change(
                tr("Played in"), lambda c: edit.add_voice(c, name, note.note), merge=merge
            )
            row = self.hand.content.voices[-1]
        pitched = note.note != row.note or any(h.note is not None for h in row.hits)
        hit = Hit(
            step=step % row.length,
            velocity=note.velocity,
            note=note.note if pitched else None,
            shift_permille=held_in(ShiftPermille, late),
        )
        self.hand.change_row(tr("Played in"), lambda v: edit.put_hit(v, hit), row.id, merge=merge)

    def _hear_knob(self, knob: Knob) -> None:
        """A knob turned while writing live: its value on the step it falls on."""
        place = self._place_of(knob)
        if place is None:
            return
        content = self.hand.content
        lane = next((x for x in content.lanes if x.controller == knob.controller), None)
        merge = f"live-{place.pass_number}"
        if lane is None:
            chart = (
                {r.number: r.name for r in self.hand.device.spec.controllers}
                if self.hand.device
                else {}
            )
            name = chart.get(knob.controller, "")
            self.hand.change(
                tr("Knob"), lambda c: edit.add_lane(c, name, knob.controller), merge=merge
            )
            lane = self.hand.content.lanes[-1]
        ticks = place.pass_number * content.ticks + place.into
        step = int(ticks / float(self.hand.content.step_of(lane))) % lane.length
        point = ControlPoint(step=step, value=knob.value)
        self.hand.change_row(tr("Knob"), lambda x: edit.put_point(x, point), lane.id, merge=merge)
