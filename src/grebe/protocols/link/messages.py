"""What a window and the engine say to each other.

Each message is a MessagePack map behind a four-byte length. The first from
the window is Hello, the first from the engine Welcome; both carry the
version, and a window of another version is turned away with a reason.
"""

from __future__ import annotations

import struct
from functools import cache
from typing import Annotated, Any, Literal, TypeAlias

import msgspec
from msgspec import Meta

from grebe.core.patterns.model import Pattern
from grebe.core.player.commands import (
    Asked,
    Begin,
    Halt,
    ReplacePlan,
)
from grebe.core.player.happened import Happened
from grebe.core.player.loopers import LoopTrack
from grebe.core.player.promise import LineState, Promise
from grebe.core.rig.standin import Setup
from grebe.core.rig.trigger import Trigger
from grebe.core.units import Channel, Note, Value, Velocity
from grebe.errors import ProtocolError, at_the_border
from grebe.protocols.link.session import (
    AcceptPeer,
    Agreed,
    CarryRtp,
    Join,
    Osc,
    Peers,
    Propose,
    ShareStart,
    ShowDocument,
)

LINK_VERSION = 11
MAX_MESSAGE_BYTES = 16 * 1024 * 1024
"""What is larger goes in parts (`LoadPart`): more than this at once is a mistake or an attack."""
PART_BYTES = 65_536
"""A part takes the engine well under a millisecond to read, so it never holds up a tick."""

_LENGTH = struct.Struct("<I")


# Window to engine


class Hello(Value, frozen=True, kw_only=True, tag="hello"):
    """Who speaks, in which version."""

    version: int
    wants_status: bool = True
    role: Literal["window", "network"] = "window"


class Do(Value, frozen=True, kw_only=True, tag="do"):
    """A Stage action, asked for by a remote surface."""

    action: Annotated[str, Meta(max_length=40)]
    down: bool = True


class LoadPart(Value, frozen=True, kw_only=True, tag="part"):
    """A part of what a Load with this token will need: it is kept until that comes."""

    token: Annotated[str, Meta(max_length=64)]
    patterns: tuple[Pattern, ...] = ()
    setups: dict[str, Setup] = {}


class Load(Value, frozen=True, kw_only=True, tag="load"):
    """Take this plan, connect its devices. Refused while another project plays.

    Patterns and set-ups that came in parts with its token belong to it.
    """

    token: Annotated[str, Meta(max_length=64)] = ""
    """Names what is loaded, for a Change to build on; "" where none will."""
    plan: ReplacePlan
    standins: dict[str, str] = {}
    """Device id to the socket path of its stand-in."""
    setups: dict[str, Setup] = {}
    """Device id to what its stand-in is: settings, memory, thru cables."""


class PlanChange(Value, frozen=True, kw_only=True, tag="change"):
    """Go on with what was loaded, changed: what is left alone is not sent. Answered by Stale where
    `base` is not what is loaded."""

    base: Annotated[str, Meta(max_length=64)]
    token: Annotated[str, Meta(max_length=64)]
    plan: dict[str, Any] = {}
    """A patch of the plan (`link.patch`); none where it stays."""
    standins: dict[str, str] | None = None
    setups: dict[str, Setup] = {}
    """Those that are others now."""


class Learn(Value, frozen=True, kw_only=True, tag="learn"):
    """Wait for the next press on a box that Grebe hears, or on any ("*"), and say what it was; ""
    gives up."""

    device: str = ""


Heed = Literal["beats", "notes", "clock", "pulses", "sound"]
"""What of a device is listened to: beats a stand-in reports, notes it sounds or sends, ticks of
its clock, pulses; its sound, which a window hears itself and wants the song's beats for."""


class Listen(Value, frozen=True, kw_only=True, tag="listen"):
    """Tell when these devices sound, beside the beats they should sound on; none: no more."""

    devices: dict[str, Heed] = {}
    asked: bool = False
    """Whether somebody waits for it: then what cannot be heard is an error."""


class Audition(Value, frozen=True, kw_only=True, tag="audition"):
    """Play a note on a device now, as a hand on it would; it counts as played in."""

    device: str
    channel: Channel
    note: Note
    velocity: Velocity = 100


class Identify(Value, frozen=True, kw_only=True, tag="identify"):
    """Have a device show which one it is: three notes where MIDI reaches it, three pulses where
    its pulses leave. Only while nothing plays."""

    device: str
    channel: Channel
    note: Note


class Panic(Value, frozen=True, kw_only=True, tag="panic"):
    """All notes and sound off on every port, then stop."""


class Shutdown(Value, frozen=True, kw_only=True, tag="shutdown"):
    """End the engine and its stand-ins, stopping first."""


class ClearCounters(Value, frozen=True, kw_only=True, tag="clear"):
    """Begin the lateness figures afresh."""


class AskReport(Value, frozen=True, kw_only=True, tag="ask"):
    """Send a Report of all lateness figures."""


ToEngine: TypeAlias = (
    Hello
    | Load
    | LoadPart
    | PlanChange
    | Begin
    | Halt
    | Asked
    | Learn
    | Listen
    | Audition
    | Identify
    | Panic
    | Shutdown
    | ClearCounters
    | AskReport
    | Join
    | AcceptPeer
    | Propose
    | ShareStart
    | Agreed
    | Peers
    | Osc
    | CarryRtp
    | Do
    | ShowDocument
)

# Engine to window


class Welcome(Value, frozen=True, kw_only=True, tag="welcome"):
    """The engine's first word."""

    version: int
    pid: int
    priority: Literal["fifo", "none"]
    priority_help: str = ""
    """How to allow real-time priority, when there is none."""
    project: str = ""
    """Name of the project loaded, "" for none."""
    source: str = ""
    """Path of that project's file."""
    song: str = ""
    """Id of the song loaded."""
    running: bool = False


class Heard(Value, frozen=True, kw_only=True, array_like=True):
    """One event of a device that is listened to, or ("") a beat of the song."""

    device: str
    at_ns: int
    """CLOCK_MONOTONIC_RAW."""


class PlayedIn(Value, frozen=True, kw_only=True, array_like=True):
    """A note or controller that was played in."""

    device: str
    at_ns: int
    """CLOCK_MONOTONIC_RAW."""
    status: int
    """First byte of its message, MIDI 1.0."""
    first: int
    second: int
    tick: float | None = None
    """Where in the running song; None while stopped."""


class Deviation(Value, frozen=True, kw_only=True, array_like=True):
    """One beat of one device, as it came out."""

    device: str
    tick: int
    ms: float
    """Positive is late."""


class DeviceStatus(Value, frozen=True, kw_only=True, tag="device"):
    """How one device is doing."""

    id: str
    port: Literal["up", "gone", "none"]
    detail: str = ""
    """What is wrong with the port."""
    sent: int = 0
    """Clock ticks sent since Begin."""
    received: int = 0
    """Clock ticks the device says reached it; 0 from devices that cannot say."""
    measured: Literal["device", "send"] = "send"
    """Where lateness is taken: at the device, or at the sending call."""
    late_ms: float = 0.0
    """Median of the last beats."""
    spread_ms: float = 0.0
    """Largest departure from that median among the last beats."""
    pulses: int = 0
    """Pulses drawn for it since Begin."""
    line_problem: str = ""
    """What is wrong with one of its pulse outputs."""


class Status(Value, frozen=True, kw_only=True, tag="status"):
    """Where everything is, about 30 times a second."""

    at_ns: int
    """CLOCK_MONOTONIC_RAW of the figures."""
    running: bool
    tick: float = 0.0
    bpm: float = 0.0
    section: str = ""
    section_tick: int = 0
    """Tick of the section's first bar line."""
    next_section: str = ""
    boundary: int = 0
    """Tick at which the next section comes in."""
    last_word: int = 0
    """Tick until which what comes next can be withdrawn."""
    launched: bool = False
    held: bool = False
    carried: bool = False
    """Whether the song goes on at the tempo of the one before, until it is released."""
    mutes: tuple[tuple[str, str], ...] = ()
    mutes_by_hand: tuple[tuple[str, str], ...] = ()
    """Those, and what sounds, that a hand has made otherwise than scene and song would have it."""
    solos: tuple[tuple[str, str], ...] = ()
    """What sounds alone, as (address of a line, voice id or "")."""
    dice_held: bool = False
    """Whether what changes by itself stays as it is."""
    mutes_kept: bool = True
    """Whether they stay when this section is over."""
    lines: tuple[LineState, ...] = ()
    """What every line that takes part plays now, by what was sent, and why it is silent."""
    happened: tuple[Happened, ...] = ()
    """What happened since the last Status, to be kept."""
    coming: Promise | None = None
    """What comes in at the boundary, if nobody asks for anything before."""
    tracks: tuple[LoopTrack, ...] = ()
    """Loop tracks that Grebe can tell what to do."""
    loop: tuple[int, int] | None = None
    """Ticks of the song as written that are played over and over."""
    devices: tuple[DeviceStatus, ...] = ()
    follows: str = ""
    """Id of the box whose clock is followed; "" for none."""
    hearing: Literal["", "none", "clock", "held"] = ""
    """Whether that clock is there, or lost and its tempo held."""
    heard_bpm: float = 0.0
    heard_jitter_ms: float = 0.0
    """Its tempo and how much its ticks waver (standard deviation); 0 while not known."""
    heard_off_ms: float = 0.0
    """How far what Grebe sends is behind it now; negative is ahead."""
    peers: Peers | None = None
    """The session of peers; None while none was asked for."""
    deaf: tuple[str, ...] = ()
    """Controllers and pedals that something was learnt on and that are not heard."""
    overruns: int = 0
    """How often JACK lost time, so that a clock may have been lost with it."""
    deviations: tuple[Deviation, ...] = ()
    """Beats reported since the last Status."""
    heard: tuple[Heard, ...] = ()
    """What was listened to since the last Status."""
    played: tuple[PlayedIn, ...] = ()
    """What was played in since the last Status."""


class Loaded(Value, frozen=True, kw_only=True, tag="loaded"):
    """The plan has been taken."""

    song: str
    project: str = ""
    source: str = ""


class Stale(Value, frozen=True, kw_only=True, tag="stale"):
    """A Change that was built on something else than what is loaded: send all of it."""


class Learned(Value, frozen=True, kw_only=True, tag="learned"):
    """A press that was waited for."""

    trigger: Trigger


class Pressed(Value, frozen=True, kw_only=True, tag="pressed"):
    """Something that was learnt has been pressed, or let go."""

    action: str
    down: bool
    at_ns: int
    """CLOCK_MONOTONIC_RAW."""


class Notice(Value, frozen=True, kw_only=True, tag="notice"):
    """Something the performer should know, in a sentence."""

    level: Literal["info", "warn", "error"]
    text: str


class LatenessReport(Value, frozen=True, kw_only=True, tag="lateness"):
    """All lateness figures of one device since the counters were cleared, in milliseconds."""

    device: str
    ticks_sent: int
    ticks_received: int
    missed: int
    measured: Literal["device", "send"]
    ms: tuple[float, ...]
    """Per tick, where `measured` says."""
    send_ms: tuple[float, ...]
    """Per tick, at the sending call."""


class FiguresReport(Value, frozen=True, kw_only=True, tag="report"):
    """The answer to AskReport."""

    devices: tuple[LatenessReport, ...]


FromEngine: TypeAlias = (
    Welcome
    | Status
    | Loaded
    | Stale
    | Learned
    | Pressed
    | Notice
    | FiguresReport
    | Join
    | AcceptPeer
    | Propose
    | ShareStart
    | Osc
    | CarryRtp
    | ShowDocument
)

_encoder = msgspec.msgpack.Encoder()


@cache
def decoder_to_engine() -> msgspec.msgpack.Decoder[ToEngine]:
    """Reads what is said to the engine. Made when first asked for: each end needs one of the two,
    and making one goes through a hundred types."""
    return msgspec.msgpack.Decoder(ToEngine)


@cache
def _decoder_from_engine() -> msgspec.msgpack.Decoder[FromEngine]:
    return msgspec.msgpack.Decoder(FromEngine)


def pack(message: ToEngine | FromEngine) -> bytes:
    """A message with its length before it."""
    body = _encoder.encode(message)
    if len(body) > MAX_MESSAGE_BYTES:
        raise ProtocolError(f"a message of {len(body)} bytes is over the limit")
    return _LENGTH.pack(len(body)) + body


class Unpacker:
    """Cuts a byte stream into message bodies. ProtocolError when a length is over the limit."""

    def __init__(self) -> None:
        self._buffer = bytearray()

    def feed(self, data: bytes) -> list[bytes]:
        """Take bytes; gives the bodies completed by them."""
        self._buffer += data
        out: list[bytes] = []
        while len(self._buffer) >= _LENGTH.size:
            (length,) = _LENGTH.unpack_from(self._buffer)
            if length > MAX_MESSAGE_BYTES:
                raise ProtocolError(f"a message of {length} bytes is over the limit")
            end = _LENGTH.size + length
            if len(self._buffer) < end:
                break
            out.append(bytes(self._buffer[_LENGTH.size : end]))
            del self._buffer[:end]
        return out


def from_watched(frame: bytes) -> FromEngine:
    """A packed message as a whole, from a stage that is shown. ProtocolError as below."""
    bodies = Unpacker().feed(frame)
    if len(bodies) != 1:
        raise ProtocolError("a frame that is no message")
    return from_engine(bodies[0])


def to_engine(body: bytes) -> ToEngine:
    """Read a message for the engine. ProtocolError says what is wrong with it."""
    with at_the_border("a message to the engine"):
        return decoder_to_engine().decode(body)


def from_engine(body: bytes) -> FromEngine:
    """Read a message from the engine. ProtocolError says what is wrong with it."""
    with at_the_border("a message from the engine"):
        return _decoder_from_engine().decode(body)
