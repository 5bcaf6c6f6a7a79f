"""What hands do on Stage to single boxes and tracks: mute, solo, other patterns; and keep it."""

from __future__ import annotations

from collections.abc import Callable

from grebe.app.doing import does
from grebe.app.live.session import Session
from grebe.app.live.stage_numbers import ON_A_PAGE, StageNumbers, numbered_line, on_page
from grebe.core.choices import after
from grebe.core.document import Project
from grebe.core.songs.sounding import keep_sounding
from grebe.errors import EditError
from grebe.words import tr


class StageLines:
    """By number: up to eight on the page that is shown, or among all."""

    def __init__(self, session: Session, numbers: StageNumbers) -> None:
        self.session = session
        self.numbers = numbers

    def kinds(self) -> dict[str, Callable[[int], None]]:
        """What does each numbered action."""
        return {
            "mute": self._mute, "solo": self._solo, "mute_line": self._mute_line,
            "solo_line": self._solo_line, "pattern_line": self._pattern_line,
        }  # fmt: skip

    def _mute_line(self, number: int) -> None:
        self._toggle(number, self.session.performer.mute, paged=False)

    def _solo_line(self, number: int) -> None:
        self._toggle(number, self.session.performer.solo, paged=False)

    def _toggle(self, number: int, toggle: Callable[[str], None], *, paged: bool) -> None:
        line = numbered_line(self.session, number, paged=paged)
        if line is not None:
            toggle(line.id)

    def _mute(self, number: int) -> None:
        if self.numbers.typed is not None:
            self.numbers.digit(number)
            return
        self._toggle(number, self.session.performer.mute, paged=True)

    def _solo(self, number: int) -> None:
        self._toggle(number, self.session.performer.solo, paged=True)

    @does("blocks_page")
    def blocks_page(self) -> None:
        """The next eight boxes and tracks have the digits."""
        players = self.session.project.players
        pages = -(-len(players) // ON_A_PAGE) or 1
        self.session.stage.page = (self.session.stage.page + 1) % pages
        shown = on_page(self.session)
        if pages == 1:
            self.session.say("info", tr("All boxes and tracks have a block already."))
        elif shown:
            words = tr("The digits are for {first} to {last}.", first=shown[0].name,
                       last=shown[-1].name)  # fmt: skip
            self.session.say("info", words)

    @does("patterns_back")
    def patterns_back(self) -> None:
        """Every line plays what its scene gives it again."""
        status = self.session.status
        swapped = [s.line for s in status.lines if s.swapped] if status is not None else []
        if not swapped:
            raise EditError(tr("no box or track plays another pattern by hand"))
        for line in swapped:
            self.session.performer.swap(line, "", "end")

    def _keep(self, *, as_new: bool) -> None:
        status, session = self.session.status, self.session
        span = session.position.playing
        if status is None or span is None:
            raise EditError(tr("nothing plays that could be kept"))
        kept: list[str] = []

        def keep(project: Project) -> Project:
            project, scene = keep_sounding(
                project,
                span.scene.id,
                status.lines,
                status.mutes,
                status.solos,
                status.tracks,
                as_new=as_new,
            )
            kept.append(project.scene(scene).name)
            return project

        session.store.apply(tr("Keep what sounds"), keep)
        words = tr("What sounds is kept as {scene}.", scene=kept[-1]) if as_new else tr(
            "What sounds is kept in {scene}.", scene=kept[-1]
        )  # fmt: skip
        session.notices.say("info", words, offers="undo")

    @does("keep_sound")
    def keep_sound(self) -> None:
        """What sounds now, into the scene that plays."""
        self._keep(as_new=False)

    @does("keep_as_scene")
    def keep_as_scene(self) -> None:
        """What sounds now, as a new scene after it."""
        self._keep(as_new=True)

    @does("capture")
    def capture(self) -> None:
        """What was just played in sounds on the next bar."""
        self.numbers.out.capture()

    @does("capture_over")
    def capture_over(self) -> None:
        """What was just played in lies over the pattern that plays."""
        self.numbers.out.capture_over()

    def _pattern_line(self, number: int) -> None:
        """The next pattern of a box or track, where the one that plays ends."""
        line, status = numbered_line(self.session, number, paged=False), self.session.status
        if line is None or status is None:
            return
        mine = [p.id for p in self.session.project.patterns_of.get(line.id, [])]
        now = next((s.pattern for s in status.lines if s.line == line.id), "")
        if mine:
            self.session.performer.swap(line.id, after(mine, now), "end")
