"""How a scene begins, lasts and ends."""

from __future__ import annotations

from typing import Any

import msgspec

from grebe.app.doing import does
from grebe.app.editors.scene_form import FOLLOWS
from grebe.app.editors.scene_hand import SceneHand
from grebe.core.songs.model import ROLES, Then
from grebe.words import tr

MOST_BARS = 999


class SceneSettings:
    """What keys set of the scene in hand."""

    def __init__(self, hand: SceneHand) -> None:
        self.hand = hand

    @does("mutes_saved")
    def mutes_saved(self) -> None:
        """Mutes saved with the scene, or left as they stand."""
        self._turn("mutes", ("saved", "left"), tr("Mutes"))

    @does("hand_mutes")
    def hand_mutes(self) -> None:
        """Mutes by hand kept at its end, or dropped."""
        self._turn("hand_mutes", ("keep", "drop"), tr("Mutes by hand"))

    @does("role")
    def role(self) -> None:
        """What it is for."""
        self._turn("role", ROLES, tr("Role"))

    def _turn(self, field: str, values: tuple[Any, ...], name: str) -> None:
        scene = self.hand.scene
        if scene is not None:
            after = values[(values.index(getattr(scene, field)) + 1) % len(values)]
            self.hand.change(name, lambda s: msgspec.structs.replace(s, **{field: after}))

    @does("follow")
    def follow(self) -> None:
        """What follows it: next, a jump to the first, back, or itself until launched."""
        scene = self.hand.scene
        if scene is not None:
            kind = FOLLOWS[(FOLLOWS.index(scene.then.kind) + 1) % len(FOLLOWS)]
            to = self.hand.scenes[0].id if kind == "jump" else ""
            self.hand.change(
                tr("What follows"),
                lambda s: msgspec.structs.replace(s, then=Then(kind=kind, to=to)),
            )

    def _bars(self, by: int) -> None:
        self.hand.change(
            tr("Bars"),
            lambda s: msgspec.structs.replace(s, bars=max(1, min(MOST_BARS, s.bars + by))),
            "scene-bars",
        )

    @does("raise")
    def bars_more(self) -> None:
        """A bar longer."""
        self._bars(1)

    @does("lower")
    def bars_fewer(self) -> None:
        """A bar shorter."""
        self._bars(-1)

    def _times(self, by: int) -> None:
        self.hand.change(
            tr("Passes"),
            lambda s: msgspec.structs.replace(s, times=max(1, min(MOST_BARS, s.times + by))),
            "scene-times",
        )

    @does("more")
    def more(self) -> None:
        """One more pass."""
        self._times(1)

    @does("fewer")
    def fewer(self) -> None:
        """One pass fewer."""
        self._times(-1)
