"""A box in the test's own hands that writes down every message it gets, and when."""

from __future__ import annotations

import os
import selectors
import socket
import threading
import time
from collections.abc import Iterator
from contextlib import contextmanager
from typing import Self

from grebe.app.engine.client import EngineClient, connect_when_ready
from grebe.app.engine.supervisor import (
    StandinsProcess,
    load_message,
    start_engine,
)
from grebe.core.document import Project
from grebe.core.player.plan import Plan
from grebe.process.children import end_child
from grebe.process.places import standin_socket
from grebe.protocols.link.messages import Loaded, Welcome
from tests.waiting import PATIENCE_S


class Listener:
    """Takes the place of a stand-in; can be unplugged and plugged again."""

    def __init__(self, device: str) -> None:
        self._path = standin_socket(device)
        self.heard: list[tuple[float, bytes]] = []
        self._stop = False
        self._listener: socket.socket | None = None
        self._thread: threading.Thread | None = None

    def plug(self) -> None:
        """Be there, having heard nothing."""
        self.heard.clear()
        self._stop = False
        self._path.unlink(missing_ok=True)
        self._listener = socket.socket(socket.AF_UNIX, socket.SOCK_SEQPACKET)
        self._listener.bind(str(self._path))
        os.chmod(self._path, 0o600)
        self._listener.listen(1)
        self._thread = threading.Thread(target=self._run)
        self._thread.start()

    def unplug(self) -> None:
        """Be gone."""
        self._stop = True
        assert self._thread is not None
        self._thread.join(5)

    def count(self, status: int) -> int:
        """How often a message with this status came."""
        return len(self.times(status))

    def times(self, status: int) -> list[float]:
        """When."""
        return [at for at, data in list(self.heard) if data[0] == status]

    def _run(self) -> None:
        assert self._listener is not None
        box: socket.socket | None = None
        self._listener.setblocking(False)
        with selectors.DefaultSelector() as selector:
            selector.register(self._listener, selectors.EVENT_READ)
            while not self._stop:
                for key, _ in selector.select(0.02):
                    if key.fileobj is self._listener:
                        box, _ = self._listener.accept()
                        selector.register(box, selectors.EVENT_READ)
                    elif box is not None:
                        data = box.recv(65_536)
                        if data:
                            self.heard.append((time.monotonic(), data))
                        else:
                            self._stop = True
        if box is not None:
            box.close()
        self._listener.close()
        self._path.unlink(missing_ok=True)

    def __enter__(self) -> Self:
        self.plug()
        return self

    def __exit__(self, *_: object) -> None:
        self.unplug()


@contextmanager
def listening_engine(project: Project, plan: Plan, *others: str) -> Iterator[EngineClient]:
    """An engine with a plan loaded; `others` are real stand-ins."""
    standins = StandinsProcess([project.rig.device(d) for d in others])
    engine = start_engine()
    try:
        standins.wait_ready()
        client = connect_when_ready(wants_status=False)
        client.wait_for(Welcome, PATIENCE_S)
        client.send(load_message(project, plan))
        client.wait_for(Loaded, PATIENCE_S)
        yield client
        client.close()
    finally:
        for process in (engine, standins.process):
            end_child(process)
