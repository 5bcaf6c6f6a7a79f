"""What of the log findings rest on: of this project, and of the boxes in its rig."""

from __future__ import annotations

from grebe.app.log.book import LogBook
from grebe.core.document import Project
from grebe.core.findings.past import NIGHTS, NO_PAST, Past
from grebe.core.log.model import evening
from grebe.core.rig.model import Rig
from grebe.errors import LogError
from grebe.formats.log_db import LogDb

MOST_TRIES, MOST_RUNS = 2000, 50
LEAST_PLANNED_S = 300.0
"""A set that was stopped after a song says nothing of how long it takes."""


class PastReader:
    """Reads it again when more was written, or another rig is there."""

    def __init__(self, log: LogBook) -> None:
        self._log = log
        self._seen: tuple[int, str, Rig] | None = None
        self.past: Past = NO_PAST

    def read(self, project: Project) -> Past:
        """What there is now. A log that cannot be read is empty."""
        seen, written = self._seen, self._log.written
        if seen is None or seen[:2] != (written, project.name) or seen[2] is not project.rig:
            self._seen = (written, project.name, project.rig)
            log = self._log.read()
            try:
                self.past = NO_PAST if log is None else _past(log, project)
            except LogError:
                self.past = NO_PAST
        return self.past


def _past(log: LogDb, project: Project) -> Past:
    names = {d.name for d in project.rig.devices}
    profiles = {d.profile for d in project.rig.devices if d.profile}
    return Past(
        tries=tuple(log.tries(project.name, last=MOST_TRIES)),
        checks=tuple(log.checks_of_boxes(names, profiles)),
        runs=tuple(
            (h.running, h.played_s, h.planned_s, evening(h.began, h.zone_min).toordinal())
            for h in reversed(log.runs_of(project.name, MOST_RUNS))
            if h.planned_s >= LEAST_PLANNED_S
        ),
        faults=tuple(log.fault_evenings(project.name, NIGHTS)),
    )
