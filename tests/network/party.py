"""Peers on real sockets of this computer, turned by hand in one process."""

from __future__ import annotations

import secrets
import select
import time
from collections.abc import Callable
from typing import Any

from grebe.core.session.use import SessionUse
from grebe.network.node import Node, Warp
from grebe.protocols.session.packets import session_tag
from grebe.transports.clock import raw_ns
from tests.waiting import PATIENCE_S, wait


class Party:
    """Some nodes; `until` lets time pass."""

    def __init__(self) -> None:
        # Other tests run beside this one, on the same network.
        self.session = f"Night ferry {secrets.token_hex(4)}"
        self.tag = session_tag(self.session)
        self.nodes: list[Node] = []

    def add(
        self,
        name: str,
        bpm: float = 120.0,
        *,
        passphrase: str = "sea",
        warp: Warp | None = None,
        discover: bool = False,
        **use: Any,
    ) -> Node:
        """Another peer, on the loopback interface only."""
        session = SessionUse(name=self.session, peer=name, interface="lo", **use)
        node = Node(session, passphrase=passphrase, bpm=bpm, discover=discover, warp=warp)
        self.nodes.append(node)
        return node

    def until(self, wanted: Callable[[], bool], seconds: float = PATIENCE_S) -> None:
        """Turn all nodes until something is so. AssertionError after the time."""
        wait(wanted, seconds, self.turn)

    def wait(self, seconds: float) -> None:
        """Turn all nodes for so long."""
        end = time.monotonic() + seconds
        while time.monotonic() < end:
            self.turn()

    def turn(self) -> None:
        """Once round."""
        owners = {s: n for n in self.nodes for s in n.sockets()}
        wait = min([0.02, *(n.wait_s() for n in self.nodes)])
        ready, _, _ = select.select(list(owners), [], [], wait)
        for node in self.nodes:
            node.take([s for s in ready if owners[s] is node])
            node.turn()

    def together(self) -> bool:
        """Whether all are in one session."""
        peers = [n.peer for n in self.nodes]
        return (
            all(p.membership.phase == "in" for p in peers)
            and len({p.membership.epoch for p in peers}) == 1
        )

    def apart_ms(self) -> float:
        """Between the earliest beat and the latest at one moment."""
        now = raw_ns()
        beats = [n.peer.beat_at(n.clock_at(now)) for n in self.nodes]
        return (max(beats) - min(beats)) * 60e3 / self.nodes[0].peer.agreed.tempo.bpm

    def leave(self, node: Node) -> None:
        """One goes."""
        self.nodes.remove(node)
        node.close()

    def close(self) -> None:
        """All go."""
        for node in self.nodes:
            node.close()
