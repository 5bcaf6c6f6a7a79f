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
from grebe.words import tr

HEARD_MS = 2.0
"""Swing or flam further off than that is said: a third of what listeners notice (6 ms)."""
VELOCITY_OFF = 16
"""A level further off than that is heard as another."""

DRUM_KINDS = ("drums", "sampler")
"""What has a voice for each note: a new stroke ends the old one."""
_FEATURES: dict[StepFeature, str] = {
    "lengths": tr("voices of other lengths"),
    "chance": "chance",
    "conditions": "conditions",
    "ratchets": "ratchets",
    "micro": "micro-timing",
    "directions": tr("directions other than forward"),
    "ties": "ties",
    "controllers": tr("controllers by step"),
}


def pattern_findings(look: Look) -> Iterator[Finding]:
    """All of this family."""
    songs = look.project.songs
    bpm = songs[0].bpm if songs else 120.0
    sliced: defaultdict[str, set[int]] = defaultdict(set)
    for loop in look.project.loops:
        sliced[loop.device] |= {s.note for s in loop.slices}
    for device in look.rig.lines:
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
            "pattern.place-taken",
            pattern,
            tr(
                "{pattern} and {name} are both meant for {printed_program} of {device}.",
                pattern=pattern.name,
                name=taken[program].name,
                printed_program=printed_program(device, program),
                device=device.name,
            ),
            tr("Only one of them can be in the box: the other is never heard."),
            tr("Give one of them another place, in its memory map."),
            "block",
        )
    taken.setdefault(program, pattern)


def _own(device: Device, pattern: Pattern, steps: Steps, bpm: float) -> Iterator[Finding]:
    yield from _length(device, pattern, steps)
    yield from _rates(device, pattern, steps)
    yield from _voice_count(device, pattern, steps)
    yield from _lacking(device, pattern, steps)
    yield from _flams(device, pattern, steps, bpm)
    yield from _levels(device, pattern, steps)
    yield from _swing(device, pattern, steps, bpm)


def _length(device: Device, pattern: Pattern, steps: Steps) -> Iterator[Finding]:
    content = pattern.content
    longest = max([content.length, *(v.length for v in content.voices)])
    if longest > steps.longest:
        yield _say(
            "pattern.too-long",
            pattern,
            tr(
                "{name} has {longest} steps; a pattern of {box} has {longest2} at most.",
                name=pattern.name,
                longest=longest,
                box=device.name,
                longest2=steps.longest,
            ),
            tr("What is past its last step is not heard."),
            tr(
                "Cut it into patterns of {longest} steps and chain them, or halve it.",
                longest=steps.longest,
            ),
        )


def _rates(device: Device, pattern: Pattern, steps: Steps) -> Iterator[Finding]:
    content = pattern.content
    rates = {v.rate for v in content.voices if not v.even} | {content.rate}
    odd = sorted(rates - set(steps.rates), key=note_value_ticks)
    if odd:
        yield _say(
            "pattern.rate",
            pattern,
            tr(
                "{name} counts in steps of {names}; {box} knows {names2}.",
                name=pattern.name,
                names=", ".join(odd),
                box=device.name,
                names2=", ".join(steps.rates),
            ),
            tr("It cannot be keyed in as it is drawn."),
            tr("Give its voices a step the box has."),
        )


def _voice_count(device: Device, pattern: Pattern, steps: Steps) -> Iterator[Finding]:
    count = len(pattern.content.voices)
    if steps.voices and count > steps.voices:
        yield _say(
            "pattern.voices",
            pattern,
            tr(
                "{name} has {count} voices; a pattern of {box} has {voices}.",
                name=pattern.name,
                count=count,
                box=device.name,
                voices=steps.voices,
            ),
            tr("The rest are not heard."),
            tr("Move some into another pattern, or onto another box."),
        )


def _lacking(device: Device, pattern: Pattern, steps: Steps) -> Iterator[Finding]:
    used = [f for f in steps.lacks if _uses(pattern.content, f)]
    if used:
        words = ", ".join(_FEATURES[f] for f in used)
        yield _say(
            "pattern.lacks",
            pattern,
            tr(
                "{name} uses {words}; patterns of {box} have none of it.",
                name=pattern.name,
                words=words,
                box=device.name,
            ),
            tr("The box plays it plainly: other notes than are drawn."),
            tr("Let Grebe play {box}, or write it plainly.", box=device.name),
        )


def _swing(device: Device, pattern: Pattern, steps: Steps, bpm: float) -> Iterator[Finding]:
    content = pattern.content
    if content.swing == 50:
        return
    level = swing_level(steps, content.swing, bpm, content.step_ticks)
    if abs(level.off_ms) > HEARD_MS:
        yield _say(
            "pattern.swing",
            pattern,
            tr(
                "{name} swings {swing:g} %; the nearest of {box} is level {level_number} "
                "of {of}, {level_value:g} %: {off_ms:+.1f} ms at {bpm:g} BPM.",
                name=pattern.name,
                swing=content.swing,
                box=device.name,
                level_number=level.number,
                of=level.of,
                level_value=level.value,
                off_ms=level.off_ms,
                bpm=bpm,
            ),
            tr("Beside the boxes Grebe plays, its off-beats fall apart."),
            tr(
                "Set the pattern to {level_value:g} %, or let Grebe play the box.",
                level_value=level.value,
            ),
            "note",
        )


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
            drawn = any(v.drawn or v.turned for v in content.voices)
            return drawn or any(h.chance < 100 for _, h in _hits(content))
        case "conditions":
            points = [p for lane in content.lanes for p in lane.points]
            return any(p.when for p in points) or any(h.when for _, h in _hits(content))
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
        places = ", ".join(
            tr("{voice} step {step}", voice=v.name, step=h.step + 1) for v, h in flams[:4]
        )
        yield _say(
            "pattern.flam",
            pattern,
            tr(
                "{pattern} has flams; {device} has none ({places}).",
                pattern=pattern.name,
                device=device.name,
                places=places,
            ),
            tr("The box plays one stroke."),
            tr("Write the first stroke as a soft hit, or leave it."),
        )
        return
    far = []
    for voice, hit in flams if steps.flam_ms else []:
        wanted = flam_ms(content, voice, hit, bpm)
        level = flam_level(steps, wanted)
        if abs(level.off_ms) > HEARD_MS:
            far.append(
                tr(
                    "{voice} step {value}: {wanted:.0f} ms, its level {level_number} is "
                    "{level_value:g} ms",
                    voice=voice.name,
                    value=hit.step + 1,
                    wanted=wanted,
                    level_number=level.number,
                    level_value=level.value,
                )
            )
    if far:
        yield _say(
            "pattern.flam",
            pattern,
            tr(
                "Flams of {pattern} lie between those of {device}: {names}.",
                pattern=pattern.name,
                device=device.name,
                names="; ".join(far[:3]),
            ),
            tr("They come out wider or narrower than drawn."),
            tr("Take the box's widths."),
            "note",
        )


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
            "pattern.levels",
            pattern,
            tr(
                "{pattern} has velocities {names}; {device} knows {levels}.",
                pattern=pattern.name,
                names=", ".join(map(str, sorted(off))),
                device=device.name,
                levels=levels,
            ),
            tr("The box plays the nearest: louder or softer than drawn."),
            tr("Write them in its levels."),
            "note",
        )


def _voices(device: Device, pattern: Pattern, sliced: set[int]) -> Iterator[Finding]:
    known = {v.note for v in device.spec.voices} | sliced
    if not device.spec.voices or device.kind not in DRUM_KINDS:
        return
    strange = [v for v in pattern.content.voices if v.hits and v.note not in known]
    if strange:
        names = ", ".join(tr("{voice} (note {note})", voice=v.name, note=v.note) for v in strange)
        yield _say(
            "pattern.no-such-voice",
            pattern,
            tr(
                "{device} has no voice for {names} of {pattern}.",
                device=device.name,
                names=names,
                pattern=pattern.name,
            ),
            tr("They are not heard."),
            tr("Give them a note of one of its voices."),
        )


def _polyphony(device: Device, pattern: Pattern) -> Iterator[Finding]:
    limit = device.spec.polyphony
    if not limit or device.kind in DRUM_KINDS:
        return
    most, step, names = busiest_moment(pattern.content)
    if most > limit:
        who = tr(" and ").join(names) if len(names) <= 3 else tr("{count} voices", count=len(names))
        yield _say(
            "pattern.polyphony",
            pattern,
            tr(
                "{pattern} holds {most} notes at once at step {value} ({who}); {device} "
                "sounds {limit}.",
                pattern=pattern.name,
                most=most,
                value=step + 1,
                who=who,
                device=device.name,
                limit=limit,
            ),
            tr("It drops one of them: the bass under a chord, or a note of the chord."),
            tr("Shorten gates, thin the chord, or give one of the jobs to another box."),
        )


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
                "pattern.controller-range",
                pattern,
                tr(
                    "{lane} of {pattern} goes to {value}; {row} of {device} takes {low} to {high}.",
                    lane=lane.name,
                    pattern=pattern.name,
                    value=over[0].value,
                    row=row.name,
                    device=device.name,
                    low=row.low,
                    high=row.high,
                ),
                tr("The box holds it at its end, or ignores it."),
                tr("Keep it from {low} to {high}.", low=row.low, high=row.high),
            )
