"""The Set station's editor: the set in hand, and everything that edits it. Without Qt."""

from __future__ import annotations

from grebe.app.doing import Act, acts_of
from grebe.app.editors.set_drags import SetDrags
from grebe.app.editors.set_form import SetHand
from grebe.app.editors.set_places import PlaceEdits
from grebe.app.editors.set_whole import SetEdits
from grebe.app.live.session import Session


class SetEditor:
    """Holds the parts; each knows the hand and nothing of the others."""

    def __init__(self, session: Session) -> None:
        self.session = session
        self.hand = SetHand(session)
        """What is in hand, and its settings as text."""
        self.whole = SetEdits(self.hand)
        self.places = PlaceEdits(self.hand, self.whole.new_set)
        self.drags = SetDrags(self.hand)

    def acts(self) -> dict[str, Act]:
        """What does each action."""
        return acts_of(self.places, self.whole)
