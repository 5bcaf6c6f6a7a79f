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
from grebe.bench.figures import percentile
from grebe.errors import EngineError

STARTS = 7
REST_S = 4.0
"""Before each: a window is opened on a machine at rest, and a virtual one is slower after a while
of work."""


def measure_window() -> dict[str, Any]:
    """Milliseconds to the first paint (median and least of some starts), and per redraw of each
    view."""
    path = fresh_demo()
    paints = first_paints_ms(path)
    return {
        "first_paint_ms": percentile(paints, 50),
        "first_paint_least_ms": min(paints),
        "views": measure_views(path),
        "platform": _platform(),
    }


def first_paints_ms(path: Path) -> list[float]:
    """From the start of a process to the first picture of a project in milliseconds, for some
    starts, the machine at rest before each."""
    took: list[float] = []
    for _ in range(STARTS):
        time.sleep(REST_S)
        began = time.monotonic()
        found = measured_apart("grebe.bench.first_paint", path, "the first picture", _platform())
        took.append(round((found["first_paint"] - began) * 1e3, 1))
    return took


def measure_views(path: Path) -> dict[str, dict[str, float]]:
    """Milliseconds per redraw of each view with a project, and until a key's edit is seen."""
    views: dict[str, dict[str, float]] = measured_apart(
        "grebe.bench.window_probe", path, "the window", _platform()
    )
    return views


def _platform() -> str:
    """What Qt draws on: the desktop there is, else nothing that is seen."""
    if not os.environ.get("DISPLAY") and not os.environ.get("WAYLAND_DISPLAY"):
        return "offscreen"
    return os.environ.get("QT_QPA_PLATFORM", "offscreen")


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
