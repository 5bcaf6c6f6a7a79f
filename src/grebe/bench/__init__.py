"""``grebe bench``: the speed figures, each beside a reference measured in the same call."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from importlib import import_module
from typing import Any


@dataclass(frozen=True)
class BenchPart:
    """A part that can be measured on its own: ``measure_NAME`` of ``grebe.bench.NAME``."""

    about: str
    """What is measured, `{0:.0f}` where the seconds it takes stand."""
    takes_s: Callable[[float], float] | None = None
    """How long, from the seconds of one run of the clock; None where it does not depend on it."""
    run_s: Callable[[float], float] | None = None
    """The seconds it is measured with, from those of one run; None where it takes none."""


def _same(seconds: float) -> float:
    return seconds


PARTS = {
    "clock": BenchPart("the clock, about {0:.0f} s", lambda s: s * 8, _same),
    "player": BenchPart("the player"),
    "window": BenchPart("the window"),
    "patterns": BenchPart("many patterns, and a song as audio"),
    "songs": BenchPart("a long song"),
    "faults": BenchPart("faults, about 3 minutes"),
    "stage": BenchPart("Stage and sets, about 20 s"),
    "tracks": BenchPart("boxes with tracks, and 100 000 steps of performances"),
    "rig": BenchPart("a large rig"),
    "route": BenchPart("a route"),
    "follow": BenchPart("the follower"),
    "sync": BenchPart("the sync measurement"),
    "ears": BenchPart("boxes heard live"),
    "network": BenchPart(
        "other computers, about {0:.0f} s", lambda s: s * 20 + 360, lambda s: s * 20
    ),
    "jack": BenchPart("JACK ports, about {0:.0f} s", lambda s: s * 24 + 60, _same),
    "engine": BenchPart(
        "the engine at other sizes, for long, and kills: {0:.0f} s", lambda s: s * 3 + 190, _same
    ),
}


def run_bench(only: str | None, seconds: float, say: Callable[[str], None]) -> dict[str, Any]:
    """Measure one part, or all; `seconds` is for each run of the clock.

    `say` is told what is being measured. A part's module is loaded when its turn comes, so that
    none runs in a process that holds what another needed.
    """
    out: dict[str, Any] = {}
    for name, part in PARTS.items():
        if only in (None, name):
            say(part.about.format(part.takes_s(seconds) if part.takes_s else 0))
            measure = getattr(import_module(f"grebe.bench.{name}"), f"measure_{name}")
            out[name] = measure(part.run_s(seconds)) if part.run_s else measure()
    return out
