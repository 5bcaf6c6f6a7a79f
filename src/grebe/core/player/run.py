"""What a performance is made of, as its parts share it: the plan, and where it stands."""

from __future__ import annotations

from grebe.core.patterns.index import index_of
from grebe.core.patterns.model import Pattern
from grebe.core.player.chapters import Chapters
from grebe.core.player.course import Course
from grebe.core.player.happened import Happened
from grebe.core.player.lead import lead_ticks
from grebe.core.player.loopers import Loopers
from grebe.core.player.marks import LaidOver
from grebe.core.player.mutes import Mutes
from grebe.core.player.plan import Plan
from grebe.core.player.pulses import Pulses
from grebe.core.player.scheduler import Scheduler
from grebe.core.player.tempi import Tempi
from grebe.core.rig.model import Device
from grebe.core.songs.layout import SectionSpan
from grebe.core.songs.model import Part
from grebe.core.time.ticks import CLOCK_TICKS

PREROLL_TICKS = 2 * CLOCK_TICKS
"""Between telling the boxes their patterns and Start: 40 ms at 126 BPM, so that they are ready."""


MOST_HAPPENED = 20_000
"""Kept where nobody takes them: an evening of busy hands."""


class Run:
    """The state of a player. Its parts read and change it; whoever plays reads the player."""

    def __init__(self, plan: Plan) -> None:
        self.plan = plan
        self.tick = 0
        """How far it has been played."""
        self.running = False
        self.filling = False
        """Whether a fill is held."""
        self.dice_held = False
        """Whether what changes by itself, by chance or from pass to pass, stays as it is."""
        self.clicking = False
        """Whether every beat is clicked."""
        self.mutes_said: bool | None = None
        """What the performer said becomes of mutes by hand at the end of this section."""
        self.top = 0
        """Where, as written, the song began that this run was begun in."""
        self.happened: list[Happened] = []
        """What is remembered of it, until somebody takes it."""
        self.told: dict[tuple[str, int], int] = {}
        """The program that was told last, by box and channel."""
        self.scheduler = Scheduler()
        self.laid = LaidOver()
        self.tempi = Tempi(plan.song.bpm)
        self.mutes = Mutes()
        self.pulses = Pulses()
        self.loopers = Loopers(plan.devices)
        layout = plan.layout()
        self.chapters = Chapters(plan, layout)
        self.course = Course(layout, self.chapters.stops)

    def note(self, what: Happened) -> None:
        """Remember something that happened."""
        self.happened.append(what)
        del self.happened[:-MOST_HAPPENED]

    @property
    def spans(self) -> tuple[SectionSpan, ...]:
        """The song laid out."""
        return self.course.layout.spans

    @property
    def span(self) -> SectionSpan:
        """The section that plays."""
        return self.course.span

    @property
    def boundary(self) -> int:
        """Tick at which the next section comes in, or the pass ends when this one is held."""
        return self.course.boundary(self.tick)

    @property
    def mutes_kept(self) -> bool:
        """Whether mutes by hand stay when this section is over."""
        if self.mutes_said is not None or not self.spans:
            return self.mutes_said is not False
        return self.span.scene.hand_mutes == "keep"

    def lead(self, device: Device) -> int:
        """How many ticks before a boundary a box is told."""
        return lead_ticks(device, self.tempi.bpm_at(self.tick))

    def chain(self, part: Part) -> tuple[Pattern, ...]:
        """The patterns that a part names."""
        patterns = self.patterns_of(part.device)
        return tuple(patterns[p] for p in part.chain if p in patterns)

    def patterns_of(self, line: str) -> dict[str, Pattern]:
        """The patterns of a line, by id."""
        return index_of(self.plan.patterns).within.get(line, {})
