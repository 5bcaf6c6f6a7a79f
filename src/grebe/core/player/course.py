"""Where in a song the player is and what comes in next: launches, jumps, loops, holding."""

from __future__ import annotations

from typing import NamedTuple

from grebe.core.player.commands import Launch, LaunchAt, LoopOver
from grebe.core.songs.layout import Layout, SectionSpan
from grebe.core.time.ticks import CLOCK_TICKS, SIXTEENTH_TICKS, next_multiple
from grebe.errors import EditError
from grebe.words import tr


class Coming(NamedTuple):
    """What comes in, and when."""

    section: int
    """Its number in the song, from 0."""
    at: int
    into: int = 0
    """Ticks into the section: more than 0 where it is entered in its middle."""
    anew: bool = False
    """It counts from where it comes in, also in mid-bar, as the return of a loop does."""


class Course:
    """The way through a song: the section that plays, and what follows it.

    Ticks are those of the performance; only `loop` counts in the song as written.
    """

    def __init__(self, layout: Layout, stops: frozenset[int] = frozenset()) -> None:
        self.layout = layout
        self.stops = stops
        """Numbers of sections before which the playing ends unless they are asked for."""
        self.index = 0
        self.start = 0
        """Where the section's first beat lies, or would have lain."""
        self.end = 0
        self.held = False
        self.launch: Coming | None = None
        self.opening: Coming | None = None
        """What a run begins with, until it has come in."""
        self.loop: tuple[int, int] | None = None
        """Ticks of the song as written that are played over and over."""
        self._came_from = 0
        self._jumps: dict[str, int] = {}
        """How often each section's jump or return has been made."""
        self._skipped: int | None = None
        """What comes instead of what would follow, when something is left out."""

    @property
    def span(self) -> SectionSpan:
        """The section that plays."""
        return self.layout.spans[self.index]

    def index_of(self, section: str, song: str) -> int:
        """Number of a section, "" being the first. EditError where it is not there."""
        if not self.layout.spans:
            raise EditError(tr("{song} has no sections: there is nothing to play", song=song))
        if not section:
            return 0
        for index, span in enumerate(self.layout.spans):
            if span.section.id == section:
                return index
        raise EditError(tr("{song} has no section {section!r}", song=song, section=section))

    def begin(self, index: int, base: int) -> int:
        """Begin a run at a tick of the song; ticks into its section."""
        span = self.layout.spans[index]
        into = max(0, base - span.tick)
        self.index, self.start, self.end = index, span.tick, base
        self.launch, self.held = Coming(index, base, into), False
        self.opening = self.launch
        self._jumps.clear()
        self._came_from, self._skipped = index, None
        return into

    def boundary(self, tick: int) -> int:
        """Tick at which the next section comes in, or the pass ends when this one is held."""
        if self.launch is not None:
            return self.launch.at
        looped = self._loop_back(tick)
        return self.end if looped is None else looped.at

    def stays(self, tick: int) -> bool:
        """Whether this section begins another pass at its end."""
        if self.launch is not None:
            return False
        return self.held or (self.span.section.then.kind == "stay" and not self._loop_back(tick))

    def one_more_pass(self) -> None:
        """The section lasts a pass longer."""
        self.end += self.span.pass_ticks

    def coming(self, tick: int) -> Coming | None:
        """What comes in at the boundary; None where the song ends."""
        if self.launch is not None:
            return self.launch
        looped = self._loop_back(tick)
        if looped is not None:
            return looped
        follows = self.follows
        return None if follows is None else Coming(follows, self.end)

    @property
    def follows(self) -> int | None:
        """The section after this one, as it says itself or as written; None at the song's end."""
        if self._skipped is not None:
            return self._skipped
        section = self.span.section
        then = section.then
        target = self.index + 1 if self.index + 1 < len(self.layout.spans) else None
        target = None if target in self.stops else target
        made = self._jumps.get(section.id, 0)
        if then.kind in ("jump", "back") and (then.jumps == 0 or made < then.jumps):
            if then.kind == "back":
                return self._came_from
            ids = [span.section.id for span in self.layout.spans]
            return ids.index(then.to) if then.to in ids else target
        return target

    def _loop_back(self, tick: int) -> Coming | None:
        """The return to the beginning of what is looped, where its end lies ahead in here."""
        if self.loop is None or self.held or not self.layout.spans:
            return None
        first, last = self.loop
        at = self.start + last - self.span.tick
        if not self.span.tick < last <= self.span.end or not tick <= at <= self.end:
            return None
        index = self.layout.index_at(first)
        return Coming(index, at, first - self.layout.spans[index].tick, anew=True)

    def ask_for(self, launch: Launch, tick: int, song: str) -> bool:
        """A section is asked for; whether there is one."""
        target = self.index_of(launch.section, song) if launch.section else self.follows
        if target is None:
            return False
        self._ask(target, launch.at, tick, launch.into_bars)
        return True

    def _ask(self, target: int, where: LaunchAt, tick: int, into_bars: int) -> None:
        meter, since = self.span.scene.meter, tick - self.start
        units = {"bar": meter.bar_ticks, "beat": meter.beat_ticks,
                 "quarter_beat": meter.beat_ticks // 4}  # fmt: skip
        if where == "now":
            at = max(tick, self.start)
        elif where in units:
            at = self.start + next_multiple(since, units[where])
        elif self.held:
            at = self.start + next_multiple(since, self.span.pass_ticks)
        else:
            at = self.end
        span = self.layout.spans[target]
        into = min(into_bars * span.scene.meter.bar_ticks, span.ticks - CLOCK_TICKS)
        self.launch = Coming(target, at, into)

    def loop_over(self, loop: LoopOver) -> None:
        """Play a stretch of the song over and over, or go on as written.

        By sixteenths: a shorter one would only keep whoever plays it busy.
        """
        first = max(0, loop.first) // SIXTEENTH_TICKS * SIXTEENTH_TICKS
        last = min(loop.last, self.layout.ticks) // SIXTEENTH_TICKS * SIXTEENTH_TICKS
        self.loop = (first, last) if first < last else None

    def skip(self) -> bool:
        """Leave out what would follow; whether there is something after it."""
        follows = self.follows
        if self.opening is not None or follows is None:
            return False
        if follows + 1 >= len(self.layout.spans) or follows + 1 in self.stops:
            return False
        self._skipped, self.launch = follows + 1, None
        return True

    def back(self, at: LaunchAt, tick: int, top: int) -> None:
        """Bring in the section before; this one again where its song, written at `top`, begins."""
        before = max(0, self.index - 1)
        if self.layout.spans[before].tick < top:
            before = self.index
        self._ask(before, at, tick, 0)

    def withdraw(self, tick: int) -> bool:
        """Take back what was asked for or left out; whether there was something."""
        asked = self.launch != self.opening or self._skipped is not None
        self.launch, self._skipped = self.opening, None
        if self.end < tick:
            self.end = self.start + next_multiple(tick - self.start, self.span.pass_ticks)
        return asked

    def origin_of(self, coming: Coming, tick: int) -> int:
        """Where what comes in at a tick counts from."""
        if coming.into or coming.anew:
            return tick - coming.into
        return self.bar_before(tick)

    def bar_before(self, tick: int) -> int:
        """The last bar line of the section that is in, at a tick or before it."""
        bar = self.span.scene.meter.bar_ticks
        return self.start + (tick - self.start) // bar * bar

    def enter(self, coming: Coming, tick: int) -> bool:
        """A section comes in at a tick. After a cut in mid-bar it counts from the bar line before;
        entered in its middle, from where it would have begun.

        Whether the song went on there as written.
        """
        written = self.layout.spans[coming.section].tick + coming.into
        straight = written == self.span.tick + coming.at - self.start
        if self.launch is None and self._loop_back(tick) is None:
            section = self.span.section
            if section.then.kind in ("jump", "back"):
                self._jumps[section.id] = self._jumps.get(section.id, 0) + 1
        origin = self.origin_of(coming, tick)
        if coming.section != self.index:
            self._came_from = self.index
        self.index, self.start = coming.section, origin
        self.end = origin + self.span.ticks
        self.launch, self.held, self._skipped = None, False, None
        self.opening = None
        return straight

    def take(self, layout: Layout, tick: int, stops: frozenset[int]) -> None:
        """Go on in an edited song: in the same section where it is still there."""
        section, going = self.span.section.id, self.span.ticks
        launched = None
        if self.launch is not None:
            launched = self.layout.spans[self.launch.section].section.id
        self.layout, self.stops = layout, stops
        ids = [span.section.id for span in layout.spans]
        self.index = ids.index(section) if section in ids else min(self.index, len(ids) - 1)
        if self.launch is not None:
            kept = ids.index(launched) if launched in ids else None
            into = self.launch.into
            if kept is not None:
                into = min(into, layout.spans[kept].ticks - CLOCK_TICKS)
            at, self.launch = self.launch.at, None
            if kept is not None or self.opening is not None:
                self.launch = Coming(self.index if kept is None else kept, at, into)
            self.opening = None if self.opening is None else self.launch
        if self.loop is not None:
            self.loop_over(LoopOver(first=self.loop[0], last=self.loop[1]))
        self._came_from, self._skipped = min(self._came_from, len(ids) - 1), None
        self.end += self.span.ticks - going
        if self.end < tick:
            self.end = self.start + next_multiple(tick - self.start, self.span.pass_ticks)
