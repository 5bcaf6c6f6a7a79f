"""A first set, step by step: what is to be done, and whether it is. Without Qt.

It watches the document and what plays; nothing is done for the performer.
"""

from __future__ import annotations

from collections.abc import Callable, Collection
from typing import NamedTuple

import msgspec

from grebe.app.document.demo import is_copy
from grebe.app.live.session import Session
from grebe.app.settings import read_settings, write_settings
from grebe.core.beginning import plays_notes
from grebe.core.document import Project
from grebe.words import tr

BEATS = 3
"""So many hits are a beat."""


class WalkStep(NamedTuple):
    """One thing to do."""

    id: str
    title: str
    how: str
    """In a sentence or two; braces hold actions, whose keys are put in."""
    station: int
    """Where it is done; 0 for anywhere."""
    done: Callable[[Session], bool]


def _boxes(session: Session) -> bool:
    """Somebody's own project, with two boxes that play."""
    home = session.store.home
    own = session.store.path is not None or home is None or not is_copy(home)
    return own and sum(plays_notes(d) for d in session.project.rig.lines) >= 2


def _cabled(session: Session) -> bool:
    rig = session.project.rig
    return bool(rig.devices) and {d.id for d in rig.devices} <= {
        *(c.target for c in rig.cables), *(c.source for c in rig.cables)
    }  # fmt: skip


def _written(project: Project, kinds: Collection[str] = ()) -> int:
    """Boxes that have a pattern with a beat in it."""
    kind = {d.id: d.kind for d in project.rig.lines}
    return len({
        p.device for p in project.patterns
        if (not kinds or kind.get(p.device) in kinds)
        and sum(len(v.hits) for v in p.content.voices) >= BEATS
    })  # fmt: skip


def _dropped(session: Session) -> bool:
    song = session.song
    if song is None:
        return False
    return any(section.mutes for section in song.sections)


def _sounding(session: Session) -> bool:
    return session.running


STEPS: tuple[WalkStep, ...] = (
    WalkStep(
        "boxes",
        tr("Two boxes"),
        tr(
            "{new_project}: give a drum box and a bass a number each, then Begin. "
            "What is simulated sounds without anything plugged in."
        ),
        0,
        _boxes,
    ),
    WalkStep(
        "cables",
        tr("Cables"),
        tr(
            "Every box has one already: see the drawing in Rig. {add_cable} runs "
            "another from the box in hand."
        ),
        1,
        _cabled,
    ),
    WalkStep(
        "beat",
        tr("A beat"),
        tr(
            "In Patterns, click three steps of the first row or more, or press "
            "{toggle} and go on with the arrows."
        ),
        3,
        lambda s: _written(s.project) >= 1,
    ),
    WalkStep(
        "hear",
        tr("Hear it"),
        tr(
            "{run_stop} runs it. The strokes on the waterline are its beats: up is "
            "early, down is late. Stop with the same key."
        ),
        0,
        _sounding,
    ),
    WalkStep(
        "line",
        tr("A second box"),
        tr("{one_after} takes the other box's pattern in hand: give it three notes."),
        3,
        lambda s: _written(s.project) >= 2,
    ),
    WalkStep(
        "scenes",
        tr("Three scenes"),
        tr(
            "In Scenes, {duplicate} makes another like the one in hand: have three. "
            "PgDown on a part chooses its pattern, or silence."
        ),
        4,
        lambda s: len(s.project.scenes) >= 3,
    ),
    WalkStep(
        "song",
        tr("A song"),
        tr(
            "In Song, {insert_section} puts in a section of the next scene, {more} "
            "gives it another pass: have three sections."
        ),
        5,
        lambda s: s.song is not None and len(s.song.sections) >= 3,
    ),
    WalkStep(
        "drop",
        tr("Drums out before the hook"),
        tr(
            "Stand on the section before the last one and press {drums_out}: its "
            "last two bars are without drums, nothing is destroyed."
        ),
        5,
        _dropped,
    ),
    WalkStep(
        "second",
        tr("Another song"),
        tr("{copy_song} in the menu Song makes another like it: change its tempo in the sheet."),
        5,
        lambda s: len(s.project.songs) >= 2,
    ),
    WalkStep(
        "set",
        tr("A set"),
        tr("In Set, {add_song} puts a song in: have two."),
        6,
        lambda s: any(len(x.songs) >= 2 for x in s.project.sets),
    ),
    WalkStep(
        "stage",
        tr("On Stage"),
        tr("Go to Stage and run it. What is next stands large; Enter brings the next section in."),
        7,
        lambda s: s.stage.shown and s.running,
    ),
    WalkStep(
        "save",
        tr("Keep it"),
        tr("{save} asks for a name. The next start brings you back here."),
        0,
        lambda s: s.store.path is not None and not s.store.dirty,
    ),
)
"""In order; a step that is done stays done."""


class Walk:
    """How far somebody is; kept from one start to the next."""

    def __init__(self, session: Session) -> None:
        self.session = session
        kept = read_settings()
        self.shown = kept.walk_shown
        self.done = frozenset(kept.walk_done)

    @property
    def step(self) -> WalkStep | None:
        """The first that is not done; None when all are."""
        return next((s for s in STEPS if s.id not in self.done), None)

    @property
    def number(self) -> int:
        """Its number, from 1."""
        step = self.step
        return len(STEPS) if step is None else STEPS.index(step) + 1

    def look(self) -> bool:
        """Tick off what is done by now; whether anything was. Only the step that stands next is
        looked at: what was there before one came to it is ticked when one does."""
        ticked = False
        while self.shown and (step := self.step) is not None and step.done(self.session):
            self._keep(self.done | {step.id})
            ticked = True
        return ticked

    def skip(self) -> None:
        """On to the next."""
        if self.step is not None:
            self._keep(self.done | {self.step.id})

    def show(self, *, on: bool) -> None:
        """Take it up, from the beginning where it was over, or leave it for now."""
        self.shown = on
        self._keep(frozenset() if on and self.step is None else self.done)

    def _keep(self, done: frozenset[str]) -> None:
        self.done = done
        write_settings(
            msgspec.structs.replace(
                read_settings(), walk_shown=self.shown, walk_done=tuple(sorted(done))
            )
        )
