"""How a rig takes part in a session: kept with the project, but for the passphrase."""

from __future__ import annotations

from typing import Annotated

import msgspec
from msgspec import Meta

from grebe.core.session.shared import MAX_QUANTUM, MIN_QUANTUM
from grebe.core.units import Value

MOST_ADDRESSES = 16
NamedAddress = Annotated[str, Meta(min_length=1, max_length=120)]


class OscUse(Value, frozen=True, kw_only=True):
    """Open Sound Control, to lights, visuals and remote surfaces."""

    port: Annotated[int, Meta(ge=1024, le=65_535)] = 20_772
    """UDP port that is listened at."""
    senders: Annotated[tuple[NamedAddress, ...], Meta(max_length=MOST_ADDRESSES)] = ()
    """Addresses or networks ("10.0.0.0/24") that may ask for something; none: this computer only,
    and nothing from outside is even heard."""
    clients: Annotated[tuple[NamedAddress, ...], Meta(max_length=MOST_ADDRESSES)] = ()
    """host:port of those that are always told; others are told when they ask for it."""
    hz: Annotated[float, Meta(ge=1, le=60)] = 20.0
    """How often position and countdown are told."""


class SessionUse(Value, frozen=True, kw_only=True):
    """What is joined when the performer asks for it, and how."""

    name: Annotated[str, Meta(min_length=1, max_length=40)] = "Grebe"
    """Of the session: who says the same is in the same one."""
    peer: Annotated[str, Meta(max_length=40)] = ""
    """How this computer is called there; "" is the computer's own name."""
    quantum_beats: Annotated[int, Meta(ge=MIN_QUANTUM, le=MAX_QUANTUM)] = msgspec.field(
        default=4, name="span"
    )
    """Quarter notes by which the phase is counted, where this computer begins the session."""
    shares_starts: bool = True
    """Start and stop with the others; else each its own, on the same one."""
    brings_tempo: bool = False
    """The songs' tempi are the session's; else the session's tempo holds through all songs, and
    nobody else is pulled to it by joining."""
    interface: Annotated[str, Meta(max_length=40)] = ""
    """Network interface; "" is all of them."""
    addresses: Annotated[tuple[NamedAddress, ...], Meta(max_length=MOST_ADDRESSES)] = ()
    """Of computers that are not found by themselves."""
    shows_stage: bool = False
    """Whether others of the session may see this computer's stage."""
