"""Generators: rows of steps and notes from a few numbers, the same every time for the same seed."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Literal

import msgspec

from grebe.core.patterns.model import Hit, Voice
from grebe.core.rng import key_of, pick, roll, shuffled
from grebe.core.units import MAX_STEPS

MAX_REGISTER = 24
"""Bits of a shift register: the longest comes round after sixteen million steps."""

Order = Literal["up", "down", "up and down", "random"]


def euclid(hits: int, steps: int, rotate: int = 0) -> tuple[bool, ...]:
    """So many hits as evenly as can be over so many steps (Bjorklund's way, Toussaint 2005).

    `rotate` moves all of it later. ValueError outside 1 to 256 steps, 0 to `steps` hits.
    """
    if not 1 <= steps <= MAX_STEPS or not 0 <= hits <= steps:
        raise ValueError(
            f"steps go from 1 to {MAX_STEPS} and hits from 0 to the steps (got {hits} in {steps})"
        )
    heads: list[list[bool]] = [[True] for _ in range(hits)]
    tails: list[list[bool]] = [[False] for _ in range(steps - hits)]
    while heads and len(tails) > 1:
        pairs = min(len(heads), len(tails))
        joined = [heads[i] + tails[i] for i in range(pairs)]
        tails = heads[pairs:] or tails[pairs:]
        heads = joined
    row = [step for group in (*heads, *tails) for step in group]
    turn = -rotate % steps
    return tuple(row[turn:] + row[:turn])


class Register:
    """A shift register whose input is the exclusive-or of some of its bits.

    Taps are counted from 1; the highest is its length. `other` is a second
    row of taps on the same register whose exclusive-or is laid over its output.
    """

    def __init__(self, taps: Sequence[int], seed: int = 1, other: Sequence[int] = ()) -> None:
        """ValueError for taps outside 1 to 24, or none."""
        if not taps or not all(1 <= t <= MAX_REGISTER for t in (*taps, *other)):
            raise ValueError(f"taps go from 1 to {MAX_REGISTER}, one at least (got {list(taps)})")
        self.bits = max(*taps, *other) if other else max(taps)
        self._fed = _mask(taps)
        self._out = _mask(other) or 1 << (self.bits - 1)
        self.state = seed & ((1 << self.bits) - 1) or 1  # all zeros would stay so

    def step(self) -> bool:
        """The bit that comes out, and a shift."""
        out = (self.state & self._out).bit_count() & 1
        fed = (self.state & self._fed).bit_count() & 1
        self.state = (self.state << 1 | fed) & ((1 << self.bits) - 1)
        return bool(out)

    def period(self) -> int:
        """Steps after which the state is again as it is now; 0 where it never is.

        It is, whenever the highest bit is a tap.
        """
        start, fed, whole = self.state, self._fed, (1 << self.bits) - 1
        state = start
        for count in range(1, whole + 2):
            state = (state << 1 | (state & fed).bit_count() & 1) & whole
            if state == start:
                return count
        return 0


def _mask(taps: Sequence[int]) -> int:
    mask = 0
    for tap in taps:
        mask |= 1 << (tap - 1)
    return mask


def register(
    taps: Sequence[int], steps: int, seed: int = 1, other: Sequence[int] = ()
) -> tuple[bool, ...]:
    """So many steps of a shift register's output."""
    machine = Register(taps, seed, other)
    return tuple(machine.step() for _ in range(steps))


def looping_random(
    steps: int, loop: int, lock: float, seed: int, density: float = 0.5
) -> tuple[bool, ...]:
    """Random steps that come round after `loop`: each is thrown anew with probability 1 - `lock`.

    At lock 1 the first loop repeats unchanged, at 0 nothing does.
    """
    key = key_of("loop", seed)
    row: list[bool] = []
    for step in range(steps):
        again = step >= loop and roll(key, 1, step) < lock
        row.append(row[step - loop] if again else roll(key, 0, step) < density)
    return tuple(row)


def division(steps: int, of: int, first: int = 0) -> tuple[bool, ...]:
    """Every `of`-th step, from step `first` on."""
    return tuple(step >= first and (step - first) % of == 0 for step in range(steps))


def random_walk(count: int, notes: Sequence[int], seed: int, leap: int = 1) -> tuple[int, ...]:
    """Notes in order, each at most `leap` places from the one before, turned back at the ends.

    For boxes whose drum sounds lie on notes: next to each other in `notes`.
    """
    if not notes:
        raise ValueError("a walk wants at least one note")
    key, place, out = key_of("walk", seed), 0, list[int]()
    for step in range(count):
        out.append(notes[place])
        place += pick(key, 2 * leap + 1, step) - leap
        if place < 0 or place >= len(notes):
            place = min(len(notes) - 1, max(0, -place if place < 0 else 2 * len(notes) - 2 - place))
    return tuple(out)


def arpeggio(
    count: int, held: Sequence[int], order: Order, octaves: int = 1, seed: int = 1
) -> tuple[int, ...]:
    """Held notes one after another, over one or more octaves; none above 127."""
    rows = [n + 12 * octave for octave in range(octaves) for n in sorted(set(held))]
    notes = [n for n in rows if n <= 127]
    if not notes:
        raise ValueError("an arpeggio wants at least one held note")
    if order == "random":
        key = key_of("arpeggio", seed)
        return tuple(notes[pick(key, len(notes), step)] for step in range(count))
    if order == "down":
        notes.reverse()
    elif order == "up and down":
        notes += notes[-2:0:-1]
    return tuple(notes[step % len(notes)] for step in range(count))


def shuffled_hits(voice: Voice, seed: int) -> Voice:
    """A voice's hits on the same steps in another order: their velocities, pitches, flams move."""
    steps = [h.step for h in voice.hits]
    order = shuffled(key_of("shuffle", voice.id, seed), len(steps))
    hits = [
        msgspec.structs.replace(voice.hits[o], step=s) for s, o in zip(steps, order, strict=True)
    ]
    return msgspec.structs.replace(voice, hits=tuple(hits))


def fill_voice(
    voice: Voice,
    row: Sequence[bool],
    velocity: int = 100,
    notes: Sequence[int] | None = None,
    accent_first: bool = True,
) -> Voice:
    """The voice with a generated row in place of its hits: plain steps from then on.

    `notes` are the pitches of the hits in order, round again where there are more hits.
    """
    hits: list[Hit] = []
    for step, on in enumerate(row[: voice.length]):
        if on:
            note = None if not notes else notes[len(hits) % len(notes)]
            loud = 120 if accent_first and not hits else velocity
            hits.append(Hit(step=step, velocity=loud, note=note))
    return msgspec.structs.replace(voice, hits=tuple(hits))
