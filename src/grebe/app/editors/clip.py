"""Copy and paste of whole things: boxes, scenes, sections, songs, between projects too."""

from __future__ import annotations

from collections.abc import Callable
from functools import partial

import msgspec

from grebe.app.carrying import Carried, carried
from grebe.app.doing import does
from grebe.app.live.session import Session
from grebe.core.document import Project, with_set, with_song
from grebe.core.sets.edit import insert_song
from grebe.core.sets.model import Set
from grebe.core.songs.edit import free_section_id
from grebe.core.songs.model import Section, Song
from grebe.core.taking_over import Wanted, match_boxes, take_over
from grebe.errors import EditError
from grebe.words import tr


class ThingClip:
    """What Ctrl+C and Ctrl+V do in a station, for the thing in hand."""

    def __init__(
        self, session: Session, in_hand: Callable[[], Carried],
        put: Callable[[Project, Carried], Project] | None = None,
    ) -> None:  # fmt: skip
        """`in_hand` is what is copied; `put` gives what has come in its place, such as a song its
        place in the set in hand. EditError from either where it cannot be."""
        self._session, self._in_hand = session, in_hand
        self._put = put or without_stretch

    @does("copy")
    def copy(self) -> None:
        """The thing in hand, with all that it needs."""
        self._session.board.put(self._in_hand())
        self._session.say("info", tr("Copied. Another window can have it too."))

    @does("paste")
    def paste(self) -> None:
        """What was copied, here; what is here already in the same words is used again."""
        what = self._session.board.get()
        if what is None:
            raise EditError(tr("nothing has been copied yet"))
        if what.project is None:
            raise EditError(tr("hits were copied: they go into a pattern"))
        other, taken = what.project, ""

        def paste(project: Project) -> Project:
            nonlocal taken
            own = match_boxes(project, other)
            matches = {d: here for d, here in own.items() if d not in what.wanted.boxes}
            made = take_over(project, other, what.wanted, matches, again=False)
            taken = ", ".join(made.lines)
            return self._put(made.project, what)

        self._session.store.apply(tr("Paste"), paste)
        words = tr("Pasted: {taken}.", taken=taken or tr("what is here already"))
        self._session.notices.say("info", words, offers="undo")


def without_stretch(project: Project, what: Carried) -> Project:
    """Where sections mean nothing: what they need has come, the song that carried them goes."""
    if not what.sections:
        return project
    return msgspec.structs.replace(project, songs=project.songs[:-1])


def put_sections(project: Project, what: Carried, song_id: str, at: int) -> Project:
    """Sections, or a section of each scene that was copied, into a song after one of its own."""
    if what.sections:
        new = project.songs[-1].sections
    else:
        names = {s.name for s in (what.project or Project()).scenes if s.id in what.wanted.scenes}
        scenes = project.scenes[len(project.scenes) - len(names) :] if names else ()
        new = tuple(Section(id="", scene=scene.id) for scene in scenes)
    project = without_stretch(project, what)

    def put(song: Song) -> Song:
        for number, section in enumerate(new):
            place = at + 1 + number
            made = msgspec.structs.replace(section, id=free_section_id(song))
            rest = song.sections
            song = msgspec.structs.replace(song, sections=(*rest[:place], made, *rest[place:]))
        return song

    return with_song(project, song_id, put)


def put_in_set(project: Project, what: Carried, set_id: str, at: int) -> Project:
    """Songs that were copied, into the set in hand after a place of it."""
    project = without_stretch(project, what)
    count = len(what.wanted.songs) if not what.sections else 0
    for number, song in enumerate(project.songs[len(project.songs) - count :] if count else ()):
        project = with_set(project, set_id, partial(_insert, at + 1 + number, song.id))
    return project


def _insert(place: int, song: str, running: Set) -> Set:
    return insert_song(running, place, song)


def sections_in_hand(session: Session, first: int, last: int) -> Carried:
    """Sections of the song in hand, by number, both ends included."""
    song = session.song
    if song is None or not song.sections:
        raise EditError(tr("there is no section yet"))
    stretch = msgspec.structs.replace(
        song, id="stretch", name=song.name, version_of="",
        sections=song.sections[first : last + 1],
    )  # fmt: skip
    whole = msgspec.structs.replace(session.project, songs=(*session.project.songs, stretch))
    return carried(whole, Wanted(songs=frozenset({"stretch"})), sections=True)


def box_in_hand(session: Session, device: str) -> Carried:
    """A box."""
    if all(d.id != device for d in session.project.rig.devices):
        raise EditError(tr("there is no box in hand"))
    return carried(session.project, Wanted(boxes=frozenset({device})))


def pattern_in_hand(session: Session, pattern: str) -> Carried:
    """A pattern, with its box."""
    if pattern not in session.project.patterns_by_id:
        raise EditError(tr("there is no pattern in hand"))
    return carried(session.project, Wanted(patterns=frozenset({pattern})))


def scene_in_hand(session: Session, scene: str) -> Carried:
    """A scene, with its patterns and boxes."""
    if all(s.id != scene for s in session.project.scenes):
        raise EditError(tr("there is no scene yet"))
    return carried(session.project, Wanted(scenes=frozenset({scene})))


def song_in_hand(session: Session, song: str) -> Carried:
    """A song, with its scenes and theirs."""
    if all(s.id != song for s in session.project.songs):
        raise EditError(tr("there is no song there"))
    return carried(session.project, Wanted(songs=frozenset({song})))
