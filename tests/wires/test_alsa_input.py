"""Hearing an ALSA port, against a stand-in of the library: no machine of ours has a sequencer."""

from __future__ import annotations

import select
from collections.abc import Callable
from typing import Any

import pytest

from grebe.errors import PortLost
from grebe.wires.alsa import AlsaInput


class FakeIn:
    """What rtmidi's MidiIn offers of what is used."""

    def __init__(self) -> None:
        self.opened: int | None = None
        self.deleted = False
        self.callback: Callable[..., None] | None = None

    def get_ports(self) -> list[str]:
        return ["Through:0", "Pads:1"]

    def ignore_types(self, **kinds: bool) -> None:
        assert kinds == {"sysex": True, "timing": False, "active_sense": True}

    def set_callback(self, callback: Callable[..., None]) -> None:
        self.callback = callback

    def cancel_callback(self) -> None:
        self.callback = None

    def open_port(self, index: int) -> None:
        self.opened = index

    def close_port(self) -> None:
        self.opened = None

    def delete(self) -> None:
        self.deleted = True


def test_what_comes_in_wakes_and_is_given_once() -> None:
    """The descriptor is readable until the messages have been taken."""
    fake: Any = FakeIn()
    heard = AlsaInput("Pads", fake)
    assert fake.opened == 1
    assert select.select([heard], [], [], 0)[0] == []
    fake.callback(([0x90, 36, 100], 0.0), None)
    fake.callback(([0x80, 36, 64], 0.1), None)
    assert select.select([heard], [], [], 0)[0] == [heard]
    assert [data for _, data in heard.receive()] == [b"\x90\x24\x64", b"\x80\x24\x40"]
    assert heard.receive() == []
    heard.close_input()
    assert fake.deleted
    assert fake.callback is None


def test_a_port_that_is_not_there() -> None:
    """Named, with those that are."""
    fake: Any = FakeIn()
    with pytest.raises(PortLost, match="no ALSA port 'Drums' to hear; ports: Through:0, Pads:1"):
        AlsaInput("Drums", fake)
    assert fake.deleted
