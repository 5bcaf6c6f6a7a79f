"""Measuring a recording: an audio file or a list of events, the reference first."""

from __future__ import annotations

from collections.abc import Callable
from pathlib import Path
from typing import Any

import msgspec
import numpy as np
from numpy.typing import NDArray

from grebe.core.sync.lattice import Reference, reference_lattice
from grebe.core.sync.measure import (
    FEWEST_REFERENCE,
    lateness,
    measure_against,
    reference_bpm,
)
from grebe.core.sync.measured import Measured
from grebe.core.sync.onsets import find_onsets
from grebe.errors import RecordingError, UsageError
from grebe.formats.events import is_wav, read_audio, read_events
from grebe.formats.naming import is_audio
from grebe.formats.reading import require_file
from grebe.words import tr

Progress = Callable[[float], None]
Events = NDArray[np.float64]
UNEVEN = 0.04
"""A reference whose events lie this far (share of a step, median) off an even beat is none."""
SPREAD_KEYS = ("p50", "p95", "p99", "max")
STRIP = 512
CLIPS = 1e-4
"""Share of samples at full scale from which on it is said."""


class RecordedSource(msgspec.Struct, frozen=True, kw_only=True):
    """One channel or list of events."""

    name: str
    times_s: Events
    problem: str = ""
    """Why there are no events, in a sentence."""
    remark: str = ""


class Checked(msgspec.Struct, frozen=True, kw_only=True):
    """The whole answer."""

    reference: str
    bpm: float | None
    problem: str
    """Why the reference cannot be used; "" where it can."""
    devices: tuple[tuple[str, Measured], ...]
    strips: tuple[tuple[tuple[float, float], ...], ...] = ()
    """Of each device (seconds, ms late) of its hits, the last `STRIP`."""


def read_sources(path: Path, names: tuple[str, ...], progress: Progress) -> list[RecordedSource]:
    """Events of every source, the reference first.

    RecordingError for what cannot be read, UsageError for names that do not fit.
    """
    if path.suffix.lower() == ".csv" or _is_text(path):
        found = read_events(path)
        order = list(names) if names and set(names) <= set(found) else list(found)
        shown = order if not names or set(names) <= set(found) else _named(names, len(order))
        return [
            RecordedSource(name=name, times_s=found[key])
            for name, key in zip(shown, order, strict=True)
        ]
    recording = read_audio(path)
    shown = _named(names, recording.channels)
    sources = []
    for number, name in enumerate(shown):

        def report(share: float, number: int = number) -> None:
            progress((number + share) / recording.channels)

        found_in = find_onsets(recording.channel(number), recording.rate, report)
        remark = ""
        if found_in.clipped > CLIPS:
            remark = tr(
                " It clips ({value:.2g} % of it): record it lower.", value=found_in.clipped * 100
            )
        sources.append(
            RecordedSource(
                name=name, times_s=found_in.times_s, problem=found_in.problem, remark=remark
            )
        )
    return sources


def _is_text(path: Path) -> bool:
    require_file(path, "a recording", RecordingError)
    return not is_wav(path) and (path.suffix.lower() == ".wav" or not is_audio(path))


def _named(names: tuple[str, ...], count: int) -> list[str]:
    if names and len(names) != count:
        raise UsageError(
            f"--names gives {len(names)} names for {count} sources; give one for each, the "
            "reference first"
        )
    if names:
        return list(names)
    return (
        ["reference", "device"]
        if count == 2
        else [tr("channel {value}", value=n + 1) for n in range(count)]
    )


def check(sources: list[RecordedSource], grid: float) -> Checked:
    """Measure every source against the first; a single one against its own even beat."""
    first, others = sources[0], sources[1:] or sources
    lattice = reference_lattice(first.times_s)
    problem = _unfit(first, lattice)
    if problem or lattice is None:
        swapped = ""
        if len(sources) == 2 and not _unfit(others[0], reference_lattice(others[0].times_s)):
            swapped = tr(" {name} does keep one: are the two swapped?", name=others[0].name)
        problem = f"{first.name}: {problem}{swapped}"
        rows = tuple((s.name, _nothing(problem, len(s.times_s))) for s in others)
        return Checked(reference=first.name, bpm=None, problem=problem, devices=rows)
    if len(sources) == 1:
        lattice = _even(lattice)
    rows = tuple((s.name, _measured(lattice, s, grid)) for s in others)
    return Checked(
        reference=first.name,
        bpm=round(reference_bpm(lattice, grid), 4),
        problem="",
        devices=rows,
        strips=tuple(
            lateness(lattice, s.times_s)[-STRIP:] if not s.problem else () for s in others
        ),
    )


def _even(lattice: Reference) -> Reference:
    """The straight line through it: a grid for what has no other reference."""
    slope, level = np.polyfit(lattice.number, lattice.at_s, 1)
    return lattice._replace(at_s=slope * lattice.number + level, steady=True)


def _unfit(source: RecordedSource, lattice: Reference | None) -> str:
    """Why a source is no reference; "" when it is."""
    if source.problem:
        return f"{source.problem}."
    count = 0 if lattice is None else len(lattice.number)
    if lattice is None or count < FEWEST_REFERENCE:
        return tr(
            "it has {count} beats; at least {fewest_reference} are needed.",
            count=count,
            fewest_reference=FEWEST_REFERENCE,
        )
    places = lattice.number[-1] - lattice.number[0] + 1
    uneven = lattice.steady and lattice.jitter_s > UNEVEN * lattice.period_s
    if lattice.missed > places / 2 or uneven:
        return tr("it keeps no even beat.")
    return ""


def _nothing(problem: str, events: int) -> Measured:
    return Measured(verdict="unusable", sentence=problem, confidence=1.0, events=events)


def _measured(lattice: Reference, source: RecordedSource, grid: float) -> Measured:
    if source.problem:
        return _nothing(f"{source.problem[0].upper()}{source.problem[1:]}.", 0)
    found = measure_against(lattice, source.times_s, grid)
    return msgspec.structs.replace(found, sentence=found.sentence + source.remark)


def answer_of(checked: Checked, *, strips: bool = False) -> dict[str, Any]:
    """As the command prints it; with `strips` also how late each hit was."""
    reference: dict[str, Any] = {"name": checked.reference, "bpm": checked.bpm}
    if checked.problem:
        reference["problem"] = checked.problem
    rows = []
    for name, found in checked.devices:
        row = {"name": name, **msgspec.structs.asdict(found)}
        spread = found.jitter_ms
        row["jitter_ms"] = {
            key: getattr(spread, key) if spread is not None else None for key in SPREAD_KEYS
        }
        rows.append(row)
    if strips:
        for row, strip in zip(rows, checked.strips, strict=False):
            row["strip"] = strip
    return {"reference": reference, "devices": rows}
