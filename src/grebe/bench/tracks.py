"""Boxes with tracks at their size, and NEXT's promise over many random performances."""

from __future__ import annotations

import random
import time
from contextlib import suppress
from typing import Any

from grebe.core.document import Project, with_content
from grebe.core.findings import find
from grebe.core.patterns.model import Content, Hit, Pattern, Voice
from grebe.core.player.commands import (
    Begin,
    Command,
    Fill,
    Hold,
    KeepMutes,
    Launch,
    Mute,
    Solo,
    Swap,
    Withdraw,
)
from grebe.core.player.plan import make_plan
from grebe.core.player.player import Player
from grebe.core.rig.model import Cable, Device, Rig
from grebe.core.rig.spec import Spec, Track
from grebe.core.songs.energy import PatternBars
from grebe.core.songs.model import Part, Scene, Section, Song
from grebe.core.time.ticks import TICKS_PER_QUARTER
from grebe.errors import EditError

BOXES, TRACKS, PATTERNS, SCENES = 16, 16, 128, 100
STEPS = 100_000
BAR = 4 * TICKS_PER_QUARTER


def tracks_project(boxes: int = BOXES, tracks: int = TRACKS, patterns: int = PATTERNS) -> Project:
    """Boxes of tracks, each track with patterns of its own; scenes that play one on each track."""
    lines = [f"b{b}/t{t}" for b in range(boxes) for t in range(tracks)]
    devices = tuple(
        Device(id=f"b{b}", name=f"B{b}", channel=16, spec=Spec(tracks=tuple(
            Track(id=f"t{t}", name=f"T{t}", channel=1 + t % 16) for t in range(tracks)
        )))
        for b in range(boxes)
    )  # fmt: skip
    hits = tuple(Hit(step=n) for n in range(0, 16, 4))
    contents = [
        Content(voices=(Voice(id="v", name="V", note=36 + n % 60, hits=hits),))
        for n in range(patterns)
    ]
    made = tuple(
        Pattern(id=f"p{i}-{n}", name=f"P{n}", device=line, content=contents[n])
        for i, line in enumerate(lines)
        for n in range(patterns)
    )
    scenes = tuple(
        Scene(id=f"s{s}", name=f"S{s}", bars=4, parts=tuple(
            Part(device=line, chain=(f"p{i}-{s % patterns}",), muted=(i + s) % 7 == 0)
            for i, line in enumerate(lines)
        ))
        for s in range(SCENES)
    )  # fmt: skip
    # An hour at 126 BPM.
    sections = tuple(Section(id=f"x{n}", scene=f"s{n % SCENES}") for n in range(473))
    return Project(
        rig=Rig(devices=devices,
                cables=tuple(Cable(source="grebe", target=d.id) for d in devices)),
        patterns=made, scenes=scenes, songs=(Song(id="s", name="S", bpm=126.0, sections=sections),),
    )  # fmt: skip


def measure_tracks() -> dict[str, Any]:
    """Seconds for the largest rig of tracks, and the promises that were not kept."""
    project = tracks_project()
    began = time.perf_counter()
    find(project)
    checked = time.perf_counter()
    plan = make_plan(project, project.songs[0])
    Player(plan).apply(Begin())
    planned = time.perf_counter()
    book = PatternBars(project)
    find(project, book)
    edited = with_content(project, "p0-0", lambda c: c)
    began_again = time.perf_counter()
    find(edited, book.serving(edited))
    again = time.perf_counter()
    steps, broken = _promises(random.Random(1))
    return {
        "lines": BOXES * TRACKS, "patterns": len(project.patterns),
        "findings_ms": round((checked - began) * 1000),
        "findings_after_edit_ms": round((again - began_again) * 1000),
        "hour_planned_s": round(planned - checked, 3),
        "promise_steps": steps, "promises_broken": broken,
        "promise_steps_per_s": round(steps / (time.perf_counter() - again)),
    }  # fmt: skip


def _promises(dice: random.Random) -> tuple[int, int]:
    """Random performances of a small rig; how many steps, and how often NEXT was wrong."""
    project = tracks_project(2, 4, 3)
    plan = make_plan(project, project.songs[0])
    lines = [line.id for line in plan.lines]
    patterns = [p.id for p in plan.patterns]
    steps = broken = 0
    while steps < STEPS:
        player = Player(plan)
        player.apply(Begin())
        for _ in range(40):
            steps += 1
            with suppress(EditError):
                player.apply(_command(dice, lines, patterns))
            if not player.running:
                break
            if dice.random() < 0.3:
                broken += not _kept(player)
            else:
                player.advance(player.tick + dice.randrange(1, 2 * BAR))
            if not player.running:
                break
    return steps, broken


def _kept(player: Player) -> bool:
    """Whether what NEXT says is so when its tick has come."""
    promise = player.promise()
    if promise is None:
        return True
    player.advance(promise.tick + 1)
    if not promise.section:
        return not player.running
    if player.section != promise.section:
        return False
    now = {s.line: s for s in player.now}
    return promise.stays or all(
        (now[s.line].pattern, now[s.line].because) == (s.pattern, s.because) for s in promise.lines
    )


def _command(dice: random.Random, lines: list[str], patterns: list[str]) -> Command:
    kind = dice.randrange(8)
    line, on = dice.choice(lines), dice.random() < 0.5
    if kind == 0:
        return Mute(device=line, voice=dice.choice(("", "v")), on=on)
    if kind == 1:
        return Solo(device=line, voice=dice.choice(("", "v")), on=on)
    if kind == 2:
        at = dice.choice(("end", "bar", "now"))
        return Swap(device=line, pattern=dice.choice(("", *patterns)), at=at)  # type: ignore[arg-type]
    if kind == 3:
        at = dice.choice(("beat", "bar", "section_end", "now"))
        return Launch(section=f"x{dice.randrange(40)}", at=at)  # type: ignore[arg-type]
    if kind == 4:
        return Hold(on=on)
    if kind == 5:
        return KeepMutes(on=on)
    return Fill(on=on) if kind == 6 else Withdraw()
