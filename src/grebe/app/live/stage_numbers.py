"""The number that is typed on Stage: of a scene, a song, or a pattern of a box or track."""

from __future__ import annotations

from typing import Literal

from grebe.app.doing import does
from grebe.app.live.out_of_trouble import Of, OutOfTrouble, brings
from grebe.app.live.session import Session
from grebe.app.live.stage_model import StageModel
from grebe.core.player.commands import LaunchAt, SwapAt
from grebe.core.rig.model import Device
from grebe.core.songs.layout import Layout
from grebe.core.songs.model import Song
from grebe.words import tr

NumberOf = Literal["scene", "song", "pattern"] | Of
"""Sections of the song, places of the set, patterns of a box or track; or what is brought in."""
ON_A_PAGE = 8
"""Boxes and tracks that have a block and a digit at a time."""


def on_page(session: Session) -> tuple[Device, ...]:
    """Those that have them now."""
    players = session.project.players
    first = session.stage.page * ON_A_PAGE
    if first >= len(players):  # some were taken out since
        first = session.stage.page = 0
    return players[first : first + ON_A_PAGE]


def numbered_line(session: Session, number: int, *, paged: bool) -> Device | None:
    """What has a number: on the page that is shown, or among all."""
    lines = on_page(session) if paged else session.project.players
    return lines[number - 1] if 1 <= number <= len(lines) else None


_SWAP_AT: dict[LaunchAt, SwapAt] = {"bar": "bar", "section_end": "end", "now": "now"}
"""Where a pattern that was typed comes in, by the key that brings it in."""


class StageNumbers:
    """The number that is being typed, and what has one."""

    def __init__(self, session: Session, book: StageModel) -> None:
        self._session = session
        self._book = book
        self.typed: str | None = None
        """Digits so far; None while no number is typed."""
        self.of: NumberOf = "scene"
        """What the number is of."""
        self.out = OutOfTrouble(session)
        self._since = ""
        """The section in which it is typed."""

    def named(self, layout: Layout) -> list[tuple[str, str]]:
        """(id, name) of what has a number: sections of the song, or places of the set."""
        if self.of == "pattern":
            line = self.line
            if line is None:
                return [(d.id, d.name) for d in on_page(self._session)]
            patterns = self._session.project.patterns_of.get(line.id, [])
            return [(p.id, p.name) for p in patterns]
        if brings(self.of):
            return self.out.named(self.of)
        if self.of == "scene":
            return [(s.section.id, s.scene.name) for s in layout.spans]
        plan = self._book.plan()
        if plan is None:
            return []
        names: dict[str, Song] = {s.id: s for s in self._session.project.songs}
        return [
            (s.entry.id, names[s.entry.song].name if s.entry.song in names else s.entry.song)
            for s in plan.songs
        ]

    @does("scene_number")
    def scene_number(self) -> None:
        """A scene by its number."""
        self._type("scene")

    @does("song_number")
    def song_number(self) -> None:
        """A song by its number."""
        if self._book.plan() is None:
            self._session.say("warn", tr("There is no set: songs have no numbers."))
        else:
            self._type("song")

    @does("any_scene")
    def any_scene(self) -> None:
        """Any scene of the project by its number, whether the song has it or not."""
        self._type("any scene")

    @does("other_scene")
    def other_scene(self) -> None:
        """Any scene of the project that was open before this one, by its number."""
        self._type_other("other scene")

    @does("other_song")
    def other_song(self) -> None:
        """Any song or set of the project that was open before this one, by its number."""
        self._type_other("other song")

    def _type_other(self, what: NumberOf) -> None:
        if not self.out.look():
            self._session.say("warn", tr("No other project was open lately."))
        else:
            self._type(what)

    @does("any_song")
    def any_song(self) -> None:
        """Any song or set of the project by its number."""
        self._type("any song")

    @does("own_tempo")
    def own_tempo(self) -> None:
        """What is brought in so takes its own tempo, or runs at the one there is."""
        out = self.out
        out.keeps_tempo = not out.keeps_tempo
        words = tr("keeps the tempo there is") if out.keeps_tempo else tr("takes its own tempo")
        self._session.say("info", tr("What is brought in by number {words}.", words=words))

    @property
    def cost(self) -> str:
        """What bringing in what is typed asks of hands and tempo."""
        if not brings(self.of) or not self.digits:
            return ""
        names, number = self.out.named(self.of), int(self.digits)
        return self.out.cost(self.of, names[number - 1][0]) if 1 <= number <= len(names) else ""

    @does("pattern_number")
    def pattern_number(self) -> None:
        """A pattern by its number: first that of its box or track, then its own."""
        self._type("pattern")

    def _type(self, what: NumberOf) -> None:
        self.typed, self.of = "", what
        status = self._session.status
        self._since = "" if status is None else status.section

    @property
    def line(self) -> Device | None:
        """The box or track whose pattern is typed; None until its digit is."""
        if self.of != "pattern" or not self.typed:
            return None
        return numbered_line(self._session, int(self.typed[0]), paged=True)

    @property
    def digits(self) -> str:
        """What is typed of the number itself."""
        typed = self.typed or ""
        return typed[1:] if self.of == "pattern" and self.line is not None else typed

    def follow(self, section: str) -> None:
        """What is typed and not used is gone when its section is over."""
        if self.typed is not None and section != self._since:
            self.typed = None

    def go(self, at: LaunchAt = "bar") -> None:
        """Go to the typed scene or song, on the next bar or at once, or start there where nothing
        runs."""
        layout = self._session.derived.layout()
        names = self.named(layout) if layout is not None else []
        line, typed, self.typed = self.line, self.digits, None
        if not typed or not 1 <= int(typed) <= len(names):
            if typed:
                self._session.say("warn", tr("There is no {of} {typed}.", of=self.of, typed=typed))
            return
        found = names[int(typed) - 1][0]
        if brings(self.of):
            self.out.bring(self.of, found, at)
            return
        if self.of == "pattern":
            if line is not None:
                self._session.performer.swap(line.id, found, _SWAP_AT.get(at, "bar"))
            return
        if self.of == "song":
            self._session.performer.launch_song(found, at)
        elif self._session.running:
            self._session.performer.launch(found, at)
        else:
            self._session.selection.section, self._session.selection.tick = found, None
            self._session.performer.run_here()

    def scene(self, number: int) -> None:
        """Launch the scene of a number of the bank that is shown."""
        self._jump("scene", number)

    def song(self, number: int) -> None:
        """Take the song of a number of the set."""
        self._jump("song", number)

    def _jump(self, what: NumberOf, number: int) -> None:
        self._type(what)
        self.typed = str(number)
        self.go()

    def digit(self, number: int) -> None:
        """Type a digit of what was asked for."""
        typed = self.typed
        if typed is not None and len(typed) < 4:
            self.typed = (typed + str(number)).lstrip("0")
