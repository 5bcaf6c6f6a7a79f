"""How late audio interfaces hear, as a loop of cable has measured it: kept on this machine."""

from __future__ import annotations

from functools import cache
from typing import Annotated

import msgspec
from msgspec import Meta

from grebe.core.rig.model import AudioPort
from grebe.core.units import Value
from grebe.errors import GrebeError
from grebe.formats.atomic import write_atomic
from grebe.process.places import data_dir

NAME = "interfaces.json"
SHARE = 0.5
"""Of a round trip that is the way in: common practice, no source. A cable cannot tell the two."""


class CableLoop(Value, frozen=True, kw_only=True):
    """A loop of cable, measured."""

    round_trip_ms: Annotated[float, Meta(ge=0, le=2000)]
    frames: float
    rate: int
    day: str = ""


def key_of(at: AudioPort) -> str:
    """The interface of a port: JACK as a whole, or one by its name."""
    return "jack" if at.wire == "jack" else at.name


@cache
def loops() -> dict[str, CableLoop]:
    """By interface what was measured; none where nothing is kept, or it cannot be read."""
    try:
        return msgspec.json.decode((data_dir() / NAME).read_bytes(), type=dict[str, CableLoop])
    except (OSError, msgspec.DecodeError):
        return {}


def keep_loop(at: AudioPort, loop: CableLoop) -> str:
    """Keep a measurement; why it could not be written, "" where it was."""
    made = {**loops(), key_of(at): loop}
    try:
        path = data_dir() / NAME
        path.parent.mkdir(parents=True, exist_ok=True)
        write_atomic(path, msgspec.json.format(msgspec.json.encode(made)))
    except (OSError, GrebeError) as error:
        return str(error)
    loops.cache_clear()
    return ""


def known_late_ms(at: AudioPort) -> float:
    """How late what is heard at a port comes; 0 where no cable has measured it."""
    loop = loops().get(key_of(at))
    return 0.0 if loop is None else SHARE * loop.round_trip_ms
