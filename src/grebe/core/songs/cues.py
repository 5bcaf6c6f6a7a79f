"""A song as a list of cues: what happens at which bar and time, and by whose hand."""

from __future__ import annotations

from collections.abc import Iterator
from typing import NamedTuple

from grebe.core.document import Project
from grebe.core.songs.changes import SceneChange, changes, moves_of, reached_by, silenced_by_hand
from grebe.core.songs.hands import schedule
from grebe.core.songs.layout import Layout, SectionSpan
from grebe.core.songs.model import MuteRegion, Song
from grebe.core.songs.unroll import unrolled
from grebe.core.time.ticks import SIXTEENTH_TICKS
from grebe.words import counted, tr


class Cue(NamedTuple):
    """One line."""

    tick: int
    bar: int
    beat: int
    seconds: float
    kind: str
    """`section`, `change`, `move`, `mute`, `fill`, `swap`, `marker`, `tempo` or `end`."""
    device: str
    """Printed name; "" where it is about the whole song."""
    what: str
    by: str
    """`grebe`, `hand`, `foot`, or ""."""

    @property
    def by_performer(self) -> bool:
        """Whether the performer does it."""
        return self.by in ("hand", "foot")


class CueSheet(NamedTuple):
    """All cues of a song that is laid out without jumps."""

    layout: Layout
    cues: tuple[Cue, ...]
    in_time: tuple[bool, ...]
    """For each section, whether hands can make its moves in time."""


def cue_sheet(project: Project, song: Song) -> CueSheet:
    """The cues of a song in order. EditError when it names a scene that is not there."""
    layout = project.layout(unrolled(song))
    reached = reached_by(project)
    out: list[Cue] = []
    in_time: list[bool] = []
    for number, span in enumerate(layout.spans):
        before = layout.spans[number - 1].scene if number else None
        found: tuple[SceneChange, ...] = ()
        if before is None or before.id != span.scene.id or span.section.bpm is not None:
            found = changes(
                project, before, span.scene, span.bpm, bpm_after=span.section.bpm, reached=reached,
                song=song,
            )  # fmt: skip
        in_time.append(schedule(moves_of(found), project.performer).fits)
        out += _of_span(project, layout, span, found)
    if layout.spans:
        out.append(_cue(layout, layout.ticks, "end", "", tr("The song ends"), ""))
    out.sort(key=lambda cue: cue.tick)
    return CueSheet(layout, tuple(out), tuple(in_time))


def _of_span(
    project: Project, layout: Layout, span: SectionSpan, found: tuple[SceneChange, ...]
) -> list[Cue]:
    section, scene = span.section, span.scene
    times = "" if section.times == 1 else tr(", {times} times", times=section.times)
    what = tr(
        "{scene}, {bars}{times}, {bpm:g} BPM, {meter}",
        scene=scene.name,
        bars=counted(span.bars, "bar"),
        times=times,
        bpm=span.bpm,
        meter=scene.meter,
    )
    out = [_cue(layout, span.tick, "section", "", what, "")]
    out += _changes(project, layout, span, found)
    devices = {d.id: d for d in project.rig.lines}
    for region in section.mutes:
        device = devices.get(region.device)
        hand = device is not None and silenced_by_hand(device, region.voice)
        by = "hand" if hand else "grebe"
        out += _region(project, layout, span, region, by)
    return [*out, *_within(project, layout, span)]


def _changes(
    project: Project, layout: Layout, span: SectionSpan, found: tuple[SceneChange, ...]
) -> Iterator[Cue]:
    """Where the section begins: what is told, what hands do, the tempo."""
    name_of, section = project.rig.name_of, span.section
    for change in found:
        before = tr("{before} to ", before=change.before) if change.before else ""
        what = f"{before}{change.after}"
        if change.by == "grebe":
            yield _cue(layout, span.tick, "change", name_of(change.device), what, "grebe")
        elif change.move is not None:
            what = f"{change.move.name}: {what}"
            yield _cue(layout, span.tick, "move", name_of(change.device), what, change.move.limb)
    if section.bpm is not None:
        over = (
            tr(" over {ramp_bars} bars", ramp_bars=section.ramp_bars) if section.ramp_bars else ""
        )
        what = tr("to {bpm:g} BPM{over}", bpm=section.bpm, over=over)
        yield _cue(layout, span.tick, "tempo", "", what, "grebe")


def _within(project: Project, layout: Layout, span: SectionSpan) -> Iterator[Cue]:
    """Fills, swaps, markers and tempi, up to the section's end."""
    section, name_of, patterns = span.section, project.rig.name_of, project.patterns_by_id
    rows = [("fill", f.at, tr("fill begins")) for f in section.fills]
    rows += [("fill", f.at + f.long, tr("fill ends")) for f in section.fills]
    rows += [
        ("swap", w.at, tr("{line} goes over to {pattern}", line=name_of(w.device),
                          pattern=patterns[w.pattern].name))
        if w.pattern in patterns else
        ("swap", w.at, tr("{line} goes back to its scene's", line=name_of(w.device)))
        for w in section.swaps
    ]  # fmt: skip
    rows += [("marker", m.at, m.name) for m in section.markers]
    rows += [("tempo", t.at, tr("to {bpm:g} BPM", bpm=t.bpm)) for t in section.tempi]
    for kind, at, what in rows:
        tick = span.tick + at * SIXTEENTH_TICKS
        if tick <= span.end and (tick < span.end or kind == "fill"):
            yield _cue(layout, tick, kind, "", what, "" if kind == "marker" else "grebe")


def _region(
    project: Project, layout: Layout, span: SectionSpan, region: MuteRegion, by: str
) -> list[Cue]:
    name = project.rig.name_of(region.device)
    voices = {v.id: v.name for p in project.patterns if p.device == region.device
              for v in p.content.voices}  # fmt: skip
    what = voices.get(region.voice, region.voice) if region.voice else tr("all")
    begin = span.tick + region.at * SIXTEENTH_TICKS
    end = min(span.end, begin + region.long * SIXTEENTH_TICKS)
    if begin >= span.end:
        return []
    return [
        _cue(layout, begin, "mute", name, tr("{what} out", what=what), by),
        _cue(layout, end, "mute", name, tr("{what} in again", what=what), by),
    ]


def _cue(layout: Layout, tick: int, kind: str, device: str, what: str, by: str) -> Cue:
    span = layout.spans[layout.index_at(tick)]
    meter = span.scene.meter
    inside = tick - span.tick
    bar = span.bar + inside // meter.bar_ticks
    beat = inside % meter.bar_ticks // meter.beat_ticks + 1
    return Cue(tick, bar, beat, layout.tempo.seconds_at(tick), kind, device, what, by)
