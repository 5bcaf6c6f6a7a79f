"""The face that all of them have."""

from __future__ import annotations

from collections.abc import Sequence
from typing import NamedTuple, Protocol


class Cell(NamedTuple):
    """A place in a table."""

    row: int
    column: int


class Table(Protocol):
    """Things in rows and columns."""

    def rows(self) -> Sequence[str]:
        """What each row is called."""

    def columns(self) -> Sequence[str]:
        """What each column is called."""

    def words(self, row: int, column: int) -> str:
        """What there is at a place."""

    def here(self) -> Cell | None:
        """The place in hand; None for none."""

    def chosen(self) -> tuple[Cell, Cell] | None:
        """First and last place of what is selected; None without a selection."""

    def take(self, row: int, column: int) -> None:
        """Take a place in hand."""


class NoTable:
    """Of a canvas that has nothing to be read: it only draws what stands in words beside it."""

    def rows(self) -> Sequence[str]:
        """None."""
        return ()

    def columns(self) -> Sequence[str]:
        """None."""
        return ()

    def words(self, row: int, column: int) -> str:
        """Nothing."""
        del row, column
        return ""

    def here(self) -> Cell | None:
        """Nowhere."""
        return None

    def chosen(self) -> tuple[Cell, Cell] | None:
        """Nothing."""
        return None

    def take(self, row: int, column: int) -> None:
        """Nothing can be taken."""
