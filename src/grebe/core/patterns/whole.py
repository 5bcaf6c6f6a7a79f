"""What is done to a whole pattern at once: its last step, its scale, a blank half."""

from __future__ import annotations

import msgspec

from grebe.core.patterns.edit import set_lane_length, set_length
from grebe.core.patterns.model import Content, ControlLane, Hit, Voice
from grebe.core.time.ticks import NoteValue
from grebe.core.units import MAX_STEPS
from grebe.errors import EditError
from grebe.words import tr

TRIPLETS: dict[NoteValue, NoteValue] = {
    "1/4": "1/2t",
    "1/8": "1/4t",
    "1/16": "1/8t",
    "1/32": "1/16t",
}
"""Three in the time of four: a step rate and its triplets over the same beats."""
_STRAIGHT = {triplet: straight for straight, triplet in TRIPLETS.items()}


def last_step(content: Content, by: int) -> Content:
    """The pattern some steps longer or shorter, and with it every row that is as long as it is.

    EditError where it would have none, or more than 256.
    """
    length = content.length + by
    if not 1 <= length <= MAX_STEPS:
        raise EditError(tr("a pattern has 1 to {max_steps} steps", max_steps=MAX_STEPS))
    return msgspec.structs.replace(
        content,
        length=length,
        voices=tuple(set_length(v, length) if _is_whole(content, v) else v for v in content.voices),
        lanes=tuple(
            set_lane_length(x, length) if _is_whole(content, x) else x for x in content.lanes
        ),
    )


def _is_whole(content: Content, row: Voice | ControlLane) -> bool:
    """Whether a row has the pattern's own steps."""
    return row.rate == content.rate and row.length == content.length


def triplet_scale(content: Content) -> Content:
    """The pattern in triplets over the same beats, or straight again: what falls on the beat stays
    there, the fourth of four goes. EditError where its steps are neither, or it does not go up in
    whole beats."""
    to = TRIPLETS.get(content.rate) or _STRAIGHT.get(content.rate)
    old, new = (4, 3) if content.rate in TRIPLETS else (3, 4)
    if to is None or content.length % old:
        raise EditError(
            tr("steps of {rate}, {length} of them, have no triplets over the same beats",
               rate=content.rate, length=content.length)
        )  # fmt: skip
    length = content.length * new // old
    if length > MAX_STEPS:
        raise EditError(tr("a pattern has {max_steps} steps at most", max_steps=MAX_STEPS))

    def moved(voice: Voice) -> Voice:
        if voice.rate != content.rate or voice.even or voice.length % old:
            return voice
        hits: list[Hit] = []
        for hit in voice.hits:
            beat, place = divmod(hit.step, old)
            if place < new:
                hits.append(msgspec.structs.replace(hit, step=beat * new + place))
        return msgspec.structs.replace(
            voice, rate=to, length=voice.length * new // old, hits=tuple(hits)
        )

    return msgspec.structs.replace(
        content, rate=to, length=length, voices=tuple(moved(v) for v in content.voices)
    )


def blank_half(content: Content) -> Content:
    """The pattern twice as long, its second half empty. EditError past 256 steps."""
    return last_step(content, content.length)


def closer(voice: Voice, percent: int) -> Voice:
    """The voice with hits that are late or early so much closer to their steps: 100 puts them on
    the grid, where swing has it; what was played keeps its velocities, flams and gates."""
    hits = tuple(
        msgspec.structs.replace(
            hit, shift_permille=int(hit.shift_permille * (100 - percent) / 100)
        )
        for hit in voice.hits
    )  # fmt: skip
    return msgspec.structs.replace(voice, hits=hits)


def all_closer(content: Content, percent: int) -> Content:
    """The same for every voice. EditError where all hits are on their steps."""
    if not any(hit.shift_permille for voice in content.voices for hit in voice.hits):
        raise EditError(tr("every hit is on its step already"))
    voices = tuple(closer(voice, percent) for voice in content.voices)
    return msgspec.structs.replace(content, voices=voices)
