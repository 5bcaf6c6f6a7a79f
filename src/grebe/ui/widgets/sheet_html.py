"""Sheets as Qt's text layout takes them: what it knows of a table it has from attributes that HTML
has long left to style sheets."""

from __future__ import annotations

import re

USUAL = 100
_TABLE = re.compile(r"<table( class=\"marks\")?>")
_WIDE = re.compile(r"<(t[dh])([^>]*) style=\"width: (\d+)%\"")
_SIZE = re.compile(r"<html data-size=\"(\d+)\"")
_MARKS = re.compile(r"<td class=\"([nm])\">")


def for_qt(html: str) -> str:
    """The same sheet with paddings and widths where Qt looks for them."""
    html = _TABLE.sub(_table, html)
    # Large type wants columns as wide as their words: in given widths Qt breaks words anywhere.
    wide = "" if size_percent(html) > USUAL else r' width="\3%"'
    html = _WIDE.sub(rf"<\1\2{wide}", html)
    return _MARKS.sub(r'<td class="\1" width="26" align="center">', html).replace(
        "<th", '<th align="left"'
    )


def _table(found: re.Match[str]) -> str:
    if found[1]:
        return f'<table{found[1]} cellpadding="1" cellspacing="0">'
    return '<table width="100%" cellpadding="6" cellspacing="0">'


def size_percent(html: str) -> int:
    """How large its type is, of what it is usually."""
    found = _SIZE.search(html)
    return int(found[1]) if found else USUAL
