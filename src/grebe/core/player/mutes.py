"""What is silent: four layers, and what is sent for them.

From the bottom: what the scene saved, the regions laid over the song, the hand, and solo. What
sounds follows from these four and from nothing else. A hand's change is remembered only while it
makes a difference to the layers below, so that what is taken back leaves nothing behind.
"""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterable, Iterator
from typing import Literal, TypeAlias

from grebe.core.player.deck import Deck, Lane
from grebe.core.player.events import ControlChange, Due
from grebe.core.rig.lines import box_of
from grebe.core.songs.model import Scene

SOUNDING, SILENT = 127, 0
"""Values of a box's mute controller."""

Muted: TypeAlias = tuple[str, str]
"""(address of a line, voice id or "" for the whole line)."""
Because: TypeAlias = Literal["", "scene", "region", "hand", "solo", "nothing"]
"""Why something is silent, or "" where it sounds; `nothing`: it is given nothing to play."""


class Mutes:
    """The four layers, and what they make of a line or of one voice of it."""

    def __init__(self) -> None:
        self._scene_id = ""
        self._by_scene: frozenset[Muted] = frozenset()
        self._regions: Counter[Muted] = Counter()
        self._by_hand: dict[Muted, bool] = {}
        self.solos: frozenset[Muted] = frozenset()
        """What sounds alone."""

    # What is said

    def set(self, line: str, voice: str, *, on: bool) -> None:
        """A hand mutes a line or one voice of it ("" is the line), or lets it sound.

        What the layers below say already is not remembered: they speak again.
        """
        self._by_hand[(line, voice)] = on
        self._forget_moot()

    def solo(self, line: str, voice: str, *, on: bool) -> None:
        """A line, or a voice of one, sounds alone with others that do, or no longer."""
        self.solos = self.solos | {(line, voice)} if on else self.solos - {(line, voice)}

    def enter(self, scene: Scene) -> None:
        """A scene comes in: its own mutes, or those that stand where it leaves them alone.

        What a hand let sound against the scene before is over with it: this one's saved mutes
        hold. What a hand silenced stays silent.
        """
        self._regions.clear()
        if scene.mutes == "saved":
            self._by_scene = scene_mutes(scene)
            if scene.id != self._scene_id:
                self._by_hand = {k: on for k, on in self._by_hand.items() if on}
        self._scene_id = scene.id
        self._forget_moot()

    def edited(self, scene: Scene) -> None:
        """The scene that plays is another after an edit; what the hand did against it stays."""
        if scene.mutes == "saved":
            self._by_scene = scene_mutes(scene)
        self._forget_moot()

    def region(self, muted: Muted, *, on: bool) -> None:
        """A region of the song begins or ends; where they lie over each other the last ends it."""
        self._regions[muted] = max(0, self._regions[muted] + (1 if on else -1))

    def end_regions(self) -> None:
        """None of the regions holds any more."""
        self._regions.clear()

    def drop_by_hand(self) -> tuple[Muted, ...]:
        """Forget what the hand changed; gives what that makes different."""
        different = self.by_hand
        self._by_hand.clear()
        return different

    def as_it_will_be(self, scene: Scene, *, kept: bool) -> Mutes:
        """What the layers say as a scene comes in, with mutes by hand kept or dropped."""
        then = self.copied()
        if not kept:
            then._by_hand.clear()
        then.enter(scene)
        return then

    def copied(self) -> Mutes:
        """The same layers, to see what becomes of them."""
        copy = Mutes()
        copy._scene_id, copy._by_scene = self._scene_id, self._by_scene
        copy._regions, copy._by_hand = Counter(self._regions), dict(self._by_hand)
        copy.solos = self.solos
        return copy

    def _forget_moot(self) -> None:
        """Whom a hand lets sound, and nothing else silences: there is nothing left to remember."""
        moot = [k for k, on in self._by_hand.items() if not on and not self._without_hands(k)]
        for key in moot:
            del self._by_hand[key]

    # What follows from it

    @property
    def by_hand(self) -> tuple[Muted, ...]:
        """What stands otherwise than scene and regions would have it."""
        return tuple(k for k, on in self._by_hand.items() if on != self._without_hands(k))

    def why(self, line: str, voice: str = "", track: str = "") -> Because:
        """Why a line, or a voice of it, is silent; `track` is the address of the track that the
        voice belongs to where its box's pattern holds several."""
        for key in _over(line, voice, track):
            if (because := self._of(key)) != "":
                return because
        return "" if self._alone(line, voice, track) else "solo"

    def is_silent(self, line: str, voice: str = "", track: str = "") -> bool:
        """Whether nothing is to be heard of a line, or of a voice of it."""
        return self.why(line, voice, track) != ""

    def is_muted(self, line: str, voice: str = "") -> bool:
        """The same by scene, region and hand alone: solo mutes nothing."""
        return any(self._of(key) for key in _over(line, voice, ""))

    def _of(self, key: Muted) -> Because:
        by_hand = self._by_hand.get(key)
        if by_hand is not None:
            return "hand" if by_hand else ""
        if self._regions[key] > 0:
            return "region"
        return "scene" if key in self._by_scene else ""

    def _alone(self, line: str, voice: str, track: str) -> bool:
        """Whether solo lets it sound: nothing is alone, it is, or something in it or round it."""
        if not self.solos or self.solos.intersection(_over(line, voice, track)):
            return True
        return not voice and any(line in (owner, box_of(owner)) for owner, _ in self.solos)

    def _without_hands(self, key: Muted) -> bool:
        return key in self._by_scene or self._regions[key] > 0

    def listed(self, lines: Iterable[str]) -> tuple[Muted, ...]:
        """What is muted now: of these lines, and the voices of any."""
        voices = (*self._by_hand, *sorted(self._by_scene), *self._regions)
        keys = dict.fromkeys((*((line, "") for line in lines), *voices))
        return tuple(key for key in keys if self.is_muted(*key))

    # What is sent for it

    def apply(self, deck: Deck, tick: int) -> list[Due]:
        """Make a line silent or let it sound; what is to be sent for it at `tick`."""
        line = deck.device.id
        if deck.device.plays == "own":
            # A looper has no patterns: what its scene has of it are tracks.
            nothing = not deck.is_given and not deck.device.spec.loop_tracks
            return tell_silent(deck, tick, silent=self.is_silent(line) or nothing)
        was_sounding = [lane for lane in deck.lanes if not lane.silent]
        for lane in deck.lanes:
            lane.silent = self.lane_silent(lane)
        hushed = {
            note[2]
            for lane in was_sounding
            if lane.silent
            for note in (*lane.notes, *lane.held_over)
        }
        ended = [(tick, line, deck.held.pop(key)[1]) for key in hushed & deck.held.keys()]
        return ended + deck.strike_held(tick)

    def lane_silent(self, lane: Lane) -> bool:
        """Whether a row is to be silent."""
        device = lane.deck.device
        return self.is_silent(device.id, lane.row, device.track_on(lane.channel))


def _over(line: str, voice: str, track: str) -> Iterator[Muted]:
    """All that silences a voice of a line when it is silenced: the box, the line, the track."""
    box = box_of(line)
    if box != line:
        yield box, ""
    yield line, ""
    if track:
        yield track, ""
    if voice:
        yield line, voice


def scene_mutes(scene: Scene) -> frozenset[Muted]:
    """What a scene says is silent."""
    out = {(part.device, "") for part in scene.parts if part.muted}
    return frozenset(out | {(p.device, v) for p in scene.parts for v in p.silent_voices})


def tell_silent(deck: Deck, tick: int, *, silent: bool) -> list[Due]:
    """Silence what plays its own patterns by its controller, where it has one.

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
