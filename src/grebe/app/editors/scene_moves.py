"""Moving over the chart of scenes."""

from __future__ import annotations

from typing import Any

from grebe.app.doing import does
from grebe.app.editors.scene_hand import SceneHand


class SceneMoves:
    """What keys do to the cursor of the chart."""

    def __init__(self, hand: SceneHand) -> None:
        self.hand = hand

    def _step(self, items: tuple[Any, ...], item_id: str, by: int) -> str:
        ids = [i.id for i in items]
        if not ids:
            return ""
        at = ids.index(item_id) if item_id in ids else 0
        return str(ids[max(0, min(len(ids) - 1, at + by))])

    @does("left")
    def scene_before(self) -> None:
        """The scene before."""
        self.hand.scene_id = self._step(self.hand.scenes, self.hand.scene_id, -1)

    @does("right")
    def scene_after(self) -> None:
        """The scene after."""
        self.hand.scene_id = self._step(self.hand.scenes, self.hand.scene_id, 1)

    @does("up")
    def device_before(self) -> None:
        """The device above."""
        self.hand.device_id = self._step(self.hand.devices, self.hand.device_id, -1)

    @does("down")
    def device_after(self) -> None:
        """The device below."""
        self.hand.device_id = self._step(self.hand.devices, self.hand.device_id, 1)

    @does("first")
    def first_scene(self) -> None:
        """The first scene."""
        self.hand.scene_id = self._step(
            self.hand.scenes, self.hand.scene_id, -len(self.hand.scenes)
        )

    @does("last")
    def last_scene(self) -> None:
        """The last scene."""
        self.hand.scene_id = self._step(self.hand.scenes, self.hand.scene_id, len(self.hand.scenes))

    @does("only_song")
    def toggle_only_song(self) -> None:
        """Only the scenes of the song in hand, or all of them."""
        self.hand.only_song = not self.hand.only_song
        self.hand.settle()
