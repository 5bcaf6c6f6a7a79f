"""A probe run for real: the procedure on one side, a process with the ports on the other."""

from __future__ import annotations

import json
import subprocess
from collections.abc import Callable
from typing import Any

import msgspec

from grebe.app.live.perform import end_process
from grebe.core.probe.model import Answers, CameBack, Ears, Experiment, HeardHit, Observation
from grebe.core.probe.procedure import conduct, sounds
from grebe.errors import EngineError
from grebe.process import children


class PortMissing(EngineError):
    """A port is not there, or went."""


def probe(
    out: str,
    back: str,
    audio: str,
    *,
    permits: Callable[[Experiment], bool],
    progress: Callable[[str], None] = lambda _: None,
) -> Answers:
    """Find out what a box obeys. `permits` is asked before each experiment that sounds; what is
    not permitted is left out, and unsure. PortMissing where a port is not there."""
    words = ["--out", out, "--in", back, "--audio", audio]
    pipe = subprocess.PIPE
    process = children.start(children.PROBE, *words, stdin=pipe, stdout=pipe)
    try:
        _heard(process)

        def observe(experiment: Experiment) -> Observation:
            if sounds(experiment) and not permits(experiment):
                return Observation()
            progress(experiment.question)
            return _observed(process, experiment)

        return conduct(Ears(audio=bool(audio), midi=bool(back)), observe)
    finally:
        end_process(process)


def _observed(process: subprocess.Popen[bytes], experiment: Experiment) -> Observation:
    asked = {
        "sends": [[send.at_s, send.data.hex()] for send in experiment.sends],
        "seconds": experiment.seconds,
    }
    assert process.stdin is not None
    try:
        process.stdin.write(json.dumps(asked).encode() + b"\n")
        process.stdin.flush()
    except OSError:
        pass  # it says why, if it can
    told = _heard(process)
    return Observation(
        tuple(HeardHit(*row) for row in told["hits"]),
        tuple(CameBack(at_s, bytes.fromhex(data)) for at_s, data in told["back"]),
    )


def _heard(process: subprocess.Popen[bytes]) -> dict[str, Any]:
    assert process.stdout is not None
    line = process.stdout.readline()
    told: dict[str, Any] = msgspec.json.decode(line) if line else {"lost": "the probe ended"}
    if "lost" in told:
        raise PortMissing(told["lost"])
    return told
