"""How soon the findings of a large rig are there, and how fast it is drawn."""

from __future__ import annotations

import random
import tempfile
import time
from pathlib import Path
from typing import Any

import msgspec

from grebe.bench.figures import spread_ms
from grebe.bench.window import measure_views
from grebe.core.document import Project
from grebe.core.findings import find
from grebe.core.patterns.model import Content, Hit, Pattern, Voice
from grebe.core.rig.edits import best_cable, device_from
from grebe.core.rig.layout import drawing
from grebe.core.rig.model import GREBE_ID, Cable, Port, Rig
from grebe.core.rig.tree import tree_of
from grebe.core.rig.wiring import Wiring
from grebe.core.songs.model import Part, Scene, Section, Song
from grebe.formats.profiles import shipped_profiles
from grebe.formats.project import write_project

DEVICES, CABLES = 64, 200
RUNS = 15


def large_project() -> Project:
    """64 boxes from all profiles, 200 cables at random, a pattern each, four scenes."""
    dice = random.Random(7)
    profiles = shipped_profiles()
    ids: set[str] = set()
    devices = []
    for n in range(DEVICES):
        device = device_from(profiles[n % len(profiles)], f"Box {n + 1}", ids)
        ids.add(device.id)
        channel = n % 16 + 1
        devices.append(msgspec.structs.replace(device, channel=channel, port=Port(wire="none")))
    rig = Rig(devices=tuple(devices))
    cables: list[Cable] = []
    while len(cables) < CABLES:
        source = dice.choice([GREBE_ID, *(d.id for d in devices)])
        target = dice.choice(devices).id
        if source != target:
            cables.append(best_cable(rig, source, target))
    voices = tuple(
        Voice(
            id=f"v{n}",
            name=f"V{n}",
            note=36 + n,
            length=16 - n,
            hits=tuple(Hit(step=step) for step in range(0, 16 - n, 2 + n)),
        )
        for n in range(4)
    )
    playing = [d for d in devices if d.spec.obeys.notes]
    return Project(
        name="Large",
        rig=msgspec.structs.replace(rig, cables=tuple(cables)),
        patterns=tuple(
            Pattern(id=f"p-{d.id}", name="P", device=d.id, content=Content(voices=voices))
            for d in playing
        ),
        scenes=tuple(
            Scene(
                id=f"s{n}",
                name=f"S{n}",
                parts=tuple(Part(device=d.id, chain=(f"p-{d.id}",)) for d in playing),
            )
            for n in range(4)
        ),
        songs=(
            Song(
                id="a",
                name="A",
                bpm=126.0,
                sections=tuple(Section(id=f"x{n}", scene=f"s{n}") for n in range(4)),
            ),
        ),
    )


def measure_rig() -> dict[str, Any]:
    """Milliseconds for all findings, for laying the drawing out, and for a redraw of the Rig."""
    project = large_project()
    wiring = Wiring(project.rig)
    tree = tree_of(wiring)
    finding = _times(lambda: find(project))
    with tempfile.TemporaryDirectory(prefix="grebe-") as folder:
        path = Path(folder) / "large.grebe"
        write_project(path, project)
        views = measure_views(path)
    return {
        "devices": DEVICES,
        "cables": CABLES,
        "findings": len(find(project).open),
        "findings_ms": finding,
        "layout_ms": _times(lambda: drawing(wiring, tree)),
        "redraw": views["rig"],
    }


def _times(call: Any) -> dict[str, float]:
    took: list[float] = []
    for _ in range(RUNS):
        began = time.perf_counter()
        call()
        took.append((time.perf_counter() - began) * 1e3)
    return spread_ms(took, 50)
