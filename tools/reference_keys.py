"""Makes tests/core/data/keys_music21.json: how music21 ranks keys, for the tests to compare with.

music21 is large and not installed with the rest; to make the file afresh:
pip install music21, then python tools/reference_keys.py
"""

from __future__ import annotations

import json
import random
from pathlib import Path

import music21

NAMES = ("C", "C#", "D", "Eb", "E", "F", "F#", "G", "Ab", "A", "Bb", "B")
OUT = Path(__file__).parents[1] / "tests" / "core" / "data" / "keys_music21.json"


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
    OUT.write_text(json.dumps({"music21": music21.__version__, "takes": rows}) + "\n")


if __name__ == "__main__":
    main()
