"""The log of rehearsals: one JSON object a line, appended, never rewritten."""

from __future__ import annotations

import logging
from collections.abc import Iterator
from datetime import datetime
from pathlib import Path
from typing import Any

import msgspec

from grebe.core.rehearse.ones import Ones
from grebe.core.rehearse.score import Scored, Try
from grebe.process.places import data_dir

_log = logging.getLogger(__name__)
MOST_BYTES = 4_000_000
"""Of the log's end that is read: some twenty thousand moves."""


def log_path() -> Path:
    """Where it lies."""
    return data_dir() / "rehearsals.jsonl"


def _append(rows: list[dict[str, Any]]) -> str:
    """Append rows; why that failed, in a sentence, or ""."""
    try:
        path = log_path()
        path.parent.mkdir(parents=True, exist_ok=True)
        with path.open("ab") as file:
            file.write(b"".join(msgspec.json.encode(row) + b"\n" for row in rows))
    except OSError as error:
        return f"The rehearsal could not be written to the log ({error.strerror})."
    return ""


def log_scores(
    project: str, song: str, before: str, after: str, pace: float, scores: list[Scored],
    at: datetime,
) -> str:  # fmt: skip
    """Append how a transition went. What is wrong with the log, or ""."""
    return _append(
        [
            {
                "at": at.isoformat(timespec="seconds"), "kind": s.asked.kind, "project": project,
                "song": song, "from": before, "to": after, "what": s.asked.what,
                "verdict": s.verdict, "off_ms": None if s.off_ms is None else round(s.off_ms, 1),
                "pace": round(pace, 3),
            }
            for s in scores
        ]
    )  # fmt: skip


def log_ones(project: str, song: str, bpm: float, found: Ones, at: datetime) -> str:
    """Append a run of the exercise."""
    return _append(
        [
            {
                "at": at.isoformat(timespec="seconds"), "kind": "ones", "project": project,
                "song": song, "tempo_bpm": round(bpm, 2), "taps": found.taps,
                "mean_ms": round(found.mean_ms, 2), "spread_ms": round(found.spread_ms, 2),
            }
        ]
    )  # fmt: skip


def read_log() -> list[dict[str, Any]]:
    """The rows of the log, oldest first; lines that cannot be read are left out."""
    return list(_rows())


def _rows() -> Iterator[dict[str, Any]]:
    if not log_path().is_file():
        return
    try:
        with log_path().open("rb") as file:
            file.seek(0, 2)
            size = file.tell()
            file.seek(max(0, size - MOST_BYTES))
            lines = file.read().split(b"\n")
    except OSError:
        return
    for line in lines[1 if size > MOST_BYTES else 0 :]:
        try:
            row = msgspec.json.decode(line)
        except Exception:  # whatever is wrong with a line
            _log.warning("a line of the log of rehearsals cannot be read")
            continue
        if isinstance(row, dict):
            yield row


def tries_of(rows: list[dict[str, Any]], project: str) -> list[Try]:
    """Scored launches and moves of a project."""
    out: list[Try] = []
    for row in rows:
        if row.get("project") != project or row.get("kind") not in ("launch", "move"):
            continue
        try:
            out.append(
                msgspec.convert(
                    (row["song"], row["from"], row["to"], row["kind"], row["what"],
                     row["verdict"], row["off_ms"]),
                    Try,
                )
            )  # fmt: skip
        except (KeyError, msgspec.ValidationError):
            continue
    return out
