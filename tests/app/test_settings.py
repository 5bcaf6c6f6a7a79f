"""Settings: taken from text with their bounds, kept, told to other processes, reckoned fields."""

from __future__ import annotations

from pathlib import Path

import pytest

from grebe.app.choices import CHOICES
from grebe.app.settings import (
    Settings,
    projects_folder,
    read_settings,
    tell_processes,
    with_choice,
    write_settings,
)
from grebe.core.forms import YES_NO, field, meant, reckoned, stepped, told_apart
from grebe.core.patterns.model import Hit, Voice
from grebe.core.rig.model import Device
from grebe.errors import EditError, SettingsError
from grebe.standins.speaker import speaker_level


def test_every_setting_has_its_row() -> None:
    """What can be chosen is what is kept; only where one was has no row."""
    assert {c.key for c in CHOICES} == set(Settings.__struct_fields__) - {
        "last_project",
        "recent",
        "geometry",
        "station",
        "place_in",
        "parts",
        "in_hand",
        "folders",
        "walk_shown",
        "walk_done",
    }
    assert all(c.title and c.does.endswith(".") for c in CHOICES)


@pytest.mark.parametrize(
    ("key", "text", "value"),
    [
        ("size_percent", "125 %", 125), ("theme", "night", "night"), ("sound_level", "0", 0),
        ("menu_on_stage", "no", False), ("output_port", " USB ", "USB"), ("projects", "", ""),
    ],
)  # fmt: skip
def test_a_setting_is_taken_from_text(key: str, text: str, value: object) -> None:
    """With its unit, in its bounds."""
    assert getattr(with_choice(Settings(), key, text), key) == value


@pytest.mark.parametrize(
    ("key", "text", "words"),
    [
        ("size_percent", "500", "200"), ("size_percent", "large", "whole number of per cent"),
        ("theme", "pink", "pink"), ("projects", "/not/there", "no folder"),
    ],
)  # fmt: skip
def test_a_wrong_setting_says_so(key: str, text: str, words: str) -> None:
    """In words."""
    with pytest.raises(SettingsError, match=words):
        with_choice(Settings(), key, text)


def test_settings_are_kept_and_told(own_folders: Path, tmp_path: Path) -> None:
    """Other processes hear of them by the environment; what stands there already stays."""
    write_settings(with_choice(Settings(size_percent=150, sound_level=30), "projects",
                               str(tmp_path)))  # fmt: skip
    assert read_settings().size_percent == 150
    assert projects_folder() == str(tmp_path)
    environment = {"GREBE_SOUND_LEVEL": "10"}
    tell_processes(read_settings(), environment)
    assert environment == {
        "GREBE_SOUND_LEVEL": "10", "GREBE_LOG": "INFO", "QT_SCALE_FACTOR": "1.5",
    }  # fmt: skip
    other: dict[str, str] = {}
    tell_processes(Settings(log_level="everything", sound_output="USB"), other)
    assert other["GREBE_LOG"] == "DEBUG"
    assert other["GREBE_SOUND"] == "USB"


def test_the_level_of_the_speaker() -> None:
    """In per cent; full where nobody said."""
    assert speaker_level({"GREBE_SOUND_LEVEL": "25"}) == 0.25
    assert speaker_level({"GREBE_SOUND_LEVEL": "300"}) == 1.0
    assert speaker_level({}) == speaker_level({"GREBE_SOUND_LEVEL": "loud"}) == 1.0


def test_a_field_has_its_control_and_bounds_from_its_type() -> None:
    """A bounded number, a choice, a tick, a text; a bound stands in one place."""
    velocity = field("hit", "velocity", "Velocity", Hit)
    assert (velocity.control, velocity.low, velocity.high) == ("number", 1, 127)
    assert field("voice", "direction", "Direction", Voice).control == "list"
    assert field("hit", "tie", "Tied", choices=YES_NO).control == "tick"
    assert field("voice", "name", "Name").control == "text"
    assert field("box", "offset_ms", "Offset", Device).control == "number"
    note = field("hit", "note", "Note", Hit)
    assert (note.control, note.high) == ("number", 127)


def test_numbers_are_stepped_and_reckoned() -> None:
    """Held in their bounds; "+3" adds, "-3" takes away where nothing is below nought."""
    chance = field("hit", "chance", "Chance", Hit, unit="%", step=5)
    assert stepped(chance, "98", 1) == "100"
    assert stepped(chance, "50", -2) == "40"
    assert stepped(chance, "the pattern's", 1) == "0"
    assert stepped(chance, "the pattern's", -1) == ""
    assert reckoned(chance, "+3", "50") == "53"
    assert reckoned(chance, "-60", "50") == "0"
    assert reckoned(chance, "80 %", "50") == "80"
    assert reckoned(chance, "many", "50") == "many"
    offset = field("box", "offset_ms", "Offset", Device)
    assert reckoned(offset, "-3", "1") == "-3"


def test_names_are_told_apart() -> None:
    """The second of a name gets a number; each is meant by what it is called then."""
    names = told_apart([("a", "Bell"), ("b", "Bell"), ("c", "Fog")])
    assert names == {"a": "Bell", "b": "Bell (2)", "c": "Fog"}
    assert meant(names, "Bell (2)", "scene") == "b"
    with pytest.raises(EditError, match="no scene 'Ebb'"):
        meant(names, "Ebb", "scene")
