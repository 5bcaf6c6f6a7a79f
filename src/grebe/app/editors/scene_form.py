"""Settings of the scene in hand as text: what its form shows, and edits from it. Without Qt."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any, get_args

import msgspec

from grebe.app.editors.scene_hand import SceneHand
from grebe.core.document import Project
from grebe.core.forms import meant, told_apart
from grebe.core.songs.model import Follow, Part, Scene
from grebe.core.songs.scenes import (
    put_value,
    set_part,
)
from grebe.core.time.meter import parse_meter
from grebe.core.typed import taken, typed_whole, with_field
from grebe.core.units import Controller, fields_of
from grebe.errors import EditError
from grebe.words import tr

ECHOES = (None, "1/16", "1/8t", "1/8", "1/8.", "1/4t", "1/4", "1/4.", "1/2")
NO_ROLE, NO_ECHO = "none", tr("as it is")
FOLLOWS: tuple[Follow, ...] = get_args(Follow)
SCHOOLS = ("none", "verse and hook", "build and drop")

Option = tuple[str, str]
"""What can be chosen, by id, and its name."""


class SceneForm:
    """Of the scene and the part in hand, and of the performer."""

    def __init__(self, hand: SceneHand) -> None:
        self.hand = hand

    def field_text(self, owner: str, key: str) -> str | None:
        """A setting as text; None while there is no such thing in hand."""
        scene, part = self.hand.scene, self.hand.part
        if owner == "performer":
            value = getattr(self.hand.project.performer, key)
            return str(value or "none") if key == "school" else str(value)
        if scene is None or (owner == "part" and part is None):
            return None
        if owner == "scene":
            return self._scene_text(scene, key)
        assert part is not None
        if key == "frozen" and not self._can_freeze:
            return None
        return self._part_text(part, key)

    @property
    def _can_freeze(self) -> bool:
        """Whether the device in hand is an echo."""
        device = self.hand.device
        return device is not None and (
            device.kind == "echo" or device.spec.freeze_controller is not None
        )

    def _scene_text(self, scene: Scene, key: str) -> str:
        if key == "to":
            return self._scene_names().get(scene.then.to, "none")
        if key in ("kind", "jumps"):
            return str(getattr(scene.then, key))
        return str(getattr(scene, key)) or NO_ROLE

    def _part_text(self, part: Part, key: str) -> str:
        if key in ("muted", "frozen"):
            return "yes" if getattr(part, key) else "no"
        if key == "over_bars":
            return str(part.over_bars)
        if key != "echo":
            return ""  # several are chosen: see `field_many`
        return part.echo or NO_ECHO

    def field_choices(self, owner: str, key: str) -> tuple[str, ...]:
        """Choices that depend on the document."""
        if (owner, key) == ("scene", "to"):
            return ("none", *self._scene_names().values())
        return ()

    def _scene_names(self) -> dict[str, str]:
        return told_apart((s.id, s.name) for s in self.hand.project.scenes)

    def set_field(self, owner: str, key: str, text: str) -> None:
        """Take a setting from text. EditError says what it may be."""
        words = text.strip()
        name = tr("Set {replace}", replace=key.replace("_", " "))
        if owner == "performer":
            self._set_performer(name, key, words)
        elif owner == "scene":
            self._set_scene(name, key, words)
        else:
            self.hand.change_part(name, **{key: self._part_value(key, words)})

    def _set_performer(self, name: str, key: str, words: str) -> None:
        school = "" if words == "none" else words
        value: Any = school if key == "school" else typed_whole(words)

        def change(project: Project) -> Project:
            made = with_field(project.performer, key, value)
            return msgspec.structs.replace(project, performer=made)

        self.hand.session.store.apply(name, change)

    def _set_scene(self, name: str, key: str, words: str) -> None:
        fields: dict[str, Any]
        scene = self.hand.scene
        assert scene is not None
        if key in ("kind", "to", "jumps"):
            value: Any = words
            if key == "to":
                value = "" if words == "none" else meant(self._scene_names(), words, "scene")
            elif key == "jumps":
                value = typed_whole(words)
            fields = {"then": with_field(scene.then, key, value)}
        elif key == "meter":
            try:
                fields = {"meter": parse_meter(words)}
            except ValueError as error:
                raise EditError(str(error)) from error
        elif key in ("bars", "times"):
            fields = {key: max(1, typed_whole(words))}
        elif key == "role":
            fields = {"role": "" if words == NO_ROLE else words}
        else:
            fields = {key: words}
        made = {key: taken(fields_of(Scene)[key], value, key) for key, value in fields.items()}
        self.hand.change(name, lambda s: msgspec.structs.replace(s, **made))

    def _part_value(self, key: str, words: str) -> Any:
        if key in ("muted", "frozen"):
            return words == "yes"
        if key == "over_bars":
            return typed_whole(words)
        if key == "echo":
            return None if words in ("", NO_ECHO) else words
        raise EditError(tr("{replace} are picked, not typed", replace=key.replace("_", " ")))

    # What several are chosen in

    def field_many(self, owner: str, key: str) -> tuple[tuple[Option, ...], tuple[str, ...]] | None:
        """What there is to choose from, and what is chosen, by id; None where it does not apply."""
        part, device = self.hand.part, self.hand.device
        if owner != "part" or part is None or device is None:
            return None
        if key == "chain":
            names = told_apart((p.id, p.name) for p in self.hand.patterns)
            return (tuple(names.items()), part.chain) if names or part.chain else None
        if key == "fill":
            names = told_apart((p.id, p.name) for p in self.hand.patterns)
            return (tuple(names.items()), (part.fill,) if part.fill else ()) if names else None
        if key == "silent_voices":
            rows = tuple((v.id, v.name) for v in self.hand.voices)
            return (rows, part.silent_voices) if rows else None
        if key == "tracks":
            tracks = range(1, (device.spec.loop_tracks or 0) + 1)
            chosen = tuple(map(str, part.tracks or ()))
            return (
                (tuple((str(n), tr("Track {n}", n=n)) for n in tracks), chosen) if tracks else None
            )
        chart = tuple((str(c.number), c.name) for c in device.spec.controllers)
        values = tuple(f"{v.controller}={v.value}" for v in part.values)
        return (chart, values) if chart or values else None

    def set_many(self, owner: str, key: str, ids: tuple[str, ...]) -> None:
        """Choose these. EditError says what cannot be."""
        del owner
        name = tr("Set {replace}", replace=key.replace("_", " "))
        if key == "values":
            pairs = _pairs(ids)
            self.hand.change(name, lambda s: _with_values(s, self.hand.device_id, pairs))
        elif key == "fill":  # one at most: the last that was chosen
            self.hand.change_part(name, fill=ids[-1] if ids else "")
        elif key == "tracks":
            self.hand.change_part(name, tracks=tuple(sorted(map(int, ids))))
        else:
            fields: dict[str, Any] = {key: ids}
            self.hand.change_part(name, **fields)


def _pairs(rows: Sequence[str]) -> list[tuple[int, int]]:
    """Controllers and their values, of rows such as "74=20"."""
    out: list[tuple[int, int]] = []
    for row in rows:
        controller, _, value = row.partition("=")
        out.append((taken(Controller, controller, tr("A controller")), typed_whole(value)))
    return out


def _with_values(scene: Scene, device: str, pairs: list[tuple[int, int]]) -> Scene:
    scene = set_part(scene, device, values=())
    for controller, value in pairs:
        scene = put_value(scene, device, controller, value)
    return scene
