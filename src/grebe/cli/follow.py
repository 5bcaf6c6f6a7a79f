"""``grebe follow``: the follower over a file of arrival times."""

from __future__ import annotations

import argparse
from collections.abc import Iterator
from pathlib import Path

from grebe.cli.common import Commands, add_json, answer, command, number, progress_bar
from grebe.core.sync.follower import Follower, TempoEstimate
from grebe.formats.ticks import read_ticks, write_estimates

_ppqn = number("ticks a quarter note go", 1 / 64, 96)
SAY_EVERY = 2048


def add_commands(commands: Commands) -> None:
    """Add the command."""
    parser = command(
        commands,
        "follow",
        "Beat and tempo from arrival times of a clock, one row for every arrival, "
        "knowing nothing later. The tempo is 0 until two ticks have come.",
        "grebe follow ticks.csv --out estimate.csv --ppqn 24",
        follow,
    )
    parser.add_argument("file", metavar="TICKS.csv", help="times in seconds, one a line")
    parser.add_argument("--out", required=True, metavar="EST.csv")
    parser.add_argument("--ppqn", type=_ppqn, default=24.0, help="ticks a quarter note")
    add_json(parser)


def follow(arguments: argparse.Namespace) -> int:
    """Run the follower over a file."""
    times = read_ticks(Path(arguments.file))
    follower = Follower(arguments.ppqn)
    rows = list(estimates(follower, times))
    write_estimates(Path(arguments.out), rows)
    last = rows[-1][1]
    answer(
        arguments,
        {
            "arrivals": len(times),
            "beats": round(last.beat, 6),
            "bpm": round(last.bpm, 5),
            "waver_ms": round(follower.jitter_s * 1e3, 4),
            "file": arguments.out,
        },
        f"{len(times)} arrivals, {last.beat:.3f} beats, {last.bpm:.3f} BPM at the end, "
        f"wavering by {follower.jitter_s * 1e3:.2f} ms",
    )
    return 0


def estimates(follower: Follower, times: list[float]) -> Iterator[tuple[float, TempoEstimate]]:
    """What the follower takes to be so at each arrival; says how far it is."""
    show = progress_bar(times[-1] - times[0])
    for index, at in enumerate(times):
        follower.tick(at)
        yield at, follower.estimate(at)
        if index % SAY_EVERY == 0:
            show(at - times[0])
