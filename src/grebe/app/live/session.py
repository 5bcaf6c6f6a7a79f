"""One window's performance, without Qt: the document, the engine, and what is asked of them.

A session holds its parts and introduces them to each other; each does one thing.
"""

from __future__ import annotations

from collections.abc import Callable

from grebe.app.actions.keymap import told
from grebe.app.carrying import Board, OwnBoard
from grebe.app.document.store import Store
from grebe.app.engine.link import EngineLink, Level, Link, LinkOwner
from grebe.app.engine.plan_feed import PlanFeed
from grebe.app.engine.process_watch import ProcessWatch
from grebe.app.gear import GearShelf
from grebe.app.live.channel_search import ChannelSearch
from grebe.app.live.checking import Checking
from grebe.app.live.derived import Derived
from grebe.app.live.drifting import Drifting
from grebe.app.live.hands import Hands
from grebe.app.live.hearing import Hearing
from grebe.app.live.learning import Learning
from grebe.app.live.looping import Looping
from grebe.app.live.networking import Networking
from grebe.app.live.notices import Notices
from grebe.app.live.own_timing import OwnTiming
from grebe.app.live.performance import PerformanceLog
from grebe.app.live.performer import PerformerCommands
from grebe.app.live.played import PlayedMemory
from grebe.app.live.position import Position
from grebe.app.live.probing import Probings
from grebe.app.live.run_diary import RunDiary
from grebe.app.live.selection import Selection
from grebe.app.live.stage_state import StageState
from grebe.app.live.teaching import TeachingRun
from grebe.app.live.tempo import TempoControl
from grebe.app.log.book import LogBook
from grebe.app.log.past import PastReader
from grebe.core.document import Project
from grebe.core.gear.known import firmware_of
from grebe.core.songs.model import Song
from grebe.core.time.ticks import TICKS_PER_QUARTER
from grebe.protocols.link.messages import (
    FromEngine,
    Learned,
    Loaded,
    Notice,
    Pressed,
    Stale,
    Status,
    Welcome,
)
from grebe.words import tr

LAUNCHES = ("next_in", "next_end", "cut")


class Session:
    """The document and the engine behind one window."""

    def __init__(self, store: Store, connect: Callable[[LinkOwner], Link] = EngineLink) -> None:
        """`connect` makes the link to an engine; a stage that is only shown has another."""
        self.store = store
        self.selection = Selection(store)
        """The song or set in hand."""
        self.derived = Derived(store, self.selection)
        """What follows from the document."""
        self.gear = GearShelf()
        """What the performer knows of gear."""
        self.derived.know(self.gear.library)
        self.log = LogBook(
            firmware=lambda row: firmware_of(self.gear.library, row.box, row.profile)
        )
        """What happened, run by run."""
        self._past = PastReader(self.log)
        self.position = Position(store, self.selection, self.derived)
        """Where the song is."""
        self.board: Board = OwnBoard()
        """Where what is copied lies; a window has the desktop's."""
        self.notices = Notices(self._place)
        """What the performer is told."""
        self.link = connect(self)
        """The engine."""
        self.feed = PlanFeed(store, self.selection, self.link, self.say, self._plan_sent)
        """What it plays."""
        self.processes = ProcessWatch(store)
        """What runs beside it."""
        self.memory = PlayedMemory()
        """What was played in during the last minutes."""
        self.performance = PerformanceLog()
        """How the song was played last."""
        self.stage = StageState()
        self.generator_values: dict[str, dict[str, str]] = {}
        """The numbers that each generator of patterns was given last, by its name."""
        self.learning = Learning(store, self.link, self.notices)
        """Presses learnt for Stage."""
        self.hands = Hands(store, self.link)
        self.network = Networking(store, self.link, self.notices, self.selection, self.position)
        """Other computers, and OSC."""
        self.teaching = TeachingRun(store, self.link, self.feed, self.position)
        """A pattern that is taught to a box."""
        self.performer = PerformerCommands(
            self.link, self.feed, self.notices, selection=self.selection, derived=self.derived,
            position=self.position, network=self.network, teaching=self.teaching,
        )  # fmt: skip
        """Run, launch, hold, mute."""
        self.looping = Looping(store, self.link, self.notices, self.selection, self.position)
        """What is set for loops."""
        self.tempo = TempoControl(
            store, self.link, self.feed, self.notices, selection=self.selection,
            position=self.position, network=self.network, looping=self.looping,
        )  # fmt: skip
        """The tempo by keys, taps and a push."""
        self.looping.take_tempo = self.tempo.take
        self.hearing = Hearing(store, self.notices, self.position)
        """Boxes heard by their sound."""
        self.checking = Checking(
            store, self.link, self.notices, self.position, self.performer.run_stop,
            self.hearing, self.log,
        )  # fmt: skip
        """What boxes are heard to do."""
        self.probings = Probings(store, self.notices, self.position, self.checking.end, self.log)
        """What boxes obey, found out."""
        self.channel_search = ChannelSearch(
            store, self.link, self.notices, self.position, self.hearing, self.performer.run_stop
        )
        """Whose channel is which."""
        self.own_timing = OwnTiming(store, self.position, self.hearing)
        """How the performer lies on the beat."""
        self.drifting = Drifting(store, self.notices, self.position, self.hearing, self.log)
        """What moves against the beat while it plays."""
        self.diary = RunDiary(store, self.selection, self.derived, self.log)
        """The run as it goes."""
        self.selection.running = lambda: self.running
        self.selection.taken = self._something_else_in_hand
        store.listen(self._document_changed)

    # What views read most

    @property
    def project(self) -> Project:
        """The document as it stands."""
        return self.store.project

    @property
    def song(self) -> Song | None:
        """The song in hand; None in a project without songs."""
        return self.selection.song

    @property
    def status(self) -> Status | None:
        """The engine's last word, in the words of the song in hand."""
        return self.position.status

    @property
    def running(self) -> bool:
        """Whether the engine plays."""
        return self.position.running

    @property
    def tempo_scale(self) -> float:
        """What is played, slower for practice: a share of its tempi."""
        return self.tempo.scale

    def say(self, level: Level, text: str) -> None:
        """Something for the performer to read; it goes into the log, too."""
        self.notices.say(level, text)

    # The engine

    @property
    def source(self) -> str:
        """Where the project lies, as the engine is told; "" for one without a file."""
        return self.feed.source

    def pump(self, now_s: float) -> list[FromEngine]:
        """Take in what the engine says, start one where there is none, send what changed."""
        messages = self.link.pump(now_s)
        self.probings.pump()
        self.hearing.quiet("probe", on=self.probings.active is not None)
        self.hearing.pump(now_s)
        self.feed.send_if_changed()
        for words in self.log.take_said():
            self.say("warn", words)
        self.derived.remember(self._past.read(self.project))
        return messages

    def take(self, message: FromEngine, now_s: float) -> None:
        """The engine has said something."""
        if isinstance(message, Status):
            self._take_status(message, now_s)
        elif isinstance(message, Stale):
            self.feed.forget(send=True)
        elif isinstance(message, Notice):
            self.notices.take(message)
        elif isinstance(message, Pressed):
            self.learning.pressed.append(message)
            self.own_timing.pressed(message)
            if message.down and message.action in LAUNCHES:
                self.performer.note_launch(message.at_ns)
        elif isinstance(message, Learned):
            self.learning.learned(message.trigger)
        elif isinstance(message, Loaded) and self.link.state == "on":
            if message.source != self.source:
                self.link.state, self.position.status = "other", None
                self.say(
                    "warn",
                    tr(
                        "The engine has been given {project} by another window.",
                        project=message.project,
                    ),
                )
            else:
                self.selection.loaded(message.song)

    def _take_status(self, status: Status, now_s: float) -> None:
        if self.link.state != "on":
            return  # it speaks of another project: its places mean nothing here
        goes_on = self.running and not self.performer.halted
        status = self.selection.in_own_words(status, goes_on=goes_on)
        self.position.take(status)
        self.performance.take(status.happened)
        self.memory.take(status.played)
        self.network.take(status)
        if status.running:
            self.performer.resuming.section = status.section
        self.processes.mind(status, now_s)
        self.hearing.want("run", on=status.running)
        self.checking.take(status)
        self.drifting.take(status)
        self.diary.take(status)
        self.own_timing.take(status)
        self.channel_search.take(status)

    def starting(self) -> None:
        """An engine is started: so are its stand-ins."""
        self.processes.start_standins()

    def met(self, welcome: Welcome) -> None:
        """An engine is there for this project."""
        self.diary.priority = welcome.priority
        if welcome.running:
            self.selection.attached(welcome)
            self.say("info", tr("Attached to the engine that was already playing."))
        elif welcome.priority == "none":
            self.say(
                "warn",
                tr(
                    "No real-time priority: ticks may be a few ms late under load. Select "
                    "Grebe in Rig to see how to allow it."
                ),
            )
        if self.performer.resuming.section and not welcome.running:
            self.notices.say(
                "warn",
                tr("The engine had ended; another is ready. {run_stop} comes back in on the "
"next bar.", run_stop=told('run_stop')),
                offers="run_stop", over=lambda: self.running,
            )  # fmt: skip
        self.feed.forget()
        self.feed.send()
        self.network.renew()

    def lost(self) -> None:
        """The engine is gone."""
        self.feed.forget()
        self.performer.resuming.lost(self.position.now(), self.position.now_ns())
        self.position.status = None

    def end_engine(self) -> None:
        """End the engine, whoever started it; another is started for this project."""
        if self.link.end_engine():
            self.performer.resuming.forget()
            self.say("info", tr("The engine was ended; a fresh one is starting."))

    def choose_song(self, song_id: str) -> bool:
        """Take another song in hand; not while one plays. Whether it was taken."""
        if self.running:
            self.notices.say(
                "warn", tr("Stop first: another song is loaded only while nothing plays."),
                offers="run_stop", over=lambda: not self.running,
            )  # fmt: skip
            return False
        self.selection.take_song(song_id)
        self._something_else_in_hand()
        return True

    # Between the parts

    def _place(self) -> str:
        beat = self.position.tick_now() / TICKS_PER_QUARTER
        return tr("beat {beat:.1f}", beat=beat) if self.running else ""

    def _something_else_in_hand(self) -> None:
        self.performer.resuming.forget()
        self.feed.send()

    def _plan_sent(self) -> None:
        self.network.document_sent()
        self.checking.tell_again()

    def _document_changed(self, old: Project, new: Project) -> None:
        self.feed.document_changed()
        if old.rig is not new.rig:
            self.network.settings_changed()
        self.selection.document_changed(new)
