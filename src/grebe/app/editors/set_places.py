"""Places of a set: moved, filled, how each comes in."""

from __future__ import annotations

from grebe.app.actions.keymap import told
from grebe.app.doing import Act, does
from grebe.app.editors.set_form import WAYS, SetHand
from grebe.core.sets.edit import (
    insert_song,
    move_place,
    remove_place,
)
from grebe.core.sets.model import INTO
from grebe.core.units import GapSeconds, held_in
from grebe.errors import EditError
from grebe.words import tr

GAP_STEP = 5.0


class PlaceEdits:
    """What keys do to the place under the cursor."""

    def __init__(self, hand: SetHand, new_set: Act) -> None:
        """`new_set` makes one where there is none yet."""
        self.hand = hand
        self._new_set = new_set

    def _step(self, by: int) -> None:
        running = self.hand.running
        if running is not None and running.songs:
            ids = [s.id for s in running.songs]
            at = ids.index(self.hand.entry_id) if self.hand.entry_id in ids else 0
            self.hand.entry_id = ids[max(0, min(len(ids) - 1, at + by))]

    @does("left")
    def song_before(self) -> None:
        """The song before."""
        self._step(-1)

    @does("right")
    def song_after(self) -> None:
        """The song after."""
        self._step(1)

    @does("first")
    def first_song(self) -> None:
        """The first song."""
        self._step(-1000)

    @does("last")
    def last_song(self) -> None:
        """The last song."""
        self._step(1000)

    def _move(self, by: int) -> None:
        entry = self.hand.entry
        if entry is None:
            raise EditError(tr("there is no song to move"))
        self.hand.change_set(tr("Move a song"), lambda s: move_place(s, entry.id, by))

    @does("move_left")
    def move_left(self) -> None:
        """One place earlier."""
        self._move(-1)

    @does("move_right")
    def move_right(self) -> None:
        """One place later."""
        self._move(1)

    @does("add_song")
    def add_song(self) -> None:
        """A song after this one: the first that is not in the set yet."""
        running = self.hand.running
        if not self.hand.project.songs:
            raise EditError(tr("there are no songs yet: Song makes them"))
        if running is None:
            self._new_set()
            running = self.hand.running
        assert running is not None
        inside = {s.song for s in running.songs}
        chosen = next((s.id for s in self.hand.project.songs if s.id not in inside),
                      self.hand.project.songs[0].id)  # fmt: skip
        ids = [s.id for s in running.songs]
        at = ids.index(self.hand.entry_id) + 1 if self.hand.entry_id in ids else len(ids)
        made = insert_song(running, at, chosen)
        self.hand.change_set(tr("Put a song in"), lambda _: made)
        self.hand.entry_id = made.songs[at].id

    @does("remove")
    def remove_song(self) -> None:
        """Take it out of the set; the song itself stays."""
        running, entry = self.hand.running, self.hand.entry
        if running is None or entry is None:
            raise EditError(tr("there is no song to take out"))
        at = running.place(entry.id)
        self.hand.change_set(tr("Take a song out"), lambda s: remove_place(s, entry.id))
        left = self.hand.running
        if left is not None and left.songs:
            self.hand.entry_id = left.songs[min(at, len(left.songs) - 1)].id

    def _other(self, by: int) -> None:
        entry, ids = self.hand.entry, [s.id for s in self.hand.project.songs]
        if entry is None or not ids:
            raise EditError(
                tr("there is no song there: {add_song} puts one in", add_song=told("add_song"))
            )
        at = ids.index(entry.song) if entry.song in ids else 0
        self.hand.change(tr("Another song"), song=ids[(at + by) % len(ids)])

    @does("one_after")
    def next_choice(self) -> None:
        """Another song there: the next of the project."""
        self._other(1)

    @does("one_before")
    def choice_before(self) -> None:
        """The one before."""
        self._other(-1)

    @does("into")
    def into(self) -> None:
        """How it comes in: after a stop, cut, ramp, carry on."""
        entry = self.hand.entry
        if entry is not None:
            way = INTO[(INTO.index(entry.into) + 1) % len(INTO)]
            self.hand.change(tr("How it comes in"), into=way)
            self.hand.session.say("info", tr("It comes in: {ways}.", ways=WAYS[way]))

    def _longer(self, by: int) -> None:
        entry = self.hand.entry
        if entry is None:
            return
        if entry.into == "stop":
            gap = held_in(GapSeconds, entry.gap_s + by * GAP_STEP)
            self.hand.change(tr("Silence"), "set-gap", gap_s=gap)
        else:
            bars = max(1, min(256, entry.ramp_bars + by))
            self.hand.change(tr("Ramp"), "set-ramp", ramp_bars=bars)

    @does("more")
    def longer(self) -> None:
        """More silence before it; a longer ramp."""
        self._longer(1)

    @does("fewer")
    def shorter(self) -> None:
        """Less silence before it; a shorter ramp."""
        self._longer(-1)

    @does("pin_place")
    def pin(self) -> None:
        """It stays at its place when an order is worked out, or may move."""
        entry = self.hand.entry
        if entry is not None:
            self.hand.change(tr("Pin"), pinned=not entry.pinned)
