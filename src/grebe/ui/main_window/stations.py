"""The stations of one window, each made when it is first wanted."""

from __future__ import annotations

from collections.abc import Callable, Iterator, Mapping
from typing import TypeVar

from grebe.app.actions.model import Station
from grebe.app.editors.pattern_editor import PatternEditor
from grebe.app.live.rehearsal import Rehearsal
from grebe.app.live.session import Session
from grebe.app.live.stage_model import StageModel
from grebe.ui.stations.log.view import LogView
from grebe.ui.stations.patterns.view import PatternsView
from grebe.ui.stations.rig.view import RigView
from grebe.ui.stations.scenes.view import ScenesView
from grebe.ui.stations.set.view import SetView
from grebe.ui.stations.song.view import SongView
from grebe.ui.stations.stage.view import StageView
from grebe.ui.stations.sync.view import SyncView
from grebe.ui.stations.tools.view import ToolsView
from grebe.ui.widgets.view import View

Kind = TypeVar("Kind", bound=View)


class Stations(Mapping[int, View]):
    """By number. Making all nine takes as long as all the rest of a window, and one is seen
    first: the others are made as they are asked for, or ahead, one at a time."""

    def __init__(
        self, session: Session, patterns: PatternEditor, rehearsal: Rehearsal, stage: StageModel,
        *, arrives: Callable[[View], None],
    ) -> None:  # fmt: skip
        """`arrives` is told of each that has been made, before anybody else has it."""
        self._arrives = arrives
        self._makers: dict[type[View], Callable[[], View]] = {
            RigView: lambda: RigView(session),
            SyncView: lambda: SyncView(session),
            PatternsView: lambda: PatternsView(session, patterns),
            ScenesView: lambda: ScenesView(session),
            SongView: lambda: SongView(session),
            SetView: lambda: SetView(session, rehearsal),
            StageView: lambda: StageView(session, stage),
            LogView: lambda: LogView(session),
            ToolsView: lambda: ToolsView(session),
        }
        self._kinds = {kind.number: kind for kind in self._makers}
        self.numbers: dict[Station, int] = {kind.scope: kind.number for kind in self._makers}
        """Of each by its name in the registry."""
        self.made: dict[int, View] = {}
        """Those that have been wanted."""

    def __getitem__(self, number: int) -> View:
        """The station of a number, made now if it was not. KeyError where there is none."""
        if number not in self.made:
            view = self._makers[self._kinds[number]]()
            self.made[number] = view
            self._arrives(view)
        return self.made[number]

    def __iter__(self) -> Iterator[int]:
        return iter(self._kinds)

    def __len__(self) -> int:
        return len(self._kinds)

    @property
    def rig(self) -> RigView:
        """Boxes and cables."""
        return self._of(RigView)

    @property
    def patterns(self) -> PatternsView:
        """Note lanes, memory, captures and loops."""
        return self._of(PatternsView)

    @property
    def stage(self) -> StageView:
        """What is seen while it plays."""
        return self._of(StageView)

    def _of(self, kind: type[Kind]) -> Kind:
        found = self[kind.number]
        assert isinstance(found, kind)
        return found

    def make_ahead(self) -> bool:
        """Make one that nobody has wanted yet; whether there was one."""
        number = next((n for n in self._kinds if n not in self.made), None)
        if number is not None:
            self[number]  # asking for it makes it
        return number is not None
