"""Datagrams of a session: bytes built by hand, seals against published vectors, damaged ones."""

from __future__ import annotations

import hashlib
import hmac
import json
import struct
from pathlib import Path
from random import Random
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from grebe.core.session.packets import Body, Bye, Packet, Ping, Pong, State
from grebe.core.session.shared import AgreedTempo, Running
from grebe.core.session.slew import Mapping
from grebe.errors import OtherVersion, ProtocolError
from grebe.protocols.session import stage
from grebe.protocols.session.packets import (
    MAX_NAME_BYTES,
    cut_name,
    decode,
    encode,
    seal,
    session_key,
    session_tag,
)
from tests.long import tries

VECTORS = Path(__file__).parents[2] / "docs" / "network-vectors.json"
PACKETS = json.loads(VECTORS.read_text())["packets"]
SESSION = session_tag("Night ferry")
KEY = bytes(range(32))
STATE = State(
    name="Teal",
    settled=True,
    shares_starts=True,
    epoch=0x0102030405060708,
    joined_ns=5_000_000_000,
    reference=0x0102030405060708,
    mapping=Mapping(1_000_000_000_000, 60_000_000_000, 1.00001),
    sent_ns=1_000_500_000_000,
    tempo=AgreedTempo(30_000_000_000, 63_000_000, 126_000_000, 4, 3, 0x1112131415161718),
    running=Running(True, 64_000_000, 2, 0x1112131415161718),
    runs=True,
    service=40_001,
)


def bodies() -> st.SearchStrategy[Body]:
    """Every kind of body."""
    u64 = st.integers(0, 2**64 - 1)
    stamp = st.integers(-(2**62) + 1, 2**62 - 1)
    u32, u16 = st.integers(0, 2**32 - 1), st.integers(0, 2**16 - 1)
    states = st.builds(
        State,
        name=st.text(max_size=16),
        settled=st.booleans(),
        shares_starts=st.booleans(),
        epoch=u64,
        joined_ns=stamp,
        reference=u64,
        mapping=st.builds(Mapping, stamp, stamp, st.floats(0.951, 1.049)),
        sent_ns=stamp,
        tempo=st.builds(AgreedTempo, stamp, stamp, u32, u16, u32, u64),
        running=st.builds(Running, st.booleans(), stamp, u32, u64),
        runs=st.booleans(),
        service=u16,
    )
    return st.one_of(
        st.builds(Ping, u64, stamp),
        st.builds(Pong, u64, stamp, stamp, stamp),
        st.just(Bye()),
        states,
    )


def test_a_question_is_these_bytes() -> None:
    """Put together by hand from docs/network.md."""
    packet = Packet(0x0102030405060708, 9, Ping(0x1112131415161718, 1_000_000_000))
    wanted = (
        b"grbp" + bytes((2, 1)) + b"\0\0" + hashlib.sha256(b"Night ferry").digest()[:8]
        + bytes.fromhex("0102030405060708 0000000000000009 1112131415161718 000000003b9aca00")
    )  # fmt: skip
    assert encode(packet, SESSION) == wanted
    assert decode(wanted, SESSION) == packet
    sealed = encode(packet, SESSION, KEY)
    flagged = wanted[:6] + b"\0\1" + wanted[8:]
    assert sealed == flagged + hmac.new(KEY, flagged, "sha256").digest()[:16]


def fields(body: Any) -> Any:
    """A body as it stands in the vectors."""
    return json.loads(json.dumps(body._asdict() if hasattr(body, "_asdict") else body))


@pytest.mark.parametrize(
    "vector", json.loads(VECTORS.read_text())["packets"], ids=lambda v: v["about"]
)
def test_vectors_that_others_build_on(vector: dict[str, Any]) -> None:
    """What docs/network.md points to: fields, passphrase, bytes."""
    key = session_key(vector["session"], vector["passphrase"])
    data = bytes.fromhex(vector["hex"])
    packet = decode(data, session_tag(vector["session"]), key)
    assert packet is not None
    assert (packet.sender, packet.seq) == (int(vector["sender"], 16), vector["seq"])
    assert type(packet.body).__name__.lower() == vector["kind"]
    assert fields(packet.body) == vector["body"]
    assert encode(packet, session_tag(vector["session"]), key) == data


@given(bodies(), st.integers(1, 2**64 - 1), st.integers(0, 2**64 - 1), st.sampled_from([b"", KEY]))
def test_what_is_written_is_read(body: Body, sender: int, seq: int, key: bytes) -> None:
    """Every body, open and sealed; within the largest packet."""
    packet = Packet(sender, seq, body)
    data = encode(packet, SESSION, key)
    assert len(data) <= 512
    assert decode(data, SESSION, key) == packet


def test_later_minor_versions_may_add_to_a_packet() -> None:
    """What is known is read, the rest skipped."""
    packet = Packet(5, 1, STATE)
    assert decode(encode(packet, SESSION) + b"more", SESSION) == packet


def test_the_seal_is_that_of_rfc_4231() -> None:
    """Its test cases 1, 2 and 6, cut to 16 bytes; case 5 is a tag cut so itself."""
    cases = [
        (b"\x0b" * 20, b"Hi There", "b0344c61d8db38535ca8afceaf0bf12b"),
        (b"Jefe", b"what do ya want for nothing?", "5bdcc146bf60754e6a042426089575c7"),
        (b"\x0c" * 20, b"Test With Truncation", "a3b6167473100ee06e0c796c2955552b"),
        (b"\xaa" * 131, b"Test Using Larger Than Block-Size Key - Hash Key First",
         "60e431591ee0b67f0d8a26aacbf5b77f"),
    ]  # fmt: skip
    for key, data, tag in cases:
        assert seal(key, data).hex() == tag


def test_the_keys_scrypt_is_that_of_rfc_7914() -> None:
    """Its vector with the parameters used here (memory): N 16384, r 8, p 1."""
    made = hashlib.scrypt(b"pleaseletmein", salt=b"SodiumChloride", n=16384, r=8, p=1, dklen=64)
    assert made.hex().startswith("7023bdcb3afd7348461c06cd81fd38ebfda8fbba904f8e3ea9b543f6545da1f2")
    keys = [session_key(*of) for of in (("a", "x"), ("b", "x"), ("b", "y"))]
    assert len(set(keys)) == 3
    assert {len(key) for key in keys} == {len(KEY)}
    assert session_key("a", "") == b""


def test_packets_that_are_none_are_refused() -> None:
    """Cut short anywhere, too long, another kind, another magic, with a wrong or missing seal."""
    good = encode(Packet(5, 1, STATE), SESSION, KEY)
    for length in range(len(good)):
        with pytest.raises(ProtocolError):
            decode(good[:length], SESSION, KEY)
    for i in range(len(good)):
        if 8 <= i < 16:
            continue  # the session's tag: see below
        with pytest.raises(ProtocolError):
            decode(good[:i] + bytes((good[i] ^ 1,)) + good[i + 1 :], SESSION, KEY)
    open_ = encode(Packet(5, 1, STATE), SESSION)
    for data in (b"", open_ + b"x" * 400, b"x" * 513, open_[:5] + b"\x09" + open_[6:]):
        with pytest.raises(ProtocolError):
            decode(data, SESSION)
    with pytest.raises(ProtocolError):
        decode(open_, SESSION, KEY)
    with pytest.raises(ProtocolError):
        decode(good, SESSION)
    with pytest.raises(ProtocolError):
        decode(good, SESSION, session_key("Night ferry", "high water"))


def test_other_sessions_and_other_versions_are_told_apart() -> None:
    """One is none of ours, the other is worth a word."""
    data = encode(Packet(5, 1, Bye()), SESSION)
    assert decode(data, session_tag("Day ferry")) is None
    with pytest.raises(OtherVersion, match="version 1"):
        decode(data[:4] + b"\1" + data[5:], SESSION)


@pytest.mark.parametrize(
    ("field", "value"), [("rate", 1.2), ("rate", float("nan")), ("rate", float("inf")),
                         ("stamp", 2**62), ("stamp", -(2**63))],
)  # fmt: skip
def test_impossible_clocks_are_refused(field: str, value: float) -> None:
    """Nothing that comes in may make a time that cannot be worked with."""
    mapping = Mapping(1, 1, value) if field == "rate" else Mapping(int(value), 1, 1.0)
    with pytest.raises(ProtocolError):
        decode(encode(Packet(5, 1, STATE._replace(mapping=mapping)), SESSION), SESSION)
    if field == "stamp":
        with pytest.raises(ProtocolError):
            decode(encode(Packet(5, 1, Pong(1, int(value), 0, 0)), SESSION), SESSION)


def test_no_bytes_at_all_make_anything_but_a_protocol_error() -> None:
    """A hundred thousand damaged packets, a third of them as a rule."""
    dice = Random(7)
    whole = [encode(Packet(5, 1, b), SESSION) for b in (STATE, Ping(1, 2), Pong(1, 2, 3, 4), Bye())]
    read = 0
    for _ in range(tries(100_000)):
        data = bytearray(dice.choice(whole))
        for _ in range(dice.randrange(1, 4)):
            data[dice.randrange(len(data))] = dice.randrange(256)
        del data[dice.randrange(len(data) // 2, len(data) + 1) :]
        try:
            read += decode(bytes(data), SESSION) is not None
        except ProtocolError:
            continue
    assert tries(1_000) < read < tries(90_000)


def test_names_are_cut_between_characters() -> None:
    """Sixty-four bytes of UTF-8 at most."""
    assert cut_name("Teal") == b"Teal"
    assert cut_name("ü" * 40) == ("ü" * 32).encode()
    assert cut_name("a" + "ü" * 40) == ("a" + "ü" * 31).encode()
    assert len(struct.pack("B", MAX_NAME_BYTES)) == 1


# A stage that is shown


def test_frames_of_a_shown_stage_arrive_whole_and_in_order() -> None:
    """However they are cut up on the way."""
    key = b"k" * 32
    out, into = (stage.Frames(key, b"s" * 16, b"w" * 16) for _ in "ab")
    data = out.wrap(b"one") + out.wrap(b"") + out.wrap(b"three" * 1000)
    got = [f for i in range(0, len(data), 7) for f in into.feed(data[i : i + 7])]
    assert got == [b"one", b"", b"three" * 1000]


def test_a_frame_that_was_changed_repeated_or_left_out_is_noticed() -> None:
    """The seal counts."""

    def fresh() -> stage.Frames:
        return stage.Frames(b"k" * 32, b"s" * 16, b"w" * 16)

    out = fresh()
    one, two = out.wrap(b"one"), out.wrap(b"two")
    for wrong in (one + one, two, one[:4] + b"One" + one[7:], b"\xff" * 20):
        with pytest.raises(ProtocolError):
            fresh().feed(wrong)


def test_without_the_passphrase_nothing_is_proved() -> None:
    """Both sides' words differ by role, randoms and key."""
    proofs = {
        stage.proof(key, role, shower, b"w" * 16)
        for key in (b"a" * 32, b"b" * 32)
        for role in (stage.SHOWER, stage.WATCHER)
        for shower in (b"s" * 16, b"t" * 16)
    }
    assert len(proofs) == 8
    assert stage.proof(b"", stage.SHOWER, b"", b"") == bytes(32)
    assert stage.read_hello(stage.hello(b"r" * 16)) == b"r" * 16
    with pytest.raises(OtherVersion):
        stage.read_hello(b"grbs\2\0\0\0" + b"r" * 16)
    with pytest.raises(ProtocolError):
        stage.read_hello(b"GET / HTTP/1.1\r\n\r\n      ")
