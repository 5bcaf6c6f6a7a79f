"""Many peers on a network that delays, loses and parts, in simulated time."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from dataclasses import dataclass
from heapq import heappop, heappush
from random import Random

from grebe.core.session.packets import Bye, Packet, Ping, Pong, State
from grebe.core.session.peer import Peer

Delay = Callable[[Random, float, int, int], float | None]
"""(dice, time in seconds, from, to) to seconds on the way; None is lost."""

SIZES: dict[type, int] = {Ping: 64, Pong: 80, State: 170, Bye: 48}
"""Bytes of a sealed packet of each kind, as docs/network.md has them; the name takes eight."""
MOST_SKEW = 50e-6
MOST_OFFSET_S = 1_000.0


def quiet(dice: Random, at_s: float, source: int, target: int) -> float | None:
    """A wire: a millisecond each way and a few hundredths of jitter."""
    del at_s, source, target
    return 0.001 + dice.expovariate(1 / 20e-6)


def jittery(mean_s: float) -> Delay:
    """A millisecond and jitter that only delays, of this mean."""

    def delay(dice: Random, at_s: float, source: int, target: int) -> float | None:
        del at_s, source, target
        return 0.001 + dice.expovariate(1 / mean_s)

    return delay


def one_sided(mean_s: float) -> Delay:
    """The same, but only toward peers with a greater number."""

    def delay(dice: Random, at_s: float, source: int, target: int) -> float | None:
        del at_s
        return 0.001 + (dice.expovariate(1 / mean_s) if target > source else 0.0)

    return delay


def bursty(seed: int) -> Delay:
    """As a crowded radio: spells of a quarter second in which everything takes 5 to 60 ms."""
    spells = Random(seed)
    edges: list[float] = [0.0]

    def delay(dice: Random, at_s: float, source: int, target: int) -> float | None:
        del source, target
        while edges[-1] <= at_s:
            edges.append(edges[-1] + spells.expovariate(1.0))
            edges.append(edges[-1] + 0.25)
        i = len(edges) - 1
        while i and edges[i] > at_s:
            i -= 1
        bad = i % 2 == 1
        return 0.005 + dice.expovariate(1 / 0.02) if bad else 0.0008 + dice.expovariate(1 / 50e-6)

    return delay


def lossy(model: Delay, share: float) -> Delay:
    """A share of all packets gets lost."""

    def delay(dice: Random, at_s: float, source: int, target: int) -> float | None:
        return None if dice.random() < share else model(dice, at_s, source, target)

    return delay


@dataclass
class SimulatedComputer:
    """One computer: its clock against true time, and its peer while it has one."""

    offset_s: float
    skew: float
    peer: Peer | None = None
    sent: int = 0
    sent_bytes: int = 0
    """Packets of its peer, and their bytes by `SIZES`."""

    def raw_ns(self, at_s: float) -> int:
        """Its clock at a true time."""
        return round((at_s * (1 + self.skew) + self.offset_s) * 1e9)

    def true_s(self, raw_ns: float) -> float:
        """True time of its clock."""
        return (raw_ns / 1e9 - self.offset_s) / (1 + self.skew)


class Net:
    """Hosts by number, joined by a delay model. `parted` says who cannot reach whom."""

    def __init__(self, seed: int, model: Delay = quiet) -> None:
        self.dice = Random(seed)
        self.model = model
        self.hosts: list[SimulatedComputer] = []
        self.now_s = 0.0
        self.parted: Callable[[int, int], bool] = lambda a, b: False  # noqa: ARG005
        self._air: list[tuple[float, int, int, int, Packet]] = []
        self._wakes: list[tuple[float, int, int]] = []
        """When each peer has something to do next: (time, number, its turn)."""
        self._turns: list[int] = []
        self._serial = 0

    def add(self, bpm: float = 120.0, *, sealed: bool = True, quantum_beats: int = 4) -> int:
        """Another computer, with a clock that has nothing to do with the others'; its number."""
        offset = self.dice.uniform(-MOST_OFFSET_S, MOST_OFFSET_S)
        host = SimulatedComputer(offset, self.dice.uniform(-MOST_SKEW, MOST_SKEW))
        self.hosts.append(host)
        self._turns.append(0)
        number = len(self.hosts) - 1
        self.join(number, bpm, sealed=sealed, quantum_beats=quantum_beats)
        return number

    def join(self, number: int, bpm: float, *, sealed: bool = True, quantum_beats: int = 4) -> Peer:
        """A peer begins on a computer, in place of one that was there."""
        host, dice = self.hosts[number], self.dice
        now_ns = host.raw_ns(self.now_s)
        host.peer = Peer(
            dice.getrandbits(63) or 1, f"Peer {number}", now_ns,
            bpm=bpm, quantum_beats=quantum_beats, sealed=sealed, seed=dice.getrandbits(32),
        )  # fmt: skip
        self._poll(number)
        return host.peer

    def kill(self, number: int) -> None:
        """It is gone without a word."""
        self.hosts[number].peer = None

    def peer(self, number: int) -> Peer:
        """The peer of a computer; KeyError where there is none."""
        peer = self.hosts[number].peer
        if peer is None:
            raise KeyError(number)
        return peer

    def run(self, until_s: float) -> None:
        """Let time pass."""
        while True:
            polled = self._wakes[0][0] if self._wakes else float("inf")
            arrives = self._air[0][0] if self._air else float("inf")
            if min(polled, arrives) > until_s:
                break
            if arrives <= polled:
                self._arrive()
                continue
            at_s, number, turn = heappop(self._wakes)
            if turn == self._turns[number]:
                self.now_s = max(self.now_s, at_s)
                self._poll(number)
        self.now_s = until_s

    def beats(self) -> list[float]:
        """Every settled peer's beat at this moment."""
        return [
            h.peer.beat_at(h.raw_ns(self.now_s))
            for h in self.hosts
            if h.peer is not None and h.peer.membership.phase == "in"
        ]

    def apart_ms(self) -> float:
        """How far the earliest and the latest are apart."""
        beats = self.beats()
        bpm = next(h.peer.agreed.tempo.bpm for h in self.hosts if h.peer is not None)
        return (max(beats) - min(beats)) * 60e3 / bpm

    def _arrive(self) -> None:
        at_s, _, source, target, packet = heappop(self._air)
        self.now_s = max(self.now_s, at_s)
        host = self.hosts[target]
        if host.peer is None:
            return
        for sending in host.peer.receive(packet, source, host.raw_ns(self.now_s)):
            self._carry(target, sending.to, sending.packet)
        self._poll(target)

    def _poll(self, number: int) -> None:
        host = self.hosts[number]
        self._turns[number] += 1
        if host.peer is None:
            return
        now = host.raw_ns(self.now_s) + 1
        for sending in [*host.peer.poll(now), *host.peer.ask(now)]:
            self._carry(number, sending.to, sending.packet)
        if host.peer.membership.phase != "left":
            at_s = max(self.now_s, host.true_s(host.peer.next_ns))
            heappush(self._wakes, (at_s, number, self._turns[number]))

    def _carry(self, source: int, to: object, packet: Packet) -> None:
        self.hosts[source].sent += 1
        self.hosts[source].sent_bytes += SIZES[type(packet.body)]
        for target in self._targets(source, to):
            if self.parted(source, target):
                continue
            delay = self.model(self.dice, self.now_s, source, target)
            if delay is not None:
                self._serial += 1
                arrival = self.now_s + delay
                heappush(self._air, (arrival, self._serial, source, target, packet))

    def _targets(self, source: int, to: object) -> Iterator[int]:
        if isinstance(to, int):
            yield to
        else:
            yield from (n for n in range(len(self.hosts)) if n != source)
