"""Standard MIDI Files: a song out as type 1, through `mido`. Loops are in `midi_loops`.

The division is 960 ticks a quarter note. A tempo is written as whole
microseconds a quarter note, as the file format wants it; a ramp as a step
every sixteenth, each with the tempo that makes that sixteenth last as long
as in the ramp, so that the error does not add up.
"""

from __future__ import annotations

import io
from collections import defaultdict
from typing import Any

import mido

from grebe.core.player.events import ControlChange, Due, NoteOff, NoteOn, SectionStarts, TempoChange
from grebe.core.player.plan import Plan
from grebe.core.player.whole import song_events
from grebe.core.songs.layout import Layout
from grebe.core.time.tempo import TempoMap
from grebe.core.time.ticks import SIXTEENTH_TICKS, TICKS_PER_QUARTER

DIVISION = 960
_TICKS = TICKS_PER_QUARTER // DIVISION

GM_DRUMS = {
    35: "Low kick", 36: "Kick", 37: "Side stick", 38: "Snare", 39: "Clap", 40: "Snare 2",
    41: "Floor tom", 42: "Closed hat", 43: "Floor tom 2", 44: "Pedal hat", 45: "Low tom",
    46: "Open hat", 47: "Mid tom", 48: "High-mid tom", 49: "Crash", 50: "High tom",
    51: "Ride", 56: "Cowbell",
}  # fmt: skip
"""Short names for General MIDI level 1 percussion notes."""


def song_to_midi(plan: Plan) -> mido.MidiFile:
    """A song as a type 1 file: conductor track (tempo, metre, markers), then a track a device."""
    layout = plan.layout()
    events = song_events(plan)
    file = file_of(_conductor(plan, layout, events))
    per_device: dict[str, list[tuple[int, Any]]] = defaultdict(list)
    for tick, device, event in events:
        if isinstance(event, NoteOn):
            message = mido.Message(
                "note_on", channel=event.channel - 1, note=event.note, velocity=event.velocity
            )
            per_device[device].append((file_tick(tick), message))
        elif isinstance(event, NoteOff):
            message = mido.Message(
                "note_off", channel=event.channel - 1, note=event.note, velocity=64
            )
            per_device[device].append((file_tick(tick), message))
        elif isinstance(event, ControlChange):
            message = mido.Message(
                "control_change",
                channel=event.channel - 1,
                control=event.controller,
                value=event.value,
            )
            per_device[device].append((file_tick(tick), message))
    end = file_tick(layout.ticks)
    busy = {pattern.device for pattern in plan.patterns}
    for box in (line for line in plan.lines if line.id in busy):
        file.tracks.append(track_of(box.name, per_device[box.id], end))
    return file


def conductor_to_midi(plan: Plan) -> mido.MidiFile:
    """A song's conductor track alone: tempo, metre, markers."""
    return file_of(_conductor(plan, plan.layout(), song_events(plan)))


def file_of(track: mido.MidiTrack) -> mido.MidiFile:
    """A type 1 file that begins with a conductor track."""
    return mido.MidiFile(type=1, ticks_per_beat=DIVISION, charset="utf-8", tracks=[track])


def midi_bytes(file: mido.MidiFile) -> bytes:
    """The file's bytes."""
    buffer = io.BytesIO()
    file.save(file=buffer)
    return buffer.getvalue()


def file_tick(tick: int) -> int:
    """A tick in the file's division, rounded."""
    return max(0, (tick + _TICKS // 2) // _TICKS)


def _conductor(plan: Plan, layout: Layout, events: list[Due]) -> mido.MidiTrack:
    rows: list[tuple[int, Any]] = []
    tempo = layout.tempo
    meter = None
    for tick, _, event in events:
        if isinstance(event, SectionStarts):
            span = layout.spans[layout.index_at(tick)]
            rows.append((file_tick(tick), mido.MetaMessage("marker", text=span.scene.name)))
            if span.scene.meter != meter:
                meter = span.scene.meter
                rows.append(
                    (
                        file_tick(tick),
                        mido.MetaMessage(
                            "time_signature", numerator=meter.beats, denominator=meter.unit
                        ),
                    )
                )
        elif isinstance(event, TempoChange):
            rows += _tempo_rows(tempo, max(0, tick), max(0, event.point.ramp_ticks))
    for span in layout.spans:
        rows += [
            (
                file_tick(span.tick + m.at * SIXTEENTH_TICKS),
                mido.MetaMessage("marker", text=m.name),
            )
            for m in span.section.markers
            if m.at * SIXTEENTH_TICKS < span.ticks
        ]
    once = {
        (at, m.type, getattr(m, "tempo", None), getattr(m, "text", None)): (at, m) for at, m in rows
    }
    return track_of(plan.song.name, list(once.values()), file_tick(layout.ticks))


def _tempo_rows(tempo: TempoMap, start: int, ramp: int) -> list[tuple[int, Any]]:
    rows: list[tuple[int, Any]] = []
    written = tempo.seconds_at(start)
    for at in range(start, start + ramp, SIXTEENTH_TICKS):
        # What is left over from rounding goes into the next sixteenth.
        wanted = tempo.seconds_at(at + SIXTEENTH_TICKS) - written
        micros = round(wanted * 4 * 1e6)
        written += micros / 4e6
        rows.append((file_tick(at), mido.MetaMessage("set_tempo", tempo=micros)))
    final = round(60e6 / tempo.bpm_at(start + ramp))
    rows.append((file_tick(start + ramp), mido.MetaMessage("set_tempo", tempo=final)))
    return rows


def track_of(name: str, rows: list[tuple[int, Any]], end: int) -> mido.MidiTrack:
    """A track of (tick of the file, message), stable where they fall together; the messages, each
    in one row, are given their times."""
    track = mido.MidiTrack()
    track.append(mido.MetaMessage("track_name", name=name, time=0))
    now = 0
    for tick, message in sorted(rows, key=lambda row: row[0]):  # stable: keeps offs before ons
        message.time = tick - now
        track.append(message)
        now = tick
    track.append(mido.MetaMessage("end_of_track", time=max(0, end - now)))
    return track
