"""A song as one line: jumps and returns played out, each section still linked to its scene."""

from __future__ import annotations

import msgspec

from grebe.core.songs.model import Section, Song, Then

MOST_SECTIONS = 2000
"""A song that goes round for longer is cut off there: a jump inside a jump multiplies."""


def unrolled(song: Song) -> Song:
    """The song without jumps: what is jumped to is written out where it comes.

    What would never end by itself (staying, a jump that is always made) goes on with what is
    next. Sections that come again get ids of their own.
    """
    sections = song.sections
    if all(s.then.kind == "next" for s in sections):
        return song
    ids = [s.id for s in sections]
    jumps: dict[str, int] = {}
    out: list[Section] = []
    index, came_from = 0, 0
    while index < len(sections) and len(out) < MOST_SECTIONS:
        section = sections[index]
        out.append(section)
        then, following = section.then, index + 1
        made = jumps.get(section.id, 0)
        if then.kind in ("jump", "back") and made < then.jumps:
            jumps[section.id] = made + 1
            following = came_from if then.kind == "back" else following
            if then.kind == "jump" and then.to in ids:
                following = ids.index(then.to)
        if following != index:
            came_from = index
        index = following
    return msgspec.structs.replace(song, sections=_with_own_ids(out))


def _with_own_ids(sections: list[Section]) -> tuple[Section, ...]:
    seen: dict[str, int] = {}
    out: list[Section] = []
    for section in sections:
        seen[section.id] = seen.get(section.id, 0) + 1
        number = seen[section.id]
        own = section.id if number == 1 else f"{section.id}-{number}"
        out.append(msgspec.structs.replace(section, id=own, then=Then()))
    return tuple(out)
