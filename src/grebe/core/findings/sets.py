"""Findings on sets: what is not there, what does not fit, what cannot be ready in time."""

from __future__ import annotations

from collections.abc import Iterator

from grebe.core.document import Project
from grebe.core.findings.model import Finding, without_place
from grebe.core.sets.fit import repeats, to_drop
from grebe.core.sets.formatting import between_words, shift_words
from grebe.core.sets.model import Set
from grebe.core.sets.plan import PlacedSong, SetFactsModel, SetSchedule, plan_set
from grebe.core.songs.energy import PatternBars

JUMP = 0.1
"""A cut to a tempo so much faster or slower is heard as another piece."""


def set_findings(project: Project, bars: PatternBars | None = None) -> Iterator[Finding]:
    """Everything about each set; `bars` are shared with the findings on songs."""
    book = SetFactsModel(bars)
    for running in project.sets:
        if not running.songs:
            yield Finding(
                code="set.empty", severity="warn", kind="set", subject=running.id,
                message=f"{running.name} has no songs.",
                why="There is nothing to play.",
                fix="Put a song into it, in Set.",
            )  # fmt: skip
            continue
        plan = plan_set(project, running, book)
        for song in plan.songs:
            yield from _missing(project, running, song)
            yield from _crossing(project, running, plan, song)
        yield from _slot(plan)


def _missing(project: Project, running: Set, song: PlacedSong) -> Iterator[Finding]:
    if song.facts is not None:
        return
    names = {s.id: s.name for s in project.songs}
    place = running.place(song.entry.id) + 1
    name = names.get(song.entry.song)
    what = f"{name}, which has nothing that can be played" if name else (
        f"the song {song.entry.song}, which is not there"
    )  # fmt: skip
    yield Finding(
        code="set.no-song", severity="block", kind="set", subject=running.id,
        message=f"Place {place} of {running.name} names {what}.",
        why="The set goes on without it: you would wait for a song that does not come.",
        fix="Choose another song for the place, or take it out.",
        cure=without_place(running, song.entry.id),
    )  # fmt: skip


def _crossing(
    project: Project, running: Set, plan: SetSchedule, song: PlacedSong
) -> Iterator[Finding]:
    crossing, facts = song.crossing, song.facts
    if crossing is None or facts is None:
        return
    before = _before(plan, song)
    names = f"{before} to {facts.song.name}"
    if not crossing.between.fits:
        yield Finding(
            code="set.no-time", severity="warn", kind="set", subject=running.id,
            message=f"From {names}: {between_words(project, crossing.between)}",
            why="The song would begin with a box that is not ready for it.",
            fix="Leave more silence, do it one song earlier, let a helper do it, or move the song.",
        )  # fmt: skip
    if crossing.metres is not None:
        first, second = crossing.metres
        yield Finding(
            code="set.metre", severity="note", kind="set", subject=running.id,
            message=f"From {names} the metre goes from {first} to {second} without a stop.",
            why="Boxes that count bars of their own go on counting the old ones.",
            fix="Let it come in after a stop, or check that each box takes the new metre.",
        )  # fmt: skip
    if crossing.key is not None and not crossing.key.fits and song.entry.into != "stop":
        match = shift_words(crossing.key, facts.key)
        yield Finding(
            code="set.key-clash", severity="note", kind="set", subject=running.id,
            message=f"From {names} the keys do not fit: {crossing.key.words}.",
            why="What still sounds of one is heard against the other.",
            fix=f"Transpose it ({match}), let drums alone go over, or stop between them.",
        )  # fmt: skip
    jump = crossing.bpm_to / crossing.bpm_from
    if song.entry.into == "cut" and not 1 - JUMP < jump < 1 + JUMP:
        yield Finding(
            code="set.tempo-jump", severity="note", kind="set", subject=running.id,
            message=f"From {names} the tempo jumps from {crossing.bpm_from:g} to "
            f"{crossing.bpm_to:g} BPM on a bar.",
            why="Boxes need a moment to follow, echoes stand at the old time, dancers stumble.",
            fix="Ramp over some bars, go through the half tempo, or let it be the surprise it is.",
        )  # fmt: skip


def _before(plan: SetSchedule, song: PlacedSong) -> str:
    rows = plan.playable
    facts = rows[rows.index(song) - 1].facts
    return "" if facts is None else facts.song.name


def _slot(plan: SetSchedule) -> Iterator[Finding]:
    spare = plan.spare_s
    if spare is None or spare >= 0 or not plan.playable:
        return
    over = -spare
    drop = to_drop(repeats(plan.songs, plan.playable[0].entry.id, 0), over)
    names = ", ".join(f"a pass of {r.scene}" for r in drop[:3])
    yield Finding(
        code="set.too-long", severity="warn", kind="set", subject=plan.running.id,
        message=f"{plan.running.name} is {over:.0f} s longer than its slot.",
        why="The end is cut off by somebody else.",
        fix=f"Drop {names}." if names else "Take a song out, or shorten one.",
    )  # fmt: skip
