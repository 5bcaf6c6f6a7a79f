"""Played by hand while something plays, or not: a fill held, a note struck, every beat clicked."""

from __future__ import annotations

from grebe.app.document.store import Store
from grebe.app.engine.link import Link
from grebe.core.player.commands import Fill, Metronome
from grebe.core.rig.model import Device
from grebe.errors import EditError
from grebe.protocols.link.messages import Audition, Identify
from grebe.words import tr

MIDDLE_C = 60


class Hands:
    """What is held just now."""

    def __init__(self, store: Store, link: Link) -> None:
        self._store = store
        self._link = link
        self.filling = False
        """Whether a fill is held."""
        self.clicking = False
        """Whether every beat is clicked."""

    def fill(self, *, on: bool) -> None:
        """Hold a fill, or let it go."""
        self.filling = on
        self._link.tell(Fill(on=on))

    def metronome(self) -> None:
        """Click every beat, or no longer. EditError where nothing clicks."""
        if self._store.project.rig.count_in.device is None:
            raise EditError(tr("nothing clicks yet: choose a box for it in the Rig, with K"))
        self.clicking = not self.clicking
        self._link.tell(Metronome(on=self.clicking))

    def identify(self, device: Device) -> None:
        """Have a box show which one it is, by notes and pulses."""
        note = device.spec.voices[0].note if device.spec.voices else MIDDLE_C
        self._link.tell(Identify(device=device.id, channel=device.channel, note=note))

    def audition(self, device: Device, note: int, channel: int | None, velocity: int = 100) -> None:
        """Play a note on a device now; it is remembered as played in."""
        self._link.tell(
            Audition(
                device=device.id, note=note, channel=channel or device.channel, velocity=velocity
            )
        )
