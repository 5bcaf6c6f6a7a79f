"""The answers about a box that no profile knows, as a form takes and shows them. Without Qt."""

from __future__ import annotations

from grebe.core.rig.blank import QUESTIONS, SKIP, SOCKETS, Blank, guesses, profile_of
from grebe.errors import EditError
from grebe.words import counted, tr


class BlankBox:
    """Takes the answers about a box, and makes a profile of what was answered so far."""

    def __init__(self) -> None:
        self.answers: dict[str, str] = {}
        self.sockets: tuple[str, ...] = ()
        self.voices = self.controllers = ""
        """Charts as they were pasted."""

    def begin(self) -> None:
        """Nothing was answered yet."""
        self.answers, self.sockets = {}, ()
        self.voices = self.controllers = ""

    def blank(self, known: frozenset[str] = frozenset()) -> Blank:
        """The profile that these answers make. EditError says which cannot be."""
        return self._made(self.answers, known)

    def _made(self, answers: dict[str, str], known: frozenset[str] = frozenset()) -> Blank:
        return profile_of(
            answers, self.sockets, voices=self.voices, controllers=self.controllers, known=known
        )

    def field_text(self, owner: str, key: str) -> str | None:
        """An answer as text."""
        del owner
        question = next(q for q in QUESTIONS if q.key == key)
        return self.answers.get(key, SKIP if question.choices else "")

    def field_choices(self, owner: str, key: str) -> tuple[str, ...]:
        """None of them depends on anything."""
        del owner, key
        return ()

    def field_many(
        self, owner: str, key: str
    ) -> tuple[tuple[tuple[str, str], ...], tuple[str, ...]] | None:
        """The sockets there are, and those that were seen."""
        del owner, key
        return tuple((name, socket.words) for name, socket in SOCKETS.items()), self.sockets

    def set_field(self, owner: str, key: str, text: str) -> None:
        """Take an answer. EditError says what it may be."""
        del owner
        answers = {**self.answers, key: text.strip()}
        self._made(answers)
        self.answers = answers

    def set_many(self, owner: str, key: str, ids: tuple[str, ...]) -> None:
        """Take the sockets that were seen."""
        del owner, key
        self.sockets = ids

    def understood(self) -> tuple[str, ...]:
        """What was understood of the charts and is still guessed, a sentence each."""
        try:
            made = self.blank()
        except EditError as error:
            return (f"{error}.",)
        lines: list[str] = []
        for words, chart in (("voice", made.voices), ("controller", made.controllers)):
            if chart.rows or chart.marked:
                lines.append(tr("{rows} understood.", rows=counted(len(chart.rows), words)))
            lines += [
                tr("Line {line}: {why}.", line=m.line, why=m.why)
                for m in chart.marked[:MOST_MARKED]
            ]
            if len(chart.marked) > MOST_MARKED:
                lines.append(
                    tr(
                        "{value} lines more are not understood.",
                        value=len(chart.marked) - MOST_MARKED,
                    )
                )
        left = guesses(made.profile.spec)
        lines.append(
            tr("Guessed: {names}.", names=", ".join(left))
            if left
            else tr("Nothing of it is guessed.")
        )
        return tuple(lines)


MOST_MARKED = 5
"""So many lines of a chart are named."""
