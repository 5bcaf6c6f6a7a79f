"""A performance without a window: engine and stand-ins for real, then the sync report."""

from __future__ import annotations

import tempfile
import time
from collections.abc import Callable, Iterable, Iterator
from contextlib import contextmanager
from dataclasses import dataclass
from pathlib import Path
from typing import Any

import msgspec

from grebe.app.engine.client import EngineClient, check_version, connect_when_ready
from grebe.app.engine.plan_sender import PlanSender
from grebe.app.engine.supervisor import (
    StandinsProcess,
    load_message,
    rtp_ports,
    start_engine,
    start_network,
)
from grebe.core.document import Project, let_lead, with_device
from grebe.core.player.chapters import Chapters
from grebe.core.player.commands import Begin, Halt
from grebe.core.player.plan import Plan
from grebe.core.rig.edits import add_cable, best_cable
from grebe.core.rig.model import GREBE_ID, Device, Faults
from grebe.core.rig.tree import clock_tree
from grebe.core.rig.wiring import MIDI_MEDIA
from grebe.core.sets.joined import Chapter
from grebe.core.showing import without_hits
from grebe.errors import UsageError
from grebe.formats.project import project_bytes
from grebe.process.children import end_child
from grebe.process.places import override_runtime_dir
from grebe.protocols.link.messages import (
    AskReport,
    FiguresReport,
    LatenessReport,
    Loaded,
    Notice,
    Shutdown,
    Status,
    Welcome,
)
from grebe.protocols.link.session import CarryRtp, Osc, ShowDocument
from grebe.words import tr

SETTLE_S = 0.4
"""After Stop, reports that have stood still for so long are the last ones."""
SETTLE_AT_LAST_S = 5.0
NETWORK_READY_S = 4.0
"""The network process imports for a second or two."""


@dataclass(frozen=True)
class Outcome:
    """What came of a performance."""

    welcome: Welcome
    reports: tuple[LatenessReport, ...]
    notices: tuple[str, ...]
    missing: dict[str, str]
    """Devices with a port that was not there at the beginning, or went, and what was wrong."""
    played_s: float


@contextmanager
def private_engine(
    plan: Plan, project: Project, *, realtime: bool = True, osc: bool = False
) -> Iterator[tuple[EngineClient, Welcome]]:
    """An engine and stand-ins of our own, away from one that may be playing, and what carries MIDI
    over the network, or `osc`, where that is wanted."""
    with tempfile.TemporaryDirectory(prefix="grebe-") as folder, override_runtime_dir(folder):
        standins = StandinsProcess(plan.devices)
        engine = start_engine(realtime=realtime)
        carried = rtp_ports(plan.devices)
        network = start_network() if carried or osc else None
        try:
            standins.wait_ready()
            client = connect_when_ready()
            welcome = client.wait_for(Welcome, 5.0)
            check_version(welcome)
            if network is not None:
                client.send(CarryRtp(ports=carried))
                _wait_for(Path(port.path) for port in carried)
            if osc:
                client.send(Osc(use=project.rig.osc))
                shown = project_bytes(without_hits(project))
                client.send(ShowDocument(project=shown, song=plan.song.id))
            for message in PlanSender().messages(load_message(project, plan)):
                client.send(message)
            client.wait_for(Loaded, 5.0)
            yield client, welcome
            client.send(Shutdown())
            client.close()
            engine.wait(5.0)
        finally:
            for process in (engine, standins.process, *filter(None, [network])):
                end_child(process)


def _wait_for(paths: Iterable[Path]) -> None:
    """Wait for sockets of the network process; what does not come is said with the port."""
    until = time.monotonic() + NETWORK_READY_S
    for path in paths:
        while not path.is_socket() and time.monotonic() < until:
            time.sleep(0.02)


def perform(
    project: Project,
    plan: Plan,
    seconds: float,
    *,
    gap_s: Callable[[str], float] = lambda _: 0.0,
    progress: Callable[[float], None] = lambda _: None,
    realtime: bool = True,
    osc: bool = False,
) -> Outcome:
    """Play a song or a set for some seconds, or to its end if that comes first; real time.

    Songs that come in after a stop are run after as much silence as `gap_s` says for their
    place in the set.
    """
    following = _after_stops(plan)
    with private_engine(plan, project, realtime=realtime, osc=osc) as (client, welcome):
        notices = [notice.text for notice in client.overheard]
        missing: dict[str, str] = {}
        client.send(Begin())
        began = time.monotonic()
        started, section = False, ""
        while (elapsed := time.monotonic() - began) < seconds:
            progress(elapsed)
            for message in client.pump():
                if isinstance(message, Notice):
                    notices.append(message.text)
                elif isinstance(message, Status):
                    missing = {**_missing(project, message), **missing}
                    started = started or message.running
                    section = message.section if message.running else section
                    if not started or message.running:
                        continue
                    chapter = following.get(section)
                    if chapter is None:
                        seconds = elapsed  # the song is over
                        break
                    time.sleep(min(gap_s(chapter.entry), max(0.0, seconds - elapsed)))
                    client.send(Begin(section=chapter.first))
                    started = False
            time.sleep(0.02)
        client.send(Halt())
        return Outcome(
            welcome=welcome,
            reports=settled_report(client).devices,
            notices=tuple(notices),
            missing=missing,
            played_s=min(elapsed, seconds),
        )


def _missing(project: Project, status: Status) -> dict[str, str]:
    """Devices with a port that is not there: which, and what is wrong."""
    names = {d.id: d.port.name for d in project.rig.devices}
    gone = {
        d.id: f"{names[d.id]}: {d.detail}" if names[d.id] else d.detail
        for d in status.devices
        if d.port == "gone"
    }
    return {d.id: d.line_problem for d in status.devices if d.line_problem} | gone


def _after_stops(plan: Plan) -> dict[str, Chapter]:
    """For each section of a set, the song that is run when its own has ended."""
    out: dict[str, Chapter] = {}
    layout = plan.layout()
    chapters = Chapters(plan, layout)
    for index, span in enumerate(layout.spans):
        own = chapters.of(index)
        if own is not None and own is not plan.chapters[-1]:
            out[span.section.id] = plan.chapters[plan.chapters.index(own) + 1]
    return out


def settled_report(client: EngineClient) -> FiguresReport:
    """The figures of every device once they stand still: a slow moment delays them."""
    end = time.monotonic() + SETTLE_AT_LAST_S
    before: FiguresReport | None = None
    while True:
        client.send(AskReport())
        report = client.wait_for(FiguresReport, 10.0)
        if report == before or time.monotonic() > end:
            return report
        before = report
        time.sleep(SETTLE_S)


def with_leader_named(project: Project, name: str) -> tuple[Project, tuple[str, ...]]:
    """The project led by a device named on the command line, or by Grebe; and what was assumed.

    A device that no cable joins to Grebe is taken to have one. UsageError when it
    can send no clock, or its filters keep it back.
    """
    if name == GREBE_ID:
        return let_lead(project, GREBE_ID), ()
    device = project.device_named(name)
    led = let_lead(project, device.id)
    assumed: tuple[str, ...] = ()
    if not any(c.source == device.id and c.target == GREBE_ID for c in led.rig.cables):
        led = add_cable(led, best_cable(led.rig, device.id, GREBE_ID))
        assumed = (
            tr(
                "The rig has no cable from {device} to Grebe; run as if it had one.",
                device=device.name,
            ),
        )
    hop = clock_tree(led.rig).hops.get(GREBE_ID)
    heard = hop is not None and (hop.cable.medium in MIDI_MEDIA or device.pulse_from.is_set)
    if not heard:
        raise UsageError(
            tr(
                "{device}'s clock does not reach Grebe: look at what it can send, at its "
                "cables' filters and at where its pulses are heard in the Rig, or use "
                "--leader grebe",
                device=device.name,
            )
        )
    return led, assumed


def with_faults(project: Project, text: str) -> Project:
    """The project with stand-in faults from JSON such as ``{"Smew": {"latency_ms": 3}}``.

    Fields that are not named keep their value. UsageError says which is wrong.
    """
    try:
        given = msgspec.json.decode(text, type=dict[str, dict[str, Any]])
    except msgspec.MsgspecError as error:
        raise UsageError(
            f'--faults should be JSON such as {{"Smew": {{"latency_ms": 3}}}}: {error}'
        ) from error
    for name, fields in given.items():
        device = project.device_named(name)
        unknown = set(fields) - set(Faults.__struct_fields__)
        if unknown:
            known = ", ".join(Faults.__struct_fields__)
            raise UsageError(f"--faults {name}: no fault {min(unknown)!r}; faults: {known}")
        try:
            merged = {**msgspec.structs.asdict(device.faults), **fields}
            faults = msgspec.convert(merged, Faults)
        except msgspec.ValidationError as error:
            raise UsageError(f"--faults {name}: {error}") from error

        def replaced(old: Device, faults: Faults = faults) -> Device:
            return msgspec.structs.replace(old, faults=faults)

        project = with_device(project, device.id, replaced)
    return project


def percentiles(ms: tuple[float, ...]) -> dict[str, float | None]:
    """p50, p95, p99 and max of lateness in ms; all None when there is none."""
    if not ms:
        return {"p50": None, "p95": None, "p99": None, "max": None}
    import numpy as np  # noqa: PLC0415 - a tenth of a second, and most who come here measure nothing

    values = np.asarray(ms)
    p50, p95, p99 = np.percentile(values, [50, 95, 99])
    rows = {"p50": p50, "p95": p95, "p99": p99, "max": values.max()}
    return {key: round(float(value), 4) for key, value in rows.items()}
