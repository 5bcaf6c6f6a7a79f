"""A probe as a window runs it: asked for leave, stopped, taken up, its process ended."""

from __future__ import annotations

from collections.abc import Callable, Iterator

import pytest

from grebe.app.probing import NO, PortMissing, ProbePorts, ProbeRun, probe
from grebe.core.patterns.model import Memory
from grebe.core.rig.standin import Setup
from grebe.process.children import alive
from tests.core.probe.boxes import Box
from tests.waiting import wait

BOX = Box(latency_ms=5.0, jitter_ms=0.2, steps=16)


@pytest.fixture
def run(monkeypatch: pytest.MonkeyPatch) -> Iterator[ProbeRun]:
    monkeypatch.setattr("grebe.app.probing.STANDIN_SPEED", 400.0)
    device = BOX.device()
    made = ProbeRun(ProbePorts(standin=Setup(device=device, memory=Memory(slots=BOX.patterns()))))
    yield made
    made.stop()


def pump(run: ProbeRun, until: Callable[[], object]) -> None:
    wait(until, turn=lambda: run.pump(0.1), why=lambda: run.state)


def test_everything_that_sounds_is_asked_for_first(run: ProbeRun) -> None:
    """Before anything, before notes, before its pattern, before what is far; a no leaves that out
    and leaves its answers unsure."""
    run.go()
    asked = []
    while run.state != "done":
        pump(run, lambda: run.question is not None or run.state == "done")
        if run.question is not None:
            asked.append(run.asks or run.question.key)
            sent = {s.data[0] & 0xF0 for step in run.steps for s in step.experiment.sends}
            assert (0x90 in sent) is ("notes" in asked[:-1])
            run.reply(NO if run.asks == "far" else run.question.choices[0][0])
    assert asked == ["before", "notes", "pattern", "tempo_shown", "far"]
    assert run.answers.clock is True
    assert run.answers.channels == (BOX.channel,)
    assert {"program.obeyed", "program.at"} <= set(run.answers.unsure)
    assert run.answers.fastest_bpm is None
    left = [step for step in run.steps if not step.permitted]
    assert left
    assert not any(step.heard for step in left)
    assert run.follows[2]


def test_a_no_to_what_is_seen_to_before_sends_nothing(run: ProbeRun) -> None:
    run.go()
    pump(run, lambda: run.question is not None)
    run.reply(NO)
    assert run.state == "paused"
    assert run.steps == []
    assert not run.active


def test_stopped_and_taken_up_it_ends_with_the_same_answers(run: ProbeRun) -> None:
    """The experiment that was cut short is done anew; what was found stays found. Its process is
    gone meanwhile."""
    run.go()
    stops = 0
    while run.state != "done":
        pump(run, lambda: run.question is not None or len(run.steps) > 6 or run.state == "done")
        if run.question is not None:
            run.reply(run.question.choices[0][0])
        elif stops < 3 and run.active:
            process, found = run._process, run.answers
            run.stop()
            assert process is not None
            assert not alive(process.pid)
            assert run.state == "paused"
            assert run.answers == found
            run.go()
            stops += 1
        else:
            run.pump(0.1)
    assert stops == 3
    assert run.answers.clock is True
    assert run.answers.clock_latency_ms == pytest.approx(BOX.latency_ms, abs=1.0)
    assert run.answers.program is True


def test_a_process_that_dies_is_said_and_taken_up(run: ProbeRun) -> None:
    run.go()
    pump(run, lambda: run.question is not None)
    run.reply("yes")
    assert run._process is not None
    run._process.kill()
    pump(run, lambda: run.state == "lost")
    assert run.why
    run.go()
    pump(run, lambda: run.question is not None)
    assert run.asks == "notes"


def test_a_port_that_is_not_there_is_said() -> None:
    with pytest.raises(PortMissing, match="not 'nowhere'"):
        probe(ProbePorts("nowhere:x", "", ""), permits=lambda _: True)
