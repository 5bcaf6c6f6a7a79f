"""Files dropped anywhere in the window go where they belong: projects, profiles, MIDI, audio."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from pathlib import Path

from PyQt6.QtCore import QEvent, QMimeData, QObject
from PyQt6.QtGui import QDropEvent
from PyQt6.QtWidgets import QWidget

from grebe.app.live.session import Session
from grebe.errors import GrebeError
from grebe.formats.naming import AUDIO_SUFFIXES, MIDI_SUFFIXES
from grebe.formats.project import SUFFIX
from grebe.process.places import shown
from grebe.ui.main_window.stations import Stations
from grebe.words import tr

DROPPING = (QEvent.Type.DragEnter, QEvent.Type.Drop)
PROFILE_SUFFIX = ".json"


class Drops(QObject):
    """Sorts what was dropped over a window by what it is."""

    def __init__(
        self, window: QWidget, session: Session, stations: Stations, *,
        project: Callable[[Path], None], midi: Callable[[Sequence[str]], None],
    ) -> None:  # fmt: skip
        """What projects and MIDI files are given to; profiles are Rig's, audio is of Patterns.
        GrebeError from any is said in the window."""
        super().__init__(window)
        self._session, self._stations = session, stations
        window.setAcceptDrops(True)
        window.installEventFilter(self)
        self._project, self._midi = project, midi

    def eventFilter(self, watched: QObject | None, event: QEvent | None) -> bool:
        """Something is dragged over the window, or let go of there."""
        del watched
        if not isinstance(event, QDropEvent) or event.type() not in DROPPING:
            return False
        paths = paths_of(event.mimeData())
        if paths:
            event.acceptProposedAction()
            if event.type() == QEvent.Type.Drop:
                self.take(paths)
        return bool(paths)

    def take(self, paths: Sequence[Path]) -> None:
        """Give files to where they belong; what belongs nowhere is said."""
        try:
            self._take(paths)
        except GrebeError as error:
            self._session.say("error", str(error))

    def _take(self, paths: Sequence[Path]) -> None:
        of = {path: path.suffix.lower() for path in paths}
        projects = [p for p, kind in of.items() if kind == SUFFIX]
        midi = [p for p, kind in of.items() if kind in MIDI_SUFFIXES or p.is_dir()]
        audio = [p for p, kind in of.items() if kind in AUDIO_SUFFIXES]
        profiles = [p for p, kind in of.items() if kind == PROFILE_SUFFIX]
        known = {*projects, *midi, *audio, *profiles}
        for path in profiles:
            self._stations.rig.profiles.take_file(path)
        if audio:
            self._stations.patterns.transfer.import_files([str(p) for p in audio])
        if midi:
            self._midi([str(p) for p in midi])
        if projects:
            self._project(projects[0])
        left = [p for p in paths if p not in known]
        if left:
            self._session.say(
                "warn",
                tr(
                    "{path} is nothing that can be brought in here: projects (*{suffix}), "
                    "profiles, MIDI files, folders of them, and WAV files can.",
                    path=shown(left[0].name),
                    suffix=SUFFIX,
                ),
            )


def paths_of(data: QMimeData | None) -> list[Path]:
    """The files of this computer that are dragged."""
    if data is None or not data.hasUrls():
        return []
    return [Path(url.toLocalFile()) for url in data.urls() if url.isLocalFile()]
