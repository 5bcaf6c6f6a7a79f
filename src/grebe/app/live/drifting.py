"""What moves against the beat at a gig: said before it is heard, put right at one key, logged."""

from __future__ import annotations

from collections.abc import Callable
from datetime import datetime

import msgspec

from grebe.app.actions.keymap import told
from grebe.app.document.store import Store
from grebe.app.live.hearing import Hearing, beats_by_ear
from grebe.app.live.notices import Notices
from grebe.app.live.position import Position
from grebe.app.live.sound_check import heed_of
from grebe.app.log.book import LogBook
from grebe.app.log.rows import run_row
from grebe.core.document import with_device
from grebe.core.rig.model import Device
from grebe.core.sync.drift import DriftFound, DriftWatch
from grebe.core.sync.explain import noticed_ms
from grebe.core.sync.strip import StripFigures, strip_figures
from grebe.core.units import OffsetMs, held_in
from grebe.errors import EditError
from grebe.protocols.link.messages import Status
from grebe.words import tr

LEAST_BEATS = 64
"""Of a run, to be written down at its end."""
RUNS_FREE_MS = 30.0
"""A box that moves by so much a minute is not on the clock: no offset mends that."""


class Drifting:
    """A watch for each box that is heard, by its sound, at an input or as it says itself."""

    def __init__(
        self, store: Store, notices: Notices, position: Position, hearing: Hearing, log: LogBook,
        now: Callable[[], datetime] = lambda: datetime.now().astimezone(),
    ) -> None:  # fmt: skip
        self._now = now
        self._store, self._notices, self._log = store, notices, log
        self._position, self._hearing = position, hearing
        self._watches: dict[str, DriftWatch] = {}
        self._offsets: dict[str, float] = {}
        self._seen: dict[str, int] = {}
        """By box heard by ear the time of the last hit that was taken in."""
        self._said: set[str] = set()
        self._beats: dict[str, list[tuple[float, float]]] = {}
        """By box all that was heard in this run: (seconds, ms)."""
        self._runs = False
        self._bpm = 0.0
        """Tempo of the run."""

    @property
    def found(self) -> dict[str, DriftFound]:
        """By box what moves just now, what will be heard first standing first."""
        moving = {k: w.found for k, w in self._watches.items() if w.found is not None}
        return dict(sorted(moving.items(), key=lambda row: -abs(row[1].now_ms)))

    def take(self, status: Status) -> None:
        """The engine says how things stand."""
        if status.running != self._runs:
            self._runs = status.running
            if not status.running:
                self._written_down()
            self._forget_all()
        if not status.running:
            return
        self._bpm = status.bpm
        devices = {d.id: d for d in self._store.project.rig.devices}
        for box, at_s, ms in self._heard(status, devices):
            device = devices[box]
            watch = self._watches.setdefault(box, DriftWatch())
            if self._offsets.setdefault(box, device.offset_ms) != device.offset_ms:
                self._offsets[box] = device.offset_ms
                watch.forget()
            self._beats.setdefault(box, []).append((at_s, ms))
            if watch.heard(at_s, ms):
                self._say(device, watch.found, status)

    def _heard(self, status: Status, devices: dict[str, Device]) -> list[tuple[str, float, float]]:
        """What was heard since: (box, seconds, ms late). Its sound counts where that is heard."""
        out: list[tuple[str, float, float]] = []
        for box, hits in self._hearing.by_ear.items():
            after = self._seen.get(box, 0)
            if box in devices:
                out += [(box, hit.at_ns / 1e9, hit.late_ms) for hit in beats_by_ear(hits)
                        if hit.at_ns > after]  # fmt: skip
                self._seen[box] = hits[-1].at_ns if hits else after
        for deviation in status.deviations:
            device = devices.get(deviation.device)
            if device is None or device.id in self._hearing.by_ear or heed_of(device) is None:
                continue  # as Grebe sent it: that says nothing of the box
            out.append((device.id, status.at_ns / 1e9, deviation.ms))
        return out

    def _forget_all(self) -> None:
        self._watches, self._offsets, self._beats = {}, {}, {}
        self._said.clear()

    def _say(self, device: Device, found: DriftFound | None, status: Status) -> None:
        if found is None:
            self._said.discard(device.id)
            return
        if device.id in self._said:
            return
        self._said.add(device.id)
        self._notices.say(
            "warn", self.words(device, found, status.bpm), offers="put_right",
            over=lambda: device.id not in self.found or not self._position.running,
        )  # fmt: skip

    def words(self, device: Device, found: DriftFound, bpm: float) -> str:
        """What moves, how far, how sure that is, when it will be heard, and what to do."""
        late = tr("late") if found.now_ms > 0 else tr("early")
        sure = tr("{sure:.0f} % sure", sure=min(99.0, 100 * found.sure))
        now = abs(found.now_ms)
        if found.jumped:
            text = tr("{box} has jumped: {now:.1f} ms {late} now ({sure}).",
                      box=device.name, now=now, late=late, sure=sure)  # fmt: skip
        else:
            text = tr("{box} drifts: {now:.1f} ms {late} now, {rate:+.1f} ms a minute ({sure}).",
                      box=device.name, now=now, late=late, rate=found.per_minute_ms,
                      sure=sure)  # fmt: skip
        if abs(found.per_minute_ms) > RUNS_FREE_MS:
            return text + " " + tr("It is not on the clock: let it follow.")
        heard_s = found.heard_in_s(noticed_ms(15e3 / bpm if bpm else 125.0))
        if heard_s == 0:
            text += " " + tr("It is heard.")
        elif heard_s is not None:
            text += " " + tr("Heard in {time}.", time=_time(heard_s))
        return text + " " + tr("{put_right} puts it right.", put_right=told("put_right"))

    def put_right(self) -> str:
        """Set the offset that mends what will be heard first: moved there over a bar. What was
        done, in words; EditError where nothing moves."""
        found = self.found
        if not found:
            raise EditError(tr("nothing that is heard moves against the beat"))
        box, drift = next(iter(found.items()))
        device = self._store.project.rig.device(box)
        ms = round(held_in(OffsetMs, device.offset_ms - drift.now_ms), 1)
        self._store.apply(
            tr("{box} put right", box=device.name),
            lambda project: with_device(
                project, box, lambda d: msgspec.structs.replace(d, offset_ms=ms)
            ),
        )
        self._watches[box].forget()
        self._hearing.forget(box)
        self._said.discard(box)
        return tr("{box} is sent {ms:+.1f} ms from now on, over a bar.", box=device.name, ms=ms)

    def _written_down(self) -> None:
        """The end of a run: how each box kept the beat goes into the log."""
        rows: dict[str, StripFigures] = {}
        for box, beats in self._beats.items():
            device = self._store.project.rig.find(box)
            if device is None or len(beats) < LEAST_BEATS:
                continue
            seconds, late = zip(*beats, strict=True)
            rows[box] = strip_figures(seconds, late, device.offset_ms, device.tolerance_ms)
        now, project = self._now(), self._store.project
        self._log.add(
            *(run_row(project, box, figures, self._bpm, now) for box, figures in rows.items())
        )


def _time(seconds: float) -> str:
    if seconds < 90:
        return tr("{seconds:.0f} s", seconds=seconds)
    return tr("{minutes:.0f} min", minutes=seconds / 60)
