"""A long song: how fast it is drawn, checked and expanded; hands and memory settled exactly."""

from __future__ import annotations

import random
import tempfile
import time
from collections.abc import Callable
from functools import partial
from pathlib import Path
from typing import Any

import msgspec

from grebe.bench.figures import percentile, spread_ms
from grebe.bench.window import measure_views
from grebe.core.document import Project
from grebe.core.findings import find
from grebe.core.patterns.model import Content, Hit, Pattern, Voice
from grebe.core.player.plan import make_plan
from grebe.core.player.whole import song_events
from grebe.core.rig.model import Cable, Device, Port, Rig
from grebe.core.rig.spec import HandMove, Spec
from grebe.core.songs.hands import Move, schedule
from grebe.core.songs.memory_order import in_order
from grebe.core.songs.model import MuteRegion, Part, Performer, Scene, Section, Song
from grebe.formats.project import write_project

DEVICES, SCENES, BARS = 16, 100, 500
MOVES, PATTERNS = 12, 16
SEEDS = 60
RUNS = 5


def long_song() -> Project:
    """500 bars in 100 scenes on 16 devices, a quarter of them changed by hand; mutes all over."""
    dice = random.Random(5)
    moves = (
        HandMove(name="choose", seconds=0.9, serves=("pattern",)),
        HandMove(name="turn", seconds=1.1, serves=("mute",)),
    )
    devices: list[Device] = []
    patterns: list[Pattern] = []
    for n in range(DEVICES):
        own = n % 4 == 0
        devices.append(
            Device(
                id=f"d{n}", name=f"D{n}", kind="drums" if n % 2 else "synth", channel=n % 16 + 1,
                plays="own" if own else "grebe", port=Port(wire="none"),
                spec=Spec(by_hand=moves),
            )
        )  # fmt: skip
        for k in range(6):
            voices = tuple(
                Voice(
                    id=f"v{v}", name=f"V{v}", note=36 + v,
                    hits=tuple(Hit(step=s, velocity=dice.choice((60, 100, 127)))
                               for s in range(16) if dice.random() < 0.8),
                )
                for v in range(4)
            )  # fmt: skip
            content = Content(voices=voices)
            patterns.append(
                Pattern(
                    id=f"p{n}-{k}", name=f"P{n} {k}", device=f"d{n}", content=content,
                    in_box=content if own else None,
                )
            )  # fmt: skip
    scenes = tuple(
        Scene(
            id=f"s{n}", name=f"Scene {n}", bars=BARS // SCENES,
            parts=tuple(
                Part(device=d.id, chain=(f"p{i}-{dice.randrange(6)}", f"p{i}-{dice.randrange(6)}"))
                for i, d in enumerate(devices) if dice.random() < 0.9
            ),
        )
        for n in range(SCENES)
    )  # fmt: skip
    sections = tuple(
        Section(
            id=f"x{n}", scene=s.id,
            mutes=(MuteRegion(device=f"d{dice.randrange(DEVICES)}", at=dice.randrange(60)),),
        )
        for n, s in enumerate(scenes)
    )  # fmt: skip
    rig = Rig(
        devices=tuple(devices), cables=tuple(Cable(source="grebe", target=d.id) for d in devices)
    )
    song = Song(id="long", name="Long", sections=sections)
    return Project(name="Long", rig=rig, patterns=tuple(patterns), scenes=scenes, songs=(song,))


def hard_moves(dice: random.Random) -> list[Move]:
    """Twelve moves that two hands can just make, or just not."""
    out: list[Move] = []
    for number in range(MOVES):
        seconds = round(dice.uniform(0.3, 2.5), 2)
        opens = -dice.uniform(2, 8)
        closes = max(dice.uniform(-1, 0.3), opens + seconds)
        out.append(Move("box", f"move {number}", "hand", seconds, opens, closes))
    return out


def likely_moves(dice: random.Random) -> list[Move]:
    """Twelve moves as rigs have them: begun in the bar before 126 BPM's one, or long before."""
    out: list[Move] = []
    for number in range(MOVES):
        seconds = dice.choice((0.4, 0.5, 0.6, 0.8, 1.0, 1.2, 1.5, 2.0, 2.5, 3.0, 4.0))
        opens = -dice.choice((max(1.9, seconds + 0.5), max(3.8, seconds + 0.5), 15.0))
        move = Move("box", f"move {number}", "hand", seconds, opens, dice.choice((0.0, 0.12)))
        out.append(move)
    return out


def chained(dice: random.Random) -> tuple[list[list[str]], dict[str, int]]:
    """Sixteen patterns in chains of up to four, lying anywhere in five groups of four."""
    names = [f"p{n}" for n in range(PATTERNS)]
    dice.shuffle(names)
    chains: list[list[str]] = []
    at = 0
    while at < PATTERNS:
        long = dice.randint(1, 4)
        chains.append(names[at : at + long])
        at += long
    return chains, dict(zip(names, dice.sample(range(20), PATTERNS), strict=True))


def measure_songs() -> dict[str, Any]:
    """How fast a long song is drawn, checked and expanded, and the exact searches."""
    project = long_song()
    layout = project.layout(project.songs[0])
    first_ms = _ms(lambda: find(project))
    others = [_afresh(project) for _ in range(RUNS)]
    again = [_ms(partial(find, other)) for other in others]
    plan = make_plan(project, project.songs[0])
    began = time.perf_counter()
    messages = len(song_events(plan))
    expanded_s = time.perf_counter() - began
    with tempfile.TemporaryDirectory(prefix="grebe-") as name:
        path = Path(name) / "long.grebe"
        write_project(path, project)
        views = measure_views(path)
    dice = random.Random(3)
    hands = [hard_moves(dice) for _ in range(SEEDS)]
    likely = [likely_moves(dice) for _ in range(SEEDS)]
    orders = [chained(dice) for _ in range(SEEDS)]
    return {
        "bars": layout.bars,
        "devices": DEVICES,
        "scenes": SCENES,
        "check": {"first_ms": round(first_ms, 1), "p50_ms": percentile(again, 50, 1)},
        "expand": {
            "messages": messages,
            "seconds": round(expanded_s, 3),
            "seconds_per_million": round(expanded_s / messages * 1e6, 3),
        },
        "draw": {n: views[n] for n in ("scenes", "scenes_scroll", "song", "song_scroll")},
        "hands": spread_ms([_ms(partial(schedule, m, Performer())) for m in likely], 50),
        "hands_hard": spread_ms([_ms(partial(schedule, m, Performer())) for m in hands], 50),
        "memory_order": spread_ms(
            [_ms(partial(in_order, c, 4, 5, lies=at)) for c, at in orders], 50
        ),
    }


def _afresh(project: Project) -> Project:
    """The same with scenes of its own, so that nothing kept by identity serves again."""
    scenes = tuple(msgspec.structs.replace(s, name=s.name + " ") for s in project.scenes)
    return msgspec.structs.replace(project, scenes=scenes)


def _ms(call: Callable[[], object]) -> float:
    began = time.perf_counter()
    call()
    return (time.perf_counter() - began) * 1e3
