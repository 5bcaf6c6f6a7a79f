"""Three computers on a network that loses and delays: namespaces on a switch. Needs root."""

from __future__ import annotations

import json
import subprocess
import sys
import time
from collections.abc import Callable, Iterator
from contextlib import suppress
from threading import Thread
from typing import Any

import pytest

from grebe.app.bench.switch import Network


@pytest.fixture
def network() -> Iterator[Network]:
    """Four namespaces: three peers and a stranger."""
    try:
        made = Network(4)
    except OSError as error:
        pytest.skip(f"no network namespaces here: {error}")
    yield made
    made.close()


class Peer:
    """A peer's process in a namespace; what it prints is kept."""

    def __init__(self, network: Network, number: int, passphrase: str = "sea", **told: Any) -> None:
        self.process = subprocess.Popen(
            [*network.command(number), sys.executable, "-m", "grebe.peers"],
            stdin=subprocess.PIPE, stdout=subprocess.PIPE, text=True,
        )  # fmt: skip
        self.say(json.dumps({
            "use": {"name": "Night ferry", "peer": f"Peer {number}"}, "passphrase": passphrase,
            "every_s": 0.1, "seconds": 60, "offset_s": 250.0 * number, "ppm": 30.0 * (number - 1),
            **told,
        }))  # fmt: skip
        self.views: list[dict[str, Any]] = []
        self._reader = Thread(target=self._read, daemon=True)
        self._reader.start()

    def _read(self) -> None:
        assert self.process.stdout is not None
        for line in self.process.stdout:
            self.views.append(json.loads(line))

    def say(self, line: str) -> None:
        """A line on its standard input."""
        assert self.process.stdin is not None
        self.process.stdin.write(line + "\n")
        self.process.stdin.flush()

    @property
    def view(self) -> dict[str, Any]:
        """What it said last."""
        return self.views[-1] if self.views else {"state": "none", "peers": [], "bpm": 0}

    def beat_at(self, at_ns: int) -> float:
        """Its beat, a moment after it spoke last."""
        view = self.view
        return float(view["beat"] + (at_ns - view["at_ns"]) / 60e9 * view["bpm"])

    def kill(self) -> None:
        self.process.kill()
        self.process.wait()
        self._reader.join()
        for pipe in (self.process.stdin, self.process.stdout):
            assert pipe is not None
            with suppress(BrokenPipeError):
                pipe.close()


def until(wanted: Callable[[], bool], seconds: float = 10.0) -> None:
    end = time.monotonic() + seconds
    while not wanted():
        assert time.monotonic() < end, "it did not come to that"
        time.sleep(0.02)


def apart_ms(*peers: Peer) -> float:
    now = time.clock_gettime_ns(time.CLOCK_MONOTONIC_RAW)
    beats = [p.beat_at(now) for p in peers]
    return (max(beats) - min(beats)) * 60e3 / float(peers[0].view["bpm"])


def here(peer: Peer) -> set[str]:
    return {r["name"] for r in peer.view["peers"] if r["standing"] == "here"}


def test_three_computers_keep_one_downbeat_whatever_happens(network: Network) -> None:
    """5 % loss and 2 ms of jitter: a killed one comes back, a parted one heals, a stranger and an
    interface that goes down change nothing."""
    network.set(kind="2", loss=0.05)
    peers = [Peer(network, 0, bpm=126)]
    stranger = Peer(network, 3, "land", bpm=200)
    try:
        until(lambda: peers[0].view["state"] == "in")
        peers += [Peer(network, n, bpm=90) for n in (1, 2)]
        until(lambda: all(len(here(p)) == 2 for p in peers))
        time.sleep(1.0)
        assert {p.view["bpm"] for p in peers} == {126.0}
        assert apart_ms(*peers) < 1.5
        stranger.say("bpm 222")
        peers[2].say("bpm 140")
        until(lambda: {p.view["bpm"] for p in peers} == {140.0})
        peers[0].kill()  # whose clock was gone by
        until(lambda: here(peers[1]) == {"Peer 2"})
        time.sleep(0.5)
        assert apart_ms(*peers[1:]) < 1.5
        peers[0] = Peer(network, 0, bpm=99)
        until(lambda: len(here(peers[0])) == 2)
        assert peers[0].view["bpm"] == 140.0
        network.set(parted=[1])
        until(lambda: not here(peers[1]))
        peers[0].say("bpm 128")
        until(lambda: peers[2].view["bpm"] == 128.0)
        network.set(parted=[])
        until(lambda: {p.view["bpm"] for p in peers} == {128.0})
        network.link(2, up=False)
        until(lambda: not here(peers[2]))
        network.link(2, up=True)
        until(lambda: len(here(peers[2])) == 2)
        until(lambda: apart_ms(*peers) < 1.5, 12)
        assert here(stranger) == set()
        assert stranger.view["bpm"] == 222.0
        assert peers[0].view["dropped"]["malformed"] > 10
    finally:
        for peer in (*peers, stranger):
            peer.kill()
