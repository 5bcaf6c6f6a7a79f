"""Audio interfaces as PortAudio lists them, by names that last.

PortAudio calls a card of ALSA's "NAME (hw:2,0)": its number goes by the order in which cards came
up. The socket it is plugged into, and its serial number, stay: "NAME [usb 1-1.2 serial A17, 0]".
"""

from __future__ import annotations

import re
from typing import Any, NamedTuple

from grebe.errors import PortLost
from grebe.transports.hardware import place_of_card, serial_of
from grebe.transports.jack.library import choose

_HARDWARE = re.compile(r"(?P<name>.*) \(hw:(?P<card>\d+),(?P<device>\d+)\)", re.DOTALL)
_LASTING = re.compile(r"(?P<name>.*) \[(?P<place>[^\]]*), (?P<device>\d+)\]", re.DOTALL)


class Interface(NamedTuple):
    """One that is there."""

    number: int
    """PortAudio's, today."""
    listed: str
    """As PortAudio calls it."""
    name: str
    """A name that means it again tomorrow."""
    channels: int


def sound_library() -> Any:
    """The `sounddevice` module. PortLost where it or PortAudio is missing."""
    choose()  # PortAudio brings libjack with it
    try:
        import sounddevice  # noqa: PLC0415 - needs PortAudio, which not every machine has
    except (ImportError, OSError) as error:
        raise PortLost("PortAudio is not installed (Debian: libportaudio2)") from error
    return sounddevice


def interfaces(*, input_: bool = False) -> list[Interface]:
    """What there is. PortLost when there is no PortAudio."""
    key = "max_input_channels" if input_ else "max_output_channels"
    return [
        Interface(index, device["name"], lasting_name(device["name"]), device[key])
        for index, device in enumerate(sound_library().query_devices())
        if device[key]
    ]


def lasting_name(listed: str) -> str:
    """A name without a card's number, where its place is known."""
    words = _HARDWARE.fullmatch(listed)
    place = place_of_card(int(words["card"])) if words else ""
    return f"{words['name']} [{place}, {words['device']}]" if words and place else listed


def interface_meant(wanted: str, there: list[Interface]) -> Interface:
    """The interface that a name means today: by its place, by its serial number elsewhere, else by
    its name where only one has it. PortLost says that there is none, or that it could be several.
    """
    exact = [i for i in there if wanted in (i.name, i.listed)]
    if exact:
        return exact[0]
    words = _LASTING.fullmatch(wanted) or _HARDWARE.fullmatch(wanted)
    found = [i for i in there if words is not None and _could_be(i, words)]
    serial = _serial_in(wanted)
    if serial:
        same = [i for i in found if _serial_in(i.name) == serial]
        found = same or [i for i in found if not _serial_in(i.name)]
    if len(found) == 1:
        return found[0]
    if found:
        raise PortLost(f"{len(found)} audio interfaces could be {wanted!r}: choose one in the Rig")
    raise PortLost(f"there is no audio interface {wanted!r}")


def _serial_in(name: str) -> str:
    words = _LASTING.fullmatch(name)
    return serial_of(words["place"]) if words else ""


def _could_be(there: Interface, words: re.Match[str]) -> bool:
    own = _HARDWARE.fullmatch(there.listed)
    return own is not None and (own["name"], own["device"]) == (words["name"], words["device"])
