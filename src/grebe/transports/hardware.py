"""What stays of a sound or MIDI device when its number changes: where it is plugged, its serial."""

from __future__ import annotations

from pathlib import Path

_CARDS = Path("/sys/class/sound")
_SERIAL = " serial "
_BUSES = ("usb", "pci", "platform")


def place_of_card(card: int, cards: Path = _CARDS) -> str:
    """Where a card is: "usb 1-1.2 serial A17", "pci 0000:00:1b.0"; "" where that is not known.

    A card's number, and a sequencer client's with it, goes by the order in which devices came up:
    after another boot it is another's. The socket stays, and so does a serial number.
    """
    try:
        device = (cards / f"card{card}" / "device").resolve(strict=True)
        bus = (device / "subsystem").resolve(strict=True).name
    except OSError:
        return ""
    if bus not in _BUSES:
        return ""
    # A USB card hangs on an interface of the device ("1-1.2:1.0"), which knows the serial number.
    known = device.parent if bus == "usb" and ":" in device.name else device
    place = known.name if bus == "platform" else f"{bus} {known.name}"
    try:
        serial = (known / "serial").read_text().strip()
    except OSError:
        serial = ""
    return f"{place}{_SERIAL}{serial}" if serial else place


def serial_of(place: str) -> str:
    """The serial number in a place, with what stands behind it; "" for none."""
    return place.partition(_SERIAL)[2]


def socket_of(place: str) -> str:
    """A place without the serial number."""
    return place.partition(_SERIAL)[0]
