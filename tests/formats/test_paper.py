"""Sheets on paper, read back by another library: text, sizes, type."""

from __future__ import annotations

from collections import Counter
from collections.abc import Callable, Iterator
from pathlib import Path

import pytest
from pdfminer.high_level import extract_pages
from pdfminer.layout import LTChar, LTPage, LTTextContainer, LTTextLine

from grebe.app.document.demo import demo_bytes
from grebe.app.document.sheets import (
    SheetPage,
    card_page,
    programme_sheet,
    room_sheet,
    set_sheet,
    setup_page,
    stage_sheet,
    steps_page,
    write_sheet,
)
from grebe.core.document import Project
from grebe.formats.project import parse_project
from grebe.ui.widgets.printing import html_to_pdf
from grebe.ui.widgets.theme import load_fonts
from tests.long import LONG

A4, LETTER = (595, 842), (612, 792)
BODY, TITLE, HEADING = 11, 20, 15


@pytest.fixture(scope="module", autouse=True)
def paper(qapp: object) -> None:
    load_fonts()


@pytest.fixture(scope="module")
def project() -> Project:
    return parse_project(demo_bytes(), "the demo").project


def lines_of(page: LTPage) -> Iterator[LTTextLine]:
    for part in page:
        if isinstance(part, LTTextContainer):
            yield from (line for line in part if isinstance(line, LTTextLine))


def characters(pages: list[LTPage]) -> Iterator[LTChar]:
    for page in pages:
        for line in lines_of(page):
            yield from (c for c in line if isinstance(c, LTChar))


def text_of(path: Path) -> str:
    pages = extract_pages(path)
    words = " ".join(line.get_text() for page in pages for line in lines_of(page))
    return " ".join(words.split())


SHEETS: dict[str, Callable[[Project], SheetPage]] = {
    "setup": setup_page,
    "steps": lambda p: steps_page(p, p.songs[0], device="smew", pattern=p.patterns[0].id),
    "programme": lambda p: programme_sheet(p, p.songs[0]),
    "stage": lambda p: stage_sheet(p, p.songs[0]),
    "set": lambda p: set_sheet(p, p.sets[0]),
    "lights": lambda p: room_sheet(p, "lights", p.sets[0]),
    "patch": lambda p: room_sheet(p, "patch"),
    "card": lambda p: card_page(p, "Smew"),
}
LARGE = 200
"""Per cent: type for a music stand."""
IN_COLUMNS = ("stage", "set", "setup", "lights", "patch")
LARGE_TOO = [*SHEETS] if LONG else IN_COLUMNS
"""What is read at that size, too: reading is slow."""


@pytest.fixture(scope="module")
def written(project: Project, tmp_path_factory: pytest.TempPathFactory) -> dict[str, list[LTPage]]:
    """Every kind of sheet, laid out as its reader has it; once, since reading is slow."""
    folder = tmp_path_factory.mktemp("paper")
    out = {}
    for kind, page in SHEETS.items():
        for size in (100, LARGE) if kind in LARGE_TOO else (100,):
            name = kind if size == 100 else f"{kind}, large"
            path = folder / f"{name}.pdf"
            write_sheet(project, page(project), path, to_pdf=html_to_pdf, size_percent=size)
            out[name] = list(extract_pages(path, maxpages=2 if LONG else 1))
    return out


@pytest.mark.parametrize("kind", SHEETS)
def test_every_character_can_be_read_and_is_of_the_packaged_type(
    written: dict[str, list[LTPage]], kind: str
) -> None:
    """No glyph without its character, none out of a system's font; titles larger than the body."""
    found = list(characters(written[kind]))
    assert len(found) > 500
    assert not [c.get_text() for c in found if "(cid:" in c.get_text()]
    assert {c.fontname.partition("+")[2].partition("-")[0] for c in found} == {
        "BarlowSemiCondensed"
    }
    sizes = Counter(round(c.size) for c in found)
    assert sizes.most_common(1)[0][0] == BODY
    assert sizes[TITLE]


@pytest.mark.parametrize("kind", LARGE_TOO)
def test_at_twice_the_size_all_of_it_is(written: dict[str, list[LTPage]], kind: str) -> None:
    large = Counter(round(c.size) for c in characters(written[f"{kind}, large"]))
    assert large.most_common(1)[0][0] == 2 * BODY
    assert large[2 * TITLE]


def test_what_is_on_it_can_be_found(project: Project, tmp_path: Path) -> None:
    """Digits, words with ligatures, bars, times and tempo; A4 and Letter."""
    song = project.songs[0]
    path = tmp_path / "stage.pdf"
    write_sheet(project, stage_sheet(project, song), path, to_pdf=html_to_pdf)
    text = text_of(path)
    assert f"{song.bpm:g} BPM" in text
    assert "by foot" in text
    for words in ("office", "flow 0123456789", "affine"):
        html = f"<html><body><h1>fi {words}</h1><p>{words}</p></body></html>"
        for wanted, size in (("A4", A4), ("Letter", LETTER)):
            html_to_pdf(html, path, "x", wanted)  # type: ignore[arg-type]
            assert text_of(path) == f"fi {words} {words}"
            (page,) = extract_pages(path)
            assert (round(page.width), round(page.height)) == size


@pytest.mark.parametrize("kind", [
    *IN_COLUMNS, *(f"{kind}, large" for kind in IN_COLUMNS),
])  # fmt: skip
def test_nothing_runs_into_the_next_column(written: dict[str, list[LTPage]], kind: str) -> None:
    """No two pieces of text lie over each other, and none is outside the page."""
    for page in written[kind]:
        boxes = [line.bbox for line in lines_of(page) if line.get_text().strip()]
        for number, (left, low, right, high) in enumerate(boxes):
            assert left >= 0
            assert right <= page.width
            for other in boxes[number + 1 :]:
                across = min(right, other[2]) - max(left, other[0])
                down = min(high, other[3]) - max(low, other[1])
                assert across < 1 or down < 4, (page.pageid, boxes[number], other)
