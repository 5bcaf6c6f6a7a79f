"""What a box can do, as a profile describes it: jacks, clock, voices, memory, what takes hands.

Abilities only. How a box in a rig is set stands in `model.Device` and on its cables.
"""

from __future__ import annotations

from typing import Annotated, Literal

from msgspec import Meta

from grebe.core.rig.notemap import PadLayout
from grebe.core.time.ticks import NoteValue
from grebe.core.units import (
    Bpm,
    Channel,
    Controller,
    Id,
    IdOrNone,
    Name,
    Note,
    StepCount,
    Value,
    Velocity,
)

Kind = Literal[
    "drums", "bass", "synth", "sampler", "looper", "echo", "modular",
    "controller", "computer", "pedal", "relay", "other",
]  # fmt: skip
"""What a box is for. A relay makes no sound: it passes on, merges, divides or converts."""

PITCHED_KINDS: tuple[Kind, ...] = ("bass", "synth")
"""What is played as lines of pitches rather than a voice a note."""

STRUCK_KINDS: tuple[Kind, ...] = ("drums", "sampler")
"""What is played as a voice a note."""

JackKind = Literal["midi", "usb", "virtual", "pulse", "sync", "network", "audio"]
"""`midi` is DIN or minijack at 31 250 baud; `usb` and `virtual` MIDI have no such limit;
`sync` is DIN sync: clock and a separate run/stop line on one plug."""
Way = Literal["in", "out", "thru", "both"]
"""`thru` repeats an input unchanged. `both` is one plug for both ways, as USB and network are."""

StepFeature = Literal[
    "lengths", "chance", "conditions", "ratchets", "micro", "directions", "ties", "controllers",
]  # fmt: skip
"""Of a pattern: voices of other lengths, chance, conditions, ratchets, micro-timing, other
directions than forward, ties, controllers by step."""

PulseRate = Annotated[float, Meta(gt=0, le=96)]
"""Pulses a quarter note. One a sixteenth step is 4, one a bar of 4/4 is 0.25."""
Volts = Annotated[float, Meta(gt=0, le=15)]
ChangeAt = Literal["pattern_end", "bar", "at_once"]


Gives = Literal["own", "thru", "both"]
"""What a box puts on a cable: messages of its own, what comes in at its inputs, or both."""


class PulseShape(Value, frozen=True, kw_only=True):
    """How a pulse looks at the jack."""

    width_ms: Annotated[float, Meta(gt=0, le=1000)] | None = 5.0
    """None: `width_percent` of the distance to the next."""
    width_percent: Annotated[float, Meta(gt=0, lt=100)] = 50.0
    polarity: Literal["rising", "falling"] = "rising"
    level: Annotated[float, Meta(gt=0, le=1)] = 1.0
    """Of full scale. What that is in volts is the interface's business: measure it."""


class Jack(Value, frozen=True, kw_only=True):
    """One socket of a box."""

    id: Id
    name: Name
    """As printed beside it."""
    kind: JackKind = "midi"
    way: Way = "in"
    rates: tuple[PulseRate, ...] = ()
    """What a pulse or sync socket can be set to, the usual first; empty: any."""
    volts: Volts | None = None
    """High level a pulse output gives."""
    needs_volts: Volts | None = None
    """A pulse input counts from this level on."""
    bears_volts: Volts | None = None
    """A pulse input is harmed above this level."""
    edge: Literal["rising", "falling"] = "rising"
    serves: Literal["clock", "reset"] = "clock"
    """What a pulse socket is for. A reset puts the box's count back to its beginning."""
    clock: bool = True
    """Whether a clock at it means anything to the box: a MIDI input may bring notes alone."""
    divides: tuple[Annotated[int, Meta(ge=1, le=256)], ...] = ()
    """An output lets one pulse in so many of those that come in through, the usual first."""
    multiplies: tuple[Annotated[int, Meta(ge=1, le=256)], ...] = ()
    """Or makes so many of each."""
    resets: Literal["start", "jack", "never"] = "start"
    """What begins its count anew: Start or the run line, a pulse at a reset socket, or nothing."""
    sets: tuple[Gives, ...] = ()
    """What an output can be set to give; empty: nobody has said, so anything."""
    run_line: bool = True
    """Whether a sync socket has its run/stop line."""
    speakers: bool = False
    """An audio input whose sound goes on to speakers or headphones."""

    @property
    def works_out(self) -> bool:
        """Whether the rate at it is worked out from what comes in."""
        return bool(self.divides or self.multiplies)

    @property
    def gives(self) -> bool:
        """Whether something comes out of it."""
        return self.way != "in"

    @property
    def takes(self) -> bool:
        """Whether something goes into it."""
        return self.way in ("in", "both")


class Sends(Value, frozen=True, kw_only=True):
    """What a box can send of its own."""

    clock: bool = False
    transport: bool = False
    notes: bool = False
    program: bool = False
    controllers: bool = False
    jitter_ms: Annotated[float, Meta(ge=0, le=50)] = 1.0
    """How much its own clock wavers, typically; the steadier leads better."""


class Obeys(Value, frozen=True, kw_only=True):
    """What a box can act on."""

    clock: bool = True
    start: bool = True
    resume: bool = True
    """Continue."""
    song_position: bool = True
    song_select: bool = False
    program: bool = False
    notes: bool = True
    velocity: bool = True
    """How hard a note is struck is heard."""


class TempoRange(Value, frozen=True, kw_only=True):
    """Tempi a box can run at or follow."""

    low: Bpm = 20.0
    high: Bpm = 400.0
    step: Annotated[float, Meta(ge=0, le=10)] = 0.0
    """Resolution of its own tempo in BPM; 0 is as fine as anyone asks."""


class SpecVoice(Value, frozen=True, kw_only=True):
    """A voice of a box and the note that plays it."""

    name: Name
    note: Note
    slot: Annotated[str, Meta(max_length=20)] = ""
    """Voices with the same slot cut each other off."""
    keys: Annotated[str, Meta(max_length=60)] = ""
    """Of a sound that has no key of its own: those pressed together for it."""


class ControllerRow(Value, frozen=True, kw_only=True):
    """One line of a controller chart."""

    name: Name
    number: Controller
    low: Annotated[int, Meta(ge=0, le=127)] = 0
    high: Annotated[int, Meta(ge=0, le=127)] = 127


SettingFor = Literal[
    "clock_in", "transport_in", "notes_in", "program_in", "controllers_in",
    "clock_out", "transport_out", "notes_out", "pads_out", "program_out", "controllers_out",
    "thru", "channel", "offset",
]  # fmt: skip
"""What a setting of a box is for. `notes_out` is what its sequencer plays, `pads_out` what is
struck on it."""


class Setting(Value, frozen=True, kw_only=True):
    """A setting of a box, in its own words."""

    does: SettingFor
    name: Name
    """As its menu or its switch has it, with the way there."""


class PadBank(Value, frozen=True, kw_only=True):
    """A bank of a box's pads that listens on a channel of its own, to a range of notes."""

    name: Name
    channel: Channel
    low: Note = 36
    high: Note = 51


class MemoryShape(Value, frozen=True, kw_only=True):
    """How a box's pattern memory is laid out, and how it prints a place in it."""

    banks: Annotated[int, Meta(ge=1, le=128)] = 1
    groups: Annotated[int, Meta(ge=1, le=128)] = 1
    slots: Annotated[int, Meta(ge=1, le=128)] = 16
    across: Literal["playing", "stopped", "mode"] = "playing"
    """When it goes to a pattern of another bank or group: while it plays, only while it stands, or
    only in another mode."""
    printed: Literal["number", "bank", "bank_group"] = "number"
    """`number`: one row of numbers; `bank`: B05; `bank_group`: B-2-05."""

    @property
    def size(self) -> int:
        """Patterns it holds."""
        return self.banks * self.groups * self.slots

    def group_of(self, program: int) -> int:
        """The group, counted over all banks from 0, in which a place lies."""
        return program // self.slots


class Steps(Value, frozen=True, kw_only=True):
    """What one pattern of a box can be."""

    longest: StepCount = 16
    rates: tuple[NoteValue, ...] = ("1/16",)
    swing: tuple[Annotated[float, Meta(ge=50, le=75)], ...] = (50.0,)
    """Levels of its swing in percent, straight first."""
    flams: Annotated[int, Meta(ge=0, le=32)] = 0
    """How many flam widths it knows."""
    flam_ms: tuple[Annotated[float, Meta(gt=0, le=200)], ...] = ()
    """Those widths in milliseconds, narrowest first, where they are known."""
    levels: tuple[Velocity, ...] = ()
    """Velocities its own patterns know, softest first; empty: any."""
    voices: Annotated[int, Meta(ge=0, le=128)] = 0
    """Voices one pattern can have; 0: not known."""
    lacks: tuple[StepFeature, ...] = ()
    """What its own patterns are known not to have."""


class ChainRule(Value, frozen=True, kw_only=True):
    """Which patterns a box can chain."""

    rule: Literal["none", "any", "neighbours", "row"] = "none"
    """`any` order; `neighbours` inside a group; `row`: from a first to a last."""
    longest: Annotated[int, Meta(ge=0, le=999)] = 0
    group: Annotated[int, Meta(ge=0, le=128)] = 0
    """Patterns of a group, for `neighbours` and `row`; 0 for a row: wherever it lies."""
    marks_last: bool = False
    """The last pattern of a list or track has to be marked as such."""


MoveFor = Literal["pattern", "mute", "controller", "tracks", "echo"]
"""What a move by hand does: chooses a pattern, silences or lets sound, moves a controller,
starts or stops loop tracks, sets an echo's time."""


class HandMove(Value, frozen=True, kw_only=True):
    """Something only the performer can do on a box."""

    name: Name
    seconds: Annotated[float, Meta(gt=0, le=600)]
    limb: Literal["hand", "foot"] = "hand"
    serves: tuple[MoveFor, ...] = ()
    """Changes it makes; empty: nobody said."""
    ahead: bool = False
    """Can be made in peace beforehand: nothing is heard of it until it is needed."""


class LoopControl(Value, frozen=True, kw_only=True):
    """Controllers by which a looper is told what a track is to do; their value is its number."""

    record: Controller
    """Record, or over what is there; again while it records: close the loop and play."""
    play: Controller
    stop: Controller


class Opener(Value, frozen=True, kw_only=True):
    """A note that has to be held before an input sounds anything else."""

    note: Note
    channel: Channel | None = None
    """None: the box's own."""
    closes: Literal["released", "pattern"] = "released"
    """`pattern`: it closes again whenever a pattern of the box begins."""


class FirstMove(Value, frozen=True, kw_only=True):
    """Something pressed or waited for before a box can be played, in its order."""

    name: Name
    """As one would say it: "hold REC while switching on"."""
    at: Literal["on", "play"] = "on"
    """When it is switched on, or each time before it plays."""
    waits_s: Annotated[float, Meta(ge=0, le=600)] = 0.0
    """How long one waits after it."""


MOST_TRACKS = 64


class Track(Value, frozen=True, kw_only=True):
    """One track of a box. What it leaves unsaid is as the box has it."""

    id: Id
    name: Name
    kind: Kind = "other"
    channel: Channel = 1
    voices: tuple[SpecVoice, ...] = ()
    """What it sounds; empty: whatever the box does."""
    polyphony: Annotated[int, Meta(ge=0, le=128)] = 0
    """Notes it can sound at once, out of those of the box; 0: as many as the box."""
    slot: Annotated[str, Meta(max_length=20)] = ""
    """Tracks with the same slot share one voice: one cuts the other off."""
    patterns: Literal["own", "box"] = "own"
    """`own`: it has a memory of its own; `box`: one pattern of the box holds all such tracks, and
    rows on its channel are its own."""
    memory: MemoryShape | None = None
    steps: Steps | None = None
    chains: ChainRule | None = None
    program: Literal["track", "box", "none"] = "track"
    """Whom a program change reaches: this track on its channel, the whole box on the box's
    channel (so that tracks can only be switched together), or nobody."""
    mute_controller: Controller | None = None
    """Controller that silences it (0) and lets it sound (127), on its channel."""
    mute_by: HandMove | None = None
    """How a hand mutes it on the box, where that is another move than the box's."""
    feeds: IdOrNone = ""
    """The box that it plays over the box's own output, where it makes no sound itself."""


class Proven(Value, frozen=True, kw_only=True):
    """An ability that was heard on the box itself, by a probe."""

    path: Annotated[str, Meta(max_length=40)]
    """Such as `obeys.clock`; `channel` of the box itself."""
    sure: Annotated[float, Meta(ge=0, le=1)]
    day: Annotated[str, Meta(max_length=10)] = ""
    """As 2026-11-30."""


class Spec(Value, frozen=True, kw_only=True):
    """All that is known of a kind of box. Where nothing is known, nothing is held against it."""

    jacks: tuple[Jack, ...] = ()
    sends: Sends = Sends()
    obeys: Obeys = Obeys()
    tempo: TempoRange = TempoRange()
    change_at: ChangeAt = "pattern_end"
    polyphony: Annotated[int, Meta(ge=0, le=128)] = 0
    """Notes that can sound at once; 0: not known."""
    channels: tuple[Channel, ...] = ()
    """Channels it listens on from the factory, when more than one."""
    voices: tuple[SpecVoice, ...] = ()
    pads: PadLayout | None = None
    banks: Annotated[tuple[PadBank, ...], Meta(max_length=16)] = ()
    """Of a box whose banks of pads are told apart by channel."""
    settings: Annotated[tuple[Setting, ...], Meta(max_length=64)] = ()
    """What it calls its own settings."""
    controllers: tuple[ControllerRow, ...] = ()
    memory: MemoryShape | None = None
    steps: Steps | None = None
    chains: ChainRule = ChainRule()
    songs: Annotated[int, Meta(ge=0, le=999)] = 0
    """Songs its own song memory holds."""
    track_measures: Annotated[int, Meta(ge=0, le=9999)] = 0
    """Bars one of those songs can be long; 0: as long as anyone asks."""
    told_ms: Annotated[float, Meta(ge=0, le=4000)] = 0.0
    """How long before its boundary it must have been told of a change."""
    loop_tracks: Annotated[int, Meta(ge=0, le=64)] = 0
    fill_controller: Controller | None = None
    """Controller by which it plays a fill of its own while held (127), and goes on without (0)."""
    loop_control: LoopControl | None = None
    """How its tracks are told; None: by hand and foot only."""
    echo_ms: tuple[Annotated[float, Meta(ge=1, le=60_000)], ...] = ()
    """Shortest and longest time of an echo."""
    freeze_controller: Controller | None = None
    """Controller that holds what is in an echo as a loop (127) and lets it go (0)."""
    by_hand: tuple[HandMove, ...] = ()
    first: Annotated[tuple[FirstMove, ...], Meta(max_length=16)] = ()
    """What is pressed before it plays, in order."""
    opener: Opener | None = None
    """What its input has to be opened with; None: it is open."""
    clears: bool = False
    """To write a track over, or a pattern, is to clear what stood there first."""
    mutes_at_once: Annotated[int, Meta(ge=1, le=64)] = 1
    """Tracks that one press on the box mutes or lets sound."""
    latency_ms: Annotated[float, Meta(ge=0, le=500)] = 0.0
    """From a message to its sound."""
    pass_ms: Annotated[float, Meta(ge=0, le=500)] = 0.0
    """From an input to what it passes on, over a thru or converter."""
    converts: Literal["divide", "regenerate"] | None = None
    """How it makes one clock rate from another. Only one that regenerates also multiplies
    without waiting a pulse."""
    starts_all: bool = False
    """Start makes every track or pattern of it run, wanted or not."""
    old_mains: bool = False
    """Old, and run from the mains."""
    guessed: tuple[Annotated[str, Meta(max_length=40)], ...] = ()
    """What nobody has said yet and stands here as is usual: paths such as `obeys.program`, and
    `channel`, `kind`, `plays` of the box itself."""
    proven: Annotated[tuple[Proven, ...], Meta(max_length=64)] = ()
    """What a probe has heard, and how sure it was."""
    tracks: Annotated[tuple[Track, ...], Meta(max_length=MOST_TRACKS)] = ()
    """What it plays by itself beside each other; none: the box is one track."""

    def calls(self, does: SettingFor) -> str:
        """What the box calls a setting of its own; "" where nobody knows."""
        return next((setting.name for setting in self.settings if setting.does == does), "")


class Profile(Value, frozen=True, kw_only=True):
    """A kind of box and how one of them stands in a rig when it is added."""

    id: Id
    name: Name
    kind: Kind = "other"
    label: Annotated[str, Meta(max_length=80)] = ""
    """What it is, in a few words."""
    about: Annotated[str, Meta(max_length=600)] = ""
    plays: Literal["own", "grebe"] = "grebe"
    channel: Channel = 1
    program_printed_from: Literal[0, 1] = 1
    mute_controller: Controller | None = None
    spec: Spec = Spec()
