"""Which notes sound at the far end of a wire, by what was sent down it."""

from __future__ import annotations

from grebe.protocols.midi.messages import (
    ALL_NOTES_OFF,
    ALL_SOUND_OFF,
    CONTROL_CHANGE,
    NOTE_OFF,
    NOTE_ON,
)

_ALL_OFF = (ALL_NOTES_OFF, ALL_SOUND_OFF)
_USUAL_VELOCITY = 64
"""Of a note off that nobody played (MIDI 1.0)."""


class Sounding:
    """Notes that were begun and not ended."""

    def __init__(self) -> None:
        self._notes: set[int] = set()
        """Channel (0 to 15) * 128 + note."""

    def took(self, data: bytes) -> None:
        """A whole message was sent."""
        kind = data[0] & 0xF0
        if kind in (NOTE_ON, NOTE_OFF):
            key = (data[0] & 0xF) << 7 | data[1]
            if kind == NOTE_ON and data[2]:
                self._notes.add(key)
            else:
                self._notes.discard(key)
        elif kind == CONTROL_CHANGE and data[1] in _ALL_OFF:
            channel = data[0] & 0xF
            self._notes = {key for key in self._notes if key >> 7 != channel}

    def ends(self) -> list[bytes]:
        """A note off for each; they count as sent when they are."""
        return [
            bytes((NOTE_OFF | key >> 7, key & 0x7F, _USUAL_VELOCITY)) for key in sorted(self._notes)
        ]
