"""A run as it goes, for the log: sections planned and played, launches and moves with their timing,
mutes, tempo, faults and what mended them. Written down when it is over. Without Qt."""

from __future__ import annotations

import os
from collections.abc import Callable
from dataclasses import dataclass, field
from datetime import datetime
from typing import NamedTuple

import msgspec

from grebe.app.document.store import Store
from grebe.app.live.derived import Derived
from grebe.app.live.selection import Selection
from grebe.app.live.stage_model import Made, StageModel, StageMove
from grebe.app.log.book import LogBook
from grebe.core.log.model import Event, EventKind, LoggedRun, PlayedStretch, TryRow, stamp
from grebe.core.player.happened import (
    Entered,
    Filled,
    Happened,
    Silenced,
    Swapped,
    TempoTaken,
    TrackDid,
)
from grebe.core.rehearse.score import ExpectedMove, score
from grebe.core.songs.layout import SectionSpan
from grebe.core.time.ticks import TICKS_PER_QUARTER
from grebe.protocols.link.messages import Status
from grebe.words import tr

LEAST_S = 4.0
"""What was stopped sooner was no run."""
LOAD_EVERY_S = 5.0
MOST_EVENTS = 20_000
FAULTY_HEARING = ("none", "held")


@dataclass
class _Section:
    """The one that plays."""

    song: str
    span: SectionSpan
    at_s: float
    planned_s: float
    section_tick: int
    launched: bool = False


class _Asked(NamedTuple):
    """A move that was to be made, and when it was; seconds from the section that it was for."""

    song: str
    before: str
    after: str
    move: ExpectedMove
    at_s: float | None
    box: str
    into_s: float
    """When that section came in, in seconds of the run."""


@dataclass
class _Open:
    """The run that goes on."""

    began_ns: int
    at: tuple[float, int]
    project: str
    running: str
    leader: str
    section: _Section | None = None
    stretches: list[PlayedStretch] = field(default_factory=list)
    events: list[Event] = field(default_factory=list)
    asked: list[_Asked] = field(default_factory=list)
    """Moves that there were; judged when it is over."""
    gone: set[str] = field(default_factory=set)
    silent: tuple[tuple[str, str], ...] = ()
    hearing: str = ""
    overruns: int | None = None
    last_s: float = 0.0
    load: float = 0.0
    load_s: float = -LOAD_EVERY_S


class RunDiary:
    """Watches what the engine says, and which moves were ticked off."""

    def __init__(
        self, store: Store, selection: Selection, derived: Derived, log: LogBook,
        now: Callable[[], datetime] = lambda: datetime.now().astimezone(),
    ) -> None:  # fmt: skip
        self._store, self._selection, self._derived, self._log = store, selection, derived, log
        self._now = now
        self._run: _Open | None = None
        self._moves: tuple[StageMove, ...] = ()
        self._made = 0
        """How many of them were ticked off when it was looked last."""
        self.priority = ""
        """Of the engine, as it said when it was met."""
        self.on = True
        """Off where what plays is somebody else's, and only shown here."""

    def take(self, status: Status) -> None:
        """The engine says how things stand."""
        if not status.running or not self.on:
            self.finish()
            return
        run = self._run or self._begin(status)
        run.last_s = (status.at_ns - run.began_ns) / 1e9
        for event in status.happened:
            self._happened(run, event, status)
        self._follow_section(run, status)
        self._mind_faults(run, status)
        if run.last_s - run.load_s >= LOAD_EVERY_S:
            run.load, run.load_s = max(run.load, os.getloadavg()[0]), run.last_s

    def take_moves(self, book: StageModel, *, rehearsing: bool = False) -> None:
        """What Stage knows of moves; asked with every frame while something plays. A rehearsal
        judges and writes down its moves itself."""
        run, layout = self._run, self._derived.layout()
        if run is None or layout is None or rehearsing:
            return
        now = book.now(layout)
        if now is None:
            return
        book.moves(now)  # another section: what was to do before it is kept there
        if run.section is None:
            return
        made = {m.move: m for m in book.made_before}
        if book.moves_before is not self._moves:
            self._moves, self._made = book.moves_before, len(made)
            before = run.stretches[-1].scene if run.stretches else ""
            for move in book.moves_before:
                self._moved(run, run.section, before, move, made.get(move))
        elif len(made) != self._made:  # ticked off after the section came in
            self._made = len(made)
            self._moved_late(run, made)

    def finish(self) -> None:
        """The run is over: it is written down."""
        run, self._run = self._run, None
        self._moves = ()
        if run is None or run.last_s < LEAST_S:
            return
        self._close_section(run, run.last_s)
        if run.stretches:  # stopped inside a section: what was left of it was not played over
            last = run.stretches[-1]
            run.stretches[-1] = msgspec.structs.replace(
                last, planned_s=min(last.planned_s, last.played_s)
            )
        at, zone = run.at
        tries = self._judge(run)
        self._log.add(
            LoggedRun(
                began=at, zone_min=zone, project=run.project, running=run.running,
                songs=tuple(dict.fromkeys(part.song for part in run.stretches)),
                leader=run.leader, priority=self.priority, load=round(run.load, 2),
                played_s=round(run.last_s, 3), stretches=tuple(run.stretches),
                events=tuple(sorted(run.events, key=lambda event: event.at_s)),
            ),
            *tries,
        )  # fmt: skip

    def _begin(self, status: Status) -> _Open:
        project = self._store.project
        running = self._selection.running_set if self._selection.whole_set else None
        song = self._selection.song
        name = running.name if running is not None else song.name if song is not None else ""
        self._run = _Open(
            status.at_ns, stamp(self._now()), project.name, name,
            project.rig.name_of(project.rig.leader) if project.rig.leader else "",
        )  # fmt: skip
        self._moves = ()
        return self._run

    # Sections

    def _follow_section(self, run: _Open, status: Status) -> None:
        layout, song = self._derived.layout(), self._selection.song
        span = None if layout is None else layout.span_of(status.section)
        if layout is None or song is None or span is None:
            return
        here = run.section
        if here is None or (here.span.section.id, here.section_tick) != (
            status.section, status.section_tick,
        ):  # fmt: skip
            since = max(0.0, status.tick - status.section_tick) / _a_second(status.bpm)
            at_s = max(0.0, run.last_s - since)
            if here is not None:
                self._close_section(run, at_s)
                self._launched(run, here, span, song.name, status, at_s)
            planned = layout.tempo.seconds_at(span.end) - layout.tempo.seconds_at(span.tick)
            here = run.section = _Section(song.name, span, at_s, planned, status.section_tick)
        here.launched = here.launched or status.launched

    def _close_section(self, run: _Open, at_s: float) -> None:
        here, run.section = run.section, None
        if here is not None:
            run.stretches.append(
                PlayedStretch(
                    song=here.song, scene=here.span.scene.name, at_s=round(here.at_s, 3),
                    planned_s=round(here.planned_s, 3), played_s=round(at_s - here.at_s, 3),
                )
            )  # fmt: skip

    def _launched(self, run: _Open, left: _Section, span: SectionSpan, song: str, status: Status,
                  at_s: float) -> None:  # fmt: skip
        """A section came in that was asked for: how far from where it was written."""
        if not left.launched:
            return
        written = left.section_tick + left.span.ticks
        off_ms = (status.section_tick - written) / _a_second(status.bpm) * 1000
        self._note(run, "launch", tr("launch"), at_s, off_ms=round(off_ms, 1), song=song,
                   scene=span.scene.name)  # fmt: skip

    # Hands

    def _moved(self, run: _Open, into: _Section, before: str, move: StageMove,
               made: Made | None) -> None:  # fmt: skip
        boundary = into.section_tick
        a_second = _a_second(into.span.bpm)
        asked = move.expected(boundary, a_second)
        at_s = None if made is None else (made.at_tick - boundary) / a_second
        box = self._store.project.rig.name_of(move.device)
        scene = into.span.scene.name
        run.asked.append(_Asked(into.song, before, scene, asked, at_s, box, into.at_s))
        when = into.at_s + (at_s if at_s is not None else asked.closes)
        self._note(run, "move", move.words, max(0.0, when), song=into.song,
                   scene=into.span.scene.name, box=box)  # fmt: skip

    def _moved_late(self, run: _Open, made: dict[StageMove, Made]) -> None:
        """Moves before the section that plays, as they were ticked off by now."""
        into = run.section
        assert into is not None
        a_second = _a_second(into.span.bpm)
        first = len(run.asked) - len(self._moves)
        for number, move in enumerate(self._moves, first):
            if move in made and run.asked[number].at_s is None:
                at_s = (made[move].at_tick - into.section_tick) / a_second
                run.asked[number] = run.asked[number]._replace(at_s=at_s)

    def _judge(self, run: _Open) -> list[TryRow]:
        """Verdicts on moves, where any was ticked off: who ticks off none is not judged."""
        if not any(row.at_s is not None for row in run.asked):
            return []
        moves = [n for n, event in enumerate(run.events) if event.kind == "move"]
        out = []
        for number, row in zip(moves, run.asked, strict=True):
            scored = score(row.move, row.at_s)
            when = run.events[number].at_s if row.at_s is None else row.into_s + row.at_s
            run.events[number] = Event(
                at_s=round(max(0.0, when), 3), kind="move", song=row.song, scene=row.after,
                box=row.box, what=row.move.what, verdict=scored.verdict,
                off_ms=scored.rounded_ms,
            )  # fmt: skip
            out.append(TryRow.of(scored, run.at, run.project, row.song, (row.before, row.after)))
        return out

    # What else happened

    def _happened(self, run: _Open, event: Happened, status: Status) -> None:
        if isinstance(event, Entered):
            return
        at_s = run.last_s + (event.tick - status.tick) / _a_second(status.bpm)
        rig = self._store.project.rig
        if isinstance(event, Silenced):
            now = event.silent
            changed = sorted(set(now) ^ set(run.silent)) if event.by_hand else []
            for line, voice in changed:
                words = tr("silent") if (line, voice) in now else tr("sounds")
                name = f"{rig.name_of(line)} {voice}".rstrip()
                self._note(run, "mute", f"{name} {words}",
                           at_s, box=rig.name_of(line))  # fmt: skip
            run.silent = now
        elif isinstance(event, TempoTaken):
            self._note(run, "tempo", f"{event.bpm:g} BPM", at_s)
        elif isinstance(event, Filled) and event.on:
            self._note(run, "fill", tr("fill"), at_s)
        elif isinstance(event, Swapped):
            names = {pattern.id: pattern.name for pattern in self._store.project.patterns}
            self._note(run, "swap", names.get(event.pattern, event.pattern), at_s,
                       box=rig.name_of(event.line))  # fmt: skip
        elif isinstance(event, TrackDid):
            words = tr("track {number}: {act}", number=event.number, act=event.act)
            self._note(run, "track", words, at_s, box=rig.name_of(event.device))

    def _mind_faults(self, run: _Open, status: Status) -> None:
        rig = self._store.project.rig
        for device in status.devices:
            name = rig.name_of(device.id)
            if device.port == "gone" and device.id not in run.gone:
                run.gone.add(device.id)
                self._note(run, "fault", tr("{box} was gone", box=name), run.last_s, box=name)
            elif device.port == "up" and device.id in run.gone:
                run.gone.discard(device.id)
                self._note(run, "recovery", tr("{box} is back", box=name), run.last_s, box=name)
        if run.hearing == "clock" and status.hearing in FAULTY_HEARING:
            name = rig.name_of(status.follows)
            self._note(run, "fault", tr("the clock of {box} was lost", box=name), run.last_s,
                       box=name)  # fmt: skip
        elif run.hearing in FAULTY_HEARING and status.hearing == "clock":
            name = rig.name_of(status.follows)
            self._note(run, "recovery", tr("the clock of {box} is back", box=name), run.last_s,
                       box=name)  # fmt: skip
        run.hearing = status.hearing
        if run.overruns is not None and status.overruns > run.overruns:
            self._note(run, "fault", tr("JACK lost time"), run.last_s)
        run.overruns = status.overruns

    def _note(
        self, run: _Open, kind: EventKind, what: str, at_s: float, *, song: str = "",
        scene: str = "", box: str = "", off_ms: float | None = None,
    ) -> None:  # fmt: skip
        here = run.section
        if len(run.events) < MOST_EVENTS:
            run.events.append(
                Event(
                    at_s=round(max(0.0, at_s), 3), kind=kind, what=what, box=box, off_ms=off_ms,
                    song=song or (here.song if here else ""),
                    scene=scene or (here.span.scene.name if here else ""),
                )
            )  # fmt: skip


def _a_second(bpm: float) -> float:
    """Ticks."""
    return max(1.0, bpm) / 60 * TICKS_PER_QUARTER
