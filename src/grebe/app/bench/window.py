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

from grebe.app.demo import fresh_demo
from grebe.app.runtime import override_runtime_dir
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
    environment = {"QT_QPA_PLATFORM": "offscreen", **os.environ}
    if not os.environ.get("DISPLAY") and not os.environ.get("WAYLAND_DISPLAY"):
        environment["QT_QPA_PLATFORM"] = "offscreen"
    with tempfile.TemporaryDirectory(prefix="grebe-") as folder, override_runtime_dir(folder):
        environment["GREBE_RUNTIME_DIR"] = folder
        began = time.monotonic()
        done = subprocess.run(
            [sys.executable, "-m", "grebe.ui.measure", str(path)],
            capture_output=True,
            check=False,
            env=environment,
        )
    if done.returncode:
        raise EngineError(f"the window could not be measured: {done.stderr.decode()[-300:]}")
    found = json.loads(done.stdout)
    return {
        "first_paint_ms": round((found["first_paint"] - began) * 1e3, 1),
        "views": found["views"],
        "platform": environment["QT_QPA_PLATFORM"],
    }
