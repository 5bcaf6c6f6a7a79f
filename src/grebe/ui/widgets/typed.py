"""Forms that set what is typed into them; what cannot be is said at the field."""

from __future__ import annotations

from typing import Protocol, runtime_checkable

from grebe.app.live.session import Session
from grebe.errors import EditError
from grebe.ui.widgets.form import Form
from grebe.words import tr


class Typed(Protocol):
    """What takes settings from text."""

    def set_field(self, owner: str, key: str, text: str) -> None:
        """Take a setting from text. EditError says what it may be."""


@runtime_checkable
class PicksMany(Protocol):
    """What takes settings that several are chosen in."""

    def set_many(self, owner: str, key: str, ids: tuple[str, ...]) -> None:
        """Choose these. EditError says what cannot be."""


def take_typed(session: Session, form: Form, editor: Typed) -> None:
    """Let a form set what is typed and chosen in it, by an editor."""

    def refused(owner: str, key: str, error: EditError) -> None:
        session.say("warn", f"{error}.")
        form.refuse(tr("{error}. It stays as it was.", error=error), owner, key)

    def typed(owner: str, key: str, text: str) -> None:
        try:
            editor.set_field(owner, key, text)
        except EditError as error:
            refused(owner, key, error)

    def picked(owner: str, key: str, ids: tuple[str, ...]) -> None:
        try:
            if isinstance(editor, PicksMany):
                editor.set_many(owner, key, ids)
        except EditError as error:
            refused(owner, key, error)

    form.typed.connect(typed)
    form.picked.connect(picked)
