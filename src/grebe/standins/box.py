"""A simulated box, without input or output: MIDI bytes and times in, reports out.

It obeys what its device says it obeys, counts the clock it receives, runs its
own patterns from that count, and gets wrong what its faults say.
"""

from __future__ import annotations

import random
from typing import NamedTuple

from grebe.core.audio.names import ALL_NOTES_OFF, ALL_SOUND_OFF
from grebe.core.patterns.model import Content
from grebe.core.patterns.passes import HELD_TICKS, dice_key, passes_of
from grebe.core.rig.model import Device, Faults
from grebe.core.rig.standin import Setup
from grebe.core.time.ticks import CLOCK_TICKS, CLOCKS_PER_QUARTER, SIXTEENTH_TICKS
from grebe.protocols.midi import messages as midi
from grebe.protocols.midi.message_filter import lets
from grebe.protocols.midi.messages import MidiParser
from grebe.protocols.standin.reports import (
    ReportKind,
    SetupReader,
    StandinReport,
    is_setup,
    played,
    pressed,
)
from grebe.standins.loop_tracks import LoopTracks
from grebe.standins.own_clock import OwnClock


class Sounded(NamedTuple):
    """A note the box begins, or (velocity 0) ends, for whoever makes it heard."""

    note: int
    velocity: int
    at_ns: int
    controllers: dict[int, int]
    """As they stand. Not to be changed: it is shared."""


BURST_S = 0.33
CLOCKS_PER_BAR = 4 * CLOCKS_PER_QUARTER  # boxes that change at the bar count 4/4


def late_ns(faults: Faults, dice: random.Random, at_ns: int) -> int:
    """When something that is due is heard, by the box's faults."""
    late_ms = faults.latency_ms
    if faults.jitter_ms:
        late_ms += dice.gauss(0.0, faults.jitter_ms)
    if faults.one_sided_ms:
        late_ms += dice.expovariate(1 / faults.one_sided_ms)
    if faults.burst_ms and at_ns / 1e9 % faults.burst_every_s < BURST_S:
        late_ms += faults.burst_ms
    sounds_ns = at_ns + round(late_ms * 1e6)
    if faults.frame_ms:
        frame_ns = round(faults.frame_ms * 1e6)
        sounds_ns = -(-sounds_ns // frame_ns) * frame_ns
    return sounds_ns


class StandinBox:
    """One stand-in: takes the bytes that a box of its profile would, plays as that would, with the
    faults that were set, and reports what it did and when."""

    def __init__(self, device: Device, setup: Setup | None = None) -> None:
        setup = setup or Setup(device=device)
        self.device = setup.device
        self.memory = setup.memory
        self.accepts = setup.accepts
        self.thru = setup.thru
        self.samples = setup.samples
        """Sounds it has from files."""
        self.onward: list[tuple[str, bytes]] = []
        """What its thru has put out since this was last emptied: (path of the other, message)."""
        self.sounded: list[Sounded] = []
        """What it has played since this was last emptied."""
        self.tracks = [StandinBox(t.device, t) for t in setup.of_tracks()]
        """What it plays beside each other: boxes that hear the same wire."""
        self.loops = LoopTracks()
        """Its loop tracks, of a looper."""
        self._loop_control, self._starts_all = setup.loops, setup.starts_all
        self._held: set[int] = set()
        """Notes begun over MIDI."""
        self._droning: set[int] = set()
        """Notes of its own pattern that last as long as that plays."""
        self._controllers: dict[int, int] = {}
        self.program = min(self.memory.slots, default=0)
        self.running = False
        self.silent = False
        self.hushed = False
        """Whether the box it is a track of is silent."""
        self._parser = MidiParser()
        self._setup = SetupReader()
        self._random = random.Random(device.faults.seed)
        self._run = 0
        """Starts that reached its jack; also a box that does not obey them says so."""
        self._counting = False
        self._arrivals = 0
        self._clock = 0
        """Next clock to play, counted from the top of the song."""
        self._began = 0
        self._position = 0
        """Where Continue goes on, in clocks."""
        self._origin = 0
        """Clock at which the pattern now playing began."""
        self._pending: int | None = None
        self._last_clock_ns: int | None = None
        self._interval_ns = 0
        self._own_start_ns: int | None = None
        self._own_beats = 0
        self.leads = setup.leads
        self._own_clock: OwnClock | None = None
        self._leading: tuple[float | None, Faults] = (None, device.faults)

    def take_over(self, before: StandinBox) -> None:
        """What it sounds goes on, whoever plays it from now on: as on a real box, until told."""
        self._held = set(before._held)
        for track, old in zip(self.tracks, before.tracks, strict=False):
            track.take_over(old)

    @property
    def parts(self) -> tuple[StandinBox, ...]:
        """All that sounds in it: itself, and its tracks."""
        return (self, *self.tracks)

    @property
    def held(self) -> frozenset[int]:
        """Notes begun over MIDI and not ended."""
        return frozenset(note for part in self.parts for note in part._held)

    def feed(self, data: bytes, at_ns: int) -> list[StandinReport]:
        """Bytes that reached the box at `at_ns`; gives what it noticed and did."""
        out: list[StandinReport] = []
        for message in self._parser.feed(data, at_ns):
            if message.data[0] == midi.SYSEX:
                if is_setup(message.data):
                    setup = self._setup.take(message.data)
                    if setup is not None:
                        self._become(setup, at_ns)
                    continue
                start = pressed(message.data)
                if start is not None:
                    self._press(at_ns, out, start=start)
                    continue
            if message.data[0] in (midi.START, midi.CONTINUE):
                self._run += 1
                self._arrivals, self._counting = 0, True
            elif message.data[0] == midi.STOP:
                self._counting = False
            self.onward += [
                (cable.path, message.data)
                for cable in self.thru
                if lets(cable.passes, message.data)
            ]
            if lets(self.accepts, message.data):
                self._take(message.data, at_ns, out)
                for track in self.tracks:
                    track._take_as_track(message.data, at_ns, out)
        return out

    def _take_as_track(self, data: bytes, at_ns: int, out: list[StandinReport]) -> None:
        """What its box hears. The box has said already that a tick or a beat came; notes of its
        own are said here."""
        heard: list[StandinReport] = []
        self._take(data, at_ns, heard)
        out += [r for r in heard if r.kind is ReportKind.NOTE]

    def _become(self, setup: Setup, at_ns: int) -> None:
        """Other settings, another memory; what runs goes on."""
        leading = (setup.leads_bpm, setup.device.faults)
        if leading != self._leading:
            self._leading = leading
            bpm = setup.leads_bpm
            self._own_clock = None if bpm is None else OwnClock(bpm, setup.device.faults, at_ns)
        self.leads = setup.leads
        self.device, self.memory = setup.device, setup.memory
        known = {track.device.id: track for track in self.tracks}
        settings_of = setup.of_tracks()
        self.tracks = [known.get(t.device.id) or StandinBox(t.device, t) for t in settings_of]
        for track, settings in zip(self.tracks, settings_of, strict=True):
            track._become(settings, at_ns)
        self.accepts, self.thru, self.samples = setup.accepts, setup.thru, setup.samples
        self._loop_control, self._starts_all = setup.loops, setup.starts_all
        if self.program not in self.memory.slots:
            self.program = min(self.memory.slots, default=0)

    @property
    def due_ns(self) -> int | None:
        """When it will send of its own accord; None when it does not."""
        return None if self._own_clock is None else self._own_clock.due_ns

    def _press(self, at_ns: int, out: list[StandinReport], *, start: bool) -> None:
        if self._own_clock is None:
            return
        if start:
            self._own_clock.press()
        elif self.running:
            for part in self.parts:
                part.running = False
            self._send(bytes((midi.STOP,)), at_ns, out)

    def _send(self, data: bytes, at_ns: int, out: list[StandinReport]) -> None:
        """Put a message of its own on its cables, and on the one to Grebe."""
        out.append(played(data, at_ns))
        self.onward += [(cable.path, data) for cable in self.leads if lets(cable.passes, data)]

    def lead(self, now_ns: int) -> list[StandinReport]:
        """What it sends by now, while it leads."""
        out: list[StandinReport] = []
        if self._own_clock is None:
            return out
        for data in self._own_clock.take(now_ns):
            self._send(data, now_ns, out)
            if data[0] == midi.START:
                self._run += 1
                self._arrivals = 0
            for part in self.parts:
                heard = part._hear_own(data, now_ns)
                told = {ReportKind.NOTE, ReportKind.BEAT} if part is self else {ReportKind.NOTE}
                out += [r for r in heard if r.kind in told]
        return out

    def _hear_own(self, data: bytes, now_ns: int) -> list[StandinReport]:
        """Its own clock moves it, whatever it obeys of others."""
        heard: list[StandinReport] = []
        if data[0] == midi.START:
            self._begin(0)
        elif self.running:
            self._tick(now_ns, heard)
        return heard

    def idle(self, now_ns: int) -> list[StandinReport]:
        """Beats that a box on its own tempo has played by now."""
        out: list[StandinReport] = []
        if self.running and self._own_start_ns is not None:
            faults = self.device.faults
            beat_ns = 60e9 / faults.own_bpm / (1 + faults.drift_ppm / 1e6)
            while self._own_start_ns + round(self._own_beats * beat_ns) <= now_ns:
                at_ns = self._own_start_ns + round(self._own_beats * beat_ns)
                self._beat(self._own_beats, at_ns, out)
                self._own_beats += 1
        return out

    def _take(self, data: bytes, at_ns: int, out: list[StandinReport]) -> None:
        status, device = data[0], self.device
        if status == midi.TIMING_CLOCK:
            if (self.running or self._counting) and device.obeys_clock:
                self._tick(at_ns, out)
        elif status == midi.START and device.obeys_transport:
            self._begin(0)
            if self._starts_all:
                self.loops.start_all(at_ns)
        elif status == midi.CONTINUE and device.obeys_transport:
            self._begin(self._position)
            if self._starts_all:
                self.loops.start_all(at_ns)
        elif status == midi.STOP and device.obeys_transport:
            self.loops.halt(at_ns)
            self.running = False
            self._end(self._droning, at_ns)
            self._position = self._clock
        elif status == midi.SONG_POSITION and device.obeys_song_position:
            if not self.running:
                self._position = (data[1] | data[2] << 7) * 6
        elif status & 0xF0 == midi.PROGRAM_CHANGE:
            if status & 0xF == device.told_on - 1:
                self._take_program(data[1])
        elif status & 0xF == device.channel - 1:
            self._take_channel(status & 0xF0, data, at_ns, out)

    def _take_program(self, program: int) -> None:
        if not self.device.obeys_program:
            return
        if self.running and self.device.change_at != "at_once":
            self._pending = program
        else:
            self.program, self._pending = program, None

    def _take_channel(self, kind: int, data: bytes, at_ns: int, out: list[StandinReport]) -> None:
        device = self.device
        if kind == midi.NOTE_ON and data[2]:
            self._sound(data[1], data[2], at_ns, out)
            self._held.add(data[1])
        elif kind in (midi.NOTE_OFF, midi.NOTE_ON):
            self._end({data[1]}, at_ns)
        elif kind == midi.CONTROL_CHANGE:
            if self.loops.told(self._loop_control, data[1], data[2], at_ns):
                return
            if data[1] == device.mute_controller:
                self.silent = data[2] == 0
                for track in self.tracks:
                    track.hushed = self.silent
            elif data[1] in (ALL_SOUND_OFF, ALL_NOTES_OFF):
                self._end(set(self._held), at_ns)
            else:
                self._controllers = {**self._controllers, data[1]: data[2]}

    def _begin(self, position: int) -> None:
        self._clock = self._began = position
        if self._pending is not None:
            self.program, self._pending = self._pending, None
        length = self._length()
        self._origin = position - position % length
        self._last_clock_ns, self._own_start_ns, self._own_beats = None, None, 0
        self.running = True

    def _length(self) -> int:
        content = self.memory.slots.get(self.program, Content())
        return max(1, content.ticks // CLOCK_TICKS)

    def _tick(self, at_ns: int, out: list[StandinReport]) -> None:
        number = self._arrivals
        self._arrivals += 1
        if self._random.random() * 100 < self.device.faults.drop_percent:
            out.append(StandinReport(ReportKind.LOST_TICK, self._run, number, at_ns))
            return
        out.append(StandinReport(ReportKind.TICK, self._run, number, at_ns))
        if not self.running:  # it follows the tempo, and plays nothing of its own
            if number % CLOCKS_PER_QUARTER == 0:
                self._beat(number // CLOCKS_PER_QUARTER, at_ns, out)
            return
        if self.device.faults.ignores_clock:
            if self._own_start_ns is None:
                self._own_start_ns = at_ns
            return
        self._advance(at_ns, out)
        doubles = self.device.faults.double_percent
        if doubles and self._random.random() * 100 < doubles:
            self._advance(at_ns, out)

    def _advance(self, at_ns: int, out: list[StandinReport]) -> None:
        """Play one clock on."""
        if self._last_clock_ns is not None and at_ns > self._last_clock_ns:
            self._interval_ns = at_ns - self._last_clock_ns
        self._last_clock_ns = at_ns
        self._change_pattern(at_ns)
        since = self._clock - self._began
        if since % CLOCKS_PER_QUARTER == 0:
            self._beat(since // CLOCKS_PER_QUARTER, at_ns, out)
        if self.device.plays == "own" and not self.silent and not self.hushed:
            self._play(at_ns, out)
        self._clock += 1

    def _change_pattern(self, at_ns: int) -> None:
        since = self._clock - self._origin
        unit = CLOCKS_PER_BAR if self.device.change_at == "bar" else self._length()
        if self._pending is not None and since % unit == 0 and self._clock > self._began:
            self.program, self._pending = self._pending, None
            self._origin = self._clock
            self._end(self._droning, at_ns)

    def _play(self, at_ns: int, out: list[StandinReport]) -> None:
        """Sound the own pattern's hits from this clock up to the next."""
        content = self.memory.slots.get(self.program)
        if content is None:
            return
        begin = (self._clock - self._origin) * CLOCK_TICKS
        silent = {t.device.id for t in self.tracks if t.silent}
        for voice in content.voices:
            if silent and self.device.track_on(voice.channel or self.device.channel) in silent:
                continue
            key = dice_key(1, self.device.id, voice.id, content)
            for sound in passes_of(content, voice).between(begin, begin + CLOCK_TICKS, key):
                if sound.fill:
                    continue
                into = sound.tick - begin
                odd = sound.tick // SIXTEENTH_TICKS % 2
                swung = (self.device.faults.swing_percent - 50) / 50 * SIXTEENTH_TICKS * odd
                later = round(self._interval_ns * (into + swung) / CLOCK_TICKS)
                self._sound(sound.note, sound.velocity, at_ns + later, out)
                if sound.gate_ticks >= HELD_TICKS:
                    self._droning.add(sound.note)
                    self._held.add(sound.note)
                    continue
                held = round(self._interval_ns * sound.gate_ticks / CLOCK_TICKS)
                self._tell(sound.note, 0, at_ns + later + held)

    def _beat(self, number: int, at_ns: int, out: list[StandinReport]) -> None:
        out.append(
            StandinReport(
                ReportKind.BEAT, self._run, number, late_ns(self.device.faults, self._random, at_ns)
            )
        )

    def _sound(self, note: int, velocity: int, at_ns: int, out: list[StandinReport]) -> None:
        sounds_ns = late_ns(self.device.faults, self._random, at_ns)
        out.append(StandinReport(ReportKind.NOTE, self._run, note * 128 + velocity, sounds_ns))
        self._tell(note, velocity, sounds_ns)

    def _end(self, notes: set[int], at_ns: int) -> None:
        for note in notes & self._held:
            self._tell(note, 0, at_ns)
        self._held -= notes

    def _tell(self, note: int, velocity: int, at_ns: int) -> None:
        self.sounded.append(Sounded(note, velocity, at_ns, self._controllers))
