"""One window's performance, without Qt: what a performer asks of document and engine."""

from __future__ import annotations

from collections.abc import Iterable
from math import ceil
from pathlib import Path

from grebe.app.document.store import Store
from grebe.app.engine.linked import Linked
from grebe.app.engine.resume import next_bar
from grebe.app.live.checking import Checking
from grebe.app.live.looping import Looping
from grebe.core.document import with_song
from grebe.core.player.commands import (
    Again,
    Back,
    Begin,
    Halt,
    Hold,
    KeepMutes,
    Launch,
    LaunchAt,
    LoopOver,
    Mute,
    Nudge,
    Release,
    Skip,
    Solo,
    Steer,
    Withdraw,
)
from grebe.core.songs.edit import set_tempo
from grebe.core.time.tap import TapTempo
from grebe.core.units import MAX_BPM, MIN_BPM
from grebe.errors import EditError
from grebe.process.places import read_back
from grebe.protocols.link.messages import (
    Learn,
    Panic,
    Shutdown,
)

PANIC_WITHIN_S = 1.0


class Session(Linked):
    """The document and the engine behind one window."""

    def __init__(self, store: Store) -> None:
        super().__init__(store)
        self.looping = Looping(self)
        """What is set for loops."""
        self.checking = Checking(self)

    def run_stop(self) -> None:
        """Run from the top, or stop. After the engine was lost: on the bar that would come next."""
        if self.teaching is not None:
            self.end_teaching()
        elif self.running:
            self._halted = True
            self.tell(Halt())
            self._resume_section = ""
        elif (place := self._next_bar()) is not None:
            self._begin(self._resume_section, *place)
        else:
            self._begin(self._resume_section)

    def run_counted(self) -> None:
        """Run from the top, or from what is selected, after the rig's count-in."""
        if not self.running:
            bars = self.project.rig.count_in.bars
            self._begin(self.selected_section, self.selected_tick, count_in_bars=bars)

    def beats_to_come(self) -> int:
        """Beats of a count-in that are still to come; 0 once the song plays."""
        status, layout = self.status, self.layout()
        if status is None or layout is None or not status.running:
            return 0
        span = layout.span_of(status.section)
        left = status.section_tick - self.tick_now()
        if span is None or left <= 0:
            return 0
        return ceil(left / span.scene.meter.beat_ticks)

    def run_here(self) -> None:
        """Run from the place selected in Song, every box located there."""
        if not self.running:
            self._begin(self.selected_section, self.selected_tick)

    def jump(self) -> None:
        """Go to the bar selected in Song, on the next bar."""
        layout, tick = self.layout(), self.selected_tick
        if layout is None or not layout.spans:
            return
        span = layout.span_of(self.selected_section) or layout.spans[0]
        into = 0 if tick is None else max(0, tick - span.tick) // span.scene.meter.bar_ticks
        self.tell(Launch(section=self.known_as(span.section.id), at="bar", into_bars=into))

    def loop_over(self, first: int, last: int) -> None:
        """Play a stretch of the song over and over; an empty one goes on as written."""
        top = self._top if first < last else 0
        self.tell(LoopOver(first=first + top, last=last + top))

    def keep_mutes(self) -> None:
        """Mutes by hand stay at the end of this section, or are dropped, for this once."""
        if self.status is not None:
            self.tell(KeepMutes(on=not self.status.mutes_kept))

    def _next_bar(self) -> tuple[int, int] | None:
        """After the engine was lost: the next bar of the song, and when it would have come."""
        layout, lost = self.layout(), self._resume_at
        if not self._resume_section or layout is None or lost is None:
            return None
        return next_bar(layout, lost, self.now_ns())

    def _begin(
        self,
        section: str,
        tick: int | None = None,
        at_ns: int | None = None,
        count_in_bars: int = 0,
    ) -> None:
        song = self.song
        known = song is not None and any(s.id == section for s in song.sections)
        self.deviations.clear()
        if self._plan_changed:
            self._send_plan()
        first = self.known_as(section if known else "", begins=True)
        tick = tick + self._top if tick is not None else None
        self._halted = False
        self.tell(Begin(section=first, tick=tick, at_ns=at_ns, count_in_bars=count_in_bars))
        if self.network.leads:
            self.say("info", "Coming in on the session's next one.")
        self._resume_section = ""

    def known_as(self, section: str, *, begins: bool = False) -> str:
        """What the engine calls a section of the song in hand."""
        joined = self.joined()
        if joined is None or not (section or begins):
            return section
        return joined.id_of(self.play.chapter(joined), section)

    @property
    def _top(self) -> int:
        """The tick at which the song in hand begins in what the engine plays."""
        joined = self.joined()
        return 0 if joined is None else self.play.top(self.project, joined)

    def push(self, percent: float) -> None:
        """Push everything ahead, or hold it back, until told 0."""
        self.pushed = percent
        self.tell(Nudge(percent=percent))

    def change_tempo(self, by: float) -> None:
        """The song's tempo by so many BPM; while it plays, from the next beat on."""
        song = self.song
        if song is None:
            return
        bpm = round(min(MAX_BPM, max(MIN_BPM, song.bpm + by)), 2)
        if self.network.takes_tempo(round(self.tempo_now + by, 2)):
            return
        if self.looping.allows(bpm):
            self.take_tempo(bpm, "tempo-by-key")

    @property
    def tempo_now(self) -> float:
        """The tempo that is heard, or, stopped, that of the song or session."""
        status = self.status
        if status is not None and self.network.leads:
            return status.heard_bpm
        return status.bpm if status is not None and status.running else self.bpm

    def take_tempo(self, bpm: float, merge: str = "") -> None:
        """The song at hand takes a tempo; while it plays, from the next beat on."""
        held = min(MAX_BPM, max(MIN_BPM, bpm))
        self.store.apply(
            "Tempo",
            lambda project: with_song(project, self.song_id, lambda s: set_tempo(s, held)),
            merge=merge,
        )
        if self._plan_changed:
            self._send_plan()

    def go_to_tempo(self, bpm: float, bars: int) -> None:
        """The song's tempo from the next beat on; over some bars, only for this time."""
        if self.network.takes_tempo(bpm):
            self.say("info", f"The session is asked to run at {bpm:g} BPM.")
        elif self.status is not None and self.status.follows and not self.network.leads:
            name = self.project.rig.name_of(self.status.follows)
            self.say("warn", f"{name} leads: its tempo holds.")
        elif bars and self.running:
            self.tell(Steer(bpm=bpm, ramp_bars=bars))
            self.say("info", f"To {bpm:g} BPM over {bars} bars; the song keeps its own tempo.")
        elif self.song is not None:
            self.change_tempo(bpm - self.song.bpm)

    def learn_panic(self, device: str) -> None:
        """Take the next press on a box for the one that panics; "" gives up."""
        self.tell(Learn(device=device))

    def learn(self, action: str) -> None:
        """Take the next press on any box that is heard for a Stage action; "" gives up."""
        self.learning = action
        self.tell(Learn(device="*" if action else ""))

    def launch(self, section: str, at: LaunchAt) -> None:
        """Bring in a section; "" is what is next. At once, or where launches are set to."""
        if at != "now" and self.launch_at is not None:
            at = self.launch_at
        self.note_launch(self.now_ns())
        self.tell(Launch(section=self.known_as(section), at=at))

    def tell_launch(self) -> None:
        """Bring in what is next on the next bar, without a performer's asking."""
        self.tell(Launch(at="bar"))

    def set_pace(self, share: float) -> None:
        """Play slower for practice, or as written again."""
        if share != self.pace:
            self.pace = share
            self._send_plan()

    def launch_song(self, entry: str, at: LaunchAt) -> None:
        """Bring in another song of the set from its beginning; stopped, take it in hand."""
        joined = self.joined()
        if not self.running or joined is None:
            self.choose_place(entry)
            return
        first = next((c.first for c in joined.chapters if c.entry == entry), None)
        if first is None:
            raise EditError("that song cannot be played")
        self.tell(Launch(section=first, at=at))

    def drop_passes(self, passes: Iterable[tuple[str, str]]) -> None:
        """Play these sections of the set, as (place, section), a pass less: for this time only."""
        self.dropped = self.dropped | frozenset(passes)
        self._send_plan()

    def back(self) -> None:
        """The section before, on the next bar."""
        self.tell(Back())

    def withdraw(self) -> None:
        """Take back what was asked for."""
        self.tell(Withdraw())

    def release(self) -> None:
        """Let the tempo go to the song's own."""
        self.tell(Release())

    def solo(self, device: str) -> None:
        """A device alone, with others that are; or no longer."""
        alone = self.status is not None and device in self.status.solos
        self.tell(Solo(device=device, on=not alone))

    def next_launch_unit(self) -> None:
        """Launches come in where their view has it, or on the next bar, beat, quarter beat."""
        units: tuple[LaunchAt | None, ...] = (None, "bar", "beat", "quarter_beat")
        self.launch_at = units[(units.index(self.launch_at) + 1) % len(units)]
        words = {None: "where each view says", "bar": "on the next bar", "beat": "on the next beat",
                 "quarter_beat": "on the next quarter of a beat"}[self.launch_at]  # fmt: skip
        self.say("info", f"Launches come in {words}.")

    def hold(self) -> None:
        """Hold this section, or let it go on."""
        if self.status is not None:
            self.tell(Hold(on=not self.status.held))

    def again(self) -> None:
        """One more pass."""
        self.tell(Again())

    def skip(self) -> None:
        """Leave out what is next."""
        self.tell(Skip())

    def mute(self, device: str) -> None:
        """Mute a device, or let it sound."""
        silent = self.status is not None and (device, "") in self.status.mutes
        self.tell(Mute(device=device, on=not silent))

    def escape(self, now_s: float) -> bool:
        """The second time within a second is panic; whether it was."""
        last, self._last_escape = self._last_escape, now_s
        if last is None or now_s - last > PANIC_WITHIN_S:
            return False
        self._last_escape = None
        self.tell(Panic())
        return True

    @property
    def tapped(self) -> TapTempo | None:
        """The tempo that was tapped last, from the third tap on."""
        return self._tapping.fit

    def tap(self, now_s: float) -> None:
        """One tap. From the third on the song takes the tempo."""
        if self._tapping.tap(now_s, self.bpm):
            self.store.end_merge()
        fit = self._tapping.fit
        if fit is not None and self.network.takes_tempo(round(fit.bpm, 2)):
            return
        if fit is not None and self.looping.allows(round(fit.bpm, 2), now_s):
            self.take_tempo(round(fit.bpm, 2), "tap")

    def choose_song(self, song_id: str) -> bool:
        """Take another song in hand; not while one plays. Whether it was taken."""
        if self.running:
            self.say("warn", "Stop first: another song is loaded only while nothing plays.")
            return False
        self.song_id, self.selected_section, self.selected_tick = song_id, "", None
        self._resume_section = ""
        self._send_plan()
        return True

    def attach(self) -> Path | None:
        """The file of the project that the running engine plays, to be opened here; or None."""
        if self.link != "other" or self.welcome is None or not self.welcome.source:
            return None
        return read_back(self.welcome.source)

    def end_engine(self) -> None:
        """End the engine, whoever started it; another is started for this project."""
        if self._client is not None:
            self._client.send(Shutdown())
            self._resume_section = ""
            self.say("info", "The engine was ended; a fresh one is starting.")

    def close(self, *, keep_playing: bool = True) -> None:
        """Let go of the engine. It goes on by itself, or ends soon when nothing plays."""
        if self._client is not None:
            if not keep_playing:
                self._client.send(Shutdown())
            self._client.close()
            self._client = None
        self.link = "off"
