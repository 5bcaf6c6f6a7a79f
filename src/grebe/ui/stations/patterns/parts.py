"""The parts of the Patterns station: the note lanes, and those that are made when wanted."""

from __future__ import annotations

from collections.abc import Callable
from typing import cast

from PyQt6.QtWidgets import QWidget

from grebe.app.editors.pattern_editor import PatternEditor
from grebe.ui.stations.patterns.capture import CapturePane
from grebe.ui.stations.patterns.loops import LoopsPane
from grebe.ui.stations.patterns.memory import MemoryPane
from grebe.ui.stations.patterns.panes import PatternPanes
from grebe.ui.stations.patterns.steps import StepsPane
from grebe.ui.widgets.lazy_parts import LazyParts


class PatternParts(LazyParts):
    """Note lanes, memory, step sheet, capture, loops."""

    def __init__(
        self, editor: PatternEditor, lanes: QWidget, taking: PatternPanes,
        *, dressed: Callable[[QWidget], None],
    ) -> None:  # fmt: skip
        """`taking` takes into the project what is made in one of them."""
        makers = (self._memory, lambda: StepsPane(editor), self._capture, self._loops)
        super().__init__(lanes, makers, dressed=dressed)
        self._editor, self._taking = editor, taking

    def _memory(self) -> MemoryPane:
        made = MemoryPane(self._editor)
        made.taken.connect(self._taking.take_from_memory)
        return made

    def _capture(self) -> CapturePane:
        made = CapturePane(self._editor)
        made.made.connect(self._taking.captured)
        made.laid_over.connect(self._taking.laid_over)
        return made

    def _loops(self) -> LoopsPane:
        made = LoopsPane(self._editor)
        made.made.connect(self._taking.loop_made)
        return made

    @property
    def memory(self) -> MemoryPane:
        """What lies where in the box's memory."""
        return cast(MemoryPane, self.pane(1))

    @property
    def steps(self) -> StepsPane:
        """What to press on the box to program it."""
        return cast(StepsPane, self.pane(2))

    @property
    def capture(self) -> CapturePane:
        """What was played in."""
        return cast(CapturePane, self.pane(3))

    @property
    def loops(self) -> LoopsPane:
        """Audio loops."""
        return cast(LoopsPane, self.pane(4))

    def follow(self) -> None:
        """Show the part that is seen as it is now."""
        pane = self.pane(self.currentIndex())
        if isinstance(pane, (LoopsPane, StepsPane)):
            pane.open()
        elif isinstance(pane, MemoryPane):
            pane.refresh()
