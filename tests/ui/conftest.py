"""The real window, with a real engine and real stand-ins behind it."""

from __future__ import annotations

import time
from collections.abc import Callable, Iterator
from contextlib import closing, suppress

import pytest
from PyQt6.QtCore import Qt
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QApplication

from grebe.app.document.demo import fresh_demo
from grebe.app.document.store import Store
from grebe.app.engine.client import EngineClient
from grebe.errors import EngineError
from grebe.process import children
from grebe.process.places import engine_socket
from grebe.protocols.link.messages import Shutdown, Welcome
from grebe.ui.main_window.frame import Frame
from grebe.ui.widgets.theme import load_fonts


class Performer:
    """Somebody at the window: presses keys, clicks, waits and looks."""

    def __init__(self, frame: Frame) -> None:
        self.frame = frame

    def wait(self, true: Callable[[], object], seconds: float = 8.0) -> None:
        """Wait until something is so."""
        end = time.monotonic() + seconds
        while time.monotonic() < end:
            QTest.qWait(10)
            if true():
                return
        notice = self.frame.session.notices.last
        raise AssertionError(f"it did not happen; the window says: {notice}")

    def press(self, key: Qt.Key, *modifiers: Qt.KeyboardModifier) -> None:
        """A key, where the focus is."""
        held = Qt.KeyboardModifier.NoModifier
        for modifier in modifiers:
            held |= modifier
        target = self.frame.focusWidget() or self.frame
        QTest.keyClick(target, key, held)
        QTest.qWait(5)

    def go(self, number: int) -> None:
        """To a station by its key."""
        self.press(getattr(Qt.Key, f"Key_{number}"), Qt.KeyboardModifier.ControlModifier)
        assert self.frame.rail.current == number

    def engine_ready(self) -> None:
        """Let an engine be started; wait until it answers and every device with a port is there.

        Without this none is: half a second of three processes for every test of the window.
        """
        session = self.frame.session
        if session.link.state == "off":
            session.link.state = "starting"
        self.wait(
            lambda: (
                session.link.state == "on"
                and session.status is not None
                and session.status.devices
                and all(d.port != "gone" for d in session.status.devices)
            )
        )


def end_engine() -> None:
    """End the engine of this test, if it has one, its stand-ins and what else was started with it:
    they outlive a window."""
    with (
        suppress(EngineError),
        closing(EngineClient(engine_socket(), wants_status=False)) as client,
    ):
        client.wait_for(Welcome, 5)
        client.send(Shutdown())
        end = time.monotonic() + 5
        while client.open and time.monotonic() < end:
            client.pump()
            time.sleep(0.01)
    children.end(list(children.running()))


@pytest.fixture(scope="session")
def qapp() -> QApplication:
    """The application with the packaged fonts."""
    application = QApplication.instance() or QApplication([])
    assert isinstance(application, QApplication)
    load_fonts()
    return application


@pytest.fixture
def performer(qapp: QApplication, own_folders: object) -> Iterator[Performer]:
    """A performer at the demo set, at 1280x800."""
    frame = Frame(Store.open(fresh_demo(), untitled=True))
    frame.session.link.state = "off"
    frame.show()
    frame.activateWindow()
    QTest.qWaitForWindowExposed(frame)
    frame.on_timer()  # it has opened
    yield Performer(frame)
    frame.leave()
    end_engine()
