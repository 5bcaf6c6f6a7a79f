"""What a player sends, by kind and beat."""

from __future__ import annotations

from grebe.core.document import Project
from grebe.core.player.commands import (
    Begin,
)
from grebe.core.player.events import (
    Due,
    SectionStarts,
)
from grebe.core.player.plan import Plan, make_plan
from grebe.core.player.player import Player
from grebe.core.time.ticks import TICKS_PER_QUARTER

BEAT = TICKS_PER_QUARTER


BAR = 4 * BEAT


def plan_of(project: Project) -> Plan:
    return make_plan(project, project.songs[0])


def begun(project: Project, section: str = "") -> tuple[Player, list[Due]]:
    player = Player(plan_of(project))
    return player, player.apply(Begin(section=section))


def to_end(player: Player, window: int = BAR) -> list[Due]:
    out: list[Due] = []
    while player.running:
        out += player.advance(player.tick + window)
    return out


def of(kind: type, dues: list[Due], device: str | None = None) -> list[tuple[float, object]]:
    """Events of a kind with their place in beats."""
    return [(t / BEAT, e) for t, d, e in dues if isinstance(e, kind) and device in (None, d)]


def beats(kind: type, dues: list[Due], device: str | None = None) -> list[float]:
    return [at for at, _ in of(kind, dues, device)]


def sections(dues: list[Due]) -> list[tuple[float, str]]:
    return [(at, e.section) for at, e in of(SectionStarts, dues)]  # type: ignore[attr-defined]
