"""The parts of a station, of which most are made when they are wanted."""

from __future__ import annotations

from collections.abc import Callable, Sequence

from PyQt6.QtWidgets import QStackedWidget, QWidget


class LazyParts(QStackedWidget):
    """By number. The station begins with the first: the others are a third of all it would make."""

    def __init__(
        self,
        first: QWidget,
        makers: Sequence[Callable[[], QWidget]],
        *,
        dressed: Callable[[QWidget], None],
    ) -> None:
        """`makers` of the parts from 1 on; `dressed` gives one that was just made the colours of
        the theme."""
        super().__init__()
        self._dressed = dressed
        self._makers = dict(enumerate(makers, 1))
        """Of parts that nobody has wanted yet."""
        self.addWidget(first)
        for _ in self._makers:
            self.addWidget(QWidget())

    def is_made(self, part: int) -> bool:
        """Whether a part has been wanted yet."""
        return part not in self._makers

    def pane(self, part: int) -> QWidget:
        """A part by its number, made now if it was not."""
        found = self.widget(part)
        assert found is not None
        if self.is_made(part):
            return found
        made = self._makers.pop(part)()
        here = self.currentIndex() == part
        self.insertWidget(part, made)
        self.removeWidget(found)
        found.deleteLater()
        if here:
            self.setCurrentIndex(part)
        self._dressed(made)
        return made
