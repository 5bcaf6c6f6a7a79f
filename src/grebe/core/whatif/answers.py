"""What if, in words: for the window, the stage sheet and the command."""

from __future__ import annotations

from collections.abc import Iterable
from functools import lru_cache
from typing import NamedTuple

from grebe.core.document import Project
from grebe.core.rig.formatting import listed
from grebe.core.whatif.fallback import Blocking, Fallback, blocking, fallback, few
from grebe.core.whatif.losses import Gone, Losses, losses, what_can_go
from grebe.words import tr


class Without(NamedTuple):
    """One thing that can go, and all that is to be said of it."""

    losses: Losses
    fallback: Fallback
    lost: tuple[str, ...]
    """Sentences on what is lost and what goes on by itself."""
    then: tuple[str, ...]
    """Sentences on what could be done."""


def if_gone(project: Project, gone: Gone, before: Blocking | None = None) -> Without:
    """What is lost without a box or a cable, and the arrangement proposed; `before` as for
    `fallback`. EditError where it is not there."""
    found, plan = losses(project, gone), fallback(project, gone, before)
    return Without(found, plan, _lost(found), _then(plan))


@lru_cache(maxsize=1)
def of_boxes(project: Project) -> tuple[Without, ...]:
    """Of every box without which something is lost, in the order of the rig. The last answer is
    kept: the sheets of a project's songs ask one after another."""
    return _of(project, [gone for gone in what_can_go(project.rig) if gone.box])


def of_cables(project: Project) -> tuple[Without, ...]:
    """Of every cable without which something is lost, in the order of the rig."""
    return _of(project, [gone for gone in what_can_go(project.rig) if not gone.box])


def _of(project: Project, every: Iterable[Gone]) -> tuple[Without, ...]:
    before = blocking(project)
    return tuple(row for gone in every if (row := if_gone(project, gone, before)).lost)


def _lost(found: Losses) -> tuple[str, ...]:
    out: list[str] = []
    if found.silent:
        out.append(tr("Silent: {names}.", names=listed(list(found.silent))))
    if found.unclocked:
        out.append(tr("Without a clock: {names}.", names=listed(list(found.unclocked))))
    if found.untold:
        out.append(tr("On the pattern they stand at: {names}.", names=listed(list(found.untold))))
    if out and found.scenes:
        whole = [scene.name for scene in found.whole]
        if not whole:
            out.append(tr("No scene is left whole."))
        elif len(whole) < len(found.scenes):
            out.append(tr("Scenes left whole: {names}.", names=few(whole)))
        else:
            out.append(tr("All scenes are left whole."))
    return (*out, *found.by_itself) if out else ()


def _then(plan: Fallback) -> tuple[str, ...]:
    faults = [tr("Still to be mended then: {fault}", fault=f.message) for f in plan.faults]
    return (*plan.moves, *faults)
