"""What the engine is to play, cut out of the document and sent whenever that has changed."""

from __future__ import annotations

from collections.abc import Callable

import msgspec

from grebe.app.document.store import Store
from grebe.app.engine.link import Level, Link
from grebe.app.engine.plan_sender import PlanSender
from grebe.app.engine.supervisor import load_message
from grebe.app.live.selection import Selection
from grebe.app.live.teaching import Teaching, teach_plan
from grebe.core.player.plan import Plan, make_plan, make_set_plan
from grebe.core.songs.model import Song
from grebe.core.songs.tempo_scale import scaled
from grebe.errors import EditError
from grebe.process.places import written
from grebe.words import tr


class PlanFeed:
    """Keeps the engine on the document as it stands."""

    def __init__(
        self,
        store: Store,
        selection: Selection,
        link: Link,
        say: Callable[[Level, str], None],
        sent: Callable[[], None],
    ) -> None:
        """`sent` is told whenever the engine has been given something else."""
        self._store = store
        self._selection = selection
        self._link = link
        self._say = say
        self._sent = sent
        self._sender = PlanSender()
        self._changed = False
        self.teaching: Teaching | None = None
        """What is taught to a box, instead of anything else."""
        self.tempo_scale = 1.0
        """What is played, slower for practice: a share of its tempi."""

    @property
    def source(self) -> str:
        """Where the project lies, as the engine is told; "" for one without a file."""
        home = self._store.home
        return written(home.resolve()) if home else ""

    @property
    def count_in_bars(self) -> int:
        """Bars that the rig counts in."""
        return self._store.project.rig.count_in.bars

    def document_changed(self) -> None:
        """Send it when there is time."""
        self._changed = True

    def forget(self, *, send: bool = False) -> None:
        """The engine has something else: all of it goes the next time."""
        self._sender.forget()
        self._changed |= send

    def send_if_changed(self) -> None:
        """Send what has changed since, if anything has."""
        if self._changed and self._link.state == "on":
            self.send()

    def send(self) -> None:
        """Send what is to be played now."""
        self._changed = False
        song = self._selection.song
        if song is None or self._link.state != "on":
            return
        try:
            plan = self._plan(song)
        except EditError as error:
            self._say("error", tr("{error}. What played before plays on.", error=error))
            return
        for message in self._sender.messages(load_message(self._store.project, plan)):
            self._link.tell(message)
        self._sent()

    def _plan(self, song: Song) -> Plan:
        """What the engine is to play. EditError where that cannot be cut."""
        project, selection = self._store.project, self._selection
        if self.teaching is not None:
            return teach_plan(project, self.teaching, song.bpm, self.source)
        running = selection.running_set
        if selection.joined() is not None and running is not None:
            plan = make_set_plan(project, running, self.source, dropped=selection.dropped)
        else:
            plan = make_plan(project, song, self.source)
        return msgspec.structs.replace(plan, song=scaled(plan.song, self.tempo_scale))
