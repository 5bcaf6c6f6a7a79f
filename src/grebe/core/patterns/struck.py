"""What a voice is: a drum, a hat, or something else. By its box, its name, and its note."""

from __future__ import annotations

import re
from collections.abc import Collection

from grebe.core.patterns.model import Content, Voice
from grebe.core.rig.model import Device
from grebe.core.units import DRUM_CHANNEL

GM_PERCUSSION = range(35, 82)
"""General MIDI level 1's percussion map: notes 35 to 81 on channel 10."""
GM_HATS = (42, 44, 46)
"""Closed, pedal and open hi-hat of that map."""
_DRUMS = re.compile(
    r"\b(drums?|kit|kick|bd|bass ?drum|snare|sd|rim(shot)?|side ?stick|clap|cp|tom|[lmh]t|cymbal"
    r"|crash|ride|splash|perc(ussion)?|cowbell|cb|shaker|maracas|tambourine|conga|bongo|timbale"
    r"|agogo|cabasa|clave|claves|wood ?block|guiro|triangle|riser)s?\b"
)
_HATS = re.compile(r"\b(hi-?)?hats?\b|\bhh\b|\b[co]h\b")


def is_hat(voice: Voice) -> bool:
    """Whether a voice is a hat, by its name, or on General MIDI's percussion channel by note."""
    return bool(_HATS.search(voice.name.lower())) or (
        voice.channel == DRUM_CHANNEL and voice.note in GM_HATS
    )


def is_drum(voice: Voice, device: Device, sliced: Collection[int] = ()) -> bool:
    """Whether a voice of a line is a drum. All of a drum box are; elsewhere its name says it, or
    that of its sound, or the note on General MIDI's percussion channel. `sliced`: notes that play
    pieces of a loop, which are none."""
    if device.kind == "drums":
        return True
    if voice.note in sliced:
        return False
    names = [voice.name, *(v.name for v in device.spec.voices if v.note == voice.note)]
    if any(_DRUMS.search(n.lower()) or _HATS.search(n.lower()) for n in names):
        return True
    channel = voice.channel or device.channel
    return channel == DRUM_CHANNEL and voice.note in GM_PERCUSSION


def drums_of(
    contents: Collection[Content], device: Device, sliced: Collection[int] = ()
) -> tuple[tuple[str, ...], bool]:
    """Ids of the drum voices in what a line plays, and whether they are all that is played."""
    played = [v for content in contents for v in content.voices if v.hits]
    drums = [v for v in played if is_drum(v, device, sliced)]
    return tuple(dict.fromkeys(v.id for v in drums)), len(drums) == len(played)
