"""What is done with boxes that are heard by ear, as keys and menus ask for it. Without Qt."""

from __future__ import annotations

import json
import subprocess
import time
from collections.abc import Callable
from datetime import date

from grebe.app.doing import does
from grebe.app.editors.rig_hand import RigHand
from grebe.app.live.hearing import audio_name
from grebe.app.live.interfaces import CableLoop, keep_loop
from grebe.app.live.session import Session
from grebe.core.rig.model import AudioPort, Device
from grebe.errors import EditError
from grebe.process import children
from grebe.process.children import end_child
from grebe.words import counted, tr

MEANT_S = 8.0
JACK_OUT = "system:playback_1"


class EarActions:
    """Channels found, an interface's lateness measured, all offsets set, one's own timing."""

    def __init__(self, session: Session, device: Callable[[], Device | None]) -> None:
        """`device` is the box in hand."""
        self._session, self._device = session, device
        self._asked_s = float("-inf")
        self._loop: tuple[subprocess.Popen[bytes], AudioPort] | None = None

    @does("find_channels")
    def find_channels(self) -> None:
        """Whose is which channel: the boxes are muted one after another."""
        device = self._device()
        if device is not None:
            self._session.channel_search.begin(device.heard_at)

    @does("loop_latency")
    def loop_latency(self) -> None:
        """How late the interface of the box in hand hears: by a loop of cable. Asked twice."""
        device = self._device()
        if device is None or not device.heard_at.is_set:
            raise EditError(tr("choose in the Rig at which channel this box is heard"))
        if self._session.running:
            raise EditError(tr("stop first: clicks are played into the cable"))
        if self._loop is not None:
            raise EditError(tr("it is being measured"))
        out, into = out_of(device.heard_at), device.heard_at
        now_s = time.monotonic()
        if now_s - self._asked_s > MEANT_S:
            self._asked_s = now_s
            self._session.say(
                "warn",
                tr("Run one cable from {out} to {into}, with nothing else at {out}: clicks are "
                   "played there, which speakers and ears must not get. The same again does it.",
                   out=audio_name(out), into=audio_name(into)),
            )  # fmt: skip
            return
        self._asked_s = float("-inf")
        self._session.hearing.quiet("loop", on=True)
        self._session.hearing.close()
        process = children.start(
            children.CABLE_LOOP, audio_name(out), audio_name(into), stdout=subprocess.PIPE
        )
        self._loop = (process, into)
        self._session.say("info", tr("Twelve clicks are played into the cable."))

    def follow(self) -> None:
        """Take what a loop of cable has come to, once it has."""
        if self._loop is None or self._loop[0].poll() is None:
            return
        (process, at), self._loop = self._loop, None
        self._session.hearing.quiet("loop", on=False)
        assert process.stdout is not None
        told = json.loads(process.stdout.read() or b"{}")
        end_child(process)
        if "frames" not in told:
            why = told.get("lost", tr("it could not be measured"))
            self._session.say("warn", tr("No loop: {why}.", why=why))
            return
        ms = 1e3 * told["frames"] / told["rate"]
        loop = CableLoop(round_trip_ms=ms, frames=told["frames"], rate=told["rate"],
                    day=date.today().isoformat())  # fmt: skip
        problem = keep_loop(at, loop)
        self._session.say(
            "warn" if problem else "info",
            problem or tr("There and back {frames:g} samples, {ms:.2f} ms; half of it is taken off "
                          "what is heard there.", frames=told["frames"], ms=ms),
        )  # fmt: skip

    @does("set_all_offsets")
    def set_all_offsets(self) -> None:
        """Set the offset of every box that a check found one for."""
        session, hand = self._session, RigHand(self._session)
        count = 0
        for box, result in session.checking.check.results.items():
            device = session.project.rig.find(box)
            if device is not None and result.set_ms is not None and (
                result.offset_ms == device.offset_ms
            ):  # fmt: skip
                hand.set_offset(device, result.set_ms)
                session.hearing.forget(box)
                count += 1
        if not count:
            raise EditError(tr("no box that was checked needs another offset"))
        session.say("info", tr("Set: {offsets}. Check again, and what it brought is shown.",
                               offsets=counted(count, "offset")))  # fmt: skip

    @does("take_habit")
    def take_habit(self) -> None:
        """Take the foot's habit off when it closes loops."""
        self._session.say("info", self._session.own_timing.take_habit())

    @does("forget_timing")
    def forget_timing(self) -> None:
        """Begin one's own timing afresh."""
        self._session.own_timing.forget()
        self._session.say("info", tr("Your timing is measured afresh."))


def out_of(at: AudioPort) -> AudioPort:
    """The output that a loop of cable runs from, of the interface of an input."""
    if at.wire == "jack":
        return AudioPort(wire="jack", name=JACK_OUT)
    return AudioPort(wire="audio", name=at.name, channel=1)
