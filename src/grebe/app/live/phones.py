"""Stage on phones: a process that serves it, who asks to see it, what is shown. Without Qt."""

from __future__ import annotations

import secrets
import subprocess
from typing import Any

import msgspec

from grebe.app.live.position import raw_now_ns
from grebe.app.live.session import Session
from grebe.app.live.stage_model import StageModel
from grebe.core.time.ticks import TICKS_PER_QUARTER
from grebe.process import children
from grebe.process.told_lines import ToldLines
from grebe.words import tr

LETTERS = "acdefhjkmnprtuvwxy347"
"""Without those that are taken for one another."""
WORD_LONG = 6
EVERY_S = 0.1
ENDING_S = 1.0


class PhoneRow(msgspec.Struct, frozen=True):
    """A phone that said the word."""

    number: int
    address: str
    accepted: bool


class Phones:
    """Off until it is asked for; nothing is kept of it."""

    def __init__(self, session: Session, book: StageModel) -> None:
        self._session, self._book = session, book
        self._process: subprocess.Popen[bytes] | None = None
        self._lines: ToldLines | None = None
        self._told_s = 0.0
        self.word = ""
        self.urls: list[str] = []
        self.rows: list[PhoneRow] = []
        self.problem = ""

    @property
    def on(self) -> bool:
        """Whether it is served."""
        return self._process is not None

    @property
    def link(self) -> str:
        """What the code to be scanned says; "" while nothing is served."""
        return f"{self.urls[0]}#{self.word}" if self.urls else ""

    @property
    def waiting(self) -> list[PhoneRow]:
        """Those that have still to be accepted."""
        return [row for row in self.rows if not row.accepted]

    def start(self) -> None:
        """Serve it, under a new word."""
        self.stop()
        self.word = "".join(secrets.choice(LETTERS) for _ in range(WORD_LONG))
        self.problem = ""
        pipe = subprocess.PIPE
        self._process = children.start(children.PHONE, stdin=pipe, stdout=pipe)
        self._lines = ToldLines(self._process)
        self._say(self.word.encode() + b"\n")

    def stop(self) -> None:
        """Serve no longer; nobody sees anything any more."""
        process, self._process, self._lines = self._process, None, None
        self.urls, self.rows = [], []
        if process is None:
            return
        children.end_input(process)
        children.wait_or_kill(process, ENDING_S)
        children.close_pipes(process)

    def accept(self, number: int, *, accepts: bool = True) -> None:
        """Let a phone see it, or send it away."""
        self._tell({"accept" if accepts else "refuse": number})

    def follow(self, now_s: float) -> bool:
        """Take in what the process says, and tell it what is shown; whether who sees it changed."""
        if self._lines is None:
            return False
        said = self._lines.read()
        if said is None:
            problem = self.problem or tr("what serves the phones has ended")
            self.stop()
            self.problem = problem
            return True
        for row in said:
            self.problem = row.get("problem", self.problem)
            self.urls = row.get("urls", self.urls)
            if "phones" in row:
                self.rows = msgspec.convert(row["phones"], list[PhoneRow])
        if any(row.accepted for row in self.rows) and now_s - self._told_s >= EVERY_S:
            self._told_s = now_s
            self._tell({"state": stage_now(self._session, self._book)})
        return bool(said)

    def _tell(self, row: dict[str, Any]) -> None:
        self._say(msgspec.json.encode(row) + b"\n")

    def _say(self, data: bytes) -> None:
        if self._process is not None:
            children.tell(self._process, data)  # one that has ended: the next look says so


def stage_now(session: Session, book: StageModel) -> dict[str, Any]:
    """What a phone is told: where the song is at a time of CLOCK_MONOTONIC_RAW, what comes, what
    is to do. Beats are counted from the section's first."""
    layout, status, song = session.derived.layout(), session.status, session.song
    at_ns = raw_now_ns()
    told: dict[str, Any] = {
        "running": False, "song": "" if song is None else song.name, "scene": "", "next": "",
        "bars": 0, "beats": 4, "beat": 0.0, "bpm": 0.0, "beat_share": 1.0, "moves": [],
        "boxes": [], "at": at_ns / 1e9,
    }  # fmt: skip
    now = book.now(layout) if layout is not None else None
    if now is None or status is None:
        return told
    meter, name_of = now.span.scene.meter, session.project.rig.name_of
    moves = [
        {"box": name_of(m.device), "words": m.words, "now": book.announced(now, m)}
        for m in book.to_do(now)
    ]  # fmt: skip
    following = "" if now.following is None else now.following.scene.name
    if now.other_song is not None:
        following = f"{now.other_song.name}: {following}"
    return told | {
        "running": True, "scene": now.span.scene.name, "next": following, "bars": now.bars,
        "beats": meter.beats,
        "beat": (session.position.tick_at(at_ns) - status.section_tick) / meter.beat_ticks,
        "bpm": status.bpm, "beat_share": TICKS_PER_QUARTER / meter.beat_ticks, "moves": moves,
        "boxes": [d.name for d in session.project.players],
    }  # fmt: skip
