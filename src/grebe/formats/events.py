"""Recordings to be measured: audio files, and lists of events as ``source,seconds``."""

from __future__ import annotations

import csv
import mmap
import warnings
from pathlib import Path
from typing import Any, NamedTuple, Protocol

import numpy as np
from numpy.typing import NDArray

from grebe.errors import RecordingError
from grebe.formats.reading import UNTOUCHED, read_bounded, require_file
from grebe.formats.tables import decoded, heading, number, numbered

MAX_EVENTS_BYTES = 256 * 1024 * 1024
MAX_WAV_BYTES = 8 * 1024**3
"""An hour of eight channels at 192 kHz in 32 bits is 22 GB; cut longer ones."""
MAX_DECODED_BYTES = 1024**3
"""Of one channel of other formats, which is decoded as a whole: an hour and a half at 48 kHz."""
BLOCK_FRAMES = 1 << 20
"""So much is decoded or turned into numbers at a time."""
HEADER = ("source", "seconds")


class Recording(Protocol):
    """Channels of a file, each read when it is wanted: an hour of one takes 0.7 GB as numbers."""

    @property
    def rate(self) -> int:
        """Frames a second."""

    @property
    def channels(self) -> int:
        """How many there are."""

    @property
    def seconds(self) -> float:
        """How long it is."""

    def channel(self, number: int) -> NDArray[np.float32]:
        """One channel as numbers from -1 to 1, from 0."""


class WavRecording(NamedTuple):
    """Of a WAV file."""

    rate: int
    samples: NDArray[Any]
    """A column a channel, as the file holds them: mapped, not yet read."""

    @property
    def channels(self) -> int:
        """How many there are."""
        return 1 if self.samples.ndim == 1 else int(self.samples.shape[1])

    @property
    def seconds(self) -> float:
        """How long it is."""
        return len(self.samples) / self.rate

    def channel(self, number: int) -> NDArray[np.float32]:
        """One channel as numbers from -1 to 1, from 0."""
        raw: NDArray[Any] = self.samples if self.samples.ndim == 1 else self.samples[:, number]
        made = np.empty(len(raw), dtype=np.float32)
        rest, full = (0, 1.0)
        if raw.dtype.kind != "f":
            rest = 128 if raw.dtype == np.uint8 else 0
            full = 128.0 if rest else -float(np.iinfo(raw.dtype).min)
        for begin in range(0, len(raw), BLOCK_FRAMES):
            block = made[begin : begin + BLOCK_FRAMES]
            block[:] = raw[begin : begin + BLOCK_FRAMES]
            block -= rest
            block /= np.float32(full)
            np.nan_to_num(block, copy=False)
            _forget(raw)
        return made


def _forget(mapped: NDArray[Any]) -> None:
    """What of a mapped file has been read need not be kept in memory."""
    base = mapped
    while isinstance(base.base, np.ndarray):
        base = base.base
    file = getattr(base, "_mmap", None)
    if file is not None:
        file.madvise(mmap.MADV_DONTNEED)


class DecodedRecording(NamedTuple):
    """Of a file that the sound library decodes, from its beginning for every channel."""

    path: Path
    rate: int
    channels: int
    frames: int

    @property
    def seconds(self) -> float:
        """How long it is."""
        return self.frames / self.rate

    def channel(self, number: int) -> NDArray[np.float32]:
        """One channel as numbers from -1 to 1, from 0. RecordingError where it is damaged."""
        import soundfile  # noqa: PLC0415 - a library of its own, for other formats alone

        made = np.zeros(self.frames, dtype=np.float32)
        at = 0
        try:
            for block in soundfile.blocks(
                str(self.path), BLOCK_FRAMES, dtype="float32", always_2d=True
            ):
                part = block[: self.frames - at, number]
                made[at : at + len(part)] = part
                at += len(part)
        except (soundfile.LibsndfileError, OSError, ValueError) as error:
            raise no_audio(self.path, error) from error
        return made


def no_audio(path: Path, error: Exception) -> RecordingError:
    """What is said of a file that no sound comes out of."""
    return RecordingError(
        f"{path} is no audio file that can be read ({error}). Export it as WAV, FLAC, Ogg, MP3 "
        f"or AIFF. {UNTOUCHED}"
    )


def read_audio(path: Path) -> Recording:
    """Open a recording: WAV, or what the sound library reads (FLAC, Ogg, MP3, AIFF). RecordingError
    says why it is none."""
    require_file(path, "a recording", RecordingError)
    if is_wav(path) or path.suffix.lower() == ".wav":
        return read_wav(path)
    import soundfile  # noqa: PLC0415 - a library of its own, for other formats alone

    try:
        about = soundfile.info(str(path))
    except (soundfile.LibsndfileError, OSError, ValueError) as error:
        raise no_audio(path, error) from error
    if about.frames * 4 > MAX_DECODED_BYTES:
        raise RecordingError(
            f"{path} would be {about.frames * 4 / 1e9:.1f} GB of sound a channel: cut out the part "
            "that counts."
        )
    if not about.frames:
        raise RecordingError(f"{path} holds no sound. {UNTOUCHED}")
    return DecodedRecording(path, int(about.samplerate), int(about.channels), int(about.frames))


def is_wav(path: Path) -> bool:
    """Whether it begins as a WAV file does. RecordingError where it cannot be read."""
    try:
        with path.open("rb") as file:
            head = file.read(12)
    except OSError as error:
        raise RecordingError(f"{path} could not be read: {error.strerror}.") from error
    return head[:4] in (b"RIFF", b"RIFX", b"RF64") and head[8:12] == b"WAVE"


def read_wav(path: Path) -> WavRecording:
    """Open a WAV file. RecordingError says why it is none."""
    from scipy.io import wavfile  # noqa: PLC0415 - SciPy is slow to import

    require_file(path, "a recording", RecordingError)
    try:
        size = path.stat().st_size
        if size > MAX_WAV_BYTES:
            raise RecordingError(f"{path} has {size / 1e9:.0f} GB: cut out the part that counts.")
        with warnings.catch_warnings():
            warnings.simplefilter("ignore")  # of chunks that are none of ours
            try:
                rate, samples = wavfile.read(path, mmap=True)
            except ValueError:  # packed 24 bits cannot be mapped
                rate, samples = wavfile.read(path)
    except OSError as error:
        raise RecordingError(f"{path} could not be read: {error.strerror}.") from error
    except RecordingError:
        raise
    except Exception as error:  # SciPy raises many kinds for files that are something else
        raise RecordingError(
            f"{path} is not a WAV file that can be read ({error}). "
            f"Export it as PCM or float WAV. {UNTOUCHED}"
        ) from error
    if not rate or not len(samples):
        raise RecordingError(f"{path} holds no sound. {UNTOUCHED}")
    return WavRecording(int(rate), samples)


def read_events(path: Path) -> dict[str, NDArray[np.float64]]:
    """Event times by source, in the order the sources first come; a heading is skipped.

    RecordingError names the line and what to do.
    """
    try:
        data = read_bounded(path, MAX_EVENTS_BYTES, "a list of events", RecordingError)
        rows = numbered(decoded(data))
    except UnicodeDecodeError as error:
        raise RecordingError(
            f"{path} is neither a recording nor text: give lines of source,seconds. {UNTOUCHED}"
        ) from error
    except csv.Error as error:
        raise RecordingError(f"{path} is not CSV: {error}. {UNTOUCHED}") from error
    found: dict[str, list[float]] = {}
    for place, (line, words) in enumerate(rows):
        if not place and tuple(heading(words[:2])) == HEADER:
            continue
        where = f"{path}, line {line}"
        if len(words) < 2 or not words[0]:
            said = ",".join(words)[:40]
            raise RecordingError(f"{where}: {said!r} is not source,seconds. {UNTOUCHED}")
        try:
            at = number(words[1])
        except ValueError as error:
            raise RecordingError(
                f"{where}: {words[1][:40]!r} is not a time in seconds. {UNTOUCHED}"
            ) from error
        found.setdefault(words[0], []).append(at)
    if not found:
        raise RecordingError(f"{path} holds no events: give lines of source,seconds. {UNTOUCHED}")
    return {source: np.sort(np.array(times)) for source, times in found.items()}
