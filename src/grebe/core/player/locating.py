"""Coming in: a run that begins anywhere in a song, a box that comes back, lines of pulses."""

from __future__ import annotations

from grebe.core.player.clicks import Clicks
from grebe.core.player.device_player import DevicePlayers
from grebe.core.player.events import DeviceEvent, Due, Shared, SongPosition, SongSelect
from grebe.core.player.openers import Openers
from grebe.core.player.plan import PulseLine
from grebe.core.player.run import PREROLL_TICKS, Run
from grebe.core.player.scheduler import CLOCK, PulseFalls, Told
from grebe.core.player.sections import Sections
from grebe.core.rig.lines import box_of
from grebe.core.time.position import song_position
from grebe.core.time.ticks import CLOCK_TICKS, SIXTEENTH_TICKS, next_multiple


class Locating:
    """Takes the performance, or one box, to a place."""

    def __init__(
        self, run: Run, devices: DevicePlayers, sections: Sections, openers: Openers
    ) -> None:
        self._run = run
        self._devices = devices
        self._sections = sections
        self._openers = openers
        self.clicks = Clicks(run, devices)
        self._rejoining: dict[str, int] = {}
        """Devices that come in again, and the bar line they do on."""

    def begin(self, index: int, tick: int | None, counted_bars: int) -> list[Due]:
        """Begin a run at a section, or at a tick of the song, after so many bars counted."""
        run = self._run
        if run.running:
            return []
        if tick is not None:
            layout = run.course.layout
            tick = min(max(0, tick), layout.ticks - CLOCK_TICKS) // CLOCK_TICKS * CLOCK_TICKS
            index = layout.index_at(tick)
        span = run.spans[index]
        base = span.tick if tick is None else tick
        counted = counted_bars * span.scene.meter.bar_ticks
        ready = base - counted - PREROLL_TICKS
        out = self._reset(index, base, ready)
        self._openers.begin(out, ready, base)
        self._sections.tell_ahead(out, ready, list(self._devices.by_id))
        run.loopers.begin(base)
        for part in span.scene.parts:
            out += run.loopers.guard(part.device, part.tracks, ready)
        self._start_boxes(out, base, ready)
        self._sections.schedule()
        self.clicks.count_in(base - counted, base)
        run.scheduler.at(base, CLOCK)
        run.pulses.begin(run.top)
        self._rejoining.clear()
        for line in run.plan.pulsed:
            self.schedule_pulse(line, base)
        return sorted(out, key=lambda due: due[0])

    def _reset(self, index: int, base: int, ready: int) -> list[Due]:
        """Everything as at a beginning; the tempo, and songs that boxes have to choose."""
        run = self._run
        run.scheduler.clear()
        run.told.clear()
        self._devices.reset()
        into = run.course.begin(index, base)
        run.top = run.chapters.top(index)
        run.mutes_said = None
        self._sections.end_marks()
        run.running, run.tick = True, ready
        span = run.span
        bpm = run.course.layout.tempo.bpm_at(base) if into else span.bpm
        if base == run.top and span.section.bpm is not None:
            bpm = span.section.bpm  # a song that is run has nothing to come from
        out: list[Due] = [run.tempi.begin(ready, bpm)]
        out += [
            (ready, box.device, SongSelect(song=box.number))
            for box in run.chapters.box_songs(index)
            if box.device in self._devices
        ]
        return out

    def _start_boxes(self, out: list[Due], base: int, ready: int) -> None:
        run = self._run
        for device in run.plan.started:
            if base == run.top:
                out.append((base, device, Shared.START))
                continue
            # Between two sixteenths no position can be told: boxes go on from their own count.
            if base % SIXTEENTH_TICKS == 0:
                position = SongPosition(sixteenths=song_position(base - run.top))
                out.append((ready, device, Shared.STOP))  # one that still runs takes no position
                out.append((ready, device, position))
            out.append((base, device, Shared.CONTINUE))

    def rejoin(self, device: str, *, stop_now: bool) -> list[Due]:
        """Stop a box that is back, tell it its pattern, and let it come in on the next bar."""
        run, out = self._run, list[Due]()
        if not run.running:
            return out
        starts = device in run.plan.started
        if starts and stop_now:
            out.append((run.tick, device, Shared.STOP))
        for player in self._devices:
            box = box_of(player.device.id)
            if run.plan.via.get(box, box) == device:
                player.tell_again(out, run.tick)
                self._openers.rejoined(out, run.tick, player.device.id)
        if starts:
            self._come_in_on_the_bar(device, stop_now=stop_now)
        return out

    def _come_in_on_the_bar(self, device: str, *, stop_now: bool) -> None:
        run = self._run
        bar = run.span.scene.meter.bar_ticks
        since = run.tick + PREROLL_TICKS - run.course.start
        base = run.course.start + next_multiple(max(0, since), bar)
        if self._rejoining.get(device) == base:
            return
        self._rejoining[device] = base
        place = SongPosition(sixteenths=song_position(base - run.top))
        told: list[tuple[str, DeviceEvent]] = [(device, place)]
        if not stop_now:  # one that still runs takes no position
            told.insert(0, (device, Shared.STOP))
        run.scheduler.at(base - PREROLL_TICKS, Told(told))
        run.scheduler.at(base, Told([(device, Shared.CONTINUE)]))

    def pulse(self, out: list[Due], tick: int, device: str) -> None:
        """A pulse, and the next at the rate there is now; a line taken away ends here."""
        run = self._run
        line = next((w for w in run.plan.pulsed if w.device == device), None)
        if line is None:
            run.pulses.gone(device)
            return
        out.append((tick, device, Shared.PULSE))
        self.schedule_pulse(line, tick + 1)

    def schedule_pulse(self, line: PulseLine, first: int) -> None:
        """Have a line's first pulse that is not before a tick."""
        tick = self._run.pulses.first_from(line, first)
        self._run.scheduler.at(tick, PulseFalls(line.device))
