"""``python -m grebe.bench.window_probe FILE``: times first paint and each view's redraw."""

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
from grebe.ui.main_window.frame import Frame
from grebe.ui.stations.scenes.canvas import ChartCanvas
from grebe.ui.stations.song.canvas import SongCanvas
from grebe.ui.widgets.canvas import Canvas
from grebe.ui.widgets.qt_application import make_application

REDRAWS = 60
KEY_EVERY_MS = 140
"""Between keys: a quick hand, so that what an edit leads to falls between them and on them."""
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


def main() -> int:
    """Show the window, wait for its first paint, then redraw every view; prints JSON."""
    redraws = int(sys.argv[2]) if len(sys.argv) > 2 else REDRAWS
    application = make_application()
    frame = Frame(Store.open(Path(sys.argv[1])))
    frame.session.derived.beside = True
    frame.show()
    frame.repaint()
    frame.view.canvas.repaint()
    frame.waterline.repaint()
    first_paint = time.monotonic()
    views: dict[str, dict[str, float]] = {}

    def time_it(
        name: str, act: Callable[[], None], between: Callable[[], object] = lambda: None
    ) -> None:
        took: list[float] = []
        for _ in range(redraws):
            between()
            began = time.perf_counter()
            act()
            frame.waterline.follow()
            frame.waterline.repaint()
            took.append((time.perf_counter() - began) * 1e3)
        took.sort()
        views[name] = {
            "p50_ms": round(took[len(took) // 2], 3),
            "p95_ms": round(took[min(len(took) - 1, len(took) * 95 // 100)], 3),
            "max_ms": round(took[-1], 3),
        }

    def scroll(number: int) -> None:
        """A step to the right and back, over and over."""
        frame.show_station(number)
        canvas = frame.views[number].canvas
        assert isinstance(canvas, ChartCanvas | SongCanvas)
        if isinstance(canvas, SongCanvas):
            canvas.zoom(0.125)
        application.processEvents()
        steps = itertools.cycle((1, 1, 1, -1, -1, -1))

        def turn() -> None:
            canvas.turn(next(steps))
            canvas.repaint()

        time_it(f"{frame.views[number].scope}_scroll", turn)

    def redraw() -> None:
        for number, view in frame.views.items():
            frame.show_station(number)
            application.processEvents()

            def again(canvas: Canvas = view.canvas) -> None:
                canvas.refresh()
                canvas.repaint()

            time_it(view.scope, again)
        scroll(4)
        scroll(5)
        frame.show_station(3)
        patterns = frame.views[3]
        write = patterns.handler("toggle")

        def edit() -> None:
            write()
            patterns.canvas.repaint()

        application.processEvents()
        time_it("pattern_edit", edit)
        hand()
        frame.session.end_engine()
        frame.leave()  # what was edited is not asked about

    def hand() -> None:
        """What a hand waits for: a key until its edit is seen, a menu, the finder."""
        for number, key in ((3, Qt.Key.Key_X), (4, Qt.Key.Key_M), (5, Qt.Key.Key_M)):
            frame.show_station(number)
            canvas = frame.view.canvas
            application.processEvents()

            seen = PaintSeen(canvas)

            def press(canvas: QWidget = canvas, key: Qt.Key = key, seen: PaintSeen = seen) -> None:
                seen.painted = False
                QTest.keyClick(canvas, key)  # type: ignore[call-overload]
                while not seen.painted:
                    application.processEvents()

            time_it(f"{frame.view.scope}_key_to_edit", press, wait_between)
            seen.end()
        menus = itertools.cycle(frame.menu_bar.menus.values())

        def menu() -> None:
            shown = next(menus)
            shown.popup(frame.mapToGlobal(QPoint(200, 30)))
            shown.repaint()
            shown.hide()

        time_it("menu_opens", menu)
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

        time_it("finder_of_5000", find)
        finder.hide()

    def run() -> None:
        """Whatever goes wrong ends the process: nobody sits at its window."""
        try:
            redraw()
        finally:
            application.quit()

    QTimer.singleShot(1500, run)
    application.exec()
    if "pattern_edit" not in views:
        sys.stderr.write("the views could not be measured\n")
        return 1
    sys.stdout.write(json.dumps({"first_paint": first_paint, "views": views}) + "\n")
    return 0


if __name__ == "__main__":
    sys.exit(main())
