"""A window that crashed on Stage is started again, and comes back to Stage."""

from __future__ import annotations

from pathlib import Path

from grebe.app import returning
from grebe.app.returning import forget_shown, left_on, note_shown, watch


class Windows:
    """Stands where the window's process would: ends as it is told, one status a start."""

    def __init__(self, *statuses: int) -> None:
        self.statuses = list(statuses)
        self.started = 0

    def __call__(self, path: Path) -> int:
        assert path == PATH
        self.started += 1
        return self.statuses.pop(0)


def watched(windows: Windows) -> int:
    return watch(PATH, lambda _: 99, windows)


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
    for status in (0, 2):
        windows = Windows(status)
        assert watched(windows) == status
        assert windows.started == 1


def test_crashed_on_stage_it_is_started_again() -> None:
    """By a signal or an exception; then closed."""
    note_shown(PATH, 7)
    windows = Windows(-11, 1, 0)
    assert watched(windows) == 0
    assert windows.started == 3


def test_crashed_elsewhere_or_for_ever_it_is_left_alone() -> None:
    """Where nothing is performed one can start it oneself; one that cannot live is given up."""
    note_shown(PATH, 3)
    assert watched(Windows(-11)) == 1
    note_shown(PATH, 7)
    windows = Windows(*[-11] * 20)
    assert watched(windows) == 1
    assert windows.started == returning.MOST_AGAIN + 1
