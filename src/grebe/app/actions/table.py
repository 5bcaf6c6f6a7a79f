"""The registry: every action there is, once."""

from __future__ import annotations

from functools import cache

from grebe.app.actions.model import Action, Station
from grebe.app.actions.pattern_rows import PATTERNS
from grebe.app.actions.stage_rows import LOG, STAGE, TOOLS
from grebe.app.actions.station_rows import RIG, SCENES, SET, SONG, SYNC
from grebe.app.actions.window_rows import WINDOW_ROWS
from grebe.words import tr

ACTIONS: tuple[Action, ...] = (
    *WINDOW_ROWS, *RIG, *SYNC, *PATTERNS, *SCENES, *SONG, *SET, *STAGE, *LOG, *TOOLS,
)  # fmt: skip

ROWS: dict[str, Action] = {action.id: action for action in ACTIONS}
"""By their own ids, without numbers."""

VERBS: dict[str, str] = {
    "A": tr("add a part to what is in hand"),
    "B": tr("about the box"),
    "C": "chance",
    "D": tr("drop out"),
    "E": "emphasis",
    "F": "fill",
    "G": tr("strokes of a hit"),
    "H": "hold",
    "I": "dice",
    "J": "jump",
    "K": "mark",
    "L": tr("listen and record"),
    "M": "mute",
    "N": tr("new here"),
    "O": tr("over and over"),
    "P": "pin",
    "Q": "grid",
    "R": "rotate",
    "S": "swing",
    "T": "tap",
    "U": tr("carry on"),
    "V": tr("a variation"),
    "W": tr("who does it"),
    "X": tr("tick: a hit, a move done"),
}
"""What a letter means, everywhere; with Shift or Alt it means a kind of the same."""


def actions_in(station: Station) -> tuple[Action, ...]:
    """The actions of one station, or of all; in order."""
    return tuple(action for action in ACTIONS if action.station == station)


@cache
def by_id() -> dict[str, Action]:
    """Every action by its id; numbered ones by each of theirs."""
    return {each: action for action in ACTIONS for each in action.ids()}


QUIET = frozenset({
    "raise", "lower", "earlier", "later", "more", "fewer",
    *(a.id for a in ACTIONS if a.station == "patterns" and a.group in ("Hit", "Pitch")),
})  # fmt: skip
"""Edits that are plain to see where they are made, and need no words."""
