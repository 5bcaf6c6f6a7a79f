"""``grebe run``, ``engine``, ``stop`` and ``ports``."""

from __future__ import annotations

import argparse
import json
import os
import subprocess
import sys
from collections import Counter

from grebe.app.live.perform import (
    Outcome,
    percentiles,
    perform,
    with_faults,
    with_leader_named,
)
from grebe.app.stopping import end_all
from grebe.cli.common import Commands, add_json, command, number, opened, print_json, progress_bar
from grebe.core.document import Project
from grebe.core.player.plan import make_plan, make_set_plan
from grebe.errors import EngineError, UsageError
from grebe.process.places import engine_socket
from grebe.process.processor import processor_times, stolen_percent

_seconds = number("seconds go", 0.1, 86_400)


def add_commands(commands: Commands) -> None:
    """Add the commands of this module."""
    parser = command(
        commands,
        "run",
        "Play a song or a set without a window, then say how late each device was.",
        'grebe run set.grebe --song "Harbour bell" --seconds 60 --json',
        run,
    )
    parser.add_argument("file")
    parser.add_argument("--song")
    parser.add_argument("--set", help="instead of a song: a whole set, with its stops")
    parser.add_argument("--seconds", type=_seconds, required=True)
    parser.add_argument("--leader", default=None, metavar="DEVICE|grebe")
    parser.add_argument(
        "--osc", action="store_true", help="with Open Sound Control, as the project has it set"
    )
    parser.add_argument("--faults", default="{}", metavar="JSON")
    add_json(parser)
    command(commands, "engine", "Run the engine alone.", "grebe engine", engine)
    command(commands, "stop", "End the running engine.", "grebe stop", stop)
    parser = command(commands, "ports", "List the ports found.", "grebe ports --json", ports)
    add_json(parser)


def run(arguments: argparse.Namespace) -> int:
    """Engine and stand-ins for real; 1 when a device missed ticks or a port was not there."""
    project = with_faults(opened(arguments).project, arguments.faults)
    assumed: tuple[str, ...] = ()
    if arguments.leader is not None:
        project, assumed = with_leader_named(project, arguments.leader)
    if bool(arguments.song) == bool(arguments.set):
        raise UsageError("say what to play: --song NAME or --set NAME")
    gaps: dict[str, float] = {}
    if arguments.set:
        running = project.set_named(arguments.set)
        plan = make_set_plan(project, running)
        gaps = {s.id: s.gap_s for s in running.songs}
    else:
        plan = make_plan(project, project.song_named(arguments.song))
    before = processor_times()
    outcome = perform(
        project,
        plan,
        arguments.seconds,
        gap_s=lambda entry: gaps.get(entry, 0.0),
        progress=progress_bar(arguments.seconds),
        osc=arguments.osc,
    )
    rows = _rows(project, outcome)
    notices = [*assumed, *outcome.notices]
    if arguments.json:
        print_json(
            {
                "song": plan.song.name,
                "seconds": round(outcome.played_s, 3),
                "priority": outcome.welcome.priority,
                "stolen_percent": stolen_percent(before, processor_times()),
                "devices": rows,
                "notices": notices,
            }
        )
    else:
        for words in (*notices, *map(_said, rows)):
            sys.stdout.write(f"{words}\n")
    return 1 if outcome.missing or any(r.missed for r in outcome.reports) else 0


def _rows(project: Project, outcome: Outcome) -> list[dict[str, object]]:
    """What came of each device, with the keys of the JSON output."""
    names = {d.id: d.name for d in project.rig.devices}
    return [
        {
            "name": names[r.device],
            "sent": r.ticks_sent,
            "received": r.ticks_received,
            "missed": r.missed,
            "problem": outcome.missing.get(r.device, ""),
            "measured": r.measured,
            "lateness_ms": percentiles(r.ms),
            "send_lateness_ms": percentiles(r.send_ms),
        }
        for r in outcome.reports
    ]


def _said(row: dict[str, object]) -> str:
    """One device in one line."""
    late = row["lateness_ms"]
    assert isinstance(late, dict)
    problem = f"; port not there: {row['problem']}" if row["problem"] else ""
    if late["p50"] is None:
        return f"{row['name']}: no clock from Grebe{problem}"
    figures = ", ".join(f"{k} {v} ms" for k, v in late.items())
    return (
        f"{row['name']}: {row['received']} of {row['sent']} ticks, {row['missed']} missed; "
        f"late {figures}{problem}"
    )


def engine(arguments: argparse.Namespace) -> int:
    """Become the engine."""
    del arguments
    os.execv(  # noqa: S606 - no shell is wanted
        sys.executable, [sys.executable, "-m", "grebe.engine", "--socket", str(engine_socket())]
    )


def stop(arguments: argparse.Namespace) -> int:
    """End all that goes on when a window is closed; 1 when nothing runs."""
    del arguments
    ended = end_all()
    sys.stdout.write(f"{ended.words}\n")
    return 0 if ended.found else 1


def ports(arguments: argparse.Namespace) -> int:
    """Ports by transport. Found by a process of its own, so that no library lingers here."""
    done = subprocess.run(
        [sys.executable, "-m", "grebe.transports"], capture_output=True, check=False
    )
    if done.returncode:
        reason = done.stderr.decode("utf-8", "replace")[-200:] or "the look for them took too long"
        raise EngineError(f"the ports could not be listed: {reason}")
    found = json.loads(done.stdout)
    if arguments.json:
        print_json(found)
        return 0
    for transport, row in found.items():
        if not row["available"]:
            sys.stdout.write(f"{transport}: {row['reason']}\n")
        elif row.get("server"):
            sys.stdout.write(
                f"{transport}: {row['server']}, as it runs; "
                f"{row['chosen_by']}=jackd or pipewire says otherwise\n"
            )
        for kind in ("midi", "midi_in", "audio", "audio_in", "interfaces"):
            names = row.get(kind, [])
            for name in _interfaces(names) if transport == "sound" else names:
                sys.stdout.write(f"{transport} {kind}: {name}\n")
    return 0


def _interfaces(channels: list[str]) -> list[str]:
    """Channels ("2 of NAME") as a row an interface: one can have hundreds."""
    counts = Counter(channel.partition(" of ")[2] for channel in channels)
    return [f"{name}, channels 1 to {count}" for name, count in counts.items()]
