"""Audio files out, through the sound library: WAV and FLAC of 24 bits, with what is in them."""

from __future__ import annotations

import io
from pathlib import Path
from typing import Literal

import numpy as np

from grebe.core.sync.pulses import Samples
from grebe.formats.atomic import write_atomic

Container = Literal["wav", "flac"]
CONTAINERS: tuple[Container, ...] = ("wav", "flac")
SUBTYPE = "PCM_24"
"""Eight stems of 16 bits would add up to a rounding noise of -78 dB; of 24 bits it is -126."""


def audio_bytes(
    samples: Samples, rate: int, container: Container = "wav", *, title: str = "", comment: str = ""
) -> bytes:
    """Samples (mono, or a column a channel; -1 to 1, what is more is cut) as a file, with a title
    and a comment in its metadata."""
    import soundfile  # noqa: PLC0415 - a library of its own, for files out alone

    out = io.BytesIO()
    channels = 1 if samples.ndim == 1 else samples.shape[1]
    with soundfile.SoundFile(
        out, "w", samplerate=rate, channels=channels, format=container.upper(), subtype=SUBTYPE
    ) as file:
        if title:
            file.title = title
        if comment:
            file.comment = comment
        file.write(np.clip(samples, -1, 1))
    return out.getvalue()


def write_audio(
    path: Path, samples: Samples, rate: int, *, title: str = "", comment: str = ""
) -> None:
    """Write a file, of the kind its name ends with; OSError when it cannot be."""
    path.parent.mkdir(parents=True, exist_ok=True)
    container: Container = "flac" if path.suffix.lower() == ".flac" else "wav"
    write_atomic(path, audio_bytes(samples, rate, container, title=title, comment=comment))
