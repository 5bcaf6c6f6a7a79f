"""A box beside the profile it was made from: what differs, and taking over what is better there."""

from __future__ import annotations

from collections.abc import Collection, Iterator
from typing import Any, NamedTuple

import msgspec

from grebe.core.rig.abilities import CLOCK, MEMORY, ROWS, Ability, ability_text
from grebe.core.rig.edits import digest_of
from grebe.core.rig.model import Device
from grebe.core.rig.spec import Profile, Spec
from grebe.words import counted, tr

PARTS = {
    "jacks": tr("Jacks"),
    "voices": tr("Voices"),
    "controllers": tr("Controllers"),
    "by_hand": tr("Only by hand"),
    "tracks": tr("Tracks"),
}
LABEL = Ability("label", tr("What it is"))
KIND = Ability("kind", tr("Kind"))


class Difference(NamedTuple):
    """One thing in which a box and its profile differ."""

    path: str
    words: str
    ours: str
    theirs: str


def differences(device: Device, profile: Profile) -> tuple[Difference, ...]:
    """What differs between a box's abilities and a profile's, in the order of the tables."""
    return tuple(_differences(device, profile))


def _differences(device: Device, profile: Profile) -> Iterator[Difference]:
    for ability in (LABEL, KIND):
        ours, theirs = ability_text(device, ability), ability_text(profile, ability)
        if ours != theirs:
            yield Difference(ability.path, ability.words, ours, theirs)
    for ability in (*CLOCK, *MEMORY):
        ours, theirs = ability_text(device.spec, ability), ability_text(profile.spec, ability)
        if ours != theirs:
            yield Difference(ability.path, ability.words, ours, theirs)
    for part, words in PARTS.items():
        own, other = getattr(device.spec, part), getattr(profile.spec, part)
        if own != other:
            yield Difference(part, words, _rows(part, own, other), _rows(part, other, own))


def _rows(part: Any, rows: tuple[Any, ...], others: tuple[Any, ...]) -> str:
    """How many there are, and the first that the other has not got."""
    words = counted(len(rows), "row")
    first = next((r for r in rows if r not in others), None)
    if first is None:
        return words
    texts = (ability_text(first, ability) for ability in ROWS[part])
    return f"{words}: {' '.join(text for text in texts if text and text != 'none')}"


def was_improved(device: Device, profile: Profile) -> bool:
    """Whether a profile says something else than when this box was made from it."""
    known = device.made_from and device.profile == profile.id
    return bool(known) and device.made_from != digest_of(profile)


def taking(device: Device, profile: Profile, paths: Collection[str]) -> Device:
    """The box with these of its differences as the profile has them; it is up to date then."""
    spec = device.spec
    own = {}
    for path in paths:
        if path in ("label", "kind"):
            own[path] = getattr(profile, path)
        else:
            spec = _taking(spec, profile.spec, path)
    guessed = tuple(p for p in spec.guessed if p not in paths or p in profile.spec.guessed)
    spec = msgspec.structs.replace(spec, guessed=guessed)
    return msgspec.structs.replace(device, spec=spec, made_from=digest_of(profile), **own)


def _taking(spec: Spec, other: Spec, path: str) -> Spec:
    part, _, name = path.rpartition(".")
    if not part:
        return msgspec.structs.replace(spec, **{name: getattr(other, name)})
    ours, theirs = getattr(spec, part), getattr(other, part)
    if ours is None or theirs is None:
        return msgspec.structs.replace(spec, **{part: theirs})
    return msgspec.structs.replace(
        spec, **{part: msgspec.structs.replace(ours, **{name: getattr(theirs, name)})}
    )
