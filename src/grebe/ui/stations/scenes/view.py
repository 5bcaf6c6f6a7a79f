"""The Scenes station."""

from __future__ import annotations

from functools import partial

from PyQt6.QtWidgets import QStackedWidget

from grebe.app.doing import Act, acts_of, does
from grebe.app.editors.scene_editor import SceneEditor
from grebe.app.editors.scene_form import ECHOES, FOLLOWS, NO_ECHO, NO_ROLE, SCHOOLS
from grebe.app.live.session import Session
from grebe.core.songs.model import ROLES, Scene
from grebe.errors import EditError
from grebe.ui.stations.scenes.canvas import ChartCanvas
from grebe.ui.stations.scenes.facts import scene_lines
from grebe.ui.widgets.form import Form, FormRow
from grebe.ui.widgets.formatting import counted
from grebe.ui.widgets.sheet import FactsArea
from grebe.ui.widgets.view import Sheet, View

YES_NO = ("yes", "no")
TITLES = {"part": "This device here", "scene": "The scene", "performer": "You"}
ROWS = (
    FormRow("part", "chain", "Chain, with /"),
    FormRow("part", "muted", "Muted", YES_NO),
    FormRow("part", "silent_voices", "Silent voices"),
    FormRow("part", "values", "Controllers, 74=20"),
    FormRow("part", "tracks", "Loop tracks"),
    FormRow("part", "echo", "Echo time", (NO_ECHO, *(e for e in ECHOES if e is not None))),
    FormRow("scene", "name", "Name"),
    FormRow("scene", "bars", "Bars"),
    FormRow("scene", "times", "Passes"),
    FormRow("scene", "meter", "Metre"),
    FormRow("scene", "role", "Role", (NO_ROLE, *(r for r in ROLES if r))),
    FormRow("scene", "mutes", "Mutes", ("saved", "left")),
    FormRow("scene", "hand_mutes", "By hand, at its end", ("keep", "drop")),
    FormRow("scene", "kind", "Then", FOLLOWS),
    FormRow("scene", "to", "Jump to", ("none",)),
    FormRow("scene", "rounds", "Times, 0 always"),
    FormRow("performer", "hands", "Hands"),
    FormRow("performer", "feet", "Free feet"),
    FormRow("performer", "unchanged_bars", "Bars unchanged"),
    FormRow("performer", "school", "Form", SCHOOLS),
)


class ScenesView(View):
    """What sounds together, what changes from one to the next, and can I make the change."""

    scope = "scenes"
    number = 4
    about = ("scene",)

    def __init__(self, session: Session) -> None:
        super().__init__(session)
        self.editor = SceneEditor(session)
        self.chart = ChartCanvas(self.editor)
        self.chart.pointed.connect(self._point)
        self.sheet = Sheet()
        self.facts_area = FactsArea()
        self.facts = self.facts_area.facts
        self.form = Form(self.editor.hand, TITLES, ROWS)
        self.take_typed(self.form, self.editor.hand)
        self.pages = QStackedWidget()
        self.pages.addWidget(self.facts_area)
        self.pages.addWidget(self.form)
        self.sheet.column.addWidget(self.pages, 1)
        self.lay_out(self.chart, self.sheet)
        self.add_pill("New scene", "new_scene", primary=True)
        self.add_pill("Copy", "copy_scene")
        self.add_pill("Settings", "settings")
        self.document_changed()

    @property
    def scene(self) -> Scene | None:
        """The scene in hand."""
        return self.editor.hand.scene

    def document_changed(self) -> None:
        """Show the scenes as they are now."""
        editor = self.editor
        editor.hand.settle()
        scenes = editor.hand.scenes
        song = self.session.song
        which = (
            f"of {song.name}" if editor.hand.only_song and song is not None else "of the project"
        )
        below = "Lines run on where nothing changes. A ring: Grebe changes it. A diamond: you do."
        self.heading.say(f"{counted(len(scenes), 'scene')} {which}", below)
        self.chart.reveal()
        self._show_sheet()

    def show_subject(self, kind: str, subject: str) -> None:
        """Take the scene in hand."""
        del kind
        if any(s.id == subject for s in self.session.project.scenes):
            self.editor.hand.only_song = False
            self.editor.hand.scene_id = subject
            self.document_changed()

    def _show_sheet(self) -> None:
        scene = self.scene
        if self.pages.currentWidget() is self.form:
            self.form.show_all()
        elif scene is None:
            self.facts.show_lines([])
        else:
            index = [s.id for s in self.editor.hand.scenes].index(scene.id)
            self.facts.show_lines(scene_lines(self.editor, scene, index))

    def acts(self) -> dict[str, Act]:
        """The view's own, then the editor's; numbered keys."""
        numbered = {f"number_{n}": partial(self.editor.part.number, n) for n in range(1, 10)}
        return {**self.editor.acts(), **acts_of(self), **numbered}

    def around(self, action_id: str, act: Act) -> Act:
        """Show what is in hand now."""
        del action_id

        def shown() -> None:
            before = self.session.project
            act()
            if self.session.project is before:  # an edit has been shown already
                self.document_changed()
            elif self.editor.hand.scene_id:
                self.chart.reveal()
                self._show_sheet()

        return shown

    def _point(self, scene: str, device: str) -> None:
        self.editor.hand.scene_id = scene
        self.editor.hand.device_id = device or self.editor.hand.device_id
        self.document_changed()

    @does("settings")
    def settings(self) -> None:
        """The form, or the facts again."""
        if self.pages.currentWidget() is self.form:
            self.escaped()
        else:
            self.pages.setCurrentWidget(self.form)
            self.form.open()

    def escaped(self) -> None:
        """Put the form away."""
        self.pages.setCurrentWidget(self.facts_area)
        self.chart.setFocus()
        self._show_sheet()

    @does("bring_in")
    def bring_in(self) -> None:
        """Bring it in where the song in hand has it, at the end of what plays."""
        song, scene = self.session.song, self.scene
        if song is None or scene is None:
            return
        sections = [s.id for s in song.sections if s.scene == scene.id]
        if not sections:
            raise EditError(f"{song.name} does not play {scene.name}: I puts it there")
        self.session.performer.launch(sections[0], "section_end")
