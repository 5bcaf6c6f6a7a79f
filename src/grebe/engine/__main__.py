"""``python -m grebe.engine --socket PATH``: the engine as a process of its own."""

from __future__ import annotations

import argparse
import ctypes
import gc
import signal
import sys
from pathlib import Path

from grebe.engine.engine import Engine
from grebe.engine.server import Server
from grebe.errors import EngineError
from grebe.wires.clock import ask_for_realtime

PRIORITY = 70
"""Above the stand-ins, below what a sound card's interrupt thread usually has."""
SWITCH_SECONDS = 0.0002
"""How soon a JACK callback gets the interpreter from the loop."""
MCL_CURRENT, MCL_FUTURE = 1, 2

PRIORITY_HELP = (
    "No real-time priority: ticks may be a few milliseconds late under load. To allow it, add "
    "the line '@audio - rtprio 95' to /etc/security/limits.d/audio.conf, put yourself in the "
    "audio group (sudo adduser $USER audio), and log in again."
)


def main() -> int:
    """Run the engine until it is told to end; the exit status."""
    parser = argparse.ArgumentParser(prog="grebe engine")
    parser.add_argument("--socket", type=Path, required=True)
    parser.add_argument("--no-realtime", action="store_true", help="do not ask for priority")
    arguments = parser.parse_args()
    try:
        server = Server(arguments.socket)
    except (EngineError, OSError) as error:
        sys.stderr.write(f"{error}\n")
        return 2
    realtime = not arguments.no_realtime and ask_for_realtime(PRIORITY)
    if realtime:
        ctypes.CDLL(None).mlockall(MCL_CURRENT | MCL_FUTURE)
    sys.setswitchinterval(SWITCH_SECONDS)
    signal.signal(signal.SIGINT, signal.SIG_IGN)  # Ctrl+C in the window's terminal is not ours
    gc.collect()
    gc.freeze()
    gc.disable()
    help_text = "" if realtime else PRIORITY_HELP
    Engine(server, realtime=realtime, priority_help=help_text).run()
    return 0


if __name__ == "__main__":
    sys.exit(main())
