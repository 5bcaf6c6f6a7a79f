"""A box's pattern memory as a map: every place, what it prints there, what is meant to be in it."""

from __future__ import annotations

from typing import NamedTuple

import msgspec

from grebe.core.document import Project, add_pattern, with_pattern
from grebe.core.patterns.model import BoxStatus, Pattern
from grebe.core.rig.model import Device
from grebe.core.rig.numbering import printed_program
from grebe.core.rig.spec import MemoryShape
from grebe.errors import EditError
from grebe.words import tr

MAX_PROGRAMS = 128
"""A program change reaches no further (MIDI 1.0); places beyond that are chosen by hand."""


class MemoryPlace(NamedTuple):
    """One place of a memory."""

    program: int
    """As sent, 0 to 127."""
    printed: str
    bank: int
    group: int
    patterns: tuple[Pattern, ...]
    """Those assigned to it; more than one is a fault."""
    status: BoxStatus | None
    """Of the first of them, where the box plays its own."""


def memory_map(project: Project, device: Device) -> tuple[MemoryPlace, ...]:
    """Every place of a device's memory, in order; without a known shape, 128 numbers."""
    shape = device.spec.memory or MemoryShape(slots=MAX_PROGRAMS)
    by_program: dict[int, list[Pattern]] = {}
    for pattern in project.patterns:
        if pattern.device == device.id and pattern.program is not None:
            by_program.setdefault(pattern.program, []).append(pattern)
    rows: list[MemoryPlace] = []
    for program in range(min(shape.size, MAX_PROGRAMS)):
        place, _ = divmod(program, shape.slots)
        bank, group = divmod(place, shape.groups)
        there = tuple(by_program.get(program, ()))
        status = there[0].box_status if there and device.plays == "own" else None
        rows.append(
            MemoryPlace(program, printed_program(device, program), bank, group, there, status)
        )
    return tuple(rows)


def assign(project: Project, pattern_id: str, program: int | None) -> Project:
    """The project with a pattern given a place; one that was there takes the other's place.

    EditError for a place the box does not have.
    """
    pattern = project.pattern(pattern_id)
    device = project.rig.line(pattern.device)
    size = len(memory_map(project, device))
    if program is not None and not 0 <= program < size:
        raise EditError(
            tr(
                "{device} has places 0 to {value} as sent (got {program})",
                device=device.name,
                value=size - 1,
                program=program,
            )
        )
    if program is not None:
        for other in project.patterns:
            if other.device == device.id and other.program == program and other.id != pattern_id:
                project = with_pattern(project, other.id, lambda p: _placed(p, pattern.program))
    return with_pattern(project, pattern_id, lambda p: _placed(p, program))


def first_free(project: Project, device: Device) -> int | None:
    """The first place nothing is assigned to; None in a full memory."""
    return next((p.program for p in memory_map(project, device) if not p.patterns), None)


def copy_to(project: Project, pattern_id: str, program: int) -> tuple[Project, str]:
    """The project with a copy of a pattern at a free place, and the copy's id.

    EditError for a place that is taken or not there.
    """
    pattern = project.pattern(pattern_id)
    device = project.rig.line(pattern.device)
    places = {p.program: p for p in memory_map(project, device)}
    if program not in places:
        raise EditError(
            tr(
                "{device} has places 0 to {value} as sent (got {program})",
                device=device.name,
                value=len(places) - 1,
                program=program,
            )
        )
    if places[program].patterns:
        there = places[program].patterns[0].name
        raise EditError(
            tr(
                "{printed} of {device} holds {there}",
                printed=places[program].printed,
                device=device.name,
                there=there,
            )
        )
    project, new_id = add_pattern(
        project, name=f"{pattern.name} copy"[:80], device=device.id, content=pattern.content
    )
    return with_pattern(project, new_id, lambda p: _placed(p, program)), new_id


def _placed(pattern: Pattern, program: int | None) -> Pattern:
    """What the box holds at another place is not this pattern."""
    if pattern.program == program:
        return pattern
    return msgspec.structs.replace(pattern, program=program, in_box=None)
