"""Sheets as HTML: what comes from a project is text, and stays it."""

from __future__ import annotations

from html.parser import HTMLParser
from pathlib import Path

import msgspec
import pytest

from grebe.app.document.export import (
    export_programme,
    export_set_sheet,
    export_setup,
    export_stage,
    export_steps,
)
from grebe.core.document import Project
from grebe.core.sets.model import Set, SetSong
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


@pytest.mark.parametrize("kind", ["setup", "steps", "programme", "stage", "set"])
def test_names_stay_text(hostile: Project, tmp_path: Path, kind: str) -> None:
    """No tag and no attribute comes out of a name, and it can be read as it was typed."""
    song, path = hostile.songs[0], tmp_path / "sheet.html"
    if kind == "setup":
        export_setup(hostile, path, device="", to_pdf=no_pdf)
    elif kind == "steps":
        mark = hostile.rig.devices[0].id
        export_steps(hostile, song, path, device=mark, pattern="", to_pdf=no_pdf)
    elif kind == "programme":
        export_programme(hostile, song, path, device="", to_pdf=no_pdf)
    elif kind == "stage":
        export_stage(hostile, song, path, to_pdf=no_pdf)
    else:
        export_set_sheet(hostile, hostile.sets[0], path, to_pdf=no_pdf)
    page = Tags(path.read_text())
    assert HOSTILE in page.words
    assert "script" not in [tag for tag, _ in page.found]
    assert "onclick" not in [name for _, names in page.found for name in names]
    assert "src" not in [name for _, names in page.found for name in names]
