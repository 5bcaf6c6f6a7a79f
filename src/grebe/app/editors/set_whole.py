"""A set as a whole: wishes, its order, another set, bringing songs in."""

from __future__ import annotations

import msgspec

from grebe.app.actions.keymap import told
from grebe.app.doing import does
from grebe.app.editors.set_form import SetHand
from grebe.core.document import Project, with_set
from grebe.core.naming import free_name
from grebe.core.player.commands import LaunchAt
from grebe.core.sets.edit import (
    add_set,
    all_in,
    change_place,
    in_this_order,
    other_version,
    remove_set,
    wish_at,
)
from grebe.core.sets.formatting import sure_words
from grebe.core.sets.model import wished
from grebe.core.sets.order import best_order, costs_of
from grebe.errors import EditError
from grebe.words import tr

WISH_STEP = 0.1


class SetEdits:
    """What keys do to the set."""

    def __init__(self, hand: SetHand) -> None:
        self.hand = hand

    def wish(self, place: int, share: float) -> None:
        """The energy wished for at a place."""
        self.hand.change_set(
            tr("Energy wished for"), lambda s: wish_at(s, place, share), "set-wish"
        )

    def _wish(self, by: float) -> None:
        running, entry = self.hand.running, self.hand.entry
        if running is None or entry is None:
            return
        place = running.place(entry.id)
        now = wished(running.wish or (0.5,), place, len(running.songs))
        self.wish(place, round(now + by, 3))

    @does("raise")
    def wish_up(self) -> None:
        """More energy wished for there."""
        self._wish(WISH_STEP)

    @does("lower")
    def wish_down(self) -> None:
        """Less energy wished for there."""
        self._wish(-WISH_STEP)

    @does("no_wish")
    def no_wish(self) -> None:
        """No shape is wished for."""
        self.hand.change_set(tr("Energy wished for"), lambda s: msgspec.structs.replace(s, wish=()))

    @does("order")
    def order(self) -> None:
        """The order that fits best; pinned songs stay."""
        running, plan = self.hand.running, self.hand.plan
        if running is None or plan is None or len(plan.playable) < 2:
            raise EditError(tr("an order wants two songs"))
        rows = plan.playable
        costs = costs_of(self.hand.project, running, rows)
        before = costs.of(range(len(rows)))
        found = best_order(costs)
        if found.order == tuple(range(len(rows))):
            self.hand.session.say("info", tr("No other order fits better."))
            return
        entries = [rows[n].entry.id for n in found.order]
        self.hand.change_set(tr("An order"), lambda s: in_this_order(s, entries))
        self.hand.session.say(
            "info", tr("Ordered: costs {cost:.1f} instead of {before:.1f}, {sure_words}. {undo} "
"takes it back.", cost=found.cost, before=before, sure_words=sure_words(found), undo=told('undo')),
        )  # fmt: skip

    @does("other_version")
    def other_version(self) -> None:
        """The next version of the song there."""
        entry, running = self.hand.entry, self.hand.running
        if entry is None or running is None or self.hand.song is None:
            raise EditError(tr("there is no song there"))
        self.hand.session.store.apply(
            tr("Another version"), lambda p: other_version(p, running.id, entry.id)
        )

    @does("all_in")
    def all_in(self) -> None:
        """Make a version of it with everything already in, and put that there."""
        entry, running, song = self.hand.entry, self.hand.running, self.hand.song
        if entry is None or running is None or song is None:
            raise EditError(tr("there is no song there"))

        def apply(project: Project) -> Project:
            changed, made = all_in(project, song.id)
            return with_set(changed, running.id, lambda s: change_place(s, entry.id, song=made))

        self.hand.session.store.apply(tr("A version with everything in"), apply)

    @does("new_set")
    def new_set(self) -> None:
        """Another set, empty."""
        taken = {s.name for s in self.hand.project.sets}
        project, made = add_set(self.hand.project, free_name("Set", taken))
        self.hand.session.store.apply(tr("New set"), lambda _: project)
        self.hand.session.selection.set_id, self.hand.entry_id = made, ""

    @does("remove_set")
    def remove_set(self) -> None:
        """The set away; its songs stay."""
        running, session = self.hand.running, self.hand.session
        if session.running:
            raise EditError(tr("stop first: a set goes only while nothing plays"))
        if running is not None:
            session.store.apply(
                tr("Remove {running}", running=running.name), lambda p: remove_set(p, running.id)
            )

    @does("next_set")
    def next_set(self) -> None:
        """The next set of the project; not while something plays."""
        ids = [s.id for s in self.hand.project.sets]
        if self.hand.session.running:
            raise EditError(tr("stop first: another set is taken only while nothing plays"))
        if len(ids) > 1:
            at = (
                ids.index(self.hand.session.selection.set_id)
                if self.hand.session.selection.set_id in ids
                else 0
            )
            self.hand.session.selection.take_set(ids[(at + 1) % len(ids)])
            self.hand.entry_id = ""

    @does("bring_in")
    def bring_in(self) -> None:
        """Bring this song in at the end of the section that plays."""
        self._launch("section_end")

    @does("cut_to")
    def cut_to(self) -> None:
        """Cut to it on the next bar."""
        self._launch("bar")

    def _launch(self, at: LaunchAt) -> None:
        if self.hand.entry is None or not self.hand.session.running:
            raise EditError(tr("nothing plays: Space runs the set from this song"))
        if not self.hand.session.selection.whole_set:
            raise EditError(tr("one song plays: stop, then Space here runs the set"))
        self.hand.session.performer.launch_song(self.hand.entry.id, at)
