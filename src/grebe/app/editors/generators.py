"""The generators as a form has them: one chosen, its numbers, and the row it writes."""

from __future__ import annotations

from grebe.app.editors.pattern_editor import PatternEditor
from grebe.core.patterns.makers import MAKERS, Maker, usual


class Generators:
    """Every change writes the voice or the controllers under the cursor anew."""

    def __init__(self, editor: PatternEditor) -> None:
        self._editor = editor
        self._values = editor.session.generator_values
        self.maker = MAKERS[0]
        """The one chosen."""

    @property
    def row_name(self) -> str | None:
        """What it writes: the row under the cursor; None for none."""
        row = self._editor.hand.voice or self._editor.hand.lane
        return row.name if row is not None else None

    def choose(self, name: str) -> None:
        """Take another one in hand, with the numbers it had last, and write. EditError where it
        cannot write such a row."""
        self.maker = next(maker for maker in MAKERS if maker.name == name)
        self._write(self._of(self.maker))

    def field_text(self, owner: str, key: str) -> str | None:
        """One of the numbers of the generator `owner`; None while no row is in hand."""
        maker = next((one for one in MAKERS if one.name == owner), None)
        if maker is None or self.row_name is None:
            return None
        return self._of(maker)[key]

    def field_choices(self, owner: str, key: str) -> tuple[str, ...]:
        """Those of the generator."""
        maker = next(one for one in MAKERS if one.name == owner)
        return next(row.field(owner).choices for row in maker.parameters if row.key == key)

    def set_field(self, owner: str, key: str, text: str) -> None:
        """Set a number and write anew. EditError says what it may be; then all is as it was."""
        del owner  # that of the one chosen: only its numbers are shown
        values = {**self._of(self.maker), key: text}
        self._write(values)
        self._values[self.maker.name] = values

    def _of(self, maker: Maker) -> dict[str, str]:
        voice = self._editor.hand.voice
        values = {**usual(maker, voice), **self._values.get(maker.name, {})}
        if "notes" in values and voice is not None and not voice.hits:
            values["notes"] = usual(maker, voice)["notes"]
        return values

    def _write(self, values: dict[str, str]) -> None:
        if self.row_name is not None:
            self._editor.rows.make(self.maker, values)
