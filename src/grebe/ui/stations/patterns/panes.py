"""The parts of the Patterns station, and what one of them makes for another."""

from __future__ import annotations

from collections.abc import Callable

from grebe.app.doing import does
from grebe.app.editors.pattern_editor import PatternEditor
from grebe.core.patterns.model import Content
from grebe.words import tr


class PatternPanes:
    """What keys show, and patterns that come from memory, capture, loops and files."""

    def __init__(
        self, editor: PatternEditor, *, show: Callable[[int], None],
        choose: Callable[[str], None], changed: Callable[[], None],
    ) -> None:  # fmt: skip
        """`show` shows the part with a number, `choose` takes a pattern in hand."""
        self._editor = editor
        self._show = show
        self._choose = choose
        self._changed = changed

    def _go(self, by: int) -> None:
        ids = [p.id for p in self._editor.session.project.patterns]
        here = self._editor.hand.pattern_id
        if ids:
            self._choose(ids[(ids.index(here) + by) % len(ids)] if here in ids else ids[0])

    @does("one_before")
    def pattern_before(self) -> None:
        """The pattern before."""
        self._go(-1)

    @does("one_after")
    def pattern_after(self) -> None:
        """The pattern after."""
        self._go(1)

    @does("pane_note_lanes")
    def pane_note_lanes(self) -> None:
        """The note lanes."""
        self._show(0)

    @does("pane_memory")
    def pane_memory(self) -> None:
        """The memory map."""
        self._show(1)

    @does("pane_steps")
    def pane_steps(self) -> None:
        """The step sheet."""
        self._show(2)

    @does("pane_capture")
    def pane_capture(self) -> None:
        """What was played in."""
        self._show(3)

    @does("pane_loops")
    def pane_loops(self) -> None:
        """Audio loops."""
        self._show(4)

    def take_from_memory(self, pattern_id: str) -> None:
        """Show a pattern that was taken out of the memory."""
        self._choose(pattern_id)
        self.pane_note_lanes()

    def captured(self, content: Content) -> None:
        """Keep what was played as a new pattern."""
        self._take_new("Captured", content)

    def _take_new(self, name: str, content: Content) -> None:
        self._editor.whole.add(name, content)
        self._changed()
        self.pane_note_lanes()

    def laid_over(self, content: Content) -> None:
        """Put what was laid over it into the pattern in hand."""
        self._editor.hand.change(tr("Lay over"), lambda _: content)
        self.pane_note_lanes()

    def show_taken(self, loops: bool) -> None:
        """Show what was taken into the project: a pattern, or the loops."""
        self._show(4 if loops else 0)
        self._changed()

    def loop_made(self, content: Content, name: str) -> None:
        """Keep a sliced loop as a new pattern."""
        self._take_new(f"{name}, sliced"[:80], content)
