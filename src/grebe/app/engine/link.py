"""A window's link to the engine: found or started, lost, found again; what is said over it."""

from __future__ import annotations

from pathlib import Path
from typing import Literal, Protocol

from grebe.app.actions.keymap import told
from grebe.app.engine.client import EngineClient, check_version
from grebe.app.engine.supervisor import start_engine
from grebe.errors import EngineError, ProtocolError
from grebe.process.children import let_go
from grebe.process.places import engine_socket, read_back
from grebe.protocols.link.messages import FromEngine, Shutdown, Status, ToEngine, Welcome
from grebe.words import tr

LinkState = Literal["starting", "on", "other", "off"]
"""An engine is looked for; it plays for this project; for another; none is wanted any more."""

RETRY_S = 0.05
GIVE_UP_S = 10.0
UNFIT_RETRY_S = 5.0
"""An engine of another version is tried again after this: it may have been ended."""
SILENT_S = 1.5
"""An engine speaks thirty times a second."""
Level = Literal["info", "warn", "error"]


class LinkOwner(Protocol):
    """Who has a link: what it is told, and what is asked of it."""

    @property
    def source(self) -> str:
        """Where the project lies, as the engine is told; "" for one without a file."""

    @property
    def running(self) -> bool:
        """Whether something plays."""

    def say(self, level: Level, text: str) -> None:
        """Something for the performer to read."""

    def take(self, message: FromEngine, now_s: float) -> None:
        """The engine has said something."""

    def met(self, welcome: Welcome) -> None:
        """An engine is there for this project."""

    def lost(self) -> None:
        """It is gone; `running` is still what it was."""

    def starting(self) -> None:
        """An engine is started: so is what it needs."""


class Link(Protocol):
    """What a session needs of a link."""

    state: LinkState
    welcome: Welcome | None

    def tell(self, message: ToEngine) -> None:
        """Say something to the engine, where one is there for this project."""

    def pump(self, now_s: float) -> list[FromEngine]:
        """Take in what the engine says. Never waits."""

    def fileno(self) -> int | None:
        """Descriptor to be waited on, while connected."""

    def attach(self) -> Path | None:
        """The file of the project that the running engine plays, to be opened here; or None."""

    def end_engine(self) -> bool:
        """End the engine, whoever started it; whether there was one."""

    def close(self, *, keep_playing: bool = True) -> None:
        """Let go of the engine. It goes on by itself, or ends soon when nothing plays."""


class EngineLink:
    """The link to the engine of this user."""

    def __init__(self, owner: LinkOwner) -> None:
        self._owner = owner
        self.state: LinkState = "starting"
        self.welcome: Welcome | None = None
        self.client: EngineClient | None = None
        """The connection, while there is one."""
        self._next_try = 0.0
        self._trying_since: float | None = None
        self._silent_since: float | None = None
        """When the engine's silence began; None where it has been told, or nothing plays."""

    def tell(self, message: ToEngine) -> None:
        """Say something to the engine, where one is there for this project."""
        if self.client is not None and self.state == "on":
            self.client.send(message)

    def pump(self, now_s: float) -> list[FromEngine]:
        """Take in what the engine says; start one where there is none."""
        client = self.client
        if client is None:
            self._connect(now_s)
            return []
        messages: list[FromEngine] = []
        try:
            messages = client.pump()
            for message in messages:
                if isinstance(message, Welcome):
                    self._meet(message)
                else:
                    self._owner.take(message, now_s)
        except (ProtocolError, EngineError) as error:
            client.close()
            self._lose()
            self._owner.say("error", str(error))
            self._next_try = now_s + UNFIT_RETRY_S
            return messages
        self._mind_silence(messages, now_s)
        if not client.open:
            self._lose()
        return messages

    def fileno(self) -> int | None:
        """Descriptor of the engine's socket, while connected."""
        return self.client.fileno() if self.client is not None else None

    def attach(self) -> Path | None:
        """The file of the project that the running engine plays, to be opened here; or None."""
        if self.state != "other" or self.welcome is None or not self.welcome.source:
            return None
        return read_back(self.welcome.source)

    def end_engine(self) -> bool:
        """End the engine, whoever started it; whether there was one."""
        if self.client is None:
            return False
        self.client.send(Shutdown())
        return True

    def close(self, *, keep_playing: bool = True) -> None:
        """Let go of the engine. It goes on by itself, or ends soon when nothing plays."""
        if self.client is not None:
            if not keep_playing:
                self.client.send(Shutdown())
            self.client.close()
            self.client = None
        self.state = "off"

    def _mind_silence(self, messages: list[FromEngine], now_s: float) -> None:
        """An engine that is there and says nothing while it plays: once, as long as it lasts."""
        if any(isinstance(m, Status) for m in messages) or not self._owner.running:
            self._silent_since = now_s
        elif self._silent_since is not None and now_s - self._silent_since > SILENT_S:
            self._silent_since = None
            self._owner.say(
                "error",
                tr(
                    "The engine has said nothing for {silent_s:g} s: it is stopped, or gets "
                    "no processor. What is shown may be past. {stop_engine} ends it.",
                    silent_s=SILENT_S,
                    stop_engine=told("stop_engine"),
                ),
            )

    def _connect(self, now_s: float) -> None:
        if self.state == "off" or now_s < self._next_try:
            return
        self._next_try = now_s + RETRY_S
        try:
            self.client = EngineClient(engine_socket())
        except EngineError as error:
            if self._trying_since is None:
                self._trying_since = now_s
                self._owner.starting()
                let_go(start_engine())
            elif now_s - self._trying_since > GIVE_UP_S:
                self.state = "off"
                self._owner.say("error", tr("The engine does not start: {error}", error=error))
            return
        self._trying_since = None

    def _meet(self, welcome: Welcome) -> None:
        check_version(welcome)
        self.welcome = welcome
        if welcome.running and welcome.source != self._owner.source:
            self.state = "other"
            self._owner.say(
                "warn",
                tr(
                    "An engine is playing {project}. Attach to it, or end it and have one "
                    "for this project.",
                    project=welcome.project,
                ),
            )
            return
        self.state = "on"
        self._owner.met(welcome)

    def _lose(self) -> None:
        self.client, self.welcome = None, None
        self._owner.lost()
        if self.state == "on":
            self._owner.say("error", tr("The engine ended. Another is being started."))
        self.state = "starting"
        self._trying_since = None
        self._next_try = 0.0
