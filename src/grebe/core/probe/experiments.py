"""What experiments are made of: runs of clocks, notes struck one after another, and asking."""

from __future__ import annotations

from collections.abc import Generator, Sequence
from random import Random
from typing import NamedTuple, TypeAlias

from grebe.core.probe import rules
from grebe.core.probe.model import Experiment, HeardHit, Observation, ProbeQuestion, Reply, Send
from grebe.core.time.ticks import CLOCKS_PER_QUARTER

CLOCK, START, CONTINUE, STOP = b"\xf8", b"\xfa", b"\xfb", b"\xfc"
NOTE_OFF, NOTE_ON, PROGRAM = 0x80, 0x90, 0xC0
LEAD_S = 0.3
"""From an experiment's beginning to its first message."""
SLOW_BPM, FIRST_BPM, FAST_BPM = 75.0, 120.0, 171.0
"""Tempi that an even clock tells apart; most is asked at the fast one, which takes least time."""
APART_S = 0.16
"""From one note to the next, at least: an onset is waited for 0.14 s."""
GATE_S = 0.06
"""A note is ended after so long, where nothing else is asked."""

Asked: TypeAlias = Experiment | ProbeQuestion
Told: TypeAlias = Observation | Reply
Part: TypeAlias = Generator[Asked, Told, None]


class LeftOut(Exception):
    """An experiment was not permitted: its stage ends, and what it would have told is unsure."""


def observed(experiment: Experiment) -> Generator[Asked, Told, Observation]:
    """Do it; what came of it."""
    told = yield experiment
    assert not isinstance(told, str)
    return told


def replied(question: ProbeQuestion) -> Generator[Asked, Told, Reply]:
    """Ask the performer; the answer."""
    told = yield question
    assert isinstance(told, str)
    return told


def sounds(experiment: Experiment) -> bool:
    """Whether a box may sound by it: by a note, or by being set going."""
    return stage_of(experiment) != "silent"


def stage_of(experiment: Experiment) -> str:
    """What has to be permitted for it: "silent" needs nothing; "notes", "pattern", "far": other
    patterns and tempi."""
    kinds = {s.data[0] if s.data[0] >= 0xF0 else s.data[0] & 0xF0 for s in experiment.sends}
    if PROGRAM in kinds or experiment.far:
        return "far"
    if kinds & {START[0], CONTINUE[0]} or experiment.plays:
        return "pattern"
    return "notes" if NOTE_ON in kinds else "silent"


def clock_s(bpm: float) -> float:
    """Seconds from one clock to the next."""
    return 60 / bpm / CLOCKS_PER_QUARTER


def clocks(bpm: float, count: int, from_s: float = LEAD_S) -> list[Send]:
    """So many clocks from a moment on."""
    return [Send(from_s + n * clock_s(bpm), CLOCK) for n in range(count)]


class ProbedRun(NamedTuple):
    """A start of the box's own pattern: what is sent, and when its first clock is."""

    sends: list[Send]
    first_s: float
    stop_s: float


AFTER_CLOCK_S = 0.001
"""Start follows the clock before by so much, where clocks go on before it."""


def run(bpm: float, count: int, command: bytes = START, ahead: int = 0) -> ProbedRun:
    """Start, or Continue, one clock before the first of so many clocks; then Stop. `ahead`
    clocks go before it without a gap, for a box that takes a while to settle."""
    tick = clock_s(bpm)
    before = clocks(bpm, ahead)
    begins_s = before[-1].at_s + AFTER_CLOCK_S if before else LEAD_S
    ticks = clocks(bpm, count, LEAD_S + max(1, ahead) * tick)
    stop_s = ticks[-1].at_s + 0.6 * tick
    sends = [*before, Send(begins_s, command), *ticks, Send(stop_s, STOP)]
    return ProbedRun(sends, ticks[0].at_s, stop_s)


def since(hits: Sequence[HeardHit], at_s: float) -> list[HeardHit]:
    """Hits by seconds since a moment."""
    return [h._replace(at_s=h.at_s - at_s) for h in hits]


def asked(
    question: str, sends: list[Send], after_s: float = 0.4, *, far: bool = False
) -> Experiment:
    """An experiment that listens for a moment after its last message."""
    return Experiment(question, tuple(sends), sends[-1].at_s + after_s, far=far)


class Strike(NamedTuple):
    """A note to strike."""

    channel: int
    note: int
    velocity: int = 80


def _struck(each: Strike, at_s: float, gate_s: float) -> tuple[Send, Send]:
    """A note begun, and ended."""
    on = bytes((NOTE_ON | each.channel, each.note, each.velocity))
    return Send(at_s, on), Send(at_s + gate_s, bytes((NOTE_OFF | each.channel, each.note, 64)))


class Answered(NamedTuple):
    """One of several notes struck, and what was heard of it."""

    number: int
    send: Send
    hit: HeardHit

    @property
    def late_s(self) -> float:
        """From the message to the sound."""
        return self.hit.at_s - self.send.at_s


def strike(
    question: str,
    strikes: Sequence[Strike],
    apart_s: float = APART_S,
    gate_s: float = GATE_S,
    dice: Random | None = None,
) -> Generator[Asked, Told, list[Answered]]:
    """Strike notes one after another; those that sounded. `dice` shuffles the gaps by 13 ms, so
    that no period of anything falls together with them."""
    begins, ends, at = list[Send](), list[Send](), LEAD_S
    for each in strikes:
        begin, end = _struck(each, at, gate_s)
        begins.append(begin)
        ends.append(end)
        at += apart_s + (dice.uniform(0, 0.013) if dice is not None else 0.0)
    sends = tuple(sorted([*begins, *ends], key=lambda send: send.at_s))
    last = max(at, ends[-1].at_s if ends else 0.0)
    heard = yield from observed(Experiment(question, sends, last + 0.2))
    hits = [(n, send, rules.sounded(send.at_s, heard.hits)) for n, send in enumerate(begins)]
    return [Answered(n, send, hit) for n, send, hit in hits if hit is not None]


def strum(question: str, groups: Sequence[Sequence[Strike]]) -> Generator[Asked, Told, list[bool]]:
    """Strike groups of notes, each almost at once; which of the groups sounded."""
    sends, at, begins = list[Send](), LEAD_S, list[float]()
    for group in groups:
        begins.append(at)
        for n, each in enumerate(group):
            sends += _struck(each, at + 0.004 * n, GATE_S)
        at += APART_S
    sends.sort(key=lambda send: send.at_s)
    heard = yield from observed(Experiment(question, tuple(sends), at + 0.2))
    return [rules.sounded(begin, heard.hits) is not None for begin in begins]
