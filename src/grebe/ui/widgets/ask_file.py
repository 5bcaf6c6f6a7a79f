"""The system's dialogs for files and folders; each kind begins where it was used last."""

from __future__ import annotations

from pathlib import Path

import msgspec
from PyQt6.QtWidgets import QFileDialog, QWidget

from grebe.app.settings import projects_folder, read_settings, write_settings
from grebe.process.places import read_back, written

PROJECTS, LOOPS, PROFILES, SHEETS, RECORDINGS, KEYS, SETS, REPORTS = (
    "projects", "loops", "profiles", "sheets", "recordings", "keys", "sets", "reports",
)  # fmt: skip
"""Kinds of file, each with a folder of its own."""


def folder_for(kind: str) -> str:
    """Where a dialog for a kind begins: its last folder, while that is there, else that of the
    projects; "" for where the system likes."""
    kept = read_settings().folders.get(kind)
    folder = read_back(kept) if kept else None
    return str(folder) if folder is not None and folder.is_dir() else projects_folder()


def _remember(kind: str, folder: Path) -> None:
    settings, words = read_settings(), written(folder)
    if settings.folders.get(kind) != words:
        folders = {**settings.folders, kind: words}
        write_settings(msgspec.structs.replace(settings, folders=folders))


def _begin(kind: str, name: str) -> str:
    path = Path(name)
    return name if path.is_absolute() else str(Path(folder_for(kind)) / path) if name else (
        folder_for(kind)
    )  # fmt: skip


def ask_open(parent: QWidget, kind: str, title: str, pattern: str) -> Path | None:
    """A file to read; None where none was chosen."""
    chosen, _ = QFileDialog.getOpenFileName(parent, title, folder_for(kind), pattern)
    return _chosen(kind, chosen)


def ask_several(parent: QWidget, kind: str, title: str, pattern: str) -> list[str]:
    """Files to read; none where none were chosen."""
    chosen, _ = QFileDialog.getOpenFileNames(parent, title, folder_for(kind), pattern)
    if chosen:
        _remember(kind, Path(chosen[0]).parent)
    return list(chosen)


def ask_save(
    parent: QWidget, kind: str, title: str, pattern: str, name: str = "", *, asks: bool = True
) -> Path | None:
    """A file to write, `name` proposed; `asks` before one that is there. None where none was
    chosen."""
    if asks:
        chosen, _ = QFileDialog.getSaveFileName(parent, title, _begin(kind, name), pattern)
    else:
        chosen, _ = QFileDialog.getSaveFileName(
            parent, title, _begin(kind, name), pattern,
            options=QFileDialog.Option.DontConfirmOverwrite,
        )  # fmt: skip
    return _chosen(kind, chosen)


def ask_folder(parent: QWidget, kind: str, title: str) -> Path | None:
    """A folder; None where none was chosen."""
    chosen = QFileDialog.getExistingDirectory(parent, title, folder_for(kind))
    if not chosen:
        return None
    _remember(kind, Path(chosen))
    return Path(chosen)


def _chosen(kind: str, chosen: str) -> Path | None:
    if not chosen:
        return None
    path = Path(chosen)
    _remember(kind, path.parent)
    return path
