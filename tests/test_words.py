"""The language of the window: every text has its translation, and the files for translators are
current. That the German is good German is for people to judge."""

from __future__ import annotations

import ast
import os
import re
import subprocess
import sys
import xml.etree.ElementTree as ET
from collections.abc import Iterator
from importlib.resources import files
from pathlib import Path

import pytest

from grebe import words
from grebe.app.settings import Settings, language_of
from grebe.core.rig.formatting import filter_from_words, filter_words
from grebe.core.rig.model import Filter

TOOL = Path(words.__file__).parents[2] / "tools" / "write_words.py"
OTHERS = [code for code in words.LANGUAGES if code != "en"]


def _values(text: str) -> list[str]:
    return sorted(re.findall(r"\{[^{}]*\}", text))


@pytest.mark.parametrize("code", OTHERS)
def test_every_text_is_translated_and_none_is_left_over(code: str) -> None:
    """The file is what the source has; `make words` writes it anew."""
    assert subprocess.run([sys.executable, TOOL, "--check"], check=False).returncode == 0, code


@pytest.mark.parametrize("code", OTHERS)
def test_a_translation_has_the_values_and_the_lines_of_its_text(code: str) -> None:
    """What is missing would be lost on the way; what is made up would end the process."""
    for text, translated in words.read_words(code).items():
        assert _values(translated) == _values(text), text
        assert translated.count("\n") == text.count("\n"), text
        assert translated[:1].isspace() == text[:1].isspace(), text


def test_the_file_is_one_that_translators_tools_read() -> None:
    """TS 2.1, Qt's own format (doc.qt.io, "Linguist TS file format"): contexts with messages."""
    root = ET.fromstring((files("grebe.data") / "words" / "grebe_de.ts").read_bytes())
    assert root.tag == "TS"
    assert (root.get("version"), root.get("language")) == ("2.1", "de")
    message = root.find("context/message")
    assert message is not None
    assert [part.tag for part in message] == ["location", "source", "translation"]


@pytest.fixture
def other_language(monkeypatch: pytest.MonkeyPatch) -> Iterator[pytest.MonkeyPatch]:
    """A process that has not asked for its language yet; ours is what it was after it."""
    words.language.cache_clear()
    yield monkeypatch
    monkeypatch.undo()
    words.language.cache_clear()


def test_a_text_is_said_in_the_language_asked_for(other_language: pytest.MonkeyPatch) -> None:
    """With its values; English where there is no translation, or no such language."""
    other_language.setenv(words.VARIABLE, "de")
    assert words.tr("Open {path}", path="x") in ("x öffnen", "Open x", "Öffne x")
    assert words.counted(1, "bar") == "1 Takt"
    assert words.counted(2, "bar") == "2 Takte"
    assert words.tr("Never written down {n}", n=3) == "Never written down 3"
    other_language.setenv(words.VARIABLE, "xx")
    words.language.cache_clear()
    assert words.counted(2, "bar") == "2 bars"


@pytest.mark.parametrize(
    ("chosen", "environment", "code"),
    [
        ("desktop", {"LANG": "de_AT.UTF-8"}, "de"),
        ("desktop", {"LANG": "de_DE.UTF-8", "LC_ALL": "C"}, "en"),
        ("desktop", {"LANG": "fr_FR.UTF-8"}, "en"),
        ("desktop", {}, "en"),
        ("de", {"LANG": "en_GB.UTF-8"}, "de"),
        ("en", {"LANG": "de_DE.UTF-8"}, "en"),
    ],
)
def test_the_language_is_as_the_setting_has_it(
    chosen: str, environment: dict[str, str], code: str
) -> None:
    """Or as the desktop's session has it, where Grebe speaks that."""
    settings = Settings(language=chosen)  # type: ignore[arg-type]
    assert language_of(settings, environment) == code


@pytest.mark.parametrize("code", words.LANGUAGES)
def test_what_is_read_back_from_words_is_what_was_said(
    code: str, monkeypatch: pytest.MonkeyPatch
) -> None:
    """A filter is typed in the language it is shown in."""
    monkeypatch.setenv(words.VARIABLE, code)
    for meant in (Filter(), Filter(notes=False), Filter(transport=False, but=(7,)),
                  Filter(clock=False, notes=False, program=False, controllers=False)):  # fmt: skip
        assert filter_from_words(filter_words(meant)) == meant


WALK = """
import sys
from PyQt6.QtTest import QTest
from grebe.app.document.demo import fresh_demo
from grebe.app.document.recovery import open_recovered
from grebe.ui.widgets.qt_application import make_application, quit_process
from grebe.ui.main_window.frame import Frame
from grebe.ui.widgets.controls import Button
from PyQt6.QtWidgets import QScrollArea
application = make_application()
found = open_recovered(fresh_demo(), untitled=True)
frame = Frame(found.store, found.claim)
frame.session.link.state = "off"
frame.resize(1280, 800)
frame.show()
for number in (1, 2, 3, 4, 5, 6, 7, 9):
    frame.show_station(number)
    view = frame.views[number]
    for part in range(view.panes.count() if view.part >= 0 else 1):
        if view.part >= 0:
            view.to_part(part)
        frame.on_timer()
        QTest.qWait(20)
        frame.grab()
        for button in frame.findChildren(Button):
            if button.isVisible() and button.width() < button.sizeHint().width() - 1:
                print("cut off:", button.text())
        for area in frame.findChildren(QScrollArea):
            if area.isVisible() and area.horizontalScrollBar().maximum():
                print("too wide:", number, part)
print([menu.title() for menu in frame.menu_bar.menus.values()])
frame._leaving = True
frame.close()
quit_process(0)
"""


def test_the_window_comes_up_in_german(tmp_path: Path) -> None:
    """Every station and its parts are built and painted, in a process of that language; no button
    is cut off, and no form is too wide for its place."""
    environment = os.environ | {
        words.VARIABLE: "de",
        "GREBE_RUNTIME_DIR": f"{tmp_path}/r", "XDG_STATE_HOME": f"{tmp_path}/s",
        "XDG_DATA_HOME": f"{tmp_path}/d",
    }  # fmt: skip
    done = subprocess.run(
        [sys.executable, "-c", WALK], env=environment, capture_output=True, text=True, check=False,
        timeout=100,
    )  # fmt: skip
    assert done.returncode == 0, done.stderr
    assert "Traceback" not in done.stderr
    assert "&Datei" in done.stdout
    assert "cut off" not in done.stdout, done.stdout
    assert "too wide" not in done.stdout, done.stdout


KEPT = {
    # names, which are kept as they were made
    "{}, as played", "{}, variation {}", "{} copy", "{}, sliced",
    "in the box", "changed since",  # translated where they are shown: `Pattern.box_status`
    "night {}", "{} explained", " ?, ?| and |{}",  # nothing that is read
}  # fmt: skip
"""Words that are put together, or chosen, and are no texts of the window by themselves."""
SAID_ELSEWHERE = {"tr", "counted", "debug", "info", "warning", "critical", "compile", "getLogger"}


def _untranslated(node: ast.AST, above: ast.AST | None = None) -> Iterator[str]:
    """Words of English that are put together with values, or chosen, below a node and outside
    `tr`."""
    if isinstance(node, ast.Call) and isinstance(node.func, ast.Name | ast.Attribute):
        called = node.func.id if isinstance(node.func, ast.Name) else node.func.attr
        if called in SAID_ELSEWHERE or called.endswith("Error"):
            return
    text = ""
    if isinstance(node, ast.JoinedStr):
        text = "".join(v.value if isinstance(v, ast.Constant) else "{}" for v in node.values)
    elif isinstance(node, ast.Constant) and isinstance(above, ast.IfExp | ast.BinOp):
        text = str(node.value)
    words_of_it = " " in text and re.search(r"(^|[ (])[a-z]{3,} ?", text)
    if words_of_it and not re.search(r"[:;] \{|;\n|<|=\"|\.wav|^grebe: ", text):
        yield text
    for child in ast.iter_child_nodes(node):
        yield from _untranslated(child, node)


def test_no_words_are_put_together_that_nobody_translates() -> None:
    """An English half of a line in a window of another language."""
    root = Path(words.__file__).parent
    folders = ("core", "ui", "app/editors", "app/live")
    paths = [path for folder in folders for path in (root / folder).rglob("*.py")]
    found = {
        f"{path.name}: {text}"
        for path in paths
        for text in _untranslated(ast.parse(path.read_text()))
        if text not in KEPT
    }
    assert found == set()
