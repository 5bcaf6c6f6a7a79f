"""The session's packets read and made by a second program, from docs/network.md alone.

It uses `struct`, `hashlib` and `hmac`, and nothing of Grebe's: what it says stands against the
published vectors, and against what Grebe makes of a session of its own.
"""

from __future__ import annotations

import hashlib
import hmac
import json
import struct
from pathlib import Path
from typing import Any

import pytest

from grebe.bench.simulated_network import Net
from grebe.core.session.packets import Packet
from grebe.protocols.session.packets import encode

VECTORS = json.loads(
    (Path(__file__).parents[2] / "docs" / "network-vectors.json").read_text()
)["packets"]  # fmt: skip
KINDS = {1: "ping", 2: "pong", 3: "state", 4: "bye"}


def key_of(session: str, passphrase: str) -> bytes:
    """RFC 7914 with the numbers of the document."""
    if not passphrase:
        return b""
    return hashlib.scrypt(
        passphrase.encode(), salt=b"grebe session 2\0" + session.encode(), n=65536, r=8, p=1,
        maxmem=2**27, dklen=32,
    )  # fmt: skip


def read(data: bytes, session: str, key: bytes) -> dict[str, Any]:
    """A packet as the document has it, field by field."""
    magic, version, kind, flags, tag, sender, seq = struct.unpack_from(">4sBBH8sQQ", data)
    assert (magic, version) == (b"grbp", 2)
    assert tag == hashlib.sha256(session.encode()).digest()[:8]
    body = data[32:]
    if flags & 1:
        body, seal = body[:-16], body[-16:]
        assert hmac.new(key, data[:-16], hashlib.sha256).digest()[:16] == seal
    return {"kind": KINDS[kind], "sender": sender, "seq": seq, "body": READERS[kind](body)}


def read_state(body: bytes) -> dict[str, Any]:
    flags, epoch, joined, reference = struct.unpack_from(">BQqQ", body)
    at = struct.calcsize(">BQqQ")
    raw, session, rate, sent = struct.unpack_from(">qqdq", body, at)
    at += struct.calcsize(">qqdq")
    tempo = struct.unpack_from(">qqIHIQ", body, at)
    at += struct.calcsize(">qqIHIQ")
    running_at, revision, author, service, long = struct.unpack_from(">qIQHB", body, at)
    at += struct.calcsize(">qIQHB")
    return {
        "name": body[at : at + long].decode(), "settled": bool(flags & 1),
        "shares_starts": bool(flags & 2), "runs": bool(flags & 4), "epoch": epoch,
        "joined_ns": joined, "reference": reference, "mapping": [raw, session, rate],
        "sent_ns": sent, "tempo": list(tempo),
        "running": [bool(flags & 8), running_at, revision, author], "service": service,
    }  # fmt: skip


READERS = {
    1: lambda body: dict(zip(("nonce", "t1"), struct.unpack(">Qq", body), strict=True)),
    2: lambda body: dict(
        zip(("nonce", "t1", "t2", "t3"), struct.unpack(">Qqqq", body), strict=True)
    ),
    3: read_state,
    4: lambda body: {},
}


@pytest.mark.parametrize("vector", VECTORS, ids=lambda v: v["about"])
def test_the_vectors_say_what_the_document_says(vector: dict[str, Any]) -> None:
    """Every field, and the seal."""
    key = key_of(vector["session"], vector["passphrase"])
    found = read(bytes.fromhex(vector["hex"]), vector["session"], key)
    assert (found["kind"], f"{found['sender']:016x}") == (vector["kind"], vector["sender"])
    assert found["seq"] == vector["seq"]
    assert {name: found["body"][name] for name in vector["body"]} == vector["body"]


def test_what_a_session_says_is_read_by_the_second_program() -> None:
    """Three computers after some seconds: each State as the document has it, of one epoch, at one
    tempo, and by the mapping each sends all are at one session time."""
    net = Net(seed=5)
    for _ in range(3):
        net.add(126.0)
    net.run(20.0)
    states: list[dict[str, Any]] = []
    session_ns: list[float] = []
    for number in range(3):
        now = net.hosts[number].raw_ns(net.now_s)
        packet = Packet(number + 1, 1, net.peer(number)._state(now))
        data = encode(packet, hashlib.sha256(b"Night ferry").digest()[:8], b"")
        state = read(data, "Night ferry", b"")["body"]
        raw, session, rate = state["mapping"]
        states.append(state)
        session_ns.append(session + (now - raw) * rate)
    assert len({s["epoch"] for s in states}) == 1
    assert {s["tempo"][2] for s in states} == {126_000_000}
    assert max(session_ns) - min(session_ns) < 1e6
