"""The guided check: what a device plays over some bars, beside the beats it should play on.

Without Qt and without waiting: the engine's words go in, results come out.
"""

from __future__ import annotations

from collections.abc import Sequence
from datetime import datetime

import msgspec

from grebe.core.document import Project
from grebe.core.gear.known import gear_of
from grebe.core.gear.model import Outcome, Trial, trial_of
from grebe.core.numeric import np
from grebe.core.rig.model import GREBE_ID, Device, Rig
from grebe.core.sync.measure import measure
from grebe.core.sync.measured import Measured
from grebe.core.units import OffsetMs, held_in
from grebe.protocols.link.messages import Heard, Heed
from grebe.words import tr

BARS = 16
BEATS_A_BAR = 4
"""A bar of the check has four quarter notes, whatever the song's metre."""


class Result(msgspec.Struct, frozen=True, kw_only=True):
    """One device's check, and the one before it."""

    at: datetime
    bpm: float
    heed: Heed
    offset_ms: float
    """As it was set while it was measured."""
    measured: Measured
    before: Measured | None = None

    @property
    def set_ms(self) -> float | None:
        """The offset to set, counting what is set already; None where none mends it."""
        suggested = self.measured.suggested_offset_ms
        if not suggested:
            return None
        return round(held_in(OffsetMs, self.offset_ms + suggested), 1)


def heed_of(device: Device, *, notes: bool = False) -> Heed | None:
    """What of a device can be listened to; None where nothing of it reaches Grebe."""
    if device.heard_at.is_set:
        return "sound"
    if device.kind == "controller":
        return None  # it plays in; nothing of it follows a beat
    if device.port.is_standin:
        return "notes" if notes else "beats"
    if device.pulse_from.is_set:
        return "pulses"
    if device.input.is_set:
        return "notes" if notes or device.spec.sends.notes or not device.sends_clock else "clock"
    return None


def what_to_do(rig: Rig, device: Device, heed: Heed | None) -> str:
    """What to connect and what to play, in a sentence or two."""
    if heed is None:
        return tr(
            "Nothing of {device} reaches Grebe. Choose where it is heard in the Rig, "
            "or record it beside a click and measure the recording.",
            device=device.name,
        )
    cable = next((c for c in rig.cables if c.source == device.id and c.target == GREBE_ID), None)
    jack = device.jack(cable.source_jack) if cable is not None else None
    out = jack.name if jack is not None else tr("output")
    where = {
        "beats": tr(
            "{device} is a stand-in: it reports each beat as it sounds.", device=device.name
        ),
        "notes": tr(
            "Run {device}'s {out} to Grebe and let it play a click on every beat.",
            device=device.name,
            out=out,
        ),
        "clock": tr(
            "Run {device}'s {out} to Grebe and let its clock run.", device=device.name, out=out
        ),
        "pulses": tr("Run {device}'s pulses to the input they are heard at.", device=device.name),
        "sound": tr("{device} is heard by its sound: let it play.", device=device.name),
    }[heed]
    if heed == "notes" and device.port.is_standin:
        where = tr(
            "{device} is a stand-in: it reports each hit of its pattern as it sounds.",
            device=device.name,
        )
    return tr("{where} {bars} bars are listened to.", where=where, bars=BARS)


class SoundCheck:
    """One pass of so many bars over some devices at once, and the results of all passes."""

    def __init__(self, bars: int = BARS) -> None:
        self.bars = bars
        self.devices: dict[str, Heed] = {}
        """What is listened to just now; empty while nothing is."""
        self.results: dict[str, Result] = {}
        self._beats: list[int] = []
        self._events: dict[str, list[int]] = {}

    @property
    def active(self) -> bool:
        """Whether something is listened to."""
        return bool(self.devices)

    @property
    def bars_heard(self) -> float:
        """Bars of this pass that have passed."""
        return max(0, len(self._beats) - 1) / BEATS_A_BAR

    def begin(self, devices: dict[str, Heed]) -> None:
        """Listen afresh."""
        self.devices = dict(devices)
        self._beats, self._events = [], {device: [] for device in devices}

    def cancel(self) -> None:
        """Listen no more; what was heard of this pass is forgotten."""
        self.devices = {}

    def take(self, heard: Sequence[Heard]) -> bool:
        """Take in what was heard; whether the pass is complete."""
        if not self.active:
            return False
        for event in heard:
            if event.device in self._events:
                self._events[event.device].append(event.at_ns)
            elif not event.device:
                self._beats.append(event.at_ns)
        return len(self._beats) > self.bars * BEATS_A_BAR

    def finish(self, project: Project, bpm: float, at: datetime) -> dict[str, Result]:
        """The results of this pass, kept beside those before; listening ends."""
        devices = {d.id: d for d in project.rig.lines}
        done: dict[str, Result] = {}
        for device_id, heed in self.devices.items():
            device = devices.get(device_id)
            if device is None:
                continue
            base = self._beats[0]
            beats = (np.array(self._beats) - base) / 1e9
            events = (np.array(self._events[device_id]) - base) / 1e9
            near = events[(events > beats[0] - 0.25) & (events < beats[-1] + 0.25)]
            last = self.results.get(device_id)
            done[device_id] = Result(
                at=at,
                bpm=bpm,
                heed=heed,
                offset_ms=device.offset_ms,
                measured=measure(beats, near, 1.0, device.tolerance_ms),
                before=last.measured if last is not None else None,
            )
        self.results.update(done)
        self.devices = {}
        return done


def tried(rig: Rig, device: Device, result: Result) -> Trial:
    """A check as an entry of the performer's log: the box with who leads it."""
    leader = rig.find(rig.leader or "")
    verdict = result.measured.verdict
    outcome: Outcome = "works" if verdict in ("good", "adjust") else "fails"
    return trial_of(
        (gear_of(device), GREBE_ID if leader is None else gear_of(leader)),
        tr("checked by ear at {bpm:.4g} BPM, offset {offset:g} ms",
           bpm=result.bpm, offset=result.offset_ms),
        outcome,
        f"{result.at:%Y-%m-%d}",
        result.measured,
    )  # fmt: skip
