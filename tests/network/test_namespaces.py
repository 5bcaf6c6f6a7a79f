"""Three computers on a network that loses and delays: namespaces on a switch. Needs root."""

from __future__ import annotations

import time
from collections.abc import Callable, Iterator

import pytest

from grebe.bench.network import PeerProcess
from grebe.bench.switch import Network


@pytest.fixture
def network() -> Iterator[Network]:
    """Four namespaces: three peers and a stranger."""
    try:
        made = Network(4)
    except OSError as error:
        pytest.skip(f"no network namespaces here: {error}")
    yield made
    made.close()


def until(wanted: Callable[[], bool], seconds: float = 10.0) -> None:
    end = time.monotonic() + seconds
    while not wanted():
        assert time.monotonic() < end, "it did not come to that"
        time.sleep(0.02)


def apart_ms(*peers: PeerProcess) -> float:
    now = time.clock_gettime_ns(time.CLOCK_MONOTONIC_RAW)
    beats = [p.beat_at(now) for p in peers]
    return (max(beats) - min(beats)) * 60e3 / float(peers[0].view["bpm"])


@pytest.mark.real_time("judges milliseconds between three hosts on two cores")
def test_three_computers_keep_one_downbeat_whatever_happens(network: Network) -> None:
    """5 % loss and 2 ms of jitter: a killed one comes back, a parted one heals, a stranger and an
    interface that goes down change nothing."""
    network.set(kind="2", loss=0.05)
    peers = [PeerProcess(network, 0, 126)]
    stranger = PeerProcess(network, 3, 200, "land")
    try:
        until(lambda: peers[0].view["state"] == "in")
        peers += [PeerProcess(network, n, 90) for n in (1, 2)]
        until(lambda: all(len(p.others) == 2 for p in peers))
        time.sleep(1.0)
        assert {p.view["bpm"] for p in peers} == {126.0}
        assert apart_ms(*peers) < 1.5
        stranger.say("bpm 222")
        peers[2].say("bpm 140")
        until(lambda: {p.view["bpm"] for p in peers} == {140.0})
        peers[0].kill()  # whose clock was gone by
        until(lambda: peers[1].others == {"Peer 2"})
        time.sleep(0.5)
        assert apart_ms(*peers[1:]) < 1.5
        peers[0] = PeerProcess(network, 0, 99)
        until(lambda: len(peers[0].others) == 2)
        assert peers[0].view["bpm"] == 140.0
        network.set(parted=[1])
        until(lambda: not peers[1].others)
        peers[0].say("bpm 128")
        until(lambda: peers[2].view["bpm"] == 128.0)
        network.set(parted=[])
        until(lambda: {p.view["bpm"] for p in peers} == {128.0})
        network.link(2, up=False)
        until(lambda: not peers[2].others)
        network.link(2, up=True)
        until(lambda: len(peers[2].others) == 2)
        until(lambda: apart_ms(*peers) < 1.5, 12)
        assert stranger.others == set()
        assert stranger.view["bpm"] == 222.0
        assert peers[0].view["dropped"]["malformed"] > 10
    finally:
        for peer in (*peers, stranger):
            peer.kill()
