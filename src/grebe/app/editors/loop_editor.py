"""Audio loops of the box in hand: cut, trimmed, fitted, taken in. Without Qt."""

from __future__ import annotations

from collections.abc import Callable
from pathlib import Path

import msgspec

from grebe.app.document.loop_files import folder_of
from grebe.app.doing import does
from grebe.app.editors.loops import audio_of
from grebe.app.editors.pattern_hand import PatternHand
from grebe.core.audio.fitting import loop_onsets
from grebe.core.document import with_loop
from grebe.core.patterns.loops import (
    Loop,
    cut,
    even_starts,
    lay_out,
    set_gate,
    shift_starts,
    trim,
)
from grebe.errors import EditError
from grebe.words import tr

TRIM_MS, SHIFT_MS = 1.0, 1.0
EVEN = (8, 16, 32, 4)


class LoopEditor:
    """The loop in hand, and the slice in it."""

    def __init__(self, hand: PatternHand, changed: Callable[[], None]) -> None:
        """`changed` is told when another loop is in hand."""
        self.session = hand.session
        self._hand = hand
        self._changed = changed
        self.loop_id = ""
        self.index = 0
        """The slice in hand."""
        self._even = 0

    @property
    def loops(self) -> tuple[Loop, ...]:
        """Loops of the box in hand."""
        device = self._hand.device
        loops = self.session.project.loops
        return tuple(x for x in loops if device is not None and x.device == device.id)

    @property
    def loop(self) -> Loop | None:
        """The one in hand."""
        loops = self.loops
        return next((x for x in loops if x.id == self.loop_id), loops[0] if loops else None)

    def in_hand(self) -> Loop:
        """The same. EditError without one."""
        loop = self.loop
        if loop is None:
            raise EditError(tr("there is no loop on this box yet"))
        return loop

    @property
    def folder(self) -> Path:
        """Where loops are found."""
        return folder_of(self.session.store.home)

    def edit(self, name: str, how: Callable[[Loop], Loop], merge: str = "") -> None:
        """Change the loop in hand as one step of undo called `name`."""
        loop = self.in_hand()
        self.session.store.apply(
            name, lambda p: with_loop(p, loop.id, how), merge=f"{loop.id}-{merge}" if merge else ""
        )

    def _samples(self, ms: float) -> int:
        loop = self.loop
        return 0 if loop is None else max(1, round(ms / 1000 * loop.rate))

    @does("left")
    def step_left(self) -> None:
        """The slice before."""
        self.index = max(0, self.index - 1)

    @does("right")
    def step_right(self) -> None:
        """The slice after."""
        loop = self.loop
        if loop is not None and loop.slices:
            self.index = min(len(loop.slices) - 1, self.index + 1)

    @does("one_after")
    def pattern_after(self) -> None:
        """The next loop of the box."""
        ids = [x.id for x in self.loops]
        if ids:
            at = ids.index(self.loop_id) if self.loop_id in ids else -1
            self.loop_id = ids[(at + 1) % len(ids)]
            self._changed()

    @does("earlier")
    def earlier(self) -> None:
        """The slice begins 1 ms earlier."""
        by = -self._samples(TRIM_MS)
        self.edit(tr("Trim a slice"), lambda x: trim(x, self.index, start=by), "trim")

    @does("later")
    def later(self) -> None:
        """The slice begins 1 ms later."""
        by = self._samples(TRIM_MS)
        self.edit(tr("Trim a slice"), lambda x: trim(x, self.index, start=by), "trim")

    @does("hold_longer")
    def hold_longer(self) -> None:
        """The slice ends 1 ms later."""
        by = self._samples(TRIM_MS)
        self.edit(tr("Trim a slice"), lambda x: trim(x, self.index, end=by), "trim")

    @does("hold_shorter")
    def hold_shorter(self) -> None:
        """The slice ends 1 ms earlier."""
        by = -self._samples(TRIM_MS)
        self.edit(tr("Trim a slice"), lambda x: trim(x, self.index, end=by), "trim")

    @does("shift")
    def shift(self) -> None:
        """All slices begin 1 ms later."""
        self.edit(tr("Shift starts"), lambda x: shift_starts(x, self._samples(SHIFT_MS)), "shift")

    @does("shift_back")
    def shift_back(self) -> None:
        """All slices begin 1 ms earlier."""
        self.edit(tr("Shift starts"), lambda x: shift_starts(x, -self._samples(SHIFT_MS)), "shift")

    @does("pitch_up")
    def pitch_up(self) -> None:
        """The slices on notes a semitone higher."""
        self.edit(tr("Lay out"), lambda x: lay_out(x, x.slices[0].note + 1 if x.slices else 0))

    @does("pitch_down")
    def pitch_down(self) -> None:
        """A semitone lower."""
        self.edit(
            tr("Lay out"), lambda x: lay_out(x, max(0, x.slices[0].note - 1 if x.slices else 0))
        )

    @does("one_shot")
    def one_shot(self) -> None:
        """The slice is held by its note, or plays out."""
        at = self.index
        self.edit(tr("Gate"), lambda x: set_gate(x, at, gate=not x.slices[at].gate))

    @does("tie")
    def tie(self) -> None:
        """All slices share one slot, or each has its own."""
        self.edit(tr("Shared slot"), lambda x: msgspec.structs.replace(x, shared=not x.shared))

    @does("longer")
    def longer(self) -> None:
        """Twice as many bars."""
        self.edit(tr("Bars"), lambda x: msgspec.structs.replace(x, bars=min(64, x.bars * 2)))

    @does("shorter")
    def shorter(self) -> None:
        """Half as many bars."""
        self.edit(tr("Bars"), lambda x: msgspec.structs.replace(x, bars=max(1, x.bars // 2)))

    @does("remove")
    def remove(self) -> None:
        """Take the loop out of the project; its file stays."""
        loop = self.loop
        if loop is not None:
            self.session.store.apply(
                tr("Remove {loop}", loop=loop.name),
                lambda p: msgspec.structs.replace(
                    p, loops=tuple(x for x in p.loops if x.id != loop.id)
                ),
            )

    @does("cut_onsets")
    def cut_onsets(self) -> None:
        """Cut at its onsets."""
        loop = self.in_hand()
        starts = loop_onsets(audio_of(loop, self.folder), loop.rate)
        first = loop.slices[0].note if loop.slices else 60
        self.edit(tr("Cut at onsets"), lambda x: cut(x, starts, first))

    @does("cut_even")
    def cut_even(self) -> None:
        """Cut into even pieces: 8, 16, 32, 4, one after the other."""
        pieces = EVEN[self._even % len(EVEN)]
        self._even += 1
        self.edit(tr("Cut evenly"), lambda x: cut(x, even_starts(x, pieces),
                                               x.slices[0].note if x.slices else 60))  # fmt: skip
