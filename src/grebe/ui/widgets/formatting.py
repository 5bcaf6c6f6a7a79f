"""Numbers as words and figures, the same in every view."""

from __future__ import annotations

from fractions import Fraction

from grebe.words import counted, tr

NOTE_NAMES = ("C", "C#", "D", "D#", "E", "F", "F#", "G", "G#", "A", "A#", "B")


def length_text(seconds: float) -> str:
    """A length in words: 3 min 33 s."""
    whole = round(seconds)
    minutes, rest = divmod(whole, 60)
    return tr("{minutes} min {rest} s", minutes=minutes, rest=rest) if minutes else f"{rest} s"


def seconds_text(seconds: float) -> str:
    """A short time: 6.7 s."""
    return f"{max(0.0, seconds):.1f} s"


def late_text(ms: float) -> str:
    """A deviation in words: 3.1 ms late."""
    return tr("{value:.1f} ms {what}", value=abs(ms), what=tr("late") if ms >= 0 else tr("early"))


def beats_text(beats: Fraction, bar_beats: Fraction) -> str:
    """Bars where it comes out even, otherwise quarter notes."""
    bars = beats / bar_beats
    if bars.denominator == 1:
        return counted(int(bars), "bar")
    return tr("{float:g} quarter notes", float=float(beats))


def note_name(note: int) -> str:
    """A pitch with its octave, middle C (60) as C4."""
    return f"{NOTE_NAMES[note % 12]}{note // 12 - 1}"
