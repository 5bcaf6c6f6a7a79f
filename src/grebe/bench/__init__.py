"""``grebe bench``: the speed figures, each beside a reference measured in the same call."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

from grebe.bench.clock import measure_clock
from grebe.bench.engine import measure_engine
from grebe.bench.faults import measure_faults
from grebe.bench.follow import measure_follow
from grebe.bench.jack import measure_jack
from grebe.bench.network import measure_network
from grebe.bench.patterns import measure_patterns
from grebe.bench.player import measure_player
from grebe.bench.rig import measure_rig
from grebe.bench.route import measure_route
from grebe.bench.songs import measure_songs
from grebe.bench.stage import measure_stage
from grebe.bench.sync import measure_sync
from grebe.bench.window import measure_window


def run_bench(only: str | None, seconds: float, say: Callable[[str], None]) -> dict[str, Any]:
    """Measure one part, or all; `seconds` is for each run of the clock.

    `say` is told what is being measured.
    """
    parts: dict[str, tuple[str, Callable[[], dict[str, Any]]]] = {
        "clock": (f"the clock, about {seconds * 8:.0f} s", lambda: measure_clock(seconds)),
        "player": ("the player", measure_player),
        "window": ("the window", measure_window),
        "patterns": ("many patterns, and a song as audio", measure_patterns),
        "songs": ("a long song", measure_songs),
        "faults": ("faults, about 3 minutes", measure_faults),
        "stage": ("Stage and sets, about 20 s", measure_stage),
        "rig": ("a large rig", measure_rig),
        "route": ("a route", measure_route),
        "follow": ("the follower", measure_follow),
        "sync": ("the sync measurement", measure_sync),
        "network": (
            f"other computers, about {seconds * 20 / 60 + 6:.0f} minutes",
            lambda: measure_network(seconds * 20),
        ),
        "jack": (f"JACK ports, about {seconds * 24 + 60:.0f} s", lambda: measure_jack(seconds)),
        "engine": (
            f"the engine at other sizes, for long, and kills: {seconds * 3 + 190:.0f} s",
            lambda: measure_engine(seconds),
        ),
    }
    out: dict[str, Any] = {}
    for name, (about, measure) in parts.items():
        if only in (None, name):
            say(about)
            out[name] = measure()
    return out
