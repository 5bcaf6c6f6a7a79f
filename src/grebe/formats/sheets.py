"""Printable sheets as HTML that needs nothing from outside: no script, no font, no picture."""

from __future__ import annotations

from html import escape

from grebe.core.patterns.stepsheet import StepSheet, VoiceRows
from grebe.core.rig.setup import DeviceSheet, SetupSheet

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
