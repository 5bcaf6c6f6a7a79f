"""What a probe found, taken over into a box."""

from __future__ import annotations

import msgspec

from grebe.core.probe.model import Answers
from grebe.core.probe.taking import taken_over
from grebe.core.rig.spec import Obeys, Spec
from tests import build

DAY = "2026-11-30"
FOUND = Answers(
    clock=True, start=True, goes_on=True, song_position=False, program=True, program_at="bar",
    channels=(3,), latency_ms=4.26, clock_latency_ms=6.04, velocity_levels=1,
    sends_clock="never", notes=(36, 38), pitched=False,
    sure={"clock": 0.998, "song_position": 0.99, "channels": 0.9}, unsure=(),
)  # fmt: skip


def test_what_was_heard_becomes_abilities_and_settings() -> None:
    """With how sure it is and the day; what was guessed is guessed no longer; the offset is what
    its own pattern needs, or its notes where Grebe plays them."""
    spec = Spec(guessed=("obeys.clock", "obeys.song_position", "kind"))
    box = msgspec.structs.replace(build.device("otter", channel=1, plays="own"), spec=spec)
    taken = taken_over(box, FOUND, DAY)
    after = taken.device
    assert after.channel == 3
    assert after.change_at == after.spec.change_at == "bar"
    assert after.offset_ms == -6.0
    assert (after.obeys_program, after.obeys_song_position) == (True, False)
    assert after.spec.obeys == Obeys(song_position=False, program=True, velocity=False)
    assert after.spec.guessed == ("kind",)
    assert [v.note for v in after.spec.voices] == [36, 38]
    proven = {p.path: p for p in after.spec.proven}
    assert proven["obeys.clock"].sure == 0.998
    assert proven["channel"].day == DAY
    assert {"its channel", "its offset, ms"} <= {change.words for change in taken.changes}
    played = msgspec.structs.replace(box, plays="grebe")
    assert taken_over(played, FOUND, DAY).device.offset_ms == -4.3


def test_what_was_not_heard_stays_as_it_was() -> None:
    """Nothing heard, nothing changed; and what is switched off is not an ability lost."""
    box = build.device("otter", channel=5)
    assert taken_over(box, Answers(), DAY).device == box
    assert taken_over(box, Answers(), DAY).changes == ()
    off = taken_over(box, Answers(clock=False, sends_clock="never"), DAY).device
    assert off.obeys_clock is False
    assert off.spec.obeys.clock is True
