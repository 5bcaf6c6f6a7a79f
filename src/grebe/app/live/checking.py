"""Hearing what boxes do: the sound check, and what real boxes play for their strips."""

from __future__ import annotations

from collections.abc import Callable, Iterable, Sequence
from datetime import datetime

from grebe.app.document.store import Store
from grebe.app.engine.link import Link
from grebe.app.live.hearing import Hearing
from grebe.app.live.notices import Notices
from grebe.app.live.position import Position
from grebe.app.live.sound_check import Result, SoundCheck, heed_of, what_to_do
from grebe.app.log.book import LogBook
from grebe.app.log.rows import check_row
from grebe.core.player.commands import Hold
from grebe.core.rig.model import Device
from grebe.protocols.link.messages import Listen, Status
from grebe.words import tr


def brought(results: Iterable[Result]) -> str:
    """What setting offsets has brought, where boxes were checked before: the furthest off, then and
    now. "" where none was."""
    twice = [
        (abs(r.before.offset_ms), abs(r.measured.offset_ms))
        for r in results
        if r.before is not None and r.before.offset_ms is not None
        and r.measured.offset_ms is not None
    ]  # fmt: skip
    if not twice:
        return ""
    before, now = (max(row[n] for row in twice) for n in (0, 1))
    return " " + tr(
        "The furthest off was {before:.1f} ms, and is {now:.1f}.", before=before, now=now
    )


class Checking:
    """Listens to boxes over some bars; watches those that cannot say when they play."""

    def __init__(
        self,
        store: Store,
        link: Link,
        notices: Notices,
        position: Position,
        run: Callable[[], None],
        hearing: Hearing,
        log: LogBook,
    ) -> None:
        """`run` has the song play; what is found goes into the log."""
        self._store = store
        self._link = link
        self._notices = notices
        self._position = position
        self._run = run
        self._hearing = hearing
        self._log = log
        self.check = SoundCheck()
        """What is listened to, and what came out of it."""
        self._holds = False
        self._watching = self._plays = False
        self._listened = False
        """Whether the engine has been asked to listen to anything."""

    def tell_again(self) -> None:
        """Another plan was sent: what is listened to is said again."""
        if self._watching or self.check.active:
            self._tell_listen()

    def take(self, status: Status) -> None:
        """Go on with the sound check; the section that plays is held meanwhile."""
        if status.running != self._plays:  # at a gig they are heard all the time
            self._plays = status.running
            self._tell_listen()
        begun = status.running and status.tick > status.section_tick
        if self.check.active and begun and not status.held and not self._holds:
            self._holds = True
            self._link.tell(Hold(on=True))
        if self.check.take((*self._hearing.take_events(), *status.heard)):
            self._checked(status)

    def watch(self, *, on: bool) -> None:
        """Hear what real boxes play as it comes, for their strips; stand-ins say it themselves."""
        self._watching = on
        self._hearing.want("sync", on=on)
        self._tell_listen()

    def _tell_listen(self) -> None:
        heeds = dict(self.check.devices)
        if self._watching or self._plays:
            for device in self._store.project.rig.devices:
                heed = heed_of(device)
                if heed is not None and not device.port.is_standin:
                    heeds.setdefault(device.id, heed)
        if heeds or self._listened:
            self._link.tell(Listen(devices=heeds, asked=self.check.active))
        self._listened = bool(heeds)

    def _let_go(self) -> None:
        self.check.cancel()
        self._tell_listen()
        if self._holds:
            self._holds = False
            self._link.tell(Hold(on=False))

    def _checked(self, status: Status) -> None:
        """A pass of the sound check is complete: keep it, log it, say it."""
        done = self.check.finish(self._store.project, status.bpm, datetime.now().astimezone())
        self._let_go()
        project = self._store.project
        self._log.add(*(check_row(project, device, result) for device, result in done.items()))
        if len(done) == 1:
            ((device, result),) = done.items()
            name = project.rig.name_of(device)
            self._notices.say("info", f"{name}: {result.measured.sentence}")
        else:
            good = sum(r.measured.verdict == "good" for r in done.values())
            words = tr("Checked {count} boxes: {good} are good.", count=len(done), good=good)
            self._notices.say("info", words + brought(done.values()))

    def begin(self, devices: Sequence[Device], *, notes: bool = False) -> None:
        """Listen to devices over some bars, running if nothing runs yet."""
        heeds = {d.id: heed for d in devices if (heed := heed_of(d, notes=notes)) is not None}
        if not heeds:
            first = devices[0] if devices else None
            words = (
                what_to_do(self._store.project.rig, first, None)
                if first
                else tr("There are no boxes.")
            )
            self._notices.say("warn", words)
            return
        self.check.begin(heeds)
        self._tell_listen()
        if not self._position.running:
            self._run()
        self._notices.say(
            "info", tr("Listening for {bars} bars; Esc gives up.", bars=self.check.bars)
        )

    def end(self) -> bool:
        """Give up listening; whether something was listened to."""
        if not self.check.active:
            return False
        self._let_go()
        self._notices.say("info", tr("Listened no further; nothing was kept of it."))
        return True
