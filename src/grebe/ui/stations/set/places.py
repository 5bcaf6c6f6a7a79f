"""Where things lie in the drawing of a set: seconds across, songs as blocks."""

from __future__ import annotations

from PyQt6.QtCore import QPointF, QRectF

from grebe.core.sets.model import wished
from grebe.core.sets.plan import PlacedSong, SetSchedule
from grebe.ui.stations.set.crossings import EDGE

AXIS = 34.0
SONGS = 146.0
VERSION = 22.0
LEAST_PATH = 96.0
"""Of the tempo path, with two lines of words."""
FOOT = 158.0
"""Room for what lies between songs."""
GAP = 3.0
MOST_ENERGY = 0.44
"""Share of a song's block that full energy fills."""


class SetPlaces:
    """The geometry of a plan at one size."""

    def __init__(self, plan: SetSchedule, width: float, height: float, *, versions: bool) -> None:
        """`versions`: whether any song has several, which lie in a row of their own."""
        self.plan, self.width, self.height = plan, width, height
        self.versions = VERSION if versions else 0.0
        """Height of the row of versions; 0 where no song has any."""
        longest = max(plan.seconds, plan.running.slot_s, 1.0)
        self.scale = (width - 2 * EDGE) / longest
        """Pixels a second."""
        least = AXIS + SONGS + self.versions + LEAST_PATH + FOOT
        self.foot = FOOT if height >= least else 0.0
        """Room for what lies between songs; 0 on a low screen, where the tempo path has it."""

    def x_at(self, seconds: float) -> float:
        """Where a time lies."""
        return EDGE + seconds * self.scale

    def block_of(self, song: PlacedSong) -> QRectF:
        """Where a song lies."""
        left, right = self.x_at(song.start_s), self.x_at(song.end_s)
        return QRectF(left + GAP / 2, AXIS, max(3.0, right - left - GAP), SONGS)

    def wish_points(self) -> list[QPointF]:
        """The energy wished for, over the middle of each song; none without a wish."""
        wish, songs = self.plan.running.wish, self.plan.songs
        if not wish:
            return []
        heights = (wished(wish, n, len(songs)) * SONGS * MOST_ENERGY for n in range(len(songs)))
        return [
            QPointF(self.block_of(song).center().x(), AXIS + SONGS - high)
            for song, high in zip(songs, heights, strict=True)
        ]

    def wish_at(self, y: float) -> float:
        """The share of the most energy that a height stands for."""
        return max(0.0, min(1.0, (AXIS + SONGS - y) / (SONGS * MOST_ENERGY)))
