"""The Scenes station's editor: the scene in hand, and everything that edits it. Without Qt."""

from __future__ import annotations

from grebe.app.doing import Act, acts_of
from grebe.app.editors.scene_drags import SceneDrags
from grebe.app.editors.scene_form import SceneForm
from grebe.app.editors.scene_hand import SceneHand
from grebe.app.editors.scene_making import SceneMaking
from grebe.app.editors.scene_moves import SceneMoves
from grebe.app.editors.scene_part import PartEdits
from grebe.app.editors.scene_settings import SceneSettings
from grebe.app.live.session import Session


class SceneEditor:
    """Holds the parts; each knows the hand and nothing of the others."""

    def __init__(self, session: Session) -> None:
        self.session = session
        self.hand = SceneHand(session)
        """What is in hand."""
        self.form = SceneForm(self.hand)
        """Its settings as text."""
        self.moves = SceneMoves(self.hand)
        self.part = PartEdits(self.hand)
        self.settings = SceneSettings(self.hand)
        self.making = SceneMaking(self.hand)
        self.drags = SceneDrags(self.hand)

    def acts(self) -> dict[str, Act]:
        """What does each action."""
        return acts_of(self.moves, self.part, self.settings, self.making)
