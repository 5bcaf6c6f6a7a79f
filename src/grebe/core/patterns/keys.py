"""Keys and scales: which key notes are in, and the notes of a scale."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from functools import cache
from typing import NamedTuple

from grebe.core.numeric import NDArray, np

NAMES = ("C", "C#", "D", "Eb", "E", "F", "F#", "G", "Ab", "A", "Bb", "B")
_LETTERS = {"C": 0, "D": 2, "E": 4, "F": 5, "G": 7, "A": 9, "B": 11}

SCALES: dict[str, tuple[int, ...]] = {
    "major": (0, 2, 4, 5, 7, 9, 11),
    "minor": (0, 2, 3, 5, 7, 8, 10),
    "harmonic minor": (0, 2, 3, 5, 7, 8, 11),
    "dorian": (0, 2, 3, 5, 7, 9, 10),
    "phrygian": (0, 1, 3, 5, 7, 8, 10),
    "lydian": (0, 2, 4, 6, 7, 9, 11),
    "mixolydian": (0, 2, 4, 5, 7, 9, 10),
    "major pentatonic": (0, 2, 4, 7, 9),
    "minor pentatonic": (0, 3, 5, 7, 10),
    "whole tone": (0, 2, 4, 6, 8, 10),
}
"""Semitones from the tonic."""

MAJOR_PROFILE = (6.35, 2.23, 3.48, 2.33, 4.38, 4.09, 2.52, 5.19, 2.39, 3.66, 2.29, 2.88)
MINOR_PROFILE = (6.33, 2.68, 3.52, 5.38, 2.60, 3.53, 2.54, 4.75, 3.98, 2.69, 3.34, 3.17)
"""How well each degree fits a key, Krumhansl and Kessler 1982."""


class RankedKey(NamedTuple):
    """A key and how well it fits."""

    key: str
    score: float
    """Correlation with the key's profile, -1 to 1."""


def pitch_classes(name: str) -> frozenset[int]:
    """The pitch classes (0 is C) of a key such as `D minor`. ValueError for one unknown."""
    tonic, scale = key_parts(name)
    return frozenset((tonic + step) % 12 for step in scale)


def key_parts(name: str) -> tuple[int, tuple[int, ...]]:
    """Tonic (0 is C) and scale of a key such as `D minor`. ValueError for one unknown."""
    tonic, _, scale = name.partition(" ")
    if scale not in SCALES or tonic[:1] not in _LETTERS or tonic[1:] not in ("", "#", "b"):
        raise ValueError(
            f"a key is a tonic and a scale, such as D minor or F# dorian (got {name!r}); "
            f"scales: {', '.join(SCALES)}"
        )
    sharp = {"": 0, "#": 1, "b": -1}[tonic[1:]]
    return (_LETTERS[tonic[0]] + sharp) % 12, SCALES[scale]


def in_key(note: int, name: str, by: int) -> int:
    """The note `by` degrees of a key above (below where negative) `note`, held to 0 to 127.

    From a note outside the key the nearest degree in that direction counts as one.
    """
    classes = pitch_classes(name)
    step = 1 if by > 0 else -1
    for _ in range(abs(by)):
        moved = note + step
        while 0 <= moved <= 127 and moved % 12 not in classes:
            moved += step
        if not 0 <= moved <= 127:
            break
        note = moved
    return note


def outside(notes: Sequence[int], name: str) -> tuple[int, ...]:
    """The notes that are not in a key."""
    classes = pitch_classes(name)
    return tuple(n for n in notes if n % 12 not in classes)


_KEYS = tuple(f"{name} {mode}" for mode in ("major", "minor") for name in NAMES)


@cache
def _profiles() -> NDArray[np.float64]:
    """The profile of every key, around its mean and over its spread; shape (24, 12)."""
    rows = [np.roll(p, n) for p in (MAJOR_PROFILE, MINOR_PROFILE) for n in range(12)]
    table = np.array(rows)
    around: NDArray[np.float64] = table - table.mean(axis=1, keepdims=True)
    around /= table.std(axis=1, keepdims=True)
    return around


def rank_keys(weights: Mapping[int, float]) -> tuple[RankedKey, ...]:
    """The 24 keys, best first, for weights by pitch class or note number.

    Correlates the twelve weights with each key's profile (Krumhansl 1990).
    ValueError where nothing has weight.
    """
    bins = np.zeros(12)
    for note, weight in weights.items():
        bins[note % 12] += weight
    if not bins.any():
        raise ValueError("a key wants at least one note")
    spread = float(bins.std()) or 1.0
    scores = _profiles() @ (bins - bins.mean()) / (12 * spread)
    found = [RankedKey(k, float(v)) for k, v in zip(_KEYS, scores, strict=True)]
    return tuple(sorted(found, key=lambda row: -row.score))
