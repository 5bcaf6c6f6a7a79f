"""Makes keys_music21.json and relations_music21.json in tests/core/data, for the tests to compare
with: how music21 ranks keys, and how keys stand to each other.

music21 is large and not installed with the rest; to make the file afresh:
pip install music21, then python tools/reference_keys.py
"""

from __future__ import annotations

import json
import random
from pathlib import Path

import music21

NAMES = ("C", "C#", "D", "Eb", "E", "F", "F#", "G", "Ab", "A", "Bb", "B")
DATA = Path(__file__).parents[1] / "tests" / "core" / "data"


def main() -> None:
    """Rank some takes: in D minor with strays, in few notes, at random."""
    dice = random.Random(4)
    takes = [
        [dice.choice((62, 64, 65, 67, 69, 70, 72, 61)) for _ in range(40)],
        [dice.choice((57, 60, 64, 67, 69, 71)) for _ in range(24)],
        [dice.randrange(36, 84) for _ in range(30)],
        [60, 64, 67],
    ]
    rows = []
    for notes in takes:
        stream = music21.stream.Stream()
        for note in notes:
            stream.append(music21.note.Note(note, quarterLength=1))
        best = music21.analysis.discrete.KrumhanslKessler(stream).getSolution(stream)
        ranking = [
            [f"{NAMES[k.tonic.pitchClass]} {k.mode}", round(k.correlationCoefficient, 9)]
            for k in (best, *best.alternateInterpretations)
        ]
        rows.append({"notes": notes, "ranking": ranking})
    version = music21.__version__
    (DATA / "keys_music21.json").write_text(json.dumps({"music21": version, "takes": rows}) + "\n")
    (DATA / "relations_music21.json").write_text(
        json.dumps({"music21": version, "pairs": relations()}) + "\n"
    )


def relations() -> list[list[object]]:
    """All 24 against 24 keys: sharps apart, whether relative, whether parallel."""
    keys = [
        (f"{name} {mode}", music21.key.Key(name.replace("b", "-"), mode))
        for mode in ("major", "minor") for name in NAMES
    ]  # fmt: skip
    return [
        [first, second, b.sharps - a.sharps, same(a.relative, b), same(a.parallel, b)]
        for first, a in keys for second, b in keys
    ]  # fmt: skip


def same(a: music21.key.Key, b: music21.key.Key) -> bool:
    """Whether two keys are the same by pitch class and mode."""
    return bool(a.mode == b.mode and a.tonic.pitchClass == b.tonic.pitchClass)


if __name__ == "__main__":
    main()
