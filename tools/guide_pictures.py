"""Takes the pictures of docs/guide.md anew: every step of the walk, done in the real window.

Usage: tools/guide_pictures.py [FOLDER]. It needs no screen.
"""

from __future__ import annotations

import os
import sys
import tempfile
from pathlib import Path

os.environ.setdefault("QT_QPA_PLATFORM", "offscreen")

FOLDER = Path(__file__).parents[1] / "docs" / "guide"


def main() -> None:
    """All of them, from an empty home."""
    with tempfile.TemporaryDirectory(prefix="gg-") as home:
        for name, below in (
            ("GREBE_RUNTIME_DIR", "run"), ("XDG_STATE_HOME", "state"), ("XDG_DATA_HOME", "data"),
        ):  # fmt: skip
            os.environ[name] = f"{home}/{below}"
        take(Path(sys.argv[1]) if len(sys.argv) > 1 else FOLDER, Path(home))
    from grebe.ui.widgets.qt_application import quit_process  # noqa: PLC0415 - as in `take`

    quit_process(0)


def take(folder: Path, home: Path) -> None:
    """Do every step; picture it as it is done."""
    from PyQt6.QtTest import QTest  # noqa: PLC0415 - only once the environment is another

    from grebe.app.document.demo import fresh_project  # noqa: PLC0415
    from grebe.app.document.recovery import open_recovered  # noqa: PLC0415
    from grebe.app.returning import Opening  # noqa: PLC0415
    from grebe.app.walk import STEPS  # noqa: PLC0415
    from grebe.ui.main_window.application import show_frame  # noqa: PLC0415
    from grebe.ui.main_window.frame import KEPT, Frame  # noqa: PLC0415
    from grebe.ui.widgets.qt_application import make_application  # noqa: PLC0415

    make_application()
    path = fresh_project()
    frame = show_frame(
        open_recovered(path, untitled=True), Opening(path, untitled=True, begins=True)
    )
    folder.mkdir(parents=True, exist_ok=True)
    names = {step.id: f"{number:02}-{step.id}.png" for number, step in enumerate(STEPS, start=1)}

    def wait(true: object, seconds: float = 10.0) -> None:
        for _ in range(int(seconds * 50)):
            if callable(true) and true():
                return
            QTest.qWait(20)
        raise SystemExit("it did not come to that")

    def shot(step: str) -> None:
        QTest.qWait(400)
        frame.grab().save(str(folder / names[step]), "PNG", 30)

    def do(*actions: str) -> None:
        for action in actions:
            frame.book.do(action)
            QTest.qWait(30)

    def written() -> None:
        frame.walk.follow()

    QTest.qWait(300)
    page = frame.over.start
    frame.walk.show_walk(on=True)
    page.name.setText("My first set")
    for name in ("merganser", "curlew"):
        page.counts[name].stepBy(1)
    page.key.setCurrentText("D minor")
    shot("boxes")
    page.begin.click()
    QTest.qWait(100)
    frame = next(w for w in KEPT if w is not frame)
    assert isinstance(frame, Frame)
    frame.walk.walk.done = frozenset({"boxes"})
    frame.show_station(1)
    wait(lambda: (status := frame.session.status) is not None and status.devices
         and all(d.port == "up" for d in status.devices))  # fmt: skip
    frame.walk.walk.done = frozenset({"boxes"})
    shot("cables")
    frame.show_station(3)
    for _ in range(4):
        do("toggle", "right", "right", "right", "right")
    shot("beat")
    do("run_stop")
    wait(lambda: frame.session.running)
    QTest.qWait(2500)
    shot("hear")
    do("run_stop")
    wait(lambda: not frame.session.running)
    do("one_after")
    for _ in range(3):
        do("toggle", "right", "right", "right")
    shot("line")
    frame.show_station(4)
    do("duplicate", "duplicate")
    shot("scenes")
    frame.show_station(5)
    do("insert_section", "insert_section")
    shot("song")
    do("left", "drums_out")
    shot("drop")
    do("copy_song")
    shot("second")
    frame.show_station(6)
    do("add_song", "add_song")
    shot("set")
    frame.show_station(7)
    do("run_stop")
    wait(lambda: frame.session.running)
    QTest.qWait(1500)
    shot("stage")
    do("run_stop")
    wait(lambda: not frame.session.running)
    written()
    frame.session.store.save(home / "my-first-set.grebe")
    frame.show_station(6)
    shot("save")
    frame.session.link.close(keep_playing=False)
    frame.leave()


if __name__ == "__main__":
    main()
