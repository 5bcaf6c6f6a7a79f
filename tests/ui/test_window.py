"""The window as a performer uses it: keys and clicks, then what is shown and what was played."""

from __future__ import annotations

import gc
from pathlib import Path

import pytest
from PyQt6.QtCore import QPoint, Qt
from PyQt6.QtGui import QColor
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QFileDialog

from grebe.core.document import with_song
from grebe.core.songs.edit import set_times
from grebe.formats.project import read_project
from grebe.ui.main_window.frame import HANDS_OFF_S
from grebe.ui.stations.patterns.view import PatternsView
from grebe.ui.stations.rig.view import RigView
from grebe.ui.stations.song.view import SongView
from grebe.ui.widgets.theme import DAY, NIGHT, Palette, night
from tests.long import tries
from tests.ui.conftest import Performer
from tests.ui.hand import ALT, CTRL, SHIFT, K


def patterns(performer: Performer) -> PatternsView:
    view = performer.frame.views[3]
    assert isinstance(view, PatternsView)
    return view


def song(performer: Performer) -> SongView:
    view = performer.frame.views[5]
    assert isinstance(view, SongView)
    return view


def steps(performer: Performer, voice: int = 0) -> list[tuple[int, int]]:
    pattern = patterns(performer).pattern
    assert pattern is not None
    return [(h.step, h.velocity) for h in pattern.content.voices[voice].hits]


BOXES = ("smew", "knot", "scaup", "dunlin")
"""Of the demo: simulated boxes that hear a clock."""


@pytest.mark.real_time("deviations come only from ticks that were noticed in time")
def test_the_first_voyage(performer: Performer) -> None:
    """Open the demo, see the rig, change a step, press Space: three boxes start on one downbeat."""
    frame = performer.frame
    rig = frame.views[1]
    assert isinstance(rig, RigView)
    assert [p.device for p in rig.tree_canvas.placed]
    performer.go(3)
    performer.engine_ready()
    patterns(performer).choose("b1")
    before = steps(performer)
    performer.press(K.Key_Right)
    performer.press(K.Key_X)
    assert steps(performer) == sorted([*before, (1, 100)])
    performer.press(K.Key_Space)
    performer.wait(lambda: frame.session.running)
    performer.wait(
        lambda: min(d.received for d in frame.session.status.devices if d.id in BOXES) > 48  # type: ignore[union-attr]
    )
    status = frame.session.status
    assert status is not None
    for device in ("smew", "knot", "dunlin"):
        first = min(d.tick for d in frame.session.position.deviations[device])
        assert first == 0
    frame.on_timer()
    assert frame.waterline._bar_beat()[0] >= 1
    performer.press(K.Key_Space)
    performer.wait(lambda: not frame.session.running)


def test_stems_by_keyboard(performer: Performer) -> None:
    """Write, louder, softer, remove, undo and redo, without the mouse."""
    performer.go(3)
    view = patterns(performer)
    view.choose("p01")
    assert steps(performer)[0] == (0, 127)
    performer.press(K.Key_Down, SHIFT)
    assert steps(performer)[0] == (0, 119)
    performer.press(K.Key_Up, SHIFT)
    performer.press(K.Key_X)
    assert steps(performer)[0] == (4, 100)
    performer.press(K.Key_Z, CTRL)
    assert steps(performer)[0] == (0, 127)
    performer.press(K.Key_Z, CTRL, SHIFT)
    assert steps(performer)[0] == (4, 100)
    performer.press(K.Key_Left)
    assert (view.editor.hand.row_id, view.editor.hand.step) == ("kick", 15)
    performer.press(K.Key_X)
    performer.press(K.Key_Delete)
    assert [s for s, _ in steps(performer)] == [4, 8, 12]


def test_lengths_and_pitches_by_keyboard(performer: Performer) -> None:
    """A voice shorter than its neighbours, a bass note a semitone up, the next pattern."""
    performer.go(3)
    view = patterns(performer)
    view.choose("b1")
    performer.act("shorter")
    performer.act("shorter")
    assert view.pattern is not None
    assert view.pattern.content.voices[0].length == 14
    performer.act("longer")
    performer.press(K.Key_Up, CTRL)
    voice = view.pattern.content.voices[0]
    assert (voice.length, voice.hits[0].note) == (15, 39)
    performer.press(K.Key_PageDown)
    assert view.editor.hand.pattern_id == "b2"
    performer.press(K.Key_PageUp)
    assert view.editor.hand.pattern_id == "b1"


def place(view: PatternsView, row: int, step: int, velocity: int) -> QPoint:
    places = view.pattern_canvas.places
    x = places.x_of(places.rows[row], step)
    y = places.level(row) - places.stroke_height(velocity)
    return QPoint(round(x), round(y))


def test_stems_by_mouse(performer: Performer) -> None:
    """A click writes, a drag sets the velocity as one step of undo, a click removes."""
    performer.go(3)
    view = patterns(performer)
    view.choose("p01")
    canvas, left = view.pattern_canvas, Qt.MouseButton.LeftButton
    QTest.mouseClick(canvas.surface, left, pos=place(view, 0, 2, 60))
    assert (2, 100) in steps(performer)
    QTest.mousePress(canvas.surface, left, pos=place(view, 0, 2, 100))
    for velocity in (90, 70, 50):
        QTest.mouseMove(canvas.surface, place(view, 0, 2, velocity))
    QTest.mouseRelease(canvas.surface, left, pos=place(view, 0, 2, 50))
    dragged = dict(steps(performer))[2]
    assert dragged == pytest.approx(50, abs=3)
    QTest.mouseClick(canvas.surface, left, pos=place(view, 0, 2, 40))
    assert 2 not in dict(steps(performer))
    performer.press(K.Key_Z, CTRL)
    assert dict(steps(performer))[2] == dragged


def test_a_voices_end_by_mouse(performer: Performer) -> None:
    """Dragging the post makes the voice longer."""
    performer.go(3)
    view = patterns(performer)
    view.choose("p01")
    canvas, left = view.pattern_canvas, Qt.MouseButton.LeftButton
    rim = len(canvas.content.voices) - 1
    places, step = canvas.places, canvas.content.step_ticks
    y = round(places.level(rim) - 5)
    QTest.mousePress(canvas.surface, left, pos=QPoint(round(places.x_at(7 * step)), y))
    QTest.mouseMove(canvas.surface, QPoint(round(places.x_at(12 * step)), y))
    QTest.mouseRelease(canvas.surface, left, pos=QPoint(round(places.x_at(12 * step)), y))
    assert view.pattern is not None
    assert view.pattern.content.voices[rim].length == 12


def test_marking_a_pattern_as_in_the_box(performer: Performer) -> None:
    """An edited drum pattern is changed since, until B says the box holds it."""
    performer.go(3)
    view = patterns(performer)
    view.choose("p01")
    performer.press(K.Key_X)
    assert view.pattern is not None
    assert view.pattern.box_status == "changed since"
    performer.frame.head_buttons[3].buttons["in_box"].click()
    assert view.pattern.box_status == "in the box"


def test_more_passes_while_it_plays(performer: Performer) -> None:
    """An edit of the song reaches the engine while it plays: the boundary moves."""
    performer.go(5)
    performer.engine_ready()
    performer.press(K.Key_Space)
    performer.wait(lambda: performer.frame.session.running)
    performer.frame.session.store.apply(
        "More", lambda p: with_song(p, "harbour-bell", lambda s: set_times(s, 0, 2))
    )
    performer.wait(lambda: performer.frame.session.status.boundary > 8 * 4 * 14_414_400 * 1.5)  # type: ignore[union-attr]
    assert performer.frame.session.running


def test_importing_a_loop(performer: Performer, tmp_path: Path) -> None:
    """A MIDI file becomes a pattern of the device in hand; a broken one changes nothing."""
    from tests.formats.test_midi_loops import loop

    performer.go(3)
    view = patterns(performer)
    good, bad = tmp_path / "beat.mid", tmp_path / "bad.mid"
    good.write_bytes(loop((0, 36, 99), (1, 38, 99)))
    bad.write_bytes(b"nothing")
    view.transfer.import_files([str(good)])
    assert view.pattern is not None
    assert (view.pattern.name, view.pattern.device) == ("beat", "smew")
    count = len(performer.frame.session.project.patterns)
    view.transfer.import_files([str(bad)])
    assert "not a whole MIDI file" in performer.frame.session.notices.last.text  # type: ignore[union-attr]
    assert len(performer.frame.session.project.patterns) == count


def test_a_song_by_keyboard(performer: Performer) -> None:
    """Select, repeat, move, copy and remove sections; the length in words follows."""
    performer.go(5)
    view = song(performer)
    assert view.heading.below.startswith("112 bars   3 min 33 s   126 BPM")
    performer.press(K.Key_Right)
    assert performer.frame.session.selection.section == "s2"
    performer.press(K.Key_Plus)
    assert view.heading.below.startswith("120 bars")
    performer.press(K.Key_Minus)
    performer.press(K.Key_Right, ALT)
    ids = [s.id for s in performer.frame.session.song.sections]  # type: ignore[union-attr]
    assert ids[:3] == ["s1", "s3", "s2"]
    performer.press(K.Key_D, CTRL)
    performer.press(K.Key_Delete)
    ids = [s.id for s in performer.frame.session.song.sections]  # type: ignore[union-attr]
    assert ids[:4] == ["s1", "s3", "s9", "s4"]
    for _ in range(3):
        performer.press(K.Key_Z, CTRL)
    assert view.heading.below.startswith("112 bars")


def test_the_last_section_cannot_go(performer: Performer) -> None:
    """Refused with a sentence, not an exception."""
    performer.go(5)
    for _ in range(12):
        performer.press(K.Key_Delete)
    assert len(performer.frame.session.song.sections) == 1  # type: ignore[union-attr]
    assert "at least one section" in performer.frame.session.notices.last.text  # type: ignore[union-attr]


def test_a_click_on_a_section_and_running_from_there(performer: Performer) -> None:
    """Ctrl+Space runs from the section selected, at its place in the song."""
    performer.go(5)
    performer.engine_ready()
    view = song(performer)
    layout = view.song_canvas.layout_now()
    assert layout is not None
    x = round(view.song_canvas.places().x_at(layout.spans[3].tick) + 9)
    QTest.mouseClick(view.song_canvas.surface, Qt.MouseButton.LeftButton, pos=QPoint(x, 20))
    assert performer.frame.session.selection.section == "s4"
    performer.press(K.Key_Space, CTRL)
    performer.wait(lambda: performer.frame.session.running)
    status = performer.frame.session.status
    assert status is not None
    assert status.section == "s4"
    performer.wait(lambda: performer.frame.waterline._bar_beat() > (33, 0))


def test_stage_by_keyboard(performer: Performer) -> None:
    """Now and Next, the next on the bar, hold, again, skip, cut and mutes; one key each."""
    performer.go(7)
    performer.engine_ready()
    session = performer.frame.session
    performer.press(K.Key_Space)
    performer.wait(lambda: session.running and session.status.next_section == "s2")  # type: ignore[union-attr]
    layout = session.derived.layout()
    assert layout is not None
    now = performer.frame.views[7].book.now(layout)  # type: ignore[attr-defined]
    assert now is not None
    assert (now.span.scene.name, now.bars, now.following.scene.name) == ("Fog", 8, "Oars")  # type: ignore[union-attr]
    assert 0 < now.to_go_s <= 8 * 4 * 60 / 126 + 0.2  # the downbeat is a moment away
    performer.press(K.Key_H)
    performer.wait(lambda: session.status.held)  # type: ignore[union-attr]
    performer.press(K.Key_1)
    performer.wait(lambda: ("smew", "") in session.status.mutes)  # type: ignore[union-attr]
    performer.press(K.Key_1)
    performer.wait(lambda: ("smew", "") not in session.status.mutes)  # type: ignore[union-attr]
    performer.press(K.Key_Right)
    performer.wait(lambda: session.status.next_section == "s3")  # type: ignore[union-attr]
    performer.press(K.Key_Return, SHIFT)
    performer.wait(lambda: session.status.section == "s3")  # type: ignore[union-attr]
    performer.press(K.Key_Return)
    performer.wait(lambda: session.status.launched)  # type: ignore[union-attr]
    performer.wait(lambda: session.status.section == "s4")  # type: ignore[union-attr]
    boundary = session.status.boundary  # type: ignore[union-attr]
    performer.act("again")
    performer.wait(lambda: session.status.boundary > boundary)  # type: ignore[union-attr]


@pytest.mark.real_time("the second key has to come within a second")
def test_esc_esc_is_panic(performer: Performer) -> None:
    """Once does nothing, twice stops everything."""
    performer.engine_ready()
    performer.press(K.Key_Space)
    performer.wait(lambda: performer.frame.session.running)
    performer.press(K.Key_Escape)
    QTest.qWait(150)
    assert performer.frame.session.running
    performer.press(K.Key_Escape)
    performer.wait(lambda: not performer.frame.session.running)


def test_tapping(performer: Performer, monkeypatch: pytest.MonkeyPatch) -> None:
    """From the third tap the song takes the tempo, as one step of undo; a pause begins anew."""
    session = performer.frame.session
    for beat in (0, 0.5, 1.0, 1.5):
        session.tempo.tap(100 + beat)
    assert session.song.bpm == 120  # type: ignore[union-attr]
    assert session.tempo.tapped is not None
    assert session.tempo.tapped.low == pytest.approx(120)
    session.tempo.tap(200)
    assert session.tempo.tapped is None
    session.store.undo()
    assert session.song.bpm == 126  # type: ignore[union-attr]
    performer.press(K.Key_T)


def test_saving(performer: Performer, tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    """Ctrl+S writes the file, asking for its name the first time; the title shows what is
    unsaved."""
    frame = performer.frame
    target = str(tmp_path / "night-ferry")
    monkeypatch.setattr(QFileDialog, "getSaveFileName", lambda *_, **__: (target, ""))
    performer.press(K.Key_S, CTRL)
    frame.session.tempo.tap(1)
    performer.go(5)
    performer.press(K.Key_Plus)
    assert frame.windowTitle() == "night-ferry.grebe * - Grebe"
    performer.press(K.Key_S, CTRL)
    assert frame.windowTitle() == "night-ferry.grebe - Grebe"
    assert frame.session.store.path is not None
    assert read_project(frame.session.store.path).project == frame.session.project


def test_another_song(performer: Performer) -> None:
    """The next one while stopped; refused while playing."""
    performer.engine_ready()
    session = performer.frame.session
    performer.act("next_song")
    assert session.selection.song_id == "low-water"
    performer.press(K.Key_Space)
    performer.wait(lambda: session.running)
    performer.act("next_song")
    assert session.selection.song_id == "low-water"
    assert "Stop first" in session.notices.last.text  # type: ignore[union-attr]


def test_themes(performer: Performer) -> None:
    """Day by default, Night by choice; Stage is always dark."""
    frame = performer.frame

    def corner() -> str:
        return QColor(frame.grab().toImage().pixel(95, 40)).name()

    assert corner() == DAY.ground.name()
    performer.press(K.Key_T, CTRL)
    assert corner() == NIGHT.ground.name()
    performer.press(K.Key_T, CTRL)
    performer.go(7)
    assert frame.rail.palette_now is NIGHT
    assert frame.views[7].canvas.palette_now is NIGHT


def _luminance(colour: QColor) -> float:
    """Relative luminance by WCAG 2."""
    parts = [
        c / 12.92 if c <= 0.04045 else ((c + 0.055) / 1.055) ** 2.4
        for c in (colour.redF(), colour.greenF(), colour.blueF())
    ]
    return 0.2126 * parts[0] + 0.7152 * parts[1] + 0.0722 * parts[2]


@pytest.mark.parametrize(
    "palette", [DAY, NIGHT, night(1), night(2)], ids=("day", "night", "dim", "dimmer")
)
def test_text_can_be_read(palette: Palette) -> None:
    """Every text colour has 4.5:1 on every surface, edges of controls 3:1 (WCAG 2)."""
    least = dict.fromkeys(("ink", "muted", "water", "crest", "eye", "reed", "sand"), 4.5)
    for role, ratio in {**least, "edge": 3.0}.items():
        for behind in (palette.ground, palette.panel, palette.soft):
            a, b = sorted((_luminance(getattr(palette, role)), _luminance(behind)))
            assert (b + 0.05) / (a + 0.05) >= ratio, (role, behind.name())
    for words, filled in (("on_water", "water"), ("ground", "crest"), ("ground", "sand")):
        a, b = sorted(_luminance(getattr(palette, role)) for role in (words, filled))
        assert (b + 0.05) / (a + 0.05) >= 4.5, (words, filled)


def test_everything_fits_and_the_waterline_is_in_view(performer: Performer) -> None:
    """From 1024x680 to 3840x2160: no part of a station asks for more than there is, and Run can
    always be pressed."""
    frame = performer.frame
    sizes = ((1024, 680), (1366, 768), (3840, 2160), (1280, 800), (1920, 1080))
    for width, height in sizes[: tries(len(sizes))]:
        frame.resize(width, height)
        for number, view in frame.views.items():
            performer.go(number)
            for part in view.parts_there_are():
                if part >= 0:
                    view.to_part(part)
                wanted = view.minimumSizeHint()
                assert wanted.width() <= frame.stack.width(), (number, part)
                assert wanted.height() <= frame.stack.height(), (number, part)
            if view.part > 0:
                view.to_part(0)
        run = frame.waterline.run
        assert frame.rect().contains(run.mapTo(frame, run.rect().bottomRight()))
        assert frame.waterline.tempo.mapTo(frame, QPoint(0, 0)).x() < width - 100


def test_the_rail_and_the_run_button_by_mouse(performer: Performer) -> None:
    """Clicks do what the keys do."""
    performer.engine_ready()
    frame, left = performer.frame, Qt.MouseButton.LeftButton
    QTest.mouseClick(frame.rail.tabs, left, pos=QPoint(40, 2 * 58 + 20))
    assert frame.rail.current == 3
    QTest.mouseClick(frame.waterline.run, left)
    performer.wait(lambda: frame.session.running)
    QTest.mouseClick(frame.waterline.run, left)
    performer.wait(lambda: not frame.session.running)


def test_every_view_at_every_size(performer: Performer) -> None:
    """Small and large, playing: nothing raises, nothing is blank."""
    performer.engine_ready()
    performer.press(K.Key_Space)
    performer.wait(lambda: performer.frame.session.running)
    for width, height in ((1024, 680), (1920, 1080)):
        performer.frame.resize(width, height)
        for number, view in performer.frame.views.items():
            performer.go(number)
            image = view.canvas.grab().toImage()
            colours = {
                image.pixel(x, y)
                for x in range(0, image.width(), 9)
                for y in range(0, image.height(), 9)
            }
            assert len(colours) > 4, number


def test_stations_are_made_ahead_while_no_key_is_pressed(performer: Performer) -> None:
    """One a turn, until all are there; a hand at the keys is not held up by it."""
    frame = performer.frame
    performer.press(K.Key_Down)
    frame.makes_ahead = True
    made = len(frame.views.made)
    frame.on_timer()
    assert len(frame.views.made) == made
    frame._key_s -= HANDS_OFF_S
    for turn in range(1, len(frame.views) - made + 1):
        frame.on_timer()
        assert len(frame.views.made) >= made + turn
    assert set(frame.views.made) == set(frame.views)
    assert any(o is frame.views.made for o in gc.get_objects())
    frame.on_timer()
    assert not frame.makes_ahead
    assert not any(o is frame.views.made for o in gc.get_objects())  # no garbage is looked for here
