"""Who is not trusted, and what is impossible: packets that change nothing."""

from __future__ import annotations

from grebe.bench.simulated_network import Net
from grebe.core.session.membership import MOST_UNPROVEN
from grebe.core.session.packets import Packet, Ping, Pong, State
from grebe.core.session.peer import Peer
from grebe.core.session.rows import rows
from grebe.core.session.shared import (
    MICRO,
    MOST_REVISION,
    Running,
)
from tests.core.session.test_session import MS, session

# Strangers


def test_without_a_passphrase_a_strangers_tempo_waits_to_be_accepted() -> None:
    """Once per peer; the performer's own changes hold meanwhile."""
    net = session(2, sealed=False)
    net.peer(1).change_tempo(77.0, net.hosts[1].raw_ns(net.now_s))
    net.peer(1).start(net.hosts[1].raw_ns(net.now_s))
    net.run(net.now_s + 2)
    mine = net.peer(0)
    assert mine.agreed.tempo.bpm == 126.0
    assert not mine.agreed.running.running
    row = rows(mine, net.hosts[0].raw_ns(net.now_s))[0]
    assert (row.asks_bpm, row.accepted) == (77.0, False)
    mine.accept(row.id, net.hosts[0].raw_ns(net.now_s))
    assert (mine.agreed.tempo.bpm, mine.agreed.running.running) == (77.0, True)
    net.peer(1).change_tempo(88.0, net.hosts[1].raw_ns(net.now_s))
    net.run(net.now_s + 1)
    assert mine.agreed.tempo.bpm == 88.0


def test_a_later_word_of_ours_overrules_what_waits() -> None:
    """And is taken by the other once accepted there."""
    net = session(2, sealed=False)
    net.peer(1).change_tempo(77.0, net.hosts[1].raw_ns(net.now_s))
    net.run(net.now_s + 1)
    net.peer(0).change_tempo(99.0, net.hosts[0].raw_ns(net.now_s))
    net.peer(1).accept(net.peer(0).id, net.hosts[1].raw_ns(net.now_s))
    net.run(net.now_s + 1)
    assert net.peer(0).agreed.tempo.bpm == net.peer(1).agreed.tempo.bpm == 99.0
    assert rows(net.peer(0), net.hosts[0].raw_ns(net.now_s))[0].asks_bpm == 0


def test_a_stranger_that_claims_to_be_older_is_not_followed() -> None:
    """Without a passphrase anybody can say so: the session stays where it is."""
    net = Net(3)
    net.parted = lambda a, b: True
    net.add(100.0, sealed=False)
    net.run(5.0)
    net.add(150.0, sealed=False)
    net.run(10.0)
    net.parted = lambda a, b: False
    net.run(15.0)
    assert net.peer(1).agreed.tempo.bpm == 150.0
    assert rows(net.peer(1), net.hosts[1].raw_ns(net.now_s))[0].standing == "apart"
    net.peer(1).accept(net.peer(0).id, net.hosts[1].raw_ns(net.now_s))
    net.run(18.0)
    assert net.peer(1).agreed.tempo.bpm == 100.0


def test_recorded_packets_of_one_that_left_bring_nothing_back() -> None:
    """They cannot answer a question asked now."""
    net = session(2)
    recorded = [s.packet for s in net.peer(1).poll(net.peer(1).next_ns + 10**9)]
    state = next(p for p in recorded if isinstance(p.body, State))
    fresh = Peer(5, "New", 0, bpm=100)
    for seq in range(40):
        fresh.receive(Packet(state.sender, seq, state.body), "there", seq * 50 * MS)
        fresh.poll(seq * 50 * MS)
    assert fresh.membership.epoch == fresh.id
    assert fresh.agreed.tempo.bpm == 100
    assert rows(fresh, 2_000 * MS) == []


def test_a_flood_of_strangers_leaves_room_for_the_real_ones() -> None:
    """Each with another id, none of which answers."""
    net = session(2)
    peer, host = net.peer(0), net.hosts[0]
    for i in range(5_000):
        peer.receive(Packet(10_000 + i, 1, Ping(i, i)), "flood", host.raw_ns(net.now_s))
    assert len(peer.membership.others) <= MOST_UNPROVEN + 1
    assert [r.name for r in rows(peer, host.raw_ns(net.now_s))] == ["Peer 1"]
    net.run(net.now_s + 8)
    assert len(peer.membership.others) == 1
    assert net.apart_ms() < 0.2


def test_impossible_tempi_and_twice_heard_packets_are_counted_and_dropped() -> None:
    """A tempo of 4000, a span of nothing, a packet again."""
    net = session(2)
    peer, host = net.peer(0), net.hosts[0]
    now = host.raw_ns(net.now_s)
    other = net.peer(1)
    state = other._state(now)
    for seq, tempo in enumerate(
        ({"micro_bpm": 4000 * MICRO}, {"quantum_beats": 0}, {"revision": MOST_REVISION}),
        start=10**6,
    ):
        bad = state._replace(tempo=other.agreed.line.last._replace(**{"revision": 99, **tempo}))
        peer.receive(Packet(other.id, seq, bad), 1, now)
    late = state._replace(running=Running(True, 0, MOST_REVISION, other.id))
    peer.receive(Packet(other.id, 10**6 + 3, late), 1, now)
    peer.receive(Packet(other.id, 10**6, Pong(1, 2, 3, 4)), 1, now)
    assert peer.dropped == 5
    assert not peer.agreed.running.running
    assert peer.agreed.tempo.bpm == 126.0


def test_a_strangers_absurd_revision_does_not_take_the_tempo_away_from_us() -> None:
    """Ours goes on counting where it was."""
    net = session(2, sealed=False)
    mine, other = net.peer(0), net.peer(1)
    now = net.hosts[0].raw_ns(net.now_s)
    for what in ("tempo", "running"):
        state = other._state(now)
        asked = getattr(state, what)._replace(revision=MOST_REVISION - 1, author=other.id)
        mine.receive(Packet(other.id, 10**6 + len(what), state._replace(**{what: asked})), 1, now)
    mine.change_tempo(99.0, now)
    mine.start(now)
    assert mine.agreed.line.last.revision < 10
    assert mine.agreed.running.revision < 10
    other.accept(mine.id, net.hosts[1].raw_ns(net.now_s))
    net.run(net.now_s + 1)
    assert other.agreed.tempo.bpm == 99.0
