"""What is silent: by the scene, by a region of the song, by hand, and what is sent for it."""

from __future__ import annotations

from collections import Counter
from typing import TypeAlias

from grebe.core.player.deck import Deck
from grebe.core.player.events import ControlChange, Due
from grebe.core.songs.model import Scene

SOUNDING, SILENT = 127, 0
"""Values of a box's mute controller."""

Muted: TypeAlias = tuple[str, str]
"""(device id, voice id or "" for the whole device)."""


class Mutes:
    """The performer's mutes over those of regions, over those of the scenes."""

    def __init__(self) -> None:
        self._by_hand: dict[Muted, bool] = {}
        self.solos: frozenset[str] = frozenset()
        """Devices that sound alone."""
        self._by_scene: frozenset[Muted] = frozenset()
        self._regions: Counter[Muted] = Counter()

    def set(self, device: str, voice: str, *, on: bool) -> None:
        """A hand mutes a device or one voice of it ("" is the device), or lets it sound.

        A mute that is taken back is forgotten: what a later scene says of it holds again.
        """
        self._by_hand[(device, voice)] = on
        self._forget_moot()

    def solo(self, device: str, *, on: bool) -> None:
        """A device sounds alone with others that do, or no longer. Mutes are left as they are."""
        self.solos = self.solos | {device} if on else self.solos - {device}

    def enter(self, scene: Scene) -> None:
        """A scene comes in: its own mutes, or those that stand where it leaves them alone."""
        self._regions.clear()
        if scene.mutes == "saved":
            self._by_scene = scene_mutes(scene)
        self._forget_moot()

    def _forget_moot(self) -> None:
        """Whom a hand lets sound, and nothing else silences: there is nothing left to remember."""
        moot = [k for k, on in self._by_hand.items() if not on and not self._without_hands(k)]
        for key in moot:
            del self._by_hand[key]

    def region(self, muted: Muted, *, on: bool) -> None:
        """A region of the song begins or ends; where they lie over each other the last ends it."""
        self._regions[muted] = max(0, self._regions[muted] + (1 if on else -1))

    def end_regions(self) -> None:
        """None of the regions holds any more."""
        self._regions.clear()

    @property
    def by_hand(self) -> tuple[Muted, ...]:
        """What stands otherwise than scene and regions would have it."""
        return tuple(k for k, on in self._by_hand.items() if on != self._without_hands(k))

    def drop_by_hand(self) -> tuple[Muted, ...]:
        """Forget what the hand changed; gives what that makes different."""
        different = self.by_hand
        self._by_hand.clear()
        return different

    def is_silent(self, device: str, voice: str = "") -> bool:
        """Muted by hand, or by scene or region where no hand has said otherwise."""
        if self.solos and device not in self.solos:
            return True
        key = (device, voice)
        silent = self._by_hand.get(key)
        if silent is None:
            silent = self._without_hands(key)
        return silent or (bool(voice) and self.is_silent(device))

    def _without_hands(self, key: Muted) -> bool:
        return key in self._by_scene or self._regions[key] > 0

    def listed(self) -> tuple[Muted, ...]:
        """What is silent now."""
        keys = dict.fromkeys((*self._by_hand, *sorted(self._by_scene), *self._regions))
        return tuple(key for key in keys if self.is_silent(*key))

    def apply(self, deck: Deck, tick: int) -> list[Due]:
        """Make a device silent or let it sound; what is to be sent for it at `tick`."""
        device = deck.device.id
        if deck.device.plays == "own":
            # A looper has no patterns: what its scene has of it are tracks.
            nothing = not deck.chain and not deck.device.spec.loop_tracks
            return tell_silent(deck, tick, silent=self.is_silent(device) or nothing)
        was_sounding = [lane for lane in deck.lanes if not lane.silent]
        for lane in deck.lanes:
            lane.silent = self.is_silent(device, lane.row)
        hushed = {note[2] for lane in was_sounding if lane.silent for note in lane.notes}
        return [(tick, device, deck.held.pop(key)[1]) for key in hushed & deck.held.keys()]


def scene_mutes(scene: Scene) -> frozenset[Muted]:
    """What a scene says is silent."""
    out = {(part.device, "") for part in scene.parts if part.muted}
    return frozenset(out | {(p.device, v) for p in scene.parts for v in p.silent_voices})


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
