"""The file behind a window: saved, saved elsewhere, left; what is asked before work is lost."""

from __future__ import annotations

from pathlib import Path
from typing import NamedTuple

from PyQt6.QtWidgets import QMessageBox, QWidget

from grebe.app.actions.keymap import told
from grebe.app.document.loop_files import take_along
from grebe.app.document.recovery import Keeper
from grebe.app.document.store import Store
from grebe.app.live.session import Session
from grebe.app.settings import read_settings, remember_project
from grebe.errors import ChangedOnDisk, ProjectError
from grebe.formats.atomic import last_of
from grebe.formats.project import SUFFIX, named
from grebe.process.places import shown
from grebe.ui.widgets.ask_file import PROJECTS, ask_save, folder_for
from grebe.ui.widgets.theme import chosen_palette, style_sheet
from grebe.words import tr

FILES = "Grebe projects (*.grebe)"


class Question(NamedTuple):
    """A question and its answers: what each does is in its words."""

    title: str
    text: str
    answers: tuple[str, ...]
    """The first is what Enter does."""


def ask(parent: QWidget, choice: Question) -> str:
    """The answer chosen; "" for none."""
    box = QMessageBox(QMessageBox.Icon.NoIcon, choice.title, choice.text, parent=parent)
    box.setStyleSheet(style_sheet(chosen_palette(read_settings().theme)))
    made = {}
    for words in choice.answers:
        made[box.addButton(words, QMessageBox.ButtonRole.AcceptRole)] = words
    box.addButton(QMessageBox.StandardButton.Cancel)
    box.setDefaultButton(next(iter(made)))
    box.exec()
    pressed = box.clickedButton()
    return next((words for button, words in made.items() if button is pressed), "")


KEEP_MINE, TAKE_THEIRS, SAVE_BOTH = tr("Keep mine"), tr("Take theirs"), tr("Save both")
REPLACE = tr("Replace it")
SAVE, LEAVE = "Save", tr("Leave without them")


class Documents:
    """Saves a session's document, and asks what has to be asked."""

    def __init__(self, window: QWidget, session: Session, keeper: Keeper) -> None:
        self._window = window
        self._session = session
        self._keeper = keeper

    def save(self) -> bool:
        """Save, asking for a name where there is none; whether it is saved."""
        store = self._session.store
        if store.path is None:
            return self.save_as()
        try:
            self._keeper.save()
        except ChangedOnDisk:
            return self._settle_with_theirs()
        self._session.say("info", tr("Saved {store}.", store=store.name))
        return True

    def save_as(self) -> bool:
        """Save under another name, which is asked about when something is there; loops go with it.

        Whether it was saved.
        """
        store = self._session.store
        path = self._asked_for(tr("Save the project"), store.path or self._proposed())
        if path is None:
            return False
        if path == store.path:
            return self.save()
        said = take_along(store, path.parent)
        self._keeper.save(path)
        remember_project(path)
        self._session.say(
            "warn" if said else "info", said or tr("Saved {store}.", store=store.name)
        )
        return True

    def save_copy(self) -> None:
        """Write what is here under another name, its loops beside it; the document keeps its own.

        ProjectError when it cannot be written.
        """
        store = self._session.store
        begin = store.free_name() if store.path is not None else self._proposed()
        path = self._asked_for(tr("Save a copy"), begin)
        if path is None:
            return
        if path == store.path:
            raise ProjectError(tr("that is the project itself: a copy needs another name"))
        copy = Store(store.project, extras=store.extras, home=store.home)
        said = take_along(copy, path.parent)
        copy.save(path)
        self._session.say(
            "warn" if said else "info", said or tr("Wrote a copy: {path}.", path=shown(path.name))
        )

    def _proposed(self) -> Path:
        folder = Path(folder_for(PROJECTS) or Path.home())
        return folder / f"{self._session.project.name.replace('/', '-')}{SUFFIX}"

    def _asked_for(self, title: str, begin: Path) -> Path | None:
        """A name to write under, asked about when something is there; None where it is not to be
        written."""
        chosen = ask_save(self._window, PROJECTS, title, FILES, str(begin), asks=False)
        if chosen is None:
            return None
        path = named(str(chosen))  # only now is it a file's name
        ours = path == self._session.store.path
        return path if ours or not path.exists() or self._may_replace(path) else None

    def _may_replace(self, path: Path) -> bool:
        kept = shown(last_of(path).name)
        text = tr(
            "{path} is there already in {path2}. Replacing it keeps what is there now as {kept}.",
            path=shown(path.name),
            path2=shown(path.parent),
            kept=kept,
        )
        return ask(self._window, Question("Replace a project", text, (REPLACE,))) == REPLACE

    def _settle_with_theirs(self) -> bool:
        """Somebody else has written the file meanwhile: nothing is lost without a choice."""
        store = self._session.store
        assert store.path is not None
        other = store.free_name()
        text = tr(
            "{store} has been changed by another window or program since it was "
            "opened here.\n\n{keep_mine}: yours is saved, theirs stays as {path}.\n"
            "{take_theirs}: theirs is shown; Undo brings yours back.\n{save_both}: "
            "yours is saved as {path2}.",
            store=store.name,
            keep_mine=KEEP_MINE,
            path=shown(last_of(store.path).name),
            take_theirs=TAKE_THEIRS,
            save_both=SAVE_BOTH,
            path2=shown(other.name),
        )
        answers = (SAVE_BOTH, KEEP_MINE, TAKE_THEIRS)
        answer = ask(self._window, Question(tr("Changed on disk"), text, answers))
        if answer == KEEP_MINE:
            self._keeper.save(over=True)
            self._session.say(
                "info",
                tr(
                    "Saved {store}; theirs is {name}.",
                    store=store.name,
                    name=last_of(store.path).name,
                ),
            )
        elif answer == TAKE_THEIRS:
            store.take_theirs()
            self._session.say(
                "info",
                tr(
                    "{store} as it is on the disk. {undo} brings yours.",
                    store=store.name,
                    undo=told("undo"),
                ),
            )
        elif answer == SAVE_BOTH:
            self._keeper.save(other)
            remember_project(other)
            self._session.say(
                "info", tr("Saved as {store}; theirs keeps its name.", store=store.name)
            )
        return bool(answer)

    def may_leave(self) -> bool:
        """Whether unsaved work may be left: asks, since leaving it cannot be undone."""
        store = self._session.store
        if not store.dirty:
            return True
        text = tr("{session} has changes that are not saved.", session=self._session.project.name)
        answer = ask(self._window, Question(tr("Unsaved changes"), text, (SAVE, LEAVE)))
        if answer == SAVE:
            return self.save() and not store.dirty
        if answer == LEAVE:
            self._keeper.forget()
            return True
        return False
