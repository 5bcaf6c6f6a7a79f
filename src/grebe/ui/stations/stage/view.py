"""The Stage station: one keystroke for everything, no dialogs."""

from __future__ import annotations

from collections.abc import Callable
from functools import partial

from PyQt6.QtCore import Qt, pyqtSignal
from PyQt6.QtGui import QKeySequence, QShortcut

from grebe.app.doing import Act
from grebe.app.live.session import Session
from grebe.app.live.stage_actions import StageActions
from grebe.app.live.stage_model import StageModel
from grebe.core.rig.trigger import KeyBinding
from grebe.ui.stations.stage.canvas import StageCanvas
from grebe.ui.widgets.theme import NIGHT, Palette
from grebe.ui.widgets.view import View

UNLOCKED = ("lock",)
"""What works although the keys are locked."""


class StageView(View):
    """Now, Next, when, and the mutes. Always Night. Nothing here can delete anything."""

    scope = "stage"
    number = 7
    asked = pyqtSignal(str)
    """An action asked for by a key that was learnt."""

    def __init__(self, session: Session, book: StageModel) -> None:
        super().__init__(session)
        self.book = book
        self._keys: tuple[KeyBinding, ...] = ()
        self._learnt: list[QShortcut] = []
        self.stage_actions = StageActions(session, book)
        self.stage_canvas = StageCanvas(session, self.book, self.stage_actions.numbers)
        self.stage_canvas.touched.connect(self._touched)
        self.lay_out(self.stage_canvas)
        self.heading.hide()

    def set_palette(self, palette: Palette) -> None:
        """Stage stays dark whatever the theme."""
        del palette
        super().set_palette(NIGHT)

    def document_changed(self) -> None:
        """Draw anew; take the keys that were learnt."""
        self.stage_canvas.update()
        keys = self.session.project.rig.keys
        if keys != self._keys:
            self._keys = keys
            for old in self._learnt:
                old.setParent(None)
                old.deleteLater()
            self._learnt = [self._shortcut(k) for k in keys]

    def _shortcut(self, learnt: KeyBinding) -> QShortcut:
        shortcut = QShortcut(QKeySequence(learnt.keys), self.stage_canvas)
        shortcut.setContext(Qt.ShortcutContext.WidgetWithChildrenShortcut)
        shortcut.activated.connect(partial(self.asked.emit, learnt.action))
        return shortcut

    def knows(self, action: str) -> bool:
        """Whether an action is one of Stage's own."""
        return action in self.acts()

    def moved(self) -> None:
        """Draw anew: the count of bars and seconds has moved."""
        self.book.follow()
        self.stage_canvas.update()

    def escaped(self) -> None:
        """A number half typed is let be."""
        self.stage_actions.numbers.typed = None

    def _touched(self, what: str) -> None:
        kind, _, section = what.partition(":")
        if kind == "section":
            self.session.performer.launch(section, "bar")
        else:
            self.handler(what)()

    def handler(self, action_id: str) -> Callable[[], None]:
        """Locked keys do nothing, but say so."""
        act = super().handler(action_id)

        def run() -> None:
            if self.session.stage.locked and action_id not in UNLOCKED:
                self.session.say("info", "Keys are locked; Ctrl+L lets go.")
            else:
                act()

        return run

    def acts(self) -> dict[str, Act]:
        """What does each action here."""
        return self.stage_actions.acts()
