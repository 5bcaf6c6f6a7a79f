"""Clocks at real JACK ports: how many frames off plan, as an independent client stamps them.

A jackd of our own with the dummy driver, at three periods, for several numbers of devices, idle and
beside two spinning processes. There is no reference: the plan itself is one, and the goal is 0.
"""

from __future__ import annotations

import json
import os
import shutil
import subprocess
import sys
import time
from collections.abc import Iterator
from contextlib import contextmanager
from typing import Any

from grebe.bench.clock import BPM, BUSY, busy
from grebe.errors import EngineError
from grebe.process.children import end_child
from grebe.process.processor import processor_times, stolen_percent

PERIODS = (64, 256, 1024)
SIZES = (1, 8, 32, 64)
RATE = 48_000
READY_S = 1.0
TIMEOUT_S = 30.0


def measure_jack(seconds: float, sizes: tuple[int, ...] = SIZES) -> dict[str, Any]:
    """By period, by devices, idle and under load; each run takes `seconds`."""
    if shutil.which("jackd") is None:
        return {"available": False}
    out: dict[str, Any] = {}
    for period in PERIODS:
        with _server(period) as name:
            row: dict[str, Any] = {}
            for size in sizes:
                row[str(size)] = {
                    load: _run(name, size, seconds, load) for load in ("idle", "load")
                }
            out[str(period)] = row
    return out


def _run(server: str, size: int, seconds: float, load: str) -> dict[str, Any]:
    before = processor_times()
    with busy(BUSY if load == "load" else 0):
        command = [sys.executable, "-m", "grebe.bench.jack_probe", server]
        try:
            done = subprocess.run(
                [*command, str(size), str(seconds), str(BPM)],
                capture_output=True,
                check=True,
                timeout=2 * seconds + TIMEOUT_S,
            )
        except subprocess.TimeoutExpired as error:
            raise EngineError(
                "JACK does not answer; a program on it that was killed can leave its files in "
                "/dev/shm locked. End all JACK programs, remove /dev/shm/jack*, and try again"
            ) from error
    found: dict[str, Any] = json.loads(done.stdout)
    return {**found, "stolen_percent": stolen_percent(before, processor_times())}


@contextmanager
def _server(period: int) -> Iterator[str]:
    name = f"gb{os.getpid()}"
    command = ["jackd", "-R", "-n", name, "-d", "dummy", "-r", str(RATE), "-p", str(period)]
    process = subprocess.Popen(command, stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL)
    try:
        time.sleep(READY_S)
        yield name
    finally:
        end_child(process)
