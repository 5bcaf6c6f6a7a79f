"""Presses that are learnt for Stage, and those that come."""

from __future__ import annotations

import msgspec

from grebe.app.document.store import Store
from grebe.app.engine.link import Link
from grebe.app.live.notices import Notices
from grebe.core.document import with_rig
from grebe.core.rig.learn import bound
from grebe.core.rig.trigger import Trigger
from grebe.protocols.link.messages import Learn, Pressed
from grebe.words import tr


class Learning:
    """What the next press is taken for."""

    def __init__(self, store: Store, link: Link, notices: Notices) -> None:
        self._store = store
        self._link = link
        self._notices = notices
        self.action = ""
        """The Stage action that the next press is learnt for."""
        self.pressed: list[Pressed] = []
        """Presses of what was learnt, for whoever shows Stage."""

    def learn(self, action: str) -> None:
        """Take the next press on any box that is heard for a Stage action; "" gives up."""
        self.action = action
        self._link.tell(Learn(device="*" if action else ""))

    def learn_panic(self, device: str) -> None:
        """Take the next press on a box for the one that panics; "" gives up."""
        self._link.tell(Learn(device=device))

    def learned(self, trigger: Trigger) -> None:
        """The press has come."""
        action, self.action = self.action, ""
        name = self._store.project.rig.name_of(trigger.device)
        if action:
            self._store.apply(tr("Learn a press"), lambda p: bound(p, action, trigger))
            self._notices.say(
                "info",
                tr("{name}: {trigger_words} does that.", name=name, trigger_words=trigger.words),
            )
        else:
            self._store.apply(
                tr("Panic"), lambda p: with_rig(p, msgspec.structs.replace(p.rig, panic=trigger))
            )
            self._notices.say(
                "info",
                tr(
                    "{name}: {trigger_words} panics from now on.",
                    name=name,
                    trigger_words=trigger.words,
                ),
            )
