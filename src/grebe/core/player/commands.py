"""What a performer can ask of the player."""

from __future__ import annotations

from typing import Literal, TypeAlias

from grebe.core.player.plan import Plan
from grebe.core.units import Value

LaunchAt = Literal["bar", "section_end", "now"]


class Begin(Value, frozen=True, kw_only=True, tag="begin"):
    """Start playing at a section; "" is the song's first."""

    section: str = ""
    tick: int | None = None
    """Or at this tick of the song, at most its last clock; the section is then the one there."""


class Halt(Value, frozen=True, kw_only=True, tag="halt"):
    """Stop where the player is."""


class Launch(Value, frozen=True, kw_only=True, tag="launch"):
    """Bring in a section; "" is the one that is next."""

    section: str = ""
    at: LaunchAt = "section_end"


class Hold(Value, frozen=True, kw_only=True, tag="hold"):
    """Stay in this section, pass after pass, until released."""

    on: bool


class Again(Value, frozen=True, kw_only=True, tag="again"):
    """One more pass of this section."""


class Skip(Value, frozen=True, kw_only=True, tag="skip"):
    """Leave out the section that is next, and take the one after it."""


class Mute(Value, frozen=True, kw_only=True, tag="mute"):
    """Silence a device, or one voice of it, or let it sound again."""

    device: str
    voice: str = ""
    """Voice id; "" is the whole device."""
    on: bool


class SetPlan(Value, frozen=True, kw_only=True, tag="plan"):
    """Go on with an edited plan."""

    plan: Plan


Command: TypeAlias = Begin | Halt | Launch | Hold | Again | Skip | Mute | SetPlan
