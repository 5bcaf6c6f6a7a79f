"""Sheets as HTML: what comes from a project is text, and stays it."""

from __future__ import annotations

import csv
import io
from html.parser import HTMLParser
from pathlib import Path

import html5lib
import msgspec
import pytest

from grebe.app.document.demo import demo_bytes
from grebe.app.document.sheets import (
    SheetPage,
    finished,
    programme_sheet,
    remembered,
    room_sheet,
    set_sheet,
    setup_page,
    stage_sheet,
    steps_page,
    write_sheet,
)
from grebe.core.document import Project
from grebe.core.rig.setup import setup_sheet
from grebe.core.sets.model import Set, SetSong
from grebe.errors import UsageError
from grebe.formats.project import parse_project
from grebe.formats.sheets import NEW, TICKED_BOX, sized
from tests import build

HOSTILE = '<b onclick="x">&amp; "Tide" <script>'


class Tags(HTMLParser):
    """What a reader of HTML finds: tags with their attributes, and the text."""

    def __init__(self, page: str) -> None:
        super().__init__()
        self.found: list[tuple[str, tuple[str, ...]]] = []
        self.words = ""
        self.feed(page)

    def handle_starttag(self, tag: str, attrs: list[tuple[str, str | None]]) -> None:
        self.found.append((tag, tuple(name for name, _ in attrs)))

    def handle_data(self, data: str) -> None:
        self.words += data


def no_pdf(html: str, path: Path, title: str) -> None:
    """None of these is written as PDF."""
    raise AssertionError(title)


@pytest.fixture
def hostile() -> Project:
    """A project in which every name is HTML."""
    base = build.two_boxes()
    named = {"name": HOSTILE}
    devices = tuple(msgspec.structs.replace(d, **named) for d in base.rig.devices)
    return msgspec.structs.replace(
        base,
        name=HOSTILE,
        rig=msgspec.structs.replace(base.rig, devices=devices, name=HOSTILE),
        patterns=tuple(msgspec.structs.replace(p, **named) for p in base.patterns),
        scenes=tuple(msgspec.structs.replace(s, **named) for s in base.scenes),
        songs=tuple(msgspec.structs.replace(s, **named) for s in base.songs),
        sets=(Set(id="n", name=HOSTILE, songs=(SetSong(id="e", song=base.songs[0].id),)),),
    )


def pages(project: Project) -> dict[str, SheetPage]:
    """Every kind of sheet, of the first box, song and set."""
    song, running = project.songs[0], project.sets[0]
    return {
        "setup": setup_page(project),
        "steps": steps_page(project, song, device=project.rig.devices[0].id),
        "programme": programme_sheet(project, song),
        "stage": stage_sheet(project, song),
        "set": set_sheet(project, running),
        "cues": room_sheet(project, "cues", song),
        "set cues": room_sheet(project, "cues", running),
        "lights": room_sheet(project, "lights", running),
        "band": room_sheet(project, "band", running),
        "patch": room_sheet(project, "patch"),
    }


KINDS = ("setup", "steps", "programme", "stage", "set", "cues", "set cues", "lights", "band",
         "patch")  # fmt: skip


@pytest.mark.parametrize("kind", KINDS)
def test_names_stay_text(hostile: Project, tmp_path: Path, kind: str) -> None:
    """No tag and no attribute comes out of a name, and it can be read as it was typed."""
    path = tmp_path / "sheet.html"
    write_sheet(hostile, pages(hostile)[kind], path, to_pdf=no_pdf)
    page = Tags(path.read_text())
    assert HOSTILE in page.words
    assert "script" not in [tag for tag, _ in page.found]
    assert "onclick" not in [name for _, names in page.found for name in names]
    assert "src" not in [name for _, names in page.found for name in names]


OBSOLETE = ("align", "valign", "width", "cellpadding", "cellspacing", "bgcolor", "border")
"""Attributes that the HTML standard (WHATWG, 16.2 "Non-conforming features") leaves to CSS."""


@pytest.mark.parametrize("kind", KINDS)
def test_it_is_html_as_the_standard_has_it(kind: str) -> None:
    """Read by html5lib, the standard's own algorithm, without one error; nothing obsolete."""
    project = parse_project(demo_bytes(), "the demo").project
    page = pages(project)[kind]
    again = remembered(project, page, "2026-01-02")
    for html in (page.html, finished(again, page, 150)):
        html5lib.HTMLParser(strict=True).parse(html)
        used = {name for _, names in Tags(html).found for name in names}
        assert not used & set(OBSOLETE)


def test_what_is_otherwise_than_on_paper_is_marked() -> None:
    """A row that is new, how many are gone, and nothing where nothing changed; ticks are none."""
    project = parse_project(demo_bytes(), "the demo").project
    page = stage_sheet(project, project.songs[1])
    assert finished(project, page) == sized(page.html, 100)
    printed = remembered(project, page, "2026-01-02")
    assert "As it was printed on 2026-01-02." in finished(printed, page)
    assert NEW not in Tags(finished(printed, page)).words
    song = printed.songs[1]
    first = msgspec.structs.replace(song.sections[0], times=song.sections[0].times + 1)
    other = msgspec.structs.replace(song, sections=(first, *song.sections[1:]))
    songs = (printed.songs[0], other, *printed.songs[2:])
    edited = msgspec.structs.replace(printed, songs=songs)
    words = Tags(finished(edited, stage_sheet(edited, other))).words
    assert "is new since it was printed on 2026-01-02" in words
    assert words.count(NEW) > 2
    setup = setup_page(project)
    ticked = msgspec.structs.replace(
        remembered(project, setup, "2026-01-02"),
        ticked=tuple(s.key for d in setup_sheet(project).parts for s in d.steps),
    )
    assert TICKED_BOX in setup_page(ticked).html
    assert "As it was printed" in finished(ticked, setup_page(ticked))


def test_a_table_is_csv_too(tmp_path: Path) -> None:
    """Read back by Python's csv as RFC 4180; what a spreadsheet took for a formula is text."""
    project = parse_project(demo_bytes(), "the demo").project
    rig = project.rig
    evil = msgspec.structs.replace(rig.devices[0], power='=HYPERLINK("x")')
    project = msgspec.structs.replace(
        project, rig=msgspec.structs.replace(rig, devices=(evil, *rig.devices[1:]))
    )
    path = write_sheet(project, room_sheet(project, "patch"), tmp_path / "p.csv", to_pdf=no_pdf)
    rows = list(csv.reader(io.StringIO(path.read_text())))
    assert rows[0][0] == "Box"
    assert [row[0] for row in rows[1:]] == [d.name for d in rig.devices]
    assert rows[1][2].startswith("'=")
    with pytest.raises(UsageError, match="end the name so"):
        write_sheet(project, setup_page(project), tmp_path / "p.csv", to_pdf=no_pdf)
