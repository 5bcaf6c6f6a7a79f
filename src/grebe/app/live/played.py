"""What was played in during the last minutes, and how it becomes a pattern."""

from __future__ import annotations

from collections import deque
from collections.abc import Iterable
from dataclasses import dataclass
from typing import NamedTuple

from grebe.core.patterns.capture import (
    Played,
    Taken,
    Turned,
    content_from,
    lanes_from,
    played_grid,
    repeats,
)
from grebe.core.patterns.jam import JamTempo, jam_tempo
from grebe.core.patterns.keys import RankedKey, rank_keys
from grebe.core.patterns.model import Content, ControlLane
from grebe.core.rig.model import Device
from grebe.core.time.ticks import TICKS_PER_QUARTER, NoteValue
from grebe.core.units import DRUM_CHANNEL
from grebe.protocols.link.messages import PlayedIn
from grebe.words import tr

KEPT_NS = 10 * 60 * 1_000_000_000
"""Ten minutes."""
MAX_NOTES = 20_000
PAUSE_NS = 8_000_000_000
"""Stopped, a longer silence begins another take."""
OPEN_NS = 250_000_000
"""A note whose end has not come yet is taken as so long."""


@dataclass
class Remembered:
    """One note."""

    device: str
    note: int
    velocity: int
    channel: int
    at_ns: int
    tick: float | None
    end_ns: int | None = None


class Knob(NamedTuple):
    """One controller value."""

    device: str
    controller: int
    value: int
    tick: float | None


class CaptureProposal(NamedTuple):
    """What a capture would be, unless the performer says otherwise."""

    bars: int
    rate: str
    swing: float
    """As played, in percent."""
    notes: int
    nearly: int = 0
    """So many fewer bars nearly repeat; 0 where none do."""


class PlayedMemory:
    """The last ten minutes of notes, with their places."""

    def __init__(self) -> None:
        self.notes: deque[Remembered] = deque(maxlen=MAX_NOTES)
        self.knobs: deque[Knob] = deque(maxlen=MAX_NOTES)
        """Controllers that were moved, along with what plays."""
        self.fresh: list[Remembered | Knob] = []
        """What came in since this was emptied last, for whoever writes along."""

    def take(self, played: Iterable[PlayedIn]) -> None:
        """More has been played."""
        for row in played:
            kind, channel = row.status & 0xF0, (row.status & 0x0F) + 1
            if kind == 0xB0:
                knob = Knob(row.device, row.first, row.second, row.tick)
                self.knobs.append(knob)
                self.fresh.append(knob)
            elif kind == 0x90 and row.second:
                note = Remembered(row.device, row.first, row.second, channel, row.at_ns, row.tick)
                self.notes.append(note)
                self.fresh.append(note)
            else:
                for note in reversed(self.notes):
                    if (note.device, note.note, note.channel) == (row.device, row.first, channel):
                        note.end_ns = note.end_ns or row.at_ns
                        break
        while self.notes and self.notes[-1].at_ns - self.notes[0].at_ns > KEPT_NS:
            self.notes.popleft()
        del self.fresh[:-MAX_NOTES]

    def take_fresh(self) -> list[Remembered | Knob]:
        """What came in since the last call."""
        fresh, self.fresh = self.fresh, []
        return fresh

    def devices(self) -> tuple[str, ...]:
        """Devices that something was played on, the latest last."""
        return tuple(dict.fromkeys(note.device for note in self.notes))

    def line(
        self, device: str, bpm: float, bar_beats: float, origin_tick: int = 0
    ) -> tuple[list[Played], float]:
        """Notes of a device ("" is all) in quarter notes, and where the last whole bar ends.

        Played along, they lie where they fell in the song, bars counting from
        `origin_tick`; played while stopped the first of a take is a downbeat.
        """
        taken = self._last_take(device)
        if not taken:
            return [], 0.0
        beat_ns = 60e9 / bpm
        first_ns = taken[0].at_ns
        out: list[Played] = []
        for note in taken:
            if note.tick is not None:
                start = (note.tick - origin_tick) / TICKS_PER_QUARTER
            else:
                start = (note.at_ns - first_ns) / beat_ns
            held = (note.end_ns or note.at_ns + OPEN_NS) - note.at_ns
            out.append(Played(start, held / beat_ns, note.note, note.velocity, note.channel))
        last = max(n.start for n in out)
        end = (int((last + 0.125) // bar_beats) + 1) * bar_beats
        return out, end

    def tempo(self, device: str) -> JamTempo | None:
        """The tempo that was played in while nothing ran; None where something did, or there is
        none to be heard."""
        taken = self._last_take(device)
        if not taken or taken[-1].tick is not None:
            return None
        return jam_tempo([n.at_ns / 1e9 for n in taken])

    def _last_take(self, device: str) -> list[Remembered]:
        """The last notes of a device ("" is all) that belong together, in order."""
        rows = [n for n in self.notes if device in ("", n.device)]
        along = bool(rows) and rows[-1].tick is not None
        taken: list[Remembered] = []
        for note in reversed(rows):
            if (note.tick is not None) != along:
                break
            if not along and taken and taken[-1].at_ns - note.at_ns > PAUSE_NS:
                break
            if along and taken and (note.tick or 0) > (taken[-1].tick or 0) + TICKS_PER_QUARTER:
                break  # another run of the song
            taken.append(note)
        return taken[::-1]

    def key_ranking(self, since_ns: int) -> tuple[RankedKey, ...]:
        """Keys of what was played from a time on, longer notes weighing more; drums left out."""
        weights: dict[int, float] = {}
        for note in self.notes:
            if note.at_ns >= since_ns and note.channel != DRUM_CHANNEL:
                held = (note.end_ns or note.at_ns + OPEN_NS) - note.at_ns
                weights[note.note] = weights.get(note.note, 0.0) + held / 1e9
        return rank_keys(weights) if weights else ()

    def knob_lanes(
        self, device: str, origin_tick: int, end: float, beats: float, rate: NoteValue
    ) -> tuple[ControlLane, ...]:
        """What controllers of a device ("" is all) did in the last `beats` quarter notes before
        `end`, both counted from `origin_tick`: a lane each, the last value of every step."""
        begins = origin_tick + (end - beats) * TICKS_PER_QUARTER
        turns = (
            Turned((k.tick - begins) / TICKS_PER_QUARTER, k.controller, k.value)
            for k in self.knobs
            if k.tick is not None and device in ("", k.device)
        )
        return lanes_from(turns, beats, rate)


def propose(notes: list[Played], end: float, bar_beats: float) -> CaptureProposal:
    """Length, grid and swing of what was played."""
    found = repeats(notes, bar_beats, end)
    kept = window(notes, end, found.bars * bar_beats)
    rate, swing = played_grid([n.start for n in kept])
    return CaptureProposal(found.bars, rate, swing, len(kept), found.nearly)


def window(notes: list[Played], end: float, beats: float) -> list[Played]:
    """Notes of the last `beats` before `end`, told from its beginning.

    One that falls just before the window was meant for its first step.
    """
    begin = end - beats
    return [
        n._replace(start=n.start - begin) for n in notes if begin - 0.125 <= n.start < end - 0.0625
    ]


def captured(
    notes: list[Played], end: float, bar_beats: float, bars: int, how: Taken, device: Device
) -> Content:
    """The pattern of the last `bars` bars."""
    beats = bars * bar_beats
    names = {v.note: v.name for v in device.spec.voices}
    return content_from(
        window(notes, end, beats),
        beats,
        how,
        lambda note: names.get(note) or tr("Note {note}", note=note),
    )
