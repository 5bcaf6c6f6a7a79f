"""The Song station with real keys: what is laid over a song, programmes, sheets."""

from __future__ import annotations

import csv
import itertools
from functools import partial
from pathlib import Path
from typing import Any

import msgspec
import pytest
from PyQt6.QtCore import QPoint, Qt
from PyQt6.QtGui import QPainter
from PyQt6.QtTest import QTest

from grebe.core.document import Project
from grebe.core.songs.edit import is_silenced
from grebe.core.songs.model import FillMark, Then
from grebe.core.time.ticks import SIXTEENTH_TICKS
from grebe.formats.sheets import HOW
from grebe.ui.stations.song.places import TOP
from grebe.ui.stations.song.view import SongView
from grebe.ui.widgets import draw
from tests.ui.conftest import Performer, fill_in
from tests.ui.hand import K

SHIFT, CTRL, ALT = (
    Qt.KeyboardModifier.ShiftModifier,
    Qt.KeyboardModifier.ControlModifier,
    Qt.KeyboardModifier.AltModifier,
)


def song(performer: Performer) -> SongView:
    performer.go(5)
    view = performer.frame.views[5]
    assert isinstance(view, SongView)
    return view


def section(view: SongView, number: int) -> object:
    made = view.session.song
    assert made is not None
    return made.sections[number]


def said(performer: Performer) -> str:
    notice = performer.frame.session.notices.last
    return "" if notice is None else notice.text


def test_drums_out_by_keys(performer: Performer) -> None:
    """Bars selected and silenced; the same key over them lets them sound again."""
    view = song(performer)
    view.select("s4")
    performer.press(K.Key_Right, CTRL)
    performer.press(K.Key_Right, SHIFT)
    performer.press(K.Key_M)
    layout = view.editor.hand.layout
    silent = [b for b in range(33, 40) if is_silenced(layout, "smew", "", layout.bar_tick(b))]
    assert silent == [34, 35]
    assert "at bar 35" in view.heading.below
    performer.press(K.Key_M)
    assert section(view, 3).mutes == ()  # type: ignore[attr-defined]


def test_one_voice_by_beats(performer: Performer) -> None:
    """V takes a voice in hand, G a finer grid."""
    view = song(performer)
    view.select("s4")
    performer.act("one_voice")
    performer.act("grid")
    performer.press(K.Key_Right, CTRL)
    performer.press(K.Key_M)
    (region,) = section(view, 3).mutes  # type: ignore[attr-defined]
    assert (region.device, region.voice, region.at, region.long) == ("smew", "kick", 4, 4)
    performer.press(K.Key_Down)
    assert (view.editor.hand.device_id, view.editor.hand.voice_id) == ("knot", "")


def test_fills_markers_and_curves(performer: Performer) -> None:
    """Each by its key, each taken away again by it."""
    view = song(performer)
    view.select("s4")
    performer.press(K.Key_F)
    assert section(view, 3).fills == (FillMark(at=0, long=16),)  # type: ignore[attr-defined]
    performer.press(K.Key_F)
    performer.press(K.Key_Right, CTRL)
    performer.press(K.Key_K)
    assert [m.name for m in section(view, 3).markers] == ["Hook", "Bar 34"]  # type: ignore[attr-defined]
    performer.press(K.Key_K)
    performer.press(K.Key_Down)
    performer.press(K.Key_Up, SHIFT)
    performer.press(K.Key_Up, SHIFT)
    (curve,) = section(view, 3).curves  # type: ignore[attr-defined]
    assert (curve.device, curve.controller, curve.points[0].value) == ("knot", 74, 72)
    performer.press(K.Key_Backspace)
    assert section(view, 3).curves == ()  # type: ignore[attr-defined]
    assert section(view, 3).fills == ()  # type: ignore[attr-defined]
    assert len(section(view, 3).markers) == 1  # type: ignore[attr-defined]


def test_sections_by_keys(performer: Performer) -> None:
    """A new one, another scene, what follows."""
    view = song(performer)
    view.select("s1")
    performer.press(K.Key_N)
    assert section(view, 1).scene == "oars"  # type: ignore[attr-defined]
    performer.act("one_after")
    assert section(view, 1).scene == "slack"  # type: ignore[attr-defined]
    performer.act("one_before")
    performer.act("then")
    assert section(view, 1).then == Then(kind="jump", to="s1")  # type: ignore[attr-defined]


def test_settings_are_typed(performer: Performer) -> None:
    """Tempo and marker here, the section, the song; what cannot be is said."""
    view = song(performer)
    view.select("s4")
    performer.press(K.Key_Right, CTRL)
    performer.act("settings")

    put = partial(fill_in, view.form)
    put("place", "marker", "Here")
    put("place", "bpm", "132")
    put("place", "ramp", "2")
    put("section", "times", "3")
    put("song", "name", "Harbour bell II")
    made = section(view, 3)
    assert made.markers[-1].name == "Here"  # type: ignore[attr-defined]
    assert [(t.at, t.bpm, t.ramp) for t in made.tempi] == [(16, 132, 32)]  # type: ignore[attr-defined]
    assert made.times == 3  # type: ignore[attr-defined]
    assert view.heading.title == "Harbour bell II"
    put("section", "to", "99")
    assert "sections 1 to 8" in said(performer)
    for wrong in ("fast", "nan", "1e999"):
        performer.frame.session.notices.last = None
        put("place", "bpm", wrong)
        assert f"goes in numbers (got '{wrong}')" in said(performer)
        put("section", "times", wrong)
        assert "goes in numbers" in said(performer)
    assert section(view, 3).times == 3  # type: ignore[attr-defined]
    view.form.fields[("song", "name")].setFocus()
    performer.press(K.Key_Escape)
    assert view.song_canvas.hasFocus()


def test_zoom_scroll_and_clicks(performer: Performer) -> None:
    """Keys and wheel; a click puts the cursor, with Shift it selects."""
    view = song(performer)
    canvas = view.song_canvas
    view.select("s5")
    performer.act("zoom_in")
    performer.act("zoom_in")
    shown = canvas.shown
    assert 0 < shown < view.editor.hand.layout.ticks
    canvas.turn(4)
    performer.frame.grab()
    performer.act("zoom_out")
    performer.act("zoom_out")
    assert canvas.shown == 0
    row = round(canvas.row)
    x = round(canvas.places().x_at(view.editor.hand.layout.bar_tick(40))) + 2
    QTest.mouseClick(canvas.surface, Qt.MouseButton.LeftButton, pos=QPoint(x, 100 + row))
    assert view.editor.hand.layout.bar_at(view.editor.hand.tick) == 40
    assert view.editor.hand.device_id == "knot"
    x = round(canvas.places().x_at(view.editor.hand.layout.bar_tick(44))) + 2
    QTest.mouseClick(canvas.surface, Qt.MouseButton.LeftButton, SHIFT, QPoint(x, 100))
    first, last = view.editor.hand.selection
    assert [view.editor.hand.layout.bar_at(t) for t in (first, last)] == [40, 45]


def test_forms_of_both_schools(performer: Performer) -> None:
    """An action each makes a song of the scenes there are, and takes it in hand."""
    view = song(performer)
    for form, name in (("form_verse", "verse and hook"), ("form_drop", "build and drop")):
        performer.act(form)
        assert view.session.song is not None
        assert view.session.song.name.endswith(name)
    assert len(view.session.project.songs) == 9


def test_programmes_and_what_changed_since_they_were_printed(
    performer: Performer, tmp_path: Path
) -> None:
    """Shown, printed, and after an edit the finding says what is otherwise."""
    view = song(performer)
    performer.press(K.Key_2, ALT)
    page = view.programme.browser.toPlainText()
    assert "a list of 14 is past its limit of 4" in page
    heads = [line for line in page.splitlines() if line.startswith("Harbour bell. ")]
    assert len(heads) >= 3  # under each box: of which song, and how it gets there
    assert all(line.removeprefix("Harbour bell. ") in HOW.values() for line in heads)
    assert "Bar 33, Bell: B04 Slack tide 16 times" in page
    view.exports.write_into(tmp_path / "programme.pdf")
    assert (tmp_path / "programme.pdf").read_bytes()[:5] == b"%PDF-"
    performer.press(K.Key_1, ALT)
    view.select("s4")
    performer.press(K.Key_Plus)
    codes = [f.code for f in view.session.derived.findings()]
    assert "song.sheet-changed" in codes
    performer.press(K.Key_2, ALT)
    assert "Changed since printed" in view.programme.browser.toPlainText()
    performer.press(K.Key_3, ALT)
    assert "More than your hands can make in time" in view.stage_sheet.browser.toPlainText()
    view.exports.write_into(tmp_path / "stage.html")
    assert "Harbour bell" in (tmp_path / "stage.html").read_text()
    view.exports.write_into(tmp_path / "stage.txt")
    assert "written as .html or .pdf" in said(performer)


def test_a_song_in_the_box_and_its_memory_reordered(performer: Performer) -> None:
    """B gives the box its own song; R has nothing to do where nothing helps."""
    view = song(performer)
    performer.press(K.Key_B)
    assert view.session.song.box_song("smew") == 0  # type: ignore[union-attr]
    assert "song.programme" in [f.code for f in view.session.derived.findings()]
    performer.press(K.Key_B)
    assert view.session.song.box_songs == ()  # type: ignore[union-attr]
    performer.act("reorder")
    assert "no other order" in said(performer)
    performer.press(K.Key_Down)
    performer.press(K.Key_B)
    assert "note by note" in said(performer)


def test_the_cue_list(performer: Performer, tmp_path: Path) -> None:
    """CSV by bars and seconds."""
    view = song(performer)
    view.exports.cues_into(tmp_path)
    with (tmp_path / "harbour-bell, cues.csv").open(newline="") as file:
        rows = list(csv.DictReader(file))
    assert rows[0]["bar"] == "1"
    assert rows[-1]["kind"] == "end"
    assert float(rows[-1]["seconds"]) == round(112 * 4 * 60 / 126, 3)
    drums_out = [r for r in rows if r["bar"] == "31" and r["device"] == "Smew"]
    assert [(r["kind"], r["what"], r["by"]) for r in drums_out] == [("mute", "all out", "grebe")]


def test_running_from_a_bar_looping_and_jumping(performer: Performer) -> None:
    """From the cursor with every box located; a stretch over and over; to another bar."""
    performer.engine_ready()
    view = song(performer)
    view.select("s4")
    performer.press(K.Key_Right, CTRL)
    performer.press(K.Key_Space, CTRL)
    session = performer.frame.session
    performer.wait(lambda: session.running and session.status.section == "s4")  # type: ignore[union-attr]
    layout = view.editor.hand.layout
    performer.wait(lambda: session.position.song_tick_now() >= layout.bar_tick(34))
    performer.act("loop")
    performer.wait(lambda: session.status.loop is not None)  # type: ignore[union-attr]
    assert session.status is not None
    assert session.status.loop == (layout.bar_tick(34), layout.bar_tick(35))
    performer.wait(lambda: session.status.boundary <= session.status.tick + layout.bar_tick(2))  # type: ignore[union-attr]
    performer.act("loop")
    performer.wait(lambda: session.status.loop is None)  # type: ignore[union-attr]
    view.select("s7")
    performer.press(K.Key_J)
    performer.wait(lambda: session.status.section == "s7")  # type: ignore[union-attr]


def test_mutes_by_hand_in_stage(performer: Performer) -> None:
    """They are counted, and K says whether they stay after the section."""
    performer.go(7)
    performer.engine_ready()
    session = performer.frame.session
    performer.press(K.Key_Space)
    performer.wait(lambda: session.running)
    performer.press(K.Key_2)
    performer.wait(lambda: session.status.mutes_by_hand == (("knot", ""),))  # type: ignore[union-attr]
    assert session.status is not None
    assert session.status.mutes_kept
    performer.act("keep_mutes")
    performer.wait(lambda: not session.status.mutes_kept)  # type: ignore[union-attr]
    performer.frame.grab()


def test_a_song_with_nothing_in_its_sections(performer: Performer) -> None:
    """No passes anywhere, or no sections, or no songs: every key does no harm, every view draws."""
    store = performer.frame.session.store

    def emptied(p: Project, how: int) -> Project:
        none = tuple(msgspec.structs.replace(x, times=0) for x in p.songs[0].sections)
        songs = (msgspec.structs.replace(p.songs[0], sections=none if how == 0 else ()),)
        return msgspec.structs.replace(p, songs=songs if how < 2 else (), sets=())

    keys = (
        K.Key_M, K.Key_F, K.Key_K, K.Key_V, K.Key_G, K.Key_Right, K.Key_Left, K.Key_Up, K.Key_Z,
        K.Key_L, K.Key_J, K.Key_O, K.Key_S, K.Key_Plus, K.Key_Delete, K.Key_B, K.Key_R, K.Key_E,
        K.Key_Escape,
    )  # fmt: skip
    for how in range(3):
        store.apply("Nothing", lambda p, how=how: emptied(p, how))  # type: ignore[misc]
        for station in (4, 7, 5):
            performer.go(station)
            performer.frame.grab()
        for key in keys:
            performer.press(key)
        for pane in (K.Key_2, K.Key_3, K.Key_1):
            performer.press(pane, ALT)
            performer.frame.grab()
        store.undo()
        while store.undo_name == "Nothing":
            store.undo()


def test_from_one_loop_to_a_song(performer: Performer, tmp_path: Path) -> None:
    """Four variations of one scene, a song of a form, drums out before the hook, the programme
    printed: without leaving the keyboard."""
    store = performer.frame.session.store
    scenes = tuple(s for s in store.project.scenes if s.id == "bell")
    store.apply("One loop", lambda p: msgspec.structs.replace(p, scenes=scenes, songs=(), sets=()))
    performer.go(4)
    for name in ("no_drums", "first", "no_hats", "first", "riser", "first", "duplicate"):
        performer.act(name)
    roles = {"Bell, no drums": 1, "Bell, no hats": 2, "Bell, riser": 3}
    performer.press(K.Key_End)
    view4 = performer.frame.views[4]
    for _ in range(5):
        name = view4.scene.name  # type: ignore[attr-defined]
        for _ in range(roles.get(name, 0)):
            performer.act("role")
        performer.press(K.Key_Left)
    assert len(store.project.scenes) == 5
    view = song(performer)
    performer.act("form_verse")
    layout = view.editor.hand.layout
    assert layout.bars > 60
    hook = next(s for s in layout.spans if s.scene.role == "hook")
    view.select(hook.section.id)
    for _ in range(2):
        performer.press(K.Key_Left, CTRL)
    performer.press(K.Key_Right, SHIFT)
    performer.press(K.Key_M)
    layout = view.editor.hand.layout
    silent = [b for b in range(1, layout.bars + 1)
              if is_silenced(layout, "smew", "", layout.bar_tick(b))]  # fmt: skip
    assert silent == [hook.bar - 2, hook.bar - 1]
    view.exports.write_into(tmp_path / "programme.html")
    assert "Bar 1" in (tmp_path / "programme.html").read_text()


def test_words_over_the_rows_leave_each_other_room(
    performer: Performer, monkeypatch: pytest.MonkeyPatch
) -> None:
    """In a low, narrow window no fill's word is written over a marker's."""
    view = song(performer)
    performer.frame.resize(1024, 680)
    QTest.qWait(50)
    written: list[tuple[float, float, str]] = []
    text = draw.text

    def record(painter: QPainter, x: float, y: float, words: str, *rest: Any, **how: Any) -> float:
        if y in (TOP - 6, TOP - 7):
            wide = draw.text_width(words, how["size"], how.get("weight", 400))
            wide = min(wide, how.get("width") or wide)
            left = x - wide if how.get("align") == draw.RIGHT else x
            written.append((left, left + wide, words))
        return text(painter, x, y, words, *rest, **how)

    monkeypatch.setattr(draw, "text", record)
    view.song_canvas.refresh()
    view.song_canvas.grab()
    written = sorted(set(written))
    assert {"Drop", "Hook"} <= {words for _, _, words in written}
    assert [(a[2], b[2]) for a, b in itertools.pairwise(written) if a[1] > b[0]] == []


def test_another_pattern_of_a_box_from_here_on(performer: Performer) -> None:
    """One key goes through its patterns, what the scene has, and none; the table says where, and
    it is drawn."""
    view = song(performer)
    view.select("s4")
    performer.press(K.Key_Right, CTRL)
    hand = view.editor.hand
    own = [p.id for p in view.session.project.patterns_of[hand.device_id]]
    place = hand.tick
    seen: list[str | None] = []
    for _ in range(len(own) + 2):
        performer.press(K.Key_S, SHIFT)
        assert hand.span is not None
        marks = hand.span.section.swaps
        seen.append(marks[0].pattern if marks else None)
    assert seen == [*own, "", None]
    performer.press(K.Key_S, SHIFT)
    assert hand.span is not None
    mark = hand.span.section.swaps[0]
    assert hand.span.tick + mark.at * SIXTEENTH_TICKS == place
    row = [d.id for d in hand.devices].index(hand.device_id) + 1
    column = hand.layout.index_at(place)
    table = view.song_canvas.cells.table
    name = view.session.project.pattern_name(own[0])
    assert f"{name} from beat {1 + mark.at // 4}" in table.words(row, column)
    view.grab()
    performer.act("undo")
    assert not hand.span.section.swaps


def test_fills_every_so_many_bars(performer: Performer) -> None:
    """Each press another division, then none; what stands is said."""
    song(performer)
    session = performer.frame.session
    assert session.song is not None
    before = session.song
    said = []
    for _ in range(4):
        performer.find("A fill every so many bars")
        assert session.notices.last is not None
        said.append(session.notices.last.text)
    assert said == ["A fill every 8 bars.", "A fill every 4 bars.", "A fill every 2 bars.",
                    "No fills here."]  # fmt: skip
    assert session.song == before
