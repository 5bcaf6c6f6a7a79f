"""What of the log is wanted, as a condition of SQLite's."""

from __future__ import annotations

import re
from datetime import date
from typing import Any, NamedTuple

WORDS = re.compile(r"\w+")


class LogFilter(NamedTuple):
    """What of the log is wanted; "" and None leave a thing open."""

    words: str = ""
    box: str = ""
    song: str = ""
    venue: str = ""
    since: date | None = None
    until: date | None = None


ALL = LogFilter()


def match_of(words: str) -> str:
    """What is typed, as the full text table asks for it."""
    return " ".join(f'"{word}"*' for word in WORDS.findall(words))


def where_of(wanted: LogFilter, table: str) -> tuple[str, list[Any]]:
    """The condition of a filter on one of the tables."""
    parts: list[str] = []
    values: list[Any] = []

    def ask(words: str, *more: object) -> None:
        parts.append(words)
        values.extend(more)

    kind = {"run": "run", "box_check": "check", "try": "try"}[table]
    asked = match_of(wanted.words)
    if asked:
        ask("id IN (SELECT ref FROM words WHERE words MATCH ? AND kind=?)", asked, kind)
    if wanted.box and table == "run":
        ask("id IN (SELECT run FROM event WHERE box=?)", wanted.box)
    elif wanted.box and table == "box_check":
        ask("box=?", wanted.box)
    if wanted.song and table == "run":
        ask("char(10)||songs||char(10) LIKE '%'||char(10)||?||char(10)||'%'", wanted.song)
    elif wanted.song and table == "try":
        ask("song=?", wanted.song)
    if wanted.venue and table == "run":
        ask("venue=?", wanted.venue)
    if wanted.since is not None:
        ask("evening>=?", wanted.since.isoformat())
    if wanted.until is not None:
        ask("evening<=?", wanted.until.isoformat())
    return (f"WHERE {' AND '.join(parts)}" if parts else ""), values
