"""Patterns by id and by whose they are, found once for all documents that have them."""

from __future__ import annotations

from functools import cached_property

from grebe.core.patterns.model import Pattern

VERSIONS = 4
"""So many tuples of patterns are remembered: a document's, and those of the edits just made."""


class PatternIndex:
    """What a tuple of patterns holds. It is read only."""

    def __init__(self, patterns: tuple[Pattern, ...]) -> None:
        self.patterns = patterns
        self.by_id = {p.id: p for p in patterns}
        """Of two with one id the last."""
        self.of: dict[str, list[Pattern]] = {}
        """Those of each box or track that has some, in their order."""
        for pattern in patterns:
            self.of.setdefault(pattern.device, []).append(pattern)

    @cached_property
    def within(self) -> dict[str, dict[str, Pattern]]:
        """The same by id, of two with one id the last."""
        return {line: {p.id: p for p in patterns} for line, patterns in self.of.items()}


_known: tuple[PatternIndex, ...] = ()


def index_of(patterns: tuple[Pattern, ...]) -> PatternIndex:
    """The index of these very patterns. Most edits leave them alone, and comparing thousands costs
    more than finding them anew: they are told apart by identity, which an index keeps alive."""
    global _known  # noqa: PLW0603 - one swap of a whole tuple, so any thread may ask
    for index in _known:
        if index.patterns is patterns:
            return index
    made = PatternIndex(patterns)
    _known = (made, *_known[: VERSIONS - 1])
    return made
