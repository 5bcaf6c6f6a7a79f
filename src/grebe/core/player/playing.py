"""What plays on by itself: windows of beats in, messages out."""

from __future__ import annotations

from heapq import heappop, heappush
from itertools import count
from typing import Any

import msgspec

from grebe.core.patterns.model import Pattern
from grebe.core.player.chapters import Chapters
from grebe.core.player.clicks import click_at, counted_in
from grebe.core.player.course import Coming, Course
from grebe.core.player.deck import Deck, Lane, lanes_of
from grebe.core.player.events import (
    ControlChange,
    Due,
    MutesDropped,
    NoteOff,
    NoteOn,
    ProgramChange,
    SectionStarts,
    Shared,
    SongPosition,
    SongSelect,
)
from grebe.core.player.lead import lead_ticks
from grebe.core.player.loopers import Loopers, TrackCommand
from grebe.core.player.marks import (
    Filling,
    Happening,
    LaidOver,
    Moved,
    Silence,
)
from grebe.core.player.mutes import Mutes, tell_silent
from grebe.core.player.plan import Plan, PulseLine, sounding
from grebe.core.player.pulses import Pulses
from grebe.core.player.tempi import Tempi
from grebe.core.songs.layout import Span
from grebe.core.songs.model import Part
from grebe.core.time.position import song_position
from grebe.core.time.ticks import (
    CLOCK_TICKS,
    SIXTEENTH_TICKS,
)

PREROLL_TICKS = 2 * CLOCK_TICKS
"""Between telling the boxes their patterns and Start: 40 ms at 126 BPM, so that they are ready."""
# Order of what falls on one tick: decisions, the clock, ends of notes, notes.
(
    PREPARE, SWITCH, CHAIN, TEMPO, MARK, PLACE, TRACK, CLICK, CLOCK, PULSE, OFF, HIT,
) = range(12)  # fmt: skip


class Playing:
    """Plays a plan on by itself. `Player` adds what a performer can ask for."""

    def __init__(self, plan: Plan) -> None:
        self.plan = plan
        self.tick = 0
        self.running = False
        self.filling = False
        """Whether a fill is held."""
        self.clicking = False
        """Whether every beat is clicked."""
        layout = plan.layout()
        self._chapters = Chapters(plan, layout)
        self._course = Course(layout, self._chapters.stops)
        self._top = 0
        """Where, as written, the song began that this run was begun in."""
        self._heap: list[tuple[int, int, int, Any]] = []
        self._serial = count()
        self._token = 0
        self._laid = LaidOver()
        self._mutes_kept: bool | None = None
        """What the performer said becomes of mutes by hand at the end of this section."""
        self._tempi = Tempi(plan.song.bpm)
        self._mutes = Mutes()
        self._rejoining: dict[str, int] = {}
        """Devices that come in again, and the bar line they do on."""
        self._pulses = Pulses()
        self._loopers = Loopers(plan.devices)
        self._decks = {d.id: Deck(d) for d in plan.devices}

    @property
    def section(self) -> str:
        """Id of the section now playing, or the one Begin would start at."""
        return self._span.section.id if self._spans else ""

    @property
    def boundary(self) -> int:
        """Tick at which the next section comes in, or the pass ends when this one is held."""
        return self._course.boundary(self.tick)

    @property
    def mutes_kept(self) -> bool:
        """Whether those stay when this section is over."""
        if self._mutes_kept is not None or not self._spans:
            return self._mutes_kept is not False
        return self._span.scene.hand_mutes == "keep"

    def advance(self, until: int) -> list[Due]:
        """Play up to but not including the tick `until`; messages in order."""
        out: list[Due] = []
        heap = self._heap
        while heap and heap[0][0] < until:
            tick, kind, _, what = heappop(heap)
            if kind == HIT:
                if what.generation == what.deck.generation:
                    self._hit(out, tick, what)
            elif kind == OFF:
                deck, key = what
                held = deck.held.get(key)
                if held is not None and held[0] == tick:
                    del deck.held[key]
                    out.append((tick, deck.device.id, held[1]))
            elif kind == CLOCK:
                out += [(tick, device, Shared.CLOCK) for device in self.plan.clocked]
                if self.clicking:
                    self._click_beat(out, tick)
                heappush(heap, (tick + CLOCK_TICKS, CLOCK, next(self._serial), None))
            elif kind == PULSE:
                self._pulse(out, tick, what)
            else:
                self._decide(out, tick, kind, what)
        if self.running:
            self.tick = max(self.tick, until)
        return out

    def _hit(self, out: list[Due], tick: int, lane: Lane) -> None:
        _, gate, key, on, off, filled = lane.notes[lane.index]
        if (
            on is not None
            and not lane.silent
            and filled in (None, self.filling or self._laid.filling)
        ):
            deck = lane.deck
            device = deck.device.id
            if off is not None:
                if key in deck.held:
                    out.append((tick, device, deck.held[key][1]))
                deck.held[key] = (tick + gate, off)
                heappush(self._heap, (tick + gate, OFF, next(self._serial), (deck, key)))
            out.append((tick, device, on))
        lane.step()
        heappush(self._heap, (lane.next_tick(), HIT, next(self._serial), lane))

    def _pulse(self, out: list[Due], tick: int, device: str) -> None:
        """A pulse, and the next at the rate there is now; a line taken away ends here."""
        line = next((w for w in self.plan.pulsed if w.device == device), None)
        if line is None:
            self._pulses.gone(device)
            return
        out.append((tick, device, Shared.PULSE))
        self._schedule_pulse(line, tick + 1)

    def _schedule_pulse(self, line: PulseLine, first: int) -> None:
        tick = self._pulses.first_from(line, first)
        heappush(self._heap, (tick, PULSE, next(self._serial), line.device))

    def _decide(self, out: list[Due], tick: int, kind: int, what: Any) -> None:
        self.tick = max(self.tick, tick)
        if kind == TEMPO:
            self._tempi.set(out, what)
        elif kind == CLICK:
            self._click(out, tick, what)
        elif kind == MARK:
            if what == self._laid.generation:
                self._pass_marks(out, tick)
        elif kind == TRACK:
            self._track(out, tick, *what)
        elif kind == PLACE:
            out += [(tick, device, event) for device, event in what]
        elif kind == CHAIN:
            deck, generation, tells = what
            if generation == deck.generation:
                if tells:
                    self._tell_program(out, tick, deck, deck.following)
                else:
                    self._next_in_chain(out, tick, deck)
        elif kind == PREPARE:
            token, devices = what
            if token == self._token:
                self._prepare(out, tick, devices)
        elif what != self._token:
            return  # the boundary has been moved since
        elif self._course.stays(self.tick):
            self._course.one_more_pass()
            self._schedule()
        elif (coming := self._course.coming(self.tick)) is None:
            self._end_song(out, tick)
        else:
            self._enter(out, tick, coming)

    @property
    def _spans(self) -> tuple[Span, ...]:
        return self._course.layout.spans

    @property
    def _span(self) -> Span:
        return self._course.span

    def _begin(self, index: int, tick: int | None, counted_bars: int) -> list[Due]:
        if self.running:
            return []
        if tick is not None:
            layout = self._course.layout
            tick = min(max(0, tick), layout.ticks - CLOCK_TICKS) // CLOCK_TICKS * CLOCK_TICKS
            index = layout.index_at(tick)
        span = self._spans[index]
        base = span.tick if tick is None else tick
        counted = counted_bars * span.scene.meter.bar_ticks
        ready = base - counted - PREROLL_TICKS
        self._heap.clear()
        self._decks = {d.id: Deck(d) for d in self.plan.devices}
        into = self._course.begin(index, base)
        self._top = self._chapters.top(index)
        self._mutes_kept = None
        self._end_marks()
        self.running, self.tick = True, ready
        bpm = self._course.layout.tempo.bpm_at(base) if into else span.bpm
        if base == self._top and span.section.bpm is not None:
            bpm = span.section.bpm  # a song that is run has nothing to come from
        out: list[Due] = [self._tempi.begin(ready, bpm)]
        out += [
            (ready, box.device, SongSelect(song=box.number))
            for box in self._chapters.box_songs(index)
            if box.device in self._decks
        ]
        self._prepare(out, ready, list(self._decks))
        for part in span.scene.parts:
            out += self._loopers.guard(part.device, part.tracks, ready)
        for device in self.plan.started:
            if base == self._top:
                out.append((base, device, Shared.START))
                continue
            # Between two sixteenths no position can be told: boxes go on from their own count.
            if base % SIXTEENTH_TICKS == 0:
                position = SongPosition(sixteenths=song_position(base - self._top))
                out.append((ready, device, Shared.STOP))  # one that still runs takes no position
                out.append((ready, device, position))
            out.append((base, device, Shared.CONTINUE))
        self._schedule()
        self._count_in(base - counted, base)
        heappush(self._heap, (base, CLOCK, next(self._serial), None))
        self._pulses.begin(self._top)
        self._rejoining.clear()
        for line in self.plan.pulsed:
            self._schedule_pulse(line, base)
        return sorted(out, key=lambda due: due[0])

    def _count_in(self, first: int, until: int) -> None:
        """Clicks on the beats from `first` on, the bars' first ones louder."""
        deck = self._clicker
        if deck is not None:
            meter = self._span.scene.meter
            for tick, on in counted_in(self.plan.count_in, deck.device, meter, first, until):
                heappush(self._heap, (tick, CLICK, next(self._serial), on))

    @property
    def _clicker(self) -> Deck | None:
        """Who clicks."""
        return self._decks.get(str(self.plan.count_in.device))

    def _click_beat(self, out: list[Due], tick: int) -> None:
        """The metronome, where a beat falls on this tick."""
        deck, since = self._clicker, tick - self._course.start
        if deck is not None:
            meter = self._span.scene.meter
            click = click_at(self.plan.count_in, deck.device, meter, since)
            if click is not None:
                self._click(out, tick, click)

    def _click(self, out: list[Due], tick: int, on: NoteOn) -> None:
        deck = self._clicker
        if deck is not None:
            key, end = on.channel * 128 + on.note, tick + CLOCK_TICKS
            deck.held[key] = (end, NoteOff(channel=on.channel, note=on.note))
            out.append((tick, deck.device.id, on))
            heappush(self._heap, (end, OFF, next(self._serial), (deck, key)))

    def _schedule(self) -> None:
        """Put the coming boundary on the heap, and what has to be told before it."""
        self._token += 1
        together: dict[int, list[str]] = {}
        for deck in self._decks.values():
            together.setdefault(self._lead(deck), []).append(deck.device.id)
        for lead, devices in together.items():
            told_at = max(self.boundary - lead, self.tick)
            heappush(self._heap, (told_at, PREPARE, next(self._serial), (self._token, devices)))
        heappush(self._heap, (self.boundary, SWITCH, next(self._serial), self._token))

    def _lead(self, deck: Deck) -> int:
        """How many ticks before a boundary a box is told."""
        return lead_ticks(deck.device, self._tempi.bpm_at(self.tick))

    def _prepare(self, out: list[Due], tick: int, devices: list[str]) -> None:
        """Tell those of these boxes that play their own patterns what the coming section wants."""
        course = self._course
        coming = None if course.stays(self.tick) else course.coming(self.tick)
        if coming is None:
            return
        scene = self._spans[coming.section].scene
        for deck in (self._decks[d] for d in devices if d in self._decks):
            chain = self._chain(scene.part(deck.device.id))
            if chain and coming.into:
                entered = Deck(deck.device)
                entered.begin(chain, coming.at - coming.into, coming.at)
                self._tell_program(out, tick, deck, entered.pattern)
            elif chain:  # what carries on is told again only if another was told meanwhile
                self._tell_program(out, tick, deck, chain[0])

    def _enter(self, out: list[Due], tick: int, coming: Coming) -> None:
        """Begin a section: what was laid over the one before ends, mutes by hand stay or go."""
        self._end_marks()
        if not self.mutes_kept:
            dropped = self._mutes.drop_by_hand()
            if dropped:
                out.append((tick, "", MutesDropped(mutes=dropped)))
        self._mutes_kept = None
        chapter = self._chapters.of(self._course.index)
        straight = self._course.enter(coming, tick)
        span, origin = self._span, self._course.start
        starts = SectionStarts(
            section=span.section.id, scene=span.scene.id, tick=origin, song_bar=span.bar
        )
        out.append((tick, "", starts))
        entered = self._chapters.of(self._course.index)
        if entered is not chapter and entered is not None:
            # Only what comes in as the set has it, at its beginning, carries the tempo on.
            self._tempi.carried = entered.into == "carry" and span.section.id == entered.first
            self._choose_songs(out, tick, coming.into)
        elif not straight:
            self._take_songs_there(out, tick, span.tick + coming.into)
        self._tempi.enter(out, tick, span, self._course.layout, coming.into)
        self._mutes.enter(span.scene)
        placed = coming.anew or bool(coming.into)
        for deck in self._decks.values():
            part = span.scene.part(deck.device.id)
            self._take_part(out, tick, origin, deck, part, placed=placed)
        self._lay_marks(out, tick)
        self._schedule()

    def _choose_songs(self, out: list[Due], tick: int, into: int) -> None:
        """Another song of the set begins: boxes with a song of their own are told which, and run
        it from there."""
        index = self._course.index
        for box in self._chapters.box_songs(index):
            if box.device in self._decks:
                out.append((tick, box.device, Shared.STOP))
                out.append((tick, box.device, SongSelect(song=box.number)))
        self._take_songs_there(out, tick, self._span.tick + into)

    def _take_songs_there(self, out: list[Due], tick: int, written: int) -> None:
        """Boxes that play a song of their own go on in its order: take them to the place."""
        top = self._chapters.top(self._course.index)
        for box in self._chapters.box_songs(self._course.index):
            if box.device in self.plan.started and written % SIXTEENTH_TICKS == 0:
                position = SongPosition(sixteenths=song_position(written - top))
                out.append((tick, box.device, Shared.STOP))
                out.append((tick, box.device, position))
                out.append((tick, box.device, Shared.CONTINUE))

    def _end_marks(self) -> None:
        self._laid.end()
        self._mutes.end_regions()

    def _lay_marks(self, out: list[Due], tick: int) -> None:
        """Take what is laid over this section: what is past already holds, the rest waits."""
        self._end_marks()
        for what in self._laid.lay(self._span, tick - self._course.start):
            self._happen(out, tick, what)
        self._pass_marks(out, tick)

    def _pass_marks(self, out: list[Due], tick: int) -> None:
        """Do what falls on this tick, and wait for what comes after it."""
        for what in self._laid.fall(tick - self._course.start):
            self._happen(out, tick, what)
        if self._laid.next_at is not None:
            at = self._course.start + self._laid.next_at
            heappush(self._heap, (at, MARK, next(self._serial), self._laid.generation))

    def _happen(self, out: list[Due], tick: int, what: Happening) -> None:
        if isinstance(what, Silence):
            self._mutes.region(what.muted, on=what.on)
            deck = self._decks.get(what.muted[0])
            if deck is not None:
                out += self._mutes.apply(deck, tick)
        elif isinstance(what, Filling):
            self._laid.filling = what.on
        elif isinstance(what, Moved):
            deck = self._decks.get(what.curve.device)
            if deck is not None:
                channel = what.curve.channel or deck.device.channel
                change = ControlChange(
                    channel=channel, controller=what.curve.controller, value=what.value
                )
                out.append((tick, deck.device.id, change))
        elif not self._tempi.carried:
            self._tempi.set(out, msgspec.structs.replace(what.point, tick=tick))

    def _take_part(
        self, out: list[Due], tick: int, origin: int, deck: Deck, part: Part, *, placed: bool
    ) -> None:
        """Play a part that counts from `origin`; one pattern that runs already carries on.

        Where the song goes to a certain place (`placed`) only if it stands as it would there.
        """
        chain = self._chain(part)
        if deck.carries_on(chain) and not (placed and deck.is_off(origin)):
            deck.chain = chain
            self._tell_program(out, tick, deck, deck.pattern)
        else:
            deck.generation += 1
            deck.begin(chain, origin, tick)
            self._tell_program(out, tick, deck, deck.pattern)
            self._start_lanes(deck, tick)
            self._schedule_chain(deck, tick)
        if part.tracks is not None:
            out += self._loopers.want(deck.device.id, part.tracks, tick)
        for value in part.values:
            channel = value.channel or deck.device.channel
            change = ControlChange(channel=channel, controller=value.controller, value=value.value)
            out.append((tick, deck.device.id, change))
        out += self._mutes.apply(deck, tick)

    def _chain(self, part: Part) -> tuple[Pattern, ...]:
        patterns = {p.id: p for p in self.plan.patterns if p.device == part.device}
        return tuple(patterns[p] for p in part.chain if p in patterns)

    def _start_lanes(self, deck: Deck, tick: int, before: str = "") -> None:
        """Begin what a device plays; `before` is the pattern it played until an edit just now."""
        edited = deck.lanes if deck.pattern is not None and deck.pattern.id == before else []
        deck.lanes = []
        if deck.device.plays != "grebe" or deck.pattern is None:
            return
        for lane in lanes_of(deck, deck.pattern.content, deck.origin, self.plan.seed, edited):
            lane.seek(tick)
            lane.silent = self._mutes.is_silent(deck.device.id, lane.row)
            deck.lanes.append(lane)
            heappush(self._heap, (lane.next_tick(), HIT, next(self._serial), lane))

    def _schedule_chain(self, deck: Deck, tick: int) -> None:
        if len(deck.chain) < 2 or deck.pattern is None:
            return
        end = deck.entered + sounding(deck.pattern, deck.device).ticks
        tells_at = max(end - self._lead(deck), tick)
        for at, tells in ((tells_at, True), (max(end, tick), False)):
            heappush(self._heap, (at, CHAIN, next(self._serial), (deck, deck.generation, tells)))

    def _next_in_chain(self, out: list[Due], tick: int, deck: Deck) -> None:
        before, after = deck.pattern, deck.following
        if before is None or after is None:
            return
        deck.entered += sounding(before, deck.device).ticks
        deck.position = (deck.position + 1) % len(deck.chain)
        if before.id != after.id:
            deck.generation += 1
            deck.origin = deck.entered
            self._tell_program(out, tick, deck, after)
            self._start_lanes(deck, tick)
        self._schedule_chain(deck, tick)

    def _tell_program(self, out: list[Due], tick: int, deck: Deck, pattern: Pattern | None) -> None:
        device = deck.device
        if device.plays != "own" or not device.obeys_program or pattern is None:
            return
        if any(b.device == device.id for b in self._chapters.box_songs(self._course.index)):
            return  # its own song memory says which
        if pattern.program is not None and pattern.program != deck.told_program:
            deck.told_program = pattern.program
            change = ProgramChange(channel=device.channel, program=pattern.program)
            out.append((tick, device.id, change))

    def _end_song(self, out: list[Due], tick: int) -> None:
        out += self._halt(tick)
        out.append((tick, "", Shared.END))

    def _halt(self, tick: int) -> list[Due]:
        if not self.running:
            return []
        out: list[Due] = []
        for deck in self._decks.values():
            out += deck.end_notes(tick)
            if deck.told_silent:  # a box left silent would stay so under the performer's hands
                out += tell_silent(deck, tick, silent=False)
        out += [(tick, device, Shared.STOP) for device in self.plan.started]
        self.running, self._course.launch, self._course.held = False, None, False
        self._heap.clear()
        self._loopers.halt()
        return out

    def _take_back(self) -> list[Due]:
        """Boxes told of a section that now comes later, or not: tell them what plays on."""
        out: list[Due] = []
        if not self.running:
            return out
        stays = self._course.stays(self.tick)
        for deck in self._decks.values():
            if stays or self.tick < self.boundary - self._lead(deck):
                coming = deck.following if len(deck.chain) > 1 else None
                if coming is None or deck.told_program != coming.program:
                    self._tell_program(out, self.tick, deck, deck.pattern)
        return out

    def _track(self, out: list[Due], tick: int, device: str, number: int, bars: int) -> None:
        """A loop track does what it was armed for; a recording of fixed length is closed later."""
        out += self._loopers.fall(device, number, tick)
        if bars and self._loopers.tracks[(device, number)].state == "recording":
            at = tick + bars * self._span.scene.meter.bar_ticks
            self._arm(TrackCommand(device=device, number=number, do="play", at="now"), at)

    def _arm(self, command: TrackCommand, tick: int) -> None:
        meter, bpm = self._span.scene.meter, self._tempi.bpm_at(self.tick)
        at = self._loopers.ask(command, tick, self._course.start, meter.bar_ticks, bpm)
        if at >= 0:
            what = (command.device, command.number, command.bars)
            heappush(self._heap, (at, TRACK, next(self._serial), what))
