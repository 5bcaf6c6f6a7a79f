"""Each launch and each move by hand against its window: early, good, late or missed."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from typing import Literal, NamedTuple

Verdict = Literal["good", "early", "late", "missed"]
Kind = Literal["launch", "move"]
RECENT = 8
"""Tries of a transition that count, the latest ones."""
FADES = 0.8
"""How much less each older try counts."""
FAULT: dict[str, float] = {"good": 0.0, "early": 0.7, "late": 0.8, "missed": 1.0}


class ExpectedMove(NamedTuple):
    """Something the performer was to do. Times in seconds, the boundary at 0."""

    kind: Kind
    what: str
    opens: float
    closes: float


class Scored(NamedTuple):
    """How it went."""

    asked: ExpectedMove
    at: float | None
    """When it was done; None where it was not."""
    verdict: Verdict
    off_ms: float | None
    """How far outside its window, negative before it; 0 inside."""

    @property
    def rounded_ms(self) -> float | None:
        """The same as it is shown and kept."""
        return None if self.off_ms is None else round(self.off_ms, 1)


def score(asked: ExpectedMove, at: float | None) -> Scored:
    """Judge one thing done at `at`, or not done."""
    if at is None:
        return Scored(asked, None, "missed", None)
    if at < asked.opens:
        return Scored(asked, at, "early", (at - asked.opens) * 1000)
    if at > asked.closes:
        return Scored(asked, at, "late", (at - asked.closes) * 1000)
    return Scored(asked, at, "good", 0.0)


class Try(NamedTuple):
    """One scored thing as the log has it."""

    song: str
    before: str
    """Scene it went from."""
    after: str
    kind: Kind
    what: str
    verdict: Verdict
    off_ms: float | None


class Transition(NamedTuple):
    """From one scene into another of a song, over the tries there were."""

    song: str
    before: str
    after: str
    tries: int
    good: int
    fault: float
    """0: the latest tries were all good; 1: all missed. Later ones count more."""
    worst: str
    """What went wrong most often."""


def to_practise(tries: Iterable[Try]) -> tuple[Transition, ...]:
    """Transitions by how badly the latest tries went, worst first; `tries` in order of time."""
    rows: dict[tuple[str, str, str], list[Try]] = {}
    for row in tries:
        rows.setdefault((row.song, row.before, row.after), []).append(row)
    found = [_transition(key, mine) for key, mine in rows.items()]
    return tuple(sorted(found, key=lambda t: (-t.fault, -t.tries, t.song, t.before)))


def _transition(key: tuple[str, str, str], rows: Sequence[Try]) -> Transition:
    recent = rows[-RECENT:]
    weights = [FADES**age for age in range(len(recent))][::-1]
    faults = [FAULT[row.verdict] for row in recent]
    fault = sum(f * w for f, w in zip(faults, weights, strict=True)) / sum(weights)
    wrong = [f"{r.what} {r.verdict}" for r in recent if r.verdict != "good"]
    worst = max(dict.fromkeys(wrong), key=wrong.count, default="")
    good = sum(r.verdict == "good" for r in rows)
    return Transition(*key, len(rows), good, fault, worst)
