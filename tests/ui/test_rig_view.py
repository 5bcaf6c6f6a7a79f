"""The Rig station as a performer uses it: keys, tables, sheets."""

from __future__ import annotations

from typing import Any

import msgspec
from PyQt6.QtCore import QPoint
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QComboBox

from grebe.app.editors.finding_edits import FindingEdits
from grebe.core.document import with_leader, with_rig
from grebe.core.rig.model import Filter, Port, Rig
from grebe.formats.profiles import shipped_profiles
from grebe.ui.stations.rig.notes import route_sentence
from grebe.ui.stations.rig.view import RigView
from grebe.ui.widgets.fields import NumberField
from tests.ui.conftest import Performer, fill_in
from tests.ui.hand import ALT, CTRL, LEFT, K


def rig_view(performer: Performer) -> RigView:
    view = performer.frame.views[1]
    assert isinstance(view, RigView)
    return view


def rig(performer: Performer) -> Rig:
    return performer.frame.session.project.rig


def type_(performer: Performer, words: str) -> None:
    target = performer.frame.focusWidget()
    assert target is not None
    QTest.keyClicks(target, words)


def test_the_demo_is_drawn_without_crossings(performer: Performer) -> None:
    """Grebe before what it leads, ten boxes, every cable, nothing outside the canvas."""
    view = rig_view(performer)
    performer.frame.grab()
    placed = {p.device: p.box for p in view.tree_canvas.placed}
    assert set(placed) == {"grebe", *(d.id for d in rig(performer).devices)}
    feeding = {"ruff", "dipper"}
    assert placed["grebe"].left() == min(
        box.left() for name, box in placed.items() if name not in feeding
    )
    assert all(placed[name].right() < placed["grebe"].left() for name in feeding)
    assert view.tree_canvas.shown.drawing.crossings == 0
    assert len(view.tree_canvas.picture.cables) == 10
    for box in placed.values():
        assert box.right() <= view.tree_canvas.width()
        assert box.bottom() <= view.tree_canvas.height()
    for box in placed.values():
        others = [other for other in placed.values() if other is not box]
        assert not any(box.intersects(other) for other in others)


def test_offsets_and_who_plays(performer: Performer) -> None:
    """Up and Down choose a device, comma and full stop move its offset, W changes who plays."""
    performer.frame.grab()
    view = rig_view(performer)
    performer.press(K.Key_Down)
    assert view.selected == "knot"
    performer.press(K.Key_Period)
    performer.press(K.Key_Period)
    performer.press(K.Key_Comma)
    assert rig(performer).device("knot").offset_ms == 0.1
    offset = view.side.device_page.form.fields[("box", "offset_ms")]
    assert isinstance(offset, NumberField)
    assert offset.text() == "0.1"
    fill_in(view.side.device_page.form, "box", "offset_ms", "-3.5")
    assert rig(performer).device("knot").offset_ms == -3.5
    performer.press(K.Key_W)
    assert rig(performer).device("knot").plays == "own"


def test_every_setting_of_a_box(performer: Performer) -> None:
    """One after another from the sheet; what is wrong is said and what was there stays."""
    view = rig_view(performer)
    view.select("smew")
    form = view.side.device_page.form
    for key, text, value in (
        ("name", "Smew II", "Smew II"), ("label", "drums", "drums"), ("kind", "sampler", "sampler"),
        ("plays", "what Grebe plays", "grebe"), ("channel", "11", 11), ("channel", "+2", 13),
        ("tolerance_ms", "3.5", 3.5), ("sends_clock", "yes", True), ("obeys_clock", "no", False),
        ("stays", "yes", True), ("clock_stopped", "yes", True), ("obeys_program", "no", False),
        ("change_at", "on the bar", "bar"), ("program_printed_from", "0", 0),
        ("mute_controller", "by hand", None),
    ):  # fmt: skip
        fill_in(form, "box", key, text)
        assert getattr(rig(performer).device("smew"), key) == value, key
    before = rig(performer)
    for key, text in (("channel", "17"), ("name", ""), ("tolerance_ms", "much"),
                      ("offset_ms", "late")):  # fmt: skip
        fill_in(form, "box", key, text)
        assert not form._said[("box", key)].isHidden(), key
    assert rig(performer) is before
    performer.act("rename")
    assert performer.frame.focusWidget() is form.fields[("box", "name")]


def test_findings_are_mended_and_accepted_by_key(performer: Performer) -> None:
    """F mends what blocks, N chooses the next, I says it is intended; the badge follows."""
    frame = performer.frame
    session, view = frame.session, rig_view(performer)
    frame.grab()
    performer.wait(lambda: frame.rail.badges.get(1) == 3)
    performer.act("mend_here")
    assert rig(performer).cables[4].gives == "thru"
    performer.wait(lambda: frame.rail.badges[1] == 2)
    performer.act("finding_after")
    chosen = view.findings.current
    performer.act("accept_here")
    assert chosen not in session.derived.findings()
    assert chosen in session.derived.intended()
    performer.wait(lambda: frame.rail.badges[1] == 1)
    view.findings.toggle_intended()
    frame.grab()
    FindingEdits(session).hear_again(chosen)  # type: ignore[arg-type]
    assert chosen in session.derived.findings()


def test_findings_by_mouse(performer: Performer) -> None:
    """The buttons on a finding, a click on it, and the wheel."""
    view = rig_view(performer)

    def drawn(words: str) -> list[Any]:
        performer.frame.grab()
        return [b for b in view.findings._buttons if b.words == words]

    performer.wait(lambda: drawn("Mend"))
    before, button = len(view.findings.findings), drawn("Mend")[0]
    QTest.mouseClick(view.findings.surface, LEFT, pos=button.box.center().toPoint())
    assert rig(performer).cables[4].gives == "thru"
    performer.wait(lambda: len(view.findings.findings) < before)
    performer.frame.grab()
    box, index = view.findings._rows[1]
    QTest.mouseClick(view.findings.surface, LEFT, pos=box.topLeft().toPoint() + QPoint(90, 20))
    assert view.findings.selected == index
    button = drawn("Intended")[0]
    QTest.mouseClick(view.findings.surface, LEFT, pos=button.box.center().toPoint())
    assert len(performer.frame.session.derived.intended()) == 2


def test_nobody_leads_is_mended(performer: Performer) -> None:
    """The proposal is taken with F; L lets another lead, P the best."""
    session = performer.frame.session
    session.store.apply("Nobody", lambda p: with_leader(p, None))
    performer.frame.grab()
    assert session.derived.findings()[0].code == "rig.no-leader"
    performer.act("mend_here")
    assert rig(performer).leader == "grebe"
    rig_view(performer).select("smew")
    performer.act("lead")
    assert rig(performer).leader == "smew"
    assert rig(performer).device("smew").sends_clock
    performer.act("propose")
    assert rig(performer).leader == "grebe"
    assert "could reach" in session.notices.last.text  # type: ignore[union-attr]


def test_a_box_and_its_cables_by_keyboard_alone(performer: Performer) -> None:
    """A, what it is, Enter, its name, Enter; C, Enter: plugged in at jacks that fit."""
    view = rig_view(performer)
    performer.act("add_box")
    type_(performer, "pad banks")
    assert view.side.add_page.list.count() == 1
    performer.press(K.Key_Return)
    type_(performer, "Fulmar")
    performer.press(K.Key_Return)
    device = rig(performer).device("fulmar")
    assert device.kind == "sampler"
    assert device.channel == 10
    view.select("grebe")
    performer.act("add_cable")
    target = view.side.cable_page.target
    target.setCurrentIndex(target.findText("Fulmar"))
    performer.press(K.Key_Return)
    cable = rig(performer).cables[-1]
    assert (cable.source, cable.target, cable.target_jack) == ("grebe", "fulmar", "midi-in")
    performer.press(K.Key_Z, CTRL)
    performer.press(K.Key_Z, CTRL)
    assert "fulmar" not in {d.id for d in rig(performer).devices}


def test_a_controller_into_grebe_begins_a_route_with_pads_mapped(performer: Performer) -> None:
    """The finding offers the map; in Note maps a pad gets another note."""
    view = rig_view(performer)
    profiles = {p.id: p for p in shipped_profiles()}
    view.side._add_box(profiles["fulmar"], "Fulmar")
    view.side._add_box(profiles["pochard"], "Pads")
    performer.act("add_cable")
    view.side.cable_page.target.setCurrentIndex(0)
    assert view.side.cable_page.target.currentText() == "Grebe"
    view.side.cable_page.done.clicked.emit()
    route = rig(performer).routes[-1]
    assert (route.source, route.target) == ("pads", "fulmar")
    finding = next(f for f in performer.frame.session.derived.findings() if f.code == "rig.pads")
    FindingEdits(performer.frame.session).mend(finding)
    assert rig(performer).routes[-1].notes == "position"
    performer.press(K.Key_4, ALT)
    assert view.panes.currentWidget() is view.panes.notes
    performer.act("one_after")
    performer.frame.grab()
    route, ends = view.panes.notes.route, view.panes.notes.ends()
    assert route is not None
    assert ends is not None
    assert "each has its own" in route_sentence(route, *ends)
    performer.press(K.Key_Up)
    assert view.panes.notes.pad == 5
    performer.act("note_up")
    route = rig(performer).routes[-1]
    assert route.notes == "table"
    assert dict(route.table)[40] == 69
    performer.act("note_mode")
    assert rig(performer).routes[-1].notes == "same"
    box, pad = view.panes.notes._pads[-1] if view.panes.notes._pads else (None, 0)
    assert pad
    QTest.mouseClick(view.panes.notes.surface, LEFT, pos=box.center().toPoint())  # type: ignore[union-attr]
    assert view.panes.notes.pad == pad


def test_removing_a_box_shows_what_uses_it(performer: Performer) -> None:
    """Delete asks, with the uses; Esc keeps, the button removes, undo brings it back."""
    view = rig_view(performer)
    view.select("dunlin")
    performer.press(K.Key_Delete)
    words = view.side.remove_page.facts.accessibleName()
    assert "2 cables" in words
    assert "a part in Slack" in words
    performer.press(K.Key_Escape)
    assert view.side.pages.currentWidget() is view.side.device_page
    before = rig(performer)
    performer.press(K.Key_Delete)
    view.side.remove_page.done.clicked.emit()
    assert "dunlin" not in {d.id for d in rig(performer).devices}
    assert not any("dunlin" in (c.source, c.target) for c in rig(performer).cables)
    performer.press(K.Key_Z, CTRL)
    assert rig(performer) == before


def test_filters_by_click(performer: Performer) -> None:
    """Notes off at Knot's input, on again; the drawing and the findings follow."""
    view = rig_view(performer)
    view.select("knot")
    box = view.side.device_page.filters[("accepts", "notes")]
    assert box.isChecked()
    box.click()
    assert rig(performer).cables[1].accepts == Filter(notes=False)
    assert any(f.code == "rig.blocked" for f in performer.frame.session.derived.findings())
    box.click()
    assert rig(performer).cables[1].accepts == Filter()


def test_the_tables_take_what_fits_and_refuse_the_rest(performer: Performer) -> None:
    """Cells are edited in place; what cannot be is said and nothing changes."""
    view = rig_view(performer)
    performer.press(K.Key_2, ALT)
    assert view.panes.currentWidget() is view.panes.tables
    performer.frame.grab()
    devices, cables, _ = view.panes.tables.models
    titles = [column.title for column in cables.columns]
    assert devices.setData(devices.index(1, 2), "5")
    assert rig(performer).device("knot").channel == 5
    assert devices.setData(devices.index(1, 2), "+3")
    assert rig(performer).device("knot").channel == 8
    assert not devices.setData(devices.index(1, 2), "17")
    assert "Nothing was changed" in performer.frame.session.notices.last.text  # type: ignore[union-attr]
    assert cables.setData(cables.index(0, titles.index("Lets out")), "all but notes, cc 7")
    assert rig(performer).cables[0].passes == Filter(notes=False, but=(7,))
    assert not cables.setData(cables.index(0, titles.index("Lets out")), "sausages")
    assert cables.setData(cables.index(5, titles.index("Counts on")), "2")
    assert any(f.code == "rig.rate" for f in performer.frame.session.derived.findings())
    assert not cables.setData(cables.index(0, titles.index("To")), "Grebe")
    assert cables.setData(cables.index(4, titles.index("Output")), "MIDI thru")
    assert rig(performer).cables[4].source_jack == "midi-thru"


def test_a_cell_is_edited_by_keyboard_with_its_choices(performer: Performer) -> None:
    """Enter opens the list of what fits; Delete takes the row out, undo brings it back."""
    view = rig_view(performer)
    performer.press(K.Key_2, ALT)
    table = view.panes.tables.cables
    table.setFocus()
    table.setCurrentIndex(table.model().index(4, 5))  # type: ignore[union-attr]
    QTest.keyClick(table, K.Key_Return)
    editor = table.findChild(QComboBox)
    assert editor is not None
    assert [editor.itemText(i) for i in range(editor.count())] == ["own", "thru", "both"]
    editor.setCurrentText("thru")
    table.itemDelegate().commitData.emit(editor)  # type: ignore[union-attr]
    assert rig(performer).cables[4].gives == "thru"
    count = len(rig(performer).cables)
    QTest.keyClick(table, K.Key_Delete)
    assert len(rig(performer).cables) == count - 1
    performer.press(K.Key_Z, CTRL)
    assert len(rig(performer).cables) == count


def test_an_empty_rig(performer: Performer) -> None:
    """Nothing there: it says how to begin, and every action is harmless."""
    session, view = performer.frame.session, rig_view(performer)
    session.store.apply("Clear", lambda p: with_rig(p, Rig()))
    performer.frame.grab()
    assert "N adds a box" in view.heading.below
    for name in ("who_plays", "lead", "mend_here", "accept_here", "finding_after", "remove",
                 "down", "add_cable"):  # fmt: skip
        performer.act(name)
        performer.press(K.Key_Escape)
    for pane in (K.Key_2, K.Key_3, K.Key_4, K.Key_1):
        performer.press(pane, ALT)
        assert not performer.frame.grab().isNull()


def test_a_large_rig_is_drawn_whole(performer: Performer) -> None:
    """Sixty-four boxes: smaller, and scrolled to."""
    session, view = performer.frame.session, rig_view(performer)
    smew = rig(performer).devices[0]
    many = tuple(
        msgspec.structs.replace(smew, id=f"d{n}", name=f"Box {n}", port=Port(wire="none"))
        for n in range(64)
    )
    cables = tuple(msgspec.structs.replace(rig(performer).cables[0], target=d.id) for d in many)
    session.store.apply("Many", lambda p: with_rig(p, Rig(devices=many, cables=cables)))
    performer.frame.grab()
    assert len(view.tree_canvas.placed) == 65
    performer.press(K.Key_Down)
    assert not performer.frame.grab().isNull()


def test_the_count_in_is_set_by_key(performer: Performer) -> None:
    """K on a box lets it click, again lets none; on Grebe's page it says how many bars."""
    view = rig_view(performer)
    performer.frame.grab()
    view.select("smew")
    performer.act("count_in")
    assert rig(performer).count_in.device is None
    performer.act("count_in")
    assert rig(performer).count_in.device == "smew"
    view.select("grebe")
    performer.act("count_in")
    assert rig(performer).count_in.bars == 2
    assert "2 bars, Smew" in view.side.device_page.facts.accessibleName()
    for bars in (4, 1):
        performer.act("count_in")
        assert rig(performer).count_in.bars == bars
    view.select("smew")
    performer.act("count_in")
    assert rig(performer).count_in.device is None


def test_a_cable_whose_notes_play_the_box_is_said_so(performer: Performer) -> None:
    """Ticked on its page, drawn with the cable, and none to Grebe."""
    view = rig_view(performer)
    page = view.side.cable_page
    page.open("knot", "smew")
    assert page.plays.isVisibleTo(page)
    page.plays.click()
    page.done.click()
    cable = performer.frame.session.project.rig.cables[-1]
    assert cable.plays is not None
    assert view.tree_canvas.shown.label(cable) == "second clock, plays it"
    page.open("knot", "grebe")
    assert not page.plays.isVisibleTo(page)
    assert not page.plays.isChecked()
