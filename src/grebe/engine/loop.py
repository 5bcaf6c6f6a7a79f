"""The engine's loop: plans ahead, sends at the deadline, answers windows in between."""

from __future__ import annotations

import logging

from grebe.core.player.commands import Command, Rejoin
from grebe.engine.connections import Connections
from grebe.engine.controls import Controls
from grebe.engine.dispatch import Dispatch, Process
from grebe.engine.inputs import PULSES
from grebe.engine.limits import (
    HEAR_UNTIL_NS,
    IDLE_NS,
    PLAN_AT_LAST_NS,
    PLAN_EVERY_NS,
    POLL_AT_LAST_NS,
    POLL_EVERY_NS,
    PORTS_EVERY_NS,
    SLACK_NS,
    SPIN_NS,
    STATUS_EVERY_NS,
    STOOD_STILL_NS,
)
from grebe.engine.listening import Listening
from grebe.engine.peering import Peering
from grebe.engine.place import note_told
from grebe.engine.playing_in import PlayingIn
from grebe.engine.ports import Ports
from grebe.engine.server import Connection, Windows
from grebe.engine.status import StatusReport
from grebe.engine.transport import Transport
from grebe.engine.watch import InputWatch
from grebe.protocols.link.messages import FromEngine, Learned, Notice
from grebe.transports.clock import MonotonicClock, RawClock, Sleep
from grebe.transports.jack.transport import TransportPosition
from grebe.words import tr

_log = logging.getLogger(__name__)


class Engine:
    """One engine: a transport, its devices, its windows."""

    def __init__(
        self,
        server: Windows,
        *,
        realtime: bool,
        priority_help: str,
        clock: MonotonicClock | None = None,
        ports: Ports | None = None,
        silence_first: bool = False,
    ) -> None:
        """`clock` and `ports` are the real ones unless given; `silence_first` after a kill."""
        self._server = server
        self._clock: MonotonicClock = clock if clock is not None else RawClock()
        self._now_ns = self._clock.now_ns
        self._spin_ns = SPIN_NS if realtime else 0
        self.connections = Connections(self._tell, self._where, self._clock, ports or Ports())
        self.connections.left_sounding = silence_first
        self.transport = Transport(self.connections, self._clock, self._tell, realtime=realtime)
        self._sending = self.transport.sending
        self._playing_in = PlayingIn(self.connections)
        self._controls = Controls(
            self.connections,
            self._ask,
            self.transport.panic,
            self._tell,
            self._now_ns,
        )
        self._watch = InputWatch(self.connections, self._tell)
        listening = Listening(self.connections)
        peering = Peering(server, self.connections.sources)
        self._report = StatusReport(
            self.connections, self.transport, self._controls, listening=listening,
            playing_in=self._playing_in, peering=peering, watch=self._watch,
        )  # fmt: skip
        self.dispatch = Dispatch(
            Process(realtime, priority_help, self.leave, self._status_now),
            self.transport, self.connections, controls=self._controls, listening=listening,
            playing_in=self._playing_in, peering=peering, now_ns=self._now_ns,
            tell=server.tell, tell_one=self._tell_one,
        )  # fmt: skip
        self._last_plan = self._last_poll = self._last_status = self._last_ports = 0
        self._last_wanted = self._now_ns()
        self._spoken = False
        """Whether a window waits to be heard."""
        self._sleep = Sleep()
        self._leaving = False
        self._last_turn = 0

    def leave(self, why: str) -> None:
        """End soon: what plays is stopped and silenced first."""
        _log.info("asked to end: %s", why)
        self._leaving = True

    def run(self) -> None:
        """Serve until told to end, or not needed. What goes wrong is raised when all is silent."""
        try:
            self._serve()
        except BaseException as error:
            text = tr(
                "The engine had to end by a mistake of its own ({name}): every box is "
                "silenced. Another is started; what happened is in the log.",
                name=type(error).__name__,
            )
            self._tell(Notice(level="error", text=text))
            raise
        finally:
            self._close()

    def _serve(self) -> None:
        sending = self._sending
        while not self._leaving:
            now = self._now_ns()
            stood_ns, self._last_turn = now - (self._last_turn or now), now
            if stood_ns > STOOD_STILL_NS:
                self.transport.stood_still(now, stood_ns)
            due = sending.next_ns
            since_plan = now - self._last_plan
            if since_plan >= PLAN_EVERY_NS and (
                due is None or due - now >= SLACK_NS or since_plan >= PLAN_AT_LAST_NS
            ):
                self._last_plan = now
                self.transport.plan_ahead(now, since_plan)
            sending.send_due()
            now = self._now_ns()
            due = sending.next_ns
            since_poll = now - self._last_poll
            free = due is None or due - now > SLACK_NS
            wanted = self._spoken or since_poll >= POLL_EVERY_NS
            if wanted and (free or since_poll >= POLL_AT_LAST_NS):
                self._last_poll, self._spoken = now, False
                self._poll(now)
                now, due = self._now_ns(), sending.next_ns
            wake = now + POLL_EVERY_NS
            soon = due is not None and due <= wake
            until = due if due is not None and soon else wake
            if not self._wait_for_words(until - HEAR_UNTIL_NS):
                self._clock.sleep_until_ns(until, self._spin_ns if soon else 0)

    def _tell(self, message: FromEngine) -> None:
        """Say something to windows; what is meant to be read goes into the log, with its place."""
        if isinstance(message, Notice):
            self._note(message)
        self._server.tell(message)

    def _tell_one(self, connection: Connection, notice: Notice) -> None:
        self._note(notice)
        connection.send(notice)

    def _note(self, notice: Notice) -> None:
        note_told(notice, self.transport.player, self.transport.timeline, self._now_ns())

    def _where(self, at_ns: int) -> TransportPosition | None:
        return self.transport.where(at_ns)

    def _ask(self, command: Command) -> None:
        self.dispatch.command(command)

    def _status_now(self) -> None:
        self._last_status = 0

    # What comes in

    def _wait_for_words(self, until_ns: int) -> bool:
        """Wait for what comes in from boxes and windows; whether a window has spoken.

        What a window says is then heard at once, if nothing is due too soon.
        """
        windows, inputs = self._server.sockets(), self.connections.inputs
        if not windows and not inputs.listening:
            return False
        while True:
            heard, spoken = inputs.wait(until_ns, windows)
            if heard:
                self._pass_on()
            if spoken:
                self._spoken = True
                due = self._sending.next_ns
                return due is None or due - self._now_ns() > SLACK_NS
            if not heard:
                return False

    def _pass_on(self) -> None:
        """Send what has come in and has a route; go and halt with the box that leads."""
        connections, inputs = self.connections, self.connections.inputs
        sendings, gone = inputs.hear()
        connections.outputs.send_all(sendings)
        self.transport.take(connections.sources.current.hear(inputs.take_led()))
        if inputs.take_panic():
            self.transport.panic()
        if inputs.touches:
            self._controls.take(self.transport.player, self.transport.bpm)
        learned = inputs.take_learned()
        if learned is not None:
            self._server.tell(Learned(trigger=learned))
        for source in gone:
            name = connections.name(source.removesuffix(PULSES))
            text = tr("{name} is no longer heard: {lost}.", name=name, lost=inputs.lost[source])
            self._tell(Notice(level="warn", text=text))

    # Between deadlines

    def _poll(self, now: int) -> None:
        self._playing_in.poll(now)
        for connection, message in self._server.poll():
            self.dispatch.answer(connection, message)
        if now - self._last_status >= STATUS_EVERY_NS:
            self._last_status = now
            self._look_and_tell(now)
        slept_s = self._sleep.noticed_s()
        if slept_s and self.transport.running:
            self.transport.halt()
            text = tr(
                "The machine slept for {slept_s:.0f} s: stopped. Space runs again.", slept_s=slept_s
            )
            self._tell(Notice(level="warn", text=text))
        if now - self._last_ports >= PORTS_EVERY_NS / max(1, len(self.connections.outputs.by_id)):
            self._last_ports = now
            back = self.connections.look_after_a_port()
            if back:
                self._is_back(back)
        for device in self.connections.look_after_news():
            self._is_back(device)
        if self.transport.running or any(not c.network for c in self._server.connections):
            self._last_wanted = now
        elif now - self._last_wanted > IDLE_NS:
            self.leave(tr("nobody has needed it for a while"))

    def _look_and_tell(self, now: int) -> None:
        self.connections.outputs.collect()
        self._mend_torn()
        self._watch.look(now, running=self.transport.running)
        if self.connections.inputs.listening:
            self._pass_on()  # what a box played may have come with its reports
        self._controls.light(self.transport.player)
        self._server.tell(self._report.status(self._now_ns()), status=True)

    def _is_back(self, device: str) -> None:
        """A device that was gone comes in again, on the bar."""
        self._controls.relight()
        if self.transport.running:
            self.transport.command(Rejoin(device=device))

    def _mend_torn(self) -> None:
        """After JACK lost time: boxes that may be a tick short are put right on the next bar."""
        torn = self.connections.outputs.torn()
        if torn and self.transport.running:
            for device in torn:
                self.transport.command(Rejoin(device=device, stop_now=False))
            self._watch.torn(torn)

    def _close(self) -> None:
        """Stop, note ends, all notes off on every box; then let go. What fails stops no other."""
        connections = self.connections
        steps = (
            self.transport.halt, connections.outputs.silence_all, connections.say_goodbye,
            connections.settle, connections.close, self._server.close,
        )  # fmt: skip
        for step in steps:
            try:
                step()
            except Exception:
                _log.exception("while ending")
