"""A window that crashes is started again, and comes back to where it was."""

from __future__ import annotations

import os
import signal
import subprocess
import sys
from collections.abc import Callable
from pathlib import Path

import pytest

from grebe.app import returning
from grebe.app.returning import Opening, ShownNote, left_at, watch
from grebe.process.places import state_dir
from tests.waiting import PATIENCE_S

BEGUN = Opening(Path("/x.grebe"))


class Windows:
    """Stands where the window's process would: ends as it is told, one status a start."""

    def __init__(self, *statuses: int, shows: Callable[[], None] = lambda: None) -> None:
        self.statuses = list(statuses)
        self.openings: list[Opening] = []
        self.shows = shows

    def __call__(self, opening: Opening) -> int:
        self.openings.append(opening)
        self.shows()
        return self.statuses.pop(0)


def watched(windows: Windows) -> int:
    return watch(BEGUN, lambda _: 99, windows)


def test_what_is_shown_is_noted_until_it_is_closed(
    tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    """Whatever its name is; a note that cannot be read counts as none."""
    note = tmp_path / "note.json"
    monkeypatch.setenv("GREBE_WINDOW_NOTE", str(note))
    strange = Path(os.fsdecode(b"/caf\xe9.grebe"))
    ShownNote().keep(strange, 7, untitled=True, song="hook", section="s2")
    was = Opening(strange, untitled=True, station=7, song="hook", section="s2")
    assert left_at(note) == was
    ShownNote().keep(None, 3)
    assert left_at(note) == was
    ShownNote().take_away()
    assert left_at(note) is None
    note.write_bytes(b"{\xff")
    assert left_at(note) is None


def test_closed_as_it_should_be_it_is_not_started_again() -> None:
    """Nor when what it was to open cannot be opened; no note is left."""
    for status in (0, 2):
        windows = Windows(status, shows=lambda: ShownNote().keep(BEGUN.path, 7))
        assert watched(windows) == status
        assert windows.openings == [BEGUN]
    assert list(state_dir().glob("window-*.json")) == []


@pytest.mark.parametrize("station", [1, 3, 7])
def test_crashed_it_is_started_again_where_it_was(station: int) -> None:
    """By a signal or an exception, at any station, with what it showed then."""
    other = Path("/saved elsewhere.grebe")
    windows = Windows(-11, 1, 0, shows=lambda: ShownNote().keep(other, station))
    assert watched(windows) == 0
    assert windows.openings == [BEGUN, *[Opening(other, False, station)] * 2]


def test_crashed_at_once_or_for_ever_it_is_left_alone() -> None:
    """One that never showed anything would fail again; one that cannot live is given up."""
    assert watched(Windows(-11)) == 1
    windows = Windows(*[-11] * 20, shows=lambda: ShownNote().keep(BEGUN.path, 7))
    assert watched(windows) == 1
    assert len(windows.openings) == returning.MOST_AGAIN + 1


ASLEEP = """
import signal, sys
from pathlib import Path
from grebe.app.returning import Opening, watch

def run(opening):
    signal.pthread_sigmask(signal.SIG_BLOCK, [signal.SIGTERM])
    print("runs", flush=True)
    return 0 if signal.sigtimedwait([signal.SIGTERM], 90) else 1

sys.exit(watch(Opening(Path("/x.grebe")), run))
"""


def test_who_is_told_to_end_tells_the_window() -> None:
    """SIGTERM to the process that watches ends the window in its own way, and is no crash."""
    watching = subprocess.Popen([sys.executable, "-c", ASLEEP], stdout=subprocess.PIPE)
    assert watching.stdout is not None
    with watching.stdout:
        assert watching.stdout.readline() == b"runs\n"
        watching.send_signal(signal.SIGTERM)
        assert watching.wait(PATIENCE_S) == 0
