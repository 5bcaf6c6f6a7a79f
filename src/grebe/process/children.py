"""Processes of Grebe: started by module name, found again, ended."""

from __future__ import annotations

import ctypes
import fcntl
import os
import signal
import subprocess
import sys
import time
from collections import deque
from collections.abc import Iterator, Mapping, Sequence
from contextlib import suppress
from itertools import pairwise
from pathlib import Path
from typing import NamedTuple

from grebe.process.log import open_errors
from grebe.process.places import runtime_dir, runtime_path
from grebe.process.priority import ordinary

ENDS_WITHIN_S = 2.0
"""After SIGTERM; then it is killed."""
CHILD_ENDS_WITHIN_S = 5.0
"""The same for one that we started, and that may have to give back a port."""
ENDED_BY = (signal.SIGTERM, signal.SIGHUP, signal.SIGINT)
"""What asks a process of Grebe to put things in order and end."""


class Kind(NamedTuple):
    """A module that is run as a process, and what its log is called."""

    module: str
    log: str


ENGINE = Kind("grebe.engine", "engine")
STANDINS = Kind("grebe.standins", "standins")
SPEAKER = Kind("grebe.standins.speaker", "speaker")
PEERS = Kind("grebe.network", "network")
INTERFACE = Kind("grebe.transports.pulses.interface", "pulses")
PULSE_EAR = Kind("grebe.transports.pulses.listener", "pulses")
PROBE = Kind("grebe.transports.probing", "probe")
EARS = Kind("grebe.transports.ears", "ears")
PHONE = Kind("grebe.network.phone", "phone")
CABLE_LOOP = Kind("grebe.transports.cable_loop", "ears")
PROBED_STANDIN = Kind("grebe.standins.probed", "probe")
COMMAND = Kind("grebe", "command")
_TOLD_OF_PARENT = 1  # prctl(2), PR_SET_PDEATHSIG
BEHIND = (ENGINE, STANDINS, SPEAKER, PEERS, INTERFACE, PULSE_EAR)
"""Those that go on when the window is closed."""


def start(
    kind: Kind,
    *arguments: str,
    stdin: int = subprocess.DEVNULL,
    stdout: int = subprocess.DEVNULL,
    pass_fds: Sequence[int] = (),
    env: Mapping[str, str] | None = None,
) -> subprocess.Popen[bytes]:
    """Start a process of Grebe in a session of its own; its standard error goes to the log.

    It begins at ordinary priority, whatever ours is: at ours, a second of importing would be taken
    for a process that spins.
    """
    with ordinary(), open_errors(kind.log) as errors:
        return subprocess.Popen(
            [sys.executable, "-m", kind.module, *arguments],
            start_new_session=True,
            stdin=stdin,
            stdout=stdout,
            stderr=errors,
            pass_fds=pass_fds,
            env=env,
        )


def tell(process: subprocess.Popen[bytes], data: bytes) -> bool:
    """Write to its standard input; whether it took it. One that has ended is known by its end."""
    assert process.stdin is not None
    try:
        process.stdin.write(data)
        process.stdin.flush()
    except OSError:
        return False
    return True


def end_input(process: subprocess.Popen[bytes]) -> None:
    """Tell it no more, whatever it has not taken in: it may have ended."""
    if process.stdin is not None:
        with suppress(OSError):
            process.stdin.close()


def close_pipes(process: subprocess.Popen[bytes]) -> None:
    """Tell it no more, and hear it no more."""
    end_input(process)
    if process.stdout is not None:
        process.stdout.close()


def end_child(process: subprocess.Popen[bytes]) -> None:
    """End a process we started, by force if it must be, and close its pipes."""
    if process.poll() is None:
        process.terminate()
        wait_or_kill(process, CHILD_ENDS_WITHIN_S)
    close_pipes(process)


def wait_or_kill(process: subprocess.Popen[bytes], within_s: float) -> None:
    """Wait for the end of a process that was asked to end; by force after so long."""
    try:
        process.wait(within_s)
    except subprocess.TimeoutExpired:
        process.kill()
        process.wait()


_let_go: deque[subprocess.Popen[bytes]] = deque()
"""Not yet ended; looked at when the next one is let go of."""


def let_go(process: subprocess.Popen[bytes]) -> None:
    """Leave a process to itself. Those that have ended meanwhile are reaped, without waiting."""
    _let_go.append(process)
    for _ in range(len(_let_go)):
        left = _let_go.popleft()
        if left.poll() is None:
            _let_go.append(left)


def only_one(name: str) -> int | None:
    """A descriptor that says that this is the one process of its name in the runtime folder, for
    as long as it is open; None where one is there."""
    held = os.open(runtime_dir() / f"{name}.lock", os.O_RDWR | os.O_CREAT, 0o600)
    try:
        fcntl.flock(held, fcntl.LOCK_EX | fcntl.LOCK_NB)
    except OSError:
        os.close(held)
        return None
    return held


def end_with_parent(number: signal.Signals) -> None:
    """Let the kernel send this process a signal when the thread that started it is gone."""
    ctypes.CDLL(None).prctl(_TOLD_OF_PARENT, number)


def _of_this_user(process: Path) -> bool:
    with suppress(OSError):
        return process.stat().st_uid == os.getuid()
    return False


def running(kinds: Sequence[Kind] = BEHIND) -> Iterator[int]:
    """Ids of this user's processes of these kinds that share our runtime folder."""
    modules = {kind.module for kind in kinds}
    ours = runtime_dir()
    for process in Path("/proc").glob("[0-9]*"):
        if int(process.name) == os.getpid() or not _of_this_user(process):
            continue
        try:
            words = (process / "cmdline").read_bytes().split(b"\0")
            environment = (process / "environ").read_bytes()
        except OSError:
            continue  # it has ended meanwhile
        told = {os.fsdecode(b) for a, b in pairwise(words) if a == b"-m"}
        if told & modules and runtime_path(_variables(environment)) == ours:
            yield int(process.name)


def _variables(environment: bytes) -> dict[str, str]:
    """What ``/proc/PID/environ`` holds."""
    return dict(e.split("=", 1) for e in os.fsdecode(environment).split("\0") if "=" in e)


def alive(process: int) -> bool:
    """Whether a process is there and has not ended yet."""
    try:
        state = Path(f"/proc/{process}/stat").read_text().rpartition(")")[2].split()[0]
    except (OSError, IndexError):
        return False
    return state not in "ZX"


def end(processes: Sequence[int]) -> list[int]:
    """End processes, first by asking; those that had to be killed."""
    for process in processes:
        with suppress(ProcessLookupError):
            os.kill(process, signal.SIGTERM)
            os.kill(process, signal.SIGCONT)  # one that was stopped hears it too
    until = time.monotonic() + ENDS_WITHIN_S
    while time.monotonic() < until and any(map(alive, processes)):
        time.sleep(0.02)
    left = [process for process in processes if alive(process)]
    for process in left:
        with suppress(ProcessLookupError):
            os.kill(process, signal.SIGKILL)
    return left
