"""The registry of actions: every one once, under one grammar of keys, found by its words."""

from __future__ import annotations

import re
from pathlib import Path

import pytest

from grebe.app.actions.buttons import BUTTONS, SHORT
from grebe.app.actions.finding import action_entries, found, thing_entries
from grebe.app.actions.gestures import ABOUT, GESTURES
from grebe.app.actions.keymap import KeyMap, forget_kept, keep_keys, key_file, key_map, printed
from grebe.app.actions.model import MENUS, STATION_NAMES
from grebe.app.actions.needs import NEEDS, cure_of, standing, why_not
from grebe.app.actions.table import ACTIONS, QUIET, VERBS, by_id
from grebe.app.document.demo import fresh_demo
from grebe.app.document.store import Store
from grebe.app.editors.pattern_hand import PatternHand
from grebe.app.live.session import Session
from grebe.core.document import Project
from grebe.core.player.controls import LEARNABLE, TURNED
from grebe.errors import SettingsError

MNEMONICS = {f"Alt+{letter}" for letter in "FEPGH"}
"""The menu bar's own: File, Edit, Play, Go, Help."""


def met(project: Project) -> frozenset[str]:
    session = Session(Store(project))
    hand = PatternHand(session)
    hand.settle()
    return standing(session, hand, findings=False)


def test_every_action_is_there_once() -> None:
    """One id each, one place in a menu, a title that nothing else in its menu has."""
    assert len(by_id()) == sum(len(action.ids()) for action in ACTIONS)
    assert len({action.id for action in ACTIONS}) == len(ACTIONS)
    for action in ACTIONS:
        assert action.menu in MENUS
        if action.station != "everywhere":
            assert action.menu == STATION_NAMES[action.station]
    titles = [(action.menu, action.title) for action in ACTIONS]
    assert len(set(titles)) == len(titles)


def test_what_it_needs_and_is_worked_on_is_known() -> None:
    """Needs have words, whose cures are actions; kinds of things have buttons."""
    for action in ACTIONS:
        assert set(action.needs) <= set(NEEDS), action.id
    for need, words in NEEDS.items():
        for name in re.findall(r"{(\w+)}", words):
            assert name in by_id(), need
        assert not words.endswith(".")
        assert cure_of(need) in {"", *by_id()}
    for kind, names in BUTTONS.items():
        assert names
        for name in names:
            assert name in by_id(), kind
    assert set(SHORT) <= set(by_id())
    assert set(QUIET) <= set(by_id())
    assert set(ABOUT) == set(GESTURES) == set(STATION_NAMES)


def test_a_letter_is_one_verb_everywhere() -> None:
    """The grammar: a letter means one thing, which is written down; none stands for two."""
    used: dict[str, set[str]] = {}
    for action in ACTIONS:
        for key in action.keys:
            plain = key.rpartition("+")[2] if len(key) > 1 else key
            if re.fullmatch(r"(Shift\+)?[A-Z]", key):
                used.setdefault(plain, set()).add(action.id)
    assert set(used) == set(VERBS)
    assert len(set(VERBS.values())) == len(VERBS)
    one_kind = {
        "N": {"add_box", "new_pattern", "new_scene", "insert_section", "add_song"},
        "M": {"mute_it", "hand_mutes", "keep_mutes", "voice_mute"},
        "D": {"last_bar", "no_drums", "drums_out", "drop_pass"},
        "L": {
            "check",
            "check_all",
            "live",
            "snap",
            "first_loop",
            "learn_press",
            "rehearse",
            "capture",
        },
        "V": {"variation", "other_version", "all_in"},
        "R": {"rotate", "rotate_back"},
    }
    for letter, ids in one_kind.items():
        assert used[letter] == ids, letter


def test_standard_keys_are_standard() -> None:
    """What every desktop program has, by the same keys (common practice)."""
    wanted = {
        "open": "Ctrl+O", "save": "Ctrl+S", "save_as": "Ctrl+Shift+S", "quit": "Ctrl+Q",
        "print_sheet": "Ctrl+P", "undo": "Ctrl+Z", "redo": "Ctrl+Shift+Z", "cut_out": "Ctrl+X",
        "copy": "Ctrl+C", "paste": "Ctrl+V", "duplicate": "Ctrl+D", "select_all": "Ctrl+A",
        "remove": "Delete", "rename": "F2", "find_here": "Ctrl+F", "find_action": "Ctrl+K",
        "app_settings": "Ctrl+,", "keys": "F1", "full_screen": "F11", "zoom_in": "Ctrl++",
        "zoom_out": "Ctrl+-",
    }  # fmt: skip
    for name, key in wanted.items():
        assert by_id()[name].keys[0] == key
    assert "Ctrl+Y" in by_id()["redo"].keys
    taken = {key for action in ACTIONS for key in action.keys}
    assert not taken & MNEMONICS


def test_pedals_and_osc_have_the_same_ids() -> None:
    """What can be learnt is in the registry; only the knob for the tempo is no action."""
    assert {named.id for named in LEARNABLE} - set(TURNED) <= set(by_id())


@pytest.mark.parametrize("project", [Project(name="Nothing")], ids=["empty"])
def test_nothing_is_dead_in_an_empty_project(project: Project) -> None:
    """What cannot be done says why, in a sentence that names what would make it possible."""
    have = met(project)
    keys = KeyMap()
    for action in ACTIONS:
        reason = why_not(action, have, keys)
        assert not action.needs or reason.endswith(".") or set(action.needs) <= have
        assert "{" not in reason
    why = why_not(by_id()["variation"], have, keys)
    assert why == "There is no pattern yet: N in Patterns makes one."


def test_the_demo_can_do_nearly_everything() -> None:
    """Stopped, with nothing undone: what is left needs something that plays, or somebody else."""
    have = met(Store.open(fresh_demo()).project)
    keys = KeyMap()
    cannot = {a.id for a in ACTIONS if why_not(a, have, keys)}
    assert not {"new_pattern", "variation", "drums_out", "thru", "mute_it", "tap"} & cannot
    assert {"undo", "hold", "cut", "accept_peer"} <= cannot


@pytest.mark.parametrize(
    ("typed", "first"),
    [
        ("save", "save"), ("undo", "undo"), ("new pattern", "new_pattern"),
        ("variation", "variation"), ("drums out two bars", "drums_out"),
        ("count-in", "run_counted"), ("mutes saved", "mutes_saved"), ("thru", "thru"),
        ("tap", "tap"), ("panic", "panic"), ("hanging notes", "panic"), ("master clock", "lead"),
        ("probability", "chance"), ("mute number 3", "mute_3"), ("euclid", "generate"),
    ],
)  # fmt: skip
def test_an_action_is_found_by_the_words_of_the_trade(typed: str, first: str) -> None:
    """The likeliest stands first."""
    rows = found(action_entries(KeyMap()), typed)
    assert first in [row.id for row in rows[:3]], [row.title for row in rows[:5]]


def test_every_title_is_found() -> None:
    """Typed as it stands, each action is among the first."""
    entries = action_entries(KeyMap())
    for entry in entries:
        assert entry.id in [row.id for row in found(entries, entry.title)[:12]], entry.title


def test_things_are_found_by_name() -> None:
    """Boxes, patterns, scenes, songs, sections; recent actions come first with nothing typed."""
    project = Store.open(fresh_demo()).project
    entries = [*action_entries(KeyMap()), *thing_entries(project)]
    assert found(entries, "gadwall")[0].kind == "device"
    assert ("scene", "bell") in [(e.kind, e.id) for e in found(entries, "bell")]
    assert any(e.kind == "section" for e in found(entries, "harbour bell section"))
    assert [e.id for e in found(entries, "", ["tap", "undo"])[:2]] == ["tap", "undo"]


def test_keys_are_changed_kept_and_clash(own_folders: Path) -> None:
    """Another key for an action; two in one place are said; as shipped again."""
    forget_kept()
    keys = key_map().with_keys("variation", ("N",))
    serves = {("patterns", 0): frozenset[str]()}
    (clash,) = keys.clashes(serves)  # type: ignore[arg-type]
    assert {clash.first, clash.second} == {"new_pattern", "variation"}
    assert [a.id for a, _ in keys.on("N", "patterns", 0)] == ["new_pattern", "variation"]
    keep_keys(keys)
    forget_kept()
    assert key_map().keys_of("variation") == ("N",)
    assert key_map().told("variation") == "N"
    assert not list(key_map().with_keys("variation", None).clashes(serves))  # type: ignore[arg-type]
    keep_keys(KeyMap())
    assert key_map().keys_of("variation") == ("V",)


def test_files_of_keys() -> None:
    """Written and read back; what is none says so."""
    keys = KeyMap().with_keys("mute", ("Alt+{n}",))
    assert key_file(keys.to_bytes()).keys_of("mute_3") == ("Alt+3",)
    for body, words in (
        (b"{", "no file of keys"), (b'{"format":"other"}', "its format is 'other'"),
        (b'{"keys":{"fly":["X"]}}', "cannot do: fly"), (b'{"keys":{"tap":5}}', "no file of keys"),
    ):  # fmt: skip
        with pytest.raises(SettingsError, match=words):
            key_file(body)


def test_keys_are_printed_for_people() -> None:
    """Arrows as arrows, the plus as a plus."""
    assert printed("Ctrl+Left") == "Ctrl+\u2190"
    assert printed("+") == "+"
    assert printed("Ctrl++") == "Ctrl+plus"
    assert printed("Return") == "Enter"
    assert KeyMap().told("form_verse") == "Song > A song of verses and hooks"
