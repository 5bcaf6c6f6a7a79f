"""Small documents for tests, named so that a test reads like a sentence."""

from __future__ import annotations

from typing import Any

import msgspec

from grebe.core.document import Project
from grebe.core.patterns.model import Content, Hit, Pattern, Voice
from grebe.core.player.plan import Plan, make_plan
from grebe.core.rig.model import Cable, Device, Port, Rig
from grebe.core.rig.spec import Spec, Track
from grebe.core.songs.model import Part, Scene, Section, Song
from grebe.core.time.meter import Meter


def device(device_id: str, **fields: Any) -> Device:
    """A device named after its id."""
    return Device(id=device_id, name=device_id.capitalize(), **fields)


def voice(steps: str, note: int = 36, voice_id: str = "v", **fields: Any) -> Voice:
    """A voice from a row such as ``x...X..o``."""
    velocity = {"X": 127, "x": 100, "o": 50}
    hits = tuple(Hit(step=i, velocity=velocity[c]) for i, c in enumerate(steps) if c in velocity)
    fields.setdefault("length", len(steps))
    return Voice(id=voice_id, name=voice_id, note=note, hits=hits, **fields)


def pattern(pattern_id: str, device_id: str, *voices: Voice, **fields: Any) -> Pattern:
    """A pattern as long as its first voice."""
    length = fields.pop("length", voices[0].length if voices else 16)
    content = Content(length=length, voices=voices)
    return Pattern(id=pattern_id, name=pattern_id, device=device_id, content=content, **fields)


def own(pattern_: Pattern) -> Pattern:
    """The pattern as its box holds it."""
    return msgspec.structs.replace(pattern_, in_box=pattern_.content)


def scene(scene_id: str, bars: int = 1, meter: Meter | None = None, **chains: Any) -> Scene:
    """A scene from chains by device: ``a=["p1", "p2"]``, or a whole part."""
    parts = tuple(
        c if isinstance(c, Part) else Part(device=d, chain=tuple(c)) for d, c in chains.items()
    )
    return Scene(id=scene_id, name=scene_id, bars=bars, meter=meter or Meter(), parts=parts)


def song(*sections: Any, bpm: float = 120.0) -> Song:
    """A song from scene ids, or (scene id, times), or (scene id, times, fields)."""
    rows = [(s,) if isinstance(s, str) else s for s in sections]
    return Song(
        id="song",
        name="Song",
        bpm=bpm,
        sections=tuple(
            Section(
                id=f"s{i + 1}",
                scene=row[0],
                times=row[1] if len(row) > 1 else 1,
                **(row[2] if len(row) > 2 else {}),
            )
            for i, row in enumerate(rows)
        ),
    )


def project(
    devices: list[Device], patterns: list[Pattern], scenes: list[Scene], *songs: Song
) -> Project:
    """A project whose devices all get clock and notes from Grebe."""
    cables = tuple(Cable(source="grebe", target=d.id) for d in devices)
    return Project(
        name="Test",
        rig=Rig(devices=tuple(devices), cables=cables),
        patterns=tuple(patterns),
        scenes=tuple(scenes),
        songs=songs,
    )


def plan(devices: list[Device], patterns: list[Pattern], scenes: list[Scene], one: Song) -> Plan:
    """A plan for one song of such a project."""
    return make_plan(project(devices, patterns, scenes, one), one)


def two_boxes() -> Project:
    """A bass that Grebe plays and drums that play their own, two scenes, one song."""
    drums = device(
        "drums",
        plays="own",
        channel=10,
        obeys_program=True,
        mute_controller=7,
        port=Port(),
        program_printed_from=0,
    )
    bass = device("bass", channel=2)
    return project(
        [drums, bass],
        [
            own(pattern("d1", "drums", voice("x...x...x...x..."), program=4)),
            own(pattern("d2", "drums", voice("xxxxxxxxxxxxxxxx"), program=5)),
            pattern("b1", "bass", voice("x.......x.......", 40)),
        ],
        [scene("a", 2, drums=["d1"], bass=["b1"]), scene("b", 2, drums=["d2"], bass=["b1"])],
        song("a", ("b", 2), "a", bpm=126.0),
    )


def groovebox(**fields: Any) -> Device:
    """A box of eight tracks: two synths and two outputs with a memory each, four drums that one
    pattern of the box holds."""
    single = [
        Track(id="lead", name="Lead", kind="synth", channel=1, polyphony=4, mute_controller=20),
        Track(id="low", name="Low", kind="bass", channel=2, polyphony=1, mute_controller=20),
        Track(id="out-1", name="Out 1", channel=3, feeds="bass"),
        Track(id="out-2", name="Out 2", channel=4, program="none"),
    ]
    drums = [
        Track(id=f"drum-{n}", name=f"Drum {n}", kind="drums", channel=8 + n, patterns="box",
              mute_controller=20)
        for n in range(1, 5)
    ]  # fmt: skip
    spec = Spec(tracks=(*single, *drums))
    return device("groove", spec=spec, channel=16, **fields)
