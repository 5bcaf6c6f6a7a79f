"""Inputs that sound nothing until a note opens them: the note that Grebe holds there.

It is struck before the box's first beat and held; where the box closes again as its pattern
begins, it is struck anew shortly before each such beginning, so that no first note is lost.
"""

from __future__ import annotations

from grebe.core.player.events import Due, NoteOff, NoteOn
from grebe.core.player.run import PREROLL_TICKS, Run
from grebe.core.player.scheduler import OpensAgain
from grebe.core.rig.model import Device
from grebe.core.rig.spec import Opener

VELOCITY = 100


class Openers:
    """Strikes the notes that hold inputs open, and lets them go."""

    def __init__(self, run: Run) -> None:
        self._run = run
        self._held: dict[str, NoteOff] = {}

    def begin(self, out: list[Due], tick: int, first: int) -> None:
        """Open what is to be open, before the first beat; nothing is held from an earlier run."""
        self._held.clear()
        self.renew(out, tick)
        for device in self._run.plan.devices:
            opener = _opens(device)
            if opener is not None and opener.closes == "pattern":
                self._run.scheduler.at(first + 1, OpensAgain(device.id, strikes=False))

    def renew(self, out: list[Due], tick: int) -> None:
        """As the rig is now: close what is not to be open any more, open what is."""
        wanted = {d.id: d for d in self._run.plan.devices if _opens(d) is not None}
        for box, off in [*self._held.items()]:
            if box not in wanted or off != _closes(wanted[box]):
                out.append((tick, box, self._held.pop(box)))
        for box, device in wanted.items():
            if box not in self._held:
                self._strike(out, tick, device)

    def rejoined(self, out: list[Due], tick: int, box: str) -> None:
        """It was away: it is closed, whatever is held."""
        for device in self._run.plan.devices:
            if device.id == box and box in self._held:
                self._strike(out, tick, device)

    def falls(self, out: list[Due], tick: int, what: OpensAgain, ends: int) -> None:
        """Strike it anew, or see when that is next: shortly before the tick at which the pattern
        that plays `ends`."""
        device = next((d for d in self._run.plan.devices if d.id == what.device), None)
        if device is None or what.device not in self._held:
            return
        if what.strikes:
            out.append((tick, device.id, self._held[device.id]))
            self._strike(out, tick, device)
            self._run.scheduler.at(ends + 1, OpensAgain(device.id, strikes=False))
        else:
            at = max(ends - PREROLL_TICKS, tick + 1)
            self._run.scheduler.at(at, OpensAgain(device.id, strikes=True))

    def halt(self, out: list[Due], tick: int) -> None:
        """Close all."""
        out += [(tick, box, off) for box, off in self._held.items()]
        self._held.clear()

    def _strike(self, out: list[Due], tick: int, device: Device) -> None:
        off = _closes(device)
        on = NoteOn(channel=off.channel, note=off.note, velocity=VELOCITY)
        out.append((tick, device.id, on))
        self._held[device.id] = off


def _closes(device: Device) -> NoteOff:
    """What ends the note that a box with an opener is held open by."""
    opener = device.spec.opener
    assert opener is not None
    return NoteOff(channel=opener.channel or device.channel, note=opener.note)


def _opens(device: Device) -> Opener | None:
    """What Grebe holds a box open by, where it is asked to."""
    return device.spec.opener if device.holds_open else None
