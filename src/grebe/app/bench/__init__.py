"""``grebe bench``: the speed figures, each beside a reference measured in the same call."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

from grebe.app.bench.clock import measure_clock
from grebe.app.bench.player import measure_player
from grebe.app.bench.rig import measure_rig
from grebe.app.bench.route import measure_route
from grebe.app.bench.window import measure_window


def run_bench(only: str | None, seconds: float, say: Callable[[str], None]) -> dict[str, Any]:
    """Measure one part, or all; `seconds` is for each run of the clock.

    `say` is told what is being measured.
    """
    out: dict[str, Any] = {}
    if only in (None, "clock"):
        say(f"the clock, about {seconds * 8:.0f} s")
        out["clock"] = measure_clock(seconds)
    if only in (None, "player"):
        say("the player")
        out["player"] = measure_player()
    if only in (None, "window"):
        say("the window")
        out["window"] = measure_window()
    if only in (None, "rig"):
        say("a large rig")
        out["rig"] = measure_rig()
    if only in (None, "route"):
        say("a route")
        out["route"] = measure_route()
    return out
