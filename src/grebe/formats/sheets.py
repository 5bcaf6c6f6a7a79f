"""Printable sheets as HTML that needs nothing from outside: no script, no font, no picture."""

from __future__ import annotations

from html import escape

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
