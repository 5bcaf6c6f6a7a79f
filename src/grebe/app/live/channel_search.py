"""Which channel of an interface is whose: boxes are muted one after another, and listened to."""

from __future__ import annotations

from collections.abc import Callable
from functools import partial
from typing import NamedTuple

import msgspec

from grebe.app.document.store import Store
from grebe.app.engine.link import Link
from grebe.app.live.hearing import Hearing, port_named
from grebe.app.live.notices import Notices
from grebe.app.live.position import Position
from grebe.core.document import Project, with_device
from grebe.core.player.commands import Hold, Mute
from grebe.core.rig.model import AudioPort, Device
from grebe.core.sync.whose import Muted, Whose, whose_channels
from grebe.core.time.ticks import TICKS_PER_QUARTER
from grebe.errors import EditError
from grebe.protocols.link.messages import Status
from grebe.words import counted, tr

BAR = 4 * TICKS_PER_QUARTER
OPEN_BARS, MUTE_BARS, HAND_BARS = 2, 2, 3
"""Bars with all of them; with one silent; the same where a hand has to do it."""
RINGS = BAR // 2
"""A box that was just muted rings on for so long."""


class MutedTurn(NamedTuple):
    """One box's silence."""

    device: Device
    first: int
    last: int
    by_hand: bool


class ChannelSearch:
    """One search at a time, while the song plays."""

    def __init__(
        self, store: Store, link: Link, notices: Notices, position: Position, hearing: Hearing,
        run: Callable[[], None],
    ) -> None:  # fmt: skip
        """`run` has the song play."""
        self._store, self._link, self._notices = store, link, notices
        self._position, self._hearing, self._run = position, hearing, run
        self._boxes: list[Device] = []
        self._turns: list[MutedTurn] = []
        self._now: MutedTurn | None = None
        self._first = 0

    @property
    def active(self) -> bool:
        """Whether it listens."""
        return bool(self._boxes)

    def begin(self, at: AudioPort) -> None:
        """Find whose the channels of an interface are. EditError where there is nothing to find."""
        if not at.is_set:
            raise EditError(
                tr("choose in the Rig at which channel this box is heard: any of its interface")
            )
        playing = self._position.playing
        boxes = [
            d for d in self._store.project.rig.devices
            if d.port.is_set and not d.port.is_standin and d.kind not in ("controller", "relay")
            and (playing is None or playing.scene.part(d.id).chain)
        ]  # fmt: skip
        if not boxes:
            raise EditError(tr("no box plays here that could be muted"))
        self._boxes, self._turns, self._now = boxes, [], None
        self._hearing.searched = at
        if not self._position.running:
            self._run()
        self._notices.say(
            "info",
            tr("Each box is muted for two bars; {bars} in all. Esc gives up.",
               bars=counted(OPEN_BARS + sum(map(_bars, boxes)), "bar")),
        )  # fmt: skip

    def take(self, status: Status) -> None:
        """Go on with it as the song goes."""
        if not self._boxes:
            return
        if not status.running:
            if self._turns:
                self.end()
            return
        if not self._hearing.channels:
            return  # the ears are still opened
        if not self._turns:
            self._link.tell(Hold(on=True))
            self._plan(int(status.tick))
        turn = next((t for t in self._turns if t.first <= status.tick < t.last), None)
        if turn != self._now:
            self._tell(self._now, on=False)
            self._now = turn
            self._tell(turn, on=True)
        if status.tick >= self._turns[-1].last + RINGS:
            self._found(int(status.tick))

    def _plan(self, tick: int) -> None:
        self._first = (tick // BAR + 1) * BAR
        at = self._first + OPEN_BARS * BAR
        for device in self._boxes:
            last = at + _bars(device) * BAR
            self._turns.append(MutedTurn(device, at, last, _by_hand(device)))
            at = last

    def _tell(self, turn: MutedTurn | None, *, on: bool) -> None:
        if turn is None:
            return
        if turn.by_hand:
            box = turn.device.name
            words = tr("Mute {box} now.", box=box) if on else tr("{box} may sound again.", box=box)
            self._notices.say("warn" if on else "info", words)
        else:
            self._link.tell(Mute(device=turn.device.id, on=on))

    def end(self) -> bool:
        """Give up; whether it was on."""
        if not self._boxes:
            return False
        self._tell(self._now, on=False)
        self._boxes, self._turns, self._now = [], [], None
        self._hearing.searched = None
        self._link.tell(Hold(on=False))
        return True

    def _found(self, tick: int) -> None:
        hits = {
            name: [float(hit.tick) for hit in self._hearing.by_ear.get(name, ())]
            for name in self._hearing.channels
        }
        muted = [
            Muted(t.device.id, t.first + RINGS + (BAR if t.by_hand else 0), t.last)
            for t in self._turns
        ]
        found = whose_channels(hits, muted, self._first, tick)
        self.end()
        if found.channels:
            self._store.apply(tr("Channels of boxes"), lambda project: _with(project, found))
        self._notices.say("info" if found.channels else "warn", self._words(found))

    def _words(self, found: Whose) -> str:
        name_of = self._store.project.rig.name_of
        rows = [f"{name_of(box)}: {channel}" for channel, box in found.channels.items()]
        words = [tr("Heard: {rows}.", rows=", ".join(rows)) if rows
                 else tr("No channel fell silent with a box.")]  # fmt: skip
        if found.unclear:
            words.append(tr("Of several boxes, or none: {names}.", names=", ".join(found.unclear)))
        return " ".join(words)


def _by_hand(device: Device) -> bool:
    return device.plays == "own" and device.mute_controller is None


def _bars(device: Device) -> int:
    return HAND_BARS if _by_hand(device) else MUTE_BARS


def _with(project: Project, found: Whose) -> Project:
    for channel, box in found.channels.items():
        at = port_named(channel)
        project = with_device(project, box, partial(_heard_at, at=at))
    return project


def _heard_at(device: Device, at: AudioPort) -> Device:
    return msgspec.structs.replace(device, heard_at=at)
