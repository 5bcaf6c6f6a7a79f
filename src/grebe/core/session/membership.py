"""Who is there, who is in which session, and which of them this peer is in or on its way to."""

from __future__ import annotations

from collections.abc import Callable
from typing import Literal

from grebe.core.session.other import Other

MOST_PEERS = 64
MOST_UNPROVEN = 16
"""Of those that have not answered yet; the one that was first makes room for another."""
LISTEN_NS = 700_000_000
"""Who hears nobody for so long begins the session."""
DEFER_NS = 500_000_000
"""Of several that listen, those with the greater ids wait this much longer; so does who has met
somebody and does not know yet whether there is a session."""
LOST_NS = 3_000_000_000
"""A peer not heard for so long is gone, whatever it said."""
UNPROVEN_NS = 5_000_000_000

Phase = Literal["listening", "joining", "in", "left"]


class Membership:
    """The others, and where this peer stands among them."""

    def __init__(
        self, peer_id: int, now_ns: int, *, sealed: bool, forgotten: Callable[[int], None]
    ) -> None:
        """`sealed`: everybody who is heard has the passphrase, and so is accepted. `forgotten` is
        told who has gone."""
        self._id = peer_id
        self.sealed = sealed
        self._forgotten = forgotten
        self.phase: Phase = "listening"
        self.epoch = 0
        """Which session of this name it is in; 0 while in none."""
        self.toward = 0
        """The session that is being joined, by id."""
        self.joined_ns = 0
        """Session time at which this peer settled."""
        self.others: dict[int, Other] = {}
        self._accepted: set[int] = set()
        self._listen_until = now_ns + LISTEN_NS
        self._replay: dict[int, Other] = {}
        """Peers that were here before: what they have said stays used up."""

    def meet(self, peer_id: int, address: object, now_ns: int) -> Other | None:
        """A peer that was not known; None where there are too many."""
        unproven = [o for o in self.others.values() if not o.proven]
        if len(unproven) >= MOST_UNPROVEN:
            self.forget(min(unproven, key=lambda o: o.first_ns))
        if len(self.others) >= MOST_PEERS:
            return None
        # What a peer that was here before has said stays used up, however long it was away.
        other = self._replay.pop(peer_id, None) or Other(peer_id, address, now_ns)
        other.address, other.heard_ns, other.first_ns = address, now_ns, now_ns
        other.proven, other.next_ping_ns = False, now_ns
        self.others[peer_id] = other
        return other

    def forget(self, other: Other) -> None:
        """A peer has gone."""
        del self.others[other.id]
        other.forget()
        other.state, other.proven = None, False
        self._replay[other.id] = other
        while len(self._replay) > 4 * MOST_PEERS:
            del self._replay[next(iter(self._replay))]
        self._forgotten(other.id)

    def drop_silent(self, now_ns: int) -> None:
        """Those not heard for long have gone."""
        for other in list(self.others.values()):
            silent = now_ns - other.heard_ns > LOST_NS
            unproven = not other.proven and now_ns - other.first_ns > UNPROVEN_NS
            if silent or unproven:
                self.forget(other)
        if self.phase == "joining" and not self.settled_in(self.toward):
            # Who was to be joined has gone; back to where we were, or listen again.
            self.phase = "in" if self.epoch else "listening"
            self._listen_until = now_ns + LISTEN_NS

    def listen_again(self, now_ns: int) -> None:
        """Our clock was set back: all that was heard counts as heard now."""
        self._listen_until = now_ns + LISTEN_NS
        for other in self.others.values():
            other.heard_ns = other.first_ns = now_ns

    def members(self) -> list[Other]:
        """Those that are in the same session and heard of late."""
        return [
            o
            for o in self.others.values()
            if o.proven and o.state is not None and o.state.epoch == self.epoch != 0
        ]

    def settled_in(self, epoch: int) -> list[Other]:
        """Settled peers of a session, whose clock may be gone by."""
        return [
            o
            for o in self.others.values()
            if o.proven and o.state is not None and o.state.epoch == epoch and o.state.settled
        ]

    def accept(self, peer_id: int) -> None:
        """From now on this peer's word counts here."""
        self._accepted.add(peer_id)

    def counts(self, author: int) -> bool:
        """Whether this peer's word on tempo and starts is taken here."""
        return self.sealed or author == self._id or author in self._accepted

    def may_begin(self, now_ns: int) -> bool:
        """Whether nobody was heard for long enough, or this peer goes before those that were."""
        if self.phase != "listening" or now_ns < self._listen_until:
            return False
        rivals = list(self.others.values())
        unheard = any(o.state is None or not o.proven for o in rivals)
        waits = unheard or any(o.id < self._id for o in rivals)
        return not waits or now_ns >= self._listen_until + DEFER_NS

    def begin(self) -> None:
        """Nobody is there to join: a session of our own."""
        self.phase, self.epoch, self.joined_ns = "in", self._id, 0

    def turn_to(self, epoch: int) -> None:
        """Join a session."""
        self.phase, self.toward = "joining", epoch

    def settle(self) -> bool:
        """The session's time is known: it is joined. Whether it is another than before."""
        again = self.toward == self.epoch
        self.phase, self.epoch = "in", self.toward
        return not again
