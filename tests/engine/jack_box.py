"""A box at real JACK ports for a probe: a stand-in that sounds, in an independent client.

Usage: jack_box.py SERVER NAME JSON. JSON are fields of `tests.core.probe.boxes.Box`. Offers
NAME:in, NAME:out (what its thru passes on) and NAME:audio. Prints "ready"; when its input ends, a
JSON list of what it was sent, in hex.
"""

from __future__ import annotations

import json
import os
import sys
from pathlib import Path

sys.path.insert(0, str(Path(__file__).parents[2]))

import jack
import numpy as np

from grebe.core.patterns.model import Memory
from grebe.core.rig.standin import Setup
from grebe.protocols.standin.reports import ReportKind
from grebe.standins.box import StandinBox
from tests.core.probe.boxes import Box

HZ = {36: 180.0, 38: 700.0, 42: 2500.0}
DECAY_S = 0.04


def main() -> None:
    """Be it until the input ends."""
    server, name, box = sys.argv[1], sys.argv[2], Box(**json.loads(sys.argv[3]))
    client = jack.Client(name, no_start_server=True, servername=server)
    into, out = client.midi_inports.register("in"), client.midi_outports.register("out")
    audio = client.outports.register("audio")
    rate = client.samplerate
    device = box.device()
    standin = StandinBox(device, Setup(device=device, memory=Memory(slots=box.patterns())))
    times = np.arange(round(6 * DECAY_S * rate)) / rate
    fall = np.exp(-times / DECAY_S)
    tones = {
        note: (np.cos(2 * np.pi * HZ.get(note, 60.0 + 17 * note) * times) * fall).astype("f4")
        for note in range(128)
    }
    mixed = np.zeros(rate * 4, dtype=np.float32)  # a ring, from `start` on
    sent: list[str] = []

    @client.set_process_callback
    def process(frames: int) -> None:
        start = client.last_frame_time
        out.clear_buffer()
        last = 0
        for offset, buffer in into.incoming_midi_events():
            data, last = bytes(buffer), max(last, offset)
            sent.append(data.hex())
            if box.thru == "all" or (box.thru == "notes" and data[0] < 0xF0):
                out.write_midi_event(last, data)
            if data[0] & 0xF0 == 0x90 and data[1] not in box.notes:
                continue
            for report in standin.feed(data, round((start + offset) / rate * 1e9)):
                if report.kind is ReportKind.NOTE:
                    note, velocity = divmod(report.number, 128)
                    at = round(report.at_ns / 1e9 * rate)
                    places = (at + np.arange(len(tones[note]))) % len(mixed)
                    level = 1.0 if box.levels == 1 else (velocity / 127) ** 1.5
                    mixed[places] += 0.5 * level * tones[note]
        standin.sounded.clear()
        places = (start + np.arange(frames)) % len(mixed)
        audio.get_array()[:] = mixed[places]
        mixed[places] = 0.0

    client.activate()
    print("ready", flush=True)
    sys.stdin.read()
    print(json.dumps(sent), flush=True)
    os._exit(0)  # a client that is closed can hang, and holds its server up


if __name__ == "__main__":
    main()
