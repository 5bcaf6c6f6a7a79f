"""How the keys of two songs stand to each other, by the circle of fifths."""

from __future__ import annotations

from typing import NamedTuple

from grebe.core.patterns.keys import NAMES, SCALES, key_parts, pitch_classes
from grebe.words import tr

MOST_SHIFT = 6
_MINOR_THIRD = 3
CLASH = 3
"""From so many steps of the circle on keys share too few notes: common practice."""


class Relation(NamedTuple):
    """From one key to another."""

    words: str
    steps: int
    """Steps between their signatures on the circle of fifths, 0 to 6."""
    fits: bool
    """Same, relative, or neighbours on the circle: common practice."""
    shift: int
    """Semitones by which the second would have to go to be the same or relative; the fewest."""
    same_root: bool = False
    """On one root, in two modes."""


def signature(key: str) -> int:
    """Where a key stands on the circle of fifths, 0 (C major, A minor) to 11.

    The major scale it shares most notes with; of several the one its third says.
    ValueError for a key unknown.
    """
    tonic, scale = key_parts(key)
    classes = pitch_classes(key)
    usual = (tonic + 3 if is_minor(scale) else tonic) * 7 % 12

    def shared(fifths: int) -> tuple[int, bool]:
        major = {(fifths * 7 + step) % 12 for step in SCALES["major"]}
        return len(classes & major), fifths == usual

    return max(range(12), key=shared)


def is_minor(scale: tuple[int, ...]) -> bool:
    """Whether a scale has the minor third, and so counts as a minor one."""
    return _MINOR_THIRD in scale and _MINOR_THIRD + 1 not in scale


def relation(first: str, second: str) -> Relation | None:
    """How `second` stands to `first`; None where one of them is not known ("")."""
    if not first or not second:
        return None
    apart = (signature(second) - signature(first)) % 12
    steps = min(apart, 12 - apart)
    shift = _shift(apart)
    tonic_1, scale_1 = key_parts(first)
    tonic_2, scale_2 = key_parts(second)
    same_mode = is_minor(scale_1) == is_minor(scale_2)
    if tonic_1 == tonic_2 and same_mode:
        return Relation(tr("same key"), 0, fits=True, shift=0)
    if steps == 0:
        return Relation(tr("relative"), 0, fits=True, shift=0)
    if tonic_1 == tonic_2:
        return Relation(tr("same root, other mode"), steps, fits=False, shift=shift, same_root=True)
    if steps == 1:
        way = tr("a fifth up") if apart == 1 else tr("a fourth up")
        words = way if same_mode else tr("{way} of the relative", way=way)
        return Relation(words, 1, fits=True, shift=shift)
    words = (
        tr("{steps} steps apart", steps=steps)
        if steps < CLASH
        else tr("clash, {steps} steps apart", steps=steps)
    )
    return Relation(words, steps, fits=False, shift=shift)


def _shift(apart: int) -> int:
    """Semitones, the fewest, that bring a signature `apart` fifths up back to the first."""
    semitones = -apart * 7 % 12
    return semitones - 12 if semitones > MOST_SHIFT else semitones


def shifted(key: str, semitones: int) -> str:
    """The key so many semitones higher. ValueError for one unknown."""
    tonic, _ = key_parts(key)
    return f"{NAMES[(tonic + semitones) % 12]} {key.partition(' ')[2]}"
