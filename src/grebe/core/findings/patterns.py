"""Findings on patterns: what a box cannot hold, play or tell apart as it is drawn."""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Iterator
from functools import lru_cache

from grebe.core.findings.look import Look
from grebe.core.findings.model import Finding, Severity
from grebe.core.patterns.model import Content, Hit, Pattern, Voice
from grebe.core.patterns.passes import LEGATO_TICKS, passes_of
from grebe.core.patterns.translate import flam_level, flam_ms, swing_level, velocity_level
from grebe.core.rig.model import Device
from grebe.core.rig.numbering import printed_program
from grebe.core.rig.spec import StepFeature, Steps
from grebe.core.time.ticks import note_value_ticks

HEARD_MS = 2.0
"""Swing or flam further off than that is said: a third of what listeners notice (6 ms)."""
VELOCITY_OFF = 16
"""A level further off than that is heard as another."""

_FEATURES: dict[StepFeature, str] = {
    "lengths": "voices of other lengths",
    "chance": "chance",
    "conditions": "conditions",
    "ratchets": "ratchets",
    "micro": "micro-timing",
    "directions": "directions other than forward",
    "ties": "ties",
    "controllers": "controllers by step",
}


def pattern_findings(look: Look) -> Iterator[Finding]:
    """All of this family."""
    songs = look.project.songs
    bpm = songs[0].bpm if songs else 120.0
    sliced: defaultdict[str, set[int]] = defaultdict(set)
    for loop in look.project.loops:
        sliced[loop.device] |= {s.note for s in loop.slices}
    for device in look.rig.devices:
        taken: dict[int, Pattern] = {}
        for pattern in look.patterns[device.id]:
            yield from _place(device, pattern, taken)
            if device.plays == "own" and device.spec.steps is not None:
                yield from _own(device, pattern, device.spec.steps, bpm)
            yield from _voices(device, pattern, sliced[device.id])
            yield from _polyphony(device, pattern)
            yield from _controllers(device, pattern)


def _say(
    code: str, pattern: Pattern, message: str, why: str, fix: str, severity: Severity = "warn"
) -> Finding:
    return Finding(
        code=code, severity=severity, kind="pattern", subject=pattern.id,
        message=message, why=why, fix=fix,
    )  # fmt: skip


def _place(device: Device, pattern: Pattern, taken: dict[int, Pattern]) -> Iterator[Finding]:
    program = pattern.program
    if program is None:
        return
    if program in taken:
        yield _say(
            "pattern.place-taken", pattern,
            f"{pattern.name} and {taken[program].name} are both meant for "
            f"{printed_program(device, program)} of {device.name}.",
            "Only one of them can be in the box: the other is never heard.",
            "Give one of them another place, in its memory map.", "block",
        )  # fmt: skip
    taken.setdefault(program, pattern)


def _own(device: Device, pattern: Pattern, steps: Steps, bpm: float) -> Iterator[Finding]:
    content, name, box = pattern.content, pattern.name, device.name
    longest = max([content.length, *(v.length for v in content.voices)])
    if longest > steps.longest:
        yield _say(
            "pattern.too-long", pattern,
            f"{name} has {longest} steps; a pattern of {box} has {steps.longest} at most.",
            "What is past its last step is not heard.",
            f"Cut it into patterns of {steps.longest} steps and chain them, or halve it.",
        )  # fmt: skip
    rates = {v.rate for v in content.voices if not v.even} | {content.rate}
    odd = sorted(rates - set(steps.rates), key=note_value_ticks)
    if odd:
        yield _say(
            "pattern.rate", pattern,
            f"{name} counts in steps of {', '.join(odd)}; {box} knows {', '.join(steps.rates)}.",
            "It cannot be keyed in as it is drawn.", "Give its voices a step the box has.",
        )  # fmt: skip
    if steps.voices and len(content.voices) > steps.voices:
        yield _say(
            "pattern.voices", pattern,
            f"{name} has {len(content.voices)} voices; a pattern of {box} has {steps.voices}.",
            "The rest are not heard.", "Move some into another pattern, or onto another box.",
        )  # fmt: skip
    used = [f for f in steps.lacks if _uses(content, f)]
    if used:
        words = ", ".join(_FEATURES[f] for f in used)
        yield _say(
            "pattern.lacks", pattern, f"{name} uses {words}; patterns of {box} have none of it.",
            "The box plays it plainly: other notes than are drawn.",
            f"Let Grebe play {box}, or write it plainly.",
        )  # fmt: skip
    yield from _flams(device, pattern, steps, bpm)
    yield from _levels(device, pattern, steps)
    if content.swing != 50:
        level = swing_level(steps, content.swing, bpm, content.step_ticks)
        if abs(level.off_ms) > HEARD_MS:
            yield _say(
                "pattern.swing", pattern,
                f"{name} swings {content.swing:g} %; the nearest of {box} is level "
                f"{level.number} of {level.of}, {level.value:g} %: {level.off_ms:+.1f} ms "
                f"at {bpm:g} BPM.",
                "Beside the boxes Grebe plays, its off-beats fall apart.",
                f"Set the pattern to {level.value:g} %, or let Grebe play the box.", "note",
            )  # fmt: skip


def _hits(content: Content) -> Iterator[tuple[Voice, Hit]]:
    return ((voice, hit) for voice in content.voices for hit in voice.hits)


def _uses(content: Content, feature: StepFeature) -> bool:
    match feature:
        case "lengths":
            return any(content.ticks_of(v) != content.ticks for v in content.voices)
        case "directions":
            return any(v.direction != "forward" for v in content.voices)
        case "controllers":
            return any(lane.points for lane in content.lanes)
        case "chance":
            return any(h.chance < 100 for _, h in _hits(content))
        case "conditions":
            return any(h.when for _, h in _hits(content))
        case "ratchets":
            return any(h.ratchet > 1 for _, h in _hits(content))
        case "micro":
            return any(h.shift_permille for _, h in _hits(content))
        case "ties":
            return any(h.tie for _, h in _hits(content))


def _flams(device: Device, pattern: Pattern, steps: Steps, bpm: float) -> Iterator[Finding]:
    content = pattern.content
    flams = [(v, h) for v, h in _hits(content) if h.flam]
    if not flams:
        return
    if not steps.flams and not steps.flam_ms:
        places = ", ".join(f"{v.name} step {h.step + 1}" for v, h in flams[:4])
        yield _say(
            "pattern.flam", pattern,
            f"{pattern.name} has flams; {device.name} has none ({places}).",
            "The box plays one stroke.", "Write the first stroke as a soft hit, or leave it.",
        )  # fmt: skip
        return
    far = []
    for voice, hit in flams if steps.flam_ms else []:
        wanted = flam_ms(content, voice, hit, bpm)
        level = flam_level(steps, wanted)
        if abs(level.off_ms) > HEARD_MS:
            far.append(f"{voice.name} step {hit.step + 1}: {wanted:.0f} ms, its level "
                       f"{level.number} is {level.value:g} ms")  # fmt: skip
    if far:
        yield _say(
            "pattern.flam", pattern,
            f"Flams of {pattern.name} lie between those of {device.name}: {'; '.join(far[:3])}.",
            "They come out wider or narrower than drawn.", "Take the box's widths.", "note",
        )  # fmt: skip


def _levels(device: Device, pattern: Pattern, steps: Steps) -> Iterator[Finding]:
    if not steps.levels:
        return
    off = {
        h.velocity
        for _, h in _hits(pattern.content)
        if abs(velocity_level(steps, h.velocity).value - h.velocity) > VELOCITY_OFF
    }
    if off:
        levels = ", ".join(str(n) for n in steps.levels)
        yield _say(
            "pattern.levels", pattern,
            f"{pattern.name} has velocities {', '.join(map(str, sorted(off)))}; "
            f"{device.name} knows {levels}.",
            "The box plays the nearest: louder or softer than drawn.",
            "Write them in its levels.", "note",
        )  # fmt: skip


def _voices(device: Device, pattern: Pattern, sliced: set[int]) -> Iterator[Finding]:
    known = {v.note for v in device.spec.voices} | sliced
    if not device.spec.voices or device.kind not in ("drums", "sampler"):
        return
    strange = [v for v in pattern.content.voices if v.hits and v.note not in known]
    if strange:
        names = ", ".join(f"{v.name} (note {v.note})" for v in strange)
        yield _say(
            "pattern.no-such-voice", pattern,
            f"{device.name} has no voice for {names} of {pattern.name}.",
            "They are not heard.", "Give them a note of one of its voices.",
        )  # fmt: skip


def _polyphony(device: Device, pattern: Pattern) -> Iterator[Finding]:
    limit = device.spec.polyphony
    if not limit or device.kind in ("drums", "sampler"):
        return
    most, step, names = busiest_moment(pattern.content)
    if most > limit:
        who = " and ".join(names) if len(names) <= 3 else f"{len(names)} voices"
        yield _say(
            "pattern.polyphony", pattern,
            f"{pattern.name} holds {most} notes at once at step {step + 1} ({who}); "
            f"{device.name} sounds {limit}.",
            "It drops one of them: the bass under a chord, or a note of the chord.",
            "Shorten gates, thin the chord, or give one of the jobs to another box.",
        )  # fmt: skip


@lru_cache(maxsize=1024)
def busiest_moment(content: Content) -> tuple[int, int, tuple[str, ...]]:
    """The most notes held at once in the first passes, the step (from 0), and whose they are."""
    edges: list[tuple[int, int, str, int]] = []
    for voice in content.voices:
        passes = passes_of(content, voice)
        end = max(content.ticks, passes.cycle)
        for sound in passes.between(0, end):
            edges.append((sound.tick, 1, voice.name, sound.note))
            # A tied note lasts a little into the next: that is a slide, not a chord.
            sounds = max(1, sound.gate_ticks - LEGATO_TICKS)
            edges.append((sound.tick + sounds, 0, voice.name, sound.note))
    edges.sort(key=lambda e: (e[0], e[1]))
    held: dict[tuple[str, int], int] = {}
    most, at, names = 0, 0, tuple[str, ...]()
    for tick, begins, name, note in edges:
        key = (name, note)
        held[key] = held.get(key, 0) + (1 if begins else -1)
        if held[key] <= 0:
            del held[key]
        if len(held) > most:
            most, at = len(held), tick
            names = tuple(dict.fromkeys(n for n, _ in held))
    return most, at // content.step_ticks, names


def _controllers(device: Device, pattern: Pattern) -> Iterator[Finding]:
    chart = {row.number: row for row in device.spec.controllers}
    for lane in pattern.content.lanes:
        row = chart.get(lane.controller)
        over = [] if row is None else [p for p in lane.points if not row.low <= p.value <= row.high]
        if row is not None and over:
            yield _say(
                "pattern.controller-range", pattern,
                f"{lane.name} of {pattern.name} goes to {over[0].value}; {row.name} of "
                f"{device.name} takes {row.low} to {row.high}.",
                "The box holds it at its end, or ignores it.",
                f"Keep it from {row.low} to {row.high}.",
            )  # fmt: skip
