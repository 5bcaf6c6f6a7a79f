"""The box in hand, and edits of the rig. Without Qt."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

import msgspec

from grebe.app.live.session import Session
from grebe.core.document import Project, with_device, with_rig
from grebe.core.rig.model import GREBE_ID, Device, Rig
from grebe.core.units import OffsetMs, held_in
from grebe.words import tr


class RigHand:
    """Which box the keys are for, and how its edits are made."""

    def __init__(self, session: Session) -> None:
        self.session = session
        devices = session.project.rig.devices
        self.selected = devices[0].id if devices else GREBE_ID

    @property
    def rig(self) -> Rig:
        """The rig as it stands."""
        return self.session.project.rig

    @property
    def device(self) -> Device | None:
        """The box in hand; None where that is Grebe, or a computer of the session."""
        return next((d for d in self.rig.devices if d.id == self.selected), None)

    def edit(self, name: str, how: Callable[[Project], Project], merge: str = "") -> None:
        """Edit the document. EditError says what cannot be."""
        self.session.store.apply(name, how, merge=merge)

    def set_rig(self, name: str, **fields: Any) -> None:
        """Other settings of the rig as a whole."""
        self.edit(name, lambda p: with_rig(p, msgspec.structs.replace(p.rig, **fields)))

    def set_fields(self, what: str, **fields: Any) -> None:
        """Other settings of the box in hand."""
        device = self.device
        if device is not None:
            self.set_device(device, what, **fields)

    def set_device(self, device: Device, what: str, merge: str = "", **fields: Any) -> None:
        """Other settings of a box."""
        self.edit(
            tr("{what} of {device}", what=what, device=device.name),
            lambda p: with_device(p, device.id, lambda d: msgspec.structs.replace(d, **fields)),
            merge,
        )

    def set_offset(self, device: Device, ms: float) -> float:
        """Another offset of a box, as near as it may be; which."""
        held = round(held_in(OffsetMs, ms), 1)
        self.set_device(device, tr("Offset"), f"offset-{device.id}", offset_ms=held)
        return held
