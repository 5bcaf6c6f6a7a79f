"""The Song station's editor: the song in hand, and everything that edits it. Without Qt."""

from __future__ import annotations

from grebe.app.doing import Act, acts_of
from grebe.app.editors.song_drags import SongDrags
from grebe.app.editors.song_form import SongHand
from grebe.app.editors.song_marks import MarkEdits
from grebe.app.editors.song_moves import SongMoves
from grebe.app.editors.song_sections import SectionEdits
from grebe.app.live.session import Session


class SongEditor:
    """Holds the parts; each knows the hand and nothing of the others."""

    def __init__(self, session: Session) -> None:
        self.session = session
        self.hand = SongHand(session)
        """What is in hand, and its settings as text."""
        self.moves = SongMoves(self.hand)
        self.sections = SectionEdits(self.hand)
        self.marks = MarkEdits(self.hand)
        self.drags = SongDrags(self.hand)

    def acts(self) -> dict[str, Act]:
        """What does each action."""
        return acts_of(self.moves, self.sections, self.marks, self.drags)
