"""Boxes to be probed: a stand-in behind a cable, with what stand-ins do not have laid over it."""

from __future__ import annotations

from dataclasses import dataclass
from itertools import pairwise
from random import Random

import msgspec
import numpy as np

from grebe.core.patterns.model import Content, Memory
from grebe.core.probe.model import (
    Answers,
    CameBack,
    Ears,
    Experiment,
    HeardHit,
    Observation,
    ProbeQuestion,
    Reply,
)
from grebe.core.probe.procedure import conduct
from grebe.core.rig.model import Device, Faults
from grebe.core.rig.standin import Setup
from grebe.protocols.standin.reports import ReportKind
from grebe.standins.box import StandinBox
from tests import build

FORBIDDEN = (0xF0, 0xF1, 0xF6, 0xF7, 0xFE, 0xFF)


@dataclass
class Box:
    """What it is, which the probe is not told."""

    clock: bool = True
    transport: bool = True
    song_position: bool = True
    program: bool = True
    change_at: str = "pattern_end"
    channel: int = 10
    latency_ms: float = 4.0
    jitter_ms: float = 0.3
    levels: int = 128
    thru: str = "none"
    sends_clock: str = "never"
    steps: int = 32
    ear_ms: float = 0.1
    seed: int = 1
    notes: tuple[int, ...] = tuple(range(128))
    held: bool = False
    first: int = 0
    """1: it swallows the first clock after Start; -1: Start itself is its one."""
    swing: float = 50.0
    slow_ms: float = 0.0
    """How far it is off after the tempo jumps."""
    slowest: float = 20.0
    fastest: float = 400.0
    by_hand: bool = False
    """It runs by its own key only, and by the clock while it does."""
    helps: bool = True
    """Whether its performer answers."""

    def device(self) -> Device:
        made = build.device(
            "box", channel=self.channel, plays="own", obeys_clock=True,
            obeys_transport=self.transport or self.by_hand, obeys_song_position=self.song_position,
            obeys_program=self.program, change_at=self.change_at,
        )  # fmt: skip
        faults = Faults(
            latency_ms=self.latency_ms, jitter_ms=self.jitter_ms, seed=self.seed,
            ignores_clock=False, swing_percent=self.swing,
        )  # fmt: skip
        return msgspec.structs.replace(made, faults=faults)

    def patterns(self) -> dict[int, Content]:
        dice = Random(self.seed)
        slots = {}
        for program in range(4):
            rows = []
            for note in (36, 38, 42):
                share = {36: 0.3, 38: 0.2, 42: 0.45}[note]
                steps = "".join("x" if dice.random() < share else "." for _ in range(self.steps))
                rows.append(build.voice("x" + steps[1:] if note == 36 else steps, note))
            slots[program] = build.pattern(f"p{program}", "box", *rows).content
        return slots


class Simulation:
    """The box on a table: experiments in, observations out."""

    def __init__(self, box: Box) -> None:
        self.box = box
        device = box.device()
        self.standin = StandinBox(device, Setup(device=device, memory=Memory(slots=box.patterns())))
        self.dice = Random(box.seed + 1)
        self.sent: list[bytes] = []
        self.seconds = 0.0
        self.asked: list[str] = []
        self._now = 1.0
        self.on: set[tuple[int, int]] = set()
        self._own: list[tuple[float, int]] = []
        self._own_runs = False

    def observe(self, experiment: Experiment) -> Observation:
        begun, box = self._now, self.box
        hits: list[HeardHit] = []
        back: list[CameBack] = []
        swallow = False
        fits = self._fits(experiment)
        for send in sorted(experiment.sends, key=lambda s: s.at_s):
            self.sent.append(send.data)
            self._count(send.data)
            data, at = send.data, begun + send.at_s
            if data[0] in (0xFA, 0xFB, 0xFC) and not box.clock and box.transport:
                self._own_runs = data[0] != 0xFC
            if self._gets(data, swallow=swallow, fits=fits):
                hits += self._feed(data, at, begun)
                if data[0] in (0xFA, 0xFB) and box.first == -1 and box.clock:
                    hits += self._feed(b"\xf8", at, begun)
            swallow = data[0] in (0xFA, 0xFB) and box.first == 1
            if box.thru == "all" or (box.thru == "notes" and data[0] < 0xF0):
                back.append(CameBack(send.at_s + 0.001, data))
        self.standin.sounded.clear()
        if not box.clock and box.transport:
            hits += self._by_itself(experiment)
        if box.slow_ms:
            hits = [h._replace(at_s=h.at_s + self._bump_s(experiment, h.at_s)) for h in hits]
        if box.sends_clock == "always" or (box.sends_clock == "running" and self._runs(experiment)):
            back += [CameBack(n / 48.3, b"\xf8") for n in range(int(experiment.seconds * 48.3))]
        self._now += experiment.seconds + 0.2
        self.seconds += experiment.seconds
        hits = [self._lasting(h, experiment) for h in hits if h.at_s < experiment.seconds]
        return Observation(tuple(sorted(hits)), tuple(sorted(back)))

    def ask(self, question: ProbeQuestion) -> Reply:
        """What a performer who tells the truth says, and does."""
        self.asked.append(question.key)
        self.seconds += 6.0
        if not self.box.helps:
            return ""
        if question.key == "press_play":
            if not self.box.by_hand:
                return "none"
            self.standin.feed(b"\xfa", round(self._now * 1e9))
            return "playing"
        if question.key == "tempo_shown":
            return "tempo"
        self.standin.program = 1
        return "chosen"

    def _feed(self, data: bytes, at: float, begun: float) -> list[HeardHit]:
        return [
            self._hit(max(at, report.at_ns / 1e9) - begun, report.number)  # none is early
            for report in self.standin.feed(data, round(at * 1e9))
            if report.kind is ReportKind.NOTE
        ]

    def _gets(self, data: bytes, *, swallow: bool, fits: bool) -> bool:
        box = self.box
        if data[0] == 0xF8:
            return box.clock and not swallow and fits
        if data[0] & 0xF0 == 0x90:
            return data[1] in box.notes
        return not (data[0] in (0xFA, 0xFB) and box.by_hand)

    def _fits(self, experiment: Experiment) -> bool:
        """Whether its clock can follow what comes."""
        ticks = [s.at_s for s in experiment.sends if s.data[0] == 0xF8]
        if len(ticks) < 8:
            return True
        apart = sorted(b - a for a, b in pairwise(ticks))[len(ticks) // 2]
        return self.box.slowest * 0.999 <= 2.5 / apart <= self.box.fastest * 1.001

    def _bump_s(self, experiment: Experiment, at_s: float) -> float:
        """How far it is off, since the tempo jumped last."""
        ticks = [s.at_s for s in experiment.sends if s.data[0] == 0xF8 and s.at_s <= at_s]
        jumped = ticks[0] if ticks else at_s
        for a, b, c in zip(ticks, ticks[1:], ticks[2:], strict=False):
            if abs((c - b) / (b - a) - 1) > 0.1:
                jumped = b
        x = max(0.0, at_s - jumped) / 0.35
        return self.box.slow_ms / 1e3 * x * float(np.exp(1 - x))

    def _lasting(self, hit: HeardHit, experiment: Experiment) -> HeardHit:
        """With how long it rings: an even drum, or as long as its note is held."""
        lasts = 0.08
        if self.box.held:
            begins = [s for s in experiment.sends
                      if s.data[0] & 0xF0 == 0x90 and s.at_s < hit.at_s + 0.002]  # fmt: skip
            ends = [
                s.at_s
                for s in experiment.sends
                if s.data[0] & 0xF0 == 0x80
                and begins
                and s.data[1] == begins[-1].data[1]
                and s.at_s > begins[-1].at_s
            ]
            if ends:
                lasts = max(0.02, ends[0] + self.box.latency_ms / 1e3 - hit.at_s + 0.03)
        return hit._replace(lasts_s=lasts)

    def _runs(self, experiment: Experiment) -> bool:
        return any(s.data[0] in (0xFA, 0xFB) for s in experiment.sends)

    def _by_itself(self, experiment: Experiment) -> list[HeardHit]:
        """A box on its own tempo of 97: its pattern from each Start or Continue to the Stop."""
        out: list[HeardHit] = []
        starts = [s for s in experiment.sends if s.data[0] in (0xFA, 0xFB)]
        for start in starts:
            stops = [s.at_s for s in experiment.sends
                     if s.data[0] == 0xFC and s.at_s > start.at_s]  # fmt: skip
            until = min([*stops, experiment.seconds])
            step, late = 60 / 97 / 4, self.box.latency_ms / 1e3
            steps = int((until - start.at_s) / step) + 1
            out += [
                self._hit(start.at_s + number * step + late, voice.note * 128 + 100)
                for number in range(steps)
                for voice in self.box.patterns()[0].voices
                if number % self.box.steps in {h.step for h in voice.hits}
            ]
        return out

    def _hit(self, at_s: float, number: int) -> HeardHit:
        note, velocity = divmod(number, 128)
        levels = self.box.levels
        level = 1.0 if levels == 1 else velocity / 127
        if 1 < levels < 128:
            level = (int(velocity * levels / 128) + 1) / levels
        elif levels == 128:
            level = level**1.5
        noisy = max(0.0, level * (1 + self.dice.gauss(0, 0.015)))
        return HeardHit(at_s + self.dice.gauss(0, self.box.ear_ms / 1e3), noisy, note)

    def _count(self, data: bytes) -> None:
        assert data[0] not in FORBIDDEN
        if data[0] & 0xF0 == 0xB0:
            assert data[1] == 123
        key = (data[0] & 0xF, data[1] if len(data) > 1 else 0)
        if data[0] & 0xF0 == 0x90 and data[2]:
            self.on.add(key)
        elif data[0] & 0xF0 == 0x80:
            self.on.discard(key)


def probed(simulation: Simulation, *, midi: bool = True) -> Answers:
    """Run the whole procedure."""
    return conduct(Ears(audio=True, midi=midi, hand=True), simulation.observe, simulation.ask)


def drawn(seed: int) -> Box:
    """One of every combination of abilities and faults."""
    dice = Random(seed)
    clock, transport = dice.random() < 0.85, dice.random() < 0.9
    kits = (tuple(range(128)), tuple(range(36, 52)), (36, 38, 42, 46), (60, 62, 64, 65))
    return Box(
        clock=clock, transport=transport,
        song_position=dice.random() < 0.6, program=dice.random() < 0.6,
        change_at=dice.choice(["at_once", "bar", "pattern_end"]),
        channel=dice.randint(1, 16), latency_ms=round(dice.uniform(0, 40), 2),
        jitter_ms=10 ** dice.uniform(-1, 0.5), levels=dice.choice([1, 2, 3, 4, 128, 128]),
        thru=dice.choice(["none", "none", "notes", "all"]),
        sends_clock=dice.choice(["never", "running", "always"]),
        steps=dice.choice([16, 32, 32, 64]), ear_ms=0.15, seed=seed,
        notes=dice.choice(kits), held=dice.random() < 0.4,
        first=dice.choice([0, 0, 0, 1, -1]), swing=dice.choice([50, 50, 50, 56, 62]),
        slow_ms=dice.choice([0, 0, 0, 30, 60]) if clock else 0,
        slowest=dice.choice([20, 40, 60]), fastest=dice.choice([200, 240, 400]),
        by_hand=clock and not transport and dice.random() < 0.5, helps=dice.random() < 0.92,
    )  # fmt: skip
