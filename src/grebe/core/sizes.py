"""How large a document may be: so that what looks through all of it stays quick.

Far over any set that is played, and such that a document at any one of the limits is checked in
some two seconds. Reading and editing both ask here.
"""

from __future__ import annotations

from grebe.core.document import Project
from grebe.words import tr

MAX_SONG_BARS = 20_000
"""Of one song as it is played: eleven hours at 120 BPM."""
MAX_BARS = 100_000
"""Of all songs together."""
LIMITS: dict[str, int] = {
    "rig.devices": 128, "rig.cables": 1_000, "rig.routes": 1_000, "patterns": 40_000,
    "loops": 1_000,
    "scenes": 1_000, "songs": 500, "sets": 100,
}  # fmt: skip
"""By field: how many things at most."""
MAX_PLACES = 200
"""Songs in one set, the same one more than once."""
MAX_SECTIONS = 1_000
"""Of one song."""


def too_large(project: Project, before: Project | None = None) -> str:
    """What of a document is too large, and the limit, in a sentence; "" where nothing is.

    `before` is the document before an edit, which was not: what it left alone is not counted again.
    """
    many = _too_many(project)
    if many or before is None:
        return many or _too_long(project)
    fields = ("songs", "scenes", "sets")
    same = all(getattr(before, field) is getattr(project, field) for field in fields)
    return "" if same else _too_long(project)


def _too_many(project: Project) -> str:
    """Of anything."""
    rig = project.rig
    counts = {
        "rig.devices": len(rig.devices), "rig.cables": len(rig.cables),
        "rig.routes": len(rig.routes), "patterns": len(project.patterns),
        "loops": len(project.loops), "scenes": len(project.scenes), "songs": len(project.songs),
        "sets": len(project.sets),
    }  # fmt: skip
    for field, most in LIMITS.items():
        if counts[field] > most:
            return tr(
                "`{field}` holds {counts} things; up to {most} are taken",
                field=field,
                counts=counts[field],
                most=most,
            )
    return ""


def _too_long(project: Project) -> str:
    """Sets, songs, and all songs together."""
    for running in project.sets:
        if len(running.songs) > MAX_PLACES:
            return tr(
                "{running} has {count} songs; up to {max_places} are taken",
                running=running.name,
                count=len(running.songs),
                max_places=MAX_PLACES,
            )
    lengths = {s.id: s.bars for s in project.scenes}
    total = 0
    for song in project.songs:
        if len(song.sections) > MAX_SECTIONS:
            return tr(
                "{song} has {count} sections; up to {max_sections} are taken",
                song=song.name,
                count=len(song.sections),
                max_sections=MAX_SECTIONS,
            )
        bars = sum(lengths.get(s.scene, 0) * s.times for s in song.sections)
        if bars > MAX_SONG_BARS:
            return tr(
                "{song} has {bars} bars; up to {max_song_bars} are played",
                song=song.name,
                bars=bars,
                max_song_bars=MAX_SONG_BARS,
            )
        total += bars
    if total > MAX_BARS:
        return tr(
            "all songs together have {total} bars; up to {max_bars} are taken",
            total=total,
            max_bars=MAX_BARS,
        )
    return ""
