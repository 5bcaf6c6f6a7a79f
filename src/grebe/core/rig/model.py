"""Devices, their ports, cables, routes through Grebe, and who is chosen to lead."""

from __future__ import annotations

from collections.abc import Collection, Iterable
from functools import cached_property, lru_cache
from typing import Annotated, Literal

import msgspec
from msgspec import Meta

from grebe.core.rig.lines import box_of, line_id
from grebe.core.rig.spec import (
    ChangeAt,
    Gives,
    Jack,
    JackKind,
    Kind,
    PulseRate,
    PulseShape,
    Spec,
    Track,
)
from grebe.core.rig.trigger import Binding, KeyBinding, Trigger
from grebe.core.session.use import OscUse, SessionUse
from grebe.core.units import (
    Bpm,
    Channel,
    Controller,
    FootMs,
    Id,
    Name,
    Note,
    OffsetMs,
    Value,
)
from grebe.words import tr

GREBE_ID = "grebe"
"""The rig's name for this program, where a cable starts or ends at it."""

JACK_ID = "jack:transport"
"""Stands for JACK's transport where a followed box's id would; no device has it, for the colon."""

PEERS_ID = "peers:session"
"""Stands for the session of peers in the same way."""

JackTransport = Literal["leave", "lead", "follow"]
Medium = Literal["midi", "pulse", "network", "audio"]
"""The four looks of a cable. DIN sync is drawn and followed as pulses."""

MEDIUM_OF: dict[JackKind, Medium] = {
    "midi": "midi", "usb": "midi", "virtual": "midi", "pulse": "pulse", "sync": "pulse",
    "network": "network", "audio": "audio",
}  # fmt: skip


class Port(Value, frozen=True, kw_only=True):
    """Where a device is reached: a transport and, for real ones, the port's name."""

    wire: Literal["standin", "jack", "alsa", "rtp", "peer", "none"] = "standin"
    """`rtp`: MIDI over the network, `name` the host and port it is at, or for an input the port
    that is listened at; "session" waits to be invited, "session HOST:PORT" invites. `peer`: a
    laptop stand-in that joins the session when Grebe does."""
    name: Annotated[str, Meta(max_length=200)] = ""

    @property
    def is_set(self) -> bool:
        """Whether there is one at all."""
        return self.wire != "none"

    @property
    def is_standin(self) -> bool:
        """Whether a simulated box that ships with Grebe is at the other end."""
        return self.wire == "standin"

    @property
    def is_peer(self) -> bool:
        """Whether it is a computer that is in the session."""
        return self.wire == "peer"

    @property
    def is_plugged(self) -> bool:
        """Whether the engine sends anything there: neither none nor a computer of the session."""
        return self.is_set and not self.is_peer


class AudioPort(Value, frozen=True, kw_only=True):
    """A channel of an audio interface for pulses or a level: never mixed with anything."""

    wire: Literal["jack", "audio", "none"] = "none"
    """A port of JACK's, or a channel of an interface without JACK."""
    name: Annotated[str, Meta(max_length=200)] = ""
    """JACK port, or "" to be patched by hand; name of the interface."""
    channel: Annotated[int, Meta(ge=1, le=64)] = 1
    """Of the interface."""

    @property
    def is_set(self) -> bool:
        """Whether there is one at all."""
        return self.wire != "none"


class Gate(Value, frozen=True, kw_only=True):
    """A note of a box that also leaves as a gate: high while it sounds."""

    note: Note
    at: AudioPort


class Faults(Value, frozen=True, kw_only=True):
    """What a stand-in gets wrong, as a real box might."""

    latency_ms: Annotated[float, Meta(ge=0, le=500)] = 0.0
    jitter_ms: Annotated[float, Meta(ge=0, le=100)] = 0.0
    """Standard deviation of gaussian jitter on what sounds."""
    one_sided_ms: Annotated[float, Meta(ge=0, le=100)] = 0.0
    """Mean of exponential jitter, which only delays."""
    frame_ms: Annotated[float, Meta(ge=0, le=20)] = 0.0
    """What sounds waits for the next of frames so long, as on a USB bus; 0 is none."""
    burst_ms: Annotated[float, Meta(ge=0, le=200)] = 0.0
    """Lateness in bursts: a third of a second of it, every `burst_every_s`."""
    burst_every_s: Annotated[float, Meta(ge=1, le=600)] = 8.0
    swing_percent: Annotated[float, Meta(ge=50, le=75)] = 50.0
    """A swing left on: every second sixteenth of its own patterns that much later."""
    drop_percent: Annotated[float, Meta(ge=0, le=100)] = 0.0
    """Share of clock ticks lost on the way in."""
    double_percent: Annotated[float, Meta(ge=0, le=100)] = 0.0
    """Share of clock ticks counted twice: it runs ahead of the rest."""
    ignores_clock: bool = False
    """Runs on its own tempo after Start, as a box left on internal clock does."""
    own_bpm: Bpm = 120.0
    """Tempo it runs at when it ignores the clock."""
    drift_ppm: Annotated[float, Meta(ge=-100_000, le=100_000)] = 0.0
    """How fast its own tempo runs, in parts per million, when it ignores the clock."""
    seed: int = 1


class Device(Value, frozen=True, kw_only=True, dict=True):
    """One box: what it is, how it is set, who plays it, where it is reached."""

    id: Id
    """Of a line that is a track (see `lines`): its address."""
    name: Name
    kind: Kind = "other"
    label: Annotated[str, Meta(max_length=80)] = ""
    """What it is, in a few words: "drum box"."""
    profile: Annotated[str, Meta(max_length=64)] = ""
    """Id of the profile it was made from; its abilities were copied into `spec`."""
    made_from: Annotated[str, Meta(max_length=32)] = ""
    """Digest of that profile as it was then: another one shows that it was improved since."""
    spec: Spec = Spec()
    plays: Literal["own", "grebe"] = "grebe"
    """`own`: the box plays its own patterns and Grebe tells it which.
    `grebe`: Grebe plays it note by note. Never both."""
    channel: Channel = 1
    port: Port = Port()
    input: Port = Port(wire="none")
    """Where Grebe hears a real box. A stand-in is heard where it is reached."""
    sends_clock: bool = False
    """Its clock output is switched on."""
    obeys_clock: bool = True
    obeys_transport: bool = True
    obeys_song_position: bool = True
    obeys_program: bool = False
    stays: bool = False
    """It must not start with the rest."""
    clock_stopped: bool = False
    """It gets clock while the transport is stopped, too."""
    change_at: ChangeAt = "pattern_end"
    """When a program change takes effect in the box."""
    program_printed_from: Literal[0, 1] = 1
    """Whether the box prints its first program as 0 or as 1."""
    program_channel: Channel | None = None
    """Channel on which it is told of patterns; None: `channel`."""
    mute_controller: Controller | None = None
    """Controller that silences the box (0) and lets it sound (127); None: by hand."""
    pulse: PulseShape = PulseShape()
    """How Grebe's pulses to it look, where it gets any."""
    pulse_at: AudioPort = AudioPort()
    """Where Grebe's pulses to it leave, beside or instead of MIDI."""
    run_at: AudioPort = AudioPort()
    """Where a run/stop line leaves: high while the transport runs."""
    reset_at: AudioPort = AudioPort()
    """Where one pulse leaves shortly before the first, at every start."""
    pulse_from: AudioPort = AudioPort()
    """Where Grebe hears its pulses."""
    run_from: AudioPort = AudioPort()
    """Where Grebe hears its run line, which rises at its start and falls at its stop; with an
    interface, the one that its pulses come in at."""
    heard_at: AudioPort = AudioPort()
    """Where its sound comes in, to be measured by ear."""
    gates: Annotated[tuple[Gate, ...], Meta(max_length=64)] = ()
    """Notes that leave as gates, a channel each, beside or instead of MIDI."""
    holds_open: bool = False
    """Grebe holds the note that opens its input, from before its first beat."""
    power: Annotated[str, Meta(max_length=80)] = ""
    """What feeds it, as it stands on its plate: "9 V DC, centre negative"."""
    on_at: Annotated[int, Meta(ge=0, le=99)] = 0
    """Its turn at switching on; 0: by the order of the clock."""
    offset_ms: OffsetMs = 0.0
    tolerance_ms: Annotated[float, Meta(ge=0.1, le=100)] = 2.0
    """How far off it may be before the waterline names it."""
    faults: Faults = Faults()

    @property
    def told_on(self) -> int:
        """The channel on which it is told of patterns."""
        return self.program_channel or self.channel

    @property
    def tracks(self) -> tuple[Track, ...]:
        """What it plays by itself beside each other; none: the box is one track."""
        return self.spec.tracks

    @cached_property
    def lines(self) -> tuple[Device, ...]:
        """What plays in it: itself, and each of its tracks as a box of its own."""
        return (self, *_track_lines(self)) if self.tracks else (self,)

    @property
    def pattern_lines(self) -> tuple[Device, ...]:
        """Those of its lines that have patterns of their own: itself, or of a box with tracks
        these, and itself only for those that its patterns hold together."""
        if not self.tracks:
            return (self,)
        own = {line_id(self.id, t.id) for t in self.tracks if t.patterns == "own"}
        shares = len(own) < len(self.tracks)
        return tuple(d for d in self.lines if d.id in own or (shares and d is self))

    def track_on(self, channel: int) -> str:
        """The address of the track that a row on this channel of the box's own patterns belongs
        to; "" where there is none."""
        for track in self.tracks:
            if track.patterns == "box" and track.channel == channel:
                return line_id(self.id, track.id)
        return ""

    def track(self, track_id: str) -> Track | None:
        """The track with this id, if it has one."""
        return next((t for t in self.tracks if t.id == track_id), None)

    def jack(self, jack_id: str) -> Jack | None:
        """The jack with this id, if the profile knows it."""
        return next((j for j in self.spec.jacks if j.id == jack_id), None)


def lines_of(devices: Iterable[Device]) -> tuple[Device, ...]:
    """All that plays: every box, and after it its tracks."""
    return tuple(line for device in devices for line in device.lines)


# Kept: one key pressed asks for them many times, and a rig has few boxes.
@lru_cache(maxsize=512)
def _track_lines(device: Device) -> tuple[Device, ...]:
    return tuple(_line(device, track) for track in device.tracks)


def _line(device: Device, track: Track) -> Device:
    spec, moves = device.spec, device.spec.by_hand
    if track.mute_by is not None:
        moves = (track.mute_by, *(m for m in moves if "mute" not in m.serves))
    told = track.program != "none"
    return msgspec.structs.replace(
        device,
        id=line_id(device.id, track.id),
        name=f"{device.name} {track.name}"[:80],
        kind=track.kind,
        label="",
        channel=track.channel,
        mute_controller=track.mute_controller,
        obeys_program=device.obeys_program and told,
        program_channel=device.told_on if track.program == "box" else track.channel,
        spec=msgspec.structs.replace(
            spec,
            jacks=(),
            tracks=(),
            voices=track.voices or spec.voices,
            polyphony=track.polyphony or spec.polyphony,
            memory=track.memory or spec.memory,
            steps=track.steps or spec.steps,
            chains=track.chains or spec.chains,
            by_hand=moves,
            obeys=msgspec.structs.replace(spec.obeys, program=spec.obeys.program and told),
            # What only a whole box can do.
            opener=None, first=(), songs=0, loop_tracks=0, loop_control=None, echo_ms=(),
            freeze_controller=None, starts_all=False,
        ),
    )  # fmt: skip


class Filter(Value, frozen=True, kw_only=True):
    """What may pass at one end of a cable. Everything, unless switched off."""

    clock: bool = True
    transport: bool = True
    """Start, Stop, Continue and Song Position."""
    notes: bool = True
    program: bool = True
    controllers: bool = True
    but: tuple[Controller, ...] = ()
    """Single controllers treated the other way: blocked where the rest pass, and vice versa."""

    def passes_controller(self, number: int) -> bool:
        """Whether one controller gets through."""
        return self.controllers != (number in self.but)


class Plays(Value, frozen=True, kw_only=True):
    """Notes on a cable that are meant to play the box at its end, as the boxes are set for it."""

    channel: Channel | None = None
    """On which the sender sends them; None: its own."""
    offset: Annotated[int, Meta(ge=-127, le=127)] = 0
    """Semitones that either box adds."""


class Cable(Value, frozen=True, kw_only=True):
    """One cable, how both ends of it are set, and what the source puts on it."""

    source: Id
    target: Id
    medium: Medium = "midi"
    source_jack: Annotated[str, Meta(max_length=64)] = ""
    target_jack: Annotated[str, Meta(max_length=64)] = ""
    """Jacks by id; "" where the profile knows none."""
    gives: Gives = "own"
    passes: Filter = Filter()
    """What the source's output is set to let out."""
    accepts: Filter = Filter()
    """What the target obeys of what comes in; its thru repeats all of it all the same."""
    rate: PulseRate | None = None
    """Pulses a quarter note the source is set to; None: MIDI's 24, or the jack's usual."""
    expects: PulseRate | None = None
    """Pulses a quarter note the target's input is set to; None as above."""
    listens: bool = False
    """An audio cable whose target only listens: the sound goes on elsewhere (a side chain)."""
    plays: Plays | None = None
    """The notes on it play the target, without Grebe; None: nobody has said so."""

    @property
    def clock(self) -> bool:
        """Whether a clock can be on it."""
        return self.passes.clock and self.medium != "audio"


class Route(Value, frozen=True, kw_only=True):
    """What Grebe passes from one device it hears to one it reaches."""

    source: Id
    target: Id
    passes: Filter = Filter(clock=False, transport=False, program=False)
    channel: Channel | None = None
    """Channel of the target; None keeps the one it came on."""
    notes: Literal["same", "position", "table"] = "same"
    """`position`: by where the pads lie; `table`: as `table` says."""
    transpose: Annotated[int, Meta(ge=-127, le=127)] = 0
    """Semitones added after that. A note that leaves 0 to 127 is not sent."""
    table: tuple[tuple[Note, Note], ...] = ()
    """(note in, note out); notes not in it are not sent."""


class CountIn(Value, frozen=True, kw_only=True):
    """What is counted before a run begins, and what clicks."""

    bars: Annotated[int, Meta(ge=1, le=8)] = 1
    device: Id | None = None
    """Plays the clicks on its channel; None: the count is only shown."""
    note: Note = 37
    """Side stick in General MIDI's percussion map."""


class Rig(Value, frozen=True, kw_only=True):
    """All devices and cables, and who is chosen to lead."""

    name: Name = "Rig"
    leader: Id | None = GREBE_ID
    """`grebe`, a device's id, or None while nobody is chosen."""
    devices: tuple[Device, ...] = ()
    cables: tuple[Cable, ...] = ()
    routes: tuple[Route, ...] = ()
    jack: JackTransport = "leave"
    """Grebe leads JACK's transport (programs on this machine get bar, beat and tempo from it),
    follows it, or leaves it to others."""
    panic: Trigger | None = None
    """A press on a box that Grebe hears: all notes off, then stop."""
    count_in: CountIn = CountIn()
    bindings: Annotated[tuple[Binding, ...], Meta(max_length=512)] = ()
    """What controllers and pedals do on Stage."""
    network: SessionUse = SessionUse()
    """The session of computers that is joined when it is asked for."""
    osc: OscUse = OscUse()
    """How OSC listens when that is asked for."""
    keys: Annotated[tuple[KeyBinding, ...], Meta(max_length=256)] = ()
    """What computer keys do there beside their own."""
    foot_ms: FootMs = 0.0
    """How late the foot is that closes a first loop: taken off its length."""

    @property
    def timed(self) -> tuple[Device, ...]:
        """Devices whose beats can be compared: all but pads, keys and pedals, which play in."""
        return tuple(d for d in self.devices if d.kind != "controller")

    @property
    def lines(self) -> tuple[Device, ...]:
        """All that plays: every box, and after it its tracks."""
        return lines_of(self.devices)

    def with_rows(self, busy: Collection[str]) -> set[str]:
        """These addresses, and those of tracks whose rows are in patterns of boxes among them."""
        return {*busy, *(
            line_id(device.id, track.id)
            for device in self.devices if device.id in busy
            for track in device.tracks if track.patterns == "box"
        )}  # fmt: skip

    def device(self, device_id: str) -> Device:
        """The device with this id; KeyError when there is none."""
        for device in self.devices:
            if device.id == device_id:
                return device
        raise KeyError(device_id)

    def line(self, address: str) -> Device:
        """The box or track with this address; KeyError when there is none."""
        for line in self.device(box_of(address)).lines:
            if line.id == address:
                return line
        raise KeyError(address)

    def find(self, address: str) -> Device | None:
        """The box or track with this address, if there is one."""
        try:
            return self.line(address)
        except KeyError:
            return None

    def name_of(self, device_id: str) -> str:
        """The printed name of a device, of Grebe itself, or the id when it is unknown."""
        if device_id == GREBE_ID:
            return "Grebe"
        if device_id == JACK_ID:
            return tr("JACK's transport")
        if device_id == PEERS_ID:
            return tr("the session")
        line = self.find(device_id)
        return device_id if line is None else line.name
