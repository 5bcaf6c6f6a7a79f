"""Does actions: by key, menu, button, finder, pedal. One place says what can be done now."""

from __future__ import annotations

from collections.abc import Callable
from functools import partial
from typing import Protocol

from PyQt6.QtGui import QKeyEvent

from grebe.app.actions.keymap import KeyMap, key_map
from grebe.app.actions.model import STATION_NUMBERS, Action, Station, station_name
from grebe.app.actions.needs import NEEDS, cure_of, missing, standing, why_not
from grebe.app.actions.table import QUIET, actions_in, by_id
from grebe.app.doing import Act
from grebe.app.editors.pattern_editor import PatternEditor
from grebe.app.live.session import Session
from grebe.errors import EditError, GrebeError
from grebe.ui.main_window.stations import Stations
from grebe.ui.widgets.keyboard import key_names, plain
from grebe.ui.widgets.view import View
from grebe.words import tr

WORKS_LOCKED = ("panic", "lock")
"""What works on Stage although the keys are locked."""
REPEATS = ("tempo_up", "tempo_down", "tempo_up_fine", "tempo_down_fine")
"""Of what is heard: what goes on while its key is held down. Everything else counts once."""
RECENT = 12


class ShownStations(Protocol):
    """The window as far as it is needed here."""

    session: Session
    patterns: PatternEditor
    views: Stations

    @property
    def view(self) -> View:
        """The station shown."""

    def show_station(self, number: int) -> None:
        """Show a station."""


class ActionBook:
    """The registry at one window: finds who does an action, says why it cannot be done, or does
    it."""

    def __init__(
        self, window: ShownStations, acts: Callable[[], dict[str, Act]],
        escape: Callable[[], None],
    ) -> None:  # fmt: skip
        """`acts` is what the window itself does, by action id; `escape` what the key of the panic
        does, which has to be pressed twice."""
        self._window = window
        self._acts, self._escape = acts, escape
        self.recent: list[str] = []
        """What was done last by the finder or a menu, the newest first."""
        self._held: dict[int, str] = {}

    @property
    def keys(self) -> KeyMap:
        """The keys as they are now."""
        return key_map()

    @property
    def station(self) -> Station:
        """The station that is shown."""
        return self._window.view.scope

    # What can be done

    def met(self, *, findings: bool = True) -> frozenset[str]:
        """Which needs are met now; without `findings` they are not looked for."""
        listed = self._window.view.listed if findings else None
        met = standing(
            self._window.session, self._window.patterns.hand,
            findings=listed is not None and bool(listed.findings),
        )  # fmt: skip
        if self.station == "patterns" and self._window.view.part > 0:
            return met | {"row", "hit"}  # memory and loops have something of their own in hand
        return met

    def why_not(self, action_id: str, met: frozenset[str] | None = None) -> str:
        """Why an action cannot be done now; "" when it can."""
        action = by_id()[action_id]
        now = self.met(findings="findings" in action.needs) if met is None else met
        reason = why_not(action, now, self.keys, self.station)
        if not reason and self._lacks(action, action_id):
            return tr(
                "Not in this part of {station_names}.", station_names=station_name(self.station)
            )
        return reason

    def _lacks(self, action: Action, action_id: str) -> bool:
        """Whether it belongs to the station shown, but to another part of it."""
        if action_id in self._acts() or self._window.view.can(action_id):
            return False
        return bool(action.at) or (action.station == self.station and action.part < 0)

    def serves(self) -> dict[tuple[Station, int], frozenset[str]]:
        """Of each station and part: what works everywhere, and there has an answer."""
        everywhere = [a.id for a in actions_in("everywhere")]
        own = frozenset(self._acts())
        return {
            (view.scope, part): own | {
                each for each in everywhere if view.answers(each, part)
            }
            for view in self._window.views.values()
            for part in view.parts_there_are()
        }  # fmt: skip

    # Doing

    def do(self, action_id: str, *, chosen: bool = False) -> None:
        """Do an action, going to its station first; or say why it cannot be done.

        `chosen`: by name, from a menu or the finder, so that it is worth remembering.
        """
        window, action = self._window, by_id()[action_id]
        if self._locked(action_id):
            return
        if chosen:
            self.recent = [action_id, *(r for r in self.recent if r != action_id)][:RECENT]
        if action.station not in ("everywhere", self.station):
            window.show_station(STATION_NUMBERS[action.station])
        if action.part >= 0 and window.view.part != action.part:
            window.view.to_part(action.part)
        reason = self.why_not(action_id)
        if reason:
            self._say_why(action, reason)
            return
        act = (
            window.view.handler(action_id) if window.view.can(action_id)
            else self._acts()[action_id]
        )  # fmt: skip
        self._safely(action, act)

    def press(self, action_id: str) -> None:
        """An action from a pedal, a controller or OSC: done from whatever station is shown."""
        stage = self._window.views.stage
        if action_id in self._acts():
            self.do(action_id)
        elif stage.can(action_id):
            self._safely(by_id()[action_id], stage.handler(action_id))

    def _locked(self, action_id: str) -> bool:
        session = self._window.session
        if not (session.stage.shown and session.stage.locked) or action_id in WORKS_LOCKED:
            return False
        words = tr("Keys are locked; {lock} lets go.", lock=self.keys.told("lock"))
        session.notices.say("info", words, offers="lock", over=lambda: not session.stage.locked)
        return True

    def _say_why(self, action: Action, reason: str) -> None:
        session, met = self._window.session, self.met()
        need = missing(action, met)
        over = partial(self._met_now, need) if need in NEEDS else None
        session.notices.say("warn", reason, offers=cure_of(need), over=over)

    def _met_now(self, need: str) -> bool:
        return need in self.met()

    def _safely(self, action: Action, act: Act) -> None:
        session = self._window.session
        store, said = session.store, session.notices.last
        before = store.project
        thing = self._window.view.in_hand().words if action.on else ""
        about = f": {thing}" if thing else ""
        try:
            act()
        except EditError as error:
            session.say("warn", f"{error}.")
        except GrebeError as error:
            session.say("error", str(error))
        else:
            done = store.project
            quiet = action.id in QUIET or session.notices.last is not said
            if done is not before and action.effect == "edits" and not quiet:
                session.notices.say(
                    "info", f"{store.undo_name}{about}.", offers="undo",
                    over=lambda: store.project is not done,
                )  # fmt: skip

    # Keys

    def key(self, event: QKeyEvent, *, on_canvas: bool) -> bool:
        """Do what a key does; whether it does anything.

        Off the canvas plain keys belong to the control that has the focus.
        """
        names, window = key_names(event), self._window
        view = window.view
        for name in names:
            for action, action_id in self.keys.on(name, self.station, view.part):
                if not (on_canvas or action.wide or not plain(event)):
                    continue
                if action.station == "everywhere" and action.at and not view.can(action_id):
                    continue
                self._press_key(event, action, action_id)
                return True
        learnt = view.learnt(names) if on_canvas else ""
        if learnt and not event.isAutoRepeat():
            if not self._locked(learnt):
                self.press(learnt)
            return True
        return False

    def _press_key(self, event: QKeyEvent, action: Action, action_id: str) -> None:
        once = action.effect in ("plays", "asks") and action.id not in REPEATS
        if event.isAutoRepeat() and once:
            return
        if action_id == "panic":
            self._escape()
            return
        if action.held:
            self._held[event.key()] = action_id
        self.do(action_id)

    def release(self, event: QKeyEvent) -> str:
        """A key came up: the action that it held; "" for none."""
        return "" if event.isAutoRepeat() else self._held.pop(event.key(), "")
