"""Sessions of peers in simulated time: random delays, losses, parted networks, stepped clocks."""

from __future__ import annotations

from random import Random

import pytest

from grebe.bench.simulated_network import Delay, Net, bursty, jittery, lossy, one_sided, quiet
from grebe.core.session.membership import LOST_NS
from grebe.core.session.other import Other
from grebe.core.session.rows import rows
from grebe.core.session.shared import (
    MICRO,
    NEVER_RUN,
    AgreedTempo,
    BeatLine,
    Running,
    apart,
    on_the_one,
)
from grebe.core.session.slew import MOST, Mapping, drawn_to
from tests.long import tries

MS = 1_000_000


def session(count: int, *, seed: int = 1, model: Delay = quiet, sealed: bool = True) -> Net:
    """So many peers, one after the other, together."""
    net = Net(seed, model)
    for i in range(count):
        net.add(126.0 if i == 0 else 60.0 + 7 * i, sealed=sealed)
        net.run(net.now_s + 2.0)
    return net


# Tempo and phase


def test_a_line_goes_through_changes_without_a_jump() -> None:
    """Worked by hand: 120 to beat 4 at 2 s, then 60: beat 5 at 3 s."""
    line = BeatLine(AgreedTempo(0, 0, 120 * MICRO, 4, 1, 1))
    line.take(AgreedTempo(2_000 * MS, 4 * MICRO, 60 * MICRO, 4, 2, 1))
    assert line.beat_at(1_000 * MS) == 2
    assert line.beat_at(2_000 * MS) == 4
    assert line.beat_at(3_000 * MS) == 5
    assert line.ns_at(5) == 3_000 * MS
    assert line.ns_at(2) == 1_000 * MS
    line.take(AgreedTempo(1_000 * MS, 2 * MICRO, 240 * MICRO, 4, 3, 1))  # before the other began
    assert line.beat_at(2_000 * MS) == 6


@pytest.mark.parametrize(
    ("beat", "quantum_beats", "one"),
    [(0, 4, 0), (0.1, 4, 4), (3.99, 4, 4), (4, 4, 4), (17, 16, 32)],
)
def test_who_starts_waits_for_the_one(beat: float, quantum_beats: int, one: int) -> None:
    """The first multiple of the span that is not past."""
    assert on_the_one(beat, quantum_beats) == one


def test_phases_are_apart_by_the_shorter_way() -> None:
    """Three beats ahead in a bar of four is one behind."""
    assert apart(7, 4, 4) == -1
    assert apart(5, 4, 4) == 1
    assert apart(44, 4, 4) == 0


def test_time_is_drawn_in_and_never_jumps() -> None:
    """An error of 3 ms is gone after some seconds; the rate stays within its bounds."""
    mapping = Mapping(0, 0, 1.0)
    for i in range(1, 200):
        at = i * 50 * MS
        new = drawn_to(mapping, at, at + 3 * MS, 1.0, fresh=False)
        assert new.at(at) == pytest.approx(mapping.at(at), abs=1)
        assert abs(new.rate - 1) <= MOST
        mapping = new
    assert mapping.at(10_000 * MS) - 10_000 * MS == pytest.approx(3 * MS, abs=1000)


# Joining


@pytest.mark.parametrize(
    ("model", "early_ms", "late_ms"),
    [
        (quiet, 0.1, 0.1),
        (jittery(0.001), 0.5, 0.5),
        (jittery(0.005), 2.0, 0.7),
        (bursty(3), 2.0, 0.5),
        (lossy(one_sided(0.02), 0.2), 8.0, 2.2),
    ],
)
def test_who_joins_adopts_tempo_and_phase(model: Delay, early_ms: float, late_ms: float) -> None:
    """The targets of the design, one second and seven after joining, for ten sessions each."""
    for seed in range(tries(10)):
        net = Net(seed, model)
        net.add(126.0)
        net.run(2.0)
        assert net.peer(0).membership.phase == "in"
        net.add(90.0)
        while net.peer(1).membership.phase != "in":
            net.run(net.now_s + 0.01)
            assert net.now_s < 6
        net.run(net.now_s + 1.0)
        assert net.apart_ms() < early_ms
        assert net.peer(1).agreed.tempo.bpm == 126.0
        net.run(net.now_s + 6.0)
        assert net.apart_ms() < late_ms


def test_peers_that_begin_together_end_in_one_session() -> None:
    """Whatever the delays, with a fifth of all packets lost."""
    for seed in range(tries(5)):
        net = Net(seed, lossy(jittery(0.005), 0.2))
        for bpm in (100, 120, 140, 160):
            net.add(bpm)
        net.run(10.0)
        assert len({net.peer(i).membership.epoch for i in range(4)}) == 1
        assert len({net.peer(i).agreed.tempo.bpm for i in range(4)}) == 1
        assert len({net.peer(i).clock.reference for i in range(4)}) == 1
        net.run(16.0)
        assert net.apart_ms() < 3


def test_two_dozen_peers_agree() -> None:
    """And none of them asks all the others often."""
    net = Net(2)
    for i in range(24):
        net.add(100.0 + i)
    net.run(4.0)
    assert len(net.beats()) == 24
    assert len({net.peer(i).agreed.tempo.bpm for i in range(24)}) == 1
    assert net.apart_ms() < 0.5


# Changes


def test_a_change_of_tempo_holds_from_the_same_beat_everywhere() -> None:
    """With 5 ms of jitter all know it before it begins, so no beat differs before or after."""
    net = session(4, model=jittery(0.005))
    peer = net.peer(2)
    peer.change_tempo(140.0, net.hosts[2].raw_ns(net.now_s))
    origin = peer.agreed.line.last.origin
    worst = 0.0
    for _ in range(200):
        net.run(net.now_s + 0.005)
        worst = max(worst, net.apart_ms())
    assert {net.peer(i).agreed.line.last.origin for i in range(4)} == {origin}
    assert {net.peer(i).agreed.tempo.bpm for i in range(4)} == {140.0}
    assert worst < 1.5


@pytest.mark.parametrize("seed", range(tries(6)))
def test_changes_made_at_once_end_the_same_everywhere(seed: int) -> None:
    """Three peers at one moment, a fifth of the packets lost: one of the three holds."""
    net = session(3, seed=seed, model=lossy(jittery(0.002), 0.2))
    net.run(net.now_s + 3)
    for i, bpm in enumerate((90.0, 100.0, 110.0)):
        net.peer(i).change_tempo(bpm, net.hosts[i].raw_ns(net.now_s))
    net.run(net.now_s + 3.0)
    bpms = {net.peer(i).agreed.tempo.bpm for i in range(3)}
    assert len(bpms) == 1
    assert bpms <= {90.0, 100.0, 110.0}
    assert net.apart_ms() < 2


def test_a_change_can_be_asked_for_on_a_beat() -> None:
    """A song's own change of tempo falls on its bar line."""
    net = session(2)
    peer, host = net.peer(0), net.hosts[0]
    beat = on_the_one(peer.beat_at(host.raw_ns(net.now_s)) + 4, 4)
    peer.change_tempo(100.0, host.raw_ns(net.now_s), beat=beat)
    net.run(net.now_s + 6)
    assert net.peer(1).agreed.line.last.origin == pytest.approx(beat * MICRO, abs=2)


def test_starts_are_shared_on_the_one_or_each_its_own() -> None:
    """All hear of it before it begins; who does not share starts may leave it."""
    net = session(3)
    beat = net.peer(1).start(net.hosts[1].raw_ns(net.now_s))
    assert beat % 4 == 0
    net.run(net.now_s + 0.05)
    for i in range(3):
        assert net.peer(i).agreed.running == Running(True, beat * MICRO, 1, net.peer(1).id)
        assert net.peer(i).beat_at(net.hosts[i].raw_ns(net.now_s)) < beat
    net.peer(2).stop(net.hosts[2].raw_ns(net.now_s))
    net.run(net.now_s + 0.1)
    assert not net.peer(0).agreed.running.running


def test_the_span_is_the_sessions() -> None:
    """Who changes it changes it for all."""
    net = session(2)
    net.peer(1).change_span(16, net.hosts[1].raw_ns(net.now_s))
    net.run(net.now_s + 1)
    assert net.peer(0).agreed.tempo.quantum_beats == 16
    assert net.peer(0).agreed.tempo.bpm == 126.0
    assert net.peer(0).start(net.hosts[0].raw_ns(net.now_s)) % 16 == 0


# Leaving, parting, coming back


def steady(net: Net, number: int, seconds: float) -> None:
    """Let time pass; a peer's beat never runs otherwise than its tempo, but for drawing in."""
    peer, host = net.peer(number), net.hosts[number]
    before = peer.beat_at(host.raw_ns(net.now_s))
    for _ in range(round(seconds / 0.01)):
        net.run(net.now_s + 0.01)
        now = peer.beat_at(host.raw_ns(net.now_s))
        expected = 0.01 * peer.agreed.tempo.bpm / 60
        assert abs(now - before - expected) < expected * (MOST + 0.001) + 1e-6
        before = now


@pytest.mark.parametrize("way", ["leaves", "is killed"])
def test_the_reference_goes_and_nobody_is_disturbed(way: str) -> None:
    """The next that came takes over where it is."""
    net = session(3)
    net.run(net.now_s + 5)
    gone = net.peer(0)
    if way == "leaves":
        for sending in gone.leave():
            net._carry(0, sending.to, sending.packet)
    net.kill(0)
    steady(net, 1, 6.0)
    assert net.peer(1).clock.reference == net.peer(2).clock.reference == net.peer(1).id
    assert [r.name for r in rows(net.peer(2), net.hosts[2].raw_ns(net.now_s))] == ["Peer 1"]
    assert net.apart_ms() < 0.2
    net.join(0, 200.0)
    net.run(net.now_s + 4)
    assert net.peer(0).agreed.tempo.bpm == 126.0
    assert net.apart_ms() < 0.2


def test_a_parted_session_heals_without_a_jump() -> None:
    """For a minute two and two; each side goes on; afterwards one tempo, drawn in."""
    net = session(4)
    net.run(net.now_s + 5)
    net.parted = lambda a, b: (a < 2) != (b < 2)
    net.run(net.now_s + 60)
    assert net.peer(2).clock.reference == net.peer(2).id
    assert net.apart_ms() < 5
    net.parted = lambda a, b: False
    steady(net, 3, 8.0)
    assert {net.peer(i).clock.reference for i in range(4)} == {net.peer(0).id}
    assert net.apart_ms() < 0.2


def test_parted_sides_that_changed_tempo_agree_on_the_later_revision() -> None:
    """The side on which it was changed more often counts."""
    net = session(4)
    net.parted = lambda a, b: (a < 2) != (b < 2)
    net.run(net.now_s + 5)
    net.peer(0).change_tempo(100.0, net.hosts[0].raw_ns(net.now_s))
    net.peer(3).change_tempo(130.0, net.hosts[3].raw_ns(net.now_s))
    net.run(net.now_s + 2)
    net.peer(3).change_tempo(132.0, net.hosts[3].raw_ns(net.now_s))
    net.run(net.now_s + 2)
    assert (net.peer(1).agreed.tempo.bpm, net.peer(2).agreed.tempo.bpm) == (100.0, 132.0)
    net.parted = lambda a, b: False
    net.run(net.now_s + 6)
    assert {net.peer(i).agreed.tempo.bpm for i in range(4)} == {132.0}
    assert net.apart_ms() < 0.3


def test_of_two_sessions_of_one_name_the_older_counts() -> None:
    """Begun while the network was parted, five seconds apart."""
    net = Net(3)
    net.parted = lambda a, b: True
    net.add(100.0)
    net.run(5.0)
    net.add(150.0)
    net.run(10.0)
    assert {net.peer(i).agreed.tempo.bpm for i in range(2)} == {100.0, 150.0}
    net.parted = lambda a, b: False
    net.run(15.0)
    assert {net.peer(i).agreed.tempo.bpm for i in range(2)} == {100.0}
    assert net.apart_ms() < 0.2


def test_a_clock_that_steps_costs_a_moment_and_no_more() -> None:
    """As after a suspended machine: the stepped one finds back by itself."""
    net = session(3)
    net.run(net.now_s + 5)
    net.hosts[2].offset_s += 40.0
    net.run(net.now_s + 3)
    assert net.apart_ms() < 0.5
    net.hosts[2].offset_s -= 600.0
    net.peer(2).woke(net.hosts[2].raw_ns(net.now_s))
    net.run(net.now_s + 3)
    assert net.peer(2).membership.phase == "in"
    assert net.apart_ms() < 0.5


def test_when_the_references_clock_steps_the_others_stay_where_they_are() -> None:
    """It finds out, having two to compare with, and takes its time from them."""
    net = session(4)
    net.run(net.now_s + 5)
    before = net.peer(2).beat_at(net.hosts[2].raw_ns(net.now_s))
    start = net.now_s
    net.hosts[0].offset_s -= 40.0
    net.run(net.now_s + 6)
    assert net.apart_ms() < 0.5
    now = net.peer(2).beat_at(net.hosts[2].raw_ns(net.now_s))
    assert (now - before) / 126 * 60 == pytest.approx(net.now_s - start, abs=0.001)
    assert net.peer(2).clock.reference == net.peer(0).id


@pytest.mark.parametrize("seed", range(tries(5)))
def test_whatever_happens_all_agree_in_the_end(seed: int) -> None:
    """Random joins, deaths, parted networks, changes and losses; then ten quiet seconds."""
    dice = Random(seed)
    net = Net(seed, lossy(jittery(0.003), 0.1))
    for _ in range(4):
        net.add(dice.uniform(60, 180))
    for _ in range(15):
        number = dice.randrange(4)
        host = net.hosts[number]
        what = dice.choice(("kill", "part", "heal", "tempo", "start", "step", "span"))
        if what == "kill" and host.peer is not None:
            net.kill(number)
        elif host.peer is None:
            net.join(number, dice.uniform(60, 180))
        elif what == "part":
            net.parted = lambda a, b, n=number: (a == n) != (b == n)  # type: ignore[misc]
        elif what == "heal":
            net.parted = lambda a, b: False
        elif what == "tempo":
            host.peer.change_tempo(dice.uniform(60, 180), host.raw_ns(net.now_s))
        elif what == "span":
            host.peer.change_span(dice.choice((1, 4, 16)), host.raw_ns(net.now_s))
        elif what == "start":
            host.peer.start(host.raw_ns(net.now_s))
        else:
            host.offset_s += dice.uniform(-20, 20)
        net.run(net.now_s + dice.uniform(0.1, 5))
    net.parted = lambda a, b: False
    net.run(net.now_s + 14)
    peers = [h.peer for h in net.hosts if h.peer is not None]
    assert all(p.membership.phase == "in" for p in peers)
    assert len({p.membership.epoch for p in peers}) == 1
    assert len({p.agreed.line.last.rank for p in peers}) == 1
    assert len({p.agreed.running for p in peers}) == 1
    assert len({p.clock.reference for p in peers}) == 1
    assert net.apart_ms() < 3


def test_two_peers_of_one_name_are_told_apart() -> None:
    """By a number, the same at every look."""
    net = session(3)
    for i in range(3):
        net.peer(i).name = "Laptop"
    net.run(net.now_s + 1)
    now = net.hosts[0].raw_ns(net.now_s)
    assert [r.name for r in rows(net.peer(0), now)] == ["Laptop 2", "Laptop 3"]


def test_rows_say_what_was_measured() -> None:
    """Offset against ours, spread, round trip, loss, who is the reference."""
    net = session(2, model=lossy(jittery(0.001), 0.1))
    net.run(net.now_s + 20)
    row = rows(net.peer(1), net.hosts[1].raw_ns(net.now_s))[0]
    assert row.reference
    assert row.offset_ms is not None
    assert abs(row.offset_ms) < 0.5
    assert 2.0 < row.delay_ms < 2.6
    assert 0 < row.spread_ms < 0.5
    assert 8 < row.lost_percent < 32  # there and back, a tenth each: 19 in the long run
    assert row.bpm == 126.0


def test_a_silent_peer_is_gone_after_three_seconds() -> None:
    """Whatever discovery may say."""
    net = session(2)
    net.kill(1)
    net.run(net.now_s + LOST_NS / 1e9 + 0.2)
    assert net.peer(0).membership.members() == []
    assert isinstance(next(iter(net.peer(0).membership._replay.values())), Other)
    assert net.peer(0).agreed.running == NEVER_RUN


def test_what_was_measured_of_a_peer_goes_with_it() -> None:
    """Its clock may have been set meanwhile: when it comes back it is compared afresh."""
    net = session(2)
    us, gone = net.peer(0), net.peer(1)
    assert us.membership.others[gone.id].exchanges
    net.kill(1)
    net.run(net.now_s + LOST_NS / 1e9 + 0.2)
    back = us.membership.meet(gone.id, "there", net.hosts[0].raw_ns(net.now_s))
    assert back is not None
    assert not back.exchanges
    assert back.clock(net.hosts[0].raw_ns(net.now_s)) is None


def test_who_has_taken_a_change_is_not_told_again() -> None:
    """Neither of a tempo nor of a start; until they say so they are."""
    net = session(3)
    us = net.peer(0)
    for change in (lambda now: us.change_tempo(131.0, now), us.start):
        change(net.hosts[0].raw_ns(net.now_s))
        assert not any(us._gossip._took(o) for o in us.membership.members())
        net.run(net.now_s + 0.5)
        assert len(us.membership.members()) == 2
        assert all(us._gossip._took(o) for o in us.membership.members())
