"""What is silent: by the scene, by hand, and what has to be sent for it."""

from __future__ import annotations

from grebe.core.player.deck import Deck
from grebe.core.player.events import ControlChange, Due
from grebe.core.songs.model import Part, Scene

SOUNDING, SILENT = 127, 0
"""Values of a box's mute controller."""


class Mutes:
    """The performer's mutes over those of the scenes."""

    def __init__(self) -> None:
        self._by_hand: dict[tuple[str, str], bool] = {}

    def set(self, device: str, voice: str, *, on: bool) -> None:
        """A hand mutes a device or one voice of it ("" is the device), or lets it sound."""
        self._by_hand[(device, voice)] = on

    def is_silent(self, part: Part, voice: str = "") -> bool:
        """Muted by hand, or by the scene's part where no hand has said otherwise."""
        by_scene = voice in part.silent_voices if voice else part.muted
        silent = self._by_hand.get((part.device, voice), by_scene)
        return silent or (bool(voice) and self.is_silent(part))

    def listed(self, scene: Scene) -> tuple[tuple[str, str], ...]:
        """What is silent in a scene, as (device id, voice id or "")."""
        keys = dict.fromkeys(self._by_hand)
        for part in scene.parts:
            keys[(part.device, "")] = None
            keys.update(dict.fromkeys((part.device, voice) for voice in part.silent_voices))
        return tuple(key for key in keys if self.is_silent(scene.part(key[0]), key[1]))

    def apply(self, deck: Deck, part: Part, tick: int) -> list[Due]:
        """Make a device silent or let it sound; what is to be sent for it at `tick`."""
        if deck.device.plays == "own":
            return tell_silent(deck, tick, silent=self.is_silent(part) or not deck.chain)
        was_sounding = [lane for lane in deck.lanes if not lane.silent]
        for lane in deck.lanes:
            lane.silent = self.is_silent(part, lane.row)
        hushed = {note[2] for lane in was_sounding if lane.silent for note in lane.notes}
        return [(tick, deck.device.id, deck.held.pop(key)[1]) for key in hushed & deck.held.keys()]


def tell_silent(deck: Deck, tick: int, *, silent: bool) -> list[Due]:
    """Silence a box that plays its own patterns by its controller, where it has one.

    Nothing is sent when it was told so before.
    """
    device = deck.device
    if device.mute_controller is None or silent == deck.told_silent:
        return []
    deck.told_silent = silent
    change = ControlChange(
        channel=device.channel,
        controller=device.mute_controller,
        value=SILENT if silent else SOUNDING,
    )
    return [(tick, device.id, change)]
