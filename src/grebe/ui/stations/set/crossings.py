"""What lies between two songs of a set, in a panel each."""

from __future__ import annotations

from collections.abc import Iterator

from PyQt6.QtCore import QRectF
from PyQt6.QtGui import QColor, QPainter

from grebe.app.editors.set_form import SetHand
from grebe.core.audio.care import repitch_semitones
from grebe.core.document import Project
from grebe.core.sets.formatting import between_words, reason_words, shift_words, work_words
from grebe.core.sets.order import relative_energy
from grebe.core.sets.plan import PlacedSong, SetSchedule
from grebe.ui.widgets import draw
from grebe.ui.widgets.theme import Palette
from grebe.words import tr

EDGE = 6.0
CURVE_STEPS = 12
"""Points of a ramp in the tempo path."""


def paint_between(
    painter: QPainter, p: Palette, hand: SetHand, plan: SetSchedule, box: QRectF
) -> None:
    """What lies before and after the song in hand, and why it lies there."""
    rows = plan.playable
    here = next((n for n, s in enumerate(rows) if s.entry.id == hand.entry_id), 0)
    first = max(1, min(here, len(rows) - 3))
    shown = [n for n in range(first, min(first + 3, len(rows))) if n >= 1]
    draw.text(painter, EDGE, box.top() + 14, tr("Between songs"), p.ink, size=14, weight=600)
    wide = (box.width() - 2 * EDGE - 24) / 3
    for column, number in enumerate(shown):
        panel = QRectF(EDGE + column * (wide + 12), box.top() + 24, wide, box.height() - 26)
        _paint_crossing(painter, p, hand, plan, number, panel)


def _paint_crossing(
    painter: QPainter, p: Palette, hand: SetHand, plan: SetSchedule, number: int, box: QRectF
) -> None:
    rows = plan.playable
    song, before = rows[number], rows[number - 1]
    crossing = song.crossing
    assert crossing is not None
    assert song.facts is not None
    assert before.facts is not None
    here = song.entry.id == hand.entry_id
    found = crossing.between
    draw.panel(painter, box, p.panel, p.crest if here else p.rule, width=2 if here else 1)
    edge = p.eye if not found.fits else p.sand if found.by_hand else p.reed
    draw.fill(painter, box.left(), box.top() + 2, 4, box.height() - 4, edge)
    x, wide = box.left() + 14, box.width() - 22
    name = f"{before.facts.song.name} \u2192 {song.facts.song.name}"
    draw.text(painter, x, box.top() + 22, name, p.ink, size=16, weight=600, width=wide)
    lines = list(_lines(p, hand.project, plan, number))
    y = box.top() + 41
    for words, colour, weight in lines:
        if y > box.bottom() - 22:
            break
        draw.text(painter, x, y, words, colour, size=14, weight=weight, width=wide)
        y += 18
    why = reason_words(song, before, _energies(plan, number), wished=None)
    draw.text(painter, x, box.bottom() - 8, why, p.muted, size=12, width=wide)


def _lines(
    p: Palette, project: Project, plan: SetSchedule, number: int
) -> Iterator[tuple[str, QColor, int]]:
    """What a panel says: the verdict, each piece of work, the shift that would match."""
    song = plan.playable[number]
    crossing, facts = song.crossing, song.facts
    assert crossing is not None
    assert facts is not None
    found = crossing.between
    verdict = between_words(project, found)
    yield verdict, p.eye if not found.fits else p.ink, 600 if not found.fits else 400
    for work in found.by_hand:
        yield f"\u25c6 {work_words(project, work)}", p.crest, 400
    shift = shift_words(crossing.key, facts.key)
    if shift:
        yield tr("Keys match {shift}.", shift=shift), p.muted, 400
    if song.entry.into == "carry" and abs(crossing.bpm_from - crossing.bpm_to) > 0.005:
        turned = repitch_semitones(crossing.bpm_to, crossing.bpm_from)
        words = tr(
            "Its loops played at {bpm_from:g} BPM: {turned:+.2f} semitones.",
            bpm_from=crossing.bpm_from,
            turned=turned,
        )
        yield words, p.muted, 400
    if crossing.metres is not None:
        yield (
            tr(
                "The metre goes from {metres} to {metres2}.",
                metres=crossing.metres[0],
                metres2=crossing.metres[1],
            ),
            p.sand,
            400,
        )


def _energies(plan: SetSchedule, number: int) -> tuple[float, float]:
    found = relative_energy([s.facts for s in plan.playable if s.facts is not None])
    return found[number - 1], found[number]


def tempo_points(song: PlacedSong) -> Iterator[tuple[float, float]]:
    """(seconds of the set, BPM) through a song: its sections' edges, and inside ramps."""
    assert song.facts is not None
    assert song.tempo is not None
    tempo, layout = song.tempo, song.facts.layout
    begin = song.start_s - tempo.seconds_at(0)
    ticks = {span.tick for span in layout.spans} | {layout.ticks}
    for point in tempo.points:
        ticks |= {max(0, point.tick), max(0, point.tick - 1)}
        ticks |= {
            max(0, point.tick) + point.ramp_ticks * n // CURVE_STEPS for n in range(CURVE_STEPS + 1)
        }
    for tick in sorted(t for t in ticks if t <= layout.ticks):
        yield begin + tempo.seconds_at(tick), tempo.bpm_at(tick)
