"""A window that crashed on Stage is started again, and comes back to Stage."""

from __future__ import annotations

from pathlib import Path

import pytest

from grebe.app import returning
from grebe.app.returning import forget_shown, left_on, note_shown, watch


class Window:
    """Stands where the window's process would: ends as it is told, one status a start."""

    statuses: list[int] = []
    started = 0

    def __init__(self, command: list[str], env: dict[str, str]) -> None:
        assert command[-2:] == ["open", "/x.grebe"]
        assert env[returning.WATCHED] == "1"
        Window.started += 1

    def wait(self) -> int:
        return Window.statuses.pop(0)


@pytest.fixture(autouse=True)
def windows(monkeypatch: pytest.MonkeyPatch) -> None:
    Window.statuses, Window.started = [], 0
    monkeypatch.setattr("subprocess.Popen", Window)


PATH = Path("/x.grebe")


def test_what_is_shown_is_noted_until_it_is_closed(tmp_path: Path) -> None:
    """Of this project only; a note that cannot be read counts as none."""
    note_shown(PATH, 7)
    assert left_on(PATH) == 7
    assert left_on(Path("/y.grebe")) == 0
    forget_shown()
    assert left_on(PATH) == 0
    note_shown(None, 7)
    assert left_on(PATH) == 0
    returning._path().write_bytes(b"{")
    assert left_on(PATH) == 0


def test_closed_as_it_should_be_it_is_not_started_again() -> None:
    note_shown(PATH, 7)
    Window.statuses = [0]
    assert watch(PATH) == 0
    Window.statuses = [2]
    assert watch(PATH) == 2
    assert Window.started == 2


def test_crashed_on_stage_it_is_started_again() -> None:
    """By a signal or an exception; then closed."""
    note_shown(PATH, 7)
    Window.statuses = [-11, 1, 0]
    assert watch(PATH) == 0
    assert Window.started == 3


def test_crashed_elsewhere_or_for_ever_it_is_left_alone() -> None:
    """Where nothing is performed one can start it oneself; one that cannot live is given up."""
    note_shown(PATH, 3)
    Window.statuses = [-11]
    assert watch(PATH) == 1
    note_shown(PATH, 7)
    Window.statuses = [-11] * 20
    assert watch(PATH) == 1
    assert Window.started == 1 + returning.MOST_AGAIN + 1
