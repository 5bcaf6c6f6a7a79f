"""What is kept of a run, a check and a rehearsal. Times of day are seconds since 1970 in UTC, with
the minutes by which the clock on the wall was ahead; everything inside a run is counted from its
beginning by the engine's clock, which nobody sets back."""

from __future__ import annotations

from datetime import UTC, date, datetime, timedelta, timezone
from typing import Literal

from grebe.core.rehearse.score import Kind as TryKind
from grebe.core.rehearse.score import Scored, Verdict
from grebe.core.units import Value

EventKind = Literal["launch", "move", "mute", "tempo", "fill", "swap", "track", "fault", "recovery"]
CheckKind = Literal["check", "run", "probe"]
NIGHT_ENDS_H = 6
"""What begins before six in the morning is of the evening before."""


class Event(Value, frozen=True, kw_only=True):
    """Something that happened in a run."""

    at_s: float
    kind: EventKind
    song: str = ""
    scene: str = ""
    """Into which it led, for a launch or a move; else in which it was."""
    box: str = ""
    what: str = ""
    verdict: Verdict | Literal[""] = ""
    off_ms: float | None = None
    """How far outside its window, negative before it."""


class PlayedStretch(Value, frozen=True, kw_only=True):
    """A section as it was planned and as it was played."""

    song: str
    scene: str
    at_s: float
    planned_s: float
    played_s: float


class LoggedRun(Value, frozen=True, kw_only=True):
    """One time that something was played, from Run to Stop."""

    id: int = 0
    """In the log; 0 for one that is not in it yet."""
    began: float
    zone_min: int
    project: str
    running: str = ""
    """The set, or the song alone."""
    songs: tuple[str, ...] = ()
    venue: str = ""
    note: str = ""
    warm_c: float | None = None
    """How warm it was, where somebody noted it."""
    leader: str = ""
    priority: str = ""
    load: float = 0.0
    """Of the machine's processors at most, 1 for all of one."""
    played_s: float = 0.0
    stretches: tuple[PlayedStretch, ...] = ()
    events: tuple[Event, ...] = ()

    @property
    def planned_s(self) -> float:
        """What was played, as long as it was written."""
        return sum(part.planned_s for part in self.stretches)

    @property
    def judged(self) -> tuple[Event, ...]:
        """Launches and moves that have a verdict."""
        return tuple(e for e in self.events if e.kind in ("launch", "move") and e.verdict)

    @property
    def faults(self) -> int:
        """How many there were."""
        return sum(e.kind == "fault" for e in self.events)


class BoxCheck(Value, frozen=True, kw_only=True):
    """How one box kept the beat: by a check, over a run, or by a probe."""

    id: int = 0
    at: float
    zone_min: int
    kind: CheckKind = "check"
    project: str = ""
    box: str
    profile: str = ""
    """By which the box is known under any name; "" for one without."""
    port: str = ""
    cable: str = ""
    listened_to: str = ""
    firmware: str = ""
    bpm: float = 0.0
    offset_set_ms: float = 0.0
    offset_ms: float | None = None
    jitter_ms: float | None = None
    drift_ms_min: float | None = None
    verdict: str = ""

    @property
    def own_ms(self) -> float | None:
        """How late the box is by itself: without the offset that was set then."""
        return None if self.offset_ms is None else self.offset_ms - self.offset_set_ms


class TryRow(Value, frozen=True, kw_only=True):
    """One launch or move of a rehearsal, or of a run."""

    at: float
    zone_min: int
    project: str
    song: str
    before: str
    after: str
    kind: TryKind
    what: str
    verdict: Verdict
    off_ms: float | None = None
    pace: float = 1.0

    @classmethod
    def of(
        cls, scored: Scored, when: tuple[float, int], project: str, song: str,
        scenes: tuple[str, str], pace: float = 1.0,
    ) -> TryRow:  # fmt: skip
        """One that was judged. `when`: as `stamp` gives it; `scenes`: from which into which."""
        at, zone_min = when
        return cls(
            at=at, zone_min=zone_min, project=project, song=song, before=scenes[0],
            after=scenes[1], kind=scored.asked.kind, what=scored.asked.what,
            verdict=scored.verdict, off_ms=scored.rounded_ms, pace=round(pace, 3),
        )  # fmt: skip


class OnesRow(Value, frozen=True, kw_only=True):
    """A run of the exercise on the one."""

    at: float
    zone_min: int
    project: str
    song: str
    bpm: float
    taps: int
    mean_ms: float
    spread_ms: float


def local(at: float, zone_min: int) -> datetime:
    """The time that the clock on the wall showed."""
    zone = timezone(timedelta(minutes=zone_min))
    return datetime.fromtimestamp(at, UTC).astimezone(zone)


def evening(at: float, zone_min: int) -> date:
    """The day whose evening it was: what begins after midnight is still of the day before."""
    return (local(at, zone_min) - timedelta(hours=NIGHT_ENDS_H)).date()


def stamp(now: datetime) -> tuple[float, int]:
    """A time of day as it is kept: seconds since 1970, minutes ahead of UTC."""
    ahead = now.astimezone().utcoffset() if now.tzinfo is None else now.utcoffset()
    return now.timestamp(), round((ahead or timedelta()).total_seconds() / 60)
