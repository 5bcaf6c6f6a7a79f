"""The registry in the real window: every action in one menu, answered, with one key, undone."""

from __future__ import annotations

from grebe.app.actions.keymap import key_map
from grebe.app.actions.table import ACTIONS, by_id
from grebe.core.document import Project
from grebe.core.rig.model import Rig
from tests.ui.conftest import Performer
from tests.ui.menus import opened, said

ASKS = {action.id for action in ACTIONS if action.effect == "asks"}
ENDS = {"quit", "stop_engine", "attach", "full_screen", "watch", "lock"}
"""What would end or leave the window, or start a process of its own."""


def test_every_action_stands_in_exactly_one_menu(performer: Performer) -> None:
    """File, Edit, Play, Go, the station's own, Help: each once, all of them together."""
    found: list[str] = []
    for name in ("File", "Edit", "Play", "Go", "Help"):
        found += [entry.objectName() for entry in opened(performer, name)]
    for number in performer.frame.views:
        performer.go(number)
        found += [entry.objectName() for entry in opened(performer, "station")]
    assert len(found) == len(set(found))
    assert set(found) == set(by_id())


def test_a_menu_does_what_it_says_and_greys_what_cannot_be(performer: Performer) -> None:
    """Its key stands beside it; what cannot be done is grey, with the reason as its tip."""
    performer.go(3)
    rows = {entry.objectName(): entry for entry in opened(performer, "Patterns")}
    assert rows["variation"].text().endswith("\tV")
    count = len(performer.frame.session.project.patterns)
    rows["variation"].trigger()
    assert len(performer.frame.session.project.patterns) == count + 1
    undo = next(e for e in opened(performer, "Edit") if e.objectName() == "redo")
    assert not undo.isEnabled()
    assert undo.toolTip() == "There is nothing to bring back."


def test_every_action_is_answered_where_it_says_it_works(performer: Performer) -> None:
    """The registry and who does it are held together: no row without a doer, no doer unknown."""
    frame = performer.frame
    served = frame.book.serves()
    window = frozenset(frame.acts())
    known = set(by_id())
    for view in frame.views.values():
        for part in view.parts_there_are():
            answers = set(view._of_part(part))
            assert answers <= known | {f"{k}_{n}" for k in NUMBERED for n in range(17)}, view.scope
    for action in ACTIONS:
        for each in action.ids():
            if action.station == "everywhere" and not action.at:
                assert each in window, each
            elif action.station == "everywhere":
                for station in action.at:
                    parts = [ids for (s, _), ids in served.items() if s == station]
                    assert any(each in ids for ids in parts), (each, station)
            else:
                view = next(v for v in frame.views.values() if v.scope == action.station)
                parts_there = view.parts_there_are() if action.part < 0 else [action.part]
                assert any(view.answers(each, part) for part in parts_there), each
    for (station, _), ids in served.items():
        for each in ids - window:
            assert station in by_id()[each].at, (each, station)


NUMBERED = {action.id for action in ACTIONS if action.numbers}


def test_no_key_means_two_things_in_one_place(performer: Performer) -> None:
    """In every part of every station."""
    clashes = list(key_map().clashes(performer.frame.book.serves()))
    assert not clashes, clashes[:3]


def test_nothing_raises_in_an_empty_project(performer: Performer) -> None:
    """Each action that can be done there is done; each that cannot says why. What works in every
    station, and alike, is done in the first."""
    frame = performer.frame
    store = frame.session.store
    store.apply("Nothing", lambda _: Project(name="Nothing", rig=Rig()))
    nothing = len(store.steps()[0])
    for number in frame.views:
        performer.go(number)
        for action in ACTIONS:
            if action.id in ASKS | ENDS or action.station not in ("everywhere", frame.view.scope):
                continue
            if action.station == "everywhere" and not action.at and number > 1:
                continue
            for each in action.ids()[:2]:
                frame.session.notices.last = None
                reason = frame.book.why_not(each)
                frame.book.do(each)
                frame.over.close_all()
                store.go_to(nothing)
                if reason and action.at and frame.view.scope not in action.at:
                    continue
                if reason:
                    assert said(performer), each
                if frame.rail.current != number:
                    frame.show_station(number)


def test_every_edit_can_be_undone(performer: Performer) -> None:
    """Whatever an action that edits does to the demo, undo takes back to the letter."""
    frame = performer.frame
    store = frame.session.store
    edited = 0
    for number in frame.views:
        performer.go(number)
        for action in ACTIONS:
            if action.effect != "edits" or action.id in ENDS:
                continue
            if action.station not in ("everywhere", frame.view.scope):
                continue
            for each in action.ids()[:2]:
                store.end_merge()
                before, steps = store.project, len(store.steps()[0])
                frame.book.do(each)
                if store.project is not before:
                    edited += 1
                    store.go_to(steps)
                    assert store.project == before, each
                if frame.rail.current != number or frame.view.part > 0:
                    frame.show_station(number)
                    frame.view.to_part(0)
    assert edited > 70
