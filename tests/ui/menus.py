"""What menus hold, and what the window said last."""

from __future__ import annotations

from PyQt6.QtGui import QAction
from PyQt6.QtWidgets import QMenu

from tests.ui.conftest import Performer


def entries(menu: QMenu) -> list[QAction]:
    """Everything in a menu and in those below it."""
    out: list[QAction] = []
    for action in menu.actions():
        below = action.menu()
        if below is not None:
            out += entries(below)
        elif action.objectName():
            out.append(action)
    return out


def opened(performer: Performer, name: str) -> list[QAction]:
    """A menu of the bar, as it is when it opens."""
    bar = performer.frame.menu_bar
    menu = bar.menus[name if name in bar.menus else "station"]
    menu.aboutToShow.emit()
    return entries(menu)


def said(performer: Performer) -> str:
    notice = performer.frame.session.notices.last
    return "" if notice is None else notice.text
