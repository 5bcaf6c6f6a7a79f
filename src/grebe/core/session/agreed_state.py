"""What this peer takes the session to have agreed on: tempo and phase, running or not.

The word with the greater (revision, author) counts. That of somebody who is not accepted here is
kept beside it until the performer says so.
"""

from __future__ import annotations

from grebe.core.session.shared import (
    MICRO,
    NEVER_RUN,
    AgreedTempo,
    BeatLine,
    Running,
    limited_bpm,
    next_revision,
)


class AgreedState:
    """The line of beats, whether the session runs, and what others would have otherwise."""

    def __init__(self, peer_id: int, bpm: float, quantum_beats: int) -> None:
        self._id = peer_id
        self.line = BeatLine(
            AgreedTempo(0, 0, round(limited_bpm(bpm) * MICRO), quantum_beats, 0, peer_id)
        )
        """Beats over session time."""
        self.running = NEVER_RUN
        self._asked: dict[int, AgreedTempo] = {}
        """By author, tempi that wait to be accepted."""
        self._asked_run: dict[int, Running] = {}

    @property
    def tempo(self) -> AgreedTempo:
        """The tempo that is, or will shortly be, the session's."""
        return self.line.last

    def begin(self, bpm: float, quantum_beats: int, passed_ns: int) -> None:
        """A session begins here, so long after a bar of what plays did."""
        micro = round(limited_bpm(bpm) * MICRO)
        beat = round(passed_ns / 60e9 * limited_bpm(bpm) * MICRO) % (quantum_beats * MICRO)
        self.line = BeatLine(AgreedTempo(0, beat, micro, quantum_beats, 1, self._id))

    def join(self, tempo: AgreedTempo, running: Running) -> None:
        """Another session's word is ours from now on."""
        self.line, self.running = BeatLine(tempo), running
        self._asked.clear()
        self._asked_run.clear()

    def say_tempo(self, bpm: float, quantum_beats: int, origin_ns: float) -> None:
        """Our word on tempo and span from a session time on, later than any that has been said."""
        origin = round(self.line.beat_at(origin_ns) * MICRO)
        revision = next_revision(self.tempo.revision, (t.revision for t in self._asked.values()))
        micro = round(limited_bpm(bpm) * MICRO)
        self.line.take(
            AgreedTempo(round(origin_ns), origin, micro, quantum_beats, revision, self._id)
        )
        self._asked.clear()

    def say_running(self, *, running: bool, at: int) -> None:
        """Our word on running, from a beat on (in millionths of a quarter note)."""
        asked = (r.revision for r in self._asked_run.values())
        revision = next_revision(self.running.revision, asked)
        self.running = Running(running, at, revision, self._id)
        self._asked_run.clear()

    def hear_tempo(self, tempo: AgreedTempo, *, counts: bool) -> None:
        """Somebody's word on the tempo; `counts` where its author is accepted."""
        if tempo.rank <= self.tempo.rank:
            return
        if counts:
            self.line.take(tempo)
        elif tempo.rank > self._asked.get(tempo.author, self.tempo).rank:
            self._asked[tempo.author] = tempo

    def hear_running(self, running: Running, *, counts: bool) -> None:
        """Somebody's word on running."""
        if running.rank <= self.running.rank:
            return
        if counts:
            self.running = running
        else:
            self._asked_run[running.author] = running

    def accept(self, author: int) -> None:
        """What an author has said counts after all."""
        tempo, running = self._asked.pop(author, None), self._asked_run.pop(author, None)
        if tempo is not None:
            self.hear_tempo(tempo, counts=True)
        if running is not None:
            self.hear_running(running, counts=True)

    def forget(self, author: int) -> None:
        """An author has gone: nothing of theirs waits any more."""
        self._asked.pop(author, None)
        self._asked_run.pop(author, None)

    def asked_bpm(self, author: int) -> float:
        """The tempo that a peer would have and that waits to be accepted; 0 for none."""
        asked = self._asked.get(author)
        return asked.bpm if asked is not None and asked.rank > self.tempo.rank else 0.0
