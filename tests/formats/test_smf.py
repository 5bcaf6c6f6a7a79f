"""Standard MIDI Files out and in, checked with libraries that are not ours."""

from __future__ import annotations

import io

import mido
import pretty_midi
import pytest

from grebe.app.document.demo import demo_bytes
from grebe.core.player.plan import make_plan
from grebe.core.songs.model import Curve, CurvePoint, Marker, MuteRegion, TempoMark, Then
from grebe.core.songs.unroll import unrolled
from grebe.core.time.ticks import TICKS_PER_QUARTER
from grebe.formats.project import parse_project
from grebe.formats.smf import DIVISION, midi_bytes, song_to_midi
from tests import build

DEMO = parse_project(demo_bytes(), "demo").project


def exported(name: str) -> bytes:
    """A demo song's file."""
    return midi_bytes(song_to_midi(make_plan(DEMO, DEMO.song_named(name))))


def test_header_and_first_bytes() -> None:
    """SMF 1.0: MThd, length 6, format 1, a conductor and six devices, 960 a quarter note."""
    assert exported("Harbour bell")[:14].hex(" ") == "4d 54 68 64 00 00 00 06 00 01 00 07 03 c0"


def test_tempo_bytes() -> None:
    """SMF 1.0: FF 51 03 and microseconds a quarter note; 120 BPM is 07 A1 20."""
    project = build.project([build.device("d")], [], [build.scene("a")], build.song("a", bpm=120))
    data = midi_bytes(song_to_midi(make_plan(project, project.songs[0])))
    assert bytes.fromhex("FF 51 03 07 A1 20") in data


@pytest.mark.parametrize(
    ("value", "wanted"),
    [
        (0x40, "40"), (0x7F, "7F"), (0x80, "81 00"), (0x2000, "C0 00"), (0x3FFF, "FF 7F"),
        (0x4000, "81 80 00"), (0x1FFFFF, "FF FF 7F"), (0x200000, "81 80 80 00"),
        (0xFFFFFFF, "FF FF FF 7F"),
    ],
)  # fmt: skip
def test_variable_length_numbers(value: int, wanted: str) -> None:
    """The table of SMF 1.0, through the writer we use."""
    file = mido.MidiFile(type=1, ticks_per_beat=DIVISION)
    file.tracks.append(mido.MidiTrack([mido.Message("note_on", note=60, time=value)]))
    assert bytes.fromhex(wanted) + bytes.fromhex("90 3C 40") in midi_bytes(file)


def test_mido_finds_the_same_messages_at_the_same_ticks() -> None:
    """L: mido. The kick of Oars in bar 9, the drone from the top, markers and metres."""
    file = mido.MidiFile(file=io.BytesIO(exported("Low water")))
    assert [track.name for track in file.tracks] == [
        "Low water",
        "Smew",
        "Knot",
        "Scaup",
        "Dunlin",
        "Avocet",
        "Avocet Lead",
        "Avocet Low",
        "Avocet Out 1",
    ]
    now, markers, metres = 0, [], []
    for message in file.tracks[0]:
        now += message.time
        if message.type == "marker":
            markers.append((now // DIVISION, message.text))
        elif message.type == "time_signature":
            metres.append((now // DIVISION, message.numerator, message.denominator))
    assert markers == [(0, "Shingle"), (64, "Groyne"), (120, "Undertow"), (184, "Shingle")]
    assert metres == [(0, 4, 4), (64, 7, 8), (120, 4, 4)]
    now, kicks = 0, []
    for message in file.tracks[1]:
        now += message.time
        if message.type == "note_on" and message.note == 36 and now < 4 * DIVISION:
            kicks.append((now / DIVISION, message.channel, message.velocity))
    assert kicks == [(0, 9, 127), (1.5, 9, 100), (2, 9, 100)]


@pytest.mark.parametrize("name", ["Harbour bell", "Low water"])
def test_pretty_midi_finds_the_same_times(name: str) -> None:
    """L: pretty_midi, in seconds, through a tempo ramp and metres; within half a tick."""
    layout = DEMO.layout(DEMO.song_named(name))
    tempo = layout.tempo
    read = pretty_midi.PrettyMIDI(io.BytesIO(exported(name)))
    bass = next(i for i in read.instruments if i.name == "Knot")
    plan = make_plan(DEMO, DEMO.song_named(name))
    from grebe.core.player.events import NoteOn
    from grebe.core.player.whole import song_events

    wanted = sorted(
        (tempo.seconds_at(t), e.note)
        for t, d, e in song_events(plan)
        if d == "knot" and isinstance(e, NoteOn)
    )
    found = sorted((n.start, n.pitch) for n in bass.notes)
    assert [n for _, n in found] == [n for _, n in wanted]
    worst = max(abs(a - b) for (a, _), (b, _) in zip(found, wanted, strict=True))
    assert worst < 0.5e-3
    assert read.get_end_time() <= layout.seconds() + 1e-3


def test_ticks_of_the_file_and_ours() -> None:
    """The file's 960 divide ours."""
    assert TICKS_PER_QUARTER % DIVISION == 0


def test_what_is_laid_over_a_song_is_in_its_file() -> None:
    """L: mido finds markers, tempo changes inside a section, curves, and no muted note."""
    over = {
        "mutes": (MuteRegion(device="bass", at=16, long=16),),
        "curves": (Curve(device="bass", controller=74,
                         points=(CurvePoint(at=0, value=1), CurvePoint(at=16, value=3))),),
        "markers": (Marker(name="Drop", at=16),),
        "tempi": (TempoMark(at=16, bpm=60),),
    }  # fmt: skip
    jump = {**over, "then": Then(kind="jump", to="s1", jumps=1)}
    bass = build.device("bass", channel=2)
    pattern = build.pattern("b1", "bass", build.voice("x...x...x...x...", 40))
    song = build.song(("a", 1, jump))
    project = build.project([bass], [pattern], [build.scene("a", 3, bass=["b1"])], song)
    file = song_to_midi(make_plan(project, unrolled(song)))
    rows: dict[str, list[tuple[float, object]]] = {}
    for track in file.tracks:
        now = 0
        for message in track:
            now += message.time
            what = {"marker": "text", "set_tempo": "tempo", "control_change": "value"}
            value = getattr(message, what.get(message.type, "type"))
            rows.setdefault(message.type, []).append((now / DIVISION, value))
    # Twelve beats, jumped once: twenty-four, the second time as the first.
    assert rows["marker"] == [(0, "a"), (4, "Drop"), (12, "a"), (16, "Drop")]
    assert rows["set_tempo"][:2] == [(0, 500_000), (4, 1_000_000)]
    notes = [at for at, _ in rows["note_on"]]
    assert notes == [*range(4), *range(8, 12), *range(12, 16), *range(20, 24)]
    assert [v for _, v in rows["control_change"]] == [1, 2, 3, 1, 2, 3]
