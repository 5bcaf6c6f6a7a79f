"""Ending everything that goes on behind a window, whatever state it is in."""

from __future__ import annotations

import os
import time
from contextlib import suppress
from pathlib import Path
from typing import NamedTuple

from grebe.app.engine.client import EngineClient
from grebe.core.rig.formatting import listed
from grebe.errors import GrebeError
from grebe.process import children
from grebe.process.places import engine_socket, runtime_dir
from grebe.protocols.link.messages import Shutdown

ASKED_WITHIN_S = 3.0
"""For an engine to stop, silence every box and end."""
LEFT = ("*.sock", "*.thru", "*.lock", "*.lives")
"""What is in the runtime folder while something runs."""
SHARED = "jack_sem.{}_*_grebe*"
"""What JACK's library leaves in shared memory of a client of ours that was killed."""


class Ended(NamedTuple):
    """What was found, and how it ended."""

    found: int
    words: str


def end_all() -> Ended:
    """Ask the engine to end; then end what is left of this user's processes that share our runtime
    folder, by their own ids: they are found without it. What they left behind is cleared away."""
    found = list(children.running())
    _ask_engine()
    killed = children.end(list(children.running()))
    _clear()
    if not found:
        return Ended(0, "No engine is running.")
    names = "The engine has ended."
    if killed:
        names += f" Killed, since they did not answer: {listed([str(k) for k in killed])}."
    return Ended(len(found), names)


def _ask_engine() -> None:
    try:
        client = EngineClient(engine_socket(), wants_status=False)
    except GrebeError:
        return
    client.send(Shutdown())
    end = time.monotonic() + ASKED_WITHIN_S
    with suppress(GrebeError):
        while client.open and time.monotonic() < end:
            client.pump()
            time.sleep(0.01)
    client.close()
    while any(children.running((children.ENGINE,))) and time.monotonic() < end:
        time.sleep(0.01)


def _clear() -> None:
    """Of a runtime folder in which nothing runs any more: sockets, locks and marks."""
    if any(children.running()):
        return
    with suppress(GrebeError, OSError):
        folder = runtime_dir()
        for pattern in LEFT:
            for path in folder.glob(pattern):
                path.unlink(missing_ok=True)
    shared = Path("/dev/shm").glob(SHARED.format(os.getuid()))  # noqa: S108 - JACK's place
    for path in list(shared):
        with suppress(OSError):
            path.unlink()
