"""ALSA's sequencer: names that last, ports pulled and back at once, what comes in and goes out."""

from __future__ import annotations

import builtins
import os
import select
from collections.abc import Iterator
from pathlib import Path

import pytest

from grebe.errors import PortLost
from grebe.transports.alsa import client
from grebe.transports.alsa.client import SequencerClient
from grebe.transports.alsa.names import Address, lasting_names, meant
from grebe.transports.alsa.wire import AlsaInput, AlsaWire
from grebe.transports.hardware import place_of_card
from tests.transports.fake_sequencer import FakeSequencer, port
from tests.waiting import wait

BOX = "Lab Box:Lab Box MIDI 1"
A, B = "usb 1-1 serial AAA", "usb 1-2 serial BBB"


# Names


def test_names_last_and_are_told_apart() -> None:
    """A device by its place, a program by its name; numbers only where nothing else helps."""
    ports = [
        port(14, "Midi Through:Port-0"), port(20, BOX, A), port(24, BOX, B),
        port(128, "Sampler:in"), port(129, "Looper:in"), port(130, "Looper:in"),
    ]  # fmt: skip
    names = lasting_names(ports)
    assert list(names.values()) == [
        "Midi Through:Port-0", f"{BOX} [{A}]", f"{BOX} [{B}]", "Sampler:in",
        "Looper:in 129:0", "Looper:in 130:0",
    ]  # fmt: skip
    for address, name in names.items():
        assert meant(name, ports).address == address


@pytest.mark.parametrize(
    ("wanted", "there", "client"),
    [
        (f"{BOX} [{A}]", [port(24, BOX, A), port(20, BOX, B)], 24),  # numbers changed
        (f"{BOX} [{A}]", [port(20, BOX, B), port(24, BOX, "usb 3-1 serial AAA")], 24),  # moved
        (f"{BOX} [usb 1-1]", [port(20, BOX, "usb 2-4")], 20),  # moved, and has no serial
        (f"{BOX} [usb 1-1]", [port(20, BOX, "usb 2-4"), port(24, BOX, "usb 1-1")], 24),
        # two with one serial number: makers do that
        (
            f"{BOX} [usb 1-2 serial 1]",
            [port(20, BOX, "usb 1-1 serial 1"), port(24, BOX, "usb 1-2 serial 1")],
            24,
        ),
        # the kernel's own names have the card's number in them
        (
            "Virtual Raw MIDI 1-0:VirMIDI 1-0 [snd_virmidi.0]",
            [port(20, "Virtual Raw MIDI 4-0:VirMIDI 4-0", "snd_virmidi.0")],
            20,
        ),
        # as older projects have them, with the number of another day
        (f"{BOX} 20:0", [port(28, BOX, A)], 28),
        (f"{BOX} 20:0", [port(20, BOX, A), port(24, BOX, B)], 20),
        ("Sampler", [port(128, "Sampler:in"), port(128, "Sampler:more", number=1)], 128),
        ("VirMIDI 3-0", [port(20, "Virtual Raw MIDI 1-0:VirMIDI 1-0"), port(28, "X:VirMIDI 3-0")],
         28),
    ],
)  # fmt: skip
def test_a_name_means_the_same_device_tomorrow(wanted: str, there: list, client: int) -> None:
    assert meant(wanted, there).address.client == client


@pytest.mark.parametrize(
    ("wanted", "there", "said"),
    [
        ("Drums", [port(14, "Through:0"), port(20, "Pads:1")],
         "no ALSA port 'Drums'; ports: Through:0, Pads:1"),
        ("Drums", [], "ports: none"),
        (f"{BOX} [{A}]", [port(20, BOX, B)], "no ALSA port"),  # its twin is not taken for it
        (BOX, [port(20, BOX, A), port(24, BOX, B)], "2 ALSA ports are called 'Lab Box:Lab Box"),
        ("Looper:in", [port(128, "Looper:in"), port(129, "Looper:in")], "choose one in the Rig"),
    ],
)  # fmt: skip
def test_a_name_that_means_none_or_several_is_refused(wanted: str, there: list, said: str) -> None:
    with pytest.raises(PortLost) as lost:
        meant(wanted, there)
    assert said in str(lost.value)


def test_a_twin_of_another_box_is_not_taken() -> None:
    """Neither has a serial number, one is away: the other box's is left to it."""
    there = [port(20, BOX, "usb 1-2")]
    assert meant(f"{BOX} [usb 1-1]", there).address.client == 20
    with pytest.raises(PortLost):
        meant(f"{BOX} [usb 1-1]", there, {f"{BOX} [usb 1-2]"})


def test_the_place_of_a_card_is_read_from_the_system(tmp_path: Path) -> None:
    """Laid out as Linux does: a USB card hangs on an interface of its device."""
    usb = tmp_path / "devices/usb1/1-1.2"
    for folder, bus in ((usb / "1-1.2:1.0", "usb"), (tmp_path / "devices/0000:00:1b.0", "pci")):
        folder.mkdir(parents=True)
        (tmp_path / "bus" / bus).mkdir(parents=True)
        (folder / "subsystem").symlink_to(tmp_path / "bus" / bus)
    for number, device in enumerate((usb / "1-1.2:1.0", tmp_path / "devices/0000:00:1b.0")):
        card = tmp_path / f"card{number}"
        card.mkdir()
        (card / "device").symlink_to(device)
    assert place_of_card(0, tmp_path) == "usb 1-1.2"
    (usb / "serial").write_text("A17\n")
    assert place_of_card(0, tmp_path) == "usb 1-1.2 serial A17"
    assert place_of_card(1, tmp_path) == "pci 0000:00:1b.0"
    assert place_of_card(2, tmp_path) == ""


# The wire


@pytest.fixture
def fake() -> FakeSequencer:
    return FakeSequencer(port(14, "Through:0"), port(20, BOX, A), port(24, BOX, B))


@pytest.fixture
def wire(fake: FakeSequencer) -> Iterator[AlsaWire]:
    made = AlsaWire(fake)
    yield made
    made.close()
    assert fake.closed


def test_ports_bear_the_names_of_their_boxes(wire: AlsaWire, fake: FakeSequencer) -> None:
    """One client, a port a box in each direction, given back when it is not needed."""
    out = wire.open_output("Smew", f"{BOX} [{B}]")
    heard = wire.open_input("Smew", f"{BOX} [{A}]")
    assert list(fake.own.values()) == ["Smew", "from Smew"]
    out.send(b"\xf8", 0)
    assert fake.sent == [(Address(24, 0), b"\xf8")]
    fake.broken = True
    with pytest.raises(PortLost, match="went away"):
        out.send(b"\xf8", 0)
    with pytest.raises(PortLost, match="no ALSA port 'Drums'"):
        wire.open_output("Scaup", "Drums")
    out.close()
    heard.close_input()
    assert fake.own == {}


def taken(heard: AlsaInput, count: int) -> list[bytes]:
    got: list[bytes] = []
    while len(got) < count:
        assert select.select([heard], [], [], 2)[0]
        got += [data for _, data in heard.receive()]
    return got


def test_what_comes_in_wakes_and_is_given_once(wire: AlsaWire, fake: FakeSequencer) -> None:
    """At the port that it came to. Active Sensing and system exclusive are left out."""
    first, other = (wire.open_input(name, f"{BOX} [{at}]") for name, at in (("a", A), ("b", B)))
    assert select.select([first, other], [], [], 0)[0] == []
    fake.come(first.own, b"\x90\x24\x64", b"\xfe", b"\xf0\x7d\xf7", b"\x80\x24\x40")
    assert taken(first, 2) == [b"\x90\x24\x64", b"\x80\x24\x40"]
    assert first.receive() == other.receive() == []


def test_a_port_that_is_pulled_and_back_at_once_is_known_to_have_gone(
    wire: AlsaWire, fake: FakeSequencer
) -> None:
    """The name being there is not the connection being there. The engine is woken to hear of it."""
    out, heard = wire.open_output("a", f"{BOX} [{A}]"), wire.open_input("a", f"{BOX} [{A}]")
    stays = wire.open_output("b", f"{BOX} [{B}]")
    out.check()
    fake.plug(fake.pull(Address(20, 0)))
    assert select.select([heard], [], [], 2)[0]
    wait(lambda: wire.has_news)
    for looked in (out.check, heard.check_input, heard.receive):
        with pytest.raises(PortLost, match="went away"):
            looked()
    stays.check()
    out.close()
    wait(lambda: Address(20, 0) in wire._ports)
    again = wire.open_output("a", f"{BOX} [{A}]")
    again.check()
    again.send(b"\xf8", 0)
    assert fake.sent[-1] == (Address(20, 0), b"\xf8")


def test_ports_are_looked_up_once(wire: AlsaWire, fake: FakeSequencer) -> None:
    """Then what comes and goes is told: a port that is missing is tried at no cost."""
    gone = fake.pull(Address(20, 0))
    wait(lambda: Address(20, 0) not in wire._ports)
    for _ in range(50):
        with pytest.raises(PortLost):
            wire.open_output("a", f"{BOX} [{A}]")
    assert fake.asked == 1
    fake.plug(gone)
    wait(lambda: wire.has_news)
    wire.open_output("a", f"{BOX} [{A}]").check()
    assert fake.asked == 1


@pytest.mark.parametrize("serials", [True, False])
def test_twins_that_come_back_in_the_other_order_keep_their_boxes(*, serials: bool) -> None:
    """Also where a project knows them by yesterday's numbers: by what they were when opened."""
    places = (A, B) if serials else ("usb 1-1", "usb 1-2")
    fake = FakeSequencer(port(20, BOX, places[0]), port(24, BOX, places[1]))
    wire = AlsaWire(fake)
    outs = [wire.open_output(name, f"{BOX} {n}:0") for name, n in (("a", 20), ("b", 24))]
    for number in (20, 24):
        fake.pull(Address(number, 0))
    for out in outs:
        wait(lambda out=out: out.gone)  # type: ignore[misc]
        out.close()
    fake.plug(port(20, BOX, places[1]))  # b's is the first to be back, under a's number
    wait(lambda: Address(20, 0) in wire._ports)
    with pytest.raises(PortLost):
        wire.open_output("a", f"{BOX} 20:0")
    wire.open_output("b", f"{BOX} 24:0").send(b"\xfa", 0)
    fake.plug(port(24, BOX, places[0]))
    wait(lambda: Address(24, 0) in wire._ports)
    wire.open_output("a", f"{BOX} 20:0").send(b"\xfc", 0)
    assert fake.sent == [(Address(20, 0), b"\xfa"), (Address(24, 0), b"\xfc")]
    wire.close()


@pytest.mark.parametrize(
    ("device", "library", "words"),
    [
        (None, None, "no ALSA sequencer"),
        (0o000, None, "join its group"),
        (0o666, None, "does not open"),
        (0o666, "libasound.so.2: cannot open shared object file", "libasound2"),
        (0o666, "No module named 'alsa_midi'", "alsa-midi is not installed"),
    ],
)
def test_why_there_is_no_sequencer(
    tmp_path: Path, monkeypatch: pytest.MonkeyPatch, device: int | None, library: str | None,
    words: str,
) -> None:  # fmt: skip
    """Each with what can be done about it: what is missing is not called something else."""
    path = tmp_path / "seq"
    if device is not None:
        path.touch(device)
        monkeypatch.setattr(os, "access", lambda *_: bool(device))
    monkeypatch.setattr(client, "DEVICE", path)
    if library is not None:

        def without(name: str, *rest: object) -> object:
            if name.startswith("alsa_midi"):
                raise ImportError(library)
            return real(name, *rest)

        real = builtins.__import__
        monkeypatch.setattr(builtins, "__import__", without)
    with pytest.raises(PortLost, match=words):
        SequencerClient()
