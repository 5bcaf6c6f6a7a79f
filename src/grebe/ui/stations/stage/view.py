"""The Stage station: one keystroke for everything, no dialogs."""

from __future__ import annotations

import time
from collections.abc import Callable
from functools import partial

from PyQt6.QtCore import Qt, pyqtSignal
from PyQt6.QtGui import QKeySequence, QShortcut

from grebe.app.doing import Act, acts_of, does
from grebe.app.live.session import Session
from grebe.app.live.stage_model import StageModel
from grebe.core.rig.trigger import KeyBinding
from grebe.ui.stations.stage.canvas import StageCanvas
from grebe.ui.widgets.theme import NIGHT, Palette
from grebe.ui.widgets.view import View

UNLOCKED = ("lock",)
"""What works although the keys are locked."""


class StageView(View):
    """Now, Next, when, and the mutes. Always Night. Nothing here can delete anything."""

    scope = "stage"
    number = 7
    asked = pyqtSignal(str)
    """An action asked for by a key that was learnt."""

    def __init__(self, session: Session, book: StageModel) -> None:
        super().__init__(session)
        self.book = book
        self._keys: tuple[KeyBinding, ...] = ()
        self._learnt: list[QShortcut] = []
        self.stage_canvas = StageCanvas(session, self.book)
        self.stage_canvas.touched.connect(self._touched)
        self.lay_out(self.stage_canvas)
        self.heading.hide()

    def set_palette(self, palette: Palette) -> None:
        """Stage stays dark whatever the theme."""
        del palette
        super().set_palette(NIGHT)

    def document_changed(self) -> None:
        """Draw anew; take the keys that were learnt."""
        self.stage_canvas.update()
        keys = self.session.project.rig.keys
        if keys != self._keys:
            self._keys = keys
            for old in self._learnt:
                old.setParent(None)
                old.deleteLater()
            self._learnt = [self._shortcut(k) for k in keys]

    def _shortcut(self, learnt: KeyBinding) -> QShortcut:
        shortcut = QShortcut(QKeySequence(learnt.keys), self.stage_canvas)
        shortcut.setContext(Qt.ShortcutContext.WidgetWithChildrenShortcut)
        shortcut.activated.connect(partial(self.asked.emit, learnt.action))
        return shortcut

    def knows(self, action: str) -> bool:
        """Whether an action is one of Stage's own."""
        return action in self.acts()

    def moved(self) -> None:
        """Draw anew: the count of bars and seconds has moved."""
        self.book.follow()
        self.stage_canvas.update()

    def escaped(self) -> None:
        """A number half typed is let be."""
        self.stage_canvas.number = None

    def _touched(self, what: str) -> None:
        kind, _, section = what.partition(":")
        if kind == "section":
            self.session.performer.launch(section, "bar")
        else:
            self.handler(what)()

    @does("next_in")
    def next_in(self) -> None:
        """Bring in what is next on the next bar; or what was typed by number."""
        if self.stage_canvas.number is not None:
            self._to_number()
        else:
            self.session.performer.launch("", "bar")

    @does("cut")
    def cut(self) -> None:
        """Cut to it now."""
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
        number = self.stage_canvas.number
        if number is not None:
            self.stage_canvas.number = number[:-1]
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
        done = self.book.tick_off()
        if done is not None:
            self.session.say("info", f"Done: {done.words}.")

    @does("drop_pass")
    def drop_pass(self) -> None:
        """Leave out the pass that makes the plan fit its slot, for this time."""
        slot = self.book.slot()
        if slot is None or not slot.drop:
            self.session.say("info", "Nothing has to be dropped.")
            return
        self.session.selection.drop_passes([(r.entry, r.section) for r in slot.drop])
        names = ", ".join(r.scene for r in slot.drop)
        self.session.say("info", f"A pass less of {names}, this time.")

    @does("scene_number")
    def scene_number(self) -> None:
        """A scene by its number."""
        self._type("scene")

    @does("song_number")
    def song_number(self) -> None:
        """A song by its number."""
        if self.book.plan() is None:
            self.session.say("warn", "There is no set: songs have no numbers.")
        else:
            self._type("song")

    def _type(self, what: str) -> None:
        self.stage_canvas.number, self.stage_canvas.number_of = "", what

    def _to_number(self) -> None:
        canvas, layout = self.stage_canvas, self.session.derived.layout()
        typed, canvas.number = canvas.number or "", None
        names = canvas.numbered(layout) if layout is not None else []
        if not typed or not 1 <= int(typed) <= len(names):
            if typed:
                self.session.say("warn", f"There is no {canvas.number_of} {typed}.")
            return
        found = names[int(typed) - 1][0]
        if canvas.number_of == "song":
            self.session.performer.launch_song(found, "bar")
        elif self.session.running:
            self.session.performer.launch(found, "bar")
        else:
            self.session.selection.section, self.session.selection.tick = found, None
            self.session.performer.run_here()

    @does("lock")
    def lock(self) -> None:
        """Lock the keys, or let them go."""
        self.session.stage.locked = not self.session.stage.locked
        words = (
            "Keys are locked; Ctrl+L lets go." if self.session.stage.locked else "Keys work again."
        )
        self.session.say("info", words)

    @does("guard")
    def guard(self) -> None:
        """Touches have to be held while something plays, or count at once."""
        self.session.stage.guarded = not self.session.stage.guarded
        state = "on: touches have to be held" if self.session.stage.guarded else "off"
        self.session.say("info", f"Touch guard {state}.")

    def handler(self, action_id: str) -> Callable[[], None]:
        """Locked keys do nothing, but say so."""
        act = super().handler(action_id)

        def run() -> None:
            if self.session.stage.locked and action_id not in UNLOCKED:
                self.session.say("info", "Keys are locked; Ctrl+L lets go.")
            else:
                act()

        return run

    def acts(self) -> dict[str, Act]:
        """Mute, solo and other keys are numbered; the rest is as in every view."""
        kinds: dict[str, Callable[[int], None]] = {
            "mute": self._mute, "solo": self._solo, "digit": self._digit, "track": self._track,
            "halt": self._halt, "scene": self._scene, "song": self._song,
        }  # fmt: skip
        numbered = {
            f"{kind}_{n}": partial(act, n) for kind, act in kinds.items() for n in range(17)
        }
        return {**acts_of(self), **numbered}

    def _mute(self, number: int) -> None:
        if self.stage_canvas.number is not None:
            self._digit(number)
            return
        devices = self.session.project.players
        if number <= len(devices):
            self.session.performer.mute(devices[number - 1].id)

    def _solo(self, number: int) -> None:
        devices = self.session.project.players
        if number <= len(devices):
            self.session.performer.solo(devices[number - 1].id)

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

    def _scene(self, number: int) -> None:
        self._jump("scene", number)

    def _song(self, number: int) -> None:
        self._jump("song", number)

    def _jump(self, what: str, number: int) -> None:
        self._type(what)
        self.stage_canvas.number = str(number)
        self._to_number()

    @does("next_end")
    def next_end(self) -> None:
        """Bring in what is next at the end of this section."""
        self.session.performer.launch("", "section_end")

    def _digit(self, number: int) -> None:
        typed = self.stage_canvas.number
        if typed is not None and len(typed) < 3:
            self.stage_canvas.number = (typed + str(number)).lstrip("0")
