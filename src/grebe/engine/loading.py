"""What windows load: put together from parts, and changed by what they say has changed."""

from __future__ import annotations

import msgspec

from grebe.core.patterns.model import Pattern
from grebe.core.rig.standin import Setup
from grebe.errors import ProtocolError
from grebe.protocols.link.messages import Load, LoadPart, PlanChange, Stale
from grebe.protocols.link.patch import patched
from grebe.words import tr

LOADS = (LoadPart, Load, PlanChange)
MOST_PATTERNS = 100_000
"""Waiting in parts: far over any set, so that a window that only sends parts fills no memory."""


class Loading:
    """The parts that wait, and what is loaded."""

    def __init__(self) -> None:
        self._token = ""
        self._patterns: list[Pattern] = []
        self._setups: dict[str, Setup] = {}
        self.loaded: Load | None = None

    def take(self, message: LoadPart | Load | PlanChange) -> Load | Stale | None:
        """What is to be loaded now; None while parts are still to come, Stale where all of it has
        to be sent. ProtocolError for what does not fit."""
        if isinstance(message, LoadPart):
            self._keep(message)
            return None
        if isinstance(message, Load):
            return self._whole(message)
        return self._changed(message) or Stale()

    def _keep(self, part: LoadPart) -> None:
        if part.token != self._token:
            self._token, self._patterns, self._setups = part.token, [], {}
        self._patterns += part.patterns
        self._setups.update(part.setups)
        if len(self._patterns) > MOST_PATTERNS:
            self._token, self._patterns, self._setups = "", [], {}
            raise ProtocolError(
                tr("a plan of over {most_patterns} patterns", most_patterns=MOST_PATTERNS)
            )

    def _whole(self, load: Load) -> Load:
        if not load.token or load.token != self._token:
            return load
        plan = load.plan.plan
        plan = msgspec.structs.replace(plan, patterns=(*self._patterns, *plan.patterns))
        setups = {**self._setups, **load.setups}
        self._token, self._patterns, self._setups = "", [], {}
        return msgspec.structs.replace(
            load, plan=msgspec.structs.replace(load.plan, plan=plan), setups=setups
        )

    def _changed(self, change: PlanChange) -> Load | None:
        load = self.loaded
        if load is None or not load.token or load.token != change.base:
            return None
        plan = patched(load.plan.plan, change.plan) if change.plan else load.plan.plan
        return Load(
            token=change.token,
            plan=msgspec.structs.replace(load.plan, plan=plan),
            standins=load.standins if change.standins is None else change.standins,
            setups={**load.setups, **change.setups} if change.setups else load.setups,
        )


def only_patterns(before: Load, after: Load) -> bool:
    """Whether nothing but what is played has changed: then no port has to be looked at."""
    if before.standins is not after.standins or before.setups is not after.setups:
        return False
    old, new = before.plan.plan, after.plan.plan
    return all(
        name == "patterns" or getattr(old, name) is getattr(new, name)
        for name in old.__struct_fields__
    )
