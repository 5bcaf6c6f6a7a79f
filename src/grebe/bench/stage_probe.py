"""``python -m grebe.bench.stage_probe FILE``: Stage while it plays, timed by itself."""

from __future__ import annotations

import json
import sys
import time
from pathlib import Path

from PyQt6.QtCore import QTimer
from PyQt6.QtWidgets import QWidget

from grebe.app.document.store import Store
from grebe.bench.figures import spread_ms
from grebe.ui.main_window.frame import Frame
from grebe.ui.widgets.qt_application import make_application, quit_process

SECONDS = 5.0
WAIT_S = 10.0


class StageProbe:
    """The demo's set on Stage, run for some seconds, with the time of each of its paints."""

    def __init__(self, path: Path) -> None:
        began_s = time.monotonic()
        self.found: dict[str, float] = {}
        """Frames a second, and milliseconds; without the first where the engine did not run."""
        self._application = make_application()
        self.frame = Frame(Store.open(path))
        self.frame.resize(1280, 800)
        self.frame.show()
        self.frame.repaint()
        self.frame.view.canvas.repaint()
        self.found["first_paint_ms"] = round((time.monotonic() - began_s) * 1e3, 1)
        self.frame.show_station(7)
        self._paints_ms: list[float] = []
        self._time_paints(self.frame.views[7].canvas)
        self._started_s = time.monotonic()
        self._began_s = 0.0
        """When the set had begun to run; 0 before."""

    def run(self) -> dict[str, float]:
        """Run it, and close the window."""
        timer = QTimer()
        timer.timeout.connect(lambda: self._look(timer))
        timer.start(50)
        self._application.exec()
        self.frame.leave()
        return self.found

    def _time_paints(self, canvas: QWidget) -> None:
        original = canvas.paintEvent

        def painted(event: object) -> None:
            at = time.perf_counter()
            original(event)  # type: ignore[arg-type]
            self._paints_ms.append((time.perf_counter() - at) * 1e3)

        canvas.paintEvent = painted  # type: ignore[assignment, method-assign]

    def _look(self, timer: QTimer) -> None:
        session = self.frame.session
        if not session.running:
            if session.link.state == "on" and session.status is not None:
                session.performer.run_stop()
            if time.monotonic() - self._started_s > WAIT_S:
                self._application.quit()
            return
        if not self._began_s:
            self._began_s = time.monotonic()
            self._paints_ms.clear()
            session.performer.launch("x3", "bar")
        if time.monotonic() - self._began_s > SECONDS:
            timer.stop()
            self._finish()

    def _finish(self) -> None:
        passed_s = time.monotonic() - self._began_s
        self.found["frames_a_second"] = round(len(self._paints_ms) / passed_s, 1)
        spread = spread_ms(self._paints_ms, 50, 99)
        self.found |= {f"repaint_{name}": value for name, value in spread.items()}
        self.frame.session.end_engine()
        QTimer.singleShot(200, self._application.quit)


def main() -> int:
    """Run the set on Stage, count frames, time repaints and the first paint; prints JSON."""
    found = StageProbe(Path(sys.argv[1])).run()
    if "frames_a_second" not in found:
        sys.stderr.write("the engine did not run\n")
        return 1
    sys.stdout.write(json.dumps(found) + "\n")
    return 0


if __name__ == "__main__":
    quit_process(main())
