"""What a route through the engine adds, from a box's socket to another's, while eight get clock."""

from __future__ import annotations

import subprocess
import sys
import tempfile
from typing import Any

import msgspec

from grebe.app.engine.client import connect_when_ready
from grebe.app.engine.supervisor import (
    StandinsProcess,
    load_message,
    start_engine,
)
from grebe.app.live.perform import percentiles
from grebe.bench.clock import BUSY, bench_project, busy
from grebe.core.document import Project, with_rig
from grebe.core.player.commands import Begin
from grebe.core.player.plan import make_plan
from grebe.core.rig.model import Cable, Device, Route
from grebe.process.children import end_child
from grebe.process.places import override_runtime_dir, standin_socket
from grebe.process.processor import processor_times, stolen_percent
from grebe.protocols.link.messages import Loaded, Shutdown, Welcome

NOTES = 1000


def route_project() -> Project:
    """The bench's eight devices, and a controller routed to a sampler."""
    project = bench_project()
    rig = project.rig
    extra = tuple(
        Device(id=name.lower(), name=name, obeys_clock=False, obeys_transport=False)
        for name in ("Pads", "Sampler")
    )  # what nobody reads would fill their sockets
    return with_rig(
        project,
        msgspec.structs.replace(
            rig,
            devices=(*rig.devices, *extra),
            cables=(
                *rig.cables,
                Cable(source="pads", target="grebe"),
                Cable(source="grebe", target="sampler"),
            ),
            routes=(Route(source="pads", target="sampler", channel=10, transpose=12),),
        ),
    )


def measure_route() -> dict[str, Any]:
    """Milliseconds from one box's send to the other's receive: p50, p99, max, and notes lost."""
    out: dict[str, Any] = {}
    for load in ("idle", "load"):
        before = processor_times()
        with busy(BUSY if load == "load" else 0):
            took = _run()
        heard = tuple(value / 1e6 for value in took if value >= 0)
        rows = percentiles(heard)
        out[load] = {
            "p50_ms": rows["p50"],
            "p99_ms": rows["p99"],
            "max_ms": rows["max"],
            "notes": len(took),
            "lost": len(took) - len(heard),
            "stolen_percent": stolen_percent(before, processor_times()),
        }
    return out


def _run() -> list[int]:
    project = route_project()
    plan = make_plan(project, project.songs[0])
    ours = ("pads", "sampler")
    with tempfile.TemporaryDirectory(prefix="grebe-") as folder, override_runtime_dir(folder):
        standins = StandinsProcess([d for d in plan.devices if d.id not in ours])
        trip = subprocess.Popen(
            [
                sys.executable,
                "-m",
                "grebe.bench.roundtrip",
                *(str(standin_socket(d)) for d in ours),
                str(NOTES),
            ],
            stdout=subprocess.PIPE,
        )
        engine = start_engine()
        try:
            standins.wait_ready()
            assert trip.stdout is not None
            trip.stdout.readline()
            client = connect_when_ready(wants_status=False)
            client.wait_for(Welcome, 5.0)
            client.send(load_message(project, plan))
            client.wait_for(Loaded, 5.0)
            client.send(Begin())
            took = [int(line) for line in trip.stdout]
            client.send(Shutdown())
            client.close()
            return took
        finally:
            for process in (trip, engine, standins.process):
                end_child(process)
