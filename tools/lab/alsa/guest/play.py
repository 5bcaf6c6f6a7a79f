"""Plays into a raw MIDI device, as a box would.

Usage: play.py CARD,DEVICE "SECONDS HEX[*TIMES/EVERY_S]" ...   e.g. "0.5 f8*100/0.0208"
"""

from __future__ import annotations

import os
import random
import sys
import time

JITTER_S = float(os.environ.get("JITTER_MS", "0")) / 1e3


def main() -> None:
    """Play all of it, each at its time from the beginning."""
    card, _, number = sys.argv[1].partition(",")
    if not card.isdigit():
        card = os.readlink(f"/proc/asound/{card}").removeprefix("card")
    rows: list[tuple[float, bytes]] = []
    waver = random.Random(3)
    for said in sys.argv[2:]:
        at, what = said.split()
        data, _, times = what.partition("*")
        count, _, every = times.partition("/")
        for n in range(int(count or 1)):
            late_s = waver.gauss(0, JITTER_S) if JITTER_S else 0.0
            rows.append((float(at) + n * float(every or 0) + late_s, bytes.fromhex(data)))
    out = os.open(f"/dev/snd/midiC{card}D{number}", os.O_WRONLY)
    begun = time.monotonic()
    for at_s, message in sorted(rows, key=lambda row: row[0]):
        time.sleep(max(0.0, begun + at_s - time.monotonic()))
        try:
            os.write(out, message)
        except OSError:  # pulled: it goes on when the device is back, as a box that plays does
            os.close(out)
            while True:
                try:
                    out = os.open(f"/dev/snd/midiC{card}D{number}", os.O_WRONLY)
                    break
                except OSError:
                    time.sleep(0.01)


if __name__ == "__main__":
    main()
