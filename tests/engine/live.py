"""A real engine with real stand-ins, for tests."""

from __future__ import annotations

import subprocess
import time
from collections.abc import Callable, Iterator
from contextlib import contextmanager

from grebe.app.engine.client import EngineClient, connect_when_ready
from grebe.app.engine.supervisor import (
    StandinsProcess,
    load_message,
    start_engine,
)
from grebe.app.live.perform import settled_report
from grebe.core.document import Project
from grebe.core.player.plan import make_plan
from grebe.process.children import end_child
from grebe.process.places import engine_socket
from grebe.protocols.link.messages import (
    FromEngine,
    LatenessReport,
    Load,
    Loaded,
    Notice,
    Status,
    ToEngine,
    Welcome,
)
from tests.waiting import PATIENCE_S


class Live:
    """An engine, its stand-ins and one window's connection."""

    def __init__(self, project: Project, source: str = "test") -> None:
        self.project = project
        self.standins = StandinsProcess(project.rig.devices)
        self.engine = start_engine()
        self.standins.wait_ready()
        self.client = connect_when_ready()
        self.notices: list[str] = []
        self._waiting: list[FromEngine] = []
        self.welcome = self.client.wait_for(Welcome, PATIENCE_S)
        self.send(self.load(project, source))
        self.client.wait_for(Loaded, PATIENCE_S)
        self.notices += [notice.text for notice in self.client.overheard]

    def load(self, project: Project, source: str = "test") -> Load:
        """The message that loads a project's first song."""
        return load_message(project, make_plan(project, project.songs[0], source))

    def send(self, *messages: ToEngine) -> None:
        """Say something to the engine."""
        for message in messages:
            self.client.send(message)

    def until(
        self, wanted: Callable[[FromEngine], bool], seconds: float = PATIENCE_S
    ) -> FromEngine:
        """Wait for a message that is wanted."""
        end, last = time.monotonic() + seconds, None
        while time.monotonic() < end:
            self._waiting += self.client.pump()
            while self._waiting:
                message = self._waiting.pop(0)
                if isinstance(message, Notice):
                    self.notices.append(message.text)
                last = message if isinstance(message, Status) else last
                if wanted(message):
                    return message
            time.sleep(0.005)
        raise AssertionError(f"the engine did not say it; notices: {self.notices}; last: {last}")

    def status(self, wanted: Callable[[Status], bool], seconds: float = PATIENCE_S) -> Status:
        """Wait for a status that is wanted."""
        found = self.until(lambda m: isinstance(m, Status) and wanted(m), seconds)
        assert isinstance(found, Status)
        return found

    def notice(self, words: str) -> None:
        """Wait until these words have been said, whenever that was."""
        if not any(words in text for text in self.notices):
            self.until(lambda m: isinstance(m, Notice) and words in m.text)

    def report(self) -> dict[str, LatenessReport]:
        """The figures of every device, after the last reports have come in."""
        return {row.device: row for row in settled_report(self.client).devices}

    def other_standins(self) -> None:
        """Start stand-ins again, after theirs were killed."""
        end_child(self.standins.process)
        self.standins = StandinsProcess(self.project.rig.devices)
        self.standins.wait_ready()

    def reconnect(self) -> Welcome:
        """Another window."""
        self.client.close()
        self.client = EngineClient(engine_socket())
        return self.client.wait_for(Welcome, PATIENCE_S)

    def close(self) -> None:
        """End everything this started."""
        self.client.close()
        for process in (self.engine, self.standins.process):
            end_child(process)


@contextmanager
def live(project: Project) -> Iterator[Live]:
    """A live engine for a while."""
    made = Live(project)
    try:
        yield made
    finally:
        made.close()


def python(code: str) -> subprocess.Popen[bytes]:
    """A Python process of its own running some code."""
    import sys

    return subprocess.Popen([sys.executable, "-c", code], stdout=subprocess.PIPE)
