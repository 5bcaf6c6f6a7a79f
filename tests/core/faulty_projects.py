"""Projects with one fault each, for the findings."""

from __future__ import annotations

from collections.abc import Callable
from itertools import pairwise
from typing import Any

import msgspec

from grebe.core.document import Project, with_leader, with_rig
from grebe.core.patterns.model import Content, ControlLane, ControlPoint, Hit, Pattern, Voice
from grebe.core.rig.blank import profile_of
from grebe.core.rig.edits import device_from
from grebe.core.rig.learn import bound
from grebe.core.rig.model import Cable, Device, Filter, Plays, Port, Rig, Route
from grebe.core.rig.spec import Jack, Obeys, Proven, Spec, Steps
from grebe.core.rig.trigger import Trigger
from tests import build
from tests.core.test_rig import NO_CLOCK, box, cable

NO_NOTES = Filter(notes=False)


def rigged(*devices: Device, cables: tuple[Cable, ...] = (), **fields: Any) -> Project:
    """A project with only a rig."""
    routes = fields.pop("routes", ())
    rig = Rig(leader=fields.pop("leader", "grebe"), devices=devices, cables=cables, routes=routes)
    return Project(name="Test", rig=rig, **fields)


def fed(*devices: Device) -> tuple[Cable, ...]:
    """A cable from Grebe to each."""
    return tuple(cable("grebe", d.id, target_jack="midi-in") for d in devices)


def replaced(project: Project, index: int, **fields: Any) -> Project:
    """The project with one device set otherwise."""
    devices = list(project.rig.devices)
    devices[index] = msgspec.structs.replace(devices[index], **fields)
    return with_rig(project, msgspec.structs.replace(project.rig, devices=tuple(devices)))


def no_leader() -> Project:
    return with_leader(build.two_boxes(), None)


def unknown_leader() -> Project:
    return with_leader(build.two_boxes(), "nobody")


def leader_unheard() -> Project:
    """It could lead, and its clock is switched off where it leaves."""
    smew, knot = box("merganser", "Smew", sends_clock=True), box("curlew", "Knot", channel=2)
    out = cable("smew", "knot", source_jack="midi-out", target_jack="midi-in", passes=NO_CLOCK)
    return rigged(smew, knot, leader="smew", cables=(out,))


def grebe_deaf() -> Project:
    """A real box leads, and nobody said at which port it is heard."""
    smew = box("merganser", "Smew", sends_clock=True, port=Port(wire="alsa", name="Smew"))
    return rigged(smew, leader="smew", cables=(cable("smew", "grebe", source_jack="midi-out"),))


def cannot_give() -> Project:
    """An output that gives its own alone is to pass on."""
    knot = box("curlew", "Knot", channel=2)
    jacks = tuple(
        msgspec.structs.replace(j, sets=("own",)) if j.id == "midi-out" else j
        for j in knot.spec.jacks
    )
    knot = msgspec.structs.replace(knot, spec=msgspec.structs.replace(knot.spec, jacks=jacks))
    on = cable("knot", "smew", source_jack="midi-out", target_jack="midi-in", gives="thru")
    return rigged(knot, box("merganser", "Smew"), cables=(*fed(knot), on))


def plays_deaf() -> Project:
    """A looper obeys no notes."""
    smew, dunlin = box("merganser", "Smew"), box("eider", "Dunlin")
    on = cable("smew", "dunlin", source_jack="midi-out", target_jack="midi-in", plays=Plays())
    return rigged(smew, dunlin, cables=(*fed(smew), on))


def plays_level() -> Project:
    """Struck softly on one, loud on the other."""
    smew, otter = box("merganser", "Smew"), build.device("otter", channel=1)
    spec = msgspec.structs.replace(otter.spec, obeys=Obeys(velocity=False))
    otter = msgspec.structs.replace(otter, spec=spec)
    on = cable("smew", "otter", source_jack="midi-out", plays=Plays(channel=1))
    return rigged(smew, otter, cables=(*fed(smew), on))


def two_leaders() -> Project:
    project = replaced(build.two_boxes(), 0, sends_clock=True)
    cables = (*project.rig.cables, cable("drums", "bass"))
    return with_rig(project, msgspec.structs.replace(project.rig, cables=cables))


def guessed_box() -> Project:
    device = device_from(profile_of({"name": "Otter"}).profile, "Otter", set())
    return rigged(device, cables=fed(device))


def hardly_proven() -> Project:
    proven = (Proven(path="obeys.clock", sure=0.998), Proven(path="change_at", sure=0.9))
    device = build.device("otter")
    spec = msgspec.structs.replace(device.spec, proven=proven)
    return rigged(msgspec.structs.replace(device, spec=spec), cables=fed(device))


def ring() -> Project:
    a, b = build.device("a"), build.device("b", channel=2)
    return rigged(
        a,
        b,
        cables=(
            cable("grebe", "a"),
            cable("a", "b", gives="thru"),
            cable("b", "a", gives="thru", target_jack="other"),
        ),
    )


def no_clock() -> Project:
    project = build.two_boxes()
    return with_rig(project, msgspec.structs.replace(project.rig, cables=project.rig.cables[:1]))


def clock_off_at_the_input() -> Project:
    a = build.device("a")
    return rigged(a, cables=(cable("grebe", "a", accepts=Filter(clock=False)),))


def middle(gives: str) -> Callable[[], Project]:
    def made() -> Project:
        knot, scaup = box("curlew", "Knot", sends_clock=True), build.device("scaup", channel=3)
        out = cable("knot", "scaup", source_jack="midi-out", gives=gives)
        return rigged(knot, scaup, cables=(*fed(knot), out))

    return made


def pulses(rate: float, expects: float, **out: Any) -> Project:
    old = box("turnstone", "Old")
    if out:
        jacks = tuple(
            msgspec.structs.replace(j, **out) if j.id == "clock-out" else j for j in old.spec.jacks
        )
        old = msgspec.structs.replace(old, spec=msgspec.structs.replace(old.spec, jacks=jacks))
    return rigged(
        old,
        box("plover", "Garganey"),
        leader="old",
        cables=(
            cable(
                "old",
                "garganey",
                medium="pulse",
                source_jack="clock-out",
                target_jack="clock-in",
                rate=rate,
                expects=expects,
            ),
        ),
    )


def rate_that_can_be_set() -> Project:
    return pulses(48, 24)


def rate_that_needs_a_converter() -> Project:
    pocket = box("sanderling", "Pocket")
    return rigged(
        box("turnstone", "Old"),
        pocket,
        leader="old",
        cables=(
            cable("old", "pocket", medium="pulse", source_jack="clock-out", target_jack="sync-in"),
        ),
    )


def divider_asked_to_multiply() -> Project:
    divider, other = box("plover", "Garganey"), box("plover", "Other")
    return rigged(
        box("coot", "Coot"),
        divider,
        other,
        leader="coot",
        cables=(
            cable("coot", "garganey", medium="pulse", rate=4, expects=4),
            cable("garganey", "other", medium="pulse", gives="thru", rate=24, expects=24),
        ),
    )


def multiplied() -> Project:
    knot = box("curlew", "Knot", sends_clock=True)
    return rigged(
        box("coot", "Coot"),
        knot,
        box("plover", "Garganey"),
        leader="coot",
        cables=(
            cable("coot", "knot", medium="pulse", rate=1, expects=1),
            cable("knot", "garganey", medium="pulse", rate=24, expects=24),
        ),
    )


def start_missing() -> Project:
    smew = box("merganser", "Smew")
    (one,) = fed(smew)
    return rigged(smew, cables=(msgspec.structs.replace(one, passes=Filter(transport=False)),))


def start_unwanted() -> Project:
    smew = box("merganser", "Smew", stays=True)
    return rigged(smew, cables=fed(smew))


def starts_all() -> Project:
    dunlin = box("eider", "Dunlin")
    untold = msgspec.structs.replace(dunlin.spec, loop_control=None)  # else Grebe keeps them out
    dunlin = msgspec.structs.replace(dunlin, spec=untold)
    return rigged(dunlin, cables=fed(dunlin))


def control_gone() -> Project:
    project = rigged(box("eider", "Dunlin"))
    pedal = Trigger(device="pedal", kind="controller", channel=1, number=64)
    return bound(project, "hold", pedal)


def plays_twice() -> Project:
    smew = box("merganser", "Smew", plays="grebe", mute_controller=None)
    held = build.own(build.pattern("p", "smew", build.voice("x..."), program=1))
    return rigged(smew, cables=fed(smew), patterns=(held,))


def too_fast() -> Project:
    smew = box("merganser", "Smew")
    scene = build.scene("a", 1)
    return rigged(smew, cables=fed(smew), scenes=(scene,), songs=(build.song("a", bpm=320.0),))


def between_steps() -> Project:
    old = box("turnstone", "Old", sends_clock=True)
    return rigged(
        old, leader="old", scenes=(build.scene("a"),), songs=(build.song("a", bpm=120.3),)
    )


def late() -> Project:
    smew = box("merganser", "Smew")
    slow = box("merganser", "Slow", channel=9, mute_controller=None, obeys_program=False)
    slow = msgspec.structs.replace(slow, spec=msgspec.structs.replace(slow.spec, latency_ms=9.0))
    return rigged(smew, slow, cables=fed(smew, slow))


def to_nowhere() -> Project:
    project = build.two_boxes()
    cables = (*project.rig.cables, cable("grebe", "x"))
    return with_rig(project, msgspec.structs.replace(project.rig, cables=cables))


def no_jack() -> Project:
    smew = box("merganser", "Smew")
    return rigged(smew, cables=(cable("grebe", "smew", target_jack="spout"),))


def one_jack_two_plugs() -> Project:
    smew, knot = box("merganser", "Smew"), box("curlew", "Knot")
    both = (
        cable("grebe", "smew", target_jack="midi-in"),
        cable("knot", "smew", source_jack="midi-out", target_jack="midi-in",
              passes=Filter(clock=False, notes=False)),
        cable("grebe", "knot", target_jack="midi-in"),
    )  # fmt: skip
    return rigged(smew, knot, cables=both)


def into_speakers() -> Project:
    desk = build.device("desk", obeys_clock=False, obeys_transport=False, plays="own")
    jack = Jack(id="in", name="Main in", kind="audio", way="in", speakers=True)
    desk = msgspec.structs.replace(desk, spec=msgspec.structs.replace(desk.spec, jacks=(jack,)))
    return rigged(
        box("turnstone", "Old"),
        desk,
        leader="old",
        cables=(cable("old", "desk", medium="pulse", source_jack="clock-out", target_jack="in"),),
    )


def usb_into_din() -> Project:
    pads, smew = box("pochard", "Pads"), box("merganser", "Smew")
    plug = cable("pads", "smew", source_jack="usb", target_jack="midi-in")
    return rigged(pads, smew, cables=(plug, cable("grebe", "smew", target_jack="usb")))


def no_run_line() -> Project:
    old = box("turnstone", "Old")
    out = cable(
        "coot", "old", medium="pulse", source_jack="pulse-out", target_jack="sync-in", rate=24
    )
    return rigged(box("coot", "Coot"), old, leader="coot", cables=(out,))


def too_many_volts() -> Project:
    pocket, divider = box("sanderling", "Pocket"), box("plover", "Garganey")
    out = cable(
        "garganey", "pocket", medium="pulse", source_jack="div-2", target_jack="sync-in",
        gives="thru", rate=2,
    )  # fmt: skip
    feed = cable("coot", "garganey", medium="pulse", source_jack="pulse-out",
                 target_jack="clock-in", rate=4)  # fmt: skip
    return rigged(box("coot", "Coot"), divider, pocket, leader="coot", cables=(feed, out))


def too_few_volts() -> Project:
    return pulses(48, 48, volts=3.0)


def wrong_edge() -> Project:
    return pulses(48, 48, edge="falling")


def long_chain() -> Project:
    ids = ["a", "b", "c", "d"]
    made = [build.device(d, channel=n) for n, d in enumerate(ids, start=1)]
    chain = (
        cable("grebe", "a"),
        *(cable(x, y, gives="thru") for x, y in pairwise(ids)),
    )
    return rigged(*made, cables=chain)


def full_wire() -> Project:
    bass = build.device("bass")
    voices = [build.voice("x...", 36 + n, voice_id=f"v{n}") for n in range(8)]
    return rigged(
        bass,
        cables=(cable("grebe", "bass"),),
        patterns=(build.pattern("p", "bass", *voices),),
        scenes=(build.scene("a", bass=["p"]),),
    )


def same_channel() -> Project:
    a, b = build.device("a", channel=2), build.device("b", channel=2)
    return rigged(a, b, cables=(cable("grebe", "a"), cable("a", "b", gives="thru")))


def same_channel_program() -> Project:
    own: dict[str, Any] = {"plays": "own", "obeys_program": True, "channel": 5}
    a, b = build.device("a", **own), build.device("b", **own)
    return rigged(a, b, cables=(cable("grebe", "a"), cable("a", "b", gives="thru")))


def same_mute_controller() -> Project:
    a = build.device("a", plays="own", channel=5, mute_controller=7)
    b = build.device("b", channel=5, plays="own", mute_controller=7)
    return rigged(a, b, cables=(cable("grebe", "a"), cable("a", "b", gives="thru")))


def pads_of_a_drum_box() -> Project:
    smew, knot = box("merganser", "Smew"), box("curlew", "Knot", channel=10)
    return rigged(
        smew,
        knot,
        cables=(
            cable("grebe", "smew", target_jack="midi-in"),
            cable("smew", "knot", source_jack="midi-out", target_jack="midi-in",
                  passes=Filter(clock=False, program=False, controllers=False)),
            cable("grebe", "knot", target_jack="usb", passes=NO_NOTES),
        ),
    )  # fmt: skip


def blocked() -> Project:
    smew = box("merganser", "Smew", obeys_program=False)
    (one,) = fed(smew)
    return rigged(smew, cables=(msgspec.structs.replace(one, accepts=Filter(but=(7,))),))


def no_way() -> Project:
    project = build.two_boxes()
    return with_rig(project, msgspec.structs.replace(project.rig, cables=project.rig.cables[:1]))


def printed_otherwise() -> Project:
    smew = box("merganser", "Smew")
    held = build.own(build.pattern("oars", "smew", build.voice("x..."), program=16))
    return rigged(smew, cables=fed(smew), patterns=(held,))


def beyond_the_memory() -> Project:
    wigeon = box("wigeon", "Wigeon")
    held = build.own(build.pattern("p", "wigeon", build.voice("x..."), program=110))
    return rigged(wigeon, cables=fed(wigeon), patterns=(held,))


def pads_that_lie_otherwise() -> Project:
    pads, sampler = box("pochard", "Pads"), box("fulmar", "Fulmar")
    return rigged(
        pads,
        sampler,
        cables=(cable("pads", "grebe"), cable("grebe", "fulmar", target_jack="midi-in")),
        routes=(Route(source="pads", target="fulmar", channel=10),),
    )


def route_to_nowhere() -> Project:
    project = pads_that_lie_otherwise()
    rig = msgspec.structs.replace(project.rig, routes=(Route(source="pads", target="gone"),))
    return with_rig(project, rig)


def shared_slot() -> Project:
    sampler = box("fulmar", "Fulmar")
    voices = (build.voice("x.x.", 62, "closed"), build.voice("..x.", 63, "open"))
    return rigged(
        sampler, cables=fed(sampler), patterns=(build.pattern("hats", "fulmar", *voices),)
    )


def echo_without_clock() -> Project:
    return rigged(
        box("bittern", "Gadwall"),
        scenes=(build.scene("a"),),
        songs=(build.song("a", bpm=126.0),),
    )


def beat(steps: Steps, *voices: Voice, **fields: Any) -> Callable[[], Project]:
    """A drum box that plays its own, of this shape, with one pattern."""

    def make() -> Project:
        spec = msgspec.structs.replace(fields.get("spec", Spec()), steps=steps)
        box = build.device("box", plays="own", kind=fields.get("kind", "drums"), spec=spec)
        content = Content(
            length=fields.get("length", 16),
            voices=voices,
            lanes=fields.get("lanes", ()),
            swing=fields.get("swing", 50.0),
        )
        pattern = Pattern(id="beat", name="Beat", device="box", content=content, in_box=content)
        return build.project([box], [pattern], [])

    return make


def one_place() -> Project:
    box = build.device("box", plays="own")
    return build.project(
        [box],
        [build.own(build.pattern("one", "box", build.voice("x"), program=3)),
         build.own(build.pattern("beat", "box", build.voice("x"), program=3))],
        [],
    )  # fmt: skip


def hits(*hits: Hit, **fields: Any) -> Voice:
    return Voice(id="v", name="Snare", note=38, hits=hits, **fields)


CHORD = hits(Hit(step=0, note=50, chord=(3, 7), gate_length=400))


BASS = Voice(id="b", name="Bass", note=38, hits=(Hit(step=1, gate_length=200),))


CUTOFF = ControlLane(
    id="c", name="Cutoff", controller=74, points=(ControlPoint(step=0, value=120),)
)
