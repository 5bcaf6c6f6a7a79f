"""How soon a project of many patterns is open, how fast a large one is edited, a song rendered."""

from __future__ import annotations

import random
import tempfile
import time
from pathlib import Path
from typing import Any

from grebe.app.document.demo import copy_demo
from grebe.app.document.export_audio import export_audio
from grebe.app.editors.loops import samples_of
from grebe.bench.figures import percentile
from grebe.bench.window import first_paints_ms, measure_views
from grebe.core.document import Project
from grebe.core.patterns.model import Content, Hit, Pattern, Voice
from grebe.core.rig.model import Cable, Device, Port, Rig
from grebe.core.songs.model import Part, Scene, Section, Song
from grebe.formats.project import read_project, write_project

PATTERNS, VOICES, STEPS = 500, 16, 64
RUNS = 5


def many_patterns() -> Project:
    """500 patterns of six voices, the first of them of 16 voices of 64 steps, three in four hit."""
    dice = random.Random(11)
    drums = Device(id="drums", name="Drums", kind="drums", port=Port(wire="none"))

    def voice(number: int, steps: int, share: float) -> Voice:
        hits = tuple(
            Hit(
                step=step,
                velocity=dice.choice((60, 100, 127)),
                shift_permille=dice.choice((0, 0, 40)),
                chance=dice.choice((100, 100, 100, 60)),
                ratchet=dice.choice((1, 1, 1, 3)),
            )
            for step in range(steps)
            if dice.random() < share
        )
        return Voice(id=f"v{number}", name=f"V{number}", note=36 + number, length=steps, hits=hits)

    large = Content(
        length=STEPS, swing=56.0, voices=tuple(voice(n, STEPS, 0.75) for n in range(VOICES))
    )
    patterns = [Pattern(id="bench", name="Large", device="drums", content=large)]
    for n in range(1, PATTERNS):
        content = Content(voices=tuple(voice(k, 16, 0.4) for k in range(6)))
        patterns.append(Pattern(id=f"p{n}", name=f"P{n}", device="drums", content=content))
    scene = Scene(id="a", name="A", parts=(Part(device="drums", chain=("bench",)),))
    song = Song(id="s", name="S", sections=(Section(id="x", scene="a"),))
    rig = Rig(devices=(drums,), cables=(Cable(source="grebe", target="drums"),))
    return Project(name="Many", rig=rig, patterns=tuple(patterns), scenes=(scene,), songs=(song,))


def measure_patterns() -> dict[str, Any]:
    """Milliseconds to read and to show 500 patterns, to edit a large one; speed of rendering."""
    with tempfile.TemporaryDirectory(prefix="grebe-") as name:
        folder = Path(name)
        path = folder / "many.grebe"
        write_project(path, many_patterns())
        opened = [_ms(lambda: read_project(path)) for _ in range(RUNS)]
        views = measure_views(path)
        paints = first_paints_ms(path)
        demo = folder / "night-ferry.grebe"
        copy_demo(demo)
        project = read_project(demo).project
        song = project.songs[0]
        began = time.perf_counter()
        samples = samples_of(project, folder).samples
        export_audio(project, song, folder, samples=samples)
        rendered_s = time.perf_counter() - began
    seconds = project.layout(song).seconds()
    return {
        "patterns": PATTERNS,
        "read_ms": percentile(opened, 50, 1),
        "first_paint_ms": percentile(paints, 50),
        "edit": views["pattern_edit"],
        "redraw": views["patterns"],
        "render": {
            "song": song.name,
            "song_s": round(seconds, 3),
            "render_s": round(rendered_s, 3),
            "times_real": round(seconds / rendered_s, 1),
        },
    }


def _ms(call: Any) -> float:
    began = time.perf_counter()
    call()
    return (time.perf_counter() - began) * 1e3
