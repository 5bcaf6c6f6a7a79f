"""Out of trouble, at once: any scene, song or set, of this project or the one open before, into the
song that plays; and what was just played in, sounding on the next bar. Edits of the document, so
Undo takes them out. Without Qt.
"""

from __future__ import annotations

from pathlib import Path
from typing import Literal, NamedTuple, TypeGuard, get_args

import msgspec

from grebe.app.engine.link import Link
from grebe.app.live.played import captured, propose
from grebe.app.live.session import Session
from grebe.app.settings import recent_projects
from grebe.core.document import Project, add_pattern, with_content, with_scene, with_song
from grebe.core.patterns.capture import Taken, overdubbed
from grebe.core.patterns.model import Content
from grebe.core.player.commands import LaunchAt, Swap
from grebe.core.rig.model import Device
from grebe.core.rig.spec import PITCHED_KINDS
from grebe.core.sets.joined import join
from grebe.core.songs.changes import changes, moves_of
from grebe.core.songs.edit import free_section_id
from grebe.core.songs.hands import schedule
from grebe.core.songs.layout import SectionSpan
from grebe.core.songs.model import Scene, Section, Song, Then
from grebe.core.songs.scenes import set_part
from grebe.core.taking_over import Wanted, take_over
from grebe.core.time.ticks import TICKS_PER_QUARTER
from grebe.errors import EditError, ProjectError
from grebe.formats.project import read_project
from grebe.words import counted, tr

Of = Literal["any scene", "any song", "other scene", "other song"]
"""What can be brought in: of this project, or of the one that was open before."""
SET = "set/"
"""Before the id of a set, which no song's begins with."""


def brings(of: str) -> TypeGuard[Of]:
    """Whether what is named so is brought in from outside the song."""
    return of in get_args(Of)


class BroughtIn(NamedTuple):
    """What would come in."""

    project: Project
    """With it and what it needs."""
    scene: Scene
    """What sounds first."""
    song: Song | None


def _whole(project: Project, key: str) -> Song:
    """A song, or a set as one song. EditError where there is nothing to play."""
    if key.startswith(SET):
        running = next(s for s in project.sets if s.id == key.removeprefix(SET))
        return join(project, running).song
    return project.song(key)


def _first_scene(project: Project, song: Song) -> Scene:
    spans = project.layout(song).spans
    if not spans:
        raise EditError(tr("there is nothing of {song} to bring in", song=song.name))
    return spans[0].scene


class OutOfTrouble:
    """What brings something else in while a song plays."""

    def __init__(self, session: Session) -> None:
        self._session = session
        self._other: tuple[tuple[Path, int], Project] | None = None
        self.keeps_tempo = True
        """Whether what comes in runs at the tempo there is, or takes its own."""
        self._cost: tuple[Project, tuple[object, ...], str] | None = None
        """What was said last, for which project and what else."""

    @property
    def _link(self) -> Link:
        return self._session.link

    def _here(self) -> SectionSpan:
        """The section that plays. EditError while nothing does."""
        span = self._session.position.playing
        if span is None:
            raise EditError(tr("nothing plays: run it, then bring something else in"))
        return span

    # Another scene or song

    def _scene(self, scene_id: str, at: LaunchAt) -> None:
        """A scene: where the song has it, there; else in a section of its own after this one, which
        goes back to where one came from when it is over."""
        here, song = self._here(), self._session.song
        assert song is not None
        known = next((s.id for s in song.sections if s.scene == scene_id), None)
        if known is None:
            now = round(self._session.position.now().bpm, 2)
            made = Section(
                id=free_section_id(song), scene=scene_id, bpm=now if self.keeps_tempo else None,
                then=Then(kind="back", jumps=0),
            )  # fmt: skip
            known = self._insert((made,), here.section.id)
        self._session.performer.launch(known, at)

    @property
    def other(self) -> Project | None:
        """The project that was open before this one, as it was when `look` was called last."""
        return None if self._other is None else self._other[1]

    def look(self) -> bool:
        """Look for the project that was open before this one; whether there is one that can be
        read. At a key's press, since it asks the disk: not with every frame."""
        home = self._session.store.home
        path = next((p for p in recent_projects() if p != home and p.exists()), None)
        try:
            key = None if path is None else (path, path.stat().st_mtime_ns)
            if path is None or key is None:
                self._other = None
            elif self._other is None or self._other[0] != key:
                self._other = (key, read_project(path).project)
        except (ProjectError, OSError):
            self._other = None
        return self._other is not None

    def named(self, of: Of) -> list[tuple[str, str]]:
        """(key, name) of what can be brought in: scenes, or songs and after them sets."""
        project = self._session.project if of.startswith("any") else self.other
        if project is None:
            return []
        if of.endswith("scene"):
            return [(s.id, s.name) for s in project.scenes]
        sets = [(SET + s.id, tr("{name} (set)", name=s.name)) for s in project.sets]
        return [*((s.id, s.name) for s in project.songs), *sets]

    def brought(self, of: Of, key: str) -> BroughtIn:
        """What a key of `named` would bring in. Of the other project with what it needs: patterns,
        and boxes that are not here. EditError where there is nothing."""
        project, other = self._session.project, self.other
        if of == "any scene":
            return BroughtIn(project, project.scene(key), None)
        if of == "any song":
            song = _whole(project, key)
            return BroughtIn(project, _first_scene(project, song), song)
        if other is None:
            raise EditError(tr("no other project was open lately"))
        if of == "other scene":
            taken = take_over(project, other, Wanted(scenes=frozenset({key}))).project
            before = {s.id for s in project.scenes}
            return BroughtIn(taken, next(s for s in taken.scenes if s.id not in before), None)
        song = _whole(other, key)
        if key.startswith(SET):
            other = msgspec.structs.replace(other, songs=(*other.songs, song))
        taken = take_over(project, other, Wanted(songs=frozenset({song.id}))).project
        known = {s.id for s in project.songs}
        made = next(s for s in taken.songs if s.id not in known)
        return BroughtIn(taken, _first_scene(taken, made), made)

    def bring(self, of: Of, key: str, at: LaunchAt) -> None:
        """It comes in: a scene by itself, a song or a set from its first section on."""
        self._here()
        brought, session = self.brought(of, key), self._session
        if brought.project is not session.project:
            session.store.apply(tr("Bring in"), lambda _: brought.project, merge="out-of-trouble")
        if brought.song is None:
            self._scene(brought.scene.id, at)
        else:
            self._song(brought.song, at)

    def _song(self, other: Song, at: LaunchAt) -> None:
        """All of another song after the section that plays, from its first."""
        here, session = self._here(), self._session
        song = session.song
        assert song is not None
        if other.id == song.id:
            raise EditError(tr("there is nothing of {song} to bring in", song=other.name))
        renamed: dict[str, str] = {}
        whole = song
        for section in other.sections:
            renamed[section.id] = free_section_id(whole)
            taken = msgspec.structs.replace(section, id=renamed[section.id])
            whole = msgspec.structs.replace(whole, sections=(*whole.sections, taken))
        sections = [
            msgspec.structs.replace(
                s, then=msgspec.structs.replace(s.then, to=renamed.get(s.then.to, ""))
            )
            for s in whole.sections[len(song.sections) :]
        ]  # fmt: skip
        bpm = round(session.position.now().bpm, 2) if self.keeps_tempo else other.bpm
        first = msgspec.structs.replace(sections[0], bpm=bpm, ramp_bars=0)
        session.performer.launch(self._insert((first, *sections[1:]), here.section.id), at)

    def _insert(self, sections: tuple[Section, ...], after: str) -> str:
        """Into the song after a section; the id of the first."""
        session = self._session

        def edited(project: Project) -> Project:
            def insert(song: Song) -> Song:
                index = [s.id for s in song.sections].index(after) + 1
                rows = (*song.sections[:index], *sections, *song.sections[index:])
                return msgspec.structs.replace(song, sections=rows)

            return with_song(project, session.selection.song_id, insert)

        session.store.apply(tr("Bring in"), edited, merge="out-of-trouble")
        session.store.end_merge()
        session.feed.send_if_changed()
        session.notices.say("info", tr("It stands in the song after what plays."), offers="undo")
        return sections[0].id

    def cost(self, of: Of, key: str) -> str:
        """What bringing it in asks of hands and tempo, in words; "" where it cannot be."""
        project, status = self._session.project, self._session.status
        bpm = round(self._session.position.now().bpm, 1)
        section = "" if status is None else status.section
        asked = (of, key, self.keeps_tempo, section, bpm)
        kept = self._cost
        if kept is None or kept[0] is not project or kept[1] != asked:
            kept = self._cost = (project, asked, self._cost_words(of, key, bpm))
        return kept[2]

    def _cost_words(self, of: Of, key: str, bpm: float) -> str:
        try:
            here, brought = self._here(), self.brought(of, key)
        except (EditError, KeyError):
            return ""
        found = changes(brought.project, here.scene, brought.scene, bpm)
        by_hand = sum(c.move is not None for c in found)
        words = counted(len(found), "change")
        if by_hand:
            words += tr(", {moves} by hand", moves=by_hand)
            if not schedule(moves_of(found), brought.project.performer).fits:
                words += tr(", more than your hands can do in a bar")
        boxes = len(brought.project.rig.devices) - len(self._session.project.rig.devices)
        if boxes:
            words += tr(", {boxes} new in the rig", boxes=counted(boxes, "box", "boxes"))
        if self.keeps_tempo:
            tempo = tr("at {bpm:.4g} BPM as it runs", bpm=bpm)
        elif brought.song is not None:
            tempo = tr("at its own {bpm:.4g} BPM", bpm=brought.song.bpm)
        else:
            tempo = tr("at its own tempo")
        return f"{words}, {tempo}"

    # What was just played in

    def _taken(self) -> tuple[Device, str, Content, int]:
        """The line that what was played is for, the pattern it plays, the content, its bars."""
        session, here = self._session, self._here()
        status = session.status
        assert status is not None
        beats = here.scene.meter.bar_ticks / TICKS_PER_QUARTER
        notes, end = session.memory.line("", session.position.now().bpm, beats, status.section_tick)
        if not notes:
            raise EditError(tr("nothing has been played in yet"))
        line = self._played_line()
        if line.plays == "own":
            raise EditError(
                tr("{line} plays its own patterns: let Grebe play it, or teach it this",
                   line=line.name)
            )  # fmt: skip
        found = propose(notes, end, beats)
        how = Taken(
            rate=found.rate, strength=0.0, swing=found.swing, melodic=line.kind in PITCHED_KINDS
        )
        content = captured(notes, end, beats, found.bars, how, line)
        lanes = session.memory.knob_lanes(
            "", status.section_tick, end, found.bars * beats, content.rate
        )
        content = msgspec.structs.replace(content, lanes=lanes)
        now = next((s.pattern for s in status.lines if s.line == line.id), "")
        return line, now, content, found.bars

    def _played_line(self) -> Device:
        """Whom what was played last sounds on: by its route, else the box in hand."""
        session, rig = self._session, self._session.project.rig
        sources = session.memory.devices()
        for route in rig.routes:
            if sources and route.source == sources[-1]:
                target = rig.find(route.target)
                if target is not None:
                    on = [d for d in target.lines if d.channel == route.channel]
                    return on[-1] if on else target
        line = rig.find(session.selection.box)
        if line is None:
            raise EditError(tr("there is no box in hand"))
        return line

    def capture(self) -> None:
        """What was just played becomes a pattern of the scene that plays, and sounds on the next
        bar."""
        session, here = self._session, self._here()
        line, _, content, bars = self._taken()
        made: list[str] = []

        def edited(project: Project) -> Project:
            project, new = add_pattern(
                project, name=tr("{line}, played", line=line.name), device=line.id,
                content=content,
            )  # fmt: skip
            made.append(new)
            return with_scene(project, here.scene.id, lambda s: set_part(s, line.id, chain=(new,)))

        session.store.apply(tr("Capture"), edited)
        session.feed.send_if_changed()
        self._link.tell(Swap(device=line.id, pattern=made[-1], at="bar"))
        session.notices.say(
            "info",
            tr("{bars} of what you played sound on {line} from the next bar.",
               bars=counted(bars, "bar"), line=line.name),
            offers="undo",
        )  # fmt: skip

    def capture_over(self) -> None:
        """What was just played is laid over the pattern that plays."""
        session = self._session
        line, pattern, content, _ = self._taken()
        if not pattern:
            raise EditError(tr("{line} plays no pattern to lay it over", line=line.name))
        session.store.apply(
            tr("Lay over"),
            lambda p: with_content(p, pattern, lambda c: overdubbed(c, content)),
        )
        session.feed.send_if_changed()
        session.notices.say(
            "info", tr("What you played lies over what {line} plays.", line=line.name),
            offers="undo",
        )  # fmt: skip
