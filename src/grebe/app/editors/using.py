"""An answer of Tools put to use where it belongs, as an edit that can be undone. Without Qt."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from typing import Any

import msgspec

from grebe.app.live.session import Session
from grebe.core.document import with_scene, with_song
from grebe.core.songs.model import Part, Scene, Song
from grebe.core.typed import with_field
from grebe.errors import EditError
from grebe.words import tr

Values = Mapping[str, Any]
Texts = Mapping[str, str]
REGISTER = tr("Register")
"""The generator that is given taps."""


def _tempo(session: Session, values: Values, texts: Texts) -> str:
    """Into the song in hand."""
    del texts
    bpm = round(float(values["bpm"]), 2)
    song = _into_song(session, tr("Tempo from Tools"), "bpm", bpm)
    return tr("{song} is at {bpm:g} BPM now.", song=song.name, bpm=bpm)


def _key(session: Session, values: Values, texts: Texts) -> str:
    """Into the song in hand."""
    del texts
    key = values["ranking"][0]["key"]
    song = _into_song(session, tr("Key from Tools"), "key", key)
    return tr("{song} is in {key} now.", song=song.name, key=key)


def _into_song(session: Session, name: str, field: str, value: object) -> Song:
    """Set something of the song in hand. EditError for a value that cannot be."""
    song = _song(session)
    made = with_field(song, field, value)
    session.store.apply(name, lambda project: with_song(project, song.id, lambda _: made))
    return song


def _taps(session: Session, values: Values, texts: Texts) -> str:
    """Into the generator, for the next row that it writes."""
    del values
    row = session.generator_values.setdefault(REGISTER, {})
    row.update(taps=texts["taps"].replace(",", " "), other="", seed=texts["seed"])
    return tr("The generator Register has these taps: Patterns, Generate.")


def _echo(session: Session, values: Values, texts: Texts) -> str:
    """The note in hand, into the scene that plays or the song begins with."""
    note = texts.get("note", "")
    fits = {row["note"]: row["fits"] for row in values["notes"]}
    if not fits.get(note):
        raise EditError(tr("the unit cannot take {note}", note=note or tr("nothing")))
    scene = _scene(session)
    echoes = {d.id for d in session.project.rig.lines if d.kind == "echo" or d.spec.echo_ms}
    part = next((p for p in scene.parts if p.device in echoes), None)
    if part is None:
        raise EditError(tr("no echo takes part in {scene}", scene=scene.name))
    made = with_field(part, "echo", note)

    def edit(old: Scene) -> Scene:
        parts: tuple[Part, ...] = tuple(made if p is part else p for p in old.parts)
        return msgspec.structs.replace(old, parts=parts)

    session.store.apply(tr("Echo from Tools"), lambda project: with_scene(project, scene.id, edit))
    name = session.project.rig.name_of(part.device)
    return tr("{name} is at {note} in {scene} now.", name=name, note=note, scene=scene.name)


def _song(session: Session) -> Song:
    if session.song is None:
        raise EditError(tr("there is no song yet"))
    return session.song


def _scene(session: Session) -> Scene:
    playing = session.position.playing
    if playing is not None:
        return playing.scene
    song = _song(session)
    if not song.sections:
        raise EditError(tr("{song} has no section yet", song=song.name))
    return session.project.scene(song.sections[0].scene)


USES: dict[str, Callable[[Session, Values, Texts], str]] = {
    "tempo": _tempo, "tap": _tempo, "key": _key, "register": _taps, "delay": _echo,
}  # fmt: skip
"""By calculator: what is done with its answer; what was done, in words. EditError where it cannot
be."""
