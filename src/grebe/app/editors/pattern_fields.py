"""Settings of what is in hand as text."""

from __future__ import annotations

from typing import Any

from grebe.app.editors.pattern_hand import PatternHand
from grebe.core.document import with_pattern
from grebe.core.patterns.fields import (
    edited,
    set_hit_field,
    set_point_field,
    text_of,
)
from grebe.words import tr


class PatternFields:
    """What the form of the Patterns station shows, and takes."""

    def __init__(self, hand: PatternHand) -> None:
        self.hand = hand

    def field_text(self, owner: str, key: str) -> str | None:
        """A setting of what is in hand as text; None while there is no such thing."""
        thing: Any = {
            "hit": self.hand.hit,
            "point": self.hand.point,
            "voice": self.hand.voice,
            "lane": self.hand.lane,
            "name": self.hand.pattern,
            "pattern": self.hand.content if self.hand.pattern is not None else None,
        }[owner]
        return None if thing is None else text_of(thing, key)

    def field_choices(self, owner: str, key: str) -> tuple[str, ...]:
        """Choices that depend on the document: none here."""
        del owner, key
        return ()

    def set_field(self, owner: str, key: str, text: str) -> None:
        """Take one setting of the pattern, or of what is under the cursor, from text."""
        name = tr("Set {replace}", replace=key.replace("_", " "))
        pattern = self.hand.pattern
        if owner == "name" and pattern is not None:
            self.hand.session.store.apply(
                name, lambda p: with_pattern(p, pattern.id, lambda x: edited(x, key, text))
            )
            return
        if owner == "pattern":
            self.hand.change(name, lambda c: edited(c, key, text))
        elif owner == "hit":
            self.hand.change_hits(name, lambda v, s: set_hit_field(v, s, key, text))
        elif owner == "point":
            self.hand.change_row(
                name,
                lambda lane: set_point_field(lane, self.hand.step, key, text),
                self.hand.row_id,
            )
        else:
            self.hand.change_row(name, lambda row: edited(row, key, text), self.hand.row_id)
