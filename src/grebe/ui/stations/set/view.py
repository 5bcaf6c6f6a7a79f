"""The Set station."""

from __future__ import annotations

from pathlib import Path

from PyQt6.QtWidgets import QStackedWidget, QWidget

from grebe.app.actions.keymap import told
from grebe.app.carrying import Carried
from grebe.app.document.export import export_set_csv
from grebe.app.document.sheets import set_sheet
from grebe.app.doing import Act, acts_of, does
from grebe.app.editors.clip import ThingClip, put_in_set, song_in_hand, without_stretch
from grebe.app.editors.set_drags import work_words
from grebe.app.editors.set_editor import SetEditor
from grebe.app.editors.set_form import WAYS
from grebe.app.live.rehearsal import Rehearsal
from grebe.app.live.session import Session
from grebe.core.document import Project
from grebe.core.forms import field
from grebe.core.sets.model import SetSong, Weights
from grebe.core.time.formatting import clock_text
from grebe.errors import GrebeError
from grebe.formats.sets_csv import read_set_file
from grebe.ui.stations.set.canvas import SetCanvas
from grebe.ui.stations.set.rehearse import RehearsePane
from grebe.ui.widgets.ask_file import SETS, ask_open, ask_save
from grebe.ui.widgets.form import Form
from grebe.ui.widgets.paper_out import PaperOut
from grebe.ui.widgets.typed import take_typed
from grebe.ui.widgets.view import Sheet, SidedView, Thing
from grebe.words import counted, tr

TITLES = {"place": tr("This place"), "song": tr("The song"), "set": tr("The set")}
ROWS = (
    field("place", "song", tr("Song"), choices=("",)),
    field("place", "into", tr("Comes in"), choices=tuple(WAYS.values())),
    field("place", "ramp_bars", tr("Ramp"), SetSong, unit=tr("bars")),
    field("place", "gap_s", tr("Silence before"), SetSong, unit="s", step=1),
    field("song", "key", tr("Key, if not as heard")),
    field("song", "version", tr("Version")),
    field("song", "needs", tr("Needs")),
    field("set", "name", tr("Name")),
    field("set", "slot", tr("Slot, min:s")),
    field("set", "tempo", tr("Tempo steps weigh"), Weights),
    field("set", "key", tr("Keys weigh"), Weights),
    field("set", "energy", tr("Energy weighs"), Weights),
    field("set", "work", tr("Work weighs"), Weights),
)
PANES = ((tr("Running order"), "pane_order"), (tr("Rehearse"), "pane_rehearse"))


class SetView(SidedView):
    """In what order, at what tempi and keys, does it fit the slot."""

    scope = "set"
    about = ("set",)

    def __init__(self, session: Session, rehearsal: Rehearsal) -> None:
        super().__init__(session)
        self.editor = SetEditor(session)
        self.paper = PaperOut(self, session)
        self.clip = ThingClip(session, self._copied, self._pasted)
        self.set_canvas = SetCanvas(self.editor)
        self.set_canvas.pointed.connect(self._point)
        self.set_canvas.wished.connect(self._wish)
        self.form = Form(self.editor.hand, TITLES, ROWS)
        take_typed(self.session, self.form, self.editor.hand)
        self.side = Sheet()
        self.side.column.addWidget(self.form, 1)
        self.rehearse = RehearsePane(rehearsal)
        self.panes = QStackedWidget()
        self.panes.addWidget(self.set_canvas)
        self.panes.addWidget(self.rehearse)
        above = QWidget()
        above.setLayout(self.tab_row(PANES))
        self.lay_out(self.set_canvas, self.side, above=above, body=self.panes)

    def document_changed(self) -> None:
        """Show the set as it is now."""
        self.editor.hand.settle()
        plan = self.editor.hand.plan
        if plan is None:
            self.heading.say(
                tr("No set yet"),
                tr("{add_song} puts a song into a first one.", add_song=told("add_song")),
            )
        else:
            self.heading.say(plan.running.name, self._below())
        self.set_canvas.refresh()
        self.rehearse.update()
        self.show_tab(self.panes.currentIndex())
        self.form.show_all()

    def show_subject(self, kind: str, subject: str) -> None:
        """Take the set in hand; not while one plays."""
        del kind
        if any(s.id == subject for s in self.session.project.sets):
            self.session.selection.take_set(subject)
            self.document_changed()

    def _below(self) -> str:
        plan = self.editor.hand.plan
        assert plan is not None
        words = [counted(len(plan.songs), "song"), clock_text(plan.seconds)]
        if plan.running.slot_s:
            words[-1] += tr(" of {clock_text}", clock_text=clock_text(plan.running.slot_s))
        words += work_words(plan)
        return "   ".join(words)

    def moved(self) -> None:
        """Move the playhead."""
        if self.panes.currentWidget() is self.rehearse:
            self.rehearse.update()
        else:
            self.set_canvas.move_playhead()

    def acts(self, part: int) -> dict[str, Act]:
        """The view's own, then the editor's; while rehearsing, only what is seen."""
        if part == 1:
            return {**self._part_acts(), **acts_of(self.rehearse)}
        return {**self.editor.acts(), **acts_of(self, self.clip)}

    def _part_acts(self) -> dict[str, Act]:
        """What shows a part, or writes a file: possible in every part."""
        kept = (
            "pane_order", "pane_rehearse", "read_csv", "write_csv", "print_sheet", "write_sheet",
            "preview_sheet", "next_set",
        )  # fmt: skip
        return {
            name: act
            for name, act in {**self.editor.acts(), **acts_of(self)}.items()
            if name in kept
        }

    def in_hand(self) -> Thing:
        """The place of the set, or what is rehearsed."""
        if self.part == 1:
            return Thing(tr("Rehearse"), ("rehearsal",))
        entry = self.editor.hand.entry
        songs = {s.id: s.name for s in self.session.project.songs}
        if entry is None:
            return Thing(tr("The set"), ("set",))
        return Thing(songs.get(entry.song, entry.song), ("place", "set"))

    def around(self, action_id: str, act: Act) -> Act:
        """Show what is in hand now."""
        del action_id

        def shown() -> None:
            before = self.session.project
            act()
            if self.session.project is before:  # an edit has been shown already
                self.document_changed()
            else:
                self.set_canvas.refresh()

        return shown

    def _copied(self) -> Carried:
        """The song at the place in hand."""
        entry = self.editor.hand.entry
        return song_in_hand(self.session, "" if entry is None else entry.song)

    def _pasted(self, project: Project, what: Carried) -> Project:
        """Songs after the place in hand."""
        running, entry = self.editor.hand.running, self.editor.hand.entry
        if running is None:
            return without_stretch(project, what)
        at = -1 if entry is None else running.place(entry.id)
        return put_in_set(project, what, running.id, at)

    def _point(self, entry: str) -> None:
        self.editor.hand.entry_id = entry
        self.document_changed()

    def _wish(self, place: int, share: float) -> None:
        self.editor.whole.wish(place, share)

    @does("pane_order")
    def pane_order(self) -> None:
        """The running order."""
        self.to_part(0)

    @does("pane_rehearse")
    def pane_rehearse(self) -> None:
        """Rehearse it."""
        self.to_part(1)

    # Files

    @does("read_csv")
    def read_csv(self) -> None:
        """Read the set from a CSV file."""
        chosen = ask_open(self, SETS, tr("Read the set from"), tr("CSV (*.csv)"))
        if chosen is not None:
            self.read_from(chosen)

    def read_from(self, path: Path) -> None:
        """The same under a name; what cannot be read is said in the window."""
        try:
            self.editor.hand.change_set(
                tr("Set from CSV"), lambda s: read_set_file(path, self.session.project, s)
            )
        except GrebeError as error:
            self.session.say("error", str(error))
        else:
            self.session.say("info", tr("Read {path}.", path=path.name))

    @does("write_csv")
    def write_csv(self) -> None:
        """Write the set as CSV."""
        chosen = ask_save(self, SETS, tr("Write the set as"), tr("CSV (*.csv)"))
        if chosen is not None:
            self.write_into(chosen)

    @does("preview_sheet")
    def preview_sheet(self) -> None:
        """The stage sheet of the set, as it would be printed."""
        running = self.editor.hand.running
        if running is not None:
            self.paper.preview(set_sheet(self.session.project, running))

    @does("print_sheet")
    def print_sheet(self) -> None:
        """The stage sheet of the set onto paper."""
        running = self.editor.hand.running
        if running is not None:
            self.paper.print(set_sheet(self.session.project, running))

    @does("write_sheet")
    def write_sheet(self) -> None:
        """The stage sheet of the set as a file."""
        running = self.editor.hand.running
        if running is not None:
            self.paper.write(set_sheet(self.session.project, running))

    def write_into(self, path: Path) -> None:
        """The set as CSV under a name; failures are said."""
        running = self.editor.hand.running
        if running is None:
            return
        try:
            export_set_csv(self.session.project, running, path)
        except GrebeError as error:
            self.session.say("error", str(error))
        else:
            self.session.say("info", tr("Wrote {path}.", path=path.name))
