"""Sections as they come in and go: boundaries, what is told before them, what is laid over them."""

from __future__ import annotations

import msgspec

from grebe.core.player.course import Coming
from grebe.core.player.device_player import DevicePlayers
from grebe.core.player.events import (
    Due,
    MutesDropped,
    SectionStarts,
    Shared,
    SongPosition,
    SongSelect,
)
from grebe.core.player.happened import Entered, Stopped, TrackDid
from grebe.core.player.loopers import TrackCommand
from grebe.core.player.marks import Filling, Happening, Moved, Silence, Steered, Swaps, lay_regions
from grebe.core.player.openers import Openers
from grebe.core.player.run import Run
from grebe.core.player.scheduler import MarksFall, Prepare, Switch, TrackFalls
from grebe.core.rig.lines import box_of
from grebe.core.time.position import song_position
from grebe.core.time.ticks import SIXTEENTH_TICKS


class Sections:
    """The way from one section into the next."""

    def __init__(self, run: Run, devices: DevicePlayers, openers: Openers) -> None:
        self._run = run
        self._devices = devices
        self._openers = openers
        self._token = 0
        """Of the boundary that holds: what waits for one that was moved falls out by itself."""

    # The boundary

    def schedule(self) -> None:
        """Have the coming boundary, and what has to be told before it."""
        run = self._run
        self._token += 1
        together: dict[int, list[str]] = {}
        for player in self._devices:
            together.setdefault(run.lead(player.device), []).append(player.device.id)
        for lead, devices in together.items():
            told_at = max(run.boundary - lead, run.tick)
            run.scheduler.at(told_at, Prepare(self._token, devices))
        run.scheduler.at(run.boundary, Switch(self._token))

    def prepare(self, out: list[Due], tick: int, what: Prepare) -> None:
        """Tell boxes what the coming section wants, unless the boundary has been moved."""
        if what.token == self._token:
            self.tell_ahead(out, tick, what.devices)

    def tell_ahead(self, out: list[Due], tick: int, devices: list[str]) -> None:
        """Tell those of these boxes that play their own patterns what the coming section wants."""
        run, course = self._run, self._run.course
        coming = None if course.stays(run.tick) else course.coming(run.tick)
        if coming is None:
            return
        scene = run.spans[coming.section].scene
        spoken: set[tuple[str, int]] = set()
        for player in (self._devices.get(device) for device in devices):
            if player is None:
                continue
            part = scene.part(player.device.id)
            if part.chain and player.told_ahead:  # the first of those told on one channel tells
                if player.address in spoken:
                    continue
                spoken.add(player.address)
            player.prepare(out, tick, part, course.origin_of(coming, coming.at), coming.at)

    def switch(self, out: list[Due], tick: int, what: Switch) -> None:
        """The section is over: another pass of it, the next one, or the end of the song."""
        run, course = self._run, self._run.course
        if what.token != self._token:
            return  # the boundary has been moved since
        if course.stays(run.tick):
            course.one_more_pass()
            self.schedule()
        elif (coming := course.coming(run.tick)) is None:
            out += self.halt(tick)
            out.append((tick, "", Shared.END))
        else:
            self._enter(out, tick, coming)

    def take_back(self) -> list[Due]:
        """Boxes told of a section that now comes later, or not: tell them what plays on."""
        run, out = self._run, list[Due]()
        if run.running:
            stays = run.course.stays(run.tick)
            for player in self._devices:
                if stays or run.tick < run.boundary - run.lead(player.device):
                    player.tell_what_plays(out, run.tick)
        return out

    def halt(self, tick: int) -> list[Due]:
        """Stop: notes end, boxes are told."""
        run, out = self._run, list[Due]()
        if not run.running:
            return out
        for player in self._devices:
            player.halt(out, tick)
        self._openers.halt(out, tick)
        run.note(Stopped(tick))
        out += [(tick, device, Shared.STOP) for device in run.plan.started]
        run.running, run.course.launch, run.course.held = False, None, False
        run.scheduler.clear()
        run.loopers.halt()
        return out

    # Coming in

    def _enter(self, out: list[Due], tick: int, coming: Coming) -> None:
        """Begin a section: what was laid over the one before ends, mutes by hand stay or go."""
        run, course = self._run, self._run.course
        self.end_marks()
        self._drop_mutes(out, tick)
        before, opening = run.chapters.of(course.index), course.opening is not None
        straight = course.enter(coming, tick)
        span, origin = run.span, course.start
        starts = SectionStarts(
            section=span.section.id, scene=span.scene.id, tick=origin, song_bar=span.bar
        )
        out.append((tick, "", starts))
        entered = run.chapters.of(course.index)
        if entered is not before and entered is not None:
            # Only what comes in as the set has it, at its beginning, carries the tempo on.
            run.tempi.carried = entered.into == "carry" and span.section.id == entered.first
            self._choose_songs(out, tick, coming.into)
        elif not straight:
            self._take_songs_there(out, tick, span.tick + coming.into)
        run.tempi.enter(out, tick, span, course.layout, coming.into)
        run.mutes.enter(span.scene)
        lay_regions(run.mutes, span, tick - origin)  # what is silent at once is not let sound first
        placed = coming.anew or bool(coming.into)
        for player in self._devices:
            part = span.scene.part(player.device.id)
            player.take_part(out, tick, origin, part, placed=placed, opening=opening)
        run.note(Entered(tick, origin, span.section.id, coming.into))
        self.lay_marks(out, tick)
        self._devices.note_silence(tick)
        self.schedule()

    def _drop_mutes(self, out: list[Due], tick: int) -> None:
        run = self._run
        if not run.mutes_kept:
            dropped = run.mutes.drop_by_hand()
            if dropped:
                out.append((tick, "", MutesDropped(mutes=dropped)))
        run.mutes_said = None

    def _choose_songs(self, out: list[Due], tick: int, into: int) -> None:
        """Another song of the set begins: boxes with a song of their own are told which, and run
        it from there."""
        run = self._run
        for box in run.chapters.box_songs(run.course.index):
            if box.device in self._devices:
                out.append((tick, box.device, Shared.STOP))
                out.append((tick, box.device, SongSelect(song=box.number)))
        self._take_songs_there(out, tick, run.span.tick + into)

    def _take_songs_there(self, out: list[Due], tick: int, written: int) -> None:
        """Boxes that play a song of their own go on in its order: take them to the place."""
        run = self._run
        top = run.chapters.top(run.course.index)
        for box in run.chapters.box_songs(run.course.index):
            if box.device in run.plan.started and written % SIXTEENTH_TICKS == 0:
                position = SongPosition(sixteenths=song_position(written - top))
                out.append((tick, box.device, Shared.STOP))
                out.append((tick, box.device, position))
                out.append((tick, box.device, Shared.CONTINUE))

    # What is laid over a section

    def end_marks(self) -> None:
        """Nothing is laid over any more."""
        self._run.laid.end()
        self._run.mutes.end_regions()

    def lay_marks(self, out: list[Due], tick: int) -> None:
        """Take what is laid over this section: what is past already holds, the rest waits."""
        run, since = self._run, tick - self._run.course.start
        self.end_marks()
        past = run.laid.lay(run.span, since)
        self._all_happen(out, tick, [*past, *run.laid.fall(since)])
        self._wait_for_marks()

    def marks_fall(self, out: list[Due], tick: int, what: MarksFall) -> None:
        """Do what falls on this tick, unless the section is another by now."""
        if what.generation == self._run.laid.generation:
            self._pass_marks(out, tick)

    def _pass_marks(self, out: list[Due], tick: int) -> None:
        """Do what falls on this tick, and wait for what comes after it."""
        run = self._run
        self._all_happen(out, tick, run.laid.fall(tick - run.course.start))
        self._wait_for_marks()

    def _wait_for_marks(self) -> None:
        run = self._run
        if run.laid.next_at is not None:
            at = run.course.start + run.laid.next_at
            run.scheduler.at(at, MarksFall(run.laid.generation))

    def _all_happen(self, out: list[Due], tick: int, what: list[Happening]) -> None:
        """Regions first, and what they make silent once: of two that meet none is heard between."""
        silences = [one for one in what if isinstance(one, Silence)]
        for silence in silences:
            self._run.mutes.region(silence.muted, on=silence.on)
        for box in dict.fromkeys(box_of(one.muted[0]) for one in silences):
            out += self._devices.apply_mutes(tick, box)
        for one in what:
            self._happen(out, tick, one)

    def _happen(self, out: list[Due], tick: int, what: Happening) -> None:
        run = self._run
        if isinstance(what, Filling):
            changes = what.on != run.laid.filling and not run.filling
            run.laid.filling = what.on
            if changes:
                out += self._devices.fill(tick, on=what.on)
        elif isinstance(what, Swaps):
            player = self._devices.get(what.mark.device)
            pattern = run.patterns_of(what.mark.device).get(what.mark.pattern)
            given = run.chain(run.span.scene.part(what.mark.device))
            if player is not None and (pattern is not None or not what.mark.pattern):
                since = run.course.start + what.mark.at * SIXTEENTH_TICKS
                chain = given if pattern is None else (pattern,)
                player.go_over(out, tick, chain, min(since, tick))
        elif isinstance(what, Moved):
            player = self._devices.get(what.curve.device)
            if player is not None:
                player.knobs.turn(out, tick, what.curve.channel, what.curve.controller, what.value)
        elif isinstance(what, Steered) and not run.tempi.carried:
            run.tempi.set(out, msgspec.structs.replace(what.point, tick=tick))

    # Loop tracks

    def track_falls(self, out: list[Due], tick: int, what: TrackFalls) -> None:
        """A loop track does what it was armed for; a recording of fixed length is closed later."""
        run = self._run
        armed = run.loopers.tracks.get((what.device, what.number))
        act = armed.armed if armed is not None and armed.armed_at == tick else ""
        out += run.loopers.fall(what.device, what.number, tick)
        if act:
            run.note(TrackDid(tick, what.device, what.number, act))
        track = run.loopers.tracks[(what.device, what.number)]
        if what.bars and track.state == "recording":
            at = tick + what.bars * run.span.scene.meter.bar_ticks
            close = TrackCommand(device=what.device, number=what.number, do="play", at="now")
            self.arm(close, at)

    def arm(self, command: TrackCommand, tick: int) -> None:
        """Have a loop track do something at its moment, asked for at a tick."""
        run = self._run
        meter, bpm = run.span.scene.meter, run.tempi.bpm_at(run.tick)
        at = run.loopers.ask(command, tick, run.course.start, meter.bar_ticks, bpm)
        if at >= 0:
            run.scheduler.at(at, TrackFalls(command.device, command.number, command.bars))
