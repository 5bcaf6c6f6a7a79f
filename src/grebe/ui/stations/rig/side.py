"""The sheet at the side of the Rig: the box in hand, adding one, a cable, taking one out."""

from __future__ import annotations

from collections.abc import Callable
from functools import cached_property
from typing import TypeVar

from PyQt6.QtWidgets import QStackedWidget

from grebe.app.doing import does
from grebe.app.editors.rig_editor import RigEditor
from grebe.app.settings import read_settings
from grebe.core.rig.edits import (
    best_cable,
    uses_of,
)
from grebe.core.rig.model import Cable
from grebe.core.rig.spec import Profile
from grebe.errors import EditError
from grebe.formats.profiles import known_profiles
from grebe.process.places import own_profiles_dir
from grebe.ui.stations.rig.device import DevicePage
from grebe.ui.stations.rig.pages import AddPage, CablePage, Page, RemovePage
from grebe.ui.widgets.view import Sheet, dress
from grebe.words import tr

AnyPage = TypeVar("AnyPage", bound=Page)


class RigSide:
    """The pages of the sheet, most made when first wanted, and the way from one to another."""

    def __init__(
        self, editor: RigEditor, select: Callable[[str], None], *,
        leave: Callable[[], None], routes: Callable[[], None],
    ) -> None:  # fmt: skip
        """`select` takes a box in hand, `leave` goes back to the drawing, `routes` shows routes."""
        self._editor = editor
        self._select = select
        self._leave = leave
        self._routes = routes
        self.unknown: Callable[[], None] = lambda: None
        """No profile is of the box that is to be added."""
        self.sheet = Sheet()
        self.pages = QStackedWidget()
        self.device_page = DevicePage(editor.form)
        self.pages.addWidget(self.device_page)
        self.sheet.column.addWidget(self.pages)
        page = self.device_page
        hand = self._editor.hand
        page.filtered.connect(self._editor.device.switch)
        page.port.chosen.connect(lambda port: hand.set_fields(tr("Port"), port=port))
        page.input.chosen.connect(lambda port: hand.set_fields(tr("Input"), input=port))
        page.line_chosen.connect(self._editor.device.set_line)
        page.pulse.shaped.connect(lambda shape: hand.set_fields(tr("Pulse"), pulse=shape))
        page.pulse.refused.connect(lambda words: self._editor.session.say("warn", words))

    def joined(self, page: AnyPage) -> AnyPage:
        """A page that was just made, as one of the sheet's: it goes back to the box."""
        self.pages.addWidget(page)
        dress(page, self.sheet.palette_now)
        page.left.connect(self.back)
        return page

    @cached_property
    def add_page(self) -> AddPage:
        """Profiles, to make a box of one."""
        page = self.joined(AddPage())
        page.unknown.connect(self.unknown)
        page.wanted.connect(self._add_box)
        return page

    @cached_property
    def cable_page(self) -> CablePage:
        """From where to where, over what."""
        page = self.joined(CablePage(self._editor.session))
        page.wanted.connect(self._plug)
        return page

    @cached_property
    def remove_page(self) -> RemovePage:
        """What goes with a box."""
        page = self.joined(RemovePage())
        page.wanted.connect(self._remove)
        return page

    def back(self) -> None:
        """Show the device again, with the keys back on the canvas."""
        self.pages.setCurrentWidget(self.device_page)
        self._leave()

    def _add_box(self, profile: Profile, name: str) -> None:
        page, settings = self.device_page, read_settings()
        ports = {
            "port": page.port.preferred(settings.output_port),
            "input": page.input.preferred(settings.input_port),
        }  # fmt: skip
        wanted = {field: port for field, port in ports.items() if port is not None}
        self._safely(lambda: self._select(self._editor.boxes.add(profile, name, wanted)))
        self._leave()

    def add_made(self, profile: Profile) -> None:
        """A box of a profile that was made just now."""
        self._add_box(profile, profile.name)

    def _plug(self, cable: Cable) -> None:
        self._safely(lambda: self._editor.boxes.plug(cable))
        self.back()

    def _safely(self, edit: Callable[[], None]) -> None:
        try:
            edit()
        except EditError as error:
            self._editor.session.say("warn", tr("{error}. Nothing was changed.", error=error))

    def ask_removal(self, device_id: str) -> None:
        """Show what uses a device before it goes."""
        self._select(device_id)
        device = self._editor.hand.device
        if device is not None:
            self.pages.setCurrentWidget(self.remove_page)
            self.remove_page.open(device.name, uses_of(self._editor.session.project, device_id))

    def _remove(self) -> None:
        self._safely(self._editor.boxes.remove)
        self.back()

    @does("add_box")
    def add_box(self) -> None:
        """Choose a profile for a new box."""
        profiles, bad = known_profiles(own_profiles_dir())
        if bad:
            self._editor.session.say("warn", bad[0])
        self.pages.setCurrentWidget(self.add_page)
        self.add_page.open(profiles)

    @does("add_cable")
    def add_cable(self) -> None:
        """Run a cable from the selected one."""
        self.pages.setCurrentWidget(self.cable_page)
        self.cable_page.open(self._editor.hand.selected)

    def run_cable(self, source: str, target: str, *, at_once: bool) -> None:
        """Between these boxes: plugged in as it fits, or proposed first."""
        if at_once:
            self._plug(best_cable(self._editor.session.project.rig, source, target))
            return
        self.pages.setCurrentWidget(self.cable_page)
        self.cable_page.open(source, target)

    @does("add_route")
    def add_route(self) -> None:
        """Route what the selected box plays through Grebe."""
        self._editor.boxes.route()
        self._routes()

    @does("rename")
    def rename(self) -> None:
        """To the selected box's name."""
        self.pages.setCurrentWidget(self.device_page)
        self.device_page.form.open("name")

    @does("remove")
    def remove_box(self) -> None:
        """Show what uses the selected box; remove it from there."""
        if self._editor.hand.device is not None:
            self.ask_removal(self._editor.hand.selected)

    @does("settings")
    def settings(self) -> None:
        """To the selected box's settings."""
        self.pages.setCurrentWidget(self.device_page)
        self.device_page.form.open()
