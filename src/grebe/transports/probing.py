"""``python -m grebe.transports.probing``: does a probe's experiments at real ports, one a line.

On its standard input come JSON lines, {"sends": [[seconds, hex], ...], "seconds": s}. For each one
goes {"hits": [[seconds, level, colour, lasts or null], ...], "back": [[seconds, hex], ...], "torn":
whether samples were lost}, or {"lost": why}, and before the first {"ready": true} or {"lost": why}.
When its input ends, or it is ended, every note that was begun is ended and Stop is sent.
"""

from __future__ import annotations

import argparse
import json
import os
import select
import signal
import sys
import time
from collections.abc import Callable
from typing import Any, Protocol

import numpy as np

from grebe.core.probe.ear import Ear
from grebe.core.probe.experiments import PROGRAM
from grebe.errors import PortLost
from grebe.process.children import end_with_parent
from grebe.process.log import start_log
from grebe.protocols.midi.messages import STOP
from grebe.protocols.midi.sounding import Sounding
from grebe.transports.alsa.wire import AlsaWire
from grebe.transports.base import InPort, OutPort
from grebe.transports.clock import raw_ns, sleep_until_ns
from grebe.transports.ears import open_channels
from grebe.transports.jack.midi import JackWire

SOON_NS = 80_000_000
"""From taking an experiment to its beginning."""
TURN_S = 0.005
TRIES = 3
BOX = "probed"
Report = dict[str, object]


class _Ports(Protocol):
    """What opens ports of one kind."""

    def open_output(self, box: str, wanted: str) -> OutPort: ...

    def open_input(self, box: str, wanted: str) -> InPort: ...


class _JackPorts:
    """JACK's, under the names of ALSA's."""

    def __init__(self) -> None:
        self._wire = JackWire(os.environ.get("JACK_DEFAULT_SERVER"))

    def open_output(self, box: str, wanted: str) -> OutPort:
        return self._wire.open_port(box, wanted)

    def open_input(self, box: str, wanted: str) -> InPort:
        heard = self._wire.open_input(box, wanted)
        heard.wakes = True
        return heard


KINDS: dict[str, Callable[[], _Ports]] = {"jack": _JackPorts, "alsa": AlsaWire}


class RealBox:
    """The box on its cables: does one experiment after another, and ends every note it began."""

    def __init__(self, out: str, back: str, audio: str) -> None:
        """PortLost says which port is missing. Names as "jack:CLIENT:PORT", "alsa:NAME", and for
        audio also "2 of INTERFACE"."""
        self._made: dict[str, _Ports] = {}
        kind, name = _split(out)
        self._out = self._ports(kind).open_output(BOX, name)
        self._in: InPort | None = None
        if back:
            kind, name = _split(back)
            self._in = self._ports(kind).open_input(BOX, name)
        self._audio = open_channels([audio]) if audio else None
        self._ear = Ear(0 if self._audio is None else self._audio[0].frames.rate)
        self._sounding = Sounding()

    def _ports(self, kind: str) -> _Ports:
        if kind not in KINDS:
            raise PortLost(f"a port is jack:CLIENT:PORT or alsa:NAME, not {kind!r}")
        if kind not in self._made:
            self._made[kind] = KINDS[kind]()
        return self._made[kind]

    def do(self, sends: list[list[Any]], seconds: float) -> Report:
        """One experiment; once more where samples were lost in it, which moves what is heard. One
        that sends a program change leaves another box behind, and is only said to be torn.

        PortLost where a port goes.
        """
        changes = any(int(data[:2], 16) & 0xF0 == PROGRAM for _, data in sends)
        for _ in range(1 if changes else TRIES):
            lost = self._lost
            report = self._try(sends, seconds)
            torn = self._lost != lost
            if not torn:
                break
        return {**report, "torn": torn}

    @property
    def _lost(self) -> int:
        """How often samples were lost so far."""
        return 0 if self._audio is None else self._audio[0].frames.gaps

    def _try(self, sends: list[list[Any]], seconds: float) -> Report:
        begin = raw_ns() + SOON_NS
        if self._audio is not None:
            self._audio[0].blocks.clear()
        back: list[list[object]] = []
        waiting = [(begin + round(at * 1e9), bytes.fromhex(data)) for at, data in sends]
        if self._out.stamped:
            for due_ns, data in waiting:
                self._send(data, due_ns)
            waiting = []
        ends = begin + round(seconds * 1e9)
        while raw_ns() < ends:
            due = waiting[0][0] if waiting else ends
            if due - raw_ns() > 2 * TURN_S * 1e9:
                self._hear(back, begin, TURN_S)
                continue
            sleep_until_ns(min(due, ends), 0)
            while waiting and waiting[0][0] <= raw_ns():
                self._send(waiting[0][1], waiting[0][0])
                waiting.pop(0)
        self._hear(back, begin, 0.0)
        self._out.check()
        return {"hits": self._hits(begin, ends), "back": back}

    def _send(self, data: bytes, due_ns: int) -> None:
        self._out.send(data, due_ns)
        self._sounding.took(data)

    def _hear(self, back: list[list[object]], begin: int, seconds: float) -> None:
        if self._in is None:
            time.sleep(seconds)
            return
        select.select([self._in], [], [], seconds)
        back += [[(at_ns - begin) / 1e9, data.hex()] for at_ns, data in self._in.receive()]

    def _hits(self, begin: int, ends: int) -> list[list[float | None]]:
        if self._audio is None:
            return []
        source = self._audio[0]
        blocks = list(source.blocks)
        kept = [b for b in blocks if begin <= source.frames.ns_at(b[0]) < ends]
        if not kept:
            return []
        first_s = (source.frames.ns_at(kept[0][0]) - source.delay_ns - begin) / 1e9
        hits = self._ear.hits(np.concatenate([samples[0] for _, samples in kept]))
        return [[first_s + hit.at_s, hit.level, hit.colour, hit.lasts_s] for hit in hits]

    def silence(self) -> None:
        """End what sounds, and stop it."""
        self._out.discard()
        for data in (*self._sounding.ends(), bytes((STOP,))):
            self._send(data, raw_ns())
        time.sleep(0.1)


def _split(name: str) -> tuple[str, str]:
    kind, _, rest = name.partition(":")
    return kind, rest


def _say(report: Report) -> None:
    sys.stdout.write(json.dumps(report) + "\n")
    sys.stdout.flush()


def _ended(number: int, frame: object) -> None:
    del number, frame
    raise SystemExit


class Probed(Protocol):
    """A box that experiments are done on."""

    def do(self, sends: list[list[Any]], seconds: float) -> Report:
        """One experiment. PortLost where it cannot be."""

    def silence(self) -> None:
        """End what sounds, and stop it."""


def serve(open_box: Callable[[], Probed]) -> None:
    """Do what comes in, until nothing does."""
    start_log("probe")
    signal.signal(signal.SIGTERM, _ended)
    end_with_parent(signal.SIGTERM)  # one that is killed cannot see to the box
    box: Probed | None = None
    try:
        box = open_box()
        _say({"ready": True})
        for line in sys.stdin:
            asked = json.loads(line)
            _say(box.do(asked["sends"], asked["seconds"]))
    except PortLost as error:
        _say({"lost": str(error)})
    finally:
        if box is not None:
            box.silence()
        os._exit(0)  # a client that is closed can hang, and holds its server up


def main() -> None:
    """Probe the box at the ports that the arguments name."""
    parser = argparse.ArgumentParser(prog="grebe probing")
    parser.add_argument("--out", required=True)
    parser.add_argument("--in", dest="back", default="")
    parser.add_argument("--audio", default="")
    chosen = parser.parse_args()
    serve(lambda: RealBox(chosen.out, chosen.back, chosen.audio))


if __name__ == "__main__":
    main()
