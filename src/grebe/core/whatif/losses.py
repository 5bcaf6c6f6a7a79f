"""What is lost when a box or a cable goes: who is silent, who loses the clock, which scenes are
left, and what Grebe goes on doing by itself."""

from __future__ import annotations

import msgspec

from grebe.core.document import Project, with_rig
from grebe.core.rig.flow import ways
from grebe.core.rig.model import GREBE_ID, Rig
from grebe.core.rig.tree import tree_of
from grebe.core.rig.wiring import Wiring
from grebe.core.units import Value
from grebe.errors import EditError
from grebe.words import tr


class Gone(Value, frozen=True, kw_only=True):
    """What goes: a box, or a cable by its number in the rig."""

    box: str = ""
    cable: int = -1


class SceneLeft(Value, frozen=True, kw_only=True):
    """A scene as it can still be played."""

    scene: str
    """Its id."""
    name: str
    missing: tuple[str, ...]
    """Names of what is silent in it that was not; empty: all of it is there."""


class Losses(Value, frozen=True, kw_only=True):
    """All that is lost, in names."""

    id: str
    """Of the box that goes; "" for a cable."""
    name: str
    """What goes, in words."""
    silent: tuple[str, ...]
    """Boxes and tracks that nobody plays any more, or whose sound goes nowhere."""
    unclocked: tuple[str, ...]
    """Boxes that no clock reaches any more."""
    untold: tuple[str, ...]
    """Boxes with patterns of their own that Grebe cannot tell any more which to play."""
    by_itself: tuple[str, ...]
    """What Grebe goes on doing without being asked, in sentences."""
    scenes: tuple[SceneLeft, ...]

    @property
    def whole(self) -> tuple[SceneLeft, ...]:
        """Scenes of which nothing is missing."""
        return tuple(s for s in self.scenes if not s.missing)


def what_can_go(rig: Rig) -> tuple[Gone, ...]:
    """Every box, then every cable with something at both ends."""
    known = {GREBE_ID, *(d.id for d in rig.devices)}
    cables = (
        Gone(cable=i) for i, c in enumerate(rig.cables) if c.source in known and c.target in known
    )
    return (*(Gone(box=d.id) for d in rig.devices), *cables)


def name_of(rig: Rig, gone: Gone) -> str:
    """What goes, in words. EditError where it is not there."""
    if gone.box:
        if all(d.id != gone.box for d in rig.devices):
            raise EditError(tr("there is no box {name!r}", name=gone.box))
        return rig.name_of(gone.box)
    if not 0 <= gone.cable < len(rig.cables):
        raise EditError(tr("there is no such {what}", what=tr("cable")))
    cable = rig.cables[gone.cable]
    return tr(
        "the {medium} cable from {source} to {target}",
        medium=cable.medium,
        source=rig.name_of(cable.source),
        target=rig.name_of(cable.target),
    )


def without(rig: Rig, gone: Gone) -> Rig:
    """The rig as it is then. Where its leader goes nobody leads."""
    if not gone.box:
        kept = tuple(c for i, c in enumerate(rig.cables) if i != gone.cable)
        return msgspec.structs.replace(rig, cables=kept)
    return msgspec.structs.replace(
        rig,
        leader=None if rig.leader == gone.box else rig.leader,
        devices=tuple(d for d in rig.devices if d.id != gone.box),
        cables=tuple(c for c in rig.cables if gone.box not in (c.source, c.target)),
        routes=tuple(r for r in rig.routes if gone.box not in (r.source, r.target)),
    )


def holding(rig: Rig, gone: Gone) -> Rig:
    """The rig as it is then with Grebe holding the tempo, where it had that from what goes."""
    left = without(rig, gone)
    led = tree_of(Wiring(rig)).hops.get(GREBE_ID)
    still = left.leader is not None and GREBE_ID in tree_of(Wiring(left)).hops
    if led is not None and not still:
        return msgspec.structs.replace(left, leader=GREBE_ID)
    return left


def losses(project: Project, gone: Gone) -> Losses:
    """What is lost. EditError where there is no such box or cable."""
    rig = project.rig
    name = name_of(rig, gone)
    left = holding(rig, gone)
    was, now = Wiring(rig), Wiring(left)
    locked, still = set(tree_of(was).locked), set(tree_of(now).locked)
    cut_off = set(ways(was)) - set(ways(now))
    silent = _silent(rig, left, gone, cut_off)
    names = tuple(d.name for d in rig.lines if d.id in silent and _is_played(project, d.id))
    unclocked = [
        d.name for d in left.devices
        if d.id in locked - still and d.id != rig.leader
    ]  # fmt: skip
    return Losses(
        id=gone.box,
        name=name,
        silent=names,
        unclocked=tuple(unclocked),
        untold=_untold(left, cut_off),
        by_itself=_by_itself(rig, left, gone, still),
        scenes=tuple(
            SceneLeft(
                scene=scene.id,
                name=scene.name,
                missing=tuple(rig.name_of(p.device) for p in scene.parts
                              if p.device in silent and (p.chain or p.tracks)),
            )
            for scene in project.scenes
        ),
    )  # fmt: skip


def _is_played(project: Project, line: str) -> bool:
    return any(
        p.device == line and (p.chain or p.tracks) for scene in project.scenes for p in scene.parts
    )


def _silent(rig: Rig, left: Rig, gone: Gone, cut_off: set[str]) -> set[str]:
    """Lines that sound nothing: gone, out of Grebe's reach where it plays them, heard nowhere."""
    heard, then = heard_somewhere(rig), heard_somewhere(left, rig)
    out: set[str] = set()
    for device in rig.devices:
        unreached = device.plays == "grebe" and device.id in cut_off
        unheard = device.id in heard and device.id not in then
        if device.id == gone.box or unreached or unheard:
            out |= {line.id for line in device.lines}
    return out


def _untold(left: Rig, cut_off: set[str]) -> tuple[str, ...]:
    return tuple(
        d.name for d in left.devices
        if d.plays == "own" and any(line.obeys_program for line in d.lines)
        and d.id in cut_off
    )  # fmt: skip


def heard_somewhere(rig: Rig, before: Rig | None = None) -> set[str]:
    """Boxes whose sound comes to an end of the audio cables. Of a box that no such cable leaves,
    or left in the rig `before`, nobody has said where it goes, so it is heard."""
    onward: dict[str, list[str]] = {d.id: [] for d in rig.devices}
    for cable in rig.cables:
        if cable.medium == "audio" and not cable.listens and cable.source in onward:
            onward[cable.source].append(cable.target)
    led = (c for c in (before or rig).cables if c.medium == "audio" and not c.listens)
    told = {c.source for c in led}
    return {d.id for d in rig.devices if d.id not in told or _comes_out(onward, d.id)}


def _comes_out(onward: dict[str, list[str]], device: str) -> bool:
    seen, waiting = {device}, [device]
    while waiting:
        for target in onward.get(waiting.pop(), []):
            if not onward.get(target):
                return True
            if target not in seen:
                seen.add(target)
                waiting.append(target)
    return False


def _by_itself(rig: Rig, left: Rig, gone: Gone, clocked: set[str]) -> tuple[str, ...]:
    out: list[str] = []
    if left.leader == GREBE_ID and rig.leader != GREBE_ID:
        fed = [d.name for d in left.devices if d.id in clocked]
        leader = rig.name_of(str(rig.leader))
        if fed:
            out.append(tr("Grebe holds the last tempo of {leader} and goes on clocking {names}.",
                          leader=leader, names=", ".join(fed)))  # fmt: skip
        else:
            out.append(tr("Grebe holds the last tempo of {leader}.", leader=leader))
    device = next((d for d in rig.devices if d.id == gone.box), None)
    if device is not None and device.port.is_plugged:
        out.append(tr("When {device} is back it is told its pattern and comes in on the next bar.",
                      device=device.name))  # fmt: skip
    return tuple(out)


def project_without(project: Project, gone: Gone) -> Project:
    """The project with the rig that is left, for whoever judges it."""
    return with_rig(project, without(project.rig, gone))
