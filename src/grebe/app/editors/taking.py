"""Taking boxes, patterns, scenes and songs out of another project's file. Without Qt."""

from __future__ import annotations

from pathlib import Path

import msgspec

from grebe.app.document.loop_files import loop_path
from grebe.app.live.session import Session
from grebe.core.document import Project
from grebe.core.taking_over import TakenOver, Wanted, match_boxes, take_over
from grebe.errors import EditError
from grebe.formats.project import read_project
from grebe.words import tr


class Taking:
    """Another project, and which of it is wanted."""

    def __init__(self, session: Session) -> None:
        self.session = session
        self.other = Project()
        self.wanted = Wanted()
        self.matches: dict[str, str] = {}
        """Boxes there that are boxes here, by id."""

    def read(self, path: Path) -> None:
        """Open the other project. ProjectError as `read_project`."""
        project = read_project(path).project
        loops = tuple(
            msgspec.structs.replace(loop, file=str(loop_path(loop, path.parent.absolute())))
            for loop in project.loops
        )
        self.other = msgspec.structs.replace(project, loops=loops)
        self.wanted = Wanted()
        self.matches = match_boxes(self.session.project, self.other)

    def want(self, kind: str, name: str, *, on: bool) -> None:
        """Want one thing of it, or no longer; `kind` is a field of `Wanted`."""
        before = getattr(self.wanted, kind)
        after = before | {name} if on else before - {name}
        self.wanted = self.wanted._replace(**{kind: after})

    def proposed(self) -> TakenOver:
        """What would come of it. EditError where it cannot be."""
        return take_over(self.session.project, self.other, self.wanted, self.matches)

    def take(self) -> None:
        """Take it, a step of undo. EditError where that cannot be."""
        taken = self.proposed()
        if not taken.lines:
            raise EditError(tr("nothing of it is ticked"))
        self.session.store.apply(
            tr("Take from {other}", other=self.other.name), lambda _: taken.project
        )
        words = tr(
            "Taken from {other}: {names}.", other=self.other.name, names=", ".join(taken.lines)
        )
        self.session.notices.say("info", words, offers="undo")
