"""``python -m grebe.bench.window_probe FILE``: times first paint and each view's redraw."""

from __future__ import annotations

import itertools
import json
import sys
import time
from collections.abc import Callable
from pathlib import Path

from PyQt6.QtCore import QTimer

from grebe.app.document.store import Store
from grebe.ui.main_window.application import make_application
from grebe.ui.main_window.frame import Frame
from grebe.ui.stations.scenes.canvas import ChartCanvas
from grebe.ui.stations.song.canvas import SongCanvas
from grebe.ui.widgets.controls import Canvas

REDRAWS = 60


def main() -> int:
    """Show the window, wait for its first paint, then redraw every view; prints JSON."""
    redraws = int(sys.argv[2]) if len(sys.argv) > 2 else REDRAWS
    application = make_application()
    frame = Frame(Store.open(Path(sys.argv[1])))
    frame.show()
    frame.repaint()
    frame.view.canvas.repaint()
    frame.waterline.repaint()
    first_paint = time.monotonic()
    views: dict[str, dict[str, float]] = {}

    def time_it(name: str, act: Callable[[], None]) -> None:
        took: list[float] = []
        for _ in range(redraws):
            began = time.perf_counter()
            act()
            frame.waterline.repaint()
            took.append((time.perf_counter() - began) * 1e3)
        took.sort()
        views[name] = {"p50_ms": round(took[len(took) // 2], 3), "max_ms": round(took[-1], 3)}

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
        frame.session.end_engine()
        frame.leave()  # what was edited is not asked about

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
