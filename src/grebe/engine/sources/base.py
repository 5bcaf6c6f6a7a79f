"""What the engine asks of whoever gives the time, and what such a source says.

A source says when a run begins (`Enter`) and ends (`Leave`), makes the timeline of a run, and
draws it to itself afterwards. A beat is a beat here and a nanosecond a nanosecond: each has a
type of its own. To add a source: a module beside this one, and its row in `choice.ROWS`.
"""

from __future__ import annotations

from typing import Literal, NamedTuple, Protocol, TypeAlias

from grebe.core.player.commands import Begin
from grebe.core.sync.timeline import SongTimeline
from grebe.core.time.tempo import TempoMap, TempoPoint
from grebe.transports.base import Heard

Hearing = Literal["", "none", "clock", "held"]
"""Nothing is followed; no clock yet; a clock is there; it is lost and its tempo is held."""


class AtTime(NamedTuple):
    """A moment."""

    at_ns: int
    """CLOCK_MONOTONIC_RAW."""


class OnBeat(NamedTuple):
    """A beat of a session."""

    beat: int
    """Quarter notes from the session's beginning."""


class Enter(NamedTuple):
    """A run begins."""

    command: Begin
    at: AtTime | OnBeat | None = None
    """None: as soon as can be."""
    located: bool = False
    """Whether the source named the position: one past the song's end is none to come in at."""


class Leave(NamedTuple):
    """The run ends."""


class PressStart(NamedTuple):
    """The box that leads has to be started: Grebe does that to a stand-in, a hand to others."""


class Remark(NamedTuple):
    """Something for the performer to know."""

    text: str


Word: TypeAlias = Enter | Leave | PressStart | Remark


class IdlePhase(NamedTuple):
    """Clock that boxes get while nothing plays."""

    next_ns: float
    """When its next tick is due."""
    period_ns: float


class Moment(NamedTuple):
    """When something is asked of a source."""

    now_ns: int
    ahead_ns: int
    """How far ahead of their time messages are planned just now."""
    idle: IdlePhase | None = None
    """None where no box gets clock while stopped."""


class RunStart(NamedTuple):
    """How a run begins, as the player has it."""

    first: TempoPoint
    """The tick at which the first messages are due, and the tempo there."""
    base: int
    """Tick of the song's first clock: a count-in lies before it."""
    song_bpm: float


class SourceSong(Protocol):
    """What a source may want to know of the song that is loaded."""

    @property
    def follows_starts(self) -> bool:
        """Whether a box that leads says when to start."""

    @property
    def tempo(self) -> TempoMap:
        """Its tempi as written."""

    def bar_after(self, tick: int) -> int:
        """The first bar line that is not before a tick."""


class ClockSource(Protocol):
    """Who gives the time. Times are CLOCK_MONOTONIC_RAW in nanoseconds."""

    @property
    def device(self) -> str:
        """Id of what leads; "" while Grebe does."""

    @property
    def bpm(self) -> float:
        """Its tempo, 0 while that is not known."""

    @property
    def jitter_ms(self) -> float:
        """How unsteady, or how uncertain, its beats are."""

    def song_is(self, song: SourceSong) -> None:
        """This song is loaded."""

    def begin(self, command: Begin, moment: Moment) -> list[Word]:
        """A performer presses Run here."""

    def stop_by_hand(self, now_ns: int) -> None:
        """A performer presses Stop here."""

    def hear(self, heard: list[Heard]) -> list[Word]:
        """Messages of the box that leads; what they ask for, in order."""

    def poll(self, moment: Moment) -> list[Word]:
        """Asked a hundred times a second; what is wanted."""

    def timeline(self, entry: Enter, opening: RunStart, moment: Moment) -> SongTimeline:
        """The timeline of a run that begins."""

    def take_over(self, timeline: SongTimeline, bar_line: int, at_ns: int) -> SongTimeline:
        """What plays already is drawn to this source from a time on, if it can be.

        `bar_line` is the tick of a bar line before that.
        """

    def steer(self, until_ns: int) -> None:
        """Draw the timeline it has made to itself, from where it was planned to up to here."""

    def tempo_written(self, point: TempoPoint) -> None:
        """The song would have this tempo from a tick on."""

    def ended(self) -> None:
        """The run is over, or what was to come in does not."""

    def hearing(self, now_ns: int) -> Hearing:
        """What is heard of its clock."""

    def idle(self, at_ns: int) -> tuple[float, float]:
        """For ticks while stopped: the tempo, 0 where there is none, and by how much of a tick
        one is late then."""

    def off_ms(self, now_ns: int) -> float:
        """How far the timeline it has made is behind it, in ms; negative is ahead."""
