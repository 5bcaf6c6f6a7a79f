"""What is drawn and said of the song in hand, worked out once for each version of it."""

from __future__ import annotations

from grebe.app.session import Session
from grebe.core.findings import Finding
from grebe.core.songs.bands import Stretch, bands
from grebe.core.songs.changes import reached_by
from grebe.core.songs.energy import Bar, song_bars
from grebe.core.songs.programme import Programme, programmes
from grebe.errors import EditError


class SongBook:
    """Bands, bars and programmes of the song in hand."""

    def __init__(self, session: Session) -> None:
        self._session = session
        self._basis: tuple[object, ...] = ()
        self._bands: tuple[Stretch, ...] | None = None
        self._bars: tuple[Bar, ...] | None = None
        self._programmes: tuple[Programme, ...] | None = None

    def _renew(self) -> None:
        """Forget everything where the document or the song is another."""
        session = self._session
        basis = (session.project, session.song_id)
        if not self._basis or basis[0] is not self._basis[0] or basis[1] != self._basis[1]:
            self._basis = basis
            self._bands = self._bars = self._programmes = None

    def bands(self) -> tuple[Stretch, ...]:
        """How much each device plays in each section."""
        self._renew()
        layout = self._session.layout()
        if self._bands is None:
            self._bands = () if layout is None else bands(self._session.project, layout)
        return self._bands

    def bars(self) -> tuple[Bar, ...]:
        """Every bar with its energy."""
        self._renew()
        layout = self._session.layout()
        if self._bars is None:
            self._bars = () if layout is None else song_bars(self._session.project, layout)
        return self._bars

    def programmes(self) -> tuple[Programme, ...]:
        """The song as each box can have it; nothing where it cannot be laid out."""
        self._renew()
        session = self._session
        if self._programmes is None:
            try:
                song = session.song
                self._programmes = (
                    ()
                    if song is None
                    else programmes(session.project, song, reached_by(session.project))
                )
            except EditError:
                self._programmes = ()
        return self._programmes

    def findings(self) -> tuple[Finding, ...]:
        """What there is to look at in this song: itself, and the scenes it plays."""
        song = self._session.song
        if song is None:
            return ()
        scenes = {s.scene for s in song.sections}
        return tuple(
            f
            for f in self._session.findings()
            if (f.code.startswith("song.") and f.subject == song.id)
            or (f.code.startswith("scene.") and f.subject in scenes)
        )
