"""What keeps going wrong, as findings: with counts and dates, quiet when accepted, gone when the
last times went well."""

from __future__ import annotations

from collections.abc import Iterator
from datetime import date
from itertools import pairwise

from grebe.core.document import Project
from grebe.core.findings.model import Finding, swap_device
from grebe.core.log.model import BoxCheck, TryRow, evening
from grebe.core.log.over_time import Interval, history, mean_of
from grebe.core.log.tonight import SLOPE_MS
from grebe.core.rig.model import Device
from grebe.core.songs.model import Song
from grebe.core.time.formatting import clock_text
from grebe.core.units import OffsetMs, Value, held_in
from grebe.words import tr

LAST = 5
"""So many times of a change count."""
OFTEN = 3
"""Of those that went wrong, before anything is said: two say nothing."""
NIGHTS = 3
"""Evenings on which a fault is looked for, and two of them make it one that keeps coming."""
LONGER = 0.02
"""A set that takes so much longer than written, as a share, is worth a word."""


class Past(Value, frozen=True, kw_only=True):
    """What the log has that findings may rest on."""

    tries: tuple[TryRow, ...] = ()
    """Of this project, in order of time."""
    checks: tuple[BoxCheck, ...] = ()
    """Of boxes of this rig, in order of time."""
    runs: tuple[tuple[str, float, float, int], ...] = ()
    """Of this project, whole enough to count, in order of time: (set or song, played, written, in
    seconds, the evening as an ordinal)."""
    faults: tuple[tuple[str, str, int, int, int], ...] = ()
    """(box, what, on how many evenings, of how many, the last as an ordinal)."""


NO_PAST = Past()


def past_findings(project: Project, past: Past) -> Iterator[Finding]:
    """All of this family."""
    yield from _changes(project, past)
    yield from _boxes(project, past)
    yield from _faults(project, past)
    yield from _sets(project, past)


# Changes that hands are late for


def _changes(project: Project, past: Past) -> Iterator[Finding]:
    rows: dict[tuple[str, str, str, str], list[TryRow]] = {}
    for row in past.tries:
        rows.setdefault((row.song, row.before, row.after, row.what), []).append(row)
    for (song_name, before, after, what), mine in rows.items():
        song = next((s for s in project.songs if s.name == song_name), None)
        recent = mine[-LAST:]
        if song is None or recent[-1].verdict == "good":
            continue
        scene = _goes_into(project, song, before, after)
        if scene is not None:
            yield _change(song, scene, (before, after, what), recent)


def _goes_into(project: Project, song: Song, before: str, after: str) -> str | None:
    """The id of the scene, where the song still goes from the one into it; else None."""
    names = {scene.id: scene.name for scene in project.scenes}
    order = [section.scene for section in song.sections]
    return next(
        (b for a, b in pairwise(order) if (names.get(a), names.get(b)) == (before, after)), None
    )


def _change(song: Song, scene: str, which: tuple[str, str, str], recent: list[TryRow]) -> Finding:
    """What went wrong the last time is told; what does so again and again warns."""
    before, after, what = which
    wrong = [row for row in recent if row.verdict != "good"]
    days = sorted({evening(row.at, row.zone_min) for row in wrong})
    off = [row.off_ms for row in wrong if row.off_ms is not None]
    middle = sorted(off)[len(off) // 2] if off else None
    how = (
        tr(
            "came {ms:.0f} ms {late}",
            ms=abs(middle),
            late=tr("late") if middle > 0 else tr("early"),
        )
        if middle is not None
        else tr("was missed")
    )
    return Finding(
        code="past.change", severity="warn" if len(wrong) >= OFTEN else "note", subject=scene,
        kind="scene",
        message=tr("{song}, {before} into {after}: {what} {how} in {wrong} of the last "
                   "{count}.", song=song.name, before=before, after=after, what=what, how=how,
                   wrong=len(wrong), count=len(recent)),
        why=tr("It was so on {days}.", days=_days(days)),
        fix=tr("Give it to Grebe, make it easier, or rehearse it: Set, Rehearse."),
    )  # fmt: skip


# Boxes that are late by themselves


def _boxes(project: Project, past: Past) -> Iterator[Finding]:
    for device in project.rig.devices:
        mine = [row for row in past.checks if _is(device, row)]
        if not mine:
            continue
        found = history(mine)
        drifting = _drifts(device, mine)
        if drifting is not None:
            yield drifting
        if found.own is None:
            continue
        left = found.own.value + device.offset_ms
        edge = found.own.low + device.offset_ms, found.own.high + device.offset_ms
        now = Interval(left, *edge)
        if now.sign and abs(left) > device.tolerance_ms:
            yield _late(device, now, mine)
        elif found.by_bpm is not None and found.by_bpm.sign:
            yield _by_tempo(device, found.by_bpm)


def _is(device: Device, row: BoxCheck) -> bool:
    return row.box == device.name or bool(row.profile and row.profile == device.profile)


def _late(device: Device, now: Interval, rows: list[BoxCheck]) -> Finding:
    days = sorted({evening(row.at, row.zone_min) for row in rows})
    late = tr("late") if now.value > 0 else tr("early")
    set_ms = round(held_in(OffsetMs, device.offset_ms - now.value), 1)
    return Finding(
        code="past.late", severity="warn", subject=device.id, kind="device",
        message=tr("{box} comes {ms:.1f} ms {late} as it is set, by what was measured {count} "
                   "times (95 %: {low:+.1f} to {high:+.1f}).", box=device.name, ms=abs(now.value),
                   late=late, count=len(rows), low=now.low, high=now.high),
        why=tr("Measured on {days}.", days=_days(days)),
        fix=tr("Set its offset to {ms:+.1f} ms, or check it again: Sync.", ms=set_ms),
        cure=swap_device(device, offset_ms=set_ms),
    )  # fmt: skip


def _drifts(device: Device, rows: list[BoxCheck]) -> Finding | None:
    """A box that moved against the beat in its last run."""
    runs = [row for row in rows if row.drift_ms_min is not None and row.kind == "run"][-LAST:]
    moved = [row for row in runs if abs(row.drift_ms_min or 0.0) >= SLOPE_MS]
    if not moved or moved[-1] is not runs[-1]:
        return None
    days = sorted({evening(row.at, row.zone_min) for row in moved})
    return Finding(
        code="past.drift", severity="warn" if len(moved) >= OFTEN else "note", subject=device.id,
        kind="device",
        message=tr("{box} drifted by {rate:+.1f} ms a minute the last time, and so in {moved} of "
                   "the last {count} runs.", box=device.name, rate=moved[-1].drift_ms_min,
                   moved=len(moved), count=len(runs)),
        why=tr("It was so on {days}.", days=_days(days)),
        fix=tr("No offset mends that: let it follow the clock, or check its cable: Sync."),
    )  # fmt: skip


def _by_tempo(device: Device, slope: Interval) -> Finding:
    return Finding(
        code="past.tempo", severity="note", subject=device.id, kind="device",
        message=tr("{box} is later by {rate:+.2f} ms for each BPM faster (95 %: {low:+.2f} to "
                   "{high:+.2f}).", box=device.name, rate=slope.value, low=slope.low,
                   high=slope.high),
        why=tr("One offset cannot be right for all songs of a set."),
        fix=tr("Set it for the tempo that matters most, and look at it in Log, Boxes."),
    )  # fmt: skip


# Faults that come back


def _faults(project: Project, past: Past) -> Iterator[Finding]:
    for box, what, on, of, day in past.faults:
        device = next((d for d in project.rig.devices if d.name == box), None)
        if device is None or of < NIGHTS or on < 2:
            continue
        yield Finding(
            code="past.fault", severity="warn", subject=device.id, kind="device",
            message=tr("{what} on {on} of the last {of} evenings.", what=what.rstrip("."), on=on,
                       of=of),
            why=tr("The last time was {day}. What comes twice comes again.",
                   day=date.fromordinal(day).isoformat()),
            fix=tr("Change its cable or port before the next one, and write down what helped: "
                   "Rig, Notes."),
        )  # fmt: skip


# Sets that take longer than they are written


def _sets(project: Project, past: Past) -> Iterator[Finding]:
    for running in project.sets:
        rows = [row for row in past.runs if row[0] == running.name][-2 * LAST :]
        more = mean_of([played - written for _, played, written, _ in rows])
        if more is None or more.sign != 1 or more.value < LONGER * rows[-1][2]:
            continue
        days = sorted({date.fromordinal(day) for *_, day in rows})
        yield Finding(
            code="past.longer", severity="note", subject=running.id, kind="set",
            message=tr("{running} takes {more} longer than it is written, by {count} runs (95 %: "
                       "{low} to {high}).", running=running.name, more=clock_text(more.value),
                       count=len(rows), low=clock_text(more.low), high=clock_text(more.high)),
            why=tr("It was so on {days}.", days=_days(days)),
            fix=tr("Plan so much air, or see in Log what goes on longer."),
        )  # fmt: skip


def _days(days: list[date]) -> str:
    shown = [day.isoformat() for day in days[-3:]]
    more = len(days) - len(shown)
    return ", ".join(shown) + (tr(" and {more} days before", more=more) if more else "")
