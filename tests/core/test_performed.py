"""A song of how one was played."""

from __future__ import annotations

import msgspec
import pytest

from grebe.app.live.performance import PerformanceLog
from grebe.core.document import Project
from grebe.core.songs.model import Section, Song
from grebe.core.songs.performed import Performance, Stretch, song_performed
from grebe.errors import EditError
from grebe.protocols.link.messages import Status
from tests import build


def project() -> Project:
    made = build.two_boxes()
    scenes = tuple(msgspec.structs.replace(s, bars=4) for s in made.scenes)
    song = Song(
        id="x", name="Gale", bpm=131.0,
        sections=tuple(Section(id=f"w{n}", scene=s.id, bpm=140.0 if n else None)
                       for n, s in enumerate(scenes)),
    )  # fmt: skip
    return msgspec.structs.replace(made, scenes=scenes, songs=(song,))


def bars(number: float) -> int:
    return round(number * build.two_boxes().scenes[0].meter.bar_ticks)


def test_sections_as_they_were_launched() -> None:
    """Three passes of the second, one of the first cut short, the second again; its tempo stays."""
    played = Performance(
        "x", (Stretch("w1", 0), Stretch("w0", bars(12)), Stretch("w1", bars(13))), bars(19)
    )
    made = song_performed(project(), played)
    assert [(s.scene, s.times, s.bpm) for s in made.sections] == [
        (project().scenes[1].id, 3, 140.0),
        (project().scenes[0].id, 1, None),
        (project().scenes[1].id, 2, 140.0),
    ]
    assert (made.name, made.bpm, made.version_of) == ("Gale, as played", 131.0, "x")
    with_it = msgspec.structs.replace(project(), songs=(*project().songs, made))
    assert song_performed(with_it, played).name == "Gale, as played 2"


def test_what_hands_muted_becomes_regions() -> None:
    drums, voice = ("drums", ""), ("drums", "hat")
    muted = (
        (float(bars(1)), frozenset({drums})),
        (float(bars(2)), frozenset({drums, voice})),
        (float(bars(2.5)), frozenset({voice})),
    )
    played = Performance("x", (Stretch("w0", 0, muted),), bars(4))
    (section,) = song_performed(project(), played).sections
    assert [(m.device, m.voice, m.at, m.long) for m in section.mutes] == [
        ("drums", "", 16, 24), ("drums", "hat", 32, 32),
    ]  # fmt: skip


def test_nothing_to_keep() -> None:
    for played in (
        Performance("x", (), 0), Performance("gone", (Stretch("w0", 0),), 9),
        Performance("x", (Stretch("gone", 0),), 9), Performance("x", (Stretch("w0", 5),), 5),
    ):  # fmt: skip
        with pytest.raises(EditError):
            song_performed(project(), played)


def status(tick: float, section: str, at: int, **fields: object) -> Status:
    return Status(
        at_ns=0,
        running=True,
        tick=tick,
        bpm=120.0,
        section=section,
        section_tick=at,
        **fields,  # type: ignore[arg-type]
    )


def test_the_log_follows_the_engine() -> None:
    """From the start on; a count-in is nothing yet; a new start begins anew; what scene and song
    mute is no hand's."""
    log = PerformanceLog()
    log.take(status(-10.0, "w0", 0), "x")
    assert log.last is not None
    assert log.last.stretches == ()
    hand = (("drums", ""),)
    log.take(status(5.0, "w0", 0, mutes=hand), "x")
    log.take(status(9.0, "w0", 0, mutes=hand, mutes_by_hand=hand), "x")
    log.take(status(12.0, "w1", 10), "x")
    last = log.last
    assert last is not None
    assert [(s.section, s.tick) for s in last.stretches] == [("w0", 0), ("w1", 10)]
    assert last.stretches[0].muted == ((9.0, frozenset(hand)),)
    assert last.end == 12.0
    log.take(Status(at_ns=0, running=False), "x")
    assert log.last is last
    log.take(status(1.0, "w1", 0), "x")
    assert [s.section for s in log.last.stretches] == ["w1"]
    log.take(status(2.0, "w1", 0), "y")
    assert log.last.song == "y"
