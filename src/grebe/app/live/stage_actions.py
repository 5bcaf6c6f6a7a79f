"""What keys, pedals and touches do on Stage. Without Qt."""

from __future__ import annotations

import time
from collections.abc import Callable
from functools import partial

from grebe.app.actions.keymap import told
from grebe.app.actions.table import by_id
from grebe.app.doing import Act, acts_of, does
from grebe.app.live.playing_on import PlayingOn
from grebe.app.live.session import Session
from grebe.app.live.stage_lines import StageLines
from grebe.app.live.stage_model import StageModel
from grebe.app.live.stage_numbers import StageNumbers
from grebe.core.player.controls import MOST_MUTES
from grebe.words import tr


class StageActions:
    """One keystroke for everything; nothing here can delete anything."""

    def __init__(self, session: Session, book: StageModel) -> None:
        self.session = session
        self._book = book
        self.numbers = StageNumbers(session, book)
        self.lines = StageLines(session, self.numbers)
        self.playing_on = PlayingOn(session)

    def acts(self) -> dict[str, Act]:
        """What does each action; mute, solo and other keys are numbered."""
        kinds: dict[str, Callable[[int], None]] = {
            **self.lines.kinds(), "track": self._track, "halt": self._halt,
            "digit": self.numbers.digit, "scene": self.numbers.scene, "song": self.numbers.song,
        }  # fmt: skip
        known = by_id()
        numbered = {
            f"{kind}_{n}": partial(act, n)
            for kind, act in kinds.items()
            for n in range(MOST_MUTES + 1)
            if f"{kind}_{n}" in known
        }
        own = acts_of(self, self.numbers, self.lines, self.playing_on)
        return {**own, **numbered}

    @does("put_right")
    def put_right(self) -> None:
        """What moves against the beat and will be heard first. EditError where nothing does."""
        session = self.session
        words = session.drifting.put_right()
        session.feed.send_if_changed()
        session.notices.say("info", words, offers="undo")

    @does("next_in")
    def next_in(self) -> None:
        """Bring in what is next on the next bar; or what was typed by number."""
        if self.numbers.typed is not None:
            self.numbers.go()
        else:
            self.session.performer.launch("", "bar")

    @does("cut")
    def cut(self) -> None:
        """Cut to it now; or to what was typed by number."""
        if self.numbers.typed is not None:
            self.numbers.go("now")
        else:
            self.session.performer.launch("", "now")

    @does("hold")
    def hold(self) -> None:
        """Hold, or let go."""
        self.session.performer.hold()

    @does("again")
    def again(self) -> None:
        """One more pass."""
        self.session.performer.again()

    @does("skip")
    def skip(self) -> None:
        """Leave out what is next."""
        self.session.performer.skip()

    @does("back")
    def back(self) -> None:
        """The section before, on the next bar."""
        self.session.performer.back()

    @does("withdraw")
    def withdraw(self) -> None:
        """Take back what was asked for; a digit while a number is typed."""
        number = self.numbers.typed
        if number is not None:
            self.numbers.typed = number[:-1]
        else:
            self.session.performer.withdraw()

    @does("release")
    def release(self) -> None:
        """Let a tempo that is carried go to the song's own."""
        self.session.performer.release()

    @does("hold_dice")
    def hold_dice(self) -> None:
        """What changes by itself stays, or goes on."""
        self.session.performer.hold_dice()

    @does("keep_mutes")
    def keep_mutes(self) -> None:
        """Mutes by hand stay after this section, or are dropped: for this once."""
        self.session.performer.keep_mutes()

    @does("tick_move")
    def tick_move(self) -> None:
        """The move that is announced is done."""
        done = self._book.tick_off()
        if done is not None:
            self.session.say("info", tr("Done: {done_words}.", done_words=done.words))

    @does("drop_pass")
    def drop_pass(self) -> None:
        """Leave out the pass that makes the plan fit its slot, for this time."""
        slot = self._book.slot()
        if slot is None or not slot.drop:
            self.session.say("info", tr("Nothing has to be dropped."))
            return
        self.session.selection.drop_passes([(r.entry, r.section) for r in slot.drop])
        names = ", ".join(r.scene for r in slot.drop)
        self.session.say("info", tr("A pass less of {names}, this time.", names=names))

    @does("lock")
    def lock(self) -> None:
        """Lock the keys, or let them go."""
        self.session.stage.locked = not self.session.stage.locked
        words = (
            tr("Keys are locked; {lock} lets go.", lock=told("lock"))
            if self.session.stage.locked
            else tr("Keys work again.")
        )
        self.session.say("info", words)

    @does("guard")
    def guard(self) -> None:
        """Touches have to be held while something plays, or count at once."""
        self.session.stage.guarded = not self.session.stage.guarded
        state = tr("on: touches have to be held") if self.session.stage.guarded else tr("off")
        self.session.say("info", tr("Touch guard {state}.", state=state))

    def _track(self, number: int) -> None:
        self.session.looping.press(number)

    def _halt(self, number: int) -> None:
        self.session.looping.press(number, "stop")

    @does("loop_at")
    def loop_at(self) -> None:
        """Where loop tracks start and stop."""
        self.session.looping.next_at()

    @does("loop_bars")
    def loop_bars(self) -> None:
        """How long the next recording is."""
        self.session.looping.next_length()

    @does("first_loop")
    def first_loop(self) -> None:
        """A first loop is begun, or closed and leads."""
        self.session.looping.first_loop(time.monotonic())

    @does("next_end")
    def next_end(self) -> None:
        """Bring in what is next at the end of this section; or what was typed, a pattern where the
        one that plays ends."""
        if self.numbers.typed is not None:
            self.numbers.go("section_end")
        else:
            self.session.performer.launch("", "section_end")
