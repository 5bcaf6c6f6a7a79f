"""Patterns and loops to and from files, as the Patterns station does it."""

from __future__ import annotations

from collections.abc import Callable
from pathlib import Path

from PyQt6.QtWidgets import QWidget

from grebe.app.document.export_audio import LoopWanted, export_loop
from grebe.app.document.loop_files import folder_of
from grebe.app.document.pattern_files import export_pattern, loop_files
from grebe.app.doing import does
from grebe.app.editors.loop_files import LoopFiles
from grebe.app.editors.loops import samples_of
from grebe.app.editors.pattern_editor import PatternEditor
from grebe.core.patterns.model import Pattern
from grebe.errors import GrebeError
from grebe.formats.midi_loops import read_pattern
from grebe.formats.naming import AUDIO_PATTERNS, is_audio
from grebe.ui.widgets.ask_file import LOOPS, ask_folder, ask_several
from grebe.words import counted, tr

MOST_SAID = 3
"""Of what could not be taken over, in one line."""


class PatternTransfer:
    """Asks where, and says what came of it."""

    def __init__(
        self, window: QWidget, editor: PatternEditor, loops: Callable[[], LoopFiles],
        show: Callable[[bool], None], bring: Callable[[list[str]], None],
    ) -> None:  # fmt: skip
        """`loops` is asked for when there are files for it; `show` shows what was taken in: loops,
        or else patterns; `bring` where the files of a folder would go."""
        self._window = window
        self._editor = editor
        self._loops = loops
        self._show = show
        self._bring = bring

    @does("export_pattern")
    def export_pattern(self) -> None:
        """Write the pattern as a MIDI file and as a WAV loop."""
        self._export("")

    @does("export_voice")
    def export_voice(self) -> None:
        """Write the voice under the cursor as a WAV loop."""
        voice = self._editor.hand.voice
        self._export(voice.id if voice is not None else "")

    def _export(self, voice: str) -> None:
        pattern, device = self._editor.hand.pattern, self._editor.hand.device
        if pattern is None or device is None:
            return
        folder = ask_folder(self._window, LOOPS, tr("Write {pattern} into", pattern=pattern.name))
        if folder is not None:
            self.export_into(folder, voice)

    def export_into(self, folder: Path, voice: str = "") -> None:
        """The same into a folder; what cannot be written is said in the window."""
        pattern, device, session = (
            self._editor.hand.pattern,
            self._editor.hand.device,
            self._editor.session,
        )
        if pattern is None or device is None:
            return
        bpm = session.position.written_bpm
        try:
            sounds = samples_of(session.project, folder_of(session.store.home))
            wanted = LoopWanted(pattern=pattern.id, voice=voice or None, bpm=bpm)
            written = export_loop(session.project, wanted, folder, samples=sounds.samples)
            if not voice:
                written.append(export_pattern(pattern, device, bpm, folder))
        except GrebeError as error:
            session.say("error", str(error))
        else:
            session.say(
                "info", tr("Wrote {names}.", names=tr(" and ").join(p.name for p in written))
            )

    @does("import_loop")
    def import_loop(self) -> None:
        """Import MIDI files as patterns of the box in hand, WAV files as loops."""
        paths = ask_several(
            self._window, LOOPS, tr("Import MIDI files as patterns, WAV files as loops"),
            tr("MIDI and audio files ({kinds})", kinds=f"*.mid *.midi {AUDIO_PATTERNS}"),
        )  # fmt: skip
        if paths:
            self.import_files(paths)

    @does("import_folder")
    def import_folder(self) -> None:
        """Import every MIDI file of a folder: box, bars and key of each are proposed."""
        folder = ask_folder(self._window, LOOPS, tr("Import every MIDI file of"))
        if folder is not None:
            self._bring([str(folder)])

    def import_files(self, paths: list[str]) -> None:
        """Import files for the box in hand; what is wrong with any is said."""
        device = self._editor.hand.device
        if device is None:
            self._editor.session.say("warn", tr("Add a device first: a pattern belongs to one."))
            return
        refused: list[str] = []
        patterns: list[Pattern] = []
        lost: list[str] = []
        for path in loop_files(paths):
            try:
                if is_audio(path):
                    self._loops().take(path)
                    self._show(True)
                else:
                    read = read_pattern(path, device, "new")
                    patterns.append(read.pattern)
                    lost += [f"{path.name}: {words}" for words in read.lost]
            except GrebeError as error:
                refused.append(str(error))
        if patterns:
            self._editor.whole.add_all(patterns)
            self._show(False)
        if refused:
            more = (
                tr(" ({value} more were refused)", value=len(refused) - 1)
                if len(refused) > 1
                else ""
            )
            self._editor.session.say("error", f"{refused[0]}{more}")
        elif patterns:
            names = ", ".join(p.name for p in patterns[:3])
            words = tr("Imported {patterns}: {names}.", patterns=counted(len(patterns), "pattern"),
                       names=names)  # fmt: skip
            if lost:
                more = tr(" and {count} more", count=len(lost) - MOST_SAID)
                rest = more if len(lost) > MOST_SAID else ""
                words += " " + tr("Not taken over: {lost}{more}.", lost="; ".join(lost[:MOST_SAID]),
                                  more=rest)  # fmt: skip
            self._editor.session.say("warn" if lost else "info", words)
