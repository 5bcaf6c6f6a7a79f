"""``python -m grebe.bench.stage_probe FILE``: Stage while it plays, timed by itself."""

from __future__ import annotations

import json
import sys
import time
from pathlib import Path

from PyQt6.QtCore import QTimer

from grebe.app.document.store import Store
from grebe.ui.main_window.frame import Frame
from grebe.ui.widgets.qt_application import end_process, make_application

SECONDS = 5.0
WAIT_S = 10.0


def main() -> int:
    """Run the set on Stage, count frames, time repaints and the first paint; prints JSON."""
    began_at = time.monotonic()
    found: dict[str, float] = {}
    application = make_application()
    frame = Frame(Store.open(Path(sys.argv[1])))
    frame.resize(1280, 800)
    frame.show()
    frame.repaint()
    frame.view.canvas.repaint()
    found["first_paint_ms"] = round((time.monotonic() - began_at) * 1e3, 1)
    frame.show_station(7)
    session, canvas = frame.session, frame.views[7].canvas
    paints: list[float] = []
    began = 0.0
    started = time.monotonic()
    original = canvas.paintEvent

    def painted(event: object) -> None:
        at = time.perf_counter()
        original(event)  # type: ignore[arg-type]
        paints.append((time.perf_counter() - at) * 1e3)

    canvas.paintEvent = painted  # type: ignore[method-assign]

    def look() -> None:
        nonlocal began
        status = session.status
        if not session.running:
            if session.link.state == "on" and status is not None:
                session.performer.run_stop()
            if time.monotonic() - started > WAIT_S:
                application.quit()
            return
        if not began:
            began = time.monotonic()
            paints.clear()
            session.performer.launch("x3", "bar")
        if time.monotonic() - began > SECONDS:
            finish()

    def finish() -> None:
        timer.stop()
        rows = sorted(paints)
        found["frames_a_second"] = round(len(paints) / (time.monotonic() - began), 1)
        found["repaint_p50_ms"] = round(rows[len(rows) // 2], 2)
        found["repaint_p99_ms"] = round(rows[int(len(rows) * 0.99)], 2)
        found["repaint_max_ms"] = round(rows[-1], 2)
        session.end_engine()
        QTimer.singleShot(200, application.quit)

    timer = QTimer()
    timer.timeout.connect(look)
    timer.start(50)
    application.exec()
    frame.leave()
    if "frames_a_second" not in found:
        sys.stderr.write("the engine did not run\n")
        return 1
    sys.stdout.write(json.dumps(found) + "\n")
    return 0


if __name__ == "__main__":
    end_process(main())
