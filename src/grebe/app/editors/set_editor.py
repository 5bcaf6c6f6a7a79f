"""Sets written with keys. Without Qt."""

from __future__ import annotations

import msgspec

from grebe.app.doing import does
from grebe.app.editors.set_form import WAYS, SetForm
from grebe.core.document import Project, with_set
from grebe.core.player.commands import LaunchAt
from grebe.core.sets.edit import (
    add_set,
    all_in,
    change_place,
    in_this_order,
    insert_song,
    move_place,
    other_version,
    remove_place,
    wish_at,
)
from grebe.core.sets.model import INTO, wished
from grebe.core.sets.order import best_order, costs_of
from grebe.errors import EditError

WISH_STEP = 0.1
GAP_STEP = 5.0


class SetEditor(SetForm):
    """What the keys of the Set station do: `do_ID` for the action with that id."""

    def _step(self, by: int) -> None:
        running = self.running
        if running is not None and running.songs:
            ids = [s.id for s in running.songs]
            at = ids.index(self.entry_id) if self.entry_id in ids else 0
            self.entry_id = ids[max(0, min(len(ids) - 1, at + by))]

    @does("song_before")
    def song_before(self) -> None:
        """The song before."""
        self._step(-1)

    @does("song_after")
    def song_after(self) -> None:
        """The song after."""
        self._step(1)

    @does("first_song")
    def first_song(self) -> None:
        """The first song."""
        self._step(-1000)

    @does("last_song")
    def last_song(self) -> None:
        """The last song."""
        self._step(1000)

    def _move(self, by: int) -> None:
        entry = self.entry
        if entry is None:
            raise EditError("there is no song to move")
        self.change_set("Move a song", lambda s: move_place(s, entry.id, by))

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
        running = self.running
        if not self.project.songs:
            raise EditError("there are no songs yet: Song makes them")
        if running is None:
            self.new_set()
            running = self.running
        assert running is not None
        inside = {s.song for s in running.songs}
        chosen = next((s.id for s in self.project.songs if s.id not in inside),
                      self.project.songs[0].id)  # fmt: skip
        ids = [s.id for s in running.songs]
        at = ids.index(self.entry_id) + 1 if self.entry_id in ids else len(ids)
        made = insert_song(running, at, chosen)
        self.change_set("Put a song in", lambda _: made)
        self.entry_id = made.songs[at].id

    @does("remove_song")
    def remove_song(self) -> None:
        """Take it out of the set; the song itself stays."""
        running, entry = self.running, self.entry
        if running is None or entry is None:
            raise EditError("there is no song to take out")
        at = running.place(entry.id)
        self.change_set("Take a song out", lambda s: remove_place(s, entry.id))
        left = self.running
        if left is not None and left.songs:
            self.entry_id = left.songs[min(at, len(left.songs) - 1)].id

    def _other(self, by: int) -> None:
        entry, ids = self.entry, [s.id for s in self.project.songs]
        if entry is None or not ids:
            raise EditError("there is no song there: A puts one in")
        at = ids.index(entry.song) if entry.song in ids else 0
        self.change("Another song", song=ids[(at + by) % len(ids)])

    @does("next_choice")
    def next_choice(self) -> None:
        """Another song there: the next of the project."""
        self._other(1)

    @does("choice_before")
    def choice_before(self) -> None:
        """The one before."""
        self._other(-1)

    @does("into")
    def into(self) -> None:
        """How it comes in: after a stop, cut, ramp, carry on."""
        entry = self.entry
        if entry is not None:
            way = INTO[(INTO.index(entry.into) + 1) % len(INTO)]
            self.change("How it comes in", into=way)
            self.session.say("info", f"It comes in: {WAYS[way]}.")

    def _longer(self, by: int) -> None:
        entry = self.entry
        if entry is None:
            return
        if entry.into == "stop":
            gap = max(0.0, min(3600.0, entry.gap_s + by * GAP_STEP))
            self.change("Silence", "set-gap", gap_s=gap)
        else:
            bars = max(1, min(256, entry.ramp_bars + by))
            self.change("Ramp", "set-ramp", ramp_bars=bars)

    @does("longer")
    def longer(self) -> None:
        """More silence before it; a longer ramp."""
        self._longer(1)

    @does("shorter")
    def shorter(self) -> None:
        """Less silence before it; a shorter ramp."""
        self._longer(-1)

    @does("pin")
    def pin(self) -> None:
        """It stays at its place when an order is worked out, or may move."""
        entry = self.entry
        if entry is not None:
            self.change("Pin", pinned=not entry.pinned)

    def wish(self, place: int, share: float) -> None:
        """The energy wished for at a place."""
        self.change_set("Energy wished for", lambda s: wish_at(s, place, share), "set-wish")

    def _wish(self, by: float) -> None:
        running, entry = self.running, self.entry
        if running is None or entry is None:
            return
        place = running.place(entry.id)
        now = wished(running.wish or (0.5,), place, len(running.songs))
        self.wish(place, round(now + by, 3))

    @does("wish_up")
    def wish_up(self) -> None:
        """More energy wished for there."""
        self._wish(WISH_STEP)

    @does("wish_down")
    def wish_down(self) -> None:
        """Less energy wished for there."""
        self._wish(-WISH_STEP)

    @does("no_wish")
    def no_wish(self) -> None:
        """No shape is wished for."""
        self.change_set("Energy wished for", lambda s: msgspec.structs.replace(s, wish=()))

    @does("order")
    def order(self) -> None:
        """The order that fits best; pinned songs stay."""
        running, plan = self.running, self.plan
        if running is None or plan is None or len(plan.playable) < 2:
            raise EditError("an order wants two songs")
        rows = plan.playable
        costs = costs_of(self.project, running, rows)
        before = costs.of(range(len(rows)))
        found = best_order(costs)
        if found.order == tuple(range(len(rows))):
            self.session.say("info", "No other order fits better.")
            return
        entries = [rows[n].entry.id for n in found.order]
        self.change_set("An order", lambda s: in_this_order(s, entries))
        sure = "none fits better" if found.exact else "the best found"
        self.session.say(
            "info", f"Ordered: costs {found.cost:.1f} instead of {before:.1f}, {sure}. "
            "Ctrl+Z takes it back.",
        )  # fmt: skip

    @does("other_version")
    def other_version(self) -> None:
        """The next version of the song there."""
        entry, running = self.entry, self.running
        if entry is None or running is None or self.song is None:
            raise EditError("there is no song there")
        self.session.store.apply(
            "Another version", lambda p: other_version(p, running.id, entry.id)
        )

    @does("all_in")
    def all_in(self) -> None:
        """Make a version of it with everything already in, and put that there."""
        entry, running, song = self.entry, self.running, self.song
        if entry is None or running is None or song is None:
            raise EditError("there is no song there")

        def apply(project: Project) -> Project:
            changed, made = all_in(project, song.id)
            return with_set(changed, running.id, lambda s: change_place(s, entry.id, song=made))

        self.session.store.apply("A version with everything in", apply)

    @does("new_set")
    def new_set(self) -> None:
        """Another set, empty."""
        project, made = add_set(self.project, f"Set {len(self.project.sets) + 1}")
        self.session.store.apply("New set", lambda _: project)
        self.session.selection.set_id, self.entry_id = made, ""

    @does("next_set")
    def next_set(self) -> None:
        """The next set of the project; not while something plays."""
        ids = [s.id for s in self.project.sets]
        if self.session.running:
            raise EditError("stop first: another set is taken only while nothing plays")
        if len(ids) > 1:
            at = (
                ids.index(self.session.selection.set_id)
                if self.session.selection.set_id in ids
                else 0
            )
            self.session.selection.take_set(ids[(at + 1) % len(ids)])
            self.entry_id = ""

    @does("bring_in")
    def bring_in(self) -> None:
        """Bring this song in at the end of the section that plays."""
        self._launch("section_end")

    @does("cut_to")
    def cut_to(self) -> None:
        """Cut to it on the next bar."""
        self._launch("bar")

    def _launch(self, at: LaunchAt) -> None:
        if self.entry is None or not self.session.running:
            raise EditError("nothing plays: Space runs the set from this song")
        if not self.session.selection.whole_set:
            raise EditError("one song plays: stop, then Space here runs the set")
        self.session.performer.launch_song(self.entry.id, at)
