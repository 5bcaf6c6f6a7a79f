"""``python -m grebe.engine --socket PATH``: the engine as a process of its own."""

from __future__ import annotations

import argparse
import ctypes
import gc
import logging
import signal
import sys
from pathlib import Path
from types import FrameType

from grebe.engine.loop import Engine
from grebe.engine.server import Server
from grebe.errors import EngineError
from grebe.process.callbacks import SWITCH_S
from grebe.process.children import ENDED_BY
from grebe.process.log import end_log, start_log
from grebe.process.priority import ask_for_realtime
from grebe.protocols.link.messages import decoder_to_engine
from grebe.words import tr

PRIORITY = 70
"""Above the stand-ins, below what a sound card's interrupt thread usually has."""
MCL_CURRENT, MCL_FUTURE = 1, 2

PRIORITY_HELP = tr(
    "No real-time priority: ticks may be a few milliseconds late under load. "
    "To allow it, add the line '@audio - rtprio 95' to "
    "/etc/security/limits.d/audio.conf, put yourself in the audio group "
    "(sudo adduser $USER audio), and log in again."
)
_log = logging.getLogger("grebe.engine")


class _Asked:
    """Signals that ask the engine to end, from its process's first moment on."""

    def __init__(self) -> None:
        self._engine: Engine | None = None
        self._why = ""
        for number in ENDED_BY:
            signal.signal(number, self._hear)

    def _hear(self, number: int, frame: FrameType | None) -> None:
        del frame
        self._why = signal.Signals(number).name
        if self._engine is not None:
            self._engine.leave(self._why)

    def tell(self, engine: Engine) -> None:
        """This is the engine; it may have been asked already."""
        self._engine = engine
        if self._why:
            engine.leave(self._why)


def marker_of(socket_path: Path) -> Path:
    """What is there while an engine lives: one that finds it follows an engine that was killed."""
    return socket_path.with_suffix(".lives")


def main() -> int:
    """Run the engine until it is told to end; the exit status."""
    parser = argparse.ArgumentParser(prog="grebe engine")
    parser.add_argument("--socket", type=Path, required=True)
    parser.add_argument("--no-realtime", action="store_true", help="do not ask for priority")
    arguments = parser.parse_args()
    start_log("engine", queued=True)  # before priority: its thread shall have none
    asked = _Asked()
    try:
        server = Server(arguments.socket)
    except (EngineError, OSError) as error:
        sys.stderr.write(f"{error}\n")
        end_log(str(error))
        return 2
    marker = marker_of(arguments.socket)
    killed = marker.exists()
    marker.touch(mode=0o600)
    # What takes long comes before priority, which is lost where a core is held at a stretch.
    decoder_to_engine()
    gc.collect()
    gc.freeze()
    gc.disable()
    realtime = not arguments.no_realtime and ask_for_realtime(PRIORITY)
    if realtime:
        ctypes.CDLL(None).mlockall(MCL_CURRENT | MCL_FUTURE)
    sys.setswitchinterval(SWITCH_S)
    help_text = "" if realtime else PRIORITY_HELP
    engine = Engine(server, realtime=realtime, priority_help=help_text, silence_first=killed)
    if killed:
        _log.warning("the engine before this one was killed: every box is silenced first")

    asked.tell(engine)
    try:
        engine.run()
    finally:
        marker.unlink(missing_ok=True)
        _log.info("every box was silenced")
    end_log("as asked")
    return 0


if __name__ == "__main__":
    sys.exit(main())
