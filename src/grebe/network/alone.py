"""A peer without an engine: `grebe peer`, the laptop of the demo, and what benches measure."""

from __future__ import annotations

import sys
from typing import Literal

import msgspec

from grebe.core.session.rows import PeerStanding, rows
from grebe.core.session.use import SessionUse
from grebe.network.lines import LineReader
from grebe.network.node import Node, Warp
from grebe.transports.clock import raw_ns

SECOND_NS = 1_000_000_000
WORDS = "bpm 128 · start · stop · span 16 · accept NAME · leave"
"""What can be said on the standard input."""


class Alone(msgspec.Struct, frozen=True, kw_only=True):
    """What a peer of its own is told, as JSON on the first line of its standard input."""

    use: SessionUse = SessionUse()
    passphrase: str = ""
    bpm: float = 120.0
    seconds: float = 0.0
    """0: until it is told to leave, or nobody talks to it any more."""
    every_s: float = 1.0
    output: Literal["json", "words", "none"] = "json"
    runs: bool = False
    """Says that it plays while the session runs, as the laptop of the demo does."""
    accepts: bool = False
    """Accepts whoever comes, as a stand-in does."""
    discover: bool = True
    offset_s: float = 0.0
    ppm: float = 0.0
    """A clock that differs from this computer's, for trying peers out on one machine."""


class PeerMonitor:
    """Runs a peer and says how the session looks from it."""

    def __init__(self, asked: Alone) -> None:
        self._asked = asked
        warp = Warp(round(asked.offset_s * 1e9), asked.ppm * 1e-6)
        self.node = Node(
            asked.use,
            passphrase=asked.passphrase,
            bpm=asked.bpm,
            discover=asked.discover,
            warp=warp,
        )
        self._begun = self._shown = raw_ns()
        self._in_ns: int | None = None
        self._most: dict[str, float] = {}
        """Greatest offset seen of each peer from two seconds after joining on."""
        self._lines = LineReader(sys.stdin.fileno())
        self._left = False

    def run(self) -> None:
        """Be a peer until the time is over, or it is told to leave."""
        node, asked = self.node, self._asked
        try:
            while not self._left:
                node.run_once()
                now = raw_ns()
                for line in self._lines.read():
                    self._hear(line.split())
                if self._in_ns is None and node.peer.membership.phase == "in":
                    self._in_ns = now
                if asked.accepts:
                    self._accept_all()
                if asked.runs:
                    node.peer.runs = node.peer.agreed.running.running
                if now - self._shown >= asked.every_s * SECOND_NS:
                    self._shown += round(asked.every_s * SECOND_NS)
                    self._show(now)
                over = asked.seconds and now - self._begun >= asked.seconds * SECOND_NS
                if over or (self._lines.ended and not asked.seconds):
                    break
        except KeyboardInterrupt:
            pass
        finally:
            node.close()
        self._sum_up()

    def _hear(self, words: list[str]) -> None:
        """A command. What cannot be understood is said and left."""
        peer, now = self.node.peer, self.node.now_ns()
        match words:
            case []:
                return
            case ["bpm", number]:
                try:
                    peer.change_tempo(float(number), now)
                except (ValueError, OverflowError):
                    self._complain(f"{number} is no tempo")
            case ["span", number] if number.isdigit() and 1 <= int(number) <= 64:
                peer.change_span(int(number), now)
            case ["start"]:
                peer.start(now)
            case ["stop"]:
                peer.stop(now)
            case ["accept", *name]:
                found = [r for r in rows(peer, now) if r.name == " ".join(name)]
                if found:
                    peer.accept(found[0].id, now)
                else:
                    self._complain(f"nobody is called {' '.join(name)!r} here")
            case ["leave"]:
                self._left = True
            case _:
                self._complain(f"what can be said is: {WORDS}")

    def _accept_all(self) -> None:
        peer = self.node.peer
        for other in list(peer.membership.others.values()):
            if other.proven and not peer.membership.counts(other.id):
                peer.accept(other.id, self.node.now_ns())

    def _complain(self, text: str) -> None:
        sys.stderr.write(f"grebe peer: {text}\n")

    def _show(self, now: int) -> None:
        line = self.view()
        if self._in_ns is not None and now - self._in_ns > 2 * SECOND_NS:
            for row in rows(self.node.peer, self.node.now_ns()):
                if row.offset_ms is not None:
                    most = self._most.get(row.name, 0.0)
                    self._most[row.name] = max(most, abs(row.offset_ms))
        if self._asked.output == "json":
            self._say(line)
        elif self._asked.output == "words":
            others = ", ".join(_words(r) for r in rows(self.node.peer, self.node.now_ns()))
            text = f"{line['state']}: {line['bpm']} BPM, beat {line['beat']:.2f}"
            sys.stdout.write(f"{text}; {others or 'nobody else'}\n")
            sys.stdout.flush()

    def _say(self, line: dict[str, object]) -> None:
        sys.stdout.buffer.write(msgspec.json.encode(line) + b"\n")
        sys.stdout.flush()

    def view(self) -> dict[str, object]:
        """How the session looks from here."""
        node, raw = self.node, raw_ns()
        peer, now = node.peer, node.clock_at(raw)
        return {
            "at_ns": raw,
            "name": peer.name,
            "id": f"{peer.id:016x}",
            "state": peer.membership.phase,
            "session": node.use.name,
            "sealed": peer.membership.sealed,
            "bpm": round(peer.agreed.tempo.bpm, 6),
            "beat": round(peer.beat_at(now), 7),
            "span": peer.agreed.tempo.quantum_beats,
            "revision": peer.agreed.tempo.revision,
            "running": peer.agreed.running.running,
            "reference": f"{peer.clock.reference:016x}",
            "spread_ms": round(peer.clock.spread_ns(now) / 1e6, 4),
            "port": node.udp.port,
            "peers": [_row(row) for row in rows(peer, now)],
            "dropped": node.counts.as_dict(node),
            "bytes": {"sent": node.sent_bytes, "received": node.received_bytes},
            "problem": node.problem or node.why_alone(),
        }

    def _sum_up(self) -> None:
        joined = None if self._in_ns is None else (self._in_ns - self._begun) / SECOND_NS
        seconds = (raw_ns() - self._begun) / SECOND_NS
        line: dict[str, object] = {
            "summary": {
                "seconds": round(seconds, 3),
                "joined_after_s": None if joined is None else round(joined, 3),
                "largest_offset_ms": {n: round(ms, 4) for n, ms in self._most.items()},
                "dropped": self.node.counts.as_dict(self.node),
            }
        }
        if self._asked.output == "json":
            self._say(line)
        elif self._asked.output == "words":
            worst = ", ".join(f"{n} {ms:.2f} ms" for n, ms in self._most.items())
            sys.stdout.write(f"{seconds:.1f} s; farthest apart: {worst or 'nobody was there'}\n")


def _row(row: PeerStanding) -> dict[str, object]:
    return {
        "name": row.name,
        "id": f"{row.id:016x}",
        "standing": row.standing,
        "offset_ms": None if row.offset_ms is None else round(row.offset_ms, 4),
        "spread_ms": round(row.spread_ms, 4),
        "delay_ms": round(row.delay_ms, 4),
        "lost_percent": round(row.lost_percent, 1),
        "bpm": round(row.bpm, 6),
        "accepted": row.accepted,
        "asks_bpm": row.asks_bpm or None,
    }


def _words(row: PeerStanding) -> str:
    return row.name if row.offset_ms is None else f"{row.name} {row.offset_ms:+.2f} ms"
