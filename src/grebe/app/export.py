"""Writing songs and sheets to files."""

from __future__ import annotations

from collections.abc import Callable
from pathlib import Path

from grebe.core.document import Project
from grebe.core.player.plan import make_plan
from grebe.core.rig.setup import of_device, setup_sheet
from grebe.core.songs.model import Song
from grebe.errors import ProjectError, UsageError
from grebe.formats.atomic import write_atomic
from grebe.formats.sheets import setup_html
from grebe.formats.smf import file_name, midi_bytes, song_to_midi


def export_smf(project: Project, song: Song, folder: Path) -> Path:
    """Write a song as a Standard MIDI File type 1 into a folder; the file's path.

    ProjectError when the folder cannot be written, EditError when the song
    names a scene that is not there.
    """
    data = midi_bytes(song_to_midi(make_plan(project, song)))
    path = folder / f"{file_name(song.name)}.mid"
    try:
        folder.mkdir(parents=True, exist_ok=True)
        write_atomic(path, data)
    except OSError as error:
        raise ProjectError(
            f"{path} could not be written: {error.strerror}. Choose another folder."
        ) from error
    return path


def export_setup(
    project: Project, path: Path, *, device: str, to_pdf: Callable[[str, Path, str], None]
) -> Path:
    """Write the set-up sheet, of one device by name or id or ("") of all; the file's path.

    UsageError for a device that is not there or a name that is neither .html nor
    .pdf, ProjectError when it cannot be written.
    """
    sheet = setup_sheet(project)
    if device:
        sheet = of_device(sheet, project.device_named(device).id)
    if path.suffix.lower() not in (".html", ".pdf"):
        raise UsageError(f"{path}: a sheet is written as .html or .pdf; end the name so")
    html = setup_html(sheet, ticked=frozenset(project.ticked), project=project.name)
    try:
        path.parent.mkdir(parents=True, exist_ok=True)
        if path.suffix.lower() == ".pdf":
            to_pdf(html, path, f"Set-up sheet: {sheet.rig}")
        else:
            write_atomic(path, html.encode())
    except OSError as error:
        raise ProjectError(
            f"{path} could not be written: {error.strerror}. Choose another folder."
        ) from error
    return path
