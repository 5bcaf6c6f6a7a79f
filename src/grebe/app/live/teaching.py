"""Teaching a box a pattern: Grebe plays it into the box, in time, while the box records."""

from __future__ import annotations

from typing import Protocol

import msgspec

from grebe.app.document.store import Store
from grebe.app.engine.link import Link
from grebe.core.document import Project
from grebe.core.patterns.model import Pattern
from grebe.core.player.commands import Begin, Halt
from grebe.core.player.plan import Plan, make_plan
from grebe.core.rig.model import Device
from grebe.core.songs.model import Part, Scene, Section, Song
from grebe.core.time.meter import Meter
from grebe.core.units import MAX_TIMES, Value
from grebe.errors import EditError
from grebe.words import tr

TEACHING_SECTION = "teaching"
"""Id of the one section of the song that teaches; no song of a project has it by itself."""


class Teaching(Value, frozen=True, kw_only=True):
    """What is being taught."""

    pattern: str
    voice: str = ""
    """One voice at a time; "" is all of them."""


class Feed(Protocol):
    """What is sent to the engine."""

    teaching: Teaching | None

    @property
    def source(self) -> str:
        """Where the project lies."""

    def send(self) -> None:
        """Send what is to be played now."""


class Taught(Protocol):
    """Where the playing is."""

    taught_pattern: str

    @property
    def running(self) -> bool:
        """Whether the engine plays."""

    @property
    def written_bpm(self) -> float:
        """Tempo of the song in hand."""


class TeachingRun:
    """Counts in and plays a pattern into its box, loop after loop."""

    def __init__(self, store: Store, link: Link, feed: Feed, position: Taught) -> None:
        self._store = store
        self._link = link
        self._feed = feed
        self._position = position

    @property
    def current(self) -> Teaching | None:
        """What is being taught just now."""
        return self._feed.teaching

    def begin(self, teaching: Teaching) -> None:
        """Teach, until `end`. EditError where that cannot be."""
        project = self._store.project
        teach_plan(project, teaching, self._position.written_bpm, self._feed.source)
        if self._position.running:
            self._link.tell(Halt())
        self._take(teaching)
        self._link.tell(Begin(count_in_bars=project.rig.count_in.bars))

    def end(self) -> None:
        """Stop, and go back to the song."""
        if self.current is not None:
            self._feed.teaching = None
            self._link.tell(Halt())
            self._take(None)

    def _take(self, teaching: Teaching | None) -> None:
        self._feed.teaching = teaching
        self._position.taught_pattern = "" if teaching is None else teaching.pattern
        self._feed.send()


def teach_plan(project: Project, teaching: Teaching, bpm: float, source: str) -> Plan:
    """A plan in which the box is played note by note, loop after loop, and nothing else sounds.

    The box gets its clock and its pattern's number as in a song. EditError
    where there is nothing to teach, or no way to reach the box.
    """
    pattern = project.pattern(teaching.pattern)
    device = project.rig.line(pattern.device)
    if not any(v.hits for v in pattern.content.voices):
        raise EditError(tr("{pattern} has no hits to teach", pattern=pattern.name))
    bar = Meter().bar_ticks
    bars = max(1, -(-pattern.content.ticks // bar))
    scene = Scene(
        id="teaching",
        name=tr("Teaching {pattern}", pattern=pattern.name)[:80],
        bars=bars,
        parts=(
            Part(device=device.id, chain=(pattern.id,), silent_voices=_rest(pattern, teaching)),
        ),
    )
    song = Song(
        id="teaching", name=scene.name, bpm=bpm,
        sections=(Section(id=TEACHING_SECTION, scene=scene.id, times=MAX_TIMES),),
    )  # fmt: skip
    devices = tuple(_played(d) if d.id == device.id else d for d in project.rig.devices)
    alone = msgspec.structs.replace(
        project,
        rig=msgspec.structs.replace(project.rig, devices=devices),
        scenes=(scene,),
        songs=(song,),
    )
    plan = make_plan(alone, song, source)
    if device.id not in plan.via:
        raise EditError(
            tr("Grebe does not reach {device}: run a cable to it in the Rig", device=device.name)
        )
    return plan


def _rest(pattern: Pattern, teaching: Teaching) -> tuple[str, ...]:
    if not teaching.voice:
        return ()
    return tuple(v.id for v in pattern.content.voices if v.id != teaching.voice)


def _played(device: Device) -> Device:
    return msgspec.structs.replace(device, plays="grebe")
