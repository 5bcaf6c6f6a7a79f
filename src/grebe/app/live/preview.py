"""What a track of a MIDI file would sound like on its box, before it is brought in."""

from __future__ import annotations

from collections import deque

from grebe.app.document.arrivals import BroughtTrack
from grebe.app.live.session import Session
from grebe.core.arriving import FOR_KIND, NO_BPM, bars_of
from grebe.core.patterns.passes import passes_of
from grebe.core.rig.model import Device
from grebe.core.time.ticks import TICKS_PER_QUARTER
from grebe.errors import EditError
from grebe.words import tr


class Preview:
    """Plays one row at a time, once. Notes leave when the window comes round to it: up to some
    hundredths of a second late, which the pattern itself never is."""

    def __init__(self, session: Session) -> None:
        self._session = session
        self._device: Device | None = None
        self._due: deque[tuple[float, int, int, int | None]] = deque()
        """(when, in seconds of the caller's clock; note; velocity; channel)."""

    @property
    def plays(self) -> bool:
        """Whether something is still to come."""
        return bool(self._due)

    def start(self, row: BroughtTrack, now_s: float) -> None:
        """Play what would be made of a row. EditError where nothing can be heard."""
        self.stop()
        session = self._session
        if session.link.state != "on":
            raise EditError(tr("nothing can be heard without an engine"))
        if session.running:
            raise EditError(tr("stop first: it would sound into what plays"))
        device = self._device = self._heard_on(row)
        content = bars_of(
            row.track, device, row.bars, row.arrival.meter, first=row.first_bar, how=row.how
        )
        a_tick_s = 60 / (row.arrival.bpm or NO_BPM) / TICKS_PER_QUARTER
        self._due.extend(sorted(
            (now_s + max(0, sound.tick) * a_tick_s, sound.note, sound.velocity, voice.channel)
            for voice in content.voices
            for sound in passes_of(content, voice).between(0, content.ticks)
        ))  # fmt: skip

    def _heard_on(self, row: BroughtTrack) -> Device:
        rig = self._session.project.rig
        found = rig.find(row.box) if row.box else next(
            (d for kind in FOR_KIND[row.kind] for d in rig.lines if d.kind == kind), None
        )  # fmt: skip
        if found is None:
            raise EditError(tr("no box of the rig is of its kind: it is heard once it is taken"))
        return found

    def follow(self, now_s: float) -> None:
        """Play what is due by now."""
        while self._due and self._due[0][0] <= now_s:
            _, note, velocity, channel = self._due.popleft()
            if self._device is not None:
                self._session.hands.audition(self._device, note, channel, velocity)

    def stop(self) -> None:
        """Nothing more of it."""
        self._due.clear()
