"""What keys do in every station: run, tempo, pushes, the session of computers, undo. Without Qt."""

from __future__ import annotations

from grebe.app.doing import does
from grebe.app.live.session import Session
from grebe.core.player.controls import PUSH_PERCENT
from grebe.words import tr


class WindowActions:
    """Everything that a session and a document can do by themselves."""

    def __init__(self, session: Session) -> None:
        self.session = session

    def released(self, *, push: bool) -> bool:
        """A key that is held came up: of a push, or of a fill; whether that was held."""
        if push and self.session.tempo.pushed:
            self.session.tempo.push(0.0)
            return True
        if not push and self.session.hands.filling:
            self.session.hands.fill(on=False)
            return True
        return False

    @does("run_stop")
    def run_stop(self) -> None:
        """Run from the top, or stop."""
        self.session.performer.run_stop()

    @does("run_counted")
    def run_counted(self) -> None:
        """Run after a count-in."""
        self.session.performer.run_counted()

    @does("session")
    def toggle_session(self) -> None:
        """Join the session of computers, or leave it."""
        self.session.network.toggle()

    @does("accept_peer")
    def accept_peer(self) -> None:
        """Accept the computer that asks for something."""
        self.session.network.accept_next()

    @does("osc")
    def osc(self) -> None:
        """Listen to remote surfaces, or no longer."""
        self.session.network.toggle_osc()

    @does("run_here")
    def run_here(self) -> None:
        """Run from the selected section."""
        self.session.performer.run_here()

    @does("tempo_up")
    def tempo_up(self) -> None:
        """Tempo up."""
        self.session.tempo.change(1.0)

    @does("tempo_down")
    def tempo_down(self) -> None:
        """Tempo down."""
        self.session.tempo.change(-1.0)

    @does("tempo_up_fine")
    def tempo_up_fine(self) -> None:
        """Tempo up a little."""
        self.session.tempo.change(0.1)

    @does("tempo_down_fine")
    def tempo_down_fine(self) -> None:
        """Tempo down a little."""
        self.session.tempo.change(-0.1)

    @does("push_ahead")
    def push_ahead(self) -> None:
        """Push ahead while the key is down."""
        self._push(PUSH_PERCENT)

    @does("hold_back")
    def hold_back(self) -> None:
        """Hold back while the key is down."""
        self._push(-PUSH_PERCENT)

    def _push(self, percent: float) -> None:
        if percent != self.session.tempo.pushed:
            self.session.tempo.push(percent)

    @does("metronome")
    def metronome(self) -> None:
        """Click every beat, or no longer."""
        self.session.hands.metronome()

    @does("launch_unit")
    def launch_unit(self) -> None:
        """Where launches come in."""
        self.session.performer.next_launch_unit()

    @does("fill")
    def fill(self) -> None:
        """A fill while the key is down."""
        if not self.session.hands.filling:
            self.session.hands.fill(on=True)

    @does("undo")
    def undo(self) -> None:
        """Take the last edit back."""
        name = self.session.store.undo()
        self._said("Undone", name, "redo")

    @does("revert")
    def revert(self) -> None:
        """As it was opened or saved last; one step of undo brings it back."""
        store = self.session.store
        if not store.dirty:
            self.session.say("info", tr("Nothing has changed since it was saved."))
            return
        store.apply(tr("As it was saved"), lambda _: store.saved)
        self.session.notices.say("info", tr("As it was saved last."), offers="undo")

    @does("redo")
    def redo(self) -> None:
        """Bring back what was undone."""
        name = self.session.store.redo()
        self._said("Redone", name, "undo")

    def _said(self, what: str, name: str, back: str) -> None:
        """One edit was taken back or brought back; the way back is offered until the next one."""
        store = self.session.store
        if not name:
            self.session.say("info", tr("There was nothing to take back or bring again."))
            return
        here = store.project
        self.session.notices.say(
            "info", f"{what}: {name}.", offers=back, over=lambda: store.project is not here
        )

    @does("stop_engine")
    def stop_engine(self) -> None:
        """End the engine that runs; another is started for this project."""
        self.session.end_engine()
