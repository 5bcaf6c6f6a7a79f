"""Who may import whom: every import of every module, held against the layers."""

from __future__ import annotations

import ast
import functools
import gc
import subprocess
import sys
from collections.abc import Iterator
from pathlib import Path
from typing import get_args

import pytest
from PyQt6.QtCore import QAbstractTableModel
from PyQt6.QtWidgets import QAbstractItemView, QStyledItemDelegate, QTabBar

import grebe
from grebe.core.player.commands import PLAYED, Command
from grebe.core.player.plan import make_plan
from grebe.core.player.player import Player
from grebe.engine.loop import Engine
from grebe.engine.server import Server
from grebe.protocols.link.messages import ToEngine
from tests import build

ROOT = Path(grebe.__file__).parent

ALLOWED = {
    "core": set(),
    "process": set(),
    "protocols": {"core"},
    "protocols.link": {"core"},
    "formats": {"process", "core"},
    "transports": {"process", "protocols", "core"},
    "engine": {"process", "transports", "protocols", "core"},
    "standins": {"process", "transports", "protocols", "core"},
    "app": {"process", "formats", "protocols.link", "core"},
    "network": {"process", "app", "formats", "transports", "protocols", "core"},
    "ui": {"process", "app", "formats", "protocols.link", "core"},
    "cli": {"process", "app", "formats", "protocols.link", "core", "ui"},
    "data": set(),
    "bench": {
        "process", "app", "formats", "transports", "engine", "standins", "network", "protocols",
        "core", "ui",
    },
}  # fmt: skip
"""For each layer the layers below it. Besides, `errors` and `words` by all. `bench` looks into all
of it, and nothing but its command looks into `bench`."""

LOADS_BENCH = "cli/bench.py"

OUTSIDE = {"core": {"msgspec", "numpy", "scipy"}, "protocols": {"msgspec"}}
"""Packages from outside the standard library, where they are limited."""

NO_QT = set(ALLOWED) - {"ui", "bench"}


@pytest.fixture(autouse=True)
def nobody_looks_for_garbage() -> Iterator[None]:
    """Among syntax trees that takes four times as long as reading them."""
    gc.disable()
    yield
    gc.enable()


STATEMENTS = ("body", "orelse", "finalbody", "handlers", "cases")
"""Where a statement has others in it."""


@functools.cache
def tree_of(path: Path) -> ast.Module:
    """A module's syntax; read once for all that is held against it."""
    return ast.parse(path.read_text())


@functools.cache
def imports(path: Path) -> tuple[tuple[str, bool], ...]:
    """Modules imported, each with whether at the top of the file."""
    tree = tree_of(path)
    out: list[tuple[str, bool]] = []
    nodes: list[tuple[ast.AST, bool]] = [(node, True) for node in tree.body]
    while nodes:
        node, top = nodes.pop()
        if isinstance(node, ast.Import):
            out += [(alias.name, top) for alias in node.names]
        elif isinstance(node, ast.ImportFrom):
            assert node.level == 0, f"{path}: relative import"
            out.append((node.module or "", top))
        else:  # an import is a statement: what stands in expressions is none
            below = (getattr(node, part, ()) for part in STATEMENTS)
            nodes += [(inner, False) for part in below for inner in part]
    return tuple(out)


def layer_of(parts: tuple[str, ...]) -> str:
    """The layer of a module, by its path below `grebe`."""
    two = ".".join(parts[:2])
    return two if two in ALLOWED else parts[0]


def misplaced(path: Path) -> list[str]:
    """What a module imports, also inside functions, that does not stand below it."""
    wrong: list[str] = []
    layer = layer_of(path.relative_to(ROOT).parts)
    top = layer.partition(".")[0]
    for module, at_top in imports(path):
        parts = module.split(".")
        if parts[0] == "grebe":
            below = {layer, top, "errors", "words"} | ALLOWED[layer]
            inside = tuple(parts[1:])
            allowed = not inside or layer_of(inside) in below or inside[0] in below
            allowed |= inside[:1] == ("bench",) and str(path.relative_to(ROOT)) == LOADS_BENCH
        elif parts[0].startswith("PyQt6"):
            allowed = layer not in NO_QT
        elif parts[0] in ("msgspec", "numpy", "scipy", "mido", "jack"):
            allowed = parts[0] in OUTSIDE.get(top, {parts[0]})
            # SciPy at the top slows every start.
            allowed &= not (top == "core" and parts[0] == "scipy" and at_top)
        else:
            outside = ("socket", "threading", "subprocess", "os", "time")
            allowed = top not in ("core", "protocols") or parts[0] not in outside
        if not allowed:
            wrong.append(f"{path.relative_to(ROOT)}: {module}")
    return wrong


def test_modules_import_only_what_stands_below_them() -> None:
    """Every module of every layer."""
    modules = [p for p in ROOT.rglob("*.py") if p.parent != ROOT]
    assert len(modules) > 100
    assert [line for path in modules for line in misplaced(path)] == []


def module_of(path: Path) -> str:
    """Its name as it is imported."""
    name = ".".join(("grebe", *path.relative_to(ROOT).with_suffix("").parts))
    return name.removesuffix(".__init__")


def known_to(path: Path) -> set[str]:
    """Modules of ours that a file names at its top, also only for the type checker: who has to be
    read to read it."""
    tree = tree_of(path)
    out: set[str] = set()
    nodes = list(tree.body)
    while nodes:
        node = nodes.pop()
        if isinstance(node, ast.If):
            nodes += [*node.body, *node.orelse]
        elif isinstance(node, ast.Import):
            out |= {alias.name for alias in node.names}
        elif isinstance(node, ast.ImportFrom) and node.module:
            out |= {node.module, *(f"{node.module}.{alias.name}" for alias in node.names)}
    return out


def test_there_are_no_import_cycles() -> None:
    """Between the package's own modules; what is imported for the type checker counts."""
    paths = {module_of(path): path for path in ROOT.rglob("*.py")}
    graph = {name: known_to(path) & set(paths) - {"grebe"} for name, path in paths.items()}
    done: set[str] = set()

    def visit(name: str, above: tuple[str, ...]) -> None:
        assert name not in above, " -> ".join((*above, name))
        if name not in done:
            for other in graph[name]:
                visit(other, (*above, name))
            done.add(name)

    for name in graph:
        visit(name, ())


def test_files_can_be_read_in_one_sitting() -> None:
    """No file over 500 lines, of the product, its tests or its tools."""
    house = ROOT.parent.parent
    paths = [p for part in ("src", "tests", "tools") for p in (house / part).rglob("*.py")]
    assert len(paths) > 500
    assert {p.name: n for p in paths if (n := len(p.read_text().splitlines())) > 500} == {}


QT_CALLS = {
    name
    for kind in (QAbstractItemView, QAbstractTableModel, QStyledItemDelegate, QTabBar)
    for name in dir(kind)
}
"""What a view or model of the interface may override without choosing to have a method more."""


def classes() -> Iterator[tuple[str, ast.ClassDef]]:
    """Every class at the top of a module, with the module's path."""
    for path in ROOT.rglob("*.py"):
        for node in tree_of(path).body:
            if isinstance(node, ast.ClassDef):
                yield str(path.relative_to(ROOT)), node


def methods_of(path: str, node: ast.ClassDef) -> list[str]:
    """Those it chooses to have: what Python calls by itself, and of a view what Qt does, aside."""
    names = [
        one.name for one in node.body if isinstance(one, ast.FunctionDef | ast.AsyncFunctionDef)
    ]
    of_qt = QT_CALLS if path.startswith("ui/") else set()
    return [name for name in names if not name.startswith("__") and name not in of_qt]


def test_no_class_has_more_than_25_methods() -> None:
    """Overrides of Qt's own and of Python's aside."""
    counts = {f"{path}: {node.name}": len(methods_of(path, node)) for path, node in classes()}
    assert {name: count for name, count in counts.items() if count > 25} == {}


def test_no_two_classes_have_one_name() -> None:
    """Exported ones: who reads a name knows which it is."""
    at: dict[str, list[str]] = {}
    for path, node in classes():
        if not node.name.startswith("_"):
            at.setdefault(node.name, []).append(path)
    assert {name: paths for name, paths in at.items() if len(paths) > 1} == {}


def test_the_interface_applies_no_edit_of_its_own() -> None:
    """What changes the document lies in `app`, where it is tested and reached from elsewhere."""
    found = [
        f"{path.relative_to(ROOT)}:{node.lineno}"
        for path in (ROOT / "ui").rglob("*.py")
        for node in ast.walk(tree_of(path))
        if isinstance(node, ast.Attribute) and node.attr == "apply"
        and "store" in ast.unparse(node.value)
    ]  # fmt: skip
    assert found == []


def test_every_command_has_its_handler_and_gets_to_it(own_folders: Path) -> None:
    """What a window may ask is what goes over the wire, what the engine hands on, and what the
    player does; to add one is its value, a line in `Asked` and its handler's row."""
    project = build.two_boxes()
    player = Player(make_plan(project, project.songs[0]))
    assert set(get_args(Command)) == player._performing.known
    assert set(PLAYED) < set(get_args(ToEngine))
    server = Server(own_folders / "e.sock")
    engine = Engine(server, realtime=False, priority_help="")
    assert engine.dispatch.known == set(get_args(ToEngine))
    server.close()


def test_the_engine_does_without_numpy() -> None:
    """With it the engine's locked memory is six times as large."""
    code = "import sys, grebe.engine.__main__; sys.exit('numpy' in sys.modules)"
    assert subprocess.run([sys.executable, "-c", code], check=False).returncode == 0


def test_a_window_is_there_before_what_it_has_no_need_of() -> None:
    """Its first picture shows Rig: other stations, pages, writers of files and what works things
    out with NumPy are loaded when they are wanted."""
    code = (
        "import sys, grebe.ui.main_window.application as _; "
        "late = ('numpy', 'scipy', 'mido', 'jinja2', 'grebe.ui.stations', 'grebe.formats.smf', "
        "'grebe.formats.sheets', 'PyQt6.QtPrintSupport'); "
        "sys.exit(', '.join(m for m in sys.modules if m in late) or None)"
    )
    done = subprocess.run([sys.executable, "-c", code], capture_output=True, check=False)
    assert (done.returncode, done.stderr.decode()) == (0, "")


def test_the_picture_of_the_structure_is_current() -> None:
    """docs/structure.svg is what the imports are; tools/draw_structure.py draws it anew."""
    tool = ROOT.parent.parent / "tools" / "draw_structure.py"
    assert subprocess.run([sys.executable, tool, "--check"], check=False).returncode == 0
