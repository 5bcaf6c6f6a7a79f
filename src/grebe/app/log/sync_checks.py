"""The log of sync checks: one JSON object a line, appended, never rewritten."""

from __future__ import annotations

from collections.abc import Iterable
from datetime import datetime
from pathlib import Path
from typing import Any

import msgspec

from grebe.app.live.sound_check import Result
from grebe.core.document import Project
from grebe.core.rig.tree import clock_tree
from grebe.core.sync.strip import StripFigures
from grebe.process.places import data_dir


def log_path() -> Path:
    """Where it lies."""
    return data_dir() / "sync-checks.jsonl"


def row_of(project: Project, device_id: str, result: Result) -> dict[str, Any]:
    """One check: when, what, at which tempo, over which cable and port, and what came out."""
    device = project.rig.line(device_id)
    hop = clock_tree(project.rig).hops.get(device_id)
    cable = ""
    if hop is not None:
        source = project.rig.name_of(hop.cable.source)
        cable = f"{hop.cable.medium} from {source}"
        if hop.cable.target_jack:
            jack = device.jack(hop.cable.target_jack)
            cable += f" into {jack.name if jack is not None else hop.cable.target_jack}"
    return {
        "at": result.at.isoformat(timespec="seconds"),
        "project": project.name,
        "device": device.name,
        "tempo_bpm": round(result.bpm, 3),
        "cable": cable,
        "port": f"{device.port.wire} {device.port.name}".strip(),
        "listened_to": result.heed,
        "offset_set_ms": result.offset_ms,
        **msgspec.structs.asdict(result.measured),
    }


def log_evening(project: Project, rows: dict[str, StripFigures], at: datetime) -> str:
    """Append how each box kept the beat over a run; why that failed, "" when it did not."""
    return _append(
        {
            "at": at.isoformat(timespec="seconds"), "kind": "run", "project": project.name,
            "device": project.rig.name_of(box), "offset_set_ms": project.rig.device(box).offset_ms,
            **figures._asdict(),
        }
        for box, figures in rows.items()
    )  # fmt: skip


def log_checks(project: Project, results: dict[str, Result]) -> str:
    """Append some checks; why that failed, in a sentence, or "" when it did not."""
    return _append(row_of(project, device, result) for device, result in results.items())


def _append(rows: Iterable[dict[str, Any]]) -> str:
    lines = [msgspec.json.encode(row) + b"\n" for row in rows]
    try:
        path = log_path()
        path.parent.mkdir(parents=True, exist_ok=True)
        with path.open("ab") as file:
            file.write(b"".join(lines))
    except OSError as error:
        return f"The check could not be written to the log ({error.strerror})."
    return ""
