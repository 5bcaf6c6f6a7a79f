"""The targets of Stage: what a finger or a pointer can do there, one touch each."""

from __future__ import annotations

from collections.abc import Hashable
from typing import Literal, NamedTuple

from PyQt6.QtCore import QPointF, QRectF
from PyQt6.QtGui import QPainter

from grebe.app.actions.keymap import told
from grebe.app.live.session import Session
from grebe.app.live.stage_numbers import ON_A_PAGE, StageNumbers
from grebe.ui.widgets import draw
from grebe.ui.widgets.theme import NIGHT, Palette
from grebe.words import tr

HIGH = 58.0
"""Of the design's pixels."""
LEAST_PX = 58.0
"""Of the screen's, however small it is: what a finger hits has 56 inside its edge."""
GAP = 4.0
Mode = Literal["mute", "solo", "halt"]
"""What a touch of a block does: silence the box, let it play alone, stop its loop tracks."""


class Target(NamedTuple):
    """One of them."""

    words: str
    action: str
    """What it does; of a mode its name after a colon."""


ACTIONS: tuple[Target, ...] = (
    Target(tr("Next bar##bring in, on Stage"), "next_in"),
    Target(tr("At the end##bring in, on Stage"), "next_end"),
    Target(tr("Cut##to it, on Stage"), "cut"),
    Target(tr("Hold"), "hold"),
    Target(tr("Again"), "again"),
    Target(tr("Back##a section"), "back"),
    Target(tr("Skip"), "skip"),
    Target(tr("Take back"), "withdraw"),
    Target(tr("Done##a move"), "tick_move"),
    Target(tr("Scene"), "scene_number"),
    Target(tr("Song"), "song_number"),
    Target(tr("Alone##a box"), ":solo"),
)
LOCK = Target(tr("Lock"), "lock")
STOPS = Target(tr("Stop loops"), ":halt")
"""Only where there is a looper."""
MORE = Target(tr("More##boxes and tracks"), "blocks_page")
"""Only where there are more than have a block."""
NUMBERS: tuple[Target, ...] = (
    *(Target(str(n), f"mute_{n}") for n in range(1, 9)),
    Target("9", "digit_9"),
    Target("0", "digit_0"),
    Target(tr("Go"), "next_in"),
    Target(tr("Let be"), ":escape"),
)
"""While a number is typed; the keys of the first eight silence boxes otherwise."""


class Targets:
    """A row of them between the panels and the blocks."""

    def __init__(self, session: Session, numbers: StageNumbers) -> None:
        self._session, self._numbers = session, numbers
        self.palette_now: Palette = NIGHT
        self.mode: Mode = "mute"
        self.keyed = True
        """Whether there are keys to be told of."""
        self._boxes: list[tuple[QRectF, Target]] = []

    @property
    def shown(self) -> tuple[Target, ...]:
        """Those there are now."""
        if self._numbers.typed is not None:
            return NUMBERS
        stops = (STOPS,) if self._session.looping.looper is not None else ()
        more = (MORE,) if len(self._session.project.players) > ON_A_PAGE else ()
        return (*ACTIONS, *stops, *more, LOCK)

    def at(self, place: QPointF) -> Target | None:
        """The one at a place."""
        return next((target for box, target in self._boxes if box.contains(place)), None)

    def box_of(self, action: str) -> QRectF:
        """Where one is drawn; empty where it is not."""
        return next((box for box, target in self._boxes if target.action == action), QRectF())

    def turn(self, mode: str) -> None:
        """What blocks do from now on; once more: silence again."""
        self.mode = "mute" if self.mode == mode else "solo" if mode == "solo" else "halt"

    def key(self) -> Hashable:
        """All that the row depends on."""
        status = self._session.status
        return (
            self.shown, self.mode, self.keyed, self._session.running, self._session.stage.locked,
            status is not None and status.held, status is not None and status.launched,
        )  # fmt: skip

    def paint(self, painter: QPainter, row: QRectF) -> None:
        """Draw the row."""
        p, shown = self.palette_now, self.shown
        wide = (row.width() - 2 - GAP * (len(shown) - 1)) / len(shown)
        self._boxes = []
        for index, target in enumerate(shown):
            box = QRectF(
                row.left() + 1 + index * (wide + GAP), row.top() + 1, wide, row.height() - 2
            )
            self._boxes.append((box, target))
            on = self._is_on(target)
            draw.panel(painter, box, p.crest if on else p.soft, p.crest if on else p.edge,
                       width=1.5)  # fmt: skip
            key = told(target.action) if self.keyed and target.action[0] != ":" else ""
            key = "" if target.words.isdigit() else key
            ink, middle = p.ground if on else p.ink, box.center()
            size = 16 if draw.text_width(target.words, 16, 600) < wide - 6 else 14
            draw.text(painter, middle.x(), middle.y() + (0 if key else 6), target.words, ink,
                      size=size, weight=600, align=draw.CENTRE, width=wide - 4)  # fmt: skip
            draw.text(painter, middle.x(), middle.y() + 19, key, p.ground if on else p.muted,
                      size=12, align=draw.CENTRE, width=wide - 4)  # fmt: skip

    def _is_on(self, target: Target) -> bool:
        status, stage = self._session.status, self._session.stage
        if target.action == "hold":
            return status is not None and status.held
        if target.action == "lock":
            return stage.locked
        return target.action == f":{self.mode}"
