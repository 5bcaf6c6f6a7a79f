"""Collects the words of the window for translators: every ``tr("...")`` of the source, into the TS
file of each language (Qt Linguist edits it). What is translated stays; what is gone is left out.

Usage: tools/write_words.py [--check]
"""

from __future__ import annotations

import ast
import gc
import re
import sys
import xml.etree.ElementTree as ET
from collections.abc import Iterator
from pathlib import Path
from typing import get_args

from grebe.app.actions.keymap import KEYS_WITH_NAMES
from grebe.app.actions.model import MENUS
from grebe.app.actions.table import ACTIONS
from grebe.app.choices import CHOICES
from grebe.app.editors.scene_form import SCHOOLS
from grebe.core.patterns.fields import CONDITIONS
from grebe.core.patterns.model import BoxStatus, Direction
from grebe.core.rig.formatting import PARTS
from grebe.core.rig.spec import Kind
from grebe.core.songs.model import Follow, Role
from grebe.words import LANGUAGES, read_words

SOURCE = Path(__file__).parents[1] / "src" / "grebe"
IN_TEMPLATE = re.compile(r'\b(tr|counted)\((?:[^"()]*, )?"([^"]+)"[,)]')
OTHER_CHOICES = (
    "yes", "no", "none", "always", "saved", "left", "keep", "drop", "accepts", "passes",
    "by hand", "by foot",
)  # fmt: skip
"""Words of settings that have no list of their own."""
FOLDER = SOURCE / "data" / "words"


def collected() -> dict[str, str]:
    """Every text, with the file that has it first."""
    found: dict[str, str] = {}
    for path in sorted(SOURCE.rglob("*.py")):
        for node in ast.walk(ast.parse(path.read_text(encoding="utf-8"))):
            for text in _texts(node):
                found.setdefault(text, str(path.relative_to(SOURCE)))
    for path in sorted((SOURCE / "formats" / "templates").glob("*.html")):
        for name, text in IN_TEMPLATE.findall(path.read_text("utf-8")):
            found.setdefault(text, str(path.relative_to(SOURCE)))
            if name == "counted":
                found.setdefault(f"{text}s", str(path.relative_to(SOURCE)))
    for text in spoken_of():
        found.setdefault(text, "app/actions")
    return {text: where for text, where in found.items() if text.strip()}


def _texts(node: ast.AST) -> Iterator[str]:
    """The texts that one call has translated."""
    if not isinstance(node, ast.Call):
        return
    name = getattr(node.func, "id", "")
    words = [a.value for a in node.args if isinstance(a, ast.Constant) and isinstance(a.value, str)]
    if name == "tr":
        yield from words
    elif name == "counted" and words:
        yield words[0]
        yield words[1] if len(words) > 1 else f"{words[0]}s"


def spoken_of() -> Iterator[str]:
    """What is data in English and is translated where it is shown."""
    yield from MENUS
    yield from (a.title for a in ACTIONS)
    yield from sorted({a.group for a in ACTIONS if a.group})
    for choice in CHOICES:
        yield from (choice.group, *(c for c in choice.choices if c not in LANGUAGES))
    for kind in (Kind, Direction, Role, Follow, BoxStatus):
        yield from (word for word in get_args(kind) if word)
    yield from (*SCHOOLS, *CONDITIONS, *PARTS, *OTHER_CHOICES)
    yield from (f"{name}##a key" for name in KEYS_WITH_NAMES)


def ts(code: str, known: dict[str, str]) -> str:
    """The file of one language."""
    root = ET.Element("TS", version="2.1", language=code, sourcelanguage="en")
    context = ET.SubElement(root, "context")
    ET.SubElement(context, "name").text = "grebe"
    for text, where in collected().items():
        message = ET.SubElement(context, "message")
        ET.SubElement(message, "location", filename=f"../../{where}")
        ET.SubElement(message, "source").text = text
        translation = ET.SubElement(message, "translation")
        if text in known:
            translation.text = known[text]
        else:
            translation.set("type", "unfinished")
    ET.indent(root, " ")
    body = ET.tostring(root, encoding="unicode")
    return f'<?xml version="1.0" encoding="utf-8"?>\n<!DOCTYPE TS>\n{body}\n'


def main() -> int:
    """Write them; with --check say whether they are current."""
    stale = 0
    for code in (c for c in LANGUAGES if c != "en"):
        path = FOLDER / f"grebe_{code}.ts"
        known = read_words(code) if path.exists() else {}
        made = ts(code, known)
        if "--check" in sys.argv:
            stale += made != path.read_text(encoding="utf-8")
        else:
            FOLDER.mkdir(exist_ok=True)
            path.write_text(made, encoding="utf-8")
    return 1 if stale else 0


if __name__ == "__main__":
    gc.disable()  # looking for garbage among syntax trees takes four times as long as reading them
    sys.exit(main())
