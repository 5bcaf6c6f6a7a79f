"""What Stage says, line by line, and in one sentence for who hears it."""

from __future__ import annotations

from collections.abc import Sequence

from grebe.app.live.stage_model import StageModel, StagePlace
from grebe.app.tables.table import Cell
from grebe.words import counted, tr


class StageTable:
    """One column; a row for each thing that is said."""

    def __init__(self, book: StageModel) -> None:
        self._book = book

    def rows(self) -> Sequence[str]:
        """What each line is about."""
        return (
            tr("Song"), tr("Scene"), tr("Bar"), tr("Next"), tr("My move"), tr("Silent"),
        )  # fmt: skip

    def columns(self) -> Sequence[str]:
        """Now."""
        return (tr("Now"),)

    def words(self, row: int, column: int) -> str:
        """One line."""
        del column
        return self.lines()[row]

    def lines(self) -> tuple[str, ...]:
        """All of them."""
        session = self._book.session
        layout, song = session.derived.layout(), session.song
        now = self._book.now(layout) if layout is not None else None
        name = song.name if song is not None else tr("no song")
        if now is None:
            first = layout.spans[0].scene.name if layout is not None and layout.spans else ""
            return name, tr("not playing"), "-", first or "-", "-", "-"
        return (
            name, now.span.scene.name,
            tr("{bar} of {bars}", bar=now.bar, bars=now.bars),
            self._next(now), self._move(now), self._silent(),
        )  # fmt: skip

    def _next(self, now: StagePlace) -> str:
        if now.following is None:
            return tr("The end")
        bars = max(1, now.bars - now.bar + 1)
        return tr("{scene} in {bars}", scene=now.following.scene.name, bars=counted(bars, "bar"))

    def _move(self, now: StagePlace) -> str:
        moves = self._book.to_do(now)
        if not moves:
            return tr("none")
        soon = self._book.announced(now, moves[0])
        words = moves[0].words
        return tr("now: {words}", words=words) if soon else words

    def _silent(self) -> str:
        status = self._book.session.status
        names = {d.id: d.name for d in self._book.session.project.rig.lines}
        muted = [
            names[d] for d, voice in (status.mutes if status else ()) if not voice and d in names
        ]
        return ", ".join(muted) or tr("nobody")

    def sentence(self) -> str:
        """Where it is, what comes and what is to be done, as somebody would say it."""
        song, scene, bar, after, move, _ = self.lines()
        return tr(
            "{song}: {scene}, bar {bar}. Next {after}. My move: {move}.",
            song=song, scene=scene, bar=bar, after=after, move=move,
        )  # fmt: skip

    def here(self) -> Cell | None:
        """Nothing is in hand."""
        return None

    def chosen(self) -> tuple[Cell, Cell] | None:
        """Nothing is selected."""
        return None

    def take(self, row: int, column: int) -> None:
        """Nothing can be taken."""
