"""Engines and boxes that faults are tried on: what went out to a box, and when."""

from __future__ import annotations

import os
import signal
import socket
import subprocess
import tempfile
import threading
import time
from collections.abc import Callable, Iterator
from contextlib import contextmanager, suppress
from pathlib import Path

from grebe.app.engine.client import EngineClient, connect_when_ready
from grebe.app.engine.plan_sender import PlanSender
from grebe.app.engine.supervisor import (
    load_message,
    start_engine,
)
from grebe.core.document import Project
from grebe.core.patterns.model import Content, Hit, Pattern, Voice
from grebe.core.player.commands import Begin, Hold
from grebe.core.player.plan import make_plan
from grebe.core.rig.model import Cable, Device, Port, Rig
from grebe.core.songs.model import Part, Scene, Section, Song
from grebe.process.children import end_child
from grebe.process.places import override_runtime_dir, standin_socket
from grebe.protocols.link.messages import Loaded, Notice, Status, Welcome

BPM = 240.0
CLOCK, STOP, CONTINUE, SONG_POSITION = 0xF8, 0xFC, 0xFB, 0xF2


ALL_SOUND_OFF = 120


UNDER_WAY = 2
"""Clocks that may be due at the moment of a look and not sent yet."""


WITHIN_S = 12.0
"""What takes longer to be well again is not well."""


def fault_project(devices: int = 2) -> Project:
    """Boxes that hold long notes at a quick tempo: whatever goes wrong, something sounds."""
    hits = tuple(Hit(step=s, gate_length=350) for s in range(0, 16, 4))
    names = [f"box-{n}" for n in range(1, devices + 1)]
    patterns = tuple(
        Pattern(id=f"p-{n}", name=n, device=n,
                content=Content(voices=(Voice(id="v", name="V", note=48, hits=hits),)))
        for n in names
    )  # fmt: skip
    return Project(
        name="Faults",
        rig=Rig(
            devices=tuple(
                Device(id=n, name=n.capitalize(), kind="synth", channel=k, port=Port())
                for k, n in enumerate(names, start=1)
            ),
            cables=tuple(Cable(source="grebe", target=n) for n in names),
        ),
        patterns=patterns,
        scenes=(
            Scene(id="a", name="A", bars=4,
                  parts=tuple(Part(device=n, chain=(f"p-{n}",)) for n in names)),
        ),
        songs=(Song(id="song", name="Song", bpm=BPM, sections=(Section(id="s", scene="a"),)),),
    )  # fmt: skip


class RecordingBox:
    """Stands where a stand-in would, and keeps every message with its time."""

    def __init__(self, device: str) -> None:
        path = standin_socket(device)
        path.unlink(missing_ok=True)
        self.came: list[tuple[float, bytes]] = []
        self.joined = 0
        self._door = socket.socket(socket.AF_UNIX, socket.SOCK_SEQPACKET)
        self._door.bind(str(path))
        self._door.listen(4)
        self._door.settimeout(0.05)
        self._over = False
        self._thread = threading.Thread(target=self._listen, daemon=True)
        self._thread.start()

    def _listen(self) -> None:
        engine: socket.socket | None = None
        while not self._over:
            with suppress(TimeoutError):
                fresh, _ = self._door.accept()
                if engine is not None:
                    engine.close()
                engine, self.joined = fresh, self.joined + 1
                engine.settimeout(0.02)
            while engine is not None and not self._over:
                try:
                    data = engine.recv(65_536)
                except TimeoutError:
                    continue
                except OSError:
                    data = b""
                if not data:
                    engine.close()
                    engine = None
                    break
                self.came.append((time.monotonic(), data))
        if engine is not None:
            engine.close()

    def close(self) -> None:
        """Listen no longer."""
        self._over = True
        self._thread.join()
        self._door.close()

    def sounding(self) -> set[tuple[int, int]]:
        """Notes that were begun and not ended: (channel from 0, note)."""
        out: set[tuple[int, int]] = set()
        for _, data in list(self.came):
            kind, channel = data[0] & 0xF0, data[0] & 0x0F
            if kind == 0x90 and data[2]:
                out.add((channel, data[1]))
            elif kind in (0x80, 0x90):
                out.discard((channel, data[1]))
            elif kind == 0xB0 and data[1] == ALL_SOUND_OFF:
                out = {(c, n) for c, n in out if c != channel}
        return out

    def clocks(self, since: float = 0.0) -> list[float]:
        """When its clocks came."""
        return [at for at, data in list(self.came) if data[0] == CLOCK and at >= since]

    def first(self, status: int, since: float) -> float | None:
        """When a message came for the first time since."""
        return next((at for at, d in list(self.came) if d[0] == status and at >= since), None)


class PlayingEngine:
    """An engine that plays to boxes, and one window's connection."""

    def __init__(self, folder: Path, command: list[str] | None = None) -> None:
        self.folder = folder
        self.project = fault_project()
        self.boxes = {d.id: RecordingBox(d.id) for d in self.project.rig.devices}
        self.notices: list[str] = []
        self.sender = PlanSender()
        self._client: EngineClient | None = None
        self.engine = start_engine() if command is None else subprocess.Popen(command)
        self.meet()

    def meet(self) -> None:
        """Connect to the engine, load, and run."""
        if self._client is not None:
            self._client.close()
        self._client = connect_when_ready()
        self.client.wait_for(Welcome, 5)
        self.sender.forget()
        self.load(self.project)
        self.client.wait_for(Loaded, 5)
        self.client.send(Begin())

    @property
    def client(self) -> EngineClient:
        """The window's connection."""
        assert self._client is not None
        return self._client

    def load(self, project: Project) -> None:
        """Give the engine a document."""
        plan = make_plan(project, project.songs[0], "faults")
        for message in self.sender.messages(load_message(project, plan)):
            self.client.send(message)

    def pump(self) -> list[Status]:
        """What the engine has said."""
        heard = self.client.pump()
        self.notices += [m.text for m in heard if isinstance(m, Notice)]
        return [m for m in heard if isinstance(m, Status)]

    def wait(self, what: Callable[[], bool], seconds: float = WITHIN_S) -> float:
        """Wait until something holds; the seconds it took. TimeoutError after so many."""
        began = time.monotonic()
        while not what():
            if time.monotonic() - began > seconds:
                raise TimeoutError(f"it does not hold after {seconds:g} s")
            if self.client.open:
                self.pump()
            time.sleep(0.005)
        return time.monotonic() - began

    def plays(self, clocks: int = 24, since: float = 0.0) -> None:
        """Wait until every box has had so many clocks, and something sounds."""
        self.wait(lambda: all(len(b.clocks(since)) >= clocks for b in self.boxes.values()))
        self.client.send(Hold(on=True))  # the section has begun: before, it would end that
        self.wait(lambda: all(b.sounding() for b in self.boxes.values()))

    @property
    def hanging(self) -> int:
        """Notes that sound, on all boxes."""
        return sum(len(b.sounding()) for b in self.boxes.values())

    def close(self) -> None:
        """End everything."""
        self.client.close()
        with suppress(ProcessLookupError):
            os.kill(self.engine.pid, signal.SIGCONT)
        end_child(self.engine)
        for box in self.boxes.values():
            box.close()


@contextmanager
def playing(command: Callable[[], list[str]] | None = None) -> Iterator[PlayingEngine]:
    """An engine of our own that plays, away from one that may be playing."""
    with (
        tempfile.TemporaryDirectory(prefix="grebe-", ignore_cleanup_errors=True) as folder,
        override_runtime_dir(folder),
    ):
        made = PlayingEngine(Path(folder), None if command is None else command())
        try:
            made.plays()
            yield made
        finally:
            made.close()


def end_process_now(process: subprocess.Popen[bytes]) -> None:
    """Kill a process and close its pipes."""
    process.kill()
    end_child(process)


def until(client: EngineClient, wanted: Callable[[Status], bool]) -> Status:
    """The first status that is wanted; EngineError where none came in time."""
    end = time.monotonic() + WITHIN_S
    while time.monotonic() < end:
        for message in client.pump():
            if isinstance(message, Status) and wanted(message):
                return message
        time.sleep(0.005)
    raise TimeoutError("the engine did not say it")
