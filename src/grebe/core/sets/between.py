"""What has to be done between two songs of a set, by whom, and whether there is time for it."""

from __future__ import annotations

from collections.abc import Iterator
from typing import Literal, NamedTuple

from grebe.core.document import Project
from grebe.core.patterns.model import Pattern
from grebe.core.rig.model import Device
from grebe.core.rig.numbering import printed_program
from grebe.core.sets.facts import SongFacts
from grebe.core.songs.changes import changes, moves_of
from grebe.core.songs.hands import Move, Schedule, schedule
from grebe.core.songs.model import Performer, Scene, Song
from grebe.words import tr

SECONDS_A_HIT = 0.7
"""Keying a pattern into a box by hand, for each hit: common practice, no source."""
SECONDS_TO_STORE = 4.0
"""And to choose its place and store it: likewise."""
LONG_SILENT_S = 600.0
"""A box that is silent for longer is free for all of it."""

By = Literal["grebe", "you", "helper"]
WorkKind = Literal["load", "patch", "teach", "program", "move", "send"]


class Work(NamedTuple):
    """One thing to be done between two songs."""

    device: str
    """Id."""
    kind: WorkKind
    what: str
    by: By
    seconds: float
    """How long hands are busy; 0 for what Grebe sends."""
    opens: float
    """From when on it can be done, in seconds before (negative) the song's first beat."""
    closes: float
    """When it has to be over, likewise."""
    foot: bool = False


class Between(NamedTuple):
    """Everything between two songs."""

    work: tuple[Work, ...]
    """Of hands, longest first, then what Grebe sends."""
    hands: Schedule
    """The performer's part of it."""
    helper: Schedule
    window_s: float
    """The time there is, for what is needed from the first beat on."""

    @property
    def fits(self) -> bool:
        """Whether it can all be made in time."""
        return self.hands.fits and self.helper.fits

    @property
    def by_hand(self) -> tuple[Work, ...]:
        """What hands have to do."""
        return tuple(w for w in self.work if w.by != "grebe")

    @property
    def seconds(self) -> float:
        """How long hands are busy in all."""
        return sum(w.seconds for w in self.by_hand)


def between(
    project: Project, before: SongFacts | None, after: SongFacts, gap_s: float, bpm: float,
    reached: frozenset[str],
) -> Between:  # fmt: skip
    """Work between two songs with `gap_s` of silence; `bpm` is the tempo the first ends at.

    `before` is None for what the set begins with: then there is all the time in the world.
    """
    work = [*_needs(before, after, gap_s), *_programmes(project, before, after, gap_s)]
    moves = list(_moves(project, before, after, gap_s, bpm, reached))
    work.sort(key=lambda w: -w.seconds)
    hands = [w for w in moves if w.by != "grebe"]
    sent = [w for w in moves if w.by == "grebe"]
    every = [*work, *hands]
    mine = [_as_move(w) for w in every if w.by == "you"]
    theirs = [_as_move(w) for w in every if w.by == "helper"]
    if before is None:  # before the show: in peace
        mine = theirs = []
    return Between(
        (*every, *sent),
        schedule(mine, project.performer),
        schedule(theirs, Performer()),
        gap_s,
    )


def _as_move(work: Work) -> Move:
    limb: Literal["hand", "foot"] = "foot" if work.foot else "hand"
    return Move(work.device, work.what, limb, work.seconds, work.opens, work.closes)


def silent_tail_s(facts: SongFacts, device: str) -> float:
    """How long a device has been silent when a song ends."""
    return _silent(facts, device, range(len(facts.layout.spans) - 1, -1, -1))


def silent_head_s(facts: SongFacts, device: str) -> float:
    """How long a device stays silent from a song's first beat on."""
    return _silent(facts, device, range(len(facts.layout.spans)))


def _silent(facts: SongFacts, device: str, order: range) -> float:
    out = 0.0
    for number in order:
        if _plays(facts.layout.spans[number].scene, device):
            return out
        out += facts.weight[number]
    return max(out, LONG_SILENT_S)


def _plays(scene: Scene, device: str) -> bool:
    part = scene.part(device)
    return bool(part.chain) and not part.muted


def _window(
    before: SongFacts | None, after: SongFacts, device: str, gap_s: float
) -> tuple[float, float]:
    """(opens, closes) for work on a device that must not be heard."""
    tail = LONG_SILENT_S if before is None else silent_tail_s(before, device)
    return -(gap_s + tail), silent_head_s(after, device)


def _needs(before: SongFacts | None, after: SongFacts, gap_s: float) -> Iterator[Work]:
    """What the song asks for and did not already stand from the one before."""
    standing = set() if before is None else {(n.device, n.what) for n in before.song.needs}
    for need in after.song.needs:
        if (need.device, need.what) not in standing:
            opens, closes = _window(before, after, need.device, gap_s)
            yield Work(need.device, need.kind, need.what, need.by, need.seconds, opens, closes)


def used_patterns(project: Project, song: Song, device: Device) -> list[Pattern]:
    """The patterns of a device that a song plays, in order of the project."""
    played = {section.scene for section in song.sections if section.times}
    chains = {
        p for scene in project.scenes if scene.id in played for p in scene.part(device.id).chain
    }
    return [p for p in project.patterns_of.get(device.id, ()) if p.id in chains]


def _programmes(
    project: Project, before: SongFacts | None, after: SongFacts, gap_s: float
) -> Iterator[Work]:
    """Places of a box's memory that another pattern stands in by then."""
    if before is None:
        return
    for device in project.rig.lines:
        if device.plays != "own":
            continue
        theirs = {p.program: p for p in used_patterns(project, before.song, device)}
        for pattern in used_patterns(project, after.song, device):
            other = theirs.get(pattern.program)
            if pattern.program is None or other is None or other.id == pattern.id:
                continue
            hits = sum(len(v.hits) for v in pattern.content.voices)
            place = printed_program(device, pattern.program)
            opens, closes = _window(before, after, device.id, gap_s)
            seconds = hits * SECONDS_A_HIT + SECONDS_TO_STORE
            what = tr(
                "key {pattern} into {place} over {other}",
                pattern=pattern.name,
                place=place,
                other=other.name,
            )
            yield Work(device.id, "program", what, "you", seconds, opens, closes)


def _moves(
    project: Project, before: SongFacts | None, after: SongFacts, gap_s: float, bpm: float,
    reached: frozenset[str],
) -> Iterator[Work]:  # fmt: skip
    """What the first scene wants otherwise than the last one of the song before."""
    last = None if before is None else before.last.scene
    found = changes(
        project, last, after.first.scene, bpm, bpm_after=after.bpm, reached=reached,
        song=after.song,
    )  # fmt: skip
    for move in moves_of(found):
        opens = min(move.opens, -gap_s)
        words = move.words.rpartition(": ")[2] if before is None else move.words
        yield Work(
            move.device, "move", words, "you", move.seconds, opens, move.closes, move.limb == "foot"
        )
    for change in found:
        if change.by == "grebe" and change.sent:
            yield Work(change.device, "send", change.after, "grebe", 0.0, -gap_s, 0.0)
