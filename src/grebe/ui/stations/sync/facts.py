"""What the Sync station's sheet says of a box that is heard, and of the performer's own timing."""

from __future__ import annotations

from statistics import median

from grebe.app.actions.keymap import told
from grebe.app.live.hearing import EarHit, audio_name, beats_by_ear
from grebe.app.live.interfaces import known_late_ms
from grebe.app.live.own_timing import WORDS as OWN
from grebe.app.live.session import Session
from grebe.core.rig.model import Device
from grebe.core.sync.strip import StripFigures
from grebe.ui.widgets.formatting import late_text
from grebe.ui.widgets.sheet import SheetLine, head, note, row
from grebe.words import counted, tr

FEWEST = 4
"""Hits of a sound below which nothing is said of it."""


def device_lines(session: Session, device: Device, judged: StripFigures) -> list[SheetLine]:
    """How late a box is, as it is heard and as Grebe sends it; what to set."""
    lines = [head(device.name)]
    if judged.verdict:
        lines += [
            row(tr("Comes"), late_text(judged.offset_ms)),
            row(tr("Beats"), str(judged.beats)),
        ]
    lines += _ear_lines(session, device)
    lines.append(row(tr("Offset set"), tr("{offset_ms:+.1f} ms", offset_ms=device.offset_ms)))
    if judged.set_ms is not None and device.id not in session.checking.check.results:
        lines.append(
            note(
                tr("{set_offset} sets it to {set_ms:+.1f} ms.", set_offset=told("set_offset"),
                   set_ms=judged.set_ms),
                "yours",
            )
        )  # fmt: skip
    elif judged.verdict == "drifting":
        lines.append(note(tr("No one number mends drift: it is not on the clock."), "look"))
    found = session.drifting.found.get(device.id)
    if found is not None:
        bpm = session.status.bpm if session.status is not None else 0.0
        lines.append(note(session.drifting.words(device, found, bpm), "look"))
    return [*lines, *_sent_lines(session, device)]


def _sent_lines(session: Session, device: Device) -> list[SheetLine]:
    """Where its ticks are measured; beside its sound, how late they were."""
    status = session.status
    live = next((s for s in status.devices if s.id == device.id), None) if status else None
    if live is None or not live.sent:
        return []
    where = tr("as it says itself") if live.measured == "device" else tr("as Grebe sent it")
    ticks = counted(live.sent, "tick")
    lines = [note(tr("Measured {where}, over {ticks}.", where=where, ticks=ticks))]
    if session.hearing.by_ear.get(device.id):
        lines.append(row(tr("By MIDI"), late_text(live.late_ms)))
    return lines


def _ear_lines(session: Session, device: Device) -> list[SheetLine]:
    """Its sound: where it is heard, each of its sounds, whether it has a moment at all."""
    hearing = session.hearing
    if not device.heard_at.is_set:
        return []
    lines = [row(tr("By ear"), audio_name(device.heard_at))]
    if hearing.problem:
        return [*lines, note(hearing.problem, "wrong")]
    state, hits = hearing.channels.get(device.id), hearing.by_ear.get(device.id)
    if state is not None and state.no_moment:
        words = tr(
            "It sounds, and has no moment: nothing begins fast enough in it to say when. Give it a "
            "short sound to be measured."
        )
        return [*lines, note(words, "look")]
    if hits:
        lines += _sound_lines(beats_by_ear(hits))
    late_ms = known_late_ms(device.heard_at)
    words = (
        tr("{late:.2f} ms of the interface are taken off.", late=late_ms) if late_ms
        else tr("What the interface takes is not taken off: a loop of cable measures it.")
    )  # fmt: skip
    return [*lines, note(words)]


def _sound_lines(hits: list[EarHit]) -> list[SheetLine]:
    """Each sound by itself, where there are several: a soft one is later than a click."""
    kinds: dict[int, list[float]] = {}
    for hit in hits:
        kinds.setdefault(hit.kind, []).append(hit.late_ms)
    rows = [(kind, late) for kind, late in sorted(kinds.items()) if len(late) >= FEWEST]
    if len(rows) < 2:
        return []
    return [
        row(tr("Sound {number}", number=kind + 1),
            tr("{late:+.2f} ms, {hits}", late=median(late), hits=counted(len(late), "hit")))
        for kind, late in rows
    ]  # fmt: skip


def own_lines(session: Session) -> list[SheetLine]:
    """The performer's own timing, once something was played along."""
    own, lines = session.own_timing, list[SheetLine]()
    for source, words in OWN.items():
        count = own.count(source)
        if not count:
            continue
        found = own.habit(source)
        if found is None:
            lines.append(note(tr("{words}: {hits}, a few more.", words=words,
                                 hits=counted(count, "hit"))))  # fmt: skip
            continue
        lines += [
            note(words, "ink"),
            row(tr("Comes"), late_text(found.late_ms)),
            row("95 %", tr("{low:+.1f} to {high:+.1f} ms", low=found.low_ms, high=found.high_ms)),
            row(tr("Wavers"), tr("{spread:.1f} ms, {hits}", spread=found.spread_ms,
                                 hits=counted(found.presses, "hit"))),
        ]  # fmt: skip
    foot = own.habit("foot")
    if foot is not None and foot.sure:
        lines.append(note(tr("{take_habit} takes it off when a foot closes a loop.",
                             take_habit=told("take_habit")), "yours"))  # fmt: skip
    return [head(tr("You")), *lines, SheetLine("", kind="gap")] if lines else []
