"""The quiet stages: what comes by itself, what is passed on, and what notes do."""

from __future__ import annotations

from math import sqrt

from grebe.core.numeric import np
from grebe.core.probe import rules
from grebe.core.probe.experiments import (
    APART_S,
    CLOCK,
    LEAD_S,
    NOTE_OFF,
    Answered,
    Part,
    Strike,
    observed,
    strike,
    strum,
)
from grebe.core.probe.known import Known
from grebe.core.probe.model import Experiment, Send
from grebe.core.probe.rules import sure_of
from grebe.words import tr

CHANNELS = range(16)
TRIED = (36, 38, 42, 48, 60, 72)
"""Notes that a box of whatever kind may have."""
SPREAD = range(28, 99, 10)
"""Notes far from each other: one that sounds at seven of the eight plays any pitch."""
LOWEST, HIGHEST = 24, 100
"""Between them are the notes of drums."""
ECHOED = 14
VELOCITIES = 32
MOST_PASSES = 4
SHORT_S, LONG_S = 0.06, 0.36
ERROR_MS = 0.15
"""A latency is known when its standard error is below this, or it has been tried enough."""
ENOUGH = 40


def listen(known: Known) -> Part:
    """What comes by itself."""
    heard = yield from observed(Experiment(tr("Does it send anything by itself?"), (), 2.0))
    ticks = sum(b.data == CLOCK for b in heard.back)
    if ticks >= 10:
        known.say(
            tr("{count} clocks came by themselves.", count=ticks),
            {"sends_clock": sure_of(ticks)}, sends_clock="always",
        )  # fmt: skip
    if sum(b.data == b"\xfe" for b in heard.back) >= 3:
        known.say(tr("It says three times a second that it is there (Active Sensing)."))


def repeat(known: Known) -> Part:
    """Does it pass on what comes in? Without MIDI back nobody can know."""
    if not known.ears.midi:
        return
    kinds = (CLOCK, bytes((NOTE_OFF, 127, 64)), bytes((0xE0, 0, 64)))
    at, sends = LEAD_S, list[Send]()
    for _ in range(ECHOED):
        for data in kinds:
            sends.append(Send(at, data))
            at += known.dice.uniform(0.018, 0.034)
    experiment = Experiment(tr("Does it pass on what comes in?"), tuple(sends), at + 0.3)
    heard = yield from observed(experiment)
    counts = [rules.echoes([s for s in sends if s.data == k], heard.back) for k in kinds]
    known.loops = any(sum(b.data == k for b in heard.back) >= 2 * ECHOED for k in kinds[1:])
    if known.loops:
        known.say(tr("What was sent came back twice: there is a loop of cables. Nothing more is "
                     "sent."))  # fmt: skip
        return
    notes, ticks = min(counts[1:]) >= rules.ECHOES, counts[0] >= rules.ECHOES
    thru = "all" if ticks and notes else "notes" if notes else "none"
    words = {
        "all": tr("Clock and notes came back: its thru passes on all."),
        "notes": tr("Notes came back, clocks did not."),
        "none": tr("Nothing that was sent came back."),
    }
    known.say(words[thru], {"thru": sure_of(9.0)}, thru=thru)


def find_channels(known: Known) -> Part:
    """On which channels does a note sound?"""
    if known.loops or not known.ears.audio:
        return
    votes = [0] * 16
    rang_once = list(CHANNELS)
    for passes in range(3):
        undecided = [c for c in rang_once if passes < 2 or votes[c] == 1]
        if not undecided:
            break
        groups = [[Strike(channel, note) for note in TRIED] for channel in undecided]
        rang = yield from strum(tr("On which channels does it sound?"), groups)
        for channel, yes in zip(undecided, rang, strict=True):
            votes[channel] += yes
        if passes == 0 and any(votes):  # one that sounds is heard: six notes were struck
            rang_once = [c for c in CHANNELS if votes[c]]
    channels = tuple(c + 1 for c in CHANNELS if votes[c] >= 2)
    if channels:
        listed = ", ".join(map(str, channels))
        known.say(
            tr("Notes sounded on channel {listed}.", listed=listed),
            {"channels": sure_of(6.0)}, channels=channels,
        )  # fmt: skip


def find_notes(known: Known) -> Part:
    """Which notes sound, and which sounds best? Any pitch, or a voice a note."""
    if not known.found.channels:
        return
    channel = known.found.channels[0] - 1
    question = tr("Which notes sound?")
    spread = [Strike(channel, note) for note in SPREAD]
    heard = yield from strike(question, spread)
    if len(heard) >= len(SPREAD) - 1:
        heard += yield from strike(question, spread)
    twice = _twice(heard)
    pitched = len(twice) >= len(SPREAD) - 1
    notes = sorted(twice)
    if not pitched:
        rows = [range(low, low + 4) for low in range(LOWEST, HIGHEST, 4)]
        groups = [[Strike(channel, note) for note in row] for row in rows]
        rang = yield from strum(question, groups)
        single = [note for row, yes in zip(rows, rang, strict=True) if yes for note in row]
        heard = yield from strike(question, [Strike(channel, note) for note in single * 2])
        twice = _twice(heard)
        notes = sorted(twice)
    if not notes:
        return
    known.lates_s += [each.late_s for each in heard]
    best = max(twice, key=lambda note: min(each.hit.level for each in twice[note]))
    known.best = Strike(channel, best)
    rings = [each.hit.lasts_s for each in twice[best] if each.hit.lasts_s is not None]
    known.rings_s = float(np.median(rings)) if rings else 0.0
    if pitched:
        text = tr("It plays any pitch: {count} of {of} notes far apart sounded.",
                  count=len(notes), of=len(SPREAD))  # fmt: skip
        notes = [notes[0], notes[-1]]
    else:
        text = tr("These notes sound: {notes}.", notes=", ".join(map(str, notes)))
    known.say(text, notes=tuple(notes), pitched=pitched)


def _twice(heard: list[Answered]) -> dict[int, list[Answered]]:
    """By note those that sounded both times."""
    by_note: dict[int, list[Answered]] = {}
    for each in heard:
        by_note.setdefault(each.send.data[1], []).append(each)
    return {note: rows for note, rows in by_note.items() if len(rows) >= 2}


def _apart_s(known: Known, *more: float) -> float:
    """Between notes that must not fall into each other's ringing."""
    return min(0.6, max(APART_S, known.rings_s + 0.05, *more))


def hold(known: Known) -> Part:
    """Does a note last as long as it is held?"""
    if known.best is None:
        return
    lasted: dict[float, list[float]] = {}
    for gate_s in (SHORT_S, LONG_S):
        heard = yield from strike(
            tr("Does a note last as long as it is held?"), [known.best] * 2,
            LONG_S + 0.25, gate_s,
        )  # fmt: skip
        lasted[gate_s] = [e.hit.lasts_s for e in heard if e.hit.lasts_s is not None]
        known.lates_s += [each.late_s for each in heard]
    if all(len(rows) >= 2 for rows in lasted.values()):
        later = float(np.median(lasted[LONG_S]) - np.median(lasted[SHORT_S]))
        held = later > (LONG_S - SHORT_S) / 2
        text = (
            tr("A note that is held sounds {later:.0f} ms longer.", later=later * 1e3) if held
            else tr("A note rings as long whether it is held or not.")
        )  # fmt: skip
        known.say(text, {"held": sure_of(6.0)}, held=held)


def levels(known: Known) -> Part:
    """What does it make of velocity?"""
    if known.best is None:
        return
    struck: list[tuple[int, float]] = []
    apart_s = _apart_s(known)
    verdict: tuple[int, float] | None = None
    velocities = [round(1 + n * 126 / (VELOCITIES - 1)) for n in range(VELOCITIES)]
    for _ in range(MOST_PASSES):
        known.dice.shuffle(velocities)
        strikes = [known.best._replace(velocity=velocity) for velocity in velocities]
        heard = yield from strike(
            tr("What does it make of velocity?"), strikes, apart_s, dice=known.dice
        )
        struck += [(each.send.data[2], each.hit.level) for each in heard]
        known.lates_s += [each.late_s for each in heard]
        verdict = rules.velocity_levels(struck)
        if verdict is None or verdict[1] >= rules.ENDS_NATS:
            break
    if verdict is not None and verdict[1] >= rules.UNSURE_NATS:
        count, nats = verdict
        words = {1: tr("All velocities sounded alike."), 128: tr("Velocity is a curve.")}
        text = words.get(count, tr("Velocity has {levels} steps.", levels=count))
        known.say(text, {"velocity_levels": sure_of(nats)}, velocity_levels=count)


def latency(known: Known) -> Part:
    """How late does a note sound? All notes so far count; more where they do not suffice."""
    if known.best is None:
        return
    if _error_ms(known.lates_s) > ERROR_MS:
        more = yield from strike(
            tr("How late does a note sound?"), [known.best] * ENOUGH, _apart_s(known),
            dice=known.dice,
        )  # fmt: skip
        known.lates_s += [each.late_s for each in more]
    late = known.lates_s
    if len(late) < 8:
        return
    late_s = float(np.median(late))
    spread = float(np.percentile(late, 75) - np.percentile(late, 25)) * 1e3
    known.say(
        tr("A note sounds after {late:.2f} ms (middle half within {spread:.2f}, {count} notes).",
           late=late_s * 1e3, spread=spread, count=len(late)),
        {"latency_ms": sure_of(6.0)}, latency_ms=round(late_s * 1e3, 3),
    )  # fmt: skip


def _error_ms(lates_s: list[float]) -> float:
    """Standard error of a median, of values as normal as they come."""
    if len(lates_s) < 8:
        return float("inf")
    spread = float(np.percentile(lates_s, 75) - np.percentile(lates_s, 25)) / 1.349
    return 1.2533 * spread / sqrt(len(lates_s)) * 1e3
