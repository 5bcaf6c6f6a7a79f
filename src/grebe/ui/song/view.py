"""The Song station."""

from __future__ import annotations

from collections.abc import Callable
from pathlib import Path

from PyQt6.QtWidgets import QFileDialog

from grebe.app.export_audio import LoopWanted, export_loop
from grebe.app.loops import folder_of, samples_of
from grebe.app.session import Session
from grebe.core.document import with_song
from grebe.core.songs.edit import duplicate_section, move_section, remove_section, set_times
from grebe.core.songs.model import Song
from grebe.errors import GrebeError
from grebe.ui.song.canvas import SongCanvas
from grebe.ui.view import View
from grebe.ui.words import counted, length_text


class SongView(View):
    """Sections in order, repeats, bands, the playhead."""

    scope = "song"
    number = 5

    def __init__(self, session: Session) -> None:
        super().__init__(session)
        self.song_canvas = SongCanvas(session)
        self.song_canvas.section_clicked.connect(self.select)
        self.lay_out(self.song_canvas)
        self.add_pill("Bring it in", "bring_in", primary=True)
        self.document_changed()

    def select(self, section_id: str) -> None:
        """Select a section."""
        self.session.selected_section = section_id
        self.document_changed()

    def document_changed(self) -> None:
        """Show the song as it is now."""
        session, song, layout = self.session, self.session.song, self.session.layout()
        if song is None:
            self.heading.say("No song yet", "")
        elif layout is None:
            self.heading.say(song.name, "It names a scene that is not there: see the findings.")
        else:
            ids = [s.id for s in song.sections]
            if session.selected_section not in ids:
                session.selected_section = ids[0] if ids else ""
            below = (
                f"{counted(layout.bars, 'bar')}   {length_text(layout.seconds())}   "
                f"{song.bpm:g} BPM   song {self._number()} of {len(session.project.songs)}, "
                "Ctrl+N for another"
            )
            self.heading.say(song.name, below)
        self.song_canvas.refresh()

    def _number(self) -> int:
        return [s.id for s in self.session.project.songs].index(self.session.song_id) + 1

    def moved(self) -> None:
        """Move the playhead."""
        self.song_canvas.move_playhead()

    def _index(self) -> int | None:
        song = self.session.song
        if song is None:
            return None
        ids = [s.id for s in song.sections]
        selected = self.session.selected_section
        return ids.index(selected) if selected in ids else None

    def _step(self, by: int) -> None:
        song, index = self.session.song, self._index()
        if song is not None and index is not None:
            self.select(song.sections[(index + by) % len(song.sections)].id)

    def _edit(self, name: str, edit: Callable[[Song, int], Song], merge: str = "") -> None:
        index = self._index()
        if index is not None:
            self.session.store.apply(
                name,
                lambda project: with_song(
                    project, self.session.song_id, lambda song: edit(song, index)
                ),
                merge=merge,
            )

    def do_section_before(self) -> None:
        """Select the section before."""
        self._step(-1)

    def do_section_after(self) -> None:
        """Select the section after."""
        self._step(1)

    def do_more(self) -> None:
        """One more pass."""
        self._edit("More passes", lambda song, i: set_times(song, i, song.sections[i].times + 1))

    def do_fewer(self) -> None:
        """One pass fewer."""
        self._edit("Fewer passes", lambda song, i: set_times(song, i, song.sections[i].times - 1))

    def do_move_left(self) -> None:
        """One place earlier."""
        self._edit("Move a section", lambda song, i: move_section(song, i, -1))

    def do_move_right(self) -> None:
        """One place later."""
        self._edit("Move a section", lambda song, i: move_section(song, i, 1))

    def do_copy_section(self) -> None:
        """Another like it after it."""
        self._edit("Copy a section", duplicate_section)

    def do_remove_section(self) -> None:
        """Remove it, and select the one that takes its place."""
        index = self._index()
        self._edit("Remove a section", remove_section)
        song = self.session.song
        if song is not None and index is not None and song.sections:
            self.select(song.sections[min(index, len(song.sections) - 1)].id)

    def do_export_scene(self) -> None:
        """Write the selected section's scene as a WAV loop."""
        song, index = self.session.song, self._index()
        if song is not None and index is not None:
            folder = QFileDialog.getExistingDirectory(self, "Write the scene as a WAV loop into")
            if folder:
                self.export_into(Path(folder))

    def export_into(self, folder: Path) -> None:
        """The same into a folder; what cannot be written is said in the window."""
        session, song, index = self.session, self.session.song, self._index()
        if song is None or index is None:
            return
        wanted = LoopWanted(scene=song.sections[index].scene, bpm=song.bpm)
        sounds = samples_of(session.project, folder_of(session.store.path))
        try:
            (path,) = export_loop(session.project, wanted, folder, samples=sounds.samples)
        except GrebeError as error:
            session.say("error", str(error))
        else:
            session.say("info", f"Wrote {path.name}.")

    def do_bring_in(self) -> None:
        """Bring the selected section in at the end of the one that plays."""
        self.session.launch(self.session.selected_section, "section_end")

    def do_cut_to(self) -> None:
        """Cut to the selected section now."""
        self.session.launch(self.session.selected_section, "now")
