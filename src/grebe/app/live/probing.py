"""The probe of a box in a window: where the box is, what it takes before it, what becomes of it."""

from __future__ import annotations

from collections.abc import Callable
from datetime import date, datetime

from grebe.app.document.store import Store
from grebe.app.live.hearing import audio_name
from grebe.app.live.interfaces import known_late_ms
from grebe.app.live.notices import Notices
from grebe.app.live.position import Position
from grebe.app.log.book import LogBook
from grebe.app.log.rows import probe_row
from grebe.app.probing import ProbePorts, ProbeRun
from grebe.core.document import with_device
from grebe.core.probe.taking import ProbedBox, taken_over
from grebe.core.rig.model import Device
from grebe.core.rig.standin import setups
from grebe.errors import EditError
from grebe.words import tr

MAY_RECORD = tr("A looper or sampler may record a note, or at Start. Say yes only if it cannot.")
RECORDS = ("looper", "sampler")


class Probings:
    """One probe at a time, and those that were stopped or are done, by box."""

    def __init__(
        self, store: Store, notices: Notices, position: Position, pause: Callable[[], object],
        log: LogBook,
    ) -> None:  # fmt: skip
        """`pause` has everything else that is heard end: a port is heard by one. What is found
        goes into the log."""
        self._log = log
        self._store, self._notices, self._position = store, notices, position
        self._pause = pause
        self.runs: dict[str, ProbeRun] = {}

    def ports_of(self, device: Device) -> ProbePorts:
        """Where a box is probed. EditError where nothing of it can be heard."""
        if device.port.is_standin:
            made = setups(self._store.project, {device.id: ""}, self._position.written_bpm)
            return ProbePorts(standin=made[device.id])
        if device.port.wire not in ("jack", "alsa"):
            raise EditError(
                tr("{device} is probed over MIDI: choose its port in the Rig", device=device.name)
            )
        back = device.input
        ports = ProbePorts(
            f"{device.port.wire}:{device.port.name}",
            f"{back.wire}:{back.name}" if back.wire in ("jack", "alsa") else "",
            audio_name(device.heard_at),
            late_ms=known_late_ms(device.heard_at),
        )
        if not ports.back and not ports.audio:
            raise EditError(
                tr(
                    "nothing of {device} is heard: choose in the Rig where its sound or its MIDI "
                    "comes in", device=device.name,
                )
            )  # fmt: skip
        return ports

    @property
    def active(self) -> ProbeRun | None:
        """The one that has its ports."""
        return next((run for run in self.runs.values() if run.active), None)

    def begin(self, device: Device) -> None:
        """Probe a box, or go on where it was stopped; afresh where it was done. EditError says why
        it cannot be."""
        if self._position.running:
            raise EditError(tr("stop first: a box is probed while nothing plays"))
        if device.clock_stopped:
            raise EditError(
                tr("{device} gets clock while stopped: switch that off to probe it",
                   device=device.name)
            )  # fmt: skip
        if self.active is not None:
            raise EditError(tr("another box is probed: Esc stops that"))
        run = self.runs.get(device.id)
        if run is None or run.state == "done":
            run = ProbeRun(self.ports_of(device))
            self.runs[device.id] = run
        self._pause()
        run.go()

    def pump(self) -> bool:
        """Go on; whether anything changed."""
        run = self.active
        if run is None:
            return False
        if self._position.running:
            self.stop()
            self._notices.say("warn", tr("The probe was stopped: something plays now."))
            return True
        changed = run.pump()
        if changed and run.state == "lost":
            self._notices.say("warn", tr("The probe was lost: {why}.", why=run.why))
        elif changed and run.state == "done":
            box = next(box for box, each in self.runs.items() if each is run)
            if self._store.project.rig.find(box) is not None:
                now = datetime.now().astimezone()
                self._log.add(probe_row(self._store.project, box, run.answers, now))
            self._notices.say("info", tr("Probed. Nothing was left sounding."))
        return changed

    def stop(self) -> bool:
        """Stop what runs, silently; whether something ran."""
        run = self.active
        if run is None:
            return False
        run.stop()
        return True

    def taken(self, device: Device) -> ProbedBox | None:
        """What a finished probe would make of the box; None before."""
        run = self.runs.get(device.id)
        if run is None or run.state != "done":
            return None
        return taken_over(device, run.answers, date.today().isoformat())

    def take_over(self, device: Device) -> int:
        """Make it so, as one edit; how many things changed. EditError before anything was found."""
        taken = self.taken(device)
        if taken is None:
            raise EditError(tr("{device} has not been probed to the end", device=device.name))
        self._store.apply(
            tr("What the probe of {device} found", device=device.name),
            lambda project: with_device(project, device.id, lambda _: taken.device),
        )
        return len(taken.changes)
