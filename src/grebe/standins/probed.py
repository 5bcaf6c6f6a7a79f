"""``python -m grebe.standins.probed``: a stand-in to be probed, several times as fast as it plays.

It is given its set-up as the first line of its standard input, and answers experiments as
`grebe.transports.probing` does. It hears itself perfectly: a probe of a stand-in shows the
procedure, not an ear.
"""

from __future__ import annotations

import argparse
import sys
import time
from typing import Any

import msgspec

from grebe.core.probe.model import HeardHit
from grebe.core.rig.standin import Setup
from grebe.protocols.standin.reports import ReportKind
from grebe.standins.box import StandinBox
from grebe.transports.probing import Report, serve

SOFT = 1.5
"""Exponent of its curve of velocity."""
RINGS_S = 0.12
BEGINS_S = 1.0


class ProbedStandin:
    """A stand-in on a table of its own: nothing that plays reaches it."""

    def __init__(self, setup: Setup, speed: float) -> None:
        self._box = StandinBox(setup.device, setup)
        self._speed = speed
        self._now_s = BEGINS_S

    def do(self, sends: list[list[Any]], seconds: float) -> Report:
        """One experiment; what was heard of it, and what its thru passed on."""
        hits: list[HeardHit] = []
        back: list[list[object]] = []
        for at_s, data in sends:
            hits += self._feed(at_s, bytes.fromhex(data))
            # Over one of its cables: what comes back over two would be a loop.
            back += [[at_s, passed.hex()] for _, passed in self._box.onward[:1]]
            self._box.onward.clear()
        self._box.sounded.clear()
        self._now_s += seconds + 0.2
        time.sleep(seconds / self._speed)
        heard = sorted(h for h in hits if h.at_s < seconds)
        return {"hits": [list(hit) for hit in heard], "back": back, "torn": False}

    def _feed(self, at_s: float, data: bytes) -> list[HeardHit]:
        out = []
        for report in self._box.feed(data, round((self._now_s + at_s) * 1e9)):
            if report.kind is ReportKind.NOTE:
                note, velocity = divmod(report.number, 128)
                heard_s = max(at_s, report.at_ns / 1e9 - self._now_s)
                out.append(HeardHit(heard_s, (velocity / 127) ** SOFT, note, RINGS_S))
        return out

    def silence(self) -> None:
        """There is nothing that would sound on."""


def main() -> None:
    """Probe the stand-in whose set-up is the first line."""
    parser = argparse.ArgumentParser(prog="grebe probed stand-in")
    parser.add_argument("--speed", type=float, default=1.0, help="times as fast as it plays")
    chosen = parser.parse_args()
    setup = msgspec.json.decode(sys.stdin.readline(), type=Setup)
    serve(lambda: ProbedStandin(setup, chosen.speed))


if __name__ == "__main__":
    main()
