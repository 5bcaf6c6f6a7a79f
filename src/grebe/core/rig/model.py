"""Devices, their ports, and the cables between them."""

from __future__ import annotations

from typing import Annotated, Literal

from msgspec import Meta

from grebe.core.units import Bpm, Channel, Controller, Id, Name, OffsetMs, Value

GREBE_ID = "grebe"
"""The rig's name for this program, where a cable starts or ends at it."""

Medium = Literal["midi", "pulse", "network", "audio"]


class Port(Value, frozen=True, kw_only=True):
    """Where a device is reached: a transport and, for real ones, the port's name."""

    wire: Literal["standin", "jack", "alsa", "none"] = "standin"
    name: Annotated[str, Meta(max_length=200)] = ""


class Faults(Value, frozen=True, kw_only=True):
    """What a stand-in gets wrong, as a real box might."""

    latency_ms: Annotated[float, Meta(ge=0, le=500)] = 0.0
    jitter_ms: Annotated[float, Meta(ge=0, le=100)] = 0.0
    """Standard deviation of gaussian jitter on what sounds."""
    drop_percent: Annotated[float, Meta(ge=0, le=100)] = 0.0
    """Share of clock ticks lost on the way in."""
    ignores_clock: bool = False
    """Runs on its own tempo after Start, as a box left on internal clock does."""
    own_bpm: Bpm = 120.0
    """Tempo it runs at when it ignores the clock."""
    drift_ppm: Annotated[float, Meta(ge=-100_000, le=100_000)] = 0.0
    """How fast its own tempo runs, in parts per million, when it ignores the clock."""
    seed: int = 1


class Device(Value, frozen=True, kw_only=True):
    """One box: what it obeys, who plays it, where it is reached."""

    id: Id
    name: Name
    kind: Literal["drums", "bass", "looper", "synth", "other"] = "other"
    label: Annotated[str, Meta(max_length=80)] = ""
    """What it is, in a few words: "drum box"."""
    plays: Literal["own", "grebe"] = "grebe"
    """`own`: the box plays its own patterns and Grebe tells it which.
    `grebe`: Grebe plays it note by note. Never both."""
    channel: Channel = 1
    port: Port = Port()
    sends_clock: bool = False
    obeys_clock: bool = True
    obeys_transport: bool = True
    obeys_song_position: bool = True
    obeys_program: bool = False
    change_at: Literal["pattern_end", "bar", "at_once"] = "pattern_end"
    """When a program change takes effect in the box."""
    program_printed_from: Literal[0, 1] = 1
    """Whether the box prints its first program as 0 or as 1."""
    mute_controller: Controller | None = None
    """Controller that silences the box (0) and lets it sound (127); None: by hand."""
    offset_ms: OffsetMs = 0.0
    tolerance_ms: Annotated[float, Meta(ge=0.1, le=100)] = 2.0
    """How far off it may be before the waterline names it."""
    faults: Faults = Faults()


class Cable(Value, frozen=True, kw_only=True):
    """One cable and what it carries."""

    source: Id
    target: Id
    medium: Medium = "midi"
    clock: bool = True
    transport: bool = True
    notes: bool = True


class Rig(Value, frozen=True, kw_only=True):
    """All devices and cables, and who is chosen to lead."""

    name: Name = "Rig"
    leader: Id | None = GREBE_ID
    """`grebe`, a device's id, or None while nobody is chosen."""
    devices: tuple[Device, ...] = ()
    cables: tuple[Cable, ...] = ()

    def device(self, device_id: str) -> Device:
        """The device with this id; KeyError when there is none."""
        for device in self.devices:
            if device.id == device_id:
                return device
        raise KeyError(device_id)

    def name_of(self, device_id: str) -> str:
        """The printed name of a device, of Grebe itself, or the id when it is unknown."""
        if device_id == GREBE_ID:
            return "Grebe"
        return next((d.name for d in self.devices if d.id == device_id), device_id)
