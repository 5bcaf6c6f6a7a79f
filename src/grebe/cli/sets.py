"""``grebe set``: a set on its time axis, an order for it, and as CSV."""

from __future__ import annotations

import argparse
import sys
from pathlib import Path
from typing import Any

from grebe.app.document.export import export_set_csv
from grebe.cli.common import Commands, add_json, command, opened, print_json
from grebe.core.document import Project, with_set
from grebe.core.sets.edit import in_this_order
from grebe.core.sets.formatting import (
    between_words,
    key_words,
    reason_words,
    shift_words,
    sure_words,
    tempo_words,
    work_words,
)
from grebe.core.sets.model import Set, wished
from grebe.core.sets.order import best_order, costs_of, relative_energy
from grebe.core.sets.plan import PlacedSong, SetSchedule, plan_set
from grebe.errors import UsageError
from grebe.formats.project import write_project
from grebe.formats.sets_csv import read_set_file

PROVE_S = 10.0
"""How long it is looked into how much better an order of a long set could be."""


def add_commands(commands: Commands) -> None:
    """Add the command of this module."""
    parser = command(
        commands,
        "set",
        "A set: when each song comes, how one goes over into the next, whether it fits its slot; "
        "the order that fits best; as CSV.",
        'grebe set night.grebe --set "Night ferry" --order --json',
        show_set,
    )
    parser.add_argument("file")
    parser.add_argument("--set", help="which, where there are several")
    parser.add_argument("--order", action="store_true", help="in the order that fits best")
    parser.add_argument("--from-csv", metavar="CSV", help="with its songs as a CSV has them")
    parser.add_argument("--to-csv", metavar="CSV", help="write it as CSV")
    parser.add_argument("--save", metavar="OUT", help="save the project with it so")
    add_json(parser)


def show_set(arguments: argparse.Namespace) -> int:
    """Show a set; 1 when it is longer than its slot."""
    found = opened(arguments)
    project = found.project
    running = chosen_set(project, arguments.set)
    if arguments.from_csv:
        running = read_set_file(Path(arguments.from_csv), project, running)
    plan = plan_set(project, running)
    ordered = None
    if arguments.order:
        rows = plan.playable
        ordered = best_order(costs_of(project, running, rows), PROVE_S)
        running = in_this_order(running, [rows[n].entry.id for n in ordered.order])
        plan = plan_set(project, running)
    project = with_set(project, running.id, lambda _: running)
    if arguments.to_csv:
        export_set_csv(project, running, Path(arguments.to_csv))
    if arguments.save:
        write_project(Path(arguments.save), project, found.extras)
    rows_out = [_row(project, plan, number) for number in range(len(plan.songs))]
    spare = plan.spare_s
    if arguments.json:
        print_json(
            {
                "set": running.name,
                "seconds": round(plan.seconds, 3),
                "slot_seconds": running.slot_s or None,
                "spare_seconds": None if spare is None else round(spare, 3),
                "exact": None if ordered is None else ordered.exact,
                "gap": None if ordered is None else round(ordered.gap, 4),
                "songs": rows_out,
            }
        )
    else:
        _say(plan, rows_out)
        if ordered is not None:
            sys.stdout.write(f"The order: {sure_words(ordered)}.\n")
    return 1 if spare is not None and spare < 0 else 0


def chosen_set(project: Project, name: str | None) -> Set:
    """The set named, or the only one. UsageError says which there are."""
    if name:
        return project.set_named(name)
    if len(project.sets) != 1:
        there = ", ".join(s.name for s in project.sets) or "none"
        raise UsageError(f"say which set: --set NAME; sets: {there}")
    return project.sets[0]


def _row(project: Project, plan: SetSchedule, number: int) -> dict[str, Any]:
    song = plan.songs[number]
    facts, crossing = song.facts, song.crossing
    row: dict[str, Any] = {
        "song": song.entry.song if facts is None else facts.song.name,
        "into": song.entry.into,
        "pinned": song.entry.pinned,
        "playable": facts is not None,
        "start_seconds": round(song.start_s, 3),
        "seconds": round(song.seconds, 3),
    }
    if facts is not None:
        row |= {
            "bars": facts.bars,
            "bpm": facts.bpm,
            "key": facts.key or None,
            "energy": round(facts.mean_energy, 3),
        }
    if crossing is not None and facts is not None:
        key = crossing.key
        row["crossing"] = {
            "tempo": tempo_words(song.entry, crossing),
            "key": key_words(key),
            "shift_semitones": None if key is None else key.shift,
            "shift": shift_words(key, facts.key) or None,
            "work": [work_words(project, w) for w in crossing.between.by_hand],
            "work_seconds": crossing.between.seconds,
            "fits": crossing.between.fits,
            "verdict": between_words(project, crossing.between),
            "why": _why(plan, song),
        }
    return row


def _why(plan: SetSchedule, song: PlacedSong) -> str:
    rows = plan.playable
    at = rows.index(song)
    energies = relative_energy([s.facts for s in rows if s.facts is not None])
    want = wished(plan.running.wish, at, len(rows)) if plan.running.wish else None
    return reason_words(song, rows[at - 1], (energies[at - 1], energies[at]), wished=want)


def _say(plan: SetSchedule, rows: list[dict[str, Any]]) -> None:
    for row in rows:
        crossing = row.get("crossing")
        if crossing:
            sys.stdout.write(f"    {crossing['tempo']}; {crossing['key']}. {crossing['verdict']}\n")
            sys.stdout.write(f"    {crossing['why']}\n")
        at = f"{int(row['start_seconds'] // 60):3d}:{int(row['start_seconds'] % 60):02d}"
        what = f"{row['bpm']:g} BPM, {row['key'] or 'key not known'}" if row["playable"] else (
            "cannot be played"
        )  # fmt: skip
        sys.stdout.write(f"{at} {row['song']}: {row['seconds']:.0f} s, {what}\n")
    spare = plan.spare_s
    words = "" if spare is None else f", {spare:.0f} s to spare" if spare >= 0 else (
        f", {-spare:.0f} s too long"
    )  # fmt: skip
    sys.stdout.write(f"{plan.running.name}: {plan.seconds:.0f} s{words}.\n")
