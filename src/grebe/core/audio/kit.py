"""Which sound a box has for a note, kept once made."""

from __future__ import annotations

from functools import lru_cache

import numpy as np
from numpy.typing import NDArray

from grebe.core.audio.drums import drum
from grebe.core.audio.tones import RELEASE_S, bass, fading, pad
from grebe.core.rig.spec import Kind, Spec
from grebe.words import tr

Wave = NDArray[np.float32]

RATE = 48_000
BRIGHT_STEPS = 8
"""A brightness is taken in steps of so many, so that a glide needs no sound for each value."""
LONGEST_S = 60.0
GATE_STEP_S = 0.005

PANS: dict[str, float] = {"synth": 0.25, "looper": -0.3, "sampler": 0.1}
"""-1 left to 1 right; the rest in the middle."""
LEVELS: dict[str, float] = {"drums": 0.62, "bass": 0.55, "synth": 0.4, "looper": 0.28}
"""So that a rig of all kinds does not overload."""
USUAL_LEVEL = 0.45
HATS = (42, 44, 46)
"""One pair of cymbals: they cut each other off on every drum box (General MIDI's notes)."""

VOICED: frozenset[Kind] = frozenset(
    {"drums", "bass", "synth", "sampler", "looper", "computer", "other"}
)
"""Kinds of box that make a sound of their own."""


def is_struck(kind: Kind) -> bool:
    """Whether its sounds ring out by themselves, however long they are held."""
    return kind in ("drums", "sampler")


def tone(kind: Kind, note: int, bright: int, first: int, count: int, rate: int = RATE) -> Wave:
    """Samples `first` on of a held tone of a box that is not struck, at full velocity."""
    made = bass if kind == "bass" else pad
    return made(note, bright, first, count, rate)


def release_of(kind: Kind, rate: int = RATE) -> int:
    """Samples a held tone of this kind takes to go."""
    return round(RELEASE_S["bass" if kind == "bass" else "pad"] * rate)


@lru_cache(maxsize=512)
def sound_of(kind: Kind, note: int, seconds: float, bright: int, rate: int = RATE) -> Wave:
    """The whole sound, at full velocity, of a box of this kind for a note held `seconds`.

    Ask with values from `rounded`. Not to be changed: it is shared.
    """
    if is_struck(kind):
        return drum(note, rate)
    held, release = round(seconds * rate), release_of(kind, rate)
    wave = tone(kind, note, bright, 0, held + release, rate)
    wave[held:] *= fading(held, release, held, release)
    return wave


def rounded(seconds: float, bright: int) -> tuple[float, int]:
    """A gate and a brightness as `sound_of` keeps them."""
    held = min(LONGEST_S, max(GATE_STEP_S, round(seconds / GATE_STEP_S) * GATE_STEP_S))
    return round(held, 3), min(127, bright // BRIGHT_STEPS * BRIGHT_STEPS)


def loudness(velocity: int, level: int = 127) -> float:
    """Gain of a velocity and a level controller: squared, as dynamics are mostly made."""
    return (velocity / 127) ** 2 * 0.85 * (level / 127) + 0.15 * (velocity / 127) * (level / 127)


def cuts(kind: Kind, spec: Spec) -> dict[int, str]:
    """For each note that cuts others off, the name of what it shares with them."""
    shared = {voice.note: tr("slot {slot}", slot=voice.slot) for voice in spec.voices if voice.slot}
    if is_struck(kind):
        shared = dict.fromkeys(HATS, "hats") | shared
    return shared
