"""Profiles that hold together, words for filters, note maps in routes, the set-up sheet."""

from __future__ import annotations

from itertools import product
from typing import Any

import msgspec
import pytest

from grebe.app.document.demo import demo_bytes
from grebe.core.beginning import begin
from grebe.core.document import tick
from grebe.core.rig.blank import profile_of
from grebe.core.rig.edits import (
    add_cable,
    add_device,
    add_route,
    best_cable,
    change_cable,
    device_from,
    free_id,
    profile_from,
    proposed_route,
    remove_cable,
    remove_device,
    uses_of,
)
from grebe.core.rig.flow import Flow
from grebe.core.rig.formatting import (
    filter_from_words,
    filter_words,
    rate_from_text,
)
from grebe.core.rig.improved import differences, taking, was_improved
from grebe.core.rig.model import Cable, Filter, Rig, Route
from grebe.core.rig.numbering import printed_program
from grebe.core.rig.passage import NOT_SENT, both, passages, route_notes
from grebe.core.rig.profile_check import contradictions
from grebe.core.rig.setup import CABLES, RECEIVE, ROLE, setup_sheet
from grebe.core.rig.spec import (
    ChainRule,
    ControllerRow,
    Jack,
    MemoryShape,
    Obeys,
    Profile,
    Sends,
    Spec,
    SpecVoice,
    Steps,
    TempoRange,
)
from grebe.core.rig.wiring import Wiring
from grebe.core.time.delay import fitted_ms, note_ms
from grebe.errors import EditError
from grebe.formats.profiles import shipped_profiles
from grebe.formats.project import parse_project
from tests import build
from tests.core.test_rig import box, cable

IN = Jack(id="in", name="In")
SILENT = Obeys(
    clock=False, start=False, resume=False, song_position=False, program=False, notes=False
)

CONTRADICTING: list[tuple[str, dict[str, Any]]] = [
    ("spec.jacks", {"jacks": (IN, IN)}),
    ("spec.jacks[0].rates", {"jacks": (msgspec.structs.replace(IN, rates=(24.0,)),)}),
    ("spec.jacks[0].volts", {"jacks": (msgspec.structs.replace(IN, kind="pulse", volts=5.0),)}),
    (
        "spec.jacks[0].needs_volts",
        {"jacks": (msgspec.structs.replace(IN, kind="pulse", needs_volts=6.0, bears_volts=5.0),)},
    ),
    ("spec.jacks[0].speakers", {"jacks": (msgspec.structs.replace(IN, speakers=True),)}),
    ("spec.sends.clock", {"jacks": (IN,), "sends": Sends(clock=True)}),
    ("spec.sends.notes", {"jacks": (IN,), "sends": Sends(notes=True)}),
    ("spec.obeys.clock", {"jacks": (Jack(id="o", name="Out", way="out"),)}),
    ("spec.obeys.resume", {"obeys": Obeys(start=False), "jacks": (IN,)}),
    ("spec.tempo.low", {"jacks": (IN,), "tempo": TempoRange(low=200, high=100)}),
    ("spec.chains.rule", {"chains": ChainRule(rule="any", longest=4)}),
    (
        "spec.chains.group",
        {"memory": MemoryShape(), "chains": ChainRule(rule="neighbours", longest=4)},
    ),
    ("spec.chains.longest", {"memory": MemoryShape(), "chains": ChainRule(rule="any")}),
    (
        "spec.memory",
        {"memory": MemoryShape(banks=2, slots=128), "obeys": Obeys(program=True), "jacks": (IN,)},
    ),
    ("spec.memory.printed", {"memory": MemoryShape(groups=2)}),
    ("spec.steps.swing", {"steps": Steps(swing=(60.0, 50.0))}),
    ("spec.voices", {"voices": (SpecVoice(name="a", note=1), SpecVoice(name="b", note=1))}),
    (
        "spec.controllers[0].low",
        {"controllers": (ControllerRow(name="x", number=1, low=9, high=2),)},
    ),
    ("spec.echo_ms", {"echo_ms": (800.0, 20.0)}),
    ("spec.starts_all", {"starts_all": True, "obeys": SILENT}),
]


@pytest.mark.parametrize(("field", "fields"), CONTRADICTING, ids=[c[0] for c in CONTRADICTING])
def test_profiles_that_contradict_themselves_name_the_field(
    field: str, fields: dict[str, Any]
) -> None:
    profile = Profile(id="x", name="X", spec=Spec(**fields))
    assert field in [where for where, _ in contradictions(profile)]


def test_the_shipped_profiles_are_sound_and_cover_the_kinds() -> None:
    """Fifteen archetypes and three relays, each with jacks and a sentence about it."""
    profiles = shipped_profiles()
    assert len(profiles) == 19
    for profile in profiles:
        assert contradictions(profile) == ()
        assert profile.about
        assert profile.spec.jacks
    assert {p.kind for p in profiles} >= {
        "drums", "bass", "synth", "sampler", "looper", "echo", "modular", "controller",
        "computer", "pedal", "relay",
    }  # fmt: skip


def test_the_drum_boxs_notes_are_general_midi() -> None:
    """General MIDI level 1 percussion: 36 bass drum, 38 snare, 42 and 46 hats, 56 cowbell."""
    voices = {v.name: v.note for v in box("merganser", "Smew").spec.voices}
    general = {"Kick": 36, "Rim": 37, "Snare": 38, "Clap": 39, "Low tom": 41, "Closed hat": 42,
               "Open hat": 46, "Crash": 49, "Ride": 51, "Cowbell": 56}  # fmt: skip
    assert {name: voices[name] for name in general} == general


def test_memories_of_common_practice() -> None:
    """2 banks of 3 groups of 16 is 96 patterns, 2 groups of 16 is 32."""
    assert MemoryShape(banks=2, groups=3, slots=16, printed="bank_group").size == 96
    assert MemoryShape(groups=2, slots=16, printed="bank_group").size == 32


@pytest.mark.parametrize(
    ("printed", "program", "text"),
    [("number", 0, "1"), ("bank", 16, "B01"), ("bank_group", 50, "B-1-03"), ("bank", 31, "B16")],
)
def test_how_boxes_print_places(printed: Any, program: int, text: str) -> None:
    """Program 0 to 127 on the wire (MIDI 1.0), often printed from 1 or as bank and number."""
    groups = 3 if printed == "bank_group" else 1
    memory = MemoryShape(banks=2, groups=groups, slots=16, printed=printed)
    device = build.device("d", spec=Spec(memory=memory))
    assert printed_program(device, program) == text


def test_filters_in_words_and_back() -> None:
    """Every filter with up to two single controllers comes back as it was."""
    names = ("clock", "transport", "notes", "program", "controllers")
    for bits in product((True, False), repeat=5):
        for but in ((), (7,), (7, 74)):
            filter_ = Filter(**dict(zip(names, bits, strict=True)), but=but)
            assert filter_from_words(filter_words(filter_)) == filter_
    assert filter_words(Filter()) == "all"
    assert filter_words(Filter(notes=False)) == "all but notes"
    assert filter_from_words("clock and start") == filter_from_words("Clock, start")
    with pytest.raises(EditError, match="'bananas' is not known"):
        filter_from_words("all but bananas")


def test_rates_from_text() -> None:
    """Fractions as performers say them; nothing above 96."""
    assert rate_from_text("1/4") == 0.25
    assert rate_from_text(" 24 ") == 24.0
    assert rate_from_text("") is None
    for bad in ("0", "97", "many", "1/0"):
        with pytest.raises(EditError):
            rate_from_text(bad)


def test_both_filters_in_a_row() -> None:
    """What one blocks the other cannot bring back."""
    for one, other in product(
        (Filter(), Filter(but=(7,)), Filter(controllers=False, but=(7, 74)), Filter(notes=False)),
        repeat=2,
    ):
        folded = both(one, other)
        for n in range(120):
            wanted = one.passes_controller(n) and other.passes_controller(n)
            assert folded.passes_controller(n) == wanted
        assert folded.notes == (one.notes and other.notes)


def test_pads_counted_from_below_and_from_above() -> None:
    """Pad 13 of one is pad 1 of the other (common practice): note 48 becomes 60."""
    pads, sampler = box("pochard", "Pads"), box("fulmar", "Fulmar")
    route = Route(source="pads", target="fulmar", notes="position")
    table = route_notes(route, pads, sampler)
    assert table[36 + 12] == 60
    assert table[36] == 72
    assert table[35] == NOT_SENT
    shifted = route_notes(msgspec.structs.replace(route, transpose=24), pads, sampler)
    assert shifted[48] == 84
    own = Route(source="pads", target="fulmar", notes="table", table=((36, 60),))
    assert route_notes(own, pads, sampler)[36:38] == (60, NOT_SENT)
    assert route_notes(Route(source="pads", target="fulmar"), pads, sampler) == ()


def test_passages_fold_every_filter_on_the_way() -> None:
    """Both cables' filters and the route's own; a route without a cable is none."""
    pads, sampler = box("pochard", "Pads"), box("fulmar", "Fulmar")
    rig = Rig(
        devices=(pads, sampler),
        cables=(
            cable("pads", "grebe", passes=Filter(but=(20,))),
            cable("grebe", "fulmar", passes=Filter(clock=False)),
        ),
        routes=(Route(source="pads", target="fulmar", passes=Filter(program=False)),),
    )
    wiring = Wiring(rig)
    (passage,) = passages(wiring, Flow(wiring).via)
    assert passage.wire == "fulmar"
    assert not passage.passes.clock
    assert not passage.passes.program
    assert not passage.passes.passes_controller(20)
    assert passage.passes.passes_controller(21)
    wiring = Wiring(msgspec.structs.replace(rig, cables=rig.cables[1:]))
    assert passages(wiring, Flow(wiring).via) == ()


def test_echo_times() -> None:
    """140 BPM: 428.571 ms, dotted eighth 321.429; one that cannot take it is set to 70's half."""
    assert note_ms(140) == pytest.approx(428.571, abs=5e-4)
    assert note_ms(140, 0.75) == pytest.approx(321.429, abs=5e-4)
    assert fitted_ms(140, 20, 400) == pytest.approx(214.286, abs=5e-4)
    assert fitted_ms(140, 500, 1000) == pytest.approx(857.143, abs=5e-4)  # a quarter at 70
    assert fitted_ms(120, 300, 400) is None


def test_adding_and_removing_boxes() -> None:
    """Ids are made free; what uses a box is said; cables and routes go with it."""
    project = build.two_boxes()
    profile = next(p for p in shipped_profiles() if p.id == "fulmar")
    project, device_id = add_device(project, profile, "Bass")
    assert device_id == "bass-2"
    project = add_cable(project, Cable(source="bass-2", target="grebe"))
    route = proposed_route(project.rig, "bass")
    assert route is not None
    assert route.target == "bass-2"
    project = add_route(project, route)
    with pytest.raises(EditError, match="already has a route"):
        add_route(project, route)
    assert uses_of(project, "bass-2") == ("1 cable", "1 route")
    assert uses_of(project, "drums") == ("1 cable", "2 patterns", "a part in a, b")
    assert remove_device(project, "bass-2").rig == build.two_boxes().rig
    assert free_id("Öl!", set()) == "l"
    assert free_id("???", {"box"}) == "box-2"


def test_edits_of_cables_refuse_what_cannot_be() -> None:
    """A cable to itself, or one that is not there."""
    project = build.two_boxes()
    with pytest.raises(EditError, match="from one device to another"):
        add_cable(project, Cable(source="bass", target="bass"))
    with pytest.raises(EditError, match="from one device to another"):
        change_cable(project, 0, target="grebe")
    with pytest.raises(EditError, match="no such cable"):
        remove_cable(project, 9)
    assert len(remove_cable(project, 0).rig.cables) == 1


def test_a_new_pulse_cable_is_set_to_a_rate_both_ends_know() -> None:
    """Grebe gives what is counted on; two boxes meet at the first rate they share."""
    kinds = {p.id: p for p in shipped_profiles()}
    project = parse_project(demo_bytes(), "demo").project
    project, pip = add_device(project, kinds["sanderling"], "Pip")
    project, divider = add_device(project, kinds["plover"], "Divider")
    to_pip = best_cable(project.rig, "grebe", pip)
    assert (to_pip.medium, to_pip.rate, to_pip.expects) == ("pulse", 2.0, None)
    on = best_cable(project.rig, pip, divider)
    assert (on.medium, on.rate, on.expects) == ("pulse", 2.0, 2.0)
    for made in (to_pip, on):
        wiring = Wiring(add_cable(project, made).rig)
        assert wiring.rate(made) == wiring.wanted_rate(made) == 2


def test_a_box_becomes_a_profile_of_its_own() -> None:
    """And a device made from it is set as the first was."""
    device = box("merganser", "Smew", channel=4)
    profile = profile_from(device)
    assert contradictions(profile) == ()
    assert profile.channel == 4
    assert profile.spec == device.spec


def test_the_setup_sheet_goes_in_the_order_of_a_sound_check() -> None:
    """Cable before role before channel before filters; every step with its reason."""
    project = parse_project(demo_bytes(), "demo").project
    sheet = setup_sheet(project)
    assert [d.name for d in sheet.devices][:4] == ["Smew", "Knot", "Dunlin", "Teal"]
    order = [
        "Care",
        "Cable",
        "Role",
        "Rate",
        "Channel",
        "Receive",
        "Send",
        "Thru",
        "Offset",
        "Programs",
    ]
    for device in sheet.devices:
        assert all(step.reason.endswith(".") for step in device.steps)
    smew = sheet.devices[0].steps
    abouts = [step.about for step in smew]
    assert abouts == sorted(abouts, key=order.index)
    assert next(s.do for s in smew if s.about == ROLE) == "Clock from outside at MIDI in."
    assert any(s.about == RECEIVE and "controller 7" in s.do for s in smew)
    assert any("Oars at B01, sent as 16." in s.do for s in smew)
    knot = sheet.devices[1].steps
    assert any("Clock out at 4 a quarter." in s.do for s in knot)
    assert "voltage" in knot[0].reason
    gadwall = next(d for d in sheet.devices if d.name == "Gadwall")
    assert any("earthed" in s.do for s in gadwall.steps)
    assert [s.do for s in gadwall.steps if s.about == CABLES] == [
        "Dunlin's Audio out into Audio in."
    ]
    assert len(set(sheet.keys)) == len(sheet.keys)


def test_a_tick_belongs_to_the_setting_it_was_made_for() -> None:
    """Another channel is another step, and open again."""
    project = parse_project(demo_bytes(), "demo").project
    step = next(s for s in setup_sheet(project).devices[0].steps if s.about == "Channel")
    done = tick(project, step.key, done=True)
    assert done.ticked == (step.key,)
    assert tick(done, step.key, done=False) == project
    devices = (
        msgspec.structs.replace(done.rig.devices[0], channel=9),
        *done.rig.devices[1:],
    )
    rig = msgspec.structs.replace(done.rig, devices=devices)
    changed = msgspec.structs.replace(done, rig=rig)
    assert step.key not in setup_sheet(changed).keys


@pytest.mark.parametrize(
    ("clock", "sends_clock", "leader", "line"),
    [
        (True, True, "grebe", "Clock output on."),
        (True, False, "grebe", "Clock output off."),
        (False, True, "grebe", "Clock output off."),
        (True, True, "a", None),
    ],
)
def test_clock_output_is_set_where_a_box_could_send_without_leading(
    clock: bool, sends_clock: bool, leader: str, line: str | None
) -> None:
    """On where somebody follows it, off where nobody is to; the leader's line is its role."""
    jacks = (IN, Jack(id="out", name="Out", way="out"))
    spec = Spec(sends=Sends(clock=True), jacks=jacks)
    first = box("turnstone", "A", spec=spec, sends_clock=sends_clock)
    second = box("turnstone", "B", spec=Spec(jacks=jacks))
    drawn = cable("a", "b", passes=Filter(clock=clock), source_jack="out", target_jack="in")
    rig = Rig(devices=(first, second), leader=leader, cables=(drawn,))
    base = build.two_boxes()
    sheet = setup_sheet(msgspec.structs.replace(base, rig=rig, patterns=(), scenes=(), songs=()))
    shown = {
        d.name: [s.do for s in d.steps if s.do.startswith("Clock output")] for d in sheet.devices
    }
    assert shown["A"] == ([line] if line else [])
    assert shown["B"] == []


@pytest.mark.parametrize(
    ("takes", "wire"),
    [("clock", "standin"), ("notes", "standin"), ("program", "standin"), ("start", "none")],
)
def test_a_box_from_a_profile_gets_a_stand_in_for_whatever_makes_it_sound(
    takes: str, wire: str
) -> None:
    """Clock alone, notes alone or program changes alone; one that takes none of them has none."""
    obeys = msgspec.structs.replace(SILENT, **{takes: True})
    profile = Profile(id="p", name="P", kind="drums", spec=Spec(obeys=obeys))
    assert device_from(profile, "P", set()).port.wire == wire


def test_a_profile_that_was_improved_is_compared_and_taken() -> None:
    """A box keeps how its profile was; what differs is named, and only what is wanted is taken."""
    before = next(p for p in shipped_profiles() if p.id == "coot")
    device = device_from(before, "Smew", set())
    assert not was_improved(device, before)
    assert differences(device, before) == ()
    row = ControllerRow(name="Drive", number=119)
    spec = msgspec.structs.replace(
        before.spec, latency_ms=before.spec.latency_ms + 3, told_ms=12.0,
        controllers=(*before.spec.controllers, row),
    )  # fmt: skip
    after = msgspec.structs.replace(before, spec=spec, label="drum box, mended")
    assert was_improved(device, after)
    assert [d.path for d in differences(device, after)] == [
        "label", "told_ms", "latency_ms", "controllers",
    ]  # fmt: skip
    assert "Drive 119" in differences(device, after)[3].theirs
    better = taking(device, after, ("latency_ms", "controllers"))
    assert better.spec.latency_ms == spec.latency_ms
    assert better.spec.controllers == spec.controllers
    assert better.label == before.label
    assert not was_improved(better, after)
    whole = taking(device, after, [d.path for d in differences(device, after)])
    assert differences(whole, after) == ()
    other = msgspec.structs.replace(before, spec=Spec(guessed=("channel",)))
    bare = taking(device, other, [d.path for d in differences(device, other)])
    assert differences(bare, other) == ()


def test_the_set_up_sheet_marks_what_is_guessed() -> None:
    """At the settings that rest on it, and nowhere else."""
    blank = profile_of({"name": "Otter", "kind": "drums"}, ("midi-in",)).profile
    project = begin("Guess", [(blank, "")])
    (sheet,) = setup_sheet(project).devices
    marked = {s.about for s in sheet.steps if "Guessed" in s.reason}
    assert "Channel" in marked
    known = profile_of({"name": "Otter", "channel": "3"}, ("midi-in",)).profile
    (sheet,) = setup_sheet(begin("Known", [(known, "")])).devices
    assert "Channel" not in {s.about for s in sheet.steps if "Guessed" in s.reason}
