"""A law: a file of several tracks, brought in as a song and written again, is the same music."""

from __future__ import annotations

import io
from typing import NamedTuple

import mido
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from grebe.app.document.arrivals import BroughtTrack, with_song
from grebe.core.arriving import place_of
from grebe.core.beginning import begin
from grebe.core.document import Project
from grebe.core.player.plan import make_plan
from grebe.formats.midi_loops import parse_arrival
from grebe.formats.smf import midi_bytes, song_to_midi
from tests.long import tries

PER_BEAT = 480
SIXTEENTH = PER_BEAT // 4
METERS = ((4, 4), (3, 4), (7, 8))


class Written(NamedTuple):
    """A file, in sixteenths."""

    meters: tuple[tuple[int, int, int], ...]
    """Bars, beats and unit of each stretch of one metre."""
    tracks: tuple[tuple[tuple[int, int], ...], ...]
    """(place, note) of each track; the first is drums."""
    tempi: tuple[tuple[int, int], ...]
    """(place, microseconds a quarter note)."""
    markers: tuple[int, ...]


@st.composite
def files(draw: st.DrawFn) -> Written:
    spans = tuple(
        (bars, *meter)
        for bars, meter in draw(
            st.lists(st.tuples(st.integers(1, 9), st.sampled_from(METERS)), min_size=1, max_size=3)
        )
    )
    place = st.integers(0, sum(bars * beats * 16 // unit for bars, beats, unit in spans) - 1)
    drum = st.tuples(place, st.sampled_from([36, 38, 42]))
    line = st.lists(
        st.tuples(place, st.integers(30, 80)), min_size=1, max_size=30, unique_by=lambda n: n[0]
    )
    tempo = st.tuples(place, st.integers(300_000, 900_000))
    drums = draw(st.lists(drum, min_size=1, max_size=40, unique=True))
    lines = draw(st.lists(line, max_size=2))
    return Written(
        spans,
        tuple(tuple(sorted(notes)) for notes in (drums, *lines)),
        tuple(draw(st.lists(tempo, max_size=4, unique_by=lambda t: t[0]))),
        tuple(draw(st.lists(place, max_size=4, unique=True))),
    )


Row = list[tuple[int, mido.Message | mido.MetaMessage]]


def as_bytes(written: Written) -> bytes:
    head: Row = []
    at = 0
    for bars, beats, unit in written.meters:
        head.append((at, mido.MetaMessage("time_signature", numerator=beats, denominator=unit)))
        at += bars * beats * 16 // unit
    head += [(p, mido.MetaMessage("set_tempo", tempo=t)) for p, t in written.tempi]
    head += [(p, mido.MetaMessage("marker", text=f"here {p}")) for p in written.markers]
    rows: list[Row] = [head]
    for number, notes in enumerate(written.tracks):
        channel = 9 if number == 0 else number
        row: Row = [(0, mido.MetaMessage("track_name", name=f"Track {number}"))]
        for place, note in notes:
            on = mido.Message("note_on", channel=channel, note=note, velocity=80)
            row += [(place, on), (place + 1, mido.Message("note_off", channel=channel, note=note))]
        rows.append(row)
    file = mido.MidiFile(type=1, ticks_per_beat=PER_BEAT)
    for row in rows:
        row.sort(key=lambda r: (r[0], r[1].type == "note_on"))
        track, now = mido.MidiTrack(), 0
        for place, message in row:
            track.append(message.copy(time=(place - now) * SIXTEENTH))
            now = place
        file.tracks.append(track)
    return midi_bytes(file)


class Music(NamedTuple):
    """What a file plays, as another library reads it."""

    notes: set[tuple[str, int, int]]
    """(track, place in sixteenths, note)."""
    seconds: list[tuple[int, float]]
    """When each place is at which a note begins."""
    markers: set[tuple[float, str]]


def music_of(data: bytes) -> Music:
    file = mido.MidiFile(file=io.BytesIO(data))
    music = Music(set(), [], set())
    when: dict[int, float] = {}
    tick, now, tempo = 0, 0.0, 500_000
    for message in mido.merge_tracks(file.tracks):
        now += mido.tick2second(message.time, file.ticks_per_beat, tempo)
        tick += message.time
        place = tick * 4 / file.ticks_per_beat
        if message.type == "set_tempo":
            tempo = message.tempo
        elif message.type == "marker" and message.text.startswith("here"):
            music.markers.add((place, message.text))
        elif message.type == "note_on" and message.velocity:
            assert place == int(place)
            when[int(place)] = now
    for track in file.tracks:
        tick = 0
        for message in track:
            tick += message.time
            if message.type == "note_on" and message.velocity:
                place = tick * 4 / file.ticks_per_beat
                music.notes.add((track.name, int(place), message.note))
    return music._replace(seconds=sorted(when.items()))


def brought(data: bytes) -> tuple[Project, str, list[str]]:
    project = begin("Empty", ())
    arrival = parse_arrival(data, "x.mid", "Ferry")
    rows = []
    for track in arrival.tracks:
        place = place_of(project, track, arrival.meter)
        rows.append(BroughtTrack(arrival, track, *place, proposed=place.bars))
    return with_song(project, rows)


@settings(max_examples=tries(60))
@given(files())
def test_a_file_brought_in_and_written_again_is_the_same_music(written: Written) -> None:
    """The same notes at the same ticks, at the same seconds, with the same markers."""
    data = as_bytes(written)
    project, song, _ = brought(data)
    again = midi_bytes(song_to_midi(make_plan(project, project.song(song))))
    wanted, got = music_of(data), music_of(again)
    assert got.notes == wanted.notes
    last = max(p for _, p, _ in wanted.notes)
    assert got.markers >= {m for m in wanted.markers if m[0] <= last}
    assert [p for p, _ in got.seconds] == [p for p, _ in wanted.seconds]
    assert [s for _, s in got.seconds] == pytest.approx([s for _, s in wanted.seconds], abs=2e-3)
