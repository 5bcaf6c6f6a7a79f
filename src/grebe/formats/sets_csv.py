"""Sets as CSV, so that they can be kept in a spreadsheet: one song a line, in running order."""

from __future__ import annotations

import csv
from collections import Counter
from pathlib import Path
from typing import Any

import msgspec

from grebe.core.document import Project
from grebe.core.sets.model import INTO, Set, SetSong
from grebe.core.sets.plan import SetSchedule
from grebe.errors import UsageError
from grebe.formats.reading import read_bounded, understanding
from grebe.formats.tables import csv_bytes, decoded, heading, numbered, plain, whole
from grebe.formats.tables import number as decimal

COLUMNS = (
    "song", "into", "ramp_bars", "gap_s", "pinned", "bpm", "key", "energy", "start_s", "seconds",
)  # fmt: skip
"""The first five are read; the others are worked out from the songs and only written."""
MAX_LINES = 200
MAX_BYTES = 1024**2
_YES, _NO = ("1", "yes", "true", "x"), ("", "0", "no", "false")


def set_csv(project: Project, plan: SetSchedule) -> bytes:
    """A set as CSV, songs by their names; one whose name stands for another song too by its id."""
    named = Counter(song.name for song in project.songs) + Counter(s.id for s in project.songs)
    rows: list[tuple[object, ...]] = [COLUMNS]
    for song in plan.songs:
        entry, facts = song.entry, song.facts
        own: tuple[Any, ...] = ("", "", "", "", "")
        if facts is not None:
            own = (
                f"{facts.bpm:g}", facts.key, f"{facts.mean_energy:.2f}", f"{song.start_s:.1f}",
                f"{song.seconds:.1f}",
            )  # fmt: skip
        rows.append((
            entry.song if facts is None or named[facts.song.name] > 1 else facts.song.name,
            entry.into, entry.ramp_bars, plain(entry.gap_s), "yes" if entry.pinned else "", *own,
        ))  # fmt: skip
    return csv_bytes(rows)


def read_set_file(path: Path, project: Project, running: Set) -> Set:
    """The set as a CSV file has it; UsageError names the file and what is wrong with it."""
    data = read_bounded(path, MAX_BYTES, "a set", UsageError)
    try:
        with understanding(str(path), "a set as CSV", UsageError):
            return read_set_csv(decoded(data), project, running)
    except UsageError as error:
        raise UsageError(f"{path}: {error}") from error


def read_set_csv(text: str, project: Project, base: Set) -> Set:
    """`base` with its songs as a CSV has them; only `song` has to be there.

    UsageError names the line and what is wrong with it.
    """
    try:
        lines = numbered(text)
    except csv.Error as error:
        raise UsageError(f"the set is not CSV: {error}") from error
    columns = heading(lines[0][1]) if lines else []
    if "song" not in columns:
        raise UsageError("the set's first line should name its columns, `song` among them")
    names = {s.name: s.id for s in reversed(project.songs)} | {s.id: s.id for s in project.songs}
    out: list[SetSong] = []
    for number, cells in lines[1:]:
        row = dict(zip(columns, cells, strict=False))
        if len(out) == MAX_LINES:
            raise UsageError(f"line {number}: a set has at most {MAX_LINES} songs")
        name = row.get("song", "")
        name = name if name in names else name.removeprefix("'")
        if name not in names:
            there = ", ".join(s.name for s in project.songs) or "none"
            raise UsageError(f"line {number}: there is no song {name!r}; songs: {there}")
        fields = {"id": f"e{len(out) + 1}", "song": names[name], **_settings(row, number)}
        try:
            out.append(msgspec.convert(fields, SetSong))
        except msgspec.ValidationError as error:
            raise UsageError(f"line {number}: {error}") from error
    return msgspec.structs.replace(base, songs=tuple(out))


def _settings(row: dict[str, str], number: int) -> dict[str, Any]:
    out: dict[str, Any] = {}
    if row.get("into"):
        into = row["into"].lower()
        if into not in INTO:
            raise UsageError(f"line {number}: into is one of {', '.join(INTO)}")
        out["into"] = into
    for field, kind in (("ramp_bars", whole), ("gap_s", decimal)):
        if row.get(field):
            try:
                out[field] = kind(row[field])
            except ValueError as error:
                raise UsageError(f"line {number}: {field} is a number: {error}") from error
    pinned = row.get("pinned", "").lower()
    if pinned not in (*_YES, *_NO):
        raise UsageError(f"line {number}: pinned is yes or empty (got {pinned!r})")
    out["pinned"] = pinned in _YES
    return out
