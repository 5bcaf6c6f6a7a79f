"""Scenes (what sounds together) and songs (scenes in order, with what is laid over them)."""

from __future__ import annotations

from functools import cache, cached_property
from typing import Annotated, Literal

import msgspec
from msgspec import Meta

from grebe.core.patterns.model import KeyName
from grebe.core.time.meter import Meter
from grebe.core.time.ticks import NoteValue
from grebe.core.units import MAX_TIMES, Bpm, Channel, Controller, Id, IdOrNone, LineId, Name, Value

Sixteenths = Annotated[int, Meta(ge=0, le=65_535)]
"""A place or length in sixteenth notes, counted from a section's first beat."""
Passes = Annotated[int, Meta(ge=0, le=MAX_TIMES)]
"""How often a scene is played; 0 leaves it out, and is found."""
Bars = Annotated[int, Meta(ge=0, le=999)]
"""Length of a scene; 0 leaves it out, and is found."""
Role = Literal["", "intro", "verse", "build", "hook", "break", "drop", "outro"]
"""What a scene is for in a song; "" where nobody said."""
ROLES: tuple[Role, ...] = ("", "intro", "verse", "build", "hook", "break", "drop", "outro")


class ControlValue(Value, frozen=True, kw_only=True):
    """A controller value that a scene sends as it comes in."""

    controller: Controller
    value: Annotated[int, Meta(ge=0, le=127)]
    channel: Channel | None = None
    """None: the device's channel."""


class Part(Value, frozen=True, kw_only=True):
    """What one device does in a scene."""

    device: LineId
    chain: Annotated[tuple[Id, ...], Meta(max_length=64)] = ()
    """Pattern ids played one after another and round again; empty is silent."""
    muted: bool = False
    silent_voices: tuple[Id, ...] = ()
    """Voices muted in this scene."""
    values: Annotated[tuple[ControlValue, ...], Meta(max_length=64)] = ()
    """Sent as the scene comes in."""
    over_bars: Annotated[int, Meta(ge=0, le=64)] = 0
    """Bars over which they go there from where they stand; 0: at once."""
    tracks: tuple[Annotated[int, Meta(ge=1, le=64)], ...] | None = None
    """Of a looper: the loop tracks that play, counted from 1; None where nobody said."""
    fill: IdOrNone = ""
    """Id of the pattern it plays while a fill is held; "" for none of its own."""
    echo: NoteValue | None = None
    """Of an echo: its time as a note value, made milliseconds by the tempo; None leaves it."""
    frozen: bool = False
    """Of an echo: what is in it goes round as a loop while the scene lasts, and is let go on the
    bar that ends it."""


Follow = Literal["next", "jump", "back", "stay"]


class Then(Value, frozen=True, kw_only=True):
    """What follows when all passes are over."""

    kind: Follow = "next"
    """`next` in the order written; `jump` to `to`; `back` to where one came from; `stay`: this
    one again and again, until something is launched."""
    to: Annotated[str, Meta(max_length=64)] = ""
    """Of a scene: the scene; of a section: the section jumped to."""
    jumps: Annotated[int, Meta(ge=0, le=99)] = msgspec.field(default=1, name="rounds")
    """How often a jump or a return is made before it goes on with what is next; 0: always."""


@cache
def _silent(device_id: str) -> Part:
    """A part that does nothing: asked for with every box of every scene that leaves it out."""
    return Part(device=device_id)


class Scene(Value, frozen=True, kw_only=True, dict=True):
    """What sounds together for a number of bars."""

    id: Id
    name: Name
    bars: Bars = 8
    """Length of one pass."""
    times: Passes = 1
    """Passes when the scenes themselves are played, and of a section newly made of it."""
    meter: Meter = Meter()
    role: Role = ""
    mutes: Literal["saved", "left"] = "saved"
    """Whether mutes are saved with this scene, or stay as they stand when it comes in."""
    hand_mutes: Literal["keep", "drop"] = "keep"
    """What becomes, at its end, of mutes the performer changed by hand while it played."""
    then: Then = Then()
    """What follows when the scenes themselves are played."""
    parts: tuple[Part, ...] = ()

    def part(self, device_id: str) -> Part:
        """The part of a device; a silent one when the scene does not name it."""
        return self._by_line.get(device_id) or _silent(device_id)

    @cached_property
    def _by_line(self) -> dict[str, Part]:
        return {part.device: part for part in reversed(self.parts)}


class MuteRegion(Value, frozen=True, kw_only=True):
    """A device or one voice of it silent for a while; what lies under it is not touched."""

    device: LineId
    voice: Annotated[str, Meta(max_length=64)] = ""
    """"" is the whole device."""
    at: Sixteenths = 0
    long: Annotated[int, Meta(ge=1, le=65_535)] = 16
    """In sixteenths. What reaches past its section is not used."""


class CurvePoint(Value, frozen=True, kw_only=True):
    """A controller's value at a place in a section."""

    at: Sixteenths
    value: Annotated[int, Meta(ge=0, le=127)]


class Curve(Value, frozen=True, kw_only=True):
    """A controller moved over bars: evenly from point to point, held before and after."""

    device: LineId
    controller: Controller
    channel: Channel | None = None
    """None: the device's channel."""
    points: Annotated[tuple[CurvePoint, ...], Meta(min_length=1, max_length=512)]
    """In order of place, at most one a place."""


class Marker(Value, frozen=True, kw_only=True):
    """A name for a place."""

    name: Name
    at: Sixteenths = 0


class FillMark(Value, frozen=True, kw_only=True):
    """A fill is held for a while: hits that wait for one play."""

    at: Sixteenths = 0
    long: Annotated[int, Meta(ge=1, le=65_535)] = 16


class SwapMark(Value, frozen=True, kw_only=True):
    """A line goes over to another of its patterns, until its section is over."""

    device: LineId
    pattern: IdOrNone = ""
    """Its id; "" gives back what the scene has."""
    at: Sixteenths = 0


class TempoMark(Value, frozen=True, kw_only=True):
    """The tempo goes somewhere inside a section."""

    at: Annotated[int, Meta(ge=1, le=65_535)]
    bpm: Bpm
    ramp: Sixteenths = 0
    """Sixteenths over which it goes there; 0 is at once."""


class Section(Value, frozen=True, kw_only=True):
    """A scene at its place in a song, and what is laid over it there.

    Places count over all its passes, from its first beat, so they move with it.
    """

    id: Id
    scene: Id
    times: Passes = 1
    """How many passes of the scene."""
    bpm: Bpm | None = None
    """Tempo from here on; None carries on."""
    ramp_bars: Annotated[int, Meta(ge=0, le=256)] = 0
    """Bars over which the tempo goes there; 0 is at once."""
    tempi: Annotated[tuple[TempoMark, ...], Meta(max_length=256)] = ()
    """In order of place."""
    mutes: Annotated[tuple[MuteRegion, ...], Meta(max_length=512)] = ()
    curves: Annotated[tuple[Curve, ...], Meta(max_length=128)] = ()
    markers: Annotated[tuple[Marker, ...], Meta(max_length=128)] = ()
    fills: Annotated[tuple[FillMark, ...], Meta(max_length=256)] = ()
    swaps: Annotated[tuple[SwapMark, ...], Meta(max_length=256)] = ()
    """In order of place."""
    then: Then = Then()
    """What follows; `to` is a section."""


class BoxSong(Value, frozen=True, kw_only=True):
    """A place in a box's own song memory that holds its part of this song."""

    device: Id
    number: Annotated[int, Meta(ge=0, le=127)]
    """As sent with Song Select, 0 to 127."""


class Need(Value, frozen=True, kw_only=True):
    """What a box must have before a song: a kit loaded, a cable plugged, a pattern keyed in."""

    device: LineId
    what: Annotated[str, Meta(min_length=1, max_length=80)]
    """As the performer would say it: "kit 2"."""
    kind: Literal["load", "patch", "teach", "program"] = "load"
    seconds: Annotated[float, Meta(gt=0, le=600)] = 5.0
    by: Literal["you", "helper"] = "you"
    """Whose hands: a helper's do not take the performer's time."""


class Song(Value, frozen=True, kw_only=True):
    """Scenes in order at a tempo."""

    id: Id
    name: Name
    bpm: Bpm = 120.0
    key: KeyName = ""
    """As the performer says; "" leaves it to what the notes say."""
    version_of: Annotated[str, Meta(max_length=64)] = ""
    """The song this is another version of."""
    version: Annotated[str, Meta(max_length=40)] = ""
    """What tells it from the others: "building up", "everything in"."""
    needs: Annotated[tuple[Need, ...], Meta(max_length=64)] = ()
    """What has to be loaded or patched before it."""
    sections: tuple[Section, ...] = ()
    box_songs: Annotated[tuple[BoxSong, ...], Meta(max_length=64)] = ()
    """Boxes that play their part from their own song memory."""

    def box_song(self, device_id: str) -> int | None:
        """The number under which a box holds its part of this song; None: it is told live."""
        return next((b.number for b in self.box_songs if b.device == device_id), None)


Limb = Literal["hand", "foot"]


class Performer(Value, frozen=True, kw_only=True):
    """Who plays: limbs that are free, and what bores them."""

    hands: Annotated[int, Meta(ge=0, le=2)] = 2
    feet: Annotated[int, Meta(ge=0, le=2)] = 1
    """Feet free for pedals: one stands."""
    unchanged_bars: Annotated[int, Meta(ge=1, le=256)] = 16
    """A stretch that repeats unchanged for longer is found."""
    school: Literal["", "verse and hook", "build and drop"] = ""
    """Whose advice on form is wanted; "" for only what both agree on."""

    def limbs(self, limb: Limb) -> int:
        """How many of a kind are free."""
        return self.hands if limb == "hand" else self.feet


class Printed(Value, frozen=True, kw_only=True):
    """A programming sheet as it was when it was last written out, to say what changed since."""

    song: Id
    device: LineId
    lines: Annotated[tuple[Annotated[str, Meta(max_length=200)], ...], Meta(max_length=2000)] = ()
