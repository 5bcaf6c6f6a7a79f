"""The engine: plans ahead, sends at the deadline, answers windows in between."""

from __future__ import annotations

import gc
import os
from heapq import heappop, heappush

import msgspec

from grebe.core.player.commands import (
    Again,
    Begin,
    Command,
    Halt,
    Hold,
    Launch,
    Mute,
    Skip,
)
from grebe.core.player.events import (
    Continue,
    ControlChange,
    DeviceEvent,
    Due,
    NoteOff,
    SectionStarts,
    Shared,
    SongEnds,
    Start,
    Stop,
    Tempo,
)
from grebe.core.player.player import Player
from grebe.core.rig.model import Device, Port
from grebe.core.rig.standin import Setup
from grebe.core.sync.led import Go
from grebe.core.sync.reclock import Reclock
from grebe.engine.ears import Ears, Sending
from grebe.engine.following import Following, Hearing
from grebe.engine.outlet import Outlet
from grebe.engine.ports import PortBook
from grebe.engine.server import Connection, Server
from grebe.engine.timeline import Timeline
from grebe.errors import GrebeError, PortLost
from grebe.link.messages import (
    LINK_VERSION,
    AskReport,
    ClearCounters,
    Hello,
    Load,
    Loaded,
    Notice,
    Panic,
    Report,
    Shutdown,
    Status,
    ToEngine,
    Welcome,
)
from grebe.protocols.midi import NOTE_OFF, STOP, encode, silence
from grebe.protocols.standin import encode_setup, goodbye, press
from grebe.wires.clock import raw_ns, sleep_until_ns

LOOKAHEAD_NS = 50_000_000
"""How far ahead messages are made: covers a JACK period of 1024 and a slow moment."""
PLAN_EVERY_NS = 5_000_000
PLAN_AT_LAST_NS = 20_000_000
"""Planning waits for a moment with nothing due, but not longer than this."""
POLL_EVERY_NS = 4_000_000
"""How soon a command from a window is seen."""
POLL_AT_LAST_NS = 60_000_000
"""Windows wait for a moment with nothing due, but not longer than this."""
SLACK_NS = 1_500_000
"""Windows are answered only when the next deadline is at least this far away."""
STATUS_EVERY_NS = 33_000_000
PORTS_EVERY_NS = 500_000_000
"""How often each port is looked at, and a lost one tried again while stopped."""
BEGIN_AFTER_NS = 30_000_000
"""From Begin to the first message: time to plan it."""
START_LEAD_NS = 2_000_000
"""Start and Continue go out this long before their first clock; MIDI 1.0 asks for 1 ms."""
CLOCK_BYTE = encode(Shared.CLOCK)
SPIN_NS = 150_000
"""With real-time priority the last stretch before a deadline is spun."""
HEAR_UNTIL_NS = 300_000
"""The last stretch before a deadline is slept, not listened: a timer is nearer than `select`."""
IDLE_NS = 30_000_000_000
"""Stopped and with no window for this long, the engine ends."""
JOIN_AFTER_NS = 100_000_000
"""A running leader is joined on the first bar that is at least this far away."""
STOP_SETTLES_NS = 200_000_000


class Engine:
    """One engine: a player, its devices, its windows."""

    def __init__(self, server: Server, *, realtime: bool, priority_help: str) -> None:
        self._server = server
        self._realtime = realtime
        self._priority_help = priority_help
        self._spin_ns = SPIN_NS if realtime else 0
        self._ports = PortBook()
        self._ears = Ears(self._ports)
        self._player: Player | None = None
        self._outlets: dict[str, Outlet] = {}
        self._via: dict[str, str] = {}
        self._sharing: dict[str, list[Outlet]] = {}
        """By device plugged in: the outlets that get the clock of its wire."""
        self._setups: dict[str, Setup] = {}
        self._timeline: Timeline | Reclock | None = None
        self._following = Following()
        self._hearing: Hearing = ""
        self._queue: list[tuple[int, int, str, DeviceEvent | SectionStarts | SongEnds]] = []
        self._serial = 0
        self._bytes: dict[DeviceEvent, bytes] = {}
        self._section = ("", 0)
        self._next: tuple[str, int, bool] = ("", 0, False)
        self._lookahead_ns = LOOKAHEAD_NS
        self._last_plan = self._last_poll = self._last_status = self._last_ports = 0
        self._looked_at = 0
        self._last_wanted = raw_ns()
        self._leaving = False

    def run(self) -> None:
        """Serve until told to shut down, or until nobody needs it."""
        while not self._leaving:
            now = raw_ns()
            due_soon = bool(self._queue) and self._queue[0][0] - now < SLACK_NS
            since_plan = now - self._last_plan
            if since_plan >= PLAN_EVERY_NS and (not due_soon or since_plan >= PLAN_AT_LAST_NS):
                self._last_plan = now
                self._plan_ahead(now)
            self._send_due()
            now = raw_ns()
            deadline = self._queue[0][0] if self._queue else now + POLL_EVERY_NS
            since_poll = now - self._last_poll
            free = deadline - now > SLACK_NS
            if since_poll >= POLL_EVERY_NS and (free or since_poll >= POLL_AT_LAST_NS):
                self._last_poll = now
                self._poll(now)
                now = raw_ns()
            wake = min(deadline, now + POLL_EVERY_NS)
            due = bool(self._queue) and self._queue[0][0] <= wake
            until = self._queue[0][0] if due else wake
            if self._ears.listening:
                while self._ears.wait(until - HEAR_UNTIL_NS):
                    self._pass_on()
            sleep_until_ns(until, self._spin_ns if due else 0)
        self._close()

    def _pass_on(self) -> None:
        """Send what has come in and has a route; go and halt with the box that leads."""
        sendings, gone = self._ears.hear()
        self._send_all(sendings)
        led, self._ears.led = self._ears.led, []
        for word in self._following.hear(led):
            if isinstance(word, Go):
                self._go(word)
            else:
                self._halt()
        for source in gone:
            text = f"{self._name(source)} is no longer heard: {self._ears.lost[source]}."
            self._server.tell(Notice(level="warn", text=text))

    def _send_all(self, sendings: list[Sending]) -> None:
        for wire, data in sendings:
            outlet = self._outlets.get(wire)
            if outlet is not None:
                self._send_raw(outlet, data)

    def _name(self, device: str) -> str:
        outlet = self._outlets.get(device)
        return outlet.device.name if outlet is not None else device

    # Playing

    @property
    def _running(self) -> bool:
        return self._timeline is not None

    def _plan_ahead(self, now: int) -> None:
        player, timeline = self._player, self._timeline
        if player is None or timeline is None or not player.running:
            return
        if isinstance(timeline, Reclock):
            self._following.steer(timeline, now + self._lookahead_ns)
        until = int(timeline.tick_at(now + self._lookahead_ns))
        if until > player.tick:
            self._enqueue(player.advance(until))

    def _enqueue(self, dues: list[Due]) -> None:
        for tick, device, event in dues:
            if isinstance(event, Tempo):
                if isinstance(self._timeline, Timeline):  # a leader's tempo is its own
                    self._timeline.add(event.point)
                continue
            assert self._timeline is not None
            due_ns = self._timeline.ns_at(tick)
            self._serial += 1
            if isinstance(event, (SectionStarts, SongEnds)):
                heappush(self._queue, (due_ns, self._serial, "", event))
                continue
            wire = self._via.get(device, "")
            outlet, meant = self._outlets.get(wire), self._outlets.get(device)
            if outlet is None or meant is None:
                continue
            due_ns += meant.offset_ns
            if isinstance(event, (Start, Continue)):
                due_ns -= START_LEAD_NS
            if outlet.port is not None and outlet.port.stamped:
                self._send(outlet, event, due_ns)
            else:
                heappush(self._queue, (due_ns, self._serial, wire, event))

    def _send_due(self) -> None:
        queue = self._queue
        ticks: list[tuple[str, int, int]] = []
        while queue and queue[0][0] <= raw_ns() + (1_000 if self._realtime else 0):
            due_ns, _, device, event = heappop(queue)
            outlet = self._outlets.get(device)
            if event is Shared.CLOCK and outlet is not None and outlet.port is not None:
                late_ns = raw_ns() - due_ns
                try:
                    outlet.port.send(CLOCK_BYTE, due_ns)
                except PortLost as error:
                    self._lost(outlet, error)
                else:
                    ticks.append((device, due_ns, late_ns))
            elif isinstance(event, SectionStarts):
                self._section = (event.section, event.tick)
            elif isinstance(event, SongEnds):
                self._ended()
            elif outlet is not None:  # it may have left the rig since this was planned
                self._send(outlet, event, due_ns)
        for wire, due_ns, late_ns in ticks:  # counted when all of them are out
            for outlet in self._sharing.get(wire, ()):
                outlet.tick_sent(due_ns, late_ns / 1e6)

    def _send(self, outlet: Outlet, event: DeviceEvent, due_ns: int) -> None:
        port = outlet.port
        if port is None:
            return
        data = self._bytes.get(event)
        if data is None:
            data = self._bytes[event] = encode(event)
        try:
            port.send(data, due_ns)
            if event is Shared.CLOCK:  # a port that stamps: it says later how late it was
                for sharing in self._sharing.get(outlet.device.id, ()):
                    sharing.tick_sent(due_ns, None)
        except PortLost as error:
            self._lost(outlet, error)

    def _begin(self, command: Begin) -> None:
        player = self._player
        if player is None or self._running:
            return
        if self._following.device:
            self._wait_for_leader(player)
            return
        dues = player.apply(command)
        now = raw_ns()
        first = next(e.point for _, _, e in dues if isinstance(e, Tempo))
        self._timeline = Timeline(first, now + BEGIN_AFTER_NS + self._lookahead_ns - LOOKAHEAD_NS)
        self._set_off(player, dues)

    def _wait_for_leader(self, player: Player) -> None:
        """Come in with the box that leads: on its next bar when it runs, else when it starts."""
        following = self._following
        if following.running:
            now = raw_ns()
            soon = int(following.tick_at(now + JOIN_AFTER_NS))
            self._go(following.join(player.bar_after(soon), now))
            return
        leader = self._outlets.get(following.device)
        if leader is not None and leader.device.port.wire == "standin":
            self._send_raw(leader, press(start=True))  # a hand on the box
        else:
            text = f"Waiting for {self._name(following.device)} to start."
            self._server.tell(Notice(level="info", text=text))

    def _go(self, word: Go) -> None:
        """The leader has started, or is joined: the song from its position, on its clock."""
        player = self._player
        if player is None or self._running:
            return
        dues = player.apply(Begin(tick=word.tick))
        self._timeline = self._following.timeline(word.tick, word.at_s, player.plan.song.bpm)
        self._set_off(player, dues)

    def _set_off(self, player: Player, dues: list[Due]) -> None:
        self._section = (player.section, player.boundary)
        for device, outlet in self._outlets.items():
            started = self._via.get(device) in player.plan.started
            outlet.begin(player.boundary, started=started)
        self._enqueue(dues)

    def _stop_key(self) -> None:
        """The performer stops: a stand-in that leads is stopped by hand too."""
        leader = self._outlets.get(self._following.device)
        if leader is not None and leader.device.port.wire == "standin":
            self._send_raw(leader, press(start=False))
        self._halt()

    def _halt(self) -> None:
        """Stop now: what has not gone out is dropped, except the ends of notes."""
        if self._player is None or not self._running:
            return
        dues = self._player.apply(Halt())
        waiting, self._queue = self._queue, []
        now = raw_ns()
        ends = [(now, device, e) for _, _, device, e in waiting if isinstance(e, NoteOff)]
        for outlet in self._outlets.values():
            if outlet.port is not None:
                for data in outlet.port.discard():
                    if data[0] & 0xF0 == NOTE_OFF or (data[0] == STOP and not dues):
                        self._send_raw(outlet, data)
        if not dues:  # the player had already come to the song's end
            dues = [
                (0, d, e) for _, _, d, e in waiting if isinstance(e, (NoteOff, Stop, ControlChange))
            ]
        for _, device, event in [*ends, *dues]:
            reached = self._outlets.get(self._via.get(device, device))
            if reached is not None and not isinstance(event, (Tempo, SectionStarts, SongEnds)):
                self._send(reached, event, now)
        self._ended()

    def _panic(self) -> None:
        """Stop, then silence every channel of every port."""
        self._stop_key()
        self._ears.release()  # silenced with everything else
        for outlet in self._outlets.values():
            for data in silence():
                self._send_raw(outlet, data)
        self._server.tell(Notice(level="info", text="All notes off, all sound off, stopped."))

    def _send_raw(self, outlet: Outlet, data: bytes) -> None:
        try:
            if outlet.port is not None:
                outlet.port.send(data, raw_ns())
        except PortLost as error:
            self._lost(outlet, error)

    def _ended(self) -> None:
        self._timeline = None
        self._next = ("", 0, False)
        gc.collect()  # switched off while playing

    # Ports

    def _lost(self, outlet: Outlet, error: PortLost) -> None:
        outlet.lose(error)
        text = f"{outlet.device.name}: {error}. The rest play on."
        self._server.tell(Notice(level="warn", text=text))

    def _look_after_a_port(self) -> None:
        """Look at one port, each time another: looking at all of them could cost a tick."""
        if not self._outlets:
            return
        self._looked_at = (self._looked_at + 1) % len(self._outlets)
        outlet = list(self._outlets.values())[self._looked_at]
        if outlet.port is not None:
            try:
                outlet.port.check()
            except PortLost as error:
                self._lost(outlet, error)
        elif outlet.state == "gone" and not self._running:
            try:
                outlet.port = self._ports.open(outlet.device)
                outlet.problem = ""
                outlet.rejoin()
                self._send_setup(outlet)
                self._listen()
            except PortLost as error:
                outlet.problem = str(error)

    def _load(self, message: Load, asked_by: Connection) -> None:
        plan = message.plan.plan
        player = self._player
        if self._running and player is not None:
            if (plan.source, plan.song.id) != (player.plan.source, player.plan.song.id):
                text = (
                    f"{player.plan.song.name} is playing; stop it before loading {plan.song.name}."
                )
                asked_by.send(Notice(level="warn", text=text))
                return
            self._enqueue(player.apply(message.plan))
        else:
            self._player = Player(plan)
            self._section = (self._player.section, 0)
        self._ports.standins = dict(message.standins)
        self._set_outlets(message)
        song = self._player.plan.song if self._player else plan.song
        self._server.tell(Loaded(song=song.id, project=plan.project, source=plan.source))

    def _set_outlets(self, message: Load) -> None:
        plan = message.plan.plan
        known, self._setups = self._setups, dict(message.setups)
        old, self._outlets = self._outlets, {}
        for listed in plan.devices:
            outlet = old.pop(listed.id, None)
            device = self._own_port(listed, plan.via)
            same = outlet is not None and outlet.device.port == device.port
            # A port lost while playing is not tried again with every edit: that takes time.
            if outlet is not None and same and (outlet.port is not None or self._running):
                outlet.change(device)
                if self._setups.get(device.id) != known.get(device.id):
                    self._send_setup(outlet)
            else:
                if outlet is not None:
                    outlet.close()
                try:
                    outlet = Outlet(device, self._ports.open(device), "")
                except PortLost as error:
                    outlet = Outlet(device, None, str(error))
                self._send_setup(outlet)
            self._outlets[device.id] = outlet
        for gone in old.values():
            gone.close()
        self._via = dict(plan.via)
        self._sharing = {
            wire: [self._outlets[d] for d in plan.devices_on(wire) if d in self._outlets]
            for wire in plan.clocked
        }
        for wire, sharing in self._sharing.items():
            for outlet in sharing:
                outlet.clock_of(self._outlets[wire])
        self._listen()
        early = max([0, *(-outlet.offset_ns for outlet in self._outlets.values())])
        self._lookahead_ns = LOOKAHEAD_NS + early

    def _own_port(self, device: Device, via: dict[str, str]) -> Device:
        """A real box behind a thru has no port of its own: its messages go by the first one's."""
        if via.get(device.id, device.id) == device.id or device.port.wire == "standin":
            return device
        return msgspec.structs.replace(device, port=Port(wire="none"))

    def _listen(self) -> None:
        """Open the inputs that routes need; end notes of routes that are gone."""
        plan = self._player.plan if self._player else None
        lost = self._ears.lost
        follows = plan.follows if plan else ""
        leader = self._outlets.get(follows)
        self._following.set(
            follows if leader is not None else "",
            plan.follows_ppqn if plan else 24.0,
            leader.offset_ns if leader is not None else 0,
        )
        passing = plan.passages if plan else ()
        self._send_all(self._ears.set(passing, self._outlets, self._following.device))
        for source, why in self._ears.lost.items():
            if source not in lost:
                text = f"{self._name(source)} cannot be heard: {why}."
                self._server.tell(Notice(level="warn", text=text))

    def _send_setup(self, outlet: Outlet) -> None:
        """Tell a stand-in what it is; a real box is as it is."""
        setup = self._setups.get(outlet.device.id)
        if setup is not None and outlet.port is not None:
            self._send_raw(outlet, encode_setup(setup))

    # Windows

    def _poll(self, now: int) -> None:
        for connection, message in self._server.poll():
            try:
                self._answer(connection, message)
            except GrebeError as error:
                connection.send(Notice(level="error", text=str(error)))
            except Exception as error:  # a mistake of ours must not stop the clock
                text = f"The engine could not do that ({error!r}). What plays goes on."
                connection.send(Notice(level="error", text=text))
        if now - self._last_status >= STATUS_EVERY_NS:
            self._last_status = now
            self._collect()
            self._watch_leader(now)
            if self._ears.listening:
                self._pass_on()  # what a box played may have come with its reports
            self._server.tell(self._status(), status=True)
        if now - self._last_ports >= PORTS_EVERY_NS / max(1, len(self._outlets)):
            self._last_ports = now
            self._look_after_a_port()
        if self._running or self._server.connections:
            self._last_wanted = now
        elif now - self._last_wanted > IDLE_NS:
            self._leaving = True

    def _watch_leader(self, now: int) -> None:
        """Say when the leader's clock is lost, and when it is back."""
        before, self._hearing = self._hearing, self._following.hearing(now)
        if not self._running or before == self._hearing:
            return
        name = self._name(self._following.device)
        if self._hearing == "held":
            text = f"{name}'s clock is lost: its tempo of {self._following.bpm:.2f} BPM is held."
            self._server.tell(Notice(level="warn", text=text))
        elif before == "held" and self._hearing == "clock":
            self._server.tell(Notice(level="info", text=f"{name}'s clock is back."))

    def _answer(self, connection: Connection, message: ToEngine) -> None:
        if isinstance(message, Hello):
            self._greet(connection, message)
        elif not connection.greeted:
            connection.close()
        elif isinstance(message, Load):
            self._load(message, connection)
        elif isinstance(message, Begin):
            self._begin(message)
        elif isinstance(message, Halt):
            self._stop_key()
        elif isinstance(message, (Launch, Hold, Again, Skip, Mute)):
            self._command(message)
        elif isinstance(message, Panic):
            self._panic()
        elif isinstance(message, Shutdown):
            self._halt()
            self._leaving = True
        elif isinstance(message, ClearCounters):
            for outlet in self._outlets.values():
                outlet.clear()
        elif isinstance(message, AskReport):
            self._collect()
            rows = tuple(outlet.report() for outlet in self._outlets.values())
            connection.send(Report(devices=rows))

    def _greet(self, connection: Connection, hello: Hello) -> None:
        plan = self._player.plan if self._player else None
        connection.greeted = True
        connection.wants_status = hello.wants_status and hello.version == LINK_VERSION
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

    def _command(self, command: Command) -> None:
        if self._player is not None:
            dues = self._player.apply(command)
            if self._running:
                self._enqueue(dues)

    def _collect(self) -> None:
        for outlet in self._outlets.values():
            try:
                outlet.collect()
            except PortLost as error:
                self._lost(outlet, error)

    def _status(self) -> Status:
        now = raw_ns()
        tick, bpm = 0.0, 0.0
        player, timeline = self._player, self._timeline
        if player is not None:
            bpm = player.plan.song.bpm
            if timeline is not None:
                tick = timeline.tick_at(now)
                bpm = timeline.bpm_at(int(tick))
            if timeline is None or player.section == self._section[0]:
                # While the player is already in the coming section, what was
                # true of this one stays on show until it is over.
                self._next = (player.next_section, player.boundary, player.launched)
        return Status(
            at_ns=now,
            running=self._running,
            tick=tick,
            bpm=bpm,
            section=self._section[0],
            section_tick=self._section[1],
            next_section=self._next[0],
            boundary=self._next[1],
            launched=self._next[2],
            held=player.held if player else False,
            mutes=player.mutes if player else (),
            devices=tuple(outlet.status() for outlet in self._outlets.values()),
            overruns=self._ports.overruns,
            follows=self._following.device,
            hearing=self._hearing,
            heard_bpm=self._following.bpm,
            heard_waver_ms=self._following.waver_ms,
            heard_off_ms=self._following.off_ms(self._timeline, now),
            deviations=tuple(d for o in self._outlets.values() for d in o.deviations()),
        )

    def _close(self) -> None:
        settled = raw_ns() + STOP_SETTLES_NS  # let the last messages leave a JACK port
        for outlet in self._outlets.values():
            if outlet.device.port.wire == "standin":
                self._send_raw(outlet, goodbye())
        if self._ports.jack is not None:
            sleep_until_ns(settled, 0)
        self._ears.close()
        for outlet in self._outlets.values():
            outlet.close()
        self._ports.close()
        self._server.close()
