"""How a rig takes part in a session: kept with the project, but for the passphrase."""

from __future__ import annotations

from typing import Annotated

from msgspec import Meta

from grebe.core.peers.shared import MAX_SPAN, MIN_SPAN
from grebe.core.units import Value

MOST_ADDRESSES = 16
NamedAddress = Annotated[str, Meta(min_length=1, max_length=120)]


class SessionUse(Value, frozen=True, kw_only=True):
    """What is joined when the performer asks for it, and how."""

    name: Annotated[str, Meta(min_length=1, max_length=40)] = "Grebe"
    """Of the session: who says the same is in the same one."""
    peer: Annotated[str, Meta(max_length=40)] = ""
    """How this computer is called there; "" is the computer's own name."""
    span: Annotated[int, Meta(ge=MIN_SPAN, le=MAX_SPAN)] = 4
    """Quarter notes by which the phase is counted, where this computer begins the session."""
    shares_starts: bool = True
    """Start and stop with the others; else each its own, on the same one."""
    brings_tempo: bool = True
    """The songs' tempi are the session's; else the session's tempo holds through all songs."""
    interface: Annotated[str, Meta(max_length=40)] = ""
    """Network interface; "" is all of them."""
    addresses: Annotated[tuple[NamedAddress, ...], Meta(max_length=MOST_ADDRESSES)] = ()
    """Of computers that are not found by themselves."""
    shows_stage: bool = False
    """Whether others of the session may see this computer's stage."""
