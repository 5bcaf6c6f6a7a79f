"""Twelve rigs, built as their owners would, and what somebody with years of cables would say."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any, NamedTuple

import msgspec

from grebe.core.document import Project, with_device, with_leader
from grebe.core.patterns.model import Pattern
from grebe.core.rig.edits import add_cable, add_device, best_cable, change_cable
from grebe.core.rig.model import GREBE_ID, Device, Filter, Plays, Route
from grebe.core.rig.notemap import PadLayout
from grebe.core.rig.spec import (
    FirstMove,
    Jack,
    MemoryShape,
    Obeys,
    Opener,
    PadBank,
    Profile,
    Sends,
    Setting,
    Spec,
    SpecVoice,
)
from grebe.core.songs.model import BoxSong
from grebe.formats.profiles import shipped_profiles
from tests import build

SHIPPED = {p.id: p for p in shipped_profiles()}
IN, OUT, THRU = (
    Jack(id="in", name="MIDI in"),
    Jack(id="out", name="MIDI out", way="out"),
    Jack(id="thru", name="MIDI thru", way="thru"),
)
SILENT = Obeys(clock=False, start=False, resume=False, song_position=False, notes=False)
FREE = Obeys(start=False, resume=False, song_position=False, notes=False)


class Owner:
    """Somebody who puts a rig together, step by step."""

    def __init__(self, leader: str | None = GREBE_ID) -> None:
        self.project = with_leader(Project(name="Rig"), leader)

    def box(self, profile: str | Profile, name: str, **fields: Any) -> str:
        """Add a box and set it; its id."""
        known = SHIPPED[profile] if isinstance(profile, str) else profile
        self.project, device_id = add_device(self.project, known, name)
        self.set(device_id, **fields)
        return device_id

    def set(self, device_id: str, **fields: Any) -> None:
        """Set something on a box."""
        changed: Callable[[Device], Device] = lambda d: msgspec.structs.replace(d, **fields)  # noqa: E731
        self.project = with_device(self.project, device_id, changed)

    def plug(self, source: str, target: str, **fields: Any) -> int:
        """Run a cable with the jacks that are proposed, and set it; its number."""
        cable = best_cable(self.project.rig, source, target)
        self.project = add_cable(self.project, cable)
        index = len(self.project.rig.cables) - 1
        self.project = change_cable(self.project, index, **fields)
        return index

    def lead(self, leader: str) -> None:
        """Who leads."""
        self.project = with_leader(self.project, leader)

    def song(self, *patterns: Pattern, **fields: Any) -> Project:
        """A scene for each pattern, in one song."""
        scenes = tuple(build.scene(p.id, 1, **{p.device: [p.id]}) for p in patterns)
        song = msgspec.structs.replace(build.song(*(s.id for s in scenes)), **fields)
        return msgspec.structs.replace(
            self.project, patterns=patterns, scenes=scenes, songs=(song,)
        )


def drum_pedal(*jacks: Jack) -> Profile:
    """It plays whatever is on its channel, unless it is told not to."""
    settings = (Setting(does="notes_in", name="SYS 4, note receive"),
                Setting(does="thru", name="SYS 7, out is thru"))  # fmt: skip
    return Profile(
        id="otter", name="Otter", kind="drums", channel=10,
        spec=Spec(jacks=jacks, sends=Sends(clock=True, transport=True), settings=settings,
                  first=(FirstMove(name="hold the left switch while switching on", waits_s=3),)),
    )  # fmt: skip


def pads(base: int = 36, rows: int = 4, order: str = "up", **fields: Any) -> Profile:
    """A sampler struck with its own pads."""
    layout = msgspec.convert({"base": base, "rows": rows, "order": order}, PadLayout)
    obeys = fields.pop("obeys", Obeys())
    channel = fields.pop("channel", 1)
    usb = Jack(id="usb", name="USB", kind="usb", way="both")
    spec = Spec(jacks=(IN, OUT, usb), sends=Sends(notes=True), obeys=obeys, pads=layout, **fields)
    return Profile(id="murre", name="Murre", kind="sampler", plays="own", channel=channel,
                   spec=spec)  # fmt: skip


def software() -> Profile:
    """A computer that leads and strikes."""
    return Profile(id="dunnock", name="Dunnock", kind="computer", plays="own", channel=10,
                   spec=Spec(jacks=(IN, OUT), obeys=SILENT,
                             sends=Sends(clock=True, transport=True, notes=True)))  # fmt: skip


def pedal_in_the_middle() -> Project:
    """The pedal must ignore what is struck for the sampler behind it, and pass all of it on."""
    owner = Owner()
    owner.box(software(), "Dunnock")
    owner.box(drum_pedal(IN, msgspec.structs.replace(OUT, sets=("thru", "own"))), "Otter")
    owner.box(pads(channel=10, tempo=SHIPPED["fulmar"].spec.tempo), "Murre")
    owner.lead("dunnock")
    owner.plug("dunnock", "otter")
    owner.plug("otter", "murre", plays=Plays())
    return owner.project


def pedal_that_passes_nothing() -> Project:
    """Its only output that is plugged gives what it makes itself: the sampler hears nothing."""
    owner = Owner()
    owner.box(software(), "Dunnock")
    own = msgspec.structs.replace(OUT, sets=("own",))
    owner.box(drum_pedal(IN, own, THRU), "Otter", obeys_clock=True, sends_clock=False)
    owner.box(pads(channel=10), "Murre", obeys_clock=False, obeys_transport=False)
    owner.lead("dunnock")
    owner.plug("dunnock", "otter", accepts=Filter(notes=False))
    owner.plug("otter", "murre", source_jack="out", gives="own", plays=Plays())
    return owner.project


def led_by_one_that_cannot() -> Project:
    """A looper without any clock was chosen to lead."""
    owner = Owner()
    looper = owner.box("dotterel", "Loop")
    owner.box("merganser", "Smew")
    owner.plug(GREBE_ID, "smew")
    owner.lead(looper)
    return owner.project


def led_by_one_that_grebe_does_not_hear() -> Project:
    """Smew leads Knot, and nobody ran its cable to Grebe, which plays Scaup at 120."""
    owner = Owner()
    owner.box("merganser", "Smew", sends_clock=True)
    owner.box("curlew", "Knot", channel=2)
    owner.box("curlew", "Scaup", channel=3, plays="grebe")
    owner.lead("smew")
    owner.plug("smew", "knot")
    owner.plug(GREBE_ID, "scaup")
    return owner.project


def ring_through_grebe() -> Project:
    """Knot passes Smew's clock on to Grebe, and Grebe sends it back to Knot's other input."""
    owner = Owner()
    owner.box("merganser", "Smew", sends_clock=True)
    curlew = SHIPPED["curlew"]
    jacks = (IN, Jack(id="in-2", name="MIDI in 2"), OUT, THRU)
    knot = msgspec.structs.replace(curlew, spec=msgspec.structs.replace(curlew.spec, jacks=jacks))
    owner.box(knot, "Knot", channel=2)
    owner.lead("smew")
    owner.plug("smew", "knot")
    owner.plug("knot", GREBE_ID, source_jack="thru", gives="thru")
    owner.plug(GREBE_ID, "knot", target_jack="in-2")
    return owner.project


def one_sampler_plays_another() -> Project:
    """Struck on Murre, heard on Tern: its notes lie two octaves higher, on channel 10."""
    owner = Owner()
    owner.box(pads(settings=(Setting(does="offset", name="MIDI, pad note base"),)), "Murre")
    owner.box(pads(base=60, channel=10, obeys=Obeys(velocity=False)), "Tern")
    owner.plug(GREBE_ID, "murre", target_jack="usb", source_jack="")
    owner.plug("murre", "tern", source_jack="out", plays=Plays(), gives="own")
    owner.plug(GREBE_ID, "tern", target_jack="usb", source_jack="")
    return owner.project


def more_pads_than_a_bank() -> Project:
    """Thirty-two pads into a bank of sixteen; the other bank listens on another channel."""
    owner = Owner()
    banks = (
        PadBank(name="Bank A", channel=10),
        PadBank(name="Bank B", channel=11, low=52, high=67),
    )
    owner.box(pads(rows=8, channel=10), "Murre", obeys_clock=False, obeys_transport=False)
    owner.box(pads(channel=10, banks=banks), "Tern")
    owner.plug("murre", "tern", source_jack="out", target_jack="in", plays=Plays())
    owner.plug(GREBE_ID, "tern", target_jack="usb")
    return owner.project


def pads_counted_from_other_corners() -> Project:
    """Pad 1 at the bottom left of one, at the top left of the other: no offset mends that."""
    owner = Owner()
    owner.box(pads(), "Murre", obeys_clock=False, obeys_transport=False)
    owner.box(pads(order="down"), "Tern")
    owner.plug("murre", "tern", source_jack="out", target_jack="in", plays=Plays())
    owner.plug(GREBE_ID, "tern", target_jack="usb")
    return owner.project


def input_that_has_to_be_opened() -> Project:
    """Siskin sounds nothing until its lowest key is held, and closes whenever a pattern begins."""
    owner = Owner()
    siskin = Profile(id="siskin", name="Siskin", kind="synth", channel=4,
                     spec=Spec(jacks=(IN,), opener=Opener(note=24, closes="pattern")))  # fmt: skip
    owner.box(siskin, "Siskin")
    owner.plug(GREBE_ID, "siskin")
    return owner.song(build.pattern("line", "siskin", build.voice("x...x...", 50)))


def divider(profile: str, *outs: Jack) -> Profile:
    """It makes fewer pulses of those that come in."""
    jacks = (Jack(id="in", name="In", kind="pulse"), *outs)
    return Profile(id=profile, name=profile.capitalize(), kind="relay", plays="own",
                   spec=Spec(obeys=FREE, jacks=jacks))  # fmt: skip


def dividers_in_a_row() -> Project:
    """48 pulses made 24 for one, and 4 of those for the other: nothing is wrong but the count."""
    owner = Owner()
    made = Jack(id="out", name="Clock", kind="pulse", way="out", rates=(48.0,))
    clock = Profile(id="ruff", name="Ruff", kind="modular", plays="own", spec=Spec(
        jacks=(made,), obeys=SILENT, sends=Sends(clock=True, jitter_ms=0.1)))  # fmt: skip
    halves = divider("crake", Jack(id="half", name="Half", kind="pulse", way="out", divides=(2,),
                                   resets="never"),
                     Jack(id="half-2", name="Half again", kind="pulse", way="out", divides=(2,),
                          resets="never"))  # fmt: skip
    sixths = divider("rail", Jack(id="out", name="Sixth", kind="pulse", way="out", divides=(6,)))
    counts = {
        rate: Profile(id=f"c{rate:g}", name="Counts", kind="drums", plays="own", spec=Spec(
            obeys=FREE, jacks=(Jack(id="in", name="Sync", kind="pulse", rates=(rate,)),)))
        for rate in (24.0, 4.0)
    }  # fmt: skip
    owner.box(clock, "Ruff")
    owner.box(halves, "Crake")
    owner.box(sixths, "Rail")
    owner.box(counts[24.0], "Ouzel")
    owner.box(counts[4.0], "Pipit")
    owner.lead("ruff")
    owner.plug("ruff", "crake")
    owner.plug("crake", "ouzel")
    owner.plug("crake", "rail")
    owner.plug("rail", "pipit")
    return owner.project


def looper_that_leads() -> Project:
    """The loop holds the tempo, and the foot that starts it starts the drums."""
    owner = Owner()
    owner.box("eider", "Dunlin", sends_clock=True)
    owner.box("merganser", "Smew")
    owner.lead("dunlin")
    owner.plug("dunlin", "smew", source_jack="midi-out")
    owner.plug("dunlin", GREBE_ID, source_jack="usb")
    return owner.project


def notes_without_clock() -> Project:
    """Scaup's MIDI in brings notes; its sequencer wants pulses. Its songs nobody chooses for it,
    and it goes to another group only standing."""
    owner = Owner()
    memory = MemoryShape(banks=1, groups=2, slots=8, printed="bank_group", across="stopped")
    scaup = msgspec.structs.replace(SHIPPED["shoveler"], plays="own", spec=msgspec.structs.replace(
        SHIPPED["shoveler"].spec, memory=memory,
        voices=(SpecVoice(name="Both", note=40, keys="Rim and Clap"),)))  # fmt: skip
    owner.box(scaup, "Scaup")
    owner.plug(GREBE_ID, "scaup")
    one = build.own(build.pattern("one", "scaup", build.voice("x...", 40), program=2))
    two = build.own(build.pattern("two", "scaup", build.voice("..x.", 40), program=9))
    project = owner.song(one, two)
    song = project.songs[0]
    other = msgspec.structs.replace(song, id="other", name="Other", sections=song.sections[:1],
                                    box_songs=(BoxSong(device="scaup", number=3),))  # fmt: skip
    return msgspec.structs.replace(project, songs=(*project.songs, other))


class Case(NamedTuple):
    """A rig, and what is to be said of it: (code, subject) of all that blocks or warns."""

    made: Callable[[], Project]
    blocks: frozenset[tuple[str, str]]
    warns: frozenset[tuple[str, str]]
    words: tuple[str, ...] = ()
    """Among all that is said."""
    by_hand: Callable[[Project], Project] | None = None
    """What only hands can do about what blocks."""


def _said(*rows: str) -> frozenset[tuple[str, str]]:
    return frozenset((code, subject) for code, _, subject in (r.partition(" ") for r in rows))


def over_its_thru(project: Project) -> Project:
    """The cable goes into the pedal's other socket."""
    return change_cable(project, 1, source_jack="thru", gives="thru")


def in_one_group(project: Project) -> Project:
    """The second pattern is written beside the first."""
    moved = tuple(
        msgspec.structs.replace(p, program=3) if p.id == "two" else p for p in project.patterns
    )
    return msgspec.structs.replace(project, patterns=moved)


def by_position(project: Project) -> Project:
    """Struck into Grebe, and led from there by where the pads lie."""
    rig = project.rig
    direct = change_cable(project, 0, target=GREBE_ID, target_jack="", plays=None).rig
    route = Route(source="murre", target="tern", notes="position")
    return msgspec.structs.replace(
        project, rig=msgspec.structs.replace(rig, cables=direct.cables, routes=(route,))
    )


CASES = (
    Case(pedal_in_the_middle, _said(), _said("rig.stray-notes otter"),
         ("Ignore notes at Otter's MIDI in (its SYS 4, note receive)",
          "pass them on at Otter's MIDI out (its SYS 7, out is thru)")),
    Case(pedal_that_passes_nothing, _said("rig.plays-nothing murre"), _said(),
         ("Otter's MIDI out cannot pass on what comes in. Use its MIDI thru.",),
         over_its_thru),
    Case(led_by_one_that_cannot, _said("rig.leader-silent loop"), _said("rig.no-clock smew"),
         ("Loop is to lead, but can send no clock.",)),
    Case(led_by_one_that_grebe_does_not_hear, _said("rig.grebe-unled grebe"),
         _said("rig.no-clock scaup"), ("Run a clock cable from Smew to Grebe.",)),
    Case(ring_through_grebe, _said("rig.clock-loop grebe"), _said(),
         ("Switch clock off at Grebe's output.",)),
    Case(one_sampler_plays_another, _said("rig.plays-channel tern"), _said("rig.plays-pads tern"),
         ("lie 2 octaves apart", "(its MIDI, pad note base)", "sounds every hit of Murre as loud")),
    Case(more_pads_than_a_bank, _said(), _said("rig.plays-bank tern"),
         ("16 of 32 notes of Murre", "Bank B on channel 11, notes 52 to 67")),
    Case(pads_counted_from_other_corners, _said(), _said("rig.plays-pads tern"),
         ("counts its pads from one end",), by_position),
    Case(input_that_has_to_be_opened, _said("rig.closed-input siskin"), _said(),
         ("until note 24 is held", "whenever its pattern begins")),
    Case(dividers_in_a_row, _said(), _said("rig.divider-reset crake"),
         ("counts pulses, and nothing begins its count anew",)),
    Case(looper_that_leads, _said(), _said("rig.foot-starts-all dunlin"),
         ("the foot that starts it starts Smew too",)),
    Case(notes_without_clock, _said("song.bank-change song"),
         _said("rig.no-clock scaup", "song.not-chosen other"),
         ("Scaup's MIDI in knows no clock", "Run its clock cable to Sequencer clock",
          "only while it stands"), in_one_group),
)  # fmt: skip
