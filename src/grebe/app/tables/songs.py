"""Scenes, songs and sets as tables."""

from __future__ import annotations

from collections.abc import Sequence

from grebe.app.editors.scene_hand import SceneHand
from grebe.app.editors.set_form import SetHand
from grebe.app.editors.song_form import SongHand
from grebe.app.tables.table import Cell
from grebe.core.sets.formatting import tempo_words
from grebe.core.songs.changes import SceneChange, relief_words
from grebe.core.songs.layout import Layout, SectionSpan
from grebe.core.time.formatting import clock_text
from grebe.words import counted, tr


class SceneTable:
    """The continuity chart: a row a box, a column a scene."""

    def __init__(self, hand: SceneHand) -> None:
        self._hand = hand

    def rows(self) -> Sequence[str]:
        """Boxes."""
        return [device.name for device in self._hand.devices]

    def columns(self) -> Sequence[str]:
        """Scenes."""
        return [scene.name for scene in self._hand.scenes]

    def words(self, row: int, column: int) -> str:
        """What the box plays, and what has to change for it: by whom, and when it leaves."""
        hand = self._hand
        device, scene = hand.devices[row], hand.scenes[column]
        part = scene.part(device.id)
        says = [", ".join(map(hand.project.pattern_name, part.chain)) or tr("silent")]
        if part.muted:
            says.append(tr("muted"))
        if part.tracks is not None and device.spec.loop_tracks:
            says.append(tr("tracks {tracks}", tracks=", ".join(map(str, part.tracks)) or "-"))
        if part.echo is not None:
            says.append(tr("echo {echo}", echo=part.echo))
        says += [change_words(change) for change in hand.passage(column).of(device.id)]
        return "; ".join(says)

    def here(self) -> Cell | None:
        """The part in hand."""
        boxes = [d.id for d in self._hand.devices]
        scenes = [s.id for s in self._hand.scenes]
        if self._hand.device_id not in boxes or self._hand.scene_id not in scenes:
            return None
        return Cell(boxes.index(self._hand.device_id), scenes.index(self._hand.scene_id))

    def chosen(self) -> tuple[Cell, Cell] | None:
        """One at a time."""
        return None

    def take(self, row: int, column: int) -> None:
        """Take a part in hand."""
        self._hand.device_id = self._hand.devices[row].id
        self._hand.scene_id = self._hand.scenes[column].id


def change_words(change: SceneChange) -> str:
    """One change at a scene's beginning: what, by whom, and when it has to happen."""
    opens, latest = change.opens_ms, change.latest_ms
    if change.by == "hand":
        words = tr(
            "by hand: {how}, from {opens:.1f} s to {latest:.1f} s before the boundary",
            how=change.how, opens=opens / 1000, latest=latest / 1000,
        )  # fmt: skip
        relief = relief_words(change.relief)
        return tr("{words}; to relieve: {relief}", words=words, relief=relief)
    return tr(
        "by Grebe: {how}, at the latest {latest:.0f} ms before the boundary",
        how=change.how, latest=latest,
    )  # fmt: skip


class SongTable:
    """A column a section; the first row is the section itself, then a row a box."""

    def __init__(self, hand: SongHand) -> None:
        self._hand = hand

    @property
    def _layout(self) -> Layout | None:
        return self._hand.session.derived.layout()

    def rows(self) -> Sequence[str]:
        """The section, then boxes."""
        return [tr("Section"), *(device.name for device in self._hand.devices)]

    def columns(self) -> Sequence[str]:
        """Sections by their scenes."""
        return [s.scene.name for s in self._layout.spans] if self._layout is not None else []

    def words(self, row: int, column: int) -> str:
        """Bars, clock time and what is laid over it; of a box what it plays, and its mutes."""
        layout = self._layout
        if layout is None:
            return ""
        span = layout.spans[column]
        return section_words(layout, span) if row == 0 else self._of_box(span, row - 1)

    def _of_box(self, span: SectionSpan, row: int) -> str:
        device = self._hand.devices[row]
        bands = [b for b in self._hand.book.bands(device) if span.tick <= b.tick < span.end]
        names = dict.fromkeys(name for band in bands for name in band.patterns)
        says = [", ".join(names) or tr("silent")]
        own = self._hand.project.patterns_of.get(device.id, [])
        voices = {v.id: v.name for p in own for v in p.content.voices}
        for region in span.section.mutes:
            if region.device == device.id:
                whose = voices.get(region.voice, device.name)
                long = region.long // 4
                says.append(tr("{whose} out for {beats}", whose=whose, beats=counted(long, "beat")))
        for swap in span.section.swaps:
            if swap.device == device.id:
                name = self._hand.project.pattern_name(swap.pattern)
                beat = 1 + swap.at // 4
                says.append(
                    tr("{name} from beat {beat}", name=name, beat=beat)
                    if swap.pattern
                    else tr("as the scene has it from beat {beat}", beat=beat)
                )
        says += [
            tr("curve of controller {number}", number=curve.controller)
            for curve in span.section.curves
            if curve.device == device.id
        ]
        return "; ".join(says)

    def here(self) -> Cell | None:
        """The place in hand."""
        layout, span = self._layout, self._hand.span
        if layout is None or span is None:
            return None
        boxes = [d.id for d in self._hand.devices]
        row = boxes.index(self._hand.device_id) + 1 if self._hand.device_id in boxes else 0
        return Cell(row, layout.index_at(self._hand.tick))

    def chosen(self) -> tuple[Cell, Cell] | None:
        """A stretch of bars may end inside a section: the sections it touches."""
        layout, here = self._layout, self.here()
        if layout is None or here is None or self._hand.anchor is None:
            return None
        first, last = self._hand.selection
        columns = layout.index_at(first), layout.index_at(max(first, last - 1))
        return Cell(here.row, columns[0]), Cell(here.row, columns[1])

    def take(self, row: int, column: int) -> None:
        """Take a section, and a box, in hand."""
        layout = self._layout
        if layout is not None:
            self._hand.go_to_section(layout.spans[column].section.id)
            if row:
                self._hand.device_id, self._hand.voice_id = self._hand.devices[row - 1].id, ""


def section_words(layout: Layout, span: SectionSpan) -> str:
    """A section: where it lies in bars and on the clock, its passes, what is laid over it."""
    begins, ends = (clock_text(layout.tempo.seconds_at(t)) for t in (span.tick, span.end))
    section = span.section
    says = [
        tr("bar {bar}, {begins} to {ends}", bar=span.bar, begins=begins, ends=ends),
        counted(section.times, "pass", "passes"),
    ]
    laid = (
        (section.mutes, counted(len(section.mutes), "mute region")),
        (section.curves, counted(len(section.curves), "curve")),
        (section.fills, counted(len(section.fills), "fill")),
        (section.markers, counted(len(section.markers), "marker")),
    )
    says += [words for marks, words in laid if marks]
    return "; ".join(says)


class SetTable:
    """A row a song; what stands in its block."""

    def __init__(self, hand: SetHand) -> None:
        self._hand = hand

    def rows(self) -> Sequence[str]:
        """Songs."""
        plan, songs = self._hand.plan, {s.id: s.name for s in self._hand.project.songs}
        placed = () if plan is None else plan.songs
        return [songs.get(p.entry.song, p.entry.song) for p in placed]

    def columns(self) -> Sequence[str]:
        """Length, tempo, key, how it comes in."""
        return [tr("Begins"), tr("Length"), tr("Tempo"), tr("Key##of music"), tr("Comes in")]

    def words(self, row: int, column: int) -> str:
        """One of them."""
        plan = self._hand.plan
        if plan is None:
            return ""
        song = plan.songs[row]
        if song.facts is None:
            return tr("cannot be played")
        comes = "" if song.crossing is None else tempo_words(song.entry, song.crossing)
        return (
            clock_text(song.start_s), clock_text(song.seconds), f"{song.facts.bpm:g} BPM",
            song.facts.key or tr("key not known"), comes or tr("first"),
        )[column]  # fmt: skip

    def here(self) -> Cell | None:
        """The place in hand."""
        plan = self._hand.plan
        ids = [] if plan is None else [s.entry.id for s in plan.songs]
        return Cell(ids.index(self._hand.entry_id), 0) if self._hand.entry_id in ids else None

    def chosen(self) -> tuple[Cell, Cell] | None:
        """One at a time."""
        return None

    def take(self, row: int, column: int) -> None:
        """Take a place in hand."""
        del column
        plan = self._hand.plan
        if plan is not None:
            self._hand.entry_id = plan.songs[row].entry.id
