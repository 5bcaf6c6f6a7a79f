"""Printable sheets as HTML that needs nothing from outside: no script, no font, no picture.

What is said stands in ``templates/``, where everything that comes from a project is escaped; here
it is only put in order. Qt's text layout takes padding from a table's `cellpadding` alone.
"""

from __future__ import annotations

import re
from collections.abc import Callable, Collection, Sequence
from functools import cache
from hashlib import blake2b
from html import unescape
from typing import TYPE_CHECKING, NamedTuple

from grebe.core.card import BoxCard
from grebe.core.document import Project
from grebe.core.patterns.stepsheet import StepSheet
from grebe.core.rig.setup import SetupSheet
from grebe.core.room import RoomTable
from grebe.core.sets.facts import SongFacts
from grebe.core.sets.formatting import between_words, key_words, tempo_words, work_words
from grebe.core.sets.plan import PlacedSong, SetSchedule
from grebe.core.songs.cues import Cue, CueSheet
from grebe.core.songs.layout import SectionSpan
from grebe.core.songs.programme import How, Programme
from grebe.core.time.formatting import clock_text
from grebe.core.whatif.answers import Without
from grebe.words import counted, language, tr

if TYPE_CHECKING:
    from jinja2 import Environment

INK, MUTED = "#1B2B31", "#5A6A6E"
STEPS_A_ROW = 16
OPEN_BOX, TICKED_BOX = "[ ]", "[x]"
"""Of characters that the packaged type has: others would come from whatever the machine has."""
HOW: dict[How, str] = {
    "live": tr("Grebe tells it each pattern while it plays; nothing is to be keyed in."),
    "grebe": tr("Grebe plays it note by note; nothing is to be keyed in."),
    "box": tr("Its own song memory plays it: key this in, line by line."),
    "hand": tr("Nothing tells it what to play: key this in as a chain, or change it by hand."),
}


class CueRow(NamedTuple):
    """A section on a stage sheet."""

    span: SectionSpan
    at: str
    """Clock time of its first beat."""
    moves: tuple[Cue, ...]
    """What the performer does."""
    others: tuple[Cue, ...]
    """What Grebe does."""
    in_time: bool
    """Whether hands can make the moves in time."""


class SheetSong(NamedTuple):
    """A song on a set's stage sheet."""

    facts: SongFacts
    begins: str
    ends: str
    comes_in: str
    """How it comes in after the one before it; "" for the first."""
    work: tuple[str, ...]
    """What is to be done by hand before it."""
    verdict: str
    """Why that does not fit; "" where it does."""
    rows: tuple[CueRow, ...]


@cache
def _environment() -> Environment:
    from jinja2 import Environment, PackageLoader, StrictUndefined  # noqa: PLC0415 - for a sheet

    made = Environment(
        loader=PackageLoader("grebe.formats"), autoescape=True, undefined=StrictUndefined,
        trim_blocks=True, lstrip_blocks=True, keep_trailing_newline=True,
    )  # fmt: skip
    made.globals |= {"tr": tr, "counted": counted, "language": language()}
    made.globals["box"] = lambda ticked: TICKED_BOX if ticked else OPEN_BOX
    return made


def _page(name: str, title: str, ink: str = INK, muted: str = MUTED, **said: object) -> str:
    template = _environment().get_template(f"{name}.html")
    return template.render(title=title, ink=ink, muted=muted, **said)


def setup_html(sheet: SetupSheet, *, ticked: frozenset[str], project: str) -> str:
    """The set-up sheet as one page: a table for each device, a box to tick on every line."""
    title = f"Set-up sheet: {sheet.rig}"
    return _page("setup", title, sheet=sheet, ticked=ticked, project=project)


def steps_html(sheets: list[StepSheet], *, ink: str = INK, muted: str = MUTED) -> str:
    """Step sheets as one page: for every voice its steps at a glance, then one by one."""
    title = f"Step sheet: {', '.join(sheet.pattern for sheet in sheets)}"
    return _page("steps", title, ink, muted, sheets=sheets, steps_a_row=STEPS_A_ROW)


def programme_html(
    found: Sequence[Programme], song: str, *, changed: dict[str, tuple[str, ...]] | None = None,
    ink: str = INK, muted: str = MUTED,
) -> str:  # fmt: skip
    """Programming sheets of a song: for each box what to key in, or what Grebe tells it.

    `changed` is, by device id, what is otherwise than on the sheet printed last.
    """
    title = f"Programme: {song}"
    return _page("programme", title, ink, muted, found=found, song=song, how=HOW,
                 changed=changed or {})  # fmt: skip


def stage_html(
    sheet: CueSheet, *, project: str, without: Sequence[Without] = (), ink: str = INK,
    muted: str = MUTED,
) -> str:  # fmt: skip
    """A stage sheet: section by section its bar, time, moves and what Grebe does; and what is
    lost `without` each box, and how one plays on."""
    layout = sheet.layout
    return _page(
        "stage", f"Stage sheet: {layout.song.name}", ink, muted, song=layout.song, project=project,
        bars=layout.bars, length=clock_text(layout.seconds()),
        rows=_rows(sheet, layout.tempo.seconds_at), without=without,
    )  # fmt: skip


def room_html(table: RoomTable) -> str:
    """A table for others in the room."""
    return _page("room", table.title, table=table)


def card_html(card: BoxCard, project: str) -> str:
    """A card for a box's lid."""
    return _page("card", tr("Card: {box}", box=card.device.name), card=card, project=project)


def what_if_html(rows: Sequence[Without], *, ink: str = INK, muted: str = MUTED) -> str:
    """What is lost without each box, and how one plays on."""
    return _page("whatif", tr("What if this goes?"), ink, muted, rows=rows)


def set_html(
    project: Project, plan: SetSchedule, sheets: list[tuple[PlacedSong, CueSheet]], *,
    ink: str = INK, muted: str = MUTED,
) -> str:  # fmt: skip
    """A stage sheet of a set: each song, what lies before it, then its sections with clock times
    from the set's first beat."""
    running = plan.running
    return _page(
        "set", f"Stage sheet: {running.name}", ink, muted, running=running,
        length=clock_text(plan.seconds), slot=clock_text(running.slot_s) if running.slot_s else "",
        songs=[_song(project, song, sheet) for song, sheet in sheets],
    )  # fmt: skip


def _song(project: Project, song: PlacedSong, sheet: CueSheet) -> SheetSong:
    assert song.facts is not None
    crossing = song.crossing
    comes_in, work, verdict = "", tuple[str, ...](), ""
    if crossing is not None:
        comes_in = f"{tempo_words(song.entry, crossing)}; {key_words(crossing.key)}."
        work = tuple(work_words(project, one) for one in crossing.between.by_hand)
        verdict = "" if crossing.between.fits else between_words(project, crossing.between)
    return SheetSong(
        facts=song.facts,
        begins=clock_text(song.start_s),
        ends=clock_text(song.end_s),
        comes_in=comes_in,
        work=work,
        verdict=verdict,
        rows=_rows(sheet, song.seconds_at),
    )


def _rows(sheet: CueSheet, seconds_at: Callable[[int], float]) -> tuple[CueRow, ...]:
    out: list[CueRow] = []
    for number, span in enumerate(sheet.layout.spans):
        cues = [c for c in sheet.cues if span.tick <= c.tick < span.end and c.kind != "section"]
        out.append(
            CueRow(
                span=span,
                at=clock_text(seconds_at(span.tick)),
                moves=tuple(c for c in cues if c.by_performer),
                others=tuple(c for c in cues if not c.by_performer),
                in_time=sheet.in_time[number],
            )
        )
    return tuple(out)


# What changed, and how large the type is

_ROW = re.compile(r"<tr>(.*?)</tr>", re.DOTALL)
_CELL = re.compile(r"(<td[^>]*>)")
_TAG = re.compile(r"<[^>]*>")
_POINTS = re.compile(r"(font-size: )([\d.]+)pt")
NEW = "\u00bb"
"""Before a row that was not on the sheet that was printed last; in the packaged type."""


def row_digests(html: str) -> tuple[str, ...]:
    """What the rows of a sheet's tables say, each as a digest, in order and each once."""
    return tuple(dict.fromkeys(_digest(row) for row in _ROW.findall(html)))


def _digest(row: str) -> str:
    """The same whether the row is ticked or not, and whatever it looks like."""
    words = unescape(_TAG.sub(" ", row)).replace(OPEN_BOX, " ").replace(TICKED_BOX, " ")
    return blake2b(" ".join(words.split()).encode(), digest_size=6).hexdigest()


def marked(html: str, before: Collection[str], on: str) -> str:
    """A sheet with what was not on the one printed on a day (YYYY-MM-DD) marked, and how many rows
    of that one are gone."""
    known, now = set(before), set(row_digests(html))

    def mark(found: re.Match[str]) -> str:
        row = found[1]
        if _digest(row) in known:
            return found[0]
        first = _CELL.sub(lambda cell: f"{cell[1]}<b>{NEW}</b>&nbsp;", row, count=1)
        return f"<tr>{first}</tr>"

    gone = len(known - now)
    if now <= known and not gone:
        words = tr("As it was printed on {on}.", on=on)
    else:
        words = tr("{new} is new since it was printed on {on}; {gone} of it are gone.", new=NEW,
                   on=on, gone=counted(gone, "row"))  # fmt: skip
    made = _ROW.sub(mark, html)
    return made.replace("</h1>", f"</h1>\n<p>{words}</p>", 1)


def sized(html: str, percent: int) -> str:
    """A sheet with type so large, 50 to 200 per cent of what it is usually."""
    larger = _POINTS.sub(lambda m: f"{m[1]}{float(m[2]) * percent / 100:g}pt", html)
    return larger.replace("<html ", f'<html data-size="{percent}" ', 1)
