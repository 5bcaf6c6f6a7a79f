"""A whole song at once: everything that is heard in it, for files."""

from __future__ import annotations

from grebe.core.player.commands import Begin
from grebe.core.player.events import Due
from grebe.core.player.plan import Plan, played_by_grebe
from grebe.core.player.player import Player


def song_events(plan: Plan) -> list[Due]:
    """Everything heard in a song from top to end, boxes' own patterns included."""
    player = Player(played_by_grebe(plan))
    out = player.apply(Begin())
    length = player.plan.layout().ticks
    while player.running:
        out += player.advance(player.tick + length)
    return out
