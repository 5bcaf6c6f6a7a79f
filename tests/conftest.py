"""Shared by all tests: no screen, folders of their own, builders of small documents."""

from __future__ import annotations

import os
from collections.abc import Iterator
from pathlib import Path

import pytest

os.environ.setdefault("QT_QPA_PLATFORM", "offscreen")


@pytest.fixture(autouse=True)
def own_folders(monkeypatch: pytest.MonkeyPatch, tmp_path: Path) -> Iterator[Path]:
    """Every test has folders of its own, short enough for a socket path."""
    import tempfile

    with tempfile.TemporaryDirectory(prefix="gt-") as folder:
        monkeypatch.setenv("GREBE_RUNTIME_DIR", f"{folder}/run")
        monkeypatch.setenv("XDG_STATE_HOME", f"{folder}/state")
        monkeypatch.setenv("XDG_DATA_HOME", f"{folder}/data")
        yield Path(folder)
