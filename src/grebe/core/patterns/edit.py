"""Edits to a pattern's content: each a function from the old value to the new one."""

from __future__ import annotations

from collections.abc import Callable

import msgspec

from grebe.core.patterns.model import Content, Hit, Voice
from grebe.core.units import MAX_STEPS
from grebe.errors import EditError


def with_voice(content: Content, voice_id: str, edit: Callable[[Voice], Voice]) -> Content:
    """The content with one voice edited; EditError when it has no such voice."""
    if all(v.id != voice_id for v in content.voices):
        raise EditError(f"the pattern has no voice {voice_id!r}")
    voices = tuple(edit(v) if v.id == voice_id else v for v in content.voices)
    return msgspec.structs.replace(content, voices=voices)


def put_hit(voice: Voice, hit: Hit) -> Voice:
    """The voice with this hit on its step, in place of what was there.

    EditError when the step is past the voice's length.
    """
    if hit.step >= voice.length:
        raise EditError(
            f"step {hit.step + 1} is past the end of {voice.name}, which has {voice.length} steps"
        )
    others = [h for h in voice.hits if h.step != hit.step]
    hits = tuple(sorted((*others, hit), key=lambda h: h.step))
    return msgspec.structs.replace(voice, hits=hits)


def remove_hit(voice: Voice, step: int) -> Voice:
    """The voice without the hit on this step; unchanged when there is none."""
    return msgspec.structs.replace(voice, hits=tuple(h for h in voice.hits if h.step != step))


def set_velocity(voice: Voice, step: int, velocity: int) -> Voice:
    """The voice with the hit on `step` at `velocity`, held between 1 and 127.

    EditError when there is no hit on the step.
    """
    hit = voice.hit_at(step)
    if hit is None:
        raise EditError(f"{voice.name} has no hit on step {step + 1}")
    held = min(127, max(1, velocity))
    return put_hit(voice, msgspec.structs.replace(hit, velocity=held))


def transpose_hit(voice: Voice, step: int, semitones: int) -> Voice:
    """The voice with the hit on `step` moved in pitch, held between 0 and 127.

    EditError when there is no hit on the step.
    """
    hit = voice.hit_at(step)
    if hit is None:
        raise EditError(f"{voice.name} has no hit on step {step + 1}")
    pitch = (voice.note if hit.note is None else hit.note) + semitones
    return put_hit(voice, msgspec.structs.replace(hit, note=min(127, max(0, pitch))))


def set_length(voice: Voice, length: int) -> Voice:
    """The voice with another length, 1 to 256 steps; hits past its end are dropped."""
    held = min(MAX_STEPS, max(1, length))
    hits = tuple(h for h in voice.hits if h.step < held)
    return msgspec.structs.replace(voice, length=held, hits=hits)
