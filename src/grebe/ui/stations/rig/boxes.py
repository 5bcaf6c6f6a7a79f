"""A list of the rig's boxes to choose one from."""

from __future__ import annotations

from PyQt6.QtWidgets import QComboBox

from grebe.core.rig.model import Rig

CHOICE_WIDTH = 150


class BoxChoice(QComboBox):
    """The boxes of the rig, after an entry for all of them where there is one."""

    def __init__(self, words: str, *, everything: str = "") -> None:
        super().__init__()
        self._first = [(everything, "")] if everything else []
        self.setAccessibleName(words)
        self.setFixedWidth(CHOICE_WIDTH)

    @property
    def device(self) -> str:
        """Id of the box chosen; "" for all, or none."""
        return str(self.currentData() or "")

    def offer(self, rig: Rig, chosen: str | None = None) -> None:
        """Offer the boxes there are; the choice stays, or becomes the one with this id."""
        chosen = self.device if chosen is None else chosen
        rows = [*self._first, *((d.name, d.id) for d in rig.devices)]
        if rows != [(self.itemText(i), self.itemData(i)) for i in range(self.count())]:
            self.clear()
            for name, device_id in rows:
                self.addItem(name, device_id)
        at = self.findData(chosen)
        self.setCurrentIndex(0 if at < 0 and self._first else at)
