"""What is said between window, engine and network process about a session, OSC and RTP."""

from __future__ import annotations

from typing import Literal

from grebe.core.session.use import OscUse, SessionUse
from grebe.core.units import Bpm, Value


class Join(Value, frozen=True, kw_only=True, tag="join"):
    """Take part in a session of peers, or (None) no longer. The engine hands it to the network
    process."""

    use: SessionUse | None = None
    passphrase: str = ""
    bpm: Bpm = 120.0
    """Tempo of a session that this computer begins."""
    downbeat_ns: int | None = None
    """When a bar of what plays began (CLOCK_MONOTONIC_RAW): a session begun here takes its phase
    from that. The engine says so."""


class Osc(Value, frozen=True, kw_only=True, tag="osc"):
    """Listen to and tell remote surfaces by OSC, or (None) no longer."""

    use: OscUse | None = None


class OscState(Value, frozen=True, kw_only=True, tag="osc_state"):
    """How OSC is doing."""

    port: int = 0
    """0: it does not listen."""
    open: bool = False
    """Whether others than this computer can be heard."""
    clients: tuple[str, ...] = ()
    received: int = 0
    refused: int = 0
    """From those that may not, or that could not be understood."""
    problem: str = ""


class RtpPort(Value, frozen=True, kw_only=True):
    """A device that is reached by MIDI over the network."""

    device: str
    path: str
    """Socket at which the network process hands MIDI over."""
    target: str = ""
    """host:port it is at; "" for one that is only heard."""
    listen: int = 0
    """UDP port it is heard at; 0 for one that is only sent to."""
    session: Literal["none", "waits", "invites"] = "none"
    """In a session with what is at the other end: it waits to be invited, at no address, or invites
    the one at `target`. MIDI then goes both ways."""
    name: str = ""
    """What others are told that it is called."""


class CarryRtp(Value, frozen=True, kw_only=True, tag="rtp"):
    """Carry MIDI over the network for these devices, and no others."""

    ports: tuple[RtpPort, ...] = ()


class RtpState(Value, frozen=True, kw_only=True, tag="rtp_state"):
    """How MIDI over the network is doing for one device, in packets."""

    device: str
    sent: int = 0
    received: int = 0
    lost: int = 0
    repaired: int = 0
    """Messages that the journal made up for."""
    unreadable: int = 0
    problem: str = ""


class AcceptPeer(Value, frozen=True, kw_only=True, tag="accept"):
    """From now on the word of this peer counts here."""

    peer: str


class Propose(Value, frozen=True, kw_only=True, tag="propose"):
    """The session is to have another tempo, from a beat of it on or as soon as can be."""

    bpm: Bpm
    beat: float | None = None


class ShareStart(Value, frozen=True, kw_only=True, tag="share_start"):
    """The session is to start on its next one, or to stop."""

    on: bool


class Agreed(Value, frozen=True, kw_only=True, tag="agreed"):
    """How the session stands, in times of this computer; from the network process."""

    stretches: tuple[tuple[int, float, float], ...]
    """(time in ns of CLOCK_MONOTONIC_RAW, beat, BPM by that clock), each until the next."""
    bpm: float
    quantum_beats: int
    running: bool
    run_beat: float
    """The beat it started on."""
    run_word: str
    """Changes whenever somebody starts or stops the session."""
    shares_starts: bool
    brings_tempo: bool
    spread_ms: float


class PeerRow(Value, frozen=True, kw_only=True, tag="peer"):
    """Another peer of the session."""

    id: str
    name: str
    standing: Literal["here", "joining", "apart"]
    address: str
    reference: bool = False
    """Whether its clock is gone by."""
    accepted: bool = True
    asks_bpm: float = 0.0
    bpm: float = 0.0
    runs: bool = False
    offset_ms: float | None = None
    """How late its beat is against ours."""
    spread_ms: float = 0.0
    delay_ms: float = 0.0
    lost_percent: float = 0.0
    service: int = 0


class Peers(Value, frozen=True, kw_only=True, tag="peers"):
    """The session as it is seen from here, a few times a second; from the network process."""

    state: Literal["off", "starting", "listening", "joining", "in"] = "off"
    session: str = ""
    name: str = ""
    """How this computer is called there."""
    sealed: bool = False
    """Whether it has a passphrase."""
    bpm: float = 0.0
    quantum_beats: int = 4
    spread_ms: float = 0.0
    rows: tuple[PeerRow, ...] = ()
    dropped: int = 0
    """Packets that were no good, or too many."""
    problem: str = ""
    osc: OscState | None = None
    rtp: tuple[RtpState, ...] = ()


class ShowDocument(Value, frozen=True, kw_only=True, tag="shown"):
    """The document a window has, for the network process to name things by and to show."""

    project: bytes
    song: str = ""
    set: str = ""
    whole_set: bool = False
