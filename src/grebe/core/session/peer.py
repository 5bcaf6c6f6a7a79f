"""One peer of a session: what it hears and says, without sockets or a clock of its own.

Rules, in short (docs/network.md has them all): who came first is the
reference for time; the tempo with the greater (revision, author) counts; of
two sessions of one name the older counts; without a passphrase nobody's
tempo counts here before the performer has accepted them.
"""

from __future__ import annotations

from collections.abc import Iterator
from random import Random
from typing import Literal, NamedTuple

from grebe.core.session.exchange import Exchange
from grebe.core.session.other import Other
from grebe.core.session.packets import Body, Bye, Packet, Ping, Pong, State
from grebe.core.session.shared import (
    MICRO,
    MOST_REVISION,
    NEVER_RUN,
    AgreedTempo,
    BeatLine,
    Running,
    limited_bpm,
    next_revision,
    on_the_one,
    sound,
)
from grebe.core.session.slew import FRESH_NS, Mapping, drawn_to

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
STEER_NS = 50_000_000
STEP_NS = 250_000_000
"""An error of more than this is a clock that was set, or slept: crystals need an hour for it."""
JUST_CHANGED_NS = 1_500_000_000
STATE_NS = 500_000_000
BEACON_NS = 1_000_000_000
BEACON_FIRST_NS = 150_000_000
AGAIN_NS = (20_000_000, 60_000_000, 140_000_000, 300_000_000, 600_000_000)
"""A change is said again after these, to those that have not taken it."""
SETTLED_AFTER = 12
"""Exchanges with the reference before its time is taken."""
LEAD_NS = 60_000_000
LEAD_MOST_NS = 1_000_000_000
"""A change begins so long after it is made, and two round trips of the farthest peer more."""
SAME_AGE_NS = 2_000_000_000
"""Sessions whose ages differ by less count as equally old: then the smaller id decides."""

Phase = Literal["listening", "joining", "in", "left"]


class Sending(NamedTuple):
    """A packet and where it goes."""

    to: object
    """An address as `receive` was given it; None: to all that may listen."""
    packet: Packet


class Peer:
    """This computer's part in a session. Times are of its own clock, in nanoseconds."""

    def __init__(
        self, peer_id: int, name: str, now_ns: int, *, bpm: float, span: int = 4,
        sealed: bool = True, shares_starts: bool = True, seed: int | None = None,
        downbeat_ns: int | None = None,
    ) -> None:  # fmt: skip
        """`sealed`: everybody who is heard has the passphrase, and so is accepted.

        `downbeat_ns`: when a bar began of what plays here, where this computer's phase is to be
        that of a session begun by it.
        """
        self.id, self.name = peer_id, name
        self.shares_starts = shares_starts
        self.sealed = sealed
        self.runs = False
        """Whether it plays, to tell the others."""
        self.service = 0
        self.phase: Phase = "listening"
        self.others: dict[int, Other] = {}
        self.dropped = 0
        """Packets that came twice, from a stranger too many, or with an impossible tempo."""
        self._random = Random(seed)
        self._bpm, self._span = limited_bpm(bpm), span
        self._downbeat_ns = downbeat_ns
        self._epoch = 0
        self._joined_ns = 0
        self._accepted: set[int] = set()
        self._timed_by: set[int] = set()
        """Peers whose clock may be gone by: those of the session that was joined."""
        self._toward = 0
        """The session that is being joined, by id."""
        self._mapping = Mapping(now_ns, 0, 1.0)
        self._rate = 1.0
        """Of session time over our clock, without what draws an error in."""
        self._fresh_until = 0
        self._line = BeatLine(AgreedTempo(0, 0, round(self._bpm * MICRO), span, 0, peer_id))
        self._running = NEVER_RUN
        self._asked: dict[int, AgreedTempo] = {}
        self._asked_run: dict[int, Running] = {}
        self._seq = 0
        self._listen_until = now_ns + LISTEN_NS
        self._beacons = 0
        self._next_beacon = self._next_steer = self._next_state = now_ns
        self._again: list[int] = []
        self._polled_ns = now_ns
        self._taken_ns = now_ns
        self._replay: dict[int, Other] = {}

    # What is known

    @property
    def bpm(self) -> float:
        """The tempo that is, or will shortly be, the session's."""
        return self._line.last.bpm

    @property
    def span(self) -> int:
        """Quarter notes by which the phase is counted."""
        return self._line.last.span

    @property
    def revision(self) -> int:
        """Of the tempo."""
        return self._line.last.revision

    @property
    def epoch(self) -> int:
        """Which session of this name it is in; 0 while in none."""
        return self._epoch

    @property
    def mapping(self) -> Mapping:
        """Session time over our clock."""
        return self._mapping

    @property
    def line(self) -> BeatLine:
        """Beats over session time."""
        return self._line

    @property
    def running(self) -> Running:
        """What the session says of starting and stopping."""
        return self._running

    def session_ns(self, now_ns: float) -> float:
        """Session time at a time of ours."""
        return self._mapping.at(now_ns)

    def beat_at(self, now_ns: float) -> float:
        """The session's beat at a time of ours, in quarter notes."""
        return self._line.beat_at(self._mapping.at(now_ns))

    def raw_at(self, beat: float) -> float:
        """Our time of a beat of the session."""
        return self._mapping.raw_at(self._line.ns_at(beat))

    def members(self) -> list[Other]:
        """Those that are in the same session and heard of late."""
        return [o for o in self.others.values() if self._is_member(o)]

    @property
    def reference(self) -> int:
        """Id of the peer whose clock counts: of those that may be gone by, who came first."""
        ranked = [
            (o.state.joined_ns, o.id)
            for o in self.members()
            if o.state is not None and o.state.settled and self._may_time(o.id)
        ]
        if self.phase == "in":
            ranked.append((self._joined_ns, self.id))
        return min(ranked)[1] if ranked else self.id

    def spread_ns(self, now_ns: int) -> float:
        """How far the session's time may be off here."""
        other = self.others.get(self.reference)
        clock = other.clock(now_ns) if other is not None else None
        return clock.spread_ns if clock is not None else 0.0

    def just_changed(self, now_ns: int) -> bool:
        """Whether tempo or start were changed so lately that others may not have said so yet."""
        return now_ns - self._taken_ns < JUST_CHANGED_NS

    def lead_ns(self) -> int:
        """How long before it begins a change has to be said so that all know it in time."""
        slowest = max((o.delay_ns for o in self.members()), default=0.0)
        return round(min(LEAD_MOST_NS, LEAD_NS + 2 * slowest))

    # What the performer does

    def change_tempo(self, bpm: float, now_ns: int, *, beat: float | None = None) -> None:
        """Run at another tempo, everywhere from the same beat on: `beat`, or as soon as can be."""
        if self.phase == "listening":
            self._bpm = limited_bpm(bpm)
        soonest = self._mapping.at(now_ns + self.lead_ns())
        wanted = self._line.ns_at(beat) if beat is not None else soonest
        self._say(bpm, self.span, max(soonest, wanted), now_ns)

    def change_span(self, span: int, now_ns: int) -> None:
        """Count the phase by another span."""
        self._say(self.bpm, span, self._mapping.at(now_ns + self.lead_ns()), now_ns)

    def _say(self, bpm: float, span: int, origin_ns: float, now_ns: int) -> None:
        """Our word on tempo and span, later than any that has been said."""
        origin = round(self._line.beat_at(origin_ns) * MICRO)
        revision = next_revision(self.revision, (t.revision for t in self._asked.values()))
        micro = round(limited_bpm(bpm) * MICRO)
        self._line.take(AgreedTempo(round(origin_ns), origin, micro, span, revision, self.id))
        self._asked.clear()
        self._announce(now_ns)

    def start(self, now_ns: int) -> int:
        """Start everybody that shares starts, on the next beginning of the span; that beat."""
        beat = self.next_one(now_ns)
        self._run(running=True, at=beat * MICRO, now_ns=now_ns)
        return beat

    def stop(self, now_ns: int) -> None:
        """Stop everybody that shares starts, at once."""
        self._run(running=False, at=round(self.beat_at(now_ns) * MICRO), now_ns=now_ns)

    def next_one(self, now_ns: int) -> int:
        """The next beat that is a beginning of the span and that all can be told of in time."""
        return on_the_one(self.beat_at(now_ns + self.lead_ns()), self.span)

    def _run(self, *, running: bool, at: int, now_ns: int) -> None:
        asked = (r.revision for r in self._asked_run.values())
        revision = next_revision(self._running.revision, asked)
        self._running = Running(running, at, revision, self.id)
        self._asked_run.clear()
        self._announce(now_ns)

    def accept(self, peer_id: int, now_ns: int) -> None:
        """From now on this peer's word on tempo, starts and time counts here."""
        self._accepted.add(peer_id)
        tempo, run = self._asked.pop(peer_id, None), self._asked_run.pop(peer_id, None)
        if tempo is not None:
            self._hear_tempo(tempo)
        if run is not None:
            self._hear_running(run)
        self._announce(now_ns)

    def leave(self) -> list[Sending]:
        """Leave; nobody is disturbed."""
        self.phase = "left"
        farewell = [self._send(o.address, Bye()) for o in self.others.values()]
        return [self._send(None, Bye()), *farewell]

    def woke(self, now_ns: int) -> None:
        """The computer has slept: clocks are compared afresh, and the session is joined again."""
        for other in self.others.values():
            other.forget()
            other.stepped_ns = None
            other.next_ping_ns = now_ns
        if self.phase == "in" and self.members():
            self.phase, self._toward = "joining", self._epoch

    # What comes in

    def receive(
        self, packet: Packet, address: object, now_ns: int, *, beacon: bool = False
    ) -> list[Sending]:
        """A packet has come; what is said at once in answer. A `beacon` may come several ways."""
        if packet.sender == self.id or self.phase == "left":
            return []
        other = self.others.get(packet.sender) or self._meet(packet.sender, address, now_ns)
        if other is None or not other.fresh(packet.seq):
            self.dropped += not beacon
            return []
        body = packet.body
        if isinstance(body, Ping):
            return [self._send(address, Pong(body.nonce, body.t1, now_ns, now_ns))]
        if isinstance(body, Pong):
            was_proven = other.proven
            exchange = Exchange(body.t1, body.t2, body.t3, now_ns)
            if other.answered(body.nonce, exchange):
                other.address, other.heard_ns = address, now_ns
                self._settle(now_ns)
                if not was_proven:  # it may wait to hear whether there is a session
                    return [self._send(address, self._state(now_ns))]
        elif isinstance(body, State):
            known = self._line.last, self._running
            self._hear_state(other, body, now_ns)
            if (self._line.last, self._running) != known:  # so that it need not be said again
                self._taken_ns = now_ns
                return [self._send(other.address, self._state(now_ns))]
        elif other.proven:
            self._forget(other)
        return []

    def _meet(self, peer_id: int, address: object, now_ns: int) -> Other | None:
        unproven = [o for o in self.others.values() if not o.proven]
        if len(unproven) >= MOST_UNPROVEN:
            self._forget(min(unproven, key=lambda o: o.first_ns))
        if len(self.others) >= MOST_PEERS:
            return None
        # What a peer that was here before has said stays used up, however long it was away.
        other = self._replay.pop(peer_id, None) or Other(peer_id, address, now_ns)
        other.address, other.heard_ns, other.first_ns = address, now_ns, now_ns
        other.proven, other.next_ping_ns = False, now_ns
        self.others[peer_id] = other
        return other

    def _forget(self, other: Other) -> None:
        del self.others[other.id]
        other.forget()
        other.state, other.proven = None, False
        self._replay[other.id] = other
        while len(self._replay) > 4 * MOST_PEERS:
            del self._replay[next(iter(self._replay))]
        self._asked.pop(other.id, None)
        self._asked_run.pop(other.id, None)

    def _hear_state(self, other: Other, state: State, now_ns: int) -> None:
        if not sound(state.tempo) or state.running.revision >= MOST_REVISION:
            self.dropped += 1
            return
        other.state = state
        if not other.proven:
            return
        other.heard_ns = now_ns
        if not state.epoch or not state.settled:
            return
        if state.epoch != self._epoch:
            self._consider(other, state, now_ns)
        elif self.phase == "in":
            self._hear_tempo(state.tempo)
            self._hear_running(state.running)

    def _consider(self, other: Other, state: State, now_ns: int) -> None:
        """Another session of this name: the older one counts."""
        if self.phase == "in":
            clock = other.clock(now_ns)
            if clock is None:
                return
            theirs = state.mapping.at(clock.theirs(now_ns))
            older = theirs - self._mapping.at(now_ns)
            alike = abs(older) < SAME_AGE_NS
            better = state.epoch < self._epoch if alike else older > 0
            if not better or not (self.sealed or other.id in self._accepted):
                return
            self.phase, self._toward = "joining", state.epoch
        elif self.phase == "listening":
            self.phase, self._toward = "joining", state.epoch
        if self.phase == "joining":
            other.watch(closely=True, now_ns=now_ns)

    def _hear_tempo(self, tempo: AgreedTempo) -> None:
        if tempo.rank <= self._line.last.rank:
            return
        if self.counts(tempo.author):
            self._line.take(tempo)
        elif tempo.rank > self._asked.get(tempo.author, self._line.last).rank:
            self._asked[tempo.author] = tempo

    def _hear_running(self, running: Running) -> None:
        if running.rank <= self._running.rank:
            return
        if self.counts(running.author):
            self._running = running
        else:
            self._asked_run[running.author] = running

    def asked_bpm(self, author: int) -> float:
        """The tempo that a peer would have and that waits to be accepted; 0 for none."""
        asked = self._asked.get(author)
        return asked.bpm if asked is not None and asked.rank > self._line.last.rank else 0.0

    def counts(self, author: int) -> bool:
        """Whether this peer's word on tempo and starts is taken here."""
        return self.sealed or author == self.id or author in self._accepted

    def _may_time(self, peer_id: int) -> bool:
        return self.counts(peer_id) or peer_id in self._timed_by

    def _is_member(self, other: Other) -> bool:
        state = other.state
        return other.proven and state is not None and state.epoch == self._epoch != 0

    # What time brings

    def poll(self, now_ns: int) -> list[Sending]:
        """What is to be said now. To be called at `next_ns`, sooner is no harm."""
        if self.phase == "left":
            return []
        if now_ns < self._polled_ns - STEP_NS:  # our clock was set back
            self._set_back(now_ns)
        self._polled_ns = now_ns
        self._drop_silent(now_ns)
        if self.phase == "listening" and now_ns >= self._listen_until:
            self._begin_or_defer(now_ns)
        if now_ns >= self._next_steer:
            self._next_steer = now_ns + STEER_NS
            near = self._watch_those_that_matter(now_ns)
            self._steer(near, now_ns)
        return list(self._statements(now_ns))

    def ask(self, now_ns: int) -> list[Sending]:
        """A question that is due. To be sent at once: the time asked at is in it.

        One at a time, to be called again: a second that always went out a little later than it says
        would make its way look longer than the way back.
        """
        due = [o for o in self.others.values() if now_ns >= o.next_ping_ns]
        if not due or self.phase == "left":
            return []
        other = min(due, key=lambda o: (not o.closely, o.next_ping_ns))
        nonce = self._random.getrandbits(64)
        other.asked(nonce, now_ns)
        return [self._send(other.address, Ping(nonce, now_ns))]

    def _set_back(self, now_ns: int) -> None:
        self._next_steer = self._next_state = self._next_beacon = now_ns
        self._again.clear()
        self._listen_until = now_ns + LISTEN_NS
        for other in self.others.values():
            other.heard_ns = other.first_ns = now_ns
        self.woke(now_ns)

    @property
    def next_ns(self) -> int:
        """When `poll` has something to do next."""
        times = [self._next_steer, self._next_state, self._next_beacon, *self._again[:1]]
        times += [o.next_ping_ns for o in self.others.values()]
        return min(times)

    def _drop_silent(self, now_ns: int) -> None:
        for other in list(self.others.values()):
            silent = now_ns - other.heard_ns > LOST_NS
            unproven = not other.proven and now_ns - other.first_ns > UNPROVEN_NS
            if silent or unproven:
                self._forget(other)
        if self.phase == "joining" and not self._of(self._toward):
            # Who was to be joined has gone; back to where we were, or listen again.
            self.phase = "in" if self._epoch else "listening"
            self._listen_until = now_ns + LISTEN_NS

    def _of(self, epoch: int) -> list[Other]:
        """Settled peers of a session, whose clock may be gone by."""
        return [
            o
            for o in self.others.values()
            if o.proven and o.state is not None and o.state.epoch == epoch and o.state.settled
        ]

    def _begin_or_defer(self, now_ns: int) -> None:
        rivals = list(self.others.values())
        unheard = any(o.state is None or not o.proven for o in rivals)
        if now_ns < self._listen_until + DEFER_NS and (
            unheard or any(o.id < self.id for o in rivals)
        ):
            return
        self.phase, self._epoch, self._joined_ns = "in", self.id, 0
        self._mapping, self._rate = Mapping(now_ns, 0, 1.0), 1.0
        passed_ns = 0 if self._downbeat_ns is None else now_ns - self._downbeat_ns
        beat = round(passed_ns / 60e9 * self._bpm * MICRO) % (self._span * MICRO)
        self._line = BeatLine(
            AgreedTempo(0, beat, round(self._bpm * MICRO), self._span, 1, self.id)
        )
        self._announce(now_ns)

    def _watch_those_that_matter(self, now_ns: int) -> list[Other]:
        """The clocks of the two that came first are asked often, one to go by and one in hand."""
        epoch = self._toward if self.phase == "joining" else self._epoch
        ranked = sorted((o.state.joined_ns, o.id) for o in self._of(epoch) if o.state is not None)
        near = {peer_id for _, peer_id in ranked[:2]}
        for other in self.others.values():
            other.watch(closely=other.id in near, now_ns=now_ns)
        return [self.others[peer_id] for peer_id in near]

    def _settle(self, now_ns: int) -> None:
        """While joining: take the session's time as soon as enough is known of it."""
        if self.phase != "joining":
            return
        ranked = [(o.state.joined_ns, o.id, o) for o in self._of(self._toward) if o.state]
        if not ranked:
            return
        first = min(ranked)[2]
        clock = first.clock(now_ns) if len(first.exchanges) >= SETTLED_AFTER else None
        state = first.state
        if clock is None or state is None:
            return
        again = self._toward == self._epoch
        theirs = round(clock.theirs(now_ns))
        self._rate = state.mapping.rate * (1 + clock.skew)
        self._mapping = Mapping(now_ns, round(state.mapping.at(theirs)), self._rate)
        self._timed_by = {o.id for o in self._of(self._toward)}
        self.phase, self._epoch = "in", self._toward
        if not again:
            self._joined_ns = max(1, self._mapping.session_ns)
            self._line = BeatLine(state.tempo)
            self._running = state.running
            self._asked.clear()
            self._asked_run.clear()
        self._fresh_until = now_ns + FRESH_NS
        self._announce(now_ns)

    def _steer(self, near: list[Other], now_ns: int) -> None:
        """Draw our time to the reference's."""
        if self.phase != "in":
            return
        stepped = [o for o in near if o.has_stepped(now_ns)]
        other = self.others.get(self.reference)
        wanted = self._wanted(other, now_ns) if other is not None else None
        if wanted is None:  # we are it, or know no better: our time runs on as it ran
            if other is None and len(stepped) > 1:
                self.woke(now_ns)  # two that have nothing in common do not step at once
            elif self._mapping.rate != self._rate:
                here = round(self._mapping.at(now_ns))
                self._mapping = Mapping(now_ns, here, self._rate)
        elif abs(wanted[0] - self._mapping.at(now_ns)) > STEP_NS:
            # A clock has been set, and there is nothing to draw in: our beat has jumped already.
            # Where it is the reference's alone, it will find out by itself.
            if other not in stepped or len(stepped) == len(near):
                self.woke(now_ns)
        else:
            self._rate = wanted[1]
            fresh = now_ns < self._fresh_until
            self._mapping = drawn_to(self._mapping, now_ns, *wanted, fresh=fresh)

    def _wanted(self, other: Other, now_ns: int) -> tuple[float, float] | None:
        """Session time and rate now as another has them; None while too little is known."""
        clock = other.clock(now_ns) if len(other.exchanges) >= SETTLED_AFTER // 2 else None
        if other.state is None or clock is None:
            return None
        theirs = other.state.mapping
        return theirs.at(clock.theirs(now_ns)), theirs.rate * (1 + clock.skew)

    # What goes out

    def _announce(self, now_ns: int) -> None:
        """Say now how it stands, and again to those that do not take it."""
        self._taken_ns = self._next_state = now_ns
        self._again = [now_ns + ns for ns in AGAIN_NS]

    def _statements(self, now_ns: int) -> Iterator[Sending]:
        state: State | None = None
        if now_ns >= self._next_beacon:
            self._beacons += 1
            many = self._beacons > LISTEN_NS // BEACON_FIRST_NS
            self._next_beacon = now_ns + (BEACON_NS if many else BEACON_FIRST_NS)
            state = self._state(now_ns)
            yield self._send(None, state)
        to: list[Other] = []
        if now_ns >= self._next_state:
            self._next_state = now_ns + STATE_NS
            to = [o for o in self.others.values() if o.proven]
        elif self._again and now_ns >= self._again[0]:
            to = [o for o in self.members() if not self._took(o)]
        self._again = [at for at in self._again if at > now_ns]
        for other in to:
            state = state or self._state(now_ns)
            yield self._send(other.address, state)

    def _took(self, other: Other) -> bool:
        """Whether a peer has shown that it knows all that we know."""
        state = other.state
        return (
            state is not None
            and state.tempo.rank >= self._line.last.rank
            and state.running.rank >= self._running.rank
        )

    def _state(self, now_ns: int) -> State:
        return State(
            name=self.name,
            settled=self.phase == "in",
            shares_starts=self.shares_starts,
            epoch=self._epoch,
            joined_ns=self._joined_ns,
            reference=self.reference,
            mapping=self._mapping,
            sent_ns=now_ns,
            tempo=self._line.last,
            running=self._running,
            runs=self.runs,
            service=self.service,
        )

    def again(self, packet: Packet) -> Packet:
        """The same to be sent another way: not a repetition."""
        self._seq += 1
        return packet._replace(seq=self._seq)

    def _send(self, to: object, body: Body) -> Sending:
        self._seq += 1
        return Sending(to, Packet(self.id, self._seq, body))
