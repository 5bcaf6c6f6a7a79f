"""Views of the log as tables: for the eye, for CSV, for paper."""

from __future__ import annotations

from collections.abc import Sequence

from grebe.core.log.learning import LearningCurve
from grebe.core.log.model import Event, LoggedRun, PlayedStretch, local
from grebe.core.log.over_time import BoxHistory
from grebe.core.log.tonight import ToMend, how_it_went
from grebe.core.room import RoomTable
from grebe.core.time.formatting import clock_text
from grebe.formats.log_db import TransitionHead
from grebe.words import tr

NOTHING = RoomTable("log", "", "", (), (), ())


def in_order(run: LoggedRun) -> list[PlayedStretch | Event]:
    """Sections and all that happened, by time: a row of the table each, and a mark of the
    drawing."""
    rows: list[PlayedStretch | Event] = [*run.stretches, *run.events]
    return sorted(rows, key=lambda row: row.at_s)


def run_table(run: LoggedRun, mend: Sequence[ToMend]) -> RoomTable:
    """A run, in order of time: its sections and all that happened."""
    day = local(run.began, run.zone_min)
    first = [f"{n}. {row.words}" for n, row in enumerate(mend, 1)]
    return RoomTable(
        "log",
        tr("{running}, {day}", running=run.running or run.project,
           day=day.strftime("%Y-%m-%d %H:%M")),
        " ".join((how_it_went(run), *first)),
        (tr("Time"), tr("Song"), tr("Kind"), tr("What"), tr("Verdict"), tr("Off")),
        (8, 16, 10, 40, 13, 13), tuple(_run_row(row) for row in in_order(run)),
    )  # fmt: skip


def _run_row(row: PlayedStretch | Event) -> tuple[str, ...]:
    at = clock_text(row.at_s)
    if isinstance(row, PlayedStretch):
        return at, row.song, tr("scene"), row.scene, "", _longer(row.played_s - row.planned_s)
    verdict = tr(row.verdict) if row.verdict else ""
    off = "" if row.off_ms is None else f"{row.off_ms:+.0f} ms"
    return at, row.song, tr(row.kind), _what(row), verdict, off


def box_table(name: str, found: BoxHistory) -> RoomTable:
    """A box over time."""
    rows = tuple(
        (
            local(r.at, r.zone_min).strftime("%Y-%m-%d %H:%M"), tr(r.kind), f"{r.bpm:g}",
            _ms(r.offset_set_ms), _ms(r.offset_ms), _ms(r.own_ms), _ms(r.jitter_ms, sign=False),
            _ms(r.drift_ms_min), r.firmware, r.cable,
        )
        for r in found.rows
    )  # fmt: skip
    return RoomTable(
        "log",
        tr("{box} over time", box=name), " ".join(found.sentences),
        (tr("When"), tr("By"), "BPM", tr("Set, ms"), tr("Late, ms"), tr("By itself, ms"),
         tr("Jitter, ms"), tr("Drift, ms/min"), tr("Firmware"), tr("Cable")),
        (17, 7, 7, 9, 9, 10, 9, 10, 9, 13), rows,
    )  # fmt: skip


def change_table(change: TransitionHead, curve: LearningCurve) -> RoomTable:
    """A change, evening by evening."""
    rows = tuple(
        (day.day.isoformat(), str(day.tries), str(day.good), f"{100 * day.share.value:.0f} %",
         tr("{low:.0f} to {high:.0f} %", low=100 * day.share.low, high=100 * day.share.high))
        for day in curve.days
    )  # fmt: skip
    return RoomTable(
        "log",
        tr("{song}: {before} into {after}", song=change.song, before=change.before,
           after=change.after),
        curve.sentence,
        (tr("Evening"), tr("Tries"), tr("Good"), tr("Share"), tr("95 %")),
        (24, 16, 16, 18, 26), rows,
    )  # fmt: skip


def _what(event: Event) -> str:
    """What happened, and into which scene it led."""
    if event.kind == "launch":
        return tr("into {scene}", scene=event.scene)
    if event.kind == "move":
        return tr("{what}, into {scene}", what=event.what, scene=event.scene)
    return event.what


def _ms(value: float | None, *, sign: bool = True) -> str:
    return "" if value is None else f"{value:+.1f}" if sign else f"{value:.1f}"


def _longer(seconds: float) -> str:
    if abs(seconds) < 1:
        return ""
    return ("+" if seconds > 0 else "-") + clock_text(abs(seconds))
