"""Audio loops in the document: which file, how long it is in bars, and its slices on notes."""

from __future__ import annotations

from typing import Annotated

import msgspec
from msgspec import Meta

from grebe.core.patterns.model import Content, Hit, Voice
from grebe.core.time.ticks import SIXTEENTH_TICKS, TICKS_PER_QUARTER
from grebe.core.units import (
    MAX_STEPS,
    Bpm,
    GatePercent,
    Id,
    LineId,
    Name,
    Note,
    ShiftPermille,
    Value,
    held_in,
)
from grebe.errors import EditError
from grebe.words import tr

MAX_SLICES = 64
LEAST_SAMPLES = 64
"""A slice is never shorter."""


class Slice(Value, frozen=True, kw_only=True):
    """A piece of a loop and the note that plays it."""

    start: Annotated[int, Meta(ge=0)]
    """First sample."""
    end: Annotated[int, Meta(ge=1)]
    """Sample after the last."""
    note: Note
    at: Annotated[int, Meta(ge=0)]
    """Where in the loop it falls, in ticks at the loop's own tempo; its start may be shifted."""
    gate: bool = False
    """Sounds only while its note is held; otherwise it plays out."""


class Loop(Value, frozen=True, kw_only=True):
    """A WAV loop that a box plays in slices."""

    id: Id
    name: Name
    device: LineId
    """The box whose notes play it."""
    file: Annotated[str, Meta(min_length=1, max_length=1024)]
    """Path of the WAV, relative to the project's folder where it lies in it."""
    rate: Annotated[int, Meta(ge=1000, le=384_000)]
    """Samples a second."""
    samples: Annotated[int, Meta(ge=1)]
    bars: Annotated[int, Meta(ge=1, le=64)] = 1
    beats_a_bar: Annotated[int, Meta(ge=1, le=32)] = 4
    """Quarter notes in a bar."""
    slices: Annotated[tuple[Slice, ...], Meta(max_length=MAX_SLICES)] = ()
    shared: bool = False
    """All slices share one slot: each cuts the one before it."""

    @property
    def seconds(self) -> float:
        """How long the file is."""
        return self.samples / self.rate

    @property
    def bpm(self) -> Bpm:
        """Tempo of the loop, by its length and bars."""
        return self.bars * self.beats_a_bar * 60 / self.seconds

    @property
    def ticks(self) -> int:
        """Length of the loop in ticks, at any tempo."""
        return self.bars * self.beats_a_bar * TICKS_PER_QUARTER

    def tick_of(self, sample: int) -> int:
        """Where a sample of the file falls, in ticks."""
        return round(sample / self.samples * self.ticks)


def cut(loop: Loop, starts: tuple[int, ...], first_note: int) -> Loop:
    """The loop cut at these samples, its slices on notes one above another from `first_note`.

    EditError for more slices than there may be, or notes above 127.
    """
    edges = sorted({s for s in starts if 0 <= s < loop.samples})
    if not edges or edges[0] > LEAST_SAMPLES * 4:
        edges.insert(0, 0)
    edges = [e for i, e in enumerate(edges) if i == 0 or e - edges[i - 1] >= LEAST_SAMPLES]
    if len(edges) > MAX_SLICES:
        raise EditError(
            tr(
                "a loop has {max_slices} slices at most (found {count})",
                max_slices=MAX_SLICES,
                count=len(edges),
            )
        )
    if first_note + len(edges) - 1 > 127:
        raise EditError(
            tr(
                "{count} slices from note {first_note} on reach above note 127",
                count=len(edges),
                first_note=first_note,
            )
        )
    slices = tuple(
        Slice(start=start, end=end, note=first_note + index, at=loop.tick_of(start))
        for index, (start, end) in enumerate(zip(edges, [*edges[1:], loop.samples], strict=True))
    )
    return msgspec.structs.replace(loop, slices=slices)


def even_starts(loop: Loop, pieces: int) -> tuple[int, ...]:
    """Where so many slices of one length begin, in samples."""
    return tuple(round(loop.samples * n / pieces) for n in range(pieces))


def trim(loop: Loop, index: int, *, start: int = 0, end: int = 0) -> Loop:
    """The loop with one slice's start and end moved by so many samples; its place stays.

    Held inside the file, and never shorter than 64 samples. EditError where
    there is no such slice.
    """
    piece = _slice(loop, index)
    first = min(max(0, piece.start + start), loop.samples - LEAST_SAMPLES)
    last = min(loop.samples, max(first + LEAST_SAMPLES, piece.end + end))
    return _with(loop, index, msgspec.structs.replace(piece, start=first, end=last))


def shift_starts(loop: Loop, samples: int) -> Loop:
    """All slices begin so many samples later in the file (earlier where negative)."""
    for index in range(len(loop.slices)):
        loop = trim(loop, index, start=samples)
    return loop


def lay_out(loop: Loop, first_note: int) -> Loop:
    """The slices on notes one above another from `first_note`; EditError above 127."""
    if first_note + len(loop.slices) - 1 > 127:
        raise EditError(
            tr(
                "{count} slices from note {first_note} on reach above note 127",
                count=len(loop.slices),
                first_note=first_note,
            )
        )
    slices = tuple(
        msgspec.structs.replace(s, note=first_note + i) for i, s in enumerate(loop.slices)
    )
    return msgspec.structs.replace(loop, slices=slices)


def set_gate(loop: Loop, index: int, *, gate: bool) -> Loop:
    """One slice held by its note, or played out."""
    return _with(loop, index, msgspec.structs.replace(_slice(loop, index), gate=gate))


def slices_content(loop: Loop) -> Content:
    """A pattern that plays the slices where they lie in the loop: fitted to whatever tempo.

    Steps of a sixteenth, with what is left as micro-timing. EditError for a
    loop longer than a pattern can be.
    """
    length = loop.ticks // SIXTEENTH_TICKS
    if length > MAX_STEPS:
        raise EditError(
            tr(
                "{loop} has {length} sixteenths; a pattern has {max_steps} at most",
                loop=loop.name,
                length=length,
                max_steps=MAX_STEPS,
            )
        )
    voices: list[Voice] = []
    for number, piece in enumerate(loop.slices, start=1):
        step = min(length - 1, round(piece.at / SIXTEENTH_TICKS))
        late = round((piece.at - step * SIXTEENTH_TICKS) * 1000 / SIXTEENTH_TICKS)
        held = loop.tick_of(piece.end) - loop.tick_of(piece.start)
        hit = Hit(
            step=step,
            shift_permille=held_in(ShiftPermille, late),
            gate_length=held_in(GatePercent, held * 100 // SIXTEENTH_TICKS),
        )
        voices.append(
            Voice(
                id=f"slice-{number}",
                name=f"{loop.name} {number}"[:80],
                note=piece.note,
                length=length,
                one_shot=not piece.gate,
                hits=(hit,),
            )
        )
    return Content(length=length, voices=tuple(voices))


def _slice(loop: Loop, index: int) -> Slice:
    if not 0 <= index < len(loop.slices):
        raise EditError(
            tr(
                "{loop} has {count} slices (got number {value})",
                loop=loop.name,
                count=len(loop.slices),
                value=index + 1,
            )
        )
    return loop.slices[index]


def _with(loop: Loop, index: int, piece: Slice) -> Loop:
    slices = list(loop.slices)
    slices[index] = piece
    return msgspec.structs.replace(loop, slices=tuple(slices))
