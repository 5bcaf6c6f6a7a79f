"""Edits to voices, patterns, lanes and clips; settings as text; step sheets; memory maps."""

from __future__ import annotations

from typing import Any

import msgspec
import pytest

from grebe.core.document import Project, add_pattern, remove_pattern
from grebe.core.patterns import edit, whole
from grebe.core.patterns.fields import FIELDS, edited, set_hit_field, set_point_field, text_of
from grebe.core.patterns.makers import MAKERS, made, usual
from grebe.core.patterns.model import Content, ControlLane, ControlPoint, Hit, Voice
from grebe.core.patterns.stepsheet import step_sheet
from grebe.core.patterns.translate import flam_level, swing_level, velocity_level
from grebe.core.rig.memory import assign, copy_to, first_free, memory_map
from grebe.core.rig.spec import MemoryShape, Spec, Steps
from grebe.core.time.ticks import SIXTEENTH_TICKS
from grebe.errors import EditError
from tests import build


def row(voice: Voice) -> str:
    """A voice as a row again."""
    on = {h.step for h in voice.hits}
    return "".join("x" if s in on else "." for s in range(voice.length))


@pytest.mark.parametrize(
    ("how", "steps"),
    [
        (lambda v: edit.rotate(v, 1), ".x.xx..."),
        (lambda v: edit.rotate(v, -1), ".xx....x"),
        (lambda v: edit.rotate(v, 1, 0, 3), "xx.x...."),
        (lambda v: edit.shift(v, 4), "....x.xx"),
        (lambda v: edit.shift(v, -1), ".xx....."),
        (edit.reverse, "....xx.x"),
        (lambda v: edit.reverse(v, 0, 3), "xx.x...."),
        (lambda v: edit.clear(v, 2, 3), "x......."),
        (edit.double, "x.xx....x.xx...."),
        (edit.halve, "x.xx"),
    ],
)  # fmt: skip
def test_a_voice_or_a_stretch_of_it(how: Any, steps: str) -> None:
    """Worked by eye from x.xx...."""
    assert row(how(build.voice("x.xx...."))) == steps


def test_double_keeps_everything_and_has_a_limit() -> None:
    """Flams and chances go along; past 256 steps, or for an odd half, it is refused."""
    voice = Voice(id="v", name="v", length=4, hits=(Hit(step=1, flam=100, chance=40),))
    doubled = edit.double(voice)
    assert [(h.step, h.flam, h.chance) for h in doubled.hits] == [(1, 100, 40), (5, 100, 40)]
    with pytest.raises(EditError, match="256 at most"):
        edit.double(build.voice("x", length=200))
    with pytest.raises(EditError, match="has no half"):
        edit.halve(build.voice("x.x"))


def test_a_whole_pattern_doubled_and_halved() -> None:
    """Voices and lanes of any length double; halving leaves those that are not the pattern's."""
    lane = ControlLane(id="c", name="c", controller=7, points=(ControlPoint(step=2, value=9),))
    content = Content(voices=(build.voice("x" * 16), build.voice("x" * 7, voice_id="w")),
                      lanes=(lane,))  # fmt: skip
    twice = edit.double_content(content)
    assert (twice.length, [v.length for v in twice.voices], twice.lanes[0].length) == (
        32, [32, 14], 32,
    )  # fmt: skip
    assert [p.step for p in twice.lanes[0].points] == [2, 18]
    half = edit.halve_content(content)
    assert (half.length, [v.length for v in half.voices]) == (8, [8, 7])
    assert edit.halve_content(twice).voices[0] == content.voices[0]


def test_copy_and_paste_across_voices() -> None:
    """A stretch of two voices goes elsewhere in their place; what has no room is left out."""
    content = Content(length=8, voices=(
        build.voice("x..x....", voice_id="a"), build.voice(".x......", voice_id="b"),
        build.voice("........", voice_id="c"),
    ))  # fmt: skip
    clip = edit.copy_out(content, ("a", "b"), 0, 3)
    pasted = edit.paste(content, clip, "b", 6)
    assert [row(v) for v in pasted.voices] == ["x..x....", ".x....x.", ".......x"]
    over = edit.paste(content, clip, "a", 1)
    assert row(over.voices[0]) == "xx..x..."


def test_voices_and_lanes_come_and_go() -> None:
    """Ids of their own; unknown ones are refused; polymeter and polyrhythm by a switch."""
    content = edit.add_voice(Content(), "Kick", 36)
    content = edit.add_voice(content, "", 38)
    assert [(v.id, v.name) for v in content.voices] == [("v1", "Kick"), ("v2", "Note 38")]
    content = edit.add_lane(edit.remove_voice(content, "v1"), "Cutoff", 74)
    assert [v.id for v in content.voices] == ["v2"]
    content = edit.with_lane(
        content, "c1", lambda x: edit.put_point(x, ControlPoint(step=3, value=5))
    )
    assert edit.point_at(content.lanes[0], 3) is not None
    assert edit.set_lane_length(content.lanes[0], 2).points == ()
    assert edit.remove_point(content.lanes[0], 3).points == ()
    with pytest.raises(EditError, match="past the end"):
        edit.put_point(content.lanes[0], ControlPoint(step=16, value=1))
    with pytest.raises(EditError, match="no controller lane"):
        edit.with_lane(content, "zz", lambda x: x)
    seven = edit.with_voice(content, "v2", lambda v: edit.set_length(v, 7))
    even = edit.with_voice(seven, "v2", lambda v: msgspec.structs.replace(v, even=True))
    assert even.ticks_of(even.voices[0]) == even.ticks
    assert seven.ticks_of(seven.voices[0]) == 7 * SIXTEENTH_TICKS
    assert edit.remove_lane(content, "c1").lanes == ()


def test_where_a_variation_differs() -> None:
    """Steps that changed, came or went; a row's own settings; rows that are new or gone."""
    base = Content(voices=(build.voice("x..x", voice_id="a"), build.voice("x...", voice_id="b")))
    new = Content(voices=(build.voice("x.X.", voice_id="a", swing=60.0),
                          build.voice("x", voice_id="c")))  # fmt: skip
    assert edit.differing(new, base) == {
        ("a", 2), ("a", 3), ("a", -1), ("c", -1), ("c", 0), ("b", -1),
    }  # fmt: skip
    assert edit.differing(base, base) == frozenset()


THINGS: dict[str, Any] = {
    "name": build.pattern("p", "d"),
    "pattern": Content(), "voice": build.voice("x..."), "hit": Hit(step=0),
    "lane": ControlLane(id="c", name="c", controller=7), "point": ControlPoint(step=0, value=3),
}  # fmt: skip


@pytest.mark.parametrize("field", FIELDS, ids=lambda f: f"{f.owner}-{f.key}")
def test_every_setting_reads_and_is_read(field: Any) -> None:
    """What a form shows is taken back unchanged; every choice is taken; nonsense is refused."""
    thing = THINGS[field.owner]
    assert edited(thing, field.key, text_of(thing, field.key)) == thing
    for choice in field.choices:
        assert text_of(edited(thing, field.key, choice), field.key) == choice
    if field.key != "name":
        with pytest.raises(EditError):
            edited(thing, field.key, "nonsense!")


def test_settings_of_a_hit_and_a_value() -> None:
    """By step; an empty step is said."""
    voice = build.voice("x...")
    assert set_hit_field(voice, 0, "chord", "3 7").hits[0].chord == (3, 7)
    assert set_hit_field(voice, 0, "when", "2 of 4").hits[0].when == "2 of 4"
    assert set_hit_field(voice, 0, "note", "the voice's").hits[0].note is None
    with pytest.raises(EditError, match="no hit on step 2"):
        set_hit_field(voice, 1, "chance", "50")
    with pytest.raises(EditError, match="Chance: a whole number from 0 to 100 .got '150'."):
        set_hit_field(voice, 0, "chance", "150")
    lane = ControlLane(id="c", name="c", controller=7, points=(ControlPoint(step=1, value=2),))
    assert set_point_field(lane, 1, "glide", "yes").points[0].glide
    with pytest.raises(EditError, match="no value on step 1"):
        set_point_field(lane, 0, "value", "3")


@pytest.mark.parametrize("maker", MAKERS, ids=lambda m: m.name)
def test_generators_in_a_form(maker: Any) -> None:
    """Each writes plain hits from what it offers, the same every time; bad numbers are said."""
    voice = build.voice("x.x.x...x.......")
    values = usual(maker, voice)
    one = made(maker, voice, values)
    assert one == made(maker, voice, values)
    assert one.hits
    assert all(0 <= h.step < 16 for h in one.hits)
    for key in values:
        if key not in ("order", "other", "wave"):
            with pytest.raises(EditError):
                made(maker, voice, values | {key: "-9999999"})


def test_a_pattern_is_removed_where_no_scene_plays_it() -> None:
    """Its variations stand by themselves then; one that is played is named with its scenes."""
    project = build.two_boxes()
    project, new = add_pattern(
        project, name="extra", device="bass", content=Content(), variation_of="b1"
    )
    with pytest.raises(EditError, match="b1 is played in a, b: take it out there first"):
        remove_pattern(project, "b1")
    free = msgspec.structs.replace(project, scenes=())
    assert remove_pattern(free, "b1").pattern(new).variation_of is None
    assert len(remove_pattern(project, new).patterns) == 3


def test_nearest_levels_of_a_box() -> None:
    """Worked: 56 % at 126 BPM is 14.29 ms late, 57 % 16.67; a flam of 18 of 15 and 22."""
    steps = Steps(swing=(50.0, 54.0, 57.0), flam_ms=(15.0, 22.0), levels=(40, 127))
    swing = swing_level(steps, 56, 126, SIXTEENTH_TICKS)
    assert (swing.number, swing.of, swing.value) == (3, 3, 57.0)
    assert swing.off_ms == pytest.approx(2.381, abs=0.001)
    assert flam_level(steps, 18.0) == (1, 2, 15.0, -3.0)
    assert flam_level(Steps(flams=8), 18.0).number == 0
    assert velocity_level(steps, 80) == (1, 2, 40.0, 0.0)
    assert velocity_level(Steps(), 80).number == 0


def test_a_step_sheet_is_in_the_boxs_counts() -> None:
    """Place, swing, levels, flams, strokes and conditions as the box has them."""
    steps = Steps(swing=(50.0, 54.0, 57.0), flams=2, flam_ms=(15.0, 22.0), levels=(60, 100, 127))
    spec = Spec(steps=steps, memory=MemoryShape(banks=2, slots=16, printed="bank"))
    box = build.device("smew", plays="own", spec=spec)
    hits = (
        Hit(step=0, velocity=127), Hit(step=4, velocity=50, flam=151), Hit(step=6, ratchet=3),
        Hit(step=9, chance=60, shift_permille=100), Hit(step=12, when="1 of 2", tie=True),
    )  # fmt: skip
    voice = Voice(id="v", name="Snare", note=38, hits=hits)
    short = build.voice("x" * 7, voice_id="w", direction="backward")
    content = Content(swing=56.0, voices=(voice, short, Voice(id="z", name="z")))
    pattern = build.pattern("p", "smew", voice, program=17)
    sheet = step_sheet(msgspec.structs.replace(pattern, content=content), box, 126.0)
    assert (sheet.place, len(sheet.voices)) == ("B02", 2)
    assert sheet.settings == ("16 steps of 1/16",
                              "swing level 3 of 3 (57 %), +2.4 ms off what is drawn")  # fmt: skip
    snare, other = sheet.voices
    assert snare.marks == "X···o·x··x··x···"
    assert [r.step for r in snare.rows] == [1, 5, 7, 10, 13]
    assert snare.rows[0].does == "accent"
    assert snare.rows[1].does == "soft, flam 1 of 2, -3.0 ms off what is drawn"
    assert snare.rows[2].does == "plain, 3 strokes"
    assert snare.rows[3].does == "plain, +11.9 ms, 60 %"
    assert snare.rows[4].does == "plain, tied, 1 of 2"
    assert other.settings == "7 steps of 1/16, backward"


def memory_project() -> Project:
    shape = MemoryShape(banks=2, groups=3, slots=16, printed="bank_group")
    box = build.device("box", plays="own", spec=Spec(memory=shape))
    one = build.own(build.pattern("one", "box", build.voice("x"), program=0))
    two = build.pattern("two", "box", build.voice("x."), program=17)
    return build.project([box], [one, two], [])


def test_a_memory_map() -> None:
    """2 banks of 3 groups of 16 are 96 places (common practice), printed as the box does."""
    project = memory_project()
    places = memory_map(project, project.rig.devices[0])
    assert len(places) == 96
    assert [places[n].printed for n in (0, 17, 48)] == ["A-1-01", "A-2-02", "B-1-01"]
    assert [places[n].status for n in (0, 17, 1)] == ["in the box", "not there yet", None]
    assert first_free(project, project.rig.devices[0]) == 1


def test_places_are_given_and_exchanged() -> None:
    """A place that is taken changes hands; what the box holds elsewhere is not this pattern."""
    project = assign(memory_project(), "two", 0)
    assert [(p.program, p.in_box is not None) for p in project.patterns] == [
        (17, False), (0, False),
    ]  # fmt: skip
    assert assign(project, "two", None).patterns[1].program is None
    with pytest.raises(EditError, match="places 0 to 95"):
        assign(project, "two", 96)


def test_copies_go_to_free_places() -> None:
    """A copy under an id of its own; a place that is taken is not overwritten."""
    project, new = copy_to(memory_project(), "one", 5)
    copy = project.pattern(new)
    assert (copy.name, copy.program, copy.in_box) == ("one copy", 5, None)
    with pytest.raises(EditError, match="A-2-02 of Box holds two"):
        copy_to(project, "one", 17)


def test_a_whole_pattern_at_once() -> None:
    """Last step, triplets over the same beats and back, a blank second half; rows of lengths of
    their own stay."""
    voices = (build.voice("x..xx..x........", 36), build.voice("x.x.x.x", 42, "seven"))
    content = Content(length=16, voices=voices)
    longer = whole.last_step(content, 1)
    assert (longer.length, [v.length for v in longer.voices]) == (17, [17, 7])
    shorter = whole.last_step(content, -9)
    assert [h.step for h in shorter.voices[0].hits] == [0, 3, 4]
    with pytest.raises(EditError, match="1 to 256"):
        whole.last_step(content, -16)
    triplets = whole.triplet_scale(content)
    assert (triplets.rate, triplets.length, triplets.ticks) == ("1/8t", 12, content.ticks)
    assert [h.step for h in triplets.voices[0].hits] == [0, 3]  # the fourth of a beat goes
    assert triplets.voices[1] == content.voices[1]
    straight = whole.triplet_scale(triplets)
    assert (straight.rate, straight.length) == ("1/16", 16)
    assert [h.step for h in straight.voices[0].hits] == [0, 4]
    with pytest.raises(EditError, match="no triplets"):
        whole.triplet_scale(msgspec.structs.replace(content, length=15))
    blank = whole.blank_half(content)
    assert (blank.length, blank.voices[0].length, blank.voices[0].hits) == (32, 32, voices[0].hits)
    with pytest.raises(EditError):
        whole.blank_half(msgspec.structs.replace(content, length=200))


def test_a_generator_writes_what_is_selected() -> None:
    """Its hits there, one's own elsewhere; nothing past the row's end."""
    mine, other = build.voice("x...x...x..."), build.voice("xxxxxxxxxxxxxxxx")
    assert [h.step for h in edit.within(mine, other, 5, 7).hits] == [0, 4, 5, 6, 7, 8]
    assert [h.step for h in edit.within(mine, build.voice("." * 16), 0, 4).hits] == [8]
    assert [h.step for h in edit.within(mine, other, 10, 15).hits] == [0, 4, 8, 10, 11]


def test_quantised_later_by_strength() -> None:
    """What a capture kept off its steps goes half way, then all the way; nothing else changes."""
    hits = (Hit(step=0, shift_permille=-80, velocity=33), Hit(step=3, shift_permille=45, flam=20),
            Hit(step=8))  # fmt: skip
    content = Content(voices=(Voice(id="v", name="v", hits=hits),))
    half = whole.all_closer(content, 50)
    assert [h.shift_permille for h in half.voices[0].hits] == [-40, 22, 0]
    assert [(h.velocity, h.flam) for h in half.voices[0].hits] == [(33, 0), (100, 20), (100, 0)]
    done = half
    for _ in range(7):
        try:
            done = whole.all_closer(done, 50)
        except EditError:
            break
    assert not any(h.shift_permille for h in done.voices[0].hits)
    with pytest.raises(EditError, match="on its step already"):
        whole.all_closer(done, 50)
    maker = next(m for m in MAKERS if m.name == "Closer to the grid")
    whole_way = made(maker, content.voices[0], {"strength": "100"})
    assert [h.shift_permille for h in whole_way.hits] == [0, 0, 0]
