"""The tempo as a performer sets it: by keys, by taps, by a push, slower for practice."""

from __future__ import annotations

import time

from grebe.app.document.store import Store
from grebe.app.engine.link import Link
from grebe.app.engine.plan_feed import PlanFeed
from grebe.app.live.looping import Looping
from grebe.app.live.networking import Networking
from grebe.app.live.notices import Notices
from grebe.app.live.position import Position
from grebe.app.live.selection import Selection
from grebe.app.live.tapping import Tapping
from grebe.core.document import with_song
from grebe.core.player.commands import Nudge, Steer
from grebe.core.songs.edit import set_tempo
from grebe.core.time.tap import TapTempo
from grebe.core.units import MAX_BPM, MIN_BPM
from grebe.words import counted, tr

ASKED_S = 1.0


class TempoControl:
    """Where a session leads it is asked; where loops run it is first said what happens."""

    def __init__(
        self,
        store: Store,
        link: Link,
        feed: PlanFeed,
        notices: Notices,
        *,
        selection: Selection,
        position: Position,
        network: Networking,
        looping: Looping,
    ) -> None:
        self._store = store
        self._link = link
        self._feed = feed
        self._notices = notices
        self._selection = selection
        self._position = position
        self._network = network
        self._looping = looping
        self._tapping = Tapping()
        self._asked = (0.0, -ASKED_S)
        """The tempo a session was asked for last, and when: it takes a moment to get there."""
        self.pushed = 0.0
        """Percent by which everything is pushed ahead just now."""

    @property
    def scale(self) -> float:
        """What is played, slower for practice: a share of its tempi."""
        return self._feed.tempo_scale

    def set_scale(self, share: float) -> None:
        """Play slower for practice, or as written again."""
        if share != self._feed.tempo_scale:
            self._feed.tempo_scale = share
            self._feed.send()

    def push(self, percent: float) -> None:
        """Push everything ahead, or hold it back, until told 0."""
        self.pushed = percent
        self._link.tell(Nudge(percent=percent))

    def change(self, by: float) -> None:
        """The song's tempo by so many BPM; while it plays, from the next beat on."""
        song = self._selection.song
        if song is None:
            return
        now_s = time.monotonic()
        base = song.bpm
        if self._network.leads:  # what is heard, not what is written: a step is a step from there
            asked, at = self._asked
            base = asked if now_s - at < ASKED_S else self._position.now().bpm
        bpm = round(_held(base + by), 2)
        self._asked = (bpm, now_s)
        if not self._network.takes_tempo(bpm) and self._looping.allows(bpm):
            self.take(bpm, "tempo-by-key")

    def take(self, bpm: float, merge: str = "") -> None:
        """The song in hand takes a tempo; while it plays, from the next beat on."""
        song_id, held = self._selection.song_id, _held(bpm)
        self._store.apply(
            tr("Tempo"),
            lambda project: with_song(project, song_id, lambda s: set_tempo(s, held)),
            merge=merge,
        )
        self._feed.send_if_changed()

    def go_to(self, bpm: float, bars: int) -> None:
        """The song's tempo from the next beat on; over some bars, only for this time."""
        status, song = self._position.status, self._selection.song
        if self._network.takes_tempo(bpm):
            self._notices.say("info", tr("The session is asked to run at {bpm:g} BPM.", bpm=bpm))
        elif status is not None and status.follows and not self._network.leads:
            name = self._store.project.rig.name_of(status.follows)
            self._notices.say("warn", tr("{name} leads: its tempo holds.", name=name))
        elif bars and self._position.running:
            self._link.tell(Steer(bpm=bpm, ramp_bars=bars))
            words = tr(
                "To {bpm:g} BPM over {bars}; the song keeps its own tempo.",
                bpm=bpm,
                bars=counted(bars, "bar"),
            )
            self._notices.say("info", words)
        elif song is not None:
            self.change(bpm - song.bpm)

    @property
    def tapped(self) -> TapTempo | None:
        """The tempo that was tapped last, from the third tap on."""
        return self._tapping.fit

    def tap(self, now_s: float) -> None:
        """One tap. From the third on the song takes the tempo."""
        if self._tapping.tap(now_s, self._position.written_bpm):
            self._store.end_merge()
        fit = self._tapping.fit
        if fit is not None and self._network.takes_tempo(round(fit.bpm, 2)):
            return
        if fit is not None and self._looping.allows(round(fit.bpm, 2), now_s):
            self.take(round(fit.bpm, 2), "tap")


def _held(bpm: float) -> float:
    return min(MAX_BPM, max(MIN_BPM, bpm))
