"""Does the kernel's queue send ticks nearer to their time than a call at the deadline does?

Usage: queue_or_call.py TICKS INTERVAL_MS [--fifo]. Ticks go from one client of the sequencer to
another, which has the kernel stamp what is delivered, on a queue of its own that runs from the same
moment: the way out is judged, not who reads it. Prints a row for each way: ms late.
"""

from __future__ import annotations

import os
import sys
import time

sys.path[:0] = ["/grebe/src", "/grebe/.venv/lib/python3.11/site-packages"]

import numpy as np
from alsa_midi import ClockEvent, MidiBytesEvent, PortCaps, RealTime
from alsa_midi.client import SequencerClientBase

from grebe.transports.clock import raw_ns, sleep_until_ns

CLOCK = bytes((0xF8,))
AHEAD_NS = 50_000_000
SPIN_NS = 150_000


def stamped(client: SequencerClientBase) -> list[float]:
    """When what has come in was delivered, in ms of the queue that stamps it."""
    found = []
    while client.event_input_pending(True):
        event = client.event_input()
        if isinstance(event, ClockEvent):  # the first tells of the connection
            found.append(event.time.seconds * 1e3 + event.time.nanoseconds / 1e6)
    return found


def main() -> None:
    """Send both ways, and say how late ticks were."""
    count, step_ns = int(sys.argv[1]), round(float(sys.argv[2]) * 1e6)
    if "--fifo" in sys.argv:
        os.sched_setscheduler(0, os.SCHED_FIFO, os.sched_param(70))
    out, into = SequencerClientBase("sends"), SequencerClientBase("stamps")
    queue, sending = into.create_queue("stamps"), out.create_queue("sends")
    to = into.create_port(
        "in", PortCaps.WRITE | PortCaps.SUBS_WRITE, timestamping=True, timestamp_real=True,
        timestamp_queue=queue,
    )  # fmt: skip
    port = out.create_port("out")
    port.connect_to(to)
    for ahead in (False, True):
        for client, its in ((into, queue), (out, sending)):
            its.start()
            client.drain_output()
        zero_ns = raw_ns()
        due = [200_000_000 + n * step_ns for n in range(count)]
        got: list[float] = []
        for at_ns in due:
            event = MidiBytesEvent(CLOCK)
            if ahead:
                event.queue, event.relative = sending.queue_id, False
                event.time = RealTime(*divmod(at_ns, 1_000_000_000))
                sleep_until_ns(zero_ns + at_ns - AHEAD_NS, 0)
                out.event_output(event, queue=sending, port=port)
            else:
                sleep_until_ns(zero_ns + at_ns, SPIN_NS if "--fifo" in sys.argv else 0)
                out.event_output(event, port=port)
            out.drain_output()
            got += stamped(into)
        time.sleep(0.3)
        got += stamped(into)
        late = np.array(got) - np.array(due[: len(got)]) / 1e6
        rows = " ".join(f"{p}%:{np.percentile(late, p):.3f}" for p in (5, 50, 95, 99, 100))
        print("queue" if ahead else "call ", f"{len(got)}/{count}", rows, f"sd {late.std():.3f}")
        for client, its in ((into, queue), (out, sending)):
            its.stop()
            client.drain_output()


if __name__ == "__main__":
    main()
