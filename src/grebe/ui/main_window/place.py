"""Where a window stands and what it shows, kept for the one that comes after it."""

from __future__ import annotations

from collections.abc import Callable
from typing import Protocol

import msgspec
from PyQt6.QtCore import QByteArray

from grebe.app.actions.model import STATION_NUMBERS
from grebe.app.editors.pattern_editor import PatternEditor
from grebe.app.live.session import Session
from grebe.app.returning import Opening
from grebe.app.settings import Settings, read_settings, write_settings
from grebe.process.places import written
from grebe.ui.main_window.rail import Rail
from grebe.ui.main_window.stations import Stations
from grebe.ui.widgets.view import View


class Standing(Protocol):
    """The window as far as it is needed here."""

    session: Session
    rail: Rail

    patterns: PatternEditor
    views: Stations
    returning: Settings

    def saveGeometry(self) -> QByteArray:
        """Where it stands, as Qt keeps it."""


def keep_place(window: Standing) -> None:
    """Keep where the window stands and what it shows; of a station that was not looked at, what
    the window before kept."""
    path, made = window.session.store.path, window.views.made
    parts = {
        scope: made[number].part if number in made else window.returning.parts.get(scope, -1)
        for scope, number in STATION_NUMBERS.items()
    }
    write_settings(msgspec.structs.replace(
        read_settings(),
        geometry=bytes(window.saveGeometry().toBase64().data()).decode(),
        station=window.rail.current,
        place_in=written(path) if path is not None else "",
        parts={scope: part for scope, part in parts.items() if part > 0},
        in_hand={scope: subject for scope, subject in _in_hand(window).items() if subject},
    ))  # fmt: skip


def _in_hand(window: Standing) -> dict[str, str]:
    selection = window.session.selection
    scenes = window.views.made.get(STATION_NUMBERS["scenes"])
    return {
        "rig": selection.box,
        "patterns": window.patterns.hand.pattern_id,
        "scenes": scenes.subject if scenes is not None
        else window.returning.in_hand.get("scenes", ""),
        "song": selection.song_id,
        "set": selection.set_id,
    }  # fmt: skip


First = Callable[[Standing], int]
"""Puts in hand what is to be there when a window opens, before any station is made; the number of
the station that is shown first."""


def at_rig(window: Standing) -> int:
    """One that begins anew."""
    del window
    return STATION_NUMBERS["rig"]


def where_it_was(window: Standing, *, opening: Opening | None, kept: Settings) -> int:
    """Where the window before it was: the one that crashed, or the one that was closed."""
    session, station = window.session, kept.station
    if opening is not None and opening.station:
        station = opening.station
        if any(s.id == opening.song for s in session.project.songs):
            session.selection.song_id = opening.song
            session.selection.section = opening.section
    elif opening is not None and opening.untitled:
        return at_rig(window)
    elif session.store.path is not None and kept.place_in == written(session.store.path):
        _back_to(window, kept)
    return station if station in window.views else at_rig(window)


def _back_to(window: Standing, kept: Settings) -> None:
    """What the window before showed, as far as it is there: now what stations share, and what is
    theirs alone as they are made. Called before any is."""
    window.returning = kept
    session, project = window.session, window.session.project
    box, pattern, song, running = (
        kept.in_hand.get(scope, "") for scope in ("rig", "patterns", "song", "set")
    )
    if any(d.id == box for d in project.rig.devices):
        session.selection.box = box
    if pattern in project.patterns_by_id:
        window.patterns.hand.take(pattern)
    if song != session.selection.song_id and any(s.id == song for s in project.songs):
        session.choose_song(song)
    if any(s.id == running for s in project.sets):
        session.selection.take_set(running)


def bring_back(view: View, kept: Settings) -> None:
    """A station shows again what is its alone: its part, and the scene in hand."""
    if view.subject and kept.in_hand.get(view.scope):
        view.show_subject("scene", kept.in_hand[view.scope])
    part = kept.parts.get(view.scope, -1)
    if part in view.parts_there_are() and part > 0:
        view.to_part(part)
