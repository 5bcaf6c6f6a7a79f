"""What versions before 0.2 kept of checks and rehearsals, a line of JSON each: it is taken over."""

from __future__ import annotations

import logging
from collections.abc import Iterator
from contextlib import suppress
from datetime import datetime
from pathlib import Path
from typing import Any

import msgspec

from grebe.core.log.model import BoxCheck, OnesRow, TryRow, stamp

_log = logging.getLogger(__name__)
CHECKS, REHEARSALS = "sync-checks.jsonl", "rehearsals.jsonl"
TAKEN_OVER = ".taken-over"


def older_files(folder: Path) -> tuple[Path, ...]:
    """Where they lie."""
    return folder / CHECKS, folder / REHEARSALS


def older_rows(folder: Path) -> list[BoxCheck | TryRow | OnesRow]:
    """All that lies there; lines that cannot be read are left out."""
    out: list[BoxCheck | TryRow | OnesRow] = []
    for told in _lines(folder / CHECKS):
        with suppress(KeyError, TypeError, ValueError):
            out.append(_check(told))
    for told in _lines(folder / REHEARSALS):
        with suppress(KeyError, TypeError, ValueError):
            out.append(_ones(told) if told["kind"] == "ones" else _try(told))
    return out


def put_away(folder: Path) -> None:
    """What was taken over is not taken over again; the files stay, under another name."""
    for name in (CHECKS, REHEARSALS):
        with suppress(FileNotFoundError, PermissionError):
            (folder / name).rename(folder / f"{name}{TAKEN_OVER}")


def _lines(path: Path) -> Iterator[dict[str, Any]]:
    try:
        lines = path.read_bytes().splitlines()
    except OSError:
        return
    for line in lines:
        try:
            told = msgspec.json.decode(line)
        except msgspec.DecodeError:
            _log.warning("a line of %s cannot be read", path.name)
            continue
        if isinstance(told, dict):
            yield told


def _when(told: dict[str, Any]) -> dict[str, Any]:
    at, zone = stamp(datetime.fromisoformat(told["at"]))
    return {"at": at, "zone_min": zone, "project": told.get("project", "")}


def _check(told: dict[str, Any]) -> BoxCheck:
    jitter = told.get("jitter_ms")
    drift = told.get("drift_ms_per_min")
    return msgspec.convert(
        _when(told) | {
            "kind": told.get("kind", "check"), "box": told["device"],
            "port": told.get("port", ""), "cable": told.get("cable", ""),
            "listened_to": told.get("listened_to", ""), "bpm": told.get("tempo_bpm", 0.0),
            "offset_set_ms": told.get("offset_set_ms", 0.0), "offset_ms": told.get("offset_ms"),
            "jitter_ms": jitter.get("p95") if isinstance(jitter, dict) else jitter,
            "drift_ms_min": drift, "verdict": told.get("verdict", ""),
        },
        BoxCheck,
    )  # fmt: skip


def _try(told: dict[str, Any]) -> TryRow:
    return msgspec.convert(
        _when(told) | {
            "song": told["song"], "before": told["from"], "after": told["to"],
            "kind": told["kind"], "what": told["what"], "verdict": told["verdict"],
            "off_ms": told.get("off_ms"), "pace": told.get("pace", 1.0),
        },
        TryRow,
    )  # fmt: skip


def _ones(told: dict[str, Any]) -> OnesRow:
    return msgspec.convert(
        _when(told) | {
            "song": told.get("song", ""), "bpm": told.get("tempo_bpm", 0.0),
            "taps": told["taps"], "mean_ms": told["mean_ms"], "spread_ms": told["spread_ms"],
        },
        OnesRow,
    )  # fmt: skip
