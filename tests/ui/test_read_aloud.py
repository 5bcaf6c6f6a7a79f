"""The window as a screen reader has it: over AT-SPI, with a bus and a screen of its own."""

from __future__ import annotations

from collections.abc import Iterator
from pathlib import Path

import pytest

from grebe.core.document import with_content
from grebe.core.patterns.model import Content, Voice
from grebe.formats.project import write_project
from tests import build
from tests.ui.conftest import end_engine
from tests.ui.read_aloud import Node, desktop, missing
from tests.waiting import wait

pytestmark = pytest.mark.skipif(bool(missing()), reason=f"not installed: {missing()}")
RIGHT, X, N, SPACE = 0xFF53, 0x78, 0x6E, 0x20
"""Keysyms of X11's keysymdef.h."""


STATIONS = {
    "Rig": "Clock tree", "Sync": "Strips of all devices", "Patterns": "Pattern", "Song": "Song",
    "Set": "Set", "Tools": "Tools",
}  # fmt: skip
"""The table that each of them is, by its name."""


@pytest.fixture
def project(own_folders: Path) -> Iterator[Path]:
    """Two boxes, the first with an empty pattern of one voice."""
    content = Content(voices=(Voice(id="v1", name="Kick"),))
    made = build.two_boxes()
    made = with_content(made, made.patterns[0].id, lambda _: content)
    path = own_folders / "aloud.grebe"
    write_project(path, made)
    yield path
    end_engine()


def table(app: Node, station: str, name: str) -> Node:
    """Go to a station by its tab; the table there."""
    app.find("page tab", station).act("Press")
    found: list[Node] = []

    def there() -> bool:
        found[:] = [n for n in app.all() if n.role == "table" and n.name == name]
        return bool(found)

    wait(there)
    return found[0]


@pytest.mark.timeout(300)  # a whole desktop, on a machine that others use
@pytest.mark.real_time("each look at the window waits for it ten times over")
def test_a_screen_reader_writes_a_beat_makes_a_scene_and_hears_stage(project: Path) -> None:
    """Roles, names, values and actions; four on the floor by ear alone."""
    with desktop(["-m", "grebe", "open", str(project)]) as reader:
        app = reader.application("Grebe")
        assert app.find("push button", "Run").role == "push button"
        pattern = table(app, "Patterns", "Pattern")
        assert pattern.size() == (1, 16)
        assert (pattern.row_name(0), pattern.column_name(4)) == ("Kick", "5")
        assert pattern.cell(0, 4).name == "empty"
        for _ in range(4):
            reader.press(X, RIGHT, RIGHT, RIGHT, RIGHT)

        def steps() -> list[int]:
            names = [pattern.cell(0, step).name for step in range(16)]
            return [step for step, words in enumerate(names) if "velocity 100" in words]

        wait(lambda: steps() == [0, 4, 8, 12], why=lambda: f"steps {steps()}")
        assert pattern.cell(0, 3).focused is False
        chart = table(app, "Scenes", "Scenes")
        before = chart.size()[1]
        reader.press(N)
        wait(lambda: chart.size()[1] == before + 1)
        for station, words in STATIONS.items():
            assert table(app, station, words).size()[1] > 0
            for node in app.all():
                if node.role in ("push button", "page tab", "menu item", "check box"):
                    assert node.name, (station, node.role)
        app.find("page tab", "Stage").act("Press")
        reader.press(SPACE)
        wait(lambda: any("bar 1 of" in n.name for n in app.all() if n.role == "table"))
        stage = app.find("table")
        assert "Next" in stage.name
        assert "My move" in stage.name
        assert [stage.row_name(row) for row in range(4)] == ["Song", "Scene", "Bar", "Next"]
        reader.press(SPACE)
        wait(lambda: any(n.name == "Run" for n in app.all()))
