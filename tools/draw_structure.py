"""Draws docs/structure.svg from the imports: every folder of the package on the level it stands on.

A folder stands one level above the highest that it imports from. Lines that follow from others are
left out. Usage: python tools/draw_structure.py [--check]; with --check it only says whether the
picture is current, by its exit status.
"""

from __future__ import annotations

import ast
import gc
import sys
from collections import defaultdict
from collections.abc import Iterator
from html import escape
from pathlib import Path

import networkx

HERE = Path(__file__).resolve().parent.parent
PACKAGE = HERE / "src" / "grebe"
PICTURE = HERE / "docs" / "structure.svg"
SPLIT = ("core", "protocols")
"""Folders whose folders are drawn one by one."""
APART = ("document",)
"""Modules that lie in no folder there and stand elsewhere than the rest of those."""
PURE = "core"
WIDE, WORD, HIGH, GAP_X, GAP_Y, EDGE = 118, 62, 40, 16, 46, 20


def folder_of(parts: tuple[str, ...]) -> str:
    """The folder a module is drawn in; "" for what all may import."""
    if len(parts) < 2:
        return parts[0] if parts and (PACKAGE / parts[0]).is_dir() else ""
    if parts[0] in SPLIT:
        inner = (PACKAGE / parts[0] / parts[1]).is_dir() or parts[1] in APART
        return f"{parts[0]}.{parts[1]}" if inner else parts[0]
    return parts[0]


def imports() -> networkx.DiGraph:
    """Folders, with an edge to each that a module of theirs imports from, also inside functions."""
    graph = networkx.DiGraph()
    for path in PACKAGE.rglob("*.py"):
        here = folder_of(path.relative_to(PACKAGE).with_suffix("").parts)
        if not here:
            continue
        graph.add_node(here)
        for module in imported(ast.parse(path.read_text()).body):
            there = folder_of(tuple(module.split(".")[1:]) or ("",))
            if there and there != here:
                graph.add_edge(here, there)
    return graph


def imported(body: list[ast.stmt]) -> Iterator[str]:
    """Modules of ours that statements import from, and those inside them; no expression does."""
    nodes: list[ast.AST] = list(body)
    while nodes:
        node = nodes.pop()
        if isinstance(node, ast.ImportFrom) and (node.module or "").startswith("grebe."):
            yield node.module or ""
        for part in ("body", "orelse", "finalbody", "handlers", "cases"):
            nodes += getattr(node, part, None) or () if not isinstance(node, ast.expr) else ()


def levels(knots: networkx.DiGraph) -> dict[int, int]:
    """How high each box stands."""
    height: dict[int, int] = {}
    for knot in reversed(list(networkx.topological_sort(knots))):
        height[knot] = 1 + max((height[below] for below in knots.successors(knot)), default=-1)
    return height


def picture(graph: networkx.DiGraph) -> str:
    """The picture as SVG. Folders whose modules import from each other's share a box: no module
    does so in a circle, but the folders can only be read together."""
    knots = networkx.condensation(graph)
    names: dict[int, list[str]] = {knot: sorted(row) for knot, row in knots.nodes("members")}
    wide = {knot: max(WIDE, len(row) * WORD) for knot, row in names.items()}
    at = levels(knots)
    rows: defaultdict[int, list[int]] = defaultdict(list)
    for knot in sorted(at, key=lambda k: names[k]):
        rows[at[knot]].append(knot)
    length = {level: sum(wide[k] + GAP_X for k in row) - GAP_X for level, row in rows.items()}
    across, top = max(length.values()) + 2 * EDGE, max(rows)
    down = (top + 1) * (HIGH + GAP_Y) - GAP_Y + 2 * EDGE
    left: dict[int, float] = {}
    upper = {knot: EDGE + (top - level) * (HIGH + GAP_Y) for knot, level in at.items()}
    for level, row in rows.items():
        x = (across - length[level]) / 2
        for knot in row:
            left[knot] = x
            x += wide[knot] + GAP_X
    lines = [
        (
            f'<svg xmlns="http://www.w3.org/2000/svg" width="{across:.0f}" height="{down:.0f}" '
            f'font-family="sans-serif" font-size="12">'
        ),
        f'<rect width="{across:.0f}" height="{down:.0f}" fill="#f6f1e4"/>',
    ]
    for a, b in sorted(networkx.transitive_reduction(knots).edges):
        lines.append(
            f'<line x1="{left[a] + wide[a] / 2:.0f}" y1="{upper[a] + HIGH:.0f}" '
            f'x2="{left[b] + wide[b] / 2:.0f}" y2="{upper[b]:.0f}" stroke="#8aa0a3"/>'
        )
    for knot, members in names.items():
        fill = "#d9e4e2" if members[0].startswith(PURE) else "#ffffff"
        words = " · ".join(
            name.removeprefix("core.") if len(members) > 1 else name for name in members
        )
        lines.append(
            f'<rect x="{left[knot]:.0f}" y="{upper[knot]:.0f}" width="{wide[knot]}" '
            f'height="{HIGH}" rx="3" fill="{fill}" stroke="#1b2b31"/>'
            f'<text x="{left[knot] + wide[knot] / 2:.0f}" y="{upper[knot] + HIGH / 2 + 4:.0f}" '
            f'text-anchor="middle" fill="#1b2b31">{escape(words)}</text>'
        )
    return "\n".join([*lines, "</svg>", ""])


def main() -> int:
    """Write the picture, or say whether it is current."""
    made = picture(imports())
    if "--check" in sys.argv[1:]:
        return 0 if PICTURE.exists() and PICTURE.read_text() == made else 1
    PICTURE.write_text(made)
    return 0


if __name__ == "__main__":
    gc.disable()  # looking for garbage among syntax trees takes four times as long as reading them
    sys.exit(main())
