"""The engine at other sizes and for longer: lateness, lost ticks, processor, memory, kills."""

from __future__ import annotations

import json
import os
import signal
import subprocess
import sys
import tempfile
import time
from pathlib import Path
from typing import Any

import msgspec

from grebe.app.document.demo import fresh_demo
from grebe.app.engine.supervisor import load_message
from grebe.app.live.perform import private_engine, settled_report
from grebe.bench.clock import (
    BUSY,
    bench_project,
    busy,
    compile_reference,
    figures,
    run_grebe,
    run_reference,
)
from grebe.core.player.commands import Begin, Halt, Hold
from grebe.core.player.plan import make_plan
from grebe.formats.project import read_project
from grebe.process.children import end_child
from grebe.process.processor import processor_times, stolen_percent

SIZES = (1, 8, 32, 64)
KILLS = 100
HOUR_S = 3600.0
WINDOW_S = 1.2
"""From its start to its end by force: it has connected and drawn itself by then."""
_PAGE_KB = os.sysconf("SC_PAGE_SIZE") // 1024
_CLOCK_TICKS = os.sysconf("SC_CLK_TCK")


def measure_engine(seconds: float, kills: int = KILLS) -> dict[str, Any]:
    """Lateness by number of devices; lost ticks, processor and memory under load; kills.

    `seconds` is for the long run with eight devices; each size gets an eighth of it.
    """
    return {
        "sizes": _sizes(max(1.0, seconds / 8)),
        "long": _long_run(seconds),
        "hour": rehearse(HOUR_S),
        "kills": kill_windows(kills),
    }


def _sizes(seconds: float) -> dict[str, Any]:
    out: dict[str, Any] = {}
    with tempfile.TemporaryDirectory() as folder:
        compiled = compile_reference(Path(folder))
        for size in SIZES:
            project = bench_project(size)
            row: dict[str, Any] = {}
            for load in ("idle", "load"):
                before = processor_times()
                with busy(BUSY if load == "load" else 0):
                    _, late = run_grebe(seconds, realtime=True, project=project)
                    row[load] = {"grebe": figures(late)}
                    if compiled is not None:
                        reference = run_reference("c", compiled, seconds, project)
                        row[load]["c"] = figures(reference)
                row[load]["stolen_percent"] = stolen_percent(before, processor_times())
            out[str(size)] = row
    return out


def _usage(pid: int) -> tuple[float, int]:
    """Processor seconds and resident kilobytes of a process."""
    fields = Path(f"/proc/{pid}/stat").read_text().rpartition(")")[2].split()
    spent = (int(fields[11]) + int(fields[12])) / _CLOCK_TICKS
    return spent, int(fields[21]) * _PAGE_KB


def _long_run(seconds: float) -> dict[str, Any]:
    """Eight devices beside two busy processes."""
    project = bench_project()
    plan = make_plan(project, project.songs[0])
    memory: list[int] = []
    before = processor_times()
    with private_engine(plan, project) as (client, welcome), busy(BUSY):
        client.send(Begin())
        began = time.monotonic()
        spent, _ = _usage(welcome.pid)
        while time.monotonic() - began < seconds:
            client.pump()
            memory.append(_usage(welcome.pid)[1])
            time.sleep(0.2)
        took = time.monotonic() - began
        used = _usage(welcome.pid)[0] - spent
        client.send(Halt())
        rows = settled_report(client).devices
    settled = memory[len(memory) // 10 :]
    return {
        "seconds": round(took, 1),
        "ticks": sum(row.ticks_sent for row in rows),
        "missed": sum(row.missed for row in rows),
        "processor_percent": round(100 * used / took, 2),
        "memory_mb": {"first": round(settled[0] / 1024, 1), "last": round(settled[-1] / 1024, 1)},
        "stolen_percent": stolen_percent(before, processor_times()),
    }


def rehearse(seconds: float) -> dict[str, Any]:
    """The engine with eight devices on a clock at speed: ticks, and memory over that time."""
    project = bench_project()
    load = load_message(project, make_plan(project, project.songs[0]))
    done = subprocess.run(
        [sys.executable, "-m", "grebe.bench.fast_engine", str(seconds)],
        input=msgspec.msgpack.encode(load),
        capture_output=True,
        check=True,
    )
    found = json.loads(done.stdout)
    memory = found["memory_kb"]
    quarters = [memory[len(memory) * n // 4 - 1] for n in range(1, 5)]
    return {
        "simulated_seconds": found["simulated_seconds"],
        "took_seconds": found["took_seconds"],
        "ticks": found["ticks"],
        "memory_mb_first": round(memory[0] / 1024, 1),
        "memory_mb_by_quarter": [round(kb / 1024, 1) for kb in quarters],
    }


def kill_windows(count: int) -> dict[str, Any]:
    """The real window, killed again and again while the demo plays; ticks lost meanwhile."""
    path = fresh_demo()
    project = read_project(path).project
    plan = make_plan(project, project.songs[0], str(path.resolve()))
    with private_engine(plan, project) as (client, _):
        client.send(Begin())
        client.send(Hold(on=True))
        for _ in range(count):
            window = subprocess.Popen(
                [sys.executable, "-m", "grebe", "open", str(path)],
                env={**os.environ, "QT_QPA_PLATFORM": "offscreen"},
                stdout=subprocess.DEVNULL,
                stderr=subprocess.DEVNULL,
            )
            end = time.monotonic() + WINDOW_S
            while time.monotonic() < end:
                client.pump()
                time.sleep(0.05)
            window.send_signal(signal.SIGKILL)
            end_child(window)
        client.send(Halt())
        rows = settled_report(client).devices
    return {
        "windows": count,
        "ticks": sum(row.ticks_sent for row in rows),
        "missed": sum(row.missed for row in rows),
    }
