"""The log of sync checks: one JSON object a line, appended, never rewritten."""

from __future__ import annotations

from pathlib import Path
from typing import Any

import msgspec

from grebe.app.live.sound_check import Result
from grebe.core.document import Project
from grebe.core.rig.tree import clock_tree
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


def log_checks(project: Project, results: dict[str, Result]) -> str:
    """Append some checks; why that failed, in a sentence, or "" when it did not."""
    lines = [
        msgspec.json.encode(row_of(project, device, result)) + b"\n"
        for device, result in results.items()
    ]
    try:
        path = log_path()
        path.parent.mkdir(parents=True, exist_ok=True)
        with path.open("ab") as file:
            file.write(b"".join(lines))
    except OSError as error:
        return f"The check could not be written to the log ({error.strerror})."
    return ""
