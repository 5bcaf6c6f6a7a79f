"""The session's time on this computer: who is the reference for it, and how ours is drawn there."""

from __future__ import annotations

from grebe.core.session.membership import Membership
from grebe.core.session.other import Other
from grebe.core.session.slew import FRESH_NS, Mapping, drawn_to

STEP_NS = 250_000_000
"""An error of more than this is a clock that was set, or slept: crystals need an hour for it."""
SETTLED_AFTER = 12
"""Exchanges with the reference before its time is taken."""


class ClockSync:
    """Session time over our clock: drawn in, never jumping, to what the reference's clock says."""

    def __init__(self, peer_id: int, membership: Membership, now_ns: int) -> None:
        self._id = peer_id
        self._membership = membership
        self.mapping = Mapping(now_ns, 0, 1.0)
        self._rate = 1.0
        """Of session time over our clock, without what draws an error in."""
        self._fresh_until = 0
        self._timed_by: set[int] = set()
        """Peers whose clock may be gone by: those of the session that was joined."""

    @property
    def reference(self) -> int:
        """Id of the peer whose clock counts: of those that may be gone by, who came first."""
        membership = self._membership
        ranked = [
            (o.state.joined_ns, o.id)
            for o in membership.members()
            if o.state is not None and o.state.settled and self._may_time(o.id)
        ]
        if membership.phase == "in":
            ranked.append((membership.joined_ns, self._id))
        return min(ranked)[1] if ranked else self._id

    def _may_time(self, peer_id: int) -> bool:
        return self._membership.counts(peer_id) or peer_id in self._timed_by

    def spread_ns(self, now_ns: int) -> float:
        """How far the session's time may be off here."""
        other = self._membership.others.get(self.reference)
        clock = other.clock(now_ns) if other is not None else None
        return clock.spread_ns if clock is not None else 0.0

    def begin(self, now_ns: int) -> None:
        """Session time begins here."""
        self.mapping, self._rate = Mapping(now_ns, 0, 1.0), 1.0

    def first_of(self, epoch: int, now_ns: int) -> Other | None:
        """Who came first of those that a session's time can be taken from, if enough is known of
        its clock."""
        settled = self._membership.settled_in(epoch)
        ranked = [(o.state.joined_ns, o.id, o) for o in settled if o.state]
        first = min(ranked)[2] if ranked else None
        if first is None or len(first.exchanges) < SETTLED_AFTER or first.clock(now_ns) is None:
            return None
        return first

    def take_time_of(self, first: Other, now_ns: int) -> None:
        """Take a session's time from one that is in it."""
        clock, state = first.clock(now_ns), first.state
        assert clock is not None
        assert state is not None
        theirs = round(clock.theirs(now_ns))
        self._rate = state.mapping.rate * (1 + clock.skew)
        self.mapping = Mapping(now_ns, round(state.mapping.at(theirs)), self._rate)
        self._timed_by = {o.id for o in self._membership.settled_in(state.epoch)}
        self._fresh_until = now_ns + FRESH_NS

    def watch(self, now_ns: int) -> list[Other]:
        """The clocks of the two that came first are asked often, one to go by and one in hand."""
        membership = self._membership
        epoch = membership.toward if membership.phase == "joining" else membership.epoch
        settled = membership.settled_in(epoch)
        ranked = sorted((o.state.joined_ns, o.id) for o in settled if o.state is not None)
        near = {peer_id for _, peer_id in ranked[:2]}
        for other in membership.others.values():
            other.watch(closely=other.id in near, now_ns=now_ns)
        return [membership.others[peer_id] for peer_id in near]

    def steer(self, near: list[Other], now_ns: int) -> bool:
        """Draw our time to the reference's; whether a clock was set instead, so that all have to
        be compared afresh."""
        stepped = [o for o in near if o.has_stepped(now_ns)]
        other = self._membership.others.get(self.reference)
        wanted = self._wanted(other, now_ns) if other is not None else None
        if wanted is None:  # we are it, or know no better: our time runs on as it ran
            if other is None and len(stepped) > 1:
                return True  # two that have nothing in common do not step at once
            if self.mapping.rate != self._rate:
                here = round(self.mapping.at(now_ns))
                self.mapping = Mapping(now_ns, here, self._rate)
        elif abs(wanted[0] - self.mapping.at(now_ns)) > STEP_NS:
            # A clock has been set, and there is nothing to draw in: our beat has jumped already.
            # Where it is the reference's alone, it will find out by itself.
            return other not in stepped or len(stepped) == len(near)
        else:
            self._rate = wanted[1]
            fresh = now_ns < self._fresh_until
            self.mapping = drawn_to(self.mapping, now_ns, *wanted, fresh=fresh)
        return False

    def _wanted(self, other: Other, now_ns: int) -> tuple[float, float] | None:
        """Session time and rate now as another has them; None while too little is known."""
        clock = other.clock(now_ns) if len(other.exchanges) >= SETTLED_AFTER // 2 else None
        if other.state is None or clock is None:
            return None
        theirs = other.state.mapping
        return theirs.at(clock.theirs(now_ns)), theirs.rate * (1 + clock.skew)
