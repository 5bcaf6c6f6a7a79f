"""A page: Stage on phones. A code to be scanned, a word to be typed, who asks to see it."""

from __future__ import annotations

from functools import partial

from PyQt6.QtCore import QRectF, QSize, Qt
from PyQt6.QtGui import QColor, QPainter, QPaintEvent
from PyQt6.QtWidgets import QHBoxLayout, QLabel, QVBoxLayout, QWidget

from grebe.app.live.phones import PhoneRow, Phones
from grebe.ui.main_window.overlay import PageOverlay
from grebe.ui.widgets import draw
from grebe.ui.widgets.controls import Button
from grebe.words import tr

CODE_PX = 260
QUIET = 4
"""Modules of white around a code, as ISO/IEC 18004 wants."""
DARK, LIGHT = QColor("#000000"), QColor("#FFFFFF")
"""A code is black on white in every theme: scanners expect it."""


class Code(QWidget):
    """A code to be scanned."""

    def __init__(self) -> None:
        super().__init__()
        self._rows: list[bytearray] = []
        self.setFixedSize(QSize(CODE_PX, CODE_PX))

    def show_text(self, text: str) -> None:
        """Show this as a code; nothing for ""."""
        import segno  # noqa: PLC0415 - where a code is wanted

        self._rows = [bytearray(row) for row in segno.make(text, error="m").matrix] if text else []
        self.setAccessibleName(tr("Code to be scanned: {text}", text=text) if text else "")
        self.update()

    def paintEvent(self, event: QPaintEvent | None) -> None:
        """Draw it, its modules whole pixels."""
        del event
        if not self._rows:
            return
        painter = QPainter(self)
        side = CODE_PX // (len(self._rows) + 2 * QUIET)
        draw.fill(painter, 0, 0, CODE_PX, CODE_PX, LIGHT)
        left = (CODE_PX - side * len(self._rows)) / 2
        boxes = [
            QRectF(left + x * side, left + y * side, side, side)
            for y, row in enumerate(self._rows) for x, dark in enumerate(row) if dark
        ]  # fmt: skip
        draw.rects(painter, boxes, DARK)


class PhonePage(PageOverlay):
    """Off until it is switched on here, and off again with the window."""

    def __init__(self, parent: QWidget, phones: Phones) -> None:
        super().__init__(parent, tr("Stage on phones"))
        self._phones = phones
        self.below.setText(
            tr("For a drummer, a helper or the lights: scene, bar, what comes, what is to do. To "
               "be read and nothing more; only on this network, and only who you accept.")
        )  # fmt: skip
        self.switch = Button("", primary=True)
        self.switch.clicked.connect(self._toggle)
        self.code = Code()
        self.where = QLabel("")
        self.where.setWordWrap(True)
        self.where.setTextInteractionFlags(Qt.TextInteractionFlag.TextSelectableByMouse)
        self.where.setStyleSheet("font-size: 20px")
        self.rows = QVBoxLayout()
        self.said = QLabel("")
        self.said.setWordWrap(True)
        beside = QVBoxLayout()
        beside.addWidget(self.where)
        beside.addWidget(self.said)
        beside.addLayout(self.rows)
        beside.addStretch(1)
        middle = QHBoxLayout()
        middle.setSpacing(24)
        middle.addWidget(self.code, 0, Qt.AlignmentFlag.AlignTop)
        middle.addLayout(beside, 1)
        foot = QHBoxLayout()
        foot.addWidget(self.switch)
        foot.addStretch(1)
        self.column.addLayout(foot)
        self.column.addSpacing(12)
        self.column.addLayout(middle, 1)
        self.accepts: list[Button] = []
        self.refresh()

    def _toggle(self) -> None:
        if self._phones.on:
            self._phones.stop()
        else:
            self._phones.start()
        self.refresh()

    def refresh(self) -> None:
        """Show how it stands."""
        phones = self._phones
        self.switch.setText(tr("Show it no longer") if phones.on else tr("Show it on phones"))
        self.code.show_text(phones.link)
        self.code.setVisible(bool(phones.link))
        self.where.setText(
            tr("Scan it, or open {url} and type: {word}", url=phones.urls[0], word=phones.word)
            if phones.urls else ""
        )  # fmt: skip
        self.said.setText(self._words())
        while (item := self.rows.takeAt(0)) is not None:
            row = item.widget()
            if row is not None:
                row.deleteLater()
        self.accepts = []
        for phone in phones.rows:
            self.rows.addWidget(self._row(phone))

    def _words(self) -> str:
        phones = self._phones
        if phones.problem:
            return phones.problem
        if not phones.on:
            return tr("Nothing is shown to anybody.")
        if not phones.rows:
            return tr("Nobody has asked yet.")
        return ""

    def _row(self, phone: PhoneRow) -> QWidget:
        row = QWidget()
        line = QHBoxLayout(row)
        line.setContentsMargins(0, 0, 0, 0)
        seen = tr("sees it") if phone.accepted else tr("asks to see it")
        line.addWidget(QLabel(tr("A phone at {address} {seen}.", address=phone.address, seen=seen)))
        line.addStretch(1)
        for words, accepts in ((tr("Accept"), True), (tr("Send away"), False)):
            if accepts and phone.accepted:
                continue
            button = Button(words, primary=accepts)
            button.palette_now = self.palette_now
            button.clicked.connect(partial(self._answer, phone.number, accepts))
            button.setAccessibleName(f"{words}: {phone.address}")
            line.addWidget(button)
            self.accepts.append(button)
        return row

    def _answer(self, number: int, accepts: bool, *_: object) -> None:
        self._phones.accept(number, accepts=accepts)
