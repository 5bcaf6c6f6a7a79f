"""Recordings to be measured: WAV files, and lists of events as ``source,seconds``."""

from __future__ import annotations

import math
import warnings
from pathlib import Path
from typing import Any, NamedTuple

import numpy as np
from numpy.typing import NDArray

from grebe.errors import RecordingError
from grebe.formats.reading import UNTOUCHED, read_bounded, require_file

MAX_EVENTS_BYTES = 256 * 1024 * 1024
MAX_WAV_BYTES = 8 * 1024**3
"""An hour of eight channels at 192 kHz in 32 bits is 22 GB; cut longer ones."""
HEADER = ("source", "seconds")


class Recording(NamedTuple):
    """Channels of a WAV file."""

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
        if raw.dtype.kind == "f":
            return np.nan_to_num(np.asarray(raw, dtype=np.float32))
        rest, full = (128, 128.0) if raw.dtype == np.uint8 else (0, -float(np.iinfo(raw.dtype).min))
        scaled: NDArray[np.float32] = (raw.astype(np.float32) - rest) / np.float32(full)
        return scaled


def read_wav(path: Path) -> Recording:
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
    return Recording(int(rate), samples)


def read_events(path: Path) -> dict[str, NDArray[np.float64]]:
    """Event times by source, in the order the sources first come; a heading is skipped.

    RecordingError names the line and what to do.
    """
    try:
        text = read_bounded(path, MAX_EVENTS_BYTES, "a list of events", RecordingError).decode()
    except UnicodeDecodeError as error:
        raise RecordingError(
            f"{path} is neither a WAV file nor text: give lines of source,seconds. {UNTOUCHED}"
        ) from error
    found: dict[str, list[float]] = {}
    for number, line in enumerate(text.splitlines(), start=1):
        words = [word.strip() for word in line.split(",")]
        if not any(words) or (number == 1 and tuple(w.lower() for w in words[:2]) == HEADER):
            continue
        where = f"{path}, line {number}"
        if len(words) < 2 or not words[0]:
            raise RecordingError(f"{where}: {line[:40]!r} is not source,seconds. {UNTOUCHED}")
        try:
            at = float(words[1])
        except ValueError as error:
            raise RecordingError(
                f"{where}: {words[1][:40]!r} is not a time in seconds. {UNTOUCHED}"
            ) from error
        if not math.isfinite(at):
            raise RecordingError(f"{where}: {words[1][:40]!r} is not a time. {UNTOUCHED}")
        found.setdefault(words[0], []).append(at)
    if not found:
        raise RecordingError(f"{path} holds no events: give lines of source,seconds. {UNTOUCHED}")
    return {source: np.sort(np.array(times)) for source, times in found.items()}
