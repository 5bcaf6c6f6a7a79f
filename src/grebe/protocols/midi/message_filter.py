"""Letting MIDI messages through a filter, to another channel, to other notes."""

from __future__ import annotations

from grebe.core.rig.model import Filter
from grebe.core.rig.passage import NOT_SENT, Passage
from grebe.protocols.midi import messages as midi

POLY_PRESSURE = 0xA0
CHANNEL_MODE = 120
"""Controllers from here on are channel mode messages: all notes off must never be kept back."""


def lets(end: Filter, data: bytes) -> bool:
    """Whether a filter lets one whole message through. System exclusive always passes."""
    status = data[0]
    if status >= midi.SYSEX:
        if status == midi.TIMING_CLOCK:
            return end.clock
        if status in (midi.START, midi.CONTINUE, midi.STOP, midi.SONG_POSITION):
            return end.transport
        return True
    kind = status & 0xF0
    if kind in (midi.NOTE_OFF, midi.NOTE_ON, POLY_PRESSURE):
        return end.notes
    if kind == midi.PROGRAM_CHANGE:
        return end.program
    if kind == midi.CONTROL_CHANGE:
        return data[1] >= CHANNEL_MODE or end.passes_controller(data[1])
    return end.controllers  # channel pressure, pitch bend


class MessageFilter:
    """One passage at work. Remembers what it let on, so that each note ends as it began."""

    def __init__(self, passage: Passage) -> None:
        self.passage = passage
        self._held: dict[int, bytes] = {}
        """channel*128+note as it came in, to the end of the note it became."""

    def __call__(self, data: bytes) -> bytes | None:
        """What a message becomes; None when it is kept back. System exclusive is."""
        status, passage = data[0], self.passage
        kind = status & 0xF0
        if kind in (midi.NOTE_ON, midi.NOTE_OFF):
            return self._note(data, on=kind == midi.NOTE_ON and data[2] > 0)
        if status == midi.SYSEX or not lets(passage.passes, data):
            return None
        if status >= midi.SYSEX:
            return data
        if kind == POLY_PRESSURE and passage.notes:
            note = passage.notes[data[1]]
            if note == NOT_SENT:
                return None
            data = bytes((status, note, data[2]))
        if passage.channel is None:
            return data
        return bytes((kind | passage.channel - 1,)) + data[1:]

    def _note(self, data: bytes, *, on: bool) -> bytes | None:
        key = (data[0] & 0xF) << 7 | data[1]
        if not on:  # also after the route was closed or mapped otherwise meanwhile
            return self._held.pop(key, None)
        passage = self.passage
        if not passage.passes.notes:
            return None
        note = passage.notes[data[1]] if passage.notes else data[1]
        if note == NOT_SENT:
            return None
        channel = data[0] & 0xF if passage.channel is None else passage.channel - 1
        self._held[key] = bytes((midi.NOTE_OFF | channel, note, 64))
        return bytes((midi.NOTE_ON | channel, note, data[2]))

    def change(self, passage: Passage) -> None:
        """The route is another; notes that sound end as they began."""
        self.passage = passage

    def release(self) -> list[bytes]:
        """The ends of all notes that sound."""
        held, self._held = self._held, {}  # a callback may be adding to it
        return list(held.values())
