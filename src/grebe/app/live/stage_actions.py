"""What keys, pedals and touches do on Stage. Without Qt."""

from __future__ import annotations

import time
from collections.abc import Callable
from functools import partial

from grebe.app.actions.keymap import told
from grebe.app.doing import Act, acts_of, does
from grebe.app.live.session import Session
from grebe.app.live.stage_model import StageModel
from grebe.core.player.commands import LaunchAt
from grebe.core.player.controls import MOST_MUTES
from grebe.core.rig.model import Device
from grebe.core.songs.layout import Layout
from grebe.core.songs.model import Song
from grebe.words import tr

ON_A_PAGE = 8
"""Boxes and tracks that have a block and a digit at a time."""


def on_page(session: Session) -> tuple[Device, ...]:
    """Those that have them now."""
    players = session.project.players
    first = session.stage.page * ON_A_PAGE
    if first >= len(players):  # some were taken out since
        first = session.stage.page = 0
    return players[first : first + ON_A_PAGE]


def numbered_line(session: Session, number: int, *, paged: bool) -> Device | None:
    """What has a number: on the page that is shown, or among all."""
    lines = on_page(session) if paged else session.project.players
    return lines[number - 1] if number <= len(lines) else None


class StageNumbers:
    """The number that is being typed, and what has one."""

    def __init__(self, session: Session, book: StageModel) -> None:
        self._session = session
        self._book = book
        self.typed: str | None = None
        """Digits so far; None while no number is typed."""
        self.of = "scene"
        """What the number is of: scene or song."""

    def named(self, layout: Layout) -> list[tuple[str, str]]:
        """(id, name) of what has a number: sections of the song, or places of the set."""
        if self.of == "scene":
            return [(s.section.id, s.scene.name) for s in layout.spans]
        plan = self._book.plan()
        if plan is None:
            return []
        names: dict[str, Song] = {s.id: s for s in self._session.project.songs}
        return [
            (s.entry.id, names[s.entry.song].name if s.entry.song in names else s.entry.song)
            for s in plan.songs
        ]

    @does("scene_number")
    def scene_number(self) -> None:
        """A scene by its number."""
        self._type("scene")

    @does("song_number")
    def song_number(self) -> None:
        """A song by its number."""
        if self._book.plan() is None:
            self._session.say("warn", tr("There is no set: songs have no numbers."))
        else:
            self._type("song")

    def _type(self, what: str) -> None:
        self.typed, self.of = "", what

    def go(self, at: LaunchAt = "bar") -> None:
        """Go to the typed scene or song, on the next bar or at once, or start there where nothing
        runs."""
        layout = self._session.derived.layout()
        typed, self.typed = self.typed or "", None
        names = self.named(layout) if layout is not None else []
        if not typed or not 1 <= int(typed) <= len(names):
            if typed:
                self._session.say("warn", tr("There is no {of} {typed}.", of=self.of, typed=typed))
            return
        found = names[int(typed) - 1][0]
        if self.of == "song":
            self._session.performer.launch_song(found, at)
        elif self._session.running:
            self._session.performer.launch(found, at)
        else:
            self._session.selection.section, self._session.selection.tick = found, None
            self._session.performer.run_here()

    def scene(self, number: int) -> None:
        """Launch the scene of a number of the bank that is shown."""
        self._jump("scene", number)

    def song(self, number: int) -> None:
        """Take the song of a number of the set."""
        self._jump("song", number)

    def _jump(self, what: str, number: int) -> None:
        self._type(what)
        self.typed = str(number)
        self.go()

    def digit(self, number: int) -> None:
        """Type a digit of what was asked for."""
        typed = self.typed
        if typed is not None and len(typed) < 3:
            self.typed = (typed + str(number)).lstrip("0")


class StageActions:
    """One keystroke for everything; nothing here can delete anything."""

    def __init__(self, session: Session, book: StageModel) -> None:
        self.session = session
        self._book = book
        self.numbers = StageNumbers(session, book)

    def acts(self) -> dict[str, Act]:
        """What does each action; mute, solo and other keys are numbered."""
        kinds: dict[str, Callable[[int], None]] = {
            "mute": self._mute, "solo": self._solo, "mute_line": self._mute_line,
            "solo_line": self._solo_line, "track": self._track, "halt": self._halt,
            "digit": self.numbers.digit, "scene": self.numbers.scene, "song": self.numbers.song,
        }  # fmt: skip
        numbered = {
            f"{kind}_{n}": partial(act, n)
            for kind, act in kinds.items()
            for n in range(MOST_MUTES + 1)
        }
        return {**acts_of(self, self.numbers), **numbered}

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

    def _mute_line(self, number: int) -> None:
        self._toggle(number, self.session.performer.mute, paged=False)

    def _solo_line(self, number: int) -> None:
        self._toggle(number, self.session.performer.solo, paged=False)

    def _toggle(self, number: int, toggle: Callable[[str], None], *, paged: bool) -> None:
        line = numbered_line(self.session, number, paged=paged)
        if line is not None:
            toggle(line.id)

    def _mute(self, number: int) -> None:
        if self.numbers.typed is not None:
            self.numbers.digit(number)
            return
        self._toggle(number, self.session.performer.mute, paged=True)

    def _solo(self, number: int) -> None:
        self._toggle(number, self.session.performer.solo, paged=True)

    @does("blocks_page")
    def blocks_page(self) -> None:
        """The next eight boxes and tracks have the digits."""
        players = self.session.project.players
        pages = -(-len(players) // ON_A_PAGE) or 1
        self.session.stage.page = (self.session.stage.page + 1) % pages
        shown = on_page(self.session)
        if pages == 1:
            self.session.say("info", tr("All boxes and tracks have a block already."))
        elif shown:
            words = tr("The digits are for {first} to {last}.", first=shown[0].name,
                       last=shown[-1].name)  # fmt: skip
            self.session.say("info", words)

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
        """Bring in what is next at the end of this section."""
        self.session.performer.launch("", "section_end")
