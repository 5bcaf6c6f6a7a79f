"""``grebe import``: MIDI files into a project, as patterns or a song; what is kept, what not."""

from __future__ import annotations

import argparse
import sys
from pathlib import Path

from grebe.app.document.arrivals import (
    BroughtTrack,
    lost_of,
    one_file,
    read_rows,
    with_patterns,
    with_song,
)
from grebe.cli.common import Commands, add_json, command, number, print_json
from grebe.core.arriving import MOST_BARS
from grebe.core.document import Project
from grebe.core.patterns.capture import GRIDS
from grebe.errors import EditError, UsageError
from grebe.formats.project import read_project, write_project
from grebe.words import tr

NEW, OUT = "new", "out"
"""In place of a box: a new one; or the track is left out."""


def add_commands(commands: Commands) -> None:
    """Add the command."""
    parser = command(
        commands, "import",
        "Bring MIDI files into a project: patterns, or a song of one file's tracks. Says what is "
        "kept and what is not.",
        'grebe import take.mid --into set.grebe --map "Bass=Knot" --map "Lead=out"', bring,
    )  # fmt: skip
    parser.add_argument("files", nargs="+", metavar="FILE", help="MIDI files, or folders of them")
    parser.add_argument("--into", required=True, metavar="PROJECT")
    parser.add_argument(
        "--map", action="append", default=[], metavar="TRACK=BOX",
        help='where a track goes, by name: a box, "new" or "out"; may be given again',
    )  # fmt: skip
    parser.add_argument(
        "--as", dest="what", choices=("patterns", "song"),
        help="one file of several tracks is a song, anything else patterns, unless it is said",
    )  # fmt: skip
    parser.add_argument(
        "--grid", choices=GRIDS, default="", help="put them on this grid; else on the one played"
    )
    parser.add_argument(
        "--strictly", type=number("per cent go", 0, 100), default=0, metavar="PERCENT",
        help="how near to the grid's lines notes are put; 0 leaves them where they were",
    )  # fmt: skip
    parser.add_argument(
        "--bars", metavar="FIRST[-LAST]", help="of every track, as patterns: only these bars"
    )
    parser.add_argument("--dry-run", action="store_true", help="say what would be; write nothing")
    add_json(parser)


def bring(arguments: argparse.Namespace) -> int:
    """0 where all was kept, 1 where something was not, 2 where nothing could be."""
    path = Path(arguments.into)
    found = read_project(path)
    before = found.project
    rows, refused = read_rows(before, arguments.files)
    _map(before, rows, arguments.map)
    first, bars = _bars(arguments.bars)
    for row in rows:
        row.grid, row.strictly = arguments.grid, int(arguments.strictly)
        row.first_bar, row.bars = first, bars or min(row.bars, max(1, row.all_bars - first + 1))
    wanted = [row for row in rows if row.wanted]
    if not wanted:
        raise UsageError("; ".join(refused) or tr("nothing of it is to be taken"))
    song = one_file(rows) if arguments.what is None else arguments.what == "song"
    if song and not one_file(rows) and len(rows) > 1:
        raise UsageError(tr("a song is made of one file: give one, or --as patterns"))
    try:
        if song:
            project, song_id, boxes = with_song(before, wanted)
            patterns = [""] * len(wanted)
        else:
            project, made = with_patterns(before, wanted, together=one_file(rows))
            song_id, boxes, patterns = "", [b for b, _ in made], [p for _, p in made]
    except EditError as error:
        raise UsageError(f"{error}") from error
    if not arguments.dry_run:
        write_project(path, project, found.extras)
    told = _told(project, wanted, boxes, patterns)
    lost = [*lost_of(wanted, song=song), *(f"{row.track.name}: {tr('left out, as it was asked')}"
                                for row in rows if not row.wanted)]  # fmt: skip
    name = next((s.name for s in project.songs if s.id == song_id), None)
    if arguments.json:
        print_json({"file": str(path), "written": not arguments.dry_run, "song": name,
                    "kept": told, "lost": lost, "refused": refused})  # fmt: skip
    else:
        _say(told, [*lost, *refused], name)
    return 1 if lost or refused else 0


def _bars(words: str | None) -> tuple[int, int]:
    """(first, how many; 0 for as many as proposed). UsageError for what is no stretch of bars."""
    if not words:
        return 1, 0
    first, _, last = words.partition("-")
    if not (first.isdecimal() and (not last or last.isdecimal())):
        raise UsageError(f"--bars is FIRST or FIRST-LAST, from 1 (got {words!r})")
    begin, end = int(first), int(last or first)
    if not 1 <= begin <= end < begin + MOST_BARS:
        raise UsageError(f"--bars takes 1 to {MOST_BARS} bars, from bar 1 on (got {words!r})")
    return begin, end - begin + 1


def _map(project: Project, rows: list[BroughtTrack], wishes: list[str]) -> None:
    """Where tracks go by wish. UsageError names a track or box that there is not."""
    by_name = {row.track.name.casefold(): row for row in rows}
    boxes = {d.name.casefold(): d.id for d in project.rig.lines} | {
        d.id: d.id for d in project.rig.lines
    }
    for wish in wishes:
        track, parted, box = (part.strip() for part in wish.rpartition("="))
        row = by_name.get(track.casefold())
        if not parted or row is None:
            there = ", ".join(r.track.name for r in rows) or tr("none")
            raise UsageError(f"--map is TRACK=BOX; tracks: {there} (got {wish!r})")
        if box.casefold() == OUT:
            row.wanted = False
        elif box.casefold() == NEW:
            row.box = ""
        elif box.casefold() in boxes:
            row.box = boxes[box.casefold()]
        else:
            there = ", ".join(d.name for d in project.rig.lines) or tr("none")
            raise UsageError(f"there is no box {box!r}; boxes: {there}")


def _told(
    project: Project, rows: list[BroughtTrack], boxes: list[str], patterns: list[str]
) -> list[dict[str, object]]:
    names = {p.id: p.name for p in project.patterns}
    return [
        {
            "track": row.track.name, "notes": len(row.track.notes),
            "box": project.rig.name_of(box), "pattern": names.get(pattern), "bars": row.bars,
            "key": row.key,
        }
        for row, box, pattern in zip(rows, boxes, patterns, strict=True)
    ]  # fmt: skip


def _say(told: list[dict[str, object]], lost: list[str], song: str | None) -> None:
    for row in told:
        what = tr("part of {song}", song=song) if song else row["pattern"]
        sys.stdout.write(f"{row['track']}: {what}, {row['box']}\n")
    for words in lost:
        sys.stdout.write(f"{words}\n")
