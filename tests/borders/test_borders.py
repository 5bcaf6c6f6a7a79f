"""Whatever comes in from outside: at each border's real entry point no bytes end the process.

Kept cases are what once did; the rest are mutations of good ones, by a fixed seed.
``GREBE_FUZZ=20000 pytest tests/borders`` tries as many at each.
"""

from __future__ import annotations

import os
import random
import secrets
import select
import socket
from collections.abc import Callable, Iterator
from functools import partial
from pathlib import Path

import msgspec
import pytest

from grebe.app import kept
from grebe.app.document.demo import demo_bytes
from grebe.app.document.recovery import read_copy
from grebe.app.engine.client import EngineClient
from grebe.app.engine.supervisor import load_message
from grebe.app.settings import Settings
from grebe.core.player.commands import Begin, Launch
from grebe.core.player.plan import make_plan
from grebe.core.rig.standin import Setup
from grebe.core.session.use import OscUse, SessionUse
from grebe.engine.loading import LOADS, Loading
from grebe.engine.server import Server
from grebe.errors import GrebeError, ProtocolError
from grebe.formats.events import read_events, read_wav
from grebe.formats.midi_loops import parse_notes
from grebe.formats.profiles import parse_profile, profile_bytes, shipped_profiles
from grebe.formats.project import parse_project, project_bytes
from grebe.formats.sets_csv import read_set_file
from grebe.formats.ticks import read_ticks
from grebe.formats.wav import wav_bytes
from grebe.network.node import Node
from grebe.network.osc import Surfaces
from grebe.network.rtp import NetworkPort
from grebe.network.showing import Showing
from grebe.protocols.link.messages import (
    LINK_VERSION,
    Hello,
    LoadPart,
    PlanChange,
    Status,
    Welcome,
    pack,
)
from grebe.protocols.link.session import RtpPort, ShowDocument
from grebe.protocols.osc.messages import OscMessage, write
from grebe.protocols.session import stage
from grebe.protocols.standin import speaker
from grebe.protocols.standin.reports import ReportKind, StandinReport, encode_reports, encode_setup
from grebe.standins.__main__ import read_seating
from grebe.standins.host import StandinHost
from grebe.transports.clock import raw_ns
from grebe.transports.standin import StandinPort
from tests import build

COUNT = int(os.environ.get("GREBE_FUZZ", "150"))
DEMO = parse_project(demo_bytes(), "demo").project
TWO = build.two_boxes()
DEEP = b"[" * 3000, b'{"a":' * 2000, b"\x91" * 3000, b"\x81\xa1a" * 2000
"""JSON and MessagePack that nest for ever."""
NO_TEXT = b"\xff\xfe\xfd", b"\xa4\xff\xff\xff\xff", b'"\xff"', b"\xc3\x28", b"\0" * 40
NUMBERS = b"1e999", b"-1e999", b"NaN", b"\xcb\x7f\xf0" + b"\0" * 6, b"\xcf" + b"\xff" * 8


def mutated(good: list[bytes], rng: random.Random) -> bytes:
    """One of the good ones, cut, flipped, doubled, or with something rude in it."""
    data = bytearray(rng.choice(good))
    for _ in range(rng.choice((1, 1, 2, 5))):
        at = rng.randrange(len(data) + 1)
        match rng.randrange(6):
            case 0 if data:
                data[at % len(data)] = rng.randrange(256)
            case 1:
                del data[at : at + rng.randrange(1, 40)]
            case 2:
                data[at:at] = rng.choice((*DEEP, *NO_TEXT, *NUMBERS))[: rng.randrange(1, 400)]
            case 3:
                data[at:at] = rng.randbytes(rng.randrange(1, 12))
            case 4 if data:
                data = data[: at % len(data)]
            case _:
                data += data[at : at + 60]
    return bytes(data)


def cases(good: list[bytes], seed: int) -> Iterator[bytes]:
    """The good ones, what once ended something, and many that are a little wrong."""
    yield from good
    yield from (*DEEP, *NO_TEXT, *NUMBERS, b"")
    for each in good:
        for rude in (*DEEP, *NO_TEXT):
            yield each[: len(each) // 2] + rude
    rng = random.Random(seed)
    for _ in range(COUNT):
        yield mutated(good, rng)


def tried(good: list[bytes], take: Callable[[bytes], object], seed: int = 16) -> None:
    """Every case: it is taken, or refused with an error of ours; nothing else comes out."""
    refused = 0
    for data in cases(good, seed):
        try:
            take(data)
        except GrebeError as error:
            refused += 1
            assert str(error).encode("utf-8", "surrogateescape")
    assert refused >= 0


TO_ENGINE = [
    pack(m)[4:]
    for m in (
        Hello(version=LINK_VERSION), Begin(section="s1"), Launch(section="s1", at="bar"),
        load_message(TWO, make_plan(TWO, TWO.songs[0])),
        LoadPart(token="a", patterns=TWO.patterns), ShowDocument(project=b"{}", song="song"),
        PlanChange(base="a", token="b", plan={"f": {"song": {"f": {"bpm": {"v": 99.0}}}}}),
    )
]  # fmt: skip


def test_the_engines_socket(own_folders: Path) -> None:
    """Through the server's own door; a frame whose length is wrong closes that connection only."""
    server = Server(own_folders / "e.sock")
    loading = Loading()

    def take(body: bytes) -> None:
        with socket.socket(socket.AF_UNIX, socket.SOCK_STREAM) as window:
            window.connect(str(own_folders / "e.sock"))
            window.sendall(len(body).to_bytes(4, "little") + body)
            for _ in range(3):
                for _, message in server.poll():
                    if isinstance(message, LOADS):
                        loading.take(message)

    tried(TO_ENGINE, take)
    good = EngineClient(own_folders / "e.sock")
    heard = [m for _ in range(3) for _, m in server.poll()]
    assert any(isinstance(m, Hello) for m in heard)
    good.close()
    server.close()


def test_what_an_engine_says(own_folders: Path) -> None:
    """Through a window's end of the socket."""
    door = socket.socket(socket.AF_UNIX, socket.SOCK_STREAM)
    door.bind(str(own_folders / "e.sock"))
    door.listen(1)
    good = [
        pack(m)[4:]
        for m in (Welcome(version=1, pid=2, priority="none"), Status(at_ns=1, running=True))
    ]

    def take(body: bytes) -> None:
        client = EngineClient(own_folders / "e.sock")
        engine, _ = door.accept()
        with engine:
            engine.sendall(len(body).to_bytes(4, "little") + body)
            try:
                client.pump()
            finally:
                client.close()

    tried(good, take)
    door.close()


def test_osc_from_anybody() -> None:
    """Over a real socket, with the demo to name things by; floats without end among them."""
    told: list[object] = []
    surfaces = Surfaces(told.append)
    with socket.socket(socket.AF_INET, socket.SOCK_DGRAM) as probe:
        probe.bind(("127.0.0.1", 0))
        port = probe.getsockname()[1]
    surfaces.use(OscUse(port=port))
    surfaces.shown(ShowDocument(project=demo_bytes(), song=DEMO.songs[0].id))
    good = [
        write(OscMessage(address, arguments))
        for address, arguments in (
            ("/grebe/launch", (3,)), ("/grebe/launch", ("Hook", "bar")), ("/grebe/tempo", (120.0,)),
            ("/grebe/launch", (float("inf"),)), ("/grebe/launch", (float("nan"), "now")),
            ("/grebe/mute/1", (1,)), ("/grebe/mute/\u0663", (1,)), ("/grebe/run", (float("nan"),)),
            ("/grebe/subscribe", (2**31 - 1,)), ("/grebe/subscribe", (-1,)), ("/grebe/ask", ()),
            ("/grebe/do/panic", ()),
        )
    ]  # fmt: skip
    out = socket.socket(socket.AF_INET, socket.SOCK_DGRAM)
    at = 0

    def take(data: bytes) -> None:
        nonlocal at
        at += 10_000_000
        out.sendto(data[:1400], ("127.0.0.1", port))
        surfaces.take(surfaces.sockets(), at)
        state = surfaces.state()
        assert state is not None
        pack(Status(at_ns=1, running=True)) and msgspec.msgpack.encode(state)

    tried(good, take)
    assert told
    out.close()
    surfaces.close()


def also_kept(good: list[bytes], send: Callable[..., None], data: bytes, to: object) -> None:
    """Send a packet, and keep it."""
    good.append(data)
    send(data, to)


def test_packets_of_a_session() -> None:
    """At a peer's own socket, sealed and open, with what it sends itself as a beginning."""
    session = f"fuzz {secrets.token_hex(4)}"
    for passphrase in ("", "grey seal"):
        node = Node(SessionUse(name=session, interface="lo"), passphrase=passphrase, bpm=120.0,
                    discover=False)  # fmt: skip
        ear = socket.socket(socket.AF_INET, socket.SOCK_DGRAM)
        ear.bind(("127.0.0.1", 0))
        good: list[bytes] = []
        other = Node(SessionUse(name=session, interface="lo"), passphrase=passphrase, bpm=99.0,
                     discover=False)  # fmt: skip
        other.udp.send = partial(also_kept, good, other.udp.send)  # type: ignore[method-assign]
        other._typed = [("127.0.0.1", node.udp.port)]
        for _ in range(60):
            for each in (node, other):
                each.run_once()
        assert good

        def take(data: bytes, node: Node = node) -> None:
            ear.sendto(data[:1400], ("127.0.0.1", node.udp.port))  # noqa: B023
            ready, _, _ = select.select(node.sockets(), [], [], 0.001)
            node.take(ready)
            node.turn()

        tried(good[:40], take)
        for each in (node, other):
            each.close()
        ear.close()


def test_midi_over_the_network(own_folders: Path) -> None:
    """RTP and its reports, at the port's own sockets."""
    port = NetworkPort(RtpPort(device="d", path=str(own_folders / "rtp.sock"), listen=0))
    rtp, rtcp = port._rtp.getsockname()[1], port._rtcp.getsockname()[1]
    out = socket.socket(socket.AF_INET, socket.SOCK_DGRAM)
    good = [
        bytes.fromhex("8061000100000001aabbccdd03903c64"),
        bytes.fromhex("8061000200000002aabbccdd43903c6420000100"),
        bytes.fromhex("81c90007aabbccdd" + "00" * 24), bytes.fromhex("80c80006" + "00" * 24),
    ]  # fmt: skip

    def take(data: bytes) -> None:
        for number in (rtp, rtcp):
            out.sendto(data[:1400], ("127.0.0.1", number))
        ready, _, _ = select.select(port.sockets(), [], [], 0.001)
        port.take(ready)
        port.turn(raw_ns())

    tried(good, take)
    out.close()
    port.close()


def test_who_asks_for_a_shown_stage() -> None:
    """At its own door, with a key and without."""
    for key in (b"k" * 32, b""):
        showing = Showing(key, lambda _: True)
        showing.shown(ShowDocument(project=project_bytes(TWO), song="song"))

        def take(data: bytes, showing: Showing = showing) -> None:
            with socket.create_connection(("127.0.0.1", showing.port), 2) as watcher:
                watcher.sendall(data[:2000])
                for _ in range(2):
                    showing.turn(raw_ns())

        tried([stage.hello(b"r" * 16) + bytes(32), stage.hello(b"r" * 16)], take)
        showing.close()


def test_what_a_shown_stage_says() -> None:
    """Frames as a watcher takes them, sealed and open."""
    from grebe.protocols.link.messages import from_watched

    for key in (b"k" * 32, b""):
        shower = stage.Frames(key, b"a" * 16, b"b" * 16)
        good = [shower.wrap(pack(Status(at_ns=1, running=True))),
                shower.wrap(pack(ShowDocument(project=b"{}")))]  # fmt: skip

        def take(data: bytes, key: bytes = key) -> None:
            for frame in stage.Frames(key, b"a" * 16, b"b" * 16).feed(data):
                from_watched(frame)

        tried(good, take)


def test_what_a_stand_in_is_told(own_folders: Path) -> None:
    """At its seat's socket, and at the door where seats are handed over."""
    device = build.device("drums")
    path = own_folders / "seat.sock"
    host = StandinHost({"drums": (device, path)})
    good = [
        encode_setup(Setup(device=device))[0],
        b"\x90\x24\x64",
        b"\xfa",
        b"\xf8",
        b"\xf2\x00\x04",
    ]

    def take(data: bytes) -> None:
        engine = socket.socket(socket.AF_UNIX, socket.SOCK_SEQPACKET)
        with engine:
            engine.connect(str(path))
            if data:
                engine.send(data[:60_000])
            for _ in range(2):
                for key, _ in host._selector.select(0):
                    serve, whom = key.data
                    serve(whom)
        for key, _ in host._selector.select(0):
            serve, whom = key.data
            serve(whom)

    tried(good, take)
    seating = [{"device": msgspec.to_builtins(device), "path": str(path)}]
    tried([msgspec.json.encode(seating)], read_seating)
    for seat in list(host._seats):
        host._give_up(seat)
    tried([msgspec.msgpack.encode(("note", "d", "drums", 36, 127, 5))], speaker.read)


def test_what_a_stand_in_reports(own_folders: Path) -> None:
    """At the engine's end."""
    door = socket.socket(socket.AF_UNIX, socket.SOCK_SEQPACKET)
    door.bind(str(own_folders / "box.sock"))
    door.listen(1)
    port = StandinPort(str(own_folders / "box.sock"))
    box, _ = door.accept()
    good = [encode_reports([StandinReport(kind, 1, 2, 3) for kind in ReportKind])]

    def take(data: bytes) -> None:
        if data:
            box.send(data[:60_000])
        port.reports()
        port.receive()

    tried(good, take)
    assert port.unreadable
    for each in (box, door):
        each.close()
    port.close()


def test_files(tmp_path: Path) -> None:
    """Projects of every schema, profiles, MIDI, CSV, recordings, what Grebe keeps for itself."""
    import numpy as np

    old = [
        (
            b'{"schema": 1, "rig": {"devices": [{"id": "a", "name": "A"}], "cables": '
            b'[{"source": "grebe", "target": "a", "clock": true, "notes": false}]}}'
        ),
        (
            b'{"schema": 2, "songs": [{"id": "x", "name": "X"}], '
            b'"sets": [{"name": "Night", "songs": ["x"]}]}'
        ),
    ]
    for each in old:
        assert parse_project(each, "old.grebe").project
    tried([project_bytes(TWO), *old], lambda data: parse_project(data, "x.grebe"))
    tried([profile_bytes(shipped_profiles()[0])], lambda data: parse_profile(data, "x.json"))
    import io

    import mido

    file = mido.MidiFile(tracks=[mido.MidiTrack([mido.Message("note_on", note=40, time=3)])])
    packed = io.BytesIO()
    file.save(file=packed)
    tried([packed.getvalue()], lambda data: parse_notes(data, "x.mid"))
    path = tmp_path / "x"

    def through(read: Callable[[Path], object]) -> Callable[[bytes], object]:
        def take(data: bytes) -> object:
            path.write_bytes(data)
            return read(path)

        return take

    tried([b"source,seconds\na,1\nb,2\n"], through(read_events))
    tried([b"0.0\n0.5\n1.0,2\n"], through(read_ticks))
    tried([b"song,into\nHarbour bell,cut\n"],
          through(lambda p: read_set_file(p, DEMO, DEMO.sets[0])))  # fmt: skip
    tried([wav_bytes(np.zeros(400, dtype=np.float32), 48_000)], through(read_wav))
    tried([msgspec.json.encode(Settings(theme="night"))],
          through(lambda p: kept.read_kept(p, Settings, Settings())))  # fmt: skip
    tried([b'{"base":"a"}\n' + project_bytes(TWO)], through(read_copy_or_os_error))


def read_copy_or_os_error(path: Path) -> None:
    read_copy(path)


def test_a_decoder_that_raises_something_else_would_be_seen() -> None:
    """The way it is judged here fails where it should."""

    def careless(data: bytes) -> None:
        if data[:1] == b"[":
            raise RecursionError

    with pytest.raises(RecursionError):
        tried([b"x"], careless)
    with pytest.raises(ProtocolError):
        from grebe.protocols.link.messages import to_engine

        to_engine(DEEP[2])
