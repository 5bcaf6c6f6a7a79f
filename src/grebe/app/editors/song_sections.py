"""Sections of a song: repeated, moved, copied, put in; whole forms."""

from __future__ import annotations

from typing import Literal

import msgspec

from grebe.app.doing import does
from grebe.app.editors.song_form import SongHand
from grebe.core.beginning import with_first_song
from grebe.core.document import Project
from grebe.core.naming import free_name
from grebe.core.rig.memory import assign
from grebe.core.songs import edit
from grebe.core.songs.forms import FORMS, add_song, song_of_form
from grebe.core.songs.model import BoxSong, Printed, Song, Then
from grebe.core.songs.performed import song_performed
from grebe.core.songs.whole import copy_song, remove_song, used_in
from grebe.errors import EditError
from grebe.words import counted, tr


class SectionEdits:
    """What keys do to the sections of a song: passes, order, copies, what follows, whole forms."""

    def __init__(self, hand: SongHand) -> None:
        self.hand = hand

    @does("more")
    def more(self) -> None:
        """One more pass."""
        at = self.hand.index
        self.hand.change(
            tr("More passes"), lambda s: edit.set_times(s, at, s.sections[at].times + 1)
        )

    @does("fewer")
    def fewer(self) -> None:
        """One pass fewer."""
        at = self.hand.index
        self.hand.change(
            tr("Fewer passes"), lambda s: edit.set_times(s, at, s.sections[at].times - 1)
        )

    def _move(self, by: int) -> None:
        at = self.hand.index
        section = self.hand.span.section.id if self.hand.span is not None else ""
        self.hand.change(tr("Move a section"), lambda s: edit.move_section(s, at, by))
        self.hand.go_to_section(section)

    @does("move_left")
    def move_left(self) -> None:
        """One place earlier."""
        self._move(-1)

    @does("move_right")
    def move_right(self) -> None:
        """One place later."""
        self._move(1)

    @does("duplicate")
    def copy_section(self) -> None:
        """Another like it after it."""
        at = self.hand.index
        self.hand.change(tr("Copy a section"), lambda s: edit.duplicate_section(s, at))

    @does("remove")
    def remove_section(self) -> None:
        """Remove it; the one that takes its place is in hand then."""
        at = self.hand.index
        self.hand.change(tr("Remove a section"), lambda s: edit.remove_section(s, at))
        spans = self.hand.layout.spans
        self.hand.tick = spans[min(at, len(spans) - 1)].tick

    @does("only_sections")
    def only_sections(self) -> None:
        """What is selected, or the section in hand, is the song; the rest of it goes."""
        layout, (first, last) = self.hand.layout, self.hand.selection
        gone = len(layout.song.sections)
        self.hand.change(
            tr("Only these sections"), lambda _: edit.only_sections(layout, first, last)
        )
        self.hand.tick, self.hand.anchor = 0, None
        gone -= len(self.hand.layout.song.sections)
        words = tr("{sections} of {song} are gone.", sections=counted(gone, "section"),
                   song=layout.song.name)  # fmt: skip
        if gone:
            self.hand.session.notices.say("info", words, offers="undo")

    @does("insert_section")
    def insert_section(self) -> None:
        """A section of the next scene after it."""
        scenes = self.hand.project.scenes
        if not scenes:
            raise EditError(tr("there are no scenes yet: make one in Scenes"))
        at = -1 if self.hand.span is None else self.hand.index
        ids = [s.id for s in scenes]
        here = "" if self.hand.span is None else self.hand.span.scene.id
        scene = scenes[(ids.index(here) + 1) % len(ids) if here in ids else 0]
        self.hand.change(
            tr("New section"), lambda s: edit.insert_section(s, at + 1, scene.id, scene.times)
        )
        song = self.hand.session.song
        if song is not None:
            self.hand.go_to_section(song.sections[at + 1].id)

    def _scene(self, by: int) -> None:
        span, ids = self.hand.span, [s.id for s in self.hand.project.scenes]
        if span is not None and span.scene.id in ids:
            scene = ids[(ids.index(span.scene.id) + by) % len(ids)]
            section = span.section.id
            self.hand.change(
                tr("Scene"), lambda s: edit.with_section(s, section, scene=scene), "section-scene"
            )
            self.hand.go_to_section(section)

    @does("one_after")
    def scene_after(self) -> None:
        """The next scene here."""
        self._scene(1)

    @does("one_before")
    def scene_before(self) -> None:
        """The scene before here."""
        self._scene(-1)

    @does("then")
    def then(self) -> None:
        """What follows: next, back to the first section, back where it came from, itself."""
        span, song = self.hand.span, self.hand.session.song
        if span is None or song is None:
            return
        kinds: tuple[Literal["next", "jump", "back", "stay"], ...] = (
            "next", "jump", "back", "stay",
        )  # fmt: skip
        kind = kinds[(kinds.index(span.section.then.kind) + 1) % len(kinds)]
        then = Then(kind=kind, to=song.sections[0].id if kind == "jump" else "")
        self.hand.change(
            tr("What follows"), lambda s: edit.with_section(s, span.section.id, then=then)
        )

    def _form(self, number: int) -> None:
        form = FORMS[number]
        base = self.hand.session.song
        name = form.words if base is None else f"{base.name}, {form.words.lower()}"
        name = free_name(name[:76], {s.name for s in self.hand.project.songs})
        made = song_of_form(self.hand.project, form, name, self.hand.session.position.written_bpm)
        self.hand.session.store.apply(tr("Song of a form"), lambda p: add_song(p, made))
        self.hand.session.choose_song(made.id)
        self.hand.tick = 0

    @does("new_song")
    def new_song(self) -> None:
        """A new song, of the first scene."""
        made = with_first_song(self.hand.project, self.hand.session.position.written_bpm)
        self.hand.session.store.apply(tr("New song"), lambda _: made)
        self.hand.session.choose_song(made.songs[-1].id)

    @does("keep_performance")
    def keep_performance(self) -> None:
        """A song of how it was played last."""
        session = self.hand.session
        if session.running:
            raise EditError(tr("stop first: what plays is not over yet"))
        if not session.performance.holds:
            raise EditError(tr("nothing has been played since this was opened"))
        joined = session.selection.joined()
        written = self._song() if joined is None else joined.song
        kept = song_performed(self.hand.project, written, session.performance.events)
        session.store.apply(tr("Keep what was played"), lambda _: kept.project)
        session.choose_song(kept.song.id)
        words = tr(
            "{made}: {sections}.", made=kept.song.name,
            sections=counted(len(kept.song.sections), "section"),
        )  # fmt: skip
        if kept.lost:
            words += " " + tr(
                "{things} a song cannot hold: markers say where.",
                things=counted(kept.lost, "thing"),
            )
        session.notices.say("info", words, offers="undo")

    @does("copy_song")
    def copy_song(self) -> None:
        """Another like this song."""
        song = self._song()
        made, new_id = copy_song(self.hand.project, song.id)
        self.hand.session.store.apply(tr("Copy of {song}", song=song.name), lambda _: made)
        self.hand.session.choose_song(new_id)

    @does("remove_song")
    def remove_song(self) -> None:
        """The song away, from sets too; not while it plays."""
        song, session = self._song(), self.hand.session
        if session.running:
            raise EditError(tr("stop first: a song goes only while nothing plays"))
        sets = used_in(session.project, song.id)
        session.store.apply(tr("Remove {song}", song=song.name), lambda p: remove_song(p, song.id))
        places = tr(", and its place in {names}", names=", ".join(sets)) if sets else ""
        session.notices.say(
            "info", tr("{song} is removed{places}.", song=song.name, places=places), offers="undo"
        )

    def _song(self) -> Song:
        song = self.hand.session.song
        if song is None:
            raise EditError(tr("there is no song yet"))
        return song

    @does("form_verse")
    def form_verse(self) -> None:
        """A song of verses and hooks out of the scenes."""
        self._form(0)

    @does("form_drop")
    def form_drop(self) -> None:
        """A song of builds and drops out of the scenes."""
        self._form(1)

    @does("box_song")
    def box_song(self) -> None:
        """The device's own song memory plays its part, or Grebe tells it live."""
        device, song = self.hand.device, self.hand.session.song
        if device is None or song is None:
            return
        if device.plays == "grebe":
            raise EditError(
                tr(
                    "Grebe plays {device} note by note; W in the Rig changes that",
                    device=device.name,
                )
            )
        rest = tuple(b for b in song.box_songs if b.device != device.id)
        if len(rest) == len(song.box_songs):
            number = [s.id for s in self.hand.project.songs].index(song.id)
            rest = (*rest, BoxSong(device=device.id, number=min(127, number)))
        self.hand.change(
            tr("Song in the box"), lambda s: msgspec.structs.replace(s, box_songs=rest)
        )

    @does("reorder")
    def reorder(self) -> None:
        """The device's patterns in the order its chains need."""
        found = next(
            (p for p in self.hand.book.programmes() if p.device.id == self.hand.device_id), None
        )
        if found is None or found.order is None or not found.order.places:
            raise EditError(tr("there is no other order of its memory that would help"))
        places = found.order.places

        def change(project: Project) -> Project:
            for pattern, place in places.items():
                project = assign(project, pattern, place)
            return project

        self.hand.session.store.apply(tr("Patterns in another order"), change)

    def printed(self, devices: list[str]) -> None:
        """Remember the programming sheets of these devices as printed now."""
        song = self.hand.session.song
        if song is None:
            return
        made = tuple(
            Printed(song=song.id, device=p.device.id, lines=p.lines)
            for p in self.hand.book.programmes()
            if p.device.id in devices
        )

        def change(project: Project) -> Project:
            kept = tuple(p for p in project.printed if p.song != song.id or p.device not in devices)
            return msgspec.structs.replace(project, printed=(*kept, *made))

        self.hand.session.store.apply(tr("Sheet printed"), change)
