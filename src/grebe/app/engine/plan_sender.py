"""What the engine plays, sent so that neither a large song nor a fast hand costs it a tick.

All of it goes once, in parts; after that only what has changed.
"""

from __future__ import annotations

import secrets
from collections.abc import Iterator

import msgspec

from grebe.core.patterns.model import Pattern
from grebe.core.player.plan import Plan
from grebe.core.rig.standin import Setup
from grebe.protocols.link.messages import PART_BYTES, Load, LoadPart, PlanChange
from grebe.protocols.link.patch import diff

_encoder = msgspec.msgpack.Encoder()


class PlanSender:
    """Remembers what the engine has been given over one connection."""

    def __init__(self) -> None:
        self._sent: Load | None = None

    def forget(self) -> None:
        """The engine has something else, or is another: all of it goes the next time."""
        self._sent = None

    def messages(self, load: Load) -> Iterator[Load | LoadPart | PlanChange]:
        """What to send so that the engine has this; nothing where it has it already."""
        before, token = self._sent, secrets.token_hex(8)
        self._sent = msgspec.structs.replace(load, token=token)
        if before is None:
            yield from in_parts(self._sent)
            return
        change = PlanChange(
            base=before.token,
            token=token,
            plan=diff(before.plan.plan, load.plan.plan) or {},
            standins=None if before.standins == load.standins else load.standins,
            setups={d: s for d, s in load.setups.items() if before.setups.get(d) != s},
        )
        if set(before.setups) - set(load.setups) or _size(change) > PART_BYTES:
            yield from in_parts(self._sent)
        elif change.plan or change.setups or change.standins is not None:
            yield change
        else:
            self._sent = before


def in_parts(load: Load) -> Iterator[Load | LoadPart]:
    """A load as messages that are each quickly read; one of them where it is small."""
    plan = load.plan.plan
    sizes = [_size(pattern) for pattern in plan.patterns]
    held = {d: s for d, s in load.setups.items() if _size(s) > PART_BYTES // 16}
    if sum(sizes) + sum(map(_size, held.values())) <= PART_BYTES:
        yield load
        return
    for patterns in _grouped(plan.patterns, sizes):
        yield LoadPart(token=load.token, patterns=patterns)
    for device, setup in held.items():
        yield LoadPart(token=load.token, setups={device: setup})
    small: Plan = msgspec.structs.replace(plan, patterns=())
    rest: dict[str, Setup] = {d: s for d, s in load.setups.items() if d not in held}
    yield msgspec.structs.replace(
        load, plan=msgspec.structs.replace(load.plan, plan=small), setups=rest
    )


def _grouped(patterns: tuple[Pattern, ...], sizes: list[int]) -> Iterator[tuple[Pattern, ...]]:
    group: list[Pattern] = []
    size = 0
    for pattern, own in zip(patterns, sizes, strict=True):
        if group and size + own > PART_BYTES:
            yield tuple(group)
            group, size = [], 0
        group.append(pattern)
        size += own
    if group:
        yield tuple(group)


def _size(value: object) -> int:
    return len(_encoder.encode(value))
