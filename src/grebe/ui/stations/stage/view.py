"""The Stage station: one keystroke for everything, no dialogs."""

from __future__ import annotations

from collections.abc import Collection

from grebe.app.doing import Act
from grebe.app.live.session import Session
from grebe.app.live.stage_actions import StageActions
from grebe.app.live.stage_model import StageModel
from grebe.ui.stations.stage.canvas import StageCanvas
from grebe.ui.widgets.theme import NIGHT, Palette
from grebe.ui.widgets.view import Thing, View
from grebe.words import tr


class StageView(View):
    """Now, Next, when, and the mutes. Always Night. Nothing here can delete anything."""

    scope = "stage"

    def __init__(self, session: Session, book: StageModel) -> None:
        super().__init__(session)
        self.book = book
        self.stage_actions = StageActions(session, book)
        self.stage_canvas = StageCanvas(session, self.book, self.stage_actions.numbers)
        self.stage_canvas.touched.connect(self._touched)
        self.lay_out(self.stage_canvas)
        self.heading.hide()

    def set_palette(self, palette: Palette) -> None:
        """Stage stays dark whatever the theme, as bright as was chosen."""
        super().set_palette(palette if palette.name.startswith("night") else NIGHT)

    def document_changed(self) -> None:
        """Draw anew."""
        self.stage_canvas.update()

    def learnt(self, names: Collection[str]) -> str:
        """The action that one of a key's names was learnt for, in this rig; "" for none."""
        keys = self.session.project.rig.keys
        return next((k.action for k in keys if k.keys in names), "")

    def moved(self) -> None:
        """Draw anew: the count of bars and seconds has moved; say which box is gone."""
        self.stage_actions.playing_on.follow()
        self.book.follow()
        self.stage_canvas.update()
        self.stage_canvas.say_where()

    def escaped(self) -> bool:
        """A number half typed is let be."""
        typed, self.stage_actions.numbers.typed = self.stage_actions.numbers.typed, None
        return typed is not None

    def in_hand(self) -> Thing:
        """What plays and what comes next."""
        return Thing(tr("Stage"), ("next", "now", "move", "mute", "slot"))

    def _touched(self, what: str) -> None:
        kind, _, section = what.partition(":")
        if kind == "section":
            self.session.performer.launch(section, "bar")
        else:
            self.wanted.emit(what)

    def do_touched(self, what: str) -> None:
        """The same from another window: nothing goes to another station for it."""
        kind, _, section = what.partition(":")
        act = self.stage_actions.acts().get(what)
        if kind == "section":
            self.session.performer.launch(section, "bar")
        elif act is not None:
            act()

    def acts(self, part: int) -> dict[str, Act]:
        """What does each action here."""
        del part
        return self.stage_actions.acts()
