"""What a MIDI cable takes to carry notes: 31 250 baud, 10 bits a byte (MIDI 1.0)."""

from __future__ import annotations

from collections import Counter

from grebe.core.patterns.model import Content
from grebe.core.patterns.passes import passes_of

BYTE_MS = 0.32


def burst_ms(notes: int, *, running_status: bool = False) -> tuple[float, float]:
    """Milliseconds from the start of the first byte to the end of the first and last note.

    A note message is three bytes; under running status all but the first are
    two. ValueError below one note.
    """
    if notes < 1:
        raise ValueError(f"a burst has at least one note (got {notes})")
    later = 2 if running_status else 3
    return 3 * BYTE_MS, (3 + later * (notes - 1)) * BYTE_MS


def busiest_step(content: Content) -> tuple[int, int]:
    """The step (of the pattern's count, from 0) where most notes begin together, and how many.

    Every hit that could be played is counted, in each voice's first pass.
    """
    begins = Counter(
        sound.tick for voice in content.voices for sound in passes_of(content, voice).sounds(0)
    )
    if not begins:
        return 0, 0
    tick, notes = max(begins.items(), key=lambda item: (item[1], -item[0]))
    return max(0, tick) // content.step_ticks, notes
