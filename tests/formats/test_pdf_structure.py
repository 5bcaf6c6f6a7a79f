"""A sheet's PDF says what is a heading and what a cell: read back by two other libraries and held
against the HTML it was made of."""

from __future__ import annotations

from collections.abc import Iterator
from io import BytesIO
from pathlib import Path
from typing import Any

import html5lib
import pytest
from pdfminer.pdfdevice import PDFTextDevice
from pdfminer.pdfinterp import PDFPageInterpreter, PDFResourceManager
from pdfminer.pdfpage import PDFPage
from pypdf import PdfReader

from grebe.app.document.sheets import write_sheet
from grebe.core.document import Project
from grebe.ui.widgets.printing import html_to_pdf
from tests.formats.test_paper import LARGE, SHEETS, paper, project

__all__ = ["paper", "project"]  # fixtures
TEMPLATES = ("steps", "programme", "stage", "set", "patch", "card")
"""A sheet of each template but the set-up sheet's, which is long and has nothing of its own."""
BLOCKS = ("h1", "h2", "p", "th", "td")


class Marks(PDFTextDevice):
    """Text by page and number of marked content, as pdfminer reads it; what is in none is -1."""

    def __init__(self, manager: PDFResourceManager) -> None:
        super().__init__(manager)
        self.pages: list[dict[int, str]] = []
        self.open: list[int] = []
        self.painted_bare = 0

    def begin_page(self, page: Any, ctm: Any) -> None:
        self.pages.append({})

    def begin_tag(self, tag: Any, props: Any = None) -> None:
        assert not self.open, "one inside another"
        self.open.append(props["MCID"] if props else -1)

    def end_tag(self) -> None:
        self.open.pop()

    def paint_path(self, *args: Any, **kwargs: Any) -> None:
        self.painted_bare += not self.open

    def render_string(self, textstate: Any, seq: Any, *rest: Any) -> None:
        words = "".join(
            textstate.font.to_unichr(code)
            for part in seq if isinstance(part, bytes)
            for code in textstate.font.decode(part)
        )  # fmt: skip
        at = self.open[-1] if self.open else -1
        self.pages[-1][at] = self.pages[-1].get(at, "") + words


def marks_of(data: bytes) -> Marks:
    manager = PDFResourceManager()
    device = Marks(manager)
    for page in PDFPage.get_pages(BytesIO(data)):
        PDFPageInterpreter(manager, device).process_page(page)
    assert not device.open
    return device


def leaves(element: Any, reader: PdfReader, marks: Marks) -> Iterator[tuple[str, str]]:
    """Kind and text of each part of the structure that has text, in the order it is read in."""
    element = element.get_object()
    numbers = {page.indirect_reference: n for n, page in enumerate(reader.pages)}
    kids = [kid.get_object() for kid in element["/K"]]
    own = [
        (element.raw_get("/Pg"), kid)
        if isinstance(kid, int)
        else (kid.raw_get("/Pg"), kid["/MCID"])
        for kid in kids
        if isinstance(kid, int) or kid.get("/Type") == "/MCR"
    ]
    cell = element["/S"] in ("/TH", "/TD")
    if own or (cell and not kids):
        read = "".join(marks.pages[numbers[on]][mark] for on, mark in own)
        actual = element.get("/ActualText")
        assert actual is None or read.replace(" ", "") == actual.replace(" ", "")
        yield element["/S"][1:], actual or read
    elif cell:
        inside = [text for kid in kids for _, text in leaves(kid, reader, marks)]
        yield element["/S"][1:], " ".join(inside)
    else:
        for kid in kids:
            yield from leaves(kid, reader, marks)


def of_html(html: str) -> list[tuple[str, str]]:
    """The same of the sheet's HTML; a paragraph's lines each for itself."""
    out = []
    for part in html5lib.parse(html, namespaceHTMLElements=False).iter():
        if part.tag not in BLOCKS:
            continue
        text = ""
        for piece in part.iter():
            text += "\n" if piece.tag == "br" else ""
            text += " ".join((piece.text or "").split("\n")) if piece.tag != "br" else ""
            text += " ".join((piece.tail or "").split("\n")) if piece is not part else ""
        lines = [" ".join(line.split()) for line in text.split("\n")]
        if part.tag in ("td", "th"):
            out.append((part.tag.upper(), " ".join(line for line in lines if line)))
        else:
            out += [(part.tag.upper(), line) for line in lines if line]
    return out


@pytest.mark.parametrize(
    ("kind", "size"), [*((kind, 100) for kind in TEMPLATES), ("stage", LARGE), ("card", LARGE)]
)
def test_the_structure_is_that_of_the_sheet(
    project: Project, kind: str, size: int, tmp_path: Path
) -> None:
    page = SHEETS[kind](project)
    path = tmp_path / "sheet.pdf"
    write_sheet(project, page, path, to_pdf=html_to_pdf, size_percent=size)
    data = path.read_bytes()
    reader, marks = PdfReader(BytesIO(data)), marks_of(data)
    root: Any = reader.root_object
    assert root["/MarkInfo"]["/Marked"].value is True
    assert root["/Lang"] == "en"
    (whole,) = root["/StructTreeRoot"]["/K"]
    read = [(k, " ".join(t.split())) for k, t in leaves(whole, reader, marks)]
    assert [one for one in read if one[0] in ("TH", "TD") or one[1]] == of_html(page.html)
    assert not [words for page in marks.pages for at, words in page.items() if at < 0]
    assert not marks.painted_bare
    nums = root["/StructTreeRoot"]["/ParentTree"]["/Nums"]
    assert [len(elements.get_object()) for elements in nums[1::2]] == [
        len(page) for page in marks.pages
    ]


def test_a_word_is_broken_by_a_space_and_not_by_a_tab(tmp_path: Path) -> None:
    """Where a line is too long the space is not drawn, and is said; what is copied has spaces."""
    words = " ".join(["low water"] * 40)
    path = tmp_path / "long.pdf"
    html_to_pdf(f'<html lang="de"><body><p>{words}</p></body></html>', path, "x", "A4")
    data = path.read_bytes()
    reader, marks = PdfReader(BytesIO(data)), marks_of(data)
    (whole,) = reader.root_object["/StructTreeRoot"]["/K"]  # type: ignore[index]
    assert list(leaves(whole, reader, marks)) == [("P", words)]
    assert reader.root_object["/Lang"] == "de"
    assert "\t" not in "".join(marks.pages[0].values())
