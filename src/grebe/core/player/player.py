"""The performer, without input or output: commands and windows of beats in, messages out.

Messages come with exact ticks in the order they are to be sent. Time passes
only by `advance`; the same calls always give the same messages.
"""

from __future__ import annotations

from heapq import heappop, heappush
from typing import NamedTuple

from grebe.core.player.commands import Command
from grebe.core.player.deck import Lane, NoteEnds
from grebe.core.player.device_player import DevicePlayers
from grebe.core.player.events import Due, Shared
from grebe.core.player.happened import TempoTaken
from grebe.core.player.locating import Locating
from grebe.core.player.loopers import LoopTrack
from grebe.core.player.openers import Openers
from grebe.core.player.performing import Performing, last_word
from grebe.core.player.plan import Plan
from grebe.core.player.promise import LineState, Promise, promise, sounding_now
from grebe.core.player.run import Run
from grebe.core.player.scheduler import (
    CLOCK,
    NOTE_ENDS,
    STROKE,
    ChainStep,
    ClickFalls,
    ClockFalls,
    FadeFalls,
    MarksFall,
    OpensAgain,
    Prepare,
    PulseFalls,
    SwapFalls,
    Switch,
    TempoFalls,
    Told,
    TrackFalls,
    What,
)
from grebe.core.player.sections import Sections
from grebe.core.time.ticks import CLOCK_TICKS


class UnderHand(NamedTuple):
    """What a hand holds."""

    fill: bool
    dice: bool
    """What changes by itself stays as it is."""


class Player:
    """Plays a plan.

    `tick` is how far it has been advanced. Scenes are launched by section of
    the song. Which section comes next, where its boundary lies and whether
    this one is held can be read at any time.
    """

    def __init__(self, plan: Plan) -> None:
        self._run = Run(plan)
        self.happened = self._run.happened
        """What happened since this was emptied last, to be kept."""
        self._devices = DevicePlayers(self._run)
        openers = self._openers = Openers(self._run)
        self._sections = Sections(self._run, self._devices, openers)
        self._locating = Locating(self._run, self._devices, self._sections, openers)
        self._performing = Performing(
            self._run, self._devices, self._sections, self._locating, openers
        )

    def apply(self, command: Command) -> list[Due]:
        """Take a command at the player's tick; gives what is to be sent for it at once.

        EditError for a section, device or plan that cannot be taken.
        """
        return self._performing.apply(command)

    def advance(self, until: int) -> list[Due]:
        """Play up to but not including the tick `until`; messages in order."""
        out: list[Due] = []
        run, scheduler, heap = self._run, self._run.scheduler, self._run.scheduler.heap
        while heap and heap[0][0] < until:
            tick, _, _, what = heappop(heap)
            if isinstance(what, Lane):
                if what.generation == what.deck.generation:
                    self._stroke(out, tick, what)
            elif isinstance(what, NoteEnds):
                deck, key = what
                held = deck.held.get(key)
                if held is not None and held[0] == tick:
                    del deck.held[key]
                    out.append((tick, deck.device.id, held[1]))
            elif isinstance(what, ClockFalls):
                out += [(tick, device, Shared.CLOCK) for device in run.plan.clocked]
                if run.clicking:
                    self._locating.clicks.beat(out, tick)
                scheduler.at(tick + CLOCK_TICKS, CLOCK)
            elif isinstance(what, PulseFalls):
                self._locating.pulse(out, tick, what.device)
            else:
                self._decide(out, tick, what)
        if run.running:
            run.tick = max(run.tick, until)
        return out

    def _stroke(self, out: list[Due], tick: int, lane: Lane) -> None:
        """What is under a lane's cursor sounds now, unless it is silent or waits for a fill."""
        run = self._run
        heap, serial = run.scheduler.heap, run.scheduler.serial
        _, gate, key, on, off, filled = lane.notes[lane.index]
        if (
            on is not None
            and not lane.silent
            and (filled is None or filled == (run.filling or run.laid.filling))
        ):
            deck = lane.deck
            device = deck.device.id
            if off is not None:
                end, held = tick + gate, deck.held
                if key in held:
                    out.append((tick, device, held[key][1]))
                held[key] = (end, off)
                ends = deck.ends.get(key) or deck.end_of(key)
                heappush(heap, (end, NOTE_ENDS, next(serial), ends))
            out.append((tick, device, on))
        lane.step()
        heappush(heap, (lane.next_tick(), STROKE, next(serial), lane))

    def _decide(self, out: list[Due], tick: int, what: What) -> None:
        run, sections = self._run, self._sections
        run.tick = max(run.tick, tick)
        if isinstance(what, TempoFalls):
            if what.section not in (-1, run.course.index):
                return
            run.tempi.set(out, what.point)
            run.note(TempoTaken(tick, what.point.bpm, what.point.ramp_ticks))
        elif isinstance(what, ClickFalls):
            self._locating.clicks.click(out, tick, what.on)
        elif isinstance(what, MarksFall):
            sections.marks_fall(out, tick, what)
        elif isinstance(what, TrackFalls):
            sections.track_falls(out, tick, what)
        elif isinstance(what, OpensAgain):
            player = self._devices.get(what.device)
            ends = self._run.boundary if player is None else player.ends_after(tick)
            self._openers.falls(out, tick, what, ends)
        elif isinstance(what, Told):
            out += [(tick, device, event) for device, event in what.events]
        elif isinstance(what, ChainStep):
            player = self._devices.get(what.deck.device.id)
            if player is not None and player.deck is what.deck:
                player.chain_step(out, tick, what)
        elif isinstance(what, SwapFalls | FadeFalls):
            player = self._devices.get(what.deck.device.id)
            if player is not None and player.deck is what.deck:
                if isinstance(what, SwapFalls):
                    player.swap_falls(out, tick, what)
                else:
                    player.knobs.fade_falls(out, tick, what)
        elif isinstance(what, Prepare):
            sections.prepare(out, tick, what)
        elif isinstance(what, Switch):
            sections.switch(out, tick, what)

    # What can be read

    @property
    def plan(self) -> Plan:
        """What is played."""
        return self._run.plan

    @property
    def tick(self) -> int:
        """How far it has been played."""
        return self._run.tick

    @property
    def running(self) -> bool:
        """Whether a run goes on."""
        return self._run.running

    @property
    def under_hand(self) -> UnderHand:
        """What a hand holds just now."""
        return UnderHand(self._run.filling, self._run.dice_held)

    @property
    def section(self) -> str:
        """Id of the section now playing, or the one Begin would start at."""
        return self._run.span.section.id if self._run.spans else ""

    @property
    def boundary(self) -> int:
        """Tick at which the next section comes in, or the pass ends when this one is held."""
        return self._run.boundary

    @property
    def next_section(self) -> str:
        """Id of the section that comes next; "" where the song ends."""
        run = self._run
        coming = run.course.coming(run.tick) if run.spans else None
        return "" if coming is None else run.spans[coming.section].section.id

    @property
    def held(self) -> bool:
        """Whether this section stays, pass after pass."""
        return self._run.course.held

    @property
    def launched(self) -> bool:
        """Whether the next section has been asked for."""
        return self._run.course.launch is not None

    @property
    def mutes(self) -> tuple[tuple[str, str], ...]:
        """What is muted now, as (address of a line, voice id or "")."""
        return self._run.mutes.listed(self._devices.by_id)

    @property
    def now(self) -> tuple[LineState, ...]:
        """What every line that takes part plays, and why it is silent."""
        return sounding_now(self._run, self._devices)

    def promise(self) -> Promise | None:
        """What comes in at the boundary, if nobody asks for anything before."""
        return promise(self._run, self._devices)

    @property
    def mutes_by_hand(self) -> tuple[tuple[str, str], ...]:
        """What a hand has made otherwise than scene and song would have it."""
        return self._run.mutes.by_hand

    @property
    def mutes_kept(self) -> bool:
        """Whether those stay when this section is over."""
        return self._run.mutes_kept

    @property
    def loop(self) -> tuple[int, int] | None:
        """The ticks of the song as written that are played over and over."""
        return self._run.course.loop

    @property
    def carried(self) -> bool:
        """Whether a song of a set goes on at the tempo there was, until it is released."""
        return self._run.tempi.carried

    @property
    def last_word(self) -> int:
        """Tick until which what comes next can be withdrawn: then boxes are told of it."""
        return last_word(self._run, self._devices)

    @property
    def sections_here(self) -> tuple[str, ...]:
        """Sections of the song that plays, in order."""
        run = self._run
        here = run.chapters.of(run.course.index)
        return tuple(
            span.section.id
            for index, span in enumerate(run.spans)
            if run.chapters.of(index) is here
        )

    @property
    def solos(self) -> tuple[tuple[str, str], ...]:
        """What sounds alone, as (address of a line, voice id or ""); nothing while all does."""
        return tuple(sorted(self._run.mutes.solos))

    @property
    def tracks(self) -> tuple[LoopTrack, ...]:
        """Loop tracks that Grebe can tell what to do."""
        return tuple(self._run.loopers.tracks.values())

    def bar_after(self, tick: int) -> int:
        """The first bar line of the song as written that is not before a tick."""
        return self._run.course.layout.bar_after(tick)
