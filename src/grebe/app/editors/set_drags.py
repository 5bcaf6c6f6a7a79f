"""What a dragging hand does to the set in hand."""

from __future__ import annotations

from grebe.app.editors.set_form import SetHand
from grebe.core.sets.edit import change_place, move_place
from grebe.core.sets.model import Set, SetSong
from grebe.core.sets.plan import SetSchedule, plan_set
from grebe.core.units import fields_of, held_in
from grebe.words import counted, tr


def work_words(plan: SetSchedule) -> list[str]:
    """What an order costs, as far as there is anything: cuts, keys that clash, songs not ready."""
    crossings = [s.crossing for s in plan.songs if s.crossing is not None]
    cuts = sum(s.entry.into == "cut" for s in plan.songs if s.crossing is not None)
    clashes = sum(c.key is not None and not c.key.fits for c in crossings)
    late = sum(not c.between.fits for c in crossings)
    said = (
        (cuts, counted(cuts, "tempo cut")),
        (clashes, counted(clashes, "pair of keys that do not fit",
                          "pairs of keys that do not fit")),
        (late, counted(late, "song not ready in time", "songs not ready in time")),
    )  # fmt: skip
    return [text for number, text in said if number]


class SetDrags:
    """Edits by a place of the pointer."""

    def __init__(self, hand: SetHand) -> None:
        self.hand = hand

    def cost_words(self, before: Set, entry: str, to: int) -> str:
        """What the order with a song at another place would cost, beside its place."""
        moved = move_place(before, entry, to - before.place(entry))
        plan = plan_set(self.hand.project, moved, self.hand.book)
        costs = ", ".join(work_words(plan)) or tr("everything fits")
        return tr("place {number}: {costs}", number=to + 1, costs=costs)

    def reorder(self, before: Set, entry: str, to: int) -> None:
        """A song at another place of the set."""
        self.hand.change_set(
            tr("Move a song"), lambda s: move_place(s, entry, to - before.place(entry))
        )

    def between(self, before: Set, entry: str, seconds: float, bars: int) -> str:
        """So many seconds of silence more before a song, or bars of its ramp; what it became."""
        place = before.songs[before.place(entry)]
        if place.into == "ramp":
            made = held_in(fields_of(SetSong)["ramp_bars"], place.ramp_bars + bars)
            self.hand.change_set(tr("Ramp"), lambda s: change_place(s, entry, ramp_bars=made))
            return counted(made, "bar")
        held = held_in(fields_of(SetSong)["gap_s"], round(place.gap_s + seconds, 1))
        self.hand.change_set(tr("Silence"), lambda s: change_place(s, entry, gap_s=held))
        return tr("{seconds:.1f} s", seconds=held)
