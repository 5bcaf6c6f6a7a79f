"""How much each device plays over a song: a stretch for each section, thick where it is dense."""

from __future__ import annotations

from grebe.core.document import Project
from grebe.core.patterns.sound import density
from grebe.core.player.plan import sounding
from grebe.core.rig.model import Device
from grebe.core.songs.layout import Layout
from grebe.core.songs.model import Part
from grebe.core.units import Value


class Band(Value, frozen=True, kw_only=True):
    """One device in one section."""

    device: str
    section: str
    tick: int
    ticks: int
    density: float
    """Hits a quarter note, over its chain; 0 is silent."""
    muted: bool
    changes: bool
    """Whether its patterns differ from the section before."""
    patterns: tuple[str, ...]
    """Names of its patterns, in order, without repeats."""


def bands(project: Project, layout: Layout) -> tuple[Band, ...]:
    """A stretch for every device in every section, in order of section."""
    out: list[Band] = []
    before: dict[str, tuple[str, ...]] = {}
    patterns = {p.id: p for p in project.patterns}
    for span in layout.spans:
        for device in project.rig.devices:
            part = span.scene.part(device.id)
            known = tuple(p for p in part.chain if p in patterns)
            out.append(
                Band(
                    device=device.id,
                    section=span.section.id,
                    tick=span.tick,
                    ticks=span.ticks,
                    density=_chain_density(project, device, part),
                    muted=part.muted,
                    changes=before.get(device.id, ()) != known,
                    patterns=tuple(dict.fromkeys(patterns[p].name for p in known)),
                )
            )
            before[device.id] = known
    return tuple(out)


def _chain_density(project: Project, device: Device, part: Part) -> float:
    silent = frozenset(part.silent_voices)
    hits = ticks = 0.0
    for pattern in project.patterns:
        times = part.chain.count(pattern.id)
        if times:
            content = sounding(pattern, device)
            hits += times * density(content, silent) * content.ticks
            ticks += times * content.ticks
    return hits / ticks if ticks else 0.0
