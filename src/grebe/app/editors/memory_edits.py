"""What is meant to be in a box's memory: patterns put at places, copied, taken away."""

from __future__ import annotations

from functools import partial

from grebe.app.editors.pattern_hand import PatternHand
from grebe.core.document import Project
from grebe.core.rig.memory import MemoryPlace, assign, copy_to
from grebe.errors import EditError
from grebe.words import tr


class MemoryEdits:
    """What keys do on the memory map."""

    def __init__(self, hand: PatternHand) -> None:
        self._hand = hand

    def assign(self, program: int) -> None:
        """Give the pattern in hand this place; one that was there takes its."""
        pattern = self._hand.pattern
        if pattern is not None:
            self._hand.session.store.apply(
                tr("{pattern} to another place", pattern=pattern.name),
                lambda p: assign(p, pattern.id, program),
            )

    def copy_here(self, program: int) -> None:
        """A copy of the pattern in hand at this place. EditError without one."""
        pattern = self._hand.pattern
        if pattern is None:
            raise EditError(tr("no pattern is in hand"))
        self._hand.session.store.apply(
            tr("Copy {pattern}", pattern=pattern.name), lambda p: copy_to(p, pattern.id, program)[0]
        )

    def free(self, place: MemoryPlace | None) -> None:
        """Free a place; its patterns stay in the project."""
        for pattern in place.patterns if place is not None else ():
            self._hand.session.store.apply(
                tr("Free a place"), partial(_freed, pattern_id=pattern.id)
            )


def _freed(project: Project, pattern_id: str) -> Project:
    return assign(project, pattern_id, None)
