"""Standard MIDI Files to patterns and back, through `mido`.

Reading keeps what a pattern can hold: swing as swing, the rest as
micro-timing, chords as chords. Writing gives what the pattern sounds like.
"""

from __future__ import annotations

import io
from collections import Counter
from collections.abc import Iterator, Mapping, Sequence
from contextlib import contextmanager, suppress
from pathlib import Path
from typing import Any, NamedTuple

import mido
import msgspec

from grebe.core.arriving import FileTrack, MidiFileTracks
from grebe.core.patterns.capture import (
    Played,
    Taken,
    Turned,
    content_from,
    lanes_from,
    played_grid,
)
from grebe.core.patterns.model import Content, Pattern
from grebe.core.patterns.passes import HELD_TICKS, dice_key, lane_changes, passes_of
from grebe.core.rig.model import Device
from grebe.core.rig.spec import PITCHED_KINDS
from grebe.core.time.meter import Meter, parse_meter
from grebe.core.time.ticks import TICKS_PER_QUARTER, NoteValue, note_value_ticks
from grebe.core.units import DRUM_CHANNEL, MAX_STEPS
from grebe.errors import MidiFileError
from grebe.formats.reading import read_bounded
from grebe.formats.smf import GM_DRUMS, file_of, file_tick, midi_bytes, track_of
from grebe.formats.smf_chunks import in_order
from grebe.words import counted, tr

MAX_FILE_BYTES = 16 * 1024 * 1024
MAX_TRACKS = 256
"""A loop in more tracks than that is something else."""
MAX_READS = 240_000
"""Bytes of events that are read one by one: one to two seconds of a slow computer."""
MAX_BEATS = 100_000.0
"""A note later than that (14 hours at 120 BPM) is a broken time."""
ON_GRID = 0.02
"""Of a step: an end of track so near to one lies on it."""
UNTIED_BEATS = 0.125
"""A note that is never ended lasts this long."""


def read_notes(path: Path) -> list[Played]:
    """All notes of a MIDI file, in quarter notes from its beginning.

    MidiFileError says what is wrong with it.
    """
    data = read_bounded(path, MAX_FILE_BYTES, "a loop", MidiFileError)
    return parse_notes(data, str(path))[0]


class ReadPattern(NamedTuple):
    """A file as a pattern."""

    pattern: Pattern
    lost: tuple[str, ...]
    """What of it a pattern cannot hold, and what had to be put in order, in words."""


def read_pattern(path: Path, device: Device, pattern_id: str) -> ReadPattern:
    """Read a MIDI file as a pattern of a device; MidiFileError says what is wrong with it."""
    data = read_bounded(path, MAX_FILE_BYTES, "a loop", MidiFileError)
    return parse_pattern(data, str(path), device, pattern_id, Path(path).stem)


def parse_notes(data: bytes, name: str) -> tuple[list[Played], float]:
    """Notes of a file in order, and the quarter notes of its first bar; `name` is for messages."""
    file, _ = _parsed(data, name)
    read = _read(file, name, file.tracks)
    return list(read.notes), read.bar


class Events(NamedTuple):
    """What some tracks hold, in quarter notes from the file's beginning."""

    notes: tuple[Played, ...]
    bar: float
    """Of the first bar."""
    turns: tuple[Turned, ...]
    ends: float
    """Where the longest of them ends."""
    left_out: Counter[str]
    """Messages that a pattern cannot hold, by what they are."""


def _parsed(data: bytes, name: str) -> tuple[mido.MidiFile, tuple[str, ...]]:
    """The file, and what had to be put in order before it could be read."""
    made = in_order(data, name)
    _refuse(made.header, name)
    with _whole(name):
        # Clipped: escapes hold bytes over 127, and so do small boxes' mistakes.
        return mido.MidiFile(file=_Bounded(made.data, name), clip=True), made.remarks


def _read(file: mido.MidiFile, name: str, tracks: Any) -> Events:
    with _whole(name):
        return _events(file, name, tracks)


@contextmanager
def _whole(name: str) -> Iterator[None]:
    """What mido makes of a broken file, in words."""
    try:
        yield
    except MidiFileError:
        raise
    except Exception as error:  # mido lets five kinds of exception out of a broken file
        reason = str(error) or type(error).__name__
        raise MidiFileError(
            f"{name} is not a whole MIDI file ({reason}). Save it again from where it was made."
        ) from error


def read_arrival(path: Path) -> MidiFileTracks:
    """A MIDI file track by track; one of type 0 by its channels. MidiFileError says what is wrong
    with it."""
    data = read_bounded(path, MAX_FILE_BYTES, "a song", MidiFileError)
    return parse_arrival(data, str(path), Path(path).stem)


def parse_arrival(data: bytes, name: str, title: str) -> MidiFileTracks:
    """As `read_arrival`, from bytes; `name` is what messages call the file."""
    file, remarks = _parsed(data, name)
    tracks: list[FileTrack] = []
    for number, track in enumerate(file.tracks, start=1):
        tracks += _by_channel(_read(file, name, [track]), track.name.strip(), number)
    if not tracks:
        raise MidiFileError(f"{name} holds no notes. Choose a file with a song in it.")
    lost = (*remarks, *_left_out(_read(file, name, file.tracks).left_out))
    kept = MidiFileTracks(title[:80] or "Song", tuple(tracks), lost=tuple(lost))
    return _over_all(file, kept)


def _by_channel(read: Events, title: str, number: int) -> Iterator[FileTrack]:
    """A track, or one for each channel that it plays on: each may be another box's."""
    channels = sorted({n.channel for n in read.notes})
    for channel in channels:
        words = title or (f"Channel {channel}" if len(channels) > 1 else f"Track {number}")
        if title and len(channels) > 1:
            words = f"{title[:64]}, channel {channel}"
        yield FileTrack(
            words[:80],
            tuple(n for n in read.notes if n.channel == channel),
            tuple(t._replace(channel=0) for t in read.turns if t.channel == channel),
            channel,
        )


def _over_all(file: mido.MidiFile, kept: MidiFileTracks) -> MidiFileTracks:
    """With the metres, tempi and markers of the file."""
    tempi: dict[float, float] = {}
    meters: dict[float, Meter] = {}
    markers: list[tuple[float, str]] = []
    for tick, message in _merged(file.tracks):
        at = tick / file.ticks_per_beat
        if message.type == "set_tempo":
            tempi[at] = 60e6 / max(1, message.tempo)
        elif message.type == "time_signature":
            with suppress(ValueError):
                meters[at] = parse_meter(f"{message.numerator}/{message.denominator}")
        elif message.type in ("marker", "cue_marker") and message.text.strip():
            markers.append((at, message.text.strip()))
    meter, bpm = meters.pop(0.0, Meter()), tempi.pop(0.0, None)
    return kept._replace(
        meter=meter, bpm=bpm, markers=tuple(markers),
        meters=tuple(_at_bars(meter, meters)),
        tempi=tuple((at, b) for at, b in sorted(tempi.items())),
    )  # fmt: skip


def _at_bars(first: Meter, changes: dict[float, Meter]) -> Iterator[tuple[float, Meter]]:
    """Changes to another metre, each on a bar line of the one before: there is none in a bar."""
    begun, now = 0.0, first
    for at, meter in sorted(changes.items()):
        bars = (at - begun) * TICKS_PER_QUARTER / now.bar_ticks
        if meter != now and abs(bars - round(bars)) < ON_GRID:
            begun, now = at, meter
            yield at, meter


def _left_out(counts: Mapping[str, int]) -> list[str]:
    return [
        tr("{count} of {what} left out", count=count, what=what)
        for what, count in sorted(counts.items())
    ]


class _Bounded(io.BytesIO):
    """A file that ends reading when there is more in it than a loop has: `mido` takes it byte by
    byte, some eight of them for a note's beginning and end."""

    def __init__(self, data: bytes, name: str) -> None:
        super().__init__(data)
        self._name = name
        self._left = MAX_READS

    def read(self, size: int | None = -1) -> bytes:
        """As a file. MidiFileError past the limit."""
        self._left -= 1
        if self._left < 0:
            raise MidiFileError(
                f"{self._name} holds more than some {MAX_READS // 8} notes, too many "
                "for a loop. Save the bars that go round."
            )
        return super().read(size)


def _refuse(header: bytes, name: str) -> None:
    """What the header already says cannot be a loop; before mido reads the tracks."""
    kind, tracks, division = (int.from_bytes(header[i : i + 2], "big") for i in (0, 2, 4))
    if kind == 2:
        raise MidiFileError(
            f"{name} is a type 2 file, a bundle of separate sequences. "
            "Save the loop as type 0 or 1."
        )
    if tracks == 0:
        raise MidiFileError(f"{name} holds no tracks. Choose a file with a loop in it.")
    if tracks > MAX_TRACKS:
        raise MidiFileError(
            f"{name} holds {tracks} tracks; up to {MAX_TRACKS} are read. Save the loop alone."
        )
    if division >= 0x8000:
        raise MidiFileError(
            f"{name} counts in film frames (SMPTE), not in beats. Save it with a beat division."
        )
    if division == 0:
        raise MidiFileError(f"{name} has a division of 0 ticks a beat: its times mean nothing.")


def parse_pattern(
    data: bytes, name: str, device: Device, pattern_id: str, title: str
) -> ReadPattern:
    """As `read_pattern`, from bytes; `name` is what messages call the file.

    A drum file's notes go to the voices of the device with the same names
    where their notes differ (General MIDI's percussion map on the file's
    side). It is as long as the file says, where that is later than its last
    note is over; else it is filled up to whole bars of the file's first metre.
    """
    file, remarks = _parsed(data, name)
    read = _read(file, name, file.tracks)
    notes = list(read.notes)
    if not notes:
        raise MidiFileError(f"{name} holds no notes. Choose a file with a loop in it.")
    names = {v.note: v.name for v in device.spec.voices}
    melodic = device.kind in PITCHED_KINDS and all(n.channel != DRUM_CHANNEL for n in notes)
    mapping = {} if melodic else drum_map({n.note for n in notes}, names)
    notes = [n._replace(note=mapping.get(n.note, n.note)) for n in notes]
    rate, swing = played_grid([n.start for n in notes])
    step = note_value_ticks(rate) / TICKS_PER_QUARTER
    length = _length(read, step)
    kept = [n for n in notes if round(n.start / step) < length]
    how = Taken(rate=rate, strength=0.0, swing=swing, melodic=melodic)
    content = content_from(
        kept, length * step, how, lambda n: names.get(n) or GM_DRUMS.get(n) or f"Note {n}"
    )
    turns = [t._replace(channel=0) for t in read.turns]
    lanes = lanes_from(turns, length * step, msgspec.convert(rate, NoteValue))
    content = msgspec.structs.replace(content, lanes=lanes)
    made = Pattern(id=pattern_id, name=title[:80] or "Loop", device=device.id, content=content)
    return ReadPattern(made, (*remarks, *_lost(read, notes, kept, content)))


def _length(read: Events, step: float) -> int:
    """Steps of a pattern of what was read."""
    last = max(round(n.start / step) for n in read.notes)
    over = max(n.start + n.length for n in read.notes)
    bar = max(1, round(read.bar / step))
    said = round(read.ends / step)
    on_grid = abs(read.ends / step - said) < ON_GRID
    if on_grid and last < said <= MAX_STEPS and (said % bar == 0 or read.ends > over + ON_GRID):
        return said
    whole_bars = MAX_STEPS // bar * bar or MAX_STEPS
    return min(whole_bars, (last // bar + 1) * bar)


def _lost(
    read: Events, notes: Sequence[Played], kept: Sequence[Played], content: Content
) -> tuple[str, ...]:
    """What a pattern cannot hold of it, in words."""
    words = _left_out(read.left_out)
    late = len(notes) - len(kept)
    if late:
        words.append(tr("{notes} past its longest length left out", notes=counted(late, "note")))
    held = sum(1 + len(h.chord) for v in content.voices for h in v.hits)
    if held < len(kept):
        words.append(tr("{notes} on a step with another left out",
                        notes=counted(len(kept) - held, "note")))  # fmt: skip
    levels = {h.velocity for v in content.voices for h in v.hits if h.chord}
    chords = [h for v in content.voices for h in v.hits if h.chord]
    if chords and not {n.velocity for n in kept} <= levels | {
        h.velocity for v in content.voices for h in v.hits
    }:
        words.append(tr("notes of a chord take one level"))
    return tuple(words)


def drum_map(notes: set[int], voices: Mapping[int, str]) -> dict[int, int]:
    """From General MIDI's drum notes to a box's own, by the names of its voices.

    Notes the box has itself stay; so do notes nothing is called like.
    """
    by_name = {name.lower(): note for note, name in voices.items()}
    return {
        note: by_name[GM_DRUMS[note].lower()]
        for note in notes
        if note not in voices and note in GM_DRUMS and GM_DRUMS[note].lower() in by_name
    }


LEFT_OUT = {
    "pitchwheel": tr("pitch bend"), "polytouch": tr("key pressure"),
    "aftertouch": tr("channel pressure"), "program_change": tr("program changes"),
    "sysex": tr("system exclusive"),
}  # fmt: skip


def _merged(tracks: Any) -> list[tuple[int, Any]]:
    """The messages of tracks by when they come, in ticks from the beginning; of those that come
    together in order of the tracks. mido's own way copies and checks each of them twice, which is
    most of the time that a file takes."""
    rows: list[tuple[int, Any]] = []
    for track in tracks:
        tick = 0
        for message in track:
            tick += message.time
            rows.append((tick, message))
    rows.sort(key=lambda row: row[0])
    return rows


def _events(file: mido.MidiFile, name: str, tracks: Any) -> Events:
    per_beat = file.ticks_per_beat
    open_notes: dict[tuple[int, int], tuple[int, int]] = {}
    notes: list[Played] = []
    turns: list[Turned] = []
    left_out: Counter[str] = Counter()
    bar = 4.0

    def end(key: tuple[int, int], length: float) -> None:
        start, velocity = open_notes.pop(key)
        notes.append(Played(start / per_beat, length, key[1], velocity, key[0] + 1))

    for tick, message in _merged(tracks):
        if tick < 0 or tick / per_beat > MAX_BEATS:
            raise MidiFileError(
                f"{name} has an event {tick / per_beat:.0f} beats from its beginning. "
                "Its times are broken: save it again from where it was made."
            )
        if message.type == "time_signature" and not notes and not open_notes:
            if not message.numerator:
                raise MidiFileError(
                    f"{name} has a time signature of 0/{message.denominator}, which is none. "
                    "Save it again from where it was made."
                )
            bar = message.numerator * 4.0 / message.denominator
        elif message.type in ("note_on", "note_off"):
            key = (message.channel, message.note)
            if key in open_notes:
                end(key, (tick - open_notes[key][0]) / per_beat)
            if message.type == "note_on" and message.velocity:
                open_notes[key] = (tick, message.velocity)
        elif message.type == "control_change":
            row = Turned(tick / per_beat, message.control, message.value, message.channel + 1)
            turns.append(row)
        elif message.type in LEFT_OUT:
            left_out[LEFT_OUT[message.type]] += 1
    for key in list(open_notes):
        end(key, UNTIED_BEATS)
    ends = max((sum(m.time for m in track) for track in tracks), default=0) / per_beat
    return Events(tuple(sorted(notes)), bar, tuple(turns), ends, left_out)


def pattern_to_midi(pattern: Pattern, device: Device, bpm: float, passes: int = 1) -> bytes:
    """A pattern as a type 1 file: a conductor track, then a track a voice; `passes` of it."""
    content = pattern.content
    end = file_tick(content.ticks * passes)
    head: list[tuple[int, Any]] = [(0, mido.MetaMessage("set_tempo", tempo=round(60e6 / bpm)))]
    file = file_of(track_of(pattern.name, head, end))
    for voice in content.voices:
        rows: list[tuple[int, Any]] = []
        key = dice_key(1, device.id, voice.id, content)
        channel = (voice.channel or device.channel) - 1
        for sound in passes_of(content, voice).between(0, content.ticks * passes, key):
            if sound.fill:
                continue
            on = mido.Message("note_on", channel=channel, note=sound.note, velocity=sound.velocity)
            off = mido.Message("note_off", channel=channel, note=sound.note, velocity=64)
            # What is held as long as the pattern plays ends with the file.
            over = (
                end if sound.gate_ticks >= HELD_TICKS else file_tick(sound.tick + sound.gate_ticks)
            )
            rows += [(file_tick(sound.tick), on), (over, off)]
        rows.sort(key=lambda row: (row[0], row[1].type == "note_on"))
        file.tracks.append(track_of(voice.name, rows, end))
    for lane in content.lanes:
        key = dice_key(1, device.id, lane.id, content)
        cycle = content.ticks_of(lane)
        changes = (
            change
            for number in range(-(-content.ticks * passes // cycle))
            for change in lane_changes(content, lane, number, key)
        )
        channel = (lane.channel or device.channel) - 1
        values = [
            (file_tick(c.tick), mido.Message(
                "control_change", channel=channel, control=lane.controller, value=c.value
            ))
            for c in changes if not c.fill and c.tick < content.ticks * passes
        ]  # fmt: skip
        file.tracks.append(track_of(lane.name, values, end))
    return midi_bytes(file)
