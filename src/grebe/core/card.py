"""A card for the lid of a box: one page with its channel, its settings, what lies where in its
memory, and what hands do on it."""

from __future__ import annotations

from typing import NamedTuple

from grebe.core.document import Project
from grebe.core.rig.model import Device
from grebe.core.rig.numbering import printed_program
from grebe.core.rig.setup import of_device, setup_sheet
from grebe.core.songs.cues import cue_sheet
from grebe.errors import EditError

MOST_PLACES, MOST_MOVES = 48, 24
"""What fits on a page; how many there are more is said."""


class CardMove(NamedTuple):
    """Something hands do on it."""

    song: str
    bar: int
    what: str
    by: str


class BoxCard(NamedTuple):
    """All that stands on it."""

    device: Device
    settings: tuple[tuple[str, str], ...]
    """What of it, and what it is set to."""
    places: tuple[tuple[str, str], ...]
    """Where a pattern lies, as the box prints it, and its name."""
    moves: tuple[CardMove, ...]
    more_places: int = 0
    more_moves: int = 0


def box_card(project: Project, device_id: str) -> BoxCard:
    """The card of one box. UsageError where it is not in the rig."""
    device = project.device_named(device_id)
    sheet = of_device(setup_sheet(project), device.id)
    mine = project.patterns_of.get(device.id, [])
    listed = tuple(f"{pattern.name} " for pattern in mine)  # below, by place
    settings = tuple(
        (step.about, step.do) for part in sheet.devices for step in part.steps
        if not step.do.startswith(listed)
    )  # fmt: skip
    places = tuple(
        (printed_program(device, pattern.program), pattern.name)
        for pattern in sorted(mine, key=lambda p: (p.program is None, p.program or 0))
        if pattern.program is not None
    )
    moves = _moves(project, device)
    return BoxCard(
        device, settings, places[:MOST_PLACES], moves[:MOST_MOVES],
        max(0, len(places) - MOST_PLACES), max(0, len(moves) - MOST_MOVES),
    )  # fmt: skip


def _moves(project: Project, device: Device) -> tuple[CardMove, ...]:
    """Of all songs that can be laid out, the same one of a song once."""
    out: dict[tuple[str, str], CardMove] = {}
    for song in project.songs:
        try:
            cues = cue_sheet(project, song).cues
        except EditError:
            continue
        for cue in cues:
            if cue.device == device.name and cue.by_performer:
                made = CardMove(song.name, cue.bar, cue.what, cue.by)
                out.setdefault((song.name, cue.what), made)
    return tuple(out.values())
