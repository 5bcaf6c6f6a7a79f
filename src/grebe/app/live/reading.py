"""What can be read of a performance, by whoever may not ask anything of it."""

from __future__ import annotations

from typing import Protocol

from grebe.app.live.derived import Derived
from grebe.app.live.position import Position
from grebe.app.live.selection import Selection
from grebe.core.document import Project
from grebe.core.songs.model import Song
from grebe.protocols.link.messages import Status


class Reading(Protocol):
    """A performance here or elsewhere: what OSC tells and a shown stage shows."""

    @property
    def project(self) -> Project:
        """The document as it stands."""

    @property
    def song(self) -> Song | None:
        """The song in hand."""

    @property
    def status(self) -> Status | None:
        """The engine's last word."""

    @property
    def running(self) -> bool:
        """Whether the engine plays."""

    @property
    def selection(self) -> Selection:
        """What is in hand."""

    @property
    def derived(self) -> Derived:
        """What follows from the document."""

    @property
    def position(self) -> Position:
        """Where the song is."""

    @property
    def tempo_scale(self) -> float:
        """What is played, slower for practice: a share of its tempi."""
