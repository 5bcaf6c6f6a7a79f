"""The order of experiments, from quiet to loud: each is yielded, its observation sent in.

    answers = conduct(ears, observe)     # or, step by step, as `conduct` does it

Never sent: system exclusive, System Reset, Active Sensing, Tune Request, time code, any controller
but All Notes Off at the very end, bank select, parameter numbers: each could erase or change
something for good. Every note that is begun is ended in the same experiment, and every run stopped.
"""

from __future__ import annotations

from collections.abc import Callable, Generator
from random import Random

import msgspec
import numpy as np

from grebe.core.audio.names import ALL_NOTES_OFF
from grebe.core.probe import rules
from grebe.core.probe.model import (
    Answers,
    Ears,
    Experiment,
    HeardHit,
    Observation,
    ProgramAt,
    Send,
)
from grebe.core.probe.rules import CLOCKS_PER_BAR, CLOCKS_PER_SIXTEENTH, Phrase
from grebe.core.time.ticks import CLOCKS_PER_QUARTER
from grebe.words import tr

CLOCK, START, CONTINUE, STOP = b"\xf8", b"\xfa", b"\xfb", b"\xfc"
TRIED_NOTES = (36, 38, 42, 48, 60, 72)
QUIET, NOTE_OFF, NOTE_ON, PROGRAM = 80, 0x80, 0x90, 0xC0
CHANNELS = range(16)
FIRST_BPM, SLOW_BPM, FAST_BPM = 120.0, 75.0, 171.0
LEAD_S = 0.3
"""From an experiment's beginning to its first message."""
RINGS_S = 0.25
PLACE = 23
"""Sixteenth that Song Position is sent to: odd, so that few patterns are alike there."""
STRIKES = 24
VELOCITIES = 32
LEAST_HITS = 3

Asking = Generator[Experiment, Observation, Answers]
Part = Generator[Experiment, Observation, None]


def procedure(ears: Ears, seed: int = 1) -> Asking:
    """All experiments, one after another; what was found out."""
    probe = _Probe(ears, Random(seed))
    for part in (
        probe.listen, probe.repeat, probe.find_channels, probe.strike, probe.levels, probe.run,
        probe.stop, probe.tempi, probe.go_on, probe.locate, probe.programs, probe.quiet,
    ):  # fmt: skip
        yield from part()
    return probe.answers()


def conduct(ears: Ears, observe: Callable[[Experiment], Observation]) -> Answers:
    """Do all experiments by `observe`."""
    asking = procedure(ears)
    experiment = next(asking)
    while True:
        try:
            experiment = asking.send(observe(experiment))
        except StopIteration as ended:
            answers: Answers = ended.value
            return answers


def sounds(experiment: Experiment) -> bool:
    """Whether a box may sound by it: by a note, or by being set going."""
    return any(
        s.data[0] in (START[0], CONTINUE[0]) or s.data[0] & 0xF0 in (NOTE_ON, PROGRAM)
        for s in experiment.sends
    )


def clock_s(bpm: float) -> float:
    """Seconds from one clock to the next."""
    return 60 / bpm / CLOCKS_PER_QUARTER


def clocks(bpm: float, count: int, from_s: float = LEAD_S) -> list[Send]:
    """So many clocks from a moment on."""
    return [Send(from_s + n * clock_s(bpm), CLOCK) for n in range(count)]


def run(bpm: float, count: int, command: bytes = START) -> list[Send]:
    """Start, or Continue, one clock before the first of so many clocks; then Stop."""
    first = LEAD_S + clock_s(bpm)
    ticks = clocks(bpm, count, first)
    return [Send(LEAD_S, command), *ticks, Send(ticks[-1].at_s + 0.6 * clock_s(bpm), STOP)]


def since_first(hits: tuple[HeardHit, ...], bpm: float) -> list[HeardHit]:
    """The hits of a run by seconds since its first clock."""
    first = LEAD_S + clock_s(bpm)
    return [h._replace(at_s=h.at_s - first) for h in hits]


def asked(question: str, sends: list[Send], after_s: float = 0.4) -> Experiment:
    """An experiment that listens for a moment after its last message."""
    return Experiment(question, tuple(sends), sends[-1].at_s + after_s)


class _Probe:
    """What is known so far."""

    def __init__(self, ears: Ears, dice: Random) -> None:
        self._ears = ears
        self._dice = dice
        self._found = Answers()
        self._note: tuple[int, int] | None = None
        """(channel, note) that sounds best."""
        self._late_s = 0.0
        self._phrase = Phrase((), (), 0)
        self._runs: list[tuple[float, list[HeardHit]]] = []
        self._loop = False

    def answers(self) -> Answers:
        """What was found, and what could not be heard."""
        whole = self._found
        answered = [
            ("clock", whole.clock), ("start", whole.start), ("stop", whole.stop),
            ("continue", whole.goes_on), ("song_position", whole.song_position),
            ("program.obeyed", whole.program), ("program.at", whole.program_at),
            ("channels", whole.channels or None), ("latency_ms", whole.latency_ms),
            ("clock_latency_ms", whole.clock_latency_ms),
            ("velocity_levels", whole.velocity_levels), ("thru", whole.thru),
            ("sends_clock", whole.sends_clock),
        ]  # fmt: skip
        return msgspec.structs.replace(
            whole, unsure=tuple(name for name, value in answered if value is None)
        )

    def _say(self, text: str, **found: object) -> None:
        said = (*self._found.said, text)
        self._found = msgspec.structs.replace(self._found, said=said, **found)

    @property
    def _step_late_s(self) -> float:
        """How late a step sounds after its clock, or a note, while that is not known."""
        late_ms = self._found.clock_latency_ms
        return self._late_s if late_ms is None else late_ms / 1e3

    # Silent

    def listen(self) -> Part:
        """What comes by itself."""
        heard = yield Experiment(tr("Does it send anything by itself?"), (), 2.0)
        ticks = sum(b.data == CLOCK for b in heard.back)
        if ticks >= 10:
            self._say(tr("{count} clocks came by themselves.", count=ticks), sends_clock="always")

    def repeat(self) -> Part:
        """Does it pass on what comes in? Without MIDI back nobody can know."""
        if not self._ears.midi:
            return
        kinds = (CLOCK, bytes((NOTE_OFF, 127, 64)), bytes((0xE0, 0, 64)))
        at, sends = LEAD_S, list[Send]()
        for _ in range(14):
            for data in kinds:
                sends.append(Send(at, data))
                at += self._dice.uniform(0.018, 0.034)
        heard = yield Experiment(tr("Does it pass on what comes in?"), tuple(sends), at + 0.3)
        counts = [rules.echoes([s for s in sends if s.data == k], heard.back) for k in kinds]
        self._loop = any(sum(b.data == k for b in heard.back) >= 2 * 14 for k in kinds[1:])
        notes, ticks = min(counts[1:]) >= rules.ECHOES, counts[0] >= rules.ECHOES
        thru = "all" if ticks and notes else "notes" if notes else "none"
        words = {
            "all": tr("Clock and notes came back: its thru passes on all."),
            "notes": tr("Notes came back, clocks did not."),
            "none": tr("Nothing that was sent came back."),
        }
        self._say(words[thru], thru=thru)

    # Notes

    def find_channels(self) -> Part:
        """On which channels does a note sound?"""
        if self._loop or not self._ears.audio:
            return
        votes = [0] * 16
        for passes in range(3):
            undecided = [c for c in CHANNELS if passes < 2 or votes[c] == 1]
            if not undecided:
                break
            sends, begins = list[Send](), dict[int, float]()
            at = LEAD_S
            for channel in undecided:
                begins[channel] = at
                for n, note in enumerate(TRIED_NOTES):
                    sends.append(Send(at + 0.004 * n, bytes((NOTE_ON | channel, note, QUIET))))
                    sends.append(Send(at + 0.1 + 0.004 * n, bytes((NOTE_OFF | channel, note, 64))))
                at += 0.1 + RINGS_S
            sends.sort(key=lambda send: send.at_s)
            heard = yield Experiment(tr("On which channels does it sound?"), tuple(sends), at + 0.2)
            for channel in undecided:
                votes[channel] += rules.sounded(begins[channel], heard.hits) is not None
        channels = tuple(c + 1 for c in CHANNELS if votes[c] >= 2)
        if channels:
            listed = ", ".join(map(str, channels))
            self._say(tr("Notes sounded on channel {listed}.", listed=listed), channels=channels)

    def strike(self) -> Part:
        """A note that sounds well, and how late it sounds."""
        if not self._found.channels:
            return
        channel = self._found.channels[0] - 1
        tried = [(channel, note, QUIET) for note in TRIED_NOTES * 2]
        found: dict[int, list[float]] = {}
        for send, hit in (yield from self._struck(tr("Which note sounds best?"), tried)):
            found.setdefault(send.data[1], []).append(hit.level)
        twice = {note: min(levels) for note, levels in found.items() if len(levels) == 2}
        if not twice:
            return
        self._note = channel, max(twice, key=lambda note: twice[note])
        strikes = [(*self._note, QUIET)] * STRIKES
        heard = yield from self._struck(tr("How late does a note sound?"), strikes, 0.013)
        late = [hit.at_s - send.at_s for send, hit in heard]
        if len(late) >= STRIKES // 2:
            self._late_s = float(np.median(late))
            spread = float(np.percentile(late, 75) - np.percentile(late, 25)) * 1e3
            self._say(
                tr("A note sounds after {late:.2f} ms (middle half within {spread:.2f}).",
                   late=self._late_s * 1e3, spread=spread),
                latency_ms=round(self._late_s * 1e3, 3),
            )  # fmt: skip

    def _struck(
        self, question: str, strikes: list[tuple[int, int, int]], uneven_s: float = 0.0
    ) -> Generator[Experiment, Observation, list[tuple[Send, HeardHit]]]:
        """Strike these, (channel, note, velocity), one after another; those that sounded, with what
        was heard of each."""
        begins, ends, at = list[Send](), list[Send](), LEAD_S
        for channel, note, velocity in strikes:
            begins.append(Send(at, bytes((NOTE_ON | channel, note, velocity))))
            ends.append(Send(at + 0.1, bytes((NOTE_OFF | channel, note, 64))))
            at += 0.1 + RINGS_S
            if uneven_s:
                at += self._dice.uniform(0, uneven_s)
        sends = (send for pair in zip(begins, ends, strict=True) for send in pair)
        heard = yield Experiment(question, tuple(sends), at + 0.2)
        hits = [(send, rules.sounded(send.at_s, heard.hits)) for send in begins]
        return [(send, hit) for send, hit in hits if hit is not None]

    def levels(self) -> Part:
        """What does it make of velocity?"""
        if self._note is None:
            return
        struck: list[tuple[int, float]] = []
        for _ in range(2):
            velocities = [round(1 + n * 126 / (VELOCITIES - 1)) for n in range(VELOCITIES)]
            self._dice.shuffle(velocities)
            strikes = [(*self._note, velocity) for velocity in velocities]
            heard = yield from self._struck(tr("What does it make of velocity?"), strikes)
            struck += [(send.data[2], hit.level) for send, hit in heard]
        levels = rules.velocity_levels(struck)
        if levels is not None:
            words = {1: tr("All velocities sounded alike."), 128: tr("Velocity is a curve.")}
            text = words.get(levels, tr("Velocity has {levels} steps.", levels=levels))
            self._say(text, velocity_levels=levels)

    # Its own pattern

    def run(self) -> Part:
        """Does Start set it going?"""
        if self._loop or not self._ears.audio:
            return
        count = 8 * CLOCKS_PER_BAR
        sends = run(FIRST_BPM, count)
        heard = yield asked(tr("Does Start set its pattern going?"), sends, 0.6)
        self._hear_clock(heard, count)
        hits = since_first(heard.hits, FIRST_BPM)
        if len(hits) < LEAST_HITS:
            return  # there may be no pattern in it: that is no answer
        self._phrase = rules.phrase_of(_moved(hits, self._late_s), clock_s(FIRST_BPM), count)
        self._runs.append((clock_s(FIRST_BPM), hits))
        self._say(tr("After Start {count} hits were heard.", count=len(hits)), start=True)

    def _hear_clock(self, heard: Observation, count: int) -> None:
        """Does it send clock while it runs? Not to be told where its thru passes it on."""
        known = self._found.sends_clock is not None or self._found.thru == "all"
        if known or not self._ears.midi:
            return
        ticks = sum(b.data == CLOCK for b in heard.back)
        sends = "running" if ticks > count // 4 else "never"
        self._say(tr("While it ran {ticks} clocks came back.", ticks=ticks), sends_clock=sends)

    @property
    def _plays(self) -> bool:
        return self._found.start is True and len(self._phrase.places) >= LEAST_HITS

    def stop(self) -> Part:
        """Does Stop stop it, while clocks go on?"""
        if not self._plays:
            return
        begun = run(FIRST_BPM, CLOCKS_PER_BAR)
        stopped_s = begun[-1].at_s
        goes_on = clocks(SLOW_BPM, 2 * CLOCKS_PER_BAR, stopped_s + 0.02)
        heard = yield asked(tr("Does Stop stop it?"), [*begun, *goes_on], 0.3)
        after = sum(h.at_s > stopped_s + self._late_s + 0.08 for h in heard.hits)
        self._say(tr("After Stop {after} hits were heard.", after=after), stop=after <= 1)

    def tempi(self) -> Part:
        """Does it go by our clock, or by its own tempo? And how late?"""
        if not self._plays:
            return
        for bpm, bars in ((SLOW_BPM, 2), (FAST_BPM, 4)):
            sends = run(bpm, bars * CLOCKS_PER_BAR)
            heard = yield asked(tr("Does it follow our clock?"), sends)
            self._runs.append((clock_s(bpm), since_first(heard.hits, bpm)))
        moved = [(c, _moved(hits, self._late_s)) for c, hits in self._runs[1:]]
        nats = rules.clock_or_time(self._phrase, clock_s(FIRST_BPM), moved)
        if abs(nats) < rules.SURE_NATS:
            return
        obeys = nats > 0
        words = (
            tr("At {slow:g} and {fast:g} BPM it went by the clock.", slow=SLOW_BPM, fast=FAST_BPM)
            if obeys
            else tr("At {slow:g} and {fast:g} BPM it kept its own tempo.", slow=SLOW_BPM,
                    fast=FAST_BPM)
        )  # fmt: skip
        self._say(words, clock=obeys)
        found = rules.clock_latency_s(self._runs) if obeys else None
        if found is not None:
            late_s, first = found
            swallowed = {-1: tr(" Start itself is its one."), 1: tr(" It swallows the first.")}
            self._say(
                tr("A step sounds {late:.2f} ms after its clock.", late=late_s * 1e3)
                + swallowed.get(first, ""),
                clock_latency_ms=round(late_s * 1e3, 3),
            )

    def _place(self, hits: list[HeardHit], bpm: float, begin: float, count: int) -> int:
        """Mismatches with the phrase where it stands at a place as the clocks begin."""
        late_s = self._step_late_s
        return rules.mismatch(self._phrase, begin, hits, clock_s(bpm), count, late_s)

    def go_on(self) -> Part:
        """Does Continue go on where it stopped, or from the top?"""
        if not self._plays or self._found.clock is not True:
            return
        count = 2 * CLOCKS_PER_BAR
        at = max(range(3, 15), key=lambda n: self._distinct(n * CLOCKS_PER_SIXTEENTH, count))
        place = at * CLOCKS_PER_SIXTEENTH
        if self._distinct(place, count) < LEAST_HITS:
            return
        yield from self._stopped_at(place)
        sends = run(FIRST_BPM, count, CONTINUE)
        heard = yield asked(tr("Does Continue go on where it stopped?"), sends)
        hits = since_first(heard.hits, FIRST_BPM)
        there, top = (self._place(hits, FIRST_BPM, p, count) for p in (place, 0))
        if abs(there - top) >= 2:
            self._say(
                tr("After Continue {there} hits were off where it stopped, {top} from the top.",
                   there=there, top=top),
                goes_on=there < top,
            )  # fmt: skip

    def _distinct(self, place: int, count: int) -> int:
        """Hits by which the phrase from a place differs from the one from the top."""
        return rules.unmatched(
            rules.expected(self._phrase, place, count), rules.expected(self._phrase, 0, count), 2.0
        )

    def _stopped_at(self, place: int) -> Part:
        sends = run(FIRST_BPM, place)
        yield asked(tr("It is stopped at a place that can be told."), sends, 0.3)

    def locate(self) -> Part:
        """Does it go to a Song Position?"""
        if not self._plays or self._found.clock is not True:
            return
        count, place = 2 * CLOCKS_PER_BAR, PLACE * CLOCKS_PER_SIXTEENTH
        if self._distinct(place, count) < LEAST_HITS:
            return
        # Started and stopped at once, so that one that is ignored has a known place: the top.
        sends = [Send(LEAD_S, START), Send(LEAD_S + 0.03, STOP)]
        sends.append(Send(LEAD_S + 0.06, bytes((0xF2, PLACE, 0))))
        sends += [s._replace(at_s=s.at_s + 0.16) for s in run(FIRST_BPM, count, CONTINUE)]
        heard = yield asked(tr("Does it go to a Song Position?"), sends)
        hits = [h._replace(at_s=h.at_s - 0.16) for h in since_first(heard.hits, FIRST_BPM)]
        there, top = (self._place(hits, FIRST_BPM, p, count) for p in (place, 0))
        if abs(there - top) >= LEAST_HITS:
            self._say(
                tr("After a Song Position {there} hits were off there, {top} from the top.",
                   there=there, top=top),
                song_position=there < top,
            )  # fmt: skip

    def programs(self) -> Part:
        """Do program changes change its pattern, and when? Alike patterns tell nothing."""
        if not self._plays or self._found.clock is not True or not self._phrase.length:
            return
        channels = self._found.channels or tuple(c + 1 for c in CHANNELS)
        length = self._phrase.length
        count = max(2 * CLOCKS_PER_BAR, 2 * length) + CLOCKS_PER_BAR
        for program in (1, 2, 3):
            sends = run(FIRST_BPM, count)
            changed = CLOCKS_PER_QUARTER + 2
            at = LEAD_S + (1 + changed) * clock_s(FIRST_BPM)
            sends += [
                Send(at + 0.004 * n, bytes((PROGRAM | channel - 1, program)))
                for n, channel in enumerate(channels)
            ]
            sends.sort(key=lambda send: send.at_s)
            heard = yield asked(tr("Does a program change change its pattern?"), sends)
            hits = since_first(heard.hits, FIRST_BPM)
            sends = run(FIRST_BPM, 2 * length)
            heard = yield asked(tr("What does it play now?"), sends)
            now = since_first(heard.hits, FIRST_BPM)
            off = self._place(now, FIRST_BPM, 0, 2 * length)
            back = [Send(LEAD_S + 0.004 * n, bytes((PROGRAM | channel - 1, 0)))
                    for n, channel in enumerate(channels)]  # fmt: skip
            yield Experiment(tr("Back to the first program."), tuple(back), 0.6)
            if not rules.differs(off, len(rules.expected(self._phrase, 0, 2 * length))):
                continue
            new = rules.phrase_of(_moved(now, self._late_s), clock_s(FIRST_BPM), 2 * length)
            self._say(tr("Program {program} plays another pattern.", program=program + 1),
                      program=True)  # fmt: skip
            when = self._when(hits, new, changed, count)
            if when is not None:
                self._say(_when_words(when), program_at=when)
            return

    def _when(self, hits: list[HeardHit], new: Phrase, changed: int, of: int) -> ProgramAt | None:
        """When the new pattern came in: the moment that leaves the fewest hits unexplained."""
        late_s = self._step_late_s
        length = self._phrase.length
        moments: dict[ProgramAt, int] = {"at_once": changed, "bar": CLOCKS_PER_BAR}
        if length != CLOCKS_PER_BAR:
            moments["pattern_end"] = length * -(-changed // length)
        off: dict[ProgramAt, int] = {}
        second = clock_s(FIRST_BPM)
        for name, moment in moments.items():
            before = [h for h in hits if (h.at_s - late_s) / second < moment - 0.5]
            after = [h._replace(at_s=h.at_s - moment * second) for h in hits if h not in before]
            begin = 0 if name != "at_once" else moment
            off[name] = rules.mismatch(self._phrase, 0, before, second, moment, late_s)
            off[name] += rules.mismatch(new, begin, after, second, of - moment, late_s)
        ranked = sorted(off, key=lambda name: off[name])
        lead = off[ranked[1]] - off[ranked[0]]
        if length == CLOCKS_PER_BAR and ranked[0] == "bar":
            return None  # a pattern of one bar cannot tell a bar from its end
        return ranked[0] if lead >= LEAST_HITS + 0.25 * off[ranked[0]] else None

    def quiet(self) -> Part:
        """Leave it silent: what was sent ends with Stop and All Notes Off on each channel."""
        sends = [Send(0.0, STOP)] if self._found.start else []
        sends += [Send(0.01, bytes((0xB0 | c - 1, ALL_NOTES_OFF, 0))) for c in self._found.channels]
        if sends:
            yield Experiment(tr("It is left silent."), tuple(sends), 0.2)


def _moved(hits: list[HeardHit], late_s: float) -> list[HeardHit]:
    return [h._replace(at_s=h.at_s - late_s) for h in hits]


def _when_words(when: ProgramAt) -> str:
    return {
        "at_once": tr("It changes at once."),
        "bar": tr("It changes at the bar."),
        "pattern_end": tr("It changes at its pattern's end."),
    }[when]
