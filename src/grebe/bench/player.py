"""How fast the player is: an hour on sixteen devices, advanced in windows of 10 ms."""

from __future__ import annotations

import time
from typing import Any

from grebe.core.document import Project
from grebe.core.patterns.model import Content, Hit, Pattern, Voice
from grebe.core.player.commands import Begin
from grebe.core.player.plan import make_plan
from grebe.core.player.player import Player
from grebe.core.rig.model import Cable, Device, Rig
from grebe.core.songs.model import Part, Scene, Section, Song
from grebe.core.time.ticks import TICKS_PER_QUARTER

DEVICES = 16
BPM = 126.0
WINDOW_S = 0.01
HOUR_S = 3600.0


def hour_project() -> Project:
    """Sixteen devices, four voices each of lengths 16 to 13, for an hour and some seconds."""
    ids = [f"d{n}" for n in range(DEVICES)]
    voices = tuple(
        Voice(
            id=f"v{k}",
            name="v",
            note=36 + k,
            length=16 - k,
            hits=tuple(Hit(step=step) for step in range(0, 16 - k, 4 - k % 2)),
        )
        for k in range(4)
    )
    return Project(
        rig=Rig(
            devices=tuple(Device(id=d, name=d) for d in ids),
            cables=tuple(Cable(source="grebe", target=d) for d in ids),
        ),
        patterns=tuple(
            Pattern(id=f"p-{d}", name="p", device=d, content=Content(voices=voices)) for d in ids
        ),
        scenes=(
            Scene(
                id="a",
                name="A",
                bars=8,
                parts=tuple(Part(device=d, chain=(f"p-{d}",)) for d in ids),
            ),
        ),
        songs=(
            Song(
                id="s",
                name="S",
                bpm=BPM,
                sections=tuple(Section(id=f"s{n}", scene="a", times=4) for n in range(60)),
            ),
        ),
    )


def measure_player() -> dict[str, Any]:
    """Seconds for an hour of performance, and how many messages that was."""
    project = hour_project()
    player = Player(make_plan(project, project.songs[0]))
    window = int(TICKS_PER_QUARTER * BPM / 60 * WINDOW_S)
    end = int(TICKS_PER_QUARTER * BPM / 60 * HOUR_S)
    began = time.perf_counter()
    messages = len(player.apply(Begin()))
    tick = player.tick
    while player.running and tick < end:
        tick += window
        messages += len(player.advance(tick))
    took = time.perf_counter() - began
    return {
        "seconds_per_hour": round(took, 3),
        "messages": messages,
        "messages_per_second": round(messages / took),
    }
