"""Pattern numbers: as sent on the wire, and as the box prints them."""

from __future__ import annotations

from grebe.core.rig.model import Device


def printed_program(device: Device, program: int) -> str:
    """How a box prints the place that program number `program` (0 to 127) selects.

    Boxes print one row of numbers from 0 or from 1, or bank letters and slots (common practice).
    """
    memory, first = device.spec.memory, device.program_printed_from
    if memory is None or memory.printed == "number":
        return str(program + first)
    place, slot = divmod(program, memory.slots)
    bank, group = divmod(place, memory.groups)
    letter = chr(ord("A") + bank % 26)
    if memory.printed == "bank":
        return f"{letter}{slot + first:02d}"
    return f"{letter}-{group + first}-{slot + first:02d}"


def printed_otherwise(device: Device) -> bool:
    """Whether what the box prints is not the number that is sent."""
    return printed_program(device, 0) != "0"
