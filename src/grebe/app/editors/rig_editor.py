"""The Rig station's editor: the box in hand, and everything that edits the rig. Without Qt."""

from __future__ import annotations

from grebe.app.doing import Act, acts_of
from grebe.app.editors.rig_boxes import BoxEdits
from grebe.app.editors.rig_clock import RigClock
from grebe.app.editors.rig_device import DeviceEdits
from grebe.app.editors.rig_form import DeviceForm
from grebe.app.editors.rig_hand import RigHand
from grebe.app.live.session import Session


class RigEditor:
    """Holds the parts; each knows the hand and nothing of the others."""

    def __init__(self, session: Session) -> None:
        self.session = session
        self.hand = RigHand(session)
        """Which box the keys are for."""
        self.device = DeviceEdits(self.hand)
        self.clock = RigClock(self.hand)
        self.boxes = BoxEdits(self.hand)
        self.form = DeviceForm(self.hand)
        """Settings of the box in hand, as text."""

    def acts(self) -> dict[str, Act]:
        """What does each action."""
        return acts_of(self.device, self.clock, self.boxes)
