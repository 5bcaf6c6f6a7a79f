"""Shared by all tests: no screen, folders of their own, builders of small documents."""

from __future__ import annotations

import os
from collections.abc import Iterator
from pathlib import Path

import pytest

os.environ.setdefault("QT_QPA_PLATFORM", "offscreen")


REAL_TIME = ("engine", "network", "ui", "cli")
"""Folders of tests that play in real time, with processes of their own."""
TRIES = 3


def pytest_collection_modifyitems(items: list[pytest.Item]) -> None:
    """Tests that play in real time have three tries, those on JACK four.

    A host that takes the processor away for a tenth of a second spoils what they measure, and no
    program can mend that. What is wrong with Grebe fails every time.
    """
    for item in items:
        if item.path.parent.name in REAL_TIME:
            tries = TRIES + (item.get_closest_marker("jack") is not None)
            item.add_marker(pytest.mark.flaky(reruns=tries - 1))


@pytest.fixture(autouse=True)
def own_folders(monkeypatch: pytest.MonkeyPatch, tmp_path: Path) -> Iterator[Path]:
    """Every test has folders of its own, short enough for a socket path."""
    import tempfile

    with tempfile.TemporaryDirectory(prefix="gt-", ignore_cleanup_errors=True) as folder:
        monkeypatch.setenv("GREBE_RUNTIME_DIR", f"{folder}/run")
        monkeypatch.setenv("XDG_STATE_HOME", f"{folder}/state")
        monkeypatch.setenv("XDG_DATA_HOME", f"{folder}/data")
        yield Path(folder)
