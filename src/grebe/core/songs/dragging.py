"""What a hand that drags makes of a song: regions, points, markers and passes at other places.

Stretches are ticks of the song as written; marks lie on sixteenths of their section.
"""

from __future__ import annotations

from grebe.core.patterns.shaping import Shape, shape_at
from grebe.core.songs import edit
from grebe.core.songs.layout import Layout
from grebe.core.songs.model import Curve, CurvePoint, Marker, MuteRegion, Song
from grebe.core.time.ticks import SIXTEENTH_TICKS


def region_at(layout: Layout, device: str, tick: int) -> tuple[str, MuteRegion] | None:
    """The mute of a box that lies over a tick, one of a voice first, and its section's id."""
    span = layout.spans[layout.index_at(tick)]
    at = (tick - span.tick) // SIXTEENTH_TICKS
    found = [
        m for m in span.section.mutes if m.device == device and m.at <= at < m.at + m.long
    ]  # fmt: skip
    found.sort(key=lambda m: not m.voice)
    return (span.section.id, found[0]) if found else None


def without_region(layout: Layout, section: str, old: MuteRegion) -> Song:
    """The song without one mute region."""
    span = layout.span_of(section)
    assert span is not None
    rest = tuple(m for m in span.section.mutes if m is not old)
    return edit.with_section(layout.song, section, mutes=rest)


def move_marker(layout: Layout, section: str, marker: Marker, tick: int) -> Song:
    """A marker at another tick, also of another section; one that was there gives way."""
    span = layout.span_of(section)
    assert span is not None
    rest = tuple(m for m in span.section.markers if m is not marker)
    without = edit.with_section(layout.song, section, markers=rest)
    to = layout.spans[layout.index_at(tick)]
    at = max(0, tick - to.tick) // SIXTEENTH_TICKS
    there = next(s for s in without.sections if s.id == to.section.id)
    kept = [m for m in there.markers if m.at != at]
    new = sorted([*kept, Marker(name=marker.name, at=at)], key=lambda m: m.at)
    return edit.with_section(without, to.section.id, markers=tuple(new))


def drawn_curve(
    layout: Layout, device: str, controller: int, one: tuple[int, int], other: tuple[int, int]
) -> Song:
    """A curve's points on every sixteenth between two (tick, value) of one section, evenly from
    one to the other. What lies in another section than the first is left out."""
    (first, low), (last, high) = sorted((one, other))
    span = layout.spans[layout.index_at(one[0])]
    begin = max(0, first - span.tick) // SIXTEENTH_TICKS
    end = max(begin, min(span.ticks - 1, last - span.tick) // SIXTEENTH_TICKS)
    values = {
        at: low if first == last else round(
            low + (high - low)
            * min(1.0, max(0.0, (span.tick + at * SIXTEENTH_TICKS - first) / (last - first)))
        )
        for at in range(begin, end + 1)
    }  # fmt: skip
    if other[0] <= one[0] or begin == end:
        values[begin] = low if other[0] < one[0] else other[1]
    return _with_points(layout, span.section.id, device, controller, values)


def shaped_curve(
    layout: Layout, device: str, controller: int, first: int, last: int, shape: Shape,
    low: int, high: int,
) -> Song:  # fmt: skip
    """A shape over a stretch of one section: that of its first tick."""
    span = layout.spans[layout.index_at(first)]
    begin = (first - span.tick) // SIXTEENTH_TICKS
    end = max(begin + 1, min(span.ticks, last - span.tick) // SIXTEENTH_TICKS)
    values = {
        at: round(low + (high - low) * shape_at(shape, (at - begin) / max(1, end - begin - 1)))
        for at in range(begin, end)
    }
    return _with_points(layout, span.section.id, device, controller, values)


def _with_points(
    layout: Layout, section: str, device: str, controller: int, values: dict[int, int]
) -> Song:
    span = layout.span_of(section)
    assert span is not None
    mine = [
        c for c in span.section.curves if (c.device, c.controller) == (device, controller)
    ]  # fmt: skip
    rest = tuple(c for c in span.section.curves if c not in mine)
    kept = {p.at: p.value for c in mine for p in c.points} | values
    points = tuple(
        CurvePoint(at=at, value=max(0, min(127, value))) for at, value in sorted(kept.items())
    )[:512]
    channel = mine[0].channel if mine else None
    new = Curve(device=device, controller=controller, channel=channel, points=points)
    return edit.with_section(layout.song, section, curves=(*rest, new))
