"""Loopers from the window: tracks armed, layers of fixed length, a first loop that sets the tempo,
and what a change of tempo would do to loops that run. Without Qt."""

from __future__ import annotations

import time
from collections.abc import Callable

from grebe.app.document.store import Store
from grebe.app.engine.link import Link
from grebe.app.live.notices import Notices
from grebe.app.live.position import Position
from grebe.app.live.selection import Selection
from grebe.core.player.commands import Begin
from grebe.core.player.loopers import LoopTrack, TrackAt, TrackCommand, TrackDo
from grebe.core.rig.model import Device
from grebe.core.time.loop_length import LoopTempo, loop_tempo
from grebe.core.time.meter import Meter
from grebe.core.time.ticks import TICKS_PER_QUARTER
from grebe.errors import EditError
from grebe.words import counted, tr

LAYERS = (0, 1, 2, 4, 8)
"""Bars of a recording that ends by itself; 0 is open."""
MEANT_S = 3.0
"""A tempo change that was warned of is meant when it is asked for again within this time."""
RUNS_OFF = 0.001
"""Tempi nearer than a thousandth count as the same."""


class Looping:
    """What is set for loops, and the first loop while it is played."""

    def __init__(
        self,
        store: Store,
        link: Link,
        notices: Notices,
        selection: Selection,
        position: Position,
    ) -> None:
        self._store = store
        self._link = link
        self._notices = notices
        self._selection = selection
        self._position = position
        self.take_tempo: Callable[[float], None] = lambda _: None
        """The song in hand takes a tempo."""
        self.at: TrackAt = "bar"
        """Where starts and stops fall."""
        self.bars = 0
        """Length of the next recording; 0: until it is closed."""
        self._first: tuple[str, float] | None = None
        """The looper whose first loop is being played, and when it began, in seconds."""
        self._warned: tuple[float, float] | None = None
        """(tempo, when) of the change that was warned of."""

    @property
    def looper(self) -> Device | None:
        """The looper that Grebe can tell what to do."""
        devices = self._store.project.rig.devices
        return next((d for d in devices if d.spec.loop_control is not None), None)

    def tracks(self) -> tuple[LoopTrack, ...]:
        """Its tracks, as Grebe has told them to be."""
        status, looper = self._position.status, self.looper
        if status is None or looper is None:
            return ()
        return tuple(t for t in status.tracks if t.device == looper.id)

    def press(self, number: int, do: TrackDo = "next") -> None:
        """A track does what comes next for it, or what is said; asked again it is taken back."""
        looper = self.looper
        if looper is None or number > looper.spec.loop_tracks:
            raise EditError(
                tr("there is no loop track {number} that Grebe can tell", number=number)
            )
        self._link.tell(
            TrackCommand(device=looper.id, number=number, do=do, at=self.at, bars=self.bars)
        )

    def next_at(self) -> None:
        """Starts and stops fall on bars, or on the loop's own end."""
        self.at = "loop" if self.at == "bar" else "bar"
        where = tr("the next bar") if self.at == "bar" else tr("the longest loop's end")
        self._notices.say("info", tr("Loop tracks start and stop at {where}.", where=where))

    def next_length(self) -> None:
        """The next recording ends by itself after so many bars, or is open."""
        self.bars = LAYERS[(LAYERS.index(self.bars) + 1) % len(LAYERS)]
        words = (
            tr("ends after {bars}", bars=counted(self.bars, "bar"))
            if self.bars
            else tr("is open until it is closed")
        )
        self._notices.say("info", tr("The next recording {words}.", words=words))

    # A first loop leads

    def first_loop(self, now_s: float) -> LoopTempo | None:
        """Begin the first loop, then close it: its length gives the tempo, and all run on it.

        EditError without a looper, or while something runs.
        """
        looper = self.looper
        if looper is None:
            raise EditError(tr("there is no looper that Grebe can tell"))
        if self._position.running:
            raise EditError(tr("a first loop is played while nothing runs: stop first"))
        if self._first is None:
            self._first = (looper.id, now_s)
            self._link.tell(TrackCommand(device=looper.id, number=1, do="record", at="now"))
            self._notices.say(
                "info", tr("The first loop is recorded; the same key on its end closes it.")
            )
            return None
        device, began = self._first
        self._first = None
        song = self._selection.song
        meter = self._meter()
        closed_s = now_s - self._store.project.rig.foot_ms / 1e3
        found = loop_tempo(max(0.05, closed_s - began), meter.bar_ticks, None if song is None else
                           song.bpm)  # fmt: skip
        ticks = found.bars * meter.bar_ticks
        close = TrackCommand(
            device=device, number=1, do="play", at="now", ticks=ticks, bpm=round(found.bpm, 2)
        )
        self._link.tell(close)
        self.take_tempo(round(found.bpm, 2))
        self._link.tell(Begin())
        self._notices.say(
            "info",
            tr(
                "{bars} at {bpm:.2f} BPM: all run on the loop.",
                bars=counted(found.bars, "bar"),
                bpm=found.bpm,
            ),
        )
        return found

    def _meter(self) -> Meter:
        song, project = self._selection.song, self._store.project
        scenes = {s.id: s for s in project.scenes}
        first = None if song is None or not song.sections else scenes.get(song.sections[0].scene)
        return Meter() if first is None else first.meter

    # Tempo changes

    def warning(self, bpm: float) -> str:
        """What a tempo would do to loops that run; "" where nothing."""
        for track in self.tracks():
            if track.state not in ("playing", "overdubbing") or not track.ticks or not track.bpm:
                continue
            if abs(bpm / track.bpm - 1) < RUNS_OFF:
                continue
            beat_ms = (60_000 / track.bpm - 60_000 / bpm) * self._meter().bar_ticks / (
                TICKS_PER_QUARTER
            )  # fmt: skip
            name = self._store.project.rig.name_of(track.device)
            way = tr("late") if beat_ms > 0 else tr("early")
            return tr(
                "{name}'s loops stay at {bpm:.4g} BPM: at {bpm2:.4g} they run "
                "{value:.0f} ms {way} with every bar",
                name=name,
                bpm=track.bpm,
                bpm2=bpm,
                value=abs(beat_ms),
                way=way,
            )
        return ""

    def allows(self, bpm: float, now_s: float | None = None) -> bool:
        """Whether a change of tempo may be made: where loops run it is first said what happens."""
        at = time.monotonic() if now_s is None else now_s
        words = self.warning(bpm)
        if not words:
            return True
        meant = self._warned is not None and at - self._warned[1] < MEANT_S
        self._warned = (bpm, at)
        if not meant:
            self._notices.say(
                "warn", tr("{words}. The same again within 3 s does it.", words=words)
            )
        return meant
