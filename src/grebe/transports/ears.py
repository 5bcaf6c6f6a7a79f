"""``python -m grebe.transports.ears``: hears several audio inputs at once and says when they sound.

One process for all of them, beside the engine and the window. Channels are arguments, as
"jack:CLIENT:PORT" or "2 of INTERFACE"; all of them are JACK's, or of one interface; "jack:CLIENT:*"
and "* of INTERFACE" are all there are. On its standard output come JSON lines: {"ready": rate,
"channels": [names]}, then ten times a second, where there is something,
{"hits": [[channel, at_ns, kind, level], ...]}, and once a second {"channels": [[loudest, [[hits,
swells], ...]], ...], "lost": times}; {"lost": why} at the end. Times are CLOCK_MONOTONIC_RAW, what
the interface says it takes is taken off.
"""

from __future__ import annotations

import argparse
import json
import os
import re
import select
import signal
import sys
from typing import Any

import numpy as np

from grebe.core.sync.live_ear import LiveEar
from grebe.errors import PortLost
from grebe.process.children import end_with_parent
from grebe.process.log import start_log
from grebe.process.priority import be_ordinary, limit_realtime
from grebe.transports.audio_in import Channels, Samples, interface_channels, jack_channels
from grebe.transports.clock import raw_ns
from grebe.transports.jack.midi import open_client
from grebe.transports.pulses.devices import interface_meant, interfaces

TURN_S = 0.1
STATE_NS = 1_000_000_000
SILENT_NS = 3_000_000_000
"""Inputs that give no samples for so long are gone, whether anybody says so or not."""
OPENS_S = 8
ALL = "*"


def split(name: str) -> tuple[str, str]:
    """("jack", port) or (channel, interface). PortLost for what is neither."""
    if name.startswith("jack:"):
        return "jack", name.removeprefix("jack:")
    channel, _, interface = name.partition(" of ")
    if not ((channel.isdecimal() or channel == ALL) and interface):
        raise PortLost(f"an input is jack:CLIENT:PORT or CHANNEL of INTERFACE, not {name!r}")
    return channel, interface


def all_of(names: list[str]) -> list[str]:
    """The names with those in full that stand for all there are. PortLost as below."""
    out: list[str] = []
    for name in names:
        kind, rest = split(name)
        if kind == "jack" and rest.endswith(f":{ALL}"):
            client = open_client("grebe look", os.environ.get("JACK_DEFAULT_SERVER"))
            pattern = f"^{re.escape(rest.removesuffix(ALL))}"
            ports = client.get_ports(pattern, is_audio=True, is_output=True)
            out += [f"jack:{port.name}" for port in ports]
            client.close()
        elif kind == ALL:
            there = interface_meant(rest, interfaces(input_=True))
            out += [f"{number} of {rest}" for number in range(1, there.channels + 1)]
        else:
            out.append(name)
    if not out:
        raise PortLost(f"there is no audio input like {names[0]!r}")
    return out


def open_channels(names: list[str]) -> tuple[Channels, Any]:
    """The channels, and what has to be kept. PortLost when one is not there, or they are mixed."""
    parts = [split(name) for name in names]
    if all(kind == "jack" for kind, _ in parts):
        labels = {f"in_{n + 1}": port for n, (_, port) in enumerate(parts)}
        return jack_channels("grebe ears", labels)
    where = {interface for kind, interface in parts if kind != "jack"}
    if len(where) > 1 or any(kind == "jack" for kind, _ in parts):
        raise PortLost("inputs heard together are all JACK's, or all of one interface")
    return interface_channels(where.pop(), [int(channel) for channel, _ in parts])


class ChannelEars:
    """An ear a channel."""

    def __init__(self, source: Channels, count: int) -> None:
        self._source = source
        self.ears = [LiveEar(source.frames.rate) for _ in range(count)]
        self._first = 0
        """Frame that the ears count from."""
        self._coming: int | None = None
        self._loudest = [0.0] * count
        self.lost = 0
        """How often samples were lost."""

    def take(self) -> list[list[float]]:
        """What has been heard since: [channel, at_ns, kind, level], in order."""
        blocks: list[Samples] = []
        hits: list[list[float]] = []
        while self._source.blocks:
            frame, samples = self._source.blocks.popleft()
            if frame != self._coming:
                hits += self._feed(blocks)
                blocks = []
                self.lost += self._coming is not None
                self._first = frame
                for ear in self.ears:
                    ear.begin_anew()
            blocks.append(samples)
            self._coming = frame + samples.shape[1]
        return sorted(hits + self._feed(blocks), key=lambda hit: hit[1])

    def _feed(self, blocks: list[Samples]) -> list[list[float]]:
        if not blocks:
            return []
        rows = np.concatenate(blocks, axis=1)
        out: list[list[float]] = []
        for channel, ear in enumerate(self.ears):
            for hit in ear.feed(rows[channel]):
                at_ns = self._source.frames.ns_at(self._first + hit.sample) - self._source.delay_ns
                out.append([channel, round(at_ns), hit.kind, round(hit.level, 5)])
            self._loudest[channel] = max(self._loudest[channel], ear.loudest)
        return out

    def state(self) -> dict[str, object]:
        """Of each channel the loudest sample since, and its sounds."""
        rows = [
            [round(loudest, 5), [[kind.count, kind.swells] for kind in ear.kinds]]
            for loudest, ear in zip(self._loudest, self.ears, strict=True)
        ]
        self._loudest = [0.0] * len(self.ears)
        return {"channels": rows, "lost": self.lost}


def _say(told: dict[str, object]) -> None:
    sys.stdout.write(json.dumps(told) + "\n")
    sys.stdout.flush()


def listen(source: Channels, count: int) -> None:
    """Tell what is heard until the other end hangs up. PortLost where the source is over."""
    ears = ChannelEars(source, count)
    heard_ns = told_ns = raw_ns()
    while not select.select([sys.stdin], [], [], TURN_S)[0]:
        if source.over:
            raise PortLost(source.over)
        now_ns = raw_ns()
        if source.blocks:
            heard_ns = now_ns
        elif now_ns - heard_ns > SILENT_NS:
            raise PortLost("nothing comes in any more: its server or interface is gone")
        hits = ears.take()
        if hits:
            _say({"hits": hits})
        if now_ns - told_ns >= STATE_NS:
            told_ns = now_ns
            _say(ears.state())


def main() -> int:
    """Listen until told to end; the exit status."""
    parser = argparse.ArgumentParser(prog="grebe ears")
    parser.add_argument("channels", nargs="+")
    names = parser.parse_args().channels
    start_log("ears")
    end_with_parent(signal.SIGTERM)
    be_ordinary()
    limit_realtime()
    signal.alarm(OPENS_S)
    try:
        names = all_of(names)
        source, kept = open_channels(names)
        signal.alarm(0)
        _say({"ready": source.frames.rate, "channels": names})
        listen(source, len(names))
        del kept
    except PortLost as error:
        _say({"lost": str(error)})
        return 1
    return 0


if __name__ == "__main__":
    os._exit(main())  # a client that is closed can hang, and holds its server up
