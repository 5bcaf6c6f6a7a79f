"""``grebe calc realign``, ``swing``, ``euclid``, ``register`` and ``key``: patterns' arithmetic."""

from __future__ import annotations

import argparse
import re
from fractions import Fraction
from pathlib import Path

from grebe.cli.common import Commands, add_json, answer, bpm, command, meter, number
from grebe.core.patterns.generate import Register, euclid
from grebe.core.patterns.keys import rank_keys, rank_notes
from grebe.core.patterns.sound import lcm_of
from grebe.core.time.swing import swing
from grebe.core.time.ticks import TICKS_PER_QUARTER, note_value_ticks
from grebe.errors import UsageError
from grebe.formats.midi_loops import read_notes

MAX_LANES = 64
MAX_LANE_STEPS = 4096


def add_commands(calculators: Commands) -> None:
    """Add the calculators of this module."""
    row = command(
        calculators,
        "realign",
        "When lanes of other lengths or steps begin together again.",
        "grebe calc realign --lanes 16@1/16,14@1/16,7@1/8t --meter 4/4 --bpm 126",
        realign,
    )
    row.add_argument("--lanes", type=_lanes, required=True, metavar="STEPS@RATE,…")
    row.add_argument("--meter", type=meter, default="4/4")
    row.add_argument("--bpm", type=bpm, required=True)
    add_json(row)
    row = command(
        calculators,
        "swing",
        "How late second steps fall at a swing in percent; 50 % is straight.",
        "grebe calc swing --percent 56 --bpm 126 --step 1/16 --ppqn 96",
        swing_of,
    )
    row.add_argument("--percent", type=number("swing goes", 50, 75), required=True)
    row.add_argument("--bpm", type=bpm, required=True)
    row.add_argument("--step", type=_step, default="1/16")
    row.add_argument("--ppqn", type=int, choices=(24, 48, 96, 192, 384, 480, 960), default=96)
    add_json(row)
    row = command(
        calculators,
        "euclid",
        "So many hits as evenly as can be over so many steps.",
        "grebe calc euclid --hits 5 --steps 8",
        euclidean,
    )
    row.add_argument("--hits", type=int, required=True)
    row.add_argument("--steps", type=int, required=True)
    row.add_argument("--rotate", type=int, default=0, help="steps later")
    add_json(row)
    row = command(
        calculators,
        "register",
        "After how many steps a shift register with these taps comes round.",
        "grebe calc register --taps 8,6,5,4",
        register,
    )
    row.add_argument("--taps", type=_whole_numbers, required=True)
    row.add_argument("--seed", type=int, default=1)
    add_json(row)
    row = command(
        calculators,
        "key",
        "The key of some notes, or of a MIDI file: all 24, best first.",
        "grebe calc key --notes 62,64,65,69",
        key,
    )
    notes = row.add_mutually_exclusive_group(required=True)
    notes.add_argument("--notes", type=_whole_numbers)
    notes.add_argument("--midi", metavar="FILE")
    add_json(row)


def realign(arguments: argparse.Namespace) -> int:
    """Beats, bars and seconds until all lanes begin together."""
    beats = lcm_of(*arguments.lanes)
    bar = Fraction(arguments.meter.bar_ticks, TICKS_PER_QUARTER)
    with_barline = lcm_of(beats, bar) / bar
    bars, seconds = beats / bar, float(beats) * 60 / arguments.bpm
    values = {
        "beats": _plain(beats),
        "bars": _plain(bars),
        "bars_with_barline": _plain(with_barline),
        "seconds": round(seconds, 6),
    }
    return answer(
        arguments,
        values,
        f"Together again after {_plain(beats):g} quarter notes, {seconds:.2f} s; with the bar "
        f"line after {_plain(with_barline):g} bars.",
    )


def swing_of(arguments: argparse.Namespace) -> int:
    """Milliseconds, ticks and ratio."""
    found = swing(arguments.percent, arguments.bpm, arguments.step, arguments.ppqn)
    values = {
        "late_ms": round(found.late_ms, 6),
        "late_ticks": round(found.late_ticks, 6),
        "ratio": round(found.ratio, 6),
    }
    return answer(
        arguments,
        values,
        f"Second steps fall {found.late_ms:.2f} ms late, {found.late_ticks:.2f} ticks of "
        f"{arguments.ppqn}; first to second as {found.ratio:.3f} to 1.",
    )


def euclidean(arguments: argparse.Namespace) -> int:
    """The row."""
    try:
        row = euclid(arguments.hits, arguments.steps, arguments.rotate)
    except ValueError as error:
        raise UsageError(f"--hits, --steps: {error}") from error
    steps = "".join("x" if on else "." for on in row)
    return answer(arguments, {"steps": steps}, steps)


def register(arguments: argparse.Namespace) -> int:
    """The period."""
    try:
        period = Register(arguments.taps, arguments.seed).period()
    except ValueError as error:
        raise UsageError(f"--taps: {error}") from error
    return answer(arguments, {"period": period}, f"It comes round after {period} steps.")


def key(arguments: argparse.Namespace) -> int:
    """The ranking."""
    if arguments.midi:
        weights: dict[int, float] = {}
        for note in read_notes(Path(arguments.midi)):
            if note.channel != 10:  # drums are on notes, not in keys
                weights[note.note] = weights.get(note.note, 0.0) + max(note.length, 1e-3)
        ranking = rank_keys(weights) if weights else ()
    else:
        if not all(0 <= n <= 127 for n in arguments.notes):
            raise UsageError(f"--notes go from 0 to 127 (got {arguments.notes})")
        ranking = rank_notes(arguments.notes)
    if not ranking:
        raise UsageError("--midi: there are no notes in it outside the drum channel, 10")
    rows = [{"key": row.key, "score": round(row.score, 6)} for row in ranking]
    second = ranking[1]
    return answer(
        arguments,
        {"ranking": rows},
        f"{ranking[0].key} ({ranking[0].score:.2f}), then {second.key} ({second.score:.2f}).",
    )


def _plain(value: Fraction) -> int | float:
    return int(value) if value.denominator == 1 else float(value)


def _lanes(text: str) -> list[Fraction]:
    out: list[Fraction] = []
    for part in text.split(","):
        steps, at, rate = part.partition("@")
        if not at or not re.fullmatch(r"[0-9]+", steps):
            raise argparse.ArgumentTypeError(
                f"lanes should look like 16@1/16,14@1/16,7@1/8t (got {text})"
            )
        if not 1 <= int(steps) <= MAX_LANE_STEPS:
            raise argparse.ArgumentTypeError(
                f"a lane has 1 to {MAX_LANE_STEPS} steps (got {steps})"
            )
        out.append(Fraction(int(steps) * _step(rate), TICKS_PER_QUARTER))
    if len(out) > MAX_LANES:
        raise argparse.ArgumentTypeError(f"{MAX_LANES} lanes at most (got {len(out)})")
    return out


def _step(text: str) -> int:
    try:
        return note_value_ticks(text)
    except ValueError as error:
        raise argparse.ArgumentTypeError(str(error)) from error


def _whole_numbers(text: str) -> list[int]:
    try:
        return [int(part) for part in text.split(",")]
    except ValueError as error:
        raise argparse.ArgumentTypeError(
            f"whole numbers with commas between, such as 8,6,5,4 (got {text})"
        ) from error
