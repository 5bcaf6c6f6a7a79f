"""The clock tree, leaders, loops, and the flow of messages."""

from __future__ import annotations

import random
from fractions import Fraction
from typing import Any

import msgspec
import pytest

from grebe.core.rig.edits import best_cable, device_from
from grebe.core.rig.flow import Flow
from grebe.core.rig.layout import Piece, drawing, tracks
from grebe.core.rig.model import GREBE_ID, Cable, Device, Filter, Rig, Route
from grebe.core.rig.propose import proposals
from grebe.core.rig.tree import clock_loops, clock_tree, passes_clock_on, tree_of
from grebe.core.rig.wiring import Wiring
from grebe.formats.profiles import shipped_profiles
from tests import build

PROFILES = {p.id: p for p in shipped_profiles()}
NO_CLOCK = Filter(clock=False)


def box(profile: str, name: str, **fields: Any) -> Device:
    """A device from a shipped profile."""
    return msgspec.structs.replace(device_from(PROFILES[profile], name, set()), **fields)


def rig_of(
    leader: str | None, devices: list[str], *cables: Cable, senders: tuple[str, ...] = ()
) -> Rig:
    made = tuple(build.device(d, sends_clock=d in senders) for d in devices)
    return Rig(leader=leader, devices=made, cables=cables)


def cable(source: str, target: str, **fields: Any) -> Cable:
    return Cable(source=source, target=target, **fields)


def test_columns_by_distance() -> None:
    """The leader first, then who it feeds, then whom they pass it on to."""
    rig = rig_of(
        "grebe",
        ["a", "b", "c"],
        cable("grebe", "a"),
        cable("a", "c", gives="thru"),
        cable("grebe", "b"),
    )
    tree = clock_tree(rig)
    assert tree.columns == (("grebe",), ("a", "b"), ("c",))
    assert tree.locked == ("a", "b", "c")
    assert not tree.free_running


def test_a_box_that_gives_only_its_own_passes_nothing_on() -> None:
    """Without thru, and without a clock of its own, what follows is on its own."""
    rig = rig_of("grebe", ["a", "b"], cable("grebe", "a"), cable("a", "b"))
    assert clock_tree(rig).free_running == ("b",)


def test_a_thru_repeats_what_the_box_itself_ignores() -> None:
    """Switched off at the input, clock still reaches the next box."""
    rig = rig_of(
        "grebe",
        ["a", "b"],
        cable("grebe", "a", accepts=NO_CLOCK),
        cable("a", "b", gives="thru"),
    )
    assert clock_tree(rig).locked == ("b",)


def test_a_cable_without_clock_leaves_its_end_on_its_own() -> None:
    """Notes alone do not make a follower."""
    rig = rig_of("grebe", ["a"], cable("grebe", "a", passes=NO_CLOCK))
    assert clock_tree(rig).free_running == ("a",)


def test_a_box_can_lead() -> None:
    """A device that leads stands first and needs no clock itself."""
    rig = rig_of("a", ["a", "b"], cable("a", "b"), senders=("a",))
    tree = clock_tree(rig)
    assert tree.columns == (("a",), ("b",))
    assert tree.locked == ("a", "b")


def test_rates_on_every_hop_and_the_summed_latency() -> None:
    """48 pulses from an old drum machine, a converter, 24 of MIDI (common practice)."""
    drums, weir = box("turnstone", "Old"), box("weir", "Weir", obeys_clock=True)
    bass = box("curlew", "Bass")
    rig = Rig(
        leader="old",
        devices=(drums, weir, bass),
        cables=(
            cable(
                "old",
                "weir",
                medium="pulse",
                source_jack="clock-out",
                target_jack="pulse-in",
                expects=48,
            ),
            cable("weir", "bass", source_jack="midi-out", target_jack="midi-in", gives="thru"),
        ),
    )
    tree = clock_tree(rig)
    hop = tree.hops["bass"]
    assert (hop.came, hop.rate, hop.wanted) == (48, 24, 24)
    assert hop.conversion is not None
    assert (hop.conversion.action, hop.conversion.factor) == ("divide", 2)
    assert tree.latency_ms["bass"] == pytest.approx(weir.spec.pass_ms + bass.spec.latency_ms)


def test_multiplying_pulses_costs_a_pulse() -> None:
    """From one pulse a quarter to 24: half a second at 120 BPM before the first is known."""
    knot = box("curlew", "Knot", sends_clock=True)
    rig = Rig(
        leader="coot",
        devices=(box("coot", "Coot", sends_clock=True), knot, box("plover", "Plover")),
        cables=(
            cable("coot", "knot", medium="pulse", rate=1, expects=1),
            cable("knot", "plover", medium="pulse", source_jack="clock-out", rate=24, expects=24),
        ),
    )
    hop = clock_tree(rig, bpm=120).hops["plover"]
    assert hop.conversion is not None
    assert hop.conversion.ratio == Fraction(24)
    assert hop.delay_ms == pytest.approx(500 + knot.spec.latency_ms)


def random_rig(seed: int, boxes: int, cables: int) -> Rig:
    dice = random.Random(seed)
    ids = [f"d{n}" for n in range(boxes)]
    made = tuple(
        cable(
            dice.choice([GREBE_ID, *ids]),
            dice.choice(ids),
            gives=dice.choice(["own", "thru", "both"]),
            passes=Filter(clock=dice.random() < 0.8),
        )
        for _ in range(cables)
    )
    senders = tuple(d for d in ids if dice.random() < 0.3)
    return rig_of(
        dice.choice([GREBE_ID, *ids]),
        ids,
        *(c for c in made if c.source != c.target),
        senders=senders,
    )


@pytest.mark.parametrize("seed", range(40))
def test_columns_are_the_layers_that_networkx_finds(seed: int) -> None:
    """Distances from the leader over the cables that pass a clock on."""
    import networkx as nx

    rig = random_rig(seed, 12, 20)
    wiring = Wiring(rig)
    tree = tree_of(wiring)
    graph = nx.DiGraph()
    graph.add_node(rig.leader)
    for c in wiring.cables:
        first = c.source == rig.leader
        if (
            c.clock and (c.gives != "thru" or c.source == GREBE_ID)
            if first
            else passes_clock_on(wiring, c)
        ):
            graph.add_edge(c.source, c.target)
    layers = nx.single_source_shortest_path_length(graph, rig.leader)
    found = {d: column for column, row in enumerate(tree.columns) for d in row}
    assert found == dict(layers)


@pytest.mark.parametrize("seed", range(40))
def test_loops_are_where_networkx_finds_cycles(seed: int) -> None:
    """Every ring named is a cycle of the graph, and there is one exactly when it has any."""
    import networkx as nx

    rig = random_rig(seed, 8, 14)
    wiring = Wiring(rig)
    graph = nx.DiGraph()
    for c in wiring.cables:
        leads = c.source == rig.leader
        if c.clock and c.gives != "own" if leads else passes_clock_on(wiring, c):
            graph.add_edge(c.source, c.target)
    rings = clock_loops(wiring)
    assert bool(rings) == (not nx.is_directed_acyclic_graph(graph))
    for ring in rings:
        assert all(graph.has_edge(a, b) for a, b in zip(ring, (*ring[1:], ring[0]), strict=True))


def test_who_could_lead_and_why() -> None:
    """A looper whose loops hold the tempo goes before a drum box; Grebe is always offered."""
    looper, drums = box("eider", "Dunlin"), box("merganser", "Smew")
    echo = box("bittern", "Gadwall")
    rig = Rig(
        leader=None,
        devices=(drums, looper, echo),
        cables=(cable("dunlin", "smew"), cable("smew", "dunlin"), cable("grebe", "smew")),
    )
    rows = proposals(rig)
    assert [p.leader for p in rows] == ["dunlin", "grebe", "smew"]
    assert "its loops hold the tempo" in rows[0].why
    assert "gadwall" not in {p.leader for p in rows}


def kinds(flow: Flow, device: str) -> set[tuple[str, str, int]]:
    return {(a.stream.kind, a.stream.meant, a.stream.channel) for a in flow.arrivals[device]}


def test_messages_are_followed_through_thru_and_filters() -> None:
    """The box in the middle ignores notes, the one behind it gets them; programs are cut off."""
    a = build.device("a", channel=1)
    b = build.device("b", channel=2)
    c = build.device("c", channel=3, plays="own", obeys_program=True, mute_controller=7)
    rig = Rig(
        devices=(a, b, c),
        cables=(
            cable("grebe", "a", accepts=Filter(notes=False)),
            cable("a", "b", gives="thru"),
            cable("a", "c", gives="thru", passes=Filter(program=False, but=(7,))),
        ),
    )
    flow = Flow(Wiring(rig))
    assert flow.via == {"a": "a", "b": "a", "c": "a"}
    assert not any(kind == "notes" for kind, _, _ in kinds(flow, "a"))
    assert ("notes", "b", 2) in kinds(flow, "b")
    assert ("notes", "a", 1) in kinds(flow, "c")
    assert not any(kind in ("program", "controllers") for kind, _, _ in kinds(flow, "c"))


def test_a_ring_of_thru_ends() -> None:
    """Every stream passes each cable once."""
    rig = rig_of(
        "grebe",
        ["a", "b"],
        cable("grebe", "a"),
        cable("a", "b", gives="thru"),
        cable("b", "a", gives="thru"),
    )
    assert len(Flow(Wiring(rig)).arrivals["b"]) == 3  # transport, and notes for both


def test_a_route_changes_channel_on_the_way() -> None:
    """A controller's notes, through Grebe, on the sampler's channel."""
    pads, sampler = box("pochard", "Pads"), box("fulmar", "Fulmar")
    rig = Rig(
        devices=(pads, sampler),
        cables=(cable("pads", "grebe"), cable("grebe", "fulmar")),
        routes=(Route(source="pads", target="fulmar", channel=10),),
    )
    streams = [a.stream for a in Flow(Wiring(rig)).arrivals["fulmar"]]
    assert any(s.origin == "pads" and s.kind == "notes" and s.channel == 10 for s in streams)


def test_the_drawing_has_no_crossing_that_could_be_avoided() -> None:
    """Two pairs fed crosswise are put straight; a rig that cannot be drawn flat keeps one."""
    straight = rig_of(
        "grebe",
        ["a", "b", "c", "d"],
        cable("grebe", "a"),
        cable("grebe", "b"),
        cable("a", "d", gives="thru"),
        cable("b", "c", gives="thru"),
    )
    wiring = Wiring(straight)
    drawn = drawing(wiring, tree_of(wiring))
    assert drawn.crossings == 0
    assert drawn.columns[0] == ("grebe",)
    full = msgspec.structs.replace(
        straight,
        cables=(*straight.cables, cable("a", "c", gives="thru"), cable("b", "d", gives="thru")),
    )
    wiring = Wiring(full)
    assert drawing(wiring, tree_of(wiring)).crossings == 1  # K(2,2) in two columns


@pytest.mark.parametrize("seed", range(12))
def test_large_drawings_hold_every_box_once(seed: int) -> None:
    """Too many to try all arrangements: still every box and cable is there."""
    rig = random_rig(seed, 40, 90)
    wiring = Wiring(rig)
    drawn = drawing(wiring, tree_of(wiring))
    boxes = [cell for column in drawn.columns for cell in column if ":" not in cell]
    assert sorted(set(boxes)) == sorted(boxes)
    assert set(boxes) >= {d.id for d in rig.devices}
    assert len(drawn.lines) + len(drawn.back) == len(wiring.cables)


def test_upright_parts_stand_so_that_lines_do_not_cross() -> None:
    """Two lines going up, two going down: none has to cross another."""
    pieces = [Piece(10, 0), Piece(20, 5), Piece(30, 60), Piece(40, 70)]
    order = tracks(pieces)
    assert order[0] < order[1]
    assert order[3] < order[2]


def test_a_cable_between_profiles_takes_the_jacks_that_fit() -> None:
    """Pulse out into pulse in; where nothing fits, the first of each: a finding says so."""
    rig = Rig(devices=(box("curlew", "Knot"), box("plover", "Plover"), box("bittern", "Echo")))
    made = best_cable(rig, "knot", "plover")
    assert (made.medium, made.source_jack, made.target_jack) == ("pulse", "clock-out", "clock-in")
    assert best_cable(rig, "plover", "echo").target_jack == "audio-in"
