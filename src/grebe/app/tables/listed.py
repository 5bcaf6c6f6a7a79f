"""Tables of what is a list already: each row in words, some figures beside it."""

from __future__ import annotations

from collections.abc import Callable, Sequence

from grebe.app.tables.table import Cell


class ListTable:
    """Rows that somebody else makes, each a name and its figures."""

    def __init__(
        self,
        columns: Sequence[str],
        listed: Callable[[], Sequence[tuple[str, ...]]],
        here: Callable[[], int] = lambda: -1,
        take: Callable[[int], None] | None = None,
    ) -> None:
        """`listed` gives a row as its name and what stands in each column; `here` is the row in
        hand, -1 for none, and `take` takes one."""
        self._columns, self._listed, self._here, self._take = tuple(columns), listed, here, take

    def rows(self) -> Sequence[str]:
        """Their names."""
        return [name for name, *_ in self._listed()]

    def columns(self) -> Sequence[str]:
        """What each figure is."""
        return self._columns

    def words(self, row: int, column: int) -> str:
        """One figure; nothing where the list has become shorter since it was counted."""
        listed = self._listed()
        return listed[row][column + 1] if row < len(listed) else ""

    def here(self) -> Cell | None:
        """The row in hand."""
        at = self._here()
        return Cell(at, 0) if 0 <= at < len(self._listed()) else None

    def chosen(self) -> tuple[Cell, Cell] | None:
        """One at a time."""
        return None

    def take(self, row: int, column: int) -> None:
        """Take a row in hand."""
        del column
        if self._take is not None:
            self._take(row)
