"""Hearing an ALSA port, against a stand-in of the sequencer."""

from __future__ import annotations

import select

import pytest

from grebe.errors import PortLost
from grebe.transports.alsa import Address, AlsaInput
from tests.transports.fake_sequencer import FakeSequencer


def test_what_comes_in_wakes_and_is_given_once() -> None:
    """The descriptor is readable until the messages have been taken; Active Sensing and system
    exclusive are left out."""
    fake = FakeSequencer("Through:0", "Pads:1")
    heard = AlsaInput("Pads", fake)
    assert fake.joined == (Address(1, 0), True)
    assert select.select([heard], [], [], 0)[0] == []
    fake.come(b"\x90\x24\x64", b"\xfe", b"\xf0\x7d\xf7", b"\x80\x24\x40")
    assert select.select([heard], [], [], 2)[0] == [heard]
    got: list[bytes] = []
    while len(got) < 2:
        select.select([heard], [], [], 2)
        got += [data for _, data in heard.receive()]
    assert got == [b"\x90\x24\x64", b"\x80\x24\x40"]
    assert heard.receive() == []
    heard.check_input()
    fake.says_gone = True
    with pytest.raises(PortLost, match="Pads went away"):
        heard.check_input()
    heard.close_input()
    assert fake.closed


def test_a_port_that_is_not_there() -> None:
    """Named, with those that are."""
    fake = FakeSequencer("Through:0", "Pads:1")
    with pytest.raises(PortLost, match="no ALSA port 'Drums' to hear; ports: Through:0, Pads:1"):
        AlsaInput("Drums", fake)
    assert fake.closed
