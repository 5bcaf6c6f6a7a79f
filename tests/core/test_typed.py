"""What was typed, held against the types of the document; and what is said where it is no such."""

from __future__ import annotations

from typing import Annotated, Any, Literal

import msgspec
import pytest
from msgspec import Meta

from grebe.core.patterns.model import Hit
from grebe.core.sets.model import SetSong, Weights
from grebe.core.songs.model import Section
from grebe.core.typed import allowed_words, taken, typed_in, typed_number, typed_whole, with_field
from grebe.core.units import Bpm, Channel, Name, bounds_of, fields_of, held_in
from grebe.errors import EditError


@pytest.mark.parametrize(
    ("kind", "words"),
    [
        (Channel, "a whole number from 1 to 16"),
        (Channel | None, "a whole number from 1 to 16"),
        (Bpm, "a number from 20 to 400"),
        (int, "a whole number"),
        (Literal["", "up", "down"], "one of none, up, down"),
        (Name, ""),
        (tuple[Channel, ...], ""),
    ],
)
def test_what_a_type_allows(kind: Any, words: str) -> None:
    """The bounds stand with the type (channels 1 to 16: MIDI 1.0), and are read from there."""
    assert allowed_words(kind) == words


def test_a_value_from_text() -> None:
    """As the type has it, or refused with the name of the setting and what it may be."""
    assert taken(Channel, "16", "Channel") == 16
    assert taken(Bpm, "126.5", "Tempo") == 126.5
    with pytest.raises(EditError, match=r"^Channel: a whole number from 1 to 16 \(got '17'\)$"):
        taken(Channel, "17", "Channel")
    with pytest.raises(EditError, match=r"^Tempo: a number from 20 to 400 \(got 'fast'\)$"):
        taken(Bpm, "fast", "Tempo")
    with pytest.raises(EditError, match="^Name: expected .* length >= 1"):
        taken(Name, "", "Name")
    assert with_field(Hit(step=0), "shift_permille", "-500").shift_permille == -500
    with pytest.raises(EditError, match=r"^Shift permille: a whole number from -500 to 500"):
        with_field(Hit(step=0), "shift_permille", "-501")


@pytest.mark.parametrize(
    ("struct", "field", "typed", "held"),
    [
        (SetSong, "gap_s", "9999", 3600.0), (SetSong, "ramp_bars", "0", 1),
        (Weights, "tempo", "-1", 0.0), (Section, "times", "1000", 999),
        (Section, "times", "2.9", 2),
    ],
)  # fmt: skip
def test_a_number_is_held_to_what_its_field_allows(
    struct: type, field: str, typed: str, held: float
) -> None:
    """Whole where the field is, and inside its bounds; the document takes it."""
    found = typed_in(struct, field, typed)
    assert found == held
    assert msgspec.convert(found, fields_of(struct)[field]) == held


@pytest.mark.parametrize("wrong", ["", "x", "nan", "inf", "1,5"])
def test_what_is_no_number(wrong: str) -> None:
    """Said, and never an error of Python's."""
    with pytest.raises(EditError, match="goes in numbers"):
        typed_number(wrong)
    with pytest.raises(EditError, match="goes in whole numbers"):
        typed_whole(wrong)


def test_bounds_keep_the_values_kind() -> None:
    """A whole number stays one; what has no bounds says so."""
    assert isinstance(held_in(Channel, 99), int)
    assert isinstance(held_in(Bpm, 1), int)
    assert bounds_of(Annotated[float, Meta(ge=-1, le=1)]) == (-1, 1)
    with pytest.raises(TypeError, match="has no bounds"):
        bounds_of(Name)
