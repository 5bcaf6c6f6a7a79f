"""The Stage station: one keystroke for everything, no dialogs."""

from __future__ import annotations

from collections.abc import Callable
from functools import partial

from grebe.app.session import Session
from grebe.ui.stage.canvas import StageCanvas
from grebe.ui.theme import NIGHT, Palette
from grebe.ui.view import View


class StageView(View):
    """Now, Next, when, and the mutes. Always Night."""

    scope = "stage"
    number = 7

    def __init__(self, session: Session) -> None:
        super().__init__(session)
        self.stage_canvas = StageCanvas(session)
        self.lay_out(self.stage_canvas)
        self.heading.hide()

    def set_palette(self, palette: Palette) -> None:
        """Stage stays dark whatever the theme."""
        del palette
        super().set_palette(NIGHT)

    def document_changed(self) -> None:
        """Draw anew."""
        self.stage_canvas.update()

    def moved(self) -> None:
        """Draw anew: the count of bars and seconds has moved."""
        self.stage_canvas.update()

    def do_next_in(self) -> None:
        """Bring in what is next on the next bar."""
        self.session.launch("", "bar")

    def do_cut(self) -> None:
        """Cut to it now."""
        self.session.launch("", "now")

    def do_hold(self) -> None:
        """Hold, or let go."""
        self.session.hold()

    def do_again(self) -> None:
        """One more pass."""
        self.session.again()

    def do_skip(self) -> None:
        """Leave out what is next."""
        self.session.skip()

    def do_keep_mutes(self) -> None:
        """Mutes by hand stay after this section, or are dropped: for this once."""
        self.session.keep_mutes()

    def handler(self, action_id: str) -> Callable[[], None]:
        """Mute keys are numbered; the rest is as in every view."""
        if action_id.startswith("mute_"):
            return partial(self._mute, int(action_id.removeprefix("mute_")))
        return super().handler(action_id)

    def _mute(self, number: int) -> None:
        devices = self.session.project.players
        if number <= len(devices):
            self.session.mute(devices[number - 1].id)
