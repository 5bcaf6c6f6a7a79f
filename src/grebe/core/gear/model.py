"""A performer's own library: notes on gear, a log of what was tried, with what was measured."""

from __future__ import annotations

from collections.abc import Iterable
from hashlib import blake2b
from typing import Annotated, Literal, TypeVar

import msgspec
from msgspec import Meta

from grebe.core.sync.measured import Measured
from grebe.core.units import Id, Value

NoteKind = Literal["works", "fails", "setting", "firmware", "quirk"]
NOTE_KINDS: tuple[NoteKind, ...] = ("works", "fails", "setting", "firmware", "quirk")
Outcome = Literal["works", "fails", "unsure"]
OUTCOMES: tuple[Outcome, ...] = ("works", "fails", "unsure")
Gear = Annotated[str, Meta(min_length=1, max_length=80)]
"""What a note is about: the id of a box's profile, its name, the name of a port or interface, or
`grebe`. Capitals do not matter."""
Day = Annotated[str, Meta(pattern=r"^\d{4}-\d{2}-\d{2}$")]
MOST = 5000
_T = TypeVar("_T", bound="GearNote | Trial")


class GearNote(Value, frozen=True, kw_only=True):
    """Something that was found out about one piece of gear, or about two together."""

    id: Id
    kind: NoteKind = "quirk"
    gear: Annotated[tuple[Gear, ...], Meta(min_length=1, max_length=2)]
    text: Annotated[str, Meta(min_length=1, max_length=600)]
    firmware: Annotated[str, Meta(max_length=40)] = ""
    """With which it was so; "" where nobody looked."""
    day: Day


class Trial(Value, frozen=True, kw_only=True):
    """Something that was tried between two pieces of gear, and what came of it."""

    id: Id
    gear: tuple[Gear, Gear]
    what: Annotated[str, Meta(min_length=1, max_length=300)]
    outcome: Outcome = "unsure"
    measured: Measured | None = None
    """What a check by ear made of it, where there was one."""
    day: Day


Entry = GearNote | Trial


class GearLibrary(Value, frozen=True, kw_only=True):
    """All of it, in the order in which it was written."""

    notes: Annotated[tuple[GearNote, ...], Meta(max_length=MOST)] = ()
    trials: Annotated[tuple[Trial, ...], Meta(max_length=MOST)] = ()

    @property
    def entries(self) -> tuple[Entry, ...]:
        """Notes and tries."""
        return (*self.notes, *self.trials)


NO_LIBRARY = GearLibrary()


def made_id(*words: str) -> str:
    """An id for a note or a try: of what it says, so that the same twice is one."""
    return blake2b("\0".join(words).encode(), digest_size=8).hexdigest()


def note_of(
    kind: NoteKind, gear: Iterable[str], text: str, day: str, firmware: str = ""
) -> GearNote:
    """A new note. ValidationError of msgspec for what none can be."""
    about = [g.strip() for g in gear if g.strip()]
    fields = {"id": made_id(kind, *about, text, day), "kind": kind, "gear": about,
              "text": text.strip(), "firmware": firmware.strip(), "day": day}  # fmt: skip
    return msgspec.convert(fields, GearNote)


def trial_of(
    gear: tuple[str, str], what: str, outcome: Outcome, day: str, measured: Measured | None = None
) -> Trial:
    """A new entry of the log. ValidationError of msgspec for what none can be."""
    made = msgspec.convert(
        {"id": made_id(*gear, what, day), "gear": [g.strip() for g in gear], "what": what.strip(),
         "outcome": outcome, "day": day},
        Trial,
    )  # fmt: skip
    return msgspec.structs.replace(made, measured=measured)


def joined(one: GearLibrary, other: GearLibrary) -> GearLibrary:
    """Both; what both have once, as the one with the later day says."""
    return GearLibrary(
        notes=_together(one.notes, other.notes), trials=_together(one.trials, other.trials)
    )


def _together(one: tuple[_T, ...], other: tuple[_T, ...]) -> tuple[_T, ...]:
    out: dict[str, _T] = {}
    for item in (*one, *other):
        known = out.get(item.id)
        if known is None or item.day >= known.day:
            out[item.id] = item
    return tuple(sorted(out.values(), key=lambda item: item.day))[:MOST]


def without_entry(library: GearLibrary, entry: str) -> GearLibrary:
    """The library without a note or a try."""
    return GearLibrary(
        notes=tuple(n for n in library.notes if n.id != entry),
        trials=tuple(t for t in library.trials if t.id != entry),
    )
