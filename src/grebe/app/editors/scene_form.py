"""A scene in hand and its settings as text: what its form shows, and edits from it. Without Qt."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any, get_args

import msgspec

from grebe.app.editors.scene_model import SceneModel, SceneTransition, chart_devices
from grebe.app.live.session import Session
from grebe.core.document import Project, with_scene
from grebe.core.patterns.model import Pattern, Voice
from grebe.core.player.plan import sounding
from grebe.core.rig.model import Device
from grebe.core.songs.model import Follow, Part, Scene
from grebe.core.songs.scenes import (
    put_value,
    set_part,
)
from grebe.core.time.meter import parse_meter
from grebe.core.typed import taken, typed_whole, with_field
from grebe.core.units import Controller, fields_of
from grebe.errors import EditError

ECHOES = (None, "1/16", "1/8t", "1/8", "1/8.", "1/4t", "1/4", "1/4.", "1/2")
NO_ROLE, NO_ECHO = "none", "as it is"
FOLLOWS: tuple[Follow, ...] = get_args(Follow)
SCHOOLS = ("none", "verse and hook", "build and drop")


class SceneHand:
    """The scene, device and part in hand, and their settings as text."""

    def __init__(self, session: Session) -> None:
        self.session = session
        self.book = SceneModel()
        self.only_song = False
        """Whether only the scenes of the song in hand are shown."""
        self.scene_id = ""
        self.device_id = ""
        self._devices: tuple[Project, tuple[Device, ...]] | None = None

    # What there is

    @property
    def project(self) -> Project:
        """The document."""
        return self.session.project

    @property
    def scenes(self) -> tuple[Scene, ...]:
        """The columns of the chart, in order."""
        song = self.session.song
        if not self.only_song or song is None:
            return self.project.scenes
        used = {s.scene for s in song.sections}
        return tuple(s for s in self.project.scenes if s.id in used)

    @property
    def devices(self) -> tuple[Device, ...]:
        """The rows of the chart."""
        if self._devices is None or self._devices[0] is not self.project:
            self._devices = (self.project, chart_devices(self.project))
        return self._devices[1]

    @property
    def scene(self) -> Scene | None:
        """The scene in hand."""
        return next((s for s in self.project.scenes if s.id == self.scene_id), None)

    @property
    def device(self) -> Device | None:
        """The device in hand."""
        return next((d for d in self.devices if d.id == self.device_id), None)

    @property
    def part(self) -> Part | None:
        """What the device does in the scene."""
        scene, device = self.scene, self.device
        return None if scene is None or device is None else scene.part(device.id)

    @property
    def patterns(self) -> list[Pattern]:
        """Patterns of the device in hand."""
        return [p for p in self.project.patterns if p.device == self.device_id]

    @property
    def voices(self) -> list[Voice]:
        """Voices of what the device plays in the scene."""
        part, device = self.part, self.device
        if part is None or device is None:
            return []
        chain = dict.fromkeys(part.chain)
        rows = [v for p in self.patterns if p.id in chain for v in sounding(p, device).voices]
        return list({v.id: v for v in rows}.values())

    def settle(self) -> None:
        """Hold on to something that is there."""
        scenes, devices = self.scenes, self.devices
        if all(s.id != self.scene_id for s in scenes):
            self.scene_id = scenes[0].id if scenes else ""
        if all(d.id != self.device_id for d in devices):
            self.device_id = devices[0].id if devices else ""

    def bpm_of(self, scene: Scene) -> float:
        """Tempo at which a scene comes in: where the song in hand has it first, or the song's."""
        layout = self.session.derived.layout()
        for span in () if layout is None else layout.spans:
            if span.scene.id == scene.id:
                return span.bpm
        return self.session.position.written_bpm

    def passage(self, index: int) -> SceneTransition:
        """From the column before into a column of the chart."""
        scenes = self.scenes
        before = scenes[index - 1] if index else None
        after = scenes[index]
        return self.book.passage(self.project, before, after, self.bpm_of(after), self.session.song)

    def comes_after(self) -> list[Scene]:
        """Scenes that the one in hand follows in the song in hand, in order, each once."""
        layout = self.session.derived.layout()
        spans = () if layout is None else layout.spans
        rows = [
            spans[n - 1].scene
            for n, span in enumerate(spans)
            if n and span.scene.id == self.scene_id and spans[n - 1].scene.id != self.scene_id
        ]
        return list({s.id: s for s in rows}.values())

    # Edits

    def change(self, name: str, edit: Callable[[Scene], Scene], merge: str = "") -> None:
        """Edit the scene in hand."""
        if self.scene is None:
            raise EditError("there is no scene yet: N makes one")
        self.session.store.apply(name, lambda p: with_scene(p, self.scene_id, edit), merge=merge)

    def change_part(self, name: str, merge: str = "", **fields: Any) -> None:
        """Change what the device in hand does in the scene in hand."""
        if self.device is None:
            raise EditError("there is no device yet: add one in the Rig")
        self.change(name, lambda s: set_part(s, self.device_id, **fields), merge)

    # The form

    def field_text(self, owner: str, key: str) -> str | None:
        """A setting as text; None while there is no such thing in hand."""
        scene, part = self.scene, self.part
        if owner == "performer":
            value = getattr(self.project.performer, key)
            return str(value or "none") if key == "school" else str(value)
        if scene is None or (owner == "part" and part is None):
            return None
        if owner == "scene":
            return self._scene_text(scene, key)
        assert part is not None
        return self._part_text(part, key)

    def _scene_text(self, scene: Scene, key: str) -> str:
        if key == "to":
            return next((s.name for s in self.project.scenes if s.id == scene.then.to), "none")
        if key in ("kind", "rounds"):
            return str(getattr(scene.then, key))
        return str(getattr(scene, key)) or NO_ROLE

    def _part_text(self, part: Part, key: str) -> str:
        if key == "chain":
            names = {p.id: p.name for p in self.patterns}
            return " / ".join(names.get(p, p) for p in part.chain)
        if key == "muted":
            return "yes" if part.muted else "no"
        if key == "silent_voices":
            names = {v.id: v.name for v in self.voices}
            return ", ".join(names.get(v, v) for v in part.silent_voices)
        if key == "values":
            return " ".join(f"{v.controller}={v.value}" for v in part.values)
        if key == "tracks":
            return "" if part.tracks is None else " ".join(map(str, part.tracks)) or "none"
        return part.echo or NO_ECHO

    def field_choices(self, owner: str, key: str) -> tuple[str, ...]:
        """Choices that depend on the document."""
        if (owner, key) == ("scene", "to"):
            return ("none", *(s.name for s in self.project.scenes))
        return ()

    def set_field(self, owner: str, key: str, text: str) -> None:
        """Take a setting from text. EditError says what it may be."""
        words = text.strip()
        name = f"Set {key.replace('_', ' ')}"
        if owner == "performer":
            self._set_performer(name, key, words)
        elif owner == "scene":
            self._set_scene(name, key, words)
        elif key == "values":
            pairs = _pairs(words)
            self.change(name, lambda s: _with_values(s, self.device_id, pairs))
        else:
            self.change_part(name, **{key: self._part_value(key, words)})

    def _set_performer(self, name: str, key: str, words: str) -> None:
        school = "" if words == "none" else words
        value: Any = school if key == "school" else typed_whole(words)

        def change(project: Project) -> Project:
            made = with_field(project.performer, key, value)
            return msgspec.structs.replace(project, performer=made)

        self.session.store.apply(name, change)

    def _set_scene(self, name: str, key: str, words: str) -> None:
        fields: dict[str, Any]
        scene = self.scene
        assert scene is not None
        if key in ("kind", "to", "rounds"):
            value: Any = words
            if key == "to":
                value = next((s.id for s in self.project.scenes if s.name == words), "")
            elif key == "rounds":
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
        self.change(name, lambda s: msgspec.structs.replace(s, **made))

    def _part_value(self, key: str, words: str) -> Any:
        if key == "muted":
            return words == "yes"
        if key == "echo":
            return None if words in ("", NO_ECHO) else words
        if key == "tracks":
            return (
                None
                if not words
                else ()
                if words == "none"
                else tuple(sorted({typed_whole(w) for w in words.replace(",", " ").split()}))
            )
        if key == "chain":
            ids = {p.name.lower(): p.id for p in self.patterns}
            wanted = [w.strip() for w in words.split("/") if w.strip()]
            unknown = [w for w in wanted if w.lower() not in ids]
            if unknown:
                there = ", ".join(p.name for p in self.patterns) or "none"
                raise EditError(f"there is no pattern {unknown[0]!r}; patterns: {there}")
            return tuple(ids[w.lower()] for w in wanted)
        names = {v.name.lower(): v.id for v in self.voices}
        wanted = [w.strip() for w in words.split(",") if w.strip()]
        unknown = [w for w in wanted if w.lower() not in names]
        if unknown:
            there = ", ".join(v.name for v in self.voices) or "none"
            raise EditError(f"there is no voice {unknown[0]!r} there; voices: {there}")
        return tuple(names[w.lower()] for w in wanted)


def _pairs(words: str) -> list[tuple[int, int]]:
    out: list[tuple[int, int]] = []
    for row in words.replace(",", " ").split():
        controller, sign, value = row.partition("=")
        if not sign:
            raise EditError(f"controllers are written 74=20, with spaces between (got {row!r})")
        out.append((taken(Controller, controller, "A controller"), typed_whole(value)))
    return out


def _with_values(scene: Scene, device: str, pairs: list[tuple[int, int]]) -> Scene:
    scene = set_part(scene, device, values=())
    for controller, value in pairs:
        scene = put_value(scene, device, controller, value)
    return scene
