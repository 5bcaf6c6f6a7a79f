"""What a performer can ask of the player, each with what does it.

To add a command: its value and a line in `Asked` in `commands`, and its handler's row here.
"""

from __future__ import annotations

from collections.abc import Callable
from typing import Any, TypeVar

import msgspec

from grebe.core.player.chapters import Chapters
from grebe.core.player.commands import (
    Again,
    Back,
    Begin,
    Command,
    Fill,
    Halt,
    Hold,
    HoldDice,
    KeepMutes,
    Launch,
    LoopOver,
    Metronome,
    Mute,
    Nudge,
    Rejoin,
    Release,
    ReplacePlan,
    Skip,
    Solo,
    Steer,
    Swap,
    Withdraw,
)
from grebe.core.player.course import Course
from grebe.core.player.device_player import DevicePlayers
from grebe.core.player.events import Due
from grebe.core.player.happened import Filled
from grebe.core.player.locating import Locating
from grebe.core.player.loopers import TrackCommand
from grebe.core.player.openers import Openers
from grebe.core.player.plan import Plan
from grebe.core.player.run import Run
from grebe.core.player.scheduler import TempoFalls
from grebe.core.player.sections import Sections
from grebe.core.player.tempi import as_written
from grebe.core.rig.lines import box_of
from grebe.core.songs.layout import Layout
from grebe.core.time.tempo import TempoPoint
from grebe.core.time.ticks import CLOCK_TICKS, TICKS_PER_QUARTER, next_multiple
from grebe.errors import EditError
from grebe.words import tr

_C = TypeVar("_C")


def last_word(run: Run, devices: DevicePlayers) -> int:
    """Tick until which what comes next can be withdrawn: then boxes are told of it."""
    leads = [run.lead(player.device) for player in devices if player.told_ahead]
    return run.boundary - max(leads, default=CLOCK_TICKS)


class Performing:
    """What a performer asks for, done to the run that plays: a row a command, with its handler."""

    def __init__(
        self,
        run: Run,
        devices: DevicePlayers,
        sections: Sections,
        locating: Locating,
        openers: Openers,
    ) -> None:
        self._run = run
        self._openers = openers
        self._devices = devices
        self._sections = sections
        self._locating = locating
        self._handlers: dict[type, Callable[[Any], list[Due]]] = dict(
            (
                self._row(Begin, self._begin),
                self._row(Halt, lambda _: sections.halt(run.tick)),
                self._row(Launch, self._launch),
                self._row(Hold, self._hold),
                self._row(Again, self._again),
                self._row(Skip, self._skip),
                self._row(Back, self._back),
                self._row(Withdraw, self._withdraw),
                self._row(Release, self._release),
                self._row(Solo, self._solo),
                self._row(Mute, self._mute),
                self._row(Swap, self._swap),
                self._row(TrackCommand, self._track),
                self._row(HoldDice, lambda c: devices.hold_dice(on=c.on)),
                self._row(KeepMutes, self._keep_mutes),
                self._row(LoopOver, self._loop_over),
                self._row(Steer, lambda c: self._steer(c.bpm, c.ramp_bars)),
                self._row(Nudge, self._nudge),
                self._row(Fill, self._fill),
                self._row(Metronome, self._metronome),
                self._row(Rejoin, lambda c: locating.rejoin(c.device, stop_now=c.stop_now)),
                self._row(ReplacePlan, lambda c: self._replace_plan(c.plan)),
            )
        )

    @staticmethod
    def _row(
        kind: type[_C], handler: Callable[[_C], list[Due]]
    ) -> tuple[type, Callable[[Any], list[Due]]]:
        return kind, handler

    @property
    def known(self) -> frozenset[type]:
        """Every command that can be applied."""
        return frozenset(self._handlers)

    def apply(self, command: Command) -> list[Due]:
        """Do it; what is to be sent at once. EditError where it cannot be."""
        return self._handlers[type(command)](command)

    def _rescheduled(self) -> list[Due]:
        self._sections.schedule()
        return self._sections.take_back()

    def _begin(self, command: Begin) -> list[Due]:
        index = self._run.course.index_of(command.section, self._run.plan.song.name)
        return self._locating.begin(index, command.tick, command.count_in_bars)

    def _launch(self, command: Launch) -> list[Due]:
        run = self._run
        if run.running and run.course.ask_for(command, run.tick, run.plan.song.name):
            self._sections.schedule()
        return []

    def _hold(self, command: Hold) -> list[Due]:
        self._run.course.held = command.on
        return self._sections.take_back()

    def _again(self, command: Again) -> list[Due]:
        del command
        if not self._run.running:
            return []
        self._run.course.one_more_pass()
        return self._rescheduled()

    def _skip(self, command: Skip) -> list[Due]:
        del command
        if self._run.course.skip() and self._run.running:
            return self._rescheduled()
        return []

    def _back(self, command: Back) -> list[Due]:
        run = self._run
        if run.running:
            top = run.chapters.top(run.course.index)
            run.course.back(command.at, run.tick, top)
            self._sections.schedule()
        return []

    def _withdraw(self, command: Withdraw) -> list[Due]:
        del command
        run = self._run
        if not run.running:
            return []
        if run.course.launch is not None and run.tick >= last_word(run, self._devices):
            raise EditError(tr("too late to withdraw: boxes have been told of what comes"))
        return self._rescheduled() if run.course.withdraw(run.tick) else []

    def _release(self, command: Release) -> list[Due]:
        """To the tempo that is written here, from the next beat on."""
        run = self._run
        chapter = run.chapters.of(run.course.index)
        if not run.running or not run.tempi.carried or chapter is None:
            return []
        run.tempi.carried = False
        written = run.span.tick + max(0, run.tick - run.course.start)
        bpm = run.course.layout.tempo.bpm_at(min(written, run.span.end - 1))
        bars = chapter.ramp_bars if command.ramp_bars is None else command.ramp_bars
        return self._steer(bpm, bars)

    def _solo(self, command: Solo) -> list[Due]:
        run = self._run
        if command.device not in self._devices:
            raise EditError(
                tr("there is no device {device!r} to hear alone", device=command.device)
            )
        run.mutes.solo(command.device, command.voice, on=command.on)
        return self._devices.apply_mutes(run.tick) if run.running else []

    def _mute(self, command: Mute) -> list[Due]:
        run = self._run
        if command.device not in self._devices:
            raise EditError(tr("there is no device {device!r} to mute", device=command.device))
        run.mutes.set(command.device, command.voice, on=command.on)
        return self._devices.apply_mutes(run.tick, box_of(command.device)) if run.running else []

    def _swap(self, command: Swap) -> list[Due]:
        run, player = self._run, self._devices.get(command.device)
        if player is None:
            raise EditError(tr("there is no device {device!r} to play it", device=command.device))
        if not run.running:
            raise EditError(tr("nothing plays: choose the pattern in the scene"))
        if command.pattern:
            pattern = run.patterns_of(command.device).get(command.pattern)
            if pattern is None:
                raise EditError(
                    tr("{device} has no such pattern in what plays", device=player.device.name)
                )
            player.swap((pattern,), run.tick, command.at, by_hand=True)
        else:
            part = run.span.scene.part(command.device)
            player.swap(run.chain(part), run.tick, command.at, by_hand=False)
        return []

    def _track(self, command: TrackCommand) -> list[Due]:
        """Armed for its moment; while stopped it is done at once, and sent by whoever asks."""
        run = self._run
        if run.running:
            self._sections.arm(command, run.tick)
            return []
        now = msgspec.structs.replace(command, at="now")
        at = run.loopers.ask(now, run.tick, 0, TICKS_PER_QUARTER, run.plan.song.bpm)
        return run.loopers.fall(command.device, command.number, at) if at >= 0 else []

    def _keep_mutes(self, command: KeepMutes) -> list[Due]:
        self._run.mutes_said = command.on
        return []

    def _loop_over(self, command: LoopOver) -> list[Due]:
        self._run.course.loop_over(command)
        return self._rescheduled() if self._run.running else []

    def _steer(self, bpm: float, ramp_bars: int) -> list[Due]:
        run = self._run
        if run.running:
            tick = next_multiple(run.tick, TICKS_PER_QUARTER)
            ramp = ramp_bars * run.span.scene.meter.bar_ticks
            run.scheduler.at(tick, TempoFalls(TempoPoint(tick=tick, bpm=bpm, ramp_ticks=ramp)))
        return []

    def _nudge(self, command: Nudge) -> list[Due]:
        run = self._run
        return run.tempi.nudge(run.tick, command.percent) if run.running else []

    def _fill(self, command: Fill) -> list[Due]:
        run = self._run
        changes = command.on != run.filling and not run.laid.filling
        run.filling = command.on
        if run.running:
            run.note(Filled(run.tick, command.on))
        return self._devices.fill(run.tick, on=command.on) if changes else []

    def _metronome(self, command: Metronome) -> list[Due]:
        if command.on and self._run.plan.count_in.device is None:
            raise EditError(tr("nothing clicks yet: choose a box for it in the Rig, with K"))
        self._run.clicking = command.on
        return []

    def _replace_plan(self, plan: Plan) -> list[Due]:
        """Go on with an edited plan: patterns from here, tempo at the next beat.

        Which pattern a line plays changes where the one that it plays ends.
        """
        run, old = self._run, self._run.plan
        stays = all(
            getattr(plan, part) is getattr(old, part)
            for part in ("song", "scenes", "devices", "chapters", "pulsed")
        )
        if run.running and stays:  # only what patterns play: nothing has to be laid out anew
            run.plan = plan
            return self._devices.renew()
        layout = plan.layout()
        if run.running and not layout.spans:
            raise EditError(
                tr("{song} has no sections left; the old plan plays on", song=plan.song.name)
            )
        run.plan = plan
        run.chapters = Chapters(plan, layout)
        run.loopers.take(plan.devices)
        if run.running:
            return self._go_on(old, layout)
        loop = run.course.loop
        run.course = Course(layout, run.chapters.stops)
        run.course.loop = loop
        self._devices.reset()
        return []

    def _go_on(self, old: Plan, layout: Layout) -> list[Due]:
        """The run goes on with the plan that is there now, laid out so, instead of another."""
        run = self._run
        section = run.span.section.id
        run.course.take(layout, run.tick, run.chapters.stops)
        out = self._devices.renew()
        self._openers.renew(out, run.tick)
        for line in run.pulses.idle(run.plan.pulsed):
            self._locating.schedule_pulse(line, run.tick)
        if as_written(run.plan.song) != as_written(old.song) and not run.tempi.carried:
            self._tempo_at_next_beat()
        if run.tick >= run.course.start and section == run.span.section.id:
            run.mutes.edited(run.span.scene)
            for player in self._devices:
                player.take_edited_part(run.span.scene.part(player.device.id), run.tick)
            self._sections.lay_marks(out, run.tick)
            out += self._devices.apply_mutes(run.tick)
        self._sections.schedule()
        return out

    def _tempo_at_next_beat(self) -> None:
        run = self._run
        beat = run.span.scene.meter.beat_ticks
        at = run.course.start + next_multiple(run.tick - run.course.start, beat)
        written = run.span.tick + at - run.course.start
        bpm = run.course.layout.tempo.bpm_at(written)
        run.scheduler.at(at, TempoFalls(TempoPoint(tick=at, bpm=bpm), run.course.index))
