"""Raw MIDI devices, message by message, as they come out at the far end.

Usage: capture.py OUT SECONDS NAME=CARD,DEVICE ...   (CARD: a number, or a card's id)

Writes a line a message, "NS NAME HEX", by CLOCK_MONOTONIC_RAW; OPEN and GONE in place of HEX. A
device that went away is opened again when it is back. Ends after so long, or when it is told to.
"""

from __future__ import annotations

import os
import select
import sys
import time
from pathlib import Path

sys.path[:0] = ["/grebe/src", "/grebe/.venv/lib/python3.11/site-packages"]

from grebe.protocols.midi.messages import MidiParser
from grebe.transports.clock import raw_ns


def device(card: str, number: str) -> str:
    """Where a device is now: cards are counted anew when they come back."""
    if not card.isdigit():
        card = os.readlink(f"/proc/asound/{card}").removeprefix("card")
    return f"/dev/snd/midiC{card}D{number}"


def main() -> None:
    """Capture for some seconds."""
    ends = time.monotonic() + float(sys.argv[2])
    wanted = {name: where.split(",") for name, _, where in (a.partition("=") for a in sys.argv[3:])}
    opened: dict[int, tuple[str, MidiParser]] = {}
    with Path(sys.argv[1]).open("w", buffering=1) as out:
        while time.monotonic() < ends:
            for name in wanted.keys() - {name for name, _ in opened.values()}:
                try:
                    number = os.open(device(*wanted[name]), os.O_RDONLY | os.O_NONBLOCK)
                except OSError:
                    continue
                opened[number] = name, MidiParser()
                out.write(f"{raw_ns()} {name} OPEN\n")
            for number in select.select(list(opened), [], [], 0.02)[0]:
                name, parser = opened[number]
                try:
                    data = os.read(number, 4096)
                except OSError:
                    data = b""
                at_ns = raw_ns()
                if not data:
                    out.write(f"{at_ns} {name} GONE\n")
                    os.close(number)
                    del opened[number]
                for message in parser.feed(data, at_ns):
                    out.write(f"{at_ns} {name} {message.data.hex()}\n")


if __name__ == "__main__":
    main()
