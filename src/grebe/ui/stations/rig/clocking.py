"""What the Rig's keys do about the clock: JACK's transport, the count-in, the pedal that panics."""

from __future__ import annotations

from typing import Any

import msgspec

from grebe.app.live.session import Session
from grebe.core.document import with_rig
from grebe.core.rig.model import Device, JackTransport
from grebe.ui.widgets.formatting import counted

JACK_WORDS: dict[JackTransport, str] = {
    "leave": "transport left to others",
    "lead": "transport led by Grebe",
    "follow": "transport followed by Grebe",
}
COUNTED_BARS = (1, 2, 4)


def _set(session: Session, name: str, **fields: Any) -> None:
    session.store.apply(name, lambda p: with_rig(p, msgspec.structs.replace(p.rig, **fields)))


def next_jack(session: Session) -> None:
    """Lead JACK's transport, follow it, or leave it to others: one after the other."""
    ways = tuple(JACK_WORDS)
    way = ways[(ways.index(session.project.rig.jack) + 1) % len(ways)]
    _set(session, "JACK's transport", jack=way)
    session.say("info", f"JACK: {JACK_WORDS[way]}.")


def next_count_in(session: Session, device: Device | None) -> None:
    """Click the count-in on this box, or on none; without a box, how many bars."""
    count = session.project.rig.count_in
    if device is None:
        bars = next((n for n in COUNTED_BARS if n > count.bars), COUNTED_BARS[0])
        count = msgspec.structs.replace(count, bars=bars)
        words = f"Shift+Space counts {counted(bars, 'bar')} in."
    elif count.device == device.id:
        count = msgspec.structs.replace(count, device=None)
        words = "The count-in is only shown."
    else:
        count = msgspec.structs.replace(count, device=device.id)
        words = f"{device.name} clicks the count-in, on note {count.note}."
    _set(session, "Count-in", count_in=count)
    session.say("info", words)


def learn_panic(session: Session, device: Device | None) -> None:
    """Let the next press on this box panic from then on; again to forget it."""
    panic = session.project.rig.panic
    if device is None:
        session.say("warn", "Select the box with the pedal first.")
    elif panic is not None and panic.device == device.id:
        _set(session, "Panic", panic=None)
        session.say("info", f"Nothing on {device.name} panics any more.")
    else:
        session.say("info", f"Press the pedal on {device.name}: it will panic from then on.")
        session.learning.learn_panic(device.id)
