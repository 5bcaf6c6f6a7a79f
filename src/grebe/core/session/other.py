"""One other peer as seen from here: its clock, its losses, what it said last."""

from __future__ import annotations

from collections import deque

from grebe.core.session.envelope import WINDOW_NS, OffsetEstimate, estimate, stepped
from grebe.core.session.exchange import Exchange
from grebe.core.session.packets import State

MOST_EXCHANGES = 400
"""More than 30 s of them, at the pace that `_FAST` and `_STEADY_NS` set."""
ANSWERED_WITHIN_NS = 1_000_000_000
"""A question without an answer for so long counts as lost."""
COUNTED = 64
"""Questions that the share of losses is taken of."""
JUST_NOW_NS = 2_500_000_000
REPLAY_WINDOW = 64
"""Packets may overtake each other by so many."""

_FAST = ((20, 12_500_000), (35, 50_000_000), (75, 100_000_000))
_STEADY_NS = 250_000_000
_SLOW = ((8, 50_000_000),)
_SLOW_STEADY_NS = 1_000_000_000


class Other:
    """Another peer. Times are of our own clock, in nanoseconds."""

    def __init__(self, peer_id: int, address: object, now_ns: int) -> None:
        self.id = peer_id
        self.address = address
        self.heard_ns = now_ns
        self.state: State | None = None
        self.proven = False
        """Whether it has answered a question of ours, and is no recording."""
        self.exchanges: deque[Exchange] = deque(maxlen=MOST_EXCHANGES)
        self.next_ping_ns = now_ns
        self.pings = 0
        self.closely = False
        """Whether its clock matters: then it is asked often."""
        self.first_ns = now_ns
        self.stepped_ns: int | None = None
        """When its clock was last seen to step against ours."""
        self._highest = -1
        self._seen = 0
        self._open: dict[int, int] = {}
        self._fates: deque[bool] = deque(maxlen=COUNTED)
        self._kept: OffsetEstimate | None = None

    def fresh(self, seq: int) -> bool:
        """Whether a packet has not come before. A sliding window, as IPsec has it (RFC 4303)."""
        if seq > self._highest:
            self._seen = (self._seen << min(REPLAY_WINDOW, seq - self._highest)) | 1
            self._seen &= (1 << REPLAY_WINDOW) - 1
            self._highest = seq
            return True
        behind = self._highest - seq
        if behind >= REPLAY_WINDOW or self._seen >> behind & 1:
            return False
        self._seen |= 1 << behind
        return True

    def asked(self, nonce: int, now_ns: int) -> None:
        """A question goes out."""
        self._open[nonce] = now_ns
        late = [n for n, at in self._open.items() if now_ns - at > ANSWERED_WITHIN_NS]
        for gone in late:
            del self._open[gone]
            self._fates.append(False)
        self.pings += 1
        steps, steady = (_FAST, _STEADY_NS) if self.closely else (_SLOW, _SLOW_STEADY_NS)
        wait = next((ns for count, ns in steps if self.pings <= count), steady)
        self.next_ping_ns = now_ns + wait

    def watch(self, *, closely: bool, now_ns: int) -> None:
        """Whether its clock matters from now on."""
        if closely and not self.closely:
            self.pings = 0
            self.next_ping_ns = now_ns
        self.closely = closely

    def answered(self, nonce: int, exchange: Exchange) -> bool:
        """An answer came; whether it was asked for, and plausible."""
        if self._open.pop(nonce, None) != exchange.t1 or exchange.delay_ns < 0:
            return False
        self._fates.append(True)
        self.proven = True
        self.exchanges.append(exchange)
        while self.exchanges[0].t4 < exchange.t4 - WINDOW_NS:
            self.exchanges.popleft()
        if stepped(tuple(self.exchanges)):
            self.forget(exchange)
            self.stepped_ns = exchange.t4
        self._kept = None
        return True

    def forget(self, keep: Exchange | None = None) -> None:
        """Its clock, or ours, has been set: what was known of it says nothing any more."""
        self.exchanges.clear()
        self._kept = None
        self.pings = 0
        if keep is not None:
            self.exchanges.append(keep)

    def has_stepped(self, now_ns: int) -> bool:
        """Whether its clock was seen to step against ours just now."""
        return self.stepped_ns is not None and 0 <= now_ns - self.stepped_ns < JUST_NOW_NS

    def clock(self, now_ns: int) -> OffsetEstimate | None:
        """Its clock now, from what was exchanged; None while nothing was."""
        if not self.exchanges:
            return None
        kept = self._kept
        if kept is None:
            kept = self._kept = estimate(tuple(self.exchanges), now_ns)
        return kept

    @property
    def delay_ns(self) -> float:
        """What a round trip takes of late: the slowest of the last eight."""
        return max((x.delay_ns for x in list(self.exchanges)[-8:]), default=0.0)

    @property
    def lost_percent(self) -> float:
        """Share of questions that found no answer, there or back."""
        return 100 * self._fates.count(False) / len(self._fates) if self._fates else 0.0
