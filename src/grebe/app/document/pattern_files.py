"""Patterns to and from files: MIDI loops, a folder of them at once."""

from __future__ import annotations

from collections.abc import Iterable
from pathlib import Path

from grebe.app.document.writing import written
from grebe.core.patterns.model import Pattern
from grebe.core.rig.model import Device
from grebe.formats.midi_loops import pattern_to_midi
from grebe.formats.naming import MIDI_SUFFIXES, file_name

MAX_FILES = 500


def loop_files(paths: Iterable[str | Path]) -> list[Path]:
    """Files as they are given; of a folder its MIDI files by name, 500 at most."""
    out: list[Path] = []
    for path in map(Path, paths):
        if path.is_dir():
            inside = (p for p in sorted(path.iterdir()) if p.suffix.lower() in MIDI_SUFFIXES)
            out += list(inside)[:MAX_FILES]
        else:
            out.append(path)
    return out[:MAX_FILES]


def export_pattern(pattern: Pattern, device: Device, bpm: float, folder: Path) -> Path:
    """Write a pattern as a Standard MIDI File; its path. ProjectError when it cannot be."""
    path = folder / f"{file_name(pattern.name)}.mid"
    return written(path, pattern_to_midi(pattern, device, bpm))
