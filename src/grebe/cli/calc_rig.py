"""``grebe calc pulses``, ``wire`` and ``notemap``: the arithmetic of cables and pads."""

from __future__ import annotations

import argparse
from fractions import Fraction

import msgspec

from grebe.cli.common import Commands, add_json, answer, bpm, command
from grebe.core.patterns.wire import burst_ms
from grebe.core.rig.notemap import PadLayout, note_map
from grebe.core.rig.pulses import convert

MAX_NOTES = 1000

_HOW = {
    "pass": "Pass the pulses on as they are.",
    "divide": "Let one pulse in {n} through: no delay.",
    "multiply": "Multiply by {n}: starts a pulse late, and follows tempo changes late.",
    "regenerate": "Neither divides the other: make a clock of its own from the tempo.",
}


def add_commands(calculators: Commands) -> None:
    """Add the calculators of this module."""
    row = command(
        calculators,
        "pulses",
        "What turns one pulse rate into another.",
        "grebe calc pulses --from 48 --to 24 --bpm 120",
        pulses,
    )
    row.add_argument("--from", dest="start", type=_rate, required=True, metavar="PPQN")
    row.add_argument("--to", type=_rate, required=True, metavar="PPQN")
    row.add_argument("--bpm", type=bpm, required=True)
    add_json(row)
    row = command(
        calculators,
        "wire",
        "How long a MIDI cable takes for notes that fall together.",
        "grebe calc wire --notes 4",
        wire,
    )
    row.add_argument("--notes", type=_count, required=True)
    row.add_argument("--running-status", action="store_true")
    add_json(row)
    row = command(
        calculators,
        "notemap",
        "From one box's pads to another's, by where they lie.",
        "grebe calc notemap --from base=36,rows=4,cols=4,order=up "
        "--to base=60,rows=4,cols=4,order=down",
        notemap,
    )
    row.add_argument("--from", dest="start", type=_pads, required=True, metavar="PADS")
    row.add_argument("--to", type=_pads, required=True, metavar="PADS")
    add_json(row)


def pulses(arguments: argparse.Namespace) -> int:
    """Pass, divide, multiply or regenerate."""
    found = convert(arguments.start, arguments.to, arguments.bpm)
    values = {
        "ratio": f"{found.ratio.numerator}/{found.ratio.denominator}",
        "action": found.action,
        "factor": found.factor,
        "from_hz": round(found.from_hz, 6),
        "to_hz": round(found.to_hz, 6),
    }
    how = _HOW[found.action].format(n=found.factor)
    return answer(arguments, values, f"{how} {found.from_hz:g} Hz in, {found.to_hz:g} Hz out.")


def wire(arguments: argparse.Namespace) -> int:
    """First, last and spread."""
    first, last = burst_ms(arguments.notes, running_status=arguments.running_status)
    values = {
        "first_ms": round(first, 3),
        "last_ms": round(last, 3),
        "spread_ms": round(last - first, 3),
    }
    return answer(
        arguments,
        values,
        f"The first note is through after {first:.2f} ms, the last after {last:.2f} ms: "
        f"they land {last - first:.2f} ms apart.",
    )


def notemap(arguments: argparse.Namespace) -> int:
    """One transposition, or a table."""
    found = note_map(arguments.start, arguments.to)
    values = {"offset": found.offset, "pairs": [list(pair) for pair in found.pairs]}
    if found.offset is not None:
        words = f"Transpose by {found.offset:+d}."
    else:
        rows = ", ".join(f"{p.from_note} to {p.to_note}" for p in found.pairs)
        words = f"No one transposition does it; the table: {rows}."
    return answer(arguments, values, words)


def _rate(text: str) -> Fraction:
    try:
        rate = Fraction(text)
    except (ValueError, ZeroDivisionError) as error:
        raise argparse.ArgumentTypeError(
            f"a rate is pulses a quarter note, such as 48, 1 or 1/4 (got {text})"
        ) from error
    if not Fraction(1, 64) <= rate <= 960:
        raise argparse.ArgumentTypeError(f"a rate goes from 1/64 to 960 (got {text})")
    return rate


def _count(text: str) -> int:
    if not text.isdigit() or not 1 <= int(text) <= MAX_NOTES:
        raise argparse.ArgumentTypeError(f"notes go from 1 to {MAX_NOTES} (got {text})")
    return int(text)


def _pads(text: str) -> PadLayout:
    fields: dict[str, str] = {}
    for part in text.split(","):
        name, equals, value = part.partition("=")
        if not equals or name not in PadLayout.__struct_fields__ or name in fields:
            raise argparse.ArgumentTypeError(
                f"pads should look like base=36,rows=4,cols=4,order=up (got {text})"
            )
        fields[name] = value
    try:
        return msgspec.convert(fields, PadLayout, strict=False)
    except msgspec.ValidationError as error:
        raise argparse.ArgumentTypeError(f"pads {text}: {error}") from error
