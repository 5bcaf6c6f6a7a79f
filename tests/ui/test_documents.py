"""The file behind a window: nothing that was saved is lost without a choice."""

from __future__ import annotations

import json
import os
import signal
import subprocess
import sys
import time
import zipfile
from collections.abc import Iterator
from pathlib import Path
from typing import Any

import msgspec
import pytest
from PyQt6.QtCore import QTimer
from PyQt6.QtGui import QPaintEvent
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QFileDialog, QMessageBox

from grebe.app.document.demo import demo_bytes, fresh_demo
from grebe.app.document.recovery import open_recovered
from grebe.app.document.store import Store
from grebe.app.settings import last_project, remember_project
from grebe.errors import ProjectError
from grebe.formats.atomic import last_of
from grebe.formats.project import named, read_project, write_project
from grebe.process.log import start_log
from grebe.process.places import log_dir, state_dir
from grebe.ui.main_window import documents
from grebe.ui.main_window.application import show_frame
from grebe.ui.main_window.documents import KEEP_MINE, REPLACE, SAVE_BOTH, TAKE_THEIRS
from grebe.ui.main_window.frame import KEPT, Frame
from grebe.ui.main_window.mishap import saying
from grebe.ui.main_window.reporting import Reporting
from grebe.ui.main_window.waiting import Waiting
from tests import build
from tests.waiting import wait


@pytest.fixture
def path(tmp_path: Path) -> Path:
    """A project's file."""
    made = tmp_path / "night.grebe"
    write_project(made, build.two_boxes())
    return made


@pytest.fixture
def frame(qapp: object, path: Path) -> Iterator[Frame]:
    """A window on it, without an engine."""
    made = a_window(path)
    yield made
    made.leave()


def a_window(path: Path, *, untitled: bool = False) -> Frame:
    found = open_recovered(path, untitled=untitled)
    frame = Frame(found.store, found.claim)
    frame.session.link.state = "off"
    frame.show()
    frame.on_timer()
    return frame


def rename(store: Store, name: str) -> None:
    store.apply("Rename", lambda p: msgspec.structs.replace(p, name=name))


def name_in(path: Path) -> str:
    return read_project(path).project.name


def choosing(monkeypatch: pytest.MonkeyPatch, chosen: Path | str, *answers: str) -> list[str]:
    """Choose a file and give answers; what was asked."""
    asked: list[str] = []
    given = list(answers)

    def answer(parent: object, choice: documents.Question) -> str:
        asked.append(choice.text)
        return given.pop(0)

    monkeypatch.setattr(documents, "ask", answer)
    monkeypatch.setattr(QFileDialog, "getSaveFileName", lambda *_, **__: (str(chosen), ""))
    return asked


@pytest.mark.parametrize(
    ("typed", "file"),
    [("night", "night.grebe"), ("night.v2", "night.v2.grebe"), ("night.1", "night.1.grebe"),
     ("night.grebe", "night.grebe"), ("night.", "night..grebe")],
)  # fmt: skip
def test_the_name_that_is_written_is_the_one_asked_about(
    frame: Frame, tmp_path: Path, monkeypatch: pytest.MonkeyPatch, typed: str, file: str
) -> None:
    """Whatever stands behind a point; refused, nothing is written."""
    assert named(str(tmp_path / "new" / typed)).name == file
    folder = tmp_path / "new"
    folder.mkdir()
    write_project(folder / file, build.project([], [], []))
    before = (folder / file).read_bytes()
    asked = choosing(monkeypatch, folder / typed, "", REPLACE)
    frame.files.save_as()
    assert file in asked[0]
    assert (folder / file).read_bytes() == before
    assert os.listdir(folder) == [file]
    frame.files.save_as()
    assert name_in(folder / file) == frame.session.project.name
    assert last_of(folder / file).read_bytes() == before
    assert frame.session.store.path == folder / file
    assert last_project() == folder / file


def test_the_demo_asks_for_a_name(qapp: object, tmp_path: Path, monkeypatch: Any) -> None:
    """Its first save is a save-as; its sounds go along; the copy it came from stays as shipped."""
    demo = fresh_demo()
    frame = a_window(demo, untitled=True)
    assert "without a name yet" in frame.windowTitle()
    rename(frame.session.store, "Mine")
    choosing(monkeypatch, "")
    frame.files.save()
    assert frame.session.store.dirty
    choosing(monkeypatch, tmp_path / "mine")
    frame.files.save()
    assert name_in(tmp_path / "mine.grebe") == "Mine"
    assert (tmp_path / "gravel.wav").exists()
    assert demo.read_bytes() == demo_bytes()
    assert frame.windowTitle() == "mine.grebe - Grebe"
    frame.leave()


def test_two_windows_on_one_file(qapp: object, path: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    """The second says so at once, and its save asks; each answer does what it says."""
    first, second = a_window(path), a_window(path)
    try:
        rename(first.session.store, "First")
        rename(second.session.store, "Second")
        first.files.save()
        second._look_s = 0.0
        second.on_timer()
        assert second.session.notices.last is not None
        assert "changed by another" in second.session.notices.last.text
        asked = choosing(monkeypatch, "", "", SAVE_BOTH)
        second.files.save()  # cancelled
        assert name_in(path) == "First"
        second.files.save()
        assert len(asked) == 2
        other = path.with_name("night 2.grebe")
        assert (name_in(path), name_in(other)) == ("First", "Second")
        rename(first.session.store, "First again")
        third = Store.open(path)
        rename(third, "Third")
        third.save()
        choosing(monkeypatch, "", KEEP_MINE)
        first.files.save()
        assert (name_in(path), name_in(last_of(path))) == ("First again", "Third")
        third.save(over=True)
        rename(first.session.store, "First once more")
        choosing(monkeypatch, "", TAKE_THEIRS)
        first.files.save()
        assert (first.session.project.name, name_in(path)) == ("Third", "Third")
        first.own.undo()
        assert first.session.project.name == "First once more"
    finally:
        first.leave()
        second.leave()


def test_the_question_names_its_answers(frame: Frame) -> None:
    """Buttons say what they do; Esc changes nothing; the first is what Enter does."""
    seen: list[list[str]] = []

    def press() -> None:
        box = frame.findChild(QMessageBox)
        assert box is not None
        seen.append([b.text().replace("&", "") for b in box.buttons()])
        box.reject()

    QTimer.singleShot(100, press)
    choice = documents.Question("Changed", "What now?", (SAVE_BOTH, KEEP_MINE, TAKE_THEIRS))
    assert documents.ask(frame, choice) == ""
    assert {SAVE_BOTH, KEEP_MINE, TAKE_THEIRS} < set(seen[0])


def test_a_missing_project_is_waited_for(qapp: object, path: Path) -> None:
    """Said, with its path; opened as soon as it is there; the path is kept meanwhile."""
    remember_project(path)
    away = path.rename(path.with_name("away"))
    opened: list[Path] = []
    waiting = Waiting(path, opened.append, lambda: None)
    waiting.show()
    waiting.look()
    assert opened == []
    assert path.name in waiting.title.text()
    assert str(path.parent) in waiting.where.text()
    assert last_project() == path
    away.rename(path)
    waiting.look()
    assert opened == [path]
    assert not waiting.isVisible()


def test_a_missing_project_that_is_no_project(qapp: object, path: Path) -> None:
    """What came in its place is said, and it goes on waiting; the demo can be looked at."""

    def refuse(_: Path) -> None:
        raise ProjectError("that is no project")

    demos: list[bool] = []
    waiting = Waiting(path, refuse, lambda: demos.append(True))
    waiting.show()
    waiting.look()
    assert waiting.said.text() == "that is no project"
    assert waiting.isVisible()
    waiting.demo.clicked.emit()
    assert demos == [True]


def log_text() -> str:
    return "".join(p.read_text() for p in log_dir().glob("*.log*"))


@pytest.fixture
def hooked(frame: Frame, monkeypatch: pytest.MonkeyPatch) -> Iterator[Frame]:
    """A window whose errors are taken as in the real one."""
    before = sys.excepthook
    monkeypatch.setattr(sys, "excepthook", before)
    import logging
    import threading

    handlers = list(logging.getLogger().handlers)
    monkeypatch.setattr(threading, "excepthook", threading.excepthook)
    monkeypatch.setattr(sys, "unraisablehook", sys.unraisablehook)
    start_log("window", hook=saying(lambda text: frame.session.say("error", text)))
    yield frame
    for handler in list(logging.getLogger().handlers):
        logging.getLogger().removeHandler(handler)
        handler.close()
    for handler in handlers:
        logging.getLogger().addHandler(handler)


def test_a_slot_a_timer_and_a_paint_that_fail_leave_the_window(
    hooked: Frame, monkeypatch: pytest.MonkeyPatch
) -> None:
    """Each is said in a line and stands in the log with its place in the code; Grebe's own errors
    speak for themselves."""

    def fail(*_: object) -> None:
        raise ZeroDivisionError("planted")

    def own(*_: object) -> None:
        raise ProjectError("planted as Grebe's own")

    said: list[str] = []
    monkeypatch.setattr(hooked.session, "say", lambda level, text: said.append(text))
    for do in (fail, own):
        QTimer.singleShot(0, do)
        QTest.qWait(30)
    assert "ZeroDivisionError in test_documents.py" in said[0]
    assert said[1] == "planted as Grebe's own"
    canvas = hooked.view.canvas

    class Broken(type(canvas)):  # type: ignore[misc]
        def paintEvent(self, event: QPaintEvent | None) -> None:
            raise RuntimeError("planted in a paint")

    canvas.__class__ = Broken
    canvas.repaint()
    canvas.__class__ = Broken.__bases__[0]
    assert "RuntimeError" in said[-1]
    hooked.rail.tabs.chosen.connect(fail)
    hooked.rail.tabs.chosen.emit(3)
    hooked.rail.tabs.chosen.disconnect(fail)
    assert hooked.isVisible()
    text = log_text()
    assert "ZeroDivisionError: planted" in text
    assert "RuntimeError: planted in a paint" in text
    assert "ProjectError: planted as Grebe's own" in text


def test_what_a_performer_was_told_is_in_the_log(hooked: Frame) -> None:
    """Each notice, with its level."""
    hooked.session.say("warn", "Sixteen bars to go.")
    assert "WARNING" in log_text()
    assert "told: Sixteen bars to go." in log_text()


@pytest.mark.looks_for_ports
def test_a_report_shows_what_is_in_it(
    hooked: Frame, tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    """Versions, ports, priority and logs; the project only where it is ticked; then one file."""
    reporting = Reporting(hooked.session.store.path, hooked.looks.palette, hooked)
    reporting.write.click()  # nothing is asked yet
    assert "looked for" in reporting.said.text()
    reporting.list.setCurrentRow(2)
    wait(lambda: not reporting.write.why_not, turn=lambda: QTest.qWait(20))
    assert not reporting.said.text()
    assert "alsa" in json.loads(reporting.text.toPlainText())  # the part chosen is still
    names = [p.name for p in reporting.parts]
    assert {"README.txt", "versions.txt", "ports.json", "priority.txt"} <= set(names)
    assert any(n.startswith("log/window") for n in names)
    assert not any(n.startswith("project/") for n in names)
    reporting.list.setCurrentRow(1)
    assert "grebe" in reporting.text.toPlainText()
    reporting.with_project.setChecked(True)
    target = tmp_path / "problem.zip"
    monkeypatch.setattr(QFileDialog, "getSaveFileName", lambda *_: (str(target), ""))
    reporting.write.clicked.emit()
    with zipfile.ZipFile(target) as made:
        assert "project/night.grebe" in made.namelist()
        assert made.read("README.txt").decode().count("\n") == len(made.namelist()) - 1
    monkeypatch.setattr(QFileDialog, "getSaveFileName", lambda *_: ("/proc/x/y.zip", ""))
    reporting.write.clicked.emit()
    assert "could not be written" in reporting.said.text()


@pytest.mark.parametrize("ending", [signal.SIGTERM, signal.SIGINT, signal.SIGHUP])
def test_asked_to_end_work_is_kept_and_it_is_no_crash(
    path: Path, own_folders: Path, ending: signal.Signals
) -> None:
    """The real window, with an edit that is two milliseconds old; the whole group is told, as a
    terminal does. The next window offers the work and speaks of no crash."""
    from tests.ui.conftest import end_engine

    code = (
        "import sys\n"
        "import grebe.ui.main_window.frame as f, msgspec\n"
        "was = f.Frame.show\n"
        "def show(self):\n"
        "    was(self)\n"
        "    self._keeper.on_timer = lambda now: ''\n"
        "    self.session.store.apply('x', lambda p: msgspec.structs.replace(p, name='Edited'))\n"
        "f.Frame.show = show\n"
        "from grebe.cli.main import main\n"
        f"sys.exit(main(['open', {str(path)!r}]))\n"
    )
    outer = subprocess.Popen([sys.executable, "-c", code], start_new_session=True)
    try:
        note = state_dir() / f"window-{outer.pid}.json"
        wait(note.exists)
        time.sleep(0.3)
        os.killpg(outer.pid, ending)
        assert outer.wait(10) in (0, 130)
        found = open_recovered(path)
        assert found.store.project.name == "Edited"
        assert "crash" not in found.said
        assert found.claim is not None
        found.claim.release()
        assert not note.exists()
    finally:
        outer.kill()
        outer.wait()
        end_engine()


def test_what_could_not_be_read_is_said_in_the_window(qapp: object, path: Path) -> None:
    """A damaged settings file, as soon as there is somewhere to say it."""
    (state_dir() / "settings.json").write_bytes(b"\xff")
    frame = show_frame(open_recovered(path))
    assert frame.session.notices.last is not None
    assert "settings.json was damaged" in frame.session.notices.last.text
    assert frame in KEPT
    frame.leave()
    assert json.loads((state_dir() / "settings.json").read_text())["last_project"] == str(path)
