"""The Scenes station."""

from __future__ import annotations

from functools import partial

from grebe.app.actions.keymap import told
from grebe.app.doing import Act, acts_of, does
from grebe.app.editors.clip import ThingClip, scene_in_hand
from grebe.app.editors.scene_editor import SceneEditor
from grebe.app.editors.scene_form import ECHOES, FOLLOWS, NO_ECHO, NO_ROLE, SCHOOLS
from grebe.app.live.session import Session
from grebe.core.forms import YES_NO, field
from grebe.core.songs.model import ROLES, Part, Performer, Scene, Then
from grebe.errors import EditError
from grebe.ui.stations.scenes.canvas import ChartCanvas
from grebe.ui.stations.scenes.facts import scene_lines
from grebe.ui.widgets.form import Form
from grebe.ui.widgets.pattern_strip import PatternStrip
from grebe.ui.widgets.sheet import Facts
from grebe.ui.widgets.typed import take_typed
from grebe.ui.widgets.view import NO_BOX, Sheet, Thing, View
from grebe.words import counted, tr

TITLES = {"part": tr("This device here"), "scene": tr("The scene"), "performer": tr("You")}
ROWS = (
    field("part", "muted", tr("Muted"), choices=YES_NO),
    field("part", "chain", tr("Plays, one after another"), control="chain"),
    field("part", "fill", tr("While a fill is held"), control="chain"),
    field("part", "silent_voices", tr("Silent voices"), control="ticks"),
    field("part", "tracks", tr("Loop tracks that play"), control="ticks"),
    field("part", "values", tr("Controllers sent as it comes in"), control="values"),
    field("part", "over_bars", tr("over bars"), Part),
    field(
        "part", "echo", tr("Echo time"), choices=(NO_ECHO, *(e for e in ECHOES if e is not None))
    ),
    field("part", "frozen", tr("Its echo frozen as a loop"), choices=YES_NO),
    field("scene", "name", tr("Name")),
    field("scene", "bars", tr("Bars"), Scene),
    field("scene", "times", tr("Passes"), Scene),
    field("scene", "meter", tr("Metre")),
    field("scene", "role", tr("Role"), choices=(NO_ROLE, *(r for r in ROLES if r))),
    field("scene", "mutes", tr("Mutes"), choices=("saved", "left")),
    field("scene", "hand_mutes", tr("By hand, at its end"), choices=("keep", "drop")),
    field("scene", "kind", tr("Then"), choices=FOLLOWS),
    field("scene", "to", tr("Jump to"), choices=("none",)),
    field("scene", "jumps", tr("Times, 0 always"), Then),
    field("performer", "hands", tr("Hands"), Performer),
    field("performer", "feet", tr("Free feet"), Performer),
    field("performer", "unchanged_bars", tr("Bars unchanged"), Performer),
    field("performer", "school", tr("Form"), choices=SCHOOLS),
)


class ScenesView(View):
    """What sounds together, what changes from one to the next, and can I make the change."""

    scope = "scenes"
    about = ("scene",)

    def __init__(self, session: Session) -> None:
        super().__init__(session)
        self._facts_stale = True
        self.editor = SceneEditor(session)
        hand = self.editor.hand
        self.clip = ThingClip(session, lambda: scene_in_hand(session, hand.scene_id))
        self.chart = ChartCanvas(self.editor)
        self.chart.pointed.connect(self._point)
        self.chart.given.connect(self._given)
        self.strip = PatternStrip(session)
        self.strip.chosen.connect(self._pattern_pointed)
        self.sheet = Sheet()
        self.facts = Facts(grows=True)
        self.form = Form(self.editor.form, TITLES, ROWS, self.editor.form)
        self.form.put_below(self.facts)
        take_typed(session, self.form, self.editor.form)
        self.sheet.column.addWidget(self.form, 1)
        self.lay_out(self.chart, self.sheet, above=self.strip)
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
            tr("of {song}", song=song.name)
            if editor.hand.only_song and song is not None
            else tr("of the project")
        )
        below = tr(
            "Lines run on where nothing changes. A ring: Grebe changes it. A diamond: you do."
        )
        self.heading.say(f"{counted(len(scenes), 'scene')} {which}", below)
        self.chart.reveal()
        self.strip.current = self._pattern_here()
        self.strip.arrange()
        self._show_sheet()

    @property
    def subject(self) -> str:
        """The scene in hand."""
        return self.editor.hand.scene_id

    def show_subject(self, kind: str, subject: str) -> None:
        """Take the scene in hand."""
        del kind
        if any(s.id == subject for s in self.session.project.scenes):
            self.editor.hand.only_song = False
            self.editor.hand.scene_id = subject
            self.document_changed()

    def _show_sheet(self) -> None:
        self.form.show_all()
        self._facts_stale = True

    def moved(self) -> None:
        """What there is to know about the scene: not with every key, but soon after."""
        if self._facts_stale:
            self.show_facts()

    def show_facts(self) -> None:
        """What there is to know about the scene in hand."""
        self._facts_stale = False
        scene = self.scene
        if scene is None:
            self.facts.show_lines([])
        else:
            index = [s.id for s in self.editor.hand.scenes].index(scene.id)
            self.facts.show_lines(scene_lines(self.editor, scene, index))

    def acts(self, part: int) -> dict[str, Act]:
        """The view's own, then the editor's; numbered keys."""
        del part
        numbered = {f"number_{n}": partial(self.editor.part.number, n) for n in range(1, 10)}
        return {**self.editor.acts(), **acts_of(self, self.clip), **numbered}

    def around(self, action_id: str, act: Act) -> Act:
        """Show what is in hand now."""
        del action_id

        def shown() -> None:
            hand = self.editor.hand
            before = (self.session.project, hand.scene_id, hand.device_id)
            act()
            after = (self.session.project, hand.scene_id, hand.device_id)
            self.session.selection.box = hand.device_id or self.session.selection.box
            if after[0] is before[0] or after[1:] != before[1:]:  # an edit alone is shown already
                self.document_changed()

        return shown

    def follow_box(self) -> None:
        """The row of the box in hand."""
        hand = self.editor.hand
        if any(d.id == self.session.selection.box for d in hand.devices):
            hand.device_id = self.session.selection.box

    def _point(self, scene: str, device: str) -> None:
        self.editor.hand.scene_id = scene
        self.editor.hand.device_id = device or self.editor.hand.device_id
        self.session.selection.box = self.editor.hand.device_id
        self.document_changed()

    def _pattern_here(self) -> str:
        """What the box in hand begins the scene with, else the first it has."""
        part, own = self.editor.hand.part, self.editor.hand.patterns
        if part is not None and part.chain:
            return part.chain[0]
        return own[0].id if own else ""

    def _given(self, pattern: str, row: int, column: int, longer: bool) -> None:
        """A pattern was dropped on a cell."""
        hand = self.editor.hand
        device, scene = hand.devices[row].id, hand.scenes[column].id
        try:
            self.editor.drags.give(pattern, device, scene, longer=longer)
        except EditError as error:
            self.session.say("warn", f"{error}.")
            return
        self._point(scene, device)

    def _pattern_pointed(self, pattern: str) -> None:
        """A pattern of the strip: its box is in hand."""
        found = self.session.project.patterns_by_id.get(pattern)
        if found is not None:
            self._point(self.editor.hand.scene_id, found.device)

    @does("edit_chain")
    def edit_chain(self) -> None:
        """To the chain, as a list."""
        self.form.open("chain")

    @does("settings")
    def settings(self) -> None:
        """To the form."""
        self.form.open()

    @does("rename")
    def rename(self) -> None:
        """To the scene's name."""
        self.form.open("name")

    def in_hand(self) -> Thing:
        """The box in the scene."""
        hand = self.editor.hand
        if not self.session.project.rig.devices:
            return NO_BOX
        if hand.scene is None:
            return Thing(tr("The chart"), ("chart",))
        device = hand.device
        name = (
            hand.scene.name
            if device is None
            else tr("{device} in {scene}", device=device.name, scene=hand.scene.name)
        )
        return Thing(name, ("part", "scene") if device is not None else ("scene",))

    @does("bring_in")
    def bring_in(self) -> None:
        """Bring it in where the song in hand has it, at the end of what plays."""
        song, scene = self.session.song, self.scene
        if song is None or scene is None:
            return
        sections = [s.id for s in song.sections if s.scene == scene.id]
        if not sections:
            raise EditError(
                tr(
                    "{song} does not play {scene}: {into_song} puts it there",
                    song=song.name,
                    scene=scene.name,
                    into_song=told("into_song"),
                )
            )
        self.session.performer.launch(sections[0], "section_end")
