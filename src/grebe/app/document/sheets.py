"""Sheets for paper: each as HTML, with what changed since it was printed last, written as HTML,
PDF or CSV."""

from __future__ import annotations

from collections.abc import Callable
from functools import partial
from pathlib import Path
from typing import NamedTuple

import msgspec

from grebe.app.document.store import Store
from grebe.app.document.writing import written
from grebe.core.card import box_card
from grebe.core.document import PrintedSheet, Project
from grebe.core.patterns.stepsheet import step_sheet
from grebe.core.rig.setup import of_device, setup_sheet
from grebe.core.room import (
    RoomKind,
    RoomTable,
    band_table,
    cue_table,
    light_table,
    patch_table,
)
from grebe.core.sets.model import Set
from grebe.core.sets.plan import PlacedSong, SetSchedule, plan_set
from grebe.core.songs.changes import reached_by
from grebe.core.songs.cues import CueSheet, cue_sheet
from grebe.core.songs.model import Song
from grebe.core.songs.programme import programmes, what_changed
from grebe.core.whatif.answers import of_boxes, of_cables
from grebe.errors import UsageError
from grebe.formats.sheets import (
    card_html,
    marked,
    programme_html,
    room_html,
    row_digests,
    set_html,
    setup_html,
    sized,
    stage_html,
    steps_html,
    what_if_html,
)
from grebe.formats.tables import csv_bytes
from grebe.words import tr

ToPdf = Callable[[str, Path, str], None]
"""HTML, path, title."""


class SheetPage(NamedTuple):
    """A sheet as it is printed or written."""

    html: str
    title: str
    key: str = ""
    """By which it is known again when it is printed another time; "" where that is not kept."""
    table: RoomTable | None = None
    """What it is as a table, where it is one."""


def setup_page(project: Project, device: str = "") -> SheetPage:
    """The set-up sheet, of one device by name or id or ("") of all. UsageError for a device that is
    not there."""
    sheet = setup_sheet(project)
    if device:
        device = project.device_named(device).id
        sheet = of_device(sheet, device)
    html = setup_html(sheet, ticked=frozenset(project.ticked), project=project.name)
    return SheetPage(html, tr("Set-up sheet: {rig}", rig=sheet.rig), f"setup:{device}")


def steps_page(
    project: Project, song: Song | None, *, device: str = "", pattern: str = ""
) -> SheetPage:
    """Step sheets of a box's patterns, or of one pattern, at a song's tempo; without either, of
    every box that plays its own. UsageError for what is not there."""
    bpm = song.bpm if song is not None else project.songs[0].bpm if project.songs else 120.0
    boxes = {d.id: d for d in project.rig.lines}
    if pattern:
        chosen = [project.pattern_named(pattern)]
    else:
        wanted = {project.device_named(device).id} if device else {
            d.id for d in boxes.values() if d.plays == "own"
        }  # fmt: skip
        chosen = [p for p in project.patterns if p.device in wanted]
    sheets = [step_sheet(p, boxes[p.device], bpm) for p in chosen if p.device in boxes]
    title = tr("Step sheets: {project}", project=project.name)
    return SheetPage(steps_html(sheets), title, f"steps:{device}:{pattern}")


def programme_page(project: Project, song: Song, device: str = "", **colours: str) -> str:
    """Programming sheets of a song, of one device by id or of all, as HTML."""
    found = [
        p
        for p in programmes(project, song, reached_by(project))
        if not device or p.device.id == device
    ]
    before = {p.device: p.lines for p in project.printed if p.song == song.id}
    changed = {
        p.device.id: what_changed(before[p.device.id], p.lines)
        for p in found
        if p.device.id in before
    }
    return programme_html(found, song.name, changed=changed, **colours)


def programme_sheet(project: Project, song: Song, device: str = "") -> SheetPage:
    """Programming sheets of a song, of one device by name or id or of all. It says by itself what
    changed. EditError when the song cannot be laid out, UsageError for no such device."""
    chosen = project.device_named(device).id if device else ""
    title = tr("Programme: {song}", song=song.name)
    return SheetPage(programme_page(project, song, chosen), title)


def stage_page(project: Project, song: Song, **colours: str) -> str:
    """The stage sheet of a song as HTML, with what to do where a box goes."""
    sheet = cue_sheet(project, song)
    return stage_html(sheet, project=project.name, without=of_boxes(project), **colours)


def stage_sheet(project: Project, song: Song) -> SheetPage:
    """The stage sheet of a song. EditError when it cannot be laid out."""
    title = tr("Stage sheet: {song}", song=song.name)
    return SheetPage(stage_page(project, song), title, f"stage:{song.id}")


def card_page(project: Project, device: str) -> SheetPage:
    """A card for a box's lid, by its name or id. UsageError where it is not in the rig."""
    card = box_card(project, device)
    title = tr("Card: {box}", box=card.device.name)
    return SheetPage(card_html(card, project.name), title, f"card:{card.device.id}")


def what_if_page(project: Project, first: str = "", **colours: str) -> str:
    """What is lost without each box, as HTML, the one with the id `first` before the others; then
    without each cable."""
    rows = sorted(of_boxes(project), key=lambda row: row.losses.id != first)
    return what_if_html([*rows, *of_cables(project)], **colours)


def set_cues(project: Project, plan: SetSchedule) -> list[tuple[PlacedSong, CueSheet]]:
    """The cues of each song of a set that can be played."""
    return [(s, cue_sheet(project, s.facts.song)) for s in plan.songs if s.facts is not None]


def set_sheet(project: Project, running: Set) -> SheetPage:
    """The stage sheet of a set."""
    plan = plan_set(project, running)
    html = set_html(project, plan, set_cues(project, plan))
    return SheetPage(html, tr("Stage sheet: {running}", running=running.name), f"set:{running.id}")


def room_sheet(project: Project, kind: RoomKind, played: Song | Set | None = None) -> SheetPage:
    """A table for others in the room, of a song or a set, or of the rig. UsageError where it is of
    something else."""
    table = _table(project, kind, played)
    of = "" if played is None else f"{'song' if isinstance(played, Song) else 'set'}:{played.id}"
    return SheetPage(room_html(table), table.title, f"{kind}:{of}", table)


def _table(project: Project, kind: RoomKind, played: Song | Set | None) -> RoomTable:
    if kind == "patch":
        return patch_table(project)
    if kind == "band":
        if not isinstance(played, Set):
            raise UsageError(tr("the list for the band is of a set"))
        return band_table(project, played)
    if played is None:
        raise UsageError(tr("cues are of a song or of a set"))
    return cue_table(project, played) if kind == "cues" else light_table(project, played)


# Onto paper


def finished(project: Project, page: SheetPage, size_percent: int = 100) -> str:
    """A sheet as it goes onto paper: marked where it is otherwise than when it was printed last,
    its type so large."""
    before = next((p for p in project.printed_sheets if p.key == page.key), None)
    html = page.html if before is None else marked(page.html, before.rows, before.on)
    return sized(html, size_percent)


def remembered(project: Project, page: SheetPage, on: str) -> Project:
    """The project once a sheet was printed on a day (YYYY-MM-DD)."""
    if not page.key:
        return project
    made = PrintedSheet(key=page.key, on=on, rows=row_digests(page.html))
    kept = tuple(p for p in project.printed_sheets if p.key != page.key)
    return msgspec.structs.replace(project, printed_sheets=(*kept, made))


def remember(store: Store, page: SheetPage, on: str) -> None:
    """A sheet was printed: a step that can be undone, where it is one that is kept."""
    if page.key:
        store.apply(tr("Sheet printed"), partial(remembered, page=page, on=on))


def write_sheet(
    project: Project | None, page: SheetPage, path: Path, *, to_pdf: ToPdf, size_percent: int = 100
) -> Path:
    """Write a sheet as .html or .pdf, or a table as .csv, by the name's ending; the path. Without a
    project it is marked nowhere.

    UsageError for another name, ProjectError when it cannot be written.
    """
    kind = path.suffix.lower()
    if kind == ".csv" and page.table is not None:
        return written(path, csv_bytes([page.table.head, *page.table.rows]))
    if kind not in (".html", ".pdf"):
        ends = tr(".html, .pdf or .csv") if page.table is not None else tr(".html or .pdf")
        raise UsageError(
            tr("{path}: a sheet is written as {ends}; end the name so", path=path, ends=ends)
        )
    if project is None:
        html = sized(page.html, size_percent)
    else:
        html = finished(project, page, size_percent)
    if kind == ".pdf":
        return written(path, lambda there: to_pdf(html, there, page.title))
    return written(path, html.encode())
