"""Wires without their devices: the frame clock, ALSA against a stand-in library, sleeping."""

from __future__ import annotations

import json
import os
import random
import socket
import sys
from itertools import pairwise
from pathlib import Path
from typing import Any

import pytest

from grebe.errors import PortLost
from grebe.protocols.standin.reports import ReportKind, StandinReport, encode_reports
from grebe.transports.clock import Sleep, raw_ns, sleep_until_ns
from grebe.transports.frames import FrameClock
from grebe.transports.jack import library, midi
from grebe.transports.standin import StandinPort

PERIOD, RATE = 256, 48_000
PERIOD_NS = PERIOD / RATE * 1e9


def run_clock(clock: FrameClock, periods: int, *, ppm: float = 0, seed: int = 1) -> float:
    """Feed wavering callback times of a card that is `ppm` fast; the last period's true time."""
    dice = random.Random(seed)
    at = 0.0
    for n in range(periods):
        at = n * PERIOD_NS / (1 + ppm / 1e6)
        clock.update(n * PERIOD, round(at + dice.expovariate(1 / 40_000)), PERIOD)
    return at


def test_the_frame_clock_smooths_the_callback() -> None:
    """Callbacks some 40 us late and wavering give frames a steady distance apart."""
    clock = FrameClock(RATE)
    last = run_clock(clock, 4000)
    frames = [clock.frame_at(round(last + n * 19.84e6)) for n in range(20)]
    assert None not in frames
    steps = {b - a for a, b in pairwise(frames)}  # type: ignore[operator]
    assert steps <= {952, 953}
    # 40 us late on average is 1.9 frames: a constant that the device's offset takes up.
    assert abs(frames[0] - 3999 * PERIOD) <= 4  # type: ignore[operator]


def test_it_learns_the_cards_rate() -> None:
    """A card 100 ppm fast, after a minute, to within 5 ppm."""
    clock = FrameClock(RATE)
    run_clock(clock, 11_250, ppm=100)
    assert clock.mapping is not None
    ppm = (1e9 / RATE / clock.mapping[2] - 1) * 1e6
    assert ppm == pytest.approx(100, abs=5)


@pytest.mark.parametrize("jump", [(5000, 0), (0, 40_000_000)])
def test_a_jump_begins_afresh(jump: tuple[int, int]) -> None:
    """Frames or time that jump are counted, and not smoothed over."""
    clock = FrameClock(RATE)
    last = run_clock(clock, 500)
    frame, late = jump
    now = round(last + PERIOD_NS) + late
    clock.update(500 * PERIOD + frame, now, PERIOD)
    assert clock.gaps == 1
    assert clock.frame_at(now) == 500 * PERIOD + frame


def test_before_the_first_period_there_is_no_frame() -> None:
    """Nothing is made up."""
    assert FrameClock(RATE).frame_at(5) is None


def listening(path: Path) -> socket.socket:
    made = socket.socket(socket.AF_UNIX, socket.SOCK_SEQPACKET)
    made.bind(str(path))
    made.listen(1)
    return made


def test_the_wire_to_a_stand_in(own_folders: Path) -> None:
    """Packets there, reports back; what cannot be read is counted; hanging up is noticed."""
    path = own_folders / "box.sock"
    with pytest.raises(PortLost, match="not there"):
        StandinPort(str(path))
    server = listening(path)
    port = StandinPort(str(path))
    box, _ = server.accept()
    port.send(b"\xfa", 0)
    assert box.recv(10) == b"\xfa"
    report = StandinReport(ReportKind.TICK, 1, 0, 5)
    box.send(b"junk")
    box.send(encode_reports([report]))
    assert port.reports() == [report]
    assert port.unreadable == 1
    box.close()
    server.close()
    with pytest.raises(PortLost):
        port.reports()
    with pytest.raises(PortLost, match="stopped listening"):
        port.send(b"\xf8", 0)
    port.close()


def test_a_stand_in_that_does_not_read_never_blocks(own_folders: Path) -> None:
    """What it has no time for waits in order; one that never reads counts as gone."""
    server = listening(own_folders / "box.sock")
    port = StandinPort(str(own_folders / "box.sock"))
    box, _ = server.accept()
    for number in range(2_000):  # far more than the socket holds
        port.send(number.to_bytes(2, "big"), 0)
    box.setblocking(False)
    got: list[int] = []
    while len(got) < 2_000:
        try:
            got.append(int.from_bytes(box.recv(10), "big"))
        except BlockingIOError:
            assert port.reports() == []  # looking for reports sends on what waits
    assert got == list(range(2_000))
    with pytest.raises(PortLost, match="stopped listening"):
        for _ in range(100_000):
            port.send(bytes(100), 0)
    box.close()
    port.close()
    server.close()


@pytest.mark.parametrize("spin_ns", [0, 200_000])
def test_sleeping_is_never_too_short(spin_ns: int) -> None:
    """Never before the deadline but for the clock's steering; a past one returns at once."""
    due = raw_ns() + 3_000_000
    sleep_until_ns(due, spin_ns)
    assert raw_ns() >= due - (0 if spin_ns else 20_000)
    before: Any = raw_ns()
    sleep_until_ns(before - 1_000_000_000, spin_ns)


def test_sleep_is_noticed_once() -> None:
    """Our clock stands still while the machine sleeps; the difference to the boot clock grows."""
    asleep = [5_000_000_000]
    sleep = Sleep(lambda: asleep[0])
    assert sleep.noticed_s() == 0
    asleep[0] += 100_000_000  # two clocks read one after another
    assert sleep.noticed_s() == 0
    asleep[0] += 7_000_000_000
    assert sleep.noticed_s() == pytest.approx(7.0)
    assert sleep.noticed_s() == 0
    assert Sleep().noticed_s() == 0


def test_the_server_that_runs_is_chosen(monkeypatch: pytest.MonkeyPatch, tmp_path: Path) -> None:
    """jackd where it does, for somebody started it; else PipeWire; and as it is said."""
    monkeypatch.setenv("XDG_RUNTIME_DIR", str(tmp_path))
    for name in ("PIPEWIRE_RUNTIME_DIR", "PIPEWIRE_REMOTE", "JACK_DEFAULT_SERVER", library.CHOICE):
        monkeypatch.delenv(name, raising=False)
    sockets = tmp_path / "unix"
    monkeypatch.setattr(library, "_SOCKETS", sockets)
    assert library.wanted(None) == "jackd"
    with socket.socket(socket.AF_UNIX) as listening:
        listening.bind(str(tmp_path / "pipewire-0"))
        sockets.write_text("0: 2 0 0 1 1 5 /dev/shm/jack_default_12345_0\n")  # another user's
        assert library.wanted(None) == "PipeWire"
        assert library.wanted("stage") == "jackd"  # only its servers have names
        monkeypatch.setenv(library.CHOICE, "jackd")
        assert library.wanted(None) == "jackd"
        monkeypatch.delenv(library.CHOICE)
        sockets.write_text(f"0: 2 0 0 1 1 5 /dev/shm/jack_default_{os.getuid()}_0\n")
        assert library.wanted(None) == "jackd"
        monkeypatch.setenv(library.CHOICE, "PipeWire")
        assert library.wanted(None) == "PipeWire"


@pytest.mark.parametrize(
    ("in_use", "found", "choice", "said"),
    [
        ("jackd", Path("x"), "", "; PipeWire is: end Grebe's engine (grebe stop), the next one"),
        ("", None, "", "; PipeWire is: install pipewire-jack"),
        ("jackd", Path("x"), "jackd", "; PipeWire is: GREBE_JACK keeps Grebe from it"),
        ("PipeWire", Path("x"), "", ""),
    ],
)
def test_where_another_server_runs_it_is_said_what_to_do(
    monkeypatch: pytest.MonkeyPatch, in_use: str, found: Path | None, choice: str, said: str
) -> None:
    monkeypatch.setenv(library.CHOICE, choice)
    monkeypatch.delenv("JACK_DEFAULT_SERVER", raising=False)
    monkeypatch.setattr(library, "loaded", lambda: in_use)
    monkeypatch.setattr(library, "pipewire_library", lambda: found)
    monkeypatch.setattr(library, "pipewire_runs", lambda: True)
    monkeypatch.setattr(library, "jackd_runs", lambda server=None: False)
    assert library.why_none(None).startswith(f"no JACK server is running{said}")


BUSY, NONE = 0x21, 0x11
"""`JackFailure | JackServerError` and `JackFailure | JackServerFailed` of JACK's types.h."""


@pytest.mark.parametrize(
    ("answers", "said"),
    [
        ([BUSY, BUSY], ""),
        ([BUSY] * 9, "JACK runs, and takes no further client"),
        ([NONE], "no JACK server is running"),
        ([BUSY, NONE], "no JACK server is running"),
    ],
)
def test_a_server_that_is_busy_is_asked_again_and_one_that_is_not_there_is_not(
    monkeypatch: pytest.MonkeyPatch, answers: list[int], said: str
) -> None:
    """Refused with these, then let in."""
    jack = pytest.importorskip("jack")
    left = list(answers)

    def client(name: str, **_: object) -> str:
        if left:
            raise jack.JackOpenError(name, jack.Status(left.pop(0)))
        return name

    monkeypatch.setattr(jack, "Client", client)
    monkeypatch.setattr(midi, "BUSY_S", 0.0)
    monkeypatch.setattr(midi, "why_none", lambda server: "no JACK server is running")
    if said:
        with pytest.raises(PortLost, match=said):
            midi.open_client("grebe", None)
    else:
        assert midi.open_client("grebe", None) == "grebe"
    assert len(answers) - len(left) <= midi.TRIES


@pytest.fixture(scope="module")
def listed() -> dict[str, dict[str, object]]:
    """What this computer's libraries say of their ports."""
    from grebe.transports import __main__ as look

    return look.found(here=True)


@pytest.mark.parametrize("wire", ["jack", "alsa", "sound"])
def test_a_library_that_hangs_or_ends_its_process_is_said_and_the_rest_is_listed(
    monkeypatch: pytest.MonkeyPatch, listed: dict[str, dict[str, object]], wire: str
) -> None:
    """Each is asked by a process of its own; the others here say at once what they said before."""
    from grebe.transports import __main__ as look

    rest = {name: row for name, row in listed.items() if name != wire}

    def instead(code: str) -> None:
        says = {name: f"print({json.dumps(row)!r})" for name, row in rest.items()} | {wire: code}
        monkeypatch.setattr(look, "asking", lambda name: [sys.executable, "-c", says[name]])

    instead("import os; os.abort()")
    found = look.found(here=True)
    assert not found[wire]["available"]
    assert str(found[wire]["reason"]).endswith("'s library ended the process that asked it")
    assert {name: row for name, row in found.items() if name != wire} == rest
    instead(
        "import time; from grebe.transports import __main__ as look; look.ANSWER_S = 1; "
        f"look.LISTS[{wire!r}] = lambda: time.sleep(60); look.main([look.ASK, {wire!r}])"
    )
    found = look.found(here=True)
    assert str(found[wire]["reason"]).endswith(" does not answer")
    assert {name: row for name, row in found.items() if name != wire} == rest
