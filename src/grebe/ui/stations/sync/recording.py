"""Measuring a recording from the window: by the command, in a process of its own."""

from __future__ import annotations

import json
import sys
from pathlib import Path
from typing import Any

from PyQt6.QtCore import QObject, QProcess, pyqtSignal

from grebe.words import tr

CLOCKS = "1/96"
FASTEST_BPM = 450.0
"""Beats that come faster than this are ticks of a clock."""


class RecordingCheck(QObject):
    """One measurement at a time; never holds the window up, and can be given up."""

    progressed = pyqtSignal(int)
    """Per cent heard."""
    measured = pyqtSignal(str, dict)
    """File name, the command's answer."""
    failed = pyqtSignal(str)
    """Why it could not be measured, in a sentence."""

    def __init__(self, parent: QObject | None = None) -> None:
        super().__init__(parent)
        self.process = QProcess(self)
        self.process.finished.connect(self._finished)
        self.process.readyReadStandardError.connect(self._progress)
        self._name, self._path = "", Path()
        self._said = ""
        self._given_up = False

    @property
    def active(self) -> bool:
        """Whether one is being measured."""
        return self.process.state() != QProcess.ProcessState.NotRunning

    def begin(self, path: Path) -> None:
        """Measure a file."""
        if self.active:
            return
        self._name, self._path = path.name, path
        self._start("1/4")

    def _start(self, grid: str) -> None:
        self._said, self._given_up, self._grid = "", False, grid
        words = ["-m", "grebe", "sync-check", str(self._path), "--json", "--progress", "--strips"]
        self.process.start(sys.executable, [*words, "--grid", grid])

    def give_up(self) -> bool:
        """Stop measuring; whether something was being measured."""
        if not self.active:
            return False
        self._given_up = True
        self.process.kill()
        return True

    def stop(self) -> None:
        """The same, and wait: the window is about to close."""
        self.give_up()
        self.process.waitForFinished(1000)

    def _progress(self) -> None:
        for line in bytes(self.process.readAllStandardError().data()).decode().splitlines():
            share, _, rest = line.strip().partition(" %")
            if rest == "" and share.isdigit():
                self.progressed.emit(int(share))
            elif line.strip():
                self._said = line.strip()

    def _finished(self) -> None:
        self._progress()
        if self._given_up:
            return
        try:
            found: dict[str, Any] = json.loads(bytes(self.process.readAllStandardOutput().data()))
        except json.JSONDecodeError:
            found = {}
        if self._said and not found.get("reference", {}).get("bpm"):
            self.failed.emit(self._said.removeprefix("grebe: "))
        elif found and found["reference"]["bpm"] > FASTEST_BPM and self._grid != CLOCKS:
            self._start(CLOCKS)  # its reference is no click but a clock, as a MIDI log has it
        elif found:
            self.measured.emit(self._name, found)
        else:
            self.failed.emit(tr("{name} could not be measured.", name=self._name))
