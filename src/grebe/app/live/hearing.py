"""Boxes heard by their sound while something plays: a process with ears, how late each hit is."""

from __future__ import annotations

import subprocess
from collections import deque
from typing import Any, NamedTuple

import msgspec

from grebe.app.document.store import Store
from grebe.app.live.interfaces import known_late_ms
from grebe.app.live.notices import Notices
from grebe.app.live.position import DEVIATIONS_KEPT, Position
from grebe.core.rig.model import AudioPort, Device
from grebe.core.time.ticks import SIXTEENTH_TICKS
from grebe.process import children
from grebe.process.children import end_child
from grebe.process.told_lines import ToldLines
from grebe.protocols.link.messages import Deviation, Heard
from grebe.words import tr

WAITS_S = 5.0
"""An input that was lost is tried again after so long."""
SILENT = 1e-3
"""A channel whose loudest sample stays below this has nothing in it."""
FAR = 0.5
NO_MOMENT_LOOKS = 6
"""A channel that sounds for so many seconds without a hit has no moment."""


class EarHit(NamedTuple):
    """A hit of a box, against the song."""

    at_ns: int
    tick: int
    """The step it belongs to."""
    late_ms: float
    kind: int
    """Which of its sounds."""


class EarLane(NamedTuple):
    """A box's channel."""

    device: str
    at: AudioPort

    @property
    def name(self) -> str:
        """As the ears' process wants it."""
        return audio_name(self.at)


def audio_name(at: AudioPort) -> str:
    """An audio port as processes want it: "jack:CLIENT:PORT" or "2 of INTERFACE"; "" for none."""
    if at.wire == "jack":
        return f"jack:{at.name}"
    return f"{at.channel} of {at.name}" if at.is_set else ""


def port_named(name: str) -> AudioPort:
    """The other way round."""
    if name.startswith("jack:"):
        return AudioPort(wire="jack", name=name.removeprefix("jack:"))
    channel, _, interface = name.partition(" of ")
    return AudioPort(wire="audio", name=interface, channel=int(channel))


def all_of(at: AudioPort) -> str:
    """All inputs of the interface that a port is of."""
    if at.wire == "jack":
        return f"jack:{at.name.rpartition(':')[0]}:*"
    return f"* of {at.name}"


class EarChannel(msgspec.Struct):
    """What is known of a channel."""

    loudest: float = 0.0
    kinds: tuple[tuple[int, bool], ...] = ()
    """Of each of its sounds how many hits, and whether it swells."""
    sounding: int = 0
    """Looks in a row at which it sounded without a hit."""
    hits: int = 0

    @property
    def no_moment(self) -> bool:
        """Whether it only has sounds that begin too slowly to say when."""
        swells = bool(self.kinds) and all(slow for _, slow in self.kinds)
        return swells or self.sounding >= NO_MOMENT_LOOKS


class Hearing:
    """The ears of a window: starts a process that listens to boxes while somebody wants it, and
    keeps what was heard by box."""

    def __init__(self, store: Store, notices: Notices, position: Position) -> None:
        self._store, self._notices, self._position = store, notices, position
        self._process: subprocess.Popen[bytes] | None = None
        self._tells: ToldLines | None = None
        self._lanes: tuple[EarLane, ...] = ()
        self._open_names: tuple[str, ...] = ()
        self.searched: AudioPort | None = None
        """An interface all of whose channels are heard, to find whose they are: any port of it."""
        self._wanted: dict[str, bool] = {}
        """By who wants it, whether boxes are to be heard."""
        self._quieted: set[str] = set()
        self._again_s = 0.0
        self._waiting: deque[tuple[str, int, int]] = deque(maxlen=4096)
        """Hits whose place in the song is not known yet: (box, at_ns, kind)."""
        self.by_ear: dict[str, deque[EarHit]] = {}
        """By box its last hits, how late each was."""
        self.channels: dict[str, EarChannel] = {}
        self._events: list[Heard] = []
        self.problem = ""
        """Why nothing is heard."""
        self.lost = 0

    def want(self, who: str, *, on: bool) -> None:
        """Somebody wants boxes to be heard, or does no longer."""
        self._wanted[who] = on

    def quiet(self, who: str, *, on: bool) -> None:
        """Somebody has an interface for themselves, or does no longer."""
        (self._quieted.add if on else self._quieted.discard)(who)

    @property
    def lanes(self) -> tuple[EarLane, ...]:
        """The channels of all boxes that say where their sound comes in."""
        devices = self._store.project.rig.devices
        return tuple(EarLane(d.id, d.heard_at) for d in devices if d.heard_at.is_set)

    @property
    def active(self) -> bool:
        """Whether the ears are open."""
        return self._process is not None

    def forget(self, device: str) -> None:
        """What was heard of a box before says nothing any more, by ear or at a port."""
        self.by_ear.pop(device, None)
        self._position.deviations.pop(device, None)

    def pump(self, now_s: float) -> None:
        """Open or close the ears as is wanted; take in what they hear."""
        names = self._names()
        if names != self._open_names:
            self.close()
            self._open_names = names
            self._again_s = 0.0
        if names and self._process is None and now_s >= self._again_s:
            self._open()
        if self._process is not None:
            for told in self._told():
                self._take(told, now_s)
        self._place()

    def close(self) -> None:
        """Hear nothing more."""
        process, self._process = self._process, None
        if process is not None:
            end_child(process)
        self.channels, self.problem = {}, ""

    def take_events(self) -> list[Heard]:
        """Hits since this was asked last, for a check."""
        events, self._events = self._events, []
        return events

    def _names(self) -> tuple[str, ...]:
        """What is to be heard just now."""
        if self._quieted:
            return ()
        if self.searched is not None:
            return (all_of(self.searched),)
        return tuple(lane.name for lane in self.lanes) if any(self._wanted.values()) else ()

    def _open(self) -> None:
        pipe = subprocess.PIPE
        self._process = children.start(children.EARS, *self._open_names, stdin=pipe, stdout=pipe)
        self._tells = ToldLines(self._process)
        self._lanes = ()

    def _ready(self, names: list[str]) -> None:
        """The ears are open: each channel is a box's, or a stranger's under its own name."""
        at = self.searched
        self._lanes = self.lanes if at is None else tuple(
            EarLane(name, port_named(name)) for name in names
        )  # fmt: skip
        self.channels = {lane.device: EarChannel() for lane in self._lanes}

    def _told(self) -> list[dict[str, Any]]:
        assert self._tells is not None
        told = self._tells.read()
        return [{"lost": tr("the ears' process ended")}] if told is None else told

    def _take(self, told: dict[str, Any], now_s: float) -> None:
        if isinstance(told.get("lost"), str):
            self._lost(told["lost"], now_s)
        elif "ready" in told:
            self._ready(told["channels"])
        elif "hits" in told:
            for channel, at_ns, kind, _ in told["hits"]:
                lane = self._lanes[int(channel)]
                heard_ns = int(at_ns) - round(known_late_ms(lane.at) * 1e6)
                self._waiting.append((lane.device, heard_ns, int(kind)))
                self.channels[lane.device].hits += 1
                self._events.append(Heard(device=lane.device, at_ns=heard_ns))
            del self._events[:-4096]
        elif "channels" in told:
            self.lost = int(told["lost"])
            for lane, (loudest, kinds) in zip(self._lanes, told["channels"], strict=True):
                self._state(self.channels[lane.device], loudest, kinds)

    def _state(self, state: EarChannel, loudest: float, kinds: list[list[Any]]) -> None:
        count = sum(int(hits) for hits, _ in kinds)
        quiet = loudest < SILENT or count > sum(hits for hits, _ in state.kinds)
        state.sounding = 0 if quiet else state.sounding + 1
        state.loudest = loudest
        state.kinds = tuple((int(hits), bool(slow)) for hits, slow in kinds)

    def _lost(self, why: str, now_s: float) -> None:
        self.close()
        self._again_s = now_s + WAITS_S
        if why != self.problem:
            self._notices.say("warn", tr("Boxes cannot be heard by ear: {why}.", why=why))
        self.problem = why

    def _place(self) -> None:
        """Hits whose place in the song is known by now, and how late each is."""
        known_ns = self._position.known_until_ns
        while self._waiting and self._waiting[0][1] <= known_ns:
            device, at_ns, kind = self._waiting.popleft()
            place = self._position.place_at(at_ns)
            if place is None:
                continue
            step = round(place.tick / SIXTEENTH_TICKS) * SIXTEENTH_TICKS
            late_ms = (place.tick - step) / place.ticks_a_ms
            kept = self.by_ear.setdefault(device, deque(maxlen=DEVIATIONS_KEPT))
            kept.append(EarHit(at_ns, step, late_ms, kind))


def beats_by_ear(hits: deque[EarHit]) -> list[EarHit]:
    """Those that say how late a box is: on even sixteenths where enough fall there, since swing
    moves the others."""
    even = [hit for hit in hits if hit.tick % (2 * SIXTEENTH_TICKS) == 0]
    return even if len(even) >= FAR * len(hits) / 2 else list(hits)


def deviations_by_ear(device: Device, hits: deque[EarHit]) -> list[Deviation]:
    """The same as strips show them."""
    rows = beats_by_ear(hits)
    return [Deviation(device=device.id, tick=hit.tick, ms=hit.late_ms) for hit in rows]
