"""Where the files of a project's loops lie, and that they go along; `editors.loops` reads them."""

from __future__ import annotations

from pathlib import Path

import msgspec

from grebe.app.document.store import Store
from grebe.core.patterns.loops import Loop
from grebe.formats.atomic import write_atomic
from grebe.formats.reading import read_file
from grebe.words import tr

MAX_LOOP_BYTES = 256 * 1024 * 1024
"""Two minutes of eight channels at 192 kHz."""


def folder_of(project_path: Path | None) -> Path:
    """The folder that a project's loops are found in."""
    return project_path.parent if project_path is not None else Path.cwd()


def loop_path(loop: Loop, folder: Path) -> Path:
    """Where a loop's file lies."""
    path = Path(loop.file)
    return path if path.is_absolute() else folder / path


def take_along(store: Store, folder: Path) -> str:
    """Before a document is saved in another folder: its loops' files are copied there.

    A name that another file has there already is changed, in the document too. What could not be
    copied, in a sentence; "" where all was.
    """
    home = folder_of(store.home)
    if folder.resolve() == home.resolve():
        return ""
    renamed: dict[str, str] = {}
    failed: list[str] = []
    for loop in store.project.loops:
        source = loop_path(loop, home)
        if Path(loop.file).is_absolute():
            continue  # it lies elsewhere, and stays there
        try:
            renamed[loop.id] = _copied(source, folder, Path(loop.file))
        except OSError as error:
            failed.append(f"{loop.name} ({error.strerror})")
    moved = tuple(
        msgspec.structs.replace(loop, file=renamed.get(loop.id, loop.file))
        for loop in store.project.loops
    )
    if moved != store.project.loops:
        store.apply(tr("Loops taken along"), lambda p: msgspec.structs.replace(p, loops=moved))
    return tr("Saved, but without these loops: {names}.", names=", ".join(failed)) if failed else ""


def _copied(source: Path, folder: Path, file: Path) -> str:
    """Copy a file to a folder, under its own name or the next that is free; the name it has."""
    data = read_file(source, MAX_LOOP_BYTES)
    number = 1
    while True:
        name = file if number == 1 else file.with_name(f"{file.stem}-{number}{file.suffix}")
        target = folder / name
        if not target.exists():
            target.parent.mkdir(parents=True, exist_ok=True)
            write_atomic(target, data)
            return str(name)
        if target.stat().st_size == len(data) and target.read_bytes() == data:
            return str(name)
        number += 1
