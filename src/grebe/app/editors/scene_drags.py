"""What a dragging hand does to scenes."""

from __future__ import annotations

import msgspec

from grebe.app.editors.scene_hand import SceneHand
from grebe.core.document import Project
from grebe.core.songs.scenes import move_scene, set_part
from grebe.errors import EditError
from grebe.words import tr


class SceneDrags:
    """Edits by a place of the pointer."""

    def __init__(self, hand: SceneHand) -> None:
        self.hand = hand

    def move_before(self, scene_id: str, before: str) -> None:
        """A scene to where another one is; "" to the end."""
        ids = [s.id for s in self.hand.project.scenes]
        at = ids.index(scene_id)
        to = ids.index(before) if before in ids else len(ids)
        by = to - at - (1 if to > at else 0)
        self.hand.session.store.apply(
            tr("Move a scene"), lambda p: move_scene(p, scene_id, by)
        )  # fmt: skip

    def copy_part(self, device: str, from_scene: str, to_scene: str) -> None:
        """What a box does in one scene, also in another."""
        source = next(s for s in self.hand.project.scenes if s.id == from_scene).part(device)
        fields = {
            name: getattr(source, name) for name in source.__struct_fields__ if name != "device"
        }

        def change(project: Project) -> Project:
            scenes = tuple(
                set_part(s, device, **fields) if s.id == to_scene else s for s in project.scenes
            )
            return msgspec.structs.replace(project, scenes=scenes)

        self.hand.session.store.apply(tr("Copy a part"), change)

    def give(self, pattern_id: str, device: str, scene: str, *, longer: bool) -> None:
        """A pattern into a scene: in place of what its box played there, or after it.

        EditError where it belongs to another box.
        """
        pattern = self.hand.project.pattern(pattern_id)
        if pattern.device != device:
            rig = self.hand.project.rig
            raise EditError(
                tr(
                    "{pattern} is of {its}, not of {device}", pattern=pattern.name,
                    its=rig.name_of(pattern.device), device=rig.name_of(device),
                )
            )  # fmt: skip

        def change(project: Project) -> Project:
            scenes = tuple(
                set_part(
                    s, device,
                    chain=(*(s.part(device).chain if longer else ()), pattern_id), muted=False,
                )
                if s.id == scene else s
                for s in project.scenes
            )  # fmt: skip
            return msgspec.structs.replace(project, scenes=scenes)

        self.hand.session.store.apply(tr("Pattern"), change)
