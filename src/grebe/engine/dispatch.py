"""What windows say: by its type, to whoever does it."""

from __future__ import annotations

import logging
import os
from collections.abc import Callable
from typing import Any, NamedTuple, TypeVar

from grebe.core.player.commands import PLAYED, Begin, Command, Halt
from grebe.engine.connections import Connections
from grebe.engine.controls import Controls
from grebe.engine.limits import REPORT_FIGURES
from grebe.engine.listening import Listening
from grebe.engine.loading import LOADS, Loading, only_patterns
from grebe.engine.peering import ABOUT_PEERS, AboutPeers, Peering
from grebe.engine.playing_in import PlayingIn
from grebe.engine.server import Connection
from grebe.engine.transport import Transport
from grebe.errors import GrebeError
from grebe.protocols.link.messages import (
    LINK_VERSION,
    AskReport,
    Audition,
    ClearCounters,
    Do,
    FiguresReport,
    FromEngine,
    Hello,
    Identify,
    Learn,
    Listen,
    Load,
    Loaded,
    LoadPart,
    Notice,
    Panic,
    PlanChange,
    Shutdown,
    ToEngine,
    Welcome,
)
from grebe.words import tr

_log = logging.getLogger(__name__)
_M = TypeVar("_M")
Handler = Callable[[Connection, Any], None]


class Process(NamedTuple):
    """What the engine's process is, and what only it can do."""

    realtime: bool
    priority_help: str
    leave: Callable[[str], None]
    """End soon, and why."""
    status_now: Callable[[], None]
    """Have windows told at once how things stand."""


class Dispatch:
    """One handler for each type of message. To add a message: its type in `link.messages`, and a
    row in `__init__`."""

    def __init__(
        self,
        process: Process,
        transport: Transport,
        connections: Connections,
        *,
        controls: Controls,
        listening: Listening,
        playing_in: PlayingIn,
        peering: Peering,
        now_ns: Callable[[], int],
        tell: Callable[[FromEngine], None],
        tell_one: Callable[[Connection, Notice], None],
    ) -> None:
        """`tell` says something to all windows, `tell_one` to the one that asked."""
        self._process = process
        self._transport = transport
        self._connections = connections
        self._controls = controls
        self._peering = peering
        self._now_ns = now_ns
        self._tell = tell
        self._tell_one = tell_one
        self._loading = Loading()
        self._handlers: dict[type, Handler] = {}
        self._on(Hello, self._greet)
        self._handlers.update(dict.fromkeys(LOADS, self._load))
        self._on(Begin, lambda _, begin: transport.begin(begin))
        self._on(Halt, lambda _, __: transport.stop())
        self._handlers.update(dict.fromkeys(PLAYED, lambda _, command: self.command(command)))
        self._on(Audition, lambda _, audition: playing_in.audition(audition, now_ns()))
        self._on(
            Identify,
            lambda _, asked: playing_in.identify(asked, now_ns(), running=transport.running),
        )
        self._on(Listen, lambda _, listen: listening.begin(listen))
        self._on(Learn, self._learn)
        self._on(Panic, lambda _, __: transport.panic())
        self._on(Shutdown, self._shut_down)
        self._handlers.update(dict.fromkeys(ABOUT_PEERS, self._about_peers))
        self._on(Do, lambda _, do: controls.do(do.action, transport.player, down=do.down))
        self._on(ClearCounters, self._clear)
        self._on(AskReport, self._report)

    def _on(self, kind: type[_M], handler: Callable[[Connection, _M], None]) -> None:
        self._handlers[kind] = handler

    @property
    def known(self) -> frozenset[type]:
        """Every message that is answered."""
        return frozenset(self._handlers)

    def answer(self, connection: Connection, message: ToEngine) -> None:
        """Do what a window asks. What goes wrong is told to it, and stops nothing."""
        try:
            if connection.greeted or isinstance(message, Hello):
                self._handlers[type(message)](connection, message)
            else:
                connection.close()
        except GrebeError as error:
            self._tell_one(connection, Notice(level="error", text=str(error)))
        except Exception as error:  # a mistake of ours must not stop the clock
            _log.exception("a message could not be answered: %s", type(message).__name__)
            text = tr("The engine could not do that ({error!r}). What plays goes on.", error=error)
            connection.send(Notice(level="error", text=text))

    def command(self, command: Command) -> None:
        """What a performer asks of the player; windows see at once that it was taken."""
        self._transport.command(command)
        self._process.status_now()

    def _load(self, connection: Connection, message: Load | LoadPart | PlanChange) -> None:
        load = self._loading.take(message)
        if isinstance(load, Load):
            self._take_plan(connection, load)
        elif load is not None:
            connection.send(load)

    def _take_plan(self, connection: Connection, load: Load) -> None:
        why_not = self._transport.load(load.plan)
        if why_not:
            self._tell_one(connection, Notice(level="warn", text=why_not))
            return
        plan = load.plan.plan
        before, self._loading.loaded = self._loading.loaded, load
        if before is None or not only_patterns(before, load):
            self._controls.set(plan.bindings)
            self._connections.load(
                load, plan, running=self._transport.running, bpm=self._transport.bpm
            )
            self._controls.relight()
        self._transport.loaded()
        self._tell(Loaded(song=plan.song.id, project=plan.project, source=plan.source))

    def _learn(self, connection: Connection, message: Learn) -> None:
        del connection
        self._connections.inputs.learn(message.device, self._connections.outputs.by_id)

    def _shut_down(self, connection: Connection, message: Shutdown) -> None:
        del connection, message
        self._transport.halt()
        self._process.leave(tr("by a window"))

    def _about_peers(self, connection: Connection, message: AboutPeers) -> None:
        del connection
        self._peering.take(message, self._now_ns(), self._transport.downbeat_ns)

    def _clear(self, connection: Connection, message: ClearCounters) -> None:
        del connection, message
        for output in self._connections.outputs.by_id.values():
            output.clear()

    def _report(self, connection: Connection, message: AskReport) -> None:
        del message
        outputs = self._connections.outputs
        outputs.collect()
        most = REPORT_FIGURES // max(1, len(outputs.by_id))
        rows = tuple(output.report(most) for output in outputs.by_id.values())
        connection.send(FiguresReport(devices=rows))

    def _greet(self, connection: Connection, hello: Hello) -> None:
        player = self._transport.player
        plan = player.plan if player is not None else None
        connection.greeted = True
        connection.wants_status = hello.wants_status and hello.version == LINK_VERSION
        connection.network = hello.role == "network"
        connection.send(
            Welcome(
                version=LINK_VERSION,
                pid=os.getpid(),
                priority="fifo" if self._process.realtime else "none",
                priority_help=self._process.priority_help,
                project=plan.project if plan else "",
                source=plan.source if plan else "",
                song=plan.song.id if plan else "",
                running=self._transport.running,
            )
        )
        if connection.network:
            self._peering.greet(connection)
