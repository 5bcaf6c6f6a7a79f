"""Runs: begun, planned ahead, halted, ended; who gives the time; what a performer asks."""

from __future__ import annotations

import gc
from collections.abc import Callable

from grebe.core.player.commands import Begin, Command, Halt, Rejoin, ReplacePlan
from grebe.core.player.events import Due, MutesDropped, Said, SectionStarts, SongEnds, TempoChange
from grebe.core.player.loopers import TrackCommand
from grebe.core.player.player import Player
from grebe.core.sync.timeline import SongTimeline
from grebe.core.time.tempo import TempoMap
from grebe.core.time.ticks import CLOCK_TICKS, next_multiple
from grebe.engine.connections import Connections
from grebe.engine.idle import IdleTicks
from grebe.engine.limits import LOOKAHEAD_NS, SLOW_NS
from grebe.engine.place import Bars
from grebe.engine.sending import Sending
from grebe.engine.sources.base import (
    ClockSource,
    Enter,
    Leave,
    Moment,
    PressStart,
    RunStart,
    Word,
)
from grebe.protocols.link.messages import Notice
from grebe.transports.clock import MonotonicClock
from grebe.transports.jack.transport import TransportPosition
from grebe.words import tr


class LoadedSong:
    """What sources ask of the song that is loaded."""

    def __init__(self, player: Player) -> None:
        self._player = player

    @property
    def follows_starts(self) -> bool:
        """Whether a box that leads says when to start."""
        return self._player.plan.follows_starts

    @property
    def tempo(self) -> TempoMap:
        """Its tempi as written."""
        return self._player.plan.layout().tempo

    def bar_after(self, tick: int) -> int:
        """The first bar line that is not before a tick."""
        return self._player.bar_after(tick)


class Transport:
    """The player at hand, and the run it is in."""

    def __init__(
        self,
        connections: Connections,
        clock: MonotonicClock,
        tell: Callable[[Notice], None],
        *,
        realtime: bool,
    ) -> None:
        self._connections = connections
        self._now_ns = clock.now_ns
        self._tell = tell
        self.sending = Sending(connections.outputs, clock, self._said, realtime=realtime)
        self.player: Player | None = None
        self.timeline: SongTimeline | None = None
        """Of the run that goes on; None while stopped."""
        self.section: tuple[str, int] = ("", 0)
        """Id of the section that is heard, and the tick of its first bar line."""
        self._source: ClockSource = connections.sources.current
        """Who the timeline belongs to."""
        self._idle = IdleTicks(connections, self.sending.idle_tick)
        self._bars = Bars()
        self._base_ns = 0
        """When the first clock of this run is due."""
        self._held: list[Due] = []
        """Of a run's beginning: what is not planned for yet. Its tempo may still change."""
        self._ahead_ns = LOOKAHEAD_NS
        """How far ahead of the music is planned: a period of JACK's, and the earliest device."""

    # What there is

    @property
    def running(self) -> bool:
        """Whether a run goes on."""
        return self.timeline is not None

    @property
    def bpm(self) -> float:
        """The tempo now; 0 while stopped."""
        timeline = self.timeline
        if timeline is None:
            return 0.0
        return timeline.bpm_at(int(timeline.tick_at(self._now_ns())))

    def where(self, at_ns: int) -> TransportPosition | None:
        """The place of the song at a time; None while stopped. For JACK's callback."""
        timeline = self.timeline
        return None if timeline is None else self._bars.place(timeline, at_ns)

    @property
    def downbeat_ns(self) -> int | None:
        """When the section that is heard began, for a session that begins here to go by."""
        return None if self.timeline is None else self.timeline.ns_at(self.section[1])

    # The loop's

    def plan_ahead(self, now: int, passed_ns: int) -> None:
        """Make what is due soon, and send it where it can be sent early."""
        for output in self._connections.outputs.by_id.values():
            output.slew(passed_ns)
        self._reach()  # the period of JACK is anybody's to change
        self._tick_while_stopped(now)
        self.take(self._connections.sources.current.poll(self._moment(now)))
        player, timeline = self.player, self._drawn(now)
        if player is None or timeline is None or not player.running:
            return
        self._source.steer(now + self._ahead_ns)
        until = int(timeline.tick_at(now + self._ahead_ns))
        self._release(until, timeline)
        if until > player.tick:
            self._plan(player.advance(until))

    def _moment(self, now: int) -> Moment:
        phase = self._idle.phase if self._connections.ticks_while_stopped else None
        return Moment(now, self._ahead_ns, phase)

    def _tick_while_stopped(self, now: int) -> None:
        if self.player is None or not self._connections.ticks_while_stopped:
            return
        until = now + self._ahead_ns
        if self.timeline is not None:
            until = min(until, self._idle.last_before(self._base_ns))
        self._idle.tick(self.player.plan.song.bpm, now, until)

    def _drawn(self, now: int) -> SongTimeline | None:
        """The timeline: what leads may be another since, and it goes on from where it is."""
        current, timeline = self._connections.sources.current, self.timeline
        if timeline is not None and current is not self._source:
            self._source, horizon = current, now + self._ahead_ns
            timeline = self.timeline = current.take_over(timeline, self.section[1], horizon)
        return timeline

    def _release(self, until: int, timeline: SongTimeline) -> None:
        if self._held:
            ready = [due for due in self._held if due[0] <= until]
            self._held = self._held[len(ready) :]
            self.sending.plan(ready, timeline)

    def _plan(self, dues: list[Due]) -> None:
        """Have these sent; the timeline and who leads hear of tempi."""
        timeline = self.timeline
        if timeline is None:
            return
        for _, _, event in dues:
            if isinstance(event, TempoChange):
                timeline.add(event.point)
                self._source.tempo_written(event.point)
        self.sending.plan(dues, timeline)

    def _said(self, event: Said) -> None:
        """Its time has come."""
        if isinstance(event, SectionStarts):
            self.section = (event.section, event.tick)
            if self.player is not None:
                self._bars.enter(self.player.plan, event)
        elif isinstance(event, MutesDropped):
            boxes = dict.fromkeys(self._connections.name(device) for device, _ in event.mutes)
            names = ", ".join(boxes)
            self._inform(
                tr(
                    "Mutes by hand ended with their scene: {names} as the song has it now.",
                    names=names,
                )
            )
        elif isinstance(event, SongEnds):
            self._ended()

    def stood_still(self, now: int, stood_ns: int) -> None:
        """The process was stopped, or got no processor: say so, put boxes back on their bar."""
        if not self.running:
            return
        self.sending.skip(now)
        self.plan_ahead(now, stood_ns)
        for wire in self._connections.outputs.wires:
            self.command(Rejoin(device=wire))
        text = tr(
            "The engine stood still for {value:.1f} s: it was stopped, or got no "
            "processor. Boxes come in again on the next bar.",
            value=stood_ns / 1000000000.0,
        )
        self._tell(Notice(level="warn", text=text))

    # Beginning

    def begin(self, command: Begin) -> None:
        """A performer presses Run: what leads says when."""
        if self.player is not None and not self.running:
            current = self._connections.sources.current
            self.take(current.begin(command, self._moment(self._now_ns())))

    def take(self, words: list[Word]) -> None:
        """Do what a source says."""
        for word in words:
            if isinstance(word, Enter):
                self._enter(word)
            elif isinstance(word, Leave):
                self.halt()
            elif isinstance(word, PressStart):
                if not self._connections.press(start=True):  # a hand on the box
                    self._inform(
                        tr(
                            "Waiting for {leader_name} to start.",
                            leader_name=self._connections.leader_name,
                        )
                    )
            else:
                self._inform(word.text)

    def _enter(self, entry: Enter) -> None:
        player, source = self.player, self._connections.sources.current
        if player is None or self.running:
            return
        if entry.located and (entry.command.tick or 0) >= player.plan.layout().ticks:
            self._inform(
                tr(
                    "{leader_name} is past the song's end.",
                    leader_name=self._connections.leader_name,
                )
            )
            return
        now = self._now_ns()
        dues = player.apply(entry.command)
        first = next(e.point for _, _, e in dues if isinstance(e, TempoChange))
        opening = RunStart(first, player.boundary, player.plan.song.bpm)
        moment = self._moment(now)
        self._source, self.timeline = source, source.timeline(entry, opening, moment)
        self._base_ns = self.timeline.ns_at(player.boundary)
        last_ns = self._idle.last_before(self._base_ns)
        self.sending.end_idle_ticks(last_ns)
        self._connections.lines.between_until(last_ns)
        self._set_off(player)
        # All but the tempo waits until it is planned for: by then it is known when it is due.
        tempi = [due for due in dues if isinstance(due[2], TempoChange)]
        self._held = sorted((d for d in dues if d not in tempi), key=lambda due: due[0])
        self._plan(tempi)
        self._release(int(self.timeline.tick_at(now + self._ahead_ns)), self.timeline)

    def _set_off(self, player: Player) -> None:
        base = player.boundary
        self._bars.begin(player.plan, player.section)
        led = self._connections.sources.led
        if led is not None:
            led.roll(self._base_ns, player.plan.layout().tempo.seconds_at(base))
        self.section = (player.section, base)
        self._connections.outputs.begin_run(base, self._base_ns, player.plan.started)

    # Ending

    def stop(self) -> None:
        """The performer stops: a stand-in that leads is stopped by hand too."""
        self._connections.press(start=False)
        self._connections.sources.current.stop_by_hand(self._now_ns())
        self.halt()

    def halt(self) -> None:
        """Stop now: what has not gone out is dropped, except the ends of notes."""
        if self.player is not None and self.running:
            self.sending.halt(self.player.apply(Halt()))
            self._ended()

    def panic(self) -> None:
        """Stop, then silence every channel of every port."""
        self.stop()
        self._connections.inputs.release()  # silenced with everything else
        self._connections.outputs.silence_all()
        self._inform(tr("All notes off, all sound off, stopped."))

    def _ended(self) -> None:
        timeline = self.timeline
        if timeline is not None:  # where clock goes on while stopped, it goes on in step
            now_tick = int(timeline.tick_at(self._now_ns()))
            coming = next_multiple(now_tick + 1, CLOCK_TICKS)
            self._idle.go_on(float(timeline.ns_at(coming)), timeline.bpm_at(now_tick))
        self.timeline = None
        self._held.clear()
        self._source.ended()
        self._connections.end_run()
        gc.collect()  # switched off while playing

    # What a performer asks

    def command(self, command: Command) -> None:
        """Have the player do something. EditError where it cannot."""
        if self.player is None:
            return
        dues = self.player.apply(command)
        if self.running:
            self._plan(dues)
        elif isinstance(command, TrackCommand):  # a loop can be recorded with nothing running
            self.sending.send_now(dues)

    def load(self, edited: ReplacePlan) -> str:
        """Take a plan; why not, where another song plays."""
        plan, player = edited.plan, self.player
        if self.running and player is not None:
            if (plan.source, plan.song.id) != (player.plan.source, player.plan.song.id):
                playing = player.plan.song.name
                return tr(
                    "{playing} is playing; stop it before loading {song}.",
                    playing=playing,
                    song=plan.song.name,
                )
            self._plan(player.apply(edited))
        else:
            self.player = player = Player(plan)
            self.section = (player.section, 0)
        return ""

    def loaded(self) -> None:
        """The boxes of the plan are plugged in: sources and look-ahead go by them."""
        if self.player is not None:
            self._connections.sources.song_is(LoadedSong(self.player))
        self._reach()

    def _reach(self) -> None:
        connections = self._connections
        longest = max(LOOKAHEAD_NS, connections.ports.period_ns + SLOW_NS)
        self._ahead_ns = longest + connections.outputs.earliest_ns

    def _inform(self, text: str) -> None:
        self._tell(Notice(level="info", text=text))
