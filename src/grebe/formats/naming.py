"""What files are called: the endings that say their kind, and names made of words."""

from __future__ import annotations

import re
from pathlib import Path

MIDI_SUFFIXES = (".mid", ".midi")
AUDIO_SUFFIXES = (".wav", ".flac", ".ogg", ".oga", ".opus", ".mp3", ".aif", ".aiff")
AUDIO_PATTERNS = " ".join(f"*{suffix}" for suffix in AUDIO_SUFFIXES)
"""As a dialog for files has it."""


def file_name(text: str) -> str:
    """A name safe for a file: letters, digits, hyphens."""
    return re.sub(r"[^a-z0-9]+", "-", text.lower()).strip("-") or "song"


def is_audio(path: Path) -> bool:
    """Whether a file's name is one of audio that can be read."""
    return path.suffix.lower() in AUDIO_SUFFIXES
