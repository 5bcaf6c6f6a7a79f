"""The structure of a sheet's PDF, from the document that Qt laid out."""

from __future__ import annotations

import re

from PyQt6.QtCore import QPointF, Qt
from PyQt6.QtGui import QTextBlock, QTextCursor, QTextDocument

from grebe.formats.pdf_structure import Kind, PaperLine, with_structure

_TABLES = re.compile(r"<table.*?</table>", re.DOTALL)
_LANGUAGE = re.compile(r"<html[^>]* lang=\"(\w+)")
_HEADINGS: dict[int, Kind] = {1: "H1", 2: "H2", 3: "H3"}
BREAK = "\u2028"
"""What a line break inside a block is."""
INSIDE = 2.0
"""Dots from where a run of text begins to what is surely inside it."""


def tagged(pdf: bytes, document: QTextDocument, html: str, height: int) -> bytes:
    """A file that was drawn from a document laid out of `html`, its pages `height` dots high, with
    its headings, paragraphs and tables in it."""
    layout = document.documentLayout()
    assert layout is not None

    pieces, first = _pieces(document, html)

    def piece_at(page: int, x: float, y: float) -> int | None:
        if not 0 <= y <= height:  # a line that goes over to the next page is drawn on both
            return None
        place = QPointF(x + INSIDE, page * height + y - INSIDE)
        at = layout.hitTest(place, Qt.HitTestAccuracy.FuzzyHit)
        block = document.findBlock(at)
        return first[block.blockNumber()] + block.text()[: at - block.position()].count(BREAK)

    found = _LANGUAGE.search(html)
    language = found[1] if found is not None else "en"
    return with_structure(pdf, pieces, piece_at, language)


def _pieces(document: QTextDocument, html: str) -> tuple[list[PaperLine], list[int]]:
    """What each line is that was written as one, and the first such line of each block."""
    headed = ["<th" in table for table in _TABLES.findall(html)]
    tables: list[int] = []
    """Where each begins, in the order they come."""
    out: list[PaperLine] = []
    first: list[int] = []
    block = document.begin()
    while block.isValid():
        first.append(len(out))
        piece = _piece(block, tables, headed)
        out += [piece._replace(text=line) for line in block.text().split(BREAK)]
        block = block.next()
    return out, first


def _piece(block: QTextBlock, tables: list[int], headed: list[bool]) -> PaperLine:
    table = QTextCursor(block).currentTable()
    if table is None:
        return PaperLine(_HEADINGS.get(block.blockFormat().headingLevel(), "P"), "")
    begins = table.firstPosition()
    if begins not in tables:
        tables.append(begins)
    number = tables.index(begins)
    cell = table.cellAt(block.position())
    kind: Kind = "TH" if headed[number] and cell.row() == 0 else "TD"
    return PaperLine(kind, "", number, cell.row(), cell.column())
