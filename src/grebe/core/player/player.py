"""The performer, without input or output: commands and windows of beats in, messages out.

Messages come with exact ticks in the order they are to be sent. Time passes
only by `advance`; the same calls always give the same messages.
"""

from __future__ import annotations

from heapq import heappush

import msgspec

from grebe.core.player.chapters import Chapters
from grebe.core.player.commands import (
    Again,
    Back,
    Begin,
    Command,
    Fill,
    Halt,
    Hold,
    KeepMutes,
    Launch,
    LoopOver,
    Metronome,
    Mute,
    Nudge,
    Rejoin,
    Release,
    ReplacePlan,
    Skip,
    Solo,
    Steer,
    Withdraw,
)
from grebe.core.player.course import Course
from grebe.core.player.deck import Deck
from grebe.core.player.events import (
    DeviceEvent,
    Due,
    Shared,
    SongPosition,
)
from grebe.core.player.loopers import LoopTrack, TrackCommand
from grebe.core.player.plan import Plan
from grebe.core.player.playing import PLACE, PREROLL_TICKS, TEMPO, Playing
from grebe.core.player.tempi import as_written
from grebe.core.time.position import song_position
from grebe.core.time.tempo import TempoPoint
from grebe.core.time.ticks import (
    CLOCK_TICKS,
    TICKS_PER_QUARTER,
    next_multiple,
)
from grebe.errors import EditError


class Player(Playing):
    """Plays a plan.

    `tick` is how far it has been advanced. Scenes are launched by section of
    the song. Which section comes next, where its boundary lies and whether
    this one is held can be read at any time.
    """

    @property
    def next_section(self) -> str:
        """Id of the section that comes next; "" where the song ends."""
        coming = self._course.coming(self.tick) if self._spans else None
        return "" if coming is None else self._spans[coming.section].section.id

    @property
    def held(self) -> bool:
        """Whether this section stays, pass after pass."""
        return self._course.held

    @property
    def launched(self) -> bool:
        """Whether the next section has been asked for."""
        return self._course.launch is not None

    @property
    def mutes(self) -> tuple[tuple[str, str], ...]:
        """What is silent now, as (device id, voice id or "")."""
        return self._mutes.listed()

    @property
    def mutes_by_hand(self) -> tuple[tuple[str, str], ...]:
        """What a hand has made otherwise than scene and song would have it."""
        return self._mutes.by_hand

    @property
    def loop(self) -> tuple[int, int] | None:
        """The ticks of the song as written that are played over and over."""
        return self._course.loop

    @property
    def carried(self) -> bool:
        """Whether a song of a set goes on at the tempo there was, until it is released."""
        return self._tempi.carried

    @property
    def last_word(self) -> int:
        """Tick until which what comes next can be withdrawn: then boxes are told of it."""
        leads = [
            self._lead(deck)
            for deck in self._decks.values()
            if deck.device.plays == "own" and deck.device.obeys_program
        ]
        return self.boundary - max(leads, default=CLOCK_TICKS)

    @property
    def sections_here(self) -> tuple[str, ...]:
        """Sections of the song that plays, in order."""
        here = self._chapters.of(self._course.index)
        return tuple(
            span.section.id
            for index, span in enumerate(self._spans)
            if self._chapters.of(index) is here
        )

    @property
    def solos(self) -> tuple[str, ...]:
        """Devices that sound alone; none while all do."""
        return tuple(sorted(self._mutes.solos))

    @property
    def tracks(self) -> tuple[LoopTrack, ...]:
        """Loop tracks that Grebe can tell what to do."""
        return tuple(self._loopers.tracks.values())

    def bar_after(self, tick: int) -> int:
        """The first bar line of the song as written that is not before a tick."""
        return self._course.layout.bar_after(tick)

    def apply(self, command: Command) -> list[Due]:
        """Take a command at the player's tick; gives what is to be sent for it at once.

        EditError for a section, device or plan that cannot be taken.
        """
        match command:
            case Begin():
                index = self._course.index_of(command.section, self.plan.song.name)
                return self._begin(index, command.tick, command.count_in_bars)
            case Halt():
                return self._halt(self.tick)
            case Launch():
                name = self.plan.song.name
                if self.running and self._course.ask_for(command, self.tick, name):
                    self._schedule()
            case Hold():
                self._course.held = command.on
                return self._take_back()
            case Again():
                if self.running:
                    self._course.one_more_pass()
                    self._schedule()
                    return self._take_back()
            case Skip():
                if self._course.skip() and self.running:
                    self._schedule()
                    return self._take_back()
            case Back():
                return self._back(command)
            case Withdraw():
                return self._withdraw()
            case Release():
                self._release(command.ramp_bars)
            case Solo():
                return self._solo(command)
            case Mute():
                if command.device not in self._decks:
                    raise EditError(f"there is no device {command.device!r} to mute")
                self._mutes.set(command.device, command.voice, on=command.on)
                if self.running:
                    return self._mutes.apply(self._decks[command.device], self.tick)
            case TrackCommand():
                return self._track_asked(command)
            case KeepMutes():
                self._mutes_kept = command.on
            case LoopOver():
                self._course.loop_over(command)
                if self.running:
                    self._schedule()
                    return self._take_back()
            case Steer():
                self._steer(command.bpm, command.ramp_bars)
            case Nudge():
                return self._tempi.nudge(self.tick, command.percent) if self.running else []
            case Fill():
                self.filling = command.on
            case Metronome():
                if command.on and self.plan.count_in.device is None:
                    raise EditError("nothing clicks yet: choose a box for it in the Rig, with K")
                self.clicking = command.on
            case Rejoin():
                return self._rejoin(command.device, stop_now=command.stop_now)
            case ReplacePlan():
                return self._set_plan(command.plan)
        return []

    def _back(self, command: Back) -> list[Due]:
        if self.running:
            top = self._chapters.top(self._course.index)
            self._course.back(command.at, self.tick, top)
            self._schedule()
        return []

    def _withdraw(self) -> list[Due]:
        if not self.running:
            return []
        if self.launched and self.tick >= self.last_word:
            raise EditError("too late to withdraw: boxes have been told of what comes")
        if self._course.withdraw(self.tick):
            self._schedule()
            return self._take_back()
        return []

    def _release(self, ramp_bars: int | None) -> None:
        """To the tempo that is written here, from the next beat on."""
        chapter = self._chapters.of(self._course.index)
        if not self.running or not self.carried or chapter is None:
            return
        self._tempi.carried = False
        written = self._span.tick + max(0, self.tick - self._course.start)
        bpm = self._course.layout.tempo.bpm_at(min(written, self._span.end - 1))
        self._steer(bpm, chapter.ramp_bars if ramp_bars is None else ramp_bars)

    def _solo(self, command: Solo) -> list[Due]:
        if command.device not in self._decks:
            raise EditError(f"there is no device {command.device!r} to hear alone")
        self._mutes.solo(command.device, on=command.on)
        out: list[Due] = []
        if self.running:
            for deck in self._decks.values():
                out += self._mutes.apply(deck, self.tick)
        return out

    def _rejoin(self, device: str, *, stop_now: bool) -> list[Due]:
        """Stop a box that is back, tell it its pattern, and let it come in on the next bar."""
        if not self.running:
            return []
        behind = [d for d in self._decks if self.plan.via.get(d, d) == device]
        out: list[Due] = []
        if device in self.plan.started and stop_now:
            out.append((self.tick, device, Shared.STOP))
        for deck in (self._decks[d] for d in behind):
            deck.told_program = deck.told_silent = None
            self._tell_program(out, self.tick, deck, deck.pattern)
            if self._spans:
                out += self._mutes.apply(deck, self.tick)
        if device in self.plan.started:
            bar = self._span.scene.meter.bar_ticks
            since = self.tick + PREROLL_TICKS - self._course.start
            base = self._course.start + next_multiple(max(0, since), bar)
            if self._rejoining.get(device) == base:
                return out
            self._rejoining[device] = base
            place = SongPosition(sixteenths=song_position(base - self._top))
            told: list[tuple[str, DeviceEvent]] = [(device, place)]
            if not stop_now:  # one that still runs takes no position
                told.insert(0, (device, Shared.STOP))
            heappush(self._heap, (base - PREROLL_TICKS, PLACE, next(self._serial), told))
            heappush(self._heap, (base, PLACE, next(self._serial), [(device, Shared.CONTINUE)]))
        return out

    def _steer(self, bpm: float, ramp_bars: int) -> None:
        if not self.running:
            return
        tick = next_multiple(self.tick, TICKS_PER_QUARTER)
        ramp = ramp_bars * self._span.scene.meter.bar_ticks
        point = TempoPoint(tick=tick, bpm=bpm, ramp_ticks=ramp)
        heappush(self._heap, (tick, TEMPO, next(self._serial), point))

    def _set_plan(self, plan: Plan) -> list[Due]:
        """Go on with an edited plan: patterns from here, tempo at the next beat.

        Which pattern a device plays changes when the next section comes in.
        """
        old = self.plan
        stays = all(
            getattr(plan, part) is getattr(old, part)
            for part in ("song", "scenes", "devices", "chapters", "pulsed")
        )
        if self.running and stays:  # only what patterns play: nothing has to be laid out anew
            self.plan = plan
            return self._renew_decks()
        layout = plan.layout()
        if not self.running:
            self.plan, loop = plan, self._course.loop
            self._chapters = Chapters(plan, layout)
            self._course = Course(layout, self._chapters.stops)
            self._course.loop = loop
            self._decks = {d.id: Deck(d) for d in plan.devices}
            self._loopers.take(plan.devices)
            return []
        if not layout.spans:
            raise EditError(f"{plan.song.name} has no sections left; the old plan plays on")
        section = self.section
        tempo_edited = as_written(plan.song) != as_written(self.plan.song)
        self.plan = plan
        self._chapters = Chapters(plan, layout)
        self._course.take(layout, self.tick, self._chapters.stops)
        self._loopers.take(plan.devices)
        out = self._renew_decks()
        for line in self._pulses.idle(plan.pulsed):
            self._schedule_pulse(line, self.tick)
        if tempo_edited and not self._tempi.carried:
            self._tempo_at_next_beat()
        if self.tick >= self._course.start and section == self.section:
            self._mutes.enter(self._span.scene)
            self._lay_marks(out, self.tick)
            for deck in self._decks.values():
                out += self._mutes.apply(deck, self.tick)
        self._schedule()
        return out

    def _renew_decks(self) -> list[Due]:
        out: list[Due] = []
        old, self._decks = self._decks, {}
        patterns = {p.id: p for p in self.plan.patterns}
        for device in self.plan.devices:
            deck = old.pop(device.id, None) or Deck(device)
            self._decks[device.id] = deck
            chain = tuple(patterns[p.id] for p in deck.chain if p.id in patterns)
            if chain == deck.chain and device == deck.device:
                continue
            played = deck.pattern.id if deck.pattern is not None else ""
            deck.device = device
            deck.generation += 1
            deck.chain = chain
            deck.position %= max(1, len(chain))
            self._start_lanes(deck, self.tick, played)
            self._schedule_chain(deck, self.tick)
        for gone in old.values():
            out += gone.end_notes(self.tick)
            gone.generation += 1
        return out

    def _tempo_at_next_beat(self) -> None:
        beat = self._span.scene.meter.beat_ticks
        at = self._course.start + next_multiple(self.tick - self._course.start, beat)
        written = self._span.tick + at - self._course.start
        bpm = self._course.layout.tempo.bpm_at(written)
        point = TempoPoint(tick=at, bpm=bpm)
        heappush(self._heap, (at, TEMPO, next(self._serial), point))

    def _track_asked(self, command: TrackCommand) -> list[Due]:
        """Armed for its moment; while stopped it is done at once, and sent by whoever asks."""
        if self.running:
            self._arm(command, self.tick)
            return []
        now = msgspec.structs.replace(command, at="now")
        at = self._loopers.ask(now, self.tick, 0, TICKS_PER_QUARTER, self.plan.song.bpm)
        return self._loopers.fall(command.device, command.number, at) if at >= 0 else []
