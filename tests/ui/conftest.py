"""The real window, with a real engine and real stand-ins behind it."""

from __future__ import annotations

import functools
import time
from collections.abc import Callable, Iterator
from contextlib import closing, suppress
from pathlib import Path

import pytest
from PyQt6.QtCore import Qt
from PyQt6.QtGui import QKeySequence
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QApplication, QCheckBox, QLineEdit

from grebe.app.actions.keymap import forget_kept, key_map
from grebe.app.actions.model import STATION_NUMBERS
from grebe.app.document.demo import fresh_demo, fresh_project
from grebe.app.document.recovery import open_recovered
from grebe.app.document.store import Store
from grebe.app.engine.client import EngineClient
from grebe.app.returning import Opening
from grebe.core.document import Project
from grebe.core.findings import Findings, find
from grebe.core.findings.past import NO_PAST, Past
from grebe.core.gear.model import NO_LIBRARY, GearLibrary
from grebe.core.sets.plan import SetFactsModel
from grebe.core.songs.energy import PatternBars
from grebe.errors import EngineError
from grebe.formats.project import Opened, read_project
from grebe.process import children
from grebe.process.places import engine_socket
from grebe.protocols.link.messages import Shutdown, Welcome
from grebe.ui.main_window.application import show_frame
from grebe.ui.main_window.frame import Frame
from grebe.ui.stations.patterns.view import PatternsView
from grebe.ui.widgets.fields import ListField, NumberField
from grebe.ui.widgets.form import Form
from grebe.ui.widgets.port_look import PortLook
from grebe.ui.widgets.theme import load_fonts
from tests.conftest import PLAYED
from tests.processes import descendants
from tests.waiting import PATIENCE_S, wait


class Performer:
    """Somebody at the window: presses keys, clicks, waits and looks."""

    def __init__(
        self, window: Frame | Callable[[int], Frame], test: pytest.Item | None = None
    ) -> None:
        """`window`: or what opens it at a station. It is opened when it is looked at, at Rig, or
        where the performer goes first: to make a station in vain takes as long as all the rest."""
        self._window, self._test = window, test

    @property
    def frame(self) -> Frame:
        """The window."""
        if not isinstance(self._window, Frame):
            self._window = self._window(STATION_NUMBERS["rig"])
        return self._window

    @frame.setter
    def frame(self, other: Frame) -> None:
        """Another window is in front."""
        self._window = other

    def leave(self) -> None:
        """Close the window, if there is one."""
        if isinstance(self._window, Frame):
            self._window.leave()

    def wait(self, true: Callable[[], object], seconds: float = PATIENCE_S) -> None:
        """Wait until something is so."""
        QTest.qWait(10)
        notices = self.frame.session.notices
        wait(true, seconds, lambda: QTest.qWait(10), lambda: f"the window says: {notices.last}")

    def press(self, key: Qt.Key, *modifiers: Qt.KeyboardModifier) -> None:
        """A key, where the focus is."""
        held = Qt.KeyboardModifier.NoModifier
        for modifier in modifiers:
            held |= modifier
        target = self.frame.focusWidget() or self.frame
        QTest.keyClick(target, key, held)
        QTest.qWait(5)

    def act(self, action_id: str) -> None:
        """An action by its key, as the registry has it; by its menu where it has none."""
        keys = key_map().keys_of(action_id)
        if not keys:
            self.frame.book.do(action_id, chosen=True)
            QTest.qWait(5)
            return
        combined = QKeySequence(keys[0])[0]
        self.press(combined.key(), combined.keyboardModifiers())

    def find(self, words: str) -> None:
        """Find something by its words, and do it."""
        self.press(Qt.Key.Key_K, Qt.KeyboardModifier.ControlModifier)
        QTest.keyClicks(self.frame.over.finder.field, words)
        QTest.keyClick(self.frame.over.finder.field, Qt.Key.Key_Return)
        QTest.qWait(5)

    def go(self, number: int) -> None:
        """To a station by its key; a window that is not open yet is opened there."""
        if not isinstance(self._window, Frame):
            self._window = self._window(number)
        else:
            self.press(getattr(Qt.Key, f"Key_{number}"), Qt.KeyboardModifier.ControlModifier)
        assert self.frame.rail.current == number

    def engine_ready(self) -> None:
        """Let an engine be started; wait until it answers and every device with a port is there.

        Without this none is: half a second of three processes for every test of the window.
        """
        session = self.frame.session
        if self._test is not None:
            self._test.add_marker(PLAYED)
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


def fill_in(form: Form, owner: str, key: str, text: str) -> None:
    """Set one setting of a form by its control, as a hand would."""
    control = form.fields[(owner, key)]
    if isinstance(control, ListField):
        control.setCurrentIndex(control.findData(text))
        control.activated.emit(control.currentIndex())
    elif isinstance(control, QCheckBox):
        if control.isChecked() != (text == "yes"):
            control.click()
    else:
        line = control.lineEdit() if isinstance(control, NumberField) else control
        assert isinstance(line, QLineEdit)
        line.setText(text)
        line.setModified(True)
        assert isinstance(control, (QLineEdit, NumberField))
        control.editingFinished.emit()


def end_engine() -> None:
    """End the engine of this test, if it has one, its stand-ins and what else was started with it:
    they outlive a window."""
    with (
        suppress(EngineError),
        closing(EngineClient(engine_socket(), wants_status=False)) as client,
    ):
        client.wait_for(Welcome, PATIENCE_S)
        client.send(Shutdown())
        end = time.monotonic() + 5
        while client.open and time.monotonic() < end:
            client.pump()
            time.sleep(0.01)
    if descendants():  # else all processes would be looked through for every window
        children.end(list(children.running()))


@pytest.fixture(scope="session")
def qapp() -> QApplication:
    """The application with the packaged fonts."""
    application = QApplication.instance() or QApplication([])
    assert isinstance(application, QApplication)
    load_fonts()
    return application


@functools.cache
def demo_read() -> Opened:
    """The demo, read once: every test of the window begins with the same tree."""
    return read_project(fresh_demo())


@functools.cache
def demo_findings() -> Findings:
    """What there is to find in it, looked for once."""
    return find(demo_read().project)


@pytest.fixture(autouse=True)
def demo_is_known(monkeypatch: pytest.MonkeyPatch) -> None:
    """A hundred milliseconds less for every window that is opened with the demo as it is."""

    def known(
        project: Project, bars: PatternBars, library: GearLibrary, facts: SetFactsModel, past: Past
    ) -> Findings:
        bare = library == NO_LIBRARY and past == NO_PAST
        as_it_is = project is demo_read().project and bare
        return demo_findings() if as_it_is else find(project, bars, library, facts, past)

    monkeypatch.setattr("grebe.app.live.derived.find", known)


@pytest.fixture(autouse=True)
def ports_looked_for(request: pytest.FixtureRequest, monkeypatch: pytest.MonkeyPatch) -> None:
    """A window at Rig asks four libraries for their ports, by a process each: more than a second
    of a processor, so it does so only in the tests that want it."""
    if "looks_for_ports" not in request.keywords:
        monkeypatch.setattr(PortLook, "look", lambda self, *, network=False: None)


@pytest.fixture
def performer(
    qapp: QApplication, own_folders: object, request: pytest.FixtureRequest
) -> Iterator[Performer]:
    """A performer at the demo set, at 1280x800."""
    forget_kept()
    at_it = Performer(demo_window, request.node)
    yield at_it
    at_it.leave()
    end_engine()


def demo_window(station: int) -> Frame:
    """A window with the demo, open at a station."""
    opened, path = demo_read(), fresh_demo()
    store = Store(opened.project, None, opened.extras, home=path, digest=opened.digest)
    frame = Frame(store, first=lambda _: station)
    frame.session.link.state = "off"
    frame.session.derived.beside = True  # as every window that is opened
    frame.show()
    frame.activateWindow()
    QTest.qWaitForWindowExposed(frame)
    frame.on_timer()  # it has opened
    return frame


@pytest.fixture
def first_start(qapp: QApplication, own_folders: Path) -> Iterator[Frame]:
    """The window of a first start: an empty home, and the way in. All windows are gone after it."""
    path = fresh_project()
    frame = show_frame(
        open_recovered(path, untitled=True), Opening(path, untitled=True, begins=True)
    )
    frame.session.link.state = "off"
    frame.activateWindow()
    QTest.qWaitForWindowExposed(frame)
    yield frame
    for window in QApplication.topLevelWidgets():
        if isinstance(window, Frame) and window.isVisible():
            window.leave()
    end_engine()


@pytest.fixture
def patterns(performer: Performer) -> PatternsView:
    """Patterns, with the first one in hand."""
    performer.go(3)
    found = performer.frame.views.patterns
    found.choose("p01")
    return found
