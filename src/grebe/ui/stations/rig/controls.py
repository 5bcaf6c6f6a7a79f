"""What controllers, pedals and computer keys do on Stage: a list, learnt by pressing."""

from __future__ import annotations

from PyQt6.QtCore import QPointF, QRectF, Qt
from PyQt6.QtGui import QKeyEvent, QKeySequence, QPainter

from grebe.app.actions.keymap import key_map, printed, told
from grebe.app.doing import does
from grebe.app.editors.rig_editor import RigEditor
from grebe.app.tables.listed import ListTable
from grebe.app.tables.table import Cell
from grebe.core.player.controls import LEARNABLE
from grebe.ui.widgets import draw
from grebe.ui.widgets.canvas import Canvas
from grebe.ui.widgets.keyboard import key_names
from grebe.words import tr

ROW, HEAD = 24.0, 56.0
COLUMNS = 4
PLAIN_KEYS = (
    Qt.Key.Key_Shift, Qt.Key.Key_Control, Qt.Key.Key_Alt, Qt.Key.Key_Meta, Qt.Key.Key_AltGr,
)  # fmt: skip


class ControlsPane(Canvas):
    """Arrows choose an action, L learns a press for it, K a computer key, Delete forgets both."""

    by_double = "learn_press"

    def __init__(self, editor: RigEditor) -> None:
        table = ListTable(
            (tr("Press"), tr("Computer key")),
            self._names,
            self._cells,
            lambda: self.index,
            self._choose,
        )
        super().__init__(editor.session, table)
        self._editor = editor
        self.index = 0
        self.takes_key = False
        """Whether the next key is learnt."""
        self.setAccessibleName(tr("Controllers and pedals"))

    @property
    def rows(self) -> int:
        """Actions in a column."""
        return -(-len(LEARNABLE) // COLUMNS)

    @property
    def action(self) -> str:
        """The action in hand."""
        return LEARNABLE[self.index].id

    def _box(self, index: int) -> QRectF:
        column, row = divmod(index, self.rows)
        wide = self.width() / COLUMNS
        return QRectF(column * wide, HEAD + row * ROW, wide - 10, ROW)

    def _choose(self, index: int) -> None:
        self.index = index
        self.refresh()

    def _names(self) -> list[str]:
        """Actions that can be learnt."""
        return [one.title for one in LEARNABLE]

    def _cells(self, row: int) -> tuple[str, ...]:
        """What was learnt for one."""
        return self.learnt_for(LEARNABLE[row].id)

    def learnt_for(self, action: str) -> tuple[str, str]:
        """Presses and the computer key that an action was learnt; "" for none."""
        rig = self.session.project.rig
        presses = [
            f"{rig.name_of(b.trigger.device)} {b.trigger.kind} {b.trigger.number}"
            for b in rig.bindings
            if b.action == action
        ]
        key = next((k.keys for k in rig.keys if k.action == action), "")
        return ", ".join(presses), key

    def cell_box(self, cell: Cell) -> QRectF:
        """Where an action stands."""
        return self._box(cell.row)

    def cell_at(self, at: QPointF) -> Cell | None:
        """The action there."""
        rows = range(len(LEARNABLE))
        return next((Cell(row, 0) for row in rows if self._box(row).contains(at)), None)

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        """While a key is learnt, take it."""
        if event is not None and self.takes_key:
            self._take_key(event)
            self.refresh()
        else:
            super().keyPressEvent(event)

    def _go(self, by: int) -> None:
        self.index = max(0, min(len(LEARNABLE) - 1, self.index + by))
        self.refresh()

    @does("up")
    def up(self) -> None:
        """The action above."""
        self._go(-1)

    @does("down")
    def down(self) -> None:
        """The action below."""
        self._go(1)

    @does("left")
    def left(self) -> None:
        """A column to the left."""
        self._go(-self.rows)

    @does("right")
    def right(self) -> None:
        """A column to the right."""
        self._go(self.rows)

    @does("learn_press")
    def learn(self) -> None:
        """Wait for a press, or give up waiting."""
        if self.session.link.state != "on":
            self.session.say("warn", tr("The engine is not there yet: nothing is heard."))
            return
        self.session.learning.learn("" if self.session.learning.action else self.action)
        self.refresh()

    @does("learn_key")
    def learn_key(self) -> None:
        """The next key of the computer is learnt."""
        self.takes_key = True
        self.refresh()

    @does("forget_press")
    def forget(self) -> None:
        """Forget what was learnt for it."""
        self._editor.boxes.forget_press(self.action)
        self.refresh()

    @does("remove")
    def remove(self) -> None:
        """The same."""
        self.forget()

    def give_up(self) -> bool:
        """Learn nothing after all; whether something was being learnt."""
        learning = self.takes_key or bool(self.session.learning.action)
        self.takes_key = False
        if self.session.learning.action:
            self.session.learning.learn("")
        self.refresh()
        return learning

    def _take_key(self, event: QKeyEvent) -> None:
        if event.key() in PLAIN_KEYS:
            return
        self.takes_key = False
        words = QKeySequence(event.keyCombination()).toString()
        taken = {key: action.title_of(action.number_of(each)) for key in key_names(event)
                 for action, each in key_map().on(key, "stage", -1)}  # fmt: skip
        if taken:
            key, title = next(iter(taken.items()))
            self.session.say(
                "warn", tr("{printed} is taken: {title}.", printed=printed(key), title=title)
            )
        elif words:
            self._editor.boxes.learn_key(self.action, words)
        self.refresh()

    # Drawing

    def paint_still(self, painter: QPainter) -> None:
        """Draw the list."""
        p, rig = self.palette_now, self.session.project.rig
        words = tr(
            "{learn_press} learns a press on any box that is heard, {learn_key} a "
            "computer key, {forget_press} forgets.",
            learn_press=told("learn_press"),
            learn_key=told("learn_key"),
            forget_press=told("forget_press"),
        )
        colour = p.muted
        title = LEARNABLE[self.index].title
        if self.session.learning.action:
            words, colour = tr("Press what is to do it: {title}. L gives up.", title=title), p.crest
        elif self.takes_key:
            words, colour = (
                tr("Press the key that is to do it: {title}. Esc gives up.", title=title),
                p.crest,
            )
        draw.text(painter, 4, 22, words, colour, size=16, weight=600, width=self.width() - 8)
        heard = [d.name for d in rig.devices if d.input.is_set or d.port.is_standin]
        below = tr("Heard: {names}.", names=', '.join(heard)) if heard else (
            tr("No box is heard yet: set Heard at, on its sheet.")
        )  # fmt: skip
        draw.text(painter, 4, 42, below, p.muted, size=14, width=self.width() - 8)
        for index, named in enumerate(LEARNABLE):
            box = self._box(index)
            here = index == self.index
            if here:
                draw.panel(painter, box, p.soft, p.crest)
            learnt = [words for words in self.learnt_for(named.id) if words]
            draw.text(painter, box.left() + 6, box.bottom() - 7, named.title,
                      p.ink if learnt or here else p.muted, size=14,
                      weight=600 if learnt else 400, width=box.width() * 0.56)  # fmt: skip
            draw.text(painter, box.right() - 6, box.bottom() - 7, ", ".join(learnt), p.water,
                      size=12, align=draw.RIGHT, width=box.width() * 0.4)  # fmt: skip
