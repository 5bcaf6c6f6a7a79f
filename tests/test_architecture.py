"""Who may import whom: every import of every module, held against the layers."""

from __future__ import annotations

import ast
import functools
import subprocess
import sys
from pathlib import Path

import grebe

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
"""For each layer the layers below it. Besides, `errors` by all. `bench` looks into all of it, and
nothing but its command looks into `bench`."""

LOADS_BENCH = "cli/bench.py"

OUTSIDE = {"core": {"msgspec", "numpy", "scipy"}, "protocols": {"msgspec"}}
"""Packages from outside the standard library, where they are limited."""

NO_QT = set(ALLOWED) - {"ui", "bench"}


@functools.cache
def imports(path: Path) -> tuple[tuple[str, bool], ...]:
    """Modules imported, each with whether at the top of the file."""
    tree = ast.parse(path.read_text())
    top = set(map(id, tree.body))
    out: list[tuple[str, bool]] = []
    for node in ast.walk(tree):
        if isinstance(node, ast.Import):
            out += [(alias.name, id(node) in top) for alias in node.names]
        elif isinstance(node, ast.ImportFrom):
            assert node.level == 0, f"{path}: relative import"
            out.append((node.module or "", id(node) in top))
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
            below = {layer, top, "errors"} | ALLOWED[layer]
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


def test_there_are_no_import_cycles() -> None:
    """Between the package's own modules, imports at the top of files."""
    graph: dict[str, set[str]] = {}
    for path in ROOT.rglob("*.py"):
        name = ".".join(("grebe", *path.relative_to(ROOT).with_suffix("").parts))
        name = name.removesuffix(".__init__")
        graph[name] = {m for m, at_top in imports(path) if at_top and m.startswith("grebe")}
    done: set[str] = set()

    def visit(name: str, above: tuple[str, ...]) -> None:
        assert name not in above, " -> ".join((*above, name))
        if name not in done:
            for other in graph.get(name, ()):
                visit(other, (*above, name))
            done.add(name)

    for name in graph:
        visit(name, ())


def test_files_can_be_read_in_one_sitting() -> None:
    """No file over 800 lines."""
    long = [p.name for p in ROOT.rglob("*.py") if len(p.read_text().splitlines()) > 800]
    assert long == []


def test_the_engine_does_without_numpy() -> None:
    """With it the engine's locked memory is six times as large."""
    code = "import sys, grebe.engine.__main__; sys.exit('numpy' in sys.modules)"
    assert subprocess.run([sys.executable, "-c", code], check=False).returncode == 0
