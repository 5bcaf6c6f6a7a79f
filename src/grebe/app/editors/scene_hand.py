"""The scene, device and part in hand, and edits of them. Without Qt."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

from grebe.app.actions.keymap import told
from grebe.app.editors.scene_model import SceneModel, SceneTransition, chart_devices
from grebe.app.live.session import Session
from grebe.core.document import Project, with_scene
from grebe.core.patterns.model import Pattern, Voice
from grebe.core.player.plan import sounding
from grebe.core.rig.model import Device
from grebe.core.songs.model import Part, Scene
from grebe.core.songs.scenes import (
    set_part,
)
from grebe.errors import EditError
from grebe.words import tr


class SceneHand:
    """The scene, device and part in hand."""

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
        return self.project.patterns_of.get(self.device_id, [])

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
            raise EditError(
                tr("there is no scene yet: {new_scene} makes one", new_scene=told("new_scene"))
            )
        self.session.store.apply(name, lambda p: with_scene(p, self.scene_id, edit), merge=merge)

    def change_part(self, name: str, merge: str = "", **fields: Any) -> None:
        """Change what the device in hand does in the scene in hand."""
        if self.device is None:
            raise EditError(tr("there is no device yet: add one in the Rig"))
        self.change(name, lambda s: set_part(s, self.device_id, **fields), merge)
