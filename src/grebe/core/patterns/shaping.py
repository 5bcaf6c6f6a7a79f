"""What a hand that drags makes of a pattern: rows in another order, blocks moved, curves drawn."""

from __future__ import annotations

from math import pi, sin
from typing import Literal

import msgspec

from grebe.core.patterns import edit
from grebe.core.patterns.model import Content, ControlLane, ControlPoint, Hit, Voice
from grebe.errors import EditError
from grebe.words import tr

Shape = Literal["ramp", "sine", "steps"]
STAIRS = 4
"""Levels of a shape in steps."""


def move_voice(content: Content, voice_id: str, to: int) -> Content:
    """The content with a voice at another place from the top, held at the ends."""
    voices = list(content.voices)
    at = next(i for i, v in enumerate(voices) if v.id == voice_id)
    voices.insert(max(0, min(len(voices) - 1, to)), voices.pop(at))
    return msgspec.structs.replace(content, voices=tuple(voices))


def painted(voice: Voice, first: int, last: int, velocity: int) -> Voice:
    """The voice with a hit on every step of a stretch that has none, held at the voice's ends."""
    for step in range(max(0, min(first, last)), min(voice.length - 1, max(first, last)) + 1):
        if voice.hit_at(step) is None:
            voice = edit.put_hit(voice, Hit(step=step, velocity=velocity))
    return voice


def move_block(
    content: Content, voices: tuple[str, ...], first: int, last: int,
    *, down: int, later: int, copied: bool,
) -> Content:  # fmt: skip
    """Hits of some voices between two steps, so many rows further down and steps later.

    What was there gives way; `copied` leaves the block where it was too. EditError where nothing
    of it would be left in the pattern.
    """
    ids = [v.id for v in content.voices]
    rows = [ids.index(v) for v in ids if v in voices]
    if not rows:
        return content
    clip = edit.copy_out(content, voices, first, last)
    top, step = rows[0] + down, first + later
    clip = edit.Clip(clip.rows[max(0, -top) :], clip.steps)
    if step < 0:
        cut = tuple(
            tuple(msgspec.structs.replace(h, step=h.step + step) for h in row if h.step + step >= 0)
            for row in clip.rows
        )
        clip = edit.Clip(cut, clip.steps + step)
    if not clip.rows or clip.steps < 1 or top >= len(ids):
        raise EditError(tr("there is no row or step there"))
    if not copied:
        for voice_id in voices:
            if voice_id in ids:
                content = edit.with_voice(content, voice_id, lambda v: edit.clear(v, first, last))
    return edit.paste(content, clip, ids[max(0, top)], max(0, step))


def drawn(lane: ControlLane, one: tuple[int, int], other: tuple[int, int]) -> ControlLane:
    """The lane with a value on each step between two (step, value), evenly from one to the other:
    what a pointer that moved from there to here has drawn."""
    (first, low), (last, high) = sorted((one, other))
    for step in range(max(0, first), min(lane.length - 1, last) + 1):
        share = 0.0 if first == last else (step - first) / (last - first)
        lane = _put(lane, step, round(low + (high - low) * share))
    if one[0] == other[0]:
        return _put(lane, max(0, min(lane.length - 1, other[0])), other[1])
    return lane


def shaped(
    lane: ControlLane, shape: Shape, first: int, last: int, low: int, high: int
) -> ControlLane:
    """The lane with a shape over a stretch: a ramp, one swing of a sine, or four stairs."""
    last = min(last, lane.length - 1)
    for step in range(first, last + 1):
        share = shape_at(shape, (step - first) / max(1, last - first))
        lane = _put(lane, step, round(low + (high - low) * share))
    return lane


def shape_at(shape: Shape, share: float) -> float:
    """A shape's height, 0 to 1, so far through it."""
    if shape == "sine":
        return (1 + sin(2 * pi * share - pi / 2)) / 2
    if shape == "steps":
        return min(STAIRS - 1, int(share * STAIRS)) / (STAIRS - 1)
    return share


def _put(lane: ControlLane, step: int, value: int) -> ControlLane:
    old = edit.point_at(lane, step) or ControlPoint(step=step, value=0)
    held = max(0, min(127, value))
    return edit.put_point(lane, msgspec.structs.replace(old, value=held))
