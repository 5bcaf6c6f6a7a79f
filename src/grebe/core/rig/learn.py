"""Edits of what controllers, pedals and computer keys do on Stage."""

from __future__ import annotations

import msgspec

from grebe.core.document import Project, with_rig
from grebe.core.rig.trigger import Binding, KeyBinding, Trigger

SLOWEST, FASTEST = 60.0, 180.0
"""What the ends of a knob for the tempo stand for unless it is said otherwise."""


def bound(project: Project, action: str, trigger: Trigger) -> Project:
    """The project with a press that does an action; what it did before is forgotten."""
    rest = tuple(b for b in project.rig.bindings if b.trigger != trigger)
    made = Binding(trigger=trigger, action=action)
    if action == "tempo":
        made = msgspec.structs.replace(made, low=SLOWEST, high=FASTEST)
    rig = msgspec.structs.replace(project.rig, bindings=(*rest, made))
    return with_rig(project, rig)


def unbound(project: Project, action: str) -> Project:
    """The project without anything learnt for an action."""
    rig = project.rig
    return with_rig(
        project,
        msgspec.structs.replace(
            rig,
            bindings=tuple(b for b in rig.bindings if b.action != action),
            keys=tuple(k for k in rig.keys if k.action != action),
        ),
    )


def keyed(project: Project, action: str, keys: str) -> Project:
    """The project with a computer key that does an action beside its own."""
    rest = tuple(k for k in project.rig.keys if k.keys != keys)
    made = KeyBinding(action=action, keys=keys)
    return with_rig(project, msgspec.structs.replace(project.rig, keys=(*rest, made)))
