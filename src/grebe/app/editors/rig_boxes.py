"""Boxes, cables and routes of the rig: added, changed in cells, taken out. Without Qt."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from typing import Any

import msgspec

from grebe.app.doing import does
from grebe.app.editors.rig_hand import RigHand
from grebe.core.document import Project, tick, with_device
from grebe.core.rig.abilities import set_spec
from grebe.core.rig.edits import (
    add_cable,
    add_device,
    add_route,
    change_cable,
    change_route,
    profile_from,
    proposed_route,
    remove_cable,
    remove_device,
    remove_route,
)
from grebe.core.rig.learn import keyed, unbound
from grebe.core.rig.model import GREBE_ID, Cable, Device, Port
from grebe.core.rig.spec import Gives, Profile, Spec
from grebe.errors import EditError, ProfileError
from grebe.formats.profiles import write_profile
from grebe.process.places import own_profiles_dir
from grebe.words import tr


class BoxEdits:
    """What pages and tables of the Rig do."""

    def __init__(self, hand: RigHand) -> None:
        self.hand = hand

    def add(self, profile: Profile, name: str, ports: Mapping[str, Port] = {}) -> str:
        """A box more, from a profile; its id. `ports`, by the device's field, are preferred."""
        made: list[str] = []

        def edit(project: Project) -> Project:
            new, device_id = add_device(project, profile, name)
            made.append(device_id)
            return with_device(new, device_id, lambda d: msgspec.structs.replace(d, **ports))

        self.hand.edit(tr("Add {name}", name=name), edit)
        return made[-1]

    def plug(self, cable: Cable) -> None:
        """Run a cable; where it brings notes into Grebe, with a route for them."""
        name = self.hand.rig.name_of

        def edit(project: Project) -> Project:
            new = add_cable(project, cable)
            route = proposed_route(new.rig, cable.source) if cable.target == GREBE_ID else None
            sends = next((d for d in new.rig.devices if d.id == cable.source), None)
            notes = sends is not None and sends.spec.sends.notes and cable.medium != "audio"
            return add_route(new, route) if route is not None and notes else new

        self.hand.edit(
            tr("Cable from {name} to {name2}", name=name(cable.source), name2=name(cable.target)),
            edit,
        )

    def route(self) -> None:
        """Route what the box in hand plays through Grebe. EditError where there is nowhere."""
        route = proposed_route(self.hand.rig, self.hand.selected)
        if route is None or self.hand.device is None:
            raise EditError(tr("there is no box to route this to"))
        self.hand.edit(tr("Add a route"), lambda project: add_route(project, route))

    @does("thru")
    def thru(self) -> None:
        """What its cables pass on: its own, what comes in, both. EditError without a cable."""
        device = self.hand.device
        cables = [
            (at, cable) for at, cable in enumerate(self.hand.rig.cables)
            if device is not None and cable.source == device.id and cable.medium == "midi"
        ]  # fmt: skip
        if device is None or not cables:
            raise EditError(tr("no MIDI cable runs from it: nothing could be passed on"))
        ways: tuple[Gives, ...] = ("own", "thru", "both")
        gives = ways[(ways.index(cables[0][1].gives) + 1) % len(ways)]

        def edit(project: Project) -> Project:
            for at, _ in cables:
                project = change_cable(project, at, gives=gives)
            return project

        self.hand.edit(tr("Thru of {device}", device=device.name), edit)
        words = {"own": "what it makes itself", "thru": "what comes in, its thru",
                 "both": "its own and what comes in"}[gives]  # fmt: skip
        self.hand.session.say(
            "info", tr("{device} passes on {words}.", device=device.name, words=words)
        )

    def remove(self) -> None:
        """Take the box in hand out, with everything that uses it."""
        device = self.hand.device
        if device is not None:
            self.hand.edit(
                tr("Remove {device}", device=device.name), lambda p: remove_device(p, device.id)
            )
            self.hand.session.say(
                "info", tr("{device} is taken out. Ctrl+Z brings it back.", device=device.name)
            )

    def remove_cable(self, index: int) -> None:
        """Take a cable out."""
        self.hand.edit(tr("Remove a cable"), lambda project: remove_cable(project, index))
        self.hand.session.say("info", tr("Cable taken out. Ctrl+Z brings it back."))

    def remove_route(self, index: int) -> None:
        """Take a route out."""
        self.hand.edit(tr("Remove a route"), lambda project: remove_route(project, index))
        self.hand.session.say("info", tr("Route taken out. Ctrl+Z brings it back."))

    def set_cell(
        self, name: str, edit: Callable[[Project, int, Any, str], Project], row: int, item: Any,
        text: str,
    ) -> bool:  # fmt: skip
        """A cell of a table from text; whether it could be."""
        try:
            self.hand.edit(name, lambda project: edit(project, row, item, text))
        except EditError as error:
            self.hand.session.say("warn", tr("{error}. Nothing was changed.", error=error))
            return False
        return True

    def change_route(self, name: str, index: int, fields: dict[str, object]) -> None:
        """Other settings of a route."""
        self.hand.edit(name, lambda project: change_route(project, index, **fields))

    def set_spec(self, name: str, device: str, spec: Spec) -> None:
        """Other abilities of a box."""
        self.hand.edit(name, lambda project: set_spec(project, device, spec))

    def set_box(self, name: str, box: Device) -> None:
        """A box as another says it."""
        self.hand.edit(name, lambda project: with_device(project, box.id, lambda _: box))

    def tick(self, step: str, what: str, *, done: bool) -> None:
        """A step of the set-up sheet is made, or not after all."""
        self.hand.edit(
            tr("Tick: {what}", what=what), lambda project: tick(project, step, done=done)
        )

    def forget_press(self, action: str) -> None:
        """Nothing does an action on Stage any more."""
        self.hand.edit(tr("Forget a press"), lambda project: unbound(project, action))

    def learn_key(self, action: str, keys: str) -> None:
        """A key of the computer does an action on Stage."""
        self.hand.edit(tr("Learn a key"), lambda project: keyed(project, action, keys))

    @does("save_profile")
    def save_profile(self) -> None:
        """Save the box in hand as a profile of the performer's own."""
        session, device = self.hand.session, self.hand.device
        if device is None:
            return
        try:
            path = write_profile(own_profiles_dir(), profile_from(device))
        except ProfileError as error:
            session.say("error", str(error))
            return
        session.say(
            "info", tr("Saved {device} as a profile: {path}.", device=device.name, path=path.name)
        )
