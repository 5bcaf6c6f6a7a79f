"""Tables of what is a list already: each row in words, some figures beside it."""

from __future__ import annotations

from collections.abc import Callable, Sequence

from grebe.app.tables.table import Cell


class ListTable:
    """Rows that somebody else makes, each a name and its figures."""

    def __init__(
        self,
        columns: Sequence[str],
        names: Callable[[], Sequence[str]],
        cells: Callable[[int], tuple[str, ...]],
        here: Callable[[], int] = lambda: -1,
        take: Callable[[int], None] | None = None,
    ) -> None:
        """`names` are those of the rows, asked for with every change; `cells` what stands in each
        column of a row, asked for when it is read; `here` is the row in hand, -1 for none, and
        `take` takes one."""
        self._columns, self._names, self._cells = tuple(columns), names, cells
        self._here, self._take = here, take

    def rows(self) -> Sequence[str]:
        """Their names."""
        return self._names()

    def columns(self) -> Sequence[str]:
        """What each figure is."""
        return self._columns

    def words(self, row: int, column: int) -> str:
        """One figure; nothing where the list has become shorter since it was counted."""
        return self._cells(row)[column] if row < len(self._names()) else ""

    def here(self) -> Cell | None:
        """The row in hand."""
        at = self._here()
        return Cell(at, 0) if 0 <= at < len(self._names()) else None

    def chosen(self) -> tuple[Cell, Cell] | None:
        """One at a time."""
        return None

    def take(self, row: int, column: int) -> None:
        """Take a row in hand."""
        del column
        if self._take is not None:
            self._take(row)
