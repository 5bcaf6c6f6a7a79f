"""One device: what it plays in a section, its chain, its programs, and its notes."""

from __future__ import annotations

from collections.abc import Iterator

from grebe.core.patterns.model import Pattern
from grebe.core.player.deck import Deck, lanes_of
from grebe.core.player.events import ControlChange, Due, ProgramChange
from grebe.core.player.mutes import tell_silent
from grebe.core.player.plan import sounding
from grebe.core.player.run import Run
from grebe.core.player.scheduler import ChainStep
from grebe.core.rig.model import Device
from grebe.core.songs.model import Part


class DevicePlayer:
    """Plays one device's part."""

    def __init__(self, run: Run, device: Device) -> None:
        self._run = run
        self.deck = Deck(device)

    @property
    def device(self) -> Device:
        """The device."""
        return self.deck.device

    @property
    def told_ahead(self) -> bool:
        """Whether its box is told of a pattern before that begins."""
        return self.device.plays == "own" and self.device.obeys_program

    def take_part(
        self, out: list[Due], tick: int, origin: int, part: Part, *, placed: bool
    ) -> None:
        """Play a part that counts from `origin`; one pattern that runs already carries on.

        Where the song goes to a certain place (`placed`) only if it stands as it would there.
        """
        run, deck = self._run, self.deck
        chain = run.chain(part)
        if deck.carries_on(chain) and not (placed and deck.is_off(origin)):
            deck.chain = chain
            self.tell_program(out, tick, deck.pattern)
        else:
            deck.generation += 1
            deck.begin(chain, origin, tick)
            self.tell_program(out, tick, deck.pattern)
            self.start_lanes(tick)
            self.schedule_chain(tick)
        if part.tracks is not None:
            out += run.loopers.want(deck.device.id, part.tracks, tick)
        for value in part.values:
            self.turn(out, tick, value.channel, value.controller, value.value)
        out += run.mutes.apply(deck, tick)

    def turn(
        self, out: list[Due], tick: int, channel: int | None, controller: int, value: int
    ) -> None:
        """A controller takes a value."""
        change = ControlChange(
            channel=channel or self.device.channel, controller=controller, value=value
        )
        out.append((tick, self.device.id, change))

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
        run, deck, device = self._run, self.deck, self.device
        if not self.told_ahead or pattern is None:
            return
        if any(b.device == device.id for b in run.chapters.box_songs(run.course.index)):
            return  # its own song memory says which
        if pattern.program is not None and pattern.program != deck.told_program:
            deck.told_program = pattern.program
            change = ProgramChange(channel=device.channel, program=pattern.program)
            out.append((tick, device.id, change))

    def start_lanes(self, tick: int, before: str = "") -> None:
        """Begin what is played; `before` is the pattern it played until an edit just now."""
        run, deck = self._run, self.deck
        edited = deck.lanes if deck.pattern is not None and deck.pattern.id == before else []
        deck.lanes = []
        if deck.device.plays != "grebe" or deck.pattern is None:
            return
        for lane in lanes_of(deck, deck.pattern.content, deck.origin, run.plan.seed, edited):
            lane.seek(tick)
            lane.silent = run.mutes.is_silent(deck.device.id, lane.row)
            deck.lanes.append(lane)
            run.scheduler.stroke(lane)

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
            self.start_lanes(tick)
        self.schedule_chain(tick)

    def tell_what_plays(self, out: list[Due], tick: int) -> None:
        """The box was told of what now does not come: it is told what plays on."""
        deck = self.deck
        coming = deck.following if len(deck.chain) > 1 else None
        if coming is None or deck.told_program != coming.program:
            self.tell_program(out, tick, deck.pattern)

    def tell_again(self, out: list[Due], tick: int) -> None:
        """The box was away: whatever it was told counts no more."""
        self.deck.told_program = self.deck.told_silent = None
        self.tell_program(out, tick, self.deck.pattern)
        if self._run.spans:
            out += self._run.mutes.apply(self.deck, tick)

    def renew(self, device: Device, patterns: dict[str, Pattern], tick: int) -> None:
        """An edited plan: device and patterns as they are there, from here on."""
        deck = self.deck
        chain = tuple(patterns[p.id] for p in deck.chain if p.id in patterns)
        if chain == deck.chain and device == deck.device:
            return
        played = deck.pattern.id if deck.pattern is not None else ""
        deck.device = device
        deck.generation += 1
        deck.chain = chain
        deck.position %= max(1, len(chain))
        self.start_lanes(tick, played)
        self.schedule_chain(tick)

    def halt(self, out: list[Due], tick: int) -> None:
        """Its notes end; a box left silent would stay so under the performer's hands."""
        out += self.deck.end_notes(tick)
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
        self.by_id = {d.id: DevicePlayer(self._run, d) for d in self._run.plan.devices}

    def renew(self) -> list[Due]:
        """An edited plan: patterns from here on; devices that are new or gone."""
        run, out = self._run, list[Due]()
        old, self.by_id = self.by_id, {}
        patterns = {p.id: p for p in run.plan.patterns}
        for device in run.plan.devices:
            player = old.pop(device.id, None) or DevicePlayer(run, device)
            self.by_id[device.id] = player
            player.renew(device, patterns, run.tick)
        for player in old.values():
            player.gone(out, run.tick)
        return out

    def apply_mutes(self, tick: int) -> list[Due]:
        """Silence what is to be silent now."""
        return [due for player in self for due in self._run.mutes.apply(player.deck, tick)]
