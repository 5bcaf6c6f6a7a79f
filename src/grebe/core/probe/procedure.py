"""The order of experiments, from quiet to loud: each is yielded, its observation sent in.

    answers = conduct(ears, observe)     # or, step by step, as `conduct` does it

Never sent: system exclusive, System Reset, Active Sensing, Tune Request, time code, any controller
but All Notes Off at the very end, bank select, parameter numbers: each could erase or change
something for good. Every note that is begun is ended in the same experiment, and every run stopped.
"""

from __future__ import annotations

from collections.abc import Callable, Generator
from contextlib import suppress
from random import Random
from typing import NamedTuple, TypeAlias

from grebe.core.audio.names import ALL_NOTES_OFF
from grebe.core.probe import notes, pattern, programs
from grebe.core.probe.experiments import STOP, Asked, LeftOut, Part, Told, observed
from grebe.core.probe.known import Known
from grebe.core.probe.model import (
    Answers,
    Ears,
    Experiment,
    Observation,
    ProbeQuestion,
    Reply,
    Send,
)
from grebe.words import tr

Probing: TypeAlias = Generator[Asked, Told, Answers]


class Stage(NamedTuple):
    """One stage of the procedure."""

    title: str
    part: Callable[[Known], Part]


def _quiet(known: Known) -> Part:
    """Leave it silent: what was sent ends with Stop and All Notes Off on each channel."""
    sends = [Send(0.0, STOP)] if known.found.start else []
    sends += [Send(0.01, bytes((0xB0 | c - 1, ALL_NOTES_OFF, 0))) for c in known.found.channels]
    if sends:
        yield from observed(Experiment(tr("It is left silent."), tuple(sends), 0.2))


STAGES: tuple[Stage, ...] = (
    Stage(tr("Listen"), notes.listen),
    Stage(tr("Passing on"), notes.repeat),
    Stage(tr("Channels"), notes.find_channels),
    Stage(tr("Notes"), notes.find_notes),
    Stage(tr("Held"), notes.hold),
    Stage(tr("Velocity"), notes.levels),
    Stage(tr("Lateness"), notes.latency),
    Stage(tr("Start and Stop"), pattern.start),
    Stage(tr("Clock"), pattern.tempi),
    Stage(tr("Display"), pattern.display),
    Stage(tr("Settling"), pattern.settle),
    Stage(tr("Steps"), pattern.step_latency),
    Stage(tr("Continue"), pattern.go_on),
    Stage(tr("Song Position"), pattern.locate),
    Stage(tr("Far tempi"), pattern.limits),
    Stage(tr("Programs"), programs.programs),
    Stage(tr("Silence"), _quiet),
)
"""From quiet to loud."""


def procedure(
    ears: Ears, seed: int = 1, begun: Callable[[int, Answers], None] = lambda *_: None
) -> Probing:
    """All experiments, one after another; what was found out. `begun` is told of every stage by its
    number, with what is known as it begins. Where an experiment may not be done `LeftOut` is thrown
    in: its stage ends."""
    known = Known(ears, Random(seed))
    for number, stage in enumerate(STAGES):
        begun(number, known.answers())
        with suppress(LeftOut):
            yield from stage.part(known)
    return known.answers()


def conduct(
    ears: Ears,
    observe: Callable[[Experiment], Observation],
    ask: Callable[[ProbeQuestion], Reply] = lambda _: "",
) -> Answers:
    """Do all experiments by `observe`, and have questions answered by `ask`."""
    asking = procedure(ears)
    wanted = next(asking)
    while True:
        try:
            wanted = asking.send(
                ask(wanted) if isinstance(wanted, ProbeQuestion) else observe(wanted)
            )
        except StopIteration as ended:
            answers: Answers = ended.value
            return answers
