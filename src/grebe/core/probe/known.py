"""What is known of a box while it is probed, handed from experiment to experiment."""

from __future__ import annotations

from random import Random

import msgspec

from grebe.core.probe.experiments import Strike
from grebe.core.probe.model import Answers, Ears, HeardHit
from grebe.core.probe.rules import Phrase

LEAST_HITS = 3


class Known:
    """What was found out so far."""

    def __init__(self, ears: Ears, dice: Random) -> None:
        self.ears = ears
        self.dice = dice
        self.found = Answers()
        self.best: Strike | None = None
        """A note that sounds well."""
        self.rings_s = 0.0
        """How long it rings."""
        self.lates_s: list[float] = []
        """From a note to its sound, of all notes struck so far."""
        self.phrase = Phrase((), (), 0)
        """What its own pattern plays."""
        self.runs: list[tuple[float, list[HeardHit]]] = []
        """Runs begun by Start: (seconds a clock, hits since the first clock)."""
        self.ahead = 0
        """Clocks that it is given before a Start, to settle."""
        self.loops = False
        """Whether what is sent comes round again: nothing more may be sent."""

    def say(self, text: str, sure: dict[str, float] | None = None, **found: object) -> None:
        """An answer with the sentence it was heard by, and how sure each is."""
        said, known = (*self.found.said, text), {**self.found.sure, **(sure or {})}
        self.found = msgspec.structs.replace(self.found, said=said, sure=known, **found)

    @property
    def late_s(self) -> float:
        """How late a note sounds, as far as that is known."""
        late_ms = self.found.latency_ms
        return 0.0 if late_ms is None else late_ms / 1e3

    @property
    def step_late_s(self) -> float:
        """How late a step sounds after its clock, or a note, while that is not known."""
        late_ms = self.found.clock_latency_ms
        return self.late_s if late_ms is None else late_ms / 1e3

    @property
    def plays(self) -> bool:
        """Whether Start sets a pattern going that can be told from silence."""
        return self.found.start is True and len(self.phrase.places) >= LEAST_HITS

    @property
    def follows(self) -> bool:
        """The same, and that it goes by our clock."""
        return self.plays and self.found.clock is True

    def answers(self) -> Answers:
        """What was found, and what could not be heard."""
        whole = self.found
        answered = [
            ("clock", whole.clock), ("start", whole.start), ("stop", whole.stop),
            ("continue", whole.goes_on), ("song_position", whole.song_position),
            ("program.obeyed", whole.program),
            ("program.at", whole.program_at if whole.program is not False else "never"),
            ("channels", whole.channels or None), ("latency_ms", whole.latency_ms),
            ("clock_latency_ms", whole.clock_latency_ms),
            ("velocity_levels", whole.velocity_levels), ("thru", whole.thru),
            ("sends_clock", whole.sends_clock),
        ]  # fmt: skip
        return msgspec.structs.replace(
            whole, unsure=tuple(name for name, value in answered if value is None)
        )
