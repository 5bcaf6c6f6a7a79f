"""``python -m grebe.bench.jack_probe``: clocks through real JACK ports, and a client that judges.

Usage: jack_probe SERVER DEVICES SECONDS BPM. Hands clocks to so many ports as the engine does,
50 ms ahead, while another process with a client of its own records at which frame each came.
Prints a JSON object. Clocks near time that JACK itself lost are not judged.
"""

from __future__ import annotations

import json
import os
import subprocess
import sys
import time
from collections import deque

from grebe.protocols.midi.messages import TIMING_CLOCK
from grebe.transports.clock import raw_ns
from grebe.transports.jack.midi import JackWire, open_client

AHEAD_NS = 50_000_000
CLOCK = bytes((TIMING_CLOCK,))
NEAR_S = 0.04
"""An overrun is told some milliseconds after it was."""
NEAR_PERIODS = 6
UNEVEN_FRAMES = 3.0
"""Neighbouring clocks lie the tempo apart, to the rounding of frames and what the loop settles."""


def record(server: str, count: int) -> None:
    """Record the frames of every clock at so many inputs until the input ends."""
    client = open_client("judge", server)
    ports = [client.midi_inports.register(f"in {n}") for n in range(count)]
    seen: list[list[int]] = [[] for _ in ports]
    jumps: list[tuple[int, int]] = []
    expected = [-1]

    def process(frames: int) -> None:
        start = client.last_frame_time
        if start != expected[0] and expected[0] >= 0:
            jumps.append((expected[0], start))
        expected[0] = start + frames
        for port, found in zip(ports, seen, strict=True):
            found.extend(start + offset for offset, _ in port.incoming_midi_events())

    client.set_process_callback(process)
    client.set_xrun_callback(lambda _: jumps.append((client.last_frame_time,) * 2))
    client.activate()
    for n, port in enumerate(ports):
        client.connect(f"grebe:{n}", port)
    sys.stdout.write("ready\n")
    sys.stdout.flush()
    sys.stdin.read()
    sys.stdout.write(json.dumps({"seen": seen, "jumps": jumps}) + "\n")


def send(server: str, count: int, seconds: float, bpm: float) -> dict[str, object]:
    """Send, and judge what the other process recorded."""
    wire = JackWire(server)
    ports = [wire.open_port(str(n), "") for n in range(count)]
    for port in ports:
        port.planned = deque()
    judge = subprocess.Popen(
        [sys.executable, "-m", "grebe.bench.jack_probe", "record", server, str(count)],
        stdin=subprocess.PIPE,
        stdout=subprocess.PIPE,
    )
    assert judge.stdout is not None
    judge.stdout.readline()
    time.sleep(0.3)
    first, apart = raw_ns() + 2 * AHEAD_NS, 60e9 / bpm / 24
    for n in range(int(seconds * 1e9 / apart)):
        due = first + round(n * apart)
        time.sleep(max(0.0, (due - AHEAD_NS - raw_ns()) / 1e9))
        for port in ports:
            port.send(CLOCK, due)
    time.sleep(0.3)
    out, _ = judge.communicate(b"")
    found = json.loads(out)
    near = max(NEAR_PERIODS * wire.client.blocksize, round(NEAR_S * wire.frames.rate))
    jumps = [*found["jumps"], *wire.frames.gap_frames]
    apart_frames = apart * wire.frames.rate / 1e9
    sent = judged = off = uneven = 0
    for port, seen in zip(ports, found["seen"], strict=True):
        came, before = set(seen), None
        for frame, _ in port.planned or ():
            sent += 1
            if not any(a - near <= frame <= b + near for a, b in jumps):
                judged += 1
                off += frame not in came
                if before is not None:
                    uneven += abs(frame - before - apart_frames) > UNEVEN_FRAMES
                before = frame
            else:
                before = None
    return {
        "clocks": sent, "judged": judged, "off_plan": off, "uneven": uneven, "jumps": len(jumps),
    }  # fmt: skip


def main() -> int:
    """Record or send; the exit status."""
    if sys.argv[1] == "record":
        record(sys.argv[2], int(sys.argv[3]))
    else:
        server, count, seconds, bpm = sys.argv[1:5]
        found = send(server, int(count), float(seconds), float(bpm))
        sys.stdout.write(json.dumps(found) + "\n")
    return 0


if __name__ == "__main__":
    status = main()
    sys.stdout.flush()
    os._exit(status)  # without closing the client: see pulse_ear.py
