"""Writing a song to files."""

from __future__ import annotations

from pathlib import Path

from grebe.core.document import Project
from grebe.core.player.plan import make_plan
from grebe.core.songs.model import Song
from grebe.errors import ProjectError
from grebe.formats.atomic import write_atomic
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
