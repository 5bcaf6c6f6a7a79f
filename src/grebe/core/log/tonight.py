"""A run in sentences: how it went, and the three things to practise or mend first."""

from __future__ import annotations

from collections import Counter
from collections.abc import Sequence
from typing import NamedTuple

from grebe.core.log.model import BoxCheck, Event, LoggedRun
from grebe.core.sync.explain import noticed_ms
from grebe.core.time.formatting import clock_text
from grebe.words import counted, tr

MOST = 3
OVERLONG = 1.15
"""A section that was played so many times as long as written was held on to."""
WEIGHTS = {"fault": 5.0, "missed": 3.0, "late": 2.0, "early": 1.0}
"""What is worse comes first; our judgement, no source."""
HALF_SIXTEENTH_S = 15.0
SLOPE_MS = 3.0
"""Drift of so much a minute is worth a sentence."""


class ToMend(NamedTuple):
    """One thing to practise or mend."""

    words: str
    weight: float


def how_it_went(run: LoggedRun) -> str:
    """The run in one sentence."""
    hands, faults = run.judged, run.faults
    good = sum(e.verdict == "good" for e in hands)
    words = tr(
        "{played} played, {planned} written; {songs}", played=clock_text(run.played_s),
        planned=clock_text(run.planned_s), songs=counted(len(run.songs), "song"),
    )  # fmt: skip
    if hands:
        words += tr("; {good} of {count} launches and moves in time", good=good, count=len(hands))
    words += f"; {counted(faults, 'fault')}" if faults else ""
    return words + "."


def to_mend(run: LoggedRun, checks: Sequence[BoxCheck] = ()) -> tuple[ToMend, ...]:
    """What to practise or mend first, at most three; `checks` are those of this run."""
    found = [*_hands(run.judged), *_faults(run.events), *_boxes(checks), *_held(run)]
    return tuple(sorted(found, key=lambda row: -row.weight)[:MOST])


def _hands(events: Sequence[Event]) -> list[ToMend]:
    """Moves and launches that were not in time, the same one said once."""
    rows: dict[tuple[str, str, str], list[Event]] = {}
    for event in events:
        if event.verdict in WEIGHTS:
            rows.setdefault((event.song, event.scene, event.what), []).append(event)
    out = []
    for (song, scene, what), mine in rows.items():
        worst = max(mine, key=lambda e: (WEIGHTS[e.verdict], abs(e.off_ms or 0.0)))
        times = counted(len(mine), "time")
        words = (
            tr("{song}, into {scene}: {what} was missed ({times}).", song=song, scene=scene,
               what=what, times=times)
            if worst.verdict == "missed" or worst.off_ms is None
            else tr("{song}, into {scene}: {what} came {ms:.0f} ms too {verdict} ({times}).",
                    song=song, scene=scene, what=what, ms=abs(worst.off_ms),
                    verdict=tr(worst.verdict), times=times)
        )  # fmt: skip
        out.append(ToMend(words, sum(WEIGHTS[e.verdict] for e in mine)))
    return out


def _faults(events: Sequence[Event]) -> list[ToMend]:
    by_words = Counter((e.box, e.what) for e in events if e.kind == "fault")
    return [
        ToMend(tr("{what} ({times})", what=what, times=counted(count, "time")),
               WEIGHTS["fault"] * count)
        for (_, what), count in by_words.items()
    ]  # fmt: skip


def _boxes(checks: Sequence[BoxCheck]) -> list[ToMend]:
    out = []
    for row in checks:
        limit = noticed_ms(HALF_SIXTEENTH_S * 1000 / row.bpm if row.bpm else 125.0)
        if row.drift_ms_min is not None and abs(row.drift_ms_min) >= SLOPE_MS:
            words = tr("{box} drifted by {rate:+.1f} ms a minute.", box=row.box,
                       rate=row.drift_ms_min)  # fmt: skip
            out.append(ToMend(words, 4.0))
        elif row.offset_ms is not None and abs(row.offset_ms) >= limit:
            late = tr("late") if row.offset_ms > 0 else tr("early")
            words = tr("{box} was {ms:.0f} ms {late} all the way.", box=row.box,
                       ms=abs(row.offset_ms), late=late)  # fmt: skip
            out.append(ToMend(words, 2.5))
    return out


def _held(run: LoggedRun) -> list[ToMend]:
    """The section that was held on to longest beyond what is written."""
    held = [s for s in run.stretches[:-1] if s.planned_s and s.played_s > OVERLONG * s.planned_s]
    if not held:
        return []
    worst = max(held, key=lambda s: s.played_s - s.planned_s)
    more = worst.played_s - worst.planned_s
    words = tr("{song}: {scene} went on {more} longer than written.", song=worst.song,
               scene=worst.scene, more=clock_text(more))  # fmt: skip
    return [ToMend(words, 0.5)]
