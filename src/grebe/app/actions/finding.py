"""Finding an action, or anything of the project, by any of its words. Pure; no Qt."""

from __future__ import annotations

from collections.abc import Callable, Iterable, Sequence
from typing import NamedTuple

from grebe.app.actions.keymap import KeyMap, printed
from grebe.app.actions.model import station_name
from grebe.app.actions.table import ACTIONS
from grebe.core.document import Project
from grebe.core.findings import Finding
from grebe.words import tr

MOST = 60
"""So many are shown: who wants more types another word."""


class Findable(NamedTuple):
    """One thing that can be found."""

    kind: str
    """"action", or what it is: device, pattern, scene, section, song, set, finding, setting."""
    id: str
    title: str
    where: str
    """The station, or what it belongs to."""
    key: str
    searched: str
    """Everything it is found by, in small letters."""


def action_entries(keys: KeyMap, names: Callable[[str], str] = lambda _: "") -> list[Findable]:
    """Every action; numbered ones each by its number and, by `names`, what has that number."""
    out: list[Findable] = []
    for action in ACTIONS:
        where = tr(action.menu) if action.station == "everywhere" else station_name(action.station)
        for action_id in action.ids():
            number = action.number_of(action_id)
            name = names(action_id)
            title = action.title_of(number) + (f", {name}" if name else "")
            held = keys.keys_of(action_id)
            out.append(
                Findable("action", action_id, title, where, printed(held[0]) if held else "",
                      f"{action.searched} {number if number is not None else ''} "
                      f"{name.casefold()}")
            )  # fmt: skip
    return out


def thing_entries(project: Project, findings: Iterable[Finding] = ()) -> list[Findable]:
    """Everything of a project that has a name."""
    name_of = project.rig.name_of
    scenes = {s.id: s.name for s in project.scenes}
    out = [_thing("device", d.id, d.name, d.label or tr(d.kind)) for d in project.rig.devices]
    out += [_thing("pattern", p.id, p.name, name_of(p.device)) for p in project.patterns]
    out += [_thing("scene", s.id, s.name, "scene") for s in project.scenes]
    for song in project.songs:
        out.append(_thing("song", song.id, song.name, "song"))
        out += [
            _thing("section", f"{song.id}/{s.id}", scenes.get(s.scene, s.scene),
                   tr("{song}, section {at}", song=song.name, at=at))
            for at, s in enumerate(song.sections, start=1)
        ]  # fmt: skip
    out += [_thing("set", s.id, s.name, "set") for s in project.sets]
    out += [_thing("finding", f"{f.kind}/{f.subject}", f.message, "finding") for f in findings]
    return out


def _thing(kind: str, identity: str, title: str, where: str) -> Findable:
    return Findable(kind, identity, title, where, "", f"{title} {where} {kind}".casefold())


def found(entries: Sequence[Findable], typed: str, recent: Sequence[str] = ()) -> list[Findable]:
    """What has all the words that were typed, the likeliest first; recent actions before all.

    With nothing typed: what was done last, then every action.
    """
    words = typed.casefold().split()
    if not words:
        actions = [e for e in entries if e.kind == "action"]
        latest = {e.id: e for e in actions}
        first = [latest[r] for r in recent if r in latest]
        return [*first, *(e for e in actions if e.id not in set(recent))][:MOST]
    scored = [
        (_score(entry, words, recent), at, entry)
        for at, entry in enumerate(entries)
        if all(word in entry.searched for word in words)
    ]
    scored.sort(key=lambda row: row[:2])
    return [entry for _, _, entry in scored[:MOST]]


def _score(entry: Findable, words: Sequence[str], recent: Sequence[str]) -> tuple[int, ...]:
    """Smaller is better: its own words before others, their beginnings before their middles."""
    title = entry.title.casefold()
    begins = title.split()
    whole = sum(any(own.startswith(word) for own in begins) for word in words)
    own = sum(word in title for word in words)
    return (
        -title.startswith(" ".join(words)), -whole, -own, -(entry.id in recent),
        entry.kind != "action", len(title),
    )  # fmt: skip
