"""``python -m grebe.bench.first_paint FILE``: loads and makes a window as ``grebe open`` does, and
prints when its picture was there, on the monotonic clock in seconds."""

from __future__ import annotations

import json
import sys
import time
from pathlib import Path

from grebe.process.garbage import put_off_collection


def main() -> None:
    """Show a window with a project once; prints JSON."""
    put_off_collection()
    # Loading all that a window is made of is the larger part of what is measured here.
    from grebe.app.document.store import Store
    from grebe.ui.main_window.frame import Frame
    from grebe.ui.widgets.qt_application import make_application, quit_process

    make_application()
    frame = Frame(Store.open(Path(sys.argv[1])))
    frame.session.derived.beside = True
    frame.session.link.state = "off"  # no engine is started for it
    frame.show()
    frame.repaint()
    frame.view.canvas.repaint()
    frame.waterline.repaint()
    sys.stdout.write(json.dumps({"first_paint": time.monotonic()}) + "\n")
    frame.leave()
    quit_process(0)


if __name__ == "__main__":
    main()
