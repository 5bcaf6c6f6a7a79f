"""WAV files, through SciPy."""

from __future__ import annotations

import io
from pathlib import Path
from typing import Any

import numpy as np
from numpy.typing import NDArray

from grebe.core.sync.pulses import Samples
from grebe.formats.atomic import write_atomic


def wav_bytes(samples: Samples, rate: int, *, bits: int = 32) -> bytes:
    """Samples (mono, or a column a channel; -1 to 1) as PCM WAV of 16 or 32 bits."""
    from scipy.io import wavfile  # noqa: PLC0415 - SciPy is slow to import

    kind = np.int16 if bits == 16 else np.int32
    # In single precision where that is exact enough, and in place: a song is 20 million samples.
    held: NDArray[Any] = samples.astype(np.float32 if bits == 16 else np.float64)
    np.clip(held, -1, 1, out=held)
    held *= np.iinfo(kind).max
    whole = np.rint(held, out=held).astype(kind)
    out = io.BytesIO()
    wavfile.write(out, rate, whole)
    return out.getvalue()


def write_wav(path: Path, samples: Samples, rate: int, *, bits: int = 32) -> None:
    """Write a WAV file; OSError when it cannot be."""
    path.parent.mkdir(parents=True, exist_ok=True)
    write_atomic(path, wav_bytes(samples, rate, bits=bits))
