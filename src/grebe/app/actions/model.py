"""One action, as a row of data: menus, keys, the finder and help are made from it."""

from __future__ import annotations

from typing import Literal

import msgspec

from grebe.core.units import Value
from grebe.words import tr

Station = Literal[
    "everywhere", "rig", "sync", "patterns", "scenes", "song", "set", "stage", "log", "tools"
]
Effect = Literal["shows", "edits", "plays", "asks"]
"""What an action does: shows or takes something in hand; changes the document, with undo; is
heard; or asks before it does anything."""

STATION_NAMES: dict[Station, str] = {
    "rig": "Rig", "sync": "Sync", "patterns": "Patterns", "scenes": "Scenes", "song": "Song",
    "set": "Set", "stage": "Stage", "log": "Log", "tools": "Tools",
}  # fmt: skip
STATION_NUMBERS: dict[Station, int] = {
    station: number for number, station in enumerate(STATION_NAMES, 1)
}
"""Of each its place in the rail, which is the digit of its key."""
STATION_AT: dict[int, Station] = {number: station for station, number in STATION_NUMBERS.items()}
MENUS = ("File", "Edit", "Play", "Go", *STATION_NAMES.values(), "Help")


def station_name(station: Station) -> str:
    """The name of a station, in the language of the window."""
    return tr(STATION_NAMES[station])


class Action(Value, frozen=True, kw_only=True):
    """What can be done once, in every way there is to it."""

    id: str
    """Of the whole window only one has it; with `numbers`, ids are `mute_1` and so on."""
    title: str
    keys: tuple[str, ...] = ()
    """Qt's portable names; `{n}` stands for the number."""
    station: Station = "everywhere"
    menu: str = ""
    group: str = ""
    """Where several belong together in a menu; one named with a word is a menu of its own."""
    words: str = ""
    """What else somebody would look for it by."""
    effect: Effect = "shows"
    on: tuple[str, ...] = ()
    """Kinds of thing whose own menu has it."""
    at: tuple[Station, ...] = ()
    """Of what works everywhere: the stations that have something it works on; () for all."""
    needs: tuple[str, ...] = ()
    """What has to be so; see `needs`."""
    wide: bool = False
    """A plain key that works wherever the focus is in its station, not on its canvas alone."""
    numbers: tuple[int, ...] = ()
    part: int = -1
    """The part of its station in which it works; -1 for all."""
    held: bool = False
    """Lasts while its key is down."""

    def ids(self) -> tuple[str, ...]:
        """Its id, or those it has by number."""
        return tuple(f"{self.id}_{n}" for n in self.numbers) or (self.id,)

    def number_of(self, action_id: str) -> int | None:
        """The number in one of its ids; None without one."""
        return int(action_id.rpartition("_")[2]) if self.numbers else None

    def keys_of(self, number: int | None, keys: tuple[str, ...] | None = None) -> tuple[str, ...]:
        """Its keys, or those of one number."""
        chosen = self.keys if keys is None else keys
        return tuple(key.replace("{n}", "" if number is None else str(number)) for key in chosen)

    def title_of(self, number: int | None) -> str:
        """Its title with the number."""
        return self.title if number is None else f"{self.title} {number}"

    @property
    def where(self) -> str:
        """The station it works in, in words."""
        return tr("everywhere") if self.station == "everywhere" else station_name(self.station)

    @property
    def searched(self) -> str:
        """Everything it is found by, in small letters."""
        where = "" if self.station == "everywhere" else station_name(self.station)
        return f"{self.title} {self.words} {where} {tr(self.menu)} {tr(self.group)}".casefold()


class Rows:
    """Makes the rows of one menu: what they have in common is said once."""

    def __init__(self, menu: str, station: Station = "everywhere") -> None:
        self._menu, self._station = menu, station

    def __call__(
        self, action_id: str, title: str, *keys: str, group: str = "", words: str = "",
        effect: Effect = "shows", on: str = "", at: str = "",
        needs: str = "", wide: bool = False,
        numbers: range | tuple[int, ...] = (), part: int = -1, held: bool = False,
    ) -> Action:  # fmt: skip
        """A row; several kinds and needs are written with blanks between them."""
        return Action(
            id=action_id, title=tr(title), keys=keys, station=self._station, menu=self._menu,
            group=group, words=words, effect=effect, on=tuple(on.split()),
            at=msgspec.convert(at.split(), tuple[Station, ...]),
            needs=tuple(needs.split()), wide=wide, numbers=tuple(numbers), part=part, held=held,
        )  # fmt: skip
