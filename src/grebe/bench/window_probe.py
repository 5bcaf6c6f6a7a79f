"""``python -m grebe.bench.window_probe FILE``: times redraws and what a hand waits for."""

from __future__ import annotations

import itertools
import json
import sys
import time
from collections.abc import Callable
from pathlib import Path

from PyQt6.QtCore import QEvent, QEventLoop, QObject, QPoint, Qt, QTimer
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QWidget

from grebe.app.actions.finding import action_entries, thing_entries
from grebe.app.actions.keymap import key_map
from grebe.app.document.store import Store
from grebe.bench.figures import spread_ms
from grebe.ui.main_window.frame import Frame
from grebe.ui.stations.scenes.canvas import ChartCanvas
from grebe.ui.stations.song.canvas import SongCanvas
from grebe.ui.widgets.canvas import Canvas
from grebe.ui.widgets.qt_application import make_application, quit_process
from grebe.ui.widgets.view import View

REDRAWS = 60
KEY_EVERY_MS = 140
"""Between keys: a quick hand, so that what an edit leads to falls between them and on them."""
RESTS_AFTER_MS = 1500
MANY = 5000
"""Things to be found."""


class PaintSeen(QObject):
    """Notes when a widget has been painted."""

    def __init__(self, widget: QWidget) -> None:
        super().__init__()
        self.painted = False
        self._widget = widget
        widget.installEventFilter(self)

    def eventFilter(  # noqa: N802 - Qt's own
        self, watched: QObject | None, event: QEvent | None
    ) -> bool:
        """Paint at once, so that what is timed has ended."""
        if event is not None and event.type() == QEvent.Type.Paint and not self.painted:
            self.painted = True
            self._widget.event(event)
            return True
        return super().eventFilter(watched, event)

    def end(self) -> None:
        """Note no more."""
        self._widget.removeEventFilter(self)


def wait_between() -> None:
    """Let what the last key led to begin."""
    loop = QEventLoop()
    QTimer.singleShot(KEY_EVERY_MS, loop.quit)
    loop.exec()


class WindowProbe:
    """A window of its own; does things in it over and over, and keeps how long each took."""

    def __init__(self, path: Path, redraws: int) -> None:
        """`redraws`: how often each thing is done."""
        self._application = make_application()
        self.frame = Frame(Store.open(path))
        self.frame.session.derived.beside = True
        self._redraws = redraws
        self.views: dict[str, dict[str, float]] = {}
        """Milliseconds: p50_ms, p95_ms and max_ms of what was done, under its name."""

    def run(self) -> bool:
        """Show it, do all of it once the window rests, and close it; whether all was done."""
        self.frame.show()
        QTimer.singleShot(RESTS_AFTER_MS, self._all)
        self._application.exec()
        return "finder_of_5000" in self.views

    def _all(self) -> None:
        """Whatever goes wrong ends the process: nobody sits at its window."""
        try:
            self._redraws_of_all()
            self._scroll(4)
            self._scroll(5)
            self._edits()
            self._keys()
            self._menus()
            self._finder()
            self.frame.session.end_engine()
            self.frame.leave()  # what was edited is not asked about
        finally:
            self._application.quit()

    def _time(
        self, name: str, act: Callable[[], None], between: Callable[[], object] = lambda: None
    ) -> None:
        took: list[float] = []
        for _ in range(self._redraws):
            between()
            began = time.perf_counter()
            act()
            self.frame.waterline.follow()
            self.frame.waterline.repaint()
            took.append((time.perf_counter() - began) * 1e3)
        self.views[name] = spread_ms(took, 50, 95, digits=3)

    def _shown(self, number: int) -> View:
        self.frame.show_station(number)
        self._application.processEvents()
        return self.frame.views[number]

    def _redraws_of_all(self) -> None:
        for number in self.frame.views:
            view = self._shown(number)

            def again(canvas: Canvas = view.canvas) -> None:
                canvas.refresh()
                canvas.repaint()

            self._time(view.scope, again)

    def _scroll(self, number: int) -> None:
        """A step to the right and back, over and over."""
        view = self._shown(number)
        canvas = view.canvas
        assert isinstance(canvas, ChartCanvas | SongCanvas)
        if isinstance(canvas, SongCanvas):
            canvas.zoom(0.125)
        self._application.processEvents()
        steps = itertools.cycle((1, 1, 1, -1, -1, -1))

        def turn() -> None:
            canvas.turn(next(steps))
            canvas.repaint()

        self._time(f"{view.scope}_scroll", turn)

    def _edits(self) -> None:
        patterns = self._shown(3)
        write = patterns.handler("toggle")

        def edit() -> None:
            write()
            patterns.canvas.repaint()

        self._time("pattern_edit", edit)

    def _keys(self) -> None:
        """A key until its edit is seen."""
        for number, key in ((3, Qt.Key.Key_X), (4, Qt.Key.Key_M), (5, Qt.Key.Key_M)):
            view = self._shown(number)
            canvas = view.canvas
            seen = PaintSeen(canvas)

            def press(canvas: QWidget = canvas, key: Qt.Key = key, seen: PaintSeen = seen) -> None:
                seen.painted = False
                QTest.keyClick(canvas, key)  # type: ignore[call-overload]
                while not seen.painted:
                    self._application.processEvents()

            self._time(f"{view.scope}_key_to_edit", press, wait_between)
            seen.end()

    def _menus(self) -> None:
        menus = itertools.cycle(self.frame.menu_bar.menus.values())

        def menu() -> None:
            shown = next(menus)
            shown.popup(self.frame.mapToGlobal(QPoint(200, 30)))
            shown.repaint()
            shown.hide()

        self._time("menu_opens", menu)

    def _finder(self) -> None:
        frame = self.frame
        entries = [*action_entries(key_map()), *thing_entries(frame.session.project)]
        things = [e for e in entries if e.kind != "action"]
        entries += [things[n % len(things)] for n in range(MANY - len(entries))]
        finder = frame.over.finder
        words = itertools.cycle(("d", "dr", "dru", "drums out", "bell", "tempo", "mute 3", ""))

        def find() -> None:
            finder.hide()
            frame.over.open(finder)
            finder.search_in(entries, frame.book.recent, next(words))
            finder.repaint()

        self._time("finder_of_5000", find)
        finder.hide()


def main() -> int:
    """All of it with a project, so often; prints JSON."""
    redraws = int(sys.argv[2]) if len(sys.argv) > 2 else REDRAWS
    probe = WindowProbe(Path(sys.argv[1]), redraws)
    if not probe.run():
        sys.stderr.write("the views could not be measured\n")
        return 1
    sys.stdout.write(json.dumps(probe.views) + "\n")
    return 0


if __name__ == "__main__":
    quit_process(main())
