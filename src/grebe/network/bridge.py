"""The network process beside an engine: what it agrees on goes there, what is asked comes from
there."""

from __future__ import annotations

import logging
import select
import signal
import time
from collections.abc import Callable
from functools import partial
from typing import Any

from grebe.app.engine.client import EngineClient, connect_when_ready
from grebe.core.session.peer import Peer
from grebe.core.session.rows import PeerStanding, rows
from grebe.errors import EngineError, NetworkError
from grebe.network.node import LONGEST_WAIT_S, Node
from grebe.network.osc import Surfaces
from grebe.network.rtp_sessions import RtpSessions as NetworkPorts
from grebe.network.showing import Showing
from grebe.process.children import ENDED_BY, only_one
from grebe.process.log import end_log, start_log
from grebe.protocols.link.messages import FromEngine, Status
from grebe.protocols.link.session import (
    AcceptPeer,
    Agreed,
    CarryRtp,
    Join,
    Osc,
    PeerRow,
    Peers,
    Propose,
    ShareStart,
    ShowDocument,
)
from grebe.transports.clock import raw_ns
from grebe.transports.udp import plain_host

AGREED_NS = 100_000_000
PEERS_NS = 250_000_000
UNWANTED_NS = 10_000_000_000
"""With nothing asked of it for so long the process ends; it is started again when wanted."""
PAST_NS = 500_000_000
AFTER_MISHAP_S = 0.02
_log = logging.getLogger(__name__)


class Bridge:
    """One engine, its part in a session, its OSC clients."""

    def __init__(self, client: EngineClient) -> None:
        self._client = client
        self._join = Join()
        self._node: Node | None = None
        self._surfaces = Surfaces(client.send)
        self._midi = NetworkPorts()
        self._showing: Showing | None = None
        self._shown: ShowDocument | None = None
        self._problem = ""
        self._leaving = False
        self._agreed_ns = self._peers_ns = 0
        self._agreed_on: tuple[object, ...] = ()
        self._wanted_ns = raw_ns()

    def leave(self) -> None:
        """End soon; others are told goodbye."""
        self._leaving = True

    def run(self) -> None:
        """Serve until the engine ends, or nobody wants anything any more."""
        while self._client.open and not self._leaving:
            self._do(self._wait)
            for message in self._client.pump():
                self._do(partial(self._hear, message))
            now = raw_ns()
            for turn in (self._turn_node, self._surfaces.turn, self._midi.turn, self._turn_showing,
                         self._tell_peers):  # fmt: skip
                self._do(partial(turn, now))
            if self._node is not None or self._surfaces.on or self._midi.on:
                self._wanted_ns = now
            elif now - self._wanted_ns > UNWANTED_NS:
                break
        if self._node is not None:
            self._node.close()
        self._surfaces.close()
        self._midi.close()

    def _do(self, what: Callable[[], object]) -> None:
        """Do one thing; what goes wrong in it is logged, and the others go on: a stranger's packet
        must not end session, stage and MIDI."""
        try:
            what()
        except Exception as error:
            _log.exception("the network process could not do that")
            self._problem = f"Something went wrong ({type(error).__name__}): it is in the log."
            time.sleep(AFTER_MISHAP_S)  # what is not taken would be there again at once

    def _turn_node(self, now: int) -> None:
        if self._node is not None:
            self._node.turn()
            self._say_agreed(self._node.peer, now)

    def _turn_showing(self, now: int) -> None:
        if self._showing is not None:
            self._showing.turn(now)

    def _tell_peers(self, now: int) -> None:
        if now - self._peers_ns >= PEERS_NS:
            self._peers_ns = now
            self._client.send(self._peers())

    def _wait(self) -> None:
        node = self._node
        sockets = [*self._surfaces.sockets(), *self._midi.sockets()]
        sockets += self._showing.sockets() if self._showing is not None else []
        sockets += node.sockets() if node is not None else []
        wait = min(LONGEST_WAIT_S, node.wait_s() if node is not None else LONGEST_WAIT_S)
        waited: list[Any] = [self._client, *sockets]
        ready, _, _ = select.select(waited, [], [], wait)
        came = [s for s in sockets if s in ready]
        if node is not None:
            node.take([s for s in came if s in node.sockets()])
        self._surfaces.take(came, raw_ns())
        self._midi.take(came)

    def _hear(self, message: FromEngine) -> None:
        node, now = self._node, raw_ns()
        if isinstance(message, Join):
            self._take_part(message)
        elif isinstance(message, Osc):
            self._surfaces.use(message.use)
        elif isinstance(message, CarryRtp):
            self._midi.use(message.ports)
        elif isinstance(message, ShowDocument):
            self._surfaces.shown(message)
            self._shown = message
            if self._showing is not None:
                self._showing.shown(message)
        elif isinstance(message, Status):
            self._surfaces.status(message)
            if self._showing is not None:
                self._showing.status(message, now)
            if node is not None:
                node.peer.runs = message.running
        elif node is None:
            return
        elif isinstance(message, AcceptPeer):
            known = [o for o in node.peer.membership.others if f"{o:016x}" == message.peer]
            if known:
                node.peer.accept(known[0], now)
        elif isinstance(message, Propose):
            node.peer.change_tempo(message.bpm, now, beat=message.beat)
        elif isinstance(message, ShareStart):
            if message.on:
                node.peer.start(now)
            else:
                node.peer.stop(now)

    def _take_part(self, join: Join) -> None:
        self._join, self._problem = join, ""
        if self._node is not None:
            self._node.close()
            self._node = None
        if self._showing is not None:
            self._showing.close()
            self._showing = None
        if join.use is None:
            return
        try:
            self._node = Node(
                join.use,
                passphrase=join.passphrase,
                bpm=join.bpm,
                downbeat_ns=join.downbeat_ns,
            )
            if join.use.shows_stage:
                self._showing = Showing(self._node.key, self._may_watch)
                self._node.peer.service = self._showing.port
                if self._shown is not None:
                    self._showing.shown(self._shown)
        except (NetworkError, OSError) as error:
            self._problem = str(error)
            self._client.send(Peers(state="off", session=join.use.name, problem=str(error)))

    def _may_watch(self, host: str) -> bool:
        """Whether a computer at an address has been accepted; it has to be one of the session."""
        if self._node is None:
            return False
        peer = self._node.peer
        for other in peer.membership.others.values():
            known = isinstance(other.address, tuple) and plain_host(str(other.address[0])) == host
            if known and other.proven and peer.membership.counts(other.id):
                return True
        self._problem = f"{host} asked to see this stage, and is not accepted: that is done in Sync"
        return False

    def _say_agreed(self, peer: Peer, now: int) -> None:
        if peer.membership.phase not in ("in", "joining") or not peer.membership.epoch:
            return
        use, on = self._join.use, (peer.agreed.line.last, peer.agreed.running)
        lately = now - self._agreed_ns < AGREED_NS
        if use is None or (on == self._agreed_on and lately):
            return
        self._agreed_ns, self._agreed_on = now, on
        self._client.send(agreed(peer, now, brings_tempo=use.brings_tempo))

    def _peers(self) -> Peers:
        node, use = self._node, self._join.use
        osc = self._surfaces.state()
        if node is None or use is None:
            session = use.name if use is not None else ""
            return Peers(session=session, problem=self._problem, osc=osc, rtp=self._midi.states())
        peer, now = node.peer, raw_ns()
        return Peers(
            state=peer.membership.phase if peer.membership.phase != "left" else "off",
            session=use.name,
            name=peer.name,
            sealed=peer.membership.sealed,
            bpm=peer.agreed.tempo.bpm,
            quantum_beats=peer.agreed.tempo.quantum_beats,
            spread_ms=peer.clock.spread_ns(now) / 1e6,
            rows=tuple(_link_row(row) for row in rows(peer, now)),
            dropped=node.dropped,
            problem=node.problem or node.why_alone() or self._problem,
            osc=osc,
            rtp=self._midi.states(),
        )


def _link_row(row: PeerStanding) -> PeerRow:
    """A row as the engine and windows have it: the same, its id and address as words."""
    address = str(row.address[0]) if isinstance(row.address, tuple) else ""
    return PeerRow(**{**row._asdict(), "id": f"{row.id:016x}", "address": address})


def agreed(peer: Peer, now: int, *, brings_tempo: bool) -> Agreed:
    """How a peer's session stands, in times of its own clock."""
    mapping, stretches = peer.clock.mapping, peer.agreed.line.stretches
    past = mapping.at(now - PAST_NS)
    while len(stretches) > 1 and stretches[1].origin_ns < past:
        stretches = stretches[1:]
    rows = [
        (round(mapping.raw_at(t.origin_ns)), t.beat_at(t.origin_ns), t.bpm * mapping.rate)
        for t in stretches
    ]
    # The first begins now: far from its origin, the rate it is drawn in with would show.
    first = stretches[0]
    if rows[0][0] < now:
        rows[0] = (now, first.beat_at(mapping.at(now)), rows[0][2])
    run = peer.agreed.running
    return Agreed(
        stretches=tuple(rows),
        bpm=peer.agreed.tempo.bpm,
        quantum_beats=peer.agreed.tempo.quantum_beats,
        running=run.running,
        run_beat=run.at / 1e6,
        run_word=f"{run.revision}.{run.author}",
        shares_starts=peer.shares_starts,
        brings_tempo=brings_tempo,
        spread_ms=peer.clock.spread_ns(now) / 1e6,
    )


def beside_engine() -> int:
    """Serve the engine of this user, which may be starting just now; the exit status."""
    if only_one("network") is None:
        return 0
    start_log("network")
    try:
        client = connect_when_ready(role="network")
    except EngineError as error:
        end_log(str(error))
        return 1
    bridge = Bridge(client)
    for number in ENDED_BY:
        signal.signal(number, lambda *_: bridge.leave())
    bridge.run()
    end_log("the engine has ended, or nothing is asked of it")
    return 0
