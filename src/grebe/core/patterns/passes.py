"""What each pass through a voice sounds like: swing, flams, ratchets, ties, chance and conditions.

The player, the stand-ins, the drawing and the files all take it from here, so
that a hit is drawn where it sounds and a render equals the take.
"""

from __future__ import annotations

from functools import cached_property, lru_cache
from operator import itemgetter
from typing import NamedTuple

import msgspec

from grebe.core.patterns.model import Content, ControlLane, ControlPoint, Hit, Voice
from grebe.core.rng import key_of, pick, roll
from grebe.core.time.swing import swung
from grebe.core.time.ticks import CLOCK_TICKS

FLAM_SOFTER = 0.6
"""Velocity of a flam's first stroke to that of the hit."""
ONE_SHOT_TICKS = CLOCK_TICKS
"""A struck note that is not held: as long as one clock, so that every box notices it."""
LEGATO_TICKS = CLOCK_TICKS // 8
"""A tied note lasts this far into the next one, so that a box slides instead of striking."""
GLIDE_TICKS = CLOCK_TICKS // 2
"""A glide sends at most this often: 48 a quarter note, a fifth of a MIDI cable at 126 BPM."""

HELD_TICKS = 1 << 52
"""The length of a note that is tied round into itself: it lasts as long as its pattern plays."""

KEPT_PASSES = 64
KEPT_THROWS = 8
FRESH = 100
"""Velocity of a hit where nothing is written to take it from."""
_FILLS = {"fill": True, "no fill": False}
_CHANCE, _STEP, _DRAWN, _PITCH, _TURNED = 1, 2, 3, 4, 5  # what is rolled for
_BY_HAND = frozenset(("", "fill", "no fill"))
"""Conditions that the pass does not decide."""
_tick = itemgetter(0)


class Sound(NamedTuple):
    """One note as it sounds, counted from where its voice began."""

    tick: int
    note: int
    velocity: int
    gate_ticks: int
    step: int
    """The step it is written on."""
    fill: bool | None = None
    """Only while a fill is held, or only while none is; None: always."""
    lead: bool = False
    """The first, softer stroke of a flam."""


class LaneValue(NamedTuple):
    """One controller value as it is sent, counted from where its lane began."""

    tick: int
    value: int
    step: int
    fill: bool | None = None
    """As of a sound."""


class Passes:
    """A voice of a content, pass by pass. Make it by `passes_of`, which keeps them."""

    def __init__(self, content: Content, voice: Voice, like: Passes | None = None) -> None:
        """`like`: the same voice before an edit; what its other hits sound like is taken over."""
        self.content = content
        self.voice = voice
        self.cycle = content.ticks_of(voice)
        """Ticks of one pass."""
        step = content.step_of(voice)
        # Whole numbers from here on: fractions would cost most of a redraw.
        self._num, self._den = step.numerator, step.denominator
        self._swing, self._unit = _swing_of(content, voice)
        self._hits: dict[int, Hit] = {hit.step: hit for hit in voice.hits}
        # Sets, here and below: a generator's calls would be most of what an edit costs.
        certain = {h.chance for h in voice.hits} <= {100} and (
            {h.when for h in voice.hits} <= _BY_HAND
        )
        straight = self._swing == 50 or self.cycle % (2 * self._unit) == 0
        changing = voice.direction == "random" or voice.drawn or voice.turned
        self.steady = certain and straight and not changing
        """Whether every pass is like the first."""
        self.wraps = self.steady and _wraps(voice)
        """Whether its last hit is tied over the end into the first of the next pass, which is
        then not struck again. Every pass but the first is alike all the same."""
        self._struck: dict[Hit, list[Sound]] = {}
        """What each hit sounds like in the first pass."""
        if like is not None and like._way == self._way:
            self._struck = like._struck
        self._turned: dict[int, list[int]] = {}
        """By the key of the dice: which steps are turned over in each pass, a bit a step."""
        self._full: dict[int, list[Sound]] = {}
        """Passes as they are when every hit plays."""
        ahead = max(
            [h.flam - h.shift_permille if h.shift_permille < 0 else h.flam for h in voice.hits],
            default=0,
        )
        self.early_ticks = ahead * self._num // (self._den * 1000)
        """How far before its beginning a pass can sound."""

    @property
    def _way(self) -> tuple[object, ...]:
        """What, besides a hit itself, decides what it sounds like."""
        voice = self.voice
        return (self._num, self._den, self._swing, self._unit, voice.note, voice.one_shot)

    def sounds(self, number: int, key: int | None = None) -> list[Sound]:
        """Pass `number` (from 0), in order of time.

        `key` is that of the dice, by `dice_key`; None plays every hit that
        could be played. Not to be changed: it may be shared.
        """
        if key is None:
            kept = self._full.get(number)
            if kept is None:
                if len(self._full) >= KEPT_PASSES:
                    self._full.clear()
                kept = self._full[number] = self._made(number, None)
            return kept
        return self._made(number, key)

    def _first_of_all(self) -> list[Sound]:
        """The first pass of a voice that runs forward and ties nothing, every hit playing."""
        out: list[Sound] = []
        struck: dict[Hit, list[Sound]] = {}
        for hit in self.voice.hits:
            made = self._struck.get(hit)
            if made is None:
                made = []
                self._strike(made, hit.step * self._num // self._den, hit)
            struck[hit] = made
            out += made
        self._struck = struck
        out.sort(key=_tick)
        return out

    def _made(self, number: int, key: int | None) -> list[Sound]:
        plain = number == 0 and key is None and self.voice.direction == "forward"
        if plain and True not in {hit.tie for hit in self.voice.hits}:
            return self._first_of_all()
        out: list[Sound] = []
        before: bool | None = None
        ties: list[tuple[int, int]] = []
        hits = self._hits if key is None else self._turned_over(number, key)
        for place, step in self._steps(number, key, hits):
            hit = hits.get(step)
            if hit is None:
                continue
            plays = key is None or self._plays(hit, number, key, before)
            if hit.chance < 100 or hit.when not in _BY_HAND:
                before = plays
            if plays:
                first = len(out)
                straight = number * self.cycle + place * self._num // self._den
                self._strike(out, straight, self._drawn(hit, number, key))
                if hit.tie and hit.ratchet == 1:
                    ties.append((first, len(out)))
        if ties:
            self._tie(out, ties, (number + 1) * self.cycle)
        if self.wraps:
            self._tie_over_the_end(out, number)
        out.sort(key=_tick)
        return out

    def _tie_over_the_end(self, out: list[Sound], number: int) -> None:
        """The last hit lasts into the first of the next pass; where that lasts to the end itself,
        the note is held from its first stroke on."""
        begin, end = number * self.cycle, (number + 1) * self.cycle
        first = min(s.tick for s in out)
        for head in [s for s in out if s.tick == first]:
            tail = next(
                (s for s in out if s.note == head.note and s.tick + s.gate_ticks >= end), None
            )
            if tail is None:
                continue
            gate = HELD_TICKS
            if tail is not head:
                gate = end + (head.tick - begin) + head.gate_ticks - tail.tick
            if number and tail is head:
                out.remove(head)
                continue
            out[out.index(tail)] = tail._replace(gate_ticks=gate)
            if number:
                out.remove(head)

    def between(self, begin: int, end: int, key: int | None = None) -> list[Sound]:
        """What sounds from tick `begin` up to `end`, from whichever pass; early ones at 0."""
        first = max(0, (begin - self.cycle) // self.cycle)
        last = (end + self.early_ticks) // self.cycle
        out: list[Sound] = []
        for number in range(first, last + 1):
            # Of a steady voice all passes are like the first, or, tied over the end, the second.
            like = min(number, int(self.wraps)) if self.steady else number
            later = (number - like) * self.cycle
            for sound in self.sounds(like) if self.steady else self.sounds(number, key):
                tick = max(0, sound.tick + later)
                if begin <= tick < end:
                    out.append(sound._replace(tick=tick))
        return out

    def _steps(
        self, number: int, key: int | None, hits: dict[int, Hit]
    ) -> list[tuple[int, int]]:  # fmt: skip
        """(place in the pass, step) in the order they are played."""
        length, direction = self.voice.length, self.voice.direction
        if direction == "forward" or (direction == "random" and key is None):
            return [(step, step) for step in hits]
        if direction == "backward":
            return [(place, length - 1 - place) for place in range(length)]
        if direction == "random":
            pass_number, dice = _pass_of(self.content, number), key or 0
            return [
                (place, pick(dice, length, pass_number, _STEP, place)) for place in range(length)
            ]
        there = [(place, place) for place in range(length)]
        return there + [(length + place, length - 1 - place) for place in range(length)]

    def _plays(self, hit: Hit, number: int, key: int, before: bool | None) -> bool:
        if not _meets(hit.when, number, before):
            return False
        if hit.chance == 100:
            return True
        pass_number = _pass_of(self.content, number)
        return roll(key, pass_number, _CHANCE, hit.step) * 100 < hit.chance

    def _turned_over(self, number: int, key: int) -> dict[int, Hit]:
        """The hits of a pass, by step in order, after all that was turned over up to it."""
        voice = self.voice
        if not voice.turned:
            return self._hits
        if len(self._turned) >= KEPT_THROWS and key not in self._turned:
            self._turned.clear()
        known = self._turned.setdefault(key, [0])
        wanted = _pass_of(self.content, number)
        while len(known) <= wanted:
            bits = sum(
                1 << step
                for step in range(voice.length)
                if roll(key, len(known), _TURNED, step) * 100 < voice.turned
            )
            known.append(known[-1] ^ bits)
        bits = known[wanted]
        loud = sum(h.velocity for h in voice.hits) // len(voice.hits) if voice.hits else FRESH
        out: dict[int, Hit] = {}
        for step in range(voice.length):
            hit = self._hits.get(step)
            if bits >> step & 1:
                hit = Hit(step=step, velocity=loud) if hit is None else None
            if hit is not None:
                out[step] = hit
        return out

    def _drawn(self, hit: Hit, number: int, key: int | None) -> Hit:
        """The hit with another of the voice's pitches, where the dice say so."""
        drawn = self.voice.drawn
        if key is None or not drawn:
            return hit
        pass_number = _pass_of(self.content, number)
        if roll(key, pass_number, _DRAWN, hit.step) * 100 >= drawn:
            return hit
        at = pick(key, len(self._pitches), pass_number, _PITCH, hit.step)
        return msgspec.structs.replace(hit, note=self._pitches[at])

    @cached_property
    def _pitches(self) -> list[int]:
        """Those that are written in the voice, each once."""
        voice = self.voice
        return sorted({voice.note if hit.note is None else hit.note for hit in voice.hits})

    def _strike(self, out: list[Sound], straight: int, hit: Hit) -> None:
        tick = straight if self._swing == 50 else swung(straight, self._unit, self._swing)
        num, den = self._num, self._den
        tick += hit.shift_permille * num // (den * 1000)
        voice = self.voice
        base = voice.note if hit.note is None else hit.note
        notes = [base]
        if hit.chord:
            notes = [n for n in (base, *(base + c for c in hit.chord)) if 0 <= n <= 127]
        fill = _FILLS.get(hit.when)
        strokes = hit.ratchet
        gate = max(1, num * hit.gate_length // (den * 100 * strokes))
        if voice.one_shot:
            gate = ONE_SHOT_TICKS
        if hit.flam:
            lead = hit.flam * num // (den * 1000)
            softer = max(1, round(hit.velocity * FLAM_SOFTER))
            out += [
                Sound(tick - lead, n, softer, max(1, lead // 2), hit.step, fill, lead=True)
                for n in notes
            ]
        for stroke in range(strokes):
            velocity = hit.velocity
            if stroke:
                to = hit.ratchet_to / 100 * stroke / (strokes - 1) + 1 - stroke / (strokes - 1)
                velocity = min(127, max(1, round(velocity * to)))
            at = tick + num * stroke // (den * strokes)
            out += [Sound(at, n, velocity, gate, hit.step, fill) for n in notes]

    @staticmethod
    def _tie(out: list[Sound], ties: list[tuple[int, int]], end: int) -> None:
        """Lengthen tied hits into what follows; what has the same pitch is not struck again."""
        for first, after in reversed(ties):
            follows = next((s for s in out[after:] if not s.lead), None)
            until = end if follows is None else follows.tick
            for index in range(first, after):
                sound = out[index]
                if sound.lead:
                    continue
                same = next(
                    (
                        n
                        for n in range(after, len(out))
                        if out[n].note == sound.note and out[n].tick == until
                    ),
                    None,
                )
                gate = until - sound.tick + LEGATO_TICKS
                if same is not None:
                    gate = until - sound.tick + out[same].gate_ticks
                    del out[same]
                out[index] = sound._replace(gate_ticks=max(1, gate))


def _wraps(voice: Voice) -> bool:
    """Whether a voice that always plays alike is tied from its last hit into its first."""
    if voice.direction != "forward" or voice.one_shot or not voice.hits:
        return False
    first, last = voice.hits[0], voice.hits[-1]
    plain = first.ratchet == last.ratchet == 1 and not first.flam and not first.when
    return last.tie and plain and not last.when


def _meets(when: str, number: int, before: bool | None) -> bool:
    """Whether a condition lets pass `number` play; fills are told apart as it sounds. `before`:
    whether the last that hangs on chance or a condition played."""
    if when == "first":
        return number == 0
    if when == "later":
        return number > 0
    if when == "with":
        return bool(before)
    if when == "without":
        return not before
    if when[:1].isdigit():
        nth, _, of = when.partition(" of ")
        return number % int(of) == int(nth) - 1
    return True


def _pass_of(content: Content, number: int) -> int:
    """The pass whose throw of the dice counts in pass `number`."""
    return number if content.pin is None else content.pin.pass_number


def _swing_of(content: Content, voice: Voice) -> tuple[float, int]:
    """The swing in percent and the step whose pairs swing.

    The pattern's reaches voices whose steps lie in its own: halves and
    multiples. Triplets and evenly spread steps swing only by their own.
    """
    if voice.swing is not None:
        step = content.step_of(voice)
        return (voice.swing, int(step)) if step.denominator == 1 else (50.0, 1)
    unit, step = content.step_ticks, content.step_of(voice)
    within = unit / step
    halves = within.denominator == 1 and within.numerator & (within.numerator - 1) == 0
    if content.swing == 50 or voice.even or not (halves or (step / unit).denominator == 1):
        return 50.0, 1
    return content.swing, unit


def passes_of(content: Content, voice: Voice, like: Passes | None = None) -> Passes:
    """The passes of a voice; kept, since after an edit all but one of them are asked for again.

    `like`: those of the same voice before the edit, from which most can be taken over.
    """
    bare = msgspec.structs.replace(content, voices=(), lanes=(), key="", seed=0)
    if like is not None:
        if like.voice == voice and like.content == bare:
            return like
        return Passes(bare, voice, like)
    return _passes(bare, voice)


@lru_cache(maxsize=4096)
def _passes(content: Content, voice: Voice) -> Passes:
    return Passes(content, voice)


def dice_key(seed: int, device: str, row: str, content: Content) -> int:
    """The key of one voice's or lane's dice: by the take's seed, the device, the voice.

    A pinned take keeps the seed it fell in, so that it stays as it was heard.
    """
    take = seed if content.pin is None else content.pin.seed
    return key_of(take, device, row, content.seed)


def lane_changes(content: Content, lane: ControlLane, number: int, key: int) -> list[LaneValue]:
    """What a controller lane sends in pass `number`, in order of time."""
    cycle = content.ticks_of(lane)
    pass_number = _pass_of(content, number)
    points: list[ControlPoint] = []
    before: bool | None = None
    for point in lane.points:
        falls = point.chance == 100 or roll(key, pass_number, point.step) * 100 < point.chance
        sent = falls and _meets(point.when, number, before)
        if point.chance < 100 or point.when not in _BY_HAND:
            before = sent
        if sent:
            points.append(point)
    out: list[LaneValue] = []
    for index, point in enumerate(points):
        start = number * cycle + content.tick_of(lane, point.step)
        fill = _FILLS.get(point.when)
        out.append(LaneValue(start, point.value, point.step, fill))
        if not point.glide:
            continue
        if index + 1 < len(points):
            goal, end = points[index + 1].value, points[index + 1].step
        else:
            goal, end = points[0].value, lane.length + points[0].step
        ticks = number * cycle + content.tick_of(lane, end) - start
        stairs = min(abs(goal - point.value), max(1, ticks // GLIDE_TICKS))
        for stair in range(1, stairs):
            value = round(point.value + (goal - point.value) * stair / stairs)
            out.append(LaneValue(start + ticks * stair // stairs, value, point.step, fill))
    return sorted(out, key=lambda change: change.tick)


def lane_is_steady(lane: ControlLane) -> bool:
    """Whether every pass of a lane is like the first."""
    return all(p.chance == 100 and p.when in _BY_HAND for p in lane.points)
