"""Standard MIDI Files: a song out as type 1, a drum loop in as a pattern. Through `mido`.

The division is 960 ticks a quarter note. A tempo is written as whole
microseconds a quarter note, as the file format wants it; a ramp as a step
every sixteenth, each with the tempo that makes that sixteenth last as long
as in the ramp, so that the error does not add up.
"""

from __future__ import annotations

import io
import re
from collections import defaultdict
from collections.abc import Iterable
from pathlib import Path
from typing import Any

import mido

from grebe.core.patterns.model import Content, Hit, Pattern, Voice
from grebe.core.player.commands import Begin
from grebe.core.player.events import Due, NoteOff, NoteOn, SectionStarts, Tempo
from grebe.core.player.plan import Plan, played_by_grebe
from grebe.core.player.player import Player
from grebe.core.songs.layout import Layout
from grebe.core.time.tempo import TempoMap
from grebe.core.time.ticks import SIXTEENTH_TICKS, TICKS_PER_QUARTER
from grebe.core.units import MAX_STEPS
from grebe.errors import MidiFileError
from grebe.formats.reading import read_bounded

DIVISION = 960
_TICKS = TICKS_PER_QUARTER // DIVISION
MAX_FILE_BYTES = 16 * 1024 * 1024

GM_DRUMS = {
    35: "Low kick", 36: "Kick", 37: "Side stick", 38: "Snare", 39: "Clap", 40: "Snare 2",
    41: "Floor tom", 42: "Closed hat", 43: "Floor tom 2", 44: "Pedal hat", 45: "Low tom",
    46: "Open hat", 47: "Mid tom", 48: "High-mid tom", 49: "Crash", 50: "High tom",
    51: "Ride", 56: "Cowbell",
}  # fmt: skip
"""Short names for General MIDI level 1 percussion notes."""


def song_events(plan: Plan) -> list[Due]:
    """Everything heard in a song from top to end, boxes' own patterns included."""
    player = Player(played_by_grebe(plan))
    out = player.apply(Begin())
    length = player.plan.layout().ticks
    while player.running:
        out += player.advance(player.tick + length)
    return out


def song_to_midi(plan: Plan) -> mido.MidiFile:
    """A song as a type 1 file: conductor track (tempo, metre, markers), then a track a device."""
    layout = plan.layout()
    events = song_events(plan)
    file = mido.MidiFile(type=1, ticks_per_beat=DIVISION, charset="utf-8")
    file.tracks.append(_conductor(plan, layout, events))
    per_device: dict[str, list[tuple[int, Any]]] = defaultdict(list)
    for tick, device, event in events:
        if isinstance(event, NoteOn):
            message = mido.Message(
                "note_on", channel=event.channel - 1, note=event.note, velocity=event.velocity
            )
            per_device[device].append((_file_tick(tick), message))
        elif isinstance(event, NoteOff):
            message = mido.Message(
                "note_off", channel=event.channel - 1, note=event.note, velocity=64
            )
            per_device[device].append((_file_tick(tick), message))
    end = _file_tick(layout.ticks)
    busy = {pattern.device for pattern in plan.patterns}
    for box in (device for device in plan.devices if device.id in busy):
        file.tracks.append(_track(box.name, per_device[box.id], end))
    return file


def midi_bytes(file: mido.MidiFile) -> bytes:
    """The file's bytes."""
    buffer = io.BytesIO()
    file.save(file=buffer)
    return buffer.getvalue()


def read_pattern(path: Path, device: str, pattern_id: str) -> Pattern:
    """Read a MIDI file's notes as a pattern of sixteenths, a voice for each note number.

    A file whose hits lie closer to eighth triplets becomes a pattern of
    those. The length is filled up to whole bars of the file's first metre.
    MidiFileError says what is wrong with the file.
    """
    data = read_bounded(path, MAX_FILE_BYTES, "a loop", MidiFileError)
    return parse_pattern(data, str(path), device, pattern_id, Path(path).stem)


def parse_pattern(data: bytes, name: str, device: str, pattern_id: str, title: str) -> Pattern:
    """As `read_pattern`, from bytes; `name` is what messages call the file."""
    try:
        file = mido.MidiFile(file=io.BytesIO(data))
        if file.type == 2:
            raise MidiFileError(
                f"{name} is a type 2 file, a bundle of separate sequences. "
                "Save the loop as type 0 or 1."
            )
        if not 1 <= file.ticks_per_beat < 0x8000:
            raise MidiFileError(
                f"{name} counts in film frames (SMPTE), not in beats. Save it with a beat division."
            )
        notes, bar = _notes(file)
    except MidiFileError:
        raise
    except Exception as error:  # mido lets five kinds of exception out of a broken file
        reason = str(error) or type(error).__name__
        raise MidiFileError(
            f"{name} is not a whole MIDI file ({reason}). Save it again from where it was made."
        ) from error
    if not notes:
        raise MidiFileError(f"{name} holds no notes. Choose a file with a loop in it.")
    return _pattern_of(notes, bar, device, pattern_id, title[:80] or "Loop")


_Note = tuple[float, float, int, int]  # start and length in quarter notes, note, velocity


def _notes(file: mido.MidiFile) -> tuple[list[_Note], float]:
    """Notes, and the length of a bar in quarter notes."""
    open_notes: dict[tuple[int, int], tuple[int, int]] = {}
    notes: list[_Note] = []
    bar = 4.0
    tick = 0
    for message in mido.merge_tracks(file.tracks):
        tick += message.time
        if message.type == "time_signature":
            bar = message.numerator * 4.0 / message.denominator
        elif message.type in ("note_on", "note_off"):
            key = (message.channel, message.note)
            if key in open_notes:
                start, velocity = open_notes.pop(key)
                length = (tick - start) / file.ticks_per_beat
                notes.append((start / file.ticks_per_beat, length, message.note, velocity))
            if message.type == "note_on" and message.velocity:
                open_notes[key] = (tick, message.velocity)
    for (_, note), (start, velocity) in open_notes.items():
        notes.append((start / file.ticks_per_beat, 0.125, note, velocity))
    return sorted(notes), bar


def _pattern_of(
    notes: list[_Note], bar: float, device: str, pattern_id: str, title: str
) -> Pattern:
    rate, steps_a_quarter = min(
        (("1/16", 4), ("1/8t", 3)), key=lambda grid: (_distance(notes, grid[1]), -grid[1])
    )
    last = max(round(start * steps_a_quarter) for start, *_ in notes)
    steps_a_bar = max(1, round(bar * steps_a_quarter))
    length = min(
        MAX_STEPS // steps_a_bar * steps_a_bar or MAX_STEPS, (last // steps_a_bar + 1) * steps_a_bar
    )
    rows: dict[int, dict[int, Hit]] = defaultdict(dict)
    for start, held, note, velocity in notes:
        step = round(start * steps_a_quarter)
        if step < length:
            gate = min(25_600, max(1, round(held * steps_a_quarter * 100)))
            rows[note][step] = Hit(step=step, velocity=velocity, gate=gate)
    voices = tuple(
        Voice(
            id=f"n{note}",
            name=GM_DRUMS.get(note, f"Note {note}"),
            note=note,
            length=length,
            rate=rate,
            hits=tuple(hits[step] for step in sorted(hits)),
        )
        for note, hits in sorted(rows.items())
    )
    content = Content(length=length, rate=rate, voices=voices)
    return Pattern(id=pattern_id, name=title, device=device, content=content)


def _distance(notes: Iterable[_Note], steps_a_quarter: int) -> float:
    """Mean distance of the note starts from a grid, in quarter notes."""
    starts = [start for start, *_ in notes]
    return round(
        sum(abs(s - round(s * steps_a_quarter) / steps_a_quarter) for s in starts) / len(starts), 6
    )


def _file_tick(tick: int) -> int:
    return max(0, (tick + _TICKS // 2) // _TICKS)


def _conductor(plan: Plan, layout: Layout, events: list[Due]) -> mido.MidiTrack:
    rows: list[tuple[int, Any]] = []
    tempo = layout.tempo
    meter = None
    for tick, _, event in events:
        if isinstance(event, SectionStarts):
            span = layout.spans[layout.index_at(tick)]
            rows.append((_file_tick(tick), mido.MetaMessage("marker", text=span.scene.name)))
            if span.scene.meter != meter:
                meter = span.scene.meter
                rows.append(
                    (
                        _file_tick(tick),
                        mido.MetaMessage(
                            "time_signature", numerator=meter.beats, denominator=meter.unit
                        ),
                    )
                )
        elif isinstance(event, Tempo):
            rows += _tempo_rows(tempo, max(0, tick), max(0, event.point.ramp_ticks))
    once = {(at, m.type, getattr(m, "tempo", None)): (at, m) for at, m in rows}
    return _track(plan.song.name, list(once.values()), _file_tick(layout.ticks))


def _tempo_rows(tempo: TempoMap, start: int, ramp: int) -> list[tuple[int, Any]]:
    rows: list[tuple[int, Any]] = []
    written = tempo.seconds_at(start)
    for at in range(start, start + ramp, SIXTEENTH_TICKS):
        # What is left over from rounding goes into the next sixteenth.
        wanted = tempo.seconds_at(at + SIXTEENTH_TICKS) - written
        micros = round(wanted * 4 * 1e6)
        written += micros / 4e6
        rows.append((_file_tick(at), mido.MetaMessage("set_tempo", tempo=micros)))
    final = round(60e6 / tempo.bpm_at(start + ramp))
    rows.append((_file_tick(start + ramp), mido.MetaMessage("set_tempo", tempo=final)))
    return rows


def _track(name: str, rows: list[tuple[int, Any]], end: int) -> mido.MidiTrack:
    track = mido.MidiTrack()
    track.append(mido.MetaMessage("track_name", name=name, time=0))
    now = 0
    for tick, message in sorted(rows, key=lambda row: row[0]):  # stable: keeps offs before ons
        track.append(message.copy(time=tick - now))
        now = tick
    track.append(mido.MetaMessage("end_of_track", time=max(0, end - now)))
    return track


def file_name(text: str) -> str:
    """A name safe for a file: letters, digits, hyphens."""
    return re.sub(r"[^a-z0-9]+", "-", text.lower()).strip("-") or "song"
