"""What a performer asks of what plays: run, launch, hold, mute."""

from __future__ import annotations

from grebe.app.engine.link import Link
from grebe.app.engine.plan_feed import PlanFeed
from grebe.app.engine.resume import Resuming
from grebe.app.live.derived import Derived
from grebe.app.live.networking import Networking
from grebe.app.live.notices import Notices
from grebe.app.live.position import Position
from grebe.app.live.selection import Selection
from grebe.app.live.teaching import TeachingRun
from grebe.core.player.commands import (
    Again,
    Back,
    Begin,
    Halt,
    Hold,
    HoldDice,
    KeepMutes,
    Launch,
    LaunchAt,
    LoopOver,
    Mute,
    Release,
    Skip,
    Solo,
    Swap,
    SwapAt,
    Withdraw,
)
from grebe.errors import EditError
from grebe.protocols.link.messages import Panic
from grebe.words import tr

PANIC_WITHIN_S = 1.0
MOST_ASKED = 64


class PerformerCommands:
    """Asks the engine, in the engine's words for what is in hand."""

    def __init__(
        self,
        link: Link,
        feed: PlanFeed,
        notices: Notices,
        *,
        selection: Selection,
        derived: Derived,
        position: Position,
        network: Networking,
        teaching: TeachingRun,
    ) -> None:
        self._link = link
        self._feed = feed
        self._notices = notices
        self._selection = selection
        self._derived = derived
        self._position = position
        self._network = network
        self._teaching = teaching
        self.resuming = Resuming()
        """What to come back in with after an engine was lost."""
        self.halted = False
        """Whether a hand stopped what played last."""
        self.launch_at: LaunchAt | None = None
        """Where launches come in, whatever a view would have."""
        self.launched_ns: list[int] = []
        """When something was launched, by key or pedal (CLOCK_MONOTONIC_RAW); the latest last."""
        self._last_escape: float | None = None

    # Run

    def run_stop(self) -> None:
        """Run from the top, or stop. After the engine was lost: on the bar that would come next."""
        if self._teaching.current is not None:
            self._teaching.end()
        elif self._position.running:
            self.halted = True
            self._link.tell(Halt())
            self.resuming.forget()
        else:
            layout = self._derived.layout()
            now_ns = self._position.now_ns()
            place = None if layout is None else self.resuming.next_bar(layout, now_ns)
            self._begin(self.resuming.section, *(place or ()))

    def run_counted(self) -> None:
        """Run from the top, or from what is selected, after the rig's count-in."""
        if not self._position.running:
            bars = self._feed.count_in_bars
            self._begin(self._selection.section, self._selection.tick, count_in_bars=bars)

    def run_here(self) -> None:
        """Run from the place selected in Song, every box located there."""
        if not self._position.running:
            self._begin(self._selection.section, self._selection.tick)

    def _begin(
        self, section: str, tick: int | None = None, at_ns: int | None = None,
        count_in_bars: int = 0,
    ) -> None:  # fmt: skip
        selection = self._selection
        song = selection.song
        known = song is not None and any(s.id == section for s in song.sections)
        self._position.deviations.clear()
        self._feed.send_if_changed()
        first = selection.known_as(section if known else "", begins=True)
        tick = tick + selection.top if tick is not None else None
        self.halted = False
        self._link.tell(Begin(section=first, tick=tick, at_ns=at_ns, count_in_bars=count_in_bars))
        if self._network.leads:
            self._notices.say("info", tr("Coming in on the session's next one."))
        self.resuming.forget()

    def escape(self, now_s: float) -> bool:
        """The second time within a second is panic; whether it was."""
        last, self._last_escape = self._last_escape, now_s
        if last is None or now_s - last > PANIC_WITHIN_S:
            return False
        self.panic()
        return True

    def panic(self) -> None:
        """All notes off, then stop: at once."""
        self._last_escape = None
        self._link.tell(Panic())

    # The way through the song

    def jump(self) -> None:
        """Go to the bar selected in Song, on the next bar."""
        layout, tick = self._derived.layout(), self._selection.tick
        if layout is None or not layout.spans:
            return
        span = layout.span_of(self._selection.section) or layout.spans[0]
        into = 0 if tick is None else max(0, tick - span.tick) // span.scene.meter.bar_ticks
        section = self._selection.known_as(span.section.id)
        self._link.tell(Launch(section=section, at="bar", into_bars=into))

    def loop_over(self, first: int, last: int) -> None:
        """Play a stretch of the song over and over; an empty one goes on as written."""
        top = self._selection.top if first < last else 0
        self._link.tell(LoopOver(first=first + top, last=last + top))

    def launch(self, section: str, at: LaunchAt) -> None:
        """Bring in a section; "" is what is next. At once, or where launches are set to."""
        if at != "now" and self.launch_at is not None:
            at = self.launch_at
        self.note_launch(self._position.now_ns())
        self._link.tell(Launch(section=self._selection.known_as(section), at=at))

    def note_launch(self, at_ns: int) -> None:
        """Something was launched."""
        self.launched_ns.append(at_ns)
        del self.launched_ns[:-MOST_ASKED]

    def launch_unasked(self) -> None:
        """Bring in what is next on the next bar, without a performer's asking."""
        self._link.tell(Launch(at="bar"))

    def launch_song(self, entry: str, at: LaunchAt) -> None:
        """Bring in another song of the set from its beginning; stopped, take it in hand."""
        joined = self._selection.joined()
        if not self._position.running or joined is None:
            self._selection.choose_place(entry)
            return
        first = next((c.first for c in joined.chapters if c.entry == entry), None)
        if first is None:
            raise EditError(tr("that song cannot be played"))
        self._link.tell(Launch(section=first, at=at))

    def next_launch_unit(self) -> None:
        """Launches come in where their view has it, or on the next bar, beat, quarter beat."""
        units: tuple[LaunchAt | None, ...] = (None, "bar", "beat", "quarter_beat")
        self.launch_at = units[(units.index(self.launch_at) + 1) % len(units)]
        words = {None: "where each view says", "bar": "on the next bar", "beat": "on the next beat",
                 "quarter_beat": "on the next quarter of a beat"}[self.launch_at]  # fmt: skip
        self._notices.say("info", tr("Launches come in {words}.", words=words))

    def hold(self) -> None:
        """Hold this section, or let it go on."""
        if (status := self._position.status) is not None:
            self._link.tell(Hold(on=not status.held))

    def again(self) -> None:
        """One more pass."""
        self._link.tell(Again())

    def skip(self) -> None:
        """Leave out what is next."""
        self._link.tell(Skip())

    def back(self) -> None:
        """The section before, on the next bar."""
        self._link.tell(Back())

    def withdraw(self) -> None:
        """Take back what was asked for."""
        self._link.tell(Withdraw())

    def release(self) -> None:
        """Let the tempo go to the song's own."""
        self._link.tell(Release())

    # What sounds

    def mute(self, line: str, voice: str = "") -> None:
        """Mute a box, a track, or one voice, or let it sound."""
        status = self._position.status
        silent = status is not None and (line, voice) in status.mutes
        self._link.tell(Mute(device=line, voice=voice, on=not silent))

    def solo(self, line: str, voice: str = "") -> None:
        """A box, a track, or one voice alone, with others that are; or no longer."""
        status = self._position.status
        alone = status is not None and (line, voice) in status.solos
        self._link.tell(Solo(device=line, voice=voice, on=not alone))

    def swap(self, line: str, pattern: str, at: SwapAt) -> None:
        """Another pattern on one box or track; "" gives back what the scene has."""
        self._link.tell(Swap(device=line, pattern=pattern, at=at))

    def hold_dice(self) -> None:
        """What changes by itself stays as it plays now, or goes on."""
        if (status := self._position.status) is not None:
            self._link.tell(HoldDice(on=not status.dice_held))
            self._notices.say("info", tr("What changes by itself goes on.") if status.dice_held
                              else tr("What changes by itself stays as it is."))  # fmt: skip

    def keep_mutes(self) -> None:
        """Mutes by hand stay at the end of this section, or are dropped, for this once."""
        if (status := self._position.status) is not None:
            self._link.tell(KeepMutes(on=not status.mutes_kept))
