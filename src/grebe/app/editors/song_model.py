"""What is drawn and said of the song in hand, worked out once for each version of it."""

from __future__ import annotations

from grebe.app.live.session import Session
from grebe.core.rig.model import Device
from grebe.core.songs.bands import Band, Densities, bands
from grebe.core.songs.changes import reached_by
from grebe.core.songs.energy import Bar, PatternBars, song_bars
from grebe.core.songs.programme import Programme, programmes
from grebe.errors import EditError


class SongModel:
    """Bands, bars and programmes of the song in hand."""

    def __init__(self, session: Session) -> None:
        self._session = session
        self._basis: tuple[object, ...] = ()
        self._bands: dict[str, tuple[Band, ...]] = {}
        self._devices: tuple[Device, ...] = ()
        self._bars: tuple[Bar, ...] | None = None
        self._programmes: tuple[Programme, ...] | None = None
        self._densities = Densities()
        self._book: PatternBars | None = None

    def _renew(self) -> None:
        """Forget everything where the document or the song is another."""
        session = self._session
        basis = (session.project, session.selection.song_id)
        if not self._basis or basis[0] is not self._basis[0] or basis[1] != self._basis[1]:
            self._basis = basis
            self._bands, self._bars, self._programmes = {}, None, None
            rig = session.project.rig
            busy = rig.with_rows(session.project.patterns_of)
            self._devices = tuple(d for d in rig.lines if d.id in busy)

    def devices(self) -> tuple[Device, ...]:
        """Boxes and tracks that have patterns, or rows in one of their box."""
        self._renew()
        return self._devices

    def bands(self, device: Device) -> tuple[Band, ...]:
        """How much a box or track plays in each section, in order."""
        self._renew()
        layout = self._session.derived.layout()
        if device.id not in self._bands:
            project = self._session.project
            self._bands[device.id] = (
                () if layout is None else bands(project, layout, device, self._densities)
            )
        return self._bands[device.id]

    def bars(self) -> tuple[Bar, ...]:
        """Every bar with its energy."""
        self._renew()
        layout = self._session.derived.layout()
        if self._bars is None:
            project = self._session.project
            self._book = self._book.serving(project) if self._book else PatternBars(project)
            self._bars = () if layout is None else song_bars(project, layout, self._book)
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
