"""The engine: plans ahead, sends at the deadline, answers windows in between."""

from __future__ import annotations

import gc
import logging
import os
from heapq import heappop, heappush

import msgspec

from grebe.core.player.commands import PLAYED, Begin, Command, Halt, Rejoin
from grebe.core.player.events import (
    SAID,
    Continue,
    ControlChange,
    DeviceEvent,
    Due,
    MutesDropped,
    NoteOff,
    ProgramChange,
    SectionStarts,
    Shared,
    SongEnds,
    Start,
    Stop,
    TempoChange,
)
from grebe.core.player.loopers import TrackCommand
from grebe.core.player.player import Player
from grebe.core.session.shared import limited_bpm
from grebe.core.sync.midi_clock import Go, Halted
from grebe.core.sync.reclock import SmoothedTimeline
from grebe.core.time.tempo import TempoPoint
from grebe.core.time.ticks import CLOCK_TICKS, next_multiple
from grebe.engine.connections import Connections
from grebe.engine.controls import Controls
from grebe.engine.device_output import DeviceOutput
from grebe.engine.idle import IdleTicks
from grebe.engine.inputs import PULSES
from grebe.engine.limits import (
    BEGIN_AFTER_NS,
    CLOCK_BYTE,
    HEAR_UNTIL_NS,
    IDLE_CLOCK,
    IDLE_NS,
    JOIN_AFTER_NS,
    LOOKAHEAD_NS,
    PLAN_AT_LAST_NS,
    PLAN_EVERY_NS,
    POLL_AT_LAST_NS,
    POLL_EVERY_NS,
    PORTS_EVERY_NS,
    REPORT_FIGURES,
    SLACK_NS,
    SPIN_NS,
    START_LEAD_NS,
    STATUS_EVERY_NS,
    STOOD_STILL_NS,
)  # fmt: skip
from grebe.engine.listening import Listening
from grebe.engine.loading import LOADS, Loading, only_patterns
from grebe.engine.peering import ABOUT_PEERS, Peering
from grebe.engine.place import Bars, note_told, place_of
from grebe.engine.playing_in import PlayingIn
from grebe.engine.ports import PortBook
from grebe.engine.server import Connection, Windows
from grebe.engine.sources.jack import JackFollowing
from grebe.engine.sources.session import PeerFollowing
from grebe.engine.timeline import Timeline
from grebe.engine.watch import InputWatch
from grebe.errors import GrebeError, PortLost
from grebe.protocols.link.messages import (
    LINK_VERSION,
    AskReport,
    ClearCounters,
    Do,
    FiguresReport,
    FromEngine,
    Hello,
    Learn,
    Learned,
    Listen,
    Load,
    Loaded,
    Notice,
    Panic,
    Shutdown,
    Status,
    Strike,
    ToEngine,
    Welcome,
)
from grebe.protocols.midi.messages import NOTE_OFF, STOP, encode
from grebe.transports.clock import MonotonicClock as TimeSource
from grebe.transports.clock import RawClock, Sleep
from grebe.transports.jack.transport import TransportPosition

_log = logging.getLogger(__name__)


class Engine:
    """One engine: a player, its devices, its windows."""

    def __init__(
        self,
        server: Windows,
        *,
        realtime: bool,
        priority_help: str,
        clock: TimeSource | None = None,
        ports: PortBook | None = None,
        silence_first: bool = False,
    ) -> None:
        """`clock` and `ports` are the real ones unless given; `silence_first` after a kill."""
        self._server = server
        self._clock: TimeSource = clock if clock is not None else RawClock()
        self._now_ns = self._clock.now_ns
        self._realtime = realtime
        self._priority_help = priority_help
        self._spin_ns = SPIN_NS if realtime else 0
        self._connections = Connections(self._tell, self._where, self._clock, ports or PortBook())
        self._connections.left_sounding = silence_first
        self._listening = Listening(self._connections)
        self._playing_in = PlayingIn(self._connections)
        self._controls = Controls(self._connections, self._asked_by_pedal, self._panic, self._tell)
        self._peering = Peering(server, self._connections)
        self._bars = Bars()
        self._loading = Loading()
        self._player: Player | None = None
        self._timeline: Timeline | SmoothedTimeline | None = None
        self._watch = InputWatch(self._connections, self._tell)
        self._queue: list[
            tuple[int, int, str, DeviceEvent | SectionStarts | MutesDropped | SongEnds]
        ] = []
        self._serial = 0
        self._bytes: dict[DeviceEvent, bytes] = {}
        self._section = ("", 0)
        self._next: tuple[str, int, bool] = ("", 0, False)
        self._last_word = 0
        self._lookahead_ns = LOOKAHEAD_NS
        self._last_plan = self._last_poll = self._last_status = self._last_ports = 0
        self._last_wanted = self._now_ns()
        self._spoken = False
        """Whether a window waits to be heard."""
        self._idle = IdleTicks(self._connections, self._tick_while_stopped)
        self._base_ns = 0
        """When the first tick of this run is due."""
        self._sleep = Sleep()
        self._held: list[Due] = []
        """Of the beginning of a run in a session: what is not planned for yet."""
        self._in_session = False
        """Whether what plays is drawn to a session."""
        self._leaving = False
        self._last_turn = 0
        self._missed_before = 0
        """What was due before this is not sent any more: boxes come in on the next bar."""

    def leave(self, why: str) -> None:
        """End soon: what plays is stopped and silenced first."""
        _log.info("asked to end: %s", why)
        self._leaving = True

    def run(self) -> None:
        """Serve until told to end, or not needed. What goes wrong is raised when all is silent."""
        try:
            self._serve()
        except BaseException as error:
            text = (
                f"The engine had to end by a mistake of its own ({type(error).__name__}): every "
                "box is silenced. Another is started; what happened is in the log."
            )
            self._tell(Notice(level="error", text=text))
            raise
        finally:
            self._close()

    def _serve(self) -> None:
        while not self._leaving:
            now = self._now_ns()
            stood_ns, self._last_turn = now - (self._last_turn or now), now
            if stood_ns > STOOD_STILL_NS:
                self._stood_still(now, stood_ns)
            due_soon = bool(self._queue) and self._queue[0][0] - now < SLACK_NS
            since_plan = now - self._last_plan
            if since_plan >= PLAN_EVERY_NS and (not due_soon or since_plan >= PLAN_AT_LAST_NS):
                self._last_plan = now
                self._plan_ahead(now, since_plan)
            self._send_due()
            now = self._now_ns()
            deadline = self._queue[0][0] if self._queue else now + POLL_EVERY_NS
            since_poll = now - self._last_poll
            free = deadline - now > SLACK_NS
            wanted = self._spoken or since_poll >= POLL_EVERY_NS
            if wanted and (free or since_poll >= POLL_AT_LAST_NS):
                self._last_poll, self._spoken = now, False
                self._poll(now)
                now = self._now_ns()
            wake = min(deadline, now + POLL_EVERY_NS)
            due = bool(self._queue) and self._queue[0][0] <= wake
            until = self._queue[0][0] if due else wake
            if not self._wait_for_words(until - HEAR_UNTIL_NS):
                self._clock.sleep_until_ns(until, self._spin_ns if due else 0)

    def _tell(self, message: FromEngine, *, status: bool = False) -> None:
        """Say something to windows; what is meant to be read goes into the log, with its place."""
        if isinstance(message, Notice):
            note_told(message, self._player, self._timeline, self._now_ns())
        self._server.tell(message, status=status)

    def _stood_still(self, now: int, stood_ns: int) -> None:
        """The process was stopped, or got no processor: say so, put boxes back on their bar.

        What was due meanwhile is not poured out at once: ticks in a burst would make boxes race.
        """
        if not self._running:
            return
        self._missed_before = now
        self._plan_ahead(now, stood_ns)
        waiting, self._queue = self._queue, []
        for entry in waiting:
            due_ns, _, device, event = entry
            if due_ns >= now or isinstance(event, SAID):
                heappush(self._queue, entry)
            else:
                self._send_late(self._connections.outputs.get(device), event, now)
        self._send_due()
        for device in dict.fromkeys(self._connections.via.values()):
            self._command(Rejoin(device=device))
        text = (
            f"The engine stood still for {stood_ns / 1e9:.1f} s: it was stopped, or got no "
            "processor. Boxes come in again on the next bar."
        )
        self._tell(Notice(level="warn", text=text))

    def _send_late(self, output: DeviceOutput | None, event: DeviceEvent, now: int) -> None:
        """Of what was due while nothing could be sent: what ends notes, and what stays set."""
        lasts = (NoteOff, Stop, ControlChange, ProgramChange)
        if output is not None and isinstance(event, lasts):
            self._send(output, event, now)

    def _wait_for_words(self, until_ns: int) -> bool:
        """Wait for what comes in from boxes and windows; whether a window has spoken.

        What a window says is then heard at once, if nothing is due too soon.
        """
        windows = self._server.sockets()
        if not windows and not self._connections.inputs.listening:
            return False
        while True:
            heard, spoken = self._connections.inputs.wait(until_ns, windows)
            if heard:
                self._pass_on()
            if spoken:
                self._spoken = True
                return not self._queue or self._queue[0][0] - self._now_ns() > SLACK_NS
            if not heard:
                return False

    def _pass_on(self) -> None:
        """Send what has come in and has a route; go and halt with the box that leads."""
        sendings, gone = self._connections.inputs.hear()
        self._connections.send_all(sendings)
        led, self._connections.inputs.led = self._connections.inputs.led, []
        self._take_words(self._connections.following.hear(led))
        self._take_presses()
        for source in gone:
            name = self._connections.name(source.removesuffix(PULSES))
            text = f"{name} is no longer heard: {self._connections.inputs.lost[source]}."
            self._tell(Notice(level="warn", text=text))

    def _take_words(self, words: list[Go | Halted]) -> None:
        """Go and halt with what leads."""
        session = self._connections.session
        for word in words:
            if isinstance(word, Go) and session is not None and session.ready:
                session.begin_with_session(word.at_s, self._now_ns(), self._lookahead_ns)
            elif isinstance(word, Go):
                self._go(word)
            else:
                self._halt()

    def _take_presses(self) -> None:
        """The pedal that panics, and a press that was waited for."""
        inputs = self._connections.inputs
        if inputs.panicked:
            inputs.panicked = False
            self._panic()
        if inputs.touches:
            self._controls.take(self._player, self._bpm_now())
        learned, inputs.learned = inputs.learned, None
        if learned is not None:
            self._server.tell(Learned(trigger=learned))

    def _asked_by_pedal(self, command: Command) -> None:
        self._command(command)
        self._last_status = 0  # windows see at once that it was taken

    def _bpm_now(self) -> float:
        timeline = self._timeline
        if timeline is None:
            return 0.0
        return timeline.bpm_at(int(timeline.tick_at(self._now_ns())))

    # Playing

    @property
    def _running(self) -> bool:
        return self._timeline is not None

    def _plan_ahead(self, now: int, passed_ns: int) -> None:
        self._take_words(self._connections.following.poll(now))
        player, timeline = self._player, self._timeline
        for output in self._connections.outputs.values():
            output.slew(passed_ns)
        if player is not None and self._connections.idle:
            horizon = now + self._lookahead_ns
            until = horizon if timeline is None else min(horizon, self._base_ns)
            self._idle.tick(player.plan.song.bpm, now, until)
        if player is not None and timeline is None:
            self._come_in(player, now)
            timeline = self._timeline
        if player is None or timeline is None or not player.running:
            return
        timeline = self._in_or_out_of_session(timeline, now)
        if isinstance(timeline, SmoothedTimeline):
            self._connections.following.steer(timeline, now + self._lookahead_ns)
        until = int(timeline.tick_at(now + self._lookahead_ns))
        if self._held:
            ready = [due for due in self._held if due[0] <= until]
            self._held = self._held[len(ready) :]
            self._enqueue(ready)
        if until > player.tick:
            self._enqueue(player.advance(until))

    def _tick_while_stopped(self, wire: str, at_ns: int) -> None:
        output = self._connections.outputs.get(wire)
        if output is None:
            return
        due_ns = at_ns + output.offset_ns
        if output.port is not None and output.port.stamped:
            self._send(output, IDLE_CLOCK, due_ns)
        else:
            self._serial += 1
            heappush(self._queue, (due_ns, self._serial, wire, IDLE_CLOCK))

    def _enqueue(self, dues: list[Due]) -> None:
        for tick, device, event in dues:
            if isinstance(event, TempoChange):
                if isinstance(self._timeline, Timeline):  # a leader's tempo is its own
                    self._timeline.add(event.point)
                elif isinstance(self._connections.following, PeerFollowing):
                    self._connections.following.song_tempo(event.point)
                continue
            assert self._timeline is not None
            due_ns = self._timeline.ns_at(tick)
            self._serial += 1
            if isinstance(event, SAID):
                heappush(self._queue, (due_ns, self._serial, "", event))
                continue
            wire = self._connections.via.get(device, "")
            output, meant = (
                self._connections.outputs.get(wire),
                self._connections.outputs.get(device),
            )
            if event is Shared.PULSE:
                if meant is not None:
                    self._connections.lines.pulse(device, due_ns + meant.offset_ns)
                continue
            if output is None or meant is None:
                continue
            due_ns += meant.offset_ns
            if isinstance(event, (Start, Continue)):
                due_ns -= START_LEAD_NS
            if due_ns < self._missed_before:
                self._send_late(output, event, self._missed_before)
            elif output.port is not None and output.port.stamped:
                self._send(output, event, due_ns)
            else:
                heappush(self._queue, (due_ns, self._serial, wire, event))

    def _send_due(self) -> None:
        queue = self._queue
        ticks: list[tuple[str, int, int]] = []
        while queue and queue[0][0] <= self._now_ns() + (1_000 if self._realtime else 0):
            due_ns, _, device, event = heappop(queue)
            output = self._connections.outputs.get(device)
            if event is Shared.CLOCK and output is not None and output.port is not None:
                late_ns = self._now_ns() - due_ns
                try:
                    output.port.send(CLOCK_BYTE, due_ns)
                except PortLost as error:
                    self._connections.lost(output, error)
                else:
                    ticks.append((device, due_ns, late_ns))
            elif isinstance(event, SectionStarts):
                self._section = (event.section, event.tick)
                if self._player is not None:
                    self._bars.enter(self._player.plan, event)
            elif isinstance(event, MutesDropped):
                self._watch.dropped(event)
            elif isinstance(event, SongEnds):
                self._ended()
            elif output is not None:  # it may have left the rig since this was planned
                self._send(output, event, due_ns)
        for wire, due_ns, late_ns in ticks:  # counted when all of them are out
            for output in self._connections.sharing.get(wire, ()):
                output.tick_sent(due_ns, late_ns / 1e6)

    def _send(self, output: DeviceOutput, event: DeviceEvent, due_ns: int) -> None:
        port = output.port
        if port is None:
            return
        data = self._bytes.get(event)
        if data is None:
            data = self._bytes[event] = encode(event)
        try:
            port.send(data, due_ns)
            if isinstance(event, (Start, Continue)):
                self._connections.started(output.device.id)
            elif isinstance(event, Stop):
                self._connections.stopped(output.device.id)
            if event is Shared.CLOCK:  # a port that stamps: it says later how late it was
                for sharing in self._connections.sharing.get(output.device.id, ()):
                    sharing.tick_sent(due_ns, None)
        except PortLost as error:
            self._connections.lost(output, error)

    def _begin(self, command: Begin) -> None:
        player = self._player
        if player is None or self._running:
            return
        following = self._connections.following
        if isinstance(following, PeerFollowing):
            following.begin(command, self._now_ns(), self._lookahead_ns)
            return
        if following.device:
            self._wait_for_leader(player)
            return
        dues = player.apply(command)
        now = self._now_ns()
        first = next(e.point for _, _, e in dues if isinstance(e, TempoChange))
        anchor = now + BEGIN_AFTER_NS + self._lookahead_ns - LOOKAHEAD_NS
        self._timeline = Timeline(first, anchor)
        self._base_ns = self._timeline.ns_at(player.boundary)
        if command.at_ns is not None and command.at_ns > self._base_ns:
            self._timeline = Timeline(first, anchor + command.at_ns - self._base_ns)
            self._base_ns = command.at_ns
        elif (
            self._connections.idle and self._idle.next_ns
        ):  # the downbeat is one of the ticks that go on
            late = (self._idle.next_ns - self._base_ns) % self._idle.period_ns
            self._timeline = Timeline(first, anchor + round(late))
            self._base_ns += round(late)
        self._set_off(player, dues)

    def _wait_for_leader(self, player: Player) -> None:
        """Come in with the box that leads: on its next bar when it runs, else when it starts."""
        following = self._connections.following
        assert not isinstance(following, PeerFollowing)  # that comes in by `_come_in`
        if following.running:
            now = self._now_ns()
            soon = int(following.tick_at(now + JOIN_AFTER_NS))
            self._go(following.join(player.bar_after(soon), now))
            return
        if not player.plan.follows_starts or isinstance(following, JackFollowing):
            word = following.begin_by_hand(self._now_ns())
            self._take_words([word] if word is not None else [])
            if word is None and not isinstance(following, JackFollowing):
                text = f"Coming in with {self._connections.name(following.device)}'s next tick."
                self._tell(Notice(level="info", text=text))
            return
        if not self._connections.press(start=True):  # a hand on the box
            text = f"Waiting for {self._connections.name(following.device)} to start."
            self._tell(Notice(level="info", text=text))

    def _go(self, word: Go) -> None:
        """The leader has started, or is joined: the song from its position, on its clock."""
        player, following = self._player, self._connections.following
        if player is None or self._running or isinstance(following, PeerFollowing):
            return
        if word.tick >= player.plan.layout().ticks:
            text = f"{self._connections.name(following.device)} is past the song's end."
            self._tell(Notice(level="info", text=text))
            return
        dues = player.apply(Begin(tick=word.tick))
        self._timeline = following.timeline(word.tick, word.at_s, player.plan.song.bpm)
        self._set_off(player, dues)

    def _come_in(self, player: Player, now: int) -> None:
        """Set off in the session when it is time to."""
        session, ahead_ns = self._connections.following, self._lookahead_ns
        coming = session.comes(now, ahead_ns) if isinstance(session, PeerFollowing) else None
        if coming is None or not isinstance(session, PeerFollowing):
            return
        dues = player.apply(coming[0])
        first = next(e.point for _, _, e in dues if isinstance(e, TempoChange))
        base = player.boundary
        self._timeline = session.set_off(first.tick, base, first.bpm, now, ahead_ns, coming[1])
        self._base_ns = self._timeline.ns_at(base)
        # All but the tempo waits until it is planned for: by then it is known when it is due.
        told = [due for due in dues if isinstance(due[2], TempoChange)]
        self._held = sorted((d for d in dues if d not in told), key=lambda due: due[0])
        self._set_off(player, told)

    def _in_or_out_of_session(
        self, timeline: Timeline | SmoothedTimeline, now: int
    ) -> Timeline | SmoothedTimeline:
        """A session was joined or left while something plays: it goes on from where it is."""
        following, horizon = self._connections.following, now + self._lookahead_ns
        if isinstance(following, PeerFollowing) and not following.has_song:
            tick, bpm = timeline.tick_at(horizon), timeline.bpm_at(int(timeline.tick_at(horizon)))
            timeline = following.take_over(tick, self._section[1], horizon, bpm)
        elif self._in_session and not isinstance(following, PeerFollowing):
            tick = int(timeline.tick_at(horizon)) + 1
            bpm = limited_bpm(timeline.bpm_at(tick))
            timeline = Timeline(TempoPoint(tick=tick, bpm=bpm), round(timeline.ns_at(tick)))
        self._in_session = isinstance(following, PeerFollowing)
        self._timeline = timeline
        return timeline

    def _downbeat_ns(self) -> int | None:
        """When the section that plays began, for a session that begins here to go by."""
        timeline = self._timeline
        return None if timeline is None else timeline.ns_at(self._section[1])

    def _set_off(self, player: Player, dues: list[Due]) -> None:
        self._bars.begin(player.plan, player.section)
        if self._connections.transport is not None and self._timeline is not None:
            base = player.boundary
            seconds = player.plan.layout().tempo.seconds_at(base)
            self._connections.transport.roll(self._timeline.ns_at(base), seconds)
        self._section = (player.section, player.boundary)
        for device, output in self._connections.outputs.items():
            started = self._connections.via.get(device) in player.plan.started
            output.begin(player.boundary, started=started)
        if self._timeline is not None:
            base_ns = self._timeline.ns_at(player.boundary)
            self._connections.lines.begin()
            for device, output in self._connections.outputs.items():
                self._connections.lines.start(device, base_ns + output.offset_ns)
        self._enqueue(dues)

    def _where(self, at_ns: int) -> TransportPosition | None:
        """The place of the song at a time, for JACK's callback."""
        timeline = self._timeline
        return None if timeline is None else self._bars.place(timeline, at_ns)

    def _stop_key(self) -> None:
        """The performer stops: a stand-in that leads is stopped by hand too."""
        self._connections.press(start=False)
        player, following = self._player, self._connections.following
        told = player is not None and not player.plan.follows_starts
        if told or isinstance(following, (JackFollowing, PeerFollowing)):
            following.end_by_hand(self._now_ns())
        self._halt()

    def _halt(self) -> None:
        """Stop now: what has not gone out is dropped, except the ends of notes."""
        if self._player is None or not self._running:
            return
        dues = self._player.apply(Halt())
        waiting, self._queue = self._queue, []
        now = self._now_ns()
        ends = [(now, device, e) for _, _, device, e in waiting if isinstance(e, NoteOff)]
        for output in self._connections.outputs.values():
            if output.port is not None:
                for data in output.port.discard():
                    if data[0] & 0xF0 == NOTE_OFF or (data[0] == STOP and not dues):
                        self._connections.send_raw(output, data)
        if not dues:  # the player had already come to the song's end
            dues = [
                (0, d, e) for _, _, d, e in waiting if isinstance(e, (NoteOff, Stop, ControlChange))
            ]
        for _, device, event in [*ends, *dues]:
            reached = self._connections.outputs.get(self._connections.via.get(device, device))
            if reached is not None and not isinstance(event, (TempoChange, *SAID)):
                self._send(reached, event, now)
        self._ended()

    def _panic(self) -> None:
        """Stop, then silence every channel of every port."""
        self._stop_key()
        self._connections.inputs.release()  # silenced with everything else
        self._connections.silence_all()
        self._tell(Notice(level="info", text="All notes off, all sound off, stopped."))

    def _ended(self) -> None:
        timeline = self._timeline
        if timeline is not None:  # where clock goes on while stopped, it goes on in step
            now_tick = int(timeline.tick_at(self._now_ns()))
            coming = next_multiple(now_tick + 1, CLOCK_TICKS)
            self._idle.go_on(float(timeline.ns_at(coming)), timeline.bpm_at(now_tick))
        self._timeline = None
        self._held.clear()
        if self._connections.session is not None:
            self._connections.session.ended()
        self._connections.lines.stop()
        if self._connections.transport is not None:
            self._connections.transport.stop()
        self._next = ("", 0, False)
        gc.collect()  # switched off while playing

    def _load(self, message: Load, asked_by: Connection) -> None:
        plan = message.plan.plan
        player = self._player
        if self._running and player is not None:
            if (plan.source, plan.song.id) != (player.plan.source, player.plan.song.id):
                text = (
                    f"{player.plan.song.name} is playing; stop it before loading {plan.song.name}."
                )
                self._tell_one(asked_by, Notice(level="warn", text=text))
                return
            self._enqueue(player.apply(message.plan))
        else:
            self._player = player = Player(plan)
            self._section = (player.section, 0)
        before, self._loading.loaded = self._loading.loaded, message
        if before is None or not only_patterns(before, message):
            self._controls.set(plan.bindings)
            self._connections.load(message, plan, running=self._running)
            self._controls.relight()
        if isinstance(self._connections.following, JackFollowing):
            self._connections.following.song_is(player)
        self._lookahead_ns = LOOKAHEAD_NS + self._connections.earliest_ns
        song = player.plan.song
        self._server.tell(Loaded(song=song.id, project=plan.project, source=plan.source))

    # Windows

    def _poll(self, now: int) -> None:
        self._playing_in.poll(now)
        for connection, message in self._server.poll():
            try:
                self._answer(connection, message)
            except GrebeError as error:
                self._tell_one(connection, Notice(level="error", text=str(error)))
            except Exception as error:  # a mistake of ours must not stop the clock
                _log.exception("a message could not be answered: %s", type(message).__name__)
                text = f"The engine could not do that ({error!r}). What plays goes on."
                connection.send(Notice(level="error", text=text))
        if now - self._last_status >= STATUS_EVERY_NS:
            self._last_status = now
            self._connections.collect()
            self._mend_torn()
            self._watch.look(now, running=self._running)
            if self._connections.inputs.listening:
                self._pass_on()  # what a box played may have come with its reports
            self._controls.light(self._player)
            self._server.tell(self._status(), status=True)
        slept_s = self._sleep.noticed_s()
        if slept_s and self._running:
            self._halt()
            text = f"The machine slept for {slept_s:.0f} s: stopped. Space runs again."
            self._tell(Notice(level="warn", text=text))
        if now - self._last_ports >= PORTS_EVERY_NS / max(1, len(self._connections.outputs)):
            self._last_ports = now
            back = self._connections.look_after_a_port()
            if back:
                self._controls.relight()
            if back and self._running:
                self._command(Rejoin(device=back))
        if self._running or any(not c.network for c in self._server.connections):
            self._last_wanted = now
        elif now - self._last_wanted > IDLE_NS:
            self.leave("nobody has needed it for a while")

    def _mend_torn(self) -> None:
        """After JACK lost time: boxes that may be a tick short are put right on the next bar."""
        torn = self._connections.torn()
        if torn and self._running:
            for device in torn:
                self._command(Rejoin(device=device, stop_now=False))
            self._watch.torn(torn)

    def _answer(self, connection: Connection, message: ToEngine) -> None:
        if isinstance(message, Hello):
            self._greet(connection, message)
        elif not connection.greeted:
            connection.close()
        elif isinstance(message, LOADS):
            load = self._loading.take(message)
            if isinstance(load, Load):
                self._load(load, connection)
            elif load is not None:
                connection.send(load)
        elif isinstance(message, Begin):
            self._begin(message)
        elif isinstance(message, Halt):
            self._stop_key()
        elif isinstance(message, PLAYED):
            self._command(message)
            self._last_status = 0  # whoever asked sees at once that it was taken
        elif isinstance(message, Strike):
            self._playing_in.strike(message, self._now_ns())
        elif isinstance(message, Listen):
            self._listening.begin(message)
        elif isinstance(message, Learn):
            self._connections.inputs.learn(message.device, self._connections.outputs)
        elif isinstance(message, Panic):
            self._panic()
        elif isinstance(message, Shutdown):
            self._halt()
            self.leave("by a window")
        elif isinstance(message, ABOUT_PEERS):
            self._peering.take(message, self._now_ns(), self._downbeat_ns())
        elif isinstance(message, Do):
            self._controls.do(message.action, self._player, down=message.down)
        elif isinstance(message, ClearCounters):
            for output in self._connections.outputs.values():
                output.clear()
        elif isinstance(message, AskReport):
            self._connections.collect()
            outputs = self._connections.outputs.values()
            most = REPORT_FIGURES // max(1, len(outputs))
            rows = tuple(output.report(most) for output in outputs)
            connection.send(FiguresReport(devices=rows))

    def _greet(self, connection: Connection, hello: Hello) -> None:
        plan = self._player.plan if self._player else None
        connection.greeted = True
        connection.wants_status = hello.wants_status and hello.version == LINK_VERSION
        connection.network = hello.role == "network"
        connection.send(
            Welcome(
                version=LINK_VERSION,
                pid=os.getpid(),
                priority="fifo" if self._realtime else "none",
                priority_help=self._priority_help,
                project=plan.project if plan else "",
                source=plan.source if plan else "",
                song=plan.song.id if plan else "",
                running=self._running,
            )
        )
        if connection.network:
            self._peering.greet(connection)

    def _command(self, command: Command) -> None:
        if self._player is not None:
            dues = self._player.apply(command)
            if self._running:
                self._enqueue(dues)
            elif isinstance(command, TrackCommand):  # a loop can be recorded with nothing running
                self._send_now(dues)

    def _send_now(self, dues: list[Due]) -> None:
        """Send what belongs to no run."""
        for _, device, event in dues:
            output = self._connections.outputs.get(self._connections.via.get(device, device))
            if output is not None and not isinstance(event, (TempoChange, *SAID)):
                self._send(output, event, self._now_ns())

    def _status(self) -> Status:
        now = self._now_ns()
        player, timeline = self._player, self._timeline
        if player is not None and (timeline is None or player.section == self._section[0]):
            # While the player is already in the coming section, what was
            # true of this one stays on show until it is over.
            self._next = (player.next_section, player.boundary, player.launched)
            self._last_word = player.last_word if timeline is not None else 0
        heard = self._listening.heard(timeline, now)
        connections = self._connections
        deviations = (
            *(d for o in connections.outputs.values() for d in o.deviations()),
            *self._listening.departures(timeline, heard),
        )
        return msgspec.structs.replace(
            place_of(player, timeline, now),
            section=self._section[0],
            section_tick=self._section[1],
            next_section=self._next[0],
            boundary=self._next[1],
            launched=self._next[2],
            last_word=self._last_word,
            devices=connections.statuses(),
            overruns=connections.ports.overruns,
            peers=self._peering.status(now),
            deaf=self._controls.deaf(),
            follows=connections.following.device,
            hearing=self._watch.hearing,
            heard_bpm=connections.following.bpm,
            heard_jitter_ms=connections.following.jitter_ms,
            heard_off_ms=connections.following.off_ms(timeline, now),
            heard=heard,
            played=self._playing_in.told(timeline),
            deviations=deviations,
        )

    def _close(self) -> None:
        """Stop, note ends, all notes off on every box; then let go. What fails stops no other."""
        connections = self._connections
        steps = (
            self._halt, connections.silence_all, connections.say_goodbye, connections.settle,
            connections.close, self._server.close,
        )  # fmt: skip
        for step in steps:
            try:
                step()
            except Exception:
                _log.exception("while ending")

    def _tell_one(self, connection: Connection, notice: Notice) -> None:
        note_told(notice, self._player, self._timeline, self._now_ns())
        connection.send(notice)
