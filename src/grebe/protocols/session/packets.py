"""Datagrams of a session of peers, bytes to values and back. docs/network.md has the formats.

All numbers are big-endian. A packet longer than what is known of its kind is
read as far as it is known: so later minor versions can add to it.
"""

from __future__ import annotations

import hashlib
import hmac
import math
import struct
from functools import cache

from grebe.core.session.packets import Body, Bye, Packet, Ping, Pong, State
from grebe.core.session.shared import AgreedTempo, Running
from grebe.core.session.slew import Mapping
from grebe.errors import OtherVersion, ProtocolError

MAGIC = b"grbp"
VERSION = 2
MAX_PACKET_BYTES = 512
MAX_NAME_BYTES = 64
TAG_BYTES = 16
"""HMAC-SHA-256 cut to its first half, as RFC 2104 allows."""
SEALED = 1
PING, PONG, STATE, BYE = 1, 2, 3, 4
SCRYPT_N, SCRYPT_R, SCRYPT_P = 65_536, 8, 1
"""64 MB and a quarter of a second of a core for each guess; RFC 7914 has 16 384 for a log-in."""
SCRYPT_MEMORY = 80 * 1024 * 1024
MOST_STAMP = 2**62
MOST_RATE_OFF = 0.05
"""A mapping whose rate is farther from 1 than clocks and slewing can be is refused."""

_HEADER = struct.Struct(">4sBBH8sQQ")
_PING = struct.Struct(">Qq")
_PONG = struct.Struct(">Qqqq")
_STATE = struct.Struct(">B Qq Q qqd q qqIHIQ qIQ H B")
_SETTLED, _SHARES, _RUNS, _RUNNING = 1, 2, 4, 8


def session_tag(session: str) -> bytes:
    """The 8 bytes by which packets of other sessions are told: SHA-256 of the name, cut."""
    return hashlib.sha256(session.encode()).digest()[:8]


@cache
def session_key(session: str, passphrase: str) -> bytes:
    """The key of a session, from its passphrase by scrypt (RFC 7914); b"" without one."""
    if not passphrase:
        return b""
    salt = b"grebe session 2\0" + session.encode()
    return hashlib.scrypt(
        passphrase.encode(),
        salt=salt,
        n=SCRYPT_N,
        r=SCRYPT_R,
        p=SCRYPT_P,
        dklen=32,
        maxmem=SCRYPT_MEMORY,
    )


def seal(key: bytes, data: bytes) -> bytes:
    """The tag of some bytes: HMAC-SHA-256 (RFC 2104), cut to 16 bytes."""
    return hmac.digest(key, data, "sha256")[:TAG_BYTES]


def encode(packet: Packet, session: bytes, key: bytes = b"") -> bytes:
    """A packet as bytes, with its tag where there is a key. `session` is `session_tag`'s."""
    kind, body = _body(packet.body)
    flags = SEALED if key else 0
    header = _HEADER.pack(MAGIC, VERSION, kind, flags, session, packet.sender, packet.seq)
    data = header + body
    return data + seal(key, data) if key else data


def decode(data: bytes, session: bytes, key: bytes = b"") -> Packet | None:
    """A packet from bytes; None for another session's.

    ProtocolError for bytes that are none or have no right tag, OtherVersion
    for one of another version.
    """
    if not _HEADER.size <= len(data) <= MAX_PACKET_BYTES:
        raise ProtocolError(f"a packet of {len(data)} bytes")
    magic, version, kind, flags, of, sender, seq = _HEADER.unpack_from(data)
    if magic != MAGIC:
        raise ProtocolError("no packet of a session")
    if version != VERSION:
        raise OtherVersion(f"a peer speaks version {version} of the protocol, this is {VERSION}")
    if of != session:
        return None
    if bool(flags & SEALED) != bool(key):
        raise ProtocolError("sealed where none should be, or open where none may be")
    if key:
        data, tag = data[:-TAG_BYTES], data[-TAG_BYTES:]
        if len(data) < _HEADER.size or not hmac.compare_digest(tag, seal(key, data)):
            raise ProtocolError("a wrong seal")
    try:
        body = _read(kind, data[_HEADER.size :])
    except struct.error as error:
        raise ProtocolError(f"a packet cut short ({error})") from error
    return Packet(sender, seq, body)


def _body(body: Body) -> tuple[int, bytes]:
    if isinstance(body, Ping):
        return PING, _PING.pack(*body)
    if isinstance(body, Pong):
        return PONG, _PONG.pack(*body)
    if isinstance(body, Bye):
        return BYE, b""
    name = cut_name(body.name)
    flags = (
        _SETTLED * body.settled
        | _SHARES * body.shares_starts
        | _RUNS * body.runs
        | _RUNNING * body.running.running
    )
    fixed = _STATE.pack(
        flags, body.epoch, body.joined_ns, body.reference, *body.mapping, body.sent_ns,
        *body.tempo, *body.running[1:], body.service, len(name),
    )  # fmt: skip
    return STATE, fixed + name


def cut_name(name: str) -> bytes:
    """A name in UTF-8, cut between characters where it is too long."""
    return name.encode()[:MAX_NAME_BYTES].decode(errors="ignore").encode()


def _read(kind: int, data: bytes) -> Body:
    if kind == PING:
        return Ping(*_believable(_PING.unpack_from(data)))
    if kind == PONG:
        return Pong(*_believable(_PONG.unpack_from(data)))
    if kind == BYE:
        return Bye()
    if kind != STATE:
        raise ProtocolError(f"a packet of unknown kind {kind}")
    (
        flags, epoch, joined, reference, raw, session, rate, sent,
        origin_ns, origin, bpm, quantum_beats, revision, author,
        run_at, run_revision, run_author, service, length,
    ) = _STATE.unpack_from(data)  # fmt: skip
    _believable((0, joined, raw, session, sent, origin_ns, origin, run_at))
    name = data[_STATE.size : _STATE.size + length]
    if len(name) != length or length > MAX_NAME_BYTES:
        raise ProtocolError("a name cut short, or too long")
    if not math.isfinite(rate) or abs(rate - 1) > MOST_RATE_OFF:
        raise ProtocolError("a clock that runs impossibly fast or slow")
    try:
        text = name.decode()
    except UnicodeDecodeError as error:
        raise ProtocolError("a name that is no text") from error
    return State(
        name=text,
        settled=bool(flags & _SETTLED),
        shares_starts=bool(flags & _SHARES),
        epoch=epoch,
        joined_ns=joined,
        reference=reference,
        mapping=Mapping(raw, session, rate),
        sent_ns=sent,
        tempo=AgreedTempo(origin_ns, origin, bpm, quantum_beats, revision, author),
        running=Running(bool(flags & _RUNNING), run_at, run_revision, run_author),
        runs=bool(flags & _RUNS),
        service=service,
    )


def _believable(stamps: tuple[int, ...]) -> tuple[int, ...]:
    """Times and beats of a packet, the first field aside. ProtocolError for absurd ones.

    Differences of those that pass fit into 64 bits.
    """
    if any(abs(stamp) >= MOST_STAMP for stamp in stamps[1:]):
        raise ProtocolError("a time of more than a hundred years")
    return stamps
