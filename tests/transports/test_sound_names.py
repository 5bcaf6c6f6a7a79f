"""Names of audio interfaces that last, and which one a name means today."""

from __future__ import annotations

import pytest

from grebe.errors import PortLost
from grebe.transports.pulses import devices
from grebe.transports.pulses.devices import Interface, interface_meant, lasting_name


def there(*rows: tuple[str, str]) -> list[Interface]:
    """Interfaces by what PortAudio calls them and their places."""
    out = []
    for number, (listed, place) in enumerate(rows):
        name, _, rest = listed.partition(" (hw:")
        device = rest.rstrip(")").rpartition(",")[2]
        lasting = f"{name} [{place}, {device}]" if place else listed
        out.append(Interface(number, listed, lasting, 8))
    return out


def test_a_cards_number_gives_way_to_its_place(monkeypatch: pytest.MonkeyPatch) -> None:
    places = {2: "usb 1-1 serial A17"}
    monkeypatch.setattr(devices, "place_of_card", lambda card: places.get(card, ""))
    assert lasting_name("Deck: USB Audio (hw:2,0)") == "Deck: USB Audio [usb 1-1 serial A17, 0]"
    assert lasting_name("Deck: USB Audio (hw:3,0)") == "Deck: USB Audio (hw:3,0)"
    assert lasting_name("pipewire") == "pipewire"


@pytest.mark.parametrize(
    ("wanted", "rows", "number"),
    [
        ("pipewire", [("pipewire", ""), ("default", "")], 0),
        ("Deck [usb 1-1, 0]", [("Deck (hw:5,0)", "usb 1-1"), ("Deck (hw:5,1)", "usb 1-1")], 0),
        ("Deck [usb 1-1, 1]", [("Deck (hw:5,0)", "usb 1-1"), ("Deck (hw:5,1)", "usb 1-1")], 1),
        ("Deck [usb 1-1, 0]", [("Deck (hw:5,0)", "usb 2-4")], 0),  # in another socket
        ("Deck [usb 1-1 serial A, 0]",
         [("Deck (hw:1,0)", "usb 3-1 serial B"), ("Deck (hw:2,0)", "usb 3-2 serial A")], 1),
        ("Deck (hw:2,0)", [("Deck (hw:4,0)", "usb 1-1")], 0),  # saved before there were places
        ("Deck (hw:2,0)", [("Deck (hw:1,0)", "usb 1-1"), ("Deck (hw:2,0)", "usb 1-2")], 1),
    ],
)  # fmt: skip
def test_a_name_means_the_same_interface_tomorrow(
    wanted: str, rows: list[tuple[str, str]], number: int
) -> None:
    assert interface_meant(wanted, there(*rows)).number == number


@pytest.mark.parametrize(
    ("wanted", "rows", "said"),
    [
        ("Deck", [("Other", "")], "no audio interface 'Deck'"),
        ("Deck [usb 1-1 serial A, 0]", [("Deck (hw:1,0)", "usb 1-1 serial B")], "no audio"),
        ("Deck [usb 9-9, 0]", [("Deck (hw:1,0)", "usb 1-1"), ("Deck (hw:2,0)", "usb 1-2")],
         "2 audio interfaces could be"),
    ],
)  # fmt: skip
def test_another_of_its_kind_is_not_taken_for_it(
    wanted: str, rows: list[tuple[str, str]], said: str
) -> None:
    with pytest.raises(PortLost, match=said.replace("[", r"\[")):
        interface_meant(wanted, there(*rows))
