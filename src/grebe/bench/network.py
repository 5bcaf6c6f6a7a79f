"""How well computers agree on a beat: simulated up to 64 of them, and for real in namespaces."""

from __future__ import annotations

import json
import os
import subprocess
import sys
import time
from contextlib import suppress
from threading import Thread
from typing import Any

import numpy as np

from grebe.app.engine.client import EngineClient
from grebe.app.engine.supervisor import start_network
from grebe.app.live.perform import private_engine, settled_report
from grebe.bench.clock import bench_project
from grebe.bench.simulated_network import Delay, Net, bursty, jittery, lossy, one_sided, quiet
from grebe.bench.switch import Network
from grebe.core.player.commands import Begin, Halt
from grebe.core.player.plan import make_plan
from grebe.core.session.envelope import estimate
from grebe.core.session.exchange import Exchange, best_of
from grebe.core.session.use import SessionUse
from grebe.process.children import end_child
from grebe.process.processor import processor_times, stolen_percent
from grebe.protocols.link.messages import ClearCounters, Status
from grebe.protocols.link.session import Join

SESSIONS = 40
MARKS_S = (0.25, 1.0, 2.0, 5.0, 30.0)
SIZES = (2, 4, 8, 16, 32, 64)
HEADER_BYTES = 28
"""IPv4 and UDP before each packet of ours."""
REAL_S = 36.0
KEY, OTHER_KEY = "bench", "another"
FLOOD_A_SECOND, FLOOD_S = 10_000, 20
FLOOD = """
import socket, sys, time
rate, seconds = int(sys.argv[1]), int(sys.argv[2])
out = socket.socket(socket.AF_INET, socket.SOCK_DGRAM)
out.setsockopt(socket.IPPROTO_IP, socket.IP_TTL, 255)
begun, sent = time.monotonic(), 0
while (passed := time.monotonic() - begun) < seconds:
    while sent < passed * rate:
        out.sendto(b"grbp" + bytes(60 + sent % 400), ("127.0.0.1", 20771))
        sent += 1
    time.sleep(0.001)
print(sent)
"""
MODELS: dict[str, Delay | None] = {
    "quiet": quiet,
    "quiet, 20 % lost": lossy(quiet, 0.2),
    "1 ms jitter": jittery(0.001),
    "5 ms jitter": jittery(0.005),
    "5 ms jitter, 20 % lost": lossy(jittery(0.005), 0.2),
    "20 ms jitter": jittery(0.020),
    "20 ms one way, 20 % lost": lossy(one_sided(0.020), 0.2),
    "bursts": None,
    "bursts, 20 % lost": None,
}
"""None: made anew for every session, since bursts come when they come."""


def measure_network(seconds: float) -> dict[str, Any]:
    """All of it; namespaces where they can be made. `seconds` is for the long session in them."""
    out: dict[str, Any] = {
        "simulated_apart_p99_ms": {name: _agreement(name) for name in MODELS},
        "many": {str(count): _many(count) for count in SIZES},
        "estimate_ms": _estimate_cost(),
    }
    out["flood"] = _flood()
    try:
        out["namespaces"] = {
            name: _real(kind, loss)
            for name, kind, loss in (
                ("wire", "wire", 0.0), ("5 ms jitter, 5 % lost", "5", 0.05),
                ("bursts, 5 % lost", "bursty", 0.05),
            )
        }  # fmt: skip
        out["long"] = measure_long(seconds)
    except OSError as error:
        out["namespaces"] = f"not measured: {error}"
    return out


def _model(name: str, seed: int) -> Delay:
    return MODELS[name] or lossy(bursty(seed), 0.2 if "lost" in name else 0.0)


def _agreement(name: str) -> dict[str, float]:
    apart: dict[float, list[float]] = {mark: [] for mark in MARKS_S}
    joined: list[float] = []
    for seed in range(SESSIONS):
        net = Net(seed, _model(name, seed))
        net.add(126.0)
        net.run(1.5)
        net.add(90.0)
        begun = net.now_s
        while (
            net.peer(1).membership.phase != "in"
            or net.peer(1).membership.epoch != net.peer(0).membership.epoch
        ):
            net.run(net.now_s + 0.01)
        joined.append(net.now_s - begun)
        since = net.now_s
        for mark in MARKS_S:
            net.run(since + mark)
            apart[mark].append(net.apart_ms())
    out = {f"{mark:g} s": _p99(values) for mark, values in apart.items()}
    out["join_p50_s"] = round(float(np.median(joined)), 2)
    out["join_max_s"] = round(max(joined), 2)
    return out


def _many(count: int) -> dict[str, float]:
    """So many peers together on 1 ms of jitter with 5 % lost."""
    net = Net(count, lossy(jittery(0.001), 0.05))
    for i in range(count):
        net.add(100.0 + i)
    until = 3.0
    while (
        len({h.peer.membership.epoch for h in net.hosts if h.peer}) > 1 or len(net.beats()) < count
    ):
        net.run(until)
        until += 0.1
    joined = net.now_s
    net.run(joined + 2.0)
    early = net.apart_ms()
    host = net.hosts[0]
    host.sent = 0
    host.sent_bytes = 0
    net.run(net.now_s + 4.0)
    peer = net.peer(count - 1)
    peer.change_tempo(140.0, net.hosts[count - 1].raw_ns(net.now_s))
    changed = net.now_s
    while len({h.peer.agreed.tempo.bpm for h in net.hosts if h.peer}) > 1:
        net.run(net.now_s + 0.002)
    return {
        "all_in_s": round(joined, 2),
        "apart_ms_2_s": round(early, 3),
        "apart_ms_6_s": round(net.apart_ms(), 3),
        "packets_a_second": round(host.sent / 4.0, 1),
        "bytes_a_second": round((host.sent_bytes + HEADER_BYTES * host.sent) / 4.0),
        "tempo_known_to_all_ms": round((net.now_s - changed) * 1e3, 1),
    }


def _estimate_cost() -> dict[str, float]:
    """One estimate from the exchanges of 30 s, beside the plain best of 64."""
    rng = np.random.default_rng(1)
    rows = []
    for i in range(175):
        at = i * 170_000_000
        there, back = (round(1e6 + rng.exponential(5e6)) for _ in "ab")
        rows.append(Exchange(at, at + there, at + there, at + there + back))
    found = {}
    for name, call in (("envelope", lambda: estimate(rows, rows[-1].t4)),
                       ("best_of", lambda: best_of(rows))):  # fmt: skip
        begun = time.perf_counter()
        for _ in range(200):
            call()
        found[name] = round((time.perf_counter() - begun) / 200 * 1e3, 3)
    return found


class PeerProcess:
    """A peer's process in a namespace, its clock hours and a skew off; its views are kept."""

    def __init__(
        self,
        network: Network,
        number: int,
        bpm: float,
        passphrase: str = KEY,
        every_s: float = 0.05,
        addresses: tuple[str, ...] = (),
    ) -> None:
        self._process = subprocess.Popen(
            [*network.command(number), sys.executable, "-m", "grebe.network"],
            stdin=subprocess.PIPE, stdout=subprocess.PIPE, text=True,
        )  # fmt: skip
        self.views: list[dict[str, Any]] = []
        told = {
            "use": {"name": "bench", "peer": f"Peer {number}", "addresses": addresses},
            "passphrase": passphrase,
            "bpm": bpm,
            "every_s": every_s,
            "seconds": 86_400,
            "offset_s": 7_200.0 * number,
            "ppm": 40.0 * (number - 1),
        }
        self.say(json.dumps(told))
        self._reader = Thread(target=self._read, daemon=True)
        self._reader.start()

    def say(self, line: str) -> None:
        """A line on its standard input."""
        assert self._process.stdin is not None
        self._process.stdin.write(line + "\n")
        self._process.stdin.flush()

    def _read(self) -> None:
        assert self._process.stdout is not None
        for line in self._process.stdout:
            self.views.append(json.loads(line))

    @property
    def view(self) -> dict[str, Any]:
        """What it said last."""
        return self.views[-1] if self.views else {"state": "none", "peers": [], "bpm": 0.0}

    @property
    def others(self) -> set[str]:
        """Names of those that are in its session."""
        return {r["name"] for r in self.view["peers"] if r["standing"] == "here"}

    def beat_at(self, at_ns: int) -> float:
        """Its beat, a moment after it spoke last."""
        view = self.view
        return float(view["beat"] + (at_ns - view["at_ns"]) / 60e9 * view["bpm"])

    def kill(self) -> None:
        """It is gone without a word."""
        self._process.kill()
        self._process.wait()
        self._reader.join()
        for pipe in (self._process.stdin, self._process.stdout):
            assert pipe is not None
            with suppress(BrokenPipeError):
                pipe.close()


def _real(kind: str, loss: float) -> dict[str, Any]:
    network = Network(3, wired=kind == "wire")
    peers: list[PeerProcess] = []
    try:
        if kind != "wire":
            network.set(kind=kind, loss=loss)
        for number in range(3):
            peers.append(PeerProcess(network, number, 100.0 + 10 * number))
            time.sleep(1.5)
        time.sleep(REAL_S - 4)
        asked = time.clock_gettime_ns(time.CLOCK_MONOTONIC_RAW)
        peers[1].say("bpm 140")
        time.sleep(2.0)
        sent = [p.views[-1]["bytes"]["sent"] / (len(p.views) * 0.05) for p in peers]
    finally:
        for peer in peers:
            peer.kill()
        network.close()
    rows = [[v for v in p.views if v.get("state") == "in"] for p in peers]
    known = [
        min((v["at_ns"] for v in r if v["at_ns"] > asked and v["bpm"] == 140), default=0)
        for r in rows
    ]
    begun = max(r[0]["at_ns"] for r in rows)
    return {
        "apart_ms_from_2_s": _apart(rows, begun + 2e9, asked),
        "apart_ms_from_30_s": _apart(rows, begun + 30e9, asked),
        "tempo_known_to_all_ms": round((max(known) - asked) / 1e6) if all(known) else None,
        "bytes_a_second": round(float(np.mean(sent))),
    }


def measure_long(seconds: float) -> dict[str, Any]:
    """Three peers with 5 % lost: one is killed and comes back, one is parted and heals, and a
    stranger without the passphrase changes the tempo all the while."""
    network = Network(4)
    peers: list[PeerProcess] = []
    killed: list[PeerProcess] = []
    stranger = PeerProcess(network, 3, 200.0, passphrase=OTHER_KEY)
    marks: dict[str, int] = {}
    try:
        network.set(kind="1", loss=0.05)
        for number in range(3):
            peers.append(PeerProcess(network, number, 126.0 - 10 * number))
            time.sleep(2.0)
        begun = time.monotonic()
        for share, what in ((0.25, "killed"), (0.27, "back"), (0.5, "parted"), (0.6, "healed")):
            while time.monotonic() - begun < share * seconds:
                stranger.say(f"bpm {150 + round(time.monotonic()) % 50}")
                time.sleep(1.0)
            marks[what] = time.clock_gettime_ns(time.CLOCK_MONOTONIC_RAW)
            if what == "killed":
                peers[1].kill()
                killed.append(peers[1])
            elif what == "back":
                peers[1] = PeerProcess(network, 1, 90.0)
            else:
                network.set(parted=[2] if what == "parted" else [])
        while time.monotonic() - begun < seconds:
            stranger.say("start")
            time.sleep(1.0)
        last = time.clock_gettime_ns(time.CLOCK_MONOTONIC_RAW)
        tempi = sorted({v["bpm"] for p in peers for v in p.views if v.get("state") == "in"})
        running = any(v.get("running") for p in peers for v in p.views)
    finally:
        for peer in (*peers, stranger):
            peer.kill()
        network.close()
    rows = [[v for v in p.views if v.get("state") == "in"] for p in (peers[0], killed[0], peers[2])]
    after = [[v for v in p.views if v.get("state") == "in"] for p in peers]
    came = after[1][0]["at_ns"]
    first = max(r[0]["at_ns"] for r in rows)
    return {
        "seconds": seconds,
        "tempi": tempi,
        "started_by_the_stranger": running,
        "until_killed": _apart(rows, first + 2e9, marks["killed"]),
        "back_in_s": round((came - marks["back"]) / 1e9, 2),
        "until_parted": _apart(after, came + 2e9, marks["parted"]),
        "while_parted": _apart(after, marks["parted"], marks["healed"]),
        "after_healing": _apart(after, marks["healed"], last),
    }


def _flood() -> dict[str, Any]:
    """Eight devices in a session, without and with packets that are none, as fast as is asked."""
    project = bench_project()
    plan = make_plan(project, project.songs[0])
    use = SessionUse(name=f"bench {os.getpid()}", interface="lo", shares_starts=False)
    out: dict[str, Any] = {}
    with private_engine(plan, project) as (client, _):
        helper = start_network()
        client.send(Join(use=use, passphrase=KEY, bpm=project.songs[0].bpm))
        _pump(client, 4.0)
        client.send(Begin())
        _pump(client, 4.0)
        for name, a_second in (("without", 0), ("with", FLOOD_A_SECOND)):
            client.send(ClearCounters())
            before = processor_times()
            flood = subprocess.Popen([sys.executable, "-c", FLOOD, str(a_second), str(FLOOD_S)],
                                     stdout=subprocess.PIPE, text=True)  # fmt: skip
            _pump(client, FLOOD_S + 1.0)
            sent = int(flood.communicate()[0])
            rows = settled_report(client).devices
            late = np.concatenate([np.array(row.ms) for row in rows])
            out[name] = {
                "packets_a_second": round(sent / FLOOD_S),
                "ticks": len(late),
                "p50_ms": round(float(np.percentile(late, 50)), 3),
                "p99_ms": round(float(np.percentile(late, 99)), 3),
                "max_ms": round(float(late.max()), 3),
                "stolen_percent": stolen_percent(before, processor_times()),
            }
        client.send(Halt())
        rows = settled_report(client).devices
        out["sent"] = sum(row.ticks_sent for row in rows)
        out["missed"] = sum(row.missed for row in rows)
        peers = client.wait_for(Status, 2.0).peers
        out["dropped_by_the_network_process"] = peers.dropped if peers is not None else None
    end_child(helper)
    return out


def _pump(client: EngineClient, seconds: float) -> None:
    end = time.monotonic() + seconds
    while time.monotonic() < end:
        client.pump()
        time.sleep(0.05)


def _apart(rows: list[list[dict[str, Any]]], first: float, last: float) -> dict[str, float]:
    """Between the earliest and the latest beat, at moments between two times of the real clock."""
    moments = np.arange(first, last - 1e8, 2e7)
    beats = np.array([
        np.interp(moments, [v["at_ns"] for v in r], [v["beat"] for v in r]) for r in rows
    ])  # fmt: skip
    ms = (beats.max(axis=0) - beats.min(axis=0)) * 60e3 / float(rows[0][0]["bpm"])
    return {f"p{p}": round(float(np.percentile(ms, p)), 3) for p in (50, 99)} | {
        "max": round(float(ms.max()), 3), "moments": len(moments)
    }  # fmt: skip


def _p99(values: list[float]) -> float:
    return round(float(np.percentile(values, 99)), 3)
