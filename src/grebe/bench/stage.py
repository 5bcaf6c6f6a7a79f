"""Stage: from key to launch, where it says the song is, how fast it is drawn; sets and orders."""

from __future__ import annotations

import random
import tempfile
import time
from pathlib import Path
from typing import Any

from grebe.app.live.perform import private_engine
from grebe.bench.figures import spread_ms
from grebe.bench.window import measured_apart
from grebe.core.document import Project
from grebe.core.player.commands import Begin, Launch, Withdraw
from grebe.core.player.plan import make_set_plan
from grebe.core.rig.model import Cable, Device, Port, Rig
from grebe.core.sets.model import Set, SetSong
from grebe.core.sets.order import best_order, costs_of
from grebe.core.sets.plan import plan_set
from grebe.core.songs.model import Part, Scene, Section, Song
from grebe.errors import EngineError
from grebe.formats.project import read_project, write_project
from grebe.process.processor import processor_times, stolen_percent
from grebe.protocols.link.messages import Status

DEVICES, SCENES, SONGS = 16, 200, 7
LAUNCHES = 200
ACCEPTED_MS = 5.0
ORDERED = 12


def stage_set(songs: int = SONGS, scenes: int = SCENES, devices: int = DEVICES) -> Project:
    """A set of songs over scenes on so many devices, each in another key and at another tempo."""
    from grebe.core.patterns.model import Content, Hit, Pattern, Voice  # noqa: PLC0415

    dice = random.Random(7)
    boxes = tuple(
        Device(id=f"d{n}", name=f"D{n}", kind="drums" if n % 2 else "synth", channel=n % 16 + 1,
               plays="own" if n % 4 == 0 else "grebe", port=Port(wire="none"))
        for n in range(devices)
    )  # fmt: skip
    patterns = tuple(
        Pattern(
            id=f"p{n}-{k}", name=f"P{n} {k}", device=f"d{n}",
            content=Content(voices=tuple(
                Voice(id=f"v{v}", name=f"V{v}", note=40 + v + k,
                      hits=tuple(Hit(step=s) for s in range(16) if dice.random() < 0.4))
                for v in range(4)
            )),
        )
        for n in range(devices) for k in range(4)
    )  # fmt: skip
    made = tuple(
        Scene(
            id=f"s{n}", name=f"Scene {n}", bars=8,
            parts=tuple(Part(device=b.id, chain=(f"p{i}-{dice.randrange(4)}",))
                        for i, b in enumerate(boxes) if dice.random() < 0.9),
        )
        for n in range(scenes)
    )  # fmt: skip
    each = max(1, scenes // songs)
    keys = ("A minor", "C major", "D minor", "F major", "E minor", "G major", "Bb major")
    played = tuple(
        Song(
            id=f"t{n}", name=f"Song {n}", bpm=float(dice.randrange(90, 145)), key=keys[n % 7],
            sections=tuple(Section(id=f"x{k}", scene=f"s{(n * each + k) % scenes}")
                           for k in range(each)),
        )
        for n in range(songs)
    )  # fmt: skip
    running = Set(
        id="set", name="Set", slot_s=3600.0, wish=(0.1, 1.0, 0.3),
        songs=tuple(SetSong(id=f"e{n}", song=s.id, into="cut") for n, s in enumerate(played)),
    )  # fmt: skip
    rig = Rig(devices=boxes, cables=tuple(Cable(source="grebe", target=b.id) for b in boxes))
    return Project(name="Stage", rig=rig, patterns=patterns, scenes=made, songs=played,
                   sets=(running,))  # fmt: skip


def measure_stage() -> dict[str, Any]:
    """All of it, each as measured here."""
    project = stage_set()
    with tempfile.TemporaryDirectory(prefix="grebe-") as name:
        path = Path(name) / "stage.grebe"
        write_project(path, project)
        opened = _opens(path)
        drawn = measured_apart("grebe.bench.stage_probe", path, "Stage", "offscreen")
    many = stage_set(ORDERED, 60, 8)
    began = time.perf_counter()
    plan = plan_set(many, many.sets[0])
    found = best_order(costs_of(many, many.sets[0], plan.songs))
    order_s = time.perf_counter() - began
    return {
        "devices": DEVICES,
        "scenes": SCENES,
        "songs": SONGS,
        "launch": _launches(project),
        "draw": drawn,
        "open": opened,
        "order": {"songs": ORDERED, "seconds": round(order_s, 3), "exact": found.exact},
    }


def _launches(project: Project) -> dict[str, Any]:
    """Milliseconds from sending a launch until the engine says that it is taken.

    The engine plays meanwhile; every launch is withdrawn again.
    """
    took: list[float] = []
    before = processor_times()
    with private_engine(make_set_plan(project, project.sets[0]), project) as (client, _):
        client.send(Begin())
        _until(client, lambda s: s.running and s.tick > 0)
        dice = random.Random(2)
        for _ in range(LAUNCHES):
            time.sleep(dice.uniform(0.005, 0.03))
            client.pump()
            began = time.perf_counter()
            client.send(Launch(section="e3-x2", at="section_end"))
            _until(client, lambda s: s.launched)
            took.append((time.perf_counter() - began) * 1e3)
            client.send(Withdraw())
            _until(client, lambda s: not s.launched)
    return {
        **spread_ms(took, 50, 99),
        "under_5_ms_percent": round(100 * sum(t < ACCEPTED_MS for t in took) / len(took), 1),
        "launches": LAUNCHES,
        "stolen_percent": stolen_percent(before, processor_times()),
    }


def _until(client: Any, true: Any) -> Status:
    """Wait for a status of which something is true, without resting."""
    end = time.monotonic() + 5.0
    while time.monotonic() < end:
        for message in client.pump():
            if isinstance(message, Status) and true(message):
                return message
        time.sleep(0.0002)
    raise EngineError("the engine did not say it in time")


def _opens(path: Path) -> dict[str, float]:
    """Milliseconds until a set is read and laid out, and its window's first paint."""
    began = time.perf_counter()
    project = read_project(path).project
    read_ms = (time.perf_counter() - began) * 1e3
    plan_set(project, project.sets[0])
    laid_ms = (time.perf_counter() - began) * 1e3
    return {"read_ms": round(read_ms, 1), "laid_out_ms": round(laid_ms, 1)}
