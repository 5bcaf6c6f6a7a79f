"""Three computers on a network that loses and delays: namespaces on a switch. Needs root."""

from __future__ import annotations

import json
import subprocess
import sys
import time
from collections.abc import Iterator

import pytest

from grebe.bench.network import PeerProcess
from grebe.bench.switch import Network
from tests.waiting import wait


@pytest.fixture
def network() -> Iterator[Network]:
    """Four namespaces: three peers and a stranger."""
    try:
        made = Network(4)
    except OSError as error:
        pytest.skip(f"no network namespaces here: {error}")
    yield made
    made.close()


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
        wait(lambda: peers[0].view["state"] == "in")
        peers += [PeerProcess(network, n, 90) for n in (1, 2)]
        wait(lambda: all(len(p.others) == 2 for p in peers))
        time.sleep(1.0)
        assert {p.view["bpm"] for p in peers} == {126.0}
        assert apart_ms(*peers) < 1.5
        stranger.say("bpm 222")
        peers[2].say("bpm 140")
        wait(lambda: {p.view["bpm"] for p in peers} == {140.0})
        peers[0].kill()  # whose clock was gone by
        wait(lambda: peers[1].others == {"Peer 2"})
        time.sleep(0.5)
        assert apart_ms(*peers[1:]) < 1.5
        peers[0] = PeerProcess(network, 0, 99)
        wait(lambda: len(peers[0].others) == 2)
        assert peers[0].view["bpm"] == 140.0
        network.set(parted=[1])
        wait(lambda: not peers[1].others)
        peers[0].say("bpm 128")
        wait(lambda: peers[2].view["bpm"] == 128.0)
        network.set(parted=[])
        wait(lambda: {p.view["bpm"] for p in peers} == {128.0})
        network.link(2, up=False)
        wait(lambda: not peers[2].others)
        network.link(2, up=True)
        wait(lambda: len(peers[2].others) == 2)
        wait(lambda: apart_ms(*peers) < 1.5)
        assert stranger.others == set()
        assert stranger.view["bpm"] == 222.0
        assert peers[0].view["dropped"]["malformed"] > 10
    finally:
        for peer in (*peers, stranger):
            peer.kill()


@pytest.fixture
def two(network: Network) -> Iterator[list[PeerProcess]]:
    """Peers are put here, to be ended."""
    made: list[PeerProcess] = []
    yield made
    for peer in made:
        peer.kill()


@pytest.mark.real_time("judges milliseconds between hosts on two cores")
def test_one_that_comes_back_with_another_address_is_the_same_one(
    network: Network, two: list[PeerProcess]
) -> None:
    """Its cable was out, and its network gave it another address: in again, in step."""
    two += [PeerProcess(network, n, 120) for n in (0, 1)]
    wait(lambda: all(len(p.others) == 1 for p in two))
    network.link(1, up=False)
    wait(lambda: not two[0].others)
    network.link(1, up=True)
    network.move(1, "10.71.0.77")
    wait(lambda: all(len(p.others) == 1 for p in two))
    wait(lambda: apart_ms(*two) < 1.5)


@pytest.mark.real_time("judges milliseconds between hosts on two cores")
def test_ipv6_alone_will_do_between_computers(network: Network, two: list[PeerProcess]) -> None:
    """No IPv4 address anywhere: they find each other by their link-local ones."""
    for number in (0, 1):
        network.move(number, "")
    time.sleep(2.5)  # an address has to be found free before it may be used
    two += [PeerProcess(network, n, 120) for n in (0, 1)]
    wait(lambda: all(len(p.others) == 1 for p in two))
    wait(lambda: apart_ms(*two) < 1.5)


def test_where_multicast_is_kept_back_it_is_said_and_an_address_helps(
    network: Network, two: list[PeerProcess]
) -> None:
    """Two sessions, and neither can know: each is told what to type at the other."""
    network.set(multicast=False)
    two += [PeerProcess(network, n, 120) for n in (0, 1)]
    wait(lambda: all("multicast" in p.view.get("problem", "") for p in two))
    assert all(not p.others for p in two)
    said = two[0].view["problem"]
    address = next(word for word in said.replace(",", " ").split() if word.startswith("10.71.0.1:"))
    two[1].kill()
    two[1] = PeerProcess(network, 1, 120, addresses=(address,))
    wait(lambda: all(len(p.others) == 1 for p in two))
    wait(lambda: all(not p.view["problem"] for p in two))


def test_a_session_that_another_offers_is_found_by_its_name(network: Network) -> None:
    """RTP MIDI's, by DNS-SD: announced on one computer, listed with its address on another."""
    announce = (
        "import time\nfrom grebe.network.discovery import Announced\n"
        "held = Announced('_apple-midi._udp.local.', 'Grebe Smew', 5004)\ntime.sleep(30)"
    )
    offered = subprocess.Popen([*network.command(0), sys.executable, "-c", announce])
    try:
        ask = [*network.command(1), sys.executable, "-m", "grebe.transports", "--ask", "sessions"]
        found: list[str] = []

        def is_found() -> bool:
            done = subprocess.run(ask, capture_output=True, check=True, timeout=20)
            found[:] = json.loads(done.stdout)["midi"]
            return bool(found)

        wait(is_found)
        assert found == ["Grebe Smew (10.71.0.1:5004)"]
    finally:
        offered.kill()
        offered.wait()
