"""A probe run for real: the procedure on one side, a process with the ports on the other."""

from __future__ import annotations

import json
import subprocess
import time
from collections.abc import Callable
from typing import Any, Literal, NamedTuple

import msgspec

from grebe.core.probe.experiments import LeftOut, stage_of
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
from grebe.core.probe.procedure import STAGES, Probing, procedure
from grebe.core.rig.standin import Setup
from grebe.errors import EngineError
from grebe.process import children
from grebe.process.children import end_child
from grebe.process.told_lines import ToldLines
from grebe.words import tr

State = Literal["ready", "running", "asks", "paused", "done", "lost"]
"""`asks`: the performer has to permit or say something; `paused` can be taken up again."""
Permit = Literal["before", "notes", "pattern", "far"]
STANDIN_SPEED = 8.0
"""A stand-in is probed so many times as fast as a box."""


class PortMissing(EngineError):
    """A port is not there, or went."""


class ProbePorts(NamedTuple):
    """Where a box is: ports as "jack:CLIENT:PORT" or "alsa:NAME", audio also "2 of INTERFACE";
    or the set-up of a stand-in."""

    out: str = ""
    back: str = ""
    audio: str = ""
    standin: Setup | None = None
    late_ms: float = 0.0
    """What the interface takes that the sound comes in at, to be taken off."""

    @property
    def ears(self) -> Ears:
        """By what it is heard."""
        heard = self.standin is not None
        return Ears(audio=heard or bool(self.audio), midi=heard or bool(self.back))

    def start(self) -> subprocess.Popen[bytes]:
        """The process that has the ports."""
        pipe = subprocess.PIPE
        if self.standin is None:
            words = ["--out", self.out, "--in", self.back, "--audio", self.audio]
            return children.start(children.PROBE, *words, stdin=pipe, stdout=pipe)
        words = ["--speed", str(STANDIN_SPEED)]
        process = children.start(children.PROBED_STANDIN, *words, stdin=pipe, stdout=pipe)
        children.tell(process, msgspec.json.encode(self.standin) + b"\n")
        return process


class ProbeStep(NamedTuple):
    """One experiment as it was done."""

    stage: int
    experiment: Experiment
    heard: Observation | None
    """None while it runs, or where it was left out."""
    permitted: bool = True


BEFORE: tuple[str, ...] = (
    tr("Volume down, to talking level."),
    tr("Record is not armed: Start would record."),
    tr("Its pattern and its edits are saved."),
    tr("Nothing else hangs on its thru, and nothing leads from it back to its input."),
)
"""What is seen to before anything is sent."""
PERMITS: dict[Permit, str] = {
    "before": tr("Before anything is sent: {list} Is that so?", list=" ".join(BEFORE)),
    "notes": tr("Notes come next, at velocity 80 and then softer and louder ones. May they sound?"),
    "pattern": tr("Its own pattern comes next: Start and Stop, at 75 to 171 BPM. May it play?"),
    "far": tr("Tempi of 30 and 300 BPM and other patterns come next. A program change throws "
              "unsaved edits away on many boxes. May they?"),
}  # fmt: skip
"""What is asked before each kind of experiment that sounds."""
YES, NO = "yes", "no"


class ProbeRun:
    """One probe of a box, done as its process answers; whoever runs it calls `pump`."""

    def __init__(self, ports: ProbePorts, *, hand: bool = True) -> None:
        """`hand`: somebody is there to answer questions about the box."""
        self._ports = ports
        self._permits: dict[Permit, bool] = {}
        self._process: subprocess.Popen[bytes] | None = None
        self._tells: ToldLines | None = None
        self.state: State = "ready"
        self.why = ""
        """Why it was lost."""
        self.stage = 0
        self.steps: list[ProbeStep] = []
        self.follows: dict[int, tuple[str, ...]] = {}
        """By stage what follows from it, in sentences."""
        self.began_s = 0.0
        """When the experiment that runs was begun."""
        self.answers = Answers()
        self.question: ProbeQuestion | None = None
        """What is asked just now."""
        self.asks: Permit | None = None
        """The kind of experiment whose leave is asked; None where something else is."""
        self._asking: Probing = procedure(ports.ears._replace(hand=hand), begun=self._begun)
        self._wanted: Experiment | ProbeQuestion = next(self._asking)

    def _begun(self, stage: int, answers: Answers) -> None:
        self._follow(answers)
        self.stage, self.answers = stage, answers

    def _follow(self, answers: Answers) -> None:
        """What the stage that is over has said."""
        self.follows[self.stage] = answers.said[len(self.answers.said) :]

    @property
    def active(self) -> bool:
        """Whether a process has the ports."""
        return self._process is not None

    @property
    def speed(self) -> float:
        """Seconds of an experiment in a second."""
        return 1.0 if self._ports.standin is None else STANDIN_SPEED

    @property
    def experiment(self) -> Experiment | None:
        """What is done just now."""
        wanted = self._wanted
        return wanted if self.state == "running" and isinstance(wanted, Experiment) else None

    def go(self) -> None:
        """Begin, or go on where it was stopped: the experiment that was cut short is done anew."""
        if self.state in ("ready", "paused", "lost"):
            self._process = self._ports.start()
            self._tells = ToldLines(self._process)
            self.state = "running"

    def stop(self) -> None:
        """Stop at once: notes are ended, the box is stopped. It can be taken up again."""
        process, self._process = self._process, None
        if process is not None:
            end_child(process)
            self.state, self.question = "paused", None
            self.steps = [step for step in self.steps if step.heard is not None]

    def reply(self, answer: Reply) -> None:
        """What the performer says to what is asked."""
        if self.question is None:
            return
        self.question, asked = None, self.asks
        self.state = "running"
        if asked is not None:
            self.asks = None
            self._permits[asked] = answer == YES
            self._next()
        else:
            self._send(answer)

    def pump(self, wait_s: float = 0.0) -> bool:
        """Take in what was heard; whether anything changed."""
        if self._process is None or self.state != "running":
            return False
        changed = False
        for told in self._heard(wait_s):
            changed = True
            if "lost" in told:
                self._lost(str(told["lost"]))
                return True
            if "ready" in told:
                self._next()
            else:
                heard = _observation(told, self._ports.late_ms / 1e3)
                self.steps[-1] = self.steps[-1]._replace(heard=heard)
                self._send(heard)
        return changed

    def _send(self, told: Observation | Reply) -> None:
        """What came of what was wanted; then the next."""
        self._go_on(lambda: self._asking.send(told))

    def _go_on(self, to: Callable[[], Experiment | ProbeQuestion]) -> None:
        try:
            self._wanted = to()
        except StopIteration as ended:
            self._follow(ended.value)
            self.answers = ended.value
            self.state = "done"
            process, self._process = self._process, None
            if process is not None:
                end_child(process)
            return
        self._next()

    def _next(self) -> None:
        """Do what is wanted now, or ask for it."""
        wanted = self._wanted
        if isinstance(wanted, ProbeQuestion):
            self._ask(wanted, None)
            return
        needs = stage_of(wanted)
        for permit in ("before",) if needs == "silent" else ("before", needs):
            permitted = self._permits.get(msgspec.convert(permit, Permit))
            if permitted is None:
                self._ask_leave(msgspec.convert(permit, Permit))
                return
            if not permitted and permit == "before":
                self.stop()
                self._permits.pop("before")
                return
            if not permitted:
                self.steps.append(ProbeStep(self.stage, wanted, None, permitted=False))
                self._go_on(lambda: self._asking.throw(LeftOut()))
                return
        self.steps.append(ProbeStep(self.stage, wanted, None))
        self._tell(wanted)

    def _ask_leave(self, permit: Permit) -> None:
        no = tr("Not yet") if permit == "before" else tr("No, leave it out")
        self._ask(ProbeQuestion("permit", PERMITS[permit], ((YES, tr("Yes")), (NO, no))), permit)

    def _ask(self, question: ProbeQuestion, permit: Permit | None) -> None:
        self.question, self.asks, self.state = question, permit, "asks"

    def _tell(self, experiment: Experiment) -> None:
        asked = {
            "sends": [[send.at_s, send.data.hex()] for send in experiment.sends],
            "seconds": experiment.seconds,
        }
        process, self.began_s = self._process, time.monotonic()
        assert process is not None
        children.tell(process, json.dumps(asked).encode() + b"\n")  # lost, it says why, if it can

    def _heard(self, wait_s: float) -> list[dict[str, Any]]:
        assert self._tells is not None
        told = self._tells.read(wait_s)
        return [{"lost": tr("the probe's process ended")}] if told is None else told

    def _lost(self, why: str) -> None:
        process, self._process = self._process, None
        if process is not None:
            end_child(process)
        self.state, self.why = "lost", why
        self.steps = [step for step in self.steps if step.heard is not None]


def _observation(told: dict[str, Any], late_s: float) -> Observation:
    return Observation(
        tuple(HeardHit(at_s - late_s, *rest) for at_s, *rest in told["hits"]),
        tuple(CameBack(at_s, bytes.fromhex(data)) for at_s, data in told["back"]),
        bool(told["torn"]),
    )


def probe(
    ports: ProbePorts,
    *,
    permits: Callable[[Permit], bool],
    progress: Callable[[str], None] = lambda _: None,
) -> Answers:
    """Find out what a box obeys, with nobody to answer questions. `permits` is asked before the
    first experiment of each kind that sounds; what is not permitted is left out, and unsure.
    PortMissing where a port is not there."""
    run = ProbeRun(ports, hand=False)
    try:
        run.go()
        told = 0
        while run.state in ("running", "asks"):
            if run.question is not None:
                asks = run.asks
                run.reply("" if asks is None else YES if permits(asks) else NO)
            run.pump(0.5)
            for step in run.steps[told:]:
                if step.permitted:
                    progress(f"{STAGES[step.stage].title}: {step.experiment.question}")
            told = len(run.steps)
        if run.state == "lost":
            raise PortMissing(run.why)
        return run.answers
    finally:
        run.stop()
