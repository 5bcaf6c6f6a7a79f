"""The last stage: do program changes change the box's pattern, and when?"""

from __future__ import annotations

from grebe.core.probe import rules
from grebe.core.probe.experiments import (
    FAST_BPM,
    LEAD_S,
    PROGRAM,
    Part,
    asked,
    clock_s,
    observed,
    replied,
    run,
    since,
)
from grebe.core.probe.known import LEAST_HITS, Known
from grebe.core.probe.model import Experiment, HeardHit, ProbeQuestion, ProgramAt, Send
from grebe.core.probe.pattern import placed
from grebe.core.probe.rules import CLOCKS_PER_BAR, Phrase, phrase_of, sure_of
from grebe.core.time.ticks import CLOCKS_PER_QUARTER
from grebe.words import tr

FAST_S = clock_s(FAST_BPM)
SPREAD_S = 0.004
"""Between program changes on all channels: sixteen at once make a small buffer lose a clock."""
PROGRAMS = (1, 2, 3)
CHANGED = CLOCKS_PER_QUARTER + 2
"""Clocks into the run at which the program change comes: in the first bar's second beat."""


def programs(known: Known) -> Part:
    """Do program changes change its pattern, and when? Alike patterns tell nothing."""
    if not known.follows or not known.phrase.length:
        return
    length = known.phrase.length
    channels = known.found.channels or tuple(range(1, 17))
    count = CLOCKS_PER_BAR * -(-max(2 * CLOCKS_PER_BAR, length) // CLOCKS_PER_BAR) + CLOCKS_PER_BAR
    short = max(CLOCKS_PER_BAR, length)
    old = known.phrase
    for program in PROGRAMS:
        begun = run(FAST_BPM, count, ahead=known.ahead)
        at = begun.first_s + CHANGED * FAST_S
        sends = [*begun.sends, *_told(program, channels, at)]
        sends.sort(key=lambda send: send.at_s)
        question = tr("Does a program change change its pattern?")
        heard = yield from observed(asked(question, sends, 0.3))
        hits, torn = since(heard.hits, begun.first_s), heard.torn
        alike = not rules.differs(placed(known, hits, 0, count, old), len(hits))
        if alike and program != PROGRAMS[-1]:
            continue  # what it plays after a stop is looked at once, after the last of them
        again = run(FAST_BPM, short, ahead=known.ahead)
        heard = yield from observed(asked(tr("What does it play now?"), again.sends, 0.3))
        now = since(heard.hits, again.first_s)
        off = placed(known, now, 0, short, old)
        if not rules.differs(off, len(now)):
            continue
        new = phrase_of(since(now, known.step_late_s), FAST_S, short)
        new = new if new.length else new._replace(length=short)
        known.say(
            tr("Program {program} plays another pattern ({off} hits are others).",
               program=program + 1, off=off),
            {"program.obeyed": sure_of(float(off))}, program=True,
        )  # fmt: skip
        when = None if torn else _when(known, hits, (old, new), count)
        if when is not None:
            known.say(_when_words(when), {"program.at": sure_of(5.0)}, program_at=when)
        if not torn:
            break
        old = new  # samples were lost: when it came in is asked of the next one
    yield from _back(channels)
    if known.found.program is None:
        yield from _by_hand(known, short)


def _told(program: int, channels: tuple[int, ...], at_s: float) -> list[Send]:
    return [
        Send(at_s + SPREAD_S * n, bytes((PROGRAM | channel - 1, program)))
        for n, channel in enumerate(channels)
    ]


def _back(channels: tuple[int, ...]) -> Part:
    sends = tuple(_told(0, channels, LEAD_S))
    yield from observed(Experiment(tr("Back to the first program."), sends, 0.6))


def _by_hand(known: Known, count: int) -> Part:
    """All programs played the same: are there other patterns in it at all?"""
    answer = yield from replied(
        ProbeQuestion(
            "other_pattern",
            tr("Choose another pattern on the box by hand. Is it one that sounds different?"),
            (("chosen", tr("I have chosen one")), ("none", tr("There is no other"))),
        )
    )
    if answer != "chosen":
        return
    begun = run(FAST_BPM, count, ahead=known.ahead)
    heard = yield from observed(asked(tr("Does it sound different now?"), begun.sends, 0.3))
    hits = since(heard.hits, begun.first_s)
    off = placed(known, hits, 0, count)
    if rules.differs(off, len(hits)):
        known.say(
            tr("Chosen by hand another pattern sounds; by program changes it did not."),
            {"program.obeyed": sure_of(float(off))}, program=False,
        )  # fmt: skip


def _when(
    known: Known, hits: list[HeardHit], phrases: tuple[Phrase, Phrase], of: int
) -> ProgramAt | None:
    """When the second phrase came in: the moment that leaves the fewest hits unexplained."""
    old, new = phrases
    late_s, length = known.step_late_s, old.length
    end = length * -(-CHANGED // length)
    moments: dict[ProgramAt, int] = {"at_once": CHANGED, "bar": CLOCKS_PER_BAR}
    if end != CLOCKS_PER_BAR:
        moments["pattern_end"] = end
    off: dict[ProgramAt, int] = {}
    for name, moment in moments.items():
        before = [h for h in hits if (h.at_s - late_s) / FAST_S < moment - 0.5]
        after = since([h for h in hits if h not in before], moment * FAST_S)
        begin = 0 if name != "at_once" else moment
        off[name] = rules.mismatch(old, 0, before, FAST_S, moment, late_s)
        off[name] += rules.mismatch(new, begin, after, FAST_S, of - moment, late_s)
    ranked = sorted(off, key=lambda name: off[name])
    lead = off[ranked[1]] - off[ranked[0]]
    if end == CLOCKS_PER_BAR and ranked[0] == "bar":
        return None  # a pattern of one bar cannot tell a bar from its end
    return ranked[0] if lead >= LEAST_HITS + 0.25 * off[ranked[0]] else None


def _when_words(when: ProgramAt) -> str:
    return {
        "at_once": tr("It changes at once."),
        "bar": tr("It changes at the bar."),
        "pattern_end": tr("It changes at its pattern's end."),
    }[when]
