"""What one line is doing: its chain, its voices' cursors, and the notes it holds."""

from __future__ import annotations

from bisect import bisect_left
from collections.abc import Sequence
from functools import lru_cache
from operator import itemgetter
from typing import NamedTuple, TypeAlias

from grebe.core.patterns.model import Content, ControlLane, Pattern, Voice
from grebe.core.patterns.passes import (
    HELD_TICKS,
    Passes,
    Sound,
    dice_key,
    lane_changes,
    lane_is_steady,
    passes_of,
)
from grebe.core.player.events import ControlChange, DeviceEvent, Due, NoteOff, NoteOn
from grebe.core.player.plan import sounding
from grebe.core.rig.model import Device

Entry: TypeAlias = tuple[int, int, int, DeviceEvent | None, NoteOff | None, bool | None]
"""(tick from `base`, gate in ticks, key, what begins, what ends it, only while a fill is held).

The key is channel * 128 + note, CONTROL for a controller, REST where a pass is silent.
"""
CONTROL, REST = -1, -2
_first = itemgetter(0)


class Lane:
    """A cursor over what one voice or controller lane sends, pass after pass for ever."""

    __slots__ = (
        "alike", "base", "behind", "channel", "cycle", "deck", "early", "generation", "index",
        "kept", "notes", "number", "origin", "row", "silent", "steady",
    )  # fmt: skip

    def __init__(self, deck: Deck, row: str, channel: int, origin: int, cycle: int) -> None:
        self.deck = deck
        self.row = row
        """Id of the voice or lane."""
        self.channel = channel
        """The channel it sends on."""
        self.generation = deck.generation
        self.cycle = cycle
        self.origin = origin
        self.early = 0
        """How far before its beginning a pass can sound, in ticks."""
        self.steady = True
        """Whether every pass but the first is like the second."""
        self.number = 0
        self.base = origin
        self.index = 0
        self.silent = False
        self.kept: int | None = None
        """The pass that is played again and again, while what changes by itself is held."""
        self.behind = 0
        """So many passes it has been held."""
        self.notes: list[Entry] = []
        self.alike: list[Entry] | None = None
        """What every pass sends, where all are the same and none reaches into another."""

    @property
    def held_over(self) -> tuple[Entry, ...]:
        """Notes that last as long as it plays, as its first pass strikes them."""
        return ()

    @property
    def lets_go(self) -> bool:
        """Whether what it holds over the end of a pass is to end when something else plays."""
        return False

    def entries(self, number: int) -> list[Entry]:
        """What pass `number` sends, by ticks from the lane's origin."""
        raise NotImplementedError  # no ABC: asking an instance for one costs half a stroke

    def hold(self, *, on: bool) -> None:
        """Have the pass that plays again and again, or go on from it."""
        if on and self.kept is None:
            self.kept = self.number - self.behind
        elif not on and self.kept is not None:
            self.behind, self.kept = self.number - self.kept, None

    def _played(self, number: int) -> list[Entry]:
        """What pass `number` sends: itself, or an earlier one where it is or was held."""
        like = max(0, number - self.behind)
        if self.kept is not None:
            like = min(number, self.kept)
        later = (number - like) * self.cycle
        rows = self.entries(like)
        return [(r[0] + later, *r[1:]) for r in rows] if later else rows

    def seek(self, tick: int) -> None:
        """Move to the first entry that is not before `tick`."""
        self._load(max(0, (tick - self.origin + self.early) // self.cycle))
        self.index = bisect_left(self.notes, tick - self.base, key=_first)
        if self.index == len(self.notes):
            self.index -= 1
            self.step()
        while self.next_tick() < tick:
            self.step()

    def next_tick(self) -> int:
        """Tick of the entry under the cursor."""
        return self.base + self.notes[self.index][0]

    def step(self) -> None:
        """Move to the following entry."""
        self.index += 1
        if self.index == len(self.notes):
            if self.steady and self.number:
                self.number += 1
                self.base += self.cycle
                self.index = 0
            else:
                self._load(self.number + 1)

    def _load(self, number: int) -> None:
        """Take what sounds between the first stroke of pass `number` and that of the next."""
        self.number, self.index = number, 0
        self.base = self.origin + number * self.cycle
        if self.alike is not None:
            self.notes = self.alike
            return
        base = number * self.cycle
        begin, end = base - self.early, base - self.early + self.cycle
        rows = [r for r in self._played(number) if r[0] < end]
        if self.early:
            rows += [r for r in self._played(number + 1) if r[0] < end]
        if number:
            rows += [r for r in self._played(number - 1) if r[0] >= begin]
        rows = [(max(0, r[0]) - base, *r[1:]) for r in rows]
        rows.sort(key=_first)
        self.notes = rows or [(self.cycle - self.early - 1, 0, REST, None, None, None)]


class VoiceLane(Lane):
    """The notes of one voice."""

    __slots__ = ("_key", "_passes")

    def __init__(
        self, deck: Deck, content: Content, voice: Voice, origin: int, seed: int,
        before: VoiceLane | None = None,
    ) -> None:  # fmt: skip
        """`before`: the lane of the same voice before an edit; what it worked out is taken over."""
        like = None if before is None else before._passes
        self._passes: Passes = passes_of(content, voice, like)
        channel = voice.channel or deck.device.channel
        super().__init__(deck, voice.id, channel, origin, self._passes.cycle)
        self._key = dice_key(seed, deck.device.id, voice.id, content)
        self.early, self.steady = self._passes.early_ticks, self._passes.steady
        if before is None or before.channel != channel:
            self.alike = _alike(self._passes, channel)
        elif before._passes is self._passes:
            self.alike = before.alike
        else:
            self.alike = _alike_after(self._passes, channel, before._passes, before.alike)

    @property
    def held_over(self) -> tuple[Entry, ...]:
        """Notes that are tied round into themselves."""
        if not self._passes.wraps:
            return ()
        sounds = [s for s in self._passes.sounds(0) if s.gate_ticks == HELD_TICKS]
        return tuple(_entries(sounds, self.channel))

    @property
    def lets_go(self) -> bool:
        """Where its last hit is tied into its first."""
        return self._passes.wraps

    def entries(self, number: int) -> list[Entry]:
        """The notes of a pass."""
        return _entries(self._passes.sounds(number, self._key), self.channel)


def _entries(sounds: list[Sound], channel: int) -> list[Entry]:
    return [
        (
            s.tick,
            s.gate_ticks,
            channel * 128 + s.note,
            NoteOn(channel=channel, note=s.note, velocity=s.velocity),
            NoteOff(channel=channel, note=s.note),
            s.fill,
        )
        for s in sounds
    ]


@lru_cache(maxsize=4096)
def _alike(passes: Passes, channel: int) -> list[Entry] | None:
    """What every pass of a voice sends, if all are the same and none reaches into another.

    Kept: a chain that changes every bar would work it out every bar.
    """
    return _entries(passes.sounds(0), channel) if _is_alike(passes) else None


def _is_alike(passes: Passes) -> bool:
    if not passes.steady or passes.early_ticks or passes.wraps:
        return False
    sounds = passes.sounds(0)
    return bool(sounds) and sounds[0].tick >= 0 and sounds[-1].tick < passes.cycle


def _alike_after(
    passes: Passes, channel: int, before: Passes, known: list[Entry] | None
) -> list[Entry] | None:
    """The same after an edit: what sounds as it did is not made anew."""
    if not _is_alike(passes):
        return None
    kept: dict[int, Entry] = {}
    if known is not None:
        kept = {id(sound): entry for sound, entry in zip(before.sounds(0), known, strict=True)}
    return [kept.get(id(s)) or _entries([s], channel)[0] for s in passes.sounds(0)]


class ControllerLane(Lane):
    """The values of one controller."""

    __slots__ = ("_content", "_key", "_lane")

    def __init__(
        self, deck: Deck, content: Content, lane: ControlLane, origin: int, seed: int
    ) -> None:
        channel = lane.channel or deck.device.channel
        super().__init__(deck, lane.id, channel, origin, content.ticks_of(lane))
        self._content, self._lane = content, lane
        self._key = dice_key(seed, deck.device.id, lane.id, content)
        self.steady = lane_is_steady(lane)

    def entries(self, number: int) -> list[Entry]:
        """The values of a pass."""
        return [
            (
                c.tick,
                0,
                CONTROL,
                ControlChange(
                    channel=self.channel, controller=self._lane.controller, value=c.value
                ),
                None,
                c.fill,
            )
            for c in lane_changes(self._content, self._lane, number, self._key)
        ]


def lanes_of(
    deck: Deck, content: Content, origin: int, seed: int, before: Sequence[Lane] = ()
) -> list[Lane]:
    """Cursors over everything a content sends: its controllers first, so that a note has them.

    `before`: those of the same pattern before an edit.
    """
    known = {lane.row: lane for lane in before if isinstance(lane, VoiceLane)}
    lanes: list[Lane] = [
        ControllerLane(deck, content, lane, origin, seed) for lane in content.lanes if lane.points
    ]
    lanes += [
        VoiceLane(deck, content, v, origin, seed, known.get(v.id))
        for v in content.voices
        if v.hits or v.turned
    ]
    return lanes


class NoteEnds(NamedTuple):
    """A note that sounds ends."""

    deck: Deck
    key: int


class Deck:
    """The state of one line, a box or a track, while the player runs."""

    def __init__(self, device: Device, box: Deck | None = None) -> None:
        """`box`: of a track whose patterns are rows of its box's, what the box is doing."""
        self.device = device
        self.box = box
        self.chain: tuple[Pattern, ...] = ()
        self.position = 0
        """Index in the chain of the pattern now playing."""
        self.entered = 0
        """Tick where this place in the chain began."""
        self.origin = 0
        """Tick from which the voices count; older than `entered` while a pattern repeats."""
        self.began = 0
        """Tick from which the chain counts."""
        self.generation = 0
        """Raised whenever what is playing is replaced, so that older entries are ignored."""
        self.lanes: list[Lane] = []
        self.held: dict[int, tuple[int, NoteOff]] = {}
        """Notes sounding: channel*128+note to the tick of their end and the event for it."""
        self.ends: dict[int, NoteEnds] = {}
        """Kept by key: one would be made for every note."""
        self.told_silent: bool | None = None

    def begin(self, chain: tuple[Pattern, ...], origin: int, tick: int) -> None:
        """Begin a chain that counts from `origin`, at its place at `tick`."""
        self.chain, self.position, self.entered, self.origin = chain, 0, origin, origin
        self.began = origin
        while len(chain) > 1:
            pattern, following = chain[self.position], self.following
            length = sounding(pattern, self.device).ticks
            if self.entered + length > tick:
                break
            self.entered += length
            self.position = (self.position + 1) % len(chain)
            if following is not None and following.id != pattern.id:
                self.origin = self.entered

    def end_of(self, key: int) -> NoteEnds:
        """What stands for the end of a note."""
        return self.ends.get(key) or self.ends.setdefault(key, NoteEnds(self, key))

    def let_go(self, tick: int, *, all_of_them: bool) -> list[Due]:
        """Notes held over the end of a pass end when something else plays; after an edit those
        that the lanes would hold still stay (unless `all_of_them`)."""
        kept = set() if all_of_them else {e[2] for lane in self.lanes for e in lane.held_over}
        ending = {k for k, (end, _) in self.held.items() if end >= HELD_TICKS and k not in kept}
        if all_of_them:
            ending |= {n[2] for lane in self.lanes if lane.lets_go for n in lane.notes}
        return [(tick, self.device.id, self.held.pop(key)[1]) for key in ending & self.held.keys()]

    def strike_held(self, tick: int) -> list[Due]:
        """Notes that are to be held and were begun before `tick`: begun now, where they do not
        sound."""
        out: list[Due] = []
        for lane in self.lanes:
            for at, gate, key, on, off, _ in () if lane.silent else lane.held_over:
                if lane.origin + at < tick and key not in self.held and on and off:
                    self.held[key] = (tick + gate, off)
                    out.append((tick, self.device.id, on))
        return out

    def end_notes(self, tick: int) -> list[Due]:
        """The ends, at `tick`, of all notes that sound; none does afterwards."""
        ends: list[Due] = [(tick, self.device.id, off) for _, off in self.held.values()]
        self.held.clear()
        return ends

    @property
    def is_given(self) -> bool:
        """Whether it has something to play, by itself or as a part of its box."""
        return bool(self.chain) or (self.box is not None and self.box.is_given)

    @property
    def pattern(self) -> Pattern | None:
        """The pattern now playing, or None in silence."""
        return self.chain[self.position] if self.chain else None

    @property
    def following(self) -> Pattern | None:
        """The pattern that comes after this one in the chain."""
        return self.chain[(self.position + 1) % len(self.chain)] if self.chain else None

    def is_off(self, origin: int) -> bool:
        """Whether the pattern that runs stands otherwise than one that counts from `origin`."""
        pattern = self.pattern
        return pattern is not None and bool(
            (origin - self.origin) % sounding(pattern, self.device).ticks
        )

    def carries_on(self, chain: tuple[Pattern, ...]) -> bool:
        """Whether a scene asking for `chain` changes nothing: one pattern, already running."""
        return len(chain) == 1 and [p.id for p in chain] == [p.id for p in self.chain]
