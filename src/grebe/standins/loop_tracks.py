"""The loop tracks of a stand-in looper: what each does, told by controllers, for its speaker.

It records what the other stand-ins sound and plays it back; Start brings in every track that
holds something and was not told to stop.
"""

from __future__ import annotations

from typing import Literal, NamedTuple

from grebe.core.rig.spec import LoopControl

MOST_TRACKS = 64
Act = Literal["record", "overdub", "play", "stop"]


class LoopAct(NamedTuple):
    """A track does something, for whoever makes it heard."""

    track: int
    act: Act
    at_ns: int


class LoopTracks:
    """Tracks by number: what they do, and whether there is anything on them."""

    def __init__(self) -> None:
        self.doing: dict[int, Act] = {}
        """What each track that holds something, or takes something in, does."""
        self.acts: list[LoopAct] = []
        """What has happened since this was emptied last."""
        self._kept_out: set[int] = set()
        """Tracks that were told to stop: Start does not bring them in."""

    def told(self, control: LoopControl | None, controller: int, value: int, at_ns: int) -> bool:
        """A controller comes in; whether it was about a track."""
        if control is None or controller not in (control.record, control.play, control.stop):
            return False
        if not 1 <= value <= MOST_TRACKS:
            return True
        doing = self.doing.get(value)
        if controller == control.record:
            if doing in ("record", "overdub"):
                self._do(value, "play", at_ns)
            else:
                self._do(value, "overdub" if doing == "play" else "record", at_ns)
        elif controller == control.play:
            if doing is not None:
                self._do(value, "play", at_ns)
        else:
            self._kept_out.add(value)
            if doing is not None and doing != "stop":
                self._do(value, "stop", at_ns)
        return True

    def _do(self, track: int, act: Act, at_ns: int) -> None:
        if act != "stop":
            self._kept_out.discard(track)
        self.doing[track] = act
        self.acts.append(LoopAct(track, act, at_ns))

    def start_all(self, at_ns: int) -> None:
        """The box is started: everything on it runs, but for what was told to stop."""
        for track in sorted(self.doing):
            if track not in self._kept_out and self.doing[track] == "stop":
                self._do(track, "play", at_ns)

    def halt(self, at_ns: int) -> None:
        """The box is stopped: tracks stand, but run again when it is started."""
        for track, doing in self.doing.items():
            if doing != "stop":
                self.doing[track] = "stop"
                self.acts.append(LoopAct(track, "stop", at_ns))
