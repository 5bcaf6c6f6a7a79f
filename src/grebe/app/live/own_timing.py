"""Tap and look: how the performer's own hits and presses lie on the beat. Without Qt.

Pads and keys by MIDI, an instrument or a clap by its sound, the foot by what it was learnt for.
"""

from __future__ import annotations

from collections import deque
from typing import Literal

import msgspec

from grebe.app.document.store import Store
from grebe.app.live.hearing import Hearing
from grebe.app.live.position import Position
from grebe.core.document import with_rig
from grebe.core.sync.habit import Habit, habit
from grebe.core.time.ticks import SIXTEENTH_TICKS, TICKS_PER_QUARTER
from grebe.core.units import FootMs, held_in
from grebe.errors import EditError
from grebe.protocols.link.messages import Pressed, Status
from grebe.words import tr

Source = Literal["hands", "ones", "sound", "foot"]
WORDS: dict[Source, str] = {
    "hands": tr("Your hands, on pads or keys"),
    "ones": tr("Of these, on the one"),
    "sound": tr("What you play, by its sound"),
    "foot": tr("Your foot, on the one"),
}
KEPT = 128
NOTE_ON = 0x90
CLOSES = ("first_loop", "track")
"""Actions by which a foot begins and closes loops, by the beginning of their ids."""


class OwnTiming:
    """The last hits and presses, against the song that plays."""

    def __init__(self, store: Store, position: Position, hearing: Hearing) -> None:
        self._store, self._position, self._hearing = store, position, hearing
        self._late: dict[Source, deque[float]] = {}
        self._presses: deque[int] = deque(maxlen=KEPT)
        """Presses of a foot whose place is not known yet."""
        self._seen_ns = 0

    def forget(self) -> None:
        """Begin afresh."""
        self._late.clear()

    def habit(self, source: Source) -> Habit | None:
        """What is known; None before there are enough."""
        return habit(self._late.get(source, ()))

    def count(self, source: Source) -> int:
        """How many there are."""
        return len(self._late.get(source, ()))

    def pressed(self, message: Pressed) -> None:
        """Something that was learnt was pressed."""
        if message.down and message.action.startswith(CLOSES):
            self._presses.append(message.at_ns)

    def take(self, status: Status) -> None:
        """What was played in since."""
        bpm = status.bpm or 120.0
        a_ms = bpm / 60e3 * TICKS_PER_QUARTER
        for row in status.played:
            if row.tick is not None and row.status & 0xF0 == NOTE_ON and row.second:
                self._add("hands", row.tick, a_ms, SIXTEENTH_TICKS)
                bar = self._bar_ticks()
                if abs((row.tick + bar / 2) % bar - bar / 2) < TICKS_PER_QUARTER / 4:
                    self._add("ones", row.tick, a_ms, bar)
        while self._presses and self._presses[0] <= self._position.known_until_ns:
            place = self._position.place_at(self._presses.popleft())
            if place is not None:
                self._add("foot", place.tick, place.ticks_a_ms, self._bar_ticks())
        self._by_sound()

    def _by_sound(self) -> None:
        """Boxes that play in and whose sound is heard: what a performer plays on them."""
        own = {d.id for d in self._store.project.rig.devices if d.kind == "controller"}
        newest = self._seen_ns
        for box in own & set(self._hearing.by_ear):
            for hit in self._hearing.by_ear[box]:
                if hit.at_ns > self._seen_ns:
                    self._late.setdefault("sound", deque(maxlen=KEPT)).append(hit.late_ms)
                    newest = max(newest, hit.at_ns)
        self._seen_ns = newest

    def _add(self, source: Source, tick: float, ticks_a_ms: float, unit: int) -> None:
        late = (tick + unit / 2) % unit - unit / 2
        self._late.setdefault(source, deque(maxlen=KEPT)).append(late / ticks_a_ms)

    def _bar_ticks(self) -> int:
        playing = self._position.playing
        return 4 * TICKS_PER_QUARTER if playing is None else playing.scene.meter.bar_ticks

    def take_habit(self) -> str:
        """Take the foot's habit off when it closes loops, as an edit of the rig; what was done, in
        words. EditError where it has none that is sure."""
        found = self.habit("foot")
        if found is None:
            raise EditError(
                tr("the foot has to be pressed on the one {count} times first: it was {done}",
                   count=8, done=self.count("foot"))
            )  # fmt: skip
        if not found.sure:
            raise EditError(tr("the foot has no habit that is sure: it is as often early as late"))
        ms = round(held_in(FootMs, found.late_ms), 1)
        self._store.apply(
            tr("Habit of the foot"),
            lambda project: with_rig(project, msgspec.structs.replace(project.rig, foot_ms=ms)),
        )
        return tr("{ms:+.1f} ms are taken off when a foot closes a first loop.", ms=-ms)
