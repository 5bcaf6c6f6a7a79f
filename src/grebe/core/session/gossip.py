"""When what is said, and to whom: beacons, states, and changes again until all have taken them."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from typing import NamedTuple

from grebe.core.session.agreed_state import AgreedState
from grebe.core.session.membership import LISTEN_NS, Membership
from grebe.core.session.other import Other
from grebe.core.session.packets import Body, Packet, State

STATE_NS = 500_000_000
BEACON_NS = 1_000_000_000
BEACON_FIRST_NS = 150_000_000
AGAIN_NS = (20_000_000, 60_000_000, 140_000_000, 300_000_000, 600_000_000)
"""A change is said again after these, to those that have not taken it."""
JUST_CHANGED_NS = 1_500_000_000


class OutgoingPacket(NamedTuple):
    """A packet and where it goes."""

    to: object
    """An address as `receive` was given it; None: to all that may listen."""
    packet: Packet


class Gossip:
    """Decides what goes out by itself, to whom and when."""

    def __init__(
        self, peer_id: int, membership: Membership, agreed: AgreedState,
        state: Callable[[int], State], now_ns: int,
    ) -> None:  # fmt: skip
        """`state` is how it stands here at a time."""
        self._id = peer_id
        self._membership = membership
        self._agreed = agreed
        self._state = state
        self._seq = 0
        self._beacons = 0
        self._next_beacon = self._next_state = now_ns
        self._again: list[int] = []
        self._changed_ns = now_ns

    @property
    def next_ns(self) -> int:
        """When there is something to say next."""
        return min(self._next_state, self._next_beacon, *self._again[:1])

    def to(self, address: object, body: Body) -> OutgoingPacket:
        """A packet of ours; each has a number of its own."""
        self._seq += 1
        return OutgoingPacket(address, Packet(self._id, self._seq, body))

    def renumbered(self, packet: Packet) -> Packet:
        """The same to be sent another way: not a repetition."""
        self._seq += 1
        return packet._replace(seq=self._seq)

    def announce(self, now_ns: int) -> None:
        """Say now how it stands, and again to those that do not take it."""
        self._changed_ns = self._next_state = now_ns
        self._again = [now_ns + ns for ns in AGAIN_NS]

    def changed(self, now_ns: int) -> None:
        """Another's word was taken."""
        self._changed_ns = now_ns

    def just_changed(self, now_ns: int) -> bool:
        """Whether tempo or start were changed so lately that others may not have said so yet."""
        return now_ns - self._changed_ns < JUST_CHANGED_NS

    def set_back(self, now_ns: int) -> None:
        """Our clock was set back: everything is due now."""
        self._next_state = self._next_beacon = now_ns
        self._again.clear()

    def due(self, now_ns: int) -> Iterator[OutgoingPacket]:
        """What is to be said now."""
        state: State | None = None
        if now_ns >= self._next_beacon:
            self._beacons += 1
            many = self._beacons > LISTEN_NS // BEACON_FIRST_NS
            self._next_beacon = now_ns + (BEACON_NS if many else BEACON_FIRST_NS)
            state = self._state(now_ns)
            yield self.to(None, state)
        to: list[Other] = []
        if now_ns >= self._next_state:
            self._next_state = now_ns + STATE_NS
            to = [o for o in self._membership.others.values() if o.proven]
        elif self._again and now_ns >= self._again[0]:
            to = [o for o in self._membership.members() if not self._took(o)]
        self._again = [at for at in self._again if at > now_ns]
        for other in to:
            state = state or self._state(now_ns)
            yield self.to(other.address, state)

    def _took(self, other: Other) -> bool:
        """Whether a peer has shown that it knows all that we know."""
        state, agreed = other.state, self._agreed
        return (
            state is not None
            and state.tempo.rank >= agreed.tempo.rank
            and state.running.rank >= agreed.running.rank
        )
