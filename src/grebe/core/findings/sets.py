"""Findings on sets: what is not there, what does not fit, what cannot be ready in time."""

from __future__ import annotations

from collections.abc import Iterator

from grebe.core.document import Project
from grebe.core.findings.model import Finding, without_place
from grebe.core.sets.fit import repeats, to_drop
from grebe.core.sets.formatting import between_words, shift_words
from grebe.core.sets.keys import Relation
from grebe.core.sets.model import Set
from grebe.core.sets.plan import PlacedSong, SetFactsModel, SetSchedule, plan_set
from grebe.words import tr

JUMP = 0.1
"""A cut to a tempo so much faster or slower is heard as another piece."""


def set_findings(project: Project, book: SetFactsModel) -> Iterator[Finding]:
    """Everything about each set; `book` has what is known of its songs."""
    for running in project.sets:
        if not running.songs:
            yield Finding(
                code="set.empty", severity="warn", kind="set", subject=running.id,
                message=tr("{running} has no songs.", running=running.name),
                why=tr("There is nothing to play."),
                fix=tr("Put a song into it, in Set."),
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
    what = tr("{name}, which has nothing that can be played", name=name) if name else (
        tr("the song {song}, which is not there", song=song.entry.song)
    )  # fmt: skip
    yield Finding(
        code="set.no-song",
        severity="block",
        kind="set",
        subject=running.id,
        message=tr(
            "Place {place} of {running} names {what}.", place=place, running=running.name, what=what
        ),
        why=tr("The set goes on without it: you would wait for a song that does not come."),
        fix=tr("Choose another song for the place, or take it out."),
        cure=without_place(running, song.entry.id),
    )


def _crossing(
    project: Project, running: Set, plan: SetSchedule, song: PlacedSong
) -> Iterator[Finding]:
    crossing, facts = song.crossing, song.facts
    if crossing is None or facts is None:
        return
    before = _before(plan, song)
    names = tr("{before} to {song}", before=before, song=facts.song.name)
    if not crossing.between.fits:
        yield Finding(
            code="set.no-time",
            severity="warn",
            kind="set",
            subject=running.id,
            message=tr(
                "From {names}: {between_words}",
                names=names,
                between_words=between_words(project, crossing.between),
            ),
            why=tr("The song would begin with a box that is not ready for it."),
            fix=tr(
                "Leave more silence, do it one song earlier, let a helper do it, or move the song."
            ),
        )
    if crossing.metres is not None:
        yield _metre(running, names, *crossing.metres)
    if crossing.key is not None and not crossing.key.fits and song.entry.into != "stop":
        yield _key_clash(running, names, crossing.key, shift_words(crossing.key, facts.key))
    jump = crossing.bpm_to / crossing.bpm_from
    if song.entry.into == "cut" and not 1 - JUMP < jump < 1 + JUMP:
        yield Finding(
            code="set.tempo-jump", severity="note", kind="set", subject=running.id,
            message=tr("From {names} the tempo jumps from {bpm_from:g} to {bpm_to:g} BPM on a "
"bar.", names=names, bpm_from=crossing.bpm_from, bpm_to=crossing.bpm_to),
            why=tr("Boxes need a moment to follow, echoes stand at the old time, dancers "
"stumble."),
            fix=tr("Ramp over some bars, go through the half tempo, or let it be the "
"surprise it is."),
        )  # fmt: skip


def _metre(running: Set, names: str, first: str, second: str) -> Finding:
    return Finding(
        code="set.metre",
        severity="note",
        kind="set",
        subject=running.id,
        message=tr(
            "From {names} the metre goes from {first} to {second} without a stop.",
            names=names,
            first=first,
            second=second,
        ),
        why=tr("Boxes that count bars of their own go on counting the old ones."),
        fix=tr("Let it come in after a stop, or check that each box takes the new metre."),
    )


def _key_clash(running: Set, names: str, found: Relation, match: str) -> Finding:
    return Finding(
        code="set.key-clash",
        severity="note",
        kind="set",
        subject=running.id,
        message=tr(
            "From {names} the keys do not fit: {key_words}.",
            names=names,
            key_words=found.words,
        ),
        why=tr("What still sounds of one is heard against the other."),
        fix=tr(
            "Transpose it ({match}), let drums alone go over, or stop between them.",
            match=match,
        ),
    )


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
    names = ", ".join(tr("a pass of {scene}", scene=r.scene) for r in drop[:3])
    yield Finding(
        code="set.too-long",
        severity="warn",
        kind="set",
        subject=plan.running.id,
        message=tr(
            "{running} is {over:.0f} s longer than its slot.", running=plan.running.name, over=over
        ),
        why=tr("The end is cut off by somebody else."),
        fix=tr("Drop {names}.", names=names) if names else tr("Take a song out, or shorten one."),
    )
