"""The set in hand and its settings as text: what the form shows. Without Qt."""

from __future__ import annotations

import re
from collections.abc import Callable
from typing import Any

import msgspec

from grebe.app.actions.keymap import told
from grebe.app.live.session import Session
from grebe.core.document import Project, with_set, with_song
from grebe.core.forms import meant, told_apart
from grebe.core.patterns.keys import key_parts
from grebe.core.sets.edit import change_place
from grebe.core.sets.model import INTO, Set, SetSong, Weights
from grebe.core.sets.plan import PlacedSong, SetFactsModel, SetSchedule, plan_set
from grebe.core.songs.model import Need, Song
from grebe.core.time.formatting import clock_text
from grebe.core.typed import typed_in
from grebe.errors import EditError
from grebe.words import tr

_WAY_WORDS = (tr("after a stop"), tr("cut on the bar"), tr("ramp over bars"), tr("carry on"))
WAYS = dict(zip(INTO, _WAY_WORDS, strict=True))
_NEED = re.compile(
    r"^\s*(?P<box>[^:]+):\s*(?P<what>.+?),\s*(?P<s>\d+(?:\.\d+)?)\s*s"
    r"(?:,\s*(?P<rest>helper|you|load|patch|teach|program)"
    r"(?:,\s*(?P<more>helper|you|load|patch|teach|program))?)?\s*$"
)
KINDS = ("load", "patch", "teach", "program")


class SetHand:
    """The set in hand, the place under the cursor, and their settings."""

    def __init__(self, session: Session) -> None:
        self.session = session
        self.entry_id = ""
        self.book = SetFactsModel()
        self._laid: tuple[Project, Set, SetSchedule] | None = None

    @property
    def project(self) -> Project:
        """The document."""
        return self.session.project

    @property
    def running(self) -> Set | None:
        """The set in hand."""
        return self.session.selection.running_set

    @property
    def plan(self) -> SetSchedule | None:
        """The set laid out; kept for as long as the document is the same."""
        running = self.running
        if running is None:
            return None
        if self._laid is None or self._laid[0] is not self.project or self._laid[1] is not running:
            self._laid = (self.project, running, plan_set(self.project, running, self.book))
        return self._laid[2]

    @property
    def entry(self) -> SetSong | None:
        """The place under the cursor."""
        running = self.running
        if running is None:
            return None
        return next((s for s in running.songs if s.id == self.entry_id), None)

    @property
    def placed(self) -> PlacedSong | None:
        """The same, laid out."""
        plan = self.plan
        if plan is None:
            return None
        return next((s for s in plan.songs if s.entry.id == self.entry_id), None)

    @property
    def song(self) -> Song | None:
        """The song there, if there is one."""
        entry = self.entry
        return next((s for s in self.project.songs if entry and s.id == entry.song), None)

    def settle(self) -> None:
        """Hold on to a place that is there; while nothing plays it is the one run next."""
        running = self.running
        if running is None or not running.songs:
            self.entry_id = ""
        elif self.entry is None:
            self.entry_id = running.songs[0].id
        if self.entry_id and not self.session.running and self.session.selection.whole_set:
            self.session.selection.choose_place(self.entry_id)

    def change_set(self, name: str, change: Callable[[Set], Set], merge: str = "") -> None:
        """Edit the set in hand. EditError without one."""
        running = self.running
        if running is None:
            raise EditError(tr("there is no set yet: {new_set} makes one", new_set=told("new_set")))
        self.session.store.apply(name, lambda p: with_set(p, running.id, change), merge=merge)

    def change(self, name: str, merge: str = "", **fields: Any) -> None:
        """Edit the place under the cursor. EditError without one."""
        entry = self.entry
        if entry is None:
            raise EditError(
                tr("the set has no song there: {add_song} puts one in", add_song=told("add_song"))
            )
        self.change_set(name, lambda s: change_place(s, entry.id, **fields), merge)

    # The form

    def field_text(self, owner: str, key: str) -> str | None:
        """A setting as text; None while there is no such thing in hand."""
        running, entry, song = self.running, self.entry, self.song
        if owner == "set":
            if running is None:
                return None
            if key == "slot":
                return _minutes(running.slot_s)
            return running.name if key == "name" else f"{getattr(running.weights, key):g}"
        if owner == "place" and entry is not None:
            if key == "song":
                return self._song_names().get(entry.song, entry.song)
            if key == "into":
                return WAYS[entry.into]
            return str(entry.ramp_bars) if key == "ramp_bars" else f"{entry.gap_s:g}"
        if owner == "song" and song is not None:
            if key == "needs":
                return "; ".join(_need_text(self.project, n) for n in song.needs)
            return str(getattr(song, key))
        return None

    def field_choices(self, owner: str, key: str) -> tuple[str, ...]:
        """Choices that depend on the document."""
        if (owner, key) == ("place", "song"):
            return tuple(self._song_names().values())
        return ()

    def _song_names(self) -> dict[str, str]:
        return told_apart((s.id, s.name) for s in self.project.songs)

    def set_field(self, owner: str, key: str, text: str) -> None:
        """Take a setting from text. EditError says what it may be."""
        words = text.strip()
        if owner == "set":
            self._set_set(key, words)
        elif owner == "place":
            self._set_place(key, words)
        else:
            self._set_song(key, words)

    def _set_set(self, key: str, words: str) -> None:
        if key == "name":
            if words:
                self.change_set("Name", lambda s: msgspec.structs.replace(s, name=words[:80]))
        elif key == "slot":
            slot = read_minutes(words)
            self.change_set(tr("Slot"), lambda s: msgspec.structs.replace(s, slot_s=slot))
        else:
            value = typed_in(Weights, key, words)

            def weigh(running: Set) -> Set:
                weights: Weights = msgspec.structs.replace(running.weights, **{key: value})
                return msgspec.structs.replace(running, weights=weights)

            self.change_set(tr("Weights"), weigh)

    def _set_place(self, key: str, words: str) -> None:
        if key == "song":
            self.change(tr("Another song"), song=meant(self._song_names(), words, "song"))
        elif key == "into":
            self.change(tr("How it comes in"), into=next(k for k, w in WAYS.items() if w == words))
        elif key == "ramp_bars":
            self.change(tr("Ramp"), ramp_bars=typed_in(SetSong, "ramp_bars", words))
        else:
            self.change(tr("Silence"), gap_s=typed_in(SetSong, "gap_s", words))

    def _set_song(self, key: str, words: str) -> None:
        song = self.song
        if song is None:
            raise EditError(tr("there is no song there"))
        if key == "key" and words:
            try:
                key_parts(words)
            except ValueError as error:
                raise EditError(str(error)) from error
        value: Any = words[:40]
        if key == "needs":
            value = read_needs(self.project, words)
        self.session.store.apply(
            tr("Set {key}", key=key),
            lambda p: with_song(p, song.id, lambda s: msgspec.structs.replace(s, **{key: value})),
        )


def _minutes(seconds: float) -> str:
    return clock_text(seconds) if seconds else "none"


def read_minutes(words: str) -> float:
    """Seconds from "48", "48:30" or "none". EditError for anything else."""
    if words.lower() in ("", "none", "0"):
        return 0.0
    minutes, _, seconds = words.partition(":")
    try:
        found = float(minutes) * 60 + (float(seconds) if seconds else 0.0)
    except ValueError as error:
        raise EditError(
            tr("a slot is minutes, such as 48 or 48:30 (got {words!r})", words=words)
        ) from error
    if not 0 <= found <= 86_400:
        raise EditError(tr("a slot is at most a day (got {words!r})", words=words))
    return found


def _need_text(project: Project, need: Need) -> str:
    parts = [f"{project.rig.name_of(need.device)}: {need.what}", f"{need.seconds:g} s"]
    parts += [need.kind] if need.kind != "load" else []
    parts += ["helper"] if need.by == "helper" else []
    return ", ".join(parts)


def read_needs(project: Project, words: str) -> tuple[Need, ...]:
    """Needs from "Smew: kit 2, 9 s; Garganey: wheel patch, 24 s, patch, helper".

    EditError says which of them cannot be read.
    """
    boxes = {d.name: d.id for d in project.rig.devices} | {d.id: d.id for d in project.rig.devices}
    out: list[Need] = []
    for part in (p.strip() for p in words.split(";")):
        if not part:
            continue
        found = _NEED.match(part)
        if found is None:
            raise EditError(
                tr('write it as "box: what, 9 s", then helper or patch (got {part!r})', part=part)
            )
        if found["box"].strip() not in boxes:
            raise EditError(tr("there is no box {strip!r}", strip=found["box"].strip()))
        said = [w for w in (found["rest"], found["more"]) if w]
        kind = next((w for w in said if w in KINDS), "load")
        out.append(
            msgspec.convert(
                {
                    "device": boxes[found["box"].strip()], "what": found["what"][:80],
                    "seconds": max(0.1, min(600.0, float(found["s"]))), "kind": kind,
                    "by": "helper" if "helper" in said else "you",
                },
                Need,
            )
        )  # fmt: skip
    return tuple(out)
