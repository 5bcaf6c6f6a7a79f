"""Edits of the rig: devices from profiles, cables with the jacks that fit, what uses a device."""

from __future__ import annotations

import re
from hashlib import blake2b
from typing import Any, TypeVar

import msgspec

from grebe.core.document import Project, with_rig
from grebe.core.rig.model import GREBE_ID, MEDIUM_OF, Cable, Device, Port, Rig, Route
from grebe.core.rig.spec import Gives, Jack, Profile, Spec
from grebe.core.rig.wiring import WIRE_FITS
from grebe.errors import EditError
from grebe.words import tr

MAX_DEVICES = 128
MAX_CABLES = 1024


def device_from(profile: Profile, name: str, taken: set[str]) -> Device:
    """A device as a profile describes it, set as it comes from the factory, with a free id."""
    spec = profile.spec
    sounds = spec.obeys.notes or spec.obeys.clock or spec.obeys.program
    return Device(
        id=free_id(name, taken),
        name=name,
        kind=profile.kind,
        label=profile.label,
        profile=profile.id,
        made_from=digest_of(profile),
        spec=spec,
        plays=profile.plays,
        channel=profile.channel,
        obeys_clock=spec.obeys.clock,
        obeys_transport=spec.obeys.start,
        obeys_song_position=spec.obeys.song_position,
        obeys_program=spec.obeys.program,
        change_at=spec.change_at,
        program_printed_from=profile.program_printed_from,
        mute_controller=profile.mute_controller,
        port=Port(wire="standin" if sounds else "none"),
    )


def digest_of(profile: Profile) -> str:
    """A short digest of a profile as it is: another one where anything in it is another."""
    return blake2b(msgspec.json.encode(profile), digest_size=8).hexdigest()


def profile_from(device: Device, about: str = "") -> Profile:
    """A profile of the performer's own, from a device as it stands in the rig."""
    return Profile(
        id=device.id,
        name=device.name,
        kind=device.kind,
        label=device.label,
        about=about,
        plays=device.plays,
        channel=device.channel,
        program_printed_from=device.program_printed_from,
        mute_controller=device.mute_controller,
        spec=device.spec,
    )


def free_id(name: str, taken: set[str]) -> str:
    """An id made from a name that nothing has yet."""
    stem = re.sub(r"[^a-z0-9]+", "-", name.lower()).strip("-")[:56] or "box"
    if stem not in taken:
        return stem
    return next(f"{stem}-{n}" for n in range(2, len(taken) + 3) if f"{stem}-{n}" not in taken)


def add_device(project: Project, profile: Profile, name: str) -> tuple[Project, str]:
    """The project with a device more, and the device's id. EditError when the rig is full."""
    rig = project.rig
    if len(rig.devices) >= MAX_DEVICES:
        raise EditError(tr("a rig holds {max_devices} devices", max_devices=MAX_DEVICES))
    taken = {GREBE_ID, *(d.id for d in rig.devices)}
    device = device_from(profile, name, taken)
    rig = msgspec.structs.replace(rig, devices=(*rig.devices, device))
    return with_rig(project, rig), device.id


def uses_of(project: Project, device_id: str) -> tuple[str, ...]:
    """What would lose something without a device, in words: cables, patterns, scenes."""
    rig = project.rig
    out: list[str] = []
    cables = sum(device_id in (c.source, c.target) for c in rig.cables)
    routes = sum(device_id in (r.source, r.target) for r in rig.routes)
    patterns = sum(p.device == device_id for p in project.patterns)
    scenes = [s.name for s in project.scenes if any(p.device == device_id for p in s.parts)]
    for count, word in ((cables, "cable"), (routes, "route"), (patterns, "pattern")):
        if count:
            out.append(f"{count} {word}{'s' if count > 1 else ''}")
    if scenes:
        out.append(tr("a part in {names}", names=", ".join(scenes)))
    if rig.leader == device_id:
        out.append(tr("it leads the clock"))
    return tuple(out)


def remove_device(project: Project, device_id: str) -> Project:
    """The project without a device and its cables and routes; its patterns and parts stay."""
    rig = project.rig
    return with_rig(
        project,
        msgspec.structs.replace(
            rig,
            leader=None if rig.leader == device_id else rig.leader,
            devices=tuple(d for d in rig.devices if d.id != device_id),
            cables=tuple(c for c in rig.cables if device_id not in (c.source, c.target)),
            routes=tuple(r for r in rig.routes if device_id not in (r.source, r.target)),
        ),
    )


def spec_of(rig: Rig, device_id: str) -> Spec:
    """A device's abilities; nothing is known of Grebe's or a stranger's jacks."""
    found = next((d for d in rig.devices if d.id == device_id), None)
    return found.spec if found is not None else Spec()


def free_jacks(rig: Rig, device_id: str, *, out: bool) -> list[Jack]:
    """A device's outputs or inputs, those without a cable first."""
    used = {(c.source, c.source_jack) for c in rig.cables}
    used |= {(c.target, c.target_jack) for c in rig.cables}
    jacks = [j for j in spec_of(rig, device_id).jacks if (j.gives if out else j.takes)]
    return sorted(jacks, key=lambda j: (device_id, j.id) in used)


def best_cable(rig: Rig, source: str, target: str) -> Cable:
    """The cable between two devices with the jacks that fit best; MIDI where nothing is known.

    Free jacks before used ones, then in the order of the profiles, a thru and a reset last. Where
    no jacks fit the first of each is taken: performers do plug it, and a finding says so.
    """
    outs: list[Jack | None] = [*free_jacks(rig, source, out=True)] or [None]
    ins: list[Jack | None] = [*free_jacks(rig, target, out=False)] or [None]
    outs.sort(key=lambda jack: jack is not None and jack.way == "thru")
    ins.sort(key=lambda jack: jack is not None and jack.serves == "reset")
    for out in outs:
        for into in ins:
            if out is None or into is None or into.kind in WIRE_FITS[out.kind]:
                return cable_between(rig, source, target, out, into)
    return cable_between(rig, source, target, outs[0], ins[0])


def cable_between(rig: Rig, source: str, target: str, out: Jack | None, into: Jack | None) -> Cable:
    """A cable between two jacks, set as such jacks are."""
    kind = out or into
    device = next((d for d in rig.devices if d.id == source), None)
    rate, expects = _rates(out, into)
    return Cable(
        source=source,
        target=target,
        medium="midi" if kind is None else MEDIUM_OF[kind.kind],
        source_jack=out.id if out is not None else "",
        target_jack=into.id if into is not None else "",
        gives=_usual_gives(device, out),
        rate=rate,
        expects=expects,
    )


def _usual_gives(device: Device | None, out: Jack | None) -> Gives:
    """What a box puts on a cable as it comes: what passes a clock on and makes none gives thru."""
    if out is not None and out.sets:
        return out.sets[0]
    if out is not None and (out.way == "thru" or out.works_out):
        return "thru"
    if device is None:
        return "own"
    passes = device.spec.converts is not None and not device.spec.sends.clock
    return "thru" if device.kind == "relay" or passes else "own"


def _rates(out: Jack | None, into: Jack | None) -> tuple[float | None, float | None]:
    """What to set at the two ends of a pulse cable; None where the jack's usual rate does."""
    given = out.rates if out is not None else ()
    taken = into.rates if into is not None else ()
    if not taken or (given and given[0] == taken[0]):
        return None, None
    if not given:  # Grebe, and jacks of which nothing is known, give any
        return taken[0], None
    common = next((rate for rate in taken if rate in given), None)
    return common, common


def add_cable(project: Project, cable: Cable) -> Project:
    """The project with a cable more. EditError for a cable from a device to itself, or too many."""
    if cable.source == cable.target:
        raise EditError(tr("a cable leads from one device to another"))
    rig = project.rig
    if len(rig.cables) >= MAX_CABLES:
        raise EditError(tr("a rig holds {max_cables} cables", max_cables=MAX_CABLES))
    return with_rig(project, msgspec.structs.replace(rig, cables=(*rig.cables, cable)))


def change_cable(project: Project, index: int, **fields: Any) -> Project:
    """The project with one cable changed; EditError when there is none at `index`."""
    rig = project.rig
    new = msgspec.structs.replace(_at(rig.cables, index, "cable"), **fields)
    if new.source == new.target:
        raise EditError(tr("a cable leads from one device to another"))
    return with_rig(project, msgspec.structs.replace(rig, cables=_put(rig.cables, index, new)))


def remove_cable(project: Project, index: int) -> Project:
    """The project without one cable; EditError when there is none at `index`."""
    rig = project.rig
    _at(rig.cables, index, "cable")
    return with_rig(project, msgspec.structs.replace(rig, cables=_put(rig.cables, index)))


def proposed_route(rig: Rig, source: str) -> Route | None:
    """A route for what a box plays: to one with pads if there is one, else to one Grebe plays.

    None when there is nobody to route to that has no route from it yet.
    """
    taken = {r.target for r in rig.routes if r.source == source}
    open_ = [d for d in rig.devices if d.id not in taken and d.id != source and d.spec.obeys.notes]
    ranked = sorted(open_, key=lambda d: (d.spec.pads is None, d.plays != "grebe"))
    return Route(source=source, target=ranked[0].id) if ranked else None


def add_route(project: Project, route: Route) -> Project:
    """The project with a route through Grebe more; EditError when the two have one already."""
    if route.source == route.target:
        raise EditError(tr("a route leads from one device to another"))
    rig = project.rig
    if any((r.source, r.target) == (route.source, route.target) for r in rig.routes):
        raise EditError(
            tr(
                "{box} already has a route to {box2}",
                box=rig.name_of(route.source),
                box2=rig.name_of(route.target),
            )
        )
    return with_rig(project, msgspec.structs.replace(rig, routes=(*rig.routes, route)))


def change_route(project: Project, index: int, **fields: Any) -> Project:
    """The project with one route changed; EditError when there is none at `index`."""
    rig = project.rig
    new = msgspec.structs.replace(_at(rig.routes, index, "route"), **fields)
    return with_rig(project, msgspec.structs.replace(rig, routes=_put(rig.routes, index, new)))


def remove_route(project: Project, index: int) -> Project:
    """The project without one route; EditError when there is none at `index`."""
    rig = project.rig
    _at(rig.routes, index, "route")
    return with_rig(project, msgspec.structs.replace(rig, routes=_put(rig.routes, index)))


_T = TypeVar("_T", Cable, Route)


def _at(items: tuple[_T, ...], index: int, what: str) -> _T:
    if not 0 <= index < len(items):
        raise EditError(tr("there is no such {what}", what=what))
    return items[index]


def _put(items: tuple[_T, ...], index: int, *new: _T) -> tuple[_T, ...]:
    """The items with `new`, or nothing, in place of one."""
    return items[:index] + new + items[index + 1 :]
