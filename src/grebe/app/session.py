"""One window's performance, without Qt: the document, the engine, and what passes between.

`pump` is called often with the time; nothing in here waits.
"""

from __future__ import annotations

import time
from collections import deque
from collections.abc import Iterable
from math import ceil
from pathlib import Path
from typing import Literal

import msgspec

from grebe.app.checking import Checking
from grebe.app.client import EngineClient, check_version
from grebe.app.looping import Looping
from grebe.app.played import PlayedMemory
from grebe.app.resume import LastSaid, next_bar
from grebe.app.runtime import engine_socket
from grebe.app.set_play import SetPlay
from grebe.app.store import Store
from grebe.app.supervisor import (
    StandinsProcess,
    let_go,
    load_message,
    standin_devices,
    start_engine,
)
from grebe.app.tapping import Tapping
from grebe.app.teaching import TEACHING_SECTION, Teaching, teach_plan
from grebe.core.document import Project, with_rig, with_song
from grebe.core.findings import Finding, Found, find
from grebe.core.player.commands import (
    Again,
    Back,
    Begin,
    Fill,
    Halt,
    Hold,
    KeepMutes,
    Launch,
    LaunchAt,
    LoopOver,
    Metronome,
    Mute,
    Nudge,
    Release,
    Skip,
    Solo,
    Steer,
    Withdraw,
)
from grebe.core.player.plan import Plan, make_plan, make_set_plan
from grebe.core.rig.learn import bound
from grebe.core.rig.model import Device
from grebe.core.rig.trigger import Trigger
from grebe.core.sets.joined import Joined
from grebe.core.sets.model import Set
from grebe.core.songs.chain import Place, place_in_chain
from grebe.core.songs.edit import set_tempo
from grebe.core.songs.layout import Layout
from grebe.core.songs.model import Song
from grebe.core.time.tap import TapTempo
from grebe.core.time.ticks import TICKS_PER_QUARTER
from grebe.core.units import MAX_BPM, MIN_BPM
from grebe.errors import EditError, EngineError, ProtocolError
from grebe.link.messages import (
    Deviation,
    FromEngine,
    Learn,
    Learned,
    Loaded,
    Notice,
    Panic,
    Pressed,
    Shutdown,
    Status,
    Strike,
    ToEngine,
    Welcome,
)

LinkState = Literal["starting", "on", "other", "off"]

RETRY_S = 0.05
GIVE_UP_S = 10.0
UNFIT_RETRY_S = 5.0
"""An engine of another version is tried again after this: it may have been ended."""
STANDINS_AFTER_S = 2.0
"""A stand-in gone this long is started again."""
STANDINS_AGAIN_S = 8.0
"""And not tried another time for this long."""
PANIC_WITHIN_S = 1.0
DEVIATIONS_KEPT = 64


def raw_now_ns() -> int:
    """The engine's clock, CLOCK_MONOTONIC_RAW."""
    return time.clock_gettime_ns(time.CLOCK_MONOTONIC_RAW)


class Session:
    """The document and the engine behind one window."""

    def __init__(self, store: Store) -> None:
        self.store = store
        self.song_id = store.project.songs[0].id if store.project.songs else ""
        self.set_id = store.project.sets[0].id if store.project.sets else ""
        self.whole_set = False
        """Whether the set is performed, from the place in hand on, instead of one song."""
        self.play = SetPlay()
        self.dropped: frozenset[tuple[str, str]] = frozenset()
        """Sections of the set, as (place, section), that are played a pass less this time."""
        self.on_stage = False
        """Whether Stage is shown."""
        self.locked = False
        """Whether the computer's keys do nothing on Stage."""
        self.guarded = True
        """Whether a touch has to be held on Stage while something plays."""
        self._halted = False
        """Whether a hand stopped what played last."""
        self.selected_section = ""
        self.selected_tick: int | None = None
        """Where in the song to run from, where that is not a section's beginning."""
        self.link: LinkState = "starting"
        self.welcome: Welcome | None = None
        self.status: Status | None = None
        self.deviations: dict[str, deque[Deviation]] = {}
        self.notice: Notice | None = None
        self._tapping = Tapping()
        self.filling = False
        """Whether a fill is held."""
        self.teaching: Teaching | None = None
        """What is being taught to a box just now."""
        self.launch_at: LaunchAt | None = None
        """Where launches come in, whatever a view would have."""
        self.clicking = False
        """Whether every beat is clicked."""
        self.memory = PlayedMemory()
        """What was played in during the last minutes."""
        self.pushed = 0.0
        """Percent by which everything is pushed ahead just now."""
        self.looping = Looping(self)
        """What is set for loops."""
        self.learning = ""
        """The Stage action that the next press is learnt for."""
        self.pressed: list[Pressed] = []
        """Presses of what was learnt, for whoever shows Stage."""
        self.checking = Checking(self)
        """What boxes are heard to do."""
        self._client: EngineClient | None = None
        self._plan_changed = False
        self._gone_since: dict[str, float] = {}
        self._next_try = 0.0
        self._trying_since: float | None = None
        self._last_escape: float | None = None
        self._resume_section = ""
        self._resume_at: LastSaid | None = None
        self._found: tuple[Project, Found] | None = None
        self._laid_out: tuple[Project, str, Layout | None] | None = None
        store.listen(self._document_changed)

    # What views read

    @property
    def project(self) -> Project:
        """The document as it stands."""
        return self.store.project

    @property
    def song(self) -> Song | None:
        """The song at hand; None in a project without songs."""
        return next((s for s in self.project.songs if s.id == self.song_id), None)

    @property
    def running_set(self) -> Set | None:
        """The set at hand; None in a project without sets."""
        return next((s for s in self.project.sets if s.id == self.set_id), None)

    def joined(self) -> Joined | None:
        """The set that is performed, as one song; None while it is one song that is."""
        return self.play.joined(self.project, self.running_set) if self.whole_set else None

    def layout(self) -> Layout | None:
        """The song laid out; None where it cannot be. Asked for with every frame, so it is kept."""
        kept = self._laid_out
        if kept is None or kept[0] is not self.project or kept[1] != self.song_id:
            song = self.song
            try:
                layout = None if song is None else self.project.layout(song)
            except EditError:
                layout = None
            kept = self._laid_out = (self.project, self.song_id, layout)
        return kept[2]

    def findings(self) -> tuple[Finding, ...]:
        """What is wrong with the document; kept, since the rail and the Rig both ask for it."""
        return self._find().open

    def intended(self) -> tuple[Finding, ...]:
        """Findings that the performer said are intended."""
        return self._find().intended

    def _find(self) -> Found:
        if self._found is None or self._found[0] is not self.project:
            self._found = (self.project, find(self.project))
        return self._found[1]

    @property
    def running(self) -> bool:
        """Whether the engine plays."""
        return self.status is not None and self.status.running

    def tick_now(self) -> float:
        """Where the playing is at this moment, carried on from the last word of the engine."""
        status = self.status
        if status is None or not status.running:
            return 0.0
        passed_s = (raw_now_ns() - status.at_ns) / 1e9
        return status.tick + passed_s * status.bpm / 60 * TICKS_PER_QUARTER

    def song_tick_now(self) -> float:
        """The same counted in the song as written: launches may have left its order."""
        status, layout = self.status, self.layout()
        if status is None or layout is None or not status.running:
            return 0.0
        span = layout.span_of(status.section)
        if span is None:
            return 0.0
        return span.tick + max(0.0, self.tick_now() - status.section_tick) % span.ticks

    def pattern_place(self, pattern_id: str, tick: float | None = None) -> Place | None:
        """Where a pattern is at a tick of the song, or now; None while it does not play."""
        status, layout = self.status, self.layout()
        patterns = {p.id: p for p in self.project.patterns}
        if status is None or not status.running or pattern_id not in patterns:
            return None
        chain: tuple[str, ...] = ()
        if status.section == TEACHING_SECTION:
            chain = () if self.teaching is None else (self.teaching.pattern,)
        elif layout is not None and (span := layout.span_of(status.section)) is not None:
            chain = span.scene.part(patterns[pattern_id].device).chain
        lengths = [(p, patterns[p].content.ticks) for p in chain if p in patterns]
        at = self.tick_now() if tick is None else tick
        place = place_in_chain(lengths, at - status.section_tick)
        return None if place is None or place.pattern != pattern_id else place

    def pattern_turn(self, pattern_id: str) -> int:
        """Which pass of a pattern plays, from 0; 0 while it does not."""
        place = self.pattern_place(pattern_id)
        return 0 if place is None else place.turn

    def fill(self, *, on: bool) -> None:
        """Hold a fill, or let it go."""
        self.filling = on
        self.tell(Fill(on=on))

    def metronome(self) -> None:
        """Click every beat, or no longer."""
        if self.project.rig.count_in.device is None:
            raise EditError("nothing clicks yet: choose a box for it in the Rig, with K")
        self.clicking = not self.clicking
        self.tell(Metronome(on=self.clicking))

    def strike(self, device: Device, note: int, channel: int | None, velocity: int = 100) -> None:
        """Play a note on a device now; it is remembered as played in."""
        self.tell(
            Strike(
                device=device.id, note=note, channel=channel or device.channel, velocity=velocity
            )
        )

    def teach(self, teaching: Teaching) -> None:
        """Count in and play a pattern into its box, loop after loop, until `end_teaching`.

        EditError where that cannot be.
        """
        teach_plan(self.project, teaching, self.bpm, self._source())
        if self.running:
            self.tell(Halt())
        self.teaching = teaching
        self._send_plan()
        self.tell(Begin(count_in_bars=self.project.rig.count_in.bars))

    def end_teaching(self) -> None:
        """Stop, and go back to the song."""
        if self.teaching is not None:
            self.teaching = None
            self.tell(Halt())
            self._send_plan()

    @property
    def bpm(self) -> float:
        """Tempo of the song at hand, as it begins; 120 without one."""
        return self.song.bpm if self.song is not None else 120.0

    def off_by_ms(self, device: Device) -> float | None:
        """How late a device is when that is more than it may be; None while it is together."""
        status = self.status
        if status is not None:
            for row in status.devices:
                if row.id == device.id and row.sent and abs(row.late_ms) > device.tolerance_ms:
                    return row.late_ms
        return None

    # The engine

    def pump(self, now_s: float) -> list[FromEngine]:
        """Take in what the engine says, start one where there is none, send what changed."""
        client = self._client
        if client is None:
            self._connect(now_s)
            return []
        messages: list[FromEngine] = []
        try:
            messages = client.pump()
            for message in messages:
                self._take(message, now_s)
        except (ProtocolError, EngineError) as error:
            client.close()
            self._lost()
            self.say("error", str(error))
            self._next_try = now_s + UNFIT_RETRY_S
            return messages
        if not client.open:
            self._lost()
        elif self._plan_changed and self.link == "on":
            self._send_plan()
        return messages

    def fileno(self) -> int | None:
        """Descriptor of the engine's socket, while connected."""
        return self._client.fileno() if self._client is not None else None

    def _connect(self, now_s: float) -> None:
        if self.link == "off" or now_s < self._next_try:
            return
        self._next_try = now_s + RETRY_S
        try:
            self._client = EngineClient(engine_socket())
        except EngineError as error:
            if self._trying_since is None:
                self._trying_since = now_s
                self._start_standins([d.id for d in self.project.rig.devices])
                let_go(start_engine())
            elif now_s - self._trying_since > GIVE_UP_S:
                self.link = "off"
                self.say("error", f"The engine does not start: {error}")
            return
        self._trying_since = None

    def _start_standins(self, device_ids: list[str]) -> None:
        wanted = [d for d in standin_devices(self.project.rig.devices) if d.id in device_ids]
        if wanted:
            let_go(StandinsProcess(wanted, announced=False).process)

    def _take(self, message: FromEngine, now_s: float) -> None:
        if isinstance(message, Welcome):
            check_version(message)
            self.welcome = message
            self._meet(message)
        elif isinstance(message, Status):
            if self.link != "on":
                return  # it speaks of another project: its places mean nothing here
            message = self._in_own_words(message)
            self.status = message
            self.memory.take(message.played)
            if message.running:
                self._resume_section = message.section
            for deviation in message.deviations:
                kept = self.deviations.setdefault(deviation.device, deque(maxlen=DEVIATIONS_KEPT))
                kept.append(deviation)
            self._mind_standins(message, now_s)
            self.checking.take(message)
        elif isinstance(message, Notice):
            self.notice = message
        elif isinstance(message, Pressed):
            self.pressed.append(message)
        elif isinstance(message, Learned) and self.learning:
            self._learned(message.trigger)
        elif isinstance(message, Learned):
            trigger = message.trigger
            self.store.apply(
                "Panic", lambda p: with_rig(p, msgspec.structs.replace(p.rig, panic=trigger))
            )
            name = self.project.rig.name_of(trigger.device)
            self.say("info", f"{name}: {trigger.words} panics from now on.")
        elif isinstance(message, Loaded) and self.link == "on":
            if message.source != self._source():
                self.link, self.status = "other", None
                self.say("warn", f"The engine has been given {message.project} by another window.")
            elif any(s.id == message.song for s in self.project.songs):
                self.song_id = message.song

    def _in_own_words(self, status: Status) -> Status:
        """Of a set: the status as the song that plays has it; that song is taken in hand."""
        joined = self.joined()
        if joined is None:
            return status
        was_running, here = self.running, self.play.entry
        told, own = self.play.own(joined, status)
        if own is not None:
            self.song_id = own.song
            if self.play.entry != here:
                self.selected_section, self.selected_tick = "", None
        elif was_running and not status.running and not self._halted:
            chapter = self.play.after(joined)
            if chapter is not None:  # it stopped by itself: the next song waits
                self.play.entry, self.song_id = chapter.entry, chapter.song
                self.selected_section, self.selected_tick = "", None
        return told

    def perform_set(self, *, on: bool) -> None:
        """Perform the set at hand, or one song; what runs is not touched."""
        if self.running or self.whole_set == on:
            return
        self.whole_set = on
        joined = self.joined()
        if joined is not None and joined.chapters[self.play.chapter(joined)].song != self.song_id:
            self._take_place_of(joined, self.song_id)
        self._send_plan()

    def _take_place_of(self, joined: Joined, song_id: str) -> None:
        """Take in hand the first place of a song in the set, where it has one."""
        found = next((c.entry for c in joined.chapters if c.song == song_id), None)
        self.play.entry = found or joined.chapters[0].entry
        self.song_id = joined.chapters[self.play.chapter(joined)].song

    def take_set(self, set_id: str) -> None:
        """Take another set in hand; not while something plays."""
        if not self.running:
            self.set_id = set_id
            joined = self.joined()
            if joined is not None:
                self._take_place_of(joined, self.song_id)
            self._send_plan()

    def choose_place(self, entry: str) -> bool:
        """Take a place of the set in hand; not while something plays. Whether it was taken."""
        running = self.running_set
        place = next((s for s in running.songs if s.id == entry), None) if running else None
        if place is None or self.running:
            return False
        self.play.entry = entry
        if any(s.id == place.song for s in self.project.songs):
            self.song_id, self.selected_section, self.selected_tick = place.song, "", None
        self._resume_section = ""
        return True

    def _meet(self, welcome: Welcome) -> None:
        if welcome.running and welcome.source != self._source():
            self.link = "other"
            self.say(
                "warn",
                f"An engine is playing {welcome.project}. Ctrl+Enter attaches to it; "
                "Ctrl+Shift+Q ends it and starts one for this project.",
            )
            return
        self.link = "on"
        if welcome.running:
            performed = [s.id for s in self.project.sets if f"set-{s.id}" == welcome.song]
            self.whole_set = bool(performed)
            self.set_id = performed[0] if performed else self.set_id
            if any(s.id == welcome.song for s in self.project.songs):
                self.song_id = welcome.song
            self.say("info", "Attached to the engine that was already playing.")
        elif welcome.priority == "none":
            self.say(
                "warn",
                "No real-time priority: ticks may be a few ms late under load. "
                "Select Grebe in Rig to see how to allow it.",
            )
        if self._resume_section and not welcome.running:
            self.say(
                "warn",
                "The engine had ended; another is ready. Space comes back in on the next bar.",
            )
        self._send_plan()

    def _source(self) -> str:
        return str(self.store.path.resolve()) if self.store.path else ""

    def _lost(self) -> None:
        self._client, self.welcome = None, None
        was_running = self.running
        if was_running and self.status is not None and self.status.bpm:
            self._resume_at = LastSaid(self.song_tick_now(), self.status.bpm, raw_now_ns())
        self.status = None
        if self.link == "on":
            self.say("error", "The engine ended. Another is being started.")
        if not was_running:
            self._resume_section = ""
        self.link = "starting"
        self._trying_since = None
        self._next_try = 0.0

    def _mind_standins(self, status: Status, now_s: float) -> None:
        """Start stand-ins again that have been gone for a while; the engine joins them."""
        ours = {d.id for d in standin_devices(self.project.rig.devices)}
        gone = {d.id for d in status.devices if d.port == "gone" and d.id in ours}
        for device in list(self._gone_since):
            if device not in gone:
                del self._gone_since[device]
        for device in gone:
            self._gone_since.setdefault(device, now_s)
        late = [d for d, since in self._gone_since.items() if now_s - since > STANDINS_AFTER_S]
        if late:
            for device in late:
                self._gone_since[device] = now_s + STANDINS_AGAIN_S
            self._start_standins(late)

    def _document_changed(self, old: Project, new: Project) -> None:
        del old
        self._plan_changed = True
        if all(s.id != self.set_id for s in new.sets):
            self.set_id = new.sets[0].id if new.sets else ""
        if all(song.id != self.song_id for song in new.songs):
            self.song_id = new.songs[0].id if new.songs else ""

    def _send_plan(self) -> None:
        self._plan_changed = False
        song = self.song
        if song is None or self._client is None:
            return
        try:
            plan = self._plan(song)
        except EditError as error:
            self.say("error", f"{error}. What played before plays on.")
            return
        self._client.send(load_message(self.project, plan))
        self.checking.tell_again()

    def _plan(self, song: Song) -> Plan:
        """What the engine is to play. EditError where that cannot be cut."""
        if self.teaching is not None:
            return teach_plan(self.project, self.teaching, song.bpm, self._source())
        running = self.running_set
        if self.joined() is not None and running is not None:
            return make_set_plan(self.project, running, self._source(), dropped=self.dropped)
        return make_plan(self.project, song, self._source())

    def tell(self, message: ToEngine) -> None:
        """Say something to the engine, where one is there for this project."""
        if self._client is not None and self.link == "on":
            self._client.send(message)

    def say(self, level: Literal["info", "warn", "error"], text: str) -> None:
        """Something for the performer to read."""
        self.notice = Notice(level=level, text=text)

    # What the performer asks for

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
        self.tell(Launch(section=self._known_as(span.section.id), at="bar", into_bars=into))

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
        return next_bar(layout, lost, raw_now_ns())

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
        first = self._known_as(section if known else "", begins=True)
        tick = tick + self._top if tick is not None else None
        self._halted = False
        self.tell(Begin(section=first, tick=tick, at_ns=at_ns, count_in_bars=count_in_bars))
        self._resume_section = ""

    def _known_as(self, section: str, *, begins: bool = False) -> str:
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
        if self.looping.allows(bpm):
            self.take_tempo(bpm, "tempo-by-key")

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
        if self.status is not None and self.status.follows:
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

    def _learned(self, trigger: Trigger) -> None:
        action, self.learning = self.learning, ""
        self.store.apply("Learn a press", lambda p: bound(p, action, trigger))
        self.say("info", f"{self.project.rig.name_of(trigger.device)}: {trigger.words} does that.")

    def launch(self, section: str, at: LaunchAt) -> None:
        """Bring in a section; "" is what is next. At once, or where launches are set to."""
        if at != "now" and self.launch_at is not None:
            at = self.launch_at
        self.tell(Launch(section=self._known_as(section), at=at))

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
        return Path(self.welcome.source)

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
