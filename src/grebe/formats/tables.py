"""Tables of text as other people's programs write them: CSV in its dialects.

Spreadsheets put a byte order mark before it, or write UTF-16; part columns by semicolons or tabs,
and decimals by a comma then; quote cells; write 8.0 where 8 was meant.
"""

from __future__ import annotations

import csv
import io
import math
from collections.abc import Iterable, Sequence

DELIMITERS = (";", "\t", ",")
FORMULA = ("=", "+", "@", "\t", "\r")
"""With what a spreadsheet's formula can begin; a minus begins numbers, too, and is left."""
LOOKED_AT = 20
"""Lines by which it is decided what parts the columns."""


def decoded(data: bytes) -> str:
    """The text of a table. UnicodeDecodeError where it is none."""
    if data[:2] in (b"\xff\xfe", b"\xfe\xff"):
        return data.decode("utf-16")
    head = data[:64]
    if head[1::2].count(0) > len(head) // 3:  # UTF-16 without its mark
        return data.decode("utf-16-le")
    if head[::2].count(0) > len(head) // 3:
        return data.decode("utf-16-be")
    try:
        return data.decode("utf-8-sig")
    except UnicodeDecodeError:
        if b"\0" in data:
            raise
        return data.decode("cp1252")


def delimiter_of(text: str) -> str:
    """What parts its columns: what parts the first lines into as many, and into most."""
    lines = [line for line in text.replace("\r", "\n").split("\n") if line.strip()][:LOOKED_AT]
    best, most = ",", 0.0
    for delimiter in DELIMITERS:
        counts = [_outside_quotes(line).count(delimiter) for line in lines]
        alike = counts.count(counts[0]) / len(counts) if counts and counts[0] else 0.0
        score = alike * min(counts[0], 8) if counts else 0.0
        if delimiter == "," and best != ",":
            score -= 0.5  # a semicolon beside decimal commas
        if score > most:
            best, most = delimiter, score
    return best


def _outside_quotes(line: str) -> str:
    return "".join(line.split('"')[::2])


def rows_of(text: str) -> list[list[str]]:
    """Its cells, row by row, without blanks around them; empty rows are empty lists. csv.Error
    where a quote is never closed."""
    found = csv.reader(io.StringIO(text), delimiter=delimiter_of(text), strict=True)
    return [[cell.strip() for cell in row] for row in found]


def csv_bytes(rows: Iterable[Sequence[object]]) -> bytes:
    """Rows as a CSV file (RFC 4180), UTF-8. A cell that a spreadsheet would take for a formula
    begins with an apostrophe: it is text."""
    text = io.StringIO(newline="")
    csv.writer(text).writerows([_told(cell) for cell in row] for row in rows)
    return text.getvalue().encode()


def _told(cell: object) -> object:
    return f"'{cell}" if isinstance(cell, str) and cell[:1] in FORMULA else cell


def numbered(text: str) -> list[tuple[int, list[str]]]:
    """The same with the number of each line, from 1, without empty ones."""
    return [(n, row) for n, row in enumerate(rows_of(text), start=1) if any(row)]


def heading(row: Sequence[str]) -> list[str]:
    """Names of columns, in small letters: another program capitalises them."""
    return [cell.lower().replace(" ", "_") for cell in row]


def number(text: str) -> float:
    """A number with a point or a comma before its decimals. ValueError where it is none."""
    words = text.replace("\u00a0", "").replace("\u2212", "-").strip()
    if "," in words and "." not in words and words.count(",") == 1:
        words = words.replace(",", ".")
    value = float(words)
    if not math.isfinite(value):
        raise ValueError(f"{text!r} is no number")
    return value


def plain(value: float) -> str:
    """A number in as many decimals as it takes to be read as the same one."""
    return f"{value:.0f}" if value == int(value) else repr(value)


def whole(text: str) -> int:
    """A whole number, also as 8.0 or 8,0. ValueError where it is none."""
    value = number(text)
    if value != int(value):
        raise ValueError(f"{text!r} is no whole number")
    return int(value)
