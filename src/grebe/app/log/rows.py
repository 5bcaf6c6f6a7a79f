"""A check, and how a box kept the beat over a run, as the log has them."""

from __future__ import annotations

from datetime import datetime

from grebe.app.live.sound_check import Result
from grebe.core.document import Project
from grebe.core.log.model import BoxCheck, stamp
from grebe.core.probe.model import Answers
from grebe.core.probe.taking import offset_of
from grebe.core.rig.model import Device
from grebe.core.rig.tree import clock_tree
from grebe.core.sync.strip import StripFigures


def check_row(project: Project, device_id: str, result: Result) -> BoxCheck:
    """One check: when, what, at which tempo, over which cable and port, and what came out."""
    device, measured = project.rig.line(device_id), result.measured
    at, zone = stamp(result.at)
    return BoxCheck(
        at=at, zone_min=zone, project=project.name, box=device.name, profile=device.profile,
        port=_port(device), cable=_cable(project, device_id), listened_to=result.heed,
        bpm=round(result.bpm, 3), offset_set_ms=result.offset_ms, offset_ms=measured.offset_ms,
        jitter_ms=None if measured.jitter_ms is None else measured.jitter_ms.p95,
        drift_ms_min=measured.drift_ms_per_min, verdict=measured.verdict,
    )  # fmt: skip


def run_row(
    project: Project, device_id: str, figures: StripFigures, bpm: float, now: datetime
) -> BoxCheck:
    """How a box kept the beat over a run."""
    device = project.rig.line(device_id)
    at, zone = stamp(now)
    return BoxCheck(
        at=at, zone_min=zone, kind="run", project=project.name, box=device.name,
        profile=device.profile, port=_port(device), cable=_cable(project, device_id),
        bpm=round(bpm, 3), offset_set_ms=device.offset_ms, offset_ms=figures.offset_ms,
        jitter_ms=figures.jitter_ms, drift_ms_min=figures.slope_ms_per_min,
        verdict=figures.verdict,
    )  # fmt: skip


def probe_row(project: Project, device_id: str, found: Answers, now: datetime) -> BoxCheck:
    """What a probe found of how late a box is; nothing is sent early for it meanwhile."""
    device = project.rig.line(device_id)
    at, zone = stamp(now)
    return BoxCheck(
        at=at, zone_min=zone, kind="probe", project=project.name, box=device.name,
        profile=device.profile, port=_port(device), cable=_cable(project, device_id),
        offset_ms=offset_of(device, found), verdict="probed",
    )  # fmt: skip


def _port(device: Device) -> str:
    return f"{device.port.wire} {device.port.name}".strip()


def _cable(project: Project, device_id: str) -> str:
    hop = clock_tree(project.rig).hops.get(device_id)
    if hop is None:
        return ""
    cable = f"{hop.cable.medium} from {project.rig.name_of(hop.cable.source)}"
    if hop.cable.target_jack:
        jack = project.rig.line(device_id).jack(hop.cable.target_jack)
        cable += f" into {jack.name if jack is not None else hop.cable.target_jack}"
    return cable
