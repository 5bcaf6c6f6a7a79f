"""Findings on boxes with tracks: a rig that has each, what it says, and what its cure does."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

import msgspec
import pytest

from grebe.core.document import Project
from grebe.core.findings import check, mend
from grebe.core.patterns.model import Hit, Pattern
from grebe.core.player.plan import make_plan
from grebe.core.rig.joining import as_track, join_as_track
from grebe.core.rig.model import Cable, Device, Port
from grebe.core.rig.setup import setup_sheet
from grebe.core.rig.spec import HandMove, Spec, SpecVoice, Track
from grebe.core.songs.changes import changes, moves_of
from grebe.core.songs.hands import schedule
from grebe.core.songs.model import Part, Performer
from grebe.core.songs.programme import programmes
from grebe.errors import EditError
from tests import build

PORT = Port(wire="alsa", name="Interface MIDI 1")


def placed(pattern_id: str, line: str, program: int, note: int = 40) -> Pattern:
    """A pattern at a place of its line's memory, and in the box."""
    return build.own(build.pattern(pattern_id, line, build.voice("x..."), program=program))


def with_tracks(*tracks: Track, **fields: Any) -> Project:
    """A project of one box with these tracks, each playing a pattern."""
    spec = msgspec.structs.replace(fields.pop("spec", Spec()), tracks=tracks)
    box = build.device("box", spec=spec, channel=16, **fields)
    patterns = [placed(f"p{t.id}", f"box/{t.id}", n) for n, t in enumerate(tracks)]
    chains = {f"box/{t.id}": [f"p{t.id}"] for t in tracks}
    return build.project([box], patterns, [build.scene("s", 1, **chains)], build.song("s"))


def on_one_port() -> Project:
    """Two boxes that are one: three clocks went down this wire once."""
    first, second = (
        build.device(i, port=PORT, channel=n) for n, i in enumerate(("kick", "bass"), start=1)
    )
    patterns = [build.pattern("k", "kick", build.voice("x...")),
                build.pattern("b", "bass", build.voice("..x.", 40))]  # fmt: skip
    scene = build.scene("s", 1, kick=["k"], bass=Part(device="bass", chain=("b",), muted=True))
    return build.project([first, second], patterns, [scene], build.song("s"))


def on_one_channel() -> Project:
    return with_tracks(Track(id="a", name="A", channel=1), Track(id="b", name="B", channel=1))


def feeding(channel: int, *, cabled: bool) -> Project:
    """A track that plays another box."""
    project = with_tracks(Track(id="a", name="Out", channel=3, feeds="other"))
    other = build.device("other", channel=channel, port=Port(wire="none"))
    cables = (Cable(source="box", target="other", gives="both"),) if cabled else ()
    rig = msgspec.structs.replace(
        project.rig, devices=(*project.rig.devices, other), cables=(*project.rig.cables, *cables)
    )
    return msgspec.structs.replace(project, rig=rig)


def feeding_nobody() -> Project:
    return feeding(3, cabled=False)


def feeding_elsewhere() -> Project:
    return feeding(4, cabled=True)


def switched_together() -> Project:
    tracks = (Track(id=t, name=t.upper(), channel=n, program="box")
              for n, t in enumerate("ab", start=1))  # fmt: skip
    return with_tracks(*tracks, plays="own", obeys_program=True, program_printed_from=0)


def one_voice() -> Project:
    return with_tracks(*(
        Track(id=t, name=t.upper(), channel=n, slot="1") for n, t in enumerate("ab", start=1)
    ))  # fmt: skip


def chords_and_bass() -> Project:
    """Four notes on one track and one on another, of a box that sounds four."""
    tracks = (Track(id="chords", name="Chords", kind="synth", channel=1),
              Track(id="bass", name="Bass", kind="bass", channel=2))  # fmt: skip
    project = with_tracks(*tracks, spec=Spec(polyphony=4))
    chord = build.voice("x...")
    chord = msgspec.structs.replace(chord, hits=(Hit(step=0, chord=(4, 7, 11)),))
    first = build.own(build.pattern("pchords", "box/chords", chord))
    return msgspec.structs.replace(project, patterns=(first, *project.patterns[1:]))


CASES = [
    ("rig.one-port", on_one_port, "bass", "Make Bass a track of Kick", True),
    ("rig.tracks-on-one-channel", on_one_channel, "box", "Set B to channel 2", True),
    ("rig.track-feeds-nobody", feeding_nobody, "box", "no cable for notes", False),
    ("rig.track-channel", feeding_elsewhere, "box", "listens on 4", True),
    ("scene.tracks-together", switched_together, "s", "0 for Box A", False),
    ("scene.one-voice", one_voice, "s", "A and B", False),
    ("scene.polyphony", chords_and_bass, "s", "5 notes at once", False),
]


@pytest.mark.parametrize(("code", "made", "subject", "words", "mendable"), CASES)
def test_each_is_found_and_its_cure_takes_it_away(
    code: str, made: Callable[[], Project], subject: str, words: str, mendable: bool
) -> None:
    """It names its subject and says what to do; nothing else is broken by the cure."""
    project = made()
    found = [f for f in check(project) if f.code == code]
    assert [f.subject for f in found] == [subject]
    assert words in f"{found[0].message} {found[0].fix}"
    assert (found[0].cure is not None) == mendable
    if mendable:
        mended = check(mend(project, found[0]))
        assert code not in {f.code for f in mended}
        assert not [f for f in mended if f.severity == "block"]


def test_what_is_told_apart_is_not_found() -> None:
    """Tracks of one channel with notes of their own, a muted one of two that share a voice, one
    place for tracks that go together."""
    kit = [Track(id=t, name=t, channel=10, kind="drums", voices=(SpecVoice(name=t, note=n),))
           for n, t in ((36, "kick"), (38, "snare"))]  # fmt: skip
    assert "rig.tracks-on-one-channel" not in {f.code for f in check(with_tracks(*kit))}
    project = one_voice()
    part = msgspec.structs.replace(project.scenes[0].parts[1], muted=True)
    scene = msgspec.structs.replace(project.scenes[0], parts=(project.scenes[0].parts[0], part))
    assert not check(msgspec.structs.replace(project, scenes=(scene,)))
    together = switched_together()
    patterns = (together.patterns[0], placed("pb", "box/b", 0))
    assert not check(msgspec.structs.replace(together, patterns=patterns))
    assert not check(with_tracks(*(Track(id=t, name=t, channel=n)
                                   for n, t in enumerate("abcdef", start=1))))  # fmt: skip


def test_two_boxes_made_one() -> None:
    """What the second plays goes with it: pattern, part, mute; its wire goes."""
    project = join_as_track(on_one_port(), "kick", "bass")
    (box,) = project.rig.devices
    assert [t.id for t in box.tracks] == ["bass"]
    assert [c.target for c in project.rig.cables] == ["kick"]
    assert {p.id: p.device for p in project.patterns} == {"k": "kick", "b": "kick/bass"}
    part = project.scenes[0].part("kick/bass")
    assert (part.chain, part.muted) == (("b",), True)
    assert make_plan(project, project.songs[0]).clocked == ("kick",)
    assert check(project) == ()
    with pytest.raises(EditError):
        join_as_track(project, "kick", "bass")
    with pytest.raises(EditError, match="two boxes"):
        join_as_track(project, "kick", "kick/bass")


def test_a_simple_box_as_a_track() -> None:
    """Its memory, mute and move go with it."""
    move = HandMove(name="press mute", seconds=0.5, serves=("mute",))
    box = build.device("knot", channel=3, spec=Spec(polyphony=2, by_hand=(move,)))
    track = as_track(box)
    assert (track.channel, track.polyphony, track.mute_by, track.program) == (3, 2, move, "none")


def test_several_mutes_in_one_press() -> None:
    """Four tracks muted by hand are one move on a box that does them at once, four on another."""
    move = HandMove(name="press mute", seconds=0.6, serves=("mute",))

    def moves(at_once: int) -> int:
        tracks = [Track(id=t, name=t, channel=n) for n, t in enumerate("abcd", start=1)]
        spec = Spec(by_hand=(move,), mutes_at_once=at_once)
        project = with_tracks(*tracks, plays="own", spec=spec)
        muted = tuple(msgspec.structs.replace(p, muted=True) for p in project.scenes[0].parts)
        after = msgspec.structs.replace(project.scenes[0], id="t", parts=muted)
        found = changes(project, project.scenes[0], after, 120.0)
        made = moves_of(found)
        assert sum(c.kind == "mute" for c in found) == 4
        assert schedule(made, Performer()).fits
        return len(made)

    assert (moves(1), moves(2), moves(4)) == (4, 2, 1)


def test_sheets_know_tracks() -> None:
    """The set-up sheet has a channel and places for each; a track has a programme of its own."""
    tracks = [Track(id=t, name=t.upper(), channel=n, mute_controller=20)
              for n, t in enumerate("ab", start=1)]  # fmt: skip
    project = with_tracks(*tracks, plays="own", obeys_program=True, program_channel=15)
    words = [step.do for step in setup_sheet(project).devices[0].steps]
    assert "Program changes on channel 15." in words
    assert "B: channel 2." in words
    assert "Box B: pb at 2, sent as 1." in words
    assert "Leave controller 20 enabled." in words
    found = programmes(project, project.songs[0], frozenset({"box", "box/a", "box/b"}))
    assert [p.device.id for p in found] == ["box/a", "box/b"]


def test_a_neighbour_on_a_track_s_channel() -> None:
    """Notes for a box on the same wire are read by the track on their channel; the cure moves
    the one they are meant for."""
    tracks = (Track(id="a", name="A", channel=1),)
    box = build.device("box", spec=Spec(tracks=tracks), channel=16)
    other = build.device("other", channel=1, port=Port(wire="none"))
    project = build.project(
        [box, other], [build.pattern("p", "other", build.voice("x"))],
        [build.scene("s", 1, other=["p"])], build.song("s"),
    )  # fmt: skip
    cables = (project.rig.cables[0], Cable(source="box", target="other", gives="thru"))
    rig = msgspec.structs.replace(project.rig, cables=cables)
    project = msgspec.structs.replace(project, rig=rig)
    found = [f for f in check(project) if f.code == "rig.channel-collision"]
    assert {f.subject for f in found} == {"box", "other"}
    mended = mend(project, found[0])
    rest = [f for f in check(mended) if f.code == "rig.channel-collision"]
    for finding in rest:
        mended = mend(mended, finding)
    assert "rig.channel-collision" not in {f.code for f in check(mended)}
    assert isinstance(mended.rig.devices[0], Device)
