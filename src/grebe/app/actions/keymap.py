"""Which keys do what: as shipped, or as the performer has changed them; kept, read and written."""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from functools import cached_property
from itertools import pairwise
from pathlib import Path

import msgspec

from grebe.app.actions.model import Action, Station
from grebe.app.actions.table import ACTIONS, ROWS, by_id
from grebe.app.kept import read_kept, write_kept
from grebe.errors import SettingsError
from grebe.process.places import state_dir
from grebe.words import tr

FORMAT = "grebe-keys"
_PRINTED = {
    "Return": "Enter", "PgUp": "Page up", "PgDown": "Page down", "Left": "\u2190",
    "Right": "\u2192", "Backspace": "Back", "Up": "\u2191", "Down": "\u2193", "Esc": "Esc",
}  # fmt: skip
KEYS_WITH_NAMES = ("Space", "Page up", "Page down", "Delete", "Back", "Home", "End", "Play key")
"""What is printed on a key in the language of its keyboard."""


class KeyFile(msgspec.Struct, frozen=True, kw_only=True):
    """A file of keys: only what was changed."""

    format: str = FORMAT
    version: int = 1
    keys: dict[str, tuple[str, ...]] = {}
    """By action id, Qt's portable names; `{n}` where the action has numbers."""


class Clash(msgspec.Struct, frozen=True):
    """Two actions that want one key in one place."""

    key: str
    first: str
    second: str
    station: Station


class KeyMap:
    """The keys of every action; not changed once it is made."""

    def __init__(self, changed: Mapping[str, tuple[str, ...]] = {}) -> None:
        """`changed` by action id; ids that are not known are left out."""
        self.changed = {name: keys for name, keys in changed.items() if name in ROWS}

    def keys(self, action: Action) -> tuple[str, ...]:
        """The keys of an action, with `{n}` for its numbers."""
        return self.changed.get(action.id, action.keys)

    def keys_of(self, action_id: str) -> tuple[str, ...]:
        """The keys of one action by id, a numbered one too; none for an id that is not known."""
        action = by_id().get(action_id)
        if action is None:
            return ()
        return action.keys_of(action.number_of(action_id), self.keys(action))

    def told(self, action_id: str) -> str:
        """How somebody does it, in a sentence: by its key, else where it stands."""
        keys = self.keys_of(action_id)
        if keys:
            return printed(keys[0])
        action = by_id()[action_id]
        return f"{action.menu} > {action.title}"

    @cached_property
    def _by_key(self) -> dict[str, list[tuple[Action, str]]]:
        found: dict[str, list[tuple[Action, str]]] = {}
        for action in ACTIONS:
            for each in action.ids():
                for key in action.keys_of(action.number_of(each), self.keys(action)):
                    found.setdefault(key, []).append((action, each))
        for rows in found.values():  # a station's own before what works everywhere
            rows.sort(key=lambda row: (row[0].station == "everywhere", row[0].part < 0))
        return found

    def on(self, key: str, station: Station, part: int) -> list[tuple[Action, str]]:
        """(action, its id) of what a key may do in a station's part; the nearest first."""
        return [
            (action, each)
            for action, each in self._by_key.get(key, [])
            if action.station in (station, "everywhere") and action.part in (-1, part)
        ]

    def clashes(self, serves: Mapping[tuple[Station, int], frozenset[str]]) -> Iterator[Clash]:
        """Keys that mean two things in one place.

        `serves`: of each station and part, the ids of what works everywhere that it has an
        answer to; what a station does not answer does not clash there.
        """
        for (station, part), answered in serves.items():
            for key, rows in self._by_key.items():
                here = [
                    (action, each)
                    for action, each in rows
                    if action.part in (-1, part) and (action.station == station or each in answered)
                ]
                for (nearer, first), (other, second) in pairwise(here):
                    shadowed = nearer.part >= 0 and other.part < 0
                    if not shadowed:  # what belongs to a part alone goes before all else there
                        yield Clash(key, first, second, station)

    def with_keys(self, action_id: str, keys: tuple[str, ...] | None) -> KeyMap:
        """Other keys for an action; None for those it is shipped with."""
        changed = {name: old for name, old in self.changed.items() if name != action_id}
        if keys is not None and keys != ROWS[action_id].keys:
            changed[action_id] = keys
        return KeyMap(changed)

    def to_bytes(self) -> bytes:
        """As a file of keys."""
        body = msgspec.json.encode(KeyFile(keys=self.changed))
        return msgspec.json.format(body, indent=2) + b"\n"


def key_file(body: bytes) -> KeyMap:
    """The keys of a file. SettingsError says what is wrong with it."""
    try:
        read = msgspec.json.decode(body, type=KeyFile)
    except msgspec.MsgspecError as error:
        raise SettingsError(tr("this is no file of keys: {error}", error=error)) from None
    if read.format != FORMAT:
        raise SettingsError(
            tr("this is no file of keys: its format is {format!r}", format=read.format)
        )
    unknown = sorted(set(read.keys) - set(ROWS))
    if unknown:
        raise SettingsError(
            tr("it has keys for what Grebe cannot do: {names}", names=", ".join(unknown[:5]))
        )
    return KeyMap(read.keys)


def printed(key: str) -> str:
    """A key as printed for people."""
    if key.endswith("+"):  # the plus itself
        return key[:-1] + "plus" if len(key) > 1 else "+"
    key = key.replace("Toggle Media Play/Pause", "Play key")
    parts = [_PRINTED.get(part, part) for part in key.split("+")]
    return "+".join(tr(f"{part}##a key") if part in KEYS_WITH_NAMES else part for part in parts)


def _path() -> Path:
    return state_dir() / "keys.json"


class _Kept:
    """The keys of this process: read once."""

    now: KeyMap | None = None


def key_map() -> KeyMap:
    """The keys as the performer has them."""
    if _Kept.now is None:
        _Kept.now = KeyMap(read_kept(_path(), KeyFile, KeyFile()).keys)
    return _Kept.now


def keep_keys(keys: KeyMap) -> None:
    """Have other keys from now on, and at the next start. OSError where they cannot be kept."""
    _Kept.now = keys
    write_kept(_path(), KeyFile(keys=keys.changed))


def forget_kept() -> None:
    """Read them anew when they are next wanted."""
    _Kept.now = None


def told(action_id: str) -> str:
    """How somebody does an action, for a sentence."""
    return key_map().told(action_id)
