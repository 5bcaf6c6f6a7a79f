"""One line, a box or a track: what it plays in a section, its chain, programs, and notes."""

from __future__ import annotations

from collections.abc import Iterator

from grebe.core.patterns.model import Pattern
from grebe.core.player.commands import SwapAt
from grebe.core.player.deck import Deck, lanes_of
from grebe.core.player.events import Due, ProgramChange
from grebe.core.player.happened import Silenced, Swapped
from grebe.core.player.knobs import Knobs
from grebe.core.player.mutes import tell_silent
from grebe.core.player.plan import sounding
from grebe.core.player.run import Run
from grebe.core.player.scheduler import ChainStep, SwapFalls
from grebe.core.rig.lines import box_of, track_of
from grebe.core.rig.model import Device
from grebe.core.songs.model import Part
from grebe.core.time.ticks import next_multiple


class DevicePlayer:
    """Plays one line's part: makes the events that are due out of its chain, its mutes and what a
    hand has changed."""

    def __init__(self, run: Run, device: Device, box: DevicePlayer | None = None) -> None:
        """`box`: of a track whose patterns are rows of its box's, the player of the box."""
        self._run = run
        self.deck: Deck = Deck(device, None if box is None else box.deck)
        self.knobs = Knobs(run, self.deck)
        self.before: tuple[DevicePlayer, ...] = ()
        """Lines of its box that are told on the same channel and come before it."""
        self._swap = 0
        """Of the last swap asked for."""
        self._swapped: tuple[Pattern, ...] | None = None
        """What a hand gave it in this section."""
        self._coming: tuple[Pattern, ...] | None = None
        """What it goes over to at the swap that waits; None while none does."""
        self._before_fill: tuple[tuple[Pattern, ...], int] | None = None
        """What it played when a fill was begun, and from where that counts."""
        self._falls = 0
        """Where that is."""

    @property
    def device(self) -> Device:
        """The device."""
        return self.deck.device

    @property
    def told_ahead(self) -> bool:
        """Whether its box is told of a pattern before that begins."""
        return self.device.plays == "own" and self.device.obeys_program

    @property
    def is_swapped(self) -> bool:
        """Whether it plays what a hand gave it, not what its scene does."""
        return self._swapped is not None and self._coming is None

    @property
    def address(self) -> tuple[str, int]:
        """Where it is told of patterns: its box, and the channel."""
        return box_of(self.device.id), self.device.told_on

    def take_part(
        self, out: list[Due], tick: int, origin: int, part: Part, *, placed: bool, opening: bool
    ) -> None:
        """Play a part that counts from `origin`; one pattern that runs already carries on.

        Where the song goes to a certain place (`placed`) only if it stands as it would there.
        `opening`: the run begins with it.
        """
        run, deck = self._run, self.deck
        chain = run.chain(part)
        self._swap, self._swapped, self._coming = self._swap + 1, None, None
        filled, self._before_fill = self._before_fill is not None, None
        if deck.carries_on(chain) and not filled and not (placed and deck.is_off(origin)):
            deck.chain = chain
            self.tell_program(out, tick, deck.pattern)
        else:
            self._begin(out, tick, chain, origin)
        if run.filling:
            self.fill(out, tick, part, on=True)
        if part.tracks is not None:
            out += run.loopers.want(deck.device.id, part.tracks, tick, opening=opening)
        self.knobs.take_part(out, tick, part)
        out += run.mutes.apply(deck, tick)

    def prepare(self, out: list[Due], tick: int, part: Part, origin: int, at: int) -> None:
        """Tell the box what a part will want that counts from `origin` and comes in at a tick."""
        chain = self._run.chain(part)
        if not chain:
            return
        entered = Deck(self.device)
        if at != origin:
            entered.begin(chain, origin, at)
            self.tell_program(out, tick, entered.pattern)
        else:  # what carries on is told again only if another was told meanwhile
            self.tell_program(out, tick, chain[0])

    def tell_program(self, out: list[Due], tick: int, pattern: Pattern | None) -> None:
        """Have the box play this pattern of its memory, where it is told and does not know."""
        run, device = self._run, self.device
        if not self.told_ahead or pattern is None:
            return
        if any(b.device == box_of(device.id) for b in run.chapters.box_songs(run.course.index)):
            return  # its own song memory says which
        if any(player.deck.chain for player in self.before):
            return  # tracks that can only be switched together follow the first
        if pattern.program is not None and pattern.program != run.told.get(self.address):
            run.told[self.address] = pattern.program
            change = ProgramChange(channel=device.told_on, program=pattern.program)
            out.append((tick, device.id, change))

    def start_lanes(self, out: list[Due], tick: int, before: str = "") -> None:
        """Begin what is played; `before` is the pattern it played until an edit just now."""
        run, deck = self._run, self.deck
        edited = deck.lanes if deck.pattern is not None and deck.pattern.id == before else []
        if not edited:
            out += deck.let_go(tick, all_of_them=True)
        deck.lanes = []
        if deck.device.plays != "grebe" or deck.pattern is None:
            return
        for lane in lanes_of(deck, deck.pattern.content, deck.origin, run.plan.seed, edited):
            lane.seek(tick)
            lane.silent = run.mutes.lane_silent(lane)
            lane.hold(on=run.dice_held)
            deck.lanes.append(lane)
            run.scheduler.stroke(lane)
        out += deck.let_go(tick, all_of_them=False)
        out += deck.strike_held(tick)

    def schedule_chain(self, tick: int) -> None:
        """Have the chain go on where its pattern ends, and the box told before that."""
        deck = self.deck
        if len(deck.chain) < 2 or deck.pattern is None:
            return
        end = deck.entered + sounding(deck.pattern, deck.device).ticks
        told_at = max(end - self._run.lead(deck.device), tick)
        for at, tells in ((told_at, True), (max(end, tick), False)):
            self._run.scheduler.at(at, ChainStep(deck, deck.generation, tells))

    def chain_step(self, out: list[Due], tick: int, step: ChainStep) -> None:
        """The chain goes on, or the box is told that it will."""
        if step.generation != self.deck.generation:
            return
        if step.tells:
            if self._coming is None:  # otherwise it is told of what it goes over to
                self.tell_program(out, tick, self.deck.following)
        else:
            self._next_in_chain(out, tick)

    def _next_in_chain(self, out: list[Due], tick: int) -> None:
        deck = self.deck
        before, after = deck.pattern, deck.following
        if before is None or after is None:
            return
        deck.entered += sounding(before, deck.device).ticks
        deck.position = (deck.position + 1) % len(deck.chain)
        if before.id != after.id:
            deck.generation += 1
            deck.origin = deck.entered
            self.tell_program(out, tick, after)
            self.start_lanes(out, tick)
        self.schedule_chain(tick)

    def tell_what_plays(self, out: list[Due], tick: int) -> None:
        """The box was told of what now does not come: it is told what plays on."""
        deck = self.deck
        coming = deck.following if len(deck.chain) > 1 else None
        if coming is None or self._run.told.get(self.address) != coming.program:
            self.tell_program(out, tick, deck.pattern)

    def tell_again(self, out: list[Due], tick: int) -> None:
        """The box was away: whatever it was told counts no more."""
        self.deck.told_silent = None
        self._run.told.pop(self.address, None)
        self.tell_program(out, tick, self.deck.pattern)
        if self._run.spans:
            out += self._run.mutes.apply(self.deck, tick)

    def renew(
        self, out: list[Due], device: Device, patterns: dict[str, Pattern], tick: int
    ) -> None:
        """An edited plan: device and patterns as they are there, from here on."""
        deck = self.deck
        if self._coming is not None:
            self._coming = tuple(patterns[p.id] for p in self._coming if p.id in patterns)
        chain = tuple(patterns[p.id] for p in deck.chain if p.id in patterns)
        if chain == deck.chain and device == deck.device:
            return
        played = deck.pattern.id if deck.pattern is not None else ""
        deck.device = device
        deck.generation += 1
        deck.chain = chain
        deck.position %= max(1, len(chain))
        self.start_lanes(out, tick, played)
        self.schedule_chain(tick)

    # Another chain in the middle of a section

    def swap(self, chain: tuple[Pattern, ...], tick: int, at: SwapAt, *, by_hand: bool) -> None:
        """Go over to another chain: where the pattern ends, on the next bar, or at once."""
        run = self._run
        self._swap += 1
        self._coming, self._falls = chain, max(tick, self._swap_at(tick, at))
        self._swapped = chain if by_hand else None
        told_at = max(self._falls - run.lead(self.device), tick)
        for moment, tells in ((told_at, True), (self._falls, False)):
            run.scheduler.at(moment, SwapFalls(self.deck, self._swap, tells))

    def _swap_at(self, tick: int, at: SwapAt) -> int:
        run, deck = self._run, self.deck
        if at == "now":
            return tick
        if at == "end" and deck.pattern is not None:
            whole = sounding(deck.pattern, deck.device).ticks
            return deck.entered + next_multiple(max(0, tick - deck.entered), whole)
        start = run.course.start
        return start + next_multiple(max(0, tick - start), run.span.scene.meter.bar_ticks)

    def swap_falls(self, out: list[Due], tick: int, what: SwapFalls) -> None:
        """It goes over to what waits, or its box is told that it will."""
        chain = self._coming
        if what.token != self._swap or chain is None:
            return
        if what.tells:
            self.tell_program(out, tick, chain[0] if chain else None)
            return
        self.go_over(out, tick, chain)
        scene_s = self._run.chain(self._run.span.scene.part(self.device.id))
        pattern = "" if chain == scene_s or not chain else chain[0].id
        self._run.note(Swapped(tick, self.device.id, pattern))

    def go_over(
        self, out: list[Due], tick: int, chain: tuple[Pattern, ...], since: int | None = None
    ) -> None:
        """Play another chain from here on; `since`: the tick it went over to it, where that is
        past. Cut in mid-bar, it stands as it would had it come in on the bar line before."""
        deck, begun = self.deck, tick if since is None else since
        self._swap, self._coming = self._swap + 1, None
        self._before_fill = None
        ends = deck.pattern is not None and not (
            (begun - deck.entered) % sounding(deck.pattern, deck.device).ticks
        )
        self._begin_again(out, tick, chain, begun if ends else self._run.course.bar_before(begun))

    def fill(self, out: list[Due], tick: int, part: Part, *, on: bool) -> None:
        """A fill begins, or is over: a box of its own is told, a line with a pattern for it goes
        over to that, in time with the bar, and back to where it would be by now."""
        device, deck = self.device, self.deck
        number = device.spec.fill_controller
        if device.plays == "own" and number is not None and box_of(device.id) == device.id:
            self.knobs.turn(out, tick, None, number, 127 if on else 0)
        pattern = self._run.patterns_of(device.id).get(part.fill)
        if on and pattern is not None and self._before_fill is None:
            self._before_fill = (deck.chain, deck.began)
            self._begin_again(out, tick, (pattern,), self._run.course.bar_before(tick))
        elif not on and self._before_fill is not None:
            chain, began = self._before_fill
            self._before_fill = None
            self._begin_again(out, tick, chain, began)

    def _begin_again(
        self, out: list[Due], tick: int, chain: tuple[Pattern, ...], origin: int
    ) -> None:
        self._begin(out, tick, chain, origin)
        out += self._run.mutes.apply(self.deck, tick)

    def _begin(self, out: list[Due], tick: int, chain: tuple[Pattern, ...], origin: int) -> None:
        """A chain that counts from `origin` plays from here on, in place of what did."""
        deck = self.deck
        deck.generation += 1
        deck.begin(chain, origin, tick)
        self.tell_program(out, tick, deck.pattern)
        self.start_lanes(out, tick)
        self.schedule_chain(tick)

    def take_edited_part(self, part: Part, tick: int) -> None:
        """The scene that plays gives it another chain: it goes over where its pattern ends."""
        chain = self._run.chain(part)
        waiting = self.deck.chain if self._coming is None else self._coming
        if self._swapped is None and [p.id for p in chain] != [p.id for p in waiting]:
            self.swap(chain, tick, "end", by_hand=False)

    def ends_after(self, tick: int) -> int:
        """The first tick after this one at which its pattern, or the section, is over."""
        deck, boundary = self.deck, self._run.boundary
        if deck.pattern is None:
            return boundary
        whole = sounding(deck.pattern, deck.device).ticks
        return min(boundary, deck.entered + ((tick - deck.entered) // whole + 1) * whole)

    def halt(self, out: list[Due], tick: int) -> None:
        """Its notes end; a box left silent would stay so under the performer's hands."""
        out += self.deck.end_notes(tick)
        self.knobs.halt(out, tick)
        if self.deck.told_silent:
            out += tell_silent(self.deck, tick, silent=False)

    def gone(self, out: list[Due], tick: int) -> None:
        """It has left the rig."""
        out += self.deck.end_notes(tick)
        self.deck.generation += 1


class DevicePlayers:
    """All of them, in the plan's order."""

    def __init__(self, run: Run) -> None:
        self._run = run
        self.by_id: dict[str, DevicePlayer] = {}
        self.reset()

    def __iter__(self) -> Iterator[DevicePlayer]:
        return iter(self.by_id.values())

    def __contains__(self, device: str) -> bool:
        return device in self.by_id

    def get(self, device: str) -> DevicePlayer | None:
        """The player of a device; None where the plan has none."""
        return self.by_id.get(device)

    def reset(self) -> None:
        """Begin anew."""
        self.by_id = {}
        for box in self._run.plan.devices:
            for line in box.lines:
                self.by_id[line.id] = self._made(box, line)
        self._find_who_tells()

    def _made(self, box: Device, line: Device) -> DevicePlayer:
        """The player of a line; the one of its box is there already."""
        track = box.track(track_of(line.id))
        shared = self.by_id[box.id] if track is not None and track.patterns == "box" else None
        return DevicePlayer(self._run, line, shared)

    def _find_who_tells(self) -> None:
        """Lines that are told on one channel of one box: who comes first is who tells."""
        there: dict[tuple[str, int], tuple[DevicePlayer, ...]] = {}
        for player in self:
            player.before = ()
            if player.told_ahead:
                player.before = there.get(player.address, ())
                there[player.address] = (*player.before, player)

    def renew(self) -> list[Due]:
        """An edited plan: patterns from here on; devices that are new or gone."""
        run, out = self._run, list[Due]()
        old, self.by_id = self.by_id, {}
        patterns = {p.id: p for p in run.plan.patterns}
        for box in run.plan.devices:
            for line in box.lines:
                made = self._made_or_kept(box, line, old.pop(line.id, None))
                self.by_id[line.id] = made
                made.renew(out, line, patterns, run.tick)
        self._find_who_tells()
        for player in old.values():
            player.gone(out, run.tick)
        return out

    def _made_or_kept(self, box: Device, line: Device, old: DevicePlayer | None) -> DevicePlayer:
        """Its player as it was, with what it shares with its box as it is now."""
        made = self._made(box, line)
        if old is None:
            return made
        old.deck.box = made.deck.box
        return old

    def apply_mutes(self, tick: int, box: str = "") -> list[Due]:
        """Silence what is to be silent now, of one box or of all; before the first section is in
        nothing has been given yet, and it comes in as is said by then."""
        if self._run.course.opening is not None:
            return []
        out = [
            due
            for player in self
            if box in ("", box_of(player.device.id))
            for due in self._run.mutes.apply(player.deck, tick)
        ]
        self.note_silence(tick)
        return out

    def fill(self, tick: int, *, on: bool) -> list[Due]:
        """A fill begins on all lines that have one, or is over."""
        out, run = list[Due](), self._run
        if run.running and run.course.opening is None:
            for player in self:
                player.fill(out, tick, run.span.scene.part(player.device.id), on=on)
        return out

    def hold_dice(self, *, on: bool) -> list[Due]:
        """What changes by itself stays as it is, or goes on from there: nothing is sent for it."""
        self._run.dice_held = on
        for player in self:
            for lane in player.deck.lanes:
                lane.hold(on=on)
        return []

    def note_silence(self, tick: int) -> None:
        """Remember what is silent from here on."""
        run, silent = self._run, list[tuple[str, str]]()
        for player in self:
            line = player.device.id
            if run.mutes.is_silent(line):
                silent.append((line, ""))
            else:
                silent += [(line, lane.row) for lane in player.deck.lanes if lane.silent]
        by_hand = bool(run.mutes.by_hand or run.mutes.solos)
        run.note(Silenced(tick, tuple(silent), by_hand))
