"""One window's document and its engine, without Qt: what passes between them.

`pump` is called often with the time; nothing in here waits.
"""

from __future__ import annotations

import logging
import time
from collections import deque
from typing import Literal

import msgspec

from grebe.app.document.store import Store
from grebe.app.engine.client import EngineClient, check_version
from grebe.app.engine.networking import Networking
from grebe.app.engine.plan_sender import PlanSender
from grebe.app.engine.resume import LastSaid
from grebe.app.engine.supervisor import (
    StandinsProcess,
    let_go,
    load_message,
    standin_devices,
    start_engine,
    start_network,
)
from grebe.app.live.checking import Checking
from grebe.app.live.played import PlayedMemory
from grebe.app.live.set_play import SetPlay
from grebe.app.live.tapping import Tapping
from grebe.app.live.teaching import TEACHING_SECTION, Teaching, teach_plan
from grebe.core.document import Project, with_rig
from grebe.core.findings import Finding, Findings, find
from grebe.core.player.commands import (
    Begin,
    Fill,
    Halt,
    LaunchAt,
    Metronome,
)
from grebe.core.player.plan import Plan, make_plan, make_set_plan
from grebe.core.rig.learn import bound
from grebe.core.rig.model import Device
from grebe.core.rig.trigger import Trigger
from grebe.core.sets.joined import Joined
from grebe.core.sets.model import Set
from grebe.core.songs.chain import ChainPlace, place_in_chain
from grebe.core.songs.layout import Layout
from grebe.core.songs.model import Song
from grebe.core.songs.pace import paced
from grebe.core.time.ticks import TICKS_PER_QUARTER
from grebe.errors import EditError, EngineError, ProtocolError
from grebe.process.log import log_told
from grebe.process.places import engine_socket, written
from grebe.protocols.link.messages import (
    Deviation,
    FromEngine,
    Learned,
    Loaded,
    Notice,
    Pressed,
    Stale,
    Status,
    Strike,
    ToEngine,
    Welcome,
)

_log = logging.getLogger(__name__)
LinkState = Literal["starting", "on", "other", "off"]

RETRY_S = 0.05
GIVE_UP_S = 10.0
UNFIT_RETRY_S = 5.0
"""An engine of another version is tried again after this: it may have been ended."""
STANDINS_AFTER_S = 2.0
"""A stand-in gone this long is started again."""
STANDINS_AGAIN_S = 8.0
"""And not tried another time for this long."""
SILENT_S = 1.5
"""An engine speaks thirty times a second."""
NETWORK_AGAIN_S = 3.0
"""The network process is tried again after this."""
LAUNCHES = ("next_in", "next_end", "cut")
MOST_ASKED = 64
DEVIATIONS_KEPT = 64


NOT_LOOKED = Findings((), ())


def raw_now_ns() -> int:
    """The engine's clock, CLOCK_MONOTONIC_RAW."""
    return time.clock_gettime_ns(time.CLOCK_MONOTONIC_RAW)


class Linked:
    """The document, the engine, and what passes between. `Session` adds what a performer asks."""

    checking: Checking
    """What boxes are heard to do."""

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
        self.asked: list[int] = []
        """When something was launched, by key or pedal (CLOCK_MONOTONIC_RAW); the latest last."""
        self.pace = 1.0
        """What is played, slower for practice: a share of its tempi."""
        self.network = Networking(self)
        """Other computers, and OSC."""
        self.learning = ""
        """The Stage action that the next press is learnt for."""
        self.pressed: list[Pressed] = []
        """Presses of what was learnt, for whoever shows Stage."""
        self._client: EngineClient | None = None
        self._sender = PlanSender()
        self._silent_since: float | None = None
        """When the engine's silence began; None where it has been told, or nothing plays."""
        self._plan_changed = False
        self._gone_since: dict[str, float] = {}
        self._network_again = 0.0
        self._next_try = 0.0
        self._trying_since: float | None = None
        self._last_escape: float | None = None
        self._resume_section = ""
        self._resume_at: LastSaid | None = None
        self.opening = False
        """Whether a window is still being opened: then nothing is looked for yet."""
        self._found: tuple[Project, Findings] | None = None
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

    def _find(self) -> Findings:
        if self.opening:
            return NOT_LOOKED
        if self._found is None or self._found[0] is not self.project:
            self._found = (self.project, find(self.project))
        return self._found[1]

    @property
    def running(self) -> bool:
        """Whether the engine plays."""
        return self.status is not None and self.status.running

    def now_ns(self) -> int:
        """The engine's clock, now."""
        return raw_now_ns()

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

    def pattern_place(self, pattern_id: str, tick: float | None = None) -> ChainPlace | None:
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
        self._mind_silence(messages, now_s)
        if not client.open:
            self._lost()
        elif self._plan_changed and self.link == "on":
            self._send_plan()
        return messages

    def _mind_silence(self, messages: list[FromEngine], now_s: float) -> None:
        """An engine that is there and says nothing while it plays: once, as long as it lasts."""
        if any(isinstance(m, Status) for m in messages) or not self.running:
            self._silent_since = now_s
        elif self._silent_since is not None and now_s - self._silent_since > SILENT_S:
            self._silent_since = None
            self.say(
                "error",
                f"The engine has said nothing for {SILENT_S:g} s: it is stopped, or gets no "
                "processor. What is shown may be past. Ctrl+Shift+Q ends it.",
            )

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
            self.network.take(message)
            if message.running:
                self._resume_section = message.section
            for deviation in message.deviations:
                kept = self.deviations.setdefault(deviation.device, deque(maxlen=DEVIATIONS_KEPT))
                kept.append(deviation)
            self._mind_processes(message, now_s)
            self.checking.take(message)
        elif isinstance(message, Stale):
            self._sender.forget()
            self._plan_changed = True
        elif isinstance(message, Notice):
            self.notice = message
        elif isinstance(message, Pressed):
            self.pressed.append(message)
            if message.down and message.action in LAUNCHES:
                self.note_launch(message.at_ns)
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

    def note_launch(self, at_ns: int) -> None:
        """Something was launched."""
        self.asked.append(at_ns)
        del self.asked[:-MOST_ASKED]

    def _learned(self, trigger: Trigger) -> None:
        action, self.learning = self.learning, ""
        self.store.apply("Learn a press", lambda p: bound(p, action, trigger))
        self.say("info", f"{self.project.rig.name_of(trigger.device)}: {trigger.words} does that.")

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
        self._sender.forget()
        self._send_plan()
        self.network.renew()

    def _source(self) -> str:
        return written(self.store.home.resolve()) if self.store.home else ""

    def _lost(self) -> None:
        self._client, self.welcome = None, None
        self._sender.forget()
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

    def _mind_processes(self, status: Status, now_s: float) -> None:
        """Start again what has gone and is wanted."""
        self._mind_standins(status, now_s)
        starting = status.peers is not None and status.peers.state == "starting"
        if starting and now_s >= self._network_again:
            self._network_again = now_s + NETWORK_AGAIN_S
            let_go(start_network())

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
        self._plan_changed = True
        if old.rig is not new.rig:
            self.network.settings_changed()
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
        for message in self._sender.messages(load_message(self.project, plan)):
            self._client.send(message)
        self.network.document_sent()
        self.checking.tell_again()

    def _plan(self, song: Song) -> Plan:
        """What the engine is to play. EditError where that cannot be cut."""
        if self.teaching is not None:
            return teach_plan(self.project, self.teaching, song.bpm, self._source())
        running = self.running_set
        if self.joined() is not None and running is not None:
            plan = make_set_plan(self.project, running, self._source(), dropped=self.dropped)
        else:
            plan = make_plan(self.project, song, self._source())
        return msgspec.structs.replace(plan, song=paced(plan.song, self.pace))

    def tell(self, message: ToEngine) -> None:
        """Say something to the engine, where one is there for this project."""
        if self._client is not None and self.link == "on":
            self._client.send(message)

    def say(self, level: Literal["info", "warn", "error"], text: str) -> None:
        """Something for the performer to read; it goes into the log, too."""
        place = f" [beat {self.tick_now() / TICKS_PER_QUARTER:.1f}]" if self.running else ""
        log_told(_log, level, text, place)
        self.notice = Notice(level=level, text=text)
