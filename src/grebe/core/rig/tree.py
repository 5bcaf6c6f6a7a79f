"""The clock tree: who gets the clock from whom, in columns from the leader."""

from __future__ import annotations

from grebe.core.rig.model import GREBE_ID, Cable, Rig
from grebe.core.units import Value


class ClockTree(Value, frozen=True, kw_only=True):
    """What the cables make of the clock."""

    leader: str | None
    columns: tuple[tuple[str, ...], ...]
    """Device ids by distance from the leader, each column in drawing order."""
    hops: tuple[Cable, ...]
    """The clock cables that the columns are built from."""
    free_running: tuple[str, ...]
    """Devices that no clock from the leader reaches."""
    sources: dict[str, tuple[str, ...]]
    """For every device, the ids whose clock arrives at it."""

    @property
    def followers(self) -> int:
        """How many devices the leader's clock reaches."""
        return sum(len(column) for column in self.columns[1:])


def clock_sources(rig: Rig) -> dict[str, tuple[str, ...]]:
    """For every device (and Grebe), the distinct sources whose clock arrives at it.

    A cable carries clock when it is set to and its source sends one: the
    leader does, and a device that says so; a device in the middle passes on
    what reaches it.
    """
    carrying = [c for c in rig.cables if c.clock and c.medium != "audio"]
    sending = {d.id for d in rig.devices if d.sends_clock}
    if rig.leader is not None:
        sending.add(rig.leader)
    reached = set(sending)
    while True:
        more = {c.target for c in carrying if c.source in reached} - reached
        if not more:
            break
        reached |= more
    out: dict[str, list[str]] = {d.id: [] for d in rig.devices}
    out[GREBE_ID] = []
    for cable in carrying:
        if cable.source in reached and cable.target in out:
            row = out[cable.target]
            if cable.source not in row:
                row.append(cable.source)
    return {key: tuple(row) for key, row in out.items()}


def clock_tree(rig: Rig) -> ClockTree:
    """Columns of devices by hops from the leader, by breadth first over clock cables.

    Within a column devices stand in the order of their parents, then of the
    rig, which keeps the drawn cables from crossing where the tree is a tree.
    """
    sources = clock_sources(rig)
    everyone = [d.id for d in rig.devices]
    if rig.leader is None:
        return ClockTree(
            leader=None, columns=(), hops=(), free_running=tuple(everyone), sources=sources
        )
    columns: list[tuple[str, ...]] = [(rig.leader,)]
    placed = {rig.leader}
    hops: list[Cable] = []
    while True:
        column: list[str] = []
        for parent in columns[-1]:
            for cable in rig.cables:
                wanted = cable.source == parent and cable.clock and cable.medium != "audio"
                if wanted and cable.target in sources and cable.target not in placed:
                    placed.add(cable.target)
                    column.append(cable.target)
                    hops.append(cable)
        if not column:
            break
        columns.append(tuple(column))
    return ClockTree(
        leader=rig.leader,
        columns=tuple(columns),
        hops=tuple(hops),
        free_running=tuple(d for d in everyone if d not in placed),
        sources=sources,
    )
