"""Who may import whom: every import of every module, held against the layers."""

from __future__ import annotations

import ast
import subprocess
import sys
from pathlib import Path

import pytest

import grebe

ROOT = Path(grebe.__file__).parent

ALLOWED = {
    "core": set(),
    "protocols": {"core"},
    "link": {"core"},
    "formats": {"core"},
    "wires": {"protocols", "core"},
    "engine": {"wires", "link", "protocols", "core"},
    "standins": {"wires", "link", "protocols", "core"},
    "app": {"formats", "link", "core"},
    "ui": {"app", "formats", "link", "core"},
    "cli": {"app", "formats", "link", "core", "ui"},
    "data": set(),
}
"""For each layer the layers below it. Besides, `errors` by all."""

OUTSIDE = {"core": {"msgspec", "numpy", "scipy"}, "link": {"msgspec"}, "protocols": {"msgspec"}}
"""Packages from outside the standard library, where they are limited."""

NO_QT = set(ALLOWED) - {"ui"}


def imports(path: Path) -> list[tuple[str, bool]]:
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
    return out


MODULES = sorted(p for p in ROOT.rglob("*.py") if p.parent != ROOT)


@pytest.mark.parametrize("path", MODULES, ids=lambda p: str(p.relative_to(ROOT)))
def test_a_module_imports_only_what_stands_below_it(path: Path) -> None:
    """Also inside functions."""
    layer = path.relative_to(ROOT).parts[0]
    for module, at_top in imports(path):
        parts = module.split(".")
        if parts[0] == "grebe":
            if len(parts) > 1 and parts[1] not in (layer, "errors"):
                assert parts[1] in ALLOWED[layer], f"{path}: {module}"
            continue
        if parts[0].startswith("PyQt6"):
            assert layer not in NO_QT, f"{path}: {module}"
        elif layer in OUTSIDE and parts[0] in ("msgspec", "numpy", "scipy", "mido", "jack"):
            assert parts[0] in OUTSIDE[layer], f"{path}: {module}"
        if layer == "core" and parts[0] == "scipy":
            assert not at_top, f"{path}: SciPy at the top slows every start"
        if layer in ("core", "protocols", "link"):
            assert parts[0] not in ("socket", "threading", "subprocess", "os", "time"), (
                f"{path}: {module}"
            )


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
