"""Boxes checked by ear, and recordings measured, as the Sync station does it."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

import msgspec
from PyQt6.QtWidgets import QWidget

from grebe.app.doing import does
from grebe.app.live.session import Session
from grebe.core.rig.model import Device
from grebe.core.sync.measured import Measured
from grebe.formats.naming import AUDIO_PATTERNS
from grebe.ui.stations.sync.canvas import SyncCanvas
from grebe.ui.stations.sync.check import TONES, figure_lines
from grebe.ui.stations.sync.recording import RecordingCheck
from grebe.ui.widgets.ask_file import RECORDINGS, ask_open
from grebe.ui.widgets.sheet import SheetLine, head, note, row
from grebe.words import tr


class SyncChecks:
    """What is listened to, and what came of the last recording."""

    def __init__(
        self, window: QWidget, session: Session, strips: SyncCanvas, changed: Callable[[], None]
    ) -> None:
        """`changed` is told when there is something else to say."""
        self._window = window
        self._session = session
        self._strips = strips
        self._changed = changed
        self.lines: list[SheetLine] = []
        """What to say of a recording; nothing while none was measured."""
        self.recording = RecordingCheck(window)
        self.recording.progressed.connect(self._file_progressed)
        self.recording.measured.connect(self._file_measured)
        self.recording.failed.connect(self._file_failed)

    def device(self) -> Device | None:
        """The device whose strip is selected."""
        devices = self._session.project.rig.timed
        return next((d for d in devices if d.id == self._strips.selected), None)

    @does("check")
    def check(self) -> None:
        """Listen to the selected device over 16 bars."""
        device = self.device()
        if device is not None:
            self._session.checking.begin([device])

    @does("check_notes")
    def check_notes(self) -> None:
        """The same by what it plays: its swing is seen, too."""
        device = self.device()
        if device is not None:
            self._session.checking.begin([device], notes=True)

    @does("check_all")
    def check_all(self) -> None:
        """Listen to all devices at once that can be heard."""
        self._session.checking.begin(self._session.project.rig.timed)

    @does("measure_file")
    def measure_file(self) -> None:
        """Measure a recording: left the reference, right the device."""
        path = ask_open(
            self._window,
            RECORDINGS,
            tr("Measure a recording"),
            tr("Recordings ({kinds})", kinds=f"{AUDIO_PATTERNS} *.csv *.txt"),
        )
        if path is not None:
            self.recording.begin(path)
            self.lines = [
                head(tr("A recording")),
                row(tr("Heard"), "0 %"),
                note(tr("Esc gives up.")),
            ]
            self._changed()

    def _file_progressed(self, percent: int) -> None:
        self.lines = [
            head(tr("A recording")), row(tr("Heard"), f"{percent} %"), note(tr("Esc gives up.")),
        ]  # fmt: skip
        self._changed()

    def _file_failed(self, words: str) -> None:
        self.lines = []
        self._session.say("warn", words)
        self._changed()

    def _file_measured(self, name: str, found: dict[str, Any]) -> None:
        lines = [head(tr("A recording")), note(name)]
        lines.append(row(tr("Reference"), f"{found['reference']['bpm']:.2f} BPM"))
        for fields in found["devices"]:
            label = fields.pop("name")
            self._strips.record(f"{name}: {label}", fields.pop("strip", []))
            measured = msgspec.convert(fields, Measured)
            lines.append(note(f"{label}: {measured.sentence}", TONES[measured.verdict]))
            lines += figure_lines(measured, None)
        self.lines = [*lines, note(tr("Esc puts it away.")), SheetLine("", kind="gap")]
        self._changed()
