"""The other peers of a session as a performer wants to see them."""

from __future__ import annotations

from typing import Literal, NamedTuple

from grebe.core.session.other import Other
from grebe.core.session.peer import Peer
from grebe.core.session.shared import apart

Standing = Literal["here", "joining", "apart"]
"""In our session; on the way into it; in another session of the same name."""


class PeerStanding(NamedTuple):
    """Another peer."""

    id: int
    name: str
    """Told apart by a number where two have the same."""
    standing: Standing
    address: object
    reference: bool
    accepted: bool
    asks_bpm: float
    """Tempo that it would have and that waits to be accepted; 0 for none."""
    bpm: float
    runs: bool
    offset_ms: float | None
    """How late its beat is against ours; None while it is not known."""
    spread_ms: float
    """How far that may be off."""
    delay_ms: float
    """Least time there and back."""
    lost_percent: float
    service: int


def _printable(name: str) -> str:
    """A name from the network as it can be shown: nothing in it moves a cursor."""
    return "".join(c if c.isprintable() else "\N{REPLACEMENT CHARACTER}" for c in name)


def rows(peer: Peer, now_ns: int) -> list[PeerStanding]:
    """All that are known and real, by name."""
    reference = peer.clock.reference
    taken = {peer.name: 1}
    out: list[PeerStanding] = []
    for other in sorted(
        peer.membership.others.values(), key=lambda o: (o.state.name if o.state else "", o.id)
    ):
        state = other.state
        if state is None or not other.proven:
            continue
        taken[state.name] = taken.get(state.name, 0) + 1
        number = taken[state.name]
        clock = other.clock(now_ns)
        here = bool(state.epoch) and state.epoch == peer.membership.epoch
        joining = not state.settled or not state.epoch
        out.append(
            PeerStanding(
                id=other.id,
                name=_printable(state.name) + (f" {number}" if number > 1 else ""),
                standing="joining" if joining else "here" if here else "apart",
                address=other.address,
                reference=other.id == reference,
                accepted=peer.membership.counts(other.id),
                asks_bpm=peer.agreed.asked_bpm(other.id),
                bpm=state.tempo.bpm,
                runs=state.runs,
                offset_ms=beat_offset_ms(peer, other, now_ns) if here else None,
                spread_ms=clock.spread_ns / 1e6 if clock is not None else 0.0,
                delay_ms=max(0.0, clock.delay_ns / 1e6) if clock is not None else 0.0,
                lost_percent=other.lost_percent,
                service=state.service,
            )
        )
    return out


def beat_offset_ms(peer: Peer, other: Other, now_ns: int) -> float | None:
    """How late another's beat is against ours, as it says its own runs; None if not known, or
    where it runs at another tempo."""
    clock, state = other.clock(now_ns), other.state
    if clock is None or state is None:
        return None
    if abs(state.tempo.micro_bpm - peer.agreed.line.last.micro_bpm) > 1 and not peer.just_changed(
        now_ns
    ):
        return None
    session = state.mapping.at(clock.theirs(now_ns))
    if peer.just_changed(now_ns):  # it may not have said so yet
        theirs = peer.agreed.line.beat_at(session)
    else:
        theirs = state.tempo.beat_at(session)
    return (
        apart(peer.beat_at(now_ns), theirs, peer.agreed.tempo.quantum_beats)
        * 60e3
        / peer.agreed.tempo.bpm
    )
