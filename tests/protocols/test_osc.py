"""OSC 1.0: its own worked examples, python-osc as reference, damaged packets."""

from __future__ import annotations

import logging
from random import Random

import pytest
from hypothesis import given
from hypothesis import strategies as st
from pythonosc.osc_bundle_builder import IMMEDIATELY, OscBundleBuilder
from pythonosc.osc_message import OscMessage as Reference
from pythonosc.osc_message_builder import OscMessageBuilder

from grebe.errors import ProtocolError
from grebe.protocols.osc.messages import MOST_MESSAGES, OscMessage, read, write


def test_the_worked_examples_of_osc_1_0() -> None:
    """Open Sound Control 1.0 (2002), "OSC Message Examples", both of them."""
    first = bytes.fromhex("2f6f7363 696c6c61 746f722f 342f6672 65717565 6e637900 2c660000 43dc0000")
    assert write(OscMessage("/oscillator/4/frequency", (440.0,))) == first
    assert read(first) == [OscMessage("/oscillator/4/frequency", (440.0,))]
    second = bytes.fromhex(
        "2f666f6f 00000000 2c696973 66660000 000003e8 ffffffff 68656c6c 6f000000 3f9df3b6 40b5b22d"
    )
    assert write(OscMessage("/foo", (1000, -1, "hello", 1.234, 5.678))) == second
    (found,) = read(second)
    assert found.address == "/foo"
    assert found.arguments[:3] == (1000, -1, "hello")
    assert found.arguments[3:] == pytest.approx((1.234, 5.678), abs=1e-6)


@given(
    st.lists(
        st.one_of(
            st.integers(-(2**31), 2**31 - 1),
            st.floats(width=32, allow_nan=False),
            st.text(st.characters(min_codepoint=1, exclude_categories=["Cs"]), max_size=20),
        ),
        max_size=8,
    )
)
def test_the_reference_library_reads_what_is_written(arguments: list[int | float | str]) -> None:
    """python-osc finds the same address and arguments."""
    data = write(OscMessage("/grebe/x", tuple(arguments)))
    assert len(data) % 4 == 0
    found = Reference(data)
    assert found.address == "/grebe/x"
    assert list(found.params) == arguments


def test_messages_of_bundles_are_read_without_waiting_for_their_time() -> None:
    """Nested too."""
    inner, outer = OscBundleBuilder(IMMEDIATELY), OscBundleBuilder(IMMEDIATELY)
    for builder, address in ((inner, "/in"), (outer, "/out")):
        message = OscMessageBuilder(address)
        message.add_arg(1)
        builder.add_content(message.build())
    outer.add_content(inner.build())
    assert {m.address for m in read(outer.build().dgram)} == {"/in", "/out"}


def test_what_is_no_number_or_text_is_left_out() -> None:
    """A blob, nothing, an array."""
    message = OscMessageBuilder("/x")
    for value in (b"blob", 3, None, True):
        message.add_arg(value)
    assert read(message.build().dgram) == [OscMessage("/x", (3, True))]


def test_no_bytes_make_anything_but_a_protocol_error(caplog: pytest.LogCaptureFixture) -> None:
    """Fifty thousand damaged packets, of which the library itself lets all kinds of errors out."""
    caplog.set_level(logging.CRITICAL)  # the library logs what it does not know
    dice = Random(3)
    whole = write(OscMessage("/grebe/launch", ("Oars", 3, 1.5)))
    read_ = 0
    for _ in range(50_000):
        data = bytearray(whole)
        for _ in range(dice.randrange(1, 5)):
            data[dice.randrange(len(data))] = dice.randrange(256)
        del data[dice.randrange(1, len(data) + 1) :]
        try:
            read_ += len(read(bytes(data))) <= MOST_MESSAGES
        except ProtocolError:
            continue
    assert read_ > 500
    for data in (b"", b"x", b"#bundle\0", b"/a" * 2000):
        with pytest.raises(ProtocolError):
            read(bytes(data))
    assert read(b"#bundle\0" * 200) == []
