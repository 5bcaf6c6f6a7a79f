"""Charts out of manuals, and boxes that no profile knows. The charts are invented."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from grebe.core.rig.blank import (
    LOOPS,
    QUESTIONS,
    SOCKETS,
    TOLD,
    guesses,
    profile_of,
    said_now,
    without_guess,
)
from grebe.core.rig.chart import note_named, read_controllers, read_voices
from grebe.core.rig.profile_check import contradictions
from grebe.core.rig.spec import Spec
from grebe.errors import EditError


def rows(text: str) -> list[tuple[int, str, int, int]]:
    return [(r.number, r.name, r.low, r.high) for r in read_controllers(text).rows]


@pytest.mark.parametrize(
    ("text", "found"),
    [
        ("Parameter\tCC\tMin\tMax\nCutoff\t74\t0\t63", (74, "Cutoff", 0, 63)),
        ("Volume,7,0-127\nPan,10,0-127", (7, "Volume", 0, 127)),
        ('"Delay, mix",CC#94,\n', (94, "Delay, mix", 0, 127)),
        ("Cutoff;CC 74;0..99\nDepth;CC 75;0..99", (74, "Cutoff", 0, 99)),
        ("52 Filter cutoff 0-127", (52, "Filter cutoff", 0, 127)),
        ("CC#53 Resonance (0~63)", (53, "Resonance", 0, 63)),
        ("Attack ........ CC 73", (73, "Attack", 0, 127)),
        ("Release 0x48", (72, "Release", 0, 127)),
        ("Sustain 4AH", (74, "Sustain", 0, 127)),
        ("Decay $4b", (75, "Decay", 0, 127)),
        ("| Drive | Controller 12 | 1 to 5 |", (12, "Drive", 1, 5)),
        ("Swing 50 % 36", (36, "Swing 50 %", 0, 127)),
        ("LFO 2 rate CC#16", (16, "LFO 2 rate", 0, 127)),
        ("19", (19, "Controller 19", 0, 127)),
        ("Bend 20 127-0", (20, "Bend", 0, 127)),
    ],
)
def test_a_line_of_a_chart(text: str, found: tuple[int, str, int, int]) -> None:
    assert rows(text)[0] == found


def test_doubled_rows_and_what_is_no_controller_are_marked() -> None:
    chart = read_controllers("Name CC\nA 74\nB 74\nC 121\nnothing with 9 in the middle of it\n---")
    assert [(r.number, r.name) for r in chart.rows] == [(74, "A")]
    assert [(m.line, m.why) for m in chart.marked] == [
        (3, "controller 74 stands there already, as A"),
        (4, "121 is no controller: 0 to 119"),
        (5, "no controller number in it"),
    ]


def test_voices_by_name_by_number_and_by_both() -> None:
    assert [(v.name, v.note) for v in read_voices("Kick\tC2\nSnare\tD2\nHat\tF#2").rows] == [
        ("Kick", 36), ("Snare", 38), ("Hat", 42),
    ]  # fmt: skip
    shown = read_voices("Kick C1 36\nRim C#1\nTom Bb1")
    assert shown.middle_c == 3
    assert [v.note for v in shown.rows] == [36, 37, 46]
    assert [v.note for v in read_voices("36 Kick\n2AH Hat").rows] == [36, 42]
    assert read_voices("Kick C1", middle_c=3).rows[0].note == 36


def test_voices_that_stand_there_twice() -> None:
    chart = read_voices("Kick 36\nKick 37\nBass 36\nHigh 156\nword 7th")
    assert [v.name for v in chart.rows] == ["Kick"]
    assert [m.why for m in chart.marked] == [
        "Kick stands there already",
        "note 36 stands there already, for Kick",
        "156 is no note: 0 to 127",
        "no note in it",
    ]


@pytest.mark.parametrize(
    ("name", "number"),
    [("C4", 60), ("A4", 69), ("C-1", 0), ("G9", 127), ("Cb4", 59), ("B#3", 60), ("H2", None),
     ("C", None)],
)  # fmt: skip
def test_notes_by_name(name: str, number: int | None) -> None:
    """A4, 440 Hz, is MIDI note 69 (MIDI 1.0, MIDI Tuning; with middle C as C4)."""
    assert note_named(name) == number


@given(st.text(max_size=300))
def test_anything_may_be_pasted(text: str) -> None:
    """No text raises, and every row is in its bounds."""
    chart, voices = read_controllers(text), read_voices(text)
    assert all(0 <= r.number <= 119 and 0 <= r.low <= r.high <= 127 for r in chart.rows)
    assert len({r.number for r in chart.rows}) == len(chart.rows)
    assert len({v.name for v in voices.rows}) == len(voices.rows)


# A box that no profile knows


def test_nothing_answered_is_all_guessed_and_no_contradiction() -> None:
    profile = profile_of({}).profile
    assert set(profile.spec.guessed) == set(TOLD) - {LOOPS}
    assert contradictions(profile) == ()
    assert len(guesses(profile.spec)) == len(TOLD) - 1
    looper = profile_of({"kind": "looper"}).profile.spec
    assert looper.loop_tracks == 1
    assert LOOPS in looper.guessed


@pytest.mark.parametrize("socket", SOCKETS)
def test_one_socket_and_nothing_else_said(socket: str) -> None:
    """Whatever one sees on it, what is guessed does not deny it; a thru alone has no input."""
    made = contradictions(profile_of({"kind": "drums"}, (socket,)).profile)
    assert [field for field, _ in made] == (["spec.jacks"] if socket == "midi-thru" else [])


def test_what_is_answered_is_not_guessed() -> None:
    answers = {
        "name": "Otter", "kind": "drums", "label": "old drum box", "plays": "its own patterns",
        "channel": "10", "obeys.clock": "yes", "obeys.start": "no", "obeys.song_position": "no",
        "obeys.program": "yes", "obeys.notes": "no", "sends.clock": "yes", "sends.notes": "no",
        "memory": "8 x 16", "longest": "32", "change_at": "on the bar", "loop_tracks": "0",
    }  # fmt: skip
    made = profile_of(
        answers, ("midi-in", "midi-out"), voices="36 Kick\n38 Snare", controllers="74 Cutoff"
    ).profile
    assert (made.id, made.kind, made.plays, made.channel) == ("otter", "drums", "own", 10)
    spec = made.spec
    assert spec.guessed == ()
    assert spec.memory is not None
    assert (spec.memory.banks, spec.memory.slots, spec.memory.printed) == (8, 16, "bank")
    assert spec.steps is not None
    assert spec.steps.longest == 32
    assert (spec.change_at, spec.obeys.start, spec.sends.clock) == ("bar", False, True)
    assert [v.note for v in spec.voices] == [36, 38]
    assert [c.number for c in spec.controllers] == [74]
    assert contradictions(made) == ()


@pytest.mark.parametrize(
    ("key", "text", "words"),
    [("channel", "17", "1 to 16"), ("memory", "many", "8 x 16"), ("memory", "900", "128"),
     ("longest", "0", "256"), ("loop_tracks", "99", "64"), ("loop_tracks", "two", "whole")],
)  # fmt: skip
def test_an_answer_that_cannot_be(key: str, text: str, words: str) -> None:
    with pytest.raises(EditError, match=words):
        profile_of({key: text})


def test_an_id_that_is_taken() -> None:
    assert profile_of({"name": "Coot"}, known=frozenset({"coot"})).profile.id == "coot-2"


def test_what_an_edit_changes_is_known_from_then_on() -> None:
    before = Spec(guessed=("obeys.program", "channel"))
    obeys = type(before.obeys)(program=True)
    after = said_now(before, Spec(obeys=obeys, guessed=before.guessed))
    assert after.guessed == ("channel",)
    assert without_guess(after, "channel").guessed == ()
    assert said_now(before, before) is before


def test_every_question_says_why() -> None:
    assert all(q.why.endswith(".") for q in QUESTIONS)
    assert len({q.key for q in QUESTIONS}) == len(QUESTIONS)
