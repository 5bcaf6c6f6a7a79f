"""Printable sheets as HTML that needs nothing from outside: no script, no font, no picture."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from html import escape

from grebe.core.document import Project
from grebe.core.patterns.stepsheet import StepSheet, VoiceRows
from grebe.core.rig.setup import DeviceSheet, SetupSheet
from grebe.core.sets.formatting import between_words, key_words, tempo_words, work_words
from grebe.core.sets.plan import PlacedSong, SetSchedule
from grebe.core.songs.cues import Cue, CueSheet
from grebe.core.songs.programme import How, Programme
from grebe.core.time.formatting import clock_text
from grebe.core.time.tempo import TempoMap

STYLE = """
body { font-family: "Barlow Semi Condensed", sans-serif; font-size: 11pt; color: #1B2B31; }
h1 { font-size: 20pt; margin-bottom: 2pt; }
h2 { font-size: 14pt; margin-top: 14pt; margin-bottom: 2pt; }
p { color: #5A6A6E; margin-top: 0; }
table { border-collapse: collapse; width: 100%; }
td { border-bottom: 1px solid #D6CFBC; padding: 3pt 6pt; vertical-align: top; }
.tick { width: 14pt; } .about { width: 62pt; color: #5A6A6E; } .why { color: #5A6A6E; }
"""
STEPS_A_ROW = 16
TABLE = '<table width="100%" cellpadding="4" cellspacing="0">'
"""Qt's text layout takes padding from here only."""
OPEN_BOX, TICKED_BOX = "\u2610", "\u2611"


def setup_html(sheet: SetupSheet, *, ticked: frozenset[str], project: str) -> str:
    """The set-up sheet as one page: a table for each device, a box to tick on every line."""
    about = f"{escape(project)}. Set-up sheet, in the order of a sound check."
    parts = [
        "<!DOCTYPE html>",
        '<html lang="en"><head><meta charset="utf-8">',
        f"<title>Set-up sheet: {escape(sheet.rig)}</title>",
        f"<style>{STYLE}</style></head><body>",
        f"<h1>{escape(sheet.rig)}</h1>",
        f"<p>{about} Clock from {escape(sheet.leader)}.</p>",
    ]
    parts += [_device(device, ticked) for device in sheet.devices]
    return "\n".join([*parts, "</body></html>", ""])


def _device(device: DeviceSheet, ticked: frozenset[str]) -> str:
    rows = "\n".join(
        f'<tr><td class="tick">{TICKED_BOX if step.key in ticked else OPEN_BOX}</td>'
        f'<td class="about">{escape(step.about)}</td><td><b>{escape(step.do)}</b></td>'
        f'<td class="why">{escape(step.reason)}</td></tr>'
        for step in device.steps
    )
    nothing = "<p>Nothing to set.</p>"
    table = f"<table>{rows}</table>" if device.steps else nothing
    return f"<h2>{escape(device.name)}</h2><p>{escape(device.label)}</p>{table}"


def steps_html(sheets: list[StepSheet], *, ink: str = "#1B2B31", muted: str = "#5A6A6E") -> str:
    """Step sheets as one page: for every voice its steps at a glance, then one by one."""
    names = ", ".join(sheet.pattern for sheet in sheets)
    parts = [
        "<!DOCTYPE html>",
        '<html lang="en"><head><meta charset="utf-8">',
        f"<title>Step sheet: {escape(names)}</title>",
        f"<style>{STYLE} body, h1, h2, td {{ color: {ink}; }} p {{ color: {muted}; }}",
        f".n {{ color: {muted}; border: none; }}",
        ".marks { width: auto; } .marks td { width: 22px; text-align: center; padding: 1px 5px; }",
        ".m { font-size: 14pt; }</style>",
        "</head><body>",
    ]
    for sheet in sheets:
        place = f" into {escape(sheet.place)}" if sheet.place else ""
        settings = "; ".join(sheet.settings)
        parts.append(f"<h1>{escape(sheet.pattern)}</h1>")
        parts.append(f"<p>Key{place} of {escape(sheet.device)}. {escape(settings)}.</p>")
        parts += [_voice(voice) for voice in sheet.voices]
        if not sheet.voices:
            parts.append("<p>Nothing to key in.</p>")
    return "\n".join([*parts, "</body></html>", ""])


def _voice(voice: VoiceRows) -> str:
    about = f" ({escape(voice.settings)})" if voice.settings else ""
    rows: list[str] = []
    for first in range(0, len(voice.marks), STEPS_A_ROW):
        marks = voice.marks[first : first + STEPS_A_ROW]
        numbers = "".join(_cell("n", str(first + n + 1)) for n in range(len(marks)))
        cells = "".join(_cell("m", mark) for mark in marks)
        rows.append(f"<tr>{numbers}</tr><tr>{cells}</tr>")
    steps = "; ".join(f"<b>{row.step}</b> {escape(row.does)}" for row in voice.rows)
    return (
        f"<h2>{escape(voice.name)}, note {voice.note}{about}</h2>"
        f"<table class='marks' cellspacing='0'>{''.join(rows)}</table><p>{steps}</p>"
    )


def _cell(kind: str, text: str) -> str:
    return f"<td class='{kind}' width='26' align='center'>{escape(text)}</td>"


def programme_html(
    found: Sequence[Programme], song: str, *, changed: dict[str, tuple[str, ...]] | None = None,
    ink: str = "#1B2B31", muted: str = "#5A6A6E",
) -> str:  # fmt: skip
    """Programming sheets of a song: for each box what to key in, or what Grebe tells it.

    `changed` is, by device id, what is otherwise than on the sheet printed last.
    """
    parts = _opening(f"Programme: {song}", ink, muted)
    for programme in found:
        device = programme.device
        parts.append(f"<h1>{escape(device.name)}</h1>")
        parts.append(f"<p>{escape(song)}. {escape(HOW[programme.how])}</p>")
        rows = [("Changed since printed", row) for row in (changed or {}).get(device.id, ())]
        rows += [("Does not fit", row) for row in programme.problems]
        rows += [("What helps", row) for row in programme.remedies]
        parts += [f"<p><b>{a}:</b> {escape(b)}.</p>" for a, b in rows]
        cells = "\n".join(
            f'<tr><td width="22">{OPEN_BOX}</td><td>{escape(line)}</td></tr>'
            for line in programme.lines
        )
        parts.append(f"{TABLE}{cells}</table>")
    if not found:
        parts.append("<p>No box plays in this song.</p>")
    return "\n".join([*parts, "</body></html>", ""])


HOW: dict[How, str] = {
    "live": "Grebe tells it each pattern while it plays; nothing is to be keyed in.",
    "grebe": "Grebe plays it note by note; nothing is to be keyed in.",
    "box": "Its own song memory plays it: key this in, line by line.",
    "hand": "Nothing tells it what to play: key this in as a chain, or change it by hand.",
}


def stage_html(
    sheet: CueSheet, *, project: str, ink: str = "#1B2B31", muted: str = "#5A6A6E"
) -> str:
    """A stage sheet: section by section its bar, time, moves and what Grebe does."""
    layout = sheet.layout
    song = layout.song
    parts = _opening(f"Stage sheet: {song.name}", ink, muted)
    parts.append(f"<h1>{escape(song.name)}</h1>")
    parts.append(
        f"<p>{escape(project)}. {layout.bars} bars, {clock_text(layout.seconds())}, "
        f"{song.bpm:g} BPM.</p>"
    )
    parts.append(_stage_table(sheet, layout.tempo.seconds_at))
    return "\n".join([*parts, "</body></html>", ""])


def set_html(
    project: Project, plan: SetSchedule, sheets: list[tuple[PlacedSong, CueSheet]], *,
    ink: str = "#1B2B31", muted: str = "#5A6A6E",
) -> str:  # fmt: skip
    """A stage sheet of a set: each song, what lies before it, then its sections with clock times
    from the set's first beat."""
    running = plan.running
    parts = _opening(f"Stage sheet: {running.name}", ink, muted)
    parts.append(f"<h1>{escape(running.name)}</h1>")
    slot = f" of {clock_text(running.slot_s)}" if running.slot_s else ""
    parts.append(f"<p>{len(sheets)} songs, {clock_text(plan.seconds)}{slot}.</p>")
    for number, (song, sheet) in enumerate(sheets, start=1):
        assert song.facts is not None
        assert song.tempo is not None
        facts, tempo = song.facts, song.tempo
        key = f", {escape(facts.key)}" if facts.key else ""
        parts.append(f"<h2>{number}. {escape(facts.song.name)}</h2>")
        parts.append(
            f"<p>{clock_text(song.start_s)} to {clock_text(song.end_s)}, {facts.bars} bars, "
            f"{facts.bpm:g} BPM{key}.</p>"
        )
        crossing = song.crossing
        if crossing is not None:
            how = f"{tempo_words(song.entry, crossing)}; {key_words(crossing.key)}."
            work = [f"&#9670; {escape(work_words(project, w))}" for w in crossing.between.by_hand]
            verdict = "" if crossing.between.fits else (
                f"<br><b>{escape(between_words(project, crossing.between))}</b>"
            )  # fmt: skip
            parts.append(f"<p>Comes in: {'<br>'.join([escape(how), *work])}{verdict}</p>")
        begin = song.start_s - tempo.seconds_at(0)

        def at(tick: int, begin: float = begin, tempo: TempoMap = tempo) -> float:
            return begin + tempo.seconds_at(tick)

        parts.append(_stage_table(sheet, at))
    return "\n".join([*parts, "</body></html>", ""])


def _stage_table(sheet: CueSheet, seconds_at: Callable[[int], float]) -> str:
    layout = sheet.layout
    rows: list[str] = []
    for number, span in enumerate(layout.spans):
        cues = [c for c in sheet.cues if span.tick <= c.tick < span.end and c.kind != "section"]
        moves = [
            f"&#9670; {_other(c, span.bar)} (by {c.by})" for c in cues if c.by in ("hand", "foot")
        ]
        if not sheet.in_time[number]:
            moves.append("<b>More than your hands can make in time</b>")
        others = [_other(c, span.bar) for c in cues if c.by not in ("hand", "foot")]
        at = clock_text(seconds_at(span.tick))
        rows.append(
            f"<tr><td><b>{span.bar}</b></td><td>{at}</td><td><b>{escape(span.scene.name)}</b>"
            f"<br>{span.bars} bars</td><td>{'<br>'.join(moves) or 'hands free'}</td>"
            f"<td class='why'>{'<br>'.join(others)}</td></tr>"
        )
    head = "<tr><td>Bar</td><td>Time</td><td>Scene</td><td>You</td><td>Grebe</td></tr>"
    return f"{TABLE}{head}{''.join(rows)}</table>"


def _other(cue: Cue, first_bar: int) -> str:
    name = f"{escape(cue.device)}: " if cue.device else ""
    where = (
        f"bar {cue.bar}{f'.{cue.beat}' if cue.beat > 1 else ''}, " if cue.bar > first_bar else ""
    )
    return f"{where}{name}{escape(cue.what)}"


def _opening(title: str, ink: str, muted: str) -> list[str]:
    return [
        "<!DOCTYPE html>",
        '<html lang="en"><head><meta charset="utf-8">',
        f"<title>{escape(title)}</title>",
        f"<style>{STYLE} body, h1, h2, td {{ color: {ink}; }} p, .why {{ color: {muted}; }}",
        "</style></head><body>",
    ]
