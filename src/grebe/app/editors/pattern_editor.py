"""The Patterns station's editor: the pattern in hand, and everything that edits it. Without Qt."""

from __future__ import annotations

from grebe.app.doing import Act, acts_of
from grebe.app.editors.pattern_cursor import PatternCursor
from grebe.app.editors.pattern_drags import PatternDrags
from grebe.app.editors.pattern_fields import PatternFields
from grebe.app.editors.pattern_hand import PatternHand
from grebe.app.editors.pattern_hits import HitEdits
from grebe.app.editors.pattern_pitch import PitchEdits
from grebe.app.editors.pattern_rows import RowEdits
from grebe.app.editors.pattern_teach import PatternTeaching
from grebe.app.editors.pattern_whole import PatternEdits
from grebe.app.editors.pattern_writer import PatternWriter
from grebe.app.live.session import Session


class PatternEditor:
    """Holds the parts; each knows the hand and nothing of the others."""

    def __init__(self, session: Session) -> None:
        self.session = session
        self.hand = PatternHand(session)
        """The pattern, the cursor, what is selected."""
        self.cursor = PatternCursor(self.hand)
        self.hits = HitEdits(self.hand)
        self.pitch = PitchEdits(self.hand)
        self.rows = RowEdits(self.hand)
        self.whole = PatternEdits(self.hand)
        self.teaching = PatternTeaching(self.hand)
        self.writer = PatternWriter(self.hand)
        """What is played in."""
        self.fields = PatternFields(self.hand)
        self.drags = PatternDrags(self.hand)

    def acts(self) -> dict[str, Act]:
        """What does each action."""
        return acts_of(
            self.cursor,
            self.hits,
            self.pitch,
            self.rows,
            self.whole,
            self.teaching,
            self.writer,
            self.drags,
        )
