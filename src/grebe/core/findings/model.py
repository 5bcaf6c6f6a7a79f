"""A finding: what is wrong, why it matters on stage, one thing to do, and what mends it."""

from __future__ import annotations

from collections.abc import Iterable
from hashlib import blake2b
from typing import Any, Literal

import msgspec

from grebe.core.document import Accepted, Project, with_rig
from grebe.core.rig.joining import join_as_track
from grebe.core.rig.model import Cable, Device, Filter, Route
from grebe.core.sets.model import Set
from grebe.core.songs.model import Section, Song
from grebe.core.units import Value

Severity = Literal["block", "warn", "note"]


SubjectKind = Literal["device", "pattern", "scene", "song", "set"]
"""What a finding can be about. A device may be Grebe itself, or the rig as a whole."""


class Cure(Value, frozen=True, kw_only=True):
    """An edit of the document that mends a finding: things replaced, None for taken out."""

    leader: str | None = None
    cables: tuple[tuple[Cable, Cable | None], ...] = ()
    added: tuple[Cable, ...] = ()
    """Cables that are run."""
    devices: tuple[tuple[Device, Device], ...] = ()
    routes: tuple[tuple[Route, Route | None], ...] = ()
    songs: tuple[tuple[Song, Song], ...] = ()
    sets: tuple[tuple[Set, Set], ...] = ()
    joined: tuple[tuple[str, str], ...] = ()
    """Boxes, and those that become tracks of them."""

    @property
    def moves_more(self) -> bool:
        """Whether it may make anything otherwise but which messages pass cables."""
        only_cables = not (
            self.leader or self.added or self.devices or self.routes or self.songs or self.sets
            or self.joined
        )  # fmt: skip
        return not only_cables or any(
            new is None or _with_all_messages(old) != _with_all_messages(new)
            for old, new in self.cables
        )

    def applied(self, project: Project) -> Project:
        """The document with everything replaced that is still there."""
        rig = msgspec.structs.replace(
            project.rig,
            leader=self.leader if self.leader is not None else project.rig.leader,
            cables=(*_replaced(project.rig.cables, self.cables), *self.added),
            devices=_replaced(project.rig.devices, self.devices),
            routes=_replaced(project.rig.routes, self.routes),
        )
        project = msgspec.structs.replace(
            with_rig(project, rig),
            songs=_replaced(project.songs, self.songs),
            sets=_replaced(project.sets, self.sets),
        )
        for box, other in self.joined:
            project = join_as_track(project, box, other)
        return project


def _with_all_messages(cable: Cable) -> Cable:
    """A cable as it is for the clock: with notes, programs and controllers let through."""
    ends = {
        end: msgspec.structs.replace(
            getattr(cable, end), notes=True, program=True, controllers=True, but=()
        )
        for end in ("passes", "accepts")
    }
    return msgspec.structs.replace(cable, plays=None, **ends)


def _replaced(items: tuple[Any, ...], changes: Iterable[tuple[Any, Any]]) -> tuple[Any, ...]:
    out = list(items)
    for old, new in changes:
        if old in out:
            at = out.index(old)
            out[at : at + 1] = [] if new is None else [new]
    return tuple(out)


class Finding(Value, frozen=True, kw_only=True, omit_defaults=False):
    """One thing to look at. Explains itself without the others."""

    code: str
    """Stable: scripts and accepted findings refer to it."""
    severity: Severity
    kind: SubjectKind = "device"
    """Kind of what it is about: each station lists those about its own things."""
    subject: str
    """Id of what it is about."""
    message: str
    why: str
    fix: str
    cure: Cure | None = None
    """What Grebe can do about it itself."""

    @property
    def basis(self) -> str:
        """What it rests on, as a short digest: other names, numbers or settings give another."""
        words = "\0".join((self.code, self.subject, self.message, self.why, self.fix))
        return blake2b(words.encode(), digest_size=8).hexdigest()

    @property
    def accepted(self) -> Accepted:
        """The note that this finding, as it stands, is intended."""
        return Accepted(code=self.code, subject=self.subject, basis=self.basis)


def as_intended(project: Project, finding: Finding) -> Project:
    """The project with a finding accepted: quiet until what it rests on changes."""
    kept = not_intended(project, finding).accepted
    return msgspec.structs.replace(project, accepted=(*kept, finding.accepted))


def not_intended(project: Project, finding: Finding) -> Project:
    """The project in which the finding is heard again."""
    kept = tuple(a for a in project.accepted if a != finding.accepted)
    return msgspec.structs.replace(project, accepted=kept)


def swap_cable(cable: Cable, **fields: Any) -> Cure:
    """The cure that changes one cable."""
    return Cure(cables=((cable, msgspec.structs.replace(cable, **fields)),))


def swap_device(device: Device, **fields: Any) -> Cure:
    """The cure that changes one device."""
    return Cure(devices=((device, msgspec.structs.replace(device, **fields)),))


def changed(filter_: Filter, **fields: Any) -> Filter:
    """A filter with some of it switched."""
    return msgspec.structs.replace(filter_, **fields)


def swap_section(song: Song, section: Section, **fields: Any) -> Cure:
    """The cure that changes one section of a song."""
    sections = tuple(
        msgspec.structs.replace(s, **fields) if s.id == section.id else s for s in song.sections
    )
    return Cure(songs=((song, msgspec.structs.replace(song, sections=sections)),))


def without_section(song: Song, section: Section) -> Cure:
    """The cure that takes a section out of a song."""
    sections = tuple(s for s in song.sections if s.id != section.id)
    return Cure(songs=((song, msgspec.structs.replace(song, sections=sections)),))


def without_place(running: Set, entry: str) -> Cure:
    """The cure that takes a place out of a set."""
    songs = tuple(s for s in running.songs if s.id != entry)
    return Cure(sets=((running, msgspec.structs.replace(running, songs=songs)),))
