"""``python -m grebe.standins.speaker``: sounds what stand-ins play, at an audio output.

A process of its own: making sound must not hold up a box that notes when its
ticks come. It ends by itself when the stand-ins do, or where there is no output.
"""

from __future__ import annotations

import logging
import os
import select
import socket
import sys
from collections import deque
from collections.abc import MutableMapping
from typing import Any, NamedTuple

import numpy as np
from numpy.typing import NDArray

from grebe.core.audio.fitting import at_rate, faded
from grebe.core.audio.kit import (
    HATS,
    LEVELS,
    PANS,
    USUAL_LEVEL,
    VOICED,
    is_struck,
    loudness,
    release_of,
    rounded,
    sound_of,
    tone,
)
from grebe.core.audio.mix import CUT_S, Sample, limited
from grebe.core.audio.tones import fading
from grebe.errors import PortLost, ProtocolError
from grebe.process.callbacks import before_callbacks
from grebe.process.log import end_log, start_log
from grebe.process.priority import ask_for_realtime, be_ordinary
from grebe.protocols.standin.speaker import MAX_PACKET_BYTES, LoopCommand, Note, Samples, read
from grebe.standins.loop_sound import At, LoopSound
from grebe.transports.clock import raw_ns
from grebe.transports.frames import FrameClock
from grebe.transports.pulses.devices import sound_library

AHEAD_NS = 40_000_000
"""Everything sounds this much later than the boxes say, all of it alike: time to mix it."""
MOST_SOUNDS = 64
"""More at once, and the oldest go."""
SILENT_S = 2.0
"""An output that has not asked for sound for so long is gone, with its server or its interface."""
PRIORITY = 55
"""Below the stand-ins: sound waits for boxes, not they for it."""
USUAL_DRUMS = range(35, 60)
"""Made before anything sounds: General MIDI's."""


_log = logging.getLogger(__name__)


def speaker_level(environment: MutableMapping[str, str] = os.environ) -> float:
    """How loud everything is, 0 to 1: GREBE_SOUND_LEVEL in per cent."""
    text = environment.get("GREBE_SOUND_LEVEL", "")
    return min(100, int(text)) / 100 if text.isdecimal() else 1.0


def _where(note: Note) -> tuple[str, str]:
    """What a note is played from, and shares with others that it cuts off."""
    hats = "hats" if is_struck(note.kind) and note.note in HATS else f"note {note.note}"
    return note.device, note.slot or hats


class _Sounding:
    """One note on its way."""

    __slots__ = (
        "bright", "ends", "first", "gain", "kind", "note", "pan", "release", "sample", "where",
    )  # fmt: skip

    def __init__(self, note: Note, first: int, rate: int, sample: Sample | None) -> None:
        self.sample = sample
        """What it plays instead of its box's own sound."""
        self.kind, self.note = note.kind, note.note
        self.where = _where(note)
        self.first = first
        self.ends: int | None = None
        """Sample at which it is let go of, or cut off."""
        self.release = release_of(note.kind, rate)
        self.bright = rounded(0.0, note.bright)[1]
        self.gain = loudness(note.velocity, note.level) * LEVELS.get(note.kind, USUAL_LEVEL)
        self.pan = PANS.get(note.kind, 0.0)
        if sample is not None and sample.gate:
            self.release = max(1, round(CUT_S * rate))

    @property
    def is_held(self) -> bool:
        """Whether the end of its note ends it."""
        return not is_struck(self.kind) if self.sample is None else self.sample.gate


class Mixer:
    """Notes in, blocks of stereo out. Pure: frames are its only time."""

    def __init__(self, rate: int, level: float = 1.0) -> None:
        """`level`, 0 to 1, is taken before the limiter."""
        self.rate = rate
        self._level = np.float32(level)
        self.samples: dict[tuple[str, int], Sample] = {}
        """By device and note. Replaced, never changed: the callback reads it."""
        self.loops = LoopSound(rate)
        self._sounds: list[_Sounding] = []

    def take(self, note: Note, frame: int) -> None:
        """A note begins or ends at a frame."""
        if note.kind not in VOICED:
            return
        where = _where(note)
        for sound in self._sounds:
            same = sound.where == where and sound.first <= frame
            if same and note.velocity and (sound.ends is None or sound.ends > frame):
                sound.ends, sound.release = frame, max(1, round(CUT_S * self.rate))
            elif same and not note.velocity and sound.ends is None and sound.is_held:
                sound.ends = frame
        if note.velocity:
            sample = self.samples.get((note.device, note.note))
            self._sounds.append(_Sounding(note, frame, self.rate, sample))
            del self._sounds[:-MOST_SOUNDS]

    def block(self, first: int, count: int) -> NDArray[np.float32]:
        """Samples `first` on, shape (count, 2), limited."""
        out = np.zeros((count, 2), dtype=np.float32)
        left: list[_Sounding] = []
        for sound in self._sounds:
            if sound.first >= first + count:
                left.append(sound)
                continue
            begin = max(first, sound.first)
            wave = self._wave(sound, begin - sound.first, first + count - begin)
            if wave is None:
                continue
            left.append(sound)
            part = out[begin - first : begin - first + len(wave)]
            part[:, 0] += wave * np.float32(np.sqrt((1 - sound.pan) / 2) * sound.gain)
            part[:, 1] += wave * np.float32(np.sqrt((1 + sound.pan) / 2) * sound.gain)
        self._sounds = left
        self.loops.add(out, first)
        return limited(out * self._level)

    def _wave(self, sound: _Sounding, into: int, count: int) -> NDArray[np.float32] | None:
        """What a note adds from `into` it on; None when it is over."""
        ends = None if sound.ends is None else sound.ends - sound.first
        if ends is not None and into >= ends + sound.release:
            return None
        if sound.sample is not None or is_struck(sound.kind):
            wave = self._struck(sound)
            if into >= len(wave):
                return None
            wave = wave[into : into + count]
        else:
            wave = tone(sound.kind, sound.note, sound.bright, into, count, self.rate)
        if ends is not None and into + len(wave) > ends:
            wave = wave * fading(into, len(wave), ends, sound.release)
        return wave

    def _struck(self, sound: _Sounding) -> NDArray[np.float32]:
        if sound.sample is not None:
            return sound.sample.wave
        return sound_of(sound.kind, sound.note, *rounded(0.0, 0), self.rate)


def load_samples(message: Samples, rate: int) -> dict[tuple[str, int], Sample]:
    """A box's sounds from their files, at a rate; a file that cannot be read is left out."""
    from scipy.io import wavfile  # noqa: PLC0415 - only where there is something to load

    files: dict[str, tuple[int, NDArray[np.float32]]] = {}
    out: dict[tuple[str, int], Sample] = {}
    for sound in message.sounds:
        if sound.path not in files:
            try:
                own_rate, raw = wavfile.read(sound.path)
            except (OSError, ValueError):
                continue
            full = 1.0 if raw.dtype.kind == "f" else float(np.iinfo(raw.dtype).max)
            scaled = raw.astype(np.float32) / np.float32(full)
            files[sound.path] = (own_rate, scaled if scaled.ndim == 1 else scaled.mean(axis=1))
        own_rate, audio = files[sound.path]
        wave = faded(audio[sound.start : sound.end], own_rate)
        wave = wave if own_rate == rate else at_rate(wave, own_rate, rate)
        out[(message.device, sound.note)] = Sample(wave, sound.gate, sound.slot)
    return out


class _Stamped(NamedTuple):
    note: Note
    frame: int


class _Output:
    """An audio output that asks for sound, block by block, in a thread of its own."""

    def __init__(self) -> None:
        """PortLost without an output."""
        library = sound_library()
        try:
            self._stream = library.OutputStream(
                device=os.environ.get("GREBE_SOUND"), channels=2, dtype="float32",
                callback=self._fill, prime_output_buffers_using_stream_callback=False,
            )  # fmt: skip
        except (library.PortAudioError, ValueError) as error:
            raise PortLost(f"no audio output would open ({error})") from error
        self._clock = FrameClock(round(self._stream.samplerate))
        for note_number in USUAL_DRUMS:
            sound_of("drums", note_number, *rounded(0.0, 0), self._clock.rate)
        desk = Mixer(self._clock.rate, speaker_level())
        desk.take(Note("", "bass", 40, 1, 0), 0)
        desk.block(0, 512)  # whatever is slow the first time is behind it
        self._desk = Mixer(self._clock.rate, speaker_level())
        self._coming: deque[_Stamped] = deque()
        self._acts: deque[At] = deque()
        self._count = 0
        """Frames that were asked for."""
        self._asked_ns = raw_ns()

    def begin(self) -> None:
        """It asks for sound from now on; it is never stopped: where the server is gone its library
        waits for ever."""
        before_callbacks()
        ask_for_realtime(PRIORITY)  # for the callback's thread, which is begun now
        self._stream.start()
        be_ordinary()
        self._asked_ns = raw_ns()

    def must_go_on(self) -> None:
        """PortLost where nothing is asked for any more."""
        if (raw_ns() - self._asked_ns) / 1e9 > SILENT_S:
            raise PortLost(f"the audio output has asked for nothing for {SILENT_S:g} s")

    def take(self, message: Note | Samples | LoopCommand) -> None:
        """Sound, load or do something, at its time."""
        rate = self._clock.rate
        if isinstance(message, Samples):
            kept = {k: v for k, v in self._desk.samples.items() if k[0] != message.device}
            self._desk.samples = kept | load_samples(message, rate)
            return
        if isinstance(message, Note) and is_struck(message.kind):
            # made here, the first time: the callback has no time
            sound_of(message.kind, message.note, *rounded(0.0, 0), rate)
        frame = self._clock.frame_at(message.at_ns + AHEAD_NS)
        if frame is None:
            return
        if isinstance(message, LoopCommand):
            self._acts.append(At(frame, message.device, message.track, message.act))
        else:
            self._coming.append(_Stamped(message, frame))

    def _fill(self, data: Any, frames: int, when: Any, status: Any) -> None:
        del when, status
        self._asked_ns = raw_ns()
        self._clock.update(self._count, self._asked_ns, frames)
        while self._acts:
            self._desk.loops.take(self._acts.popleft())
        while self._coming:
            stamped = self._coming.popleft()
            self._desk.take(stamped.note, stamped.frame)
        data[:] = self._desk.block(self._count, frames)
        self._count += frames


def play(source: socket.socket) -> None:
    """Sound what comes in over a socket, until it closes. PortLost without an output."""
    output = _Output()
    output.begin()
    while True:
        output.must_go_on()
        if not select.select([source], [], [], SILENT_S / 4)[0]:
            continue
        packet = source.recv(MAX_PACKET_BYTES)
        if not packet:
            return
        try:
            message = read(packet)
        except ProtocolError as error:
            _log.warning("left out: %s", error)
            continue
        output.take(message)


def main() -> None:
    """Sound what comes in over the descriptor named on the command line."""
    start_log("speaker")
    source = socket.socket(fileno=int(sys.argv[1]))
    how = "the stand-ins need it no longer"
    status = 0
    try:
        play(source)
    except (PortLost, OSError) as error:  # the stand-ins go on without sound
        how, status = str(error), 1
    end_log(how)
    # At once: closing a stream whose server is gone can hang in its library.
    os._exit(status)


if __name__ == "__main__":
    main()
