"""Scenes written with keys. Without Qt."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

import msgspec

from grebe.app.doing import does
from grebe.app.editors.scene_form import ECHOES, FOLLOWS, SceneForm
from grebe.core.document import Project, with_song
from grebe.core.songs.edit import insert_section
from grebe.core.songs.forms import add_song, song_of_scenes
from grebe.core.songs.model import ROLES, Then
from grebe.core.songs.scenes import (
    add_scene,
    copy_scene,
    move_scene,
    remove_scene,
    vary,
)
from grebe.errors import EditError

MOST_BARS = 999


class SceneEditor(SceneForm):
    """What the keys of the Scenes station do: `do_ID` for the action with that id."""

    def _made(self, name: str, edit: Callable[[Project], tuple[Project, str]]) -> None:
        """Apply an edit that gives a scene, and take that one in hand."""
        found = ""

        def apply(project: Project) -> Project:
            nonlocal found
            project, found = edit(project)
            return project

        self.session.store.apply(name, apply)
        self.scene_id = found or self.scene_id

    def _step(self, items: tuple[Any, ...], item_id: str, by: int) -> str:
        ids = [i.id for i in items]
        if not ids:
            return ""
        at = ids.index(item_id) if item_id in ids else 0
        return str(ids[max(0, min(len(ids) - 1, at + by))])

    @does("scene_before")
    def scene_before(self) -> None:
        """The scene before."""
        self.scene_id = self._step(self.scenes, self.scene_id, -1)

    @does("scene_after")
    def scene_after(self) -> None:
        """The scene after."""
        self.scene_id = self._step(self.scenes, self.scene_id, 1)

    @does("device_before")
    def device_before(self) -> None:
        """The device above."""
        self.device_id = self._step(self.devices, self.device_id, -1)

    @does("device_after")
    def device_after(self) -> None:
        """The device below."""
        self.device_id = self._step(self.devices, self.device_id, 1)

    @does("first_scene")
    def first_scene(self) -> None:
        """The first scene."""
        self.scene_id = self._step(self.scenes, self.scene_id, -len(self.scenes))

    @does("last_scene")
    def last_scene(self) -> None:
        """The last scene."""
        self.scene_id = self._step(self.scenes, self.scene_id, len(self.scenes))

    def _pattern(self, by: int) -> None:
        part, ids = self.part, ["", *(p.id for p in self.patterns)]
        if part is None:
            return
        if len(ids) == 1:
            raise EditError(f"{self.project.rig.name_of(self.device_id)} has no patterns yet")
        here = part.chain[-1] if part.chain else ""
        at = ids.index(here) if here in ids else 0
        new = ids[(at + by) % len(ids)]
        chain = (*part.chain[:-1], new) if new else part.chain[:-1]
        self.change_part("Pattern", "scene-pattern", chain=chain)

    @does("pattern_after")
    def pattern_after(self) -> None:
        """Its next pattern, or silence."""
        self._pattern(1)

    @does("pattern_before")
    def pattern_before(self) -> None:
        """The pattern before, or silence."""
        self._pattern(-1)

    @does("chain_longer")
    def chain_longer(self) -> None:
        """The last of its chain once more."""
        part = self.part
        if part is None or not part.chain:
            raise EditError("nothing plays there yet: P chooses a pattern")
        self.change_part("Longer chain", chain=(*part.chain, part.chain[-1]))

    @does("chain_shorter")
    def chain_shorter(self) -> None:
        """Without the last of its chain."""
        if self.part is not None:
            self.change_part("Shorter chain", chain=self.part.chain[:-1])

    @does("silent")
    def silent(self) -> None:
        """Silent here: nothing plays."""
        part = self.part
        if part is not None:
            self.change_part("Silent", chain=(), muted=False, silent_voices=())

    @does("as_before")
    def as_before(self) -> None:
        """As in the scene before: carry on."""
        scenes = self.scenes
        at = next((i for i, s in enumerate(scenes) if s.id == self.scene_id), 0)
        if at == 0:
            raise EditError("there is no scene before")
        before = scenes[at - 1].part(self.device_id)
        fields = {f: getattr(before, f) for f in before.__struct_fields__ if f != "device"}
        self.change_part("As before", **fields)

    @does("mute")
    def mute(self) -> None:
        """Muted here, or sounding."""
        part = self.part
        if part is not None:
            self.change_part("Mute", muted=not part.muted)

    def number(self, number: int) -> None:
        """A voice silent or sounding here; of a looper a track that plays or not."""
        part, device = self.part, self.device
        if part is None or device is None:
            return
        if device.spec.loop_tracks:
            if number > device.spec.loop_tracks:
                raise EditError(f"{device.name} has {device.spec.loop_tracks} tracks")
            tracks = set(part.tracks or ()) ^ {number}
            self.change_part("Loop tracks", tracks=tuple(sorted(tracks)))
            return
        voices = self.voices
        if number > len(voices):
            raise EditError(f"there is no voice {number} there")
        voice = voices[number - 1].id
        silent = [v for v in part.silent_voices if v != voice]
        if voice not in part.silent_voices:
            silent.append(voice)
        self.change_part("Silent voice", silent_voices=tuple(silent))

    @does("echo")
    def echo(self) -> None:
        """The next echo time."""
        part = self.part
        if part is not None:
            at = ECHOES.index(part.echo) if part.echo in ECHOES else 0
            self.change_part("Echo time", echo=ECHOES[(at + 1) % len(ECHOES)])

    @does("mutes_saved")
    def mutes_saved(self) -> None:
        """Mutes saved with the scene, or left as they stand."""
        self._turn("mutes", ("saved", "left"), "Mutes")

    @does("hand_mutes")
    def hand_mutes(self) -> None:
        """Mutes by hand kept at its end, or dropped."""
        self._turn("hand_mutes", ("keep", "drop"), "Mutes by hand")

    @does("role")
    def role(self) -> None:
        """What it is for."""
        self._turn("role", ROLES, "Role")

    def _turn(self, field: str, values: tuple[Any, ...], name: str) -> None:
        scene = self.scene
        if scene is not None:
            after = values[(values.index(getattr(scene, field)) + 1) % len(values)]
            self.change(name, lambda s: msgspec.structs.replace(s, **{field: after}))

    @does("follow")
    def follow(self) -> None:
        """What follows it: next, a jump to the first, back, or itself until launched."""
        scene = self.scene
        if scene is not None:
            kind = FOLLOWS[(FOLLOWS.index(scene.then.kind) + 1) % len(FOLLOWS)]
            to = self.scenes[0].id if kind == "jump" else ""
            self.change(
                "What follows", lambda s: msgspec.structs.replace(s, then=Then(kind=kind, to=to))
            )

    def _bars(self, by: int) -> None:
        self.change(
            "Bars",
            lambda s: msgspec.structs.replace(s, bars=max(1, min(MOST_BARS, s.bars + by))),
            "scene-bars",
        )

    @does("bars_more")
    def bars_more(self) -> None:
        """A bar longer."""
        self._bars(1)

    @does("bars_fewer")
    def bars_fewer(self) -> None:
        """A bar shorter."""
        self._bars(-1)

    def _times(self, by: int) -> None:
        self.change(
            "Passes",
            lambda s: msgspec.structs.replace(s, times=max(1, min(MOST_BARS, s.times + by))),
            "scene-times",
        )

    @does("more")
    def more(self) -> None:
        """One more pass."""
        self._times(1)

    @does("fewer")
    def fewer(self) -> None:
        """One pass fewer."""
        self._times(-1)

    @does("new_scene")
    def new_scene(self) -> None:
        """A new scene after this one."""
        self._made("New scene", lambda p: add_scene(p, self.scene_id))

    @does("copy_scene")
    def copy_scene(self) -> None:
        """A copy of it after it."""
        self._made("Copy a scene", lambda p: copy_scene(p, self._need()))

    def _need(self) -> str:
        if self.scene is None:
            raise EditError("there is no scene yet: N makes one")
        return self.scene_id

    @does("remove_scene")
    def remove_scene(self) -> None:
        """Remove it."""
        gone, ids = self._need(), [s.id for s in self.scenes]
        self.session.store.apply("Remove a scene", lambda p: remove_scene(p, gone))
        left = [s.id for s in self.scenes]
        at = ids.index(gone) if gone in ids else 0
        self.scene_id = left[min(at, len(left) - 1)] if left else ""

    def _move(self, by: int) -> None:
        moved = self._need()
        self.session.store.apply("Move a scene", lambda p: move_scene(p, moved, by))

    @does("move_left")
    def move_left(self) -> None:
        """One place earlier."""
        self._move(-1)

    @does("move_right")
    def move_right(self) -> None:
        """One place later."""
        self._move(1)

    def _vary(self, way: str) -> None:
        scene, song = self._need(), self.session.selection.song_id
        self._made("Vary a scene", lambda p: vary(p, scene, way, song))

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
        scene, song = self.scene, self.session.song
        if scene is None or song is None:
            raise EditError("there is no song to put it into")
        self.session.store.apply(
            "Into the song",
            lambda p: with_song(
                p, song.id, lambda s: insert_section(s, len(s.sections), scene.id, scene.times)
            ),
        )

    @does("all_scenes")
    def all_scenes(self) -> None:
        """A song of all scenes, in order, each going on as it says."""
        if not self.project.scenes:
            raise EditError("there are no scenes yet")
        made = song_of_scenes(self.project, "All scenes", self.session.position.written_bpm)
        self.session.store.apply("A song of all scenes", lambda p: add_song(p, made))
        self.session.choose_song(made.id)

    @does("only_song")
    def toggle_only_song(self) -> None:
        """Only the scenes of the song in hand, or all of them."""
        self.only_song = not self.only_song
        self.settle()
