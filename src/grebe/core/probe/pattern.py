"""The stages in which the box plays its own pattern: Start, Stop, whose tempo, where it goes on."""

from __future__ import annotations

from collections.abc import Generator, Sequence
from math import ceil

from grebe.core.numeric import np
from grebe.core.probe import rules
from grebe.core.probe.experiments import (
    CLOCK,
    CONTINUE,
    FAST_BPM,
    FIRST_BPM,
    LEAD_S,
    SLOW_BPM,
    START,
    STOP,
    Asked,
    Part,
    ProbedRun,
    Told,
    asked,
    clock_s,
    clocks,
    observed,
    replied,
    run,
    since,
)
from grebe.core.probe.known import LEAST_HITS, Known
from grebe.core.probe.model import Experiment, HeardHit, Observation, ProbeQuestion, Send
from grebe.core.probe.rules import (
    CLOCKS_PER_BAR,
    CLOCKS_PER_SIXTEENTH,
    Phrase,
    expected,
    phrase_of,
    sure_of,
)
from grebe.core.time.ticks import CLOCKS_PER_QUARTER
from grebe.words import tr

FAST_S = clock_s(FAST_BPM)
WANTED_HITS = 5
"""So many hits should come in a stretch, for their absence to mean something."""
PLACES = (23, 27, 31, 19, 13, 11)
"""Sixteenths that Song Position is sent to, the first unless another tells more: odd, so that few
patterns are alike there and a box that reads it as sixteenths, beats or bars goes elsewhere."""
JUST_AFTER_S = 0.08
"""So long after Stop a hit may have been on its way."""
SETTLES_S = 1.2
SLOW_MS, STEADY_MS = 12.0, 5.0
AHEAD = 120
"""Clocks before a Start, at the fast tempo, for a box that takes a while to settle."""
SETTLE_TIME_S = 2.0
TRIES = 3
FAR_BPM = ((300.0, 230.0), (30.0, 45.0))
"""Tempi far off, and what is tried where the first is too far."""
MATCHED, LOST = 0.8, 0.2


def _enough(phrase: Phrase, begin: float, least: int, most: int, hits: int = WANTED_HITS) -> int:
    """Clocks, in whole beats, in which so many of a phrase's hits fall."""
    for count in range(least, most, CLOCKS_PER_QUARTER):
        if len(expected(phrase, begin, count)) >= hits:
            return count
    return most


def start(known: Known) -> Part:
    """Does Start set it going, and does Stop stop it while clocks go on?"""
    if known.loops or not known.ears.audio:
        return
    question = tr("Does Start set its pattern going, and Stop stop it?")
    for bars in (4, 8):
        count = bars * CLOCKS_PER_BAR
        # A box that takes a while to settle would have its phrase learnt wrong.
        begun = run(FAST_BPM, count, ahead=AHEAD)
        goes_on = clocks(FAST_BPM, CLOCKS_PER_BAR, begun.stop_s + 0.4 * FAST_S)
        heard = yield from observed(asked(question, [*begun.sends, *goes_on], 0.3))
        _hear_clock(known, heard, count)
        hits = since([h for h in heard.hits if h.at_s < begun.stop_s + known.late_s], begun.first_s)
        after = sum(h.at_s > begun.stop_s + known.late_s + JUST_AFTER_S for h in heard.hits)
        if len(hits) < LEAST_HITS:
            yield from _by_hand(known)
            return
        known.phrase = phrase_of(since(hits, known.late_s), FAST_S, count)
        known.runs = [(FAST_S, hits)]
        if known.phrase.length:
            break
    known.say(
        tr("After Start {count} hits were heard.", count=len(hits)),
        {"start": sure_of(2.0 * len(hits))}, start=True,
    )  # fmt: skip
    wanted = len(hits) * CLOCKS_PER_BAR / count
    if wanted < WANTED_HITS:
        after, wanted = yield from _stop(known, wanted)
    if wanted >= LEAST_HITS:
        known.say(
            tr("After Stop {after} hits were heard, where {wanted:.0f} would have come.",
               after=after, wanted=wanted),
            {"stop": sure_of(wanted - after if after <= 1 else after)}, stop=after <= 1,
        )  # fmt: skip


def _stop(known: Known, per_bar: float) -> Generator[Asked, Told, tuple[int, float]]:
    """Stop again, with clocks for as long as enough hits take; (hits, those to be expected)."""
    bars = min(6, max(2, ceil(WANTED_HITS / max(0.5, per_bar))))
    begun = run(FAST_BPM, CLOCKS_PER_BAR)
    goes_on = clocks(FAST_BPM, bars * CLOCKS_PER_BAR, begun.stop_s + 0.4 * FAST_S)
    heard = yield from observed(asked(tr("Does Stop stop it?"), [*begun.sends, *goes_on], 0.3))
    late = begun.stop_s + known.late_s + JUST_AFTER_S
    return sum(h.at_s > late for h in heard.hits), per_bar * bars


def _hear_clock(known: Known, heard: Observation, count: int) -> None:
    """Does it send clock while it runs? Not to be told where its thru passes it on."""
    decided = known.found.sends_clock is not None or known.found.thru == "all"
    if decided or not known.ears.midi:
        return
    ticks = sum(b.data == CLOCK for b in heard.back)
    sends = "running" if ticks > count // 4 else "never"
    known.say(
        tr("While it ran {ticks} clocks came back.", ticks=ticks),
        {"sends_clock": sure_of(9.0)}, sends_clock=sends,
    )  # fmt: skip


def _by_hand(known: Known) -> Part:
    """Nothing sounded after Start: is there a pattern at all? Only a hand can tell."""
    answer = yield from replied(
        ProbeQuestion(
            "press_play",
            tr("Nothing sounds. Is there a pattern in it? Press play on the box, once."),
            (("playing", tr("It plays now")), ("none", tr("There is no pattern in it"))),
        )
    )
    if answer != "playing":
        return
    counts = []
    for bpm in (FAST_BPM, SLOW_BPM):
        sends = clocks(bpm, round(4.5 / clock_s(bpm)))
        experiment = asked(tr("Does what it plays go by the clock?"), sends, 0.1)
        heard = yield from observed(experiment._replace(plays=True))
        counts.append(sum(h.at_s > 1.0 for h in heard.hits))
    fast, slow = counts
    if fast < LEAST_HITS:
        return
    known.say(
        tr("It plays by its own key, and not by Start."), {"start": sure_of(6.0)}, start=False
    )
    ratio = (fast + 0.5) / (slow + 0.5)
    by_clock, by_time = FAST_BPM / SLOW_BPM, 1.0
    nats = min(fast, slow + 1) * (abs(np.log(ratio / by_time)) - abs(np.log(ratio / by_clock)))
    if abs(nats) >= rules.UNSURE_NATS:
        known.say(
            tr("At {fast:g} BPM {more} hits came, at {slow:g} as long {fewer}.", fast=FAST_BPM,
               slow=SLOW_BPM, more=fast, fewer=slow),
            {"clock": sure_of(abs(nats))}, clock=bool(nats > 0),
        )  # fmt: skip
    heard = yield from observed(
        Experiment(tr("Does Stop stop it?"), (Send(0.1, STOP),), 4.0, plays=True)
    )
    after = sum(h.at_s > 0.1 + known.late_s + JUST_AFTER_S for h in heard.hits)
    known.say(
        tr("After Stop {after} hits were heard.", after=after), {"stop": sure_of(4.0)},
        stop=after <= 1,
    )  # fmt: skip


def tempi(known: Known) -> Part:
    """Does it go by our clock, or by its own tempo?"""
    if not known.plays:
        return
    yield from _two_tempi(known)
    moved = [(tick, since(hits, known.late_s)) for tick, hits in known.runs[1:]]
    nats = rules.clock_or_time(known.phrase, FAST_S, moved)
    if abs(nats) < rules.SURE_NATS:
        return
    obeys = nats > 0
    text = (
        tr("At {slow:g} and {fast:g} BPM it went by the clock.", slow=SLOW_BPM, fast=FAST_BPM)
        if obeys
        else tr("At {slow:g} and {fast:g} BPM it kept its own tempo.", slow=SLOW_BPM, fast=FAST_BPM)
    )
    known.say(text, {"clock": sure_of(abs(nats))}, clock=obeys)


def _two_tempi(known: Known) -> Part:
    for bpm, least in ((SLOW_BPM, CLOCKS_PER_BAR), (FIRST_BPM, 3 * CLOCKS_PER_BAR // 2)):
        count = _enough(known.phrase, 0, least, 3 * CLOCKS_PER_BAR, 6)
        begun = run(bpm, count, ahead=known.ahead)
        question = tr("Does it follow our clock? Look at the tempo it shows.")
        heard = yield from observed(asked(question, begun.sends, 0.3))
        known.runs.append((clock_s(bpm), since(heard.hits, begun.first_s)))


def settle(known: Known) -> Part:
    """Does it follow at once when the tempo jumps?"""
    if not known.follows:
        return
    first = CLOCKS_PER_BAR
    count = first + 2 * CLOCKS_PER_BAR
    begun = run(FAST_BPM, first)
    jump_s = begun.first_s + first * FAST_S
    slow = clocks(FIRST_BPM, count - first, jump_s)
    sends = [*begun.sends[:-1], *slow, Send(slow[-1].at_s + 0.01, STOP)]
    heard = yield from observed(asked(tr("Does it follow at once when the tempo jumps?"), sends))
    late_s = known.late_s
    off: list[tuple[float, float]] = []
    for place, colour in expected(known.phrase, 0, count):
        due = jump_s + (place - first) * clock_s(FIRST_BPM)
        near = [h.at_s - due - late_s for h in heard.hits
                if h.colour == colour and abs(h.at_s - due - late_s) < 0.08]  # fmt: skip
        if place >= first and near:
            off.append((due - jump_s, min(near, key=abs)))
    soon = [error for at, error in off if at < SETTLES_S]
    later = [error for at, error in off if at >= SETTLES_S]
    if len(soon) < 2 or len(later) < 2:
        return
    bump = float(np.max(np.abs(np.array(soon) - np.median(later)))) * 1e3
    rest = float(np.median(np.abs(np.array(later) - np.median(later)))) * 1e3
    if bump > max(SLOW_MS, 7 * rest):
        still = [at for at, error in off if abs(error - np.median(later)) * 1e3 > STEADY_MS]
        known.ahead = AHEAD
        known.say(
            tr("When the tempo jumps it is off by up to {bump:.0f} ms, for {seconds:.1f} s.",
               bump=bump, seconds=max(still)),
            {"settles_s": sure_of(5.0)}, settles_s=round(max(still), 1),
        )  # fmt: skip
        known.runs = []
        yield from _settled_runs(known)
    else:
        known.say(
            tr("When the tempo jumps it follows at once (within {bump:.0f} ms).", bump=bump),
            {"settles_s": sure_of(4.0)}, settles_s=0.0,
        )  # fmt: skip


def _settled_runs(known: Known) -> Part:
    """The runs by which lateness is told, again, with clocks before them."""
    count = _enough(known.phrase, 0, CLOCKS_PER_BAR, 2 * CLOCKS_PER_BAR, 6)
    begun = run(FAST_BPM, count, ahead=known.ahead)
    heard = yield from observed(asked(tr("How late is a step, once settled?"), begun.sends, 0.3))
    known.runs.append((FAST_S, since(heard.hits, begun.first_s)))
    yield from _two_tempi(known)


def step_latency(known: Known) -> Part:
    """How late is a step after its clock, and what is left of swing? Nothing more is sent."""
    yield from ()
    if not known.follows:
        return
    found = rules.clock_latency_s(known.runs)
    if found is None or found.nats < rules.UNSURE_NATS:
        return
    swallowed = {-1: tr(" Start itself is its one."), 1: tr(" It swallows the first.")}
    known.say(
        tr("A step sounds {late:.2f} ms after its clock.", late=found.late_s * 1e3)
        + swallowed.get(found.first, ""),
        {"clock_latency_ms": sure_of(found.nats)},
        clock_latency_ms=round(found.late_s * 1e3, 3),
        swing_percent=round(found.swing_percent, 1),
    )
    if found.swing_percent > rules.SWINGS_PERCENT:
        known.say(tr("Its own patterns swing at {swing:.0f} %.", swing=found.swing_percent))


def display(known: Known) -> Part:
    """What it showed of the last tempo: a box that reads another rate is half or twice as fast."""
    if not known.follows or not known.ears.hand:
        return
    answer = yield from replied(
        ProbeQuestion(
            "tempo_shown", tr("What tempo did it show? It was sent 120."),
            (("tempo", "120"), ("half", "60"), ("double", "240")),
        )
    )  # fmt: skip
    if answer:
        words = {"tempo": tr("It shows the tempo it is sent."), "half": tr("It shows half of it."),
                 "double": tr("It shows twice of it.")}  # fmt: skip
        known.say(words[answer], {"shows": 1.0}, shows=answer)


def placed(
    known: Known, hits: list[HeardHit], begin: float, count: float, phrase: Phrase | None = None
) -> int:
    """Mismatches with its phrase, or another one, where that stands at a place as the fast clocks
    begin."""
    return rules.mismatch(phrase or known.phrase, begin, hits, FAST_S, count, known.step_late_s)


def _distinct(known: Known, place: int, count: int) -> int:
    """Hits by which the phrase from a place differs from the one from the top."""
    return rules.unmatched(
        expected(known.phrase, place, count), expected(known.phrase, 0, count), 2.0
    )


def _telling(known: Known, sixteenths: Sequence[int]) -> tuple[int, int]:
    """Of these places the one that differs most from the top, and clocks from it on that tell the
    two apart by enough; 0 where none do."""
    sixteenth = max(
        sixteenths, key=lambda n: _distinct(known, n * CLOCKS_PER_SIXTEENTH, CLOCKS_PER_BAR)
    )
    place = sixteenth * CLOCKS_PER_SIXTEENTH
    for count in (CLOCKS_PER_BAR, 2 * CLOCKS_PER_BAR):
        if _distinct(known, place, count) >= WANTED_HITS:
            return sixteenth, count
    enough = _distinct(known, place, 2 * CLOCKS_PER_BAR) >= LEAST_HITS
    return sixteenth, 2 * CLOCKS_PER_BAR if enough else 0


def go_on(known: Known) -> Part:
    """Does Continue go on where it stopped, or from the top?"""
    if not known.follows:
        return
    sixteenth, count = _telling(known, range(3, 15))
    if not count:
        return
    place = sixteenth * CLOCKS_PER_SIXTEENTH
    before = run(FAST_BPM, place, ahead=known.ahead)
    on = run(FAST_BPM, count, CONTINUE, ahead=known.ahead)
    gap_s = before.stop_s + 0.35
    sends = [*before.sends, *(s._replace(at_s=s.at_s + gap_s) for s in on.sends)]
    question = tr("Does Continue go on where it stopped?")
    there, top = yield from _where(known, question, sends, gap_s + on.first_s, place, count)
    if _told_apart(there, top):
        known.say(
            tr("After Continue {there} hits were off where it stopped, {top} from the top.",
               there=there, top=top),
            {"continue": sure_of(2.0 * abs(there - top))}, goes_on=there < top,
        )  # fmt: skip


def locate(known: Known) -> Part:
    """Does it go to a Song Position?"""
    if not known.follows:
        return
    sixteenth, count = _telling(known, PLACES)
    if not count:
        return
    place = sixteenth * CLOCKS_PER_SIXTEENTH
    # Started and stopped at once, so that one that is ignored has a known place: the top.
    told = [Send(LEAD_S, START), Send(LEAD_S + 0.03, STOP)]
    told.append(Send(LEAD_S + 0.06, bytes((0xF2, sixteenth, 0))))
    on = run(FAST_BPM, count, CONTINUE, ahead=known.ahead)
    sends = [*told, *(s._replace(at_s=s.at_s + 0.16) for s in on.sends)]
    question = tr("Does it go to a Song Position?")
    there, top = yield from _where(known, question, sends, on.first_s + 0.16, place, count)
    if _told_apart(there, top):
        known.say(
            tr("After a Song Position {there} hits were off there, {top} from the top.",
               there=there, top=top),
            {"song_position": sure_of(2.0 * abs(there - top))}, song_position=there < top,
        )  # fmt: skip


def _where(
    known: Known, question: str, sends: list[Send], first_s: float, place: int, count: int
) -> Generator[Asked, Told, tuple[int, int]]:
    """Mismatches with the phrase from a place on, and from its top; again while undecided."""
    there = top = 0
    for _ in range(TRIES):
        heard = yield from observed(asked(question, sends, 0.3))
        hits = since([h for h in heard.hits if h.at_s > first_s - 0.1], first_s)
        there += placed(known, hits, place, count)
        top += placed(known, hits, 0, count)
        if _told_apart(there, top):
            break
    return there, top


def _told_apart(one: int, other: int) -> bool:
    """Whether one fits and the other does not: a pattern that changes by itself fits neither."""
    better, worse = sorted((one, other))
    return worse - better >= LEAST_HITS and worse > 2 * better


def limits(known: Known) -> Part:
    """Does it follow at tempi far off?"""
    if not known.follows or not known.phrase.length:
        return
    for tried in FAR_BPM:
        for bpm in tried:
            share = yield from _follows_at(known, bpm)
            if share is None or share <= MATCHED:
                continue
            fast = bpm > FIRST_BPM
            known.say(
                tr("It follows at {bpm:g} BPM.", bpm=bpm),
                {"fastest_bpm" if fast else "slowest_bpm": sure_of(5.0)},
                **{"fastest_bpm" if fast else "slowest_bpm": bpm},
            )
            break
        else:
            known.say(tr("At {bpm:g} BPM it was not heard to follow.", bpm=tried[-1]))


def _follows_at(known: Known, bpm: float) -> Generator[Asked, Told, float | None]:
    """The share of the hits to be expected that came at a tempo; None where few are."""
    most = CLOCKS_PER_BAR * (4 if bpm > FIRST_BPM else 1)
    count = _enough(known.phrase, 0, 2 * CLOCKS_PER_QUARTER, most, 6)
    settles = round(SETTLE_TIME_S / clock_s(bpm)) if known.ahead else 0
    begun: ProbedRun = run(bpm, count, ahead=settles)
    heard = yield from observed(
        asked(tr("Does it follow at {bpm:g} BPM?", bpm=bpm), begun.sends, 0.3, far=True)
    )
    wanted = expected(known.phrase, 0, count)
    if len(wanted) < LEAST_HITS:
        return None
    tick = clock_s(bpm)
    hits = since(heard.hits, begun.first_s + known.step_late_s)
    apart = min(0.042, 0.4 * CLOCKS_PER_SIXTEENTH * tick)
    came = sum(
        any(h.colour == colour and abs(h.at_s - place * tick) < apart for h in hits)
        for place, colour in wanted
    )
    return came / len(wanted)
