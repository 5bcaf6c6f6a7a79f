"""WAV files, through SciPy."""

from __future__ import annotations

import io
from pathlib import Path

import numpy as np

from grebe.core.sync.pulses import Samples
from grebe.formats.atomic import write_atomic

FULL_SCALE = 2**31 - 1


def wav_bytes(samples: Samples, rate: int) -> bytes:
    """Samples (mono, or a column a channel; -1 to 1) as a 32-bit PCM WAV."""
    from scipy.io import wavfile  # noqa: PLC0415 - SciPy is slow to import

    whole = np.round(np.clip(samples.astype(np.float64), -1, 1) * FULL_SCALE).astype(np.int32)
    out = io.BytesIO()
    wavfile.write(out, rate, whole)
    return out.getvalue()


def write_wav(path: Path, samples: Samples, rate: int) -> None:
    """Write a WAV file; OSError when it cannot be."""
    path.parent.mkdir(parents=True, exist_ok=True)
    write_atomic(path, wav_bytes(samples, rate))
