"""Presses in MIDI messages (MIDI 1.0: velocity 0 ends a note, switches are on from 64)."""

from __future__ import annotations

import pytest

from grebe.core.rig.trigger import Trigger
from grebe.protocols.midi.press import press_of


@pytest.mark.parametrize(
    ("data", "kind", "channel", "number"),
    [
        ("90 3c 64", "note", 1, 60),
        ("b9 40 7f", "controller", 10, 64),
        ("b9 40 40", "controller", 10, 64),
        ("cf 05", "program", 16, 5),
    ],
)
def test_presses(data: str, kind: str, channel: int, number: int) -> None:
    """A note struck, a pedal down, a program chosen."""
    press = press_of("feet", bytes.fromhex(data))
    assert press is not None
    assert (press.device, press.kind, press.channel, press.number) == (
        "feet", kind, channel, number,
    )  # fmt: skip


@pytest.mark.parametrize("data", ["90 3c 00", "80 3c 40", "b9 40 3f", "f8", "f2 00 04", "e0 00 40"])
def test_what_is_no_press(data: str) -> None:
    """Releases, clock, positions and bends are none."""
    assert press_of("feet", bytes.fromhex(data)) is None


def test_in_words() -> None:
    """As the sheet says it."""
    trigger = Trigger(device="feet", kind="controller", channel=2, number=64)
    assert trigger.words == "controller 64 on channel 2"
