"""Edits to a pattern's content: each a function from the old value to the new one.

Where a stretch is given, from a first to a last step, an edit stays inside it.
"""

from __future__ import annotations

from collections.abc import Callable
from typing import Any, NamedTuple

import msgspec

from grebe.core.patterns.model import Content, ControlLane, ControlPoint, Hit, Voice
from grebe.core.units import MAX_STEPS, fields_of, held_in
from grebe.errors import EditError
from grebe.words import tr


def with_voice(content: Content, voice_id: str, edit: Callable[[Voice], Voice]) -> Content:
    """The content with one voice edited; EditError when it has no such voice."""
    if all(v.id != voice_id for v in content.voices):
        raise EditError(tr("the pattern has no voice {voice_id!r}", voice_id=voice_id))
    voices = tuple(edit(v) if v.id == voice_id else v for v in content.voices)
    return msgspec.structs.replace(content, voices=voices)


def with_lane(
    content: Content, lane_id: str, edit: Callable[[ControlLane], ControlLane]
) -> Content:
    """The content with one controller lane edited; EditError when it has no such lane."""
    if all(lane.id != lane_id for lane in content.lanes):
        raise EditError(tr("the pattern has no controller lane {lane_id!r}", lane_id=lane_id))
    lanes = tuple(edit(lane) if lane.id == lane_id else lane for lane in content.lanes)
    return msgspec.structs.replace(content, lanes=lanes)


# Hits


def put_hit(voice: Voice, hit: Hit) -> Voice:
    """The voice with this hit on its step, in place of what was there.

    EditError when the step is past the voice's length.
    """
    if hit.step >= voice.length:
        raise EditError(
            tr(
                "step {value} is past the end of {voice}, which has {length} steps",
                value=hit.step + 1,
                voice=voice.name,
                length=voice.length,
            )
        )
    others = [h for h in voice.hits if h.step != hit.step]
    return _with_hits(voice, [*others, hit])


def remove_hit(voice: Voice, step: int) -> Voice:
    """The voice without the hit on this step; unchanged when there is none."""
    return msgspec.structs.replace(voice, hits=tuple(h for h in voice.hits if h.step != step))


def change_hit(voice: Voice, step: int, **fields: Any) -> Voice:
    """The voice with fields of the hit on a step set, numbers held to what they may be.

    EditError when there is no hit on the step.
    """
    hit = voice.hit_at(step)
    if hit is None:
        raise EditError(tr("{voice} has no hit on step {value}", voice=voice.name, value=step + 1))
    held = {name: _held(name, value) for name, value in fields.items()}
    return put_hit(voice, msgspec.structs.replace(hit, **held))


def _held(name: str, value: Any) -> Any:
    if not isinstance(value, int) or isinstance(value, bool):
        return value
    return held_in(fields_of(Hit)[name], value)


def pitch_of(voice: Voice, hit: Hit) -> int:
    """The note a hit plays."""
    return voice.note if hit.note is None else hit.note


# A voice, or a stretch of it


def clear(voice: Voice, first: int = 0, last: int = MAX_STEPS) -> Voice:
    """The voice without its hits from step `first` to `last`."""
    return _with_hits(voice, [h for h in voice.hits if not first <= h.step <= last])


def within(voice: Voice, other: Voice, first: int, last: int) -> Voice:
    """The voice with the hits of another on the steps `first` to `last`, and its own elsewhere."""
    kept = [h for h in voice.hits if not first <= h.step <= last]
    taken = [h for h in other.hits if first <= h.step <= last and h.step < voice.length]
    return msgspec.structs.replace(
        voice, hits=tuple(sorted((*kept, *taken), key=lambda hit: hit.step))
    )


def rotate(voice: Voice, by: int, first: int = 0, last: int = MAX_STEPS) -> Voice:
    """The voice with its hits moved later, what leaves the stretch coming in at its other end."""
    last = min(last, voice.length - 1)
    return _moved(voice, first, last, lambda s: first + (s - first + by) % (last - first + 1))


def shift(voice: Voice, by: int, first: int = 0, last: int = MAX_STEPS) -> Voice:
    """The voice with its hits moved later; what leaves the stretch is lost."""
    last = min(last, voice.length - 1)

    def to(step: int) -> int | None:
        return step + by if first <= step + by <= last else None

    return _moved(voice, first, last, to)


def reverse(voice: Voice, first: int = 0, last: int = MAX_STEPS) -> Voice:
    """The voice with its hits in the opposite order."""
    last = min(last, voice.length - 1)
    return _moved(voice, first, last, lambda s: first + last - s)


def double(voice: Voice) -> Voice:
    """The voice twice as long, its hits played again in the second half.

    EditError where that would be over 256 steps.
    """
    length = voice.length * 2
    if length > MAX_STEPS:
        raise EditError(
            tr(
                "{voice} would have {length} steps; a voice has {max_steps} at most",
                voice=voice.name,
                length=length,
                max_steps=MAX_STEPS,
            )
        )
    later = [msgspec.structs.replace(h, step=h.step + voice.length) for h in voice.hits]
    return msgspec.structs.replace(voice, length=length, hits=(*voice.hits, *later))


def halve(voice: Voice) -> Voice:
    """The voice half as long: its first half. EditError for an odd number of steps."""
    if voice.length % 2:
        raise EditError(
            tr(
                "{voice} has {length} steps, which has no half",
                voice=voice.name,
                length=voice.length,
            )
        )
    return set_length(voice, voice.length // 2)


def set_length(voice: Voice, length: int) -> Voice:
    """The voice with another length, 1 to 256 steps; hits past its end are dropped."""
    held = min(MAX_STEPS, max(1, length))
    hits = tuple(h for h in voice.hits if h.step < held)
    return msgspec.structs.replace(voice, length=held, hits=hits)


# The whole pattern


def double_content(content: Content) -> Content:
    """The pattern twice as long with every voice and lane; EditError past 256 steps."""
    if content.length * 2 > MAX_STEPS:
        raise EditError(tr("a pattern has {max_steps} steps at most", max_steps=MAX_STEPS))
    lanes = [
        msgspec.structs.replace(
            lane,
            length=lane.length * 2,
            points=(
                *lane.points,
                *(msgspec.structs.replace(p, step=p.step + lane.length) for p in lane.points),
            ),
        )
        if lane.length * 2 <= MAX_STEPS
        else lane
        for lane in content.lanes
    ]
    return msgspec.structs.replace(
        content,
        length=content.length * 2,
        voices=tuple(double(v) for v in content.voices),
        lanes=tuple(lanes),
    )


def halve_content(content: Content) -> Content:
    """The first half of the pattern, of voices and lanes as long as it; others stay.

    EditError for an odd number of steps.
    """
    if content.length % 2:
        raise EditError(
            tr("the pattern has {length} steps, which has no half", length=content.length)
        )
    voices = [
        halve(v) if content.ticks_of(v) == content.ticks and v.length % 2 == 0 else v
        for v in content.voices
    ]
    lanes = [
        set_lane_length(lane, lane.length // 2)
        if content.ticks_of(lane) == content.ticks and lane.length % 2 == 0
        else lane
        for lane in content.lanes
    ]
    return msgspec.structs.replace(
        content, length=content.length // 2, voices=tuple(voices), lanes=tuple(lanes)
    )


def add_voice(content: Content, name: str, note: int) -> Content:
    """The content with a voice more, as long as the pattern, under an id of its own."""
    voice = Voice(
        id=_free_id("v", {v.id for v in content.voices}),
        name=name[:80] or f"Note {note}",
        note=note,
        length=content.length,
        rate=content.rate,
    )
    return msgspec.structs.replace(content, voices=(*content.voices, voice))


def remove_voice(content: Content, voice_id: str) -> Content:
    """The content without a voice."""
    voices = tuple(v for v in content.voices if v.id != voice_id)
    return msgspec.structs.replace(content, voices=voices)


# Copy and paste


class Clip(NamedTuple):
    """What was copied: for each voice, from the top one, its hits from the first step on."""

    rows: tuple[tuple[Hit, ...], ...]
    steps: int
    """Width of the stretch."""


def copy_out(content: Content, voices: tuple[str, ...], first: int, last: int) -> Clip:
    """Hits of some voices between two steps."""
    rows = tuple(
        tuple(
            msgspec.structs.replace(h, step=h.step - first)
            for h in voice.hits
            if first <= h.step <= last
        )
        for voice in content.voices
        if voice.id in voices
    )
    return Clip(rows, last - first + 1)


def paste(content: Content, clip: Clip, voice_id: str, step: int) -> Content:
    """The content with a clip in place of what was there; what has no room is left out."""
    ids = [v.id for v in content.voices]
    at = ids.index(voice_id) if voice_id in ids else 0
    voices = list(content.voices)
    for offset, row in enumerate(clip.rows):
        if at + offset < len(voices):
            voice = clear(voices[at + offset], step, step + clip.steps - 1)
            new = [msgspec.structs.replace(h, step=h.step + step) for h in row]
            fit = [h for h in new if h.step < voice.length]
            voices[at + offset] = _with_hits(voice, [*voice.hits, *fit])
    return msgspec.structs.replace(content, voices=tuple(voices))


# Controller lanes


def add_lane(content: Content, name: str, controller: int) -> Content:
    """The content with a controller lane more, as long as the pattern."""
    lane = ControlLane(
        id=_free_id("c", {lane.id for lane in content.lanes}),
        name=name[:80] or tr("Controller {controller}", controller=controller),
        controller=controller,
        length=content.length,
        rate=content.rate,
    )
    return msgspec.structs.replace(content, lanes=(*content.lanes, lane))


def remove_lane(content: Content, lane_id: str) -> Content:
    """The content without a controller lane."""
    lanes = tuple(lane for lane in content.lanes if lane.id != lane_id)
    return msgspec.structs.replace(content, lanes=lanes)


def put_point(lane: ControlLane, point: ControlPoint) -> ControlLane:
    """The lane with this point on its step, in place of what was there.

    EditError when the step is past the lane's length.
    """
    if point.step >= lane.length:
        raise EditError(
            tr(
                "step {value} is past the end of {lane}, which has {length} steps",
                value=point.step + 1,
                lane=lane.name,
                length=lane.length,
            )
        )
    others = [p for p in lane.points if p.step != point.step]
    points = tuple(sorted((*others, point), key=lambda p: p.step))
    return msgspec.structs.replace(lane, points=points)


def point_at(lane: ControlLane, step: int) -> ControlPoint | None:
    """The point on a step, if there is one."""
    return next((p for p in lane.points if p.step == step), None)


def remove_point(lane: ControlLane, step: int) -> ControlLane:
    """The lane without the point on this step."""
    return msgspec.structs.replace(lane, points=tuple(p for p in lane.points if p.step != step))


def set_lane_length(lane: ControlLane, length: int) -> ControlLane:
    """The lane with another length, 1 to 256 steps; points past its end are dropped."""
    held = min(MAX_STEPS, max(1, length))
    points = tuple(p for p in lane.points if p.step < held)
    return msgspec.structs.replace(lane, length=held, points=points)


# Variations


def differing(content: Content, base: Content) -> frozenset[tuple[str, int]]:
    """(voice or lane id, step) where a variation differs from what it was made from.

    Step -1 stands for a row's own settings: its length, rate, note and so on.
    """
    out: set[tuple[str, int]] = set()
    for rows, others, name in (
        (content.voices, base.voices, "hits"),
        (content.lanes, base.lanes, "points"),
    ):
        before = {row.id: row for row in others}
        for row in rows:
            old = before.pop(row.id, None)
            if old is None:
                out.add((row.id, -1))
            events = {e.step: e for e in getattr(row, name)}
            was = {} if old is None else {e.step: e for e in getattr(old, name)}
            out |= {(row.id, s) for s in events.keys() | was.keys() if events.get(s) != was.get(s)}
            if old is not None and _bare(row, name) != _bare(old, name):
                out.add((row.id, -1))
        out |= {(gone, -1) for gone in before}
    return frozenset(out)


def _bare(row: Any, name: str) -> Any:
    return msgspec.structs.replace(row, **{name: ()})


def _free_id(letter: str, taken: set[str]) -> str:
    return next(f"{letter}{n}" for n in range(1, len(taken) + 2) if f"{letter}{n}" not in taken)


def _with_hits(voice: Voice, hits: list[Hit]) -> Voice:
    ordered = tuple(sorted(hits, key=lambda h: h.step))
    return msgspec.structs.replace(voice, hits=ordered)


def _moved(voice: Voice, first: int, last: int, to: Callable[[int], int | None]) -> Voice:
    out: list[Hit] = []
    for hit in voice.hits:
        if not first <= hit.step <= last:
            out.append(hit)
        elif (step := to(hit.step)) is not None:
            out.append(msgspec.structs.replace(hit, step=step))
    return _with_hits(voice, out)
