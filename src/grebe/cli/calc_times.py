"""``grebe calc delay``, ``loop``, ``repitch`` and ``hearing``: times, speeds and levels."""

from __future__ import annotations

import argparse

from grebe.cli.common import Commands, add_json, answer, bpm, command, meter, number
from grebe.core.audio.care import hearing_minutes, repitch_semitones
from grebe.core.time.delay import delay_table, halved_bpm, note_ms
from grebe.core.time.loop_length import loop_length
from grebe.errors import UsageError

_ms = number("milliseconds go", 0.01, 600_000)
HEARING_CARE = (
    "Levels add up over a day, and a meter at the ear is what counts. Where rules are stricter, "
    "they hold; wear protection, and ask a licensed person."
)


def add_commands(calculators: Commands) -> None:
    """Add the calculators of this module."""
    row = command(
        calculators,
        "delay",
        "Echo times of a tempo, and which of them a unit can take.",
        "grebe calc delay --bpm 140 --min-ms 20 --max-ms 800",
        delay,
    )
    row.add_argument("--bpm", type=bpm, required=True)
    row.add_argument("--min-ms", type=_ms, default=1.0)
    row.add_argument("--max-ms", type=_ms, default=60_000.0)
    add_json(row)
    row = command(
        calculators,
        "loop",
        "Length of a loop in samples, and how far a whole number of them drifts.",
        "grebe calc loop --bpm 126 --bars 4 --meter 4/4 --rate 48000",
        loop,
    )
    row.add_argument("--bpm", type=bpm, required=True)
    row.add_argument("--bars", type=number("bars go", 0.0625, 100_000), required=True)
    row.add_argument("--meter", type=meter, default="4/4")
    row.add_argument("--rate", type=int, default=48_000, help="samples a second")
    add_json(row)
    row = command(
        calculators,
        "repitch",
        "What resampling from one tempo to another does to the pitch.",
        "grebe calc repitch --from 140 --to 126",
        repitch,
    )
    row.add_argument("--from", dest="start", type=bpm, required=True)
    row.add_argument("--to", type=bpm, required=True)
    add_json(row)
    row = command(
        calculators,
        "hearing",
        "Minutes a day at a sound level, by NIOSH 98-126.",
        "grebe calc hearing --level 100",
        hearing,
    )
    row.add_argument("--level", type=number("dBA goes", 40, 194), required=True, help="dBA")
    add_json(row)


def delay(arguments: argparse.Namespace) -> int:
    """Echo times."""
    low, high = arguments.min_ms, arguments.max_ms
    if low > high:
        raise UsageError(f"--min-ms {low:g} is over --max-ms {high:g}")
    rows = delay_table(arguments.bpm, low, high)
    half = halved_bpm(arguments.bpm, low, high)
    values = {
        "bpm": arguments.bpm,
        "notes": [{"note": r.note, "ms": round(r.ms, 6), "fits": r.fits} for r in rows],
        "halved_bpm": half,
    }
    lines = [f"{r.note:>6} {r.ms:10.3f} ms{'' if r.fits else '  does not fit'}" for r in rows]
    quarter = f"A quarter at {arguments.bpm:g} BPM is {note_ms(arguments.bpm):.3f} ms."
    if half is not None:
        quarter += f" It does not fit: set the echo to {half:g} BPM."
    return answer(arguments, values, "\n".join([*lines, quarter]))


def loop(arguments: argparse.Namespace) -> int:
    """Length of a loop."""
    if not 1 <= arguments.rate <= 1_000_000:
        raise UsageError(f"--rate goes from 1 to 1000000 samples a second (got {arguments.rate})")
    bar_ticks = arguments.meter.bar_ticks
    found = loop_length(arguments.bpm, arguments.bars, bar_ticks, arguments.rate)
    values = {
        "seconds": round(found.seconds, 9),
        "samples": round(found.samples, 6),
        "nearest": found.nearest,
        "drift_ms_per_hour": round(found.drift_ms_per_hour, 6),
    }
    return answer(
        arguments, values,
        f"{found.seconds:.6f} s, {found.samples:.3f} samples; cut to {found.nearest} it drifts "
        f"{found.drift_ms_per_hour:+.3f} ms an hour.",
    )  # fmt: skip


def repitch(arguments: argparse.Namespace) -> int:
    """Pitch of another speed."""
    ratio = arguments.to / arguments.start
    semitones = repitch_semitones(arguments.start, arguments.to)
    values = {
        "ratio": round(ratio, 9),
        "semitones": round(semitones, 6),
        "cents": round(semitones * 100, 4),
    }
    return answer(arguments, values, f"{semitones:+.3f} semitones, {ratio:.4f} times as fast.")


def hearing(arguments: argparse.Namespace) -> int:
    """Minutes at a level."""
    minutes = hearing_minutes(arguments.level)
    return answer(
        arguments, {"minutes": round(minutes, 6)},
        f"{minutes:.4g} minutes a day at {arguments.level:g} dBA (NIOSH 98-126). {HEARING_CARE}",
    )  # fmt: skip
