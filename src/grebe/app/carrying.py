"""What is copied, as it lies on the desktop's clipboard: hits, or things and what they need.

It is JSON, so that another window, another project or a text editor can have it, and it is read
with the care that a file of somebody else's wants.
"""

from __future__ import annotations

from typing import Annotated, NamedTuple, Protocol

import msgspec
from msgspec import Meta

from grebe.core.document import Project
from grebe.core.patterns.edit import Clip
from grebe.core.patterns.model import Hit
from grebe.core.rig.model import Rig
from grebe.core.taking_over import Wanted
from grebe.core.units import MAX_STEPS, Value
from grebe.errors import ProjectError
from grebe.formats.project import parse_project, project_bytes
from grebe.words import tr

MIME_TYPE = "application/x-grebe+json"
MAX_BYTES = 4 * 1024 * 1024
"""More than that is not what somebody copied by hand."""
VERSION = 1


class _Ids(Value, frozen=True, kw_only=True):
    boxes: tuple[str, ...] = ()
    patterns: tuple[str, ...] = ()
    scenes: tuple[str, ...] = ()
    songs: tuple[str, ...] = ()


class _Written(Value, frozen=True, kw_only=True):
    """As it is written."""

    grebe: int = VERSION
    hits: tuple[tuple[Hit, ...], ...] = ()
    steps: Annotated[int, Meta(ge=0, le=MAX_STEPS)] = 0
    wanted: _Ids = _Ids()
    project: msgspec.Raw = msgspec.Raw(b"null")
    sections: bool = False


class Carried(NamedTuple):
    """Either hits, or things of a project."""

    clip: Clip | None = None
    project: Project | None = None
    wanted: Wanted = Wanted()
    sections: bool = False
    """The only song of it is a stretch of one: its sections are what was copied."""


class Board(Protocol):
    """Where what is copied lies."""

    @property
    def holds(self) -> bool:
        """Whether there is something of Grebe's."""

    def put(self, what: Carried) -> None:
        """Copy it there."""

    def get(self) -> Carried | None:
        """What lies there; None for nothing. ProjectError where it cannot be read."""


class OwnBoard:
    """A clipboard of one process, for where there is no desktop."""

    def __init__(self) -> None:
        self._kept: Carried | None = None

    @property
    def holds(self) -> bool:
        """Whether there is something."""
        return self._kept is not None

    def put(self, what: Carried) -> None:
        """Copy it there."""
        self._kept = what

    def get(self) -> Carried | None:
        """What lies there."""
        return self._kept


def carried(project: Project, wanted: Wanted, *, sections: bool = False) -> Carried:
    """Things of a project with all that they need, and nothing else of it."""
    whole = wanted.with_needs(project)
    rig = Rig(devices=tuple(d for d in project.rig.devices if d.id in whole.boxes))
    only = Project(
        name=project.name, rig=rig,
        patterns=tuple(p for p in project.patterns if p.id in whole.patterns),
        scenes=tuple(s for s in project.scenes if s.id in whole.scenes),
        songs=tuple(s for s in project.songs if s.id in whole.songs),
    )  # fmt: skip
    return Carried(project=only, wanted=wanted, sections=sections)


def packed(what: Carried) -> bytes:
    """As JSON."""
    ids = _Ids(**{k: tuple(sorted(getattr(what.wanted, k))) for k in Wanted._fields})
    project = b"null" if what.project is None else project_bytes(what.project)
    hits, steps = ((), 0) if what.clip is None else (what.clip.rows, what.clip.steps)
    written = _Written(
        hits=hits, steps=steps, wanted=ids, project=msgspec.Raw(project), sections=what.sections
    )
    return msgspec.json.encode(written)


def unpacked(data: bytes) -> Carried:
    """Out of JSON. ProjectError says what is wrong with it."""
    if len(data) > MAX_BYTES:
        raise ProjectError(tr("what lies on the clipboard is too large"))
    try:
        written = msgspec.json.decode(data, type=_Written)
    except (msgspec.DecodeError, UnicodeDecodeError, RecursionError) as error:
        raise ProjectError(
            tr("what lies on the clipboard cannot be read: {error}", error=error)
        ) from error
    if written.grebe != VERSION:
        raise ProjectError(tr("what lies on the clipboard is of another Grebe"))
    if written.steps:
        return Carried(clip=Clip(written.hits, written.steps))
    project = parse_project(bytes(written.project), tr("the clipboard")).project
    wanted = Wanted(**{k: frozenset(getattr(written.wanted, k)) for k in Wanted._fields})
    return Carried(project=project, wanted=wanted, sections=written.sections)


def plain_text(what: Carried) -> str:
    """For a text editor: names, or steps as x and points."""
    if what.clip is not None:
        rows = [{h.step for h in row} for row in what.clip.rows]
        return "\n".join(
            "".join("x" if step in row else "." for step in range(what.clip.steps)) for row in rows
        )
    project = what.project or Project()
    named = [
        *(d.name for d in project.rig.devices if d.id in what.wanted.boxes),
        *(p.name for p in project.patterns if p.id in what.wanted.patterns),
        *(s.name for s in project.scenes if s.id in what.wanted.scenes),
        *(s.name for s in project.songs if s.id in what.wanted.songs),
    ]
    return "\n".join(named)
