"""The rigs of `tests.core.rigs`, mended as `check` proposes, on stand-ins: do they really lock?"""

from __future__ import annotations

import msgspec
import pytest

from grebe.app.live.perform import perform
from grebe.core.document import Project
from grebe.core.player.plan import make_plan
from grebe.core.rig.model import GREBE_ID
from grebe.core.rig.tree import clock_tree
from tests import build
from tests.core.rigs import CASES, Case
from tests.core.test_twelve_rigs import mended

SECONDS = 1.5


def ready(case: Case) -> Project:
    """Mended, with something to run."""
    project = mended(case.made())
    project = project if case.by_hand is None else mended(case.by_hand(project))
    if project.songs:
        return project
    return msgspec.structs.replace(project, scenes=(build.scene("s", 8),), songs=(build.song("s"),))


def through_grebe(project: Project) -> set[str]:
    """Boxes whose clock comes from Grebe, or through it: the engine counts those of no other."""
    tree = clock_tree(project.rig)
    return {d for d in tree.locked if tree.passes(GREBE_ID, d)}


LOCKING = [case for case in CASES if through_grebe(ready(case))]


def test_half_of_them_have_boxes_that_grebe_clocks() -> None:
    assert len(LOCKING) >= 6


@pytest.mark.real_time("no tick may be missed on a busy host")
@pytest.mark.parametrize("case", LOCKING, ids=lambda case: case.made.__name__)
def test_every_box_that_check_calls_locked_gets_every_tick(case: Case) -> None:
    project = ready(case)
    outcome = perform(project, make_plan(project, project.songs[0]), SECONDS)
    rows = {row.device: row for row in outcome.reports}
    for device in through_grebe(project):
        assert rows[device].ticks_received > 24
        assert rows[device].missed == 0
