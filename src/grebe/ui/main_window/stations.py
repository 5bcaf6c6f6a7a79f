"""The stations of one window, each loaded and made when it is first wanted."""

from __future__ import annotations

from collections.abc import Callable, Iterator, Mapping
from typing import TYPE_CHECKING, cast

from grebe.app.actions.model import STATION_AT, STATION_NUMBERS, Station
from grebe.app.editors.pattern_editor import PatternEditor
from grebe.app.live.rehearsal import Rehearsal
from grebe.app.live.session import Session
from grebe.app.live.stage_model import StageModel
from grebe.process.garbage import leave_out_what_is_there
from grebe.ui.widgets.view import View

if TYPE_CHECKING:
    from grebe.ui.stations.patterns.view import PatternsView
    from grebe.ui.stations.rig.view import RigView
    from grebe.ui.stations.song.view import SongView
    from grebe.ui.stations.stage.view import StageView
    from grebe.ui.stations.sync.view import SyncView


class Stations(Mapping[int, View]):
    """By number. Loading and making all nine takes as long as all the rest of a window, and one
    is seen first: the others are made as they are asked for, or ahead, one at a time."""

    def __init__(
        self, session: Session, patterns: PatternEditor, rehearsal: Rehearsal, stage: StageModel,
        *, arrives: Callable[[View], None],
    ) -> None:  # fmt: skip
        """`arrives` is told of each that has been made, before anybody else has it."""
        self._session, self._patterns = session, patterns
        self._rehearsal, self._stage = rehearsal, stage
        self._arrives = arrives
        self.made: dict[int, View] = {}
        """Those that have been wanted."""

    def _make(self, scope: Station) -> View:
        """Load a station, and make it: to add one is a case here and its name in the registry."""
        session = self._session
        match scope:
            case "rig":
                from grebe.ui.stations.rig.view import RigView

                return RigView(session)
            case "sync":
                from grebe.ui.stations.sync.view import SyncView

                return SyncView(session)
            case "patterns":
                from grebe.ui.stations.patterns.view import PatternsView

                return PatternsView(session, self._patterns)
            case "scenes":
                from grebe.ui.stations.scenes.view import ScenesView

                return ScenesView(session)
            case "song":
                from grebe.ui.stations.song.view import SongView

                return SongView(session)
            case "set":
                from grebe.ui.stations.set.view import SetView

                return SetView(session, self._rehearsal)
            case "stage":
                from grebe.ui.stations.stage.view import StageView

                return StageView(session, self._stage)
            case "log":
                from grebe.ui.stations.log.view import LogView

                return LogView(session)
            case "tools":
                from grebe.ui.stations.tools.view import ToolsView

                return ToolsView(session)
        raise KeyError(scope)

    def __getitem__(self, number: int) -> View:
        """The station of a number, made now if it was not. KeyError where there is none."""
        if number not in self.made:
            view = self._make(STATION_AT[number])
            self.made[number] = view
            self._arrives(view)
        return self.made[number]

    def __contains__(self, number: object) -> bool:
        """Whether there is one of this number; it is not made for that."""
        return number in STATION_AT

    def __iter__(self) -> Iterator[int]:
        return iter(STATION_AT)

    def __len__(self) -> int:
        return len(STATION_AT)

    def of(self, scope: Station) -> View:
        """The station of a name in the registry, made now if it was not."""
        return self[STATION_NUMBERS[scope]]

    @property
    def rig(self) -> RigView:
        """Boxes and cables."""
        return cast("RigView", self.of("rig"))

    @property
    def sync(self) -> SyncView:
        """How early or late boxes are."""
        return cast("SyncView", self.of("sync"))

    @property
    def patterns(self) -> PatternsView:
        """Note lanes, memory, captures and loops."""
        return cast("PatternsView", self.of("patterns"))

    @property
    def song(self) -> SongView:
        """Sections in their order."""
        return cast("SongView", self.of("song"))

    @property
    def stage(self) -> StageView:
        """What is seen while it plays."""
        return cast("StageView", self.of("stage"))

    def make_ahead(self) -> bool:
        """Make one that nobody has wanted yet; whether there was one."""
        number = next((n for n in STATION_AT if n not in self.made), None)
        if number is None:
            leave_out_what_is_there()
            return False
        self[number]  # asking for it makes it
        return True
