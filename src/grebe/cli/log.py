"""``grebe log``: what happened, from the performer's own log on this computer."""

from __future__ import annotations

import argparse
import sys
from datetime import date
from pathlib import Path

from grebe.app.document.sheets import SheetPage, write_sheet
from grebe.app.log.book import LogBook
from grebe.app.log.tables import box_table, change_table, run_table
from grebe.cli.common import Commands, add_json, command, print_json
from grebe.cli.exports import to_pdf
from grebe.core.log.learning import learning
from grebe.core.log.model import local
from grebe.core.log.over_time import Interval, history
from grebe.core.log.tonight import to_mend
from grebe.core.room import RoomTable
from grebe.core.time.formatting import clock_text
from grebe.core.typed import typed_day
from grebe.errors import EditError, UsageError
from grebe.formats.log_db import LogDb
from grebe.formats.log_filter import LogFilter
from grebe.formats.sheets import room_html


def add_commands(commands: Commands) -> None:
    """Add the command."""
    parser = command(
        commands, "log",
        "what was played, checked and rehearsed: runs, boxes over time, changes over rehearsals; "
        "it stays on this computer",
        "grebe log --kind boxes --box Knot --json", show_log,
    )  # fmt: skip
    parser.add_argument("--kind", choices=("runs", "boxes", "changes"), default="runs")
    parser.add_argument("--words", default="", help="only what has these words")
    parser.add_argument("--box", default="", help="only of this box")
    parser.add_argument("--song", default="", help="only of this song")
    parser.add_argument("--venue", default="", help="only at this place")
    parser.add_argument("--since", type=_day, metavar="YYYY-MM-DD", help="the first evening")
    parser.add_argument("--until", type=_day, metavar="YYYY-MM-DD", help="the last evening")
    parser.add_argument("--run", type=int, metavar="N", help="one run by its number, all of it")
    parser.add_argument(
        "--to",
        metavar="OUT.html|OUT.pdf|OUT.csv",
        help="write a run (--run), a box (--box) or a change as a sheet or a table",
    )
    parser.add_argument("--forget", type=_day, metavar="YYYY-MM-DD",
                        help="take this evening out, all of it")  # fmt: skip
    add_json(parser)


def _day(text: str) -> date:
    try:
        return typed_day(text)
    except EditError as error:
        raise argparse.ArgumentTypeError(str(error)) from error


def show_log(arguments: argparse.Namespace) -> int:
    """List what fits, or write one thing of it; 2 where there is no log."""
    book = LogBook()
    book.tidy()
    if arguments.forget is not None:
        book.forget(arguments.forget, arguments.forget)
    book.settle()
    log = book.read()
    if log is None:
        raise UsageError("there is no log yet: it begins with the first run, check or rehearsal")
    wanted = LogFilter(arguments.words, arguments.box, arguments.song, arguments.venue,
                       arguments.since, arguments.until)  # fmt: skip
    try:
        if arguments.to is not None or arguments.run is not None:
            return _one(log, arguments, wanted)
        told, lines = _listed(log, arguments.kind, wanted)
        if arguments.json:
            print_json({arguments.kind: told})
        else:
            sys.stdout.write("".join(f"{line}\n" for line in lines) or "nothing fits\n")
    finally:
        book.close()
    return 0


def _listed(log: LogDb, kind: str, wanted: LogFilter) -> tuple[list[object], list[str]]:
    if kind == "runs":
        heads = log.runs(wanted)
        told: list[object] = [
            {**h._asdict(), "began": local(h.began, h.zone_min).isoformat(timespec="seconds")}
            for h in heads
        ]  # fmt: skip
        lines = [
            f"{h.id:>4}  {local(h.began, h.zone_min):%Y-%m-%d %H:%M}  {clock_text(h.played_s):>6}  "
            f"{h.good}/{h.asked} in time  {h.faults} faults  {h.running or h.project}"
            for h in heads
        ]  # fmt: skip
        return told, lines
    if kind == "changes":
        rows = log.transitions(wanted)
        curves = [learning(log.tries_of(r)) for r in rows]
        told = [
            {**r._asdict(), "ready": c.ready, "recent": _interval(c.recent)}
            for r, c in zip(rows, curves, strict=True)
        ]  # fmt: skip
        return told, [f"{r.song}, {r.before} into {r.after}: {c.sentence}"
                      for r, c in zip(rows, curves, strict=True)]  # fmt: skip
    checks = log.checks(wanted)
    found = {box: history([row for row in checks if row.box == box])
             for box in dict.fromkeys(row.box for row in checks)}  # fmt: skip
    told = [
        {"box": box, "checks": len(h.rows), "own_ms": _interval(h.own),
         "by_day": _interval(h.by_day), "by_bpm": _interval(h.by_bpm),
         "changes": [change.words for change in h.changes]}
        for box, h in found.items()
    ]  # fmt: skip
    return told, [f"{box}: {' '.join(h.sentences)}" for box, h in found.items()]


def _interval(found: Interval | None) -> dict[str, float] | None:
    return None if found is None else {k: round(v, 4) for k, v in found._asdict().items()}


def _one(log: LogDb, arguments: argparse.Namespace, wanted: LogFilter) -> int:
    table = _table(log, arguments, wanted)
    if arguments.to is not None:
        page = SheetPage(room_html(table), table.title, table=table)
        path = write_sheet(None, page, Path(arguments.to), to_pdf=to_pdf)
        if arguments.json:
            print_json({"files": [str(path)]})
        else:
            sys.stdout.write(f"{path}\n")
    elif arguments.json:
        rows = [dict(zip(table.head, row, strict=True)) for row in table.rows]
        print_json({"title": table.title, "about": table.about, "rows": rows})
    else:
        lines = [table.title, table.about, *("\t".join(row) for row in (table.head, *table.rows))]
        sys.stdout.write("".join(f"{line}\n" for line in lines))
    return 0


def _table(log: LogDb, arguments: argparse.Namespace, wanted: LogFilter) -> RoomTable:
    if arguments.kind == "boxes":
        checks = log.checks(wanted)
        boxes = list(dict.fromkeys(row.box for row in checks))
        if len(boxes) != 1:
            raise UsageError(f"name one box with --box; there are: {', '.join(boxes) or 'none'}")
        return box_table(boxes[0], history(checks))
    if arguments.kind == "changes":
        rows = log.transitions(wanted)
        if not rows:
            raise UsageError("no change fits")
        return change_table(rows[0], learning(log.tries_of(rows[0])))
    heads = log.runs(wanted)
    number = arguments.run if arguments.run is not None else heads[0].id if heads else 0
    run = log.run(number)
    if run is None:
        raise UsageError(f"there is no run {number}")
    return run_table(run, to_mend(run, log.checks_of_run(run)))
