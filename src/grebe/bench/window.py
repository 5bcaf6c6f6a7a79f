"""How soon the window is there, and how fast each view is drawn. Runs it as its own process."""

from __future__ import annotations

import json
import os
import subprocess
import sys
import tempfile
import time
from pathlib import Path
from typing import Any

from grebe.app.document.demo import fresh_demo
from grebe.errors import EngineError

RUNS = 3


def measure_window() -> dict[str, Any]:
    """Milliseconds to the first paint (median of some starts), and per redraw of each view."""
    path = fresh_demo()
    paints: list[float] = []
    found: dict[str, Any] = {}
    for _ in range(RUNS):
        found = measure_views(path)
        paints.append(found["first_paint_ms"])
    return {**found, "first_paint_ms": sorted(paints)[len(paints) // 2]}


def measure_views(path: Path) -> dict[str, Any]:
    """Milliseconds to the first paint of one start with a project, and per redraw of each view."""
    platform = os.environ.get("QT_QPA_PLATFORM", "offscreen")
    if not os.environ.get("DISPLAY") and not os.environ.get("WAYLAND_DISPLAY"):
        platform = "offscreen"
    began = time.monotonic()
    found = measured_apart("grebe.bench.window_probe", path, "the window", platform)
    return {
        "first_paint_ms": round((found["first_paint"] - began) * 1e3, 1),
        "views": found["views"],
        "platform": platform,
    }


def measured_apart(module: str, path: Path, what: str, platform: str) -> dict[str, Any]:
    """What a module that times itself prints, run in a process and a runtime folder of its own.

    EngineError says that `what` could not be measured.
    """
    with tempfile.TemporaryDirectory(prefix="grebe-") as folder:
        done = subprocess.run(
            [sys.executable, "-m", module, str(path)],
            capture_output=True,
            check=False,
            env={**os.environ, "GREBE_RUNTIME_DIR": folder, "QT_QPA_PLATFORM": platform},
        )
    if done.returncode:
        raise EngineError(f"{what} could not be measured: {done.stderr.decode()[-300:]}")
    found: dict[str, Any] = json.loads(done.stdout)
    return found
