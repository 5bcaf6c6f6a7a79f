"""``python -m grebe.transports.cable_loop OUT IN``: what a loop of cable takes, measured once.

Ports as "jack:CLIENT:PORT" or "CHANNEL of INTERFACE", both of JACK or both of one interface. Prints
{"frames", "spread", "level", "rate"} or {"lost": why}. Plays clicks at the output.
"""

from __future__ import annotations

import argparse
import json
import os
import signal
import sys
import time
from typing import Any

import numpy as np
from numpy.typing import NDArray

from grebe.core.sync.cable_loop import LoopDelay, clicks, loop_delay
from grebe.errors import PortLost
from grebe.process.callbacks import before_callbacks
from grebe.process.log import start_log
from grebe.transports.ears import split
from grebe.transports.jack.midi import connect, open_client
from grebe.transports.pulses.devices import interface_meant, interfaces, sound_library

ENDS_S = 20
Samples = NDArray[np.float32]


class LoopPlayer:
    """Plays the clicks once and keeps what comes in beside them, sample by sample."""

    def __init__(self, rate: int) -> None:
        self.rate = rate
        self.played = clicks(rate)
        self.heard = np.zeros(len(self.played), dtype=np.float32)
        self._at = 0

    @property
    def done(self) -> bool:
        """Whether all was played."""
        return self._at >= len(self.played)

    def turn(self, heard: Samples) -> Samples:
        """One period: what is heard in it, what is to be played in it."""
        count = min(len(heard), len(self.played) - self._at)
        out = np.zeros(len(heard), dtype=np.float32)
        if count > 0:
            out[:count] = self.played[self._at : self._at + count]
            self.heard[self._at : self._at + count] = heard[:count]
        self._at += count
        return out


def over_jack(out: str, into: str) -> LoopPlayer:
    """Through JACK's ports; one that has a source of ours takes it beside what else it gets."""
    client = open_client("grebe loop", os.environ.get("JACK_DEFAULT_SERVER"))
    player = LoopPlayer(client.samplerate)
    source, sink = client.outports.register("out"), client.inports.register("in")

    def process(count: int) -> None:
        del count
        source.get_array()[:] = player.turn(sink.get_array())

    before_callbacks()
    client.set_process_callback(process)
    client.activate()
    connect(client, source, out)
    connect(client, into, sink)
    _wait(player)
    return player


def over_interface(name: str, out: int, into: int) -> LoopPlayer:
    """Through an interface of the sound library."""
    library = sound_library()
    device = interface_meant(name, interfaces(input_=True)).number
    player: LoopPlayer | None = None

    def fill(heard: Any, played: Any, frames: int, when: Any, status: Any) -> None:
        del frames, when, status
        played.fill(0)
        if player is not None:
            played[:, out - 1] = player.turn(heard[:, into - 1].copy())

    try:
        stream = library.Stream(
            device=(device, device), channels=(into, out), dtype="float32", callback=fill,
            latency="low",
        )  # fmt: skip
        player = LoopPlayer(round(stream.samplerate))
        before_callbacks()
        stream.start()
    except (library.PortAudioError, ValueError) as error:
        raise PortLost(f"audio interface {name} would not open ({error})") from error
    _wait(player)
    return player


def _wait(player: LoopPlayer) -> None:
    while not player.done:
        time.sleep(0.02)


def measured(out: str, into: str) -> tuple[LoopDelay | None, int]:
    """The delay, and the rate. PortLost where a port is not there, or they do not go together."""
    (kind, name), (other, source) = split(out), split(into)
    if kind == other == "jack":
        player = over_jack(name, source)
    elif "jack" in (kind, other) or name != source:
        raise PortLost("a loop goes from an output to an input of one and the same interface")
    else:
        player = over_interface(name, int(kind), int(other))
    return loop_delay(player.heard, player.rate), player.rate


def main() -> None:
    """Measure it, and say what came out."""
    parser = argparse.ArgumentParser(prog="grebe cable loop")
    parser.add_argument("out")
    parser.add_argument("into")
    chosen = parser.parse_args()
    start_log("ears")
    signal.alarm(ENDS_S)
    try:
        found, rate = measured(chosen.out, chosen.into)
        told: dict[str, object] = {"lost": "nothing comes back"}
        if found is not None:
            told = {"frames": found.frames, "spread": found.spread, "level": found.level,
                    "rate": rate}  # fmt: skip
    except PortLost as error:
        told = {"lost": str(error)}
    sys.stdout.write(json.dumps(told) + "\n")
    sys.stdout.flush()
    os._exit(0)  # a client that is closed can hang, and holds its server up


if __name__ == "__main__":
    main()
