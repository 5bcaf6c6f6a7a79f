"""What the sheet says about the pattern in hand."""

from __future__ import annotations

from fractions import Fraction

from grebe.app.actions.keymap import told
from grebe.app.live.session import Session
from grebe.core.patterns.edit import differing
from grebe.core.patterns.keys import outside
from grebe.core.patterns.model import Content, Pattern
from grebe.core.patterns.sound import density, realignment
from grebe.core.patterns.translate import swing_level
from grebe.core.patterns.wire import burst_ms, busiest_step
from grebe.core.rig.model import Device
from grebe.core.time.swing import swing
from grebe.core.time.ticks import TICKS_PER_QUARTER
from grebe.ui.widgets.formatting import beats_text, note_name
from grebe.ui.widgets.sheet import SheetLine, Tone, bar, big, cycles, head, note
from grebe.words import counted, tr

KIND_WORDS = {
    "alike": "",
    "polymeter": tr("polymeter: the same step, other lengths"),
    "polyrhythm": tr("polyrhythm: the same length, other steps"),
    "both": tr("other lengths and other steps"),
}


def pattern_lines(session: Session, pattern: Pattern, device: Device | None) -> list[SheetLine]:
    """Lining up, findings, swing on the box, wire, memory, variations, where it is used."""
    content = pattern.content
    bpm = session.position.written_bpm
    lines = _together(content, bpm)
    for finding in session.derived.known().open:
        if finding.subject == pattern.id:
            tone: Tone = "wrong" if finding.severity == "block" else "look"
            lines += [note(finding.message, tone if finding.severity != "note" else "muted")]
    if lines[-1].kind != "gap":
        lines.append(SheetLine("", kind="gap"))
    lines += _key(content)
    lines += _swing(content, device, bpm)
    lines.append(head(tr("MIDI wire")))
    step, notes = busiest_step(content)
    if notes:
        late = burst_ms(notes)[1]
        step_ms = content.step_ticks / TICKS_PER_QUARTER * 60_000 / bpm
        full = late / step_ms
        lines.append(bar(full, "good" if full < 0.25 else "look" if full < 0.75 else "wrong"))
        lines.append(
            note(tr("busiest at step {value}: {notes}, the last lands {late:.1f} ms after "
"the first begins", value=step + 1, notes=counted(notes, 'note'), late=late))
        )  # fmt: skip
    lines += [
        note(tr("{density:.1f} strokes a beat", density=density(content))),
        SheetLine("", kind="gap"),
    ]
    if device is not None and device.plays == "own":
        tone = "good" if pattern.box_status == "in the box" else "look"
        lines += [head(tr("Memory of the box")), note(pattern.box_status.capitalize(), tone)]
        if pattern.box_status != "in the box":
            lines.append(
                note(
                    tr(
                        "{device} plays its own copy until this is keyed in and B pressed. A "
                        "stand-in takes it over by itself.",
                        device=device.name,
                    )
                )
            )
        lines.append(SheetLine("", kind="gap"))
    lines += _kin(session, pattern)
    scenes = [
        s.name for s in session.project.scenes if any(pattern.id in part.chain for part in s.parts)
    ]
    return [*lines, head(tr("Used in")), note(", ".join(scenes) or tr("no scene yet"))]


def _together(content: Content, bpm: float) -> list[SheetLine]:
    found = realignment(content)
    lengths = " \u00b7 ".join(str(n) for n in dict.fromkeys(v.length for v in content.voices))
    alike = found.kind in ("alike", "polyrhythm")
    lines = [
        head(tr("Lines up again")),
        big(beats_text(found.beats, Fraction(4)), "ink" if alike else "yours"),
        note(tr("lengths {lengths}", lengths=lengths) if lengths else tr("no voices yet")),
    ]
    if KIND_WORDS[found.kind]:
        lines.append(note(KIND_WORDS[found.kind]))
    if found.kind == "polymeter":
        lines.append(note(tr("A polyrhythm instead: {even}.", even=told("even"))))
    elif found.kind == "polyrhythm":
        lines.append(note(tr("A polymeter instead: {longer} or {shorter}, at the pattern's step.",
                             longer=told("longer"), shorter=told("shorter"))))  # fmt: skip
    if found.with_pattern != found.beats:
        lines.append(
            note(
                tr(
                    "with its own length: {beats_text}",
                    beats_text=beats_text(found.with_pattern, Fraction(4)),
                )
            )
        )
    seconds = float(found.beats) * 60 / bpm
    steps = found.beats * TICKS_PER_QUARTER / content.step_ticks
    count = (
        tr("{steps} steps", steps=steps)
        if steps.denominator == 1
        else tr("{float:.1f} steps", float=float(steps))
    )
    lines.append(
        note(tr("{count}, {seconds:.1f} s at {bpm:g} BPM", count=count, seconds=seconds, bpm=bpm))
    )
    if not alike:
        whole = float(found.beats) * TICKS_PER_QUARTER
        times = dict.fromkeys(whole / content.ticks_of(v) for v in content.voices)
        lines.append(cycles(tuple(times)))
    return [*lines, SheetLine("", kind="gap")]


def _key(content: Content) -> list[SheetLine]:
    """Pitches that leave the pattern's key."""
    if not content.key:
        return []
    pitched = {h.note + c for v in content.voices for h in v.hits if h.note is not None
               for c in (0, *h.chord)}  # fmt: skip
    strange = ", ".join(note_name(n) for n in sorted(outside(tuple(pitched), content.key)))
    words = tr("outside it: {strange}", strange=strange) if strange else tr("nothing leaves it")
    return [head(content.key), note(words), SheetLine("", kind="gap")]


def _swing(content: Content, device: Device | None, bpm: float) -> list[SheetLine]:
    if content.swing == 50:
        return []
    late = swing(content.swing, bpm, content.step_ticks, 96).late_ms
    lines = [
        head(tr("Swing")),
        note(tr("{swing:g} %: second steps {late:.1f} ms late", swing=content.swing, late=late)),
    ]
    steps = device.spec.steps if device is not None else None
    if steps is not None and device is not None:
        level = swing_level(steps, content.swing, bpm, content.step_ticks)
        exact = abs(level.off_ms) < 0.05
        off = tr("exactly") if exact else tr("{off_ms:+.1f} ms off", off_ms=level.off_ms)
        words = tr(
            "{device}: level {level_number} of {of}, {level_value:g} %, {off}",
            device=device.name,
            level_number=level.number,
            of=level.of,
            level_value=level.value,
            off=off,
        )
        lines.append(note(words, "ink" if exact else "look"))
    return [*lines, SheetLine("", kind="gap")]


def _kin(session: Session, pattern: Pattern) -> list[SheetLine]:
    project = session.project
    of = project.patterns_by_id.get(pattern.variation_of or "")
    made = [p.name for p in project.patterns if p.variation_of == pattern.id]
    lines: list[SheetLine] = []
    if of is not None:
        steps = sum(step >= 0 for _, step in differing(pattern.content, of.content))
        words = tr(
            "of {of}; differs on {steps}, marked under the lines",
            of=of.name,
            steps=counted(steps, "step"),
        )
        lines += [head(tr("Variation")), note(words)]
    if made:
        lines += [head(tr("Its variations")), note(", ".join(made))]
    return [*lines, SheetLine("", kind="gap")] if lines else []
