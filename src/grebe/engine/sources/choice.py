"""Who gives the time just now: of all that could, the first that can."""

from __future__ import annotations

from collections.abc import Callable
from typing import NamedTuple

from grebe.core.rig.model import JACK_ID, PEERS_ID, JackTransport
from grebe.engine.ports import Ports
from grebe.engine.sources.base import ClockSource, SourceSong
from grebe.engine.sources.jack import TransportClock
from grebe.engine.sources.midi import BoxClock
from grebe.engine.sources.own import InternalClock
from grebe.engine.sources.session import SessionClock
from grebe.errors import PortLost
from grebe.transports.jack.transport import JackTransport as LedTransport
from grebe.transports.jack.transport import Where
from grebe.words import tr


class Leader(NamedTuple):
    """The box that a plan has leading."""

    device: str
    name: str
    ppqn: float
    offset_ns: int


class Sources:
    """Keeps each source that there is, and JACK's transport where Grebe leads it."""

    def __init__(self, ports: Ports, where: Where, warn: Callable[[str], None]) -> None:
        """`where` is the place of the song at a time, for JACK's callback."""
        self._ports = ports
        self._where = where
        self._warn = warn
        self._own = InternalClock()
        self._box: BoxClock | None = None
        self._jack: TransportClock | None = None
        self._jack_use: JackTransport = "leave"
        self._song: SourceSong | None = None
        self.session: SessionClock | None = None
        """The session of computers, while one is asked for."""
        self.led: LedTransport | None = None
        """JACK's transport, while Grebe leads it."""

    @property
    def current(self) -> ClockSource:
        """What leads: the session, while there is one, whatever else might."""
        return next(source for row in ROWS if (source := row(self)) is not None)

    def name_of(self, device: str) -> str:
        """What a source that is no box is called; "" for boxes."""
        return NAMES.get(device, "")

    def song_is(self, song: SourceSong) -> None:
        """This song is loaded."""
        self._song = song
        for row in ROWS:
            source = row(self)
            if source is not None:
                source.song_is(song)

    def follow_box(self, leader: Leader | None) -> None:
        """Follow this box, or none."""
        if leader is None:
            self._box = None
            return
        box = self._box
        if box is None or (box.device, box.ppqn) != (leader.device, leader.ppqn):
            box = self._box = BoxClock(leader.device, leader.name, leader.ppqn)
            if self._song is not None:
                box.song_is(self._song)
        box.offset_ns, box.name = leader.offset_ns, leader.name

    def use_jack(self, use: JackTransport, *, quietly: bool = False) -> None:
        """Lead JACK's transport, follow it, or let go of it."""
        self._jack_use, self.led = use, None
        followed = None
        if use == "leave":
            self._ports.leave_transport()
        try:
            if use == "lead":
                self.led = self._ports.lead_transport(self._where)
            elif use == "follow":
                followed = self._ports.follow_transport()
        except PortLost as error:
            verb = tr("led") if use == "lead" else tr("followed")
            if not quietly:
                self._warn(
                    tr("JACK's transport cannot be {verb}: {error}.", verb=verb, error=error)
                )
        jack = self._ports.jack
        if followed is not None and jack is not None:
            if self._jack is None or not self._jack.watches(followed):
                self._jack = TransportClock(followed, jack.frames)
                if self._song is not None:
                    self._jack.song_is(self._song)
        elif use != "follow":  # lost while it is followed: its last tempo is held
            self._jack = None

    def look_after(self) -> None:
        """JACK was started again: take its transport as before."""
        if self._jack_use != "leave" and not self._ports.transport_alive:
            self.use_jack(self._jack_use, quietly=True)

    def session_row(self) -> ClockSource | None:
        """The session, once it has agreed on something."""
        session = self.session
        return session if session is not None and session.ready else None

    def jack_row(self) -> ClockSource | None:
        """JACK's transport, where it is followed."""
        return self._jack

    def box_row(self) -> ClockSource | None:
        """The box that the plan has leading."""
        return self._box

    def own_row(self) -> ClockSource | None:
        """Grebe itself."""
        return self._own


ROWS: tuple[Callable[[Sources], ClockSource | None], ...] = (
    Sources.session_row, Sources.jack_row, Sources.box_row, Sources.own_row,
)  # fmt: skip
"""Every source there can be, the first that is there leading."""
NAMES = {JACK_ID: tr("JACK's transport"), PEERS_ID: "the session"}
