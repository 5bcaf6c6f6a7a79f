"""A JACK server of our own with the dummy driver, and clients of it that are not ours to judge."""

from __future__ import annotations

import json
import os
import subprocess
import sys
import time
from contextlib import suppress
from pathlib import Path
from shutil import rmtree

from grebe.errors import PortLost
from grebe.transports.jack.midi import TRIES, open_client

RATE = 48_000


def clear_registry() -> None:
    """Forget servers that were killed: JACK keeps room for eight, and does not look for itself.

    Where any jackd runs nothing is touched. Once libjack is loaded it holds on to what is there,
    so this is done before any test begins: another worker's would never find its server again.
    """
    for process in Path("/proc").glob("[0-9]*/comm"):
        with suppress(OSError):
            if process.read_text().strip() == "jackd":
                return
    for left in Path("/dev/shm").glob("jack[-_]*"):
        if left.is_dir():
            rmtree(left, ignore_errors=True)
        else:
            left.unlink(missing_ok=True)


class Server:
    """A jackd of our own."""

    def __init__(self, period: int) -> None:
        self.name = f"gt{os.getpid()}"
        self.period = period
        self.start()

    def start(self) -> None:
        """Start it, and wait until it answers."""
        period = str(self.period)
        command = ["jackd", "-n", self.name, "-d", "dummy", "-r", str(RATE), "-p", period]
        self.process = subprocess.Popen(
            command, stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL
        )
        end = time.monotonic() + 10
        while True:
            try:
                # Not by our own client's name: an engine may be taking it at this moment.
                open_client("probe", self.name).close()
                return
            except PortLost:
                if time.monotonic() > end:
                    self.stop()
                    raise AssertionError("jackd did not start") from None
                time.sleep(0.05)

    def stop(self) -> None:
        """End it."""
        if self.process.poll() is None:
            self.process.terminate()
            try:
                self.process.wait(10)
            except subprocess.TimeoutExpired:
                self.process.kill()
                self.process.wait()


_clients: list[subprocess.Popen[bytes]] = []


def client(script: str, *arguments: str) -> subprocess.Popen[bytes]:
    """Start an independent client, a script beside this one, and wait until it is ready.

    Begun anew where JACK refuses it, which it does while it lets go of another.
    """
    for _ in range(TRIES):
        process = subprocess.Popen(
            [sys.executable, str(Path(__file__).with_name(script)), *arguments],
            stdin=subprocess.PIPE,
            stdout=subprocess.PIPE,
        )
        _clients.append(process)
        assert process.stdout is not None
        if process.stdout.readline() == b"ready\n":
            return process
    raise AssertionError(f"{script} does not come up")


def end_clients() -> None:
    """End those that a test left running."""
    while _clients:
        process = _clients.pop()
        if process.poll() is None:
            process.kill()
        if process.stdout is not None and not process.stdout.closed:
            process.communicate()


def listener(server: Server, source: str, seconds: float) -> subprocess.Popen[bytes]:
    """Start the client that records, and wait until it listens."""
    return client("jack_listener.py", server.name, source, str(seconds))


def heard(
    process: subprocess.Popen[bytes], *, soon: bool = False
) -> dict[str, list[tuple[int, str]]]:
    """What it recorded: until its time is over, or until a moment from now."""
    assert process.stdout is not None
    if soon and process.stdin is not None:
        time.sleep(0.2)
        process.stdin.close()
    found = json.loads(process.stdout.readline())
    process.wait(10)
    process.stdout.close()
    if process.stdin is not None:
        process.stdin.close()
    return found
