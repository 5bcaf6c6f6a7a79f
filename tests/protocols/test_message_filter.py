"""Routes at work on bytes: filters, channels, note maps, and notes that end as they began."""

from __future__ import annotations

from hypothesis import given
from hypothesis import strategies as st

from grebe.core.rig.model import Filter
from grebe.core.rig.passage import NOT_SENT, Passage
from grebe.protocols.midi.message_filter import MessageFilter, lets

PLAYS = Filter(clock=False, transport=False)


def message_filter(**fields: object) -> MessageFilter:
    fields.setdefault("passes", PLAYS)
    return MessageFilter(Passage(source="a", target="b", wire="b", **fields))  # type: ignore[arg-type]


def table(**pairs: int) -> tuple[int, ...]:
    rows = {int(k[1:]): v for k, v in pairs.items()}
    return tuple(rows.get(n, NOT_SENT) for n in range(128))


def test_channel_and_notes_are_changed() -> None:
    """Note on, note off and pressure; a note without a place is not sent."""
    g = message_filter(channel=10, notes=table(n36=60))
    assert g(b"\x90\x24\x64") == b"\x99\x3c\x64"
    assert g(b"\xa0\x24\x11") == b"\xa9\x3c\x11"
    assert g(b"\x80\x24\x40") == b"\x89\x3c\x40"
    assert g(b"\x90\x25\x64") is None
    assert g(b"\x80\x25\x40") is None


def test_a_note_on_of_velocity_0_ends_the_note() -> None:
    """MIDI 1.0."""
    g = message_filter()
    assert g(b"\x90\x24\x64") == b"\x90\x24\x64"
    assert g(b"\x90\x24\x00") == b"\x80\x24\x40"
    assert g(b"\x90\x24\x00") is None


def test_a_note_ends_as_it_began_though_the_route_has_changed() -> None:
    """Otherwise it would sound for ever on the old note."""
    g = message_filter(notes=table(n36=60))
    g(b"\x90\x24\x64")
    g.change(Passage(source="a", target="b", wire="b", passes=Filter(notes=False)))
    assert g(b"\x90\x25\x64") is None
    assert g(b"\x80\x24\x40") == b"\x80\x3c\x40"
    g = message_filter(channel=3)
    g(b"\x90\x24\x64")
    assert g.release() == [b"\x82\x24\x40"]
    assert g.release() == []


def test_what_a_filter_lets_through() -> None:
    """Kinds, single controllers, and all notes off whatever is set."""
    closed = Filter(clock=False, transport=False, notes=False, program=False, controllers=False)
    for data in (b"\xf8", b"\xfa", b"\xfc", b"\xf2\x00\x04", b"\x90\x24\x40", b"\xc0\x01",
                 b"\xb0\x07\x01", b"\xe0\x00\x40", b"\xd0\x11"):  # fmt: skip
        assert not lets(closed, data)
        assert lets(Filter(), data)
    assert lets(closed, b"\xb0\x7b\x00")
    one = Filter(controllers=False, but=(7,))
    assert lets(one, b"\xb0\x07\x01")
    assert not lets(one, b"\xb0\x08\x01")


def test_clock_passes_only_when_the_route_lets_it() -> None:
    """As a plain thru; system exclusive never does."""
    assert message_filter()(b"\xf8") is None
    assert message_filter(passes=Filter())(b"\xf8") == b"\xf8"
    assert message_filter(passes=Filter())(b"\xf0\x7d\xf7") is None


@given(
    st.lists(
        st.tuples(st.sampled_from([0x80, 0x90]), st.integers(0, 127), st.integers(0, 127)),
        max_size=80,
    ),
    st.permutations(range(128)),
)
def test_no_note_is_left_sounding(played: list[tuple[int, int, int]], notes: list[int]) -> None:
    """Whatever is played, ends and releases close every note that began."""
    g = message_filter(channel=5, notes=tuple(notes))
    sounding: set[int] = set()
    for kind, note, velocity in played:
        passed = g(bytes((kind, note, velocity)))
        if passed is not None and passed[0] == 0x94:
            sounding.add(passed[1])
        elif passed is not None:
            sounding.remove(passed[1])
    assert {end[1] for end in g.release()} == sounding
