"""Findings on what the performer knows of this gear already."""

from __future__ import annotations

from collections.abc import Iterator

from grebe.core.findings.look import Look
from grebe.core.findings.model import Finding
from grebe.core.gear.known import KnownHere, about, failed, overtaken
from grebe.core.gear.model import GearLibrary, Trial
from grebe.core.rig.formatting import listed
from grebe.core.rig.model import GREBE_ID
from grebe.words import tr


def known_findings(look: Look, library: GearLibrary) -> Iterator[Finding]:
    """All of this family: what failed warns, until it worked; settings, versions and quirks are
    told."""
    rows = about(look.rig, library)
    for row in rows:
        entry = row.entry
        fails = failed(entry)
        if (fails and overtaken(row, rows)) or (isinstance(entry, Trial) and not fails):
            continue
        if not isinstance(entry, Trial) and entry.kind == "works":
            continue
        names = listed(row.names(look.rig))
        yield Finding(
            code="rig.known-fails" if fails else "rig.known",
            severity="warn" if fails else "note",
            subject=next((b for b in row.boxes if b != GREBE_ID), row.boxes[0]),
            message=_words(row, names, fails=fails),
            why=(
                tr("It failed then, and nobody has written since that it works.")
                if fails
                else tr("You wrote it down for a day like this.")
            ),
            fix=(
                tr("Try it before the set, and write down what comes of it.")
                if fails
                else tr("See to it, or take the note out.")
            ),
        )


def _words(row: KnownHere, names: str, *, fails: bool) -> str:
    entry = row.entry
    text = (entry.what if isinstance(entry, Trial) else entry.text).rstrip(".")
    version = "" if isinstance(entry, Trial) or not entry.firmware else (
        tr(" (firmware {version})", version=entry.firmware)
    )  # fmt: skip
    if fails:
        return tr("You noted on {day} that {names} fail: {text}{version}.",
                  day=entry.day, names=names, text=text, version=version)  # fmt: skip
    return tr("You noted on {day} of {names}: {text}{version}.",
              day=entry.day, names=names, text=text, version=version)  # fmt: skip
