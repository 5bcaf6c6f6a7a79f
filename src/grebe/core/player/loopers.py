"""Loop tracks as Grebe tells a looper to run them: states, armed starts and stops, a guard.

What is asked for waits for a bar line or for the loop's own end. What a looper itself does
without being told is not known here.
"""

from __future__ import annotations

from collections.abc import Iterable, Iterator
from typing import Annotated, Literal

import msgspec
from msgspec import Meta

from grebe.core.player.events import ControlChange, Due
from grebe.core.rig.model import Device
from grebe.core.units import MAX_BPM, Value
from grebe.errors import EditError
from grebe.words import tr

TrackState = Literal["empty", "recording", "playing", "overdubbing", "stopped"]
TrackAct = Literal["record", "play", "stop"]
TrackDo = Literal["next", "record", "play", "stop"]
TrackAt = Literal["now", "bar", "loop"]
_AFTER: dict[TrackState, TrackAct] = {
    "empty": "record", "recording": "play", "playing": "record", "overdubbing": "play",
    "stopped": "play",
}  # fmt: skip
"""What a press without another word does: record, close it, overdub, close it, start."""


class TrackCommand(Value, frozen=True, kw_only=True, tag="track"):
    """A loop track is to do something; asked again while it waits, it is taken back."""

    device: str
    number: Annotated[int, Meta(ge=1, le=64)]
    do: TrackDo = "next"
    at: TrackAt = "bar"
    bars: Annotated[int, Meta(ge=0, le=64)] = 0
    """Of a recording: it ends by itself after so many bars; 0: when it is asked to."""
    ticks: Annotated[int, Meta(ge=0)] = 0
    """Of a recording that is closed while nothing runs, and no ticks pass: how long it is."""
    bpm: Annotated[float, Meta(ge=0, le=MAX_BPM)] = 0.0
    """The tempo that makes it that long."""


class LoopTrack(Value, frozen=True, kw_only=True):
    """One track of a looper."""

    device: str
    number: int
    state: TrackState = "empty"
    ticks: int = 0
    """Length of what is recorded; 0 while there is nothing, or while it plays: not known, since
    it was not recorded through Grebe."""
    since: int = 0
    """Tick at which it began to run, or to record."""
    bpm: float = 0.0
    """Tempo it was recorded at."""
    armed: Literal["", "record", "play", "stop"] = ""
    armed_at: int = 0
    """Tick at which that happens."""

    @property
    def runs(self) -> bool:
        """Whether it sounds or takes sound in."""
        return self.state in ("recording", "playing", "overdubbing")


class Loopers:
    """The tracks of all loopers that Grebe can tell what to do."""

    def __init__(self, devices: Iterable[Device]) -> None:
        self._devices = {d.id: d for d in devices if d.spec.loop_control is not None}
        self.tracks: dict[tuple[str, int], LoopTrack] = {
            (d.id, n): LoopTrack(device=d.id, number=n)
            for d in self._devices.values()
            for n in range(1, d.spec.loop_tracks + 1)
        }

    def take(self, devices: Iterable[Device]) -> None:
        """The rig was edited: tracks that are still there keep what they hold."""
        kept, before = Loopers(devices), self.tracks
        self._devices = kept._devices
        self.tracks = {k: before.get(k, t) for k, t in kept.tracks.items()}

    def ask(self, command: TrackCommand, tick: int, origin: int, bar: int, bpm: float) -> int:
        """Arm a track; the tick at which it acts, or -1 where what waited was taken back.

        Bars count from `origin`. EditError where there is no such track.
        """
        key = (command.device, command.number)
        track = self.tracks.get(key)
        if track is None:
            raise EditError(
                tr(
                    "there is no loop track {command_number} that Grebe can tell",
                    command_number=command.number,
                )
            )
        act = _AFTER[track.state] if command.do == "next" else command.do
        if track.armed and command.do in ("next", track.armed):
            self._set(key, armed="", armed_at=0)
            return -1
        at = tick
        if command.at == "bar":
            at = origin + -(-(tick - origin) // bar) * bar
        elif command.at == "loop":
            at = self._loop_end(command.device, tick, origin, bar)
        self._set(key, armed=act, armed_at=at, bpm=bpm if act == "record" else track.bpm)
        if command.ticks and track.state == "recording":
            self._set(key, since=at - command.ticks, bpm=command.bpm or track.bpm)
        return at

    def _loop_end(self, device: str, tick: int, origin: int, bar: int) -> int:
        """The next end of the longest loop that runs; the next bar line while none does."""
        running = [t for (d, _), t in self.tracks.items() if d == device and t.runs and t.ticks]
        if not running:
            return origin + -(-(tick - origin) // bar) * bar
        longest = max(running, key=lambda t: t.ticks)
        return longest.since + -(-(tick - longest.since) // longest.ticks) * longest.ticks

    def fall(self, device: str, number: int, tick: int) -> list[Due]:
        """What was armed for this tick happens; what is to be sent for it."""
        key = (device, number)
        track = self.tracks.get(key)
        if track is None or not track.armed or track.armed_at != tick:
            return []  # taken back, or armed for another moment since
        act = track.armed
        self._set(key, armed="", armed_at=0)
        return self.act(device, number, act, tick)

    def act(self, device: str, number: int, act: TrackAct, tick: int) -> list[Due]:
        """A track does something now; the message that tells the looper."""
        key = (device, number)
        track, box = self.tracks[key], self._devices[device]
        control = box.spec.loop_control
        assert control is not None
        if act == "record":
            again = track.state in ("playing", "overdubbing")
            state: TrackState = "overdubbing" if again else "recording"
            since = track.since if again else tick
            self._set(key, state=state, since=since, ticks=track.ticks if again else 0)
        elif act == "stop":
            ticks = tick - track.since if track.state == "recording" else track.ticks
            holds = ticks or track.state in ("playing", "overdubbing", "stopped")
            self._set(key, state="stopped" if holds else "empty", ticks=ticks)
        elif track.state == "recording":
            self._set(key, state="playing", ticks=max(1, tick - track.since))
        elif track.state == "overdubbing":
            self._set(key, state="playing")
        else:  # what a foot put there plays, too
            self._set(key, state="playing", since=tick)
        number_of = {"record": control.record, "play": control.play, "stop": control.stop}
        change = ControlChange(channel=box.channel, controller=number_of[act], value=number)
        return [(tick, device, change)]

    def want(
        self, device: str, wanted: Iterable[int], tick: int, *, opening: bool = False
    ) -> list[Due]:
        """A scene says which tracks play: others stop, those start that do not run.

        What a hand started before the run (`opening`) plays on in the scene it begins with.
        """
        chosen = set(wanted)
        out: list[Due] = []
        for (owner, number), track in self.tracks.items():
            if owner != device or track.state == "recording":
                continue
            if number in chosen and not track.runs:
                out += self.act(device, number, "play", tick)
            elif number not in chosen and track.runs and not opening:
                out += self.act(device, number, "stop", tick)
                # What waited was meant for what ran: over it, not anew.
                self._set((owner, number), armed="", armed_at=0)
        return out

    def guard(self, device: str, wanted: Iterable[int] | None, tick: int) -> list[Due]:
        """Before Start: tracks that are not wanted are told to stop, so that it does not bring
        them in. Without a word from the scene no track is wanted."""
        box, chosen = self._devices.get(device), set(wanted or ())
        if box is None or not box.spec.starts_all:
            return []
        out: list[Due] = []
        for (owner, number), track in list(self.tracks.items()):
            if owner == device and number not in chosen and not track.runs:
                out += self.act(device, number, "stop", tick)
        return out

    def begin(self, base: int) -> None:
        """A run begins: what runs already, begun by a hand, counts from there."""
        for key, track in self.tracks.items():
            if track.runs:
                self._set(key, since=base)

    def halt(self) -> None:
        """Everything stops: loops stand, what was being recorded is closed, nothing waits."""
        for key, track in self.tracks.items():
            if track.runs or track.armed:
                holds = track.ticks or track.state in ("playing", "overdubbing")
                state: TrackState = "stopped" if holds else "empty"
                self._set(key, state=state if track.runs else track.state, armed="", armed_at=0)

    def running(self) -> Iterator[LoopTrack]:
        """Tracks that sound."""
        return (t for t in self.tracks.values() if t.runs)

    def _set(self, key: tuple[str, int], **fields: object) -> None:
        self.tracks[key] = msgspec.structs.replace(self.tracks[key], **fields)
