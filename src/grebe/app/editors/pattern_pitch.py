"""The pitch of hits: by semitones, and in the pattern's key."""

from __future__ import annotations

from collections.abc import Callable

from grebe.app.doing import does
from grebe.app.editors.pattern_hand import PatternHand
from grebe.core.patterns import edit
from grebe.core.patterns.keys import in_key
from grebe.core.patterns.model import (
    Voice,
)
from grebe.errors import EditError
from grebe.words import tr


class PitchEdits:
    """What keys do to pitch."""

    def __init__(self, hand: PatternHand) -> None:
        self.hand = hand

    def _pitch(self, to: Callable[[int], int]) -> None:
        def change(voice: Voice, step: int) -> Voice:
            hit = voice.hit_at(step)
            assert hit is not None
            return edit.change_hit(voice, step, note=to(edit.pitch_of(voice, hit)))

        self.hand.change_hits("Pitch", change, merge="pitch")

    @does("pitch_up")
    def pitch_up(self) -> None:
        """A semitone up."""
        self._pitch(lambda n: n + 1)

    @does("pitch_down")
    def pitch_down(self) -> None:
        """A semitone down."""
        self._pitch(lambda n: n - 1)

    @does("degree_up")
    def degree_up(self) -> None:
        """A degree of the pattern's key up."""
        self._degree(1)

    @does("degree_down")
    def degree_down(self) -> None:
        """A degree down."""
        self._degree(-1)

    def _degree(self, by: int) -> None:
        key = self.hand.content.key
        if not key:
            raise EditError(tr("the pattern has no key yet; set one, or find it by playing along"))
        self._pitch(lambda n: in_key(n, key, by))
