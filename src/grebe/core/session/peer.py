"""One peer of a session: what it hears and says, without sockets or a clock of its own.

Rules, in short (docs/network.md has them all): who came first is the
reference for time; the tempo with the greater (revision, author) counts; of
two sessions of one name the older counts; without a passphrase nobody's
tempo counts here before the performer has accepted them.
"""

from __future__ import annotations

from random import Random

from grebe.core.session.agreed_state import AgreedState
from grebe.core.session.clock_sync import STEP_NS, ClockSync
from grebe.core.session.exchange import Exchange
from grebe.core.session.gossip import Gossip, OutgoingPacket
from grebe.core.session.membership import Membership
from grebe.core.session.other import Other
from grebe.core.session.packets import Bye, Packet, Ping, Pong, State
from grebe.core.session.shared import MICRO, MOST_REVISION, is_valid, limited_bpm, on_the_one

STEER_NS = 50_000_000
LEAD_NS = 60_000_000
LEAD_MOST_NS = 1_000_000_000
"""A change begins so long after it is made, and two round trips of the farthest peer more."""
SAME_AGE_NS = 2_000_000_000
"""Sessions whose ages differ by less count as equally old: then the smaller id decides."""


class Peer:
    """This computer's part in a session. Times are of its own clock, in nanoseconds."""

    def __init__(
        self, peer_id: int, name: str, now_ns: int, *, bpm: float, quantum_beats: int = 4,
        sealed: bool = True, shares_starts: bool = True, seed: int | None = None,
        downbeat_ns: int | None = None,
    ) -> None:  # fmt: skip
        """`sealed`: everybody who is heard has the passphrase, and so is accepted.

        `downbeat_ns`: when a bar began of what plays here, where this computer's phase is to be
        that of a session begun by it.
        """
        self.id, self.name = peer_id, name
        self.shares_starts = shares_starts
        self.runs = False
        """Whether it plays, to tell the others."""
        self.service = 0
        self.dropped = 0
        """Packets that came twice, from a stranger too many, or with an impossible tempo."""
        self.agreed = AgreedState(peer_id, bpm, quantum_beats)
        """Tempo, phase and running."""
        self.membership = Membership(peer_id, now_ns, sealed=sealed, forgotten=self.agreed.forget)
        """Who is there, and where this peer stands among them."""
        self.clock = ClockSync(peer_id, self.membership, now_ns)
        """The session's time here."""
        self._gossip = Gossip(peer_id, self.membership, self.agreed, self._state, now_ns)
        self._random = Random(seed)
        self._bpm = limited_bpm(bpm)
        self._downbeat_ns = downbeat_ns
        self._next_steer = now_ns
        self._polled_ns = now_ns

    def beat_at(self, now_ns: float) -> float:
        """The session's beat at a time of ours, in quarter notes."""
        return self.agreed.line.beat_at(self.clock.mapping.at(now_ns))

    def just_changed(self, now_ns: int) -> bool:
        """Whether tempo or start were changed so lately that others may not have said so yet."""
        return self._gossip.just_changed(now_ns)

    def _lead_ns(self) -> int:
        """How long before it begins a change has to be said so that all know it in time."""
        slowest = max((o.delay_ns for o in self.membership.members()), default=0.0)
        return round(min(LEAD_MOST_NS, LEAD_NS + 2 * slowest))

    # What the performer does

    def change_tempo(self, bpm: float, now_ns: int, *, beat: float | None = None) -> None:
        """Run at another tempo, everywhere from the same beat on: `beat`, or as soon as can be."""
        if self.membership.phase == "listening":
            self._bpm = limited_bpm(bpm)
        soonest = self.clock.mapping.at(now_ns + self._lead_ns())
        wanted = self.agreed.line.ns_at(beat) if beat is not None else soonest
        self.agreed.say_tempo(bpm, self.agreed.tempo.quantum_beats, max(soonest, wanted))
        self._gossip.announce(now_ns)

    def change_span(self, quantum_beats: int, now_ns: int) -> None:
        """Count the phase by another span."""
        soonest = self.clock.mapping.at(now_ns + self._lead_ns())
        self.agreed.say_tempo(self.agreed.tempo.bpm, quantum_beats, soonest)
        self._gossip.announce(now_ns)

    def start(self, now_ns: int) -> int:
        """Start everybody that shares starts, on the next beginning of the span that all can be
        told of in time; that beat."""
        soonest = self.beat_at(now_ns + self._lead_ns())
        beat = on_the_one(soonest, self.agreed.tempo.quantum_beats)
        self.agreed.say_running(running=True, at=beat * MICRO)
        self._gossip.announce(now_ns)
        return beat

    def stop(self, now_ns: int) -> None:
        """Stop everybody that shares starts, at once."""
        self.agreed.say_running(running=False, at=round(self.beat_at(now_ns) * MICRO))
        self._gossip.announce(now_ns)

    def accept(self, peer_id: int, now_ns: int) -> None:
        """From now on this peer's word on tempo, starts and time counts here."""
        self.membership.accept(peer_id)
        self.agreed.accept(peer_id)
        self._gossip.announce(now_ns)

    def leave(self) -> list[OutgoingPacket]:
        """Leave; nobody is disturbed."""
        self.membership.phase = "left"
        others = self.membership.others.values()
        return [self._gossip.to(to, Bye()) for to in (None, *(o.address for o in others))]

    def woke(self, now_ns: int) -> None:
        """The computer has slept: clocks are compared afresh, and the session is joined again."""
        membership = self.membership
        for other in membership.others.values():
            other.forget()
            other.stepped_ns = None
            other.next_ping_ns = now_ns
        if membership.phase == "in" and membership.members():
            membership.turn_to(membership.epoch)

    # What comes in

    def receive(
        self, packet: Packet, address: object, now_ns: int, *, beacon: bool = False
    ) -> list[OutgoingPacket]:
        """A packet has come; what is said at once in answer. A `beacon` may come several ways."""
        membership = self.membership
        if packet.sender == self.id or membership.phase == "left":
            return []
        known = membership.others.get(packet.sender)
        other = known or membership.meet(packet.sender, address, now_ns)
        if other is None or not other.fresh(packet.seq):
            self.dropped += not beacon
            return []
        body = packet.body
        if isinstance(body, Ping):
            return [self._gossip.to(address, Pong(body.nonce, body.t1, now_ns, now_ns))]
        if isinstance(body, Pong):
            return self._hear_answer(other, body, address, now_ns)
        if isinstance(body, State):
            before = self.agreed.tempo, self.agreed.running
            self._hear_state(other, body, now_ns)
            if (self.agreed.tempo, self.agreed.running) != before:
                self._gossip.changed(now_ns)  # said at once, so that it need not be said again
                return [self._gossip.to(other.address, self._state(now_ns))]
        elif other.proven:
            membership.forget(other)
        return []

    def _hear_answer(
        self, other: Other, body: Pong, address: object, now_ns: int
    ) -> list[OutgoingPacket]:
        was_proven = other.proven
        if not other.answered(body.nonce, Exchange(body.t1, body.t2, body.t3, now_ns)):
            return []
        other.address, other.heard_ns = address, now_ns
        self._settle(now_ns)
        if was_proven:
            return []
        # It may wait to hear whether there is a session.
        return [self._gossip.to(address, self._state(now_ns))]

    def _hear_state(self, other: Other, state: State, now_ns: int) -> None:
        if not is_valid(state.tempo) or state.running.revision >= MOST_REVISION:
            self.dropped += 1
            return
        other.state = state
        if not other.proven:
            return
        other.heard_ns = now_ns
        if not state.epoch or not state.settled:
            return
        if state.epoch != self.membership.epoch:
            self._consider(other, state, now_ns)
        elif self.membership.phase == "in":
            counts = self.membership.counts
            self.agreed.hear_tempo(state.tempo, counts=counts(state.tempo.author))
            self.agreed.hear_running(state.running, counts=counts(state.running.author))

    def _consider(self, other: Other, state: State, now_ns: int) -> None:
        """Another session of this name: the older one counts."""
        membership = self.membership
        if membership.phase == "in":
            clock = other.clock(now_ns)
            if clock is None:
                return
            theirs = state.mapping.at(clock.theirs(now_ns))
            older = theirs - self.clock.mapping.at(now_ns)
            alike = abs(older) < SAME_AGE_NS
            better = state.epoch < membership.epoch if alike else older > 0
            if not better or not membership.counts(other.id):
                return
            membership.turn_to(state.epoch)
        elif membership.phase == "listening":
            membership.turn_to(state.epoch)
        if membership.phase == "joining":
            other.watch(closely=True, now_ns=now_ns)

    # What time brings

    def poll(self, now_ns: int) -> list[OutgoingPacket]:
        """What is to be said now. To be called at `next_ns`, sooner is no harm."""
        membership = self.membership
        if membership.phase == "left":
            return []
        if now_ns < self._polled_ns - STEP_NS:  # our clock was set back
            self._next_steer = now_ns
            self._gossip.set_back(now_ns)
            membership.listen_again(now_ns)
            self.woke(now_ns)
        self._polled_ns = now_ns
        membership.drop_silent(now_ns)
        if membership.may_begin(now_ns):
            self._begin(now_ns)
        if now_ns >= self._next_steer:
            self._next_steer = now_ns + STEER_NS
            near = self.clock.watch(now_ns)
            if membership.phase == "in" and self.clock.steer(near, now_ns):
                self.woke(now_ns)
        return list(self._gossip.due(now_ns))

    def ask(self, now_ns: int) -> list[OutgoingPacket]:
        """A question that is due. To be sent at once: the time asked at is in it.

        One at a time, to be called again: a second that always went out a little later than it says
        would make its way look longer than the way back.
        """
        due = [o for o in self.membership.others.values() if now_ns >= o.next_ping_ns]
        if not due or self.membership.phase == "left":
            return []
        other = min(due, key=lambda o: (not o.closely, o.next_ping_ns))
        nonce = self._random.getrandbits(64)
        other.asked(nonce, now_ns)
        return [self._gossip.to(other.address, Ping(nonce, now_ns))]

    @property
    def next_ns(self) -> int:
        """When `poll` or `ask` has something to do next."""
        pings = (o.next_ping_ns for o in self.membership.others.values())
        return min(self._next_steer, self._gossip.next_ns, *pings)

    def again(self, packet: Packet) -> Packet:
        """The same packet to be sent another way: not a repetition."""
        return self._gossip.renumbered(packet)

    def _begin(self, now_ns: int) -> None:
        """Nobody is there to join."""
        self.membership.begin()
        self.clock.begin(now_ns)
        passed_ns = 0 if self._downbeat_ns is None else now_ns - self._downbeat_ns
        self.agreed.begin(self._bpm, self.agreed.tempo.quantum_beats, passed_ns)
        self._gossip.announce(now_ns)

    def _settle(self, now_ns: int) -> None:
        """While joining: take the session's time as soon as enough is known of it."""
        if self.membership.phase != "joining":
            return
        first = self.clock.first_of(self.membership.toward, now_ns)
        if first is None or first.state is None:
            return
        self.clock.take_time_of(first, now_ns)
        if self.membership.settle():
            self.membership.joined_ns = max(1, self.clock.mapping.session_ns)
            self.agreed.join(first.state.tempo, first.state.running)
        self._gossip.announce(now_ns)

    def _state(self, now_ns: int) -> State:
        return State(
            name=self.name,
            settled=self.membership.phase == "in",
            shares_starts=self.shares_starts,
            epoch=self.membership.epoch,
            joined_ns=self.membership.joined_ns,
            reference=self.clock.reference,
            mapping=self.clock.mapping,
            sent_ns=now_ns,
            tempo=self.agreed.tempo,
            running=self.agreed.running,
            runs=self.runs,
            service=self.service,
        )
