"""``grebe calc``: the arithmetic on its own."""

from __future__ import annotations

import argparse
import math
from collections.abc import Iterable

from grebe.cli import calc_patterns, calc_rig, calc_times
from grebe.cli.common import Commands, add_json, answer, bpm, command, meter, number
from grebe.core.sync.explain import drift
from grebe.core.time.meter import Meter
from grebe.core.time.position import (
    MAX_SONG_POSITION,
    clocks_to,
    song_position,
    song_position_bytes,
    tick_of,
)
from grebe.core.time.tap import tap_tempo
from grebe.core.time.tempo import ramp_seconds
from grebe.core.time.ticks import SIXTEENTH_TICKS, TICKS_PER_QUARTER
from grebe.errors import UsageError


def add_commands(commands: Commands) -> None:
    """Add the calculators."""
    parser = command(
        commands,
        "calc",
        "Small calculators.",
        "grebe calc position --bar 33 --beat 1 --meter 4/4 --bpm 126 --json",
        lambda _: _say_which(parser),
    )
    calculators = parser.add_subparsers(metavar="NAME")
    row = command(
        calculators,
        "position",
        "Song position of a place: sixteenths, bytes, clocks, seconds.",
        "grebe calc position --bar 33 --beat 1 --meter 4/4 --bpm 126",
        position,
    )
    row.add_argument("--bar", type=int, required=True)
    row.add_argument("--beat", type=int, default=1)
    row.add_argument("--meter", type=meter, default="4/4")
    row.add_argument("--bpm", type=bpm, required=True)
    add_json(row)
    row = command(
        calculators,
        "tempo",
        "Tempo from a length: so many bars in so many seconds.",
        "grebe calc tempo --seconds 7.619 --bars 4 --meter 4/4",
        tempo,
    )
    row.add_argument("--seconds", type=_positive, required=True)
    row.add_argument("--bars", type=_positive, required=True)
    row.add_argument("--meter", type=meter, default="4/4")
    add_json(row)
    row = command(
        calculators,
        "ramp",
        "How long a tempo ramp lasts, linear in beats.",
        "grebe calc ramp --from 120 --to 140 --bars 8 --meter 4/4",
        ramp,
    )
    row.add_argument("--from", dest="start", type=bpm, required=True)
    row.add_argument("--to", type=bpm, required=True)
    row.add_argument("--bars", type=_positive, required=True)
    row.add_argument("--meter", type=meter, default="4/4")
    add_json(row)
    row = command(
        calculators,
        "tap",
        "Tempo from tap times in seconds, with its 95 % interval.",
        "grebe calc tap --times 0,0.476,0.953,1.428",
        tap,
    )
    row.add_argument("--times", type=_times, required=True)
    add_json(row)
    row = command(
        calculators,
        "drift",
        "How fast two sources part that run free, and when they are so far apart.",
        "grebe calc drift --bpm-a 120 --bpm-b 120.05 --limit-ms 20",
        drifting,
    )
    row.add_argument("--bpm-a", type=bpm, required=True)
    row.add_argument("--bpm-b", type=bpm, required=True)
    row.add_argument("--limit-ms", type=_positive, default=20.0)
    add_json(row)
    calc_rig.add_commands(calculators)
    calc_times.add_commands(calculators)
    calc_patterns.add_commands(calculators)


def position(arguments: argparse.Namespace) -> int:
    """Song position and its bytes."""
    try:
        tick = tick_of(arguments.bar, arguments.beat, arguments.meter)
    except ValueError as error:
        raise UsageError(f"--bar, --beat: {error}") from error
    sixteenths = song_position(tick)
    if tick > MAX_SONG_POSITION * SIXTEENTH_TICKS:
        raise UsageError(
            f"--bar {arguments.bar}: song position counts to {MAX_SONG_POSITION} sixteenths, "
            "14 bits; that is bar 1024 in 4/4"
        )
    seconds = tick / TICKS_PER_QUARTER * 60 / arguments.bpm
    values = {
        "song_position": sixteenths,
        "bytes": song_position_bytes(sixteenths).hex(" ").upper(),
        "clocks": clocks_to(tick),
        "seconds": round(seconds, 6),
    }
    return answer(
        arguments,
        values,
        f"Song position {sixteenths}, bytes {values['bytes']}, {values['clocks']} clocks "
        f"and {seconds:.3f} s from the top.",
    )


def tempo(arguments: argparse.Namespace) -> int:
    """Tempo from a length."""
    quarters = arguments.bars * _quarters(arguments.meter)
    found = quarters * 60 / arguments.seconds
    return answer(arguments, {"bpm": round(found, 6)}, f"{found:.3f} BPM.")


def ramp(arguments: argparse.Namespace) -> int:
    """Length of a ramp."""
    quarters = arguments.bars * _quarters(arguments.meter)
    seconds = ramp_seconds(arguments.start, arguments.to, quarters)
    return answer(arguments, {"seconds": round(seconds, 6)}, f"{seconds:.3f} s.")


def tap(arguments: argparse.Namespace) -> int:
    """Tempo from taps."""
    try:
        fit = tap_tempo(arguments.times)
    except ValueError as error:
        raise UsageError(f"--times: {error}") from error
    high = round(fit.high, 6) if math.isfinite(fit.high) else None
    values = {"bpm": round(fit.bpm, 6), "low": round(fit.low, 6), "high": high}
    return answer(
        arguments, values, f"{fit.bpm:.2f} BPM, 95 % between {fit.low:.2f} and {fit.high:.2f}."
    )


def drifting(arguments: argparse.Namespace) -> int:
    """Two sources running free."""
    found = drift(arguments.bpm_a, arguments.bpm_b, arguments.limit_ms)
    apart = math.isfinite(found.seconds_to_limit)
    values = {
        "ms_per_minute": round(found.ms_per_minute, 6),
        "seconds_to_limit": round(found.seconds_to_limit, 6) if apart else None,
        "beats_to_limit": round(found.beats_to_limit, 6) if apart else None,
    }
    if not apart:
        return answer(arguments, values, "They do not part: the tempi are the same.")
    return answer(
        arguments,
        values,
        f"They part by {found.ms_per_minute:.2f} ms a minute: {arguments.limit_ms:g} ms after "
        f"{found.seconds_to_limit:.1f} s, {found.beats_to_limit:.1f} beats of A.",
    )


def _say_which(parser: argparse.ArgumentParser) -> int:
    parser.error("say which calculator")


def _quarters(of: Meter) -> float:
    return of.bar_ticks / TICKS_PER_QUARTER


_positive = number("it goes", 0.001, 1_000_000)


def _times(text: str) -> list[float]:
    parts: Iterable[str] = text.split(",")
    try:
        return [float(part) for part in parts]
    except ValueError as error:
        raise argparse.ArgumentTypeError(
            f"times should be seconds with commas between, such as 0,0.5,1.0 (got {text})"
        ) from error
