"""Lateness of clock ticks at the sending call, beside plain sleep and a bare C loop.

All three send one byte to the same eight stand-ins at 126 BPM. They take
turns in short rounds, so that a noisy host is noisy for all of them; the
share of stolen processor time is given with the figures.
"""

from __future__ import annotations

import shutil
import subprocess
import sys
import tempfile
import time
from collections.abc import Iterator
from contextlib import contextmanager
from importlib.resources import files
from pathlib import Path
from typing import Any

from grebe.app.engine.supervisor import StandinsProcess
from grebe.app.live.perform import percentiles, private_engine
from grebe.core.document import Project
from grebe.core.player.commands import Begin, Halt
from grebe.core.player.plan import make_plan
from grebe.core.rig.model import Cable, Device, Rig
from grebe.core.songs.model import Scene, Section, Song
from grebe.process.children import end_child
from grebe.process.places import override_runtime_dir, standin_socket
from grebe.process.processor import processor_times, stolen_percent
from grebe.protocols.link.messages import AskReport, FiguresReport

BPM = 126.0
DEVICES = 8
INTERVAL_NS = round(60e9 / BPM / 24)
ROUNDS = 3
SHORT_S = 6.0
"""Below this there is one round only: starting takes longer than measuring."""
BUSY = 2
WITHOUT = "grebe_no_priority"
"""The engine as it is where real-time priority is refused."""
SETTLE_S = 0.5

_SLEEPER = """
import socket, sys, time
ticks, interval = int(sys.argv[1]), int(sys.argv[2]) / 1e9
sockets = []
for path in sys.argv[3:]:
    made = socket.socket(socket.AF_UNIX, socket.SOCK_SEQPACKET)
    made.connect(path)
    sockets.append(made)
late, start = [], time.monotonic() + 0.05
time.sleep(0.05)
for n in range(ticks):
    for made in sockets:
        late.append(time.monotonic() - start - n * interval)
        made.send(b"\\xf8")
    time.sleep(interval)
print("none")
for value in late:
    print(round(value * 1e9))
"""


def bench_project(count: int = DEVICES) -> Project:
    """Devices that get nothing but clock."""
    devices = tuple(Device(id=f"d{n}", name=f"Device {n}") for n in range(1, count + 1))
    cables = tuple(Cable(source="grebe", target=d.id) for d in devices)
    return Project(
        name="Bench",
        rig=Rig(devices=devices, cables=cables),
        scenes=(Scene(id="a", name="A", bars=999),),
        songs=(Song(id="s", name="S", bpm=BPM, sections=(Section(id="s1", scene="a", times=99),)),),
    )


def measure_clock(seconds: float) -> dict[str, Any]:
    """Lateness in ms per sender, idle and beside two busy processes.

    Besides the engine with real-time priority it measures it without.
    """
    with tempfile.TemporaryDirectory() as folder:
        compiled = compile_reference(Path(folder))
        senders = ["grebe", WITHOUT, "sleep", *(["c"] if compiled else [])]
        out: dict[str, Any] = {name: {} for name in senders}
        rounds = ROUNDS if seconds >= SHORT_S else 1
        priority = "none"
        for load in ("idle", "load"):
            late: dict[str, list[float]] = {name: [] for name in senders}
            before = processor_times()
            with busy(BUSY if load == "load" else 0):
                for _ in range(rounds):
                    for name in senders:
                        if name == "grebe":
                            priority, values = run_grebe(seconds / rounds, realtime=True)
                        elif name == WITHOUT:
                            _, values = run_grebe(seconds / rounds, realtime=False)
                        else:
                            values = run_reference(name, compiled, seconds / rounds)
                        late[name] += values
            stolen = stolen_percent(before, processor_times())
            for name in senders:
                out[name][load] = figures(late[name])
            out.setdefault("stolen_percent", {})[load] = stolen
        out["priority"] = priority
        out["devices"] = DEVICES
        return out


def figures(late_ms: list[float]) -> dict[str, Any]:
    """p50, p99 and max, and how many ticks that were."""
    rows = percentiles(tuple(late_ms))
    return {
        "p50_ms": rows["p50"],
        "p99_ms": rows["p99"],
        "max_ms": rows["max"],
        "ticks": len(late_ms),
    }


def run_grebe(
    seconds: float, *, realtime: bool, project: Project | None = None
) -> tuple[str, list[float]]:
    """Priority the engine got, and lateness in ms of every clock it sent to a project's devices."""
    project = project or bench_project()
    plan = make_plan(project, project.songs[0])
    with private_engine(plan, project, realtime=realtime) as (client, welcome):
        client.send(Begin())
        end = time.monotonic() + seconds
        while time.monotonic() < end:
            client.pump()
            time.sleep(0.1)
        client.send(Halt())
        time.sleep(SETTLE_S)
        client.send(AskReport())
        report = client.wait_for(FiguresReport, 20.0)
        return welcome.priority, [ms for row in report.devices for ms in row.send_ms]


def run_reference(
    name: str, compiled: Path | None, seconds: float, project: Project | None = None
) -> list[float]:
    """Lateness in ms of every clock that a bare sender ("c", "sleep") sends to the same devices."""
    ticks = round(seconds * 1e9 / INTERVAL_NS)
    with tempfile.TemporaryDirectory(prefix="grebe-") as folder, override_runtime_dir(folder):
        standins = StandinsProcess((project or bench_project()).rig.devices)
        try:
            standins.wait_ready()
            paths = [str(standin_socket(d.id)) for d in standins.devices]
            command = [str(compiled)] if name == "c" else [sys.executable, "-c", _SLEEPER]
            done = subprocess.run(
                [*command, str(ticks), str(INTERVAL_NS), *paths], capture_output=True, check=True
            )
            return [int(line) / 1e6 for line in done.stdout.split()[1:]]
        finally:
            end_child(standins.process)


def compile_reference(folder: Path) -> Path | None:
    """The C reference as a program; None where there is no compiler."""
    compiler = shutil.which("cc") or shutil.which("gcc")
    if compiler is None:
        return None
    source, program = folder / "reference.c", folder / "reference"
    source.write_bytes((files("grebe.data") / "bench" / "reference.c").read_bytes())
    done = subprocess.run([compiler, "-O2", "-o", program, source], check=False)
    return program if done.returncode == 0 else None


@contextmanager
def busy(count: int) -> Iterator[None]:
    """Some processes that do nothing but spin."""
    spinning = [subprocess.Popen([sys.executable, "-c", "while True: pass"]) for _ in range(count)]
    try:
        yield
    finally:
        for process in spinning:
            end_child(process)
