"""What is done with profiles in Rig: a box none knows, charts, files of them, improved ones."""

from __future__ import annotations

from collections.abc import Callable
from functools import cached_property
from pathlib import Path
from typing import Any

import msgspec

from grebe.app.doing import does
from grebe.app.editors.blank_box import BlankBox
from grebe.app.editors.rig_editor import RigEditor
from grebe.core.rig.blank import guesses, without_guess
from grebe.core.rig.edits import profile_from, spec_of
from grebe.core.rig.improved import differences, taking, was_improved
from grebe.core.rig.model import Device
from grebe.core.rig.spec import Profile
from grebe.errors import EditError, GrebeError, ProfileError
from grebe.formats.naming import file_name
from grebe.formats.profiles import export_profile, known_profiles, read_profile, write_profile
from grebe.process.places import own_profiles_dir, shown
from grebe.ui.stations.rig.side import RigSide
from grebe.ui.stations.rig.unknown import BlankPage, ChartPage, ComparePage
from grebe.ui.widgets.ask_file import PROFILES, ask_open, ask_save
from grebe.ui.widgets.form import Form
from grebe.ui.widgets.sheet import SheetLine, note
from grebe.words import tr

FILES = "Profiles (*.json)"
CHART_WORDS = {"controllers": tr("Controllers from a chart"), "voices": tr("Voices from a chart")}


class ProfileSide:
    """Pages of the sheet for profiles, beside those of the boxes."""

    def __init__(
        self, editor: RigEditor, side: RigSide, take_typed: Callable[[Form, BlankBox], None]
    ) -> None:
        """`take_typed` lets a form's answers be set."""
        self._editor, self._side = editor, side
        self._profiles: dict[str, Profile] = {}
        self._told = False
        self._take_typed = take_typed
        self.box = BlankBox()
        side.unknown = self.blank_box

    @cached_property
    def blank_page(self) -> BlankPage:
        """What one can see on a box."""
        page = self._side.joined(BlankPage(self.box))
        self._take_typed(page.form, self.box)
        for signal in (page.form.typed, page.form.picked):
            signal.connect(lambda *_: page.answered())
        page.wanted.connect(self._add)
        return page

    @cached_property
    def chart_page(self) -> ChartPage:
        """A chart out of a manual."""
        page = self._side.joined(ChartPage())
        page.wanted.connect(self._take_chart)
        return page

    @cached_property
    def compare_page(self) -> ComparePage:
        """A box beside its profile."""
        page = self._side.joined(ComparePage())
        page.wanted.connect(self._take)
        return page

    def look(self) -> None:
        """The station is shown: read the profiles; say once what was improved."""
        self._profiles = {p.id: p for p in reversed(known_profiles(own_profiles_dir())[0])}
        names = [d.name for d in self._editor.hand.rig.devices if self._improved(d)]
        if names and not self._told:
            self._told = True
            words = ", ".join(names)
            self._editor.session.notices.say(
                "info",
                tr(
                    "The profile of {words} was improved since the box was made from it.",
                    words=words,
                ),
                offers="compare_profile",
            )

    def lines(self, device: Device) -> list[SheetLine]:
        """What the sheet says of a box: what is guessed, and whether its profile was improved."""
        lines: list[SheetLine] = []
        if device.spec.guessed:
            words = ", ".join(guesses(device.spec))
            lines.append(
                note(tr("⚠ Guessed: {words}. Look it up, then say so.", words=words), "look")
            )
        if self._improved(device):
            lines.append(note(tr("Its profile was improved since it was made from it."), "look"))
        return lines

    def _improved(self, device: Device) -> bool:
        profile = self._profiles.get(device.profile)
        if profile is None or not was_improved(device, profile):
            return False
        return bool(differences(device, profile))

    # A box that no profile knows

    @does("blank_box")
    def blank_box(self) -> None:
        """Ask what one can see on it."""
        self._side.pages.setCurrentWidget(self.blank_page)
        self.blank_page.open(frozenset(self._profiles))

    def _add(self, profile: Profile) -> None:
        session = self._editor.session
        self._side.add_made(profile)
        try:
            path = write_profile(own_profiles_dir(), profile)
        except ProfileError as error:
            session.say(
                "warn",
                tr(
                    "{profile} is in the rig, but is no profile yet: {error}",
                    profile=profile.name,
                    error=error,
                ),
            )
        else:
            self._profiles[profile.id] = profile
            session.say(
                "info",
                tr(
                    "{profile} is in the rig, and a profile: {path}.",
                    profile=profile.name,
                    path=path.name,
                ),
            )

    # Charts

    @does("paste_chart")
    def paste_chart(self) -> None:
        """A chart of the box in hand, from its manual."""
        self._side.pages.setCurrentWidget(self.chart_page)
        self.chart_page.open()

    def _take_chart(self, part: str, rows: tuple[Any, ...]) -> None:
        hand = self._editor.hand
        device = hand.device
        if device is not None:
            spec = without_guess(spec_of(hand.rig, device.id), part)
            charted = msgspec.structs.replace(spec, **{part: rows})
            self._editor.boxes.set_spec(CHART_WORDS[part], device.id, charted)
            words = tr(
                "{device} has {count} {part} from the chart.",
                device=device.name,
                count=len(rows),
                part=part,
            )
            self._editor.session.notices.say("info", words, offers="undo")
        self._side.back()

    # Beside the profile

    @does("compare_profile")
    def compare_profile(self) -> None:
        """The box in hand beside the profile it was made from. EditError without one."""
        device = self._editor.hand.device
        profile = self._profiles.get(device.profile) if device is not None else None
        if device is None or profile is None:
            raise EditError(tr("the profile it was made from is not here"))
        self._side.pages.setCurrentWidget(self.compare_page)
        self.compare_page.open(device, profile, improved=self._improved(device))

    def _take(self, paths: tuple[str, ...]) -> None:
        device = self._editor.hand.device
        profile = self._profiles.get(device.profile) if device is not None else None
        if device is not None and profile is not None:
            better = taking(device, profile, paths)
            self._editor.boxes.set_box(
                tr("{device} as its profile has it", device=device.name), better
            )
        self._side.back()

    @does("said_right")
    def said_right(self) -> None:
        """What is guessed of the box in hand was looked up, and is right."""
        device = self._editor.hand.device
        if device is None or not device.spec.guessed:
            raise EditError(tr("nothing of it is guessed"))
        spec = without_guess(device.spec, *device.spec.guessed)
        self._editor.boxes.set_spec(tr("Nothing of it is guessed"), device.id, spec)

    # Files

    @does("read_profile")
    def read_file(self) -> None:
        """A profile from a file becomes one's own."""
        chosen = ask_open(self._side.sheet, PROFILES, tr("Read a profile"), FILES)
        if chosen is not None:
            self.take_file(chosen)

    def take_file(self, path: Path) -> None:
        """A profile from this file becomes one's own. ProfileError says why it cannot be."""
        profile = read_profile(path)
        write_profile(own_profiles_dir(), profile)
        self._profiles[profile.id] = profile
        self._editor.session.notices.say(
            "info",
            tr("{profile} is a profile of yours now.", profile=profile.name),
            offers="add_box",
        )

    @does("write_profile")
    def write_file(self) -> None:
        """The box in hand as a profile in a file, to be given to somebody."""
        device = self._editor.hand.device
        if device is None:
            return
        name = f"{file_name(device.name)}.json"
        path = ask_save(self._side.sheet, PROFILES, tr("Write its profile"), FILES, name)
        if path is None:
            return
        path = path if path.suffix else path.with_suffix(".json")
        try:
            export_profile(path, profile_from(device))
        except GrebeError as error:
            self._editor.session.say("error", str(error))
        else:
            self._editor.session.say("info", tr("Wrote {path}.", path=shown(path.name)))
