"""The Scenes station with real keys, clicks and fields."""

from __future__ import annotations

from functools import partial

import pytest
from PyQt6.QtCore import QPoint, Qt
from PyQt6.QtTest import QTest

from grebe.core.songs.model import Then
from grebe.ui.stations.scenes.view import ScenesView
from grebe.ui.widgets.fields import ChainField, TicksField
from tests.ui.conftest import Performer, fill_in
from tests.ui.hand import K

SHIFT, CTRL, ALT = (
    Qt.KeyboardModifier.ShiftModifier,
    Qt.KeyboardModifier.ControlModifier,
    Qt.KeyboardModifier.AltModifier,
)


def scenes(performer: Performer) -> ScenesView:
    view = performer.frame.views[4]
    assert isinstance(view, ScenesView)
    return view


def at(performer: Performer, scene: str, device: str) -> ScenesView:
    """The station, with a scene and device of the demo in hand."""
    performer.go(4)
    view = scenes(performer)
    view._point(scene, device)
    return view


def said(performer: Performer) -> str:
    notice = performer.frame.session.notices.last
    return "" if notice is None else notice.text


def names(view: ScenesView) -> list[str]:
    return [s.name for s in view.editor.hand.scenes]


def test_moving_about(performer: Performer) -> None:
    """Arrows and the ends; a click takes what is there."""
    view = at(performer, "fog", "smew")
    performer.press(K.Key_Right)
    performer.press(K.Key_Down)
    assert (view.editor.hand.scene_id, view.editor.hand.device_id) == ("oars", "knot")
    performer.press(K.Key_End)
    assert view.editor.hand.scene_id == "moorings-6"
    performer.press(K.Key_Home)
    assert view.editor.hand.scene_id == "fog"
    chart = view.chart
    QTest.mouseClick(
        chart.surface, Qt.MouseButton.LeftButton, pos=QPoint(140 + 112 * 2 + 30, 56 + 20)
    )
    assert (view.editor.hand.scene_id, view.editor.hand.device_id) == ("slack", "smew")


def test_a_part_by_keys(performer: Performer) -> None:
    """Pattern, chain, mute, voices, silence, and everything back by undo."""
    view = at(performer, "fog", "smew")
    before = view.session.project
    performer.act("one_after")
    performer.press(K.Key_A)
    performer.act("one_after")
    assert view.editor.hand.part is not None
    assert view.editor.hand.part.chain == ("p01", "p02")
    performer.press(K.Key_Backspace)
    assert view.editor.hand.part.chain == ("p01",)
    performer.press(K.Key_3)
    assert view.editor.hand.part.silent_voices == ("closed",)
    performer.press(K.Key_M)
    assert view.editor.hand.part.muted
    performer.press(K.Key_9)
    assert "no voice 9" in said(performer)
    performer.press(K.Key_Delete)
    assert view.editor.hand.part.chain == ()
    for _ in range(12):
        performer.press(K.Key_Z, CTRL)
    assert view.session.project == before


def test_loop_tracks_echo_and_carrying_on(performer: Performer) -> None:
    """Numbers are tracks on a looper; E is the next echo time; C is as in the scene before."""
    view = at(performer, "bell", "dunlin")
    performer.press(K.Key_1)
    performer.press(K.Key_3)
    assert view.editor.hand.part is not None
    assert view.editor.hand.part.tracks == (1, 3)
    performer.press(K.Key_7)
    assert "5 tracks" in said(performer)
    view = at(performer, "bell", "gadwall")
    performer.act("echo")
    assert view.editor.hand.part.echo == "1/2"
    performer.act("as_before")
    assert view.editor.hand.part.echo == "1/8"
    view = at(performer, "fog", "gadwall")
    performer.act("as_before")
    assert "no scene before" in said(performer)


def test_the_scene_by_keys(performer: Performer) -> None:
    """Length, passes, role, what follows, mutes saved and by hand."""
    view = at(performer, "fog", "smew")
    performer.press(K.Key_Up, SHIFT)
    performer.press(K.Key_Plus)
    performer.act("role")
    performer.act("follow")
    performer.act("mutes_saved")
    performer.act("hand_mutes")
    scene = view.scene
    assert scene is not None
    assert (scene.bars, scene.times, scene.role) == (9, 2, "verse")
    assert (scene.mutes, scene.hand_mutes) == ("left", "drop")
    assert scene.then == Then(kind="jump", to="fog")
    performer.press(K.Key_Down, SHIFT)
    performer.press(K.Key_Minus)
    assert (view.scene.bars, view.scene.times) == (8, 1)  # type: ignore[union-attr]


def test_scenes_made_and_put_in_order(performer: Performer) -> None:
    """New, copied, moved, removed; one that a song plays stays, with a reason."""
    view = at(performer, "fog", "smew")
    performer.press(K.Key_N)
    assert names(view)[:3] == ["Fog", "Scene", "Oars"]
    performer.act("duplicate")
    assert names(view)[2] == "Scene 2"
    performer.press(K.Key_Left, ALT)
    assert names(view)[:3] == ["Fog", "Scene 2", "Scene"]
    performer.press(K.Key_Right, ALT)
    performer.press(K.Key_Delete, CTRL)
    assert names(view)[:3] == ["Fog", "Scene", "Oars"]
    at(performer, "fog", "smew")
    performer.press(K.Key_Delete, CTRL)
    assert "take it out there first" in said(performer)


@pytest.mark.parametrize(
    ("way", "name"),
    [
        ("no_drums", "Bell, no drums"), ("no_hats", "Bell, no hats"), ("together", "Bell, all in"),
        ("riser", "Bell, riser"),
    ],
)  # fmt: skip
def test_a_scene_varied(performer: Performer, way: str, name: str) -> None:
    """An action each; the new scene stands after the old one, in hand."""
    view = at(performer, "bell", "smew")
    performer.act(way)
    assert names(view)[4] == name
    assert view.scene is not None
    assert view.scene.name == name


def test_into_the_song_and_a_song_of_all(performer: Performer) -> None:
    """A scene at the song's end; drums out of its last bar there; all scenes as a song."""
    view = at(performer, "bell-2", "smew")
    song = view.session.song
    assert song is not None
    performer.act("last_bar")
    assert view.session.song.sections[6].mutes[0].at == 23 * 16  # type: ignore[union-attr]
    performer.act("into_song")
    assert view.session.song.sections[-1].scene == "bell-2"  # type: ignore[union-attr]
    performer.act("only_song")
    assert "Shingle" not in names(view)
    performer.press(K.Key_A, CTRL, SHIFT)
    assert view.session.song.name == "All scenes"  # type: ignore[union-attr]


def test_every_setting_can_be_typed(performer: Performer) -> None:
    """Good texts are taken, bad ones said in words and not left standing."""
    view = at(performer, "bell", "smew")
    performer.press(K.Key_Return)
    form = view.form

    put = partial(fill_in, form)
    chain = form.fields[("part", "chain")]
    assert isinstance(chain, ChainField)
    names = [chain.more.itemText(n) for n in range(chain.more.count())]
    for name in ("Oars", "Oars, fill"):
        chain._add(names.index(name))
    while len(chain.ids()) > 2:
        chain.links.setCurrentRow(0)
        chain.away.click()
    silent = form.fields[("part", "silent_voices")]
    assert isinstance(silent, TicksField)
    for tick, ticked in silent.ticks.items():
        if ticked.isChecked() != (tick in ("kick", "rim")):
            silent.ticks[tick].click()
    form.picked.emit("part", "values", ("74=20", "1=127"))
    put("part", "muted", "yes")
    put("scene", "name", "Bell I")
    put("scene", "meter", "7/8")
    put("scene", "bars", "12")
    put("scene", "to", "Fog")
    put("scene", "kind", "jump")
    put("scene", "jumps", "0")
    put("performer", "feet", "2")
    put("performer", "school", "build and drop")
    scene, part = view.scene, view.editor.hand.part
    assert scene is not None
    assert part is not None
    assert part.chain == ("p01", "p02")
    assert set(part.silent_voices) == {"kick", "rim"}
    assert [(v.controller, v.value) for v in part.values] == [(74, 20), (1, 127)]
    assert (part.muted, scene.name, str(scene.meter), scene.bars) == (True, "Bell I", "7/8", 12)
    assert scene.then == Then(kind="jump", to="fog", jumps=0)
    assert view.session.project.performer.feet == 2
    assert view.session.project.performer.school == "build and drop"
    before = view.session.project
    for owner, key, text, words in (
        ("scene", "meter", "4/5", "metre must look like"),
        ("scene", "bars", "many", "whole numbers"),
        ("performer", "hands", "5", "Hands: a whole number from 0 to 2"),
    ):
        put(owner, key, text)
        assert words in said(performer)
    assert view.session.project is before
    view.form.fields[("scene", "name")].setFocus()
    performer.press(K.Key_Escape)
    assert view.chart.hasFocus()


def test_the_sheet_says_what_changes_and_whose_hands(performer: Performer) -> None:
    """Messages with their latest moment; moves with their window; that it is too much."""
    view = at(performer, "ebb", "smew")
    view.show_facts()
    words = [line.words for line in view.facts.lines]
    values = [line.value for line in view.facts.lines]
    assert "Too much at once" in words
    assert any("at the latest 0.6 ms before" in w for w in words)
    assert "Slack tide \u2192 Slack" in values
    view = at(performer, "slack", "smew")
    view.show_facts()
    assert "Too much at once" not in [line.words for line in view.facts.lines]


def test_scenes_without_any(performer: Performer) -> None:
    """An empty project is told how to begin; every key does no harm."""
    view = at(performer, "fog", "smew")
    store = view.session.store
    import msgspec

    store.apply("Empty", lambda p: msgspec.structs.replace(p, scenes=(), songs=(), sets=()))
    performer.frame.grab()
    for key in (K.Key_P, K.Key_M, K.Key_Delete, K.Key_R, K.Key_G, K.Key_D, K.Key_J, K.Key_I,
                K.Key_Return, K.Key_Escape):  # fmt: skip
        performer.press(key)
    performer.press(K.Key_N)
    assert names(view) == ["Scene"]


def test_a_scene_is_brought_in(performer: Performer) -> None:
    """Where the song has it, at the end of what plays; a scene it has not is said."""
    performer.engine_ready()
    view = at(performer, "ebb", "smew")
    performer.press(K.Key_Space)
    performer.wait(lambda: performer.frame.session.running)
    performer.act("bring_in")
    performer.wait(lambda: performer.frame.session.status.next_section == "s8")  # type: ignore[union-attr]
    view._point("shingle", "smew")
    performer.act("bring_in")
    assert "does not play Shingle" in said(performer)
