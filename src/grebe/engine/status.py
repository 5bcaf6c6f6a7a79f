"""What windows are told thirty times a second: where the playing is, and how every box is doing."""

from __future__ import annotations

import msgspec

from grebe.core.player.happened import Happened
from grebe.core.player.player import Player
from grebe.core.player.promise import LineState, Promise
from grebe.core.sync.timeline import SongTimeline
from grebe.engine.connections import Connections
from grebe.engine.controls import Controls
from grebe.engine.listening import Listening
from grebe.engine.peering import Peering
from grebe.engine.playing_in import PlayingIn
from grebe.engine.transport import Transport
from grebe.engine.watch import InputWatch
from grebe.protocols.link.messages import Status


class StatusReport:
    """Puts it together from those who know."""

    def __init__(
        self,
        connections: Connections,
        transport: Transport,
        controls: Controls,
        *,
        listening: Listening,
        playing_in: PlayingIn,
        peering: Peering,
        watch: InputWatch,
    ) -> None:
        self._connections = connections
        self._transport = transport
        self._controls = controls
        self._listening = listening
        self._playing_in = playing_in
        self._peering = peering
        self._watch = watch
        self._next: tuple[str, int, bool] = ("", 0, False)
        """The section that is next, where it comes in, whether it was launched."""
        self._coming: Promise | None = None
        self._lines: tuple[LineState, ...] = ()
        self._last_word = 0

    def status(self, now: int) -> Status:
        """How things stand at a time."""
        player, timeline = self._transport.player, self._transport.timeline
        section, section_tick = self._transport.section
        self._look_ahead(player, timeline, section)
        source, heard = self._connections.sources.current, self._listening.heard(timeline, now)
        outputs = self._connections.outputs
        deviations = (
            *(d for o in outputs.by_id.values() for d in o.deviations()),
            *self._listening.departures(timeline, heard),
        )
        return msgspec.structs.replace(
            place_of(player, timeline, now),
            section=section,
            section_tick=section_tick,
            next_section=self._next[0],
            boundary=self._next[1],
            launched=self._next[2],
            last_word=self._last_word,
            lines=self._lines,
            happened=taken(player),
            coming=self._coming,
            devices=outputs.statuses(),
            overruns=self._connections.ports.overruns,
            peers=self._peering.status(now),
            deaf=self._controls.deaf(),
            follows=source.device,
            hearing=self._watch.hearing,
            heard_bpm=source.bpm,
            heard_jitter_ms=source.jitter_ms,
            heard_off_ms=source.off_ms(now),
            heard=heard,
            played=self._playing_in.told(timeline),
            deviations=deviations,
        )

    def _look_ahead(
        self, player: Player | None, timeline: SongTimeline | None, section: str
    ) -> None:
        """While the player is already in the coming section, what was true of this one stays on
        show until it is over."""
        if timeline is None:
            self._next, self._last_word = ("", 0, False), 0
            self._coming, self._lines = None, ()
        if player is not None and (timeline is None or player.section == section):
            self._next = (player.next_section, player.boundary, player.launched)
            self._last_word = player.last_word if timeline is not None else 0
            self._coming, self._lines = player.promise(), player.now


def taken(player: Player | None) -> tuple[Happened, ...]:
    """What happened since this was asked last."""
    if player is None:
        return ()
    happened = tuple(player.happened)
    player.happened.clear()
    return happened


def place_of(player: Player | None, timeline: SongTimeline | None, now: int) -> Status:
    """Where the playing is and what is silent, as the player has it; the engine adds the rest."""
    if player is None:
        return Status(at_ns=now, running=timeline is not None)
    tick = 0.0 if timeline is None else timeline.tick_at(now)
    return Status(
        at_ns=now,
        running=timeline is not None,
        tick=tick,
        bpm=player.plan.song.bpm if timeline is None else timeline.bpm_at(int(tick)),
        carried=player.carried,
        held=player.held,
        solos=player.solos,
        mutes=player.mutes,
        mutes_by_hand=player.mutes_by_hand,
        mutes_kept=player.mutes_kept,
        dice_held=player.under_hand.dice,
        tracks=player.tracks,
        loop=player.loop,
    )
