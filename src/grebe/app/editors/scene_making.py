"""Scenes made, copied, varied, put into songs."""

from __future__ import annotations

from collections.abc import Callable

from grebe.app.actions.keymap import told
from grebe.app.doing import does
from grebe.app.editors.scene_hand import SceneHand
from grebe.core.document import Project, with_song
from grebe.core.naming import free_name
from grebe.core.songs.edit import insert_section
from grebe.core.songs.forms import add_song, free_song_id, song_of_scenes
from grebe.core.songs.model import Section, Song
from grebe.core.songs.scenes import (
    add_scene,
    copy_scene,
    move_scene,
    remove_scene,
)
from grebe.core.songs.variations import vary
from grebe.errors import EditError
from grebe.words import tr


class SceneMaking:
    """What keys make of the scene in hand."""

    def __init__(self, hand: SceneHand) -> None:
        self.hand = hand

    def _made(self, name: str, edit: Callable[[Project], tuple[Project, str]]) -> None:
        """Apply an edit that gives a scene, and take that one in hand."""
        found = ""

        def apply(project: Project) -> Project:
            nonlocal found
            project, found = edit(project)
            return project

        self.hand.session.store.apply(name, apply)
        self.hand.scene_id = found or self.hand.scene_id

    @does("new_scene")
    def new_scene(self) -> None:
        """A new scene after this one."""
        self._made(tr("New scene"), lambda p: add_scene(p, self.hand.scene_id))

    @does("duplicate")
    def copy_scene(self) -> None:
        """A copy of it after it."""
        self._made(tr("Copy a scene"), lambda p: copy_scene(p, self._need()))

    def _need(self) -> str:
        if self.hand.scene is None:
            raise EditError(
                tr("there is no scene yet: {new_scene} makes one", new_scene=told("new_scene"))
            )
        return self.hand.scene_id

    @does("remove_scene")
    def remove_scene(self) -> None:
        """Remove it."""
        gone, ids = self._need(), [s.id for s in self.hand.scenes]
        self.hand.session.store.apply(tr("Remove a scene"), lambda p: remove_scene(p, gone))
        left = [s.id for s in self.hand.scenes]
        at = ids.index(gone) if gone in ids else 0
        self.hand.scene_id = left[min(at, len(left) - 1)] if left else ""

    def _move(self, by: int) -> None:
        moved = self._need()
        self.hand.session.store.apply(tr("Move a scene"), lambda p: move_scene(p, moved, by))

    @does("move_left")
    def move_left(self) -> None:
        """One place earlier."""
        self._move(-1)

    @does("move_right")
    def move_right(self) -> None:
        """One place later."""
        self._move(1)

    def _vary(self, way: str) -> None:
        scene, song = self._need(), self.hand.session.selection.song_id
        done = ""

        def varied(project: Project) -> tuple[Project, str]:
            nonlocal done
            project, found, done = vary(project, scene, way, song)
            return project, found

        self._made(tr("Vary a scene"), varied)
        self.hand.session.say("info", done)

    @does("no_drums")
    def no_drums(self) -> None:
        """The same without drums."""
        self._vary("no_drums")

    @does("no_hats")
    def no_hats(self) -> None:
        """The same with the hats out."""
        self._vary("no_hats")

    @does("together")
    def together(self) -> None:
        """Everything together."""
        self._vary("together")

    @does("last_bar")
    def last_bar(self) -> None:
        """Drums out for its last bar, in the song."""
        self._vary("last_bar")

    @does("riser")
    def riser(self) -> None:
        """The same with a voice that rises."""
        self._vary("riser")

    @does("into_song")
    def into_song(self) -> None:
        """At the end of the song in hand, as often as it says."""
        scene, song = self.hand.scene, self.hand.session.song
        if scene is None or song is None:
            raise EditError(tr("there is no song to put it into"))
        self.hand.session.store.apply(
            tr("Into the song"),
            lambda p: with_song(
                p, song.id, lambda s: insert_section(s, len(s.sections), scene.id, scene.times)
            ),
        )

    @does("all_scenes")
    def all_scenes(self) -> None:
        """A song of all scenes, in order, each going on as it says."""
        if not self.hand.project.scenes:
            raise EditError(tr("there are no scenes yet"))
        self._song(song_of_scenes(
            self.hand.project, self._free(tr("All scenes")), self.hand.session.position.written_bpm
        ))  # fmt: skip

    @does("song_of_scene")
    def song_of_scene(self) -> None:
        """A song of this scene alone."""
        scene = self.hand.project.scene(self._need())
        self._song(Song(
            id=free_song_id(self.hand.project), name=self._free(scene.name),
            bpm=self.hand.session.position.written_bpm,
            sections=(Section(id="s1", scene=scene.id, times=scene.times),),
        ))  # fmt: skip

    def _free(self, name: str) -> str:
        return free_name(name[:76], {s.name for s in self.hand.project.songs})

    def _song(self, made: Song) -> None:
        self.hand.session.store.apply(
            tr("New song {made}", made=made.name), lambda p: add_song(p, made)
        )
        self.hand.session.choose_song(made.id)
