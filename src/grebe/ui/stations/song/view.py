"""The Song station."""

from __future__ import annotations

from PyQt6.QtWidgets import QStackedWidget, QWidget

from grebe.app.actions.keymap import told
from grebe.app.carrying import Carried
from grebe.app.document.sheets import programme_page, stage_page
from grebe.app.doing import Act, acts_of, does
from grebe.app.editors.clip import ThingClip, put_sections, sections_in_hand
from grebe.app.editors.song_editor import SongEditor
from grebe.app.live.session import Session
from grebe.core.document import Project
from grebe.core.forms import field
from grebe.core.patterns.model import ControlLane
from grebe.core.songs.model import ControlValue, Section, Song, Then
from grebe.errors import EditError
from grebe.ui.stations.song.canvas import SongCanvas
from grebe.ui.stations.song.exports import SongExports
from grebe.ui.widgets.form import Form
from grebe.ui.widgets.formatting import length_text
from grebe.ui.widgets.sheet_pane import SheetPane
from grebe.ui.widgets.typed import take_typed
from grebe.ui.widgets.view import Sheet, SidedView, Thing
from grebe.words import counted, tr

PANES = (
    (tr("Song"), "pane_song"),
    (tr("Programme"), "pane_programme"),
    (tr("Stage sheet"), "pane_stage"),
)
TITLES = {"place": tr("This place"), "section": tr("The section"), "song": tr("The song")}
ROWS = (
    field("place", "marker", tr("Marker")),
    field("place", "bpm", tr("Tempo from here"), Song, unit="BPM"),
    field("place", "ramp", tr("over bars")),
    field("place", "controller", tr("Controller"), ControlLane),
    field("place", "value", tr("its value here"), ControlValue),
    field("section", "scene", tr("Scene"), choices=("",)),
    field("section", "times", tr("Passes"), Section),
    field("section", "kind", tr("Then"), choices=("next", "jump", "back", "stay")),
    field("section", "to", tr("Jump to number")),
    field("section", "jumps", tr("Times, 0 always"), Then),
    field("song", "name", tr("Name")),
    field("song", "bpm", tr("Tempo"), Song, unit="BPM"),
)


class SongView(SidedView):
    """Sections in order, what is laid over them, the playhead; the song as each box can have it."""

    scope = "song"
    about = ("song",)

    def __init__(self, session: Session) -> None:
        super().__init__(session)
        self.editor = SongEditor(session)
        self.clip = ThingClip(session, self._copied, self._pasted)
        self.song_canvas = SongCanvas(self.editor)
        self.song_canvas.pointed.connect(self._point)
        self.programme = SheetPane("Programme", self._programme_page)
        self.stage_sheet = SheetPane(tr("Stage sheet"), self._stage_page)
        self.panes = QStackedWidget()
        for pane in (self.song_canvas, self.programme, self.stage_sheet):
            self.panes.addWidget(pane)
        self.exports = SongExports(
            self, self.editor, lambda: self.panes.currentWidget() is self.stage_sheet
        )
        self.form = Form(self.editor.hand, TITLES, ROWS)
        take_typed(self.session, self.form, self.editor.hand)
        self.side = Sheet()
        self.side.column.addWidget(self.form, 1)
        above = QWidget()
        above.setLayout(self.tab_row(PANES))
        self.lay_out(self.song_canvas, self.side, above=above, body=self.panes)
        self.document_changed()

    def document_changed(self) -> None:
        """Show the song as it is now."""
        session, song, layout = self.session, self.session.song, self.session.derived.layout()
        selected = layout.span_of(session.selection.section) if layout is not None else None
        if selected is not None and not selected.tick <= self.editor.hand.tick < selected.end:
            self.editor.hand.go_to_section(session.selection.section)
        self.editor.hand.settle()
        if song is None:
            words = tr("{form_verse} makes one of the scenes.", form_verse=told("form_verse"))
            self.heading.say(tr("No song yet"), words)
        elif layout is None:
            self.heading.say(song.name, tr("It names a scene that is not there."))
        else:
            self.heading.say(song.name, self._below())
        self.song_canvas.reveal()
        self.show_tab(self.panes.currentIndex())
        pane = self.panes.currentWidget()
        if isinstance(pane, SheetPane):
            pane.open()
        self.form.show_all()

    def show_subject(self, kind: str, subject: str) -> None:
        """Take the song in hand; not while another plays."""
        del kind
        if subject != self.session.selection.song_id:
            self.session.choose_song(subject)
            self.document_changed()

    def _below(self) -> str:
        layout, song = self.session.derived.layout(), self.session.song
        assert song is not None
        songs = self.session.project.songs
        number = [s.id for s in songs].index(song.id) + 1
        if layout is None or not layout.spans:
            return tr(
                "{bpm:g} BPM   song {number} of {count}",
                bpm=song.bpm,
                number=number,
                count=len(songs),
            )
        return tr(
            "{bars}   {length_text}   {bpm:g} BPM   song {number} of {count}, "
            "{next_song} for another   at bar {bar_at}",
            bars=counted(layout.bars, "bar"),
            length_text=length_text(layout.seconds()),
            bpm=song.bpm,
            number=number,
            count=len(songs),
            next_song=told("next_song"),
            bar_at=layout.bar_at(self.editor.hand.tick),
        )

    def moved(self) -> None:
        """Move the playhead."""
        self.song_canvas.move_playhead()

    def acts(self, part: int) -> dict[str, Act]:
        """The view's own, then the editor's."""
        del part
        return {**self.editor.acts(), **acts_of(self, self.exports, self.clip)}

    def around(self, action_id: str, act: Act) -> Act:
        """Show where the cursor is; an edit has been shown already."""
        del action_id

        def shown() -> None:
            before, section = self.session.project, self.session.selection.section
            act()
            selection, hand = self.session.selection, self.editor.hand
            selection.box = hand.device_id or selection.box
            if self.session.project is before:  # an edit has been shown already
                self._cursor_moved()
            elif section != self.session.selection.section:
                self.document_changed()

        return shown

    def _cursor_moved(self) -> None:
        self.session.selection.section = ""  # the cursor says which
        self.document_changed()

    def follow_box(self) -> None:
        """The row of the box in hand."""
        hand, box = self.editor.hand, self.session.selection.box
        if box != hand.device_id and any(d.id == box for d in hand.book.devices()):
            hand.device_id, hand.voice_id = box, ""

    def _point(self, tick: int, device: str, selects: bool) -> None:
        editor = self.editor
        span = editor.hand.layout.spans[editor.hand.layout.index_at(tick)]
        unit = editor.hand.unit(span)
        if selects and editor.hand.anchor is None:
            editor.hand.anchor = editor.hand.tick
        elif not selects:
            editor.hand.anchor = None
        editor.hand.tick = span.tick + (tick - span.tick) // unit * unit
        if device and device != editor.hand.device_id:
            editor.hand.device_id, editor.hand.voice_id = device, ""
            self.session.selection.box = device
        self._cursor_moved()

    def _copied(self) -> Carried:
        """The sections that the selection touches."""
        hand = self.editor.hand
        first, last = hand.selection
        ids = [s.id for s in hand.layout.song.sections]
        spans = hand.layout.spans
        ends = (hand.layout.index_at(tick) for tick in (first, max(first, last - 1)))
        begin, end = (ids.index(spans[at].section.id) for at in ends)
        return sections_in_hand(self.session, begin, end)

    def _pasted(self, project: Project, what: Carried) -> Project:
        """Sections after the one in hand; a whole song beside it."""
        if what.wanted.songs and not what.sections:
            return project
        return put_sections(project, what, self.session.selection.song_id, self.editor.hand.index)

    def select(self, section_id: str) -> None:
        """Select a section."""
        self.editor.hand.go_to_section(section_id)
        self._cursor_moved()

    # Panes and the form

    @does("pane_song")
    def pane_song(self) -> None:
        """The song on its ruler."""
        self.to_part(0)

    @does("pane_programme")
    def pane_programme(self) -> None:
        """The song as each box can have it."""
        self.to_part(1)

    @does("pane_stage")
    def pane_stage(self) -> None:
        """The stage sheet."""
        self.to_part(2)

    def _programme_page(self, ink: str, muted: str) -> str:
        song = self.session.song
        if song is None:
            raise EditError(tr("there is no song yet"))
        return programme_page(self.session.project, song, ink=ink, muted=muted)

    def _stage_page(self, ink: str, muted: str) -> str:
        song, project = self.session.song, self.session.project
        if song is None:
            raise EditError(tr("there is no song yet"))
        return stage_page(project, song, ink=ink, muted=muted)

    def escaped(self) -> bool:
        """Let go of what is selected."""
        held, self.editor.hand.anchor = self.editor.hand.anchor, None
        self.song_canvas.refresh()
        return held is not None

    def in_hand(self) -> Thing:
        """What is selected over a device, or the section."""
        hand = self.editor.hand
        if self.part > 0 or self.session.derived.layout() is None or hand.span is None:
            return Thing(tr("The song"), ("song",))
        span = hand.span
        name = span.scene.name
        if hand.anchor is not None:
            return Thing(tr("Selected in {name}", name=name), ("region", "section", "song"))
        return Thing(name, ("section", "region", "song"))

    @does("zoom_in")
    def zoom_in(self) -> None:
        """See fewer bars."""
        self.song_canvas.zoom(0.5)

    @does("zoom_out")
    def zoom_out(self) -> None:
        """See more bars."""
        self.song_canvas.zoom(2.0)

    # Out

    @does("bring_in")
    def bring_in(self) -> None:
        """Bring the selected section in at the end of the one that plays."""
        self.session.performer.launch(self.session.selection.section, "section_end")

    @does("cut_to")
    def cut_to(self) -> None:
        """Cut to the selected section now."""
        self.session.performer.launch(self.session.selection.section, "now")
