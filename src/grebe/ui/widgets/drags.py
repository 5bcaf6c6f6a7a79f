"""What goes on between the press of a button and its release."""

from __future__ import annotations

from collections.abc import Callable
from typing import Protocol

from PyQt6.QtCore import QPointF, Qt

from grebe.app.document.store import Store
from grebe.errors import EditError

Held = Qt.KeyboardModifier


class Drag(Protocol):
    """Something dragged."""

    def move(self, at: QPointF, held: Held) -> str:
        """The pointer is there now; what it will become, to be shown beside it."""

    def drop(self) -> None:
        """It is let go of."""

    def take_back(self) -> None:
        """Esc: nothing of it was meant."""


class EditDrag:
    """Edits the document while it moves; all of it is one step of undo."""

    def __init__(
        self, store: Store, follow: Callable[[QPointF, Held], str],
        click: Callable[[], None] | None = None,
    ) -> None:  # fmt: skip
        """`follow` edits for a place of the pointer and says what it became; `click` is done where
        the pointer never moved."""
        self._store, self._follow, self._click = store, follow, click
        self._moved = False
        store.begin_gesture()

    def move(self, at: QPointF, held: Held) -> str:
        """Edit for this place; what cannot be leaves all as it was, and says so."""
        self._moved = True
        try:
            return self._follow(at, held)
        except EditError as error:
            return f"{error}"

    def drop(self) -> None:
        """Let go."""
        if not self._moved and self._click is not None:
            self._click()
        self._store.end_gesture()

    def take_back(self) -> None:
        """As it was."""
        self._store.take_gesture_back()


class AimDrag:
    """Only aims while it moves; what is to happen does so where it is let go of."""

    def __init__(
        self, aim: Callable[[QPointF, Held], str], land: Callable[[], None],
        gone: Callable[[], None] | None = None,
    ) -> None:  # fmt: skip
        """`aim` says what would become of it at a place, `land` does it; `gone` takes away what was
        drawn of it."""
        self._aim, self._land, self._gone = aim, land, gone
        self._moved = False

    def move(self, at: QPointF, held: Held) -> str:
        """What it would become."""
        self._moved = True
        return self._aim(at, held)

    def drop(self) -> None:
        """Do it."""
        if self._moved:
            self._land()
        self.take_back()

    def take_back(self) -> None:
        """Nothing happens."""
        if self._gone is not None:
            self._gone()


class LookDrag:
    """Only changes what is seen."""

    def __init__(self, look: Callable[[QPointF, Held], str], undone: Callable[[], None]) -> None:
        """`look` shows another part and says which; `undone` what was seen before."""
        self._look, self._undone = look, undone

    def move(self, at: QPointF, held: Held) -> str:
        """Look there."""
        return self._look(at, held)

    def drop(self) -> None:
        """It stays."""

    def take_back(self) -> None:
        """As it was seen before."""
        self._undone()
