"""``python -m grebe.bench.roundtrip PLAYS HEARS COUNT``: how long a route takes.

Stands in for two boxes at once: plays notes at the first socket path, hears
them come back at the second, and prints one time in nanoseconds a line. Prints
"ready" when both listen.
"""

from __future__ import annotations

import random
import select
import socket
import sys
import time

from grebe.process.priority import ask_for_realtime
from grebe.protocols.midi.messages import NOTE_OFF, NOTE_ON
from grebe.protocols.standin.reports import encode_reports, played
from grebe.transports.clock import raw_ns

PRIORITY = 60
EVERY_S = (0.003, 0.017)
"""Pause between notes: at any moment against the clock."""
LOST_S = 0.5
CHANNEL, TRANSPOSED = 10, 12
"""What the route under test makes of the notes."""
MAX_LOST = 10
"""After so many the route is not there, and waiting on is no measurement."""


def _listen(path: str) -> socket.socket:
    listener = socket.socket(socket.AF_UNIX, socket.SOCK_SEQPACKET)
    listener.bind(path)
    listener.listen(1)
    return listener


def main() -> None:
    """Play, hear, print."""
    plays, hears, count = sys.argv[1], sys.argv[2], int(sys.argv[3])
    listeners = (_listen(plays), _listen(hears))
    sys.stdout.write("ready\n")
    sys.stdout.flush()
    out, into = (listener.accept()[0] for listener in listeners)
    ask_for_realtime(PRIORITY)
    dice = random.Random(1)
    lost = 0
    time.sleep(0.5)
    for n in range(count):
        time.sleep(dice.uniform(*EVERY_S))
        status, note = (NOTE_ON if n % 2 == 0 else NOTE_OFF), 20 + n // 2 % 90
        began = raw_ns()
        out.send(encode_reports([played(bytes((status, note, 100)), began)]))
        ready = True
        while ready:
            ready = bool(select.select([into], [], [], LOST_S)[0])
            back = into.recv(65_536) if ready else b""
            if back[:1] == bytes((status | CHANNEL - 1,)) and back[1] == note + TRANSPOSED:
                sys.stdout.write(f"{raw_ns() - began}\n")
                break
        if not ready:
            sys.stdout.write("-1\n")
            lost += 1
            if lost >= MAX_LOST:
                return


if __name__ == "__main__":
    main()
