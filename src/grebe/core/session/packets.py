"""What peers say to each other, as values. `protocols.peers` has the bytes."""

from __future__ import annotations

from typing import NamedTuple, TypeAlias

from grebe.core.session.shared import AgreedTempo, Running
from grebe.core.session.slew import Mapping


class Ping(NamedTuple):
    """A question: what time is it there."""

    nonce: int
    """Only who hears it can answer it: a packet recorded earlier cannot."""
    t1: int


class Pong(NamedTuple):
    """The answer."""

    nonce: int
    t1: int
    t2: int
    t3: int


class State(NamedTuple):
    """Who is there and how it stands, all of it: each replaces the one before."""

    name: str
    settled: bool
    """Whether it is in the session and knows its time."""
    shares_starts: bool
    """Whether it starts and stops with the others."""
    epoch: int
    """Which session it is of those of this name: the id of the peer that began it; 0 for none."""
    joined_ns: int
    """Session time at which it settled: who came first is the reference for time."""
    reference: int
    """Id of the peer whose clock it goes by."""
    mapping: Mapping
    sent_ns: int
    """When it was sent, by the sender's clock."""
    tempo: AgreedTempo
    running: Running
    runs: bool = False
    """Whether it plays at this moment, shared or not."""
    service: int = 0
    """TCP port at which it shows its stage; 0 for none."""


class Bye(NamedTuple):
    """It leaves."""


Body: TypeAlias = Ping | Pong | State | Bye


class Packet(NamedTuple):
    """One datagram."""

    sender: int
    seq: int
    """Counts up with every packet of a sender, whoever it goes to."""
    body: Body
